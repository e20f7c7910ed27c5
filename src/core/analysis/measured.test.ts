import { describe, expect, test } from '@jest/globals';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import { AS_PRINTED, withFactors, type Design, type Factors, type Reading } from '../design';
import { predictorFor, quantitiesOf } from '../log';
import { runTransient } from '../transient';
import { analyse, createSession } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const FACTORS: Factors = {
  radiators: 0.8,
  losses: 1.3,
  blocks: { 'processor-block': 1.4 },
  leakage: 1.3,
  noise_dB: 2.5,
};
const stateOf = (design: Design): Reading => ({
  on: '2026-12-01',
  load: 'stress',
  room_C: design.brief.room_C,
  coolant_C: { loop: 30 },
  flow_Lmin: { loop: 3 },
  spots_C: { 'card/core': 60, 'processor/die': 60 },
});

describe('what was measured of a machine, by every door', () => {
  test('factors of 1 change no figure of any demo', () => {
    for (const { design } of DEMO_BUILDS) {
      const plain = analyse(design).reports,
        measured = analyse(withFactors(design, AS_PRINTED)).reports;
      expect(JSON.stringify(measured.heat)).toBe(JSON.stringify(plain.heat));
      expect(JSON.stringify(measured.flow)).toBe(JSON.stringify(plain.flow));
    }
  });

  test('stages, prediction of a reading and the machine over time say the same', () => {
    const measured = withFactors(desk, FACTORS);
    const { reports, thermalModel } = analyse(measured);
    const state = stateOf(desk);
    const [rise, flow, card, die] = predictorFor(desk, state).predict(quantitiesOf(state), FACTORS);
    const spot = (component: string, id: string) =>
      reports.heat.stress.hotSpots.find((s) => s.component === component && s.hotSpot === id)
        ?.temp_C;
    expect(reports.heat.stress.loops[0]?.deltaT_K).toBeCloseTo(rise ?? NaN, 6);
    expect(reports.flow.loops[0]?.flow_Lmin).toBeCloseTo(flow ?? NaN, 6);
    expect(spot('card', 'core')).toBeCloseTo(card ?? NaN, 6);
    expect(spot('processor', 'die')).toBeCloseTo(die ?? NaN, 6);
    const over = runTransient(thermalModel, reports.flow, reports.runs, {
      profile: [{ load: 'stress', seconds: 8 * 3600 }],
      start: 'cold',
      step_s: 10,
    });
    expect(over?.loops[0]?.mean_C.at(-1)).toBeCloseTo(desk.brief.room_C + (rise ?? NaN), 1);
    const settled = over?.hotSpots.find((s) => s.component === 'processor' && s.hotSpot === 'die');
    expect(settled?.temp_C.at(-1)).toBeCloseTo(die ?? NaN, 0);
  });

  /** By hand: what 1.3 times the losses do where nearly all goes with the square: q ≈ 1/√1.3. */
  test('each factor moves what it is of, about as far as by hand', () => {
    const of = (factors: Partial<Factors>) =>
      analyse(withFactors(desk, { ...AS_PRINTED, ...factors })).reports;
    const plain = analyse(desk).reports;
    const flow = (r: typeof plain): number => r.flow.loops[0]?.flow_Lmin ?? NaN;
    const rise = (r: typeof plain): number => r.heat.stress.loops[0]?.deltaT_K ?? NaN;
    const ratio = flow(of({ losses: 1.3 })) / flow(plain);
    expect(ratio).toBeGreaterThan(1 / Math.sqrt(1.3) - 0.02);
    expect(ratio).toBeLessThan(0.97);
    expect(rise(of({ radiators: 0.8 })) / rise(plain)).toBeGreaterThan(1.12);
    const block = (r: typeof plain) =>
      r.heat.stress.hotSpots.find((s) => s.component === 'processor' && s.hotSpot === 'die');
    const before = block(plain),
      after = block(of({ blocks: { 'processor-block': 1.4 } }));
    expect((after?.block_KW ?? NaN) / (before?.block_KW ?? NaN)).toBeCloseTo(1.4, 6);
    expect((after?.interface_KW ?? NaN) / (before?.interface_KW ?? NaN)).toBeCloseTo(1.4, 6);
  });

  test('an edit of it is worked out at once, and taken back', () => {
    const session = createSession(desk);
    const before = session.analysis().reports.heat.stress.loops[0]?.deltaT_K ?? NaN;
    const undo = session.apply({
      do: 'work.measured',
      measured: { ...FACTORS, on: '2026-12-20', readings: 4 },
    });
    const now = session.analysis();
    expect(now.reports.heat.stress.loops[0]?.deltaT_K).toBeGreaterThan(before + 0.5);
    expect(now.stages.log).toEqual({ verdict: 'ok', result: 'uses 4 readings' });
    session.apply(undo);
    expect(session.analysis().reports.heat.stress.loops[0]?.deltaT_K).toBe(before);
  });
});
