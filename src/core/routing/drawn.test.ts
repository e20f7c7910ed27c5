import { describe, expect, test } from '@jest/globals';
import type { RouteStyle } from '../design';
import { compileSystem } from '../system';
import { drawn } from '@/catalogue/drawn.fixture';
import { routesOf, withRoutes } from '.';

/** Angles of each run's bends as laid, by run; null where there is no way. */
function bendsOf(drawing: string, pairs: string, style?: RouteStyle) {
  const plain = drawn(drawing, pairs);
  const design = withRoutes(
    style ? { ...plain, loops: plain.loops.map((l) => ({ ...l, routing: { style } })) } : plain,
  );
  const { routes } = routesOf(compileSystem(design));
  return Object.fromEntries(
    pairs.split(' ').map((pair) => {
      const route = routes.find((r) => r.connection === pair);
      const angles = route?.path.flatMap((s) =>
        s.kind === 'arc' ? [Math.round(s.angle_deg)] : [],
      );
      return [pair, angles ?? null];
    }),
  );
}

/**
 * Drawn in layers from the tray to the window, a cell is 50 mm; the tube is 14 mm thick and bends
 * at 25 mm. What is best can be seen with the eye: how a builder bends it is common practice, no
 * source.
 */
describe('drawn cases whose best way is known', () => {
  test('two ports that face each other: no bend', () => {
    expect(
      bendsOf(
        `
        .  . . . . . .  | .  . . . . . .  | .  . . . . . .
        .  . . . . . .  | a> . . . . . b< | .  . . . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [] });
  });

  test('the same on two heights far apart: a leg aslant between two bends of 45°', () => {
    expect(
      bendsOf(
        `
        .  . . . . . . .  | .  . . . . . . b< | .  . . . . . . .
        .  . . . . . . .  | .  . . . . . . .  | .  . . . . . . .
        .  . . . . . . .  | .  . . . . . . .  | .  . . . . . . .
        .  . . . . . . .  | .  . . . . . . .  | .  . . . . . . .
        .  . . . . . . .  | a> . . . . . . .  | .  . . . . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [45, 45] });
  });

  test('lines that cross at a right angle: one bend', () => {
    expect(
      bendsOf(
        `
        .  . . . . . .  | .  . . . . . bv | .  . . . . . .
        .  . . . . . .  | .  . . . . . .  | .  . . . . . .
        .  . . . . . .  | .  . . . . . .  | .  . . . . . .
        .  . . . . . .  | a> . . . . . .  | .  . . . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [90] });
  });

  test('ports that look the same way: a U of two bends of 90°', () => {
    expect(
      bendsOf(
        `
        . . . . . | b> . . . . | . . . . .
        . . . . . | .  . . . . | . . . . .
        . . . . . | .  . . . . | . . . . .
        . . . . . | a> . . . . | . . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [90, 90] });
  });

  test('lines that pass each other three layers apart: two bends, no more', () => {
    const { ab } = bendsOf(
      `
      .  . . . . . . | . . . . . . . | . . . . . . . | . . . . . bv .
      .  . . . . . . | . . . . . . . | . . . . . . . | . . . . . .  .
      .  . . . . . . | . . . . . . . | . . . . . . . | . . . . . .  .
      .  . . . . . . | . . . . . . . | . . . . . . . | . . . . . .  .
      a> . . . . . . | . . . . . . . | . . . . . . . | . . . . . .  .
      `,
      'ab',
    );
    expect(ab).toHaveLength(2);
  });

  test('ports back to back: round both, four quarter turns in one plane', () => {
    expect(
      bendsOf(
        `
        . . . . .  . .  . . . . | . . . . .  . .  . . . . | . . . . .  . .  . . . .
        . . . . .  . .  . . . . | . . . . .  . .  . . . . | . . . . .  . .  . . . .
        . . . . .  . .  . . . . | . . . . a< . b> . . . . | . . . . .  . .  . . . .
        . . . . .  . .  . . . . | . . . . .  . .  . . . . | . . . . .  . .  . . . .
        . . . . .  . .  . . . . | . . . . .  . .  . . . . | . . . . .  . .  . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [90, 90, 90, 90] });
  });

  test('a wall on the line between: over a roof of three bends', () => {
    expect(
      bendsOf(
        `
        . . . . . .  . . . . . | .  . . . . .  . . . . .  | . . . . . .  . . . . .
        . . . . . .  . . . . . | .  . . . . .  . . . . .  | . . . . . .  . . . . .
        . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . ## . . . . .
        . . . . . ## . . . . . | a> . . . . ## . . . . b< | . . . . . ## . . . . .
        `,
        'ab',
      ),
    ).toEqual({ ab: [45, 90, 45] });
  });

  test('a hole at the height of one port: two bends before the wall, none behind', () => {
    const { ab } = bendsOf(
      `
      . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . ## . . . . .
      . . . . . ## . . . . . | .  . . . . .  . . . . b< | . . . . . ## . . . . .
      . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . ## . . . . .
      . . . . . ## . . . . . | a> . . . . ## . . . . .  | . . . . . ## . . . . .
      `,
      'ab',
    );
    expect(ab).toHaveLength(2);
  });

  test('a hole off in height and depth by less than two quarter turns need: 45° four times', () => {
    const drawing = `
      . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . ## . . . . .
      . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . .  . . . . .
      . . . . . ## . . . . . | a> . . . . ## . . . . b< | . . . . . ## . . . . .
      . . . . . ## . . . . . | .  . . . . ## . . . . .  | . . . . . ## . . . . .
      `;
    expect(bendsOf(drawing, 'ab')).toEqual({ ab: [45, 45, 45, 45] });
    // Both steps lie in one plane aslant, as the first bend leaves it.
    const [route] = routesOf(compileSystem(withRoutes(drawn(drawing, 'ab')))).routes;
    const off = (route?.corners ?? []).map(([, y, z]) => [y - 75, z - 75] as const);
    const [over = 0, deep = 0] = off[2] ?? [];
    expect(Math.hypot(over, deep)).toBeGreaterThan(40);
    for (const [y, z] of off) expect(y * deep - z * over).toBeCloseTo(0, 6);
  });

  test('a corridor with one turn: one bend, along its middle', () => {
    expect(
      bendsOf(
        `
        ## ## ## ## ## ## ## | ## ## ## ## ## ## ## | ## ## ## ## ## ## ##
        ## ## ## ## ## ## ## | ## ## ## ## bv .  .  | ## ## ## ## ## ## ##
        ## ## ## ## ## ## ## | ## ## ## ## .  .  .  | ## ## ## ## ## ## ##
        ## ## ## ## ## ## ## | a> .  .  .  .  .  .  | ## ## ## ## ## ## ##
        ## ## ## ## ## ## ## | ## ## ## ## ## ## ## | ## ## ## ## ## ## ##
        `,
        'ab',
      ),
    ).toEqual({ ab: [90] });
  });

  test('a port walled in has no way', () => {
    expect(
      bendsOf(
        `
        .  .  .  . . .  . | .  ## ## . . .  . | .  .  .  . . .  .
        .  ## .  . . .  . | a> ## ## . . b< . | .  ## .  . . .  .
        .  .  .  . . .  . | .  ## ## . . .  . | .  .  .  . . .  .
        `,
        'ab',
      ),
    ).toEqual({ ab: null });
  });
});

describe('drawn pairs', () => {
  const corners = `
    .  . . . . . .  . .  | .  . . . . . bv . dv | .  . . . . . .  . .
    .  . . . . . .  . .  | .  . . . . . .  . .  | .  . . . . . .  . .
    .  . . . . . .  . .  | .  . . . . . .  . .  | .  . . . . . .  . .
    .  . . . . . .  . .  | a> . . . . . .  . .  | .  . . . . . .  . .
    .  . . . . . .  . .  | .  . . . . . .  . .  | .  . . . . . .  . .
    .  . . . . . .  . .  | c> . . . . . .  . .  | .  . . . . . .  . .
    `;

  test('neighbours turn beside each other: one bend each, all legs in one plane', () => {
    expect(bendsOf(corners, 'ab cd')).toEqual({ ab: [90], cd: [90] });
    const design = withRoutes(drawn(corners, 'ab cd'));
    const { routes } = routesOf(compileSystem(design));
    const depths = new Set(routes.flatMap((r) => r.corners.map((c) => Math.round(c[2]))));
    expect(depths).toEqual(new Set([75]));
  });

  test('two that cross: one stays straight, the other hops over it by three bends', () => {
    const laid = bendsOf(
      `
      .  . . . .  . . . .  | .  . . . dv . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | a> . . . .  . . . b< | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . .  . . . .  | .  . . . .  . . . .
      .  . . . .  . . . .  | .  . . . c^ . . . .  | .  . . . .  . . . .
      `,
      'ab cd',
    );
    const sorted = Object.values(laid).sort((a, b) => (a?.length ?? 9) - (b?.length ?? 9));
    expect(sorted).toEqual([[], [45, 90, 45]]);
  });
});

describe('a drawn case in other styles', () => {
  const steps = `
    .  . . . . .  | .  . . . . b< | .  . . . . .
    .  . . . . .  | .  . . . . .  | .  . . . . .
    .  . . . . .  | .  . . . . .  | .  . . . . .
    .  . . . . .  | a> . . . . .  | .  . . . . .
    `;
  test('free angles: two bends of one angle, turned the one way and back', () => {
    const { ab } = bendsOf(steps, 'ab', 'free');
    expect(ab).toHaveLength(2);
    expect(ab?.[0]).toBe(ab?.[1]);
    expect(ab?.[0]).toBeGreaterThan(30);
    expect(ab?.[0]).toBeLessThan(75);
  });

  test('shortest is not longer than free angles, and free angles not than parallel', () => {
    const lengthIn = (style: RouteStyle): number => {
      const plain = drawn(steps, 'ab');
      const design = withRoutes({
        ...plain,
        loops: plain.loops.map((l) => ({ ...l, routing: { style } })),
      });
      const [route] = routesOf(compileSystem(design)).routes;
      return (route?.path ?? []).reduce(
        (sum, s) =>
          sum +
          (s.kind === 'arc'
            ? (s.radius * s.angle_deg * Math.PI) / 180
            : Math.hypot(s.to[0] - s.from[0], s.to[1] - s.from[1], s.to[2] - s.from[2])),
        0,
      );
    };
    const [shortest, free, parallel] = (['shortest', 'free', 'parallel'] as const).map(lengthIn);
    expect(shortest).toBeLessThanOrEqual((free ?? 0) + 0.5);
    expect(free).toBeLessThanOrEqual((parallel ?? 0) + 0.5);
    // No shorter than the way through the air between the ports' fittings.
    expect(shortest).toBeGreaterThan(200);
  });
});
