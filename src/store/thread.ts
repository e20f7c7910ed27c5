import { askStore, type CallName } from './calls';
import { openStore, type Store } from './open';
import { storeTroubleOf, type StoreTrouble } from './trouble';

export interface StoreAsked {
  readonly url: string;
  readonly name: CallName;
  readonly args: readonly unknown[];
}

/** What goes back over the thread's border, where an error would lose what it is. */
export type StoreAnswer =
  | { readonly ok: true; readonly value: unknown }
  | { readonly ok: false; readonly trouble: StoreTrouble };

let opening: Promise<Store> | null = null;

/** The one store of this thread; where it did not open, the next call tries again. */
function theStore(url: string): Promise<Store> {
  opening ??= openStore(url);
  opening.catch(() => {
    opening = null;
  });
  return opening;
}

/**
 * Entry of the database's own thread. SQLite answers synchronously: here a lock or a long read
 * stops no other request of the server.
 */
export default async function answer({ url, name, args }: StoreAsked): Promise<StoreAnswer> {
  try {
    return { ok: true, value: await askStore(await theStore(url), name, args) };
  } catch (error) {
    const trouble = storeTroubleOf(error);
    if (trouble) return { ok: false, trouble };
    throw error;
  }
}
