import type { SaveState } from './saver';
import type { Kept } from './outbox';

/** Where the work is, in words: on the server, in this browser, or nowhere yet. */
export function saveWords(save: SaveState, kept: Kept, message: string | null): string {
  if (save === 'saved') return 'saved';
  if (save === 'saving' || save === 'unsaved') return 'saving';
  if (save === 'refused') return 'not saved: see the message';
  return `${TROUBLE[save](message)}; ${KEPT[kept]}`;
}

const TROUBLE: Record<
  Exclude<SaveState, 'saved' | 'saving' | 'unsaved' | 'refused'>,
  (message: string | null) => string
> = {
  offline: () => 'server not reached',
  hung: () => 'server does not answer',
  trouble: (message) => message ?? 'server in trouble',
  gone: (message) => (message === 'binned' ? 'in the bin' : 'deleted elsewhere'),
};

const KEPT: Record<Kept, string> = {
  kept: 'kept in this browser',
  writing: 'being kept in this browser',
  refused: 'kept nowhere yet, export it before you leave',
};
