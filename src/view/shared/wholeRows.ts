'use client';
import { useEffect, useRef, type RefObject } from 'react';

/** Taller rows hold a drawing or a form: half of one says more than none. */
const TALLEST_PX = 90,
  TALLEST_LINE_PX = 40;

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

/** How much is seen of a line of text, and of what stands in it, that the lower edge cuts, px. */
export const seenOfCutLine = (edge: number, lines: readonly Span[]): number =>
  Math.max(
    0,
    ...lines
      .filter((l) => l.top < edge - 1 && l.bottom > edge + 1 && l.bottom - l.top <= TALLEST_LINE_PX)
      .map((l) => edge - l.top),
  );

/** Lines of the paragraphs and findings that an edge cuts through. */
const linesAt = (edge: number, scroller: HTMLElement): readonly Span[] =>
  [...scroller.querySelectorAll('p, li')]
    .filter((text) => {
      const { top, bottom } = text.getBoundingClientRect();
      return top < edge && bottom > edge && !text.contains(document.activeElement);
    })
    .flatMap((text) => {
      const range = document.createRange();
      range.selectNodeContents(text);
      return [...range.getClientRects()];
    });

/**
 * How much of a row of its tables or a line of its text is seen that the lower edge of what scrolls
 * cuts through, px.
 */
function seenAtEdge(scroller: HTMLElement): number {
  const { top } = scroller.getBoundingClientRect(),
    edge = top + scroller.clientTop + scroller.clientHeight;
  const isScrolling = scroller.scrollHeight > scroller.clientHeight + 1,
    isAtEnd = scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1;
  if (!isScrolling || isAtEnd) return 0;
  // The row that the focus is in stays as it is.
  const rows = [...scroller.querySelectorAll('tr')].filter(
    (row) => !row.contains(document.activeElement),
  );
  return (
    seenOfCutRow(
      edge,
      rows.map((row) => row.getBoundingClientRect()),
    ) || seenOfCutLine(edge, linesAt(edge, scroller))
  );
}

/** How what scrolls is ended with a whole row, and how it is given free again. */
interface Ending {
  fit(scroller: HTMLElement): void;
  free(scroller: HTMLElement): void;
}

/** Part of the page: the rest of the row is not drawn. */
const CUT: Ending = {
  fit: (scroller) => {
    const seen = seenAtEdge(scroller);
    // The line at its left goes on to the end.
    const end = `calc(100% - ${Math.ceil(seen) - 1}px)`;
    scroller.style.clipPath =
      seen > 0 ? `polygon(0 0, 100% 0, 100% ${end}, 1px ${end}, 1px 100%, 0 100%)` : '';
  },
  // While it moves, all of it is seen.
  free: (scroller) => void (scroller.style.clipPath = ''),
};

/** A sheet that floats over the scene: its own edge moves up. */
const SHORTEN: Ending = {
  fit: (scroller) => {
    scroller.style.maxHeight = '';
    const seen = seenAtEdge(scroller);
    if (seen > 0) scroller.style.maxHeight = `${scroller.offsetHeight - Math.ceil(seen) + 1}px`;
  },
  // Its edge stands still while it moves.
  free: () => undefined,
};

/**
 * For what scrolls: its tables end in whole rows, its text in whole lines while it stands still.
 *
 * @param isSheet whether it floats over the page and may be shorter
 */
export function useWholeRows<T extends HTMLElement>(isSheet = false): RefObject<T | null> {
  const ref = useRef<T>(null);
  useEffect(() => {
    const scroller = ref.current;
    if (!scroller || typeof ResizeObserver === 'undefined') return undefined;
    const ending = isSheet ? SHORTEN : CUT;
    const free = (): void => ending.free(scroller);
    let isDue = false;
    // Nothing moves under a finger that is down: its click would miss.
    const fit = (): void => {
      isDue = scroller.matches(':active');
      if (!isDue) ending.fit(scroller);
    };
    // The click itself comes after the finger is up.
    const released = (): void => void setTimeout(() => isDue && fit());
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
    window.addEventListener('pointerup', released);
    window.addEventListener('pointercancel', released);
    return () => {
      sizes.disconnect();
      children.disconnect();
      scroller.removeEventListener('scroll', free);
      scroller.removeEventListener('scrollend', fit);
      scroller.removeEventListener('focusin', fit);
      window.removeEventListener('pointerup', released);
      window.removeEventListener('pointercancel', released);
    };
  }, [isSheet]);
  return ref;
}
