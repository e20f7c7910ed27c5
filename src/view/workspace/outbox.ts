import { createStore, del, get, set, type UseStore } from 'idb-keyval';
import { BUILD_VERSION, migrate, type Design, type Edit } from '@/core/design';

export interface Step {
  /** Number of the step, unique in its build. */
  readonly id?: number;
  readonly label: string;
  readonly edit: Edit;
}

/**
 * What the browser itself keeps of a build: written at every edit, before the server hears of it.
 */
export interface OutboxEntry {
  readonly design: Design;
  /** Revision on the server that the build grew from. */
  readonly revision: number;
  /** Whether the server lacks something in it. */
  readonly dirty: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /**
   * Put to the server and not yet answered: when the server turns out to hold just this, the answer
   * was lost and nobody else wrote.
   */
  readonly sent?: Design;
}

/** An entry as any version has kept it: until version 3 of the document its design was called build. */
export type KeptEntry = Omit<OutboxEntry, 'design' | 'sent'> & {
  readonly design?: unknown;
  readonly build?: unknown;
  readonly sent?: unknown;
};

/**
 * A kept entry in the terms of this version. An older document is brought to the present one, so
 * that what was typed before an update is still there; its steps back are of another shape and go.
 */
export function entryNow({ build, design = build, sent, ...rest }: KeptEntry): OutboxEntry {
  const document = design as Design;
  if (document.version === BUILD_VERSION)
    return { ...rest, design: document, ...(sent ? { sent: sent as Design } : {}) };
  const present = migrate(design as Record<string, unknown>) as unknown as Design;
  return { ...rest, design: present, past: [], future: [] };
}

let held: UseStore | null = null;
const store = (): UseStore => (held ??= createStore('zephyron', 'journal'));

/**
 * Each call is quiet when the browser refuses storage (private windows): the server still saves.
 */
export async function readOutbox(id: string): Promise<OutboxEntry | null> {
  try {
    const kept = await get<KeptEntry>(id, store());
    return kept ? entryNow(kept) : null;
  } catch {
    return null;
  }
}
export async function writeOutbox(id: string, entry: OutboxEntry): Promise<void> {
  try {
    await set(id, entry, store());
  } catch {
    /* no storage: the server copy stands alone */
  }
}
export async function dropOutbox(id: string): Promise<void> {
  try {
    await del(id, store());
  } catch {
    /* nothing kept */
  }
}
