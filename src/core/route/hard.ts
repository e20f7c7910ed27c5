import type { Via } from '../build';
import { add, scale, type Vec } from '../shape';
import type { EndWay } from './ends';
import { distanceField, type Field } from './field';
import { jogLeg } from './jog';
import { reachOf, tollOf, type Reach, type Room } from './room';
import { cheapestPath } from './search';
import { passedOn, viaBound } from './via';

/** What a tube can do: radius of its bends, least straight at a fitting and between two bends, mm. */
export interface TubeLimits {
  readonly radius_mm: number;
  readonly atFitting_mm: number;
  readonly between_mm: number;
}

/** A way found: the corners from mouth to mouth, and the ends used. */
export interface WayFound {
  readonly corners: readonly Vec[];
  readonly from: EndWay;
  readonly to: EndWay;
  readonly cost: number;
  readonly expanded: number;
}

/** Corners looked at before what stands between is measured round. */
const HASTE = 600;
/** Corners looked at before a way is given up. */
const MOST_EXPANDED = 20000;

/** A bend is worth so many millimetres of straight tube: heating, holding, and one more to get wrong (common practice, no source). */
export const BEND_COST = 45;
/** A leg off the planes that other runs use costs so much more a millimetre: parallel runs look tidy. */
const OFF_PLANE = 0.04;

type Axis = 0 | 1 | 2;
interface State {
  readonly at: Vec;
  /** Place among the lines, 64 an axis. */ readonly cell: number;
  /** Axis and sense of the leg that led here; 0…5. */ readonly way: number;
  /** Number of the start. */ readonly start: number;
  /** Number of the goal once reached; else FRESH before the first leg, CORNER after. */ readonly goal: number;
  /** Places to pass that lie behind. */ readonly stage: number;
  /** Corners of a sidestep on the leg that led here. */ readonly via?: readonly Vec[];
}

const axisOf = (way: number): Axis => (way >> 1) as Axis;
const senseOf = (way: number): 1 | -1 => (way % 2 === 0 ? 1 : -1);
export const wayOf = (d: Vec): number => {
  const axis = d.findIndex((x) => Math.abs(x) > 0.5);
  return 2 * axis + (d[axis as Axis] > 0 ? 0 : 1);
};
const vecOf = (way: number): Vec => {
  const v = [0, 0, 0];
  v[axisOf(way)] = senseOf(way);
  return v as unknown as Vec;
};
const along = (at: Vec, way: number, by: number): Vec => {
  const v = [...at] as [number, number, number];
  v[axisOf(way)] += senseOf(way) * by;
  return v;
};
/** Only ends along the axes; elbows of 45° are brought onto one before (`levelled`). */
const square = (e: EndWay): boolean => e.direction.filter((x) => Math.abs(x) > 1e-9).length === 1;

/**
 * The cheapest right-angled way between two ports with all their end fittings at once: straight legs and bends of 90°, every leg long enough
 * for its bends. States are corners with the way that led there; a leg is one step, so its least length is exact. Null when there is none.
 */
