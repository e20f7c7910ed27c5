import { describe, expect, test } from '@jest/globals';
import { DEMO_BUILDS } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import type { Box, Vec } from '../geometry';
import { compileSystem, type Solid, type System } from '../system';
import { variants } from '../../proof/pinned/variants';
import {
  assemblyOrder,
  assemblySteps,
  freeWay,
  insertionsOf,
  orderTroubles,
  NUT_MM,
  PLUGS,
  reachesOf,
  unitsOf,
  type Insertion,
  type Unit,
} from '.';

const box = (min: Vec, max: Vec): Box => ({ min, max });
const unit = (id: string, ...boxes: Box[]): Unit => ({
  id,
  kind: 'pump',
  components: [id],
  boxes,
  hosts: [],
});
/** A case of 400 × 400 × 200 mm, open at z = 200. */
const empty = (cages: readonly Box[] = []): System =>
  ({
    design: { components: [] },
    interior: box([0, 0, 0], [400, 400, 200]),
    obstacles: cages.map((b, i): Solid => ({ component: `case:${i}`, detail: '', box: b })),
  }) as unknown as System;
const idsOf = (order: readonly { readonly unit: Unit }[]): readonly string[] =>
  order.map((t) => t.unit.id);

describe('the way in, by hand', () => {
  const deep = unit('deep', box([100, 100, 0], [200, 200, 50])),
    over = unit('over', box([90, 90, 60], [210, 210, 120]));

  test('what stands over a part shuts its straight way; aside it comes in where there is room', () => {
    const [straight] = insertionsOf(empty(), deep, [over]);
    expect(straight?.blockedBy).toEqual([]);
    expect(straight?.last).not.toBeNull();
    const ways = insertionsOf(empty(), deep, [over]);
    expect(ways.find((w) => w.last === null)?.blockedBy).toEqual(['over']);
    // 20 mm aside is still under it; 160 mm is clear.
    const along = (by: number): Insertion | undefined =>
      ways.find((w) => w.last?.axis === 0 && w.last.sign === 1 && w.last.by_mm === by);
    expect(along(20)?.blockedBy).toEqual(['over']);
    expect(along(160)?.blockedBy).toEqual([]);
  });

  test('in a shaft there is no aside: the deep one first', () => {
    const shaft = [
      box([0, 0, 0], [95, 400, 200]),
      box([205, 0, 0], [400, 400, 200]),
      box([95, 0, 0], [205, 95, 200]),
      box([95, 205, 0], [205, 400, 200]),
    ];
    const lid = unit('lid', box([96, 96, 60], [204, 204, 120]));
    const order = assemblyOrder(empty(shaft), [lid, deep]);
    expect(idsOf(order)).toEqual(['deep', 'lid']);
    expect(order[0]?.before).toEqual(['lid']);
    expect(order.every((t) => t.way !== null && t.trappedBy.length === 0)).toBe(true);
    expect(orderTroubles(empty(shaft), [lid, deep], ['lid', 'deep'])).toEqual([
      { unit: 'deep', kind: 'shut out', by: ['lid'] },
    ]);
    expect(orderTroubles(empty(shaft), [lid, deep], ['deep', 'lid'])).toEqual([]);
  });

  test('two that hook into each other: no order exists, and it says which must come out', () => {
    // Each has an arm over the other, in a shaft as wide as both.
    const walls = [
      box([0, 0, 0], [99, 400, 200]),
      box([301, 0, 0], [400, 400, 200]),
      box([99, 0, 0], [301, 99, 200]),
      box([99, 201, 0], [301, 400, 200]),
      box([99, 99, 0], [301, 201, 9]),
    ];
    const left = unit(
        'left',
        box([100, 100, 10], [190, 200, 100]),
        box([100, 100, 110], [290, 140, 120]),
      ),
      right = unit(
        'right',
        box([210, 100, 10], [300, 200, 100]),
        box([110, 150, 110], [300, 200, 120]),
      );
    const order = assemblyOrder(empty(walls), [left, right]);
    const forced = order.filter((t) => t.way === null);
    expect(forced).toHaveLength(1);
    expect(forced[0]?.trappedBy).toHaveLength(1);
  });

  test('a cage over the whole place lets nothing in', () => {
    const lid = [box([0, 0, 150], [400, 400, 160])];
    expect(insertionsOf(empty(lid), deep, [])).toEqual([]);
    expect(assemblyOrder(empty(lid), [deep])[0]).toMatchObject({ way: null, trappedBy: [] });
  });

  test('leads give way, and are shut out by what stands before them', () => {
    const plugs: Unit = { ...unit('plugs', box([100, 100, 0], [130, 130, 30])), yields: true };
    const board = unit('board', box([90, 90, 0], [300, 300, 2]));
    const before = unit('before', box([80, 80, 20], [320, 320, 60]));
    const order = assemblyOrder(empty(), [before, { ...plugs, hosts: ['board'] }, board]);
    expect(idsOf(order).indexOf('plugs')).toBeLessThan(idsOf(order).indexOf('before'));
    expect(idsOf(order).indexOf('board')).toBeLessThan(idsOf(order).indexOf('plugs'));
    expect(insertionsOf(empty(), before, [plugs])[0]?.blockedBy).toEqual([]);
  });
});

