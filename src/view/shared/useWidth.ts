'use client';
import { useEffect, useState, type RefObject } from 'react';

/** Width of an element in px, followed as it changes; 0 before it is known. */
export function useWidth(ref: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const watch = new ResizeObserver(([entry]) => { if (entry) setWidth(Math.round(entry.contentRect.width)); });
    watch.observe(element);
    return () => watch.disconnect();
  }, [ref]);
  return width;
}
