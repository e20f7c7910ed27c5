import { msg } from '../messages';
import type { Step } from './step';

/** When the builder works. */
export interface WorkingHours {
  /** 0 Sunday to 6 Saturday, in the local calendar of the dates given. */
  readonly days: readonly number[];
  readonly from_h: number;
  readonly to_h: number;
}

/**
 * A time of the wall clock: minutes since the first of January 1970, 0 o'clock, of the builder's own
 * calendar. What clocks do in spring and autumn is left out.
 */
export type WallMinutes = number;

/** A step that waits for something bought. */
export interface Delivery {
  readonly step: string;
  readonly on: WallMinutes;
  readonly name: string;
}

/** A step with its time. */
export interface Planned {
  readonly step: string;
  readonly begin: WallMinutes;
  /** Hands are free from here; a wait goes on. */
  readonly end: WallMinutes;
  /** The wait is over. */
  readonly ready: WallMinutes;
  /** What held it up: hands, a delivery, or the wait of another step. */
  readonly heldBy: { readonly kind: 'hands' | 'delivery' | 'wait'; readonly name: string } | null;
  /** A later start of it would move the end of all. */
  readonly critical: boolean;
}

const HOUR = 60,
  DAY = 24 * HOUR;
/** The first of January 1970 was a Thursday. */
const FIRST_DAY = 4;
/** A week without a working day does not pass the check: no search is longer. */
const MOST_DAYS = 8;

/** Why hours are none; null when they are. */
export function hoursTrouble({ days, from_h, to_h }: WorkingHours): string | null {
  if (days.length === 0) return msg`Choose one day of the week or more to work on.`;
  if (!(from_h >= 0 && to_h <= 24 && from_h < to_h))
    return msg`Work must begin before it ends, between 0 and 24 o’clock.`;
  return null;
}

/**
 * Steps one after another by the two hands of one builder, in working hours, each once what it needs
 * is done, waited for and delivered. Waits go on at night. Throws RangeError for hours that are
 * none.
 */
export function planWork(
  steps: readonly Step[],
  start: WallMinutes,
  hours: WorkingHours,
  pace: 'beginner' | 'practised',
  deliveries: readonly Delivery[] = [],
): readonly Planned[] {
  const trouble = hoursTrouble(hours);
  if (trouble) throw new RangeError(trouble);
  const planned = new Map<string, Omit<Planned, 'critical'>>();
  const left = [...steps];
  let free = inHours(start, hours);
  let lastStep: Step | null = null;
  while (left.length > 0) {
    // Of what may come next, the first in order that can begin soonest: no one sits by a test.
    const open = left.filter((s) =>
      s.needs.every((n) => planned.has(n) || !steps.some((x) => x.id === n)),
    );
    const soonest = (open.length > 0 ? open : left.slice(0, 1)).map((step) => ({
      step,
      ...earliest(step, steps, planned, deliveries, hours, free, lastStep),
    }));
    const next = soonest.reduce((a, b) => (b.begin < a.begin ? b : a));
    const { step, begin, heldBy } = next;
    const end = worked(begin, step.minutes[pace], hours);
    planned.set(step.id, {
      step: step.id,
      begin,
      end,
      ready: end + step.waits_h * HOUR,
      heldBy,
    });
    free = inHours(end, hours);
    lastStep = step;
    left.splice(left.indexOf(step), 1);
  }
  const critical = criticalSteps(steps, planned);
  return [...planned.values()].map((p) => ({ ...p, critical: critical.has(p.step) }));
}

function earliest(
  step: Step,
  steps: readonly Step[],
  planned: ReadonlyMap<string, Omit<Planned, 'critical'>>,
  deliveries: readonly Delivery[],
  hours: WorkingHours,
  free: WallMinutes,
  lastStep: Step | null,
): { readonly begin: WallMinutes; readonly heldBy: Planned['heldBy'] } {
  let at = free,
    heldBy: Planned['heldBy'] = lastStep ? { kind: 'hands', name: lastStep.title } : null;
  for (const need of step.needs) {
    const before = planned.get(need);
    if (before && before.ready > at) {
      at = before.ready;
      heldBy = { kind: 'wait', name: steps.find((s) => s.id === need)?.title ?? need };
    }
  }
  for (const d of deliveries)
    if (d.step === step.id && d.on > at) {
      at = d.on;
      heldBy = { kind: 'delivery', name: d.name };
    }
  return { begin: inHours(at, hours), heldBy };
}

/** The first moment from a time on at which work goes on. */
function inHours(from: WallMinutes, { days, from_h, to_h }: WorkingHours): WallMinutes {
  const today = Math.floor(from / DAY);
  for (let day = today; day < today + MOST_DAYS; day += 1) {
    if (!days.includes((day + FIRST_DAY) % 7)) continue;
    const begin = day * DAY + from_h * HOUR,
      end = day * DAY + to_h * HOUR;
    if (from < end) return Math.max(from, begin);
  }
  return from;
}

/** When so many minutes of work are done that begin in working hours. */
function worked(begin: WallMinutes, minutes: number, hours: WorkingHours): WallMinutes {
  let at = begin,
    left = minutes;
  for (;;) {
    const evening = Math.floor(at / DAY) * DAY + hours.to_h * HOUR;
    if (left <= evening - at) return at + left;
    left -= evening - at;
    at = inHours(evening, hours);
  }
}

/** Back from what ends last: each step that the next one waited for, by hand or by need. */
function criticalSteps(
  steps: readonly Step[],
  planned: ReadonlyMap<string, Omit<Planned, 'critical'>>,
): ReadonlySet<string> {
  const all = [...planned.values()];
  const critical = new Set<string>();
  let now = all.reduce<Omit<Planned, 'critical'> | undefined>(
    (a, b) => (a && a.ready >= b.ready ? a : b),
    undefined,
  );
  while (now && !critical.has(now.step)) {
    critical.add(now.step);
    const held = now.heldBy;
    if (!held || held.kind === 'delivery') break;
    const title = held.name;
    now = all.find(
      (p) => steps.find((s) => s.id === p.step)?.title === title && !critical.has(p.step),
    );
  }
  return critical;
}
