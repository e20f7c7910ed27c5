import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { takeEntryBefore } from './before';
import { tryHold, type Held } from './locks';
import { readLog, type LogRecord, type WorkState } from './log';

/** Whether what was done is written in this browser. */
export type Kept = 'kept' | 'writing' | 'refused';

type StateRecord = Extract<LogRecord, { type: 'state' }>;
type RecordKey = [build: string, log: string, seq: number];

interface OutboxSchema extends DBSchema {
  records: { key: RecordKey; value: { readonly at: number; readonly record: LogRecord } };
}

/** Records after which the state is written anew, so that a long log is read quickly. */
const STATE_EVERY = 200;

/** What a closed window left that this one has not taken up as its own. */
export interface LeftBehind {
  readonly state: WorkState;
  /** Lets go of it, once what is in it stands elsewhere. */
  drop(): Promise<void>;
}

/** This window's log of one build, appended to with every edit. */
export interface Outbox {
  /** Writes a record; `state` gives what all amounts to with it. True when it is written. */
  append(record: LogRecord, state: () => StateRecord): Promise<boolean>;
  /** Logs of windows that were closed since, taken over. */
  takeLeft(): Promise<readonly LeftBehind[]>;
  /** Lets another window take the log over. */
  close(): void;
}

export interface OpenedOutbox {
  readonly outbox: Outbox;
  /** What the last window to work on the build left; null when none did. */
  readonly found: WorkState | null;
  /** What further windows left: worked on beside it, and never brought together. */
  readonly left: readonly LeftBehind[];
}

let opening: Promise<IDBPDatabase<OutboxSchema>> | null = null;
const database = (): Promise<IDBPDatabase<OutboxSchema>> =>
  (opening ??= openDB<OutboxSchema>('zephyron-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('records');
    },
  }));

const rangeOf = (build: string, log?: string): IDBKeyRange =>
  log === undefined
    ? IDBKeyRange.bound([build], [build, []])
    : IDBKeyRange.bound([build, log], [build, log, []]);

/** Builds this window is letting go of: opened again, they are waited for. */
const closing = new Map<string, Promise<void>>();

interface DeadLog {
  readonly log: string;
  readonly held: Held;
  readonly at: number;
  readonly records: number;
  readonly state: WorkState | null;
}

/** Takes over the logs of a build that no living window holds. */
async function takeDead(
  db: IDBPDatabase<OutboxSchema>,
  build: string,
  but: string,
): Promise<readonly DeadLog[]> {
  const keys = await db.getAllKeys('records', rangeOf(build));
  const logs = [...new Set(keys.map(([, log]) => log))].filter((log) => log !== but);
  const taken: DeadLog[] = [];
  for (const log of logs) {
    const held = await tryHold(lockOf(build, log));
    if (!held) continue;
    const rows = await db.getAll('records', rangeOf(build, log));
    taken.push({
      log,
      held,
      at: rows.at(-1)?.at ?? 0,
      records: rows.length,
      state: readLog(rows.map((row) => row.record)),
    });
  }
  return taken.sort((a, b) => b.at - a.at);
}

const lockOf = (build: string, log: string): string => `zephyron-outbox:${build}:${log}`;

const newLog = (): string =>
  `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 10)}`;

/** Where the browser refuses storage (private windows): nothing is kept, and that is said. */
const REFUSING: Outbox = {
  append: () => Promise.resolve(false),
  takeLeft: () => Promise.resolve([]),
  close: () => undefined,
};

/**
 * Opens this window's log of a build, and takes over what closed windows have left. `tell` hears
 * whether what was done is written.
 */
export async function openOutbox(build: string, tell: (kept: Kept) => void): Promise<OpenedOutbox> {
  try {
    await closing.get(build);
    return await opened(await database(), build, tell);
  } catch (error) {
    opening = null;
    console.error(error);
    tell('refused');
    return { outbox: REFUSING, found: null, left: [] };
  }
}

