'use client';
import { useEffect, useMemo, useState } from 'react';
import { offersFor, type MeasuredPart, type Offer } from '@/core/log';
import { useEditor } from './EditorProvider';

/** What other builds' readings told of the parts of this one; empty until it is known. */
export function useMeasuredElsewhere(): readonly Offer[] {
  const design = useEditor((s) => s.design);
  const [known, setKnown] = useState<readonly MeasuredPart[]>([]);
  useEffect(() => {
    const gone = new AbortController();
    void (async () => {
      try {
        const answer = await fetch('/api/measured', { signal: gone.signal });
        if (answer.ok) setKnown((await answer.json()) as MeasuredPart[]);
      } catch {
        // Without a server nothing is offered; nothing is lost either.
      }
    })();
    return () => gone.abort();
  }, []);
  return useMemo(
    () =>
      offersFor(
        design,
        known.filter((k) => k.build !== design.name),
      ),
    [design, known],
  );
}
