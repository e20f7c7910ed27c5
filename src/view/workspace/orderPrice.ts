import type { OrderPrice } from '@/core/studies';
import { formatMeasure, formatNumber } from '@/core/units';
import { msg } from '@/core/messages';

/** What another order would cost, in a line, before the station is let go. */
export function orderPriceWords({ tube_m, bends, spot }: OrderPrice): string {
  return msg`${formatMeasure(tube_m, 'm', { decimals: 2, signed: true })} of tube,
    ${formatNumber(bends, { signed: true })} bends (both
    estimated)${spot ? `, ${spot.name} ${formatMeasure(spot.by_K, 'K', { decimals: 1, signed: true })}` : ''}`;
}
