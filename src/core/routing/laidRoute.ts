import type { LaidRoute } from '../design';
import type { System } from '../system';
import { distance, dot, type Vec } from '../geometry';
import { endWays, type EndWay } from './ends';
import { roundedPath } from './path';
import type { Route } from './routed';
import type { Task } from './task';

/** Bumped when routing itself changes, so that a route says which router laid it. */
export const ROUTER_VERSION = 6;

/** Ends meet when they are this near, mm. */
const MEETS_MM = 0.01;
/** Directions this near to each other are the same. */
const SAME_WAY = 0.9999;

/** What the document keeps of a route, to lay it just so again. */
export const storedRouteOf = (route: Route): LaidRoute => ({
  corners: route.corners,
  radius_mm: route.radius_mm,
  ...(route.radii_mm ? { radii_mm: route.radii_mm } : {}),
  from: { piece: route.from.piece, direction: route.from.direction },
  to: { piece: route.to.piece, direction: route.to.direction },
  kept_mm: route.kept_mm,
  router: ROUTER_VERSION,
});

/**
 * A route as it stands in the document; null where its ends no longer meet their ports, or its
 * bends or end fittings are not those the connection now asks for.
 */
export function laidRoute(system: System, task: Task, laid: LaidRoute): Route | null {
  const { from, to, loop, wish } = task;
  const { tube, fitting } = loop;
  const asked = [from, to, tube, fitting, wish, system.design.kit];
  const known = remembered.get(laid);
  if (known && known.asked.every((x, i) => x === asked[i])) return known.route;
  const route = layOut(system, task, laid);
  remembered.set(laid, { asked, route });
  return route;
}

/**
 * Routes by what the document keeps of them, while ports, tube and fittings stay the same: the same
 * route is the same object.
 */
const remembered = new WeakMap<
  LaidRoute,
  { readonly asked: readonly object[]; readonly route: Route | null }
>();

function layOut(system: System, task: Task, laid: LaidRoute): Route | null {
  const { hard } = task.loop.tube;
  const asked = task.limits.radius_mm;
  const fits = hard
    ? Math.abs(laid.radius_mm - asked) < MEETS_MM
    : laid.radius_mm > asked - MEETS_MM;
  if (!fits && !laid.pinned) return null;
  const from = endAt(system, task, 'from', laid);
  const to = endAt(system, task, 'to', laid);
  if (!from || !to) return null;
  const corners = [from.mouth, ...laid.corners.slice(1, -1), to.mouth];
  return {
    connection: task.connection,
    loop: task.loop.id,
    corners,
    radius_mm: laid.radius_mm,
    ...(laid.radii_mm ? { radii_mm: laid.radii_mm } : {}),
    path: roundedPath(corners, laid.radii_mm ?? laid.radius_mm),
    from,
    to,
    kept_mm: laid.kept_mm,
    cost: 0,
    preference: 0,
  };
}

/** The way out of a port that a laid end took, where it is still there. */
function endAt(
  system: System,
  task: Task,
  side: 'from' | 'to',
  laid: LaidRoute,
): EndWay | undefined {
  const { at, direction } = task[side];
  const mouth = (side === 'from' ? laid.corners[0] : laid.corners.at(-1)) as Vec;
  const kit = { fitting: task.loop.fitting, kit: system.design.kit };
  const ways = endWays(at, direction, laid.pinned ? 'auto' : task.wish[side], kit, true, true);
  return ways.find(
    (end) =>
      end.piece === laid[side].piece &&
      dot(end.direction, laid[side].direction) > SAME_WAY &&
      distance(end.mouth, mouth) < MEETS_MM,
  );
}
