import { formatNumber } from '../messages';

export { formatNumber, formatPrice, type FormatOptions } from '../messages';

/** Minor currency units as "412.50"; whole amounts lose the cents when `short`. */
export function formatMoney(minor: number | null | undefined, short = false): string {
  if (minor === null || minor === undefined || !Number.isFinite(minor)) return '–';
  return formatNumber(minor / 100, { decimals: short ? 0 : 2 });
}
