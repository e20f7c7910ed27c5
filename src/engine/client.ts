import { proxy, releaseProxy, wrap, type Remote } from 'comlink';
import type { PartLists } from '@/catalogue';
import type { Design, Edit } from '@/core/design';
import { Changes } from './changes';
import type { EngineApi } from './engine.worker';
import type { JobInput, JobName, JobResult, OwnJob, QuickResults } from './jobs';
import { serverAnswers, serverBack } from './serverBack';

/** Jobs that a hand waits for go before those that merely offer something. */
const PATIENT: ReadonlySet<JobName> = new Set(['improve', 'changes', 'bands']);

export interface Running<J extends JobName> {
  /** Null where it was stopped. */
  readonly result: Promise<JobResult<J> | null>;
  stop(): void;
}

interface Waiting {
  readonly job: OwnJob;
  readonly input: unknown;
  readonly tell: (share: number, soFar?: unknown) => void;
  readonly settle: (result: unknown) => void;
  readonly fail: (error: unknown) => void;
  stopped: boolean;
}

interface Thread {
  readonly worker: Worker;
  readonly api: Remote<EngineApi>;
  /** Rejects when the thread breaks. */
  readonly broken: Promise<never>;
  hasAnswered: boolean;
}

/** Jobs that another thread does at once: they wait for none of these. */
export type QuickJobs = {
  readonly [J in keyof QuickResults]: () => Promise<QuickResults[J] | null>;
};
const isQuick = (job: JobName): job is keyof QuickResults => job === 'curves';

/** The thread itself is gone, or was never loaded. */
class BrokenThread extends Error {}

/**
 * The page's side of the engine: one worker for as long as a build is open. Edits are handed on
 * before the next job; jobs run one after the other, urgent ones first; a patient one gives way to
 * an urgent one and is taken up again.
 */
export class Engine {
  private thread: Thread | null = null;
  private readonly changes: Changes;
  private queue: Waiting[] = [];
  private current: { readonly waiting: Waiting; readonly flag: Int32Array | null } | null = null;
  private closed = false;
  /** The last answer to each job, by the key it was asked with. */
  private readonly known = new Map<JobName, { readonly key: string; readonly result: unknown }>();

  constructor(
    design: Design,
    partLists: PartLists,
    private readonly quick: QuickJobs,
  ) {
    this.changes = new Changes(design, partLists);
  }

  /** The design after an edit, as the page has it. */
  edited(design: Design, edit: Edit): void {
    this.changes.edited(design, edit);
  }

  /** Another design in its place. */
  replaced(design: Design): void {
    this.changes.replaced(design);
  }

  offers(partLists: PartLists): void {
    this.changes.offers(partLists);
  }

  /** Keeps an answer for whoever asks the same again, or got it elsewhere before asking. */
  keep<J extends JobName>(job: J, key: string, result: JobResult<J>): void {
    this.known.set(job, { key, result });
  }

  /** The answer kept for this key; null when there is none. */
  kept<J extends JobName>(job: J, key: string): JobResult<J> | null {
    const known = this.known.get(job);
    return known?.key === key ? (known.result as JobResult<J>) : null;
  }

  /** Asks for a job over the design as it is now. */
  run<J extends JobName>(
    job: J,
    input: JobInput<J>,
    tell: (share: number, soFar?: JobResult<J>) => void = () => undefined,
  ): Running<J> {
    if (isQuick(job)) {
      const result = this.quick[job]() as Promise<JobResult<J> | null>;
      return { result, stop: () => undefined };
    }
    const own: OwnJob = job;
    let waiting: Waiting | null = null;
    const result = new Promise<JobResult<J> | null>((resolve, reject) => {
      waiting = {
        job: own,
        input,
        tell: (share, soFar) => tell(share, soFar as JobResult<J> | undefined),
        settle: (value) => resolve(value as JobResult<J> | null),
        fail: reject,
        stopped: false,
      };
    });
    const asked = waiting as unknown as Waiting;
    this.queue.push(asked);
    if (this.current && PATIENT.has(this.current.waiting.job) && !PATIENT.has(own))
      this.interrupt();
    void this.next();
    return { result, stop: () => this.stop(asked) };
  }

