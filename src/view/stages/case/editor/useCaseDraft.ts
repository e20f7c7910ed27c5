'use client';
import { useEffect, useState } from 'react';
import { emptyDraft, type CaseDraft } from '@/core/measure';

const KEY = 'zephyron-case-draft';

function kept(): CaseDraft | null {
  try {
    const data = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Partial<CaseDraft> | null;
    // Kept by an older page: what is missing is taken from the empty one.
    return data && Array.isArray(data.interior) ? { ...emptyDraft('My case'), ...data } : null;
  } catch {
    return null;
  }
}

/**
 * The case being measured; every stroke is kept in this browser until it is put into the Stores.
 */
export function useCaseDraft(start: CaseDraft | null) {
  const [draft, setDraft] = useState<CaseDraft>(() => start ?? kept() ?? emptyDraft('My case'));
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
