import { findComponent } from '../design';
import type { System } from '../system';
import { boxGap, union } from '../geometry';
import { grow } from './workspace';
import type { NoRoute, Route } from './routed';
import { endsOf, findWay, KEPT_MM } from './single';
import { workspaceFor, type Fixed } from './standing';
import type { Task } from './task';
import { ANOTHER_RUN, CASE_WALL, PASS_THROUGH, tighterBends } from './wayOut';

/** Corners looked at for each guess at what is in the way. */
const EXPLAIN_MOST = 2000;

/** Which one thing out of the way, or which tighter bend, would give a run its way. */
export function explain(
  system: System,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
): NoRoute {
  if (t.walled)
    return {
      connection: t.connection,
      loop: t.loop.id,
      blockedBy: CASE_WALL,
      wouldFit: PASS_THROUGH,
    };
  const froms = endsOf(system, t, 'from'),
    tos = endsOf(system, t, 'to'),
    least = KEPT_MM[KEPT_MM.length - 1] as number;
  const whole = workspaceFor(system, t, fixed, waiting, others, [...froms, ...tos], least, null);
  const name = (id: string): string =>
    findComponent(system.design, id)?.name ??
    system.design.case?.obstacles.find((o) => `case:${o.id}` === id)?.name ??
    ANOTHER_RUN;
  let wouldFit: string | null = null;
  for (const share of [0.75, 0.5]) {
    if (
      findWay(t, whole, froms, tos, [], least, t.limits.radius_mm * share, { most: EXPLAIN_MOST })
    ) {
      wouldFit = tighterBends(t.limits.radius_mm * share);
      break;
    }
  }
  const ends = new Set(
    [t.from.component, t.to.component].flatMap((id) => [id, ...system.mates.hostsOf(id)]),
  );
  const between = union([
    { min: t.from.at, max: t.from.at },
    { min: t.to.at, max: t.to.at },
  ]);
  const ids = [
    ...new Set(
      whole.blocks
        .filter((b) => b.penalty === Infinity && boxGap(b, grow(between, 40)) < 0)
        .map((b) => b.id),
    ),
  ]
    .filter((id) => !ends.has(id))
    .slice(0, 6);
  for (const id of ids)
    if (
      findWay(
        t,
        { ...whole, blocks: whole.blocks.filter((b) => b.id !== id) },
        froms,
        tos,
        [],
        least,
        t.limits.radius_mm,
        { most: EXPLAIN_MOST },
      )
    )
      return { connection: t.connection, loop: t.loop.id, blockedBy: name(id), wouldFit };
  return { connection: t.connection, loop: t.loop.id, blockedBy: null, wouldFit };
}
