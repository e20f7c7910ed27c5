import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { HolePattern, Mount } from '../components';
import type { Component, Design } from '../design';
import { compileSystem, type PlacedComponent, type Solid, type System } from '../system';
import { measureGaps, missedHoles, mountDepthAt, nameObstructions, screwNeeds } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

/** A rail along y at x = 500, its radiators reaching towards the rear. */
const front: Mount = {
  id: 'front',
  name: 'Front mount',
  face: 'front',
  at: [500, 20, 100],
  along: [0, 1, 0],
  across: [0, 0, -1],
  inward: [-1, 0, 0],
  length_mm: 400,
  fans: [{ size_mm: 120, count: 3 }],
  holeGap_mm: 15,
  published_mm: 60,
  filterLoss_Pa: 1,
};
const solid = (component: string, min: Solid['box']['min'], max: Solid['box']['max']): Solid => ({
  component,
  detail: '',
  box: { min, max },
});
const placed = (id: string, box: Solid): PlacedComponent =>
  ({ id, solids: [box], ports: [], count: 1 }) as unknown as PlacedComponent;

/** A case of 500 × 480 × 200 mm with what is put into it; `hung` hangs on the rail. */
function systemOf(parts: readonly PlacedComponent[], hung: readonly string[], cages: Solid[] = []) {
  const base = compileSystem(desk);
  return {
    ...base,
    placed: new Map(parts.map((p) => [p.id, p])),
    obstacles: cages,
    interior: { min: [0, 0, 0], max: [500, 480, 200] },
    mates: { ...base.mates, onMount: () => hung, standingOn: () => [] },
  } as unknown as System;
}

describe('how deep a mount is, by hand', () => {
  const radiator = placed('radiator', solid('radiator', [470, 30, 40], [500, 400, 160]));
  const card = placed('card', solid('card', [100, 150, 20], [380, 280, 70]));

  test('from the frame to the first solid before it', () => {
    const depth = mountDepthAt(systemOf([radiator, card], ['radiator']), front);
    expect(depth).toMatchObject({ mount: 'front', published_mm: 60, used_mm: 30, free_mm: 120 });
    expect(depth.blockedByComponent).toBe('card');
  });

  test.each([
    ['2 mm into its one edge', 158, 195, 20],
    ['2 mm beside it', 162, 195, 500],
    ['2 mm into its other edge', 5, 42, 20],
    ['2 mm beside that', 5, 38, 500],
  ])('an empty rail is as wide as its fans: a part %s', (_, from, to, free_mm) => {
    const beside = placed('beside', solid('beside', [100, 100, from], [480, 300, to]));
    expect(mountDepthAt(systemOf([beside], []), front).free_mm).toBe(free_mm);
  });

  test('what stands beside the rail is not before it', () => {
    const low = placed('low', solid('low', [100, 0, 20], [480, 25, 70]));
    expect(mountDepthAt(systemOf([radiator, low], ['radiator']), front).free_mm).toBe(500);
    // With nothing hung, the whole rail counts: 20 to 420 mm high, 60 mm to either side.
    expect(mountDepthAt(systemOf([low], []), front)).toMatchObject({ used_mm: 0, free_mm: 20 });
    const aside = placed('aside', solid('aside', [100, 100, 165], [480, 300, 195]));
    expect(mountDepthAt(systemOf([aside], []), front).free_mm).toBe(500);
  });

  test('cages count, the nearest decides, and what reaches through the frame leaves nothing', () => {
    const cage = solid('case:cage', [420, 100, 20], [460, 300, 120]);
    const depth = mountDepthAt(systemOf([card], [], [cage]), front);
    expect(depth.free_mm).toBe(40);
    expect(depth.blockedByComponent).toBe('case:cage');
    const through = placed('through', solid('through', [450, 100, 20], [520, 300, 120]));
    expect(mountDepthAt(systemOf([through], []), front).free_mm).toBe(0);
  });

  test('a floor mount reaches upwards', () => {
    const floor: Mount = {
      ...front,
      id: 'floor',
      face: 'bottom',
      at: [100, 0, 100],
      along: [1, 0, 0],
      inward: [0, 1, 0],
    };
    const over = placed('over', solid('over', [150, 90, 60], [300, 120, 140]));
    const stack = placed('stack', solid('stack', [110, 0, 45], [460, 55, 155]));
    expect(mountDepthAt(systemOf([over, stack], ['stack']), floor)).toMatchObject({
      used_mm: 55,
      free_mm: 90,
    });
  });
});

