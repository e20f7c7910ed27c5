import { loopOfRun, type Loop, type LoopId } from '../design';
import {
  bendMarks,
  INSERTION_MM,
  formerRadius,
  setAngle,
  setBack,
  springBackOf,
  trimFor,
  type Run,
  type SpringBack,
} from '../tubing';
import { tubeTurn, type TubeTurn } from './bendSteps';
import { onBench, type OnBench } from './onBench';
import { distance, scale, sub, add, unit, type Vec } from '../geometry';

/** Where a bend goes on the straight tube. Distances from the first end, mm. */
export interface SheetBend {
  /** Pen mark: the bend starts here, before its corner. */
  readonly start_mm: number;
  readonly end_mm: number;
  /** Where a ruler would find the corner: bending there is the classic mistake. */
  readonly corner_mm: number;
  readonly setBack_mm: number;
  /**
   * Turn of the bend plane before this bend, right-handed about the way from the first end; null
   * for the first.
   */
  readonly rotation_deg: number | null;
  /** The same as a turn of the tube in the hand, seen from the held end; null for none. */
  readonly turn: TubeTurn | null;
  readonly angle_deg: number;
  /** Angle to bend to, so that the wanted one is left when it is let go and cool. */
  readonly set_deg: number;
  /** Of its middle line as it lies in the case. */
  readonly radius_mm: number;
  /** Of the mandrel that leaves that radius, once the bend has sprung back. */
  readonly mandrel_mm: number;
  /** Which corner of its route it rounds. */
  readonly corner: number;
}

/** All that a bench needs to make one run. */
export interface BendSheet {
  readonly run: string;
  readonly name: string;
  /**
   * Names of the parts its first end (`from`, which leads into the mandrel) and its other end lead
   * to.
   */
  readonly endNames: Run['endNames'];
  readonly loop: LoopId;
  readonly material: Loop['tube']['material'];
  readonly hard: boolean;
  readonly outer_mm: number;
  readonly inner_mm: number;
  readonly radius_mm: number;
  readonly cut_mm: number;
  /** Left over at the far end until the bends are done: too long can be cut, too short cannot. */
  readonly trim_mm: number;
  /** How deep both ends sit in their fittings. */
  readonly grip_mm: number;
  readonly bends: readonly SheetBend[];
  /**
   * End to end through the air when it is bent, and how much room it takes along its own axes: to
   * check it by.
   */
  readonly span_mm: number;
  readonly extent_mm: Vec;
  /** How it lies over the bench while it is bent; null without bends. */
  readonly onBench: OnBench | null;
  /** What its bends spring back by; null where nothing tells. */
  readonly springBack: SpringBack | null;
}

/** The sheet of a routed run; null while it has no way in space. */
export function bendSheet(run: Run, whole: Loop): BendSheet | null {
  const loop = loopOfRun(whole, run.id);
  const { routed } = run;
  if (!routed || routed.path.length === 0) return null;
  const tube = bendMarks(routed.lra, routed.last_mm, INSERTION_MM);
  const springBack = springBackOf(loop.tube, loop.testBends ?? []);
  const bends = run.tube.hard
    ? tube.marks.map((m, i): SheetBend => {
        const back = setBack(m.radius_mm, m.angle_deg);
        const set_deg = springBack ? setAngle(m.angle_deg, springBack, m.radius_mm) : m.angle_deg;
        return {
          start_mm: m.start_mm,
          end_mm: m.end_mm,
          corner_mm: m.start_mm + back,
          setBack_mm: back,
          rotation_deg: i === 0 ? null : m.rotation_deg,
          turn: i === 0 ? null : tubeTurn(m.rotation_deg),
          angle_deg: m.angle_deg,
          set_deg,
          radius_mm: m.radius_mm,
          mandrel_mm: springBack?.cold
            ? formerRadius(m.angle_deg, set_deg, m.radius_mm)
            : m.radius_mm,
          corner: routed.lra[i]?.corner ?? i,
        };
      })
    : [];
  const ends = endsOf(routed.path);
  const all = [...routed.path.flatMap((s) => [s.from, s.to]), ends.from, ends.to];
  return {
    run: run.id,
    name: run.name,
    endNames: run.endNames,
    loop: loop.id,
    material: loop.tube.material,
    hard: run.tube.hard,
    outer_mm: run.tube.outer_mm,
    inner_mm: run.tube.inner_mm,
    radius_mm: routed.radius_mm,
    cut_mm: tube.cut_mm,
    trim_mm: trimFor({ tube: run.tube, bends: bends.length }),
    grip_mm: INSERTION_MM,
    bends,
    span_mm: distance(ends.from, ends.to),
    extent_mm: ([0, 1, 2] as const).map(
      (i) =>
        Math.max(...all.map((p) => p[i])) - Math.min(...all.map((p) => p[i])) + run.tube.outer_mm,
    ) as unknown as Vec,
    onBench: bends.length > 0 ? onBench(routed.path) : null,
    springBack,
  };
}

/** The tube's own ends, inside its fittings. */
function endsOf(path: NonNullable<Run['routed']>['path']): {
  readonly from: Vec;
  readonly to: Vec;
} {
  const first = path[0] as (typeof path)[number],
    last = path[path.length - 1] as (typeof path)[number];
  const out = (s: typeof first, at: 'from' | 'to'): Vec =>
    s.kind === 'line'
      ? unit(at === 'from' ? sub(s.from, s.to) : sub(s.to, s.from))
      : tangent(s, at);
  return {
    from: add(first.from, scale(out(first, 'from'), INSERTION_MM)),
    to: add(last.to, scale(out(last, 'to'), INSERTION_MM)),
  };
}

function tangent(
  s: Extract<NonNullable<Run['routed']>['path'][number], { kind: 'arc' }>,
  at: 'from' | 'to',
): Vec {
  const r = sub(at === 'from' ? s.from : s.to, s.centre),
    t: Vec = [
      s.axis[1] * r[2] - s.axis[2] * r[1],
      s.axis[2] * r[0] - s.axis[0] * r[2],
      s.axis[0] * r[1] - s.axis[1] * r[0],
    ];
  return scale(unit(t), at === 'from' ? -1 : 1);
}

/** Mandrels its bends are made on, mm, in the order they are first used. */
export const mandrelsOf = (sheet: Pick<BendSheet, 'bends'>): readonly number[] => [
  ...new Set(sheet.bends.map((b) => Math.round(10 * b.mandrel_mm) / 10)),
];

/** Planes that its bends lie in: one for a flat run, one more for each turn between. */
export const planesOf = (sheet: BendSheet): number =>
  sheet.bends.length === 0
    ? 0
    : 1 +
      sheet.bends.filter(
        (b) =>
          b.rotation_deg !== null &&
          Math.abs(b.rotation_deg) > 1 &&
          Math.abs(Math.abs(b.rotation_deg) - 180) > 1,
      ).length;

/**
 * Easiest first, for practice: fewest bends, then fewest planes, then the shortest (common
 * practice, no source).
 */
export const makingOrder = (sheets: readonly BendSheet[]): readonly BendSheet[] =>
  [...sheets].sort(
    (a, b) =>
      a.bends.length - b.bends.length ||
      planesOf(a) - planesOf(b) ||
      a.cut_mm - b.cut_mm ||
      a.run.localeCompare(b.run),
  );