/** Brute force: boxes moved by small steps along a way, met with what stands there. */
function meetsOnItsWay(own: readonly Box[], way: Insertion, others: readonly Box[]): boolean {
  const SLACK = 0.75,
    STEP = 2;
  const at = (b: Box, by: Vec): Box =>
    box(
      b.min.map((v, i) => v + (by[i] as number) + SLACK) as unknown as Vec,
      b.max.map((v, i) => v + (by[i] as number) - SLACK) as unknown as Vec,
    );
  const meet = (a: Box, b: Box): boolean =>
    [0, 1, 2].every((i) => a.min[i as 0] < b.max[i as 0] && a.max[i as 0] > b.min[i as 0]);
  const thin = (b: Box): boolean =>
    [0, 1, 2].some((i) => b.max[i as 0] - b.min[i as 0] < 2 * SLACK);
  const aside: Vec = [0, 0, 0].map((_, i) =>
    way.last && way.last.axis === i ? way.last.sign * way.last.by_mm : 0,
  ) as unknown as Vec;
  const path: Vec[] = [];
  for (let d = 0; d <= (way.last?.by_mm ?? 0); d += STEP)
    path.push(aside.map((v) => (v === 0 ? 0 : Math.sign(v) * d)) as unknown as Vec);
  for (let z = 0; z < 400; z += STEP) path.push([aside[0], aside[1], aside[2] + z]);
  return own
    .filter((b) => !thin(b))
    .some((b) =>
      others.some((o) => !meet(at(b, [0, 0, 0]), o) && path.some((by) => meet(at(b, by), o))),
    );
}

