import type { System } from '../system';
import { draftsBetween } from './fewBends';
import { roundedPath } from './path';
import type { Route } from './routed';
import { fixedBodies, workspaceFor } from './standing';
import { tasksOf } from './task';
import { tollOfPath } from './workspace';

/** What keeps a run from a way of fewer bends. */
export interface InTheWay {
  /** Bends of the simplest way between the same two fittings, nothing in the way. */
  readonly leastBends: number;
  /** The part, run or opening that way would meet; null where its ends alone ask for more bends. */
  readonly meets: string | null;
}

/** Why a run has as many bends as it has: the first thing that its simplest way would meet. */
export function inTheWayOf(system: System, route: Route, all: readonly Route[]): InTheWay | null {
  const task = tasksOf(system).find((t) => t.connection === route.connection);
  if (!task) return null;
  const { limits, prices, radius: tube_mm } = task;
  const ends = [route.from, route.to];
  const drafts = draftsBetween([route.from], [route.to], {
    limits,
    prices,
    tube_mm,
    level: [[], [], []],
  });
  drafts.sort((a, b) => a.angles_deg.length - b.angles_deg.length || a.cost - b.cost);
  const [simplest] = drafts;
  if (!simplest) return { leastBends: 3, meets: null };
  const others = all.filter((r) => r !== route && r.connection !== route.connection);
  const workspace = workspaceFor(
    system,
    task,
    fixedBodies(system),
    [],
    others,
    ends,
    route.kept_mm,
    null,
  );
  const path = roundedPath(simplest.corners, limits.radius_mm);
  const met = workspace.blocks.find(
    (b) => tollOfPath({ bounds: workspace.bounds, blocks: [b] }, path) === Infinity,
  );
  return { leastBends: simplest.angles_deg.length, meets: met?.id ?? null };
}
