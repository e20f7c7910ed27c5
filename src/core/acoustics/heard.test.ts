import { describe, expect, test } from '@jest/globals';
import weights from '@reference/a-weighting.json';
import {
  aWeighting,
  bandsAt,
  bladeTone,
  heard,
  heardLevel,
  OCTAVES_HZ,
  pitched,
  placeOffset,
  pressureLevel,
  SHAPES,
  weightedSum,
  type SoundSource,
} from '.';

const fan = (more: Partial<SoundSource> = {}): SoundSource => ({
  component: 'fan',
  count: 1,
  level_dBA: 30,
  shape_dB: SHAPES.fan,
  speed_rpm: 1000,
  fullSpeed_rpm: 1000,
  place: 'open',
  ...more,
});

describe('A-weighting', () => {
  test.each(weights.cases)('$id: within 0.1 dB of the table', ({ inputs, expected }) => {
    expect(Math.abs(aWeighting(inputs.frequency_Hz) - expected.weight_dB)).toBeLessThanOrEqual(0.1);
  });

  /** Eight octaves of 40 dB: weights −26.2, −16.1, −8.6, −3.2, 0, 1.2, 1.0, −1.1 of the table. */
  test('octaves of 40 dB come to 47.0 dBA', () => {
    const byHand =
      10 *
      Math.log10(
        [-26.2, -16.1, -8.6, -3.2, 0, 1.2, 1.0, -1.1].reduce(
          (sum, w) => sum + 10 ** ((40 + w) / 10),
          0,
        ),
      );
    expect(Math.abs(weightedSum(OCTAVES_HZ.map(() => 40)) - byHand)).toBeLessThan(0.05);
  });
});

describe('power and pressure level', () => {
  /** 10 log10(4π) = 10.99 dB and 10 log10(2π) = 7.98 dB at 1 m; 6.02 dB more at 2 m. */
  test.each([
    ['sphere', 1, 10.99],
    ['half space', 1, 7.98],
    ['sphere', 2, 17.01],
    ['half space', 2, 14.0],
  ] as const)('%s at %d m: %d dB less', (radiation, at_m, less) => {
    expect(60 - pressureLevel(60, at_m, radiation)).toBeCloseTo(less, 2);
  });
});

describe('what is heard', () => {
  test('a spectrum only spreads a level: its weighted sum is the level', () => {
    for (const shape of Object.values(SHAPES))
      for (const speed of [0.3, 0.7, 1])
        expect(weightedSum(bandsAt(27.5, pitched(shape, speed)))).toBeCloseTo(27.5, 9);
  });

  test('half the speed: the pitch falls by an octave, the level by 15 dB', () => {
    const shape = [0, 10, 20, 30, 40, 50, 60, 70];
    expect(pitched(shape, 0.5).slice(0, 7)).toEqual([10, 20, 30, 40, 50, 60, 70]);
    expect(pitched(shape, 1)).toEqual(shape);
    expect(heardLevel([fan({ level_dBA: 40, speed_rpm: 500 })], 1)).toBeCloseTo(24.95, 2);
  });

  test('twice as many are 3 dB more, twice as far 6 dB less', () => {
    const one = heardLevel([fan()], 1);
    expect(heardLevel([fan({ count: 2 })], 1) - one).toBeCloseTo(3.01, 2);
    expect(one - heardLevel([fan()], 2)).toBeCloseTo(6.02, 2);
    expect(heardLevel([fan({ count: 2 })], 1)).toBeCloseTo(heardLevel([fan(), fan()], 1), 9);
  });

  test('what stands within or looks away is heard less, high tones least', () => {
    expect(placeOffset(SHAPES.fan, 'front')).toBe(0);
    expect(placeOffset(SHAPES.fan, 'rear')).toBe(-2);
    const within = placeOffset(SHAPES.pump, 'inside');
    expect(within).toBeLessThan(-2);
    expect(within).toBeGreaterThan(-5);
    const high = [-40, -40, -40, -40, -40, 0, 0, 0];
    expect(placeOffset(high, 'inside')).toBeLessThan(within);
  });

  /** As stated in docs/physics: common practice, no source. */
  test('the usual shapes and what a case holds back, band by band', () => {
    expect(SHAPES.fan).toEqual([0, 0, -1, -3, -6, -10, -16, -24]);
    expect(SHAPES.pump).toEqual([-10, -6, -3, 0, -2, -6, -12, -20]);
    const alone = (i: number) => OCTAVES_HZ.map((_, k) => (k === i ? 0 : -300));
    expect(
      OCTAVES_HZ.map((_, i) => Math.round(1e6 * placeOffset(alone(i), 'inside')) / 1e6),
    ).toEqual([0, 0, -1, -2, -3, -4, -5, -6]);
    expect(
      ['front', 'side', 'top', 'rear', 'bottom', 'open'].map((p) =>
        placeOffset(SHAPES.fan, p as SoundSource['place']),
      ),
    ).toEqual([0, 0, 0, -2, -1, 0]);
  });

  test('bands at the listener sum to the level; standing sources are not among them', () => {
    const all = [
      fan(),
      fan({ component: 'still', speed_rpm: 0 }),
      fan({ component: 'b', count: 3 }),
    ];
    const { total_dBA, bands_dB, sources } = heard(all, 1.5);
    expect(weightedSum(bands_dB)).toBeCloseTo(total_dBA, 6);
    expect(sources.map((s) => s.component)).toEqual(['fan', 'b']);
    expect(heardLevel([fan({ speed_rpm: 0 })], 1)).toBe(0);
    // Each at the listener: 30 dBA less 3.52 dB.
    expect(sources[0]?.level_dBA).toBeCloseTo(30 - 20 * Math.log10(1.5), 9);
    // A slower fan sounds lower: its bands lean to the left.
    const lean = (speed_rpm: number): number => {
      const { bands_dB: b } = heard([fan({ speed_rpm })], 1);
      return (b[1] as number) - (b[5] as number);
    };
    expect(lean(500) - lean(1000)).toBeGreaterThan(3);
  });

  test('a wheel of seven blades at 3,000 rpm hums at 350 Hz', () => {
    expect(bladeTone(3000)).toBeCloseTo(350, 9);
  });
});
