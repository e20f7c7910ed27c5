import {
  applyEdit,
  type Design,
  type Edit,
  type LaidRoute,
  type NoRouteFound,
  type Pose,
} from '../design';
import { compileSystem, type System } from '../system';
import { distance, type Frame } from '../geometry';
import type { Segment } from '../tubing';
import { pricesOf } from './prices';
import { routesOf, withPoses, type RoutedDesign } from './laid';
import { storedRouteOf } from './laidRoute';
import { routeAll } from './negotiate';
import { pathLength } from './path';
import { placeOnLegs, type OnLegs } from './onLegs';
import { placePieces } from './pieces';
import type { Route, Routed } from './routed';
import { meetsItself } from './selfGap';
import { tasksOf, type Task } from './task';

type Tell = (done: number, of: number) => boolean;

/**
 * A run may overlap what it touches by so much before it counts as meeting it: rounding of the
 * points it is measured by, mm.
 */
const SLACK_MM = 0.05;

/**
 * Places the inline parts and routes every run from nothing, but for the pinned ones. Pure,
 * deterministic; seconds. `hasty`: runs without a way are not searched to the end.
 */
export function routeDesign(design: Design, tell: Tell = () => true, hasty = false): RoutedDesign {
  const legs = placeOnLegs(design, new Map(), tell, hasty);
  const onLegs = routedWith(design, legs, tell, hasty);
  if (onLegs.routed.missing.length === 0 || legs.frames.size === 0) return onLegs;
  // A leg that leaves a run without a way is no place: then they stand where their runs meet.
  const apart = routedWith(design, NOWHERE, tell, hasty);
  return apart.routed.missing.length < onLegs.routed.missing.length ? apart : onLegs;
}

const NOWHERE: OnLegs = { frames: new Map(), routes: [] };

function routedWith(design: Design, legs: OnLegs, tell: Tell, hasty: boolean): RoutedDesign {
  const poses = placePieces(design, legs.frames);
  const placed = withPoses(design, poses);
  return { frames: [...poses], routed: routeAll(compileSystem(placed), tell, legs.routes, hasty) };
}

/** The edit that writes what routing found into the document; null where nothing differs. */
export function layoutEdit(design: Design, { frames, routed }: RoutedDesign): Edit | null {
  const routes: Record<string, LaidRoute | null> = {};
  const noRoute: Record<string, NoRouteFound | null> = {};
  const poses: Record<string, Pose | null> = Object.fromEntries(
    Object.keys(design.layout.poses).map((id) => [id, null]),
  );
  for (const [id, frame] of frames) poses[id] = frame;
  const found = new Map(routed.routes.map((r) => [r.connection, r]));
  for (const id of Object.keys(design.layout.routes)) {
    // A pinned run that no longer meets its ports stays pinned, and unrouted, until the builder
    // says otherwise.
    if (!found.has(id) && !design.layout.routes[id]?.pinned) routes[id] = null;
  }
  for (const route of routed.routes) routes[route.connection] = pinnedAs(design, route);
  for (const id of Object.keys(design.layout.noRoute)) noRoute[id] = null;
  for (const { connection, blockedBy, wouldFit } of routed.missing)
    noRoute[connection] = { blockedBy, wouldFit };
  const edit = {
    do: 'layout.set',
    routes: changed(design.layout.routes, routes),
    poses: changed(design.layout.poses, poses),
    noRoute: changed(design.layout.noRoute, noRoute),
  } as const;
  const empty = [edit.routes, edit.poses, edit.noRoute].every((x) => Object.keys(x).length === 0);
  return empty ? null : edit;
}

/** A route as the document keeps it; one that is pinned stays as it was written. */
function pinnedAs(design: Design, route: Route): LaidRoute {
  const stored = design.layout.routes[route.connection];
  return stored?.pinned ? stored : storedRouteOf(route);
}

/** Entries that differ from what is there. */
function changed<T>(
  now: Readonly<Record<string, T>>,
  next: Readonly<Record<string, T | null>>,
): Record<string, T | null> {
  const differs = ([id, value]: [string, T | null]): boolean =>
    value === null ? id in now : JSON.stringify(now[id]) !== JSON.stringify(value);
  return Object.fromEntries(Object.entries(next).filter(differs));
}

/** A build with everything routed from nothing. */
export function withRoutes(design: Design, tell?: Tell): Design {
  const edit = layoutEdit(design, routeDesign(design, tell));
  return edit ? applyEdit(design, edit).design : design;
}

/**
 * Runs that want routing: without a route, or with one that now meets something. Pinned ones are
 * left to the builder.
 */
