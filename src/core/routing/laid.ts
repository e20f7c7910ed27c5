import type { Design } from '../design';
import type { Frame } from '../geometry';
import { compileSystem, type System } from '../system';
import { laidRoute } from './laidRoute';
import { withReports } from './report';
import type { Routed } from './routed';
import { tasksOf } from './task';

/**
 * All that routing says of a build: places of inline parts, and the routes of its runs. Plain data.
 */
export interface RoutedDesign {
  readonly frames: readonly (readonly [component: string, frame: Frame])[];
  readonly routed: Routed;
}

/**
 * The layout of the document as routes in space: those whose ends still meet their ports.
 * Milliseconds; searches nothing.
 */
export function routesOf(system: System): Routed {
  const { routes: storedRoutes, noRoute } = system.design.layout;
  const tasks = tasksOf(system);
  const routes = tasks.flatMap((task) => {
    const stored = storedRoutes[task.connection];
    return (stored && laidRoute(system, task, stored)) ?? [];
  });
  const has = new Set(routes.map((r) => r.connection));
  const without = tasks.filter((t) => !has.has(t.connection));
  return {
    routes: withReports(system, tasks, routes),
    missing: without.flatMap(({ connection, loop }) => {
      const why = noRoute[connection];
      return why ? [{ connection, loop: loop.id, ...why }] : [];
    }),
    rounds: 0,
    unpinned: without.flatMap(({ connection }) =>
      storedRoutes[connection]?.pinned ? [connection] : [],
    ),
  };
}

/** The layout of a build as it stands in its document. */
export function routedDesign(design: Design): RoutedDesign {
  return { frames: Object.entries(design.layout.poses), routed: routesOf(compileSystem(design)) };
}

/** A build with its inline parts where routing put them. */
export const withFrames = (design: Design, { frames }: Pick<RoutedDesign, 'frames'>): Design =>
  withPoses(design, new Map(frames));

export const withPoses = (design: Design, poses: ReadonlyMap<string, Frame>): Design => ({
  ...design,
  layout: { ...design.layout, poses: Object.fromEntries(poses) },
});

/** Runs that are tubes and have no valid route: their lengths are estimates. */
export const unroutedRuns = (system: System, routed: Routed): readonly string[] => {
  const has = new Set(routed.routes.map((r) => r.connection));
  return system.design.loops
    .flatMap((l) => l.connections)
    .filter((l) => l.by === 'tube' && !has.has(l.id))
    .map((l) => l.id);
};
