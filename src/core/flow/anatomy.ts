import type { FlowNetwork } from './links';
import { chainNetwork } from './chains';

/** What of a network can never carry flow, whatever the pumps do. */
export interface Anatomy {
  /** Links that lead nowhere: ends that hang, and whatever leads only to them. */
  readonly dead: readonly string[];
  /** Pieces that the reservoir's piece does not touch, as their links. */
  readonly apart: readonly (readonly string[])[];
}

export function anatomyOf(network: FlowNetwork): Anatomy {
  const { links, fixed } = network;
  const dead = chainNetwork(network).dead.map((d) => (links[d.link] as (typeof links)[number]).id);
  const pieces: { nodes: Set<string>; ids: string[] }[] = [];
  for (const l of links) {
    const touching = pieces.filter((p) => p.nodes.has(l.from) || p.nodes.has(l.to));
    const joined = { nodes: new Set([l.from, l.to, ...touching.flatMap((p) => [...p.nodes])]), ids: [...touching.flatMap((p) => p.ids), l.id] };
    for (const t of touching) pieces.splice(pieces.indexOf(t), 1);
    pieces.push(joined);
  }
  const main = pieces.find((p) => fixed.some((f) => p.nodes.has(f))) ?? pieces[0];
  return { dead, apart: pieces.filter((p) => p !== main).map((p) => p.ids) };
}
