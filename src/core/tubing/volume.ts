import { isWet } from '../components';
import type { Design } from '../design';
import type { FluidLink, LoopGraph, NodeId, System } from '../system';
import type { Run } from './estimate';

/** Coolant in a link, mL: of a passage its share of the part's, of a run what its tube holds. */
export const linkVolume = (link: FluidLink, run: Run | undefined): number =>
  link.volume_mL ?? run?.volume_mL ?? 0;

/**
 * Coolant that stands at the chambers of a loop, mL by node: a reservoir's fill, split evenly over
 * the chambers the loop meets, and what a part without a way through holds.
 */
export function standingVolumes(
  { design }: Pick<System, 'design'>,
  graph: LoopGraph,
): ReadonlyMap<NodeId, number> {
  let known = standingIn.get(graph);
  if (!known) {
    known = workOutStanding(design, graph);
    standingIn.set(graph, known);
  }
  return known;
}
/** A graph holds the nodes of one design: kept as long as it. */
const standingIn = new WeakMap<LoopGraph, ReadonlyMap<NodeId, number>>();

function workOutStanding(design: Design, graph: LoopGraph): ReadonlyMap<NodeId, number> {
  const standing = new Map<NodeId, number>();
  for (const { id, part } of design.components) {
    if (!isWet(part)) continue;
    const stands_mL = part.kind === 'reservoir' ? part.fill_mL : volumeWithoutPassage(part);
    if (stands_mL === 0) continue;
    const met = [...graph.nodes.values()].filter((node) => node.component === id);
    for (const node of met) standing.set(node.id, stands_mL / met.length);
  }
  return standing;
}

const volumeWithoutPassage = (part: {
  readonly passages: readonly unknown[];
  readonly volume_mL: number;
}): number => (part.passages.length === 0 ? part.volume_mL : 0);
