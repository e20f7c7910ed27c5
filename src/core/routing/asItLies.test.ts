import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '../design';
import type { Vec } from '../geometry';
import { compileSystem } from '../system';
import {
  asItLies,
  clipReason,
  modulusOf,
  roundedPath,
  routedRuns,
  routeFlexible,
  routesOf,
  sagBetween,
  type EndWay,
  type Workspace,
} from '.';
import { freeCurve } from './asItLies';

/** Reference: W. C. Young, Roark's Formulas, table 8.1, case 2d; the section of a pipe, appendix A. */
describe('the sag of a soft tube', () => {
  const tube = { outer_mm: 16, inner_mm: 10 };

  test('16/10 mm, full, 300 mm level between clamps, by hand', () => {
    // Wall 122.52 mm² at 1.2, bore 78.54 mm² at 1 g/cm³: 2.212e-3 N/mm; E 5.52 MPa, I 2726 mm⁴.
    const weight = (122.522 * 1.2 + 78.54) * 9.80665e-6;
    expect(sagBetween(tube, [0, 0, 0], [300, 0, 0])).toBeCloseTo(
      (weight * 300 ** 4) / (384 * 5.5199 * 2726.1),
      2,
    );
    expect(sagBetween(tube, [0, 0, 0], [300, 0, 0])).toBeCloseTo(3.1, 1);
  });

  test('grows with the fourth power of what is level; upright there is none', () => {
    const at = (x: number, y: number, z: number): number => sagBetween(tube, [0, 0, 0], [x, y, z]);
    expect(at(200, 0, 0)).toBeCloseTo(16 * at(100, 0, 0), 9);
    expect(at(120, 300, 160)).toBeCloseTo(at(200, 0, 0), 9);
    expect(at(0, 400, 0)).toBe(0);
  });

  /** Gent (1958): 50 Shore A is 2.46 MPa, 70 is 5.52 (values of his formula, from memory). */
  test('a harder tube is stiffer, as Gent found', () => {
    expect(modulusOf(50)).toBeCloseTo(2.46, 2);
    expect(modulusOf(70)).toBeCloseTo(5.52, 2);
  });
});

describe('soft tubes of the demos as they lie', () => {
  const runsOf = (demo: string) => {
    const system = compileSystem(demoDesign(demo) as Design);
    return routedRuns(system, routesOf(system)).filter((r) => r.by === 'tube' && r.routed);
  };

  test('each is found, as long as its route, near it, and none coils', () => {
    const soft = runsOf('dawn-chorus-desk').filter((r) => !r.tube.hard);
    expect(soft.length).toBeGreaterThan(2);
    for (const run of soft) {
      const lies = run.routed?.lies;
      expect(lies).toBeDefined();
      expect(lies?.beside_mm).toBeLessThan(40);
      expect(lies?.turning_deg).toBeLessThan(300);
      expect(lies?.points[0]).toEqual(run.routed?.path[0]?.from);
    }
  });

  test('hard tube lies as it is bent', () => {
    for (const run of runsOf('fenland-flood-tower').filter((r) => r.tube.hard))
      expect(run.routed?.lies).toBeNull();
  });

  test('hangs through by its sag in the middle, and not at its ends', () => {
    for (const run of runsOf('dawn-chorus-desk').filter((r) => !r.tube.hard)) {
      const lies = asItLies({ ...run.tube, outer_mm: 16, inner_mm: 10 }, run.routed?.path ?? []),
        stiff = freeCurve(run.routed?.path ?? []);
      const drop = (i: number): number =>
        (stiff?.points[i]?.[1] ?? 0) - (lies?.points[i]?.[1] ?? 0);
      const last = (lies?.points.length ?? 1) - 1;
      expect([drop(0), drop(last)]).toEqual([0, 0]);
      expect(drop(last / 2)).toBeCloseTo(lies?.sag_mm ?? NaN, 9);
      // A quarter of the way: 16 · (1/4)² · (3/4)² of it, by the same table.
      expect(drop(last / 4)).toBeCloseTo((9 / 16) * (lies?.sag_mm ?? NaN), 9);
    }
  });
});

describe('a soft tube that cannot be left to its fittings', () => {
  const lies = {
    points: [],
    beside_mm: 12,
    sag_mm: 1,
    turning_deg: 90,
    leastRadius_mm: 40,
    nearest: { component: 'fan', gap_mm: 3 },
  };
  const run = (gap_mm: number, own_mm: number, leastRadius_mm = 40) =>
    ({
      routed: {
        nearest: { component: 'fan', gap_mm: own_mm },
        lies: { ...lies, leastRadius_mm, nearest: { component: 'fan', gap_mm } },
      },
    }) as unknown as Parameters<typeof clipReason>[0];

  test('meets what its route passes', () => {
    expect(clipReason(run(-2, 5), 38)).toEqual({ why: 'meets', component: 'fan', overlap_mm: 2 });
    expect(clipReason(run(0.5, 5), 38)).toBeNull();
  });

  test('a route that meets something itself is another finding', () => {
    expect(clipReason(run(-2, -3), 38)).toBeNull();
  });

  test('bends tighter than it stands, beyond what is known of it', () => {
    expect(clipReason(run(5, 5, 35), 38)).toEqual({ why: 'tight', radius_mm: 35, limit_mm: 38 });
    expect(clipReason(run(5, 5, 37), 38)).toBeNull();
  });
});

/**
 * Two fittings 70 mm apart that look nearly the same way: the cheapest way of arcs and lines is
 * legal at 38 mm, but left to itself the tube of it bends to 33.7 mm (worked out with no price on a
 * clip). A longer one stays.
 */
test('the router takes a longer way where the cheapest would not stay', () => {
  const end = (mouth: Vec, deg: number): EndWay => ({
    piece: 'straight',
    mouth,
    direction: [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180), 0],
    cost: 0,
    duties: [],
    bodies: [],
  });
  const limits = { radius_mm: 38, atFitting_mm: 6, between_mm: 5 };
  const open: Workspace = {
    bounds: { min: [-400, -400, -400], max: [600, 400, 400] },
    blocks: [],
  };
  const between = (workspace: Workspace, isClipped = false) =>
    routeFlexible(workspace, [end([0, 0, 0], 0)], [end([30, 70, 0], 30)], limits, isClipped);
  const way = between(open);
  const free = freeCurve(roundedPath(way?.corners ?? [], way?.radius_mm ?? 0));
  expect(free?.leastRadius_mm).toBeGreaterThan(38 * 0.95);
  // Held by clips it takes the cheapest, which costs less than the clip is worth.
  const held = between(open, true);
  const own = freeCurve(roundedPath(held?.corners ?? [], held?.radius_mm ?? 0));
  expect(own?.leastRadius_mm).toBeCloseTo(33.7, 1);
  expect(held?.cost).toBeLessThan(way?.cost ?? 0);
  expect(held?.cost).toBeGreaterThan((way?.cost ?? 0) - 40);
  // Where there is no room for a wider one it is laid all the same, and wants a clip.
  const narrow: Workspace = { ...open, bounds: { ...open.bounds, max: [150, 400, 400] } };
  expect(between(narrow)).not.toBeNull();
});
