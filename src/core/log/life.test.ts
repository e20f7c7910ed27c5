import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, AS_PRINTED, type Design, type Reading } from '../design';
import { normal, randomBy } from '../units';
import { predictorFor, quantitiesOf, serviceDue, serviceJobs, shapeOf, trendsOf } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const on = (i: number): string => `2026-${String(1 + i).padStart(2, '0')}-01T10:00:00Z`;
const rowOf = (ratios: readonly number[]) => ratios.map((ratio, i) => ({ on: on(i), ratio }));

describe('trends', () => {
  test('level, drift and step of noisy rows are told apart, and the step where it is', () => {
    const random = randomBy(3);
    const noisy = (of: (i: number) => number) =>
      shapeOf(rowOf(Array.from({ length: 12 }, (_, i) => of(i) + 0.015 * normal(random))));
    expect(noisy(() => 1).shape).toBe('level');
    const drifting = noisy((i) => 1 + 0.03 * i);
    expect(drifting.shape).toBe('drift');
    expect(drifting.to).toBeCloseTo(1.33, 1);
    const stepped = noisy((i) => (i < 7 ? 1 : 0.8));
    expect([stepped.shape, stepped.since]).toEqual(['step', on(7)]);
    expect(stepped.from - stepped.to).toBeCloseTo(0.2, 1);
  });

  test('a few readings, or one stray one, are no trend', () => {
    expect(shapeOf(rowOf([1, 1.2, 1.4, 1.6])).shape).toBe('level');
    expect(shapeOf(rowOf([1, 1, 1.01, 1, 1, 1, 1.06])).shape).toBe('level');
  });

  test('a radiator that takes up dust shows in the coolant alone', () => {
    const readings = Array.from({ length: 8 }, (_, i): Reading => {
      const of: Reading = {
        on: on(i),
        load: 'stress',
        room_C: 22,
        coolant_C: { loop: 30 },
        flow_Lmin: { loop: 3 },
      };
      const [rise = NaN, flow = NaN] = predictorFor(desk, of).predict(quantitiesOf(of), {
        ...AS_PRINTED,
        radiators: 1 - 0.05 * i,
      });
      return { ...of, coolant_C: { loop: 22 + rise }, flow_Lmin: { loop: flow } };
    });
    const [coolant, flow] = trendsOf(desk, readings);
    expect([coolant?.kind, coolant?.shape]).toEqual(['coolant', 'drift']);
    expect(coolant?.points[0]?.ratio).toBeCloseTo(1, 2);
    expect(coolant?.to).toBeGreaterThan(1.25);
    expect([flow?.kind, flow?.shape]).toEqual(['flow', 'level']);
  });
});

/** Common practice, no source: fittings again after the first hot run, coolant by its inhibitor. */
describe('service', () => {
  test('jobs follow from what is in the machine', () => {
    const ids = serviceJobs(desk).map((j) => j.id);
    expect(ids).toEqual(expect.arrayContaining(['top-up', 'retighten', 'coolant', 'dust', 'pump']));
    const coolant = serviceJobs(desk).find((j) => j.id === 'coolant');
    const months = Math.min(...desk.loops.map((l) => l.coolant.inhibitor_months));
    expect(coolant?.every_days).toBe(Math.round(30.4 * months));
    expect(serviceJobs({ ...desk, loops: [], components: [] })).toEqual([]);
  });

  test('soonest first from the first run; what was done comes again a whole interval later', () => {
    expect(serviceDue(desk, null).every((j) => j.due === null)).toBe(true);
    const due = serviceDue(desk, '2026-12-24T20:00:00Z');
    expect(due[0]).toMatchObject({ id: 'retighten', due: '2026-12-26' });
    const at = '2026-12-26T09:00:00Z';
    const { design } = applyEdit(desk, {
      do: 'work.service',
      on: at,
      mark: { on: at, job: 'retighten' },
    });
    expect(
      serviceDue(design, '2026-12-24T20:00:00Z').find((j) => j.id === 'retighten'),
    ).toMatchObject({ last: at, due: '2027-12-26' });
  });
});
