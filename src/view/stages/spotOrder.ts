import type { SpotHeat } from '@/core/thermal';

/** Stands for a temperature that is not known: such a spot comes first. */
const UNKNOWN_C = 999;
/**
 * Room under the limit in thousandths of a kelvin: engines differ in their last bit, and what is
 * equal must not change places by it.
 */
const room_mK = ({ temp_C, limit_C }: SpotHeat): number =>
  Math.round(1000 * (limit_C - (temp_C ?? UNKNOWN_C)));

/** Hot spots with the least room first. */
export const byRoom = (a: SpotHeat, b: SpotHeat): number => room_mK(a) - room_mK(b);
