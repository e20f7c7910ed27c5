/**
 * How far one build may be from another by the same papers, as standard deviations of a share
 * (common practice, no source; the two installation factors are the least sure figures of the
 * model). Logged readings narrow the first two.
 */
export const SPREAD = {
  airFlow: 0.1,
  conductance: 0.09,
  draw: 0.05,
  block: 0.08,
  interface: 0.12,
} as const;
