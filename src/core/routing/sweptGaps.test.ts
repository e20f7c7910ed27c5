import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cylinderBox, type Body, type Cylinder, type Vec } from '../geometry';
import { roundedPath } from './path';
import { gapBetween, gapToBody, sampleTube } from './nearest';

const R = 30,
  TUBE_MM = 8;
const at = (low: number, high: number) => fc.integer({ min: low, max: high });
/** A tube with three bends of any angle. */
const tube = fc
  .tuple(at(60, 160), at(60, 160), at(60, 160), at(60, 160), fc.constantFrom(0, 1, 2))
  .map(([a, b, c, d, turn]) => {
    const flat: Vec[] = [
      [0, 0, 0],
      [a + 40, 0, 0],
      [a + 40, b + 70, 30],
      [a + c + 120, b + 70, 30 + d],
      [a + c + 120, b + 200, 30 + d],
    ];
    const corners = flat.map((p) => [0, 1, 2].map((i) => p[(i + turn) % 3]) as unknown as Vec);
    return roundedPath(corners, R);
  });
const place = fc.tuple(at(-150, 350), at(-150, 350), at(-150, 350)) as fc.Arbitrary<Vec>;
const solid = fc.oneof(
  fc.tuple(place, at(10, 120), at(10, 120), at(10, 120)).map(([min, x, y, z]) => ({
    box: { min, max: [min[0] + x, min[1] + y, min[2] + z] as Vec },
  })),
  fc.tuple(place, fc.constantFrom(0, 1, 2), at(20, 120), at(5, 40)).map(([from, axis, long, r]) => {
    const to = from.map((v, i) => (i === axis ? v + long : v)) as unknown as Vec;
    return { cylinder: { from, to, radius: r } as Cylinder };
  }),
);
interface Solid {
  readonly box?: Body['box'];
  readonly cylinder?: Cylinder;
}

const bodyOf = ({ box, cylinder }: Solid): Body =>
  cylinder ? { box: cylinderBox(cylinder), cylinder } : { box: box as Body['box'] };

/**
 * Against the mesh kernel manifold-3d (minGap of swept solids): an independent reckoning of the same
 * distances.
 */
test('least distances of 200 swept tubes to solids and tubes agree with a kernel of meshes within 0.05 mm', () => {
  const toSolids = fc.sample(fc.tuple(tube, solid), { numRuns: 1340, seed: 7 });
  const toTubes = fc.sample(
    fc.tuple(tube, tube, place).map(([a, b, by]) => [a, moved(b, by)] as const),
    { numRuns: 760, seed: 8 },
  );
  const cases = [
    ...toSolids.map(([path, s]) => ({ a: { path, r: TUBE_MM }, b: s as object })),
    ...toTubes.map(([path, other]) => ({
      a: { path, r: TUBE_MM },
      b: { path: other, r: TUBE_MM } as object,
    })),
  ];
  const ours = [
    ...toSolids.map(([path, s]) => gapToBody(sampleTube(path), bodyOf(s)) - TUBE_MM),
    ...toTubes.map(([a, b]) => gapBetween(sampleTube(a), sampleTube(b)) - 2 * TUBE_MM),
  ];
  // What meets has no gap to compare, and what is far off none worth measuring.
  const near = ours.flatMap((gap, i) => (gap > 0.2 && gap < 40 ? [i] : [])).slice(0, 200);
  const theirs = JSON.parse(
    execFileSync('node', [join(__dirname, '../../../scripts/sweptGaps.mjs')], {
      input: JSON.stringify(near.map((i) => ({ ...cases[i], within: (ours[i] as number) + 0.1 }))),
      timeout: 110_000,
      maxBuffer: 1e8,
    }).toString(),
  ) as number[];
  expect(near.length).toBe(200);
  for (const [k, i] of near.entries())
    expect(Math.abs((ours[i] as number) - (theirs[k] as number))).toBeLessThan(0.05);
}, 120_000);

const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const moved = (path: ReturnType<typeof roundedPath>, by: Vec) =>
  path.map((s) => ({
    ...s,
    from: add(s.from, by),
    to: add(s.to, by),
    ...(s.kind === 'arc' ? { centre: add(s.centre, by) } : {}),
  })) as ReturnType<typeof roundedPath>;
