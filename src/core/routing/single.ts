import type { Via } from '../design';
import { trayBoxes, type System } from '../system';
import { bodiesMeet, boxGap, dot, union, type Box, type Vec } from '../geometry';
import { endWays, type EndWay } from './ends';
import { oddly, plainly, routeFewBends, type FewBends } from './fewBends';
import { rigidSearch, type RigidSearch, type WayFound } from './rigidRoute';
import { withCutCorners } from './cutCorners';
import { shortened } from './shortcuts';
import { withEnds, levelled, slantBetween, type LevelEnd } from './level';
import { bendLines } from './lines';
import { boundsOf } from './nearest';
import { roundedPath, samplePath } from './path';
import { grow, within, type Workspace } from './workspace';
import type { Route } from './routed';
import { slanted } from './diagonal';
import { routeFlexible } from './flexibleRoute';
import { bodyBox, workspaceFor, type Fixed } from './standing';
import type { Task } from './task';
import { tasteOf } from './visibility';

/** Distances tried in turn when the brief's leaves no way, mm. */
export const KEPT_MM = [1];
/** Ways may cost so many times the cheapest: found so much sooner. */
const WEIGHT = 1.15;

/**
 * How hard a way is looked for: corners looked at, and how much dearer than the cheapest it may be.
 */
export interface Effort {
  readonly most?: number;
  readonly weight?: number;
  /** Distances tried in turn, mm; the brief's and then less where it is not said. */
  readonly kept_mm?: readonly number[];
}

/**
 * Ends a builder lets a run have: with the pieces and, where it can, the way out they asked for.
 */
export function endsOf(
  system: System,
  t: Task,
  side: 'from' | 'to',
  stacked = false,
): readonly EndWay[] {
  const all = endWays(
      t[side].at,
      t[side].direction,
      t.wish[side],
      { fitting: t.loop.fitting, kit: system.design.kit },
      !t.loop.tube.hard || t.constraints.allow45 === true,
      stacked,
    ),
    asked = side === 'from' ? t.constraints.exit : t.constraints.entry;
  const fit = asked ? all.filter((e) => dot(e.direction, asked) > ASKED_COS) : all;
  return fit.length > 0 ? fit : all;
}
/** Directions within about 8° are the one asked for. */
const ASKED_COS = 0.99;

/** Ends whose pieces go in: past what stands but their own part, and past other runs' fittings. */
export function openEnds(
  system: System,
  t: Task,
  side: 'from' | 'to',
  fixed: readonly Fixed[],
  others: readonly Route[],
  stacked: boolean,
): readonly EndWay[] {
  const own = t[side].component,
    { rooms } = system,
    room = t.behind && rooms?.behind ? union([rooms.inside, rooms.behind]) : t.room;
  // A stack of adapters reaches through the tray where a single one does not.
  const box = system.design.case;
  const sheets = box && rooms?.behind ? trayBoxes(box) : [];
  const all = endsOf(system, t, side, stacked);
  const open = all.filter((e) => {
    const boxes = e.bodies.map(bodyBox);
    if (sheets.some((sheet) => boxes.some((b) => boxGap(b, sheet) < -0.5))) return false;
    if (
      room &&
      boxes.some((b) =>
        ([0, 1, 2] as const).some((i) => b.min[i] < room.min[i] - 1 || b.max[i] > room.max[i] + 1),
      )
    )
      return false;
    if (
      fixed.some((f) =>
        boxes.some(
          (b, k) =>
            boxGap(b, f.box) < -0.5 &&
            !(f.id === own && !f.port && k === 0) &&
            !(
              f.id === own &&
              !f.port &&
              e.piece !== 'straight' &&
              k < 2 &&
              boxGap(b, f.box) > -e.bodies[k]!.radius
            ) &&
            bodiesMeet({ box: b }, f.body),
        ),
      )
    )
      return false;
    return !others.some((o) => meetsRoute(boxes, o, t.radius));
  });
  // A port whose every fitting meets something keeps its straight one: that trouble is the port's
  // own finding.
  return open.length > 0 ? open : all.slice(0, 1);
}

/** Points of other runs that the pieces of an end are held against, so far apart, mm. */
const OTHERS_STEP_MM = 8;

/** A run as the pieces of other ends are held against it. */
interface InTheWay extends Pick<Route, 'from' | 'to'> {
  readonly fittings: readonly Box[];
  readonly points: readonly Vec[];
  readonly bounds: Box;
}
const inTheWay = new WeakMap<Route['path'], InTheWay>();

