import type { LoopGraph, Model } from '../model';
import type { Run } from '../run';
import { loopCurve, pumpsCurve } from './operating';

/** Head to spare at the target flow, as a share of what is needed there: available / needed − 1. Null without a pump or a run. */
export function pumpMargin(model: Model, graph: LoopGraph, runs: readonly Run[], coolant_C: number, target_Lmin: number): number | null {
  const [needed] = loopCurve(model, graph, runs, coolant_C, [target_Lmin]);
  const [given] = pumpsCurve(graph, coolant_C, [target_Lmin]);
  return needed && given && needed.pressure_kPa > 0 ? given.pressure_kPa / needed.pressure_kPa - 1 : null;
}

/** Lowest share of full speed, all pumps alike, that still moves the target flow; null when even full speed does not. Bisection to 0.1 %. */
export function slowestSpeedFor(model: Model, graph: LoopGraph, runs: readonly Run[], coolant_C: number, target_Lmin: number): number | null {
  const [needed] = loopCurve(model, graph, runs, coolant_C, [target_Lmin]);
  if (!needed) return null;
  const gives = (share: number): number => pumpsCurve(graph, coolant_C, [target_Lmin], share)[0]?.pressure_kPa ?? 0;
  if (gives(1) < needed.pressure_kPa) return null;
  let low = 0, high = 1;
  while (high - low > 1e-3) {
    const mid = (low + high) / 2;
    if (gives(mid) >= needed.pressure_kPa) high = mid; else low = mid;
  }
  return high;
}
