import { standingInWay, type TubePoints } from '../plan';
import { middleLine } from '../routing';
import type { System } from '../system';
import type { Run } from '../tubing';

/** How finely tubes are looked at, mm. */
const STEP_MM = 5;

const pointsOf = ({ id, routed, tube }: Run): TubePoints | null =>
  routed ? { id, points: middleLine({ routed }, STEP_MM), radius_mm: tube.outer_mm / 2 } : null;

/**
 * Parts, things of the case and other runs that a formed run meets on its last move into its
 * fittings, by id: they go in after it. Its own two parts are not told, for it is they that hold it.
 */
export function metOnWayIn(system: System, runs: readonly Run[], run: Run): readonly string[] {
  const tube = pointsOf(run);
  if (!tube) return [];
  const own: readonly string[] = [run.from.component, run.to.component];
  const parts = [...system.placed.values()]
    .flatMap((p) => p.solids)
    .concat(system.obstacles)
    .filter((s) => !own.includes(s.component));
  return standingInWay(
    run,
    tube,
    parts,
    runs.flatMap((r) => pointsOf(r) ?? []),
  );
}