async function opened(
  db: IDBPDatabase<OutboxSchema>,
  build: string,
  tell: (kept: Kept) => void,
): Promise<OpenedOutbox> {
  const dead = (await takeDead(db, build, '')).filter((d) => d.state !== null);
  const [first, ...others] = dead;
  const before = await takeEntryBefore(build).catch(() => null);
  const log = first?.log ?? newLog();
  const held = first?.held ?? (await tryHold(lockOf(build, log)));
  const left = others.map((d) => leftBehind(db, build, d));
  if (before && first) left.push({ state: before, drop: () => Promise.resolve() });
  return {
    outbox: outboxOf(db, build, log, first?.records ?? 0, held, tell),
    found: first?.state ?? before,
    left,
  };
}

const leftBehind = (
  db: IDBPDatabase<OutboxSchema>,
  build: string,
  { log, held, state }: DeadLog,
): LeftBehind => ({
  state: state as WorkState,
  drop: async () => {
    await db.delete('records', rangeOf(build, log));
    held.release();
  },
});

function outboxOf(
  db: IDBPDatabase<OutboxSchema>,
  build: string,
  log: string,
  start: number,
  held: Held | null,
  tell: (kept: Kept) => void,
): Outbox {
  let seq = start;
  let writing = 0;
  // A log begins with a state; after a write that failed it has to begin anew.
  let wantsState = start === 0;
  const put = async (record: LogRecord): Promise<boolean> => {
    writing += 1;
    tell('writing');
    seq += 1;
    try {
      await db.put('records', { at: Date.now(), record }, [build, log, seq]);
      writing -= 1;
      if (writing === 0 && !wantsState) tell('kept');
      return true;
    } catch (error) {
      writing -= 1;
      wantsState = true;
      console.error(error);
      tell('refused');
      return false;
    }
  };
  let last: Promise<boolean> = Promise.resolve(true);
  return {
    append: (record, state) => {
      if (wantsState) {
        wantsState = false;
        last = put(state());
        return last;
      }
      const written = put(record);
      last = written;
      if (seq % STATE_EVERY === 0) {
        const { past: _past, future: _future, ...bare } = state();
        last = put(bare);
      }
      return written;
    },
    takeLeft: async () => {
      const dead = await takeDead(db, build, log);
      return dead.filter((d) => d.state !== null).map((d) => leftBehind(db, build, d));
    },
    close: () => {
      const done = last.then(() => held?.release());
      closing.set(build, done);
      void done.finally(() => {
        if (closing.get(build) === done) closing.delete(build);
      });
    },
  };
}

interface KeptLog {
  readonly build: string;
  readonly at: number;
  readonly state: WorkState;
}

/** The logs this browser holds, of one build or of all, latest first. */
async function keptLogs(build?: string): Promise<readonly KeptLog[]> {
  const db = await database();
  const keys = await db.getAllKeys('records', build === undefined ? null : rangeOf(build));
  const logs = new Map(keys.map(([of, log]) => [`${of}\n${log}`, [of, log] as const]));
  const found: KeptLog[] = [];
  for (const [of, log] of logs.values()) {
    const rows = await db.getAll('records', rangeOf(of, log));
    const state = readLog(rows.map((row) => row.record));
    if (state) found.push({ build: of, at: rows.at(-1)?.at ?? 0, state });
  }
  return found.sort((a, b) => b.at - a.at);
}

/** What this browser holds of builds, latest first: for the page that stands in for the server. */
export async function keptBuilds(): Promise<
  readonly { readonly id: string; readonly name: string; readonly at: number }[]
> {
  const logs = await keptLogs();
  const latest = logs.filter((l, i) => logs.findIndex((o) => o.build === l.build) === i);
  return latest.map(({ build, at, state }) => ({ id: build, name: state.design.name, at }));
}

/** The latest work of a build that this browser holds; null when it never was here. */
export const keptWork = async (build: string): Promise<WorkState | null> =>
  (await keptLogs(build))[0]?.state ?? null;
