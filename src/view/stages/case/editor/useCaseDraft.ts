'use client';
import { useEffect, useState } from 'react';
import { emptyDraft, type CaseDraft, type MountDraft } from '@/core/measure';
import { msg } from '@/core/messages';

const KEY = 'zephyron-case-draft';

function kept(): CaseDraft | null {
  try {
    const data = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<CaseDraft> | null;
    // Kept by an older page: what is missing is taken from the empty one.
    if (!data || !Array.isArray(data.interior)) return null;
    const empty = emptyDraft(msg`My case`);
    return { ...empty, ...data, mounts: (data.mounts ?? empty.mounts).map(withRows) };
  } catch {
    return null;
  }
}

type OldMount = MountDraft & { readonly fans120?: number; readonly fans140?: number };

/** A mount as an older page kept it: two counts stood for the two sizes there were. */
const withRows = ({ fans120 = 0, fans140 = 0, ...mount }: OldMount): MountDraft => ({
  ...mount,
  fans: (mount.fans as MountDraft['fans'] | undefined) ?? [
    { size_mm: 120, count: fans120 },
    { size_mm: 140, count: fans140 },
  ],
});

/**
 * The case being measured; every stroke is kept in this browser until it is put into the Stores.
 */
export function useCaseDraft(start: CaseDraft | null) {
  const [draft, setDraft] = useState<CaseDraft>(() => start ?? kept() ?? emptyDraft(msg`My case`));
  useEffect(() => {
    try {
      localStorage.setItem(KEY, JSON.stringify(draft));
    } catch {
      /* A full or closed storage: the draft lives as long as the page. */
    }
  }, [draft]);
  return {
    draft,
    setDraft,
    clear: () => {
      try {
        localStorage.removeItem(KEY);
      } catch {
        /* As above. */
      }
    },
  };
}
