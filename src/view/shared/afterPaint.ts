'use client';

/** What waits for the next frame to be painted. */
let waiting = new Set<() => void>();
let isAsked = false;

/**
 * Does it once the next frame is painted; what is asked for twice before then is done once. In a
 * page that is not looked at, which paints nothing, it is done soon.
 */
export function afterPaint(work: () => void): void {
  waiting.add(work);
  if (isAsked) return;
  isAsked = true;
  if (document.visibilityState === 'hidden') setTimeout(doAll);
  else requestAnimationFrame(() => setTimeout(doAll));
}

function doAll(): void {
  const works = waiting;
  waiting = new Set();
  isAsked = false;
  for (const work of works) work();
}

/** What is no longer wanted. */
export const notAfterPaint = (work: () => void): void => void waiting.delete(work);