export function hardWay(
  room: Room,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  limits: TubeLimits,
  lines: readonly [readonly number[], readonly number[], readonly number[]],
  planes: readonly [ReadonlySet<number>, ReadonlySet<number>, ReadonlySet<number>] | null = null,
  {
    most = MOST_EXPANDED,
    weight = 1,
    vias = [],
  }: { readonly most?: number; readonly weight?: number; readonly vias?: readonly Via[] } = {},
): WayFound | null {
  const starts = froms.filter(square),
    goals = tos.filter(square);
  if (starts.length === 0 || goals.length === 0) return null;
  const { radius_mm: r, atFitting_mm: s, between_mm: b } = limits;
  const first = s + r,
    middle = 2 * r + b,
    last = r + s;
  const goalWays = goals.map((g) => wayOf(scale(g.direction, -1)));
  const bend = BEND_COST - (2 - Math.PI / 2) * r;
  const cells = lines.map((l) => new Map(l.map((v, i) => [v, i]))) as unknown as readonly [
    Map<number, number>,
    Map<number, number>,
    Map<number, number>,
  ];
  const cellOf = (p: Vec): number =>
    ((cells[0].get(p[0]) ?? LINES - 1) * LINES + (cells[1].get(p[1]) ?? LINES - 1)) * LINES +
    (cells[2].get(p[2]) ?? LINES - 1);
  const STRIDE = [LINES * LINES, LINES, 1] as const;
  /** Rays from one place are asked for by every way that leads there. */
  const reached = new Map<number, Reach>();
  const reachFrom = (state: State, way: number): Reach => {
    const onLines =
        cells[0].has(state.at[0]) && cells[1].has(state.at[1]) && cells[2].has(state.at[2]),
      key = state.cell * 6 + way;
    const known = onLines ? reached.get(key) : undefined;
    if (known) return known;
    const reach = reachOf(room, state.at, axisOf(way), senseOf(way));
    if (onLines) reached.set(key, reach);
    return reach;
  };
  const onPlane = (axis: Axis, at: Vec): boolean =>
    planes === null ||
    planes[((axis + 1) % 3) as Axis].has(Math.round(at[((axis + 1) % 3) as Axis])) ||
    planes[((axis + 2) % 3) as Axis].has(Math.round(at[((axis + 2) % 3) as Axis]));
  const cornerKey = (cell: number, way: number, stage: number): number =>
    (cell * 6 + way) * (vias.length + 1) + stage;
  const next = (
    state: State,
    tell: (state: State, cost: number) => void,
    wanted: (key: number, cost: number) => boolean,
  ): void => {
    const fresh = state.goal === FRESH;
    for (let way = 0; way < 6; way += 1) {
      if (fresh ? way !== state.way : axisOf(way) === axisOf(state.way)) continue;
      const axis = axisOf(way),
        sense = senseOf(way),
        here = state.at[axis];
      const reach = reachFrom(state, way);
      if (reach.free_mm < (fresh ? s : r) - 1e-9) continue;
      const turn = fresh ? 0 : turnToll(room, state.at, state.way, way, r);
      if (turn === Infinity) continue;
      const tollTo = (t: number): number => {
        let sum = turn;
        for (const x of reach.tolls) {
          if (x.at_mm >= t) break;
          sum += x.toll;
        }
        return sum;
      };
      const rate = onPlane(axis, state.at) ? 1 : 1 + OFF_PLANE;
      const least = fresh ? first : middle,
        column = state.cell - (cells[axis].get(here) ?? LINES - 1) * STRIDE[axis],
        line = lines[axis];
      for (let i = 0; i < line.length; i += 1) {
        const t = ((line[i] as number) - here) * sense;
        if (t < least - 1e-9 || t > reach.free_mm + 1e-9) continue;
        const stage = vias.length === 0 ? 0 : passedOn(vias, state.stage, state.at, axis, sense, t),
          cell = column + i * STRIDE[axis],
          cost = t * rate + bend + tollTo(t);
        if (wanted(cornerKey(cell, way, stage), cost))
          tell(
            { at: along(state.at, way, t), cell, way, start: state.start, goal: CORNER, stage },
            cost,
          );
      }
      for (let k = 0; k < goals.length; k += 1) {
        if (goalWays[k] !== way) continue;
        const g = goals[k] as EndWay,
          t = (g.mouth[axis] - here) * sense;
        if (t < (fresh ? s : last) - 1e-9) continue;
        const stage = vias.length === 0 ? 0 : passedOn(vias, state.stage, state.at, axis, sense, t);
        if (stage < vias.length) continue;
        if (
          ([0, 1, 2] as const).some((i) => i !== axis && Math.abs(g.mouth[i] - state.at[i]) > 1e-6)
        ) {
          const jog = jogLeg(room, state.at, vecOf(way), g.mouth, r, b, fresh ? s : r + b, s);
          if (jog)
            tell(
              { at: g.mouth, cell: 0, way, start: state.start, goal: k, stage, via: jog.corners },
              t * rate + turn + jog.toll + jog.longer_mm + 2 * BEND_COST + g.cost,
            );
          continue;
        }
        if (t <= reach.free_mm + 1e-9)
          tell(
            { at: g.mouth, cell: 0, way, start: state.start, goal: k, stage },
            t * rate + tollTo(t) + g.cost,
          );
      }
    }
  };
  // Most ways are found at once; where one is not, what stands between is measured round first.
  let field: Field | null = null;
  const fieldAt = (cell: number): number => {
    const i = cell >> 12,
      j = (cell >> 6) & 63,
      k = cell & 63;
    return field && i < lines[0].length && j < lines[1].length && k < lines[2].length
      ? field.at(i, j, k)
      : 0;
  };
  const search = (patience: number): ReturnType<typeof cheapestPath<State>> =>
    cheapestPath<State>(
      {
        starts: starts.map((e, i) => ({
          state: {
            at: e.mouth,
            cell: cellOf(e.mouth),
            way: wayOf(e.direction),
            start: i,
            goal: FRESH,
            stage: 0,
          },
          cost: e.cost,
        })),
        key: (x) =>
          x.goal >= 0
            ? -1 - x.goal
            : x.goal === FRESH
              ? -100 - x.start
              : cornerKey(x.cell, x.way, x.stage),
        done: (x) => x.goal >= 0,
        next,
        bound: (x) => {
          if (x.goal >= 0) return 0;
          const via = vias[x.stage];
          let least = Infinity,
            bends = Infinity;
          for (let k = 0; k < goals.length; k += 1) {
            const g = goals[k] as EndWay;
            if (via) {
              least = Math.min(least, viaBound(x.at, via, g.mouth) + g.cost);
              continue;
            }
            const n = bendsTo(x, g.mouth, goalWays[k] as number);
            bends = Math.min(bends, n);
            least = Math.min(
              least,
              Math.abs(g.mouth[0] - x.at[0]) +
                Math.abs(g.mouth[1] - x.at[1]) +
                Math.abs(g.mouth[2] - x.at[2]) +
                n * Math.max(0, bend) +
                g.cost,
            );
          }
          if (via) return least;
          const round = fieldAt(x.cell);
          return Math.max(least, round + bends * Math.max(0, bend));
        },
      },
      patience,
      weight,
    );
  let found = search(Math.min(most, HASTE));
  if (!found && vias.length === 0) {
    const number = (axis: Axis, v: number): number => cells[axis].get(v) ?? -1;
    const ends = goals.map((g, k) => ({
      at: [number(0, g.mouth[0]), number(1, g.mouth[1]), number(2, g.mouth[2])] as const,
      axis: axisOf(goalWays[k] as number),
      sense: senseOf(goalWays[k] as number),
      side_mm: 2 * r + b,
      cost: g.cost,
    }));
    if (ends.every((e) => e.at.every((n) => n >= 0)))
      field = distanceField(lines, room.blocks, ends);
    // Walled off: there is no way, and no need to look for one.
    if (field && starts.every((e) => fieldAt(cellOf(e.mouth)) === Infinity)) return null;
  }
  if (!found && most > HASTE) found = search(most);
  if (!found) return null;
  const end = found.path[found.path.length - 1] as State;
  return {
    corners: found.path.flatMap((x) => [...(x.via ?? []), x.at]),
    from: starts[end.start] as EndWay,
    to: goals[end.goal] as EndWay,
    cost: found.cost,
    expanded: found.expanded,
  };
}

