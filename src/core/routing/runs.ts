import { bendTable, estimateRuns, INSERTION_MM, type Run } from '../tubing';
import type { System } from '../system';
import { clipsAlong } from './clips';
import type { EndWay } from './ends';
import { routesOf } from './laid';
import { isClipped, type Route, type Routed, type RouteReport } from './routed';
import { pathLength } from './path';
import { reportOf } from './report';

/** The model's runs as its layout says; those without a valid route are estimates. */
export const runsOf = (system: System): readonly Run[] => routedRuns(system, routesOf(system));

/** The model's runs with what routing found; a run it found no way for stays an estimate. */
export function routedRuns(system: System, routed: Routed): readonly Run[] {
  return estimateRuns(system).map((run): Run => {
    // What is screwed together port to port has no length to guess.
    if (run.by === 'direct') return { ...run, estimated: false };
    const route = routed.routes.find((r) => r.connection === run.id && r.loop === run.loop);
    return route ? routedRun(system, run, route, routed.routes) : run;
  });
}

/** One run of the model as it is routed; null when it is not. */
export function routedRunOf(system: System, routed: Routed, link: string): Run | null {
  const run = estimateRuns(system).find((r) => r.id === link),
    route = routed.routes.find((r) => r.connection === link);
  return run && route ? routedRun(system, run, route, routed.routes) : null;
}

function routedRun(system: System, run: Run, route: Route, all: readonly Route[]): Run {
  const cut_mm = pathLength(route.path) + 2 * INSERTION_MM,
    table = bendTable(route.corners, route.radii_mm ?? route.radius_mm);
  const bends = route.path.filter((s) => s.kind === 'arc');
  const reported = (): RouteReport =>
    route.reported ?? reportOf(system, route, all, [run.from.component, run.to.component]);
  return {
    ...run,
    estimated: false,
    guess: null,
    cut_mm,
    bends: bends.length,
    turning_deg: bends.reduce((s, b) => s + (b.kind === 'arc' ? b.angle_deg : 0), 0),
    ends: { from: route.from.piece, to: route.to.piece },
    fittings: [
      ...route.from.duties.map((duty) => ({ end: 'from' as const, duty })),
      ...route.to.duties.map((duty) => ({ end: 'to' as const, duty })),
    ],
    volume_mL: ((Math.PI / 4) * run.tube.inner_mm ** 2 * cut_mm) / 1000,
    routed: {
      path: route.path,
      radius_mm: route.radius_mm,
      kept_mm: route.kept_mm,
      get nearest() {
        return reported().nearest;
      },
      get visibility() {
        return reported().visibility;
      },
      get lies() {
        return reported().lies;
      },
      clips: isClipped(system, route) && !run.tube.hard ? clipsAlong(route, cut_mm) : [],
      pieces: [...piecesOf(route.from, 'from'), ...piecesOf(route.to, 'to')],
      lra: table.rows,
      last_mm: table.last_mm,
    },
  };
}

type Pieces = NonNullable<Run['routed']>['pieces'];
const pieces = new WeakMap<EndWay, Pieces>();

/**
 * The pieces of an end, the same objects while the end is: what is measured between them is
 * remembered by them.
 */
function piecesOf(end: EndWay, side: 'from' | 'to'): Pieces {
  const known = pieces.get(end);
  if (known) return known;
  const made = end.bodies.map((b) => ({ ...b, end: side }));
  pieces.set(end, made);
  return made;
}
