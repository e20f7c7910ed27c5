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
