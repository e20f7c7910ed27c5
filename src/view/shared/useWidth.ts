'use client';
import { useEffect, useState, type RefObject } from 'react';

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Size of an element in px, followed as it changes; zeros before it is known. */
export function useSize(ref: RefObject<HTMLElement | null>): Size {
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const watch = new ResizeObserver(([entry]) => {
      if (entry)
        setSize({
          width: Math.round(entry.contentRect.width),
          height: Math.round(entry.contentRect.height),
        });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, [ref]);
  return size;
}

/** Its width alone. */
export const useWidth = (ref: RefObject<HTMLElement | null>): number => useSize(ref).width;
