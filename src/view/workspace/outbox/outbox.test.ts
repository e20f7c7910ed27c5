import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { IDBFactory, IDBObjectStore } from 'fake-indexeddb';
import { createStore, set } from 'idb-keyval';
import { demoDesign } from '@/catalogue';
import { applyEdit, BUILD_VERSION, type Design, type Edit } from '@/core/design';
import type { Kept, LogRecord, OpenedOutbox, Step, WorkState } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

/** Locks of the browser, as far as they are used: a name has one holder. */
const held = new Set<string>();
const locks = {
  request: (
    name: string,
    _: { ifAvailable: boolean },
    work: (lock: object | null) => Promise<void> | undefined,
  ) => {
    if (held.has(name)) return Promise.resolve(work(null));
    held.add(name);
    return Promise.resolve(work({ name })).finally(() => held.delete(name));
  },
};

let openOutbox: (id: string, tell: (kept: Kept) => void) => Promise<OpenedOutbox>;
let keptBuilds: () => Promise<readonly { readonly id: string; readonly name: string }[]>;
let keptWork: (id: string) => Promise<WorkState | null>;

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  held.clear();
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
  jest.resetModules();
  ({ openOutbox, keptBuilds, keptWork } = await import('.'));
});
afterEach(() => {
  jest.restoreAllMocks();
});

let steps = 0;
function stepOf(design: Design, edit: Edit): { readonly design: Design; readonly step: Step } {
  const { design: next, inverse, forward } = applyEdit(design, edit);
  steps += 1;
  return { design: next, step: { id: steps, label: 'x', back: inverse, forth: forward } };
}

const stateOf = (design: Design, base = desk): Extract<LogRecord, { type: 'state' }> => ({
  type: 'state',
  version: BUILD_VERSION,
  design,
  revision: 4,
  base,
  unheard: null,
  past: [],
  future: [],
});

const quiet = (): void => undefined;

/** A window that renames the build, one step after another. */
async function renamed(id: string, names: readonly string[], tell = quiet as (k: Kept) => void) {
  const opened = await openOutbox(id, tell);
  let design = opened.found?.design ?? desk;
  for (const name of names) {
    const next = stepOf(design, { do: 'design.rename', name });
    ({ design } = next);
    await opened.outbox.append({ type: 'step', step: next.step, joins: false }, () =>
      stateOf(next.design),
    );
  }
  return { ...opened, design };
}

/** The window is gone without a word: its locks are free. */
const crash = (): void => held.clear();

