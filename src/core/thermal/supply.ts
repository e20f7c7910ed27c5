import type { System } from '../system';
import { LOAD_CASES } from '../components';
import { drawOf, shareOf, type ThermalModel } from './thermalModel';

/** What the power supplies have to give in the heaviest load, W. */
export interface SupplyLoad {
  readonly rating_W: number;
  readonly most_W: number;
  /** Of that, fans and pumps at full speed. */
  readonly helpers_W: number;
}

/**
 * Parts in their heaviest load case, with all fans and pumps at full speed. Null while the build
 * has no supply.
 */
export function supplyLoad(
  { design, placed }: System,
  { sources }: ThermalModel,
): SupplyLoad | null {
  const rating_W = design.components.reduce(
    (s, i) => s + (i.part.kind === 'supply' ? i.part.rating_W : 0),
    0,
  );
  if (rating_W === 0) return null;
  const helpers_W = design.components.reduce((s, i) => {
    const powerOf = () => {
      if (i.part.kind === 'pump') return i.part.power_W;
      if (i.part.kind === 'fan') return i.part.power_W * (placed.get(i.id)?.count ?? 1);
      return 0;
    };
    return s + powerOf();
  }, 0);
  const loads = [...LOAD_CASES, 'custom' as const].map(
    (c) => sources.reduce((s, x) => s + drawOf(x) * shareOf(x, c), 0) + helpers_W,
  );
  return { rating_W, most_W: Math.max(...loads), helpers_W };
}

/** A supply is left this much room for short peaks (common practice, no source). */
const PEAK_ROOM = 0.2;
/** Holds with room for peaks; fails where the parts draw more than it is made for. */
export const supplyVerdict = ({ most_W, rating_W }: SupplyLoad): 'ok' | 'marginal' | 'fails' => {
  if (most_W <= rating_W * (1 - PEAK_ROOM)) return 'ok';
  if (most_W <= rating_W) return 'marginal';
  return 'fails';
};
