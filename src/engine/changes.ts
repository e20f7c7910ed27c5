import { BARE_PART_LISTS, type PartLists } from '@/catalogue';
import type { Design, Edit } from '@/core/design';
import { shownLanguage } from '@/core/messages';
import { shownUnits, type UnitSystem } from '@/core/units';

/**
 * What a replica must follow: another design, an edit of it, or what the builder's catalogue
 * offers, or the units and the language that words are written in.
 */
export type Change =
  | { readonly kind: 'design'; readonly design: Design }
  | { readonly kind: 'units'; readonly units: UnitSystem }
  | { readonly kind: 'language'; readonly language: string }
  | { readonly kind: 'edit'; readonly edit: Edit }
  | { readonly kind: 'shelves'; readonly partLists: PartLists };

/** With more edits waiting than this, the whole design is sent instead. */
const MOST_EDITS = 40;

/** What a page's replica in a thread has yet to hear of. */
export class Changes {
  private waiting: Change[] = [];
  /** Whether there is a replica that heard all but what waits. */
  private isFollowed = false;

  constructor(
    public design: Design,
    public partLists: PartLists = BARE_PART_LISTS,
  ) {}

  /** The design after an edit, as the page has it. */
  edited(design: Design, edit: Edit): void {
    this.design = design;
    this.note({ kind: 'edit', edit });
  }

  /** Another design in its place. */
  replaced(design: Design): void {
    this.design = design;
    this.waiting = this.waiting.filter((c) => c.kind !== 'design' && c.kind !== 'edit');
    this.note({ kind: 'design', design });
  }

  offers(partLists: PartLists): void {
    this.partLists = partLists;
    this.note({ kind: 'shelves', partLists });
  }

  /** All that waits, for the replica to hear now. */
  take(): readonly Change[] {
    const taken = this.isFollowed ? this.waiting : this.whole();
    this.isFollowed = true;
    this.waiting = [];
    return taken;
  }

  /** The replica is gone; the next one has heard of nothing. */
  startAnew(): void {
    this.isFollowed = false;
    this.waiting = [];
  }

  private note(change: Change): void {
    if (!this.isFollowed) return;
    this.waiting.push(change);
    if (this.waiting.length > MOST_EDITS) this.waiting = this.whole();
  }

  private whole(): Change[] {
    return [
      { kind: 'units', units: shownUnits() },
      { kind: 'language', language: shownLanguage() },
      { kind: 'shelves', partLists: this.partLists },
      { kind: 'design', design: this.design },
    ];
  }
}
