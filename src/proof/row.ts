/**
 * What a value is worth as a check. Independent: worked out in another way, or measured. Same
 * formula: by other code or hand, which finds slips of ours and not of the formula. Fitted: used to
 * set a constant of ours. Common practice: what builders see, no source.
 */
export const PROOF_KINDS = ['independent', 'same formula', 'fitted', 'common practice'] as const;
export type ProofKind = (typeof PROOF_KINDS)[number];

/** One published value against ours. */
export interface ProofRow extends ProofValue {
  readonly kind: ProofKind;
}

/** The same before it is told what it is worth. */
export interface ProofValue {
  readonly id: string;
  readonly subject: string;
  readonly quantity: string;
  readonly source: string;
  readonly unit: string;
  readonly expected: number;
  readonly got: number;
  /** (got − expected)/expected, or got − expected where the tolerance is absolute. */
  readonly deviation: number;
  readonly tolerance: number;
  readonly measure: 'relative' | 'absolute';
  readonly ok: boolean;
}

export interface Case<I, E> {
  readonly id: string;
  readonly description?: string;
  readonly inputs: I;
  readonly expected: E;
  readonly source: string;
}

interface Claim {
  readonly id: string;
  readonly subject: string;
  readonly quantity: string;
  readonly source: string;
  readonly unit: string;
  readonly expected: number;
  readonly got: number;
}

export function relative(claim: Claim, tolerance: number): ProofValue {
  const deviation = (claim.got - claim.expected) / claim.expected;
  return {
    ...claim,
    deviation,
    tolerance,
    measure: 'relative',
    ok: Math.abs(deviation) <= tolerance,
  };
}

export function absolute(claim: Claim, tolerance: number): ProofValue {
  const deviation = claim.got - claim.expected;
  return {
    ...claim,
    deviation,
    tolerance,
    measure: 'absolute',
    ok: Math.abs(deviation) <= tolerance + 1e-12,
  };
}
