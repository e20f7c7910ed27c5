import { decimalsShown, valueShown } from '../units';
import { union, type Vec } from '../geometry';
import { middleLine } from '../routing';
import type { PlacedComponent, System } from '../system';
import type { Run } from '../tubing';
import {
  clipStroke,
  flatBox,
  flatPoint,
  sheetSize,
  VIEW_NAMES,
  wholeBodies,
  type View,
} from './project';

type Point = readonly [x: number, y: number];

/** What an elevation is drawn of; mm on the sheet at 1:1, y downwards. */
export type ElevationShape =
  | { readonly shape: 'rect'; readonly at: Point; readonly size: Point; readonly weight: number }
  | { readonly shape: 'line'; readonly points: readonly Point[]; readonly weight: number }
  | {
      readonly shape: 'text';
      readonly at: Point;
      readonly text: string;
      readonly size: number;
      /** Written upwards. */
      readonly isUpright?: boolean;
    };

export interface ElevationSheet {
  readonly view: View;
  readonly title: string;
  readonly width_mm: number;
  readonly height_mm: number;
  readonly shapes: readonly ElevationShape[];
}

/** Sides that are drawn. */
export const ELEVATIONS: readonly View[] = ['side', 'front', 'top'];

/** Room round the drawing for its dimensions, and one row of them, mm. */
const MARGIN_MM = 24,
  ROW_MM = 17,
  TEXT_MM = 9,
  TICK_MM = 3;
const STEP_MM = 4;
/** Lines of what the loop passes are heavier. */
const HEAVY = 0.9,
  PLAIN = 0.45,
  THIN = 0.25;
/** Parts whose place is dimensioned, from the left and the lower wall as drawn. */
const DIMENSIONED: readonly PlacedComponent['part']['kind'][] = ['radiator', 'reservoir', 'pump'];

/**
 * One side of the case with its parts and runs to scale: overall dimensions, and of each radiator,
 * reservoir and pump how far it is from the walls and how large. Null without a case.
 */
export function elevationSheet(
  system: System,
  runs: readonly Run[],
  view: View,
): ElevationSheet | null {
  const size = system.design.case?.interior;
  if (!size) return null;
  const [wide, high] = sheetSize(view, size);
  const dimensioned = [...system.placed.values()].filter(
    (p) => DIMENSIONED.includes(p.part.kind) && p.solids.length > 0,
  );
  const rows = dimensioned.length + 1;
  const origin: Point = [MARGIN_MM + rows * ROW_MM, MARGIN_MM];
  const inCase = ([x, y]: Point): Point => [origin[0] + x, origin[1] + y];
  return {
    view,
    title: `${system.design.name}, ${VIEW_NAMES[view]}`,
    width_mm: origin[0] + wide + MARGIN_MM,
    height_mm: origin[1] + high + MARGIN_MM + rows * ROW_MM,
    shapes: [
      { shape: 'rect', at: inCase([0, 0]), size: [wide, high], weight: PLAIN },
      ...partShapes(system, size, view, inCase),
      ...runShapes(runs, size, view, inCase),
      ...dimensionShapes(
        dimensioned.map((p) => rowOf(system, p, size, view)),
        [wide, high],
        inCase,
      ),
    ],
  };
}

/** Farthest first, so that what is nearer lies over it. */
function partShapes(
  system: System,
  size: Vec,
  view: View,
  inCase: (p: Point) => Point,
): readonly ElevationShape[] {
  const nameOf = (id: string): string =>
    system.design.components.find((c) => c.id === id)?.name ?? id;
  return [...system.placed.values()]
    .filter((p) => p.solids.length > 0)
    .sort((a, b) => depthOf(a, size, view) - depthOf(b, size, view))
    .flatMap((p): ElevationShape[] => {
      const boxes = wholeBodies(p.solids).map((s) => flatBox(view, size, s.box));
      const [first] = boxes;
      const weight = p.ports.length > 0 ? HEAVY : PLAIN;
      return [
        ...boxes.map((b): ElevationShape => ({
          shape: 'rect',
          at: inCase([b.x, b.y]),
          size: [b.w, b.h],
          weight,
        })),
        ...(first && first.w > TEXT_MM * 4
          ? [
              {
                shape: 'text',
                at: inCase([first.x + 3, first.y + TEXT_MM + 1]),
                text: nameOf(p.id),
                size: TEXT_MM * 0.8,
              } as const,
            ]
          : []),
      ];
    });
}

