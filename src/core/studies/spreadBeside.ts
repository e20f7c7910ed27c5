/**
 * How far one build may be from another by the same papers, beside what makes its temperatures
 * uncertain: standard deviations (common practice, no source).
 */
export const SPREAD_BESIDE = {
  /** Of a pump's head, and of all that a loop takes, as shares. */
  head: 0.04,
  losses: 0.1,
  /** Of a fan's or pump's level, dB. */
  sound_dB: 1.5,
  /** Of a price until it is quoted, as a share. */
  price: 0.05,
  /** Of a size, as a share of its tolerance: a tolerance holds 997 in 1,000 (three deviations). */
  tolerance: 1 / 3,
} as const;
