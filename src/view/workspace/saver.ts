import same from 'fast-deep-equal';
import type { Design, PatchEdit } from '@/core/design';
import { sendBuild, sendLast, type SendAnswer } from './send';

export type SaveState =
  'saved' | 'saving' | 'unsaved' | 'offline' | 'hung' | 'trouble' | 'refused' | 'gone';

/** A save waits this long for the next edit, but never longer than the other after the first. */
const SAVE_AFTER_MS = 500;
const SAVE_AT_LEAST_MS = 3000;
const RETRY_AFTER_MS = 4000;

/** Whether what came over the wire is this build; what JSON leaves out does not count. */
export const sameDocument = (ours: Design, theirs: Design): boolean =>
  ours === theirs || same(JSON.parse(JSON.stringify(ours)), JSON.parse(JSON.stringify(theirs)));

export interface SaverLink {
  readonly id: string;
  /** The document now, the revision it is to be made on, and whether a choice is waited for. */
  now(): { readonly design: Design; readonly revision: number; readonly waits: boolean };
  /** `short` for the bar; `message` to be said once, when it begins. */
  onState(save: SaveState, short?: string, message?: string): void;
  onSent(): void;
  /** The server holds `base` under this revision. */
  onSaved(revision: number, base: Design): void;
  /** Another wrote: theirs, and what both began with where it is known. */
  onStale(revision: number, theirs: Design, base: Design | null): void;
}

export interface Saver {
  /** Something was edited; `patches` tells what, null where it came otherwise. */
  edited(patches: PatchEdit['patches'] | null): void;
  /** Saves without waiting. */
  soon(): void;
  /** What the server is known to hold now. */
  rebase(base: Design | null, unheard: Design | null): void;
  /** What the server was last known to hold, and what it was sent since without an answer. */
  stands(): { readonly base: Design | null; readonly unheard: Design | null };
  /** The page closes: sends what is left if it is little enough. */
  pageCloses(): void;
  stop(): void;
}

/** Brings a document to the server: at least every three seconds of work, and until it is there. */
export function createSaver(link: SaverLink, start: Design): Saver {
  let timer: ReturnType<typeof setTimeout> | null = null;
  /** When the first edit that is not saved was made. */
  let since: number | null = null;
  let isSending = false;
  let base: Design | null = start;
  let unheard: Design | null = null;
  /** What changed since `base`; null where that is not known edit by edit. */
  let unsent: PatchEdit['patches'][number][] | null = [];

  const later = (ms: number): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void send(), ms);
  };

  const send = async (): Promise<void> => {
    if (isSending) {
      later(SAVE_AFTER_MS);
      return;
    }
    const { design, revision, waits } = link.now();
    if (waits) return;
    isSending = true;
    since = null;
    const before = unheard,
      count = unsent?.length ?? 0;
    unheard = design;
    link.onState('saving');
    link.onSent();
    const answer = await sendBuild(link.id, revision, design);
    isSending = false;
    heard(answer, design, before, count);
  };

  const heard = (answer: SendAnswer, sent: Design, before: Design | null, count: number): void => {
    const lost = answer.kind === 'offline' || answer.kind === 'hung';
    if (!lost) unheard = null;
    switch (answer.kind) {
      case 'saved':
        acknowledged(answer.revision, sent, count);
        return;
      case 'stale':
        stale(answer, sent, before, count);
        return;
      case 'refused':
        link.onState('refused', answer.message, answer.message);
        return;
      case 'trouble':
        link.onState('trouble', answer.short, answer.message);
        later(RETRY_AFTER_MS);
        return;
      case 'gone':
        link.onState('gone', answer.isBinned ? 'binned' : 'missing');
        return;
      default:
        link.onState(answer.kind);
        later(RETRY_AFTER_MS);
    }
  };

  const acknowledged = (revision: number, held: Design, count: number): void => {
    base = held;
    unsent?.splice(0, count);
    link.onSaved(revision, held);
    if (link.now().design === held) {
      unsent = [];
      link.onState('saved');
      return;
    }
    link.onState('unsaved');
    later(SAVE_AFTER_MS);
  };

  /** The server has another revision: our own words, whose answer was lost, or another's. */
  const stale = (
    { revision, design }: Extract<SendAnswer, { kind: 'stale' }>,
    sent: Design,
    before: Design | null,
    count: number,
  ): void => {
    if (sameDocument(sent, design)) acknowledged(revision, sent, count);
    else if (before && sameDocument(before, design)) {
      unsent = null;
      acknowledged(revision, before, 0);
    } else {
      link.onState('unsaved');
      link.onStale(revision, design, base);
    }
  };

  return {
    edited: (patches) => {
      if (patches && unsent) unsent.push(...patches);
      else unsent = null;
      since ??= Date.now();
      later(Math.max(0, Math.min(SAVE_AFTER_MS, since + SAVE_AT_LEAST_MS - Date.now())));
    },
    soon: () => later(0),
    rebase: (held, sent) => {
      base = held;
      unheard = sent;
      unsent = held && link.now().design === held ? [] : null;
    },
    stands: () => ({ base, unheard }),
    pageCloses: () => {
      const { design, revision, waits } = link.now();
      if (isSending || waits || design === base) return;
      unheard = design;
      link.onSent();
      if (unsent && unsent.length > 0 && sendLast(link.id, revision, unsent)) return;
      void sendBuild(link.id, revision, design);
    },
    stop: () => {
      if (timer) clearTimeout(timer);
    },
  };
}
