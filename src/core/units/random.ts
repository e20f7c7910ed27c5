/** Even numbers in [0, 1) from a seed: a 32-bit mix (Mulberry32, public domain, from memory). */
export function randomBy(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A draw of the normal distribution with deviation 1. Box and Muller (1958). */
export const normal = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** Where nine of ten draws fall, and the middle one. */
export interface Band {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

const SHARE_LOW = 0.05,
  SHARE_HIGH = 0.95;

/** The band of draws; null of none. */
export function bandOf(values: readonly number[]): Band | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number): number => {
    const x = share * (sorted.length - 1),
      i = Math.floor(x);
    const a = sorted[i] as number;
    return a + (x - i) * ((sorted[Math.min(sorted.length - 1, i + 1)] as number) - a);
  };
  return { low: at(SHARE_LOW), mid: at(0.5), high: at(SHARE_HIGH) };
}
