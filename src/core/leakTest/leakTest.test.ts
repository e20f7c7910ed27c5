import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { randomBy, normal } from '../units';
import {
  jointsOf,
  judgeAirTest,
  readingTrouble,
  testLimit,
  type GaugeReading,
  type TestedLoop,
} from '.';

const ROOM_MBAR = 1013.25;
const loop: TestedLoop = {
  volume_mL: 500,
  compliance_mLbar: 0,
  room_mbar: ROOM_MBAR,
  resolution_mbar: 1,
  temperature_K: 0.05,
};
/** A leak of so many mbar/min in a room that warms by so much an hour, read every few minutes. */
const watched = (
  gauge_mbar: number,
  fall_mbarMin: number,
  warms_Kh: number,
  minutes: number,
  every = 5,
): GaugeReading[] =>
  Array.from({ length: Math.floor(minutes / every) + 1 }, (_, i) => {
    const at_min = i * every;
    const temp_C = 20 + (warms_Kh * at_min) / 60;
    const cold = ROOM_MBAR + gauge_mbar - fall_mbarMin * at_min;
    return { at_min, gauge_mbar: (cold * (temp_C + 273.15)) / 293.15 - ROOM_MBAR, temp_C };
  });

describe('an air test', () => {
  /** Charles: 1,413.25 mbar at 20 °C are 1,398.79 at 17 °C; by hand. */
  test('what only cools does not leak', () => {
    const readings = watched(400, 0, -3, 60);
    expect(readings[readings.length - 1]?.gauge_mbar).toBeCloseTo(1398.79 - ROOM_MBAR, 1);
    const report = judgeAirTest(readings, loop);
    expect(report?.slope_mbarMin).toBeCloseTo(0, 9);
    expect(report?.fall_mbar).toBeCloseTo(0, 9);
    expect(report?.verdict).toBe('tight');
  });

  /**
   * Pressure decay, q = V Δp / (Δt p): 500 mL, 1 mbar/min at 1,500 mbar absolute, 0.3333 mL/min; with
   * 10 mL/bar of soft tube (500 + 1.5 · 10) / 1500, 0.3433. By hand from the formula of ISO 20485.
   */
  test('the leak by the formula, and soft tube adds what it gives', () => {
    const readings = watched(1500 - ROOM_MBAR, 1, 0, 30);
    expect(judgeAirTest(readings, loop)?.leak_mLmin).toBeCloseTo(0.3333, 4);
    expect(judgeAirTest(readings, { ...loop, compliance_mLbar: 10 })?.leak_mLmin).toBeCloseTo(
      0.3433,
      4,
    );
    expect(judgeAirTest(readings, loop)?.verdict).toBe('leaks');
    // 1 % of 486.75 mbar in 15 min: 0.3245 mbar/min, 0.1082 mL/min.
    expect(judgeAirTest(readings, loop)?.limit_mLmin).toBeCloseTo(0.1082, 4);
  });

  test('one reading, or several at one time, tell nothing', () => {
    const [first] = watched(400, 0, 0, 10);
    expect(judgeAirTest(first ? [first] : [], loop)).toBeNull();
    expect(judgeAirTest(first ? [first, first] : [], loop)).toBeNull();
  });

  /**
   * A coarse gauge: steps of 10 mbar are 10/√12 = 2.887 mbar. Three readings over 10 min have Σ(t −
   * t̄)² = 50: the slope is known to 0.4082 mbar/min.
   */
  test('how well a coarse gauge knows it', () => {
    const report = judgeAirTest(watched(400, 0, 0, 10), {
      ...loop,
      resolution_mbar: 10,
      temperature_K: 0,
    });
    expect(report?.slopeSpread_mbarMin).toBeCloseTo(0.40825, 4);
    expect(report?.leakBand_mLmin).toBeCloseTo((1.96 * 0.40825 * 500) / 1413.25, 4);
    expect(report?.verdict).toBe('not yet known');
  });

  test('so much longer, and it is known; a larger loop, or a slower leak near the limit, needs longer', () => {
    const after = (minutes: number, of: TestedLoop, fall = 0) =>
      judgeAirTest(watched(400, fall, 0, minutes), of);
    const coarse = { ...loop, resolution_mbar: 10, temperature_K: 0 };
    const longer = after(10, coarse)?.longer_min ?? NaN;
    expect(longer).toBeGreaterThan(5);
    expect(after(10 + Math.ceil(longer / 5) * 5 + 5, coarse)?.verdict).toBe('tight');
    expect(after(10 + longer / 2, coarse)?.verdict).toBe('not yet known');
    expect(after(10, { ...coarse, resolution_mbar: 30 })?.longer_min).toBeGreaterThan(longer);
    // The limit is 0.267 mbar/min: at 0.2 less is left to tell them apart.
    expect(after(10, coarse, 0.2)?.longer_min).toBeGreaterThan(longer);
  });

  /** Of noisy readings of a known leak, 95 in 100 bands hold it. */
  test('the band holds the true leak in about 95 of 100 tests', () => {
    const random = randomBy(3);
    const of = { ...loop, resolution_mbar: 0.1, temperature_K: 0 };
    const trials = 400;
    let held = 0;
    for (let i = 0; i < trials; i += 1) {
      const noisy = watched(400, 0.5, 0, 150).map((r) => ({
        ...r,
        gauge_mbar: r.gauge_mbar + 2 * normal(random),
      }));
      const report = judgeAirTest(noisy, of);
      const truth = (0.5 * 500) / 1413.25;
      if (Math.abs((report?.leak_mLmin ?? NaN) - truth) <= (report?.leakBand_mLmin ?? NaN))
        held += 1;
    }
    expect(held / trials).toBeGreaterThan(0.91);
    expect(held / trials).toBeLessThan(0.98);
  });

  test('the leak goes with the volume and against nothing else', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 4000, noNaN: true }),
        fc.double({ min: 0.05, max: 4, noNaN: true }),
        (volume_mL, fall) => {
          const q =
            judgeAirTest(watched(350, fall, 2, 40), { ...loop, volume_mL })?.leak_mLmin ?? NaN;
          expect(q).toBeCloseTo((volume_mL * fall) / (ROOM_MBAR + 350), 6);
        },
      ),
      { numRuns: 100 },
    );
  });

  test('over the lowest rating it is refused, with the limit', () => {
    const at = (gauge_mbar: number) => readingTrouble({ at_min: 0, gauge_mbar, temp_C: 20 }, 450);
    expect(at(450)).toBeNull();
    expect(at(460)).toContain('450 mbar');
    expect(readingTrouble({ at_min: 0, gauge_mbar: 300, temp_C: 90 }, 450)).toContain('60 °C');
    expect(readingTrouble({ at_min: -1, gauge_mbar: 300, temp_C: 20 }, 450)).toContain('14 days');
    expect(readingTrouble({ at_min: 0, gauge_mbar: NaN, temp_C: 20 }, 450)).toContain('gauge');
  });
});

