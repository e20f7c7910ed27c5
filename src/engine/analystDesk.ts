import { offered } from '@/catalogue';
import { tell, tellChanges, type OpenAnalysis, type Telling } from '@/core/analysis';
import type { Design } from '@/core/design';
import type { CoolingCurve } from '@/core/thermal';
import type { Change } from './changes';
import { Replica } from './replica';

/** What the analyst's thread holds: a replica of the page's design, and what it last told of it. */
export class AnalystDesk {
  private readonly replica = new Replica();
  private last: OpenAnalysis | null = null;
  /** Done when all that was told so far is followed. */
  private heard: Promise<void> = Promise.resolve();

  /** What it last heard of; null before it heard of any. */
  get design(): Design | null {
    return this.replica.session?.design ?? null;
  }

  /** What is other than when it was last asked; everything the first time, null without a design. */
  async analyse(changes: readonly Change[]): Promise<Telling | null> {
    this.heard = this.replica.follow(changes);
    await this.heard;
    const { session, partLists } = this.replica;
    if (!session) return null;
    session.offer(offered(partLists));
    const before = this.last;
    this.last = session.analysis();
    return before ? tellChanges(this.last, before) : tell(this.last);
  }

  /** Rise against noise of what it last heard of; null without a design. */
  async curves(): Promise<readonly CoolingCurve[] | null> {
    await this.heard;
    return this.replica.session?.curves() ?? null;
  }
}