function inTheWayOf({ path, from, to }: Route): InTheWay {
  const known = inTheWay.get(path);
  if (known && known.from === from && known.to === to) return known;
  const points = samplePath(path, OTHERS_STEP_MM);
  const of: InTheWay = {
    from,
    to,
    fittings: [...from.bodies, ...to.bodies].map(bodyBox),
    points,
    bounds: boundsOf(points),
  };
  inTheWay.set(path, of);
  return of;
}

/** Whether pieces in these boxes meet a run: its fittings, or its tube of `radius_mm`. */
function meetsRoute(boxes: readonly Box[], route: Route, radius_mm: number): boolean {
  const { fittings, points, bounds } = inTheWayOf(route);
  return boxes.some((box) => {
    if (fittings.some((fitting) => boxGap(box, fitting) < -0.01)) return true;
    const room = grow(box, radius_mm);
    return boxGap(room, bounds) <= 0 && points.some((p) => within(room, p));
  });
}

/**
 * The cheapest way of one run past all that stands and the others as they lie; with `history` it
 * may cross others at a price. Null when there is none.
 */
export function routeSingle(
  system: System,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
  history: ReadonlyMap<string, number> | null,
  effort: Effort = {},
): Route | null {
  const plain = routeBy(system, t, fixed, waiting, others, history, effort, false);
  const mayStack = t.wish.from === 'auto' || t.wish.to === 'auto';
  if (!mayStack || (plain && !isPoor(t, plain))) return plain;
  const stacked = routeBy(system, t, fixed, waiting, others, history, effort, true);
  return stacked && stacked.cost < (plain?.cost ?? Infinity) - 1 ? stacked : plain;
}

/** A corner of soft tube where no gentle way was found, mm of tube. */
const SOFT_CORNER_MM = 150;
/** Bends of a hard run, and turning of a soft one, degrees, that ask for two adapters on each other. */
const POOR_BENDS = 4,
  POOR_TURNING_DEG = 135;

function isPoor(t: Task, { path }: Route): boolean {
  const bends = path.flatMap((s) => (s.kind === 'arc' ? [s.angle_deg] : []));
  return t.loop.tube.hard
    ? bends.length >= POOR_BENDS
    : bends.reduce((sum, deg) => sum + deg, 0) > POOR_TURNING_DEG;
}

/** With one adapter at each end, or with stacks of two as well. */
function routeBy(
  system: System,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
  history: ReadonlyMap<string, number> | null,
  effort: Effort,
  stacked: boolean,
): Route | null {
  if (t.walled) return null;
  const froms = openEnds(system, t, 'from', fixed, history ? [] : others, stacked),
    tos = openEnds(system, t, 'to', fixed, history ? [] : others, stacked);
  const { clear_mm } = system.design.brief.limits;
  for (const kept of effort.kept_mm ?? [clear_mm, ...KEPT_MM.filter((k) => k < clear_mm)]) {
    const workspace = workspaceFor(
      system,
      t,
      fixed,
      waiting,
      others,
      [...froms, ...tos],
      kept,
      history,
    );
    const route = findWay(t, workspace, froms, tos, others, kept, t.limits.radius_mm, effort);
    if (route) return route;
  }
  return null;
}

/** A way that was found, as a route. */
export function routeOver(
  t: Task,
  workspace: Workspace,
  way: Pick<WayFound, 'corners' | 'from' | 'to' | 'cost'>,
  radius_mm: number,
  kept_mm: number,
): Route {
  const route = {
    connection: t.connection,
    loop: t.loop.id,
    corners: way.corners,
    radius_mm,
    path: roundedPath(way.corners, radius_mm),
    from: way.from,
    to: way.to,
    kept_mm,
    cost: way.cost,
    preference: 0,
  };
  return { ...route, preference: tasteOf(workspace.blocks, route) };
}

/** Coordinates of the corners of the loop's other runs, by axis. */
const levelsOf = (t: Task, others: readonly Route[]): readonly [number[], number[], number[]] =>
  ([0, 1, 2] as const).map((i) =>
    others.filter((o) => o.loop === t.loop.id).flatMap((o) => o.corners.map((c) => c[i])),
  ) as unknown as readonly [number[], number[], number[]];

