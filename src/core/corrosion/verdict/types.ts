import type { Metal } from '../../components';

export type PairVerdict = 'ok' | 'marginal' | 'fails' | 'unchecked';

/** Two metals in one coolant, as verdicts see them. */
export interface PairFacts {
  readonly anode: Metal;
  readonly cathode: Metal;
  readonly difference_V: number;
  readonly limit_V: number;
}

/** One reason why a pair does not simply hold. */
export interface MetalVerdict {
  readonly id: string;
  readonly verdict: Exclude<PairVerdict, 'ok'>;
  /** In the builder's words, after the names of both. */
  readonly because: string;
  readonly source: string;
  applies(pair: PairFacts): boolean;
}
