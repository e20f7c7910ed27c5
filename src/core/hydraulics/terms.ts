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
  /** Whether a tee adds its share, which its split decides. */
  tee: boolean;
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
  tee: false,
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
  if (link.tee) terms.tee = true;
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

/** Whether a chain holds more than a linear and a square share and tube of one bore. */
export const hasRare = ({ frictions, pumps, laws, forced, tee }: Terms): boolean =>
  frictions.length > 1 || pumps.length > 0 || laws.length > 0 || forced !== null || tee;

/**
 * Adds what only some chains hold to a drop and slope: tube of further bores, pumps, laws of their
 * own, a held flow. `friction`: a factor held for all tube, for a first look; null for the true
 * ones. Asked in every round of a solve: plain loops, nothing made.
 */
export function addRare(
  terms: Terms,
  q: number,
  fluid: FluidProperties,
  other: AtOther,
  friction: number | null,
  out: Float64Array,
): void {
  const { frictions, pumps, laws } = terms;
  for (let i = 1; i < frictions.length; i += 1)
    addFriction(frictions[i] as FrictionTerm, q, friction, out);
  let drop = out[0] as number,
    slope = out[1] as number;
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

/** Adds what tube of one bore takes to a drop and slope. */
function addFriction(
  { perFlow, roughness, scale }: FrictionTerm,
  q: number,
  friction: number | null,
  out: Float64Array,
): void {
  const size = Math.abs(q),
    re = perFlow * size;
  let factor = friction ?? 0,
    rise = 0;
  if (friction === null && re > 0) {
    frictionInto(re, roughness, PAIR);
    factor = PAIR[0] as number;
    rise = (PAIR[1] as number) * re;
  }
  out[0] = (out[0] as number) + scale * factor * q * size;
  out[1] =
    (out[1] as number) +
    (friction === null && re <= LAMINAR_RE
      ? (64 * scale) / perFlow
      : scale * size * (2 * factor + rise));
}

/** Drop and slope of terms at a flow. */
function ofTerms(
  terms: Terms,
  q: number,
  fluid: FluidProperties,
  other: AtOther,
): { readonly drop_kPa: number; readonly slope: number } {
  const size = Math.abs(q);
  const out = Float64Array.of(
    (terms.linear + terms.square * size) * q,
    terms.linear + 2 * terms.square * size,
  );
  const [first] = terms.frictions;
  if (first) addFriction(first, q, null, out);
  addRare(terms, q, fluid, other, null, out);
  return { drop_kPa: out[0] as number, slope: out[1] as number };
}

function ofLink(
  link: NetworkLink,
  flow_Lmin: number,
  fluid: FluidProperties,
  other: AtOther,
): { readonly drop_kPa: number; readonly slope: number } {
  const terms = noTerms();
  addTerms(terms, link, 1, fluid);
  return ofTerms(terms, flow_Lmin, fluid, other);
}

/** What one link takes at a flow, kPa; a tee's share, which its split decides, is not in it. */
export const linkDrop = (
  link: NetworkLink,
  flow_Lmin: number,
  fluid: FluidProperties,
  other: AtOther = AS_IS,
): number => ofLink(link, flow_Lmin, fluid, other).drop_kPa;

/** Its slope, kPa per L/min. */
export const linkSlope = (link: NetworkLink, flow_Lmin: number, fluid: FluidProperties): number =>
  ofLink(link, flow_Lmin, fluid, AS_IS).slope;
