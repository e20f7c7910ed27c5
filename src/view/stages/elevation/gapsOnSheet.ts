import { axisGaps, type Vec } from '@/core/geometry';
import { flatBox, type Flat, type View } from '@/core/elevation';
import type { Solid, System } from '@/core/system';

/** A gap on the sheet: its length, and the ends of its line in millimetres of the sheet. */
export interface SheetGap {
  readonly key: string;
  readonly gap_mm: number;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** Gaps wider or narrower than these are not drawn, mm; nor more of them at once. */
const WIDEST_MM = 45,
  NARROWEST_MM = 0.2,
  MOST = 4;
/** Lines nearer to one another than this cannot be read, px: their numbers cover each other. */
const NEAR_PX = { across: 14, along: 30 };
/** Axes of the case across and up on the sheet. */
const AXES = { side: [0, 1], front: [2, 1], top: [0, 2] } as const;

/**
 * Gaps from the picked part to the nearest bodies beside it, or over or under it, the narrowest
 * first; of lines that would cover each other at `k` millimetres a pixel, one.
 */
export function gapsOnSheet(
  system: System,
  picked: string,
  view: View,
  size: Vec,
  k: number,
): readonly SheetGap[] {
  const own = system.placed.get(picked)?.solids ?? [];
  const beside = solidsBeside(system, picked);
  const [across, up] = AXES[view];
  const found = own.flatMap((a) =>
    beside.flatMap((b): readonly SheetGap[] => {
      const gaps = axisGaps(a.box, b.box);
      const apart = ([0, 1, 2] as const).filter((i) => gaps[i] > 0);
      const [axis] = apart;
      if (axis === undefined || apart.length > 1 || (axis !== across && axis !== up)) return [];
      const gap_mm = gaps[axis];
      if (gap_mm > WIDEST_MM || gap_mm < NARROWEST_MM) return [];
      return [
        {
          key: `${a.detail}-${b.component}-${b.detail}`,
          gap_mm,
          ...endsOf(flatBox(view, size, a.box), flatBox(view, size, b.box), axis === up),
        },
      ];
    }),
  );
  const kept: SheetGap[] = [];
  for (const gap of found.sort((p, q) => p.gap_mm - q.gap_mm))
    if (kept.length < MOST && !kept.some((other) => covers(other, gap, k))) kept.push(gap);
  return kept;
}

const isUpright = ({ x1, x2 }: SheetGap): boolean => x1 === x2;

/** Whether the numbers of two lines of one direction would lie on each other. */
function covers(a: SheetGap, b: SheetGap, k: number): boolean {
  if (isUpright(a) !== isUpright(b)) return false;
  const dx = Math.abs((a.x1 + a.x2 - b.x1 - b.x2) / 2) / k,
    dy = Math.abs((a.y1 + a.y2 - b.y1 - b.y2) / 2) / k;
  // A number stands along its line.
  const [along, across] = isUpright(a) ? [dy, dx] : [dx, dy];
  return along < NEAR_PX.along && across < NEAR_PX.across;
}

/** All solids but its own, those that stand on it and those it stands on. */
function solidsBeside(system: System, picked: string): readonly Solid[] {
  const own = new Set([
    picked,
    ...system.mates.standingOn(picked),
    ...system.mates.hostsOf(picked).slice(0, 1),
  ]);
  const parts = [...system.placed.values()].filter(({ id }) => !own.has(id));
  return [...parts.flatMap((p) => p.solids), ...system.obstacles];
}

/** Where the line of a gap runs: in the middle of what both bodies share across it. */
function endsOf(a: Flat, b: Flat, upright: boolean): Omit<SheetGap, 'key' | 'gap_mm'> {
  if (upright) {
    const x = (Math.max(a.x, b.x) + Math.min(a.x + a.w, b.x + b.w)) / 2;
    const [y1, y2] = a.y < b.y ? [a.y + a.h, b.y] : [b.y + b.h, a.y];
    return { x1: x, x2: x, y1, y2 };
  }
  const y = (Math.max(a.y, b.y) + Math.min(a.y + a.h, b.y + b.h)) / 2;
  const [x1, x2] = a.x < b.x ? [a.x + a.w, b.x] : [b.x + b.w, a.x];
  return { x1, x2, y1: y, y2: y };
}
