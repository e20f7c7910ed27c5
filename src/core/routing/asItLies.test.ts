import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '../design';
import { compileSystem } from '../system';
import { asItLies, modulusOf, routedRuns, routesOf, sagBetween } from '.';

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
      const lies = asItLies(run);
      expect(lies).not.toBeNull();
      expect(lies?.beside_mm).toBeLessThan(40);
      expect(lies?.curve.turning_deg).toBeLessThan(300);
      expect(lies?.curve.points[0]).toEqual(run.routed?.path[0]?.from);
    }
  });

  test('hard tube lies as it is bent', () => {
    for (const run of runsOf('fenland-flood-tower').filter((r) => r.tube.hard))
      expect(asItLies(run)).toBeNull();
  });
});
