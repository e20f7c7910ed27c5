import { createStore, del, get } from 'idb-keyval';
import { BUILD_VERSION, migrate, type Design } from '@/core/design';
import type { WorkState } from './log';

/**
 * What the browser kept of a build before December 2026: one entry a build. Until version 3 of the
 * document its design was called build.
 */
export interface EntryBefore {
  readonly design?: unknown;
  readonly build?: unknown;
  readonly sent?: unknown;
  readonly revision: number;
  readonly dirty: boolean;
}

/** Such an entry as it is read now; its steps back were of another shape and go. */
export function stateBefore({
  build,
  design = build,
  sent,
  revision,
  dirty,
}: EntryBefore): WorkState {
  const present = (document: unknown): Design =>
    (document as Design).version === BUILD_VERSION
      ? (document as Design)
      : (migrate(document as Record<string, unknown>) as unknown as Design);
  const now = present(design);
  return {
    design: now,
    revision,
    base: dirty ? null : now,
    unheard: sent ? present(sent) : null,
    past: [],
    future: [],
  };
}

/** Takes such an entry out of the browser; null when there is none. */
export async function takeEntryBefore(id: string): Promise<WorkState | null> {
  const store = createStore('zephyron', 'journal');
  const entry = await get<EntryBefore>(id, store);
  if (!entry) return null;
  await del(id, store);
  return stateBefore(entry);
}
