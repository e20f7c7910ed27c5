import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { findComponent, applyEdit, EMPTY_LAYOUT, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import type { System } from '../system';
import { bendMarks, bendTable, INSERTION_MM, type Run } from '../tubing';
import type { Vec } from '../geometry';
import {
  endWays,
  pricesOf,
  routeRigid,
  layoutEdit,
  leastCost,
  routeDesign,
  roundedPath,
  sameSpace,
  type EndWay,
  type Workspace,
  type RoutedDesign,
  type TubeLimits,
} from '.';
import { check, len, sub, turn } from './checker.fixture';
import { jogAngle } from './offsetBend';

/** The demos without their layouts, and what the router makes of them. */
const bare = (name: string): Design => ({
  ...(demoDesign(name) as Design),
  layout: EMPTY_LAYOUT,
});
const desk = bare('dawn-chorus-desk'),
  tower = bare('fenland-flood-tower'),
  box = bare('pocket-planetarium');

const routed = new Map<Design, RoutedDesign>();
beforeAll(() => {
  for (const b of [desk, tower, box]) routed.set(b, routeDesign(b));
}, 120_000);
const whole = (b: Design): Design => {
  const edit = layoutEdit(b, routed.get(b) as RoutedDesign);
  return edit ? applyEdit(b, edit).design : b;
};
const laid = (b: Design): { readonly model: System; readonly runs: readonly Run[] } => {
  const w = analyse(whole(b));
  return { model: w.system, runs: w.reports.runs };
};

describe('the demos, routed', () => {
  test.each([
    ['desk', desk],
    ['tower', tower],
    ['planetarium', box],
  ])('%s: the independent checker finds no clash, no tight bend, no gap', (_, design) => {
    const { model: system, runs } = laid(design);
    expect(check(system, runs)).toEqual([]);
  });

  test.each([
    ['desk', desk, 5],
    ['tower', tower, 9],
  ])('%s: every run has a way', (_, design, count) => {
    expect(routed.get(design)?.routed.missing).toEqual([]);
    expect(laid(design).runs.filter((r) => r.routed).length).toBe(count);
  });

  test('in the planetarium, which clashes, what has no way is told with what is in it', () => {
    const missing = routed.get(box)?.routed.missing ?? [];
    expect(missing.length).toBeGreaterThan(0);
    expect(missing.some((m) => m.blockedBy !== null || m.wouldFit !== null)).toBe(true);
    const diagnostic = analyse(whole(box)).findings.filter((f) => f.code === 'run.no-way');
    expect(diagnostic.length).toBe(missing.length);
  });

  test('lengths are straights, arcs and what goes into the fittings; the bend table says the same', () => {
    for (const run of [...laid(desk).runs, ...laid(tower).runs]) {
      if (!run.routed) continue;
      const marked = bendMarks(run.routed.lra, run.routed.last_mm, INSERTION_MM);
      expect(marked.cut_mm).toBeCloseTo(run.cut_mm, 6);
      expect(marked.marks.length).toBe(run.bends);
    }
  });

  test('flow and list take the routed lengths', () => {
    const before = analyse(desk),
      after = analyse(whole(desk));
    expect(after.reports.bom.tube_mm).not.toBeCloseTo(before.reports.bom.tube_mm, 0);
    expect(after.reports.runs.filter((r) => r.by === 'tube').every((r) => !r.estimated)).toBe(true);
    expect(after.reports.bom.lines.every((l) => !l.estimated)).toBe(true);
  });

  test('pieces that hang in the runs stand clear in space', () => {
    const { model: system } = laid(tower);
    for (const [id] of routed.get(tower)?.frames ?? [])
      expect(system.placed.get(id)?.solids.length).toBeGreaterThan(0);
    expect(
      analyse(whole(tower)).reports.clearance.gaps.filter((g) => g.verdict === 'clash'),
    ).toEqual([]);
  });

  /**
   * Hart, Nilsson & Raphael 1968 for the bound, Pohl 1970 for the weight: each run against the same
   * search without haste, past all others as they lie.
   */
  test.each([
    ['desk', desk],
    ['tower', tower],
  ])('%s: no run costs more than 1.15 times the least it could', (_, design) => {
    const { model: system } = laid(design),
      found = (routed.get(design) as RoutedDesign).routed;
    for (const r of found.routes)
      expect(r.cost).toBeLessThanOrEqual(1.15 * leastCost(system, found, r.connection) + 1e-6);
  });

  test('the same twice', () => {
    expect(routeDesign(desk)).toEqual(routed.get(desk));
  });
});

describe('what was routed holds while the space is the same', () => {
  test.each([
    ['another speed', { do: 'fans.speed', speed_rpm: 900 } as const, true],
    ['another name', { do: 'design.rename', name: 'Else' } as const, true],
    [
      'a slid radiator',
      {
        do: 'component.place',
        component: 'top-radiator',
        placement: { on: 'mount', mount: 'top', slide_mm: 20, ports: 'end', air: 'in' },
      } as const,
      false,
    ],
    [
      'a part of the same number made larger',
      {
        do: 'component.replace',
        component: 'pump',
        part: {
          ...(findComponent(desk, 'pump') as Design['components'][number]).part,
          size: [70, 70, 70],
        },
      } as Edit,
      false,
    ],
    [
      'another curve of the same part',
      {
        do: 'component.curve',
        component: 'pump',
        of: 'head',
        points: [
          [0, 3],
          [10, 1],
        ],
      } as const,
      true,
    ],
    [
      'the case measured again with another cage',
      {
        do: 'case.choose',
        case: { ...(desk.case as NonNullable<Design['case']>), obstacles: [] },
      } as Edit,
      false,
    ],
    ['a part less', { do: 'component.remove', component: 'rear-fan' } as const, false],
    [
      'another end',
      {
        do: 'connection.ends',
        loop: 'loop',
        connection: 'run-2',
        ends: { from: 'rotary90', to: 'auto' },
      } as const,
      false,
    ],
  ])('%s', (_, edit, same) => {
    expect(sameSpace(desk, applyEdit(desk, edit).design)).toBe(same);
  });
});

describe('one hard tube in an empty room', () => {
  const limits: TubeLimits = { radius_mm: 20, atFitting_mm: 12, between_mm: 5 };
  const workspace: Workspace = { bounds: { min: [0, 0, 0], max: [400, 400, 400] }, blocks: [] };
  const end = (mouth: Vec, direction: Vec): EndWay => ({
    piece: 'straight',
    duties: ['hard-tube'],
    bodies: [],
    mouth,
    direction,
    cost: 0,
  });
  const every = (...ends: EndWay[]) =>
    [0, 1, 2].map((i) =>
      [
        ...new Set(
          ends.flatMap((e) => [
            e.mouth[i as 0],
            e.mouth[i as 0] + 32,
            e.mouth[i as 0] - 32,
            e.mouth[i as 0] + 60,
            e.mouth[i as 0] - 60,
          ]),
        ),
      ]
        .filter((v) => v >= 0 && v <= 400)
        .sort((a, b) => a - b),
    ) as unknown as readonly [number[], number[], number[]];

  test('facing ports: one straight piece', () => {
    const a = end([50, 100, 100], [1, 0, 0]),
      b = end([250, 100, 100], [-1, 0, 0]);
    expect(routeRigid(workspace, [a], [b], limits, every(a, b))?.corners).toEqual([
      [50, 100, 100],
      [250, 100, 100],
    ]);
  });

  test('a right angle: one bend at the crossing, cost by hand', () => {
    const a = end([50, 100, 100], [1, 0, 0]),
      b = end([200, 250, 100], [0, -1, 0]);
    const way = routeRigid(workspace, [a], [b], limits, every(a, b));
    expect(way?.corners).toEqual([
      [50, 100, 100],
      [200, 100, 100],
      [200, 250, 100],
    ]);
    expect(way?.cost).toBeCloseTo(300 + 80 - (2 - Math.PI / 2) * 20, 9);
  });

  test('a small sidestep is two gentle bends, not four right ones', () => {
    const a = end([50, 100, 100], [1, 0, 0]),
      b = end([250, 112, 100], [-1, 0, 0]);
    const way = routeRigid(workspace, [a], [b], limits, every(a, b)),
      angle = jogAngle(12, 20, 5) as number;
    expect(way?.corners.length).toBe(4);
    const path = roundedPath(way?.corners ?? [], 20).filter((s) => s.kind === 'arc');
    expect(path.map((s) => (s.kind === 'arc' ? s.angle_deg : 0))).toEqual([
      expect.closeTo(angle, 6),
      expect.closeTo(angle, 6),
    ]);
  });

  /** h = 2 R (1 − cos θ) + L sin θ, put in again. */
  test('the angle of a sidestep gives just that sidestep', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.double({ min: 10, max: 60, noNaN: true }),
        (h, r) => {
          const angle = jogAngle(h, r, 5);
          if (angle === null) {
            expect(h).toBeGreaterThan(2 * r + 5);
            return;
          }
          const t = (angle * Math.PI) / 180;
          expect(2 * r * (1 - Math.cos(t)) + 5 * Math.sin(t)).toBeCloseTo(h, 6);
        },
      ),
    );
  });

  test('a wall between: it goes round, and the way is as cheap as without the bound', () => {
    const a = end([50, 200, 200], [1, 0, 0]),
      b = end([350, 200, 200], [-1, 0, 0]);
    const walled: Workspace = {
      ...workspace,
      blocks: [{ id: 'wall', min: [180, 0, 150], max: [220, 320, 400], penalty: Infinity }],
    };
    const lines = [
      [50, 82, 110, 290, 318, 350],
      [200, 130, 320, 340],
      [200, 100, 140, 150],
    ].map((l) => l.slice().sort((x, y) => x - y)) as unknown as readonly [
      number[],
      number[],
      number[],
    ];
    const way = routeRigid(walled, [a], [b], limits, lines);
    // Along the wall's lower edge, z 150: 50 mm down and up, four bends.
    expect(way?.corners.every((c) => c[2] <= 200)).toBe(true);
    expect(way?.cost).toBeCloseTo(300 + 2 * 50 + 4 * (80 - (2 - Math.PI / 2) * 20), 6);
  });

  test('hidden, it goes round at the back though the way before the wall is shorter', () => {
    const a = end([50, 200, 200], [1, 0, 0]),
      b = end([350, 200, 200], [-1, 0, 0]);
    const walled: Workspace = {
      ...workspace,
      blocks: [{ id: 'wall', min: [180, -1, 120], max: [220, 401, 270], penalty: Infinity }],
    };
    const lines = [[50, 82, 318, 350], [200], [120, 200, 270]] as const;
    const tube = catalogued('tube', 'tube-petg-14-10');
    const depthsBy = (style: 'parallel' | 'hidden'): readonly number[] => {
      const prices = pricesOf({ tube, routing: { style } });
      const way = routeRigid(walled, [a], [b], limits, lines, null, { prices });
      return (way?.corners ?? []).map((c) => c[2]);
    };
    expect(Math.max(...depthsBy('parallel'))).toBe(270);
    expect(Math.min(...depthsBy('hidden'))).toBe(120);
  });

  test('nothing is nothing: walled in, or no end along an axis', () => {
    const a = end([50, 200, 200], [1, 0, 0]),
      b = end([350, 200, 200], [-1, 0, 0]);
    expect(
      routeRigid(
        {
          ...workspace,
          blocks: [{ id: 'wall', min: [180, -1, -1], max: [220, 401, 401], penalty: Infinity }],
        },
        [a],
        [b],
        limits,
        every(a, b),
      ),
    ).toBeNull();
    expect(
      routeRigid(workspace, [end([50, 200, 200], [0.7071, 0.7071, 0])], [b], limits, every(a, b)),
    ).toBeNull();
  });
});

