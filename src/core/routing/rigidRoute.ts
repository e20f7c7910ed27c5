import type { Via } from '../design';
import { add, boxGap, scale, type Box, type Vec } from '../geometry';
import type { EndWay } from './ends';
import { distanceField, type Field } from './field';
import { jogLeg, type Jog } from './offsetBend';
import { bendPrice, depthRate, PARALLEL, type RoutePrices } from './prices';
import {
  blocksNear,
  reachOf,
  tollOf,
  type Obstacle,
  type Reach,
  type Workspace,
} from './workspace';
import { cheapestPath } from './search';
import { passedOn, viaBound } from './waypoints';

/**
 * What a tube can do: radius of its bends, least straight at a fitting and between two bends, mm.
 */
export interface TubeLimits {
  readonly radius_mm: number;
  readonly atFitting_mm: number;
  readonly between_mm: number;
  /** Angles that bends may have, where only those can be made. */
  readonly angles_deg?: readonly number[];
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

type Axis = 0 | 1 | 2;
interface State {
  readonly at: Vec;
  /** Place among the lines, 64 an axis. */
  readonly cell: number;
  /** Axis and sense of the leg that led here; 0…5. */
  readonly way: number;
  /** Number of the start. */
  readonly start: number;
  /** Number of the goal once reached; else FRESH before the first leg, CORNER after. */
  readonly goal: number;
  /** Places to pass that lie behind. */
  readonly stage: number;
  /** Corners of a sidestep on the leg that led here. */
  readonly via?: readonly Vec[];
  /** The corner before. */
  readonly prev?: State;
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
 * How long a way is looked for, how much dearer than the cheapest it may be, and places it must
 * pass.
 */
export interface HardEffort {
  readonly most?: number;
  readonly weight?: number;
  readonly vias?: readonly Via[];
  readonly prices?: RoutePrices;
  /** Only ways cheaper than this. */
  readonly under?: number;
  /** Outer radius of the tube, which keeps off itself; its legs are not looked at where not given. */
  readonly tube_mm?: number;
}

type Lines = readonly [readonly number[], readonly number[], readonly number[]];
type Planes = readonly [ReadonlySet<number>, ReadonlySet<number>, ReadonlySet<number>];
type Tell = (state: State, cost: number) => void;
type Wanted = (key: number, cost: number) => boolean;

/**
 * The cheapest right-angled way between two ports with all their end fittings at once: straight
 * legs and bends of 90°, every leg long enough for its bends. States are corners with the way that
 * led there; a leg is one step, so its least length is exact. Null when there is none.
 */
export const routeRigid = (
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  limits: TubeLimits,
  lines: Lines,
  planes: Planes | null = null,
  effort: HardEffort = {},
): WayFound | null =>
  rigidSearch(workspace, froms, tos, limits, lines, planes, effort).find(effort.under);

/** A search on lines that is asked again with another bound, and keeps what it learned of the room. */
export interface RigidSearch {
  /** The cheapest way under a price; null where there is none. */
  find(under?: number): WayFound | null;
  /** The same where it is found soon; null says nothing of whether there is one. */
  inHaste(under?: number): WayFound | null;
  /** The same after `inHaste` under this price found nothing. */
  patiently(under?: number): WayFound | null;
}

export function rigidSearch(
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  limits: TubeLimits,
  lines: Lines,
  planes: Planes | null,
  effort: HardEffort,
): RigidSearch {
  const starts = froms.filter(square);
  const goals = tos.filter(square);
  return new HardSearch(workspace, starts, goals, limits, lines, planes, effort);
}

/** Most lines an axis; a state that has not left its fitting yet, and one at a corner. */
const LINES = 64;
const FRESH = -2;
const CORNER = -1;
/** Steps from a cell to the next along each axis. */
const STRIDE = [LINES * LINES, LINES, 1] as const;

/** One search: the grid of lines, its ends, and what has been learned of the room on the way. */
class HardSearch implements RigidSearch {
  private readonly radius: number;
  private readonly atFitting: number;
  private readonly between: number;
  private readonly angles: readonly number[] | undefined;
  private readonly vias: readonly Via[];
  private readonly prices: RoutePrices;
  private readonly most: number;
  private readonly weight: number;
  /** Whether the last search ended with places still to look at. */
  private gaveUp = false;
  /** Legs of a tube keep so far from each other, mm. */
  private readonly apart_mm: number;
  /** A bend's price, less the tube it saves by cutting its corner. */
  private readonly bend: number;
  private readonly goalWays: readonly number[];
  private readonly cells: readonly [Map<number, number>, Map<number, number>, Map<number, number>];
  /** Rays from one place are asked for by every way that leads there. */
  private readonly reached = new Map<number, Reach>();
  private readonly near = new Map<number, readonly Obstacle[]>();
  /** Distance round what is closed, measured once haste has found nothing. */
  private field: Field | null = null;