/** Most lines an axis; a state that has not left its fitting yet, and one at a corner. */
const LINES = 64,
  FRESH = -2,
  CORNER = -1;

/** Never more bends than are still to come: those that its directions ask for. */
function bendsTo(x: State, to: Vec, goalWay: number): number {
  const dx = to[0] - x.at[0],
    dy = to[1] - x.at[1],
    dz = to[2] - x.at[2],
    g = axisOf(goalWay),
    a = axisOf(x.way);
  const ahead = (g === 0 ? dx : g === 1 ? dy : dz) * senseOf(goalWay) > 1e-6;
  const offX = Math.abs(dx) > 1e-6,
    offY = Math.abs(dy) > 1e-6,
    offZ = Math.abs(dz) > 1e-6;
  let bends: number;
  if (x.goal === FRESH) {
    // The first leg goes on as it stands.
    const onward = (a === 0 ? dx : a === 1 ? dy : dz) * senseOf(x.way),
      beside = (offX && a !== 0 ? 1 : 0) + (offY && a !== 1 ? 1 : 0) + (offZ && a !== 2 ? 1 : 0);
    const besideBoth = beside - (a !== g && (g === 0 ? offX : g === 1 ? offY : offZ) ? 1 : 0);
    bends =
      g === a
        ? x.way === goalWay && beside === 0 && onward > 0
          ? 0
          : 2
        : ahead && onward > 1e-6 && besideBoth === 0
          ? 1
          : 2;
  } else {
    const others =
        (offX && g !== 0 ? 1 : 0) + (offY && g !== 1 ? 1 : 0) + (offZ && g !== 2 ? 1 : 0),
      offA = a !== g && (a === 0 ? offX : a === 1 ? offY : offZ);
    bends =
      g !== a && ahead && others === 0
        ? 0
        : ahead && others === 1 && !offA
          ? 1
          : others === 0 && !ahead
            ? 2
            : ahead && others <= 1
              ? 1
              : 2;
    if (others === 1 && offA) bends = 2;
  }
  return bends;
}

/** Toll of the inside of a bend; its points are looked at only where a block is near. */
function turnToll(room: Room, corner: Vec, into: number, out: number, r: number): number {
  const back = senseOf(into) * r,
    on = senseOf(out) * r,
    i = axisOf(into),
    o = axisOf(out);
  const low = [corner[0], corner[1], corner[2]] as [number, number, number],
    high = [corner[0], corner[1], corner[2]] as [number, number, number];
  if (back > 0) low[i] -= back;
  else high[i] -= back;
  if (on > 0) high[o] += on;
  else low[o] += on;
  for (const b of room.blocks)
    if (
      b.min[0] < high[0] &&
      b.max[0] > low[0] &&
      b.min[1] < high[1] &&
      b.max[1] > low[1] &&
      b.min[2] < high[2] &&
      b.max[2] > low[2]
    )
      return tollOf(room, arcPoints(corner, into, out, r));
  const { bounds } = room;
  for (let k = 0; k < 3; k += 1)
    if (
      (low[k] as number) < (bounds.min[k] as number) - r ||
      (high[k] as number) > (bounds.max[k] as number) + r
    )
      return tollOf(room, arcPoints(corner, into, out, r));
  return 0;
}

/** Points on the inside of a bend that legs on either side do not show. */
function arcPoints(corner: Vec, into: number, out: number, r: number): readonly Vec[] {
  const d = vecOf(into),
    n = vecOf(out),
    centre = add(add(corner, scale(d, -r)), scale(n, r));
  return ARC.map(([c, s]) => add(centre, add(scale(n, -r * c), scale(d, r * s))));
}
const ARC = [15, 30, 45, 60, 75].map(
  (deg) => [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)] as const,
);
