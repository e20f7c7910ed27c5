import type { System } from '../system';
import { distance } from '../geometry';
import { draftsBetween, plainly, routeFewBends } from './fewBends';
import type { EndWay } from './ends';
import { bendPrice } from './prices';
import { endsOf, findWay, openEnds } from './single';
import { workspaceFor, type Fixed } from './standing';
import type { Task } from './task';

/** Corners looked at before a way between two ports is taken for a hard one. */
const MOST = 500;
const NO_LEVEL = [[], [], []] as const;
/** What a run without a way is reckoned at, in millimetres of tube. */
const NO_WAY_MM = 3000;

/**
 * Never more than any way between the ports of a task costs by its style's prices: in line, or over
 * bends that cut every corner. Nothing in the room is looked at.
 */
export function leastBetween(system: System, task: Task): number {
  const froms = endsOf(system, task, 'from'),
    tos = endsOf(system, task, 'to');
  const asked = {
    limits: task.limits,
    prices: { ...task.prices, offPlane: 0 },
    tube_mm: task.radius,
    level: [[], [], []] as const,
  };
  const drafts = draftsBetween(froms, tos, asked);
  return Math.min(...drafts.map((d) => d.cost), beyond(task, froms, tos));
}

/** What any way costs that is none of the closed forms: two odd bends, or three. */
function beyond(
  { prices, limits }: Task,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
): number {
  const odd = limits.angles_deg ? Infinity : 2 * (bendPrice(prices, 0) + prices.oddAngle_mm);
  const saved = (2 - Math.PI / 2) * limits.radius_mm;
  const bends = Math.min(odd, 3 * bendPrice(prices, 45)) - 3 * saved;
  let least = Infinity;
  for (const a of froms)
    for (const b of tos) least = Math.min(least, distance(a.mouth, b.mouth) + a.cost + b.cost);
  return Math.max(0, least + bends);
}

/**
 * What the way between the ports of a task costs past all that stands, other runs aside: by few
 * bends where that can be, by a short search otherwise.
 */
export function costBetween(system: System, task: Task, fixed: readonly Fixed[]): number {
  if (task.walled) return NO_WAY_MM;
  const froms = openEnds(system, task, 'from', fixed, [], false),
    tos = openEnds(system, task, 'to', fixed, [], false);
  const { clear_mm } = system.design.brief.limits;
  const workspace = workspaceFor(system, task, fixed, [], [], [...froms, ...tos], clear_mm, null);
  const { limits, prices } = task;
  const asked = { workspace, limits, prices, tube_mm: task.radius, level: NO_LEVEL };
  const few = task.loop.tube.hard ? routeFewBends(froms, tos, plainly(asked)) : null;
  if (few) return few.cost;
  const way = findWay(task, workspace, froms, tos, [], clear_mm, limits.radius_mm, { most: MOST });
  return way?.cost ?? NO_WAY_MM;
}
