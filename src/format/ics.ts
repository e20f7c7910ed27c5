import { createEvents, type EventAttributes } from 'ics';
import type { DueJob } from '@/core/log';
import type { Planned, ReturnWindow, Step, WallMinutes } from '@/core/assembly';
import { msg } from '@/core/messages';

/**
 * Calendar of the work as iCalendar (RFC 5545), in floating local times: hands-on steps, their waits,
 * and the days on which return windows close.
 */
export function workToIcs(
  name: string,
  steps: readonly Step[],
  planned: readonly Planned[],
  windows: readonly ReturnWindow[] = [],
): string {
  const events = planned.flatMap(({ step: id, begin, end, ready }): EventAttributes[] => {
    const step = steps.find((s) => s.id === id);
    if (!step) return [];
    const own = event(
      `${slug(name)}-${slug(id)}`,
      step.title,
      begin,
      end,
      [step.why, ...step.how].join('\n'),
    );
    return ready > end
      ? [
          own,
          event(`${slug(name)}-${slug(id)}-wait`, msg`Wait: ${step.title}`, end, ready, step.why),
        ]
      : [own];
  });
  const { error, value } = createEvents([...events, ...windows.map((w) => closing(name, w))], {
    calName: name,
    productId: '-//Zephyron//Assembly//EN',
  });
  if (error || typeof value !== 'string')
    throw new Error(`The calendar could not be written: ${String(error)}`);
  return value;
}

/** The last day on which something goes back, told in the morning. */
function closing(name: string, { part, name: what, shop, until }: ReturnWindow): EventAttributes {
  const [year, month, day] = wallTime(until - 1);
  return {
    uid: `${slug(name)}-return-${slug(part)}@zephyron.invalid`,
    title: msg`Last day to send back: ${what}`,
    description: shop ?? '',
    start: [year, month, day],
    duration: { days: 1 },
    alarms: [{ action: 'display', description: what, trigger: { hours: 9, before: false } }],
  };
}

/** Service that is due, each as a day of its own. */
export function serviceToIcs(name: string, due: readonly DueJob[]): string {
  const events = due.flatMap((job): EventAttributes[] => {
    const [year, month, day] = (job.due ?? '').split('-').map(Number);
    if (!year || !month || !day) return [];
    return [
      {
        uid: `${slug(name)}-service-${slug(job.id)}@zephyron.invalid`,
        title: `${name}: ${job.title}`,
        description: msg`${job.why} Every ${job.every_days} days (${job.source}).`,
        start: [year, month, day],
        duration: { days: 1 },
        alarms: [
          { action: 'display', description: job.title, trigger: { hours: 9, before: false } },
        ],
      },
    ];
  });
  const { error, value } = createEvents(events, {
    calName: msg`${name}: service`,
    productId: '-//Zephyron//Service//EN',
  });
  if (error || typeof value !== 'string')
    throw new Error(`The calendar could not be written: ${String(error)}`);
  return value;
}

const slug = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]+/g, '-');

const event = (
  uid: string,
  title: string,
  start: WallMinutes,
  end: WallMinutes,
  description: string,
): EventAttributes => ({
  uid: `${uid}@zephyron.invalid`,
  title,
  description,
  start: wallTime(start),
  end: wallTime(end),
  startInputType: 'local',
  startOutputType: 'local',
  endInputType: 'local',
  endOutputType: 'local',
  busyStatus: 'BUSY',
});

const wallTime = (minutes: WallMinutes): [number, number, number, number, number] => {
  const at = new Date(Math.round(minutes) * 60_000);
  return [
    at.getUTCFullYear(),
    at.getUTCMonth() + 1,
    at.getUTCDate(),
    at.getUTCHours(),
    at.getUTCMinutes(),
  ];
};