export function staleRuns(system: System): readonly string[] {
  const { layout } = system.design;
  const { routes } = routesOf(system);
  // Parts the builder asked to be kept in view: a run before one of them is tried again.
  const inView = new Set(
    system.design.components.flatMap((i) => (i.settings.keepVisible === true ? [i.id] : [])),
  );
  const tasks = new Map(tasksOf(system).map((t) => [t.connection, t]));
  const holds = (r: Route): boolean =>
    isBendable(tasks.get(r.connection), r) &&
    (r.reported?.nearest?.gap_mm ?? 0) > -SLACK_MM &&
    !(r.reported?.visibility.before ?? []).some((component) => inView.has(component));
  const good = new Set(
    routes.filter((r) => layout.routes[r.connection]?.pinned || holds(r)).map((r) => r.connection),
  );
  return tasksOf(system)
    .map((t) => t.connection)
    .filter((connection) => !good.has(connection) && !layout.routes[connection]?.pinned);
}

/** Whether a tube can be bent as it lies: straights between its bends, and never through itself. */
function isBendable(task: Task | undefined, { path }: Route): boolean {
  if (!task) return false;
  const { between_mm } = task.limits;
  const cramped = path.some(
    (s, i) =>
      s.kind === 'arc' &&
      (path[i - 1]?.kind === 'arc' ||
        (path[i - 2]?.kind === 'arc' && lengthOfLine(path[i - 1]) < between_mm - SLACK_MM)),
  );
  return !(task.loop.tube.hard && cramped) && !meetsItself(path, task.radius);
}

const lengthOfLine = (s: Segment | undefined): number =>
  s?.kind === 'line' ? distance(s.from, s.to) : Infinity;

/**
 * Warm start: routes only what is stale, past all the other routes as they lie; one of those is
 * taken up only where a run finds no way past it. Inline parts stay unless all their runs are
 * stale. The edit to write it, or null where nothing is stale.
 */
export function rerouteEdit(design: Design, tell: Tell = () => true): Edit | null {
  const stale = new Set(staleRuns(compileSystem(design)));
  const poses = keptPoses(design, stale);
  const hanging = design.components.some((i) => i.placement.on === 'line' && !poses.has(i.id));
  if (stale.size === 0 && !hanging) return null;
  const frames = hanging ? placePieces(design, poses) : poses;
  const system = compileSystem(withPoses(design, frames));
  // An inline part that moved takes the runs at its ports along.
  const still = new Set(staleRuns(system));
  const kept = routesOf(system).routes.filter(
    (r) => !still.has(r.connection) && !stale.has(r.connection),
  );
  const routed = routeAll(system, tell, kept);
  return layoutEdit(design, { frames: [...frames], routed });
}

/** What routing everything afresh would gain over the layout there is. */
export interface Improvement {
  readonly edit: Edit;
  /** Less tube and fewer bends than now; negative where it takes more. */
  readonly saves_mm: number;
  readonly savesBends: number;
}

/** A gain smaller than this, in millimetres of tube with bends weighed in, is not offered. */
const WORTH_MM = 20;

/**
 * A routing from nothing, offered where it finds a way for more runs, or less tube and bends for
 * all of them; null otherwise.
 */
export function improvement(design: Design, tell: Tell = () => true): Improvement | null {
  const now = routesOf(compileSystem(design));
  const fresh = routeDesign(design, tell);
  const { routed } = fresh;
  const bend_mm = Math.max(...design.loops.map((l) => pricesOf(l).bend_mm), 0);
  const fewer = routed.routes.length < now.routes.length;
  const saves_mm = lengthOf(now) - lengthOf(routed);
  const savesBends = bendsIn(now) - bendsIn(routed);
  const same = routed.routes.length === now.routes.length;
  if (fewer || (same && saves_mm + savesBends * bend_mm < WORTH_MM)) return null;
  const edit = layoutEdit(design, fresh);
  return edit ? { edit, saves_mm, savesBends } : null;
}

const lengthOf = ({ routes }: Routed): number =>
  routes.reduce((sum, r) => sum + pathLength(r.path), 0);
const bendsIn = ({ routes }: Routed): number =>
  routes.reduce((sum, r) => sum + r.path.filter((s) => s.kind === 'arc').length, 0);

/** Inline parts that stay where they are: some run of theirs still holds. */
function keptPoses(design: Design, stale: ReadonlySet<string>): ReadonlyMap<string, Frame> {
  const connections = design.loops.flatMap((l) => l.connections);
  const holds = (id: string): boolean =>
    connections.some(
      (l) =>
        (l.from.component === id || l.to.component === id) && !(l.by === 'tube' && stale.has(l.id)),
    );
  return new Map(Object.entries(design.layout.poses).filter(([id]) => holds(id)));
}
