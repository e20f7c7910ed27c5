import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { msg } from '@/core/messages';
import type { PdfAsked } from '../pdf/worker';
import type { TaskInput, TaskName, TaskOutput } from './tasks';
import { currentReader } from '../reader';

/**
 * Three pools, so that reading and saving a build never waits for the computing of another, nor a
 * short computation for a long one. The event loop keeps the rest to answer on.
 */
interface PoolKind {
  readonly least: number;
  readonly most: number;
  /** Tasks that may wait; more are refused at once. */
  readonly waiting: number;
  /** How far its threads step back before those that answer, where the system knows of it. */
  readonly nice: number;
}
const POOLS = {
  /** Looks over documents: milliseconds each. */
  quick: { least: 1, most: 1, waiting: 256, nice: 0 },
  /** Judges builds: a second at most. */
  slow: { least: 1, most: 2, waiting: 24, nice: 5 },
  /** Routes, tries fixes, prints, packs: as long as it takes, with progress. */
  long: { least: 0, most: 1, waiting: 8, nice: 10 },
} as const satisfies Record<string, PoolKind>;
type PoolName = keyof typeof POOLS;

/** Where a task runs that does not look over a document. */
const POOL_OF: Partial<Record<TaskName, PoolName>> = {
  summarise: 'slow',
  evaluate: 'slow',
  tell: 'slow',
  listCsv: 'slow',
  route: 'long',
  proof: 'long',
  pack: 'long',
  unpack: 'long',
};
/** What is asked with fixes or routing takes longer than judging. */
const isLong = (input: unknown): boolean => {
  const { fixes, route } = input as { readonly fixes?: boolean; readonly route?: boolean };
  return fixes === true || route === true;
};
/** Heap of a thread, MB. A task that wants more ends its thread, not the server. */
const THREAD_HEAP_MB = 512;
const IDLE_MS = 30_000;

/** A task was not done within its time. The thread that worked on it is gone. */
export class OverTimeError extends Error {
  constructor(
    readonly task: string,
    readonly budget_ms: number,
  ) {
    super(msg`The task "${task}" was not done within ${budget_ms} ms.`);
    this.name = 'OverTimeError';
  }
}

/** Too many tasks wait already. */
export class PoolFullError extends Error {
  constructor() {
    super(msg`Too many tasks wait for the pool.`);
    this.name = 'PoolFullError';
  }
}

/** How far a task has come. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Who asked for a task hears how far it is, and may stop it: its thread ends then. */
export interface Watch {
  tell?(this: void, done: number, of: number): void;
  readonly signal?: AbortSignal;
}

interface OpenPool {
  readonly pool: Piscina;
  /** Its first thread has loaded what it computes with: seconds on a busy machine. */
  readonly awake: Promise<unknown>;
}
const held = globalThis as unknown as { zephyronPools?: Partial<Record<PoolName, OpenPool>> };

const bundleOf = (name: 'pool' | 'pdf'): string => {
  const bundle = join(process.cwd(), 'dist', `${name}.mjs`);
  if (!existsSync(bundle))
    throw new Error(`dist/${name}.mjs is missing: run "node scripts/bundles.mjs".`);
  return pathToFileURL(bundle).href;
};

function openPool(name: PoolName): OpenPool {
  const { least, most, waiting, nice } = POOLS[name];
  const pool = new Piscina({
    filename: bundleOf('pool'),
    minThreads: least,
    maxThreads: most,
    maxQueue: waiting,
    idleTimeout: IDLE_MS,
    niceIncrement: nice,
    resourceLimits: { maxOldGenerationSizeMb: THREAD_HEAP_MB },
  });
  const { port1, port2 } = new MessageChannel();
  const awake = pool
    .run(
      { task: 'wake', input: null, reader: currentReader(), progress: port2 },
      { transferList: [port2] },
    )
    .finally(() => port1.close());
  // Whoever asks first hears of a fault from the task itself.
  return { pool, awake: awake.catch(() => undefined) };
}

const thePool = (name: PoolName): OpenPool =>
  ((held.zephyronPools ??= {})[name] ??= openPool(name));

/**
 * Runs in a pool until done, over time, or not wanted any more; its thread ends then. Waking the
 * pool is not counted to the task that comes first.
 */
async function run<T>(
  name: PoolName,
  task: string,
  budget_ms: number,
  signal: AbortSignal | undefined,
  start: (pool: Piscina, stop: AbortSignal) => Promise<unknown>,
): Promise<T> {
  const { pool, awake } = thePool(name);
  await awake;
  if (pool.queueSize >= POOLS[name].waiting) throw new PoolFullError();
  const overTime = AbortSignal.timeout(budget_ms);
  const stop = signal ? AbortSignal.any([signal, overTime]) : overTime;
  try {
    return (await start(pool, stop)) as T;
  } catch (error) {
    if (overTime.aborted) throw new OverTimeError(task, budget_ms);
    throw error;
  }
}

/**
 * Runs a task in a thread of its pool. Rejects with OverTimeError when the task takes longer than
 * `budget_ms` from its asking of a pool that is awake, with PoolFullError when too many wait, and
 * with the task's own error otherwise.
 */
export async function inPool<T extends TaskName>(
  task: T,
  input: TaskInput<T>,
  budget_ms: number,
  { tell, signal }: Watch = {},
): Promise<TaskOutput<T>> {
  const { port1: here, port2: there } = new MessageChannel();
  here.on('message', ({ done, of }: Progress) => tell?.(done, of));
  try {
    const name = isLong(input) ? 'long' : (POOL_OF[task] ?? 'quick');
    return await run(name, task, budget_ms, signal, (pool, stop) =>
      pool.run(
        { task, input, reader: currentReader(), progress: there },
        { signal: stop, transferList: [there] },
      ),
    );
  } finally {
    here.close();
  }
}

/** A build on paper, set in a thread of the computing pool. Rejects as `inPool` does. */
export const printed = (
  asked: PdfAsked,
  budget_ms: number,
  { signal }: Watch = {},
): Promise<Uint8Array> =>
  run('long', 'print', budget_ms, signal, (pool, stop) =>
    pool.run(
      { ...asked, language: currentReader().language },
      { signal: stop, filename: bundleOf('pdf') },
    ),
  );

/** How many tasks wait, by pool: for the health of the server. */
export const waitingTasks = (): Readonly<Record<PoolName, number>> => ({
  quick: held.zephyronPools?.quick?.pool.queueSize ?? 0,
  slow: held.zephyronPools?.slow?.pool.queueSize ?? 0,
  long: held.zephyronPools?.long?.pool.queueSize ?? 0,
});

/** Ends all threads: for tests, and when the server goes down. */
export async function closePool(): Promise<void> {
  const pools = Object.values(held.zephyronPools ?? {});
  delete held.zephyronPools;
  await Promise.all(pools.map(({ pool }) => pool.destroy()));
}
