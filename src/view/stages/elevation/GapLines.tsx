import { axisGaps, type Vec } from '@/core/geometry';
import { flatBox, type Flat, type View } from '@/core/elevation';
import type { Solid, System } from '@/core/system';
import { formatShown } from '@/core/units';
import { Dimension } from './Dimension';

interface Props {
  readonly model: System;
  readonly picked: string;
  readonly view: View;
  readonly size: Vec;
  /** Less than this is marginal, mm. */
  readonly clear_mm: number;
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
}

interface Gap {
  readonly key: string;
  readonly a: Flat;
  readonly b: Flat;
  readonly gap_mm: number;
  readonly isUpright: boolean;
}

/** Gaps wider or narrower than these are not drawn, mm; nor more of them at once. */
const WIDEST_MM = 45,
  NARROWEST_MM = 0.2,
  MOST = 4;
/** Axes of the case across and up on the sheet. */
const AXES = { side: [0, 1], front: [2, 1], top: [0, 2] } as const;

/** Dimension lines from the picked part to what is near it in this view. */
export function GapLines({ model, picked, view, size, clear_mm, k }: Props) {
  return gapsOnSheet(model, picked, view, size).map(({ key, ...gap }) => (
    <Dimension
      key={key}
      {...endsOf(gap)}
      text={formatShown(gap.gap_mm, 'mm')}
      colour={gap.gap_mm < clear_mm ? 'var(--marginal)' : 'var(--copper)'}
      k={k}
    />
  ));
}

/** The nearest bodies that are beside the picked part's, or over or under them. */
function gapsOnSheet(system: System, picked: string, view: View, size: Vec): readonly Gap[] {
  const own = system.placed.get(picked)?.solids ?? [];
  const beside = solidsBeside(system, picked);
  const [across, up] = AXES[view];
  const found = own.flatMap((a) =>
    beside.flatMap((b): readonly Gap[] => {
      const gaps = axisGaps(a.box, b.box);
      const apart = ([0, 1, 2] as const).filter((i) => gaps[i] > 0);
      const [axis] = apart;
      if (axis === undefined || apart.length > 1 || (axis !== across && axis !== up)) return [];
      const gap_mm = gaps[axis];
      if (gap_mm > WIDEST_MM || gap_mm < NARROWEST_MM) return [];
      return [
        {
          key: `${a.detail}-${b.component}-${b.detail}`,
          a: flatBox(view, size, a.box),
          b: flatBox(view, size, b.box),
          gap_mm,
          isUpright: axis === up,
        },
      ];
    }),
  );
  return found.sort((p, q) => p.gap_mm - q.gap_mm).slice(0, MOST);
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
function endsOf({ a, b, isUpright }: Pick<Gap, 'a' | 'b' | 'isUpright'>) {
  if (isUpright) {
    const x = (Math.max(a.x, b.x) + Math.min(a.x + a.w, b.x + b.w)) / 2;
    const [y1, y2] = a.y < b.y ? [a.y + a.h, b.y] : [b.y + b.h, a.y];
    return { x1: x, x2: x, y1, y2 };
  }
  const y = (Math.max(a.y, b.y) + Math.min(a.y + a.h, b.y + b.h)) / 2;
  const [x1, x2] = a.x < b.x ? [a.x + a.w, b.x] : [b.x + b.w, a.x];
  return { x1, x2, y1: y, y2: y };
}
