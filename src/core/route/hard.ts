import { add, scale, type Vec } from '../shape';
import type { EndWay } from './ends';
import { reachOf, tollOf, type Room } from './room';
import { cheapestPath } from './search';

/** What a tube can do: radius of its bends, least straight at a fitting and between two bends, mm. */
export interface TubeLimits { readonly radius_mm: number; readonly atFitting_mm: number; readonly between_mm: number }

/** A way found: the corners from mouth to mouth, and the ends used. */
export interface WayFound { readonly corners: readonly Vec[]; readonly from: EndWay; readonly to: EndWay; readonly cost: number; readonly expanded: number }

/** A bend is worth so many millimetres of straight tube: heating, holding, and one more to get wrong (common practice, no source). */
export const BEND_COST = 45;
/** A leg off the planes that other runs use costs so much more a millimetre: parallel runs look tidy. */
const OFF_PLANE = 0.04;

type Axis = 0 | 1 | 2;
interface State { readonly at: Vec; /** Axis and sense of the leg that led here; 0…5. */ readonly way: number; /** Number of the start, or of the goal once reached. */ readonly start: number; readonly goal: number }

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
export function hardWay(room: Room, froms: readonly EndWay[], tos: readonly EndWay[], limits: TubeLimits, lines: readonly [readonly number[], readonly number[], readonly number[]], planes: readonly [ReadonlySet<number>, ReadonlySet<number>, ReadonlySet<number>] | null = null, most = 60_000): WayFound | null {
  const starts = froms.filter(square), goals = tos.filter(square);
  const { radius_mm: r, atFitting_mm: s, between_mm: b } = limits;
  const first = s + r, middle = 2 * r + b, last = r + s;
  const goalWays = goals.map((g) => wayOf(scale(g.direction, -1)));
  const saved = (2 - Math.PI / 2) * r;
  const bend = BEND_COST - saved;
  const goalCost = Math.min(...goals.map((g) => g.cost));
  const next = (state: State): readonly { readonly state: State; readonly cost: number }[] => {
    const out: { state: State; cost: number }[] = [];
    const fresh = state.goal === FRESH;
    for (let way = 0; way < 6; way += 1) {
      if (fresh ? way !== state.way : axisOf(way) === axisOf(state.way)) continue;
      const turn = fresh ? 0 : tollOf(room, arcPoints(state.at, state.way, way, r));
      if (turn === Infinity) continue;
      const reach = reachOf(room, state.at, axisOf(way), senseOf(way));
      const tollTo = (t: number): number => { let sum = turn; for (const x of reach.tolls) { if (x.at_mm >= t) break; sum += x.toll; } return sum; };
      const rate = planes && !planes[((axisOf(way) + 1) % 3) as Axis].has(Math.round(state.at[((axisOf(way) + 1) % 3) as Axis])) && !planes[((axisOf(way) + 2) % 3) as Axis].has(Math.round(state.at[((axisOf(way) + 2) % 3) as Axis])) ? 1 + OFF_PLANE : 1;
      const least = fresh ? first : middle;
      for (const c of lines[axisOf(way)]) {
        const t = (c - state.at[axisOf(way)]) * senseOf(way);
        if (t < least - 1e-9 || t > reach.free_mm + 1e-9) continue;
        out.push({ state: { at: along(state.at, way, t), way, start: state.start, goal: -1 }, cost: t * rate + bend + tollTo(t) });
      }
      goals.forEach((g, k) => {
        if (goalWays[k] !== way) return;
        const t = (g.mouth[axisOf(way)] - state.at[axisOf(way)]) * senseOf(way), off = ([0, 1, 2] as const).some((i) => i !== axisOf(way) && Math.abs(g.mouth[i] - state.at[i]) > 1e-6);
        if (off || t < (fresh ? s : last) - 1e-9 || t > reach.free_mm + 1e-9) return;
        out.push({ state: { at: g.mouth, way, start: state.start, goal: k }, cost: t * rate + tollTo(t) + g.cost });
      });
    }
    return out;
  };
  const found = cheapestPath<State>({
    starts: starts.map((e, i) => ({ state: { at: e.mouth, way: wayOf(e.direction), start: i, goal: FRESH }, cost: e.cost })),
    key: (x) => (x.goal >= 0 ? `g${x.goal}` : x.goal === FRESH ? `s${x.start}` : `${x.at[0].toFixed(3)},${x.at[1].toFixed(3)},${x.at[2].toFixed(3)},${x.way}`),
    done: (x) => x.goal >= 0, next,
    bound: (x) => (x.goal >= 0 ? 0 : Math.min(...goals.map((g, k) => leastTo(x, g.mouth, goalWays[k] as number, bend))) + goalCost),
  }, most);
  if (!found) return null;
  const end = found.path[found.path.length - 1] as State;
  return { corners: found.path.map((x) => x.at), from: starts[end.start] as EndWay, to: goals[end.goal] as EndWay, cost: found.cost, expanded: found.expanded };
}

/** A state that has not left its fitting yet. */
const FRESH = -2;

/** Never more than what is still to pay: the legs along the axes, and a bend wherever the way must turn. */
function leastTo(x: State, to: Vec, goalWay: number, bend: number): number {
  const d = [to[0] - x.at[0], to[1] - x.at[1], to[2] - x.at[2]] as const;
  const length = Math.abs(d[0]) + Math.abs(d[1]) + Math.abs(d[2]);
  // A corner's bend is paid on arrival there; one more is due unless the goal lies straight ahead of a fresh start.
  const ahead = ([0, 1, 2] as const).every((i) => i === axisOf(goalWay) || Math.abs(d[i]) < 1e-6) && d[axisOf(goalWay)] * senseOf(goalWay) >= 0;
  if (x.goal === FRESH) return length + (ahead && x.way === goalWay ? 0 : Math.max(0, bend));
  return length + (ahead ? 0 : Math.max(0, bend));
}

/** Points on the inside of a bend that legs on either side do not show. */
function arcPoints(corner: Vec, into: number, out: number, r: number): readonly Vec[] {
  const d = vecOf(into), n = vecOf(out), centre = add(add(corner, scale(d, -r)), scale(n, r));
  return ARC.map(([c, s]) => add(centre, add(scale(n, -r * c), scale(d, r * s))));
}
const ARC = [15, 30, 45, 60, 75].map((deg) => [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)] as const);
