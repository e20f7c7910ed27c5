'use client';
import { useEffect, useState } from 'react';

/** What was refused is let go of after this, ms. */
const LONGEST_MS = 500;

/**
 * What a field shows between being left and the build showing its new value: an edit is worked out
 * first, a frame or two, and until then the old value would flash up.
 */
export function useHandedIn(
  shown: string,
): readonly [text: string, handIn: (text: string) => void] {
  const [handed, setHanded] = useState<{ readonly over: string; readonly text: string } | null>(
    null,
  );
  useEffect(() => {
    if (!handed) return undefined;
    const timer = setTimeout(() => setHanded(null), LONGEST_MS);
    return () => clearTimeout(timer);
  }, [handed]);
  const text = handed?.over === shown ? handed.text : shown;
  return [text, (typed) => setHanded({ over: shown, text: typed })];
}