  constructor(
    private readonly workspace: Workspace,
    private readonly starts: readonly EndWay[],
    private readonly goals: readonly EndWay[],
    limits: TubeLimits,
    private readonly lines: Lines,
    private readonly planes: Planes | null,
    { vias = [], prices = PARALLEL, tube_mm = 0, most, weight = 1 }: HardEffort,
  ) {
    this.vias = vias;
    this.prices = prices;
    this.most = most ?? MOST_EXPANDED;
    this.weight = weight;
    this.apart_mm = 2 * tube_mm;
    this.radius = limits.radius_mm;
    this.atFitting = limits.atFitting_mm;
    this.between = limits.between_mm;
    this.angles = limits.angles_deg;
    this.bend = prices.bend_mm - (2 - Math.PI / 2) * this.radius;
    this.goalWays = goals.map((g) => wayOf(scale(g.direction, -1)));
    this.cells = lines.map(
      (l) => new Map(l.map((v, i) => [v, i])),
    ) as unknown as HardSearch['cells'];
  }

  /**
   * In haste first; where that finds nothing, what stands between is measured round and the search
   * starts again.
   */
  find(under = Infinity): WayFound | null {
    return this.inHaste(under) ?? this.patiently(under);
  }

  inHaste(under = Infinity): WayFound | null {
    return this.search(Math.min(this.most, HASTE), under);
  }

  patiently(under = Infinity): WayFound | null {
    // Every place under the price was looked at in haste, or nobody waits for more.
    if (!this.gaveUp || this.most <= HASTE) return null;
    if (this.vias.length === 0) {
      this.measureRound();
      // Walled off: there is no way, and no need to look for one.
      const { field } = this;
      if (field && this.starts.every((e) => this.fieldAt(this.cellOf(e.mouth)) === Infinity))
        return null;
    }
    return this.search(this.most, under);
  }

  private search(patience: number, under: number): WayFound | null {
    this.gaveUp = false;
    const problem = {
      starts: this.starts.map((e, i) => ({ state: this.startAt(e, i), cost: e.cost })),
      key: (x: State): number => this.keyOf(x),
      done: (x: State): boolean => x.goal >= 0,
      next: (x: State, tell: Tell, wanted: Wanted): void => this.expand(x, tell, wanted),
      bound: (x: State): number => this.boundFrom(x),
      under,
      gaveUp: (): void => {
        this.gaveUp = true;
      },
    };
    const found = cheapestPath<State>(problem, patience, this.weight);
    if (!found) return null;
    const end = found.path[found.path.length - 1] as State;
    return {
      corners: found.path.flatMap((x) => [...(x.via ?? []), x.at]),
      from: this.starts[end.start] as EndWay,
      to: this.goals[end.goal] as EndWay,
      cost: found.cost,
      expanded: found.expanded,
    };
  }

  private startAt(e: EndWay, start: number): State {
    return {
      at: e.mouth,
      cell: this.cellOf(e.mouth),
      way: wayOf(e.direction),
      start,
      goal: FRESH,
      stage: 0,
    };
  }

  private keyOf(x: State): number {
    if (x.goal >= 0) return -1 - x.goal;
    if (x.goal === FRESH) return -100 - x.start;
    return this.cornerKey(x.cell, x.way, x.stage);
  }

  private cornerKey(cell: number, way: number, stage: number): number {
    return (cell * 6 + way) * (this.vias.length + 1) + stage;
  }

  private cellOf(p: Vec): number {
    const { cells } = this;
    const x = cells[0].get(p[0]) ?? LINES - 1;
    const y = cells[1].get(p[1]) ?? LINES - 1;
    const z = cells[2].get(p[2]) ?? LINES - 1;
    return (x * LINES + y) * LINES + z;
  }

