'use client';
import { useEffect, useState } from 'react';

/** What was refused is let go of after this, ms. */
const LONGEST_MS = 500;

/**
 * What a field shows between being left and the build showing its new value: an edit is worked out
 * first, a frame or two, and until then the old value would flash up. `shown` is what the build
 * says.
 */
export function useHandedIn<T extends string | boolean>(
  shown: T,
): readonly [now: T, handIn: (value: T) => void] {
  const [handed, setHanded] = useState<{ readonly over: T; readonly value: T } | null>(null);
  useEffect(() => {
    if (!handed) return undefined;
    const timer = setTimeout(() => setHanded(null), LONGEST_MS);
    return () => clearTimeout(timer);
  }, [handed]);
  // The build has answered: whatever comes after is its own.
  if (handed && handed.over !== shown) setHanded(null);
  const now = handed?.over === shown ? handed.value : shown;
  return [now, (value) => setHanded({ over: shown, value })];
}
