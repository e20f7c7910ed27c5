import { expose } from 'comlink';
import type { Change } from './changes';
import { runJob, type OwnJob } from './jobs';
import { Replica } from './replica';

/** How often a running job says how far it is, ms. */
const TELL_MS = 60;

const replica = new Replica();

/**
 * The engine: a replica of the page's design that follows its edits, and runs what takes longer
 * than a frame.
 */
const api = {
  follow: (changes: readonly Change[]): Promise<void> => replica.follow(changes),

  /**
   * The result, or null where the job was stopped: by its flag, which the page sets while it runs.
   */
  async run(
    job: OwnJob,
    input: unknown,
    flag: Int32Array | null,
    tell: (share: number, soFar?: unknown) => void,
  ): Promise<{ readonly result: unknown }> {
    const { session, partLists } = replica;
    if (!session) return { result: null };
    let reported = performance.now();
    const result = await runJob({ session, partLists }, job, input, (share, soFar) => {
      const now = performance.now();
      if (soFar !== undefined || now - reported > TELL_MS) {
        reported = now;
        tell(share, soFar);
      }
      return flag === null || Atomics.load(flag, 0) === 0;
    });
    return { result };
  },
};

export type EngineApi = typeof api;
expose(api);