describe('orders of whole machines', () => {
  const machines: readonly Design[] = variants(61).map((v) => v.design);

  test('of two hundred builds: hosts first, and every part comes in past what stands', () => {
    expect(machines.length).toBeGreaterThan(200);
    let checked = 0;
    machines.forEach((design, m) => {
      const system = compileSystem(design);
      const units = unitsOf(system);
      const order = assemblyOrder(system, units);
      expect([...idsOf(order)].sort()).toEqual(units.map((u) => u.id).sort());
      const standing: Unit[] = [];
      for (const { unit: now, way, trappedBy } of order) {
        for (const host of now.hosts) expect(standing.map((u) => u.id)).toContain(host);
        if (way) {
          expect(standing.filter((u) => way.blockedBy.includes(u.id))).toEqual([]);
          // Brute force is slow: every tenth machine.
          if (m % 10 === 0 && !now.yields) {
            checked += 1;
            const others = [
              ...standing.filter((u) => !u.yields).flatMap((u) => u.boxes),
              ...system.obstacles.map((o) => o.box),
            ];
            expect([now.id, meetsOnItsWay(now.boxes, way, others)]).toEqual([now.id, false]);
          }
        } else expect(trappedBy.every((id) => standing.some((u) => u.id === id))).toBe(true);
        standing.push(now);
      }
    });
    expect(checked).toBeGreaterThan(100);
  });

  /** Points of a tool's cylinder, set by set, in every box that stands there. */
  const meetsTool = ({ min, max }: Box, boxes: readonly Box[]): boolean => {
    const within = (p: Vec) => (b: Box) =>
      ([0, 1, 2] as const).every((i) => p[i] > b.min[i] && p[i] < b.max[i]);
    for (let z = min[2] + 0.01; z < max[2]; z += 1)
      for (let i = 0; i <= 8; i += 1)
        for (let k = 0; k <= 8; k += 1) {
          const at = (axis: 0 | 1, share: number): number =>
            min[axis] + 0.01 + (share / 8) * (max[axis] - min[axis] - 0.02);
          if (boxes.some(within([at(0, i), at(1, k), z]))) return true;
        }
    return false;
  };

  test('of two hundred builds: what is screwed or plugged is reached when its turn comes', () => {
    let asked = 0;
    machines.forEach((design, m) => {
      const system = compileSystem(design);
      const units = unitsOf(system);
      const standing: Unit[] = [];
      for (const { unit: now, way, reaches } of assemblyOrder(system, units)) {
        const there = standing.filter((u) => !u.yields && !now.hosts.includes(u.id));
        if (way && m % 10 === 0)
          for (const { kind, name, room } of reaches) {
            asked += 1;
            const met = meetsTool(
              room,
              there.flatMap((u) => u.boxes),
            );
            expect([now.id, kind, name, met]).toEqual([now.id, kind, name, false]);
          }
        standing.push(now);
      }
    });
    expect(asked).toBeGreaterThan(200);
  });

  test('a screw that is called hidden is hidden, by what is named', () => {
    let hidden = 0;
    for (const { design } of DEMO_BUILDS) {
      const system = compileSystem(design);
      const units = unitsOf(system);
      for (const of of units)
        for (const reach of reachesOf(system, of, units))
          for (const { id, left_mm } of reach.blockedBy) {
            hidden += 1;
            const { boxes } = units.find((u) => u.id === id) as Unit;
            expect(meetsTool(reach.room, boxes)).toBe(true);
            expect(left_mm).toBeLessThan(NUT_MM * Math.SQRT2);
          }
    }
    expect(hidden).toBeGreaterThan(5);
  });

  test('a way that is called shut is shut: brute force meets what it names', () => {
    const { design } = DEMO_BUILDS[0] as (typeof DEMO_BUILDS)[number];
    const system = compileSystem(design);
    const units = unitsOf(system).filter((u) => !u.yields);
    let shut = 0;
    for (const u of units)
      for (const way of insertionsOf(system, u, units).slice(0, 12))
        for (const id of way.blockedBy) {
          const other = units.find((o) => o.id === id) as Unit;
          shut += 1;
          expect([u.id, id, meetsOnItsWay(u.boxes, way, other.boxes)]).toEqual([u.id, id, true]);
        }
    expect(shut).toBeGreaterThan(10);
  });
});

