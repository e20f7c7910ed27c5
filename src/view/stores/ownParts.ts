'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import type { Part } from '@/core/part';

interface Own { readonly parts: readonly Part[]; readonly asked: boolean; load(): void; keep(part: Part): Promise<string | null>; drop(id: string): Promise<string | null> }

const saying = async (response: Response): Promise<string> => {
  const body = await response.json().catch(() => null) as { error?: string; troubles?: readonly { path: string; message: string }[] } | null;
  return `${body?.error ?? 'It was not kept.'}${body?.troubles?.length ? ` ${body.troubles.slice(0, 3).map((t) => `${t.path}: ${t.message}`).join('; ')}` : ''}`;
};
const AWAY = 'The server does not answer: it was not kept. What you typed is still here.';

/** The builder's own parts in the Stores; keeping and dropping answer with what went wrong, or null. */
export const useOwn = create<Own>()((set, get) => ({
  parts: [], asked: false,
  load: () => {
    if (get().asked) return;
    set({ asked: true });
    void (async () => { try { const r = await fetch('/api/parts?own=1'); if (r.ok) set({ parts: await r.json() as Part[] }); } catch { set({ asked: false }); } })();
  },
  keep: async (part) => {
    try {
      const response = await fetch(`/api/parts/${encodeURIComponent(part.id)}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(part) });
      if (!response.ok) return await saying(response);
      set({ parts: [...get().parts.filter((p) => p.id !== part.id), part] });
      return null;
    } catch { return AWAY; }
  },
  drop: async (id) => {
    try {
      const response = await fetch(`/api/parts/${encodeURIComponent(id)}`, { method: 'DELETE' });
      if (!response.ok && response.status !== 404) return await saying(response);
      set({ parts: get().parts.filter((p) => p.id !== id) });
      return null;
    } catch { return AWAY; }
  },
}));

/** The same, asked for once the screen is there. */
export function useOwnParts(): readonly Part[] {
  const { parts, load } = useOwn();
  useEffect(() => load(), [load]);
  return parts;
}
