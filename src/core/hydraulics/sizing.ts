import type { FlowNetwork } from './links';
import { falsePosition } from '../units';
import { readyNetwork } from './network';
import { flowAtShare, operatingCurves } from './operating';

/**
 * Head to spare at the target flow, as a share of what is needed there: available / needed − 1.
 * Null when no pair of curves tells the loop.
 */
export function pumpMargin(network: FlowNetwork, target_Lmin: number): number | null {
  const curves = operatingCurves(network);
  if (!curves) return null;
  const needed = curves.systemCurve(target_Lmin);
  return needed > 0 ? curves.pumpCurve(target_Lmin) / needed - 1 : null;
}

/** Every pump at its full speed. */
export const atFullSpeed = (network: FlowNetwork): FlowNetwork => ({
  ...network,
  links: network.links.map((l) => (l.pump ? { ...l, pump: { ...l.pump, speed: 1 } } : l)),
});

/**
 * Lowest share of the pumps' present speeds that still moves the target flow round the loop, to 0.1
 * % of the flow; null when `most` times the present speeds do not. Works for any arrangement of
 * pumps.
 */
export function slowestShareFor(
  network: FlowNetwork,
  target_Lmin: number,
  most = 1,
): number | null {
  if (!network.links.some((l) => l.pump && l.pump.speed > 0)) return null;
  const ready = readyNetwork(network);
  const lacking = (share: number): number => target_Lmin - flowAtShare(ready, share);
  const atMost = lacking(most);
  if (atMost > 1e-6) return null;
  const least = most * 0.02;
  const atLeast = lacking(least);
  return atLeast <= 0
    ? least
    : falsePosition(lacking, least, most, { x: 1e-4, y: 1e-3 * target_Lmin }, atLeast, atMost);
}
