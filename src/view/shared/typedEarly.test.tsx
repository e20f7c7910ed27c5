/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { act } from '@testing-library/react';
import { useState } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { useTypedEarly } from './typedEarly';

function Page() {
  useTypedEarly();
  const [name, setName] = useState('Reed rig'),
    [note, setNote] = useState('');
  return (
    <>
      <input value={name} onChange={(e) => setName(e.target.value)} />
      <textarea value={note} onChange={(e) => setNote(e.target.value)} />
      <output>{`${name} / ${note}`}</output>
    </>
  );
}

/** What the server sends of it. */
const SENT = '<input value="Reed rig"/><textarea></textarea><output>Reed rig / </output>';

/** The page as it was sent, then awake; `meanwhile` is what its reader does before that. */
async function awake(meanwhile: (name: HTMLInputElement, note: HTMLTextAreaElement) => void) {
  document.body.innerHTML = `<div>${SENT}</div>`;
  const place = document.body.firstElementChild as HTMLElement;
  const name = place.querySelector('input') as HTMLInputElement;
  meanwhile(name, place.querySelector('textarea') as HTMLTextAreaElement);
  await act(async () => {
    hydrateRoot(place, <Page />);
    await Promise.resolve();
  });
  return { name, said: () => place.querySelector('output')?.textContent };
}

test('what is typed before the page is awake is heard', async () => {
  const field = await awake((name) => {
    name.focus();
    name.value = 'Heron rig';
  });
  expect(field.said()).toBe('Heron rig / ');
  expect(field.name.value).toBe('Heron rig');
  const box = await awake((_, note) => {
    note.focus();
    note.value = 'Quiet.';
  });
  expect(box.said()).toBe('Reed rig / Quiet.');
});

test('a field that nobody is in keeps what the build says', async () => {
  const filledAgain = await awake((name) => {
    name.value = 'of another visit';
  });
  expect(filledAgain.said()).toBe('Reed rig / ');
});

const soon = () => act(() => new Promise<void>((done) => setTimeout(done, 5)));

/** Types as into a piece that is just waking: React takes the text for its own and hears of nothing. */
function typeUnheard(field: HTMLInputElement, text: string): void {
  field.focus();
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

test('what a piece that wakes late puts back is said again', async () => {
  const { name, said } = await awake(() => undefined);
  typeUnheard(name, 'Heron rig');
  name.value = 'Reed rig';
  expect(said()).toBe('Reed rig / ');
  await soon();
  expect(said()).toBe('Heron rig / ');
  expect(name.value).toBe('Heron rig');
});

test('what its user takes back with Escape stays taken back', async () => {
  const { name, said } = await awake(() => undefined);
  typeUnheard(name, 'Heron rig');
  name.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
  name.value = 'Reed rig';
  await soon();
  expect(said()).toBe('Reed rig / ');
});

test('Enter pressed right after it counts for what was typed', async () => {
  const { name, said } = await awake(() => undefined);
  const kept: (string | null | undefined)[] = [];
  name.addEventListener('keydown', () => kept.push(said()));
  typeUnheard(name, 'Heron rig');
  name.value = 'Reed rig';
  act(() => {
    name.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
  });
  await soon();
  expect(kept.at(-1)).toBe('Heron rig / ');
  expect(kept).toHaveLength(2);
});

test('a file that was chosen and read is not said again', async () => {
  await awake(() => undefined);
  const field = document.createElement('input');
  field.type = 'file';
  document.body.append(field);
  const heard: Event[] = [];
  field.addEventListener('input', (e) => heard.push(e));
  // What a browser shows of a chosen file; nobody may set it.
  let value = 'C:\\fakepath\\rig.json';
  Object.defineProperty(field, 'value', { get: () => value, configurable: true });
  field.dispatchEvent(new Event('input', { bubbles: true }));
  value = '';
  await soon();
  expect(heard).toHaveLength(1);
});