describe('what is tested', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;
  const { system, reports } = analyse(tower);
  const [own] = tower.loops as [Design['loops'][number]];

  test('the lowest rating of the loop, and never more than is usual', () => {
    expect(testLimit(system, own)).toEqual({ limit_mbar: 450, by: 'Processor reservoir' });
    const rated = (maxPressure_kPa: number | undefined): System => ({
      ...system,
      design: {
        ...tower,
        components: tower.components.map((c) => ({
          ...c,
          part: { ...c.part, maxPressure_kPa },
        })) as Design['components'],
      },
    });
    type System = typeof system;
    expect(testLimit(rated(undefined), own)).toEqual({ limit_mbar: 500, by: null });
    expect(testLimit(rated(90), own).limit_mbar).toBe(500);
    expect(testLimit(rated(30), own).limit_mbar).toBe(300);
  });

  test('every joint once: both ends of each tube, direct connections, caps; the likeliest first', () => {
    const joints = jointsOf(system, own, reports.runs);
    const runs = reports.runs.filter((r) => r.loop === own.id);
    const tubes = runs.filter((r) => r.by === 'tube').length;
    expect(joints.length).toBe(2 * tubes + (runs.length - tubes) + own.caps.length);
    expect(new Set(joints.map((j) => j.id)).size).toBe(joints.length);
    expect(joints.map((j) => j.risk)).toEqual([...joints.map((j) => j.risk)].sort((a, b) => b - a));
    expect(joints[0]?.why).toContain('bent tube');
    expect(joints[joints.length - 1]?.kind).toBe('cap');
  });
});
