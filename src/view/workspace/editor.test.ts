import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { BUILD_VERSION, type Design } from '@/core/design';
import fc from 'fast-check';
import { analyse, tell } from '@/core/analysis';
import { analystHere } from '@/engine/analystHere.fixture';
import { createEditor, type Editor } from './editor';
import {
  readLog,
  type LeftBehind,
  type LogRecord,
  type OpenedOutbox,
  type WorkState,
} from './outbox';
import { stateBefore } from './outbox/before';
import { ANSWER_MS } from './send';

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

/** An outbox that keeps its records in memory, as a window's log. */
function memoryOutbox(found: WorkState | null = null, left: readonly LeftBehind[] = []) {
  const records: LogRecord[] = [];
  let wantsState = found === null;
  const opened: OpenedOutbox = {
    found,
    left,
    outbox: {
      append: (record, state) => {
        records.push(wantsState ? state() : record);
        wantsState = false;
        return Promise.resolve(true);
      },
      takeLeft: () => Promise.resolve([]),
      close: () => undefined,
    },
  };
  if (found) records.push({ type: 'state', version: BUILD_VERSION, ...found });
  return { opened, records };
}

const editorOf = (revision: number, design: Design): Editor =>
  createEditor({ id: 'desk', revision, design, told: tell(analyse(design)) }, analystHere);

const openEditor = (
  revision: number,
  design: Design,
  found: WorkState | null = null,
  left: readonly LeftBehind[] = [],
) => {
  const editor = editorOf(revision, design),
    { opened, records } = memoryOutbox(found, left);
  editor.getState().opened(opened);
  return Object.assign(editor, { records });
};

const named = (name: string): Design => ({ ...desk, name });
const work = (state: Partial<WorkState> & { readonly design: Design }): WorkState => ({
  revision: 4,
  base: desk,
  unheard: null,
  past: [],
  future: [],
  ...state,
});

describe('what the browser kept before an update', () => {
  const kept = JSON.parse(
    readFileSync(join(process.cwd(), 'src/core/design/fixtures/v2.json'), 'utf8'),
  ) as Record<string, unknown>;

  test('an unsaved document of an older version is still there, in the terms of this one', () => {
    const { design, base, revision, past } = stateBefore({ build: kept, revision: 4, dirty: true });
    expect(design).toMatchObject({ version: BUILD_VERSION, name: 'Kept from version 2' });
    expect(design.components).toHaveLength((kept['items'] as unknown[]).length);
    expect({ base, revision, past }).toEqual({ base: null, revision: 4, past: [] });
  });

  test('it is saved on the revision it grew from', async () => {
    openEditor(4, desk, stateBefore({ build: kept, revision: 4, dirty: true }));
    await settle(1500);
    expect(sent).toMatchObject([
      { revision: 4, document: { version: BUILD_VERSION, name: 'Kept from version 2' } },
    ]);
  });
});

