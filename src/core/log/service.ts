import type { Design, Reading } from '../design';
import { DAY_MIN, isoDay, isoMinutes } from '../units';
import { msg } from '../messages';

/** A thing to do again and again to keep a machine well. */
export interface ServiceJob {
  readonly id: string;
  readonly title: string;
  readonly why: string;
  /** Days between; the first time may come sooner. */
  readonly every_days: number;
  readonly first_days: number;
  /** Where the interval is from. */
  readonly source: string;
}

export interface DueJob extends ServiceJob {
  /** ISO date of the last time; null before the first. */
  readonly last: string | null;
  /** ISO date; null until the machine has run. */
  readonly due: string | null;
}

const common = (): string => msg`common practice, no source`;
const MONTH_DAYS = 30.4;
const months = (n: number): number => Math.round(n * MONTH_DAYS);

/** Jobs of this machine, by what is in it. */
export function serviceJobs(design: Design): readonly ServiceJob[] {
  const { components, loops } = design;
  const has = (kind: string): boolean => components.some((c) => c.part.kind === kind);
  const inhibited = loops.map((l) => l.coolant.inhibitor_months).filter((m) => m > 0);
  const job = (
    id: string,
    title: string,
    why: string,
    [first, every]: readonly [number, number],
    source = common(),
  ): ServiceJob => ({ id, title, why, first_days: first, every_days: every, source });
  const coolantMonths = inhibited.length > 0 ? Math.min(...inhibited) : 6;
  return [
    ...(loops.length > 0
      ? [
          job(
            'top-up',
            msg`Look at the level and let the last air out`,
            msg`Bubbles gather at the reservoir for days, and soft tube lets a little water
              through.`,
            [3, months(2)],
          ),
          job(
            'retighten',
            msg`Tighten every fitting by hand, cold`,
            msg`Seals settle after the first hot run. Cold and by hand: a tool cracks plastic.`,
            [2, months(12)],
          ),
          job(
            'coolant',
            msg`Change the coolant`,
            inhibited.length > 0
              ? msg`What keeps the metals apart in it is used up by then.`
              : msg`Without an inhibitor water turns; look for flakes and slime.`,
            [months(coolantMonths), months(coolantMonths)],
            inhibited.length > 0 ? msg`the coolant that is in the loop` : common(),
          ),
        ]
      : []),
    ...(has('radiator') || has('fan')
      ? [
          job(
            'dust',
            msg`Blow out radiators and filters`,
            msg`Dust between fins costs more than a section. Hold the fans still while blowing.`,
            [months(3), months(3)],
          ),
        ]
      : []),
    ...(loops.some((l) => !l.tube.hard)
      ? [
          job(
            'tube',
            msg`Look at the soft tube, and renew it`,
            msg`It clouds and hardens, and what leaves it settles in the blocks.`,
            [months(24), months(24)],
          ),
        ]
      : []),
    ...(has('block')
      ? [
          job(
            'block',
            msg`Open a block and look between its fins`,
            msg`When flow falls or one part runs hotter than its coolant, this is where to look.`,
            [months(24), months(24)],
          ),
        ]
      : []),
    ...(has('pump')
      ? [
          job(
            'pump',
            msg`Listen to the pump and feel it at full speed`,
            msg`A bearing is heard before it fails: a new rattle after the air has gone is a
              warning.`,
            [months(12), months(12)],
          ),
        ]
      : []),
  ];
}

/** Id of the step that is the first run (core/assembly). */
const FIRST_RUN = 'first run';

/** When the machine first ran: as marked, else by the first of its readings; null before. ISO date. */
export const ranOn = (
  { choices: { work } }: Pick<Design, 'choices'>,
  readings: readonly Reading[] = work?.readings ?? [],
): string | null => work?.done?.[FIRST_RUN]?.on ?? readings[0]?.on ?? null;

/** When each job comes next, soonest first; from the first run on. */
export function serviceDue(design: Design, ran: string | null): readonly DueJob[] {
  const marks = design.choices.work?.service ?? [];
  return serviceJobs(design)
    .map((job): DueJob => {
      const last = marks.filter((m) => m.job === job.id).at(-1)?.on ?? null;
      const from = last ?? ran;
      const days = last === null ? job.first_days : job.every_days;
      return { ...job, last, due: from === null ? null : later(from, days) };
    })
    .sort((a, b) => (a.due ?? '9').localeCompare(b.due ?? '9'));
}

const later = (from: string, days: number): string => isoDay(isoMinutes(from) + days * DAY_MIN);
