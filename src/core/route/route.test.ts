import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoBuild, STANDARD_KIT } from '@/catalogue';
import { applyEdit, type Build } from '../build';
import { workOut } from '../evaluate';
import type { Model } from '../model';
import { bendMarks, bendTable, INSERTION_MM, type Run } from '../run';
import type { Vec } from '../shape';
import { BETWEEN_MM, endWays, hardWay, onArc, routeBuild, roundedPath, sameSpace, STRAIGHT_MM, type EndWay, type Room, type RoutedBuild, type TubeLimits } from '.';
import { jogAngle } from './jog';

const desk = demoBuild('dawn-chorus-desk') as Build, tower = demoBuild('fenland-flood-tower') as Build, box = demoBuild('pocket-planetarium') as Build;

/** The independent checker: its own distances, every point of every tube a millimetre or two apart against every solid and tube. */
const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const len = (a: Vec): number => Math.hypot(...a);
const turn = (a: Vec, b: Vec): number => (Math.acos(Math.max(-1, Math.min(1, (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / (len(a) * len(b))))) * 180) / Math.PI;
function dense(run: Run, step = 2): readonly Vec[] {
  return (run.routed?.path ?? []).flatMap((s) => {
    const length = s.kind === 'line' ? len(sub(s.to, s.from)) : (s.radius * s.angle_deg * Math.PI) / 180, n = Math.max(1, Math.ceil(length / step));
    return Array.from({ length: n + 1 }, (_, i) => (s.kind === 'line' ? [0, 1, 2].map((k) => s.from[k as 0] + ((s.to[k as 0] - s.from[k as 0]) * i) / n) as unknown as Vec : onArc(s, i / n)));
  });
}
const toBox = (p: Vec, min: Vec, max: Vec): number => {
  const d = [0, 1, 2].map((i) => Math.max(min[i as 0] - p[i as 0], p[i as 0] - max[i as 0]));
  return Math.max(...d) <= 0 ? Math.max(...d) : Math.hypot(...d.map((v) => Math.max(0, v)));
};
const toRound = (p: Vec, from: Vec, to: Vec, r: number): number => {
  const axis = sub(to, from), l = len(axis), t = ([0, 1, 2] as const).reduce<number>((s, i) => s + ((p[i] - from[i]) * axis[i]) / l, 0);
  const foot = from.map((v, i) => v + ((axis[i] as number) / l) * t) as unknown as Vec, across = len(sub(p, foot)) - r, along = Math.max(-t, t - l);
  return across <= 0 && along <= 0 ? Math.max(across, along) : Math.hypot(Math.max(0, across), Math.max(0, along));
};

function check(model: Model, runs: readonly Run[]): readonly string[] {
  const wrong: string[] = [], laid = runs.filter((r) => r.routed);
  for (const run of laid) {
    const space = run.routed as NonNullable<Run['routed']>, loop = model.build.loops.find((l) => l.id === run.loop) as Build['loops'][number], radius = run.tube.outer_mm / 2;
    const points = dense(run), ends = { from: model.portAt(run.from), to: model.portAt(run.to) };
    // The chain of pieces leads from the port to the mouth, without a gap.
    for (const end of ['from', 'to'] as const) {
      const pieces = space.pieces.filter((p) => p.end === end), mouth = end === 'from' ? points[0] as Vec : points[points.length - 1] as Vec, port = ends[end];
      if (!port || len(sub((pieces[0] as { from: Vec }).from, port.at)) > 0.01) wrong.push(`${run.name}: ${end} does not start at its port`);
      else if (turn(sub((pieces[0] as { to: Vec }).to, (pieces[0] as { from: Vec }).from), port.direction) > 0.01) wrong.push(`${run.name}: ${end} leaves its port askew`);
      pieces.forEach((p, i) => { const next = pieces[i + 1]; if (next && len(sub(next.from, p.to)) > 0.01) wrong.push(`${run.name}: a gap between pieces at ${end}`); });
      const last = pieces[pieces.length - 1] as { from: Vec; to: Vec }, beside = end === 'from' ? points[1] as Vec : points[points.length - 2] as Vec;
      if (len(sub(last.to, mouth)) > 0.01) wrong.push(`${run.name}: the tube does not meet its fitting at ${end}`);
      if (turn(sub(last.to, last.from), sub(beside, mouth)) > 0.5) wrong.push(`${run.name}: the tube leaves its fitting askew at ${end}`);
    }
    // Smooth, no bend too tight, straights long enough.
    space.path.forEach((s, i) => {
      if (s.kind === 'arc' && s.radius < loop.tube.minBend_mm - 1e-6) wrong.push(`${run.name}: bend of ${s.radius} mm`);
      const next = space.path[i + 1];
      if (next && len(sub(next.from, s.to)) > 1e-6) wrong.push(`${run.name}: path broken`);
      if (s.kind === 'line' && run.tube.hard && space.path.length > 1) { const least = i === 0 || i === space.path.length - 1 ? STRAIGHT_MM : BETWEEN_MM; if (len(sub(s.to, s.from)) < least - 1e-6) wrong.push(`${run.name}: straight of ${len(sub(s.to, s.from)).toFixed(2)} mm`); }
    });
    const off = points.findIndex((p, i) => i > 1 && turn(sub(p, points[i - 1] as Vec), sub(points[i - 1] as Vec, points[i - 2] as Vec)) > 12 && len(sub(p, points[i - 1] as Vec)) > 0.5 && len(sub(points[i - 1] as Vec, points[i - 2] as Vec)) > 0.5);
    if (off >= 0) wrong.push(`${run.name}: a kink at ${(points[off] as Vec).map(Math.round).join()}`);
    // Past everything.
    const own = new Set([run.from.item, run.to.item]);
    for (const p of model.placed.values()) for (const s of p.solids) {
      const least = Math.min(...points.map((q) => (s.cylinder ? toRound(q, s.cylinder.from, s.cylinder.to, s.cylinder.radius) : toBox(q, s.box.min, s.box.max)))) - radius;
      if (least < (own.has(p.item.id) ? -0.06 : -0.06)) wrong.push(`${run.name} meets ${s.name} by ${(-least).toFixed(2)}`);
    }
    for (const o of model.obstacles) if (Math.min(...points.map((q) => toBox(q, o.box.min, o.box.max))) < radius - 0.06) wrong.push(`${run.name} meets ${o.name}`);
    for (const other of laid) {
      if (other === run || other.id < run.id) continue;
      const theirs = dense(other, 3), gap = Math.min(...points.map((a) => Math.min(...theirs.map((b) => len(sub(a, b)))))) - radius - other.tube.outer_mm / 2;
      if (gap < -0.06) wrong.push(`${run.name} meets ${other.name} by ${(-gap).toFixed(2)}`);
      for (const piece of other.routed?.pieces ?? []) if (Math.min(...points.map((q) => toRound(q, piece.from, piece.to, piece.radius))) < radius - 0.06) wrong.push(`${run.name} meets a fitting of ${other.name}`);
    }
  }
  return wrong;
}

const routed = new Map<Build, RoutedBuild>();
beforeAll(() => { for (const b of [desk, tower, box]) routed.set(b, routeBuild(b)); }, 120_000);
const laid = (b: Build): { readonly model: Model; readonly runs: readonly Run[] } => { const w = workOut(b, { routed: routed.get(b) ?? null }); return { model: w.model, runs: w.reports.runs }; };

describe('the demos, routed', () => {
  test.each([['desk', desk], ['tower', tower], ['planetarium', box]])('%s: the independent checker finds no clash, no tight bend, no gap', (_, build) => {
    const { model, runs } = laid(build);
    expect(check(model, runs)).toEqual([]);
  });

  test.each([['desk', desk, 5], ['tower', tower, 13]])('%s: every run has a way', (_, build, count) => {
    expect(routed.get(build)?.routed.missing).toEqual([]);
    expect(laid(build).runs.filter((r) => r.routed).length).toBe(count);
  });

  test('in the planetarium, which clashes, what has no way is told with what is in it', () => {
    const missing = routed.get(box)?.routed.missing ?? [];
    expect(missing.length).toBeGreaterThan(0);
    expect(missing.some((m) => m.blockedBy !== null || m.wouldFit !== null)).toBe(true);
    const said = workOut(box, { routed: routed.get(box) ?? null }).findings.filter((f) => f.code === 'run.no-way');
    expect(said.length).toBe(missing.length);
  });

  test('lengths are straights, arcs and what goes into the fittings; the bend table says the same', () => {
    for (const run of [...laid(desk).runs, ...laid(tower).runs]) {
      if (!run.routed) continue;
      const marked = bendMarks(run.routed.lra, run.routed.last_mm, run.routed.radius_mm, INSERTION_MM);
      expect(marked.cut_mm).toBeCloseTo(run.cut_mm, 6);
      expect(marked.marks.length).toBe(run.bends);
    }
  });

  test('flow and list take the routed lengths', () => {
    const before = workOut(desk), after = workOut(desk, { routed: routed.get(desk) ?? null });
    expect(after.reports.list.tube_mm).not.toBeCloseTo(before.reports.list.tube_mm, 0);
    expect(after.reports.runs.filter((r) => r.by === 'tube').every((r) => !r.estimated)).toBe(true);
    expect(after.reports.list.lines.every((l) => !l.estimated)).toBe(true);
  });

  test('pieces that hang in the runs stand clear in space', () => {
    const { model } = laid(tower);
    for (const [id] of routed.get(tower)?.frames ?? []) expect(model.placed.get(id)?.solids.length).toBeGreaterThan(0);
    expect(workOut(tower, { routed: routed.get(tower) ?? null }).reports.fit.gaps.filter((g) => g.verdict === 'clash')).toEqual([]);
  });

  test('the same twice', () => {
    expect(routeBuild(desk)).toEqual(routed.get(desk));
  });
});

describe('what was routed holds while the space is the same', () => {
  test.each([
    ['another speed', { do: 'fans.speed', speed_rpm: 900 } as const, true], ['another name', { do: 'build.rename', name: 'Else' } as const, true],
    ['a slid radiator', { do: 'item.place', item: 'top-radiator', placement: { on: 'mount', mount: 'top', slide_mm: 20, ports: 'end', air: 'in' } } as const, false],
    ['a part less', { do: 'item.remove', item: 'rear-fan' } as const, false], ['another end', { do: 'link.ends', loop: 'loop', link: 'run-2', ends: { from: 'rotary90', to: 'auto' } } as const, false],
  ])('%s', (_, edit, same) => {
    expect(sameSpace(desk, applyEdit(desk, edit).build)).toBe(same);
  });
});

describe('one hard tube in an empty room', () => {
  const limits: TubeLimits = { radius_mm: 20, atFitting_mm: 12, between_mm: 5 };
  const room: Room = { bounds: { min: [0, 0, 0], max: [400, 400, 400] }, blocks: [] };
  const end = (mouth: Vec, direction: Vec): EndWay => ({ piece: 'straight', duties: ['hard-tube'], bodies: [], mouth, direction, cost: 0 });
  const every = (...ends: EndWay[]) => [0, 1, 2].map((i) => [...new Set(ends.flatMap((e) => [e.mouth[i as 0], e.mouth[i as 0] + 32, e.mouth[i as 0] - 32, e.mouth[i as 0] + 60, e.mouth[i as 0] - 60]))].filter((v) => v >= 0 && v <= 400).sort((a, b) => a - b)) as unknown as readonly [number[], number[], number[]];

  test('facing ports: one straight piece', () => {
    const a = end([50, 100, 100], [1, 0, 0]), b = end([250, 100, 100], [-1, 0, 0]);
    expect(hardWay(room, [a], [b], limits, every(a, b))?.corners).toEqual([[50, 100, 100], [250, 100, 100]]);
  });

  test('a right angle: one bend at the crossing, cost by hand', () => {
    const a = end([50, 100, 100], [1, 0, 0]), b = end([200, 250, 100], [0, -1, 0]);
    const way = hardWay(room, [a], [b], limits, every(a, b));
    expect(way?.corners).toEqual([[50, 100, 100], [200, 100, 100], [200, 250, 100]]);
    expect(way?.cost).toBeCloseTo(300 + 45 - (2 - Math.PI / 2) * 20, 9);
  });

  test('a small sidestep is two gentle bends, not four right ones', () => {
    const a = end([50, 100, 100], [1, 0, 0]), b = end([250, 112, 100], [-1, 0, 0]);
    const way = hardWay(room, [a], [b], limits, every(a, b)), angle = jogAngle(12, 20, 5) as number;
    expect(way?.corners.length).toBe(4);
    const path = roundedPath(way?.corners ?? [], 20).filter((s) => s.kind === 'arc');
    expect(path.map((s) => (s.kind === 'arc' ? s.angle_deg : 0))).toEqual([expect.closeTo(angle, 6), expect.closeTo(angle, 6)]);
  });

  /** h = 2 R (1 − cos θ) + L sin θ, put in again. */
  test('the angle of a sidestep gives just that sidestep', () => {
    fc.assert(fc.property(fc.double({ min: 0.5, max: 60, noNaN: true }), fc.double({ min: 10, max: 60, noNaN: true }), (h, r) => {
      const angle = jogAngle(h, r, 5);
      if (angle === null) { expect(h).toBeGreaterThan(2 * r + 5); return; }
      const t = (angle * Math.PI) / 180;
      expect(2 * r * (1 - Math.cos(t)) + 5 * Math.sin(t)).toBeCloseTo(h, 6);
    }));
  });

  test('a wall between: it goes round, and the way is as cheap as without the bound', () => {
    const a = end([50, 200, 200], [1, 0, 0]), b = end([350, 200, 200], [-1, 0, 0]);
    const walled: Room = { ...room, blocks: [{ id: 'wall', min: [180, 0, 150], max: [220, 320, 400], toll: Infinity }] };
    const lines = [[50, 82, 110, 290, 318, 350], [200, 130, 320, 340], [200, 100, 140, 150]].map((l) => l.slice().sort((x, y) => x - y)) as unknown as readonly [number[], number[], number[]];
    const way = hardWay(walled, [a], [b], limits, lines);
    // Along the wall's lower edge, z 150: 50 mm down and up, four bends.
    expect(way?.corners.every((c) => c[2] <= 200)).toBe(true);
    expect(way?.cost).toBeCloseTo(300 + 2 * 50 + 4 * (45 - (2 - Math.PI / 2) * 20), 6);
  });

  test('nothing is nothing: walled in, or no end along an axis', () => {
    const a = end([50, 200, 200], [1, 0, 0]), b = end([350, 200, 200], [-1, 0, 0]);
    expect(hardWay({ ...room, blocks: [{ id: 'wall', min: [180, -1, -1], max: [220, 401, 401], toll: Infinity }] }, [a], [b], limits, every(a, b))).toBeNull();
    expect(hardWay(room, [end([50, 200, 200], [0.7071, 0.7071, 0])], [b], limits, every(a, b))).toBeNull();
  });
});

describe('ends of a run', () => {
  const kit = { fitting: desk.loops[0]?.fitting as Build['loops'][number]['fitting'], kit: STANDARD_KIT };

  test('an elbow of 90° leaves across, four ways for hard tube and eight for soft; every chain is whole', () => {
    expect(endWays([0, 0, 0], [0, 1, 0], 'rotary90', kit, false).length).toBe(4);
    expect(endWays([0, 0, 0], [0, 1, 0], 'rotary90', kit, true).length).toBe(8);
    for (const e of endWays([10, 20, 30], [0, 0, -1], 'auto', kit, true)) {
      expect(e.bodies[0]?.from).toEqual([10, 20, 30]);
      e.bodies.forEach((b, i) => { const next = e.bodies[i + 1]; if (next) expect(len(sub(next.from, b.to))).toBeLessThan(1e-9); });
      expect(len(sub((e.bodies[e.bodies.length - 1] as { to: Vec }).to, e.mouth))).toBeLessThan(1e-9);
      if (e.piece === 'rotary90') expect(turn(e.direction, [0, 0, -1])).toBeCloseTo(90, 6);
      if (e.piece === 'rotary45') expect(turn(e.direction, [0, 0, -1])).toBeCloseTo(45, 6);
    }
  });

  test('a wish is followed', () => {
    expect(new Set(endWays([0, 0, 0], [1, 0, 0], 'extender', kit, true).map((e) => e.piece))).toEqual(new Set(['extender']));
  });
});

/** Common practice, no source: 101.6 mm to the corner with a 12.7 mm radius starts at 88.9 mm. */
test('marks: the bend starts before the corner', () => {
  const table = bendTable([[0, 0, 0], [101.6, 0, 0], [101.6, 80, 0]], 12.7);
  expect(bendMarks(table.rows, table.last_mm, 12.7, 0).marks[0]?.start_mm).toBeCloseTo(88.9, 9);
  expect(bendMarks(table.rows, table.last_mm, 12.7, 8).marks[0]?.start_mm).toBeCloseTo(96.9, 9);
});
