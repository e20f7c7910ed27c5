import type { Bom } from '../bom';
import type { OrderMark } from '../design';
import { isoMinutes } from '../units';
import type { Delivery } from './calendar';
import type { Step } from './step';

/** Hour of the day that parcels have come by (common practice, no source). */
const COME_BY_MIN = 18 * 60;

/**
 * What steps wait for: every part that was ordered with a day it comes on and is not here yet, at
 * each step that takes it from the list.
 */
export function deliveriesOf(
  steps: readonly Step[],
  lines: Bom['lines'],
  orders: Readonly<Record<string, OrderMark>> = {},
): readonly Delivery[] {
  return lines.flatMap((line): readonly Delivery[] => {
    const mark = orders[line.part];
    if (mark?.state !== 'ordered' || mark.comes === undefined) return [];
    const on = isoMinutes(mark.comes.slice(0, 10)) + COME_BY_MIN;
    return steps
      .filter((s) => s.parts.some((p) => p.name === line.name))
      .map((s) => ({ step: s.id, on, name: line.name }));
  });
}
