import { offered } from '@/catalogue';
import { tell, tellChanges, type OpenAnalysis, type Telling } from '@/core/analysis';
import type { Change } from './changes';
import { Replica } from './replica';

/** What the analyst's thread holds: a replica of the page's design, and what it last told of it. */
export class AnalystDesk {
  private readonly replica = new Replica();
  private last: OpenAnalysis | null = null;

  /** What is other than when it was last asked; everything the first time, null without a design. */
  async analyse(changes: readonly Change[]): Promise<Telling | null> {
    await this.replica.follow(changes);
    const { session, partLists } = this.replica;
    if (!session) return null;
    session.offer(offered(partLists));
    const before = this.last;
    this.last = session.analysis();
    return before ? tellChanges(this.last, before) : tell(this.last);
  }
}
