import { describe, expect, test } from '@jest/globals';
import psychro from 'psychrolib';
import waterFile from '@reference/water.json';
import {
  air,
  coolantProperties,
  glycolMix,
  glycolMixConde,
  massFromVolumeShare,
  prandtl,
  standardPressure,
  water,
} from '.';

psychro.SetUnitSystem(psychro.SI);

describe('water', () => {
  /** IAPWS-95 values of reference/water.json. */
  test.each(waterFile.cases.map((c) => [c.id, c] as const))(
    '%s: Prandtl number within 1 %%',
    (_, c) => {
      expect(prandtl(water(c.inputs.temperature_C)) / c.expected.prandtl).toBeCloseTo(1, 2);
    },
  );

  test('densest near 4 °C (CRC Handbook)', () => {
    const at = (t: number): number => water(t).density_kgm3;
    expect(at(4)).toBeGreaterThan(at(3));
    expect(at(4)).toBeGreaterThan(at(5));
    expect(at(4)).toBeCloseTo(999.97, 1);
  });

  test('viscosity halves between 20 and 55 °C', () => {
    expect(water(20).viscosity_Pas / water(55).viscosity_Pas).toBeGreaterThan(1.9);
    expect(water(20).viscosity_Pas / water(55).viscosity_Pas).toBeLessThan(2.1);
  });
});

describe('glycol', () => {
  test('no glycol is nearly water', () => {
    for (const glycol of ['ethylene', 'propylene'] as const) {
      const mix = glycolMix(glycol, 0, 30),
        plain = water(30);
      expect(mix.density_kgm3 / plain.density_kgm3).toBeCloseTo(1, 2);
      expect(Math.abs(mix.viscosity_Pas / plain.viscosity_Pas - 1)).toBeLessThan(0.01);
      expect(Math.abs(mix.heatCapacity_JkgK / plain.heatCapacity_JkgK - 1)).toBeLessThan(0.01);
    }
  });

  /** CRC Handbook densities of ethylene glycol and water at 20 °C, from memory. */
  test.each([
    [0.1, 1010.8],
    [0.2, 1024.1],
    [0.3, 1037.8],
    [0.4, 1051.4],
  ])('ethylene glycol %p by mass at 20 °C: %p kg/m³', (share, density) => {
    expect(Math.abs(glycolMix('ethylene', share, 20).density_kgm3 / density - 1)).toBeLessThan(
      0.0006,
    );
  });

  test('the second opinion differs as stated: up to 11 % in viscosity', () => {
    const a = glycolMix('ethylene', 0.3, 30),
      b = glycolMixConde('ethylene', 0.3, 30);
    expect(b.viscosity_Pas / a.viscosity_Pas - 1).toBeGreaterThan(0.02);
    expect(b.viscosity_Pas / a.viscosity_Pas - 1).toBeLessThan(0.12);
    expect(Math.abs(b.density_kgm3 / a.density_kgm3 - 1)).toBeLessThan(0.011);
  });

  test('shares outside the range throw', () => {
    expect(() => glycolMix('ethylene', 0.6, 20)).toThrow(RangeError);
    expect(() => glycolMix('propylene', -0.1, 20)).toThrow(RangeError);
    expect(() => glycolMix('propylene', NaN, 20)).toThrow(RangeError);
  });

  test('volume to mass: 30 % by volume of ethylene glycol is 32.3 % by mass (ASHRAE, from memory)', () => {
    expect(massFromVolumeShare('ethylene', 0.3)).toBeCloseTo(0.323, 3);
    expect(massFromVolumeShare('propylene', 0)).toBe(0);
  });
});

describe('coolant', () => {
  test('is held inside the range of the fits', () => {
    const hot = coolantProperties({ glycol: 'none', volumeShare: 0 }, 300);
    expect(hot).toEqual(water(80));
    expect(
      Number.isFinite(
        coolantProperties({ glycol: 'ethylene', volumeShare: 0.25 }, -50).viscosity_Pas,
      ),
    ).toBe(true);
  });

  test('glycol thickens it', () => {
    const thin = coolantProperties({ glycol: 'none', volumeShare: 0 }, 30);
    const thick = coolantProperties({ glycol: 'ethylene', volumeShare: 0.25 }, 30);
    expect(thick.viscosity_Pas).toBeGreaterThan(1.5 * thin.viscosity_Pas);
  });
});

describe('air', () => {
  /** psychrolib 1.1.1 (ASHRAE Handbook Fundamentals ch. 1). */
  test.each([
    [0, 0],
    [25, 0],
    [40, 0],
    [25, 1500],
    [10, 3000],
  ])('%p °C at %p m against psychrolib', (t, z) => {
    const p = psychro.GetStandardAtmPressure(z);
    expect(standardPressure(z) / p).toBeCloseTo(1, 5);
    expect(air(t, z).density_kgm3 / psychro.GetDryAirDensity(t, p)).toBeCloseTo(1, 3);
  });
});
