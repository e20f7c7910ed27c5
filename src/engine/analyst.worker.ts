import { expose } from 'comlink';
import { offered } from '@/catalogue';
import { tell, tellChanges, type OpenAnalysis, type Telling } from '@/core/analysis';
import type { Change } from './changes';
import { Replica } from './replica';

const replica = new Replica();
let last: OpenAnalysis | null = null;

/**
 * The analyst: a replica of the page's design that follows its edits and says what has changed of
 * its analysis. Apart from the engine, whose jobs take long.
 */
const api = {
  /** What is other than when it was last asked; everything the first time, null without a design. */
  async analyse(changes: readonly Change[]): Promise<Telling | null> {
    await replica.follow(changes);
    const { session, partLists } = replica;
    if (!session) return null;
    session.offer(offered(partLists));
    const before = last;
    last = session.analysis();
    return before ? tellChanges(last, before) : tell(last);
  },
};

export type AnalystApi = typeof api;
expose(api);
