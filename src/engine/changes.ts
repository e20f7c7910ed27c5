import type { Shelves } from '@/catalogue';
import type { Build, Edit } from '@/core/design';

/** What the replica must follow: another design, an edit of it, or what the builder's catalogue offers. */
export type Change =
  | { readonly kind: 'design'; readonly design: Build }
  | { readonly kind: 'edit'; readonly edit: Edit }
  | { readonly kind: 'shelves'; readonly shelves: Shelves };
