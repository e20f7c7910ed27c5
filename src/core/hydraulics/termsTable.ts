import type { FluidProperties } from '../fluids';
import {
  colebrookInto,
  frictionInto,
  JOIN_FROM,
  joinCubic,
  LAMINAR_RE,
  TURBULENT_RE,
} from './friction';
import { addRare, hasRare, type AtOther, type Terms } from './terms';

/**
 * Floor of a chain's slope, kPa per L/min: a part whose drop is purely quadratic has none at rest.
 */
const SLOPE_FLOOR = 1e-5;
/** What the table holds of a chain, one after another: its shares, then the tube of its first bore. */
const STRIDE = 9,
  SQUARE = 1,
  PER_FLOW = 2,
  LAMINAR = 3,
  SCALE = 4,
  ROUGH = 5,
  JOIN = 6;
const NO_FRICTION = { perFlow: 0, roughness: 0, scale: 0 };
/** A factor is held as at this Reynolds number at least: 64/Re knows no end. */
const LEAST_HELD_RE = 10;
const PER_SPAN = 1 / (TURBULENT_RE - LAMINAR_RE);

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
  evaluate(flows: Float64Array, other: AtOther, held: Float64Array | null): void;
  /** Friction factors at the flows, by chain: to be held. */
  hold(flows: Float64Array, into: Float64Array): void;
  readonly drops: Float64Array;
  readonly conductances: Float64Array;
}

export function layTerms(terms: readonly Terms[], fluid: FluidProperties): TermsTable {
  const count = terms.length;
  const data = dataOf(terms);
  const rare = Int32Array.from(terms.flatMap((t, k) => (hasRare(t) ? [k] : [])));
  const teeLinear = new Float64Array(count),
    teeConstant = new Float64Array(count),
    rareDrops = new Float64Array(count),
    rareSlopes = new Float64Array(count),
    drops = new Float64Array(count),
    conductances = new Float64Array(count);

  const evaluate = (flows: Float64Array, other: AtOther, held: Float64Array | null): void => {
    for (let r = 0; r < rare.length; r += 1) {
      const k = rare[r] as number,
        q = flows[k] as number;
      PAIR[0] = (teeLinear[k] as number) * q + (teeConstant[k] as number);
      PAIR[1] = teeLinear[k] as number;
      addRare(terms[k] as Terms, q, fluid, other, held === null ? null : (held[k] as number), PAIR);
      rareDrops[k] = PAIR[0] as number;
      rareSlopes[k] = PAIR[1] as number;
    }
    common(data, rareDrops, rareSlopes, flows, held, drops, conductances);
  };
  const hold = (flows: Float64Array, into: Float64Array): void => {
    for (let k = 0; k < count; k += 1) {
      const { perFlow, roughness } = terms[k]?.frictions[0] ?? NO_FRICTION;
      const re = perFlow * Math.abs(flows[k] as number);
      frictionInto(Math.max(re, LEAST_HELD_RE), roughness, PAIR);
      into[k] = PAIR[0] as number;
    }
  };
  return { hold, teeLinear, teeConstant, evaluate, drops, conductances };
}

function dataOf(terms: readonly Terms[]): Float64Array {
  const data = new Float64Array(terms.length * STRIDE);
  terms.forEach((t, k) => {
    const { perFlow, roughness, scale } = t.frictions[0] ?? NO_FRICTION;
    const { first, second, third } = joinCubic(roughness);
    const laminar = scale > 0 ? (64 * scale) / perFlow : 0;
    data.set(
      [t.linear, t.square, perFlow, laminar, scale, roughness / 3.7, first, second, third],
      k * STRIDE,
    );
  });
  return data;
}

const PAIR = new Float64Array(2);

/** Drop and conductance of every chain. */
function common(
  data: Float64Array,
  rareDrops: Float64Array,
  rareSlopes: Float64Array,
  flows: Float64Array,
  held: Float64Array | null,
  drops: Float64Array,
  conductances: Float64Array,
): void {
  for (let k = 0, at = 0; k < flows.length; k += 1, at += STRIDE) {
    const q = flows[k] as number,
      size = Math.abs(q);
    const re = (data[at + PER_FLOW] as number) * size;
    let a = data[at] as number,
      b = data[at + SQUARE] as number,
      bend = 0;
    if (held !== null) b += (held[k] as number) * (data[at + SCALE] as number);
    else if (re <= LAMINAR_RE) a += data[at + LAMINAR] as number;
    else {
      const scale = data[at + SCALE] as number;
      if (re >= TURBULENT_RE) {
        colebrookInto(re, data[at + ROUGH] as number, PAIR);
        b += (PAIR[0] as number) * scale;
        bend = scale * (PAIR[1] as number) * re * size;
      } else {
        const t = (re - LAMINAR_RE) * PER_SPAN,
          c1 = data[at + JOIN] as number,
          c2 = data[at + JOIN + 1] as number,
          c3 = data[at + JOIN + 2] as number;
        b += (JOIN_FROM + t * (c1 + t * (c2 + t * c3))) * scale;
        bend = scale * (c1 + t * (2 * c2 + 3 * t * c3)) * PER_SPAN * re * size;
      }
    }
    const slope = a + 2 * b * size + bend + (rareSlopes[k] as number);
    drops[k] = (a + b * size) * q + (rareDrops[k] as number);
    conductances[k] = 1 / Math.max(slope, SLOPE_FLOOR);
  }
}
