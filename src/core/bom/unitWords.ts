import { counted, formatNumber, msg } from '../messages';
import type { BomLine } from './buildBom';

/** What the quantity counts, as it stands behind the number. */
export function unitWords({ unit, quantity }: Pick<BomLine, 'unit' | 'quantity'>): string {
  switch (unit) {
    case 'piece':
      return '×';
    case 'metre':
      return msg`${counted(quantity, 'metre', 'metres')}`;
    case 'stick':
      return msg`${counted(quantity, 'stick', 'sticks')}`;
    case 'bottle':
      return msg`${counted(quantity, 'bottle', 'bottles')}`;
    case 'pack':
      return msg`${counted(quantity, 'pack', 'packs')}`;
  }
}

/** The quantity as a figure: pieces whole, lengths to a tenth. */
export const quantityShown = ({ quantity }: Pick<BomLine, 'quantity'>): string =>
  formatNumber(quantity, { decimals: Number.isInteger(quantity) ? 0 : 1 });
