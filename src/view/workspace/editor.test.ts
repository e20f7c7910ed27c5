import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { BUILD_VERSION, type Design, type Edit } from '@/core/design';
import { createEditor } from './editor';
import { entryNow } from './outbox';

const desk = demoDesign('dawn-chorus-desk') as Design;
let answers: { status: number; body: unknown }[];
let sent: { revision: number; document: Design }[];

beforeEach(() => {
  jest.useFakeTimers();
  answers = [];
  sent = [];
  globalThis.fetch = ((_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as (typeof sent)[number]);
    const next = answers.shift() ?? {
      status: 200,
      body: { revision: (sent[sent.length - 1]?.revision ?? 0) + 1 },
    };
    return next.status === 0
      ? Promise.reject(new Error('no network'))
      : Promise.resolve(new Response(JSON.stringify(next.body), { status: next.status }));
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
});

const settle = async (ms: number): Promise<void> => {
  await jest.advanceTimersByTimeAsync(ms);
};

describe('what the browser kept before an update', () => {
  const kept = JSON.parse(
    readFileSync(join(process.cwd(), 'src/core/design/fixtures/v2.json'), 'utf8'),
  ) as Record<string, unknown>;
  const step = { label: 'x', edit: { do: 'patch', patches: [] } as Edit };

  test('an unsaved document of an older version is still there, in the terms of this one', () => {
    const { design, dirty, revision, past } = entryNow({
      build: kept,
      revision: 4,
      dirty: true,
      past: [step],
      future: [],
    });
    expect(design).toMatchObject({ version: BUILD_VERSION, name: 'Kept from version 2' });
    expect(design.components).toHaveLength((kept['items'] as unknown[]).length);
    expect({ dirty, revision, past }).toEqual({ dirty: true, revision: 4, past: [] });
  });

  test('an entry of this version is taken as it is, steps back and all', () => {
    const entry = { design: desk, revision: 2, dirty: false, past: [step], future: [], sent: desk };
    expect(entryNow(entry)).toEqual(entry);
  });

  test('it is saved on the revision it grew from', async () => {
    const editor = createEditor('desk', 4, desk);
    editor
      .getState()
      .restore(entryNow({ build: kept, revision: 4, dirty: true, past: [], future: [] }));
    await settle(1500);
    expect(sent).toMatchObject([
      { revision: 4, document: { version: BUILD_VERSION, name: 'Kept from version 2' } },
    ]);
  });
});

describe('an open build', () => {
  test('saves within a second, on the revision it was made on', async () => {
    const editor = createEditor('desk', 7, desk);
    editor.getState().commit('rename', { do: 'design.rename', name: 'Other' });
    expect(editor.getState().save).toBe('unsaved');
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 7, document: { name: 'Other' } }]);
    expect(editor.getState()).toMatchObject({ save: 'saved', revision: 8 });
  });

  test('undo and redo, to the first edit', () => {
    const editor = createEditor('desk', 1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    editor.getState().commit('b', { do: 'fans.speed', speed_rpm: 800 });
    editor.getState().commit('c', { do: 'component.remove', component: 'card-block' });
    for (let i = 0; i < 5; i += 1) editor.getState().undo();
    expect(editor.getState().design).toEqual(desk);
    for (let i = 0; i < 5; i += 1) editor.getState().redo();
    expect(editor.getState().design.name).toBe('A');
    expect(editor.getState().design.components.some((i) => i.id === 'card-block')).toBe(false);
  });

  test('a dragged handle is one step', () => {
    const editor = createEditor('desk', 1, desk);
    for (let rpm = 800; rpm < 900; rpm += 10)
      editor.getState().commit('fans', { do: 'fans.speed', speed_rpm: rpm }, 'fans.speed');
    expect(editor.getState().past.length).toBe(1);
    editor.getState().undo();
    expect(editor.getState().design).toEqual(desk);
  });

  test('a new edit after undo forgets what was undone', () => {
    const editor = createEditor('desk', 1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    editor.getState().undo();
    editor.getState().commit('b', { do: 'design.rename', name: 'B' });
    expect(editor.getState().future).toEqual([]);
  });

  test('an edit of something that is not there says so and changes nothing', () => {
    const editor = createEditor('desk', 1, desk);
    editor.getState().commit('x', { do: 'component.remove', component: 'ghost' });
    expect(editor.getState().diagnostic).toContain('ghost');
    expect(editor.getState().design).toBe(desk);
  });

  test('a stale revision brings both versions, and either may be chosen', async () => {
    const theirs = { ...desk, name: 'Theirs' };
    answers.push({ status: 409, body: { revision: 9, document: theirs } });
    const editor = createEditor('desk', 7, desk);
    editor.getState().commit('mine', { do: 'design.rename', name: 'Mine' });
    await settle(1000);
    expect(editor.getState().conflict).toMatchObject({ revision: 9, design: { name: 'Theirs' } });
    expect(editor.getState().design.name).toBe('Mine');
    editor.getState().keepMine();
    await settle(1000);
    expect(sent[1]).toMatchObject({ revision: 9, document: { name: 'Mine' } });

    answers.push({ status: 409, body: { revision: 12, document: theirs } });
    editor.getState().commit('again', { do: 'design.rename', name: 'Mine again' });
    await settle(1000);
    editor.getState().takeTheirs();
    expect(editor.getState()).toMatchObject({
      revision: 12,
      design: { name: 'Theirs' },
      save: 'saved',
    });
  });

  test('without a network it keeps trying', async () => {
    answers.push({ status: 0, body: null }, { status: 503, body: {} });
    const editor = createEditor('desk', 1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(600);
    expect(editor.getState().save).toBe('offline');
    await settle(9000);
    expect(editor.getState().save).toBe('saved');
    expect(sent.length).toBe(3);
  });

  test('an unsaved journal from before is taken up and sent', async () => {
    const editor = createEditor('desk', 4, desk);
    editor.getState().restore({
      design: { ...desk, name: 'From the journal' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
    });
    await settle(100);
    expect(sent).toMatchObject([{ revision: 4, document: { name: 'From the journal' } }]);
  });

  test('a journal newer than the page (browser back) is taken as it is, without a save', async () => {
    const editor = createEditor('desk', 1, desk);
    editor.getState().restore({
      design: { ...desk, name: 'Saved since' },
      revision: 3,
      dirty: false,
      past: [],
      future: [],
    });
    await settle(2000);
    expect(editor.getState()).toMatchObject({
      revision: 3,
      design: { name: 'Saved since' },
      save: 'saved',
      conflict: null,
    });
    expect(sent).toEqual([]);
  });

  test('a window closed before the answer came: the server holds what was sent, so nobody else wrote', async () => {
    const onServer = { ...desk, name: 'Sent' };
    const editor = createEditor('desk', 5, onServer);
    editor.getState().restore({
      design: { ...desk, name: 'One further' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
      sent: { ...desk, name: 'Sent' },
    });
    expect(editor.getState()).toMatchObject({
      conflict: null,
      revision: 5,
      design: { name: 'One further' },
    });
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 5, document: { name: 'One further' } }]);
  });

  test('an answer lost on the way: the next try meets its own words and goes on', async () => {
    const editor = createEditor('desk', 4, desk);
    answers = [{ status: 0, body: null }];
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(1000);
    answers = [{ status: 409, body: { revision: 5, document: { ...desk, name: 'A' } } }];
    editor.getState().commit('b', { do: 'design.rename', name: 'B' });
    await settle(8000);
    expect(editor.getState()).toMatchObject({
      conflict: null,
      save: 'saved',
      design: { name: 'B' },
    });
    expect(sent.at(-1)).toMatchObject({ revision: 5, document: { name: 'B' } });
  });

  test('an unsaved journal on an older revision becomes a choice', () => {
    const editor = createEditor('desk', 6, { ...desk, name: 'On the server' });
    editor.getState().restore({
      design: { ...desk, name: 'From the journal' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
    });
    expect(editor.getState().conflict).toMatchObject({
      revision: 6,
      design: { name: 'On the server' },
    });
    expect(editor.getState().design.name).toBe('From the journal');
  });
});
