import { glycolMix, massFromVolumeShare, type Glycol } from './glycol';
import type { FluidProperties } from './properties';
import { water } from './water';

/** The base of a coolant: water, or a glycol share by volume as sold. */
export interface CoolantBase {
  readonly glycol: Glycol | 'none';
  /** Share of pure glycol by volume, 0–0.4. */
  readonly volumeShare: number;
}

/**
 * Lowest and highest coolant temperature the property fits are used at, °C; outside them the nearer
 * end is used.
 */
export const COOLANT_RANGE_C = { min: 1, max: 80 } as const;

/** Properties of a coolant at a temperature, held inside the fits' range. */
export function coolantProperties(base: CoolantBase, t_C: number): FluidProperties {
  const t = Math.min(COOLANT_RANGE_C.max, Math.max(COOLANT_RANGE_C.min, t_C));
  if (base.glycol === 'none' || base.volumeShare <= 0) return water(t);
  return glycolMix(base.glycol, massFromVolumeShare(base.glycol, base.volumeShare), t);
}
