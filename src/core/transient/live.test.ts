import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { LiveMachine } from '.';

const { thermalModel, reports, system } = analyse(demoDesign('dawn-chorus-desk') as Design);
const started = () => new LiveMachine(thermalModel, reports.flow, reports.runs);
const { room_C } = system.design.brief;

describe('a machine that runs on', () => {
  test('starts at the room and settles where the steady answer stands', () => {
    const machine = started();
    expect(machine.state().loops[0]?.mean_C).toBeCloseTo(room_C, 6);
    machine.advance(6 * 3600);
    const state = machine.state();
    const steady = reports.heat[state.load];
    expect(state.time_s).toBe(6 * 3600);
    expect(state.loops[0]?.mean_C).toBeCloseTo(room_C + (steady.loops[0]?.deltaT_K ?? NaN), 1);
    expect(state.loops[0]?.flow_Lmin).toBeCloseTo(reports.flow.loops[0]?.flow_Lmin ?? NaN, 2);
    expect(state.noise_dBA).toBeCloseTo(steady.noise_dBA, 6);
    for (const spot of state.spots)
      expect(spot.temp_C).toBeCloseTo(
        steady.hotSpots.find((s) => s.component === spot.component && s.hotSpot === spot.spot)
          ?.temp_C ?? NaN,
        0,
      );
  });

  test('load, speeds and lost flow do what they say', () => {
    const machine = started();
    machine.advance(6 * 3600);
    const hot = machine.state();
    machine.load = 'idle';
    machine.advance(6 * 3600);
    expect(machine.state().loops[0]?.mean_C).toBeLessThan((hot.loops[0]?.mean_C ?? NaN) - 2);
    machine.load = 'stress';
    for (const { component, kind } of hot.speeds)
      if (kind === 'fan') machine.turn(component, 99_999);
    machine.advance(6 * 3600);
    const fast = machine.state();
    expect(fast.loops[0]?.mean_C).toBeLessThan(hot.loops[0]?.mean_C ?? NaN);
    expect(fast.noise_dBA).toBeGreaterThan(hot.noise_dBA);
    machine.sag = 0.5;
    expect(machine.state().loops[0]?.flow_Lmin).toBeCloseTo(
      0.5 * (fast.loops[0]?.flow_Lmin ?? NaN),
      6,
    );
    const [first] = hot.speeds;
    machine.turn(first?.component ?? '', 0);
    expect(machine.state().speeds[0]?.speed_rpm).toBe(0);
    machine.turn('ghost', 100);
  });
});
