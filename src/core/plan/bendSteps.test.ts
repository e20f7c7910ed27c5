import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import { teedTower } from '@/catalogue/teedTower.fixture';
import type { Design } from '../design';
import { analyse } from '../analysis';
import { roundedPath, withRoutes } from '../routing';
import { bendTable, type Run } from '../tubing';
import { add, cross, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { bendSheet, bendSteps, makingSteps, tubeTurn, type BendSheet } from '.';

/**
 * The bench: a mandrel and a tube, in the machine's own frame. The tube lies along x with its first
 * end ahead; the held end is behind, towards −x. The mandrel lies to the left (+y), so every bend
 * goes to the left. It knows nothing of bend planes.
 */
class Editor {
  /**
   * Points of the tube that are past the mandrel, by their distance from the first end as it was
   * cut.
   */
  private readonly points = new Map<number, Vec>();
  private at_mm = 0;

  constructor(
    private readonly radius_mm: number,
    private readonly marks: readonly number[],
  ) {}

  /** Pushes the tube on until this mark lies at the mandrel. */
  push(to_mm: number): void {
    const by = to_mm - this.at_mm;
    for (const [mark, p] of this.points) this.points.set(mark, add(p, [by, 0, 0]));
    for (const mark of this.marks)
      if (mark <= to_mm + 1e-6 && !this.points.has(mark))
        this.points.set(mark, [to_mm - mark, 0, 0]);
    this.at_mm = to_mm;
  }

  /**
   * Turns the tube in the hand. Looking from the held end along +x with y up, the right hand is z:
   * clockwise takes y to z.
   */
  turn(angle_deg: number, direction: string): void {
    const t = ((direction === 'clockwise' ? 1 : -1) * angle_deg * Math.PI) / 180,
      c = Math.cos(t),
      s = Math.sin(t);
    for (const [mark, [x, y, z]] of this.points)
      this.points.set(mark, [x, y * c - z * s, y * s + z * c]);
  }

  /**
   * Lays the tube behind the mark round the mandrel: what is ahead swings to the left, about the
   * mandrel's middle.
   */
  bend(angle_deg: number): void {
    const t = (angle_deg * Math.PI) / 180,
      c = Math.cos(t),
      s = Math.sin(t),
      r = this.radius_mm;
    for (const [mark, [x, y, z]] of this.points)
      this.points.set(mark, [x * c - (y - r) * s, r + x * s + (y - r) * c, z]);
    this.at_mm += r * t;
    for (const mark of this.marks) {
      const back = (this.at_mm - mark) / r;
      if (back >= -1e-6 && !this.points.has(mark))
        this.points.set(mark, [r * Math.sin(back), r - r * Math.cos(back), 0]);
    }
  }

  tube(): readonly Vec[] {
    return this.marks.map((m) => this.points.get(m) as Vec);
  }
}

/** A number as the sheet prints it. */
const number = (text: string | undefined): number => Number((text ?? '').replaceAll(',', ''));

/**
 * Follows the printed words of a sheet, and nothing else: each mark, each turn as seen, each angle.
 */
function followWords(sheet: BendSheet, marks: readonly number[]): readonly Vec[] {
  const bench = new Editor(sheet.radius_mm, marks);
  for (const words of makingSteps(sheet)) {
    const place = /Bend \d+: start [\d.,]+ mm before the corner, at ([\d.,]+) mm/.exec(words);
    if (!place) continue;
    bench.push(number(place[1]));
    const turn =
      /Turn the tube ([\d.,]+)° (clockwise|anticlockwise), seen from the end you hold, looking towards the mandrel/.exec(
        words,
      );
    if (turn) bench.turn(number(turn[1]), turn[2] as string);
    bench.bend(number(/to ([\d.,]+)° and hold/.exec(words)?.[1]));
  }
  bench.push(sheet.cut_mm);
  return bench.tube();
}

/** Follows the steps as numbers. */
function followSteps(sheet: BendSheet, marks: readonly number[]): readonly Vec[] {
  const bench = new Editor(sheet.radius_mm, marks),
    { steps, last_mm } = bendSteps(sheet);
  let at = 0;
  for (const step of steps) {
    bench.push(at + step.push_mm);
    if (step.turn) bench.turn(step.turn.angle_deg, step.turn.direction);
    bench.bend(step.bend_deg);
    at += step.push_mm + sheet.radius_mm * ((step.bend_deg * Math.PI) / 180);
  }
  expect(at + last_mm).toBeCloseTo(sheet.cut_mm, 6);
  bench.push(sheet.cut_mm);
  return bench.tube();
}

/** Marks along the tube and where they lie in the case: ends, and start and end of each bend. */
function wanted(
  sheet: BendSheet,
  run: Run,
): { readonly marks: readonly number[]; readonly at: readonly Vec[] } {
  const path = run.routed?.path ?? [],
    first = path[0],
    last = path[path.length - 1];
  if (!first || !last) throw new Error('no path');
  const arcs = path.flatMap((s) => (s.kind === 'arc' ? [s] : []));
  const start = arcs[0]
    ? unit(cross(arcs[0].axis, sub(arcs[0].from, arcs[0].centre)))
    : unit(sub(first.to, first.from));
  const end =
    arcs.length > 0
      ? unit(
          cross(
            (arcs.at(-1) as (typeof arcs)[number]).axis,
            sub(
              (arcs.at(-1) as (typeof arcs)[number]).to,
              (arcs.at(-1) as (typeof arcs)[number]).centre,
            ),
          ),
        )
      : start;
  return {
    marks: [0, ...sheet.bends.flatMap((b) => [b.start_mm, b.end_mm]), sheet.cut_mm],
    at: [
      sub(first.from, scale(start, sheet.grip_mm)),
      ...arcs.flatMap((a) => [a.from, a.to]),
      add(last.to, scale(end, sheet.grip_mm)),
    ],
  };
}

/**
 * Coordinates in a right-handed frame of the figure's own: its first leg, the plane of its first
 * bend. Mirror images differ.
 */
function ownFrame(points: readonly Vec[]): readonly Vec[] {
  const [o, a, b] = points as [Vec, Vec, Vec],
    x = unit(sub(a, o)),
    n = unit(cross(x, sub(b, a))),
    y = cross(n, x);
  return points.map((p) => {
    const d = sub(p, o);
    return [dot(d, x), dot(d, y), dot(d, n)];
  });
}

const farthest = (a: readonly Vec[], b: readonly Vec[]): number =>
  Math.max(...a.map((p, i) => norm(sub(p, b[i] as Vec))));
const mirrored = (points: readonly Vec[]): readonly Vec[] => points.map(([x, y, z]) => [x, y, -z]);

/**
 * What words rounded to 0.1 mm and 0.1° may be off by at the far end of a run: 0.05° over its
 * length for each turn and bend, 0.05 mm a mark.
 */
const slack_mm = (sheet: BendSheet): number =>
  sheet.bends.length * (0.1 + 2 * ((0.05 * Math.PI) / 180) * sheet.cut_mm) + 0.2;

/** The tube that comes off the mandrel is the tube of the case, not its mirror image. */
function expectTheTube(run: Run, sheet: BendSheet): boolean {
  const { marks, at } = wanted(sheet, run),
    plan = ownFrame(at);
  const bySteps = ownFrame(followSteps(sheet, marks)),
    byWords = ownFrame(followWords(sheet, marks));
  expect(farthest(bySteps, plan)).toBeLessThan(1e-6);
  expect(farthest(byWords, plan)).toBeLessThan(slack_mm(sheet));
  const handed = farthest(mirrored(plan), plan) > 5 * slack_mm(sheet);
  if (handed) expect(farthest(mirrored(byWords), plan)).toBeGreaterThan(slack_mm(sheet));
  return handed;
}

/** A run through these corners, of this radius. */
function runThrough(corners: readonly Vec[], radius_mm: number): Run {
  const table = bendTable(corners, radius_mm);
  return {
    id: 'r',
    loop: 'loop',
    from: { component: 'a', port: 'p' },
    to: { component: 'b', port: 'p' },
    name: 'A → B',
    endNames: { from: 'A', to: 'B' },
    by: 'tube',
    tube: { outer_mm: 14, inner_mm: 10, kind: 'PETG', hard: true },
    ends: { from: 'straight', to: 'straight' },
    fittings: [],
    cut_mm: 0,
    bends: table.rows.length,
    turning_deg: 0,
    volume_mL: 0,
    estimated: false,
    guess: null,
    routed: {
      path: roundedPath(corners, radius_mm),
      radius_mm,
      kept_mm: 5,
      visibility: { crosses: [], before: [] },
      nearest: null,
      lies: null,
      clips: [],
      pieces: [],
      lra: table.rows,
      last_mm: table.last_mm,
    },
  };
}

const loop = {
  ...((demoDesign('fenland-flood-tower') as Design).loops[0] as Design['loops'][number]),
};

describe('the words of a sheet, performed at the mandrel', () => {
  /**
   * Up, then right as seen from behind: the plane turns left-handed about the travel, and the tube
   * the way the words say.
   */
  test('by hand: along x, up along y, on along z', () => {
    const run = runThrough(
        [
          [0, 0, 0],
          [100, 0, 0],
          [100, 100, 0],
          [100, 100, 100],
        ],
        20,
      ),
      sheet = bendSheet(run, loop) as BendSheet;
    expect(sheet.bends.map((b) => b.turn)).toEqual([null, tubeTurn(90)]);
    expect(tubeTurn(90)).toEqual({ direction: 'clockwise', angle_deg: 90 });
    expect(tubeTurn(-30)).toEqual({ direction: 'anticlockwise', angle_deg: 30 });
    expect(tubeTurn(0.04)).toBeNull();
    expect(bendSteps(sheet).steps.map((s) => [s.push_mm, s.bend_deg])).toEqual([
      [expect.closeTo(88, 9), 90],
      [expect.closeTo(60, 9), 90],
    ]);
    expect(expectTheTube(run, sheet)).toBe(true);
  });

  test('every hard run of every demo, and of the tower with tees, comes out as the tube of the case', () => {
    let handed = 0,
      done = 0;
    const demos = DEMO_BUILDS.map(({ name }) => demoDesign(name) as Design);
    for (const design of [...demos, withRoutes(teedTower)]) {
      for (const run of analyse(design).reports.runs) {
        const own = design.loops.find((l) => l.id === run.loop) as Design['loops'][number],
          sheet = bendSheet(run, { ...own, testBend: undefined } as Design['loops'][number]);
        if (!sheet || sheet.bends.length === 0) continue;
        done += 1;
        if (expectTheTube(run, sheet)) handed += 1;
      }
    }
    expect(done).toBeGreaterThan(10);
    expect(handed).toBeGreaterThan(5);
  }, 120_000);

  test('200 random runs of two to seven bends', () => {
    const leg = fc.record({
      along: fc.integer({ min: 60, max: 250 }),
      polar: fc.integer({ min: 25, max: 120 }),
      round: fc.integer({ min: 0, max: 359 }),
    });
    let handed = 0;
    fc.assert(
      fc.property(fc.array(leg, { minLength: 3, maxLength: 8 }), (legs) => {
        let at: Vec = [0, 0, 0],
          d: Vec = [1, 0, 0];
        const corners: Vec[] = [at];
        for (const { along, polar, round } of legs) {
          at = add(at, scale(d, along + 80));
          corners.push(at);
          const side = unit(cross(d, Math.abs(d[0]) < 0.8 ? [1, 0, 0] : [0, 1, 0])),
            up = cross(d, side),
            p = (polar * Math.PI) / 180,
            r = (round * Math.PI) / 180;
          d = unit(
            add(
              scale(d, Math.cos(p)),
              scale(add(scale(side, Math.cos(r)), scale(up, Math.sin(r))), Math.sin(p)),
            ),
          );
        }
        const run = runThrough(corners, 16),
          sheet = bendSheet(run, loop) as BendSheet;
        if (expectTheTube(run, sheet)) handed += 1;
      }),
      { numRuns: 200, seed: 5 },
    );
    expect(handed).toBeGreaterThan(150);
  });
});
