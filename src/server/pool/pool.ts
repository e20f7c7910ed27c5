import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/** Threads for computing: the event loop keeps one core to answer on. */
const MOST_THREADS = 2;
/** Tasks that may wait; more are refused at once. */
const MOST_WAITING = 64;
/** Heap of a thread, MB. A task that wants more ends its thread, not the server. */
const THREAD_HEAP_MB = 512;
const IDLE_MS = 30_000;

/** A task was not done within its time. The thread that worked on it is gone. */
export class OverTimeError extends Error {
  constructor(
    readonly task: TaskName,
    readonly budget_ms: number,
  ) {
    super(`The task "${task}" was not done within ${budget_ms} ms.`);
    this.name = 'OverTimeError';
  }
}

/** Too many tasks wait already. */
export class PoolFullError extends Error {
  constructor() {
    super('Too many tasks wait for the pool.');
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

const held = globalThis as unknown as { zephyronPool?: Piscina };

function thePool(): Piscina {
  const bundle = join(process.cwd(), 'dist', 'pool.mjs');
  if (!existsSync(bundle))
    throw new Error('dist/pool.mjs is missing: run "node scripts/pool.mjs".');
  held.zephyronPool ??= new Piscina({
    filename: pathToFileURL(bundle).href,
    minThreads: 0,
    maxThreads: MOST_THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: THREAD_HEAP_MB },
  });
  return held.zephyronPool;
}

/**
 * Runs a task in a thread of the pool. Rejects with OverTimeError when the task, counted from its
 * asking, takes longer than `budget_ms`, with PoolFullError when too many wait, and with the task's
 * own error otherwise.
 */
export async function inPool<T extends TaskName>(
  task: T,
  input: TaskInput<T>,
  budget_ms: number,
  { tell, signal }: Watch = {},
): Promise<TaskOutput<T>> {
  const pool = thePool();
  if (pool.queueSize >= MOST_WAITING) throw new PoolFullError();
  const overTime = AbortSignal.timeout(budget_ms);
  const stop = signal ? AbortSignal.any([signal, overTime]) : overTime;
  const { port1: here, port2: there } = new MessageChannel();
  here.on('message', ({ done, of }: Progress) => tell?.(done, of));
  try {
    const asked = { task, input, progress: there };
    return (await pool.run(asked, { signal: stop, transferList: [there] })) as TaskOutput<T>;
  } catch (error) {
    if (overTime.aborted) throw new OverTimeError(task, budget_ms);
    throw error;
  } finally {
    here.close();
  }
}

/** Ends all threads: for tests, and when the server goes down. */
export async function closePool(): Promise<void> {
  const pool = held.zephyronPool;
  delete held.zephyronPool;
  await pool?.destroy();
}