  private reachFrom(state: State, way: number): Reach {
    const { cells } = this;
    const onLines =
      cells[0].has(state.at[0]) && cells[1].has(state.at[1]) && cells[2].has(state.at[2]);
    const key = state.cell * 6 + way;
    const known = onLines ? this.reached.get(key) : undefined;
    if (known) return known;
    const reach = reachOf(this.workspace, state.at, axisOf(way), senseOf(way));
    if (onLines) this.reached.set(key, reach);
    return reach;
  }

  /** Blocks that a bend at a corner may meet; of a corner on the lines, looked for once. */
  private blocksNear(state: State): readonly Obstacle[] {
    const { cells, radius: r } = this,
      [x, y, z] = state.at;
    const onLines = cells[0].has(x) && cells[1].has(y) && cells[2].has(z);
    const known = onLines ? this.near.get(state.cell) : undefined;
    if (known) return known;
    const near = blocksNear(
      this.workspace.blocks,
      [x - r, y - r, z - r],
      [x + r, y + r, z + r],
    ).filter(
      ({ min, max }) =>
        min[0] < x + r &&
        max[0] > x - r &&
        min[1] < y + r &&
        max[1] > y - r &&
        min[2] < z + r &&
        max[2] > z - r,
    );
    if (onLines) this.near.set(state.cell, near);
    return near;
  }

  /** Toll of the inside of a bend. */
  private turnToll(state: State, way: number): number {
    const blocks = this.blocksNear(state);
    const { bounds } = this.workspace,
      { radius: r, workspace } = this,
      [x, y, z] = state.at;
    const isInside =
      x - r >= bounds.min[0] &&
      x + r <= bounds.max[0] &&
      y - r >= bounds.min[1] &&
      y + r <= bounds.max[1] &&
      z - r >= bounds.min[2] &&
      z + r <= bounds.max[2];
    if (blocks.length === 0 && isInside) return 0;
    return tollOf({ ...workspace, blocks }, arcPoints(state.at, state.way, way, r));
  }

  /** Whether a leg along this axis lies in a plane that other runs of the loop use. */
  private onPlane(axis: Axis, at: Vec): boolean {
    if (this.planes === null) return true;
    const u = ((axis + 1) % 3) as Axis;
    const v = ((axis + 2) % 3) as Axis;
    return this.planes[u].has(Math.round(at[u])) || this.planes[v].has(Math.round(at[v]));
  }

  /**
   * All steps from a state: on as it stands out of a fitting, or square to the leg that led to a
   * corner.
   */
  private expand(state: State, tell: Tell, wanted: Wanted): void {
    const fresh = state.goal === FRESH;
    for (let way = 0; way < 6; way += 1) {
      if (fresh ? way !== state.way : axisOf(way) === axisOf(state.way)) continue;
      const reach = this.reachFrom(state, way);
      if (reach.free_mm < (fresh ? this.atFitting : this.radius) - 1e-9) continue;
      const turn = fresh ? 0 : this.turnToll(state, way);
      if (turn === Infinity) continue;
      this.stepToLines(state, way, reach, turn, tell, wanted);
      this.stepToGoals(state, way, reach, turn, tell);
    }
  }

  /** Steps that end at a corner on one of the lines across the way. */
  private stepToLines(
    state: State,
    way: number,
    reach: Reach,
    turn: number,
    tell: Tell,
    wanted: Wanted,
  ): void {
    const axis = axisOf(way);
    const sense = senseOf(way);
    const here = state.at[axis];
    const least =
      state.goal === FRESH ? this.atFitting + this.radius : 2 * this.radius + this.between;
    const rate = this.rateAt(axis, state.at);
    const column = state.cell - (this.cells[axis].get(here) ?? LINES - 1) * STRIDE[axis];
    const line = this.lines[axis];
    for (let i = 0; i < line.length; i += 1) {
      const t = ((line[i] as number) - here) * sense;
      if (t < least - 1e-9 || t > reach.free_mm + 1e-9) continue;
      const stage = this.stageAfter(state, axis, sense, t);
      const cell = column + i * STRIDE[axis];
      const deep = this.deepRate(state.at, axis, sense * t);
      const cost = t * rate * deep + this.bend + tollTo(reach, t, turn);
      if (!wanted(this.cornerKey(cell, way, stage), cost)) continue;
      const at = along(state.at, way, t);
      if (this.meetsOwn(state, at)) continue;
      tell({ at, cell, way, start: state.start, goal: CORNER, stage, prev: state }, cost);
    }
  }

