import type { Design, Factors } from './types';

/** A machine as its papers have it. */
export const AS_PRINTED: Factors = {
  radiators: 1,
  losses: 1,
  blocks: {},
  leakage: 1,
  noise_dB: 0,
};

/** What readings told of this machine; as printed where none did. */
export const factorsOf = ({ choices }: Pick<Design, 'choices'>): Factors =>
  choices.work?.measured ? { ...AS_PRINTED, ...choices.work.measured } : AS_PRINTED;

/** Whether readings of this very machine are what it goes by; those of its parts elsewhere are not. */
export const isMeasuredHere = ({ choices }: Pick<Design, 'choices'>): boolean =>
  choices.work?.measured !== undefined && choices.work.measured.elsewhere === undefined;

/** The design of a machine that is so far from its papers. */
export function withFactors(design: Design, factors: Factors): Design {
  const { choices } = design;
  const measured = { ...factors, on: '1970-01-01', readings: 1 };
  return { ...design, choices: { ...choices, work: { ...choices.work, measured } } };
}
