import { msg } from '../messages';

/** How near is near enough: in x, or in the function's value. */
export interface RootTolerance {
  readonly x: number;
  readonly y: number;
}

/**
 * Where a function crosses zero between two ends of opposite sign. False position, halving an end
 * that stays twice (Illinois; Dowell & Jarratt 1971): keeps the bracket, and on smooth functions
 * wants a handful of calls. The ends' values may be passed when known. Throws RangeError when the
 * ends have the same sign.
 */
export function falsePosition(
  f: (x: number) => number,
  from: number,
  to: number,
  tolerance: RootTolerance,
  fromValue = f(from),
  toValue = f(to),
): number {
  if (fromValue === 0) return from;
  if (toValue === 0) return to;
  if (fromValue > 0 === toValue > 0)
    throw new RangeError(msg`no sign change between ${from} and ${to}`);
  let a = from,
    b = to,
    fa = fromValue,
    fb = toValue;
  let kept: 'a' | 'b' | null = null;
  for (let i = 0; i < 100 && Math.abs(b - a) > tolerance.x; i += 1) {
    const x = (a * fb - b * fa) / (fb - fa);
    const value = f(x);
    if (Math.abs(value) <= tolerance.y) return x;
    if (value > 0 === fb > 0) {
      b = x;
      fb = value;
      if (kept === 'a') fa /= 2;
      kept = 'a';
    } else {
      a = x;
      fa = value;
      if (kept === 'b') fb /= 2;
      kept = 'b';
    }
  }
  return (a + b) / 2;
}