  private stop(waiting: Waiting): void {
    waiting.stopped = true;
    this.queue = this.queue.filter((w) => w !== waiting);
    if (this.current?.waiting === waiting) this.interrupt();
    else waiting.settle(null);
  }

  /** Ends what runs: by its flag where memory can be shared, else by ending the thread. */
  private interrupt(): void {
    if (!this.current) return;
    const { flag } = this.current;
    if (flag) {
      Atomics.store(flag, 0, 1);
      return;
    }
    this.endThread();
    this.finish(null, true);
  }

  private async next(): Promise<void> {
    if (this.current || this.closed) return;
    const urgent = this.queue.find((w) => !PATIENT.has(w.job));
    const waiting = urgent ?? this.queue[0];
    if (!waiting) return;
    this.queue = this.queue.filter((w) => w !== waiting);
    const flag = sharedFlag();
    this.current = { waiting, flag };
    try {
      const result = await this.work(waiting, flag);
      const interrupted = flag !== null && Atomics.load(flag, 0) === 1;
      if (this.current?.waiting === waiting) this.finish(result, interrupted && result === null);
    } catch (error) {
      if (this.current?.waiting !== waiting) return;
      this.current = null;
      waiting.fail(error);
      void this.next();
    }
  }

  /** A job that was interrupted but not stopped waits again. */
  private finish(result: unknown, interrupted: boolean): void {
    const waiting = this.current?.waiting;
    this.current = null;
    if (waiting && interrupted && !waiting.stopped) this.queue.push(waiting);
    else waiting?.settle(waiting.stopped ? null : result);
    void this.next();
  }

  private async work(waiting: Waiting, flag: Int32Array | null): Promise<unknown> {
    if (typeof Worker === 'undefined') return this.workHere(waiting);
    for (;;) {
      const thread = this.openThread();
      try {
        return await Promise.race([this.ask(thread, waiting, flag), thread.broken]);
      } catch (error) {
        if (!(error instanceof BrokenThread)) throw error;
        this.endThread();
        // A thread that never answered may not have been loaded: it is when the server is back.
        if (thread.hasAnswered || (await serverAnswers())) throw error;
        await serverBack();
        if (waiting.stopped || this.closed) return null;
      }
    }
  }

  private async ask(
    thread: Thread,
    { job, input, tell }: Waiting,
    flag: Int32Array | null,
  ): Promise<unknown> {
    const changes = this.changes.take();
    if (changes.length > 0) await thread.api.follow(changes);
    const { result } = await thread.api.run(job, input, flag, proxy(tell));
    thread.hasAnswered = true;
    return result;
  }

  /** The same work where there are no workers (tests); pages with workers never load it. */
  private async workHere(waiting: Waiting): Promise<unknown> {
    const { runJob } = await import('./jobs');
    const { createSession } = await import('@/core/analysis');
    const { design, partLists } = this.changes;
    const desk = { session: createSession(design), partLists };
    return runJob(desk, waiting.job, waiting.input, (share, soFar) => {
      if (soFar !== undefined) waiting.tell(share, soFar);
      return !waiting.stopped;
    });
  }

  private openThread(): Thread {
    if (this.thread) return this.thread;
    const worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });
    const broken = new Promise<never>((_, reject) => {
      worker.onerror = (event) => {
        event.preventDefault();
        reject(new BrokenThread(event.message));
      };
    });
    broken.catch(() => undefined);
    this.thread = { worker, api: wrap<EngineApi>(worker), broken, hasAnswered: false };
    this.changes.startAnew();
    return this.thread;
  }

  private endThread(): void {
    this.thread?.api[releaseProxy]();
    this.thread?.worker.terminate();
    this.thread = null;
    this.changes.startAnew();
  }

  /** Takes up work again after it was closed: a page that React shows twice. */
  open(): void {
    this.closed = false;
  }

  /** Ends the engine; what still waits comes back as stopped. */
  close(): void {
    this.closed = true;
    this.endThread();
    for (const waiting of [...this.queue, ...(this.current ? [this.current.waiting] : [])])
      waiting.settle(null);
    this.queue = [];
    this.current = null;
  }
}

/** A flag both sides can see while the other works; null where the page may not share memory. */
function sharedFlag(): Int32Array | null {
  if (typeof SharedArrayBuffer === 'undefined' || !globalThis.crossOriginIsolated) return null;
  return new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
}
