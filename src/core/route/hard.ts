import { add, scale, type Vec } from '../shape';
import type { EndWay } from './ends';
import { jogLeg } from './jog';
import { reachOf, tollOf, type Room } from './room';
import { cheapestPath } from './search';

/** What a tube can do: radius of its bends, least straight at a fitting and between two bends, mm. */
export interface TubeLimits { readonly radius_mm: number; readonly atFitting_mm: number; readonly between_mm: number }

/** A way found: the corners from mouth to mouth, and the ends used. */
export interface WayFound { readonly corners: readonly Vec[]; readonly from: EndWay; readonly to: EndWay; readonly cost: number; readonly expanded: number }

/** Corners looked at before a way is given up. */
const MOST_EXPANDED = 20000;

/** A bend is worth so many millimetres of straight tube: heating, holding, and one more to get wrong (common practice, no source). */
export const BEND_COST = 45;
/** A leg off the planes that other runs use costs so much more a millimetre: parallel runs look tidy. */
const OFF_PLANE = 0.04;

type Axis = 0 | 1 | 2;
interface State { readonly at: Vec; /** Place among the lines, 64 an axis. */ readonly cell: number; /** Axis and sense of the leg that led here; 0…5. */ readonly way: number; /** Number of the start. */ readonly start: number; /** Number of the goal once reached; else FRESH before the first leg, CORNER after. */ readonly goal: number; /** Corners of a sidestep on the leg that led here. */ readonly via?: readonly Vec[] }

const axisOf = (way: number): Axis => (way >> 1) as Axis;
const senseOf = (way: number): 1 | -1 => (way % 2 === 0 ? 1 : -1);
export const wayOf = (d: Vec): number => { const axis = d.findIndex((x) => Math.abs(x) > 0.5); return 2 * axis + ((d[axis as Axis]) > 0 ? 0 : 1); };
const vecOf = (way: number): Vec => { const v = [0, 0, 0]; v[axisOf(way)] = senseOf(way); return v as unknown as Vec; };
const along = (at: Vec, way: number, by: number): Vec => { const v = [...at] as [number, number, number]; v[axisOf(way)] += senseOf(way) * by; return v; };
/** Only ends along the axes: elbows of 45° begin no right-angled way. */
const square = (e: EndWay): boolean => e.direction.filter((x) => Math.abs(x) > 1e-9).length === 1;

/**
 * The cheapest right-angled way between two ports with all their end fittings at once: straight legs and bends of 90°, every leg long enough
 * for its bends. States are corners with the way that led there; a leg is one step, so its least length is exact. Null when there is none.
 */
