import type { TubePart } from '../components';
import type { TestBend } from '../design';

/**
 * How much of an angle is left, as a straight line: left = offset + slope · set, at bends of
 * `radius_mm`.
 */
export interface SpringBack {
  readonly from: 'material' | 'one test bend' | 'test bends';
  readonly offset_deg: number;
  readonly slope: number;
  readonly radius_mm: number;
  /**
   * Cold-bent metal springs back in proportion to its radius; what is bent hot and held until it is
   * cool does not.
   */
  readonly cold: boolean;
  /** Standard deviation of the test bends about the line, degrees; null below three of them. */
  readonly scatter_deg: number | null;
}

/**
 * Young's modulus and the stress it flows at when bent, MPa, of tube that is bent cold: soft copper
 * tube, hardened a little by the bend (from memory of handbook tables; tempers vary by half).
 */
const COLD: Partial<
  Record<TubePart['material'], { readonly E_MPa: number; readonly flow_MPa: number }>
> = { copper: { E_MPa: 117_000, flow_MPa: 120 } };

export const isBentCold = ({ material }: Pick<TubePart, 'material'>): boolean =>
  COLD[material] !== undefined;

/**
 * Share of a bend that a cold-bent tube gives back: the plastic moment taken off again elastically,
 * Δθ/θ = M R / (E I) with M = σ (D³ − d³)/6 and I = π (D⁴ − d⁴)/64 (Timoshenko, Strength of
 * Materials, from memory; the Kalpakjian factor Ks is 1 less this). Null for what is bent hot.
 */
export function coldSpringBack(
  { material, outer_mm: D, inner_mm: d }: Pick<TubePart, 'material' | 'outer_mm' | 'inner_mm'>,
  radius_mm: number,
): number | null {
  const metal = COLD[material];
  if (!metal) return null;
  const moment_Nmm = (metal.flow_MPa * (D ** 3 - d ** 3)) / 6,
    stiffness_Nmm2 = (metal.E_MPa * Math.PI * (D ** 4 - d ** 4)) / 64;
  return (moment_Nmm * radius_mm) / stiffness_Nmm2;
}

/** A slope outside these is a slip of the protractor: the line goes through 0 instead. */
const LEAST_SLOPE = 0.5,
  MOST_SLOPE = 1.1;
/** Angles set must differ by this much to show a line of their own, degrees. */
const APART_DEG = 5;

/**
 * What bends of a tube spring back by: a straight line through its test bends, one bend a line
 * through 0, none the figure of its material. Null where neither tells anything (bent hot, no test
 * bend): bend to the angle and hold until it is cool.
 */
export function springBackOf(tube: TubePart, tests: readonly TestBend[]): SpringBack | null {
  const own_mm = tube.minBend_mm;
  const cold = isBentCold(tube);
  if (tests.length === 0) {
    const share = coldSpringBack(tube, own_mm);
    return share === null
      ? null
      : {
          from: 'material',
          offset_deg: 0,
          slope: 1 - share,
          radius_mm: own_mm,
          cold,
          scatter_deg: null,
        };
  }
  const radius_mm = tests.reduce((sum, t) => sum + (t.radius_mm ?? own_mm), 0) / tests.length;
  const line = lineThrough(tests);
  return {
    from: tests.length === 1 ? 'one test bend' : 'test bends',
    ...line,
    radius_mm,
    cold,
    scatter_deg: tests.length < 3 ? null : scatterAbout(line, tests),
  };
}

interface Line {
  readonly offset_deg: number;
  readonly slope: number;
}

/** Least squares; through 0 where the angles do not differ or the slope would be absurd. */
function lineThrough(tests: readonly TestBend[]): Line {
  const count = tests.length;
  const set = tests.reduce((s, t) => s + t.set_deg, 0) / count,
    left = tests.reduce((s, t) => s + t.left_deg, 0) / count;
  const spread = tests.reduce((s, t) => s + (t.set_deg - set) ** 2, 0);
  const apart =
    Math.max(...tests.map((t) => t.set_deg)) - Math.min(...tests.map((t) => t.set_deg)) > APART_DEG;
  if (apart) {
    const slope = tests.reduce((s, t) => s + (t.set_deg - set) * (t.left_deg - left), 0) / spread;
    if (slope >= LEAST_SLOPE && slope <= MOST_SLOPE)
      return { offset_deg: left - slope * set, slope };
  }
  const squares = tests.reduce((s, t) => s + t.set_deg ** 2, 0);
  return {
    offset_deg: 0,
    slope: tests.reduce((s, t) => s + t.set_deg * t.left_deg, 0) / squares,
  };
}

/** Two of the readings are spent on the line. */
const scatterAbout = (line: Line, tests: readonly TestBend[]): number =>
  Math.sqrt(
    tests.reduce((s, t) => s + (t.left_deg - line.offset_deg - line.slope * t.set_deg) ** 2, 0) /
      (tests.length - 2),
  );

/** Angle left of a set angle at bends of a radius, as share: cold-bent metal by its radius. */
const slopeAt = ({ slope, cold, radius_mm: measured_mm }: SpringBack, radius_mm: number): number =>
  cold && measured_mm > 0 ? 1 - ((1 - slope) * radius_mm) / measured_mm : slope;

/** Angle to set so that the wanted one is left, degrees, at bends of a radius (mm). */
export const setAngle = (wanted_deg: number, springBack: SpringBack, radius_mm: number): number =>
  (wanted_deg - springBack.offset_deg) / slopeAt(springBack, radius_mm);

/**
 * Radius of the former that leaves this one: the middle line keeps its length as the angle opens,
 * so Ks = angle left / angle set = radius set / radius left (Kalpakjian, from memory).
 */
export const formerRadius = (wanted_deg: number, set_deg: number, radius_mm: number): number =>
  (radius_mm * wanted_deg) / set_deg;
