import { describe, expect, test } from '@jest/globals';
import { soundAtDistance, soundAtSpeed, soundSum } from './level';

/** ISO 3744 and any acoustics handbook: equal sources add 10 log10 n. */
describe('sound', () => {
  test('two alike add 3 dB, ten alike 10 dB', () => {
    expect(soundSum([30, 30])).toBeCloseTo(33.01, 2);
    expect(soundSum(Array.from({ length: 10 }, () => 20))).toBeCloseTo(30, 9);
  });

  test('silence', () => {
    expect(soundSum([])).toBe(-Infinity);
    expect(soundAtSpeed(30, 0, 1000)).toBe(-Infinity);
    expect(soundSum([30, soundAtSpeed(40, 0, 1000)])).toBeCloseTo(30, 9);
  });

  test('half the speed is 15 dB less (ASHRAE, fan laws)', () => {
    expect(soundAtSpeed(40, 500, 1000)).toBeCloseTo(24.95, 2);
  });

  test('twice the distance is 6 dB less', () => {
    expect(soundAtDistance(30, 1, 2)).toBeCloseTo(23.98, 2);
  });

  test('from 2 m to 4 m as from 1 m to 2 m', () => {
    expect(soundAtDistance(30, 2, 4)).toBeCloseTo(23.98, 2);
    expect(soundAtDistance(30, 2, 1)).toBeCloseTo(36.02, 2);
  });
});