export function hardWay(room: Room, froms: readonly EndWay[], tos: readonly EndWay[], limits: TubeLimits, lines: readonly [readonly number[], readonly number[], readonly number[]], planes: readonly [ReadonlySet<number>, ReadonlySet<number>, ReadonlySet<number>] | null = null, { most = MOST_EXPANDED, weight = 1 }: { readonly most?: number; readonly weight?: number } = {}): WayFound | null {
  const starts = froms.filter(square), goals = tos.filter(square);
  if (starts.length === 0 || goals.length === 0) return null;
  const { radius_mm: r, atFitting_mm: s, between_mm: b } = limits;
  const first = s + r, middle = 2 * r + b, last = r + s;
  const goalWays = goals.map((g) => wayOf(scale(g.direction, -1)));
  const bend = BEND_COST - (2 - Math.PI / 2) * r;
  const cells = lines.map((l) => new Map(l.map((v, i) => [v, i]))) as unknown as readonly [Map<number, number>, Map<number, number>, Map<number, number>];
  const cellOf = (p: Vec): number => (((cells[0].get(p[0]) ?? LINES - 1) * LINES) + (cells[1].get(p[1]) ?? LINES - 1)) * LINES + (cells[2].get(p[2]) ?? LINES - 1);
  const STRIDE = [LINES * LINES, LINES, 1] as const;
  const onPlane = (axis: Axis, at: Vec): boolean => planes === null || planes[((axis + 1) % 3) as Axis].has(Math.round(at[((axis + 1) % 3) as Axis])) || planes[((axis + 2) % 3) as Axis].has(Math.round(at[((axis + 2) % 3) as Axis]));
  const next = (state: State): readonly { readonly state: State; readonly cost: number }[] => {
    const out: { state: State; cost: number }[] = [];
    const fresh = state.goal === FRESH;
    for (let way = 0; way < 6; way += 1) {
      if (fresh ? way !== state.way : axisOf(way) === axisOf(state.way)) continue;
      const axis = axisOf(way), sense = senseOf(way), here = state.at[axis];
      const reach = reachOf(room, state.at, axis, sense);
      if (reach.free_mm < (fresh ? s : r) - 1e-9) continue;
      const turn = fresh ? 0 : tollOf(room, arcPoints(state.at, state.way, way, r));
      if (turn === Infinity) continue;
      const tollTo = (t: number): number => { let sum = turn; for (const x of reach.tolls) { if (x.at_mm >= t) break; sum += x.toll; } return sum; };
      const rate = onPlane(axis, state.at) ? 1 : 1 + OFF_PLANE;
      const least = fresh ? first : middle, column = state.cell - (cells[axis].get(here) ?? LINES - 1) * STRIDE[axis];
      lines[axis].forEach((c, i) => {
        const t = (c - here) * sense;
        if (t < least - 1e-9 || t > reach.free_mm + 1e-9) return;
        out.push({ state: { at: along(state.at, way, t), cell: column + i * STRIDE[axis], way, start: state.start, goal: CORNER }, cost: t * rate + bend + tollTo(t) });
      });
      goals.forEach((g, k) => {
        if (goalWays[k] !== way) return;
        const t = (g.mouth[axis] - here) * sense;
        if (t < (fresh ? s : last) - 1e-9) return;
        if (([0, 1, 2] as const).some((i) => i !== axis && Math.abs(g.mouth[i] - state.at[i]) > 1e-6)) {
          const jog = jogLeg(room, state.at, vecOf(way), g.mouth, r, b, fresh ? s : r + b, s);
          if (jog) out.push({ state: { at: g.mouth, cell: 0, way, start: state.start, goal: k, via: jog.corners }, cost: t * rate + turn + jog.toll + jog.longer_mm + 2 * BEND_COST + g.cost });
          return;
        }
        if (t > reach.free_mm + 1e-9) return;
        out.push({ state: { at: g.mouth, cell: 0, way, start: state.start, goal: k }, cost: t * rate + tollTo(t) + g.cost });
      });
    }
    return out;
  };
  const found = cheapestPath<State>({
    starts: starts.map((e, i) => ({ state: { at: e.mouth, cell: cellOf(e.mouth), way: wayOf(e.direction), start: i, goal: FRESH }, cost: e.cost })),
    key: (x) => (x.goal >= 0 ? -1 - x.goal : x.goal === FRESH ? -100 - x.start : x.cell * 6 + x.way),
    done: (x) => x.goal >= 0, next,
    bound: (x) => {
      if (x.goal >= 0) return 0;
      let least = Infinity;
      for (let k = 0; k < goals.length; k += 1) { const g = goals[k] as EndWay; least = Math.min(least, leastTo(x, g.mouth, goalWays[k] as number, bend) + g.cost); }
      return least;
    },
  }, most, weight);
  if (!found) return null;
  const end = found.path[found.path.length - 1] as State;
  return { corners: found.path.flatMap((x) => [...(x.via ?? []), x.at]), from: starts[end.start] as EndWay, to: goals[end.goal] as EndWay, cost: found.cost, expanded: found.expanded };
}

/** Most lines an axis; a state that has not left its fitting yet, and one at a corner. */
const LINES = 64, FRESH = -2, CORNER = -1;

/** Never more than what is still to pay: the way along the axes, and the bends that its directions ask for. */
function leastTo(x: State, to: Vec, goalWay: number, bend: number): number {
  const dx = to[0] - x.at[0], dy = to[1] - x.at[1], dz = to[2] - x.at[2], d = [dx, dy, dz] as const;
  const length = Math.abs(dx) + Math.abs(dy) + Math.abs(dz), g = axisOf(goalWay), a = axisOf(x.way);
  const off = (i: Axis): boolean => Math.abs(d[i]) > 1e-6;
  const ahead = d[g] * senseOf(goalWay) > 1e-6;
  let bends: number;
  if (x.goal === FRESH) {
    // The first leg goes on as it stands.
    const alone = ([0, 1, 2] as const).every((i) => i === a || !off(i)) && d[a] * senseOf(x.way) > 0;
    bends = g === a ? (x.way === goalWay && alone ? 0 : 2) : ahead && d[a] * senseOf(x.way) > 1e-6 && ([0, 1, 2] as const).every((i) => i === a || i === g || !off(i)) ? 1 : 2;
  } else {
    const others = ([0, 1, 2] as const).filter((i) => i !== g && off(i));
    bends = g !== a && ahead && others.length === 0 ? 0 : ahead && others.length === 1 && others[0] !== a ? 1 : others.length === 0 && !ahead ? 2 : ahead && others.length <= 1 ? 1 : 2;
    if (others.length === 1 && others[0] === a) bends = Math.max(bends, 2);
  }
  return length + bends * Math.max(0, bend);
}

/** Points on the inside of a bend that legs on either side do not show. */
function arcPoints(corner: Vec, into: number, out: number, r: number): readonly Vec[] {
  const d = vecOf(into), n = vecOf(out), centre = add(add(corner, scale(d, -r)), scale(n, r));
  return ARC.map(([c, s]) => add(centre, add(scale(n, -r * c), scale(d, r * s))));
}
const ARC = [15, 30, 45, 60, 75].map((deg) => [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)] as const);
