import { distance, norm, sub, unit, type Vec } from '../geometry';
import { elasticCurve, type ElasticCurve, type Run } from '../tubing';
import { pathLength, samplePath } from './path';

/** Points of a route looked at, so far apart, mm. */
const STEP_MM = 2;
/** Hardness of soft tube for water loops, Shore A (common practice, no source; 65 to 75 is sold). */
const SHORE_A = 70;
/** Density of soft PVC and of EPDM with what is mixed in, g/cm³ (handbooks: 1.15 to 1.35). */
const WALL_GCM3 = 1.2;
/** And of the coolant, near enough. */
const COOLANT_GCM3 = 1;
const GRAVITY_MS2 = 9.80665;

/** A soft tube when only its two fittings hold it. */
export interface AsItLies {
  readonly curve: ElasticCurve;
  /** The farthest that it lies from its route, mm. */
  readonly beside_mm: number;
  /** How far it hangs down between its ends by its own weight and what is in it, mm; estimated. */
  readonly sag_mm: number;
}

/**
 * Where a routed soft tube lies once it is cut to its length and pushed on: the curve of least
 * bending energy between its fittings. Null for hard tube, for a run without a route, and where no
 * such curve is found.
 */
export function asItLies({ tube, routed }: Pick<Run, 'tube' | 'routed'>): AsItLies | null {
  const path = routed?.path ?? [];
  const [first] = path,
    last = path.at(-1);
  if (tube.hard || !first || !last) return null;
  const points = samplePath(path, STEP_MM);
  const curve = elasticCurve(
    { at: first.from, direction: wayIn(points) },
    { at: last.to, direction: wayIn([...points].reverse()) },
    pathLength(path),
    points,
  );
  if (!curve) return null;
  return {
    curve,
    beside_mm: Math.max(...curve.points.map((p) => Math.min(...points.map((q) => distance(p, q))))),
    sag_mm: sagBetween(tube, first.from, last.to),
  };
}

const wayIn = (points: readonly Vec[]): Vec => unit(sub(points[1] as Vec, points[0] as Vec));

/**
 * Young's modulus of rubber by its hardness, MPa, for 20 to 80 Shore A.
 *
 * @see A. N. Gent, On the relation between indentation hardness and Young's modulus, 1958 (formula
 *   from memory)
 */
export const modulusOf = (shoreA: number): number =>
  (0.0981 * (56 + 7.62336 * shoreA)) / (0.137505 * (254 - 2.54 * shoreA));

/**
 * The sag of a full tube that lies level between two clamped ends: w L⁴ / (384 E I), L level.
 *
 * @see any handbook of beams; W. C. Young, Roark's Formulas for Stress and Strain, table 8.1, 2d
 */
export function sagBetween(
  { outer_mm, inner_mm }: Pick<Run['tube'], 'outer_mm' | 'inner_mm'>,
  from: Vec,
  to: Vec,
): number {
  const [x, , z] = sub(to, from);
  const level_mm = norm([x, 0, z]);
  const quarter = Math.PI / 4;
  const bore_mm2 = quarter * inner_mm ** 2,
    wall_mm2 = quarter * outer_mm ** 2 - bore_mm2;
  // g/cm³ · mm² is g/m; in N/mm.
  const weight = ((wall_mm2 * WALL_GCM3 + bore_mm2 * COOLANT_GCM3) * GRAVITY_MS2) / 1e6;
  const stiffness_Nmm2 = (modulusOf(SHORE_A) * Math.PI * (outer_mm ** 4 - inner_mm ** 4)) / 64;
  return (weight * level_mm ** 4) / (384 * stiffness_Nmm2);
}
