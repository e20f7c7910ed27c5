import { bendTable, estimateRuns, INSERTION_MM, type Run } from '../run';
import type { Model } from '../model';
import { bodyGap, boxGap, distance, type Body } from '../shape';
import type { Route, Routed } from './routed';
import { pathLength, samplePath } from './path';
import { inView } from './view';

/** Things farther off are not told, and points looked at so far apart, mm. */
const NEAR_MM = 60, STEP_MM = 4;

/** The model's runs with what routing found; a run it found no way for stays an estimate. */
export function routedRuns(model: Model, routed: Routed): readonly Run[] {
  return estimateRuns(model).map((run): Run => {
    // What is screwed together port to port has no length to guess.
    if (run.by === 'joint') return { ...run, estimated: false };
    const route = routed.routes.find((r) => r.link === run.id && r.loop === run.loop);
    return route ? routedRun(model, run, route, routed.routes) : run;
  });
}

/** One run of the model as it is routed; null when it is not. */
export function routedRunOf(model: Model, routed: Routed, link: string): Run | null {
  const run = estimateRuns(model).find((r) => r.id === link), route = routed.routes.find((r) => r.link === link);
  return run && route ? routedRun(model, run, route, routed.routes) : null;
}

function routedRun(model: Model, run: Run, route: Route, all: readonly Route[]): Run {
  const cut_mm = pathLength(route.path) + 2 * INSERTION_MM, table = bendTable(route.corners, route.radius_mm);
  const bends = route.path.filter((s) => s.kind === 'arc');
  return {
    ...run, estimated: false, guess: null, cut_mm, bends: bends.length, turning_deg: bends.reduce((s, b) => s + (b.kind === 'arc' ? b.angle_deg : 0), 0),
    ends: { from: route.from.piece, to: route.to.piece },
    fittings: [...route.from.duties.map((duty) => ({ end: 'from' as const, duty })), ...route.to.duties.map((duty) => ({ end: 'to' as const, duty }))],
    volume_mL: ((Math.PI / 4) * run.tube.inner_mm ** 2 * cut_mm) / 1000,
    routed: {
      path: route.path, radius_mm: route.radius_mm, kept_mm: route.kept_mm, nearest: nearestTo(model, run, route, all), seen: route.seen ?? inView(model, route, all, [run.from.item, run.to.item]),
      pieces: [...route.from.bodies.map((b) => ({ ...b, end: 'from' as const })), ...route.to.bodies.map((b) => ({ ...b, end: 'to' as const }))],
      lra: table.rows, last_mm: table.last_mm,
    },
  };
}

/** The nearest thing to the tube along its way, but the two parts it joins. */
function nearestTo(model: Model, run: Run, route: Route, all: readonly Route[]): { readonly item: string; readonly gap_mm: number } | null {
  const points = samplePath(route.path, STEP_MM), r = run.tube.outer_mm / 2;
  let best: { item: string; gap_mm: number } | null = null;
  const meet = (item: string, gap: number): void => { if (gap <= NEAR_MM && (!best || gap < best.gap_mm)) best = { item, gap_mm: gap }; };
  const bodies: { readonly id: string; readonly body: Body }[] = [...[...model.placed.values()].flatMap((p) => p.solids.map((s) => ({ id: p.item.id, body: s as Body }))), ...model.obstacles.map((o) => ({ id: o.item, body: o as Body }))];
  for (const { id, body } of bodies) {
    if (id === run.from.item || id === run.to.item) continue;
    for (const p of points) { if (boxGap({ min: p, max: p }, body.box) > NEAR_MM) continue; meet(id, bodyGap({ box: { min: p, max: p } }, body) - r); }
  }
  for (const o of all) {
    if (o.link === route.link) continue;
    const theirs = samplePath(o.path, STEP_MM), ro = (model.build.loops.find((l) => l.id === o.loop)?.tube.outer_mm ?? 16) / 2;
    for (const p of points) for (const q of theirs) meet(o.link, distance(p, q) - r - ro);
  }
  return best;
}
