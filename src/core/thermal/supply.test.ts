import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { Design } from '../design';
import { drawOf, shareOf, supplyLoad, supplyVerdict } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('what a supply has to give', () => {
  test('the parts of the heaviest load, and every fan and pump at full speed, piece by piece', () => {
    const { system, thermalModel } = analyse(desk);
    const load = supplyLoad(system, thermalModel);
    const parts = Math.max(
      ...(['idle', 'gaming', 'render', 'stress', 'custom'] as const).map((c) =>
        thermalModel.sources.reduce((sum, s) => sum + drawOf(s) * shareOf(s, c), 0),
      ),
    );
    // Three fans before the front radiator, two under the top one, one behind, one pump.
    const power = (id: string): number => {
      const part = desk.components.find((c) => c.id === id)?.part;
      return part && 'power_W' in part ? part.power_W : NaN;
    };
    const helpers =
      3 * power('front-fans') + 2 * power('top-fans') + power('rear-fan') + power('pump');
    expect(load?.helpers_W).toBeCloseTo(helpers, 9);
    expect(load?.most_W).toBeCloseTo(parts + helpers, 9);
  });

  /** A fifth is kept for peaks (common practice, no source). */
  test.each([
    [790, 'ok'],
    [801, 'marginal'],
    [999, 'marginal'],
    [1001, 'fails'],
  ] as const)('%d W of 1,000: %s', (most_W, verdict) => {
    expect(supplyVerdict({ most_W, rating_W: 1000, helpers_W: 0 })).toBe(verdict);
  });

  test('without a supply there is nothing to say', () => {
    const bare = { ...desk, components: desk.components.filter((c) => c.part.kind !== 'supply') };
    const { system, thermalModel } = analyse(bare);
    expect(supplyLoad(system, thermalModel)).toBeNull();
  });
});
