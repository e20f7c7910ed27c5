import { distance, norm, sub, unit, type Vec } from '../geometry';
import {
  elasticCurve,
  type Clamp,
  type ElasticCurve,
  type LyingTube,
  type Run,
  type Segment,
} from '../tubing';
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

/** A soft tube that only its two fittings hold, whatever stands beside it. */
export type AsItLies = Omit<LyingTube, 'nearest'>;
type Tube = Pick<Run['tube'], 'hard' | 'outer_mm' | 'inner_mm'>;
type Path = readonly Segment[];

/** What was found of a way, while it is the same object. */
const known = new WeakMap<Path, { readonly tube: Tube; readonly lies: AsItLies | null }>();

/**
 * Where a routed soft tube lies once it is cut to its length and pushed on: the curve of least
 * bending energy between its fittings, hanging through by its weight. Null for hard tube, and where
 * no such curve is found.
 */
export function asItLies(tube: Tube, path: Path): AsItLies | null {
  const found = known.get(path);
  if (found && found.tube.outer_mm === tube.outer_mm && found.tube.inner_mm === tube.inner_mm)
    return found.lies;
  const lies = tube.hard ? null : layFree(tube, path);
  known.set(path, { tube, lies });
  return lies;
}

function layFree(tube: Tube, path: Path): AsItLies | null {
  const [first] = path,
    last = path.at(-1);
  if (!first || !last) return null;
  const points = samplePath(path, STEP_MM);
  const curve = freeCurve(path, points);
  if (!curve) return null;
  const sag_mm = sagBetween(tube, first.from, last.to);
  return {
    points: hung(curve.points, sag_mm),
    beside_mm: Math.max(...curve.points.map((p) => Math.min(...points.map((q) => distance(p, q))))),
    sag_mm,
    turning_deg: curve.turning_deg,
    leastRadius_mm: curve.leastRadius_mm,
  };
}

/** The elastic curve of a way between its two ends, nothing hanging. */
export function freeCurve(
  path: Path,
  points: readonly Vec[] = samplePath(path, STEP_MM),
): ElasticCurve | null {
  const at = (end: Vec, along: readonly Vec[]): Clamp => ({ at: end, direction: wayIn(along) });
  const from = points[0],
    to = points.at(-1);
  return from && to && points.length > 1
    ? elasticCurve(at(from, points), at(to, [...points].reverse()), pathLength(path), points)
    : null;
}

/** A curve with the sag of a beam clamped at both ends, which is the greatest in its middle. */
const hung = (points: readonly Vec[], sag_mm: number): readonly Vec[] =>
  points.map(([x, y, z], i): Vec => {
    const along = i / (points.length - 1);
    return [x, y - sag_mm * 16 * along ** 2 * (1 - along) ** 2, z];
  });

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
