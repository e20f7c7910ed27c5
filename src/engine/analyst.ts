import { releaseProxy, wrap } from 'comlink';
import type { PartLists } from '@/catalogue';
import { heard, isInWordsNow, type Telling, type Told } from '@/core/analysis';
import type { Design, Edit } from '@/core/design';
import type { CoolingCurve } from '@/core/thermal';
import type { AnalystApi } from './analyst.worker';
import { Changes, type Change } from './changes';
import { serverAnswers, serverBack } from './serverBack';

/** What is told of a design, and the design that it is told of. */
export interface Heard {
  readonly design: Design;
  readonly told: Told;
}

/** Who works a design out for its page, and says so when it is done. */
export interface Analyst {
  /** It is worked out at once, or when `start` says so: what is drawn ahead of it comes first. */
  edited(design: Design, edit: Edit, start?: (work: () => void) => void): void;
  replaced(design: Design): void;
  offers(partLists: PartLists): void;
  /**
   * Rise against noise: a matter of a frame or two, so it waits for none of the engine's long jobs.
   * Null when it is closed before it answers.
   */
  curves(): Promise<readonly CoolingCurve[] | null>;
  /** Makes ready for the first edit; what is known already is said again only in other words. */
  wake(): void;
  close(): void;
}

/** How an editor comes by its analyst: from what was told with the page, and whom to tell. */
export type MakeAnalyst = (
  known: Heard,
  partLists: PartLists,
  hear: (heard: Heard) => void,
  fail: (error: unknown) => void,
) => Analyst;

/** An analyst's desk in a thread. */
export interface Thread {
  /** Rejects when the thread breaks, or is ended before it answers. */
  analyse(changes: readonly Change[]): Promise<Telling | null>;
  /** Of what it last heard of. */
  curves(): Promise<readonly CoolingCurve[] | null>;
  end(): void;
}

const atOnce = (work: () => void): void => work();

const openThread = (): Thread => (typeof Worker === 'undefined' ? openHere() : openWorker());

/** The same desk where there are no workers (tests); pages with workers never load it. */
function openHere(): Thread {
  const desk = import('./analystDesk').then(({ AnalystDesk }) => new AnalystDesk());
  return {
    analyse: async (changes) => (await desk).analyse(changes),
    curves: async () => (await desk).curves(),
    end: () => undefined,
  };
}

function openWorker(): Thread {
  const worker = new Worker(new URL('./analyst.worker.ts', import.meta.url), { type: 'module' });
  let giveUp: (why: Error) => void = () => undefined;
  const broken = new Promise<never>((_, reject) => (giveUp = reject));
  broken.catch(() => undefined);
  worker.onerror = (event) => {
    event.preventDefault();
    giveUp(new Error(event.message));
  };
  const api = wrap<AnalystApi>(worker);
  return {
    analyse: (changes) => Promise.race([api.analyse(changes), broken]),
    curves: () => Promise.race([api.curves(), broken]),
    end: () => {
      giveUp(new Error('ended'));
      api[releaseProxy]();
      worker.terminate();
    },
  };
}

/** What is to be told of a design that came without it; rejects when the thread breaks. */
export async function toldInThread(design: Design, partLists: PartLists): Promise<Told> {
  const thread = openThread();
  try {
    const changes = new Changes(design, partLists).take();
    // The first telling is whole.
    return (await thread.analyse(changes)) as Told;
  } finally {
    thread.end();
  }
}

/**
 * A page that is drawn again at once, in other units or another language, never opens the thread of
 * the first drawing, ms.
 */
export const WAKE_MS = 250;

/**
 * The analyst in a thread of its own. Of edits that follow each other while it works only the last
 * is worked out.
 */
export class ThreadAnalyst implements Analyst {
  private thread: Thread | null = null;
  private readonly changes: Changes;
  private told: Told;
  private isWorking = false;
  private isAsked = false;
  private isClosed = false;
  /** Whether the thread of now has ever answered: one that has not may not have been loaded. */
  private hasAnswered = false;
  private waking: ReturnType<typeof setTimeout> | undefined;

  constructor(
    known: Heard,
    partLists: PartLists,
    private readonly hear: (heard: Heard) => void,
    private readonly fail: (error: unknown) => void,
    private readonly open: () => Thread = openThread,
  ) {
    this.told = known.told;
    this.changes = new Changes(known.design, partLists);
  }

  edited(design: Design, edit: Edit, start = atOnce): void {
    this.changes.edited(design, edit);
    this.isAsked = true;
    start(() => this.go());
  }

  replaced(design: Design): void {
    this.changes.replaced(design);
    this.ask();
  }

  offers(partLists: PartLists): void {
    this.changes.offers(partLists);
    this.ask();
  }

  wake(): void {
    this.isClosed = false;
    clearTimeout(this.waking);
    this.waking = setTimeout(() => {
      if (!isInWordsNow(this.told)) this.ask();
      else if (!this.isWorking) void this.work(false);
    }, WAKE_MS);
  }

  async curves(): Promise<readonly CoolingCurve[] | null> {
    while (!this.isClosed) {
      if (!this.thread && this.isWorking) {
        // It was not loaded, and will be.
        await serverBack();
        continue;
      }
      // The thread hears of the design first: what is asked of it is answered in turn.
      if (!this.thread) void this.work(false);
      try {
        return await this.awakeThread().curves();
      } catch (error) {
        if (this.isClosed) return null;
        if (this.hasAnswered || (await serverAnswers())) throw error;
      }
    }
    return null;
  }

  private ask(): void {
    this.isAsked = true;
    this.go();
  }

  private go(): void {
    if (this.isAsked && !this.isWorking) void this.work(true);
  }

  private async work(isAsked: boolean): Promise<void> {
    this.isWorking = true;
    this.isAsked = false;
    try {
      const { design } = this.changes;
      const thread = this.awakeThread();
      const telling = await thread.analyse(this.changes.take());
      this.hasAnswered = true;
      if (telling) this.told = heard(this.told, telling);
      if (isAsked && !this.isClosed) this.hear({ design, told: this.told });
    } catch (error) {
      const mayCome = !this.hasAnswered && !(await serverAnswers());
      this.endThread();
      if (mayCome) await serverBack();
      if (mayCome) this.isAsked ||= isAsked;
      else if (!this.isClosed) this.fail(error);
    }
    this.isWorking = false;
    if (this.isClosed) this.endThread();
    else if (this.isAsked) void this.work(true);
  }

  private awakeThread(): Thread {
    if (this.thread) return this.thread;
    this.changes.startAnew();
    this.hasAnswered = false;
    this.thread = this.open();
    return this.thread;
  }

  private endThread(): void {
    this.thread?.end();
    this.thread = null;
  }

  close(): void {
    this.isClosed = true;
    clearTimeout(this.waking);
    // One that is still loading ends when it has answered.
    if (!this.isWorking) this.endThread();
  }
}

export const analystInThread: MakeAnalyst = (...args) => new ThreadAnalyst(...args);
