import type { FlowNetwork } from './links';
import { HELD, pumpGroup, type PumpGroup } from './group';
import { readyNetwork, type ReadyNetwork } from './network';

export interface ChartPoint {
  readonly flow_Lmin: number;
  readonly pressure_kPa: number;
}

/**
 * Pumps against loop: what the one gives and the other takes at any flow, and where they meet at
 * any speed.
 */
export interface OperatingCurves {
  readonly group: PumpGroup;
  /** What the loop without its pumps takes at a flow, kPa. */
  systemCurve(flow_Lmin: number): number;
  /** What the pumps give together at a flow, kPa; `share` multiplies their speeds. */
  pumpCurve(flow_Lmin: number, share?: number): number;
}

/**
 * Null without a pump, or when pumps stand apart in branches, so that no single pair of curves
 * tells the loop.
 */
export function operatingCurves(network: FlowNetwork): OperatingCurves | null {
  const group = pumpGroup(network);
  if (!group.giving || !group.taking) return null;
  const giving = readyNetwork(group.giving),
    taking = readyNetwork(group.taking);
  return {
    group,
    systemCurve: (forced_Lmin) => -heldDrop(taking, { forced_Lmin }),
    pumpCurve: (forced_Lmin, share = 1) => heldDrop(giving, { forced_Lmin, share }),
  };
}

/** Pressure over the link that holds the flow. */
function heldDrop(
  ready: ReadyNetwork,
  at: { readonly forced_Lmin: number; readonly share?: number },
): number {
  const link = ready.network.links.find((l) => l.id === HELD);
  const { pressures } = ready.solve(at);
  return (pressures.get(link?.from ?? '') ?? 0) - (pressures.get(link?.to ?? '') ?? 0);
}

export const curvePoints = (
  flows: readonly number[],
  at: (flow_Lmin: number) => number,
): readonly ChartPoint[] => flows.map((flow_Lmin) => ({ flow_Lmin, pressure_kPa: at(flow_Lmin) }));

/**
 * Flow that goes round at each share of the pumps' present speeds: works for any arrangement of
 * pumps.
 */
export function flowAtShares(network: FlowNetwork, shares: readonly number[]): readonly number[] {
  const ready = readyNetwork(network);
  return shares.map((share) => flowAtShare(ready, share));
}

/** The largest flow anywhere at a share of the pumps' speeds, L/min; 0 where there is no answer. */
export function flowAtShare(ready: ReadyNetwork, share: number): number {
  const { status, flows } = ready.run({ share });
  return status === 'solved' ? flows.reduce((most, q) => Math.max(most, Math.abs(q)), 0) : 0;
}
