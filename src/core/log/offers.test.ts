import { describe, expect, test } from '@jest/globals';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, type Design, type Measured } from '../design';
import { validateDesign } from '../validation';
import { calibrate, measuredFrom, measuredParts, offersFor } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const MEASURED: Measured = {
  on: '2026-11-20T18:00:00Z',
  readings: 4,
  radiators: 0.9,
  losses: 1.2,
  blocks: { 'processor-block': 1.1, 'card-block': 1.3 },
  leakage: 1.4,
  noise_dB: 1.5,
  spreads: { radiators: 0.03, losses: 0.02, 'block processor-block': 0.05, noise: 0.4 },
};
const going = (by: Measured, of: Design = desk): Design =>
  applyEdit(of, { do: 'work.measured', measured: by }).design;

describe('what was measured of a part, in other builds', () => {
  test('told by part: what no reading told and what belongs to the machine stay there', () => {
    const told = measuredParts(going(MEASURED));
    expect(told.map((t) => [t.kind, t.factor, t.spread])).toEqual([
      ...told.filter((t) => t.kind === 'radiators').map(() => ['radiators', 0.9, 0.03]),
      ['block', 1.1, 0.05],
    ]);
    expect(told.every((t) => t.build === desk.name && t.readings === 4)).toBe(true);
    // A block that resists half as much again sits badly here: no other machine is offered that.
    const bad = going({ ...MEASURED, blocks: { 'processor-block': 1.5 } });
    expect(measuredParts(bad).some((t) => t.kind === 'block')).toBe(false);
    expect(measuredParts(desk)).toEqual([]);
    expect(measuredParts(going({ ...MEASURED, elsewhere: 'Another' }))).toEqual([]);
  });

  test('two machines together: by the inverse square of their deviations (weighted mean by hand)', () => {
    const one = measuredParts(going(MEASURED)),
      two = measuredParts(
        going({
          ...MEASURED,
          on: '2026-11-25T18:00:00Z',
          radiators: 1,
          spreads: { radiators: 0.06 },
        }),
      ).map((t) => ({ ...t, build: 'Flood tower' }));
    const [radiators, block] = offersFor(desk, [...one, ...two]);
    // (0.9 / 0.03² + 1 / 0.06²) / (1 / 0.03² + 1 / 0.06²) = 0.92.
    expect(radiators?.factor).toBeCloseTo(0.92, 9);
    // One factor of two unlike radiators, read once: 1 / √(1 / 0.03² + 1 / 0.06²).
    expect(radiators?.spread).toBeCloseTo(1 / Math.sqrt(1 / 0.03 ** 2 + 1 / 0.06 ** 2), 9);
    // A copy of a build brings no readings of its own.
    const copies = one.map((t) => ({ ...t, build: 'A copy' }));
    expect(offersFor(desk, [...one, ...two, ...copies])[0]?.spread).toBe(radiators?.spread);
    expect(radiators?.builds).toEqual([desk.name, 'Flood tower']);
    expect(block?.component).toBe('processor-block');
    const measured = measuredFrom([...offersFor(desk, [...one, ...two])]);
    expect(measured.radiators).toBeCloseTo(0.92, 9);
    expect(measured.losses).toBe(1);
    expect(measured.on).toBe('2026-11-25T18:00:00Z');
    expect(measured.elsewhere).toContain('Flood tower');
    expect(validateDesign(going(measured)).ok).toBe(true);
    // Nothing of this machine was read: its log says so.
    expect(analyse(going(measured)).stages.log).toEqual({
      verdict: 'unchecked',
      result: 'no reading yet',
    });
    expect(analyse(going(MEASURED)).stages.log.result).toBe('uses 4 readings');
    expect(() => measuredFrom([])).toThrow('measured elsewhere');
  });

  test('a machine with a radiator that nobody measured is offered none of its heat', () => {
    const known = measuredParts(going(MEASURED));
    const others = DEMO_BUILDS.map((d) => d.design).filter((d) => d.name !== desk.name);
    for (const other of others) {
      const mine = other.components.flatMap((c) => (c.part.kind === 'radiator' ? [c.part.id] : []));
      const all = mine.every((id) => known.some((k) => k.part === id));
      expect(offersFor(other, known).some((o) => o.kind === 'radiators')).toBe(all);
    }
  });

  test('taken up, they are what readings start from: few of them move it less', () => {
    const reading = {
      on: '2026-11-28T10:00:00Z',
      load: 'stress',
      room_C: 22,
      fans_rpm: 1200,
      pumps_rpm: 4000,
      flow_Lmin: { loop: 3 },
    } as const;
    const taken = going({ ...MEASURED, losses: 1, elsewhere: 'Flood tower' });
    const of = (design: Design) =>
      calibrate(design, [reading]).parameters.find((p) => p.id === 'radiators');
    expect(of(desk)?.factor).toBeCloseTo(1, 1);
    expect(Math.abs((of(taken)?.factor ?? NaN) - 0.9)).toBeLessThan(0.02);
    // √(0.03² + (0.12 / 2)²): the other machine's deviation and how unlike two of the same papers are.
    expect(of(taken)?.spread).toBeCloseTo(Math.hypot(0.03, 0.06), 2);
  });
});
