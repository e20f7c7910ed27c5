'use client';
import { useEffect, useRef, type RefObject } from 'react';

/** Taller rows hold a drawing or a form: half of one says more than none. */
const TALLEST_PX = 90;

interface Span {
  readonly top: number;
  readonly bottom: number;
}

/** How much of a row is seen that the lower edge cuts through, px; 0 where it cuts none. */
export function seenOfCutRow(edge: number, rows: readonly Span[]): number {
  const cut = rows
    .filter((r) => r.top < edge - 1 && r.bottom > edge + 1 && r.bottom - r.top <= TALLEST_PX)
    .map((r) => edge - r.top);
  return cut.length === 0 ? 0 : Math.min(...cut);
}

/** Ends what scrolls with a whole row of its tables, unless the focus is in the row that is cut. */
function endWithWholeRow(scroller: HTMLElement): void {
  const { top } = scroller.getBoundingClientRect(),
    edge = top + scroller.clientTop + scroller.clientHeight;
  const isScrolling = scroller.scrollHeight > scroller.clientHeight + 1,
    isAtEnd = scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1;
  const rows = isScrolling && !isAtEnd ? [...scroller.querySelectorAll('tr')] : [];
  const seen = seenOfCutRow(
    edge,
    rows
      .filter((row) => !row.contains(document.activeElement))
      .map((row) => row.getBoundingClientRect()),
  );
  // The line at its left goes on to the end.
  const end = `calc(100% - ${Math.ceil(seen) - 1}px)`;
  scroller.style.clipPath =
    seen > 0 ? `polygon(0 0, 100% 0, 100% ${end}, 1px ${end}, 1px 100%, 0 100%)` : '';
}

/** For what scrolls: its tables end in whole rows while it stands still. */
export function useWholeRows<T extends HTMLElement>(): RefObject<T | null> {
  const ref = useRef<T>(null);
  useEffect(() => {
    const scroller = ref.current;
    if (!scroller || typeof ResizeObserver === 'undefined') return undefined;
    const fit = (): void => endWithWholeRow(scroller);
    // While it moves, all of it is seen.
    const free = (): void => void (scroller.style.clipPath = '');
    const sizes = new ResizeObserver(fit);
    const follow = (): void => {
      sizes.disconnect();
      sizes.observe(scroller);
      for (const child of scroller.children) sizes.observe(child);
    };
    const children = new MutationObserver(() => {
      follow();
      fit();
    });
    follow();
    children.observe(scroller, { childList: true });
    scroller.addEventListener('scroll', free, { passive: true });
    scroller.addEventListener('scrollend', fit);
    scroller.addEventListener('focusin', fit);
    return () => {
      sizes.disconnect();
      children.disconnect();
      scroller.removeEventListener('scroll', free);
      scroller.removeEventListener('scrollend', fit);
      scroller.removeEventListener('focusin', fit);
    };
  }, []);
  return ref;
}
