import { msg } from '../messages';

/**
 * Darcy friction factors. All take the Reynolds number and the roughness over the bore; smooth
 * plastic tube is about 0.0015 mm rough.
 */

/**
 * Below this Reynolds number the flow in a tube is laminar, above TURBULENT it is turbulent;
 * between, no formula is right.
 */
export const LAMINAR_RE = 2000;
export const TURBULENT_RE = 4000;

/**
 * Colebrook (1939), solved to rounding; Re ≥ 4000, relative roughness 0–0.05. Meaningless below.
 */
export function colebrook(re: number, relativeRoughness: number): number {
  colebrookInto(re, relativeRoughness / 3.7, ANSWER);
  return ANSWER[0] as number;
}

/** Haaland (1983), explicit, within 1.4 % of Colebrook for Re ≥ 4000. A second opinion. */
export function haaland(re: number, relativeRoughness: number): number {
  const x = -1.8 * Math.log10((relativeRoughness / 3.7) ** 1.11 + 6.9 / re);
  return 1 / (x * x);
}

/**
 * Churchill (1977), Chem. Eng. 84(24), 91: one formula for all Re. A second opinion; it leaves
 * 64/Re by 11 % at Re 2,300.
 */
export function churchill(re: number, relativeRoughness: number): number {
  const a = (2.457 * Math.log(1 / ((7 / re) ** 0.9 + 0.27 * relativeRoughness))) ** 16;
  const b = (37530 / re) ** 16;
  return 8 * ((8 / re) ** 12 + 1 / (a + b) ** 1.5) ** (1 / 12);
}

const TWO_BY_LN10 = 2 / Math.LN10;

/**
 * Steps of Colebrook that are ever needed; from this start one does for tube, two or three for
 * anything.
 */
const MOST_STEPS = 12;
/** A third-order step this small leaves an error below rounding. */
const SMALL_STEP = 3e-4;

/**
 * Colebrook with its slope, into `out`. x = 1/√f starts from a parabola in Re^(1/8) (within 0.02 %
 * for drawn tube of 10 mm and Re 4,000–60,000; only a start) and goes by Halley's steps, of third
 * order and no dearer than Newton's: the second derivative falls out of the first. The slope
 * follows by implicit differentiation.
 */
export function colebrookInto(re: number, a: number, out: Float64Array): void {
  const b = 2.51 / re;
  const root = Math.sqrt(Math.sqrt(Math.sqrt(re)));
  let x = Math.max(1, -3.16726593 + root * (3.72531483 - 0.29429429 * root));
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const inner = a + b * x;
    const ratio = (TWO_BY_LN10 * b) / inner;
    const value = x + TWO_BY_LN10 * Math.log(inner);
    const first = 1 + ratio;
    const step = value / (first + (value * ratio * ratio) / (2 * TWO_BY_LN10 * first));
    x -= step;
    if (Math.abs(step) < SMALL_STEP * x) break;
  }
  const pull = (TWO_BY_LN10 * b) / (a + b * x);
  out[0] = 1 / (x * x);
  out[1] = (-2 * pull) / (re * (1 + pull) * x * x);
}

/** Where the cubic starts: 64/Re where laminar flow ends. */
export const JOIN_FROM = 64 / LAMINAR_RE;

/** The cubic between laminar and turbulent: factor and slope over Re, into `out`. */
export interface JoinCubic {
  /** Of factor = JOIN_FROM + t (first + t (second + t third)), t from 0 to 1 over the band. */
  readonly first: number;
  readonly second: number;
  readonly third: number;
  into(re: number, out: Float64Array): void;
}

/** One for each roughness: asked for a few values again and again. */
const joins = new Map<number, JoinCubic>();
const MOST_JOINS = 256;

/**
 * The cubic that joins 64/Re at 2,000 and Colebrook at 4,000 in value and slope (close to the
 * Dunlop cubic of the EPANET 2 manual; no published formula is right there).
 */
export function joinCubic(relativeRoughness: number): JoinCubic {
  const known = joins.get(relativeRoughness);
  if (known) return known;
  if (joins.size >= MOST_JOINS) joins.clear();
  const made = joinThrough(relativeRoughness);
  joins.set(relativeRoughness, made);
  return made;
}

function joinThrough(relativeRoughness: number): JoinCubic {
  const end = new Float64Array(2);
  colebrookInto(TURBULENT_RE, relativeRoughness / 3.7, end);
  const span = TURBULENT_RE - LAMINAR_RE;
  const from = JOIN_FROM,
    leaving = (-64 / LAMINAR_RE ** 2) * span;
  const rise = (end[0] as number) - from,
    arriving = (end[1] as number) * span;
  const second = 3 * rise - 2 * leaving - arriving,
    third = leaving + arriving - 2 * rise;
  return {
    first: leaving,
    second,
    third,
    into: (re, out) => {
      const t = (re - LAMINAR_RE) / span;
      out[0] = from + t * (leaving + t * (second + t * third));
      out[1] = (leaving + t * (2 * second + 3 * t * third)) / span;
    },
  };
}

/**
 * Darcy friction factor and its slope over Re, into `out`, for any Re > 0: 64/Re below 2,000,
 * Colebrook above 4,000, and between them the cubic that joins both.
 */
export function frictionInto(re: number, relativeRoughness: number, out: Float64Array): void {
  if (re >= TURBULENT_RE) {
    colebrookInto(re, relativeRoughness / 3.7, out);
    return;
  }
  if (re <= LAMINAR_RE) {
    out[0] = 64 / re;
    out[1] = -64 / (re * re);
    return;
  }
  joinCubic(relativeRoughness).into(re, out);
}

const ANSWER = new Float64Array(2);

/** The factor alone. Throws RangeError for Re ≤ 0 or a roughness outside 0–0.05. */
export function frictionFactor(re: number, relativeRoughness: number): number {
  if (!(re > 0)) throw new RangeError(msg`Reynolds number must be above 0, got ${re}`);
  if (!(relativeRoughness >= 0 && relativeRoughness <= 0.05))
    throw new RangeError(msg`relative roughness must be 0 to 0.05, got ${relativeRoughness}`);
  frictionInto(re, relativeRoughness, ANSWER);
  return ANSWER[0] as number;
}

/** Whether a run is in the band where no friction formula is right. */
export const isBetweenRegimes = (re: number): boolean => re > LAMINAR_RE && re < TURBULENT_RE;
