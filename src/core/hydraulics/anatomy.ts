import { chainNetwork, type Chained } from './chains';
import type { FlowNetwork, NetworkLink } from './links';

/** What of a network can never carry flow, whatever the pumps do. */
export interface Anatomy {
  /** Links that lead nowhere: ends that hang, and whatever leads only to them. */
  readonly dead: readonly string[];
  /** Pieces that the reservoir's piece does not touch, as their links. */
  readonly apart: readonly (readonly string[])[];
}

export function anatomyOf(
  network: FlowNetwork,
  { pieces, dead }: Pick<Chained, 'pieces' | 'dead'> = chainNetwork(network),
): Anatomy {
  const { links, fixed } = network;
  const main = pieces.find((p) => p.zero.some((z) => fixed.includes(z))) ?? pieces[0];
  return {
    dead: dead.map((d) => (links[d.link] as NetworkLink).id),
    apart: pieces
      .filter((p) => p !== main)
      .map(({ nodes }) => {
        const own = new Set(nodes);
        return links.filter((l) => own.has(l.from)).map((l) => l.id);
      }),
  };
}
