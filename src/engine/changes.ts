import type { PartLists } from '@/catalogue';
import type { Design, Edit } from '@/core/design';
import type { UnitSystem } from '@/core/units';

/**
 * What the replica must follow: another design, an edit of it, or what the builder's catalogue
 * offers, or the units and the language that words are written in.
 */
export type Change =
  | { readonly kind: 'design'; readonly design: Design }
  | { readonly kind: 'units'; readonly units: UnitSystem }
  | { readonly kind: 'language'; readonly language: string }
  | { readonly kind: 'edit'; readonly edit: Edit }
  | { readonly kind: 'shelves'; readonly partLists: PartLists };