describe('ends of a run', () => {
  const kit = {
    fitting: desk.loops[0]?.fitting as Design['loops'][number]['fitting'],
    kit: STANDARD_KIT,
  };

  test('an elbow of 90° leaves across, four ways for hard tube and eight for soft; every chain is whole', () => {
    expect(endWays([0, 0, 0], [0, 1, 0], 'rotary90', kit, false).length).toBe(4);
    expect(endWays([0, 0, 0], [0, 1, 0], 'rotary90', kit, true).length).toBe(8);
    for (const e of endWays([10, 20, 30], [0, 0, -1], 'auto', kit, true)) {
      expect(e.bodies[0]?.from).toEqual([10, 20, 30]);
      e.bodies.forEach((b, i) => {
        const next = e.bodies[i + 1];
        if (next) expect(len(sub(next.from, b.to))).toBeLessThan(1e-9);
      });
      expect(len(sub((e.bodies[e.bodies.length - 1] as { to: Vec }).to, e.mouth))).toBeLessThan(
        1e-9,
      );
      if (e.piece === 'rotary90') expect(turn(e.direction, [0, 0, -1])).toBeCloseTo(90, 6);
      if (e.piece === 'rotary45') expect(turn(e.direction, [0, 0, -1])).toBeCloseTo(45, 6);
    }
  });

  test('a wish is followed', () => {
    expect(
      new Set(endWays([0, 0, 0], [1, 0, 0], 'extender', kit, true).map((e) => e.piece)),
    ).toEqual(new Set(['extender']));
  });
});

/** Common practice, no source: 101.6 mm to the corner with a 12.7 mm radius starts at 88.9 mm. */
test('marks: the bend starts before the corner', () => {
  const table = bendTable(
    [
      [0, 0, 0],
      [101.6, 0, 0],
      [101.6, 80, 0],
    ],
    12.7,
  );
  expect(bendMarks(table.rows, table.last_mm, 0).marks[0]?.start_mm).toBeCloseTo(88.9, 9);
  expect(bendMarks(table.rows, table.last_mm, 8).marks[0]?.start_mm).toBeCloseTo(96.9, 9);
});