describe('steps', () => {
  const stepsOf = (design: Design, order?: readonly string[]) => {
    const { system, reports } = analyse(design);
    return assemblySteps({
      system,
      runs: reports.runs,
      bom: reports.bom,
      portFits: reports.clearance.ports,
      ...(order ? { order } : {}),
    });
  };

  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: each once, none before what it needs, every run and loop there, nothing trapped',
    (_, design) => {
      const steps = stepsOf(design);
      const ids = steps.map((s) => s.id);
      expect(new Set(ids).size).toBe(ids.length);
      steps.forEach((s, i) => {
        for (const need of s.needs) expect(ids.slice(0, i)).toContain(need);
        expect(s.minutes.practised).toBeGreaterThan(0);
        expect(s.minutes.beginner).toBeGreaterThanOrEqual(s.minutes.practised);
        expect(s.why.length).toBeGreaterThan(10);
        expect(s.trapped).toBeNull();
      });
      const kinds = (kind: string) => steps.filter((s) => s.kind === kind);
      const tubes = design.loops.flatMap((l) => l.connections.filter((c) => c.by === 'tube'));
      expect(kinds('run').length).toBe(tubes.length);
      for (const kind of ['caps', 'air test', 'fill', 'water test'])
        expect(kinds(kind).length).toBe(design.loops.length);
      expect(kinds('flush').length).toBe(
        design.components.filter((c) => c.part.kind === 'radiator').length,
      );
      expect(steps[0]?.kind).toBe('test dry');
      expect(steps[steps.length - 1]?.kind).toBe('first run');
    },
  );

  test('why a board goes first: what would stand over its screws', () => {
    const { design } = DEMO_BUILDS[0] as (typeof DEMO_BUILDS)[number];
    const board = stepsOf(design).find((s) => s.id === 'mount board');
    expect(board?.why).toMatch(
      /Before Top radiator: it is above the screw at its front top corner and 1 more\./,
    );
  });

  test('where fingers do not get round a fitting, its step says so, with the millimetres', () => {
    const told = DEMO_BUILDS.flatMap(({ design }) => {
      const tight = analyse(design).reports.clearance.ports.filter(
        (p) => p.verdict === 'marginal',
      ).length;
      const lines = stepsOf(design).flatMap((s) =>
        s.how.filter((h) => /mm for fingers beside/.test(h)),
      );
      // A run has two ends, each in one step.
      expect(lines.length).toBe(tight);
      return lines;
    });
    expect(told.length).toBeGreaterThan(0);
  });

  test('cautions stand at the step they belong to', () => {
    const steps = stepsOf((DEMO_BUILDS[1] as (typeof DEMO_BUILDS)[number]).design);
    const cautions = (kind: string) => steps.find((s) => s.kind === kind)?.cautions ?? [];
    expect(cautions('air test')).toContain('air');
    expect(cautions('fill')).toEqual(expect.arrayContaining(['coolant', 'mains', 'leaks']));
    expect(cautions('run')).toContain('cutting');
    expect(cautions('close')).toContain('lifting');
    expect(cautions('strip')).toContain('warranty');
    expect(cautions('plug')).toContain('mains');
  });

  test('in the small case power is plugged in before the radiator that hides the plugs, and it says so', () => {
    const steps = stepsOf((DEMO_BUILDS[2] as (typeof DEMO_BUILDS)[number]).design);
    const ids = steps.map((s) => s.id);
    expect(ids.indexOf('plug')).toBeLessThan(ids.indexOf('mount top-radiator'));
    expect(steps.find((s) => s.id === 'plug')?.why).toMatch(/^Before Top radiator: fingers/);
  });

  test('an order by hand is kept, and says what it breaks', () => {
    const { design } = DEMO_BUILDS[2] as (typeof DEMO_BUILDS)[number];
    const own = assemblyOrder(compileSystem(design), unitsOf(compileSystem(design)));
    const ids = own.map((t) => t.unit.id);
    expect(stepsOf(design, ids).map((s) => s.id)).toEqual(stepsOf(design).map((s) => s.id));
    const late = [...ids.filter((id) => id !== PLUGS && id !== 'board'), 'board', PLUGS];
    const steps = stepsOf(design, late);
    expect(steps.find((s) => s.id === 'mount board')?.trapped).toMatch(
      /Take out again for it .*is above the screw/,
    );
    expect(steps.find((s) => s.id === 'plug')?.trapped).toMatch(/Fingers do not reach/);
    expect(steps.find((s) => s.id === 'mount card')?.trapped).toMatch(/must be in before it/);
  });

  test('the freest way is the one that nothing blocks', () => {
    const ways: Insertion[] = [
      { last: null, blockedBy: ['a'] },
      { last: { axis: 0, sign: 1, by_mm: 20 }, blockedBy: ['b'] },
    ];
    expect(freeWay(ways, new Set(['a']))?.last?.by_mm).toBe(20);
    expect(freeWay(ways, new Set(['a', 'b']))).toBeNull();
    expect(freeWay(ways, new Set())?.last).toBeNull();
  });
});