describe('an open build', () => {
  test('saves within a second, on the revision it was made on', async () => {
    const editor = openEditor(7, desk);
    editor.getState().commit('rename', { do: 'design.rename', name: 'Other' });
    expect(editor.getState().save).toBe('unsaved');
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 7, document: { name: 'Other' } }]);
    expect(editor.getState()).toMatchObject({ save: 'saved', revision: 8 });
  });

  test('undo and redo, to the first edit', () => {
    const editor = openEditor(1, desk);
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
    const editor = openEditor(1, desk);
    for (let rpm = 800; rpm < 900; rpm += 10)
      editor.getState().commit('fans', { do: 'fans.speed', speed_rpm: rpm }, 'fans.speed');
    expect(editor.getState().past.length).toBe(1);
    editor.getState().undo();
    expect(editor.getState().design).toEqual(desk);
  });

  test('a new edit after undo forgets what was undone', () => {
    const editor = openEditor(1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    editor.getState().undo();
    editor.getState().commit('b', { do: 'design.rename', name: 'B' });
    expect(editor.getState().future).toEqual([]);
  });

  test('an edit of something that is not there says so and changes nothing', () => {
    const editor = openEditor(1, desk);
    editor.getState().commit('x', { do: 'component.remove', component: 'ghost' });
    expect(editor.getState().diagnostic).toContain('ghost');
    expect(editor.getState().design).toBe(desk);
  });

  test('a stale revision: what does not touch goes together by itself, and is one step back', async () => {
    const theirs = { ...desk, brief: { ...desk.brief, room_C: 31 } };
    answers.push({ status: 409, body: { revision: 9, document: theirs } });
    const editor = openEditor(7, desk);
    editor.getState().commit('mine', { do: 'design.rename', name: 'Mine' });
    await settle(2000);
    expect(editor.getState()).toMatchObject({ conflict: null, save: 'saved', revision: 10 });
    expect(editor.getState().design).toEqual({ ...theirs, name: 'Mine' });
    expect(sent[1]).toMatchObject({ revision: 9, document: { name: 'Mine' } });
    editor.getState().undo();
    expect(editor.getState().design).toEqual(named('Mine'));
    editor.getState().undo();
    expect(editor.getState().design).toEqual(desk);
  });

  test('what touches is chosen field by field; "take theirs" keeps the way back', async () => {
    answers.push({ status: 409, body: { revision: 9, document: named('Theirs') } });
    const editor = openEditor(7, desk);
    editor.getState().commit('mine', { do: 'design.rename', name: 'Mine' });
    editor.getState().commit('room', { do: 'brief.set', values: { room_C: 30 } });
    await settle(1000);
    const { conflict } = editor.getState();
    expect(conflict?.merged.clashes.map((c) => c.path)).toEqual([['name']]);
    expect(editor.getState().design.name).toBe('Mine');
    // Nothing is sent while the choice is open.
    await settle(20_000);
    expect(sent).toHaveLength(1);
    editor.getState().settle(new Set(['name']));
    await settle(1000);
    expect(sent[1]).toMatchObject({
      revision: 9,
      document: { name: 'Theirs', brief: { room_C: 30 } },
    });

    answers.push({ status: 409, body: { revision: 12, document: named('Theirs again') } });
    editor.getState().commit('again', { do: 'design.rename', name: 'Mine again' });
    await settle(1000);
    editor.getState().takeTheirs();
    expect(editor.getState()).toMatchObject({
      revision: 12,
      design: { name: 'Theirs again' },
      save: 'saved',
    });
    editor.getState().undo();
    expect(editor.getState().design.name).toBe('Mine again');
    for (let i = 0; i < 9; i += 1) editor.getState().undo();
    expect(editor.getState().design).toEqual(desk);
  });

  test('continuous work is saved at least every three seconds', async () => {
    const editor = openEditor(1, desk);
    for (let i = 0; i < 100; i += 1) {
      editor.getState().commit('room', { do: 'brief.set', values: { room_C: 20 + (i % 10) } });
      await settle(100);
    }
    expect(sent.length).toBeGreaterThanOrEqual(3);
  });

  test('a server that hangs is told after ten seconds, and asked again', async () => {
    const editor = openEditor(1, desk);
    const answering = globalThis.fetch;
    globalThis.fetch = ((_: string, { signal }: { signal: AbortSignal }) =>
      new Promise((_resolve, reject) => {
        signal.addEventListener('abort', () => reject(new Error('aborted')));
      })) as unknown as typeof fetch;
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(ANSWER_MS + 600);
    expect(editor.getState().save).toBe('hung');
    globalThis.fetch = answering;
    await settle(5000);
    expect(editor.getState().save).toBe('saved');
  });

  test('the server says what keeps it from saving; a build that is gone is told', async () => {
    const editor = openEditor(1, desk);
    answers.push({ status: 507, body: { error: 'The disk is full.', trouble: 'full' } });
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(1000);
    expect(editor.getState()).toMatchObject({
      save: 'trouble',
      saveMessage: 'disk full',
      diagnostic: 'The disk is full.',
    });
    answers.push({ status: 410, body: { error: 'in the bin' } });
    await settle(5000);
    expect(editor.getState()).toMatchObject({ save: 'gone', saveMessage: 'binned' });
    expect(editor.getState().design.name).toBe('A');
  });

  test('a page that closes sends what changed since the server last heard', async () => {
    const editor = openEditor(1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(1000);
    editor.getState().commit('b', { do: 'design.rename', name: 'B' });
    editor.getState().pageCloses();
    expect(sent.at(-1)).toEqual({
      revision: 2,
      patches: [{ op: 'replace', path: ['name'], value: 'B' }],
    });
    expect(editor.records.at(-1)).toEqual({ type: 'sent' });
  });

  test('edits made before the outbox is read are done after what it holds', () => {
    const editor = editorOf(4, desk);
    editor.getState().commit('room', { do: 'brief.set', values: { room_C: 30 } });
    expect(editor.getState().design).toBe(desk);
    editor.getState().opened(memoryOutbox(work({ design: named('From before') })).opened);
    expect(editor.getState().design).toMatchObject({ name: 'From before', brief: { room_C: 30 } });
  });

  test('strokes of a key before the outbox is read go on from each other', () => {
    const editor = editorOf(4, desk);
    const { room_C } = desk.brief;
    for (let i = 0; i < 3; i += 1) {
      const { latest } = editor.getState();
      editor
        .getState()
        .commit('room', { do: 'brief.set', values: { room_C: latest.brief.room_C + 1 } });
    }
    expect(editor.getState().past).toHaveLength(0);
    editor.getState().opened(memoryOutbox().opened);
    expect(editor.getState().latest.brief.room_C).toBe(room_C + 3);
    expect(editor.getState().past).toHaveLength(3);
    editor.getState().undo();
    expect(editor.getState().latest.brief.room_C).toBe(room_C + 2);
  });

  test('undo reaches the first of a thousand edits', () => {
    const editor = openEditor(1, desk);
    for (let i = 0; i < 1000; i += 1)
      editor.getState().commit('name', { do: 'design.rename', name: `N${i}` });
    expect(editor.getState().past).toHaveLength(1000);
    const read = readLog(editor.records);
    expect(read?.past).toHaveLength(1000);
    expect(read?.past.map((s) => s.back).reduceRight((_, b) => b)).toEqual(
      editor.getState().past[0]?.back,
    );
  }, 60_000);

  test('without a network it keeps trying', async () => {
    answers.push({ status: 0, body: null }, { status: 503, body: {} });
    const editor = openEditor(1, desk);
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(600);
    expect(editor.getState().save).toBe('offline');
    await settle(9000);
    expect(editor.getState().save).toBe('saved');
    expect(sent.length).toBe(3);
  });

  test('unsaved work from before is taken up and sent', async () => {
    openEditor(4, desk, work({ design: named('From the outbox') }));
    await settle(100);
    expect(sent).toMatchObject([{ revision: 4, document: { name: 'From the outbox' } }]);
  });

  test('a log newer than the page (browser back) is taken as it is, without a save', async () => {
    const since = named('Saved since');
    const editor = openEditor(1, desk, work({ design: since, base: since, revision: 3 }));
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
    const editor = openEditor(
      5,
      named('Sent'),
      work({ design: named('One further'), unheard: named('Sent') }),
    );
    expect(editor.getState()).toMatchObject({
      conflict: null,
      revision: 5,
      design: { name: 'One further' },
    });
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 5, document: { name: 'One further' } }]);
  });

  test('an answer lost on the way: the next try meets its own words and goes on', async () => {
    const editor = openEditor(4, desk);
    answers = [{ status: 0, body: null }];
    editor.getState().commit('a', { do: 'design.rename', name: 'A' });
    await settle(1000);
    answers = [{ status: 409, body: { revision: 5, document: named('A') } }];
    editor.getState().commit('b', { do: 'design.rename', name: 'B' });
    await settle(8000);
    expect(editor.getState()).toMatchObject({
      conflict: null,
      save: 'saved',
      design: { name: 'B' },
    });
    expect(sent.at(-1)).toMatchObject({ revision: 5, document: { name: 'B' } });
  });

  test('unsaved work on an older revision: merged, or a choice', async () => {
    const apart = openEditor(6, named('On the server'), work({ design: named('Mine') }));
    expect(apart.getState().conflict).toMatchObject({
      revision: 6,
      design: { name: 'On the server' },
    });
    expect(apart.getState().design.name).toBe('Mine');
    const room = { ...desk, brief: { ...desk.brief, room_C: 31 } };
    const together = openEditor(6, named('On the server'), work({ design: room }));
    expect(together.getState()).toMatchObject({
      conflict: null,
      design: { name: 'On the server', brief: { room_C: 31 } },
    });
  });

  test('two windows worked offline and crashed: both works are in what opens, and each log goes only then', async () => {
    const drops: string[] = [];
    const other = (design: Design, name: string): LeftBehind => ({
      state: work({ design }),
      drop: () => {
        drops.push(name);
        return Promise.resolve();
      },
    });
    const room = { ...desk, brief: { ...desk.brief, room_C: 31 } };
    const editor = openEditor(4, desk, work({ design: named('A') }), [
      other(room, 'room'),
      other(named('B'), 'name'),
    ]);
    // The second touches: the first choice stands, and the log is still there.
    expect(editor.getState()).toMatchObject({
      design: { name: 'A', brief: { room_C: 31 } },
      conflict: { from: 'closed window', design: { name: 'B' } },
    });
    await settle(0);
    expect(drops).toEqual(['room']);
    editor.getState().settle(new Set());
    await settle(1000);
    expect(drops).toEqual(['room', 'name']);
    expect(sent.at(-1)).toMatchObject({ document: { name: 'A', brief: { room_C: 31 } } });
  });
});

describe('the log of a window', () => {
  test('read again it is the state of the editor, whatever was done', async () => {
    const doing = fc.oneof(
      fc.record({
        do: fc.constant('name' as const),
        name: fc.string({ minLength: 1, maxLength: 9 }),
      }),
      fc.record({ do: fc.constant('drag' as const), rpm: fc.integer({ min: 500, max: 1500 }) }),
      fc.constantFrom({ do: 'undo' as const }, { do: 'redo' as const }, { do: 'wait' as const }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(doing, { maxLength: 25 }), async (all) => {
        const editor = openEditor(1, desk);
        for (const one of all) {
          const state = editor.getState();
          if (one.do === 'name') state.commit('n', { do: 'design.rename', name: one.name });
          else if (one.do === 'drag')
            state.commit('fans', { do: 'fans.speed', speed_rpm: one.rpm }, 'fans');
          else if (one.do === 'wait') await settle(1000);
          else state[one.do]();
        }
        if (editor.records.length === 0) return;
        const { design, past, future, revision } = editor.getState();
        expect(readLog(editor.records)).toMatchObject({ design, past, future, revision });
      }),
      { numRuns: 60 },
    );
  }, 60_000);
});