describe('rails and screws at their edges', () => {
  /** A rail of 120 mm fans about z = 100 reaches from z = 40 to 160. */
  test('the rail is as wide as its fans, to either side', () => {
    for (const z of [
      [152, 158],
      [42, 48],
    ] as const) {
      const thin = placed('thin', solid('thin', [100, 100, z[0]], [480, 300, z[1]]));
      expect(mountDepthAt(systemOf([thin], []), front).free_mm).toBe(20);
    }
  });

  test('a mount that stands off the wall measures from itself, either way', () => {
    const inner: Mount = { ...front, at: [60, 20, 100], inward: [1, 0, 0] };
    const wall = placed('wall', solid('wall', [150, 100, 60], [200, 300, 140]));
    expect(mountDepthAt(systemOf([wall], []), inner).free_mm).toBe(90);
  });

  /**
   * Fans of 25 mm: from 25 + 2.5 mm of thread up to 25 + depth − 1. With a depth of 3.7 that is 27.5
   * to 27.7: 28 needs a washer of 1 mm under its head, which makes 28.5 the least. Nothing serves.
   */
  test('a washer makes the stack thicker, too: between two lengths nothing may serve', () => {
    const radiator = desk.components.find((c) => c.id === 'front-radiator');
    if (radiator?.part.kind !== 'radiator') throw new Error('the demo lost its front radiator');
    const { part } = radiator;
    const needOf = (depthToTube_mm: number, length_mm: number) => {
      const design = {
        ...desk,
        components: desk.components.map((c) =>
          c.id === radiator.id
            ? { ...c, part: { ...part, screw: { ...part.screw, depthToTube_mm } } }
            : c,
        ) as Design['components'],
        kit: {
          ...desk.kit,
          screws: desk.kit.screws
            .filter((s) => s.thread === part.screw.thread)
            .slice(0, 1)
            .map((s) => ({ ...s, length_mm })),
        },
      };
      return screwNeeds(compileSystem(design)).find(
        (n) => n.radiator === radiator.id && n.fans !== null,
      );
    };
    const { window } = needOf(5, 30) ?? {};
    const least = window?.shortest_mm ?? NaN;
    expect(needOf(3.7, least + 0.5)).toMatchObject({ verdict: 'none', washers: 0 });
    // With a depth of 6 the window is 2.5 wide: one washer brings a length 3 over the least in.
    expect(needOf(6, least + 3)).toMatchObject({ verdict: 'ok', washers: 1 });
    expect(needOf(6, least + 2.5)).toMatchObject({ verdict: 'ok', washers: 0 });
    expect(needOf(6, least - 0.1)).toMatchObject({ verdict: 'none' });
  });

  test('what stands before the air is told by its name', () => {
    const found = {
      component: 'radiator',
      name: '',
      gap_mm: 8,
      by: 'tank',
      byComponent: 'reservoir',
      covered: 0.4,
      loss_Pa: 2,
    };
    const names = new Map([
      ['radiator', 'Front radiator'],
      ['reservoir', 'Reservoir'],
    ]);
    expect(nameObstructions([found], names)[0]).toMatchObject({
      name: 'Front radiator',
      by: 'Reservoir, tank',
    });
    expect(nameObstructions([{ ...found, by: null }], names)[0]?.by).toBeNull();
  });

  test('faces that meet to rounding touch, and do not clash', () => {
    const base = systemOf([], []);
    const touching = (by: number) =>
      measureGaps({
        ...base,
        placed: new Map(
          (
            [
              ['a', [100, 100, 50], [200, 200, 100]],
              ['b', [200 - by, 100, 50], [300, 200, 100]],
            ] as const
          ).map(([id, min, max]) => [
            id,
            {
              ...placed(id, solid(id, min, max)),
              frame: {},
              unplaced: null,
              part: { kind: 'pump', tolerance_mm: 0.5 },
              placement: { on: 'unplaced' },
            } as unknown as PlacedComponent,
          ]),
        ),
        mates: { ...base.mates, screwedTo: () => [], hostsOf: () => [] },
      }).gaps.find((g) => g.a === 'a' && g.b === 'b');
    expect(touching(1e-8)).toMatchObject({ gap_mm: 0, verdict: 'marginal' });
    expect(touching(1e-3)).toMatchObject({ verdict: 'clash' });
  });
});

describe('holes of a place and feet of a part', () => {
  const stands = (
    holes: HolePattern | undefined,
    foot: readonly HolePattern[] | undefined,
    turn?: 0 | 90 | 180 | 270,
  ) =>
    missedHoles(
      {
        ...desk,
        case: desk.case && {
          ...desk.case,
          spots: [{ id: 'spot', name: 'Floor', at: [0, 0, 0], ...(holes ? { holes } : {}) }],
        },
      },
      {
        id: 'part',
        part: { ...desk.components[0]?.part, foot },
        placement: { on: 'spot', spot: 'spot', ...(turn === undefined ? {} : { turn }) },
      } as unknown as Component,
    );

  test('one of its patterns meets, within 0.6 mm', () => {
    expect(stands({ x_mm: 60, z_mm: 40 }, [{ x_mm: 60.5, z_mm: 39.5 }])).toBeNull();
    expect(
      stands({ x_mm: 60, z_mm: 40 }, [
        { x_mm: 80, z_mm: 80 },
        { x_mm: 60, z_mm: 40 },
      ]),
    ).toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, [{ x_mm: 60.7, z_mm: 40 }])).toMatchObject({
      spot: 'Floor',
    });
    expect(stands({ x_mm: 60, z_mm: 40 }, [{ x_mm: 60, z_mm: 41 }])).not.toBeNull();
  });

  test('turned by a quarter, length and width change places', () => {
    const foot = [{ x_mm: 40, z_mm: 60 }];
    expect(stands({ x_mm: 60, z_mm: 40 }, foot)).not.toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, foot, 180)).not.toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, foot, 90)).toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, foot, 270)).toBeNull();
  });

  test('what gives no holes takes any foot, and what gives no foot stands anywhere', () => {
    expect(stands(undefined, [{ x_mm: 1, z_mm: 1 }])).toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, undefined)).toBeNull();
    expect(stands({ x_mm: 60, z_mm: 40 }, [])).toBeNull();
  });
});
