import { describe, expect, test } from '@jest/globals';
import { practiceCore } from '../../proof/cooling';
import { air } from '../fluids';
import { coreChannel, coreDrag, coreDragTerms } from '.';

/**
 * Worked by hand: 16 to the inch is a pitch of 1.5875 mm, fins of 0.05 mm leave gaps of 1.5375 mm, 6
 * mm high, a tube of 1.6 mm between. Open share 1.5375 × 6 / (1.5875 × 7.6) = 0.76461; hydraulic
 * diameter 2 × 1.5375 × 6 / 7.5375 = 2.44776 mm; f·Re at 0.25625 is 18.138.
 */
const core = practiceCore(1, 16);
const still = { ...air(20), density_kgm3: 1.2, viscosity_Pas: 1.8e-5 };

describe('the air side of a core', () => {
  test('its channels', () => {
    const c = coreChannel(core);
    expect(c.gap * 1000).toBeCloseTo(1.5375, 6);
    expect(c.height * 1000).toBeCloseTo(6, 9);
    expect(c.freeRatio).toBeCloseTo(0.76461, 5);
    expect(c.hydraulic * 1000).toBeCloseTo(2.44776, 5);
    expect(c.aspect).toBeCloseTo(0.25625, 6);
    expect(c.finShare).toBeCloseTo(6 / 7.5375, 9);
    // Two fins and two tubes a cell, 20 mm deep.
    expect(c.areaPerFrontal).toBeCloseTo((2 * 7.5375 * 20) / (1.5875 * 7.6), 6);
  });

  /**
   * Friction: 2 f·Re μ (L/Dh) × 1.2 / (Dh σ) = 3.4208 Pa at 1 m/s. Developing, entry 0.4 (1 − σ²) and
   * exit (1 − σ)²: 1.22156 heads of 0.6 / σ² = 1.2537 Pa.
   */
  test('its drag, friction with the speed and the rest with its square', () => {
    const { linear, square } = coreDragTerms(core, still);
    expect(linear).toBeCloseTo(3.4208, 3);
    expect(square).toBeCloseTo(1.2537, 3);
    expect(coreDrag(core, 2, still)).toBeCloseTo(2 * 3.4208 + 4 * 1.2537, 2);
    expect(coreDrag(core, 0, still)).toBe(0);
  });
});
