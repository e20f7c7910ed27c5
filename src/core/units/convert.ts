import { msg } from '../messages';
import { QUANTITIES, type QuantityName } from './units';

/** From the inner unit to a named one. Throws RangeError when the quantity has no such unit. */
export function convertFromInner(value: number, quantity: QuantityName, symbol: string): number {
  const unit = QUANTITIES[quantity].units.find((u) => u.symbol === symbol);
  if (!unit) throw new RangeError(msg`${quantity} has no unit "${symbol}"`);
  return (value - (unit.offset ?? 0)) / unit.factor;
}
