'use client';
import { startTransition, useEffect, useRef, useState } from 'react';

/**
 * A value one frame late: what is drawn of it never holds up the frame in which it came. For
 * pictures that take longer to draw than a frame.
 */
export function useNextFrame<T>(value: T): T {
  const [drawn, setDrawn] = useState(value);
  const latest = useRef(value);
  const frame = useRef<number | null>(null);
  useEffect(() => {
    latest.current = value;
    // One is on its way: it takes the latest.
    if (value === drawn || frame.current !== null) return;
    frame.current = requestAnimationFrame(() =>
      setTimeout(() => {
        frame.current = null;
        startTransition(() => setDrawn(() => latest.current));
      }),
    );
  }, [value, drawn]);
  useEffect(
    () => () => {
      if (frame.current !== null) cancelAnimationFrame(frame.current);
      frame.current = null;
    },
    [],
  );
  return drawn;
}
