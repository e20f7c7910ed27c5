'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { BARE_PART_LISTS, type PartLists } from '@/catalogue';
import type { Part } from '@/core/components';
import { msg } from '@/core/messages';

interface PartListsState {
  readonly partLists: PartLists;
  readonly asked: boolean;
  load(): void;
  /** Each answers with what went wrong, or null. */
  keep(part: Part): Promise<string | null>;
  drop(id: string): Promise<string | null>;
  /** Takes a part that was dropped out of the bin. */
  putBack(part: Part): Promise<string | null>;
  retire(id: string, out: boolean): Promise<string | null>;
}

const saying = async (response: Response): Promise<string> => {
  const body = (await response.json().catch(() => null)) as {
    error?: string;
    troubles?: readonly { path: string; message: string }[];
  } | null;
  return `${body?.error ?? msg`It was not kept.`}${
    body?.troubles?.length
      ? ` ${body.troubles
          .slice(0, 3)
          .map((t) => `${t.path}: ${t.message}`)
          .join('; ')}`
      : ''
  }`;
};
/** How long the server is waited for, ms. */
const ANSWER_MS = 10_000;
const away = () => msg`The server does not answer: it was not kept. What you typed is still here.`;
/** Sends, and puts what came of it on the shelves where it was taken. */
async function sent(
  address: string,
  init: RequestInit,
  taken: () => void,
  gone = false,
): Promise<string | null> {
  try {
    const response = await fetch(address, { ...init, signal: AbortSignal.timeout(ANSWER_MS) });
    if (!response.ok && !(gone && response.status === 404)) return await saying(response);
    taken();
    return null;
  } catch {
    return away();
  }
}

/** The builder's own parts and what was taken out of use, as all screens share them. */
export const usePartLists = create<PartListsState>()((set, get) => {
  const put = (partLists: PartLists): void => set({ partLists });
  const at = (id: string): string => encodeURIComponent(id);
  return {
    partLists: BARE_PART_LISTS,
    asked: false,
    load: () => {
      if (get().asked) return;
      set({ asked: true });
      void (async () => {
        try {
          const [own, retired] = await Promise.all([
            fetch('/api/parts?own=1'),
            fetch('/api/retired'),
          ]);
          const answered = [await own.json(), await retired.json()] as const;
          if (own.ok && retired.ok && answered.every(Array.isArray))
            put({ own: answered[0] as Part[], retired: answered[1] as string[] });
        } catch {
          set({ asked: false });
        }
      })();
    },
    keep: (part) =>
      sent(
        `/api/parts/${at(part.id)}`,
        {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(part),
        },
        () => {
          const { own, retired } = get().partLists;
          put({ own: [...own.filter((p) => p.id !== part.id), part], retired });
        },
      ),
    drop: (id) =>
      sent(
        `/api/parts/${at(id)}`,
        { method: 'DELETE' },
        () => {
          const { own, retired } = get().partLists;
          put({ own: own.filter((p) => p.id !== id), retired: retired.filter((r) => r !== id) });
        },
        true,
      ),
    putBack: (part) =>
      sent(`/api/bin/part/${at(part.id)}`, { method: 'POST' }, () => {
        const { own, retired } = get().partLists;
        put({ own: [...own.filter((p) => p.id !== part.id), part], retired });
      }),
    retire: (id, out) =>
      sent(
        `/api/retired/${at(id)}`,
        { method: out ? 'PUT' : 'DELETE' },
        () => {
          const { own, retired } = get().partLists;
          put({ own, retired: [...retired.filter((r) => r !== id), ...(out ? [id] : [])] });
        },
        !out,
      ),
  };
});

/** The shelves, asked for once the screen is there. */
export function useOwnShelves(): PartLists {
  const { partLists, load } = usePartLists();
  useEffect(() => load(), [load]);
  return partLists;
}