  /** Steps that end in a fitting: straight into it, or over a small offset of two gentle bends. */
  private stepToGoals(state: State, way: number, reach: Reach, turn: number, tell: Tell): void {
    const axis = axisOf(way);
    const sense = senseOf(way);
    const fresh = state.goal === FRESH;
    const rate = this.rateAt(axis, state.at);
    const least = fresh ? this.atFitting : this.radius + this.atFitting;
    for (let goal = 0; goal < this.goals.length; goal += 1) {
      if (this.goalWays[goal] !== way) continue;
      const { mouth, cost } = this.goals[goal] as EndWay;
      const t = (mouth[axis] - state.at[axis]) * sense;
      if (t < least - 1e-9) continue;
      const stage = this.stageAfter(state, axis, sense, t);
      if (stage < this.vias.length) continue;
      const reached = { at: mouth, cell: 0, way, start: state.start, goal, stage };
      if (this.meetsOwn(state, mouth)) continue;
      const deep = this.deepRate(state.at, axis, sense * t);
      if (!offLine(mouth, state.at, axis)) {
        if (t <= reach.free_mm + 1e-9)
          tell(reached, t * rate * deep + tollTo(reach, t, turn) + cost);
        continue;
      }
      const before = fresh ? this.atFitting : this.radius + this.between;
      const jog = jogLeg(
        this.workspace,
        state.at,
        vecOf(way),
        mouth,
        this.radius,
        this.between,
        before,
        this.atFitting,
        this.angles,
      );
      if (!jog) continue;
      const price =
        t * rate * deep + turn + jog.penalty + jog.longer_mm + this.sidestep(jog) + cost;
      tell({ ...reached, via: jog.corners }, price);
    }
  }

  private rateAt(axis: Axis, at: Vec): number {
    return this.onPlane(axis, at) ? 1 : 1 + this.prices.offPlane;
  }

  /** How much dearer a leg is for its depth in the room. */
  private deepRate(at: Vec, axis: Axis, by: number): number {
    const { bounds } = this.workspace;
    const depths = [bounds.min[2], bounds.max[2]] as const;
    return depthRate(this.prices, depths, at[2], axis === 2 ? at[2] + by : at[2]);
  }

  /** Price of a sidestep's two bends: dearer where their angle is an odd one. */
  private sidestep({ angle_deg }: Jog): number {
    const odd = this.angles === undefined && angle_deg !== 45 && angle_deg !== 90;
    return 2 * (bendPrice(this.prices, angle_deg) + (odd ? this.prices.oddAngle_mm : 0));
  }

  /** Whether a leg from a corner to a place meets a leg of its own way but the one before it. */
  private meetsOwn(corner: State, to: Vec): boolean {
    if (this.apart_mm === 0) return false;
    const leg = legBox(corner.at, to);
    for (let x = corner.prev; x?.prev; x = x.prev)
      if (boxGap(leg, legBox(x.at, x.prev.at)) < this.apart_mm) return true;
    return false;
  }

  private stageAfter(state: State, axis: Axis, sense: 1 | -1, t: number): number {
    return this.vias.length === 0 ? 0 : passedOn(this.vias, state.stage, state.at, axis, sense, t);
  }

  /**
   * Never more than what is still to come: length and bends to the nearest end, and the way round
   * what is closed.
   */
  private boundFrom(x: State): number {
    if (x.goal >= 0) return 0;
    const via = this.vias[x.stage];
    if (via) {
      let over = Infinity;
      for (let k = 0; k < this.goals.length; k += 1) {
        const { mouth, cost } = this.goals[k] as EndWay;
        const bends = bendsTo(x, mouth, this.goalWays[k] as number) * Math.max(0, this.bend);
        over = Math.min(over, viaBound(x.at, via, mouth) + cost + bends);
      }
      return over;
    }
    let least = Infinity;
    let bends = Infinity;
    for (let k = 0; k < this.goals.length; k += 1) {
      const { mouth, cost } = this.goals[k] as EndWay;
      const n = bendsTo(x, mouth, this.goalWays[k] as number);
      const straight =
        Math.abs(mouth[0] - x.at[0]) + Math.abs(mouth[1] - x.at[1]) + Math.abs(mouth[2] - x.at[2]);
      bends = Math.min(bends, n);
      least = Math.min(least, straight + n * Math.max(0, this.bend) + cost);
    }
    return Math.max(least, this.fieldAt(x.cell) + bends * Math.max(0, this.bend));
  }

