/** Without a hand it is done after this, ms. */
const LONGEST_MS = 5000;
const TOUCHES = ['pointermove', 'pointerdown', 'keydown', 'focusin'] as const;

/** Does something once: when the page is first touched, or after five seconds. */
export function atFirstTouch(work: () => void): void {
  const once = (): void => {
    clearTimeout(timer);
    for (const touch of TOUCHES) window.removeEventListener(touch, once, true);
    work();
  };
  const timer = setTimeout(once, LONGEST_MS);
  for (const touch of TOUCHES) window.addEventListener(touch, once, true);
}
