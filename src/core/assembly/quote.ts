import type { Bom } from '../bom';
import type { Order } from '../design';
import type { Step } from './step';

/** What a machine costs whoever it is built for, in minor units of the brief's currency. */
export interface Quote {
  /** Of the list, tools left out; what is owned costs nothing. */
  readonly parts: number;
  readonly hours: number;
  readonly work: number;
  readonly net: number;
  readonly tax: number;
  readonly total: number;
}

/** Parts and practised hours at the rate, with tax on both. Waiting is not charged. */
export function quoteOf(
  bom: Pick<Bom, 'loopTotal' | 'machineTotal'>,
  steps: readonly Step[],
  { rate_cents, tax }: Pick<Order, 'rate_cents' | 'tax'>,
): Quote {
  const parts = bom.loopTotal + bom.machineTotal;
  const hours = steps.reduce((sum, s) => sum + s.minutes.practised, 0) / 60;
  const work = Math.round(hours * rate_cents);
  const net = parts + work;
  const added = Math.round(net * tax);
  return { parts, hours, work, net, tax: added, total: net + added };
}
