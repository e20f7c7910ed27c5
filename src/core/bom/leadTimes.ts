import type { FittingDuty, Part, ConsumableDuty } from '../components';

/** Steps of the work that bought parts hold up, in their order. */
export const WORK_STEPS = ['mounting', 'runs', 'air test', 'filling'] as const;
export type WorkStep = (typeof WORK_STEPS)[number];

/** Something bought that comes on a day. */
export interface Arrival {
  readonly part: Part;
  readonly days: number;
}

/** From which day a step can be done whole, what it waits for, and what else comes only then. */
export interface LeadTime {
  readonly step: WorkStep;
  readonly day: number;
  /** What comes last for this step; null where an earlier step holds it up, or nothing does. */
  readonly by: readonly string[];
}

const RUN_SUNDRIES: readonly ConsumableDuty[] = [
    'cord',
    'heat-gun',
    'saw',
    'cutter',
    'snips',
    'deburrer',
    'mandrel',
    'tube-bender',
    'mitre',
    'tape',
    'marker',
    'clip',
    'o-ring',
  ],
  TEST_SUNDRIES: readonly ConsumableDuty[] = ['leak-tester', 'paper'],
  FILL_SUNDRIES: readonly ConsumableDuty[] = ['fill-bottle', 'biocide', 'water', 'flush'];
const CAPS: readonly FittingDuty[] = ['plug', 'drain', 'fill'];

/**
 * The first step that cannot be done without a part (common practice, no source): parts and screws
 * to mount, tube and fittings to run, caps to test, coolant to fill.
 */
export function stepOf(part: Part): WorkStep {
  if (part.kind === 'coolant') return 'filling';
  if (part.kind === 'consumable') {
    if (RUN_SUNDRIES.includes(part.duty)) return 'runs';
    if (TEST_SUNDRIES.includes(part.duty)) return 'air test';
    if (FILL_SUNDRIES.includes(part.duty)) return 'filling';
    return 'mounting';
  }
  if (part.kind === 'fitting') return CAPS.includes(part.duty) ? 'air test' : 'runs';
  return part.kind === 'tube' || part.kind === 'inline' ? 'runs' : 'mounting';
}

/** From which day each step can be done whole: no sooner than the step before it. */
export function leadTimes(arrivals: readonly Arrival[]): readonly LeadTime[] {
  let day = 0;
  return WORK_STEPS.map((step): LeadTime => {
    const own = arrivals.filter((a) => stepOf(a.part) === step),
      last = Math.max(0, ...own.map((a) => a.days)),
      later = last > day;
    day = Math.max(day, last);
    return {
      step,
      day,
      by: later ? own.filter((a) => a.days === last).map((a) => a.part.name) : [],
    };
  });
}
