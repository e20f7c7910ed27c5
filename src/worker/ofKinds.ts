import type { Shelves } from '@/catalogue';
import type { PartKind } from '@/core/part';

/** Shelves with one's own parts of some kinds alone: what a worker is handed. */
export const ofKinds = ({ own, retired }: Shelves, kinds: readonly PartKind[]): Shelves => ({
  own: own.filter((p) => kinds.includes(p.kind)),
  retired,
});