/** What ways in closed form are looked for with. */
export function closedFormOf(
  t: Task,
  workspace: Workspace,
  others: readonly Route[],
  radius_mm: number,
): FewBends {
  return {
    workspace,
    limits: { ...t.limits, radius_mm },
    // A soft tube laid like a hard one pays for every quarter turn.
    prices: t.loop.tube.hard ? t.prices : { ...t.prices, bend_mm: SOFT_CORNER_MM },
    tube_mm: t.radius,
    level: levelsOf(t, others),
    depths: [workspace.bounds.min[2], workspace.bounds.max[2]],
  };
}

const bends45 = ({ limits: { angles_deg } }: Task): boolean =>
  !angles_deg || angles_deg.includes(45);

/**
 * The cheapest way of few bends, and the one on lines where it is cheaper. Odd angles that a style
 * dislikes are looked at where its own few have no way, and only under what the lines come to soon.
 */
function bothWays(
  search: RigidSearch,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  closed: FewBends,
): { readonly few: WayFound | null; readonly hard: WayFound | null } {
  const few = routeFewBends(froms, tos, plainly(closed));
  if (few) return { few, hard: search.find(few.cost) };
  const soon = search.inHaste();
  const odd = oddly(froms, tos, soon ? { ...closed, under: soon.cost } : closed);
  if (odd) return { few: odd, hard: search.find(odd.cost) };
  return { few: null, hard: soon ?? search.patiently() };
}

/** One search in one room. */
export function findWay(
  t: Task,
  workspace: Workspace,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  others: readonly Route[],
  kept: number,
  radius = t.limits.radius_mm,
  { most, weight = WEIGHT }: Effort = {},
): Route | null {
  const limits = { ...t.limits, radius_mm: radius };
  const made = (way: Pick<WayFound, 'corners' | 'from' | 'to' | 'cost'>, r: number): Route =>
    routeOver(t, workspace, way, r, kept);
  const vias: readonly Via[] = t.constraints.waypoints ?? [];
  if (!t.loop.tube.hard && vias.length === 0) {
    const soft = routeFlexible(workspace, froms, tos, limits, t.clipped);
    if (soft) return made(soft, soft.radius_mm);
  }
  const closed = { ...closedFormOf(t, workspace, others, radius), vias };
  const { level, prices } = closed;
  const openings = t.behind ? t.openings : [];
  const asked = ([0, 1, 2] as const).map((i) => [
    ...vias.flatMap((v) => v[i] ?? []),
    ...openings.map((o) => o[i]),
  ]) as unknown as readonly [number[], number[], number[]];
  const { hard: isHard } = t.loop.tube;
  const starts = levelled(workspace, froms, tos, limits, isHard, prices),
    goals = levelled(workspace, tos, froms, limits, isHard, prices);
  const lines = bendLines(
    workspace.bounds,
    workspace.blocks,
    [...starts, ...goals].filter((e) => !e.lead),
    limits,
    level,
    asked,
    [...starts, ...goals].filter((e) => e.lead),
  );
  const planes = level.map((l) => new Set(l.map(Math.round))) as unknown as readonly [
    Set<number>,
    Set<number>,
    Set<number>,
  ];
  const search = rigidSearch(
    workspace,
    starts,
    goals,
    limits,
    lines,
    others.length > 0 ? planes : null,
    {
      weight,
      vias,
      prices,
      tube_mm: t.radius,
      ...(most === undefined ? {} : { most }),
    },
  );
  const { few, hard } = isHard
    ? bothWays(search, froms, tos, closed)
    : { few: null, hard: search.find() };
  const direct = vias.length === 0 ? slantBetween(workspace, froms, tos, limits) : null;
  if (direct && direct.cost < Math.min(hard?.cost ?? Infinity, few?.cost ?? Infinity))
    return made(direct, radius);
  if (!hard) return few && made(withCutCorners(few, closed), radius);
  const { from, to }: { readonly from: LevelEnd; readonly to: LevelEnd } = hard;
  const whole: WayFound = {
    ...hard,
    corners: withEnds(hard.corners, from, to),
    from: from.lead?.end ?? from,
    to: to.lead?.end ?? to,
  };
  const way = isHard ? withCutCorners(shortened(whole, closed), closed) : whole;
  const slants = t.constraints.allow45 && isHard && bends45(t);
  return made(slants ? { ...way, corners: slanted(workspace, way.corners, limits) } : way, radius);
}