const depthOf = (p: PlacedComponent, size: Vec, view: View): number =>
  Math.max(...p.solids.map((s) => flatBox(view, size, s.box).depth));

const runShapes = (
  runs: readonly Run[],
  size: Vec,
  view: View,
  inCase: (p: Point) => Point,
): readonly ElevationShape[] =>
  runs.flatMap((run): ElevationShape[] => {
    const points = middleLine(run, STEP_MM).map((p) => inCase(flatPoint(view, size, p)));
    if (points.length < 2) return [];
    const clips = (run.routed?.clips ?? []).map((clip): ElevationShape => ({
      shape: 'line',
      points: clipStroke(view, size, clip, run.tube.outer_mm).map(inCase),
      weight: HEAVY,
    }));
    return [{ shape: 'line', points, weight: HEAVY * 1.6 }, ...clips];
  });

interface DimensionRow {
  readonly name: string;
  /** From and to along each axis of the sheet, mm from the left and the top wall. */
  readonly across: Point;
  readonly up: Point;
}

function rowOf(system: System, p: PlacedComponent, size: Vec, view: View): DimensionRow {
  const b = flatBox(view, size, union(p.solids.map((s) => s.box)));
  return {
    name: system.design.components.find((c) => c.id === p.id)?.name ?? p.id,
    across: [b.x, b.x + b.w],
    up: [b.y, b.y + b.h],
  };
}

/** Under the drawing and at its left: the whole first, then a row for each part. */
function dimensionShapes(
  rows: readonly DimensionRow[],
  [wide, high]: Point,
  inCase: (p: Point) => Point,
): readonly ElevationShape[] {
  const under = (row: number): number => high + ROW_MM * (row + 0.8),
    beside = (row: number): number => -ROW_MM * (row + 0.8);
  const level = (from: number, to: number, y: number, text: string): ElevationShape[] =>
    dimension(inCase([from, y]), inCase([to, y]), text, false);
  const upright = (from: number, to: number, x: number, text: string): ElevationShape[] =>
    dimension(inCase([x, to]), inCase([x, from]), text, true);
  return [
    ...level(0, wide, under(0), mm(wide)),
    ...upright(0, high, beside(0), mm(high)),
    ...rows.flatMap(({ name, across, up }, i) => [
      ...level(0, across[0], under(i + 1), mm(across[0])),
      ...level(across[0], across[1], under(i + 1), `${name} ${mm(across[1] - across[0])}`),
      ...upright(up[1], high, beside(i + 1), mm(high - up[1])),
      ...upright(up[0], up[1], beside(i + 1), `${name} ${mm(up[1] - up[0])}`),
    ]),
  ];
}

const mm = (v: number): string => {
  const decimals = decimalsShown(1, 'mm');
  return String(Number(valueShown(v, 'mm').toFixed(decimals)));
};

/** A dimension line with a tick at either end and its figure over the middle. */
function dimension(from: Point, to: Point, text: string, isUpright: boolean): ElevationShape[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 0.5) return [];
  const tick = (p: Point): ElevationShape => ({
    shape: 'line',
    points: isUpright
      ? [
          [p[0] - TICK_MM, p[1]],
          [p[0] + TICK_MM, p[1]],
        ]
      : [
          [p[0], p[1] - TICK_MM],
          [p[0], p[1] + TICK_MM],
        ],
    weight: THIN,
  });
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  return [
    { shape: 'line', points: [from, to], weight: THIN },
    tick(from),
    tick(to),
    {
      shape: 'text',
      at: isUpright ? [middle[0] - 1.5, middle[1]] : [middle[0], middle[1] - 1.5],
      text,
      size: TEXT_MM * 0.7,
      ...(isUpright ? { isUpright } : {}),
    },
  ];
}
