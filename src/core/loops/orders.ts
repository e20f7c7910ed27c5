import { applyEdit, findComponent, type Design } from '../design';
import { distance, type Vec } from '../geometry';
import { compileSystem } from '../system';
import { estimateRuns } from '../tubing';
import { reorderLoop } from './propose';

/** An order of a loop's parts, with the build as it would be and what its estimated runs come to. */
export interface EstimatedOrder {
  readonly order: readonly string[];
  readonly design: Design;
  /** Tube and bends, mm of tube. */
  readonly worth: number;
}

/** Loops of more parts have too many orders to weigh. */
export const MOST_ORDERED = 8;
/** Orders measured by estimated runs: of all, the straightest. */
const MOST_ESTIMATED = 60;
/** A bend is worth so much tube when orders are ranked, mm. */
export const BEND_MM = 45;
/** Between parts of which one has no place, mm. */
const UNPLACED_MM = 150;

/**
 * Orders of a loop's parts behind its reservoir and pumps, the cheapest by estimated runs first.
 * All are weighed by the way between the parts, the straightest by estimated runs.
 *
 * @returns how many orders there are, and the cheapest of them; none where the flow
 *   splits, the loop is open, or it has more than `MOST_ORDERED` parts
 */
export function ordersByEstimate(
  design: Design,
  loopId: string,
): { readonly all: number; readonly ranked: readonly EstimatedOrder[] } {
  const system = compileSystem(design),
    graph = system.loops.find((g) => g.loop.id === loopId);
  if (!graph || graph.branched || !graph.closed || graph.stations.length > MOST_ORDERED)
    return { all: 0, ranked: [] };
  const kind = (id: string): string => findComponent(design, id)?.part.kind ?? '';
  const head = graph.stations.filter((s) => kind(s) === 'reservoir' || kind(s) === 'pump'),
    rest = graph.stations.filter((s) => !head.includes(s));
  const middle = new Map(
    graph.stations.map((s) => [s, middleOf(system.placed.get(s)?.ports.map((p) => p.at) ?? [])]),
  );
  const lengthOf = (order: readonly string[]): number =>
    order.reduce((sum, s, i) => {
      const a = middle.get(s),
        b = middle.get(order[(i + 1) % order.length] as string);
      return sum + (a && b ? distance(a, b) : UNPLACED_MM);
    }, 0);
  const orders = permutations(rest)
    .map((r) => [...head, ...r])
    .map((order) => ({ order, length: lengthOf(order) }))
    .sort((a, b) => a.length - b.length);
  const ranked = orders
    .slice(0, MOST_ESTIMATED)
    .map(({ order }): EstimatedOrder => {
      const after = applyEdit(design, reorderLoop(design, loopId, order)).design,
        runs = estimateRuns(compileSystem(after)).filter((r) => r.loop === loopId);
      return {
        order,
        design: after,
        worth: runs.reduce((s, r) => s + r.cut_mm + r.bends * BEND_MM, 0),
      };
    })
    .sort((a, b) => a.worth - b.worth);
  return { all: orders.length, ranked };
}

const middleOf = (points: readonly Vec[]): Vec | null =>
  points.length === 0
    ? null
    : ([0, 1, 2].map(
        (i) => points.reduce((s, p) => s + p[i as 0], 0) / points.length,
      ) as unknown as Vec);

function permutations<T>(list: readonly T[]): readonly (readonly T[])[] {
  if (list.length <= 1) return [list];
  return list.flatMap((x, i) =>
    permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((p) => [x, ...p]),
  );
}
