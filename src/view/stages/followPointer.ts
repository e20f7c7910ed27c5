/**
 * Follows the pointer from where it was pressed until it is let go, once in every frame.
 *
 * @param moved told how far it is from where it was pressed, px
 * @param ended told when it is let go, after the last move
 */
export function followPointer(
  { clientX, clientY }: { readonly clientX: number; readonly clientY: number },
  moved: (dx: number, dy: number) => void,
  ended: () => void,
): void {
  let last: readonly [number, number] | null = null,
    frame = 0;
  const tell = (): void => {
    frame = 0;
    if (last) moved(...last);
  };
  const move = (e: PointerEvent): void => {
    last = [e.clientX - clientX, e.clientY - clientY];
    frame ||= requestAnimationFrame(tell);
  };
  const up = (): void => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', up);
    window.removeEventListener('pointercancel', up);
    if (frame) {
      cancelAnimationFrame(frame);
      tell();
    }
    ended();
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up);
  window.addEventListener('pointercancel', up);
}
