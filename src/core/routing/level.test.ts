import { describe, expect, test } from '@jest/globals';
import type { Vec } from '../geometry';
import { roundedPath, type EndWay, type Workspace, type TubeLimits } from '.';
import { withEnds, levelled, slantBetween } from './level';
import { routeRigid } from './rigidRoute';

const limits: TubeLimits = { radius_mm: 20, atFitting_mm: 12, between_mm: 5 },
  H = Math.SQRT1_2;
const workspace: Workspace = { bounds: { min: [0, 0, 0], max: [500, 500, 500] }, blocks: [] };
const end = (mouth: Vec, direction: Vec, piece: EndWay['piece'] = 'straight'): EndWay => ({
  piece,
  duties: [],
  bodies: [],
  mouth,
  direction,
  cost: 0,
});
const elbow = end([100, 100, 100], [H, H, 0], 'rotary45');

describe('elbows of 45° before hard tube', () => {
  test('the first leg is as short as the fitting and the bend let it be: 12 + 20 tan 22.5° = 20.28 mm', () => {
    const [x, y] = levelled(workspace, [elbow], [], limits, true),
      t = 12 + 20 * Math.tan(Math.PI / 8);
    expect(t).toBeCloseTo(20.284, 3);
    expect([x?.direction, y?.direction]).toEqual([
      [1, 0, 0],
      [0, 1, 0],
    ]);
    expect(x?.lead?.corner[0]).toBeCloseTo(100 + t * H, 9);
    expect(x?.mouth[0]).toBeCloseTo(100 + t * H + 20 * Math.tan(Math.PI / 8), 9);
    expect(x?.mouth[1]).toBeCloseTo(100 + t * H, 9);
  });

  test('or as long as brings the tube in line with the other end, so that one bend of 45° does it', () => {
    // 60 mm to the side: a leg of 84.85 mm, then straight on into the fitting.
    const goal = end([400, 160, 100], [-1, 0, 0]),
      starts = levelled(workspace, [elbow], [goal], limits, true);
    const way = routeRigid(workspace, starts, [goal], limits, [[100, 400], [100, 160], [100]]),
      from = starts.find((s) => s.mouth === way?.from.mouth);
    const corners = withEnds(way?.corners ?? [], from as NonNullable<typeof from>, goal).map((c) =>
      c.map((v) => Math.round(v * 1e6) / 1e6),
    );
    expect(corners).toEqual([
      [100, 100, 100],
      [160, 160, 100],
      [400, 160, 100],
    ]);
    expect(
      roundedPath(corners as unknown as readonly Vec[], 20).flatMap((s) =>
        s.kind === 'arc' ? [s.angle_deg] : [],
      ),
    ).toEqual([expect.closeTo(45, 6)]);
    // Two legs less what the bend rounds off, and what a bend of 45° is worth.
    expect(way?.cost).toBeCloseTo(
      60 * Math.SQRT2 + 240 - (2 * 20 * Math.tan(Math.PI / 8) - (20 * Math.PI) / 4) + 70,
      6,
    );
  });

  test('not into something that stands before the elbow', () => {
    const wall: Workspace = {
      ...workspace,
      blocks: [{ id: 'wall', min: [105, 0, 0], max: [120, 500, 500], penalty: Infinity }],
    };
    expect(levelled(wall, [elbow], [], limits, true)).toEqual([]);
  });

  test('a direction that lies between three axes begins no way; soft tube takes its ends along the axes', () => {
    expect(levelled(workspace, [end([100, 100, 100], [0.5, 0.5, H])], [], limits, true)).toEqual(
      [],
    );
    const straight = end([100, 100, 100], [1, 0, 0]);
    expect(levelled(workspace, [straight, elbow], [], limits, false)).toEqual([straight]);
  });

  test('two elbows that look into each other are joined by one straight piece aslant; a millimetre off they are not', () => {
    const facing = end([250, 250, 100], [-H, -H, 0], 'rotary45');
    expect(slantBetween(workspace, [elbow], [facing], limits)?.cost).toBeCloseTo(
      150 * Math.SQRT2,
      9,
    );
    expect(
      slantBetween(workspace, [elbow], [end([251, 250, 100], [-H, -H, 0], 'rotary45')], limits),
    ).toBeNull();
    expect(
      slantBetween(workspace, [elbow], [end([110, 110, 100], [-H, -H, 0], 'rotary45')], limits),
    ).toBeNull();
  });
});
