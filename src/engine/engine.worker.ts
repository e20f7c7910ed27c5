import { expose } from 'comlink';
import { BARE_PART_LISTS, type PartLists } from '@/catalogue';
import { createSession, type Session } from '@/core/analysis';
import type { Design } from '@/core/design';
import { showLanguage } from '@/core/messages';
import { showUnits } from '@/core/units';
import { isLanguage, loadWriting } from '@/messages';
import type { Change } from './changes';
import { runJob, type JobName } from './jobs';

/** How often a running job says how far it is, ms. */
const TELL_MS = 60;

let session: Session | null = null;
let partLists: PartLists = BARE_PART_LISTS;

/**
 * The engine: a replica of the page's design that follows its edits, and runs what takes longer
 * than a frame.
 */
const api = {
  async follow(changes: readonly Change[]): Promise<void> {
    for (const change of changes) await follow(change);
  },

  /**
   * The result, or null where the job was stopped: by its flag, which the page sets while it runs.
   */
  run(
    job: JobName,
    input: unknown,
    flag: Int32Array | null,
    tell: (share: number) => void,
  ): { readonly result: unknown } {
    if (!session) return { result: null };
    let reported = performance.now();
    const result = runJob({ session, partLists }, job, input, (share) => {
      const now = performance.now();
      if (now - reported > TELL_MS) {
        reported = now;
        tell(share);
      }
      return flag === null || Atomics.load(flag, 0) === 0;
    });
    return { result };
  },
};

async function follow(change: Change): Promise<void> {
  if (change.kind === 'shelves') partLists = change.partLists;
  else if (change.kind === 'units') showUnits(change.units);
  else if (change.kind === 'language') await showLanguageOf(change.language);
  else if (change.kind === 'design') replace(change.design);
  else session?.apply(change.edit);
}

async function showLanguageOf(tag: string): Promise<void> {
  showLanguage(isLanguage(tag) ? await loadWriting(tag) : null);
}

function replace(design: Design): void {
  if (session) session.replace(design);
  else session = createSession(design);
}

export type EngineApi = typeof api;
expose(api);
