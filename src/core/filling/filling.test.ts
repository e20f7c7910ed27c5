import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { trappedAir } from '../loops';
import { compileSystem } from '../system';
import type { Design } from '../design';
import { airPockets, daysToClear, fillPlan, fillTrouble, KEEP_SHARE, type FilledLoop } from '.';

const small: FilledLoop = {
  reservoir_mL: 300,
  mark_mL: 240,
  rest_mL: 600,
  trapped_mL: 40,
  flow_Lmin: 3,
};

describe('filling by pulses', () => {
  /**
   * By hand: 3 L/min are 50 mL/s. A full reservoir of 300 gives 300 − 60 − 50 = 190 mL a pulse, 3.8
   * s; 560 mL go in: two whole pulses and 180. Poured 300 + 190 + 190, then 240 − 120 to the mark.
   */
  test('a small reservoir, pulse by pulse', () => {
    const { pulses, poured_mL, topUp_mL, least_mL } = fillPlan(small);
    expect(pulses.map((p) => [p.pour_mL, Math.round(100 * p.run_s) / 100, p.left_mL])).toEqual([
      [300, 3.8, 110],
      [190, 3.8, 110],
      [190, 3.6, 120],
    ]);
    expect(pulses[2]?.filled_mL).toBe(560);
    expect(poured_mL).toBe(800);
    expect(topUp_mL).toBe(40);
    expect(least_mL).toBe(110);
  });

  test('what is poured is in the reservoir or the loop, and the pump never draws it below its fifth', () => {
    fc.assert(
      fc.property(
        fc.record({
          reservoir_mL: fc.double({ min: 60, max: 800, noNaN: true }),
          share: fc.double({ min: 0.4, max: 1, noNaN: true }),
          rest_mL: fc.double({ min: 20, max: 3000, noNaN: true }),
          air: fc.double({ min: 0, max: 0.5, noNaN: true }),
          flow_Lmin: fc.double({ min: 0.2, max: 8, noNaN: true }),
        }),
        ({ reservoir_mL, share, rest_mL, air, flow_Lmin }) => {
          const loop = {
            reservoir_mL,
            mark_mL: share * reservoir_mL,
            rest_mL,
            trapped_mL: air * rest_mL,
            flow_Lmin,
          };
          const plan = fillPlan(loop);
          if (fillTrouble(loop) !== null) {
            expect(plan.pulses).toEqual([]);
            return;
          }
          let inReservoir = 0,
            inLoop = 0,
            poured = 0;
          for (const p of plan.pulses) {
            poured += p.pour_mL;
            inReservoir += p.pour_mL;
            expect(inReservoir).toBeLessThanOrEqual(reservoir_mL + 1e-6);
            const moved = (p.run_s * 1000 * flow_Lmin) / 60;
            inReservoir -= moved;
            inLoop += moved;
            expect(inReservoir).toBeCloseTo(p.left_mL, 6);
            // A second late, and it still holds its fifth.
            expect(inReservoir - (1000 * flow_Lmin) / 60).toBeGreaterThanOrEqual(
              KEEP_SHARE * reservoir_mL - 1e-6 - (inLoop >= rest_mL ? reservoir_mL : 0),
            );
            expect(poured).toBeCloseTo(inReservoir + inLoop, 6);
          }
          expect(inLoop).toBeCloseTo(rest_mL - loop.trapped_mL, 6);
          expect(plan.poured_mL).toBeCloseTo(loop.mark_mL + rest_mL - loop.trapped_mL, 6);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('without a reservoir, a pump that moves, or time to stop it there is no plan, and it says why', () => {
    expect(fillTrouble({ ...small, reservoir_mL: 0 })).toContain('no reservoir');
    expect(fillTrouble({ ...small, flow_Lmin: 0 })).toContain('moves nothing');
    expect(fillTrouble({ ...small, reservoir_mL: 60, flow_Lmin: 6 })).toContain('slow it down');
    expect(fillPlan({ ...small, reservoir_mL: 0 }).pulses).toEqual([]);
    expect(fillTrouble(small)).toBeNull();
  });
});

describe('pockets of air', () => {
  test('those of the loop, each with the side to lift towards its highest used port', () => {
    const desk = demoDesign('dawn-chorus-desk') as Design;
    const system = compileSystem(desk);
    const [loop] = desk.loops as [Design['loops'][number]];
    const pockets = airPockets(system, loop);
    expect(pockets.map((p) => [p.component, p.air_mL])).toEqual(
      trappedAir(system, loop).map((p) => [p.component, p.mL]),
    );
    // The top radiator's used ports are at its front end: lifting the front brings them up.
    const ports = system.placed.get('top-radiator')?.ports ?? [];
    const box = system.placed.get('top-radiator')?.solids[0]?.box;
    const used = ports.filter((p) =>
      loop.connections.some((c) =>
        [c.from, c.to].some((e) => e.component === p.component && e.port === p.port.id),
      ),
    );
    const front = used.every((p) => p.at[0] > ((box?.min[0] ?? 0) + (box?.max[0] ?? 0)) / 2);
    expect(pockets.find((p) => p.component === 'top-radiator')?.lift).toBe(
      front ? 'front' : 'rear',
    );
    expect(daysToClear(pockets)).toEqual([1, 1 + pockets.length]);
    expect(daysToClear([])).toEqual([1, 1]);
  });
});
