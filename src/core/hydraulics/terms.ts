import type { FluidProperties } from '../fluids';
import { LMIN_TO_M3S } from '../units';
import { frictionInto, LAMINAR_RE } from './friction';
import type { LinkDropLaw, NetworkLink } from './links';
import { headToPressure, pumpHeadInto, type PumpCurve } from './pump';
import { TUBE_ROUGHNESS_MM } from './tube';

/** Friction of all tube of one bore in a chain: Re = perFlow·Q, drop = scale·f·Q². */
interface FrictionTerm {
  readonly perFlow: number;
  readonly roughness: number;
  scale: number;
}
interface PumpTerm {
  readonly id: string;
  readonly curve: PumpCurve;
  readonly speed: number;
  readonly sign: 1 | -1;
}

interface LawTerm {
  readonly law: LinkDropLaw;
  readonly sign: 1 | -1;
}

/**
 * What a chain of links takes together, kPa at L/min. One flow through all of it, so like terms are
 * summed once.
 */
export interface Terms {
  linear: number;
  square: number;
  readonly frictions: FrictionTerm[];
  readonly pumps: PumpTerm[];
  readonly laws: LawTerm[];
  forced: { readonly flow_Lmin: number; readonly sign: 1 | -1 } | null;
  /**
   * Of tees: what the last round's split makes of them, and how it grows with this chain's flow.
   */
  teeLinear: number;
  teeConstant: number;
}

/** Slope of a link whose flow is held, kPa per L/min: steep against everything a loop holds. */
const HELD_SLOPE = 1e7;

export const noTerms = (): Terms => ({
  linear: 0,
  square: 0,
  frictions: [],
  pumps: [],
  laws: [],
  forced: null,
  teeLinear: 0,
  teeConstant: 0,
});

/** Adds a link that the chain runs through forwards (1) or backwards (−1). */
export function addTerms(
  terms: Terms,
  link: NetworkLink,
  sign: 1 | -1,
  fluid: FluidProperties,
): void {
  if (link.curve) {
    terms.linear += link.curve.a;
    terms.square += link.curve.b;
  }
  if (link.forced_Lmin !== undefined) terms.forced = { flow_Lmin: link.forced_Lmin, sign };
  if (link.pump) {
    const { curve, speed } = link.pump;
    terms.pumps.push({ id: link.id, curve, speed, sign });
  }
  if (link.own) terms.laws.push({ law: link.own, sign });
  if (!link.pipe) return;
  const speedPerFlow = (bore_mm: number): number =>
    LMIN_TO_M3S / ((Math.PI / 4) * (bore_mm / 1000) ** 2);
  for (const m of link.pipe.minor)
    terms.square += (m.k * fluid.density_kgm3 * speedPerFlow(m.bore_mm) ** 2) / 2000;
  for (const m of link.pipe.measured ?? []) {
    terms.linear += m.a;
    terms.square += m.b;
  }
  const { length_mm, bore_mm } = link.pipe;
  if (length_mm <= 0) return;
  const v = speedPerFlow(bore_mm);
  const perFlow = (fluid.density_kgm3 * v * (bore_mm / 1000)) / fluid.viscosity_Pas;
  const roughness = (link.pipe.roughness_mm ?? TUBE_ROUGHNESS_MM) / bore_mm;
  const scale = ((length_mm / bore_mm) * fluid.density_kgm3 * v * v) / 2000;
  const known = terms.frictions.find((t) => t.perFlow === perFlow && t.roughness === roughness);
  if (known) known.scale += scale;
  else terms.frictions.push({ perFlow, roughness, scale });
}

/** Speeds and held flow in place of the links' own, for asking one network many things. */
export interface AtOther {
  readonly share?: number;
  readonly forced_Lmin?: number;
}

const AS_IS: AtOther = {};
const PAIR = new Float64Array(2);

/**
 * Drop and slope at a flow, into `out` (drop, slope). The innermost loop of every solve: plain
 * loops, nothing made. `friction`: a factor held for all tube, for a first look; null for the true
 * ones.
 */
export function evaluateTerms(
  terms: Terms,
  q: number,
  fluid: FluidProperties,
  other: AtOther,
  friction: number | null,
  out: Float64Array,
): void {
  const size = Math.abs(q);
  const { square, frictions, pumps, laws } = terms;
  const linear = terms.linear + terms.teeLinear;
  let drop = (linear + square * size) * q + terms.teeConstant;
  let slope = linear + 2 * square * size;
  for (let i = 0; i < frictions.length; i += 1) {
    const t = frictions[i] as FrictionTerm;
    const re = t.perFlow * size;
    if (friction !== null) {
      drop += t.scale * friction * q * size;
      slope += 2 * t.scale * friction * size;
    } else if (re <= LAMINAR_RE) {
      const laminar = (64 * t.scale) / t.perFlow;
      drop += laminar * q;
      slope += laminar;
    } else {
      frictionInto(re, t.roughness, PAIR);
      const f = PAIR[0] as number;
      drop += t.scale * f * q * size;
      slope += t.scale * size * (2 * f + (PAIR[1] as number) * re);
    }
  }
  for (let i = 0; i < pumps.length; i += 1) {
    const p = pumps[i] as PumpTerm;
    pumpHeadInto(
      p.curve,
      p.sign * q,
      other.share === undefined ? p.speed : p.speed * other.share,
      PAIR,
    );
    drop -= p.sign * headToPressure(PAIR[0] as number, fluid.density_kgm3);
    slope -= headToPressure(PAIR[1] as number, fluid.density_kgm3);
  }
  for (let i = 0; i < laws.length; i += 1) {
    const { law, sign } = laws[i] as LawTerm;
    law.into(sign * q, PAIR);
    drop += sign * (PAIR[0] as number);
    slope += PAIR[1] as number;
  }
  if (terms.forced !== null) {
    drop += HELD_SLOPE * (q - terms.forced.sign * (other.forced_Lmin ?? terms.forced.flow_Lmin));
    slope += HELD_SLOPE;
  }
  out[0] = drop;
  out[1] = slope;
}

function ofLink(
  link: NetworkLink,
  flow_Lmin: number,
  fluid: FluidProperties,
  other: AtOther,
): Float64Array {
  const terms = noTerms(),
    out = new Float64Array(2);
  addTerms(terms, link, 1, fluid);
  evaluateTerms(terms, flow_Lmin, fluid, other, null, out);
  return out;
}

/** What one link takes at a flow, kPa; a tee's share, which its split decides, is not in it. */
export const linkDrop = (
  link: NetworkLink,
  flow_Lmin: number,
  fluid: FluidProperties,
  other: AtOther = AS_IS,
): number => ofLink(link, flow_Lmin, fluid, other)[0] as number;

/** Its slope, kPa per L/min. */
export const linkSlope = (link: NetworkLink, flow_Lmin: number, fluid: FluidProperties): number =>
  ofLink(link, flow_Lmin, fluid, AS_IS)[1] as number;
