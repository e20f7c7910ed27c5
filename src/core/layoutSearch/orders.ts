import { applyEdit, type Design, type Edit, type Loop } from '../design';
import { ordersByEstimate, reorderLoop } from '../loops';
import { compileSystem } from '../system';
import type { Changes } from './changes';
import type { ImprovedLayout } from './improve';

/** Orders of one loop that are routed, of those the cheapest by estimate. */
const MOST_ORDERS = 2;

/**
 * Whether a search may change the order of a loop: it is free, and no run of it is set by hand, by
 * its way, its ends or a tube of its own, which another order would not have.
 */
const isFree = (design: Design, { routing, connections }: Loop): boolean =>
  routing?.freeOrder === true &&
  connections.every(
    (c) =>
      !c.constraints &&
      !c.tube &&
      c.ends.from === 'auto' &&
      c.ends.to === 'auto' &&
      design.layout.routes[c.id]?.pinned !== true,
  );

/** Joints from port to port, without a tube. */
const jointsIn = (design: Design, loop: string): number =>
  design.loops.find((l) => l.id === loop)?.connections.filter((c) => c.by === 'direct').length ?? 0;

/** The parts of each loop in the order it runs. */
const ordersOf = (design: Design): ReadonlyMap<string, readonly string[]> =>
  new Map(compileSystem(design).loops.map((g) => [g.loop.id, g.stations]));

/**
 * Other orders of the loops that may change theirs, the cheapest by estimated runs first: each loop
 * by itself, and the best of all loops together.
 */
export function otherOrders(design: Design): readonly Changes[] {
  const now = ordersOf(design);
  const found = design.loops
    .filter((loop) => isFree(design, loop))
    .map(({ id }) =>
      ordersByEstimate(design, id)
        .ranked.filter(
          ({ order, design: after }) =>
            order.join() !== now.get(id)?.join() && jointsIn(after, id) === jointsIn(design, id),
        )
        .slice(0, MOST_ORDERS)
        .map(({ order }): Reorder => ({ loop: id, order })),
    );
  const each = found.flat().map((reorder) => changesFor(design, [reorder]));
  const best = found.flatMap((orders) => orders.slice(0, 1));
  return best.length > 1 ? [...each, changesFor(design, best)] : each;
}

interface Reorder {
  readonly loop: string;
  readonly order: readonly string[];
}

/** One order after the other: each knows the runs of the orders before it. */
function changesFor(design: Design, reorders: readonly Reorder[]): Changes {
  const edits = reorders.reduce<readonly Edit[]>((before, { loop, order }) => {
    const sofar =
      before.length > 0 ? applyEdit(design, { do: 'batch', edits: before }).design : design;
    return [...before, reorderLoop(sofar, loop, order)];
  }, []);
  return { edits, parts: [] };
}

/** Loops that run otherwise in one build than in another. */
export function reordered(before: Design, after: Design): ImprovedLayout['orders'] {
  const was = ordersOf(before);
  return [...ordersOf(after)]
    .filter(([loop, order]) => order.join() !== was.get(loop)?.join())
    .map(([loop, order]) => ({ loop, order }));
}
