import type { FluidProperties } from '../fluids';
import { colebrookInto, joinCubic, LAMINAR_RE, TURBULENT_RE } from './friction';
import { addRare, hasRare, type AtOther, type Terms } from './terms';

/**
 * Floor of a chain's slope, kPa per L/min: a part whose drop is purely quadratic has none at rest.
 */
const SLOPE_FLOOR = 1e-5;

/**
 * What all chains of a network take, laid out for the solver: plain numbers by chain for what
 * nearly all have (a linear and a square share, tube of one bore), the rest by its terms. `tee`
 * shares are added by whoever solves the split.
 */
export interface TermsTable {
  /** kPa per L/min and kPa, by chain: what tees make of the last split. */
  readonly teeLinear: Float64Array;
  readonly teeConstant: Float64Array;
  /** Drop (kPa) and conductance (1 / slope, L/min per kPa) of every chain at the flows (L/min). */
  evaluate(flows: Float64Array, other: AtOther, friction: number | null): void;
  readonly drops: Float64Array;
  readonly conductances: Float64Array;
}

export function layTerms(terms: readonly Terms[], fluid: FluidProperties): TermsTable {
  const count = terms.length;
  const linear = Float64Array.from(terms, (t) => t.linear),
    square = Float64Array.from(terms, (t) => t.square);
  const first = terms.map((t) => t.frictions[0] ?? { perFlow: 0, roughness: 0, scale: 0 });
  const scale = Float64Array.from(first, (f) => f.scale),
    perFlow = Float64Array.from(first, (f) => f.perFlow),
    rough = Float64Array.from(first, (f) => f.roughness / 3.7),
    laminar = Float64Array.from(first, (f) => (f.scale > 0 ? (64 * f.scale) / f.perFlow : 0));
  const joins = first.map((f) => joinCubic(f.roughness));
  const rare = Int32Array.from(terms.flatMap((t, k) => (hasRare(t) ? [k] : [])));
  const teeLinear = new Float64Array(count),
    teeConstant = new Float64Array(count),
    drops = new Float64Array(count),
    conductances = new Float64Array(count);
  const pair = new Float64Array(2);

  const evaluate = (flows: Float64Array, other: AtOther, friction: number | null): void => {
    for (let k = 0; k < count; k += 1) {
      const q = flows[k] as number,
        size = q < 0 ? -q : q;
      const re = (perFlow[k] as number) * size;
      let a = (linear[k] as number) + (teeLinear[k] as number),
        b = square[k] as number,
        bend = 0;
      if (friction !== null) b += friction * (scale[k] as number);
      else if (re <= LAMINAR_RE) a += laminar[k] as number;
      else {
        if (re >= TURBULENT_RE) colebrookInto(re, rough[k] as number, pair);
        else (joins[k] as (typeof joins)[number]).into(re, pair);
        b += (pair[0] as number) * (scale[k] as number);
        bend = (scale[k] as number) * (pair[1] as number) * re * size;
      }
      drops[k] = (a + b * size) * q + (teeConstant[k] as number);
      conductances[k] = a + 2 * b * size + bend;
    }
    for (let r = 0; r < rare.length; r += 1) {
      const k = rare[r] as number;
      pair[0] = drops[k] as number;
      pair[1] = conductances[k] as number;
      addRare(terms[k] as Terms, flows[k] as number, fluid, other, friction, pair);
      drops[k] = pair[0] as number;
      conductances[k] = pair[1] as number;
    }
    for (let k = 0; k < count; k += 1) {
      const slope = conductances[k] as number;
      conductances[k] = 1 / (slope > SLOPE_FLOOR ? slope : SLOPE_FLOOR);
    }
  };
  return { teeLinear, teeConstant, evaluate, drops, conductances };
}
