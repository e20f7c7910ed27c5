import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { AirTest, Design } from '../design';
import {
  airTestReport,
  assemblySteps,
  deliveriesOf,
  dismantling,
  planWork,
  quoteOf,
  testedLoop,
} from '.';
import { isoMinutes } from '../units';

const analysis = analyse(demoDesign('dawn-chorus-desk') as Design);
const { system, reports } = analysis;
const inputs = {
  system,
  runs: reports.runs,
  bom: reports.bom,
  portFits: reports.clearance.ports,
};
const steps = assemblySteps(inputs);
const [loop] = analysis.system.design.loops;
if (!loop) throw new Error('the demo lost its loop');

describe('papers of the work', () => {
  test('a quote is parts, hours at their rate, and tax on both', () => {
    const { parts, hours, work, net, tax, total } = quoteOf(inputs.bom, steps, {
      rate_cents: 4000,
      tax: 0.19,
    });
    expect(parts).toBe(inputs.bom.loopTotal + inputs.bom.machineTotal);
    expect(hours).toBeCloseTo(steps.reduce((s, x) => s + x.minutes.practised, 0) / 60, 9);
    expect(work).toBe(Math.round(hours * 4000));
    expect([net, total]).toEqual([parts + work, net + tax]);
    expect(tax).toBe(Math.round(0.19 * net));
    expect(quoteOf(inputs.bom, [], { rate_cents: 4000, tax: 0 }).total).toBe(parts);
  });

  test('a part that is ordered holds up the steps that take it, until the evening it comes', () => {
    const { lines } = inputs.bom;
    const radiator = lines.find((l) => l.kind === 'radiator');
    const orders = {
      [radiator?.part ?? '']: { state: 'ordered', on: '2026-12-01', comes: '2026-12-20' } as const,
    };
    const deliveries = deliveriesOf(steps, lines, orders);
    expect(deliveries.length).toBeGreaterThan(0);
    const hours = { days: [0, 1, 2, 3, 4, 5, 6], from_h: 9, to_h: 20 };
    const begin = isoMinutes('2026-12-05');
    const planned = planWork(steps, begin, hours, 'practised', deliveries);
    for (const d of deliveries)
      expect(planned.find((p) => p.step === d.step)?.begin).toBeGreaterThanOrEqual(
        isoMinutes('2026-12-20T18:00Z'),
      );
    expect(planned.some((p) => p.heldBy?.kind === 'delivery')).toBe(true);
    const here = { [radiator?.part ?? '']: { state: 'received' } as const };
    expect(deliveriesOf(steps, lines, here)).toEqual([]);
  });

  test('taken apart in the opposite turns, emptied first', () => {
    const undone = dismantling(steps);
    expect(undone[1]?.title).toMatch(/^Drain/);
    const turns = undone.flatMap((u) => (u.step === null ? [] : [u.step]));
    const own = steps.filter((s) => turns.includes(s.id)).map((s) => s.id);
    expect(turns).toEqual([...own].reverse());
    for (const s of steps) if (s.unit !== null) expect(turns).toContain(s.id);
  });

  /** 3 mbar a minute for 40 minutes are 120 mbar; the rest of the formula is held in core/leakTest. */
  test('an air test is judged with the air of the whole loop, reservoirs empty', () => {
    const tested = testedLoop(inputs, loop, { resolution_mbar: 1 });
    const full = inputs.bom.volumes.find((v) => v.loop === loop.id)?.total_mL ?? NaN;
    expect(tested.volume_mL).toBeGreaterThanOrEqual(full);
    expect(tested.room_mbar).toBeCloseTo(1013.25, 0);
    const readings = (fall: number): AirTest => ({
      resolution_mbar: 1,
      readings: Array.from({ length: 9 }, (_, i) => ({
        on: `2026-12-05T10:${String(5 * i).padStart(2, '0')}:00Z`,
        gauge_mbar: 400 - fall * 5 * i,
        temp_C: 21,
      })),
    });
    expect(airTestReport(inputs, loop, readings(3))?.verdict).toBe('leaks');
    expect(airTestReport(inputs, loop, readings(0))?.verdict).not.toBe('leaks');
    expect(airTestReport(inputs, loop, readings(3))?.fall_mbar).toBeCloseTo(120, 0);
    expect(airTestReport(inputs, loop, { resolution_mbar: 1, readings: [] })).toBeNull();
  });
});
