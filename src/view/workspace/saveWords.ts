import { msg, worded } from '@/core/messages';
import type { SaveState } from './saver';
import type { Kept } from './outbox';

/** Where the work is, in words: on the server, in this browser, or nowhere yet. */
export function saveWords(save: SaveState, kept: Kept, message: string | null): string {
  if (save === 'saved') return msg`saved`;
  if (save === 'saving' || save === 'unsaved') return msg`saving`;
  if (save === 'refused') return msg`not saved: see the message`;
  return `${TROUBLE[save](message)}; ${KEPT[kept]}`;
}

const TROUBLE: Record<
  Exclude<SaveState, 'saved' | 'saving' | 'unsaved' | 'refused'>,
  (message: string | null) => string
> = {
  offline: () => msg`server not reached`,
  hung: () => msg`server does not answer`,
  trouble: (message) => message ?? msg`server in trouble`,
  gone: (message) => (message === 'binned' ? msg`in the bin` : msg`deleted elsewhere`),
};

const KEPT: Record<Kept, string> = worded(() => ({
  kept: msg`kept in this browser`,
  writing: msg`being kept in this browser`,
  refused: msg`kept nowhere yet, export it before you leave`,
}));