describe("a window's log in the browser", () => {
  test('what was appended is there for the next window, steps back and all', async () => {
    expect((await openOutbox('desk', quiet)).found).toBeNull();
    crash();
    await renamed('desk', ['A', 'B', 'C']);
    crash();
    const { found, left } = await openOutbox('desk', quiet);
    expect(left).toEqual([]);
    expect(found).toMatchObject({ revision: 4, base: { name: desk.name }, design: { name: 'C' } });
    expect(found?.past).toHaveLength(2);
    const undone = applyEdit(found?.design as Design, found?.past.at(-1)?.back as Edit).design;
    expect(undone.name).toBe('B');
  });

  test('the next window appends to it, and a third reads both', async () => {
    await renamed('desk', ['A', 'B']);
    crash();
    await renamed('desk', ['C', 'D']);
    crash();
    const { found } = await openOutbox('desk', quiet);
    expect(found?.design.name).toBe('D');
    expect(found?.past).toHaveLength(3);
  });

  test('a living window keeps its log; what each leaves is told apart', async () => {
    const one = await renamed('desk', ['One']);
    const two = await openOutbox('desk', quiet);
    expect(two.found).toBeNull();
    const room = stepOf(desk, { do: 'brief.set', values: { room_C: 30 } });
    await two.outbox.append({ type: 'step', step: room.step, joins: false }, () =>
      stateOf(room.design),
    );
    expect(await two.outbox.takeLeft()).toEqual([]);
    crash();
    const third = await openOutbox('desk', quiet);
    const works = [third.found, ...third.left.map((l) => l.state)].map((w) => w?.design);
    expect(works).toHaveLength(2);
    expect(works).toContainEqual(one.design);
    expect(works).toContainEqual(room.design);
    // Let go of, it is gone for good.
    for (const l of third.left) await l.drop();
    crash();
    expect((await openOutbox('desk', quiet)).left).toEqual([]);
  });

  test('closed and opened again by the same page, it is its own log', async () => {
    const first = await renamed('desk', ['A']);
    first.outbox.close();
    const again = await openOutbox('desk', quiet);
    expect(again.found?.design.name).toBe('A');
  });

  test('"kept" is told once it is written, not before', async () => {
    const told: Kept[] = [];
    await renamed('desk', ['A'], (kept) => told.push(kept));
    expect(told).toEqual(['writing', 'kept']);
  });

  test('where a write fails that is told, and the next one begins the log anew', async () => {
    const told: Kept[] = [];
    const { outbox } = await renamed('desk', ['A'], (kept) => told.push(kept));
    jest.spyOn(console, 'error').mockImplementation(quiet);
    const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const lost = stepOf({ ...desk, name: 'A' }, { do: 'design.rename', name: 'Lost' });
    expect(
      await outbox.append({ type: 'step', step: lost.step, joins: false }, () =>
        stateOf(lost.design),
      ),
    ).toBe(false);
    expect(told.at(-1)).toBe('refused');
    full.mockRestore();
    const next = stepOf(lost.design, { do: 'brief.set', values: { room_C: 31 } });
    expect(
      await outbox.append({ type: 'step', step: next.step, joins: false }, () =>
        stateOf(next.design),
      ),
    ).toBe(true);
    expect(told.at(-1)).toBe('kept');
    crash();
    const { found } = await openOutbox('desk', quiet);
    expect(found?.design).toMatchObject({ name: 'Lost', brief: { room_C: 31 } });
  });

  test('where storage is refused it works on, says so, and keeps nothing', async () => {
    jest.spyOn(console, 'error').mockImplementation(quiet);
    Object.defineProperty(globalThis, 'indexedDB', {
      configurable: true,
      writable: true,
      value: {
        open: () => {
          throw new DOMException('refused', 'SecurityError');
        },
      },
    });
    const told: Kept[] = [];
    const { outbox, found } = await openOutbox('desk', (kept) => told.push(kept));
    expect(found).toBeNull();
    expect(told).toEqual(['refused']);
    expect(await outbox.append({ type: 'undo' }, () => stateOf(desk))).toBe(false);
  });

  test('a long log is read from a later state, with all its steps', async () => {
    const names = Array.from({ length: 450 }, (_, i) => `N${i}`);
    await renamed('desk', names);
    crash();
    const { found } = await openOutbox('desk', quiet);
    expect(found?.design.name).toBe('N449');
    expect(found?.past.length).toBe(449);
  });

  test('what an older version of the app kept is taken up once', async () => {
    const old = createStore('zephyron', 'journal');
    const entry = { design: { ...desk, name: 'Kept before' }, revision: 3, dirty: true };
    await set('desk', { ...entry, past: [], future: [] }, old);
    const { found } = await openOutbox('desk', quiet);
    expect(found).toMatchObject({ revision: 3, base: null, design: { name: 'Kept before' } });
    crash();
    expect((await openOutbox('desk', quiet)).found).toBeNull();
  });

  test('for the page that stands in for the server: builds, latest first, and their work', async () => {
    await renamed('one', ['First']);
    await new Promise((resolve) => setTimeout(resolve, 5));
    await renamed('two', ['Second']);
    expect((await keptBuilds()).map(({ id, name }) => [id, name])).toEqual([
      ['two', 'Second'],
      ['one', 'First'],
    ]);
    expect((await keptWork('one'))?.design.name).toBe('First');
    expect(await keptWork('three')).toBeNull();
  });
});
