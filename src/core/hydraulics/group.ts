import type { FlowNetwork, NetworkLink } from './links';
import { readyNetwork } from './network';

/** The pumps of a network and how they stand to each other. */
export interface PumpGroup {
  /**
   * One after another (or alone), side by side between the same two nodes, or apart: then no single
   * curve describes them.
   */
  readonly kind: 'none' | 'series' | 'parallel' | 'apart';
  readonly pumps: readonly string[];
  /** The pumps as they stand, held at a flow by a link back: its pressure is what they give. */
  readonly giving: FlowNetwork | null;
  /** Everything else, held at a flow by a link in the pumps' place. */
  readonly taking: FlowNetwork | null;
}

/** Name of the link that holds the flow. */
export const HELD = '(held)';

/**
 * Splits a network into what gives and what takes. Pumps apart in series (with parts between) count
 * as one after another.
 */
export function pumpGroup(network: FlowNetwork): PumpGroup {
  const pumps = network.links.filter((l) => l.pump);
  const first = pumps[0];
  if (!first) return { kind: 'none', pumps: [], giving: null, taking: null };
  const ids = pumps.map((p) => p.id);
  const { chains } = readyNetwork(network).chained;
  const withPumps = chains.filter((c) => c.members.some((m) => network.links[m.link]?.pump));
  const idsIn = (chain: (typeof chains)[number]): readonly string[] =>
    chain.members.map((m) => (network.links[m.link] as NetworkLink).id);
  if (withPumps.length <= 1) {
    const held = (from: string, to: string): NetworkLink => ({
      id: HELD,
      from,
      to,
      forced_Lmin: 0,
    });
    const row: NetworkLink[] = pumps.map((p, i) => ({ ...p, from: `row${i}`, to: `row${i + 1}` }));
    return {
      kind: 'series',
      pumps: ids,
      giving: {
        fluid: network.fluid,
        fixed: ['row0'],
        links: [...row, held(`row${pumps.length}`, 'row0')],
      },
      taking: {
        fluid: network.fluid,
        fixed: [first.from],
        links: [
          ...network.links.filter((l) => !l.pump),
          held(first.from, first.to),
          ...pumps
            .slice(1)
            .map((p) => ({ id: p.id, from: p.from, to: p.to, curve: { a: 0, b: 0 } })),
        ],
      },
    };
  }
  const endsOf = (chain: (typeof chains)[number]): readonly [string, string] => {
    const last = chain.members[chain.members.length - 1] as (typeof chain.members)[number];
    const link = network.links[last.link] as NetworkLink;
    const end = last.sign === 1 ? link.to : link.from;
    const pump = chain.members.find((m) => network.links[m.link]?.pump);
    return pump?.sign === 1 ? [chain.fromNode, end] : [end, chain.fromNode];
  };
  const [a, b] = endsOf(withPumps[0] as (typeof chains)[number]);
  if (
    a === b ||
    !withPumps.every((c) => {
      const [x, y] = endsOf(c);
      return x === a && y === b;
    })
  )
    return { kind: 'apart', pumps: ids, giving: null, taking: null };
  const inside = new Set(withPumps.flatMap(idsIn));
  return {
    kind: 'parallel',
    pumps: ids,
    giving: {
      fluid: network.fluid,
      fixed: [a],
      links: [
        ...network.links.filter((l) => inside.has(l.id)),
        { id: HELD, from: b, to: a, forced_Lmin: 0 },
      ],
    },
    taking: {
      fluid: network.fluid,
      fixed: [a],
      links: [
        ...network.links.filter((l) => !inside.has(l.id)),
        { id: HELD, from: a, to: b, forced_Lmin: 0 },
      ],
    },
  };
}
