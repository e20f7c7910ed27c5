import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { add, cross, dot, norm, scale, sub, type Vec } from '../geometry';
import { roundedPath } from '../routing';
import { bendSheet, makingSteps, onBench } from '.';

const RADIUS = 20;
const path = (corners: readonly Vec[]) => roundedPath(corners, RADIUS);

describe('a tube over the bench', () => {
  test('flat, it lies on it, whichever way it is bent', () => {
    const z = path([
      [0, 0, 0],
      [100, 0, 0],
      [100, 120, 0],
      [220, 120, 0],
    ]);
    expect(onBench(z)).toMatchObject({ way: 'either', below_mm: expect.closeTo(0, 9) });
    expect(
      onBench(
        path([
          [0, 0, 0],
          [100, 0, 0],
        ]),
      ),
    ).toBeNull();
  });

  test('two bends square to each other: the first leg stands up one way and hangs down the other', () => {
    // Along x, then up y, then towards z: at the second bend the first leg lies along its axis, x.
    const corners: readonly Vec[] = [
      [0, 0, 0],
      [100, 0, 0],
      [100, 120, 0],
      [100, 120, 90],
    ];
    // From y to z the bend turns about +x, and the first leg lies at x from 0 to 100: below it.
    expect(onBench(path(corners))).toEqual({ way: 'left', below_mm: 0, bend: 0 });
    // Seen in a mirror it is the other way.
    const mirrored = corners.map(([x, y, z]): Vec => [-x, y, z]);
    expect(onBench(path(mirrored))).toEqual({ way: 'right', below_mm: 0, bend: 0 });
  });

  test('legs to both sides hang down whichever way it is bent: told by how much, and at which bend', () => {
    // The third bend turns about −x: what stands up at the second hangs down there.
    const both = onBench(
      path([
        [0, 0, 0],
        [80, 0, 0],
        [80, 100, 0],
        [80, 100, 100],
        [80, 200, 100],
      ]),
    );
    expect(both).toEqual({ way: 'right', below_mm: 80, bend: 1 });
  });

  /** Against a simulation that turns the real tube until the bend's axis points up, point by point. */
  test('is what a tube turned into the bench plane measures', () => {
    const corners: readonly Vec[] = [
      [0, 0, 0],
      [90, 0, 0],
      [90, 80, 30],
      [150, 160, 30],
      [150, 190, 120],
    ];
    const line = path(corners);
    const arcs = line.flatMap((s, i) => (s.kind === 'arc' ? [{ s, i }] : []));
    const lows = (up: 1 | -1): number =>
      Math.max(
        ...arcs.map(({ s, i }) => {
          const axis = scale(s.axis, up);
          // Rotated so that the axis is z: Rodrigues' formula.
          const k = cross(axis, [0, 0, 1]),
            sin = norm(k),
            cos = axis[2];
          const turned = (v: Vec): Vec => {
            if (sin < 1e-12) return cos > 0 ? v : [v[0], -v[1], -v[2]];
            const n = scale(k, 1 / sin);
            return add(
              add(scale(v, cos), scale(cross(n, v), sin)),
              scale(n, dot(n, v) * (1 - cos)),
            );
          };
          const formed = line.slice(0, i).flatMap((p) => [p.from, p.to]);
          return Math.max(0, ...formed.map((p) => -turned(sub(p, s.from))[2]));
        }),
      );
    const found = onBench(line);
    expect(found?.way).toBe(lows(1) <= lows(-1) ? 'right' : 'left');
    expect(Math.abs((found?.below_mm ?? 0) - Math.min(lows(1), lows(-1)))).toBeLessThan(3);
  });

  test('the steps of a run say so, and nothing of it for a flat run', () => {
    const design = demoDesign('fenland-flood-tower') as Design;
    const { reports } = analyse(design);
    const sheets = design.loops.flatMap((loop) =>
      reports.runs
        .filter((r) => r.loop === loop.id && r.by === 'tube')
        .flatMap((r) => bendSheet(r, loop) ?? []),
    );
    const told = (of: (typeof sheets)[number]): boolean =>
      makingSteps(of).some((s) => /^Bend to the (left|right) as seen/.test(s));
    const bent = sheets.filter((s) => s.bends.length > 0);
    expect(bent.length).toBeGreaterThan(4);
    for (const sheet of bent) expect(told(sheet)).toBe(sheet.onBench?.way !== 'either');
    expect(bent.some((s) => s.onBench?.way === 'either')).toBe(true);
    expect(bent.some(told)).toBe(true);
  });
});
