import { applyEdit, type Build, type Edit, type LaidRoute, type NoWay, type Pose } from '../design';
import { resolve, type Model } from '../system';
import type { Frame } from '../geometry';
import { BEND_COST } from './rigidRoute';
import { laidOf, laidRoute } from './laidRoute';
import { routeAll, withTold } from './negotiate';
import { pathLength } from './path';
import { placePieces } from './pieces';
import type { Route, Routed } from './routed';
import { tasksOf } from './task';

/** All that routing says of a build: places of inline parts, and the routes of its runs. Plain data. */
export interface RoutedBuild {
  readonly frames: readonly (readonly [component: string, frame: Frame])[];
  readonly routed: Routed;
}

type Tell = (done: number, of: number) => boolean;

/** A run may overlap what it touches by so much before it counts as meeting it: rounding of the points it is measured by, mm. */
const SLACK_MM = 0.05;

/** The layout of the document as routes in space: those whose ends still meet their ports. Milliseconds; searches nothing. */
export function routesOf(model: Model): Routed {
  const { routes: laid, noWay } = model.build.layout;
  const tasks = tasksOf(model);
  const routes = tasks.flatMap((task) => {
    const stored = laid[task.link];
    return (stored && laidRoute(model, task, stored)) ?? [];
  });
  const has = new Set(routes.map((r) => r.link));
  const without = tasks.filter((t) => !has.has(t.link));
  return {
    routes: withTold(model, tasks, routes),
    missing: without.flatMap(({ link, loop }) => {
      const why = noWay[link];
      return why ? [{ link, loop: loop.id, ...why }] : [];
    }),
    rounds: 0,
    unpinned: without.flatMap(({ link }) => (laid[link]?.pinned ? [link] : [])),
  };
}

/** The layout of a build as it stands in its document. */
export function routedBuild(build: Build): RoutedBuild {
  return { frames: Object.entries(build.layout.poses), routed: routesOf(resolve(build)) };
}

/** Places the inline parts and routes every run from nothing, but for the pinned ones. Pure, deterministic; seconds. */
export function routeBuild(build: Build, tell: Tell = () => true): RoutedBuild {
  const poses = placePieces(build);
  const placed = withPoses(build, poses);
  return { frames: [...poses], routed: routeAll(resolve(placed), tell) };
}

/** A build with its inline parts where routing put them. */
export const withFrames = (build: Build, { frames }: Pick<RoutedBuild, 'frames'>): Build =>
  withPoses(build, new Map(frames));

const withPoses = (build: Build, poses: ReadonlyMap<string, Frame>): Build => ({
  ...build,
  layout: { ...build.layout, poses: Object.fromEntries(poses) },
});

/** The edit that writes what routing found into the document; null where nothing differs. */
export function layoutEdit(build: Build, { frames, routed }: RoutedBuild): Edit | null {
  const routes: Record<string, LaidRoute | null> = {};
  const noWay: Record<string, NoWay | null> = {};
  const poses: Record<string, Pose | null> = Object.fromEntries(
    Object.keys(build.layout.poses).map((id) => [id, null]),
  );
  for (const [id, frame] of frames) poses[id] = frame;
  const found = new Map(routed.routes.map((r) => [r.link, r]));
  for (const id of Object.keys(build.layout.routes)) {
    // A pinned run that no longer meets its ports stays pinned, and unrouted, until the builder says otherwise.
    if (!found.has(id) && !build.layout.routes[id]?.pinned) routes[id] = null;
  }
  for (const route of routed.routes) routes[route.link] = pinnedAs(build, route);
  for (const id of Object.keys(build.layout.noWay)) noWay[id] = null;
  for (const { link, blockedBy, wouldFit } of routed.missing) noWay[link] = { blockedBy, wouldFit };
  const edit = {
    do: 'layout.set',
    routes: changed(build.layout.routes, routes),
    poses: changed(build.layout.poses, poses),
    noWay: changed(build.layout.noWay, noWay),
  } as const;
  const empty = [edit.routes, edit.poses, edit.noWay].every((x) => Object.keys(x).length === 0);
  return empty ? null : edit;
}

