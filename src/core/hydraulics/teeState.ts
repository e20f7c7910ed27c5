import type { Chain } from './chains';
import type { FlowNetwork } from './links';
import { TEE_LEGS, teeDropsInto } from './tee';
import type { TermsTable } from './termsTable';

/** A tee while a network is solved. */
export interface TeeState {
  split(flows: Float64Array): void;
  reset(): void;
  dropOf(link: number): number;
}

/** Below this a leg's flow or its change tells no slope, L/min. */
const TRICKLE_LMIN = 0.05,
  UNMOVED_LMIN = 1e-9;
/**
 * A leg's slope is kept within these shares of its drop over its flow: losses go with the square,
 * which is 2.
 */
const LEAST_SLOPE = -1,
  MOST_SLOPE = 6;

/**
 * Tees tie the drops of their legs to the split: worked out anew from each round's flows, with the
 * slope the last two rounds show (secant).
 */
export function teesOf(
  network: FlowNetwork,
  chains: readonly Chain[],
  table: TermsTable,
): readonly TeeState[] {
  const ids = [...new Set(network.links.flatMap((l) => (l.tee ? [l.tee.id] : [])))];
  return ids.map((id): TeeState => {
    const legs = network.links.flatMap((link, k) => {
      if (link.tee?.id !== id) return [];
      const chain = chains.findIndex((c) => c.members.some((m) => m.link === k));
      const sign = chains[chain]?.members.find((m) => m.link === k)?.sign ?? 1;
      return [
        {
          link: k,
          leg: TEE_LEGS.indexOf(link.tee.leg),
          chain,
          sign,
          bore_mm: link.tee.bore_mm,
          linear: 0,
          constant: 0,
          drop: 0,
          flow: NaN,
        },
      ];
    });
    const set = (leg: (typeof legs)[number], linear: number, constant: number): void => {
      const { chain } = leg;
      if (chain < 0) return;
      table.teeLinear[chain] = (table.teeLinear[chain] as number) + linear - leg.linear;
      table.teeConstant[chain] =
        (table.teeConstant[chain] as number) + leg.sign * (constant - leg.constant);
      leg.linear = linear;
      leg.constant = constant;
    };
    const into = new Float64Array(3),
      drops = new Float64Array(3);
    const bore_mm = legs[0]?.bore_mm ?? 1;
    return {
      reset: () => {
        for (const leg of legs) {
          set(leg, 0, 0);
          leg.drop = 0;
          leg.flow = NaN;
        }
      },
      split: (flows) => {
        for (const leg of legs)
          into[leg.leg] = leg.chain < 0 ? 0 : leg.sign * (flows[leg.chain] as number);
        teeDropsInto(into, bore_mm, network.fluid.density_kgm3, drops);
        for (const leg of legs) {
          const q = into[leg.leg] as number,
            drop = drops[leg.leg] as number,
            moved = q - leg.flow;
          const share = Math.abs(q) > TRICKLE_LMIN ? Math.abs(drop / q) : 0;
          const seenSlope = () => {
            if (Math.abs(moved) > UNMOVED_LMIN) return (drop - leg.drop) / moved;
            if (Number.isNaN(moved)) return 2 * share;
            return leg.linear;
          };
          const seen = seenSlope();
          const slope = Math.min(MOST_SLOPE * share, Math.max(LEAST_SLOPE * share, seen));
          leg.drop = drop;
          leg.flow = q;
          set(leg, slope, drop - slope * q);
        }
      },
      dropOf: (link) => legs.find((l) => l.link === link)?.drop ?? 0,
    };
  });
}
