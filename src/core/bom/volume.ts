import { type Loop, type LoopId } from '../design';
import type { System } from '../system';
import { isWet } from '../components';
import type { Run } from '../tubing';
import { mixFor } from './mixing';

export interface LoopVolume {
  readonly loop: LoopId;
  readonly parts_mL: number;
  readonly tubes_mL: number;
  readonly total_mL: number;
  readonly buy_mL: number;
  readonly bottles: number;
}

/**
 * Coolant bought beyond the loop's volume for spills, bleeding and a later top-up (common practice,
 * no source).
 */
export const COOLANT_SPARE = 0.15;

/**
 * What the loop holds: blocks, radiators and pumps whole, the reservoir to its fill mark, the tubes
 * by bore and length.
 */
export function loopVolume(system: System, loop: Loop, runs: readonly Run[]): LoopVolume {
  const touched = new Set(loop.connections.flatMap((l) => [l.from.component, l.to.component]));
  const parts_mL = system.design.components.reduce(
    (s, i) =>
      touched.has(i.id) && isWet(i.part)
        ? s + (i.part.kind === 'reservoir' ? i.part.fill_mL : i.part.volume_mL)
        : s,
    0,
  );
  const tubes_mL = runs.reduce((s, r) => (r.loop === loop.id ? s + r.volume_mL : s), 0);
  const total_mL = parts_mL + tubes_mL;
  const buy_mL = total_mL * (1 + COOLANT_SPARE);
  return {
    loop: loop.id,
    parts_mL,
    tubes_mL,
    total_mL,
    buy_mL,
    bottles: mixFor(loop.coolant, buy_mL).bottles,
  };
}