/** A route as the document keeps it; one that is pinned stays as it was written. */
function pinnedAs(build: Build, route: Route): LaidRoute {
  const stored = build.layout.routes[route.link];
  return stored?.pinned ? stored : laidOf(route);
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
export function withRoutes(build: Build, tell?: Tell): Build {
  const edit = layoutEdit(build, routeBuild(build, tell));
  return edit ? applyEdit(build, edit).build : build;
}

/** Runs that want routing: without a route, or with one that now meets something. Pinned ones are left to the builder. */
export function staleRuns(model: Model): readonly string[] {
  const { layout } = model.build;
  const { routes } = routesOf(model);
  // Parts the builder asked to be kept in view: a run before one of them is tried again.
  const inView = new Set(
    model.build.components.flatMap((i) => (i.settings.inView === true ? [i.id] : [])),
  );
  const holds = (r: Route): boolean =>
    (r.told?.nearest?.gap_mm ?? 0) > -SLACK_MM &&
    !(r.told?.seen.before ?? []).some((component) => inView.has(component));
  const good = new Set(
    routes.filter((r) => layout.routes[r.link]?.pinned || holds(r)).map((r) => r.link),
  );
  return tasksOf(model)
    .map((t) => t.link)
    .filter((link) => !good.has(link) && !layout.routes[link]?.pinned);
}

/**
 * Warm start: routes only what is stale, past all the other routes as they lie; one of those is taken up only where a run
 * finds no way past it. Inline parts stay unless all their runs are stale. The edit to write it, or null where nothing is stale.
 */
export function rerouteEdit(build: Build, tell: Tell = () => true): Edit | null {
  const stale = new Set(staleRuns(resolve(build)));
  const poses = keptPoses(build, stale);
  const hanging = build.components.some((i) => i.placement.on === 'line' && !poses.has(i.id));
  if (stale.size === 0 && !hanging) return null;
  const frames = hanging ? placePieces(build, poses) : poses;
  const model = resolve(withPoses(build, frames));
  // An inline part that moved takes the runs at its ports along.
  const still = new Set(staleRuns(model));
  const kept = routesOf(model).routes.filter((r) => !still.has(r.link) && !stale.has(r.link));
  const routed = routeAll(model, tell, kept);
  return layoutEdit(build, { frames: [...frames], routed });
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

/** A routing from nothing, offered where it finds a way for more runs, or less tube and bends for all of them; null otherwise. */
export function improvement(build: Build, tell: Tell = () => true): Improvement | null {
  const now = routesOf(resolve(build));
  const fresh = routeBuild(build, tell);
  const { routed } = fresh;
  const fewer = routed.routes.length < now.routes.length;
  const saves_mm = lengthOf(now) - lengthOf(routed);
  const savesBends = bendsIn(now) - bendsIn(routed);
  const same = routed.routes.length === now.routes.length;
  if (fewer || (same && saves_mm + savesBends * BEND_COST < WORTH_MM)) return null;
  const edit = layoutEdit(build, fresh);
  return edit ? { edit, saves_mm, savesBends } : null;
}

const lengthOf = ({ routes }: Routed): number =>
  routes.reduce((sum, r) => sum + pathLength(r.path), 0);
const bendsIn = ({ routes }: Routed): number =>
  routes.reduce((sum, r) => sum + r.path.filter((s) => s.kind === 'arc').length, 0);

/** Inline parts that stay where they are: some run of theirs still holds. */
function keptPoses(build: Build, stale: ReadonlySet<string>): ReadonlyMap<string, Frame> {
  const links = build.loops.flatMap((l) => l.links);
  const holds = (id: string): boolean =>
    links.some(
      (l) =>
        (l.from.component === id || l.to.component === id) && !(l.by === 'tube' && stale.has(l.id)),
    );
  return new Map(Object.entries(build.layout.poses).filter(([id]) => holds(id)));
}

/** Runs that are tubes and have no valid route: their lengths are estimates. */
export const unroutedRuns = (model: Model, routed: Routed): readonly string[] => {
  const has = new Set(routed.routes.map((r) => r.link));
  return model.build.loops
    .flatMap((l) => l.links)
    .filter((l) => l.by === 'tube' && !has.has(l.id))
    .map((l) => l.id);
};
