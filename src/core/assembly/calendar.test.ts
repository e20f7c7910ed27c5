import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { workToIcs } from '@/format';
import type { BomLine } from '../bom';
import { hoursTrouble, planWork, returnWindows, type Step, type WorkingHours } from '.';

const step = (id: string, practised: number, needs: readonly string[] = [], waits_h = 0): Step => ({
  id,
  kind: 'mount',
  subjects: [],
  title: `Do ${id}, well`,
  why: 'because',
  how: ['so', 'and so'],
  parts: [],
  tools: [],
  cautions: [],
  minutes: { beginner: 2 * practised, practised },
  waits_h,
  needs,
  unit: null,
  trapped: null,
});
const weekend: WorkingHours = { days: [0, 6], from_h: 10, to_h: 18 };
/**
 * Saturday 5 December 2026, by hand from a calendar: 56 years from 1970 with 14 leap days are 20,454
 * days, and the year's 338 days before it.
 */
const SATURDAY = (20_454 + 338) * 1440;
const at = (day: number, hour: number, minute = 0): number =>
  SATURDAY + (day - 5) * 1440 + hour * 60 + minute;

describe('work on a calendar', () => {
  /** By hand: 7 h fit on Saturday; the next 3 h begin at 17:00 and end on Sunday at 12:00. */
  test('in working hours only, a step goes on the next day it is worked on', () => {
    const plan = planWork([step('a', 420), step('b', 180)], SATURDAY, weekend, 'practised');
    expect(plan.map((p) => [p.step, p.begin, p.end])).toEqual([
      ['a', at(5, 10), at(5, 17)],
      ['b', at(5, 17), at(6, 12)],
    ]);
    const twice = planWork([step('a', 420), step('b', 180)], SATURDAY, weekend, 'beginner');
    // 14 h: all of Saturday and 6 h of Sunday; then 2 h, and 4 h of the next Saturday.
    expect(twice.map((p) => p.end)).toEqual([at(6, 16), at(12, 14)]);
  });

  test('a wait goes on at night, other work meanwhile, and what needs it is held by it', () => {
    const plan = planWork(
      [step('glue', 60, [], 24), step('after', 30, ['glue']), step('other', 60)],
      SATURDAY,
      weekend,
      'practised',
    );
    const of = (id: string) => plan.find((p) => p.step === id);
    expect(of('glue')?.ready).toEqual(at(6, 11));
    expect(of('other')).toMatchObject({ begin: at(5, 11), end: at(5, 12) });
    expect(of('after')).toMatchObject({
      begin: at(6, 11),
      heldBy: { kind: 'wait', name: 'Do glue, well' },
    });
    expect(of('glue')?.critical).toBe(true);
    expect(of('after')?.critical).toBe(true);
    expect(of('other')?.critical).toBe(false);
  });

  test('a delivery holds the step that wants it', () => {
    const plan = planWork([step('a', 60), step('b', 60, ['a'])], SATURDAY, weekend, 'practised', [
      { step: 'b', on: at(8, 9), name: 'Fittings' },
    ]);
    expect(plan[1]).toMatchObject({
      begin: at(12, 10),
      heldBy: { kind: 'delivery', name: 'Fittings' },
    });
  });

  test('nothing begins before what it needs, and hands do one thing at a time', () => {
    const steps = Array.from({ length: 40 }, (_, i) =>
      step(
        `s${i}`,
        15 + ((7 * i) % 90),
        i % 3 === 0 && i > 0 ? [`s${i - 3}`] : [],
        i % 5 === 0 ? 6 : 0,
      ),
    );
    const plan = planWork(
      steps,
      SATURDAY,
      { days: [1, 2, 3, 4, 5], from_h: 18, to_h: 21.5 },
      'practised',
    );
    const byStart = [...plan].sort((a, b) => a.begin - b.begin);
    byStart.forEach((p, i) => {
      const before = byStart[i - 1];
      if (before) expect(p.begin).toBeGreaterThanOrEqual(before.end);
      expect([0, 1]).not.toContain(Math.floor((p.begin - SATURDAY) / 1440) % 7);
      const hour = (p.begin % 1440) / 60;
      expect(hour).toBeGreaterThanOrEqual(18);
      expect(hour).toBeLessThanOrEqual(21.5);
      for (const need of steps.find((s) => s.id === p.step)?.needs ?? [])
        expect(plan.find((q) => q.step === need)?.ready).toBeLessThanOrEqual(p.begin);
    });
    expect(plan).toHaveLength(40);
  });

  test('no hours, no plan: it says what to choose', () => {
    expect(hoursTrouble({ ...weekend, days: [] })).toContain('one day');
    expect(hoursTrouble({ ...weekend, from_h: 18, to_h: 10 })).toContain('before it ends');
    expect(() => planWork([], SATURDAY, { ...weekend, days: [] }, 'practised')).toThrow(RangeError);
  });

  test('what goes back until when, and whether it is tested by then', () => {
    const dry: Step = { ...step('dry', 60), kind: 'test dry', subjects: ['card'] },
      wet: Step = { ...step('wet', 60, ['dry'], 24), kind: 'water test' };
    const plan = planWork([dry, wet], SATURDAY, weekend, 'practised');
    const line = (part: string, id: string) =>
      ({ part, name: `The ${part}`, for: [id] }) as unknown as BomLine;
    const lines = [line('tube', 'run'), line('gpu', 'card'), line('pump', 'pump')];
    const orders = {
      tube: { state: 'ordered', shop: 'Weir Lane', returns: '2026-12-05' },
      gpu: { state: 'received', returns: '2026-12-05' },
      pump: { state: 'ordered', returns: '2026-12-06' },
    } as const;
    const windows = returnWindows([dry, wet], plan, lines, orders);
    // The wet test is over on Sunday at 12:00: Saturday's window is shut by then, Sunday's is open.
    expect(windows.map((w) => [w.part, w.step, w.tested, w.late, w.until])).toEqual([
      ['gpu', 'dry', at(5, 11), false, at(6, 0)],
      ['tube', 'wet', at(6, 12), true, at(6, 0)],
      ['pump', 'wet', at(6, 12), false, at(7, 0)],
    ]);
    // Done is tested; what never came is none of it.
    expect(
      returnWindows([dry, wet], plan.slice(1), lines, {
        gpu: orders.gpu,
        tube: { ...orders.tube, state: 'missing' },
      }).map((w) => [w.part, w.tested, w.late]),
    ).toEqual([['gpu', null, false]]);
    const calendar = new ICAL.Component(ICAL.parse(workToIcs('Desk', [dry, wet], plan, windows)));
    const last = calendar
      .getAllSubcomponents('vevent')
      .map((v) => new ICAL.Event(v))
      .find((e) => e.summary === 'Last day to send back: The tube');
    expect([last?.startDate.month, last?.startDate.day, last?.description]).toEqual([
      12,
      5,
      'Weir Lane',
    ]);
  });

  /** Read back by ical.js, a foreign parser of RFC 5545. */
  test('the calendar as ICS: a foreign parser reads every step and wait, to the minute', () => {
    const steps = [step('glue', 60, [], 24), step('after', 30, ['glue'])];
    const plan = planWork(steps, SATURDAY, weekend, 'practised');
    const text = workToIcs('Desk, “quiet”; first', steps, plan);
    const calendar = new ICAL.Component(ICAL.parse(text));
    const events = calendar.getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
    expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
    const wall = (t: InstanceType<typeof ICAL.Time>): number => at(t.day, t.hour, t.minute);
    expect(events.map((e) => [e.summary, wall(e.startDate), wall(e.endDate)])).toEqual([
      ['Do glue, well', at(5, 10), at(5, 11)],
      ['Wait: Do glue, well', at(5, 11), at(6, 11)],
      ['Do after, well', at(6, 11), at(6, 11, 30)],
    ]);
    expect(new Set(events.map((e) => e.uid)).size).toBe(3);
    expect(events[0]?.description).toBe('because\nso\nand so');
  });
});
