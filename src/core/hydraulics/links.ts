import type { FluidProperties } from '../fluids';
import type { LossCurve } from './curve';
import type { PumpCurve } from './pump';
import type { TeeLeg } from './tee';
import type { TubeLoss } from './tube';

/**
 * What a link takes that no curve here tells, at any flow: drop and slope into `out`. Odd or not;
 * the drop must rise with flow.
 */
export interface LinkDropLaw {
  /** About where its flow will be: the search starts there. */
  readonly guess: number;
  into(flow: number, out: Float64Array): void;
}

/**
 * What a link takes or gives, as data: what the solver sums and what a file of the network writes.
 * Its parts add up.
 */
export interface NetworkLink {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly pipe?: TubeLoss;
  /** Already scaled to the coolant: kPa at L/min. */
  readonly curve?: LossCurve;
  readonly pump?: { readonly curve: PumpCurve; readonly speed: number };
  /** One leg of a tee, from its port to its middle. */
  readonly tee?: { readonly id: string; readonly leg: TeeLeg; readonly bore_mm: number };
  /** Any law of its own, in the units of the network. */
  readonly own?: LinkDropLaw;
  /** Flow held at this, L/min, whatever the pressure: for asking what a loop takes. */
  readonly forced_Lmin?: number;
}

/** One loop of links through which one fluid flows. */
export interface FlowNetwork {
  readonly fluid: FluidProperties;
  readonly links: readonly NetworkLink[];
  /** Nodes at pressure 0: the reservoir. A piece without one has its first node fixed. */
  readonly fixed: readonly string[];
}

export interface NetworkSolution {
  readonly status: 'solved' | 'not-converged' | 'singular';
  readonly iterations: number;
  /** Largest energy residual over links, kPa, and mass residual over nodes, L/min. */
  readonly residual: { readonly energy_kPa: number; readonly mass_Lmin: number };
  readonly flows: ReadonlyMap<string, number>;
  /** What each link takes, kPa; a pump's is negative. */
  readonly drops: ReadonlyMap<string, number>;
  /** kPa relative to the fixed node of its connected piece. */
  readonly pressures: ReadonlyMap<string, number>;
}
