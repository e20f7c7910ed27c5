import type { PartLists } from '@/catalogue';
import type { Design, Edit } from '@/core/design';

/**
 * What the replica must follow: another design, an edit of it, or what the builder's catalogue
 * offers.
 */
export type Change =
  | { readonly kind: 'design'; readonly design: Design }
  | { readonly kind: 'edit'; readonly edit: Edit }
  | { readonly kind: 'shelves'; readonly partLists: PartLists };
