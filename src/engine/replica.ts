import { BARE_PART_LISTS, type PartLists } from '@/catalogue';
import { createSession, type Session } from '@/core/analysis';
import type { Design } from '@/core/design';
import { showLanguage } from '@/core/messages';
import { showUnits } from '@/core/units';
import { isLanguage, loadWriting } from '@/messages';
import type { Change } from './changes';

/** A page's design in a thread: it follows what the page does to its own. */
export class Replica {
  session: Session | null = null;
  partLists: PartLists = BARE_PART_LISTS;

  async follow(changes: readonly Change[]): Promise<void> {
    for (const change of changes) await this.hear(change);
  }

  private async hear(change: Change): Promise<void> {
    if (change.kind === 'shelves') this.partLists = change.partLists;
    else if (change.kind === 'units') showUnits(change.units);
    else if (change.kind === 'language') await showLanguageOf(change.language);
    else if (change.kind === 'design') this.replace(change.design);
    else this.session?.apply(change.edit);
  }

  private replace(design: Design): void {
    if (this.session) this.session.replace(design);
    else this.session = createSession(design);
  }
}

async function showLanguageOf(tag: string): Promise<void> {
  showLanguage(isLanguage(tag) ? await loadWriting(tag) : null);
}
