import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { AS_PRINTED, type Design, type Edit, type Factors, type Reading } from '../design';
import { normal, randomBy } from '../units';
import { diagnose, predictorFor, quantitiesOf, type CauseKind } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const ROOM_C = 22;
const asked = (load: Reading['load'], fans_rpm: number, pumps_rpm: number, i: number): Reading => ({
  on: `2026-12-0${i}T10:00:00Z`,
  load,
  room_C: ROOM_C,
  fans_rpm,
  pumps_rpm,
  coolant_C: { loop: 30 },
  flow_Lmin: { loop: 3 },
  spots_C: { 'card/core': 60, 'processor/die': 60 },
  noise_dBA: 30,
});
const STATES = [
  asked('stress', 900, 3000, 1),
  asked('stress', 1400, 4200, 2),
  asked('gaming', 1100, 4800, 3),
  asked('idle', 1100, 4800, 4),
];

interface Injected {
  readonly factors?: Partial<Factors>;
  readonly edits?: (of: Reading) => readonly Edit[];
  readonly coolant_K?: number;
  readonly noise_dBA?: number;
}

/** What instruments show on a machine with one fault, each with its own noise. */
function shown(
  of: Reading,
  { factors, edits, coolant_K = 0, noise_dBA = 0 }: Injected,
  random: () => number,
): Reading {
  const quantities = quantitiesOf(of);
  const [coolant, flow, card, processor, noise] = predictorFor(desk, of, edits?.(of))
    .predict(quantities, { ...AS_PRINTED, ...factors })
    .map((v, i) => v + (quantities[i]?.spread ?? 0) * normal(random)) as number[] as [
    number,
    number,
    number,
    number,
    number,
  ];
  return {
    ...of,
    coolant_C: { loop: ROOM_C + coolant + coolant_K },
    flow_Lmin: { loop: flow },
    spots_C: { 'card/core': card, 'processor/die': processor },
    noise_dBA: noise + noise_dBA,
  };
}

/** Faults as the bench has them (sizes: common practice, no source). */
const FAULTS: readonly (readonly [CauseKind, Injected])[] = [
  ['clogged', { factors: { losses: 2.5 } }],
  ['air in the loop', { factors: { losses: 2.2 }, noise_dBA: 4 }],
  ['dust', { factors: { radiators: 0.55 } }],
  ['block sits badly', { factors: { blocks: { 'processor-block': 2 } } }],
  ['thermometer of the coolant', { coolant_K: 6 }],
  [
    'fan stopped',
    { edits: () => [{ do: 'component.set', component: fan(), values: { speed_rpm: 0 } }] },
  ],
];
const fan = (): string => desk.components.find((c) => c.part.kind === 'fan')?.id ?? '';

describe('diagnosis', () => {
  test('the fault that was put in comes first in nine of ten', () => {
    const random = randomBy(23);
    const told = FAULTS.flatMap(([kind, injected]) =>
      [0, 1].map(() => {
        const found = diagnose(
          desk,
          STATES.map((s) => shown(s, injected, random)),
        );
        return { kind, first: found?.[0]?.kind };
      }),
    );
    const right = told.filter((t) => t.kind === t.first);
    expect(right.length / told.length).toBeGreaterThanOrEqual(0.9);
  }, 120_000);

  test('a sound machine is found sound, and likelihoods make one', () => {
    const random = randomBy(5);
    const found = diagnose(
      desk,
      STATES.map((s) => shown(s, {}, random)),
    );
    expect(found?.[0]?.kind).toBe('as worked out');
    expect(found?.reduce((s, d) => s + d.likelihood, 0)).toBeCloseTo(1, 9);
    expect(found?.[0]?.left).toBeLessThan(2);
  }, 60_000);

  test('nothing read, nothing said; and it stops when asked', () => {
    expect(diagnose(desk, [])).toEqual([]);
    expect(diagnose(desk, STATES, () => false)).toBeNull();
  });
});
