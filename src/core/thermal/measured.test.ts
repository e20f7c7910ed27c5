import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { MeasuredRadiator } from '../components';
import { air, water } from '../fluids';
import type { Design } from '../design';
import { INSTALLATION, measuredRatio, radiatorConductance } from '.';

const [radiator] = analyse(demoDesign('dawn-chorus-desk') as Design).thermalModel.radiators;
if (!radiator) throw new Error('the demo lost its radiators');
const roomAir = air(25);

/** What the model says at a bench: water of 30 °C. */
const model = (air_m3h: number, flow: number): number =>
  radiatorConductance(radiator.core, {
    airFlow_m3h: air_m3h / INSTALLATION.airFlow,
    coolantFlow_Lmin: flow,
    air: roomAir,
    coolant: water(30),
    factors: INSTALLATION,
  }).conductance_WK;
const ratioOf = (points: MeasuredRadiator['points']) =>
  measuredRatio(radiator, { against: 'air', points }, roomAir, INSTALLATION);

describe('what measured points make of the model', () => {
  /** Points 0.8, 1.0 and 1.2 times the model, at 50, 100 and 200 m³/h. */
  const points = [
    [50, 4, 0.8 * model(50, 4)],
    [100, 4, 1.0 * model(100, 4)],
    [200, 4, 1.2 * model(200, 4)],
  ] as const;

  test.each([
    [50, 0.8, 'measured'],
    [100, 1.0, 'measured'],
    [200, 1.2, 'measured'],
    // Between them by the logarithm: √(50 × 100) is half way.
    [Math.sqrt(5000), 0.9, 'measured'],
    [Math.sqrt(20_000), 1.1, 'measured'],
    // Beyond them held.
    [20, 0.8, 'measured, extended by the model'],
    [400, 1.2, 'measured, extended by the model'],
    // A hair beyond counts as within.
    [49.5, 0.8, 'measured'],
    [203, 1.2, 'measured'],
    [210, 1.2, 'measured, extended by the model'],
  ] as const)('at %d m³/h: %d times the model, %s', (x, ratio, basis) => {
    const at = ratioOf(points)(x, 4);
    expect(at.ratio).toBeCloseTo(ratio, 6);
    expect(at.basis).toBe(basis);
  });

  test('series at several flows are interpolated by flow, and told as extended beyond them', () => {
    const at = ratioOf([...points, [100, 1, 0.6 * model(100, 1)]]);
    expect(at(100, 1).ratio).toBeCloseTo(0.6, 6);
    expect(at(100, 2).ratio).toBeCloseTo(0.8, 6);
    expect(at(100, 8)).toEqual({
      ratio: expect.closeTo(1, 6),
      basis: 'measured, extended by the model',
    });
    expect(at(100, 2).basis).toBe('measured');
    // Flows within 3 % are one series: at any flow it is measured.
    expect(ratioOf([points[0], [100, 4.1, model(100, 4.1)]])(70, 9).basis).toBe('measured');
  });

  test('points the model gives nothing for are left out; none at all leaves the model', () => {
    expect(ratioOf([[100, 0, 20]])(100, 4)).toEqual({ ratio: 1, basis: 'model' });
  });
});
