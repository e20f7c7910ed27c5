import type { Bom } from '../bom';
import type { OrderMark } from '../design';
import { isoMinutes } from '../units';
import type { Planned, WallMinutes } from './calendar';
import type { Step } from './step';

/** The last day on which a shop takes something back, and the step that tells whether it is sound. */
export interface ReturnWindow {
  readonly part: string;
  readonly name: string;
  readonly shop: string | null;
  readonly until: WallMinutes;
  /** Step that tests it, and when that is over; null where it was tested. */
  readonly step: string | null;
  readonly tested: WallMinutes | null;
  /** It is tested only after the window has closed. */
  readonly late: boolean;
}

/** A window is open to the end of its day. */
const DAY = 24 * 60;

/**
 * Return windows of everything bought, soonest first. Hardware shows in the dry test whether it is
 * sound, everything else once coolant has stood in all loops. `planned` is what is still to be done.
 */
export function returnWindows(
  steps: readonly Step[],
  planned: readonly Planned[],
  lines: Bom['lines'],
  orders: Readonly<Record<string, OrderMark>> = {},
): readonly ReturnWindow[] {
  const timeOf = new Map(planned.map((p) => [p.step, p.ready] as const));
  const wet = steps.filter((s) => s.kind === 'water test');
  return lines
    .flatMap((line): readonly ReturnWindow[] => {
      const mark = orders[line.part];
      if (!mark?.returns || mark.state === 'missing') return [];
      const until = isoMinutes(mark.returns.slice(0, 10)) + DAY;
      const dry = steps.filter(
        (s) => s.kind === 'test dry' && s.subjects.some((id) => line.for.includes(id)),
      );
      const tests = (dry.length > 0 ? dry : wet).filter((s) => timeOf.has(s.id));
      const last = tests.reduce<Step | null>(
        (a, b) => (a && (timeOf.get(a.id) ?? 0) >= (timeOf.get(b.id) ?? 0) ? a : b),
        null,
      );
      const tested = last ? (timeOf.get(last.id) ?? null) : null;
      return [
        {
          part: line.part,
          name: line.name,
          shop: mark.shop ?? null,
          until,
          step: last?.id ?? null,
          tested,
          late: tested !== null && tested > until,
        },
      ];
    })
    .sort((a, b) => a.until - b.until || a.name.localeCompare(b.name));
}
