import { expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design, Reading } from '@/core/design';
import { calibrate, valueIn } from '@/core/log';
import { Bench } from './bench';

const desk = demoDesign('dawn-chorus-desk') as Design;
const STATES = [
  { load: 'stress', fans: 900, pumps: 3000 },
  { load: 'stress', fans: 1400, pumps: 4200 },
  { load: 'gaming', fans: 1100, pumps: 4800 },
  { load: 'stress', fans: 700, pumps: 4800 },
] as const;
const SEEDS = 100;

/** One settled state as a builder would note it. */
function noted(
  bench: Bench,
  { load, fans, pumps }: (typeof STATES)[number],
  hour: number,
): Reading {
  bench.set({ load, fans, pumps });
  bench.advance(2 * 3600);
  const { values } = bench.read();
  const of = (channel: string): number => values[channel] ?? NaN;
  return {
    on: `2026-11-29T0${hour}:00:00Z`,
    load,
    room_C: of('room'),
    fans_rpm: fans,
    pumps_rpm: pumps,
    coolant_C: { loop: of('coolant/loop') },
    flow_Lmin: { loop: of('flow/loop') },
    spots_C: { 'card/core': of('spot/card/core'), 'processor/die': of('spot/processor/die') },
    noise_dBA: of('noise'),
  };
}

/** What is stated as 95 % must hold in 95 of 100 machines, by each factor. */
test('of a hundred machines, instruments off and scattering, stated intervals hold the truth', () => {
  const held = new Map<string, number>();
  const told = new Map<string, number>();
  for (let seed = 1; seed <= SEEDS; seed += 1) {
    const bench = new Bench(desk, seed);
    const { parameters } = calibrate(
      desk,
      STATES.map((state, hour) => noted(bench, state, hour)),
    );
    for (const { id, kind, component, factor, spread, told: isTold } of parameters) {
      const off = Math.abs(factor - valueIn(bench.truth, kind, component));
      held.set(id, (held.get(id) ?? 0) + (off <= 1.96 * spread ? 1 : 0));
      told.set(id, (told.get(id) ?? 0) + (isTold ? 1 : 0));
    }
  }
  expect([...held.keys()].sort()).toEqual([
    'block card-block',
    'block processor-block',
    'leakage',
    'losses',
    'noise',
    'radiators',
  ]);
  for (const count of held.values()) expect(count).toBeGreaterThanOrEqual(95);
  // Wide intervals hold too: these are narrow.
  for (const id of ['losses', 'noise']) expect(told.get(id)).toBe(SEEDS);
}, 180_000);