  private fieldAt(cell: number): number {
    const i = cell >> 12;
    const j = (cell >> 6) & 63;
    const k = cell & 63;
    const { field, lines } = this;
    const inside = i < lines[0].length && j < lines[1].length && k < lines[2].length;
    return field && inside ? field.at(i, j, k) : 0;
  }

  /** Measures the distance from every cell to the ends, where all of these lie on lines. */
  private measureRound(): void {
    const number = (axis: Axis, v: number): number => this.cells[axis].get(v) ?? -1;
    const ends = this.goals.map((g, k) => ({
      at: [number(0, g.mouth[0]), number(1, g.mouth[1]), number(2, g.mouth[2])] as const,
      axis: axisOf(this.goalWays[k] as number),
      sense: senseOf(this.goalWays[k] as number),
      side_mm: 2 * this.radius + this.between,
      cost: g.cost,
    }));
    if (ends.every((e) => e.at.every((n) => n >= 0)))
      this.field = distanceField(this.lines, this.workspace.blocks, ends);
  }
}

const legBox = (a: Vec, b: Vec): Box => ({
  min: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
  max: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
});

/** Tolls on the first `t` mm of a ray, on top of the toll of the turn into it. */
function tollTo(reach: Reach, t: number, turn: number): number {
  let sum = turn;
  for (const x of reach.tolls) {
    if (x.at_mm >= t) break;
    sum += x.penalty;
  }
  return sum;
}

/** Whether a place lies beside the line along an axis through another. */
const offLine = (a: Vec, b: Vec, axis: Axis): boolean =>
  ([0, 1, 2] as const).some((i) => i !== axis && Math.abs(a[i] - b[i]) > 1e-6);

/** Never more bends than are still to come: those that its directions ask for. */
function bendsTo(x: State, to: Vec, goalWay: number): number {
  const goalAxis = axisOf(goalWay);
  const axis = axisOf(x.way);
  const ahead = (to[goalAxis] - x.at[goalAxis]) * senseOf(goalWay) > 1e-6;
  return x.goal === FRESH
    ? bendsOutOfFitting(x, to, axis, goalWay, ahead)
    : bendsFromCorner(x, to, axis, goalAxis, ahead);
}

const isOff = (x: State, to: Vec, axis: Axis): boolean => Math.abs(to[axis] - x.at[axis]) > 1e-6;

/** Axes but one along which the place still lies off. */
function offAxes(x: State, to: Vec, but: Axis): number {
  let count = 0;
  for (let axis = 0; axis < 3; axis += 1)
    if (axis !== but && isOff(x, to, axis as Axis)) count += 1;
  return count;
}

/** The first leg goes on as it stands. */
function bendsOutOfFitting(x: State, to: Vec, axis: Axis, goalWay: number, ahead: boolean): number {
  const goalAxis = axisOf(goalWay);
  const onward = (to[axis] - x.at[axis]) * senseOf(x.way);
  const beside = offAxes(x, to, axis);
  if (goalAxis === axis) return x.way === goalWay && beside === 0 && onward > 0 ? 0 : 2;
  const besideBoth = beside - (isOff(x, to, goalAxis) ? 1 : 0);
  return ahead && onward > 1e-6 && besideBoth === 0 ? 1 : 2;
}

/** At a corner the next leg is square to the one that led there. */
function bendsFromCorner(x: State, to: Vec, axis: Axis, goalAxis: Axis, ahead: boolean): number {
  const others = offAxes(x, to, goalAxis);
  const offOwn = axis !== goalAxis && isOff(x, to, axis);
  if (others === 1 && offOwn) return 2;
  if (goalAxis !== axis && ahead && others === 0) return 0;
  if (!ahead) return 2;
  return others <= 1 ? 1 : 2;
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
