import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import { demoDesign } from '@/catalogue';
import type { Design, Reading } from '@/core/design';
import { serviceDue } from '@/core/log';
import { gaugeFromCsv, readingsFromCsv, readingsToCsv, serviceToIcs } from '.';

const READINGS: readonly Reading[] = [
  {
    on: '2026-12-01T10:00:00.000Z',
    load: 'stress',
    room_C: 22,
    fans_rpm: 1000,
    coolant_C: { loop: 31.5, other: 30 },
    flow_Lmin: { loop: 2.95 },
    spots_C: { 'card/core': 41.5 },
    noise_dBA: 28.5,
    note: '=after the move',
  },
  { on: '2026-12-02T10:00:00.000Z', load: 'gaming', room_C: 21.5, coolant_C: { loop: 29 } },
];

describe('readings as a table', () => {
  test('come back as they were, and a note cannot become a formula', () => {
    const csv = readingsToCsv(READINGS);
    expect(csv).toContain("'=after the move");
    expect(readingsFromCsv(csv)).toEqual({ ok: true, readings: READINGS });
  });

  test('semicolons with decimal commas, and tabs, are read alike', () => {
    const semicolons = 'on;load;room_C;coolant_C/loop\n2026-12-02T10:00Z;gaming;21,5;29\n';
    const tabs = 'on\tload\troom_C\tcoolant_C/loop\n2026-12-02T10:00Z\tgaming\t21.5\t29\n';
    for (const text of [semicolons, tabs])
      expect(readingsFromCsv(text)).toEqual({ ok: true, readings: [READINGS[1]] });
  });

  test.each([
    ['on,load\n2026-12-01,stress', 1, 'room_C'],
    ['on,load,room_C,fan speed\n2026-12-01,stress,20,900', 1, 'fan speed'],
    ['on,load,room_C\nyesterday,stress,20', 2, 'on'],
    ['on,load,room_C\n2026-12-01,lunch,20', 2, 'load'],
    ['on,load,room_C\n2026-12-01,stress,warm', 2, 'room_C'],
    ['on,load,room_C\n2026-12-01,stress,201', 2, 'room_C'],
    ['on,load,room_C,coolant_C/loop\n2026-12-01,stress,20,-51', 2, 'coolant_C/loop'],
    ['on,load,room_C,fans_rpm\n2026-12-01,stress,20,20001', 2, 'fans_rpm'],
    ['on,load,room_C\n2026-12-01,stress,20\n2026-12-01,idle,20', 3, 'on'],
    ['on,load,room_C', 2, 'on'],
    ['', 1, 'on'],
  ])('%j: row %i, column %s is told, nothing is taken', (text, row, column) => {
    const read = readingsFromCsv(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.troubles.some((t) => t.row === row && t.column === column)).toBe(true);
  });
});

/** RFC 5545, read back by a foreign parser. */
test('service that is due is a day each in a calendar', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const due = serviceDue(desk, '2026-12-24T20:00:00Z');
  const events = new ICAL.Component(
    ICAL.parse(serviceToIcs(desk.name, due)) as unknown[],
  ).getAllSubcomponents('vevent');
  expect(events).toHaveLength(due.length);
  const first = new ICAL.Event(events[0]);
  expect(first.startDate.toString()).toBe(due[0]?.due);
  expect(first.startDate.isDate).toBe(true);
  expect(first.summary).toContain(due[0]?.title ?? 'nothing');
});

describe('what a gauge has logged', () => {
  test('is read in its order of time', () => {
    expect(
      gaugeFromCsv('on;gauge_mbar;temp_C\n2026-12-05T10:05Z;399,5;21\n2026-12-05T10:00Z;400;21'),
    ).toEqual({
      ok: true,
      readings: [
        { on: '2026-12-05T10:00:00.000Z', gauge_mbar: 400, temp_C: 21 },
        { on: '2026-12-05T10:05:00.000Z', gauge_mbar: 399.5, temp_C: 21 },
      ],
    });
  });
  test.each([
    ['on,gauge_mbar\n2026-12-05,400', 1, 'temp_C'],
    ['on,gauge_mbar,temp_C\n2026-12-05,full,21', 2, 'gauge_mbar'],
    ['on,gauge_mbar,temp_C\n2026-12-05,400,210', 2, 'temp_C'],
    ['on,gauge_mbar,temp_C\nnoon,400,21', 2, 'on'],
    ['on,gauge_mbar,temp_C', 2, 'on'],
  ])('%j: row %i, column %s', (text, row, column) => {
    const read = gaugeFromCsv(text);
    expect(!read.ok && read.troubles).toEqual([expect.objectContaining({ row, column })]);
  });
});
