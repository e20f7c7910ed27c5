import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import type { Component, Design } from '@/core/design';
import { curveKind, type CurveOf } from './kinds';

const desk = demoDesign('dawn-chorus-desk') as Design;
const ofKind = (kind: string): Component =>
  desk.components.find((c) => c.part.kind === kind) as Component;

describe('curves that a builder types in', () => {
  test('a loss that is a parabola is read as that parabola (least squares of an exact law)', () => {
    const flows = [0.5, 1, 2, 3, 4, 6];
    const read = curveKind(1).read(flows.map((q) => [q, 1.2 * q + 0.45 * q * q] as const));
    for (const q of [0.7, 2.5, 5]) expect(read?.at(q)).toBeCloseTo(1.2 * q + 0.45 * q * q, 6);
    expect(read?.words).toMatch(/^a 1\.200, b 0\.450/);
    expect(read?.note).toBe(false);
  });

  test('one point of a loss is a square law through it (Darcy at high Reynolds numbers)', () => {
    const read = curveKind(1).read([[2, 8]]);
    expect(read?.at(2)).toBeCloseTo(8, 6);
    expect(read?.at(0)).toBeCloseTo(0, 9);
  });

  test('points without flow make no loss', () => {
    expect(curveKind(1).read([[0, 3]])).toBeNull();
    expect(curveKind(1).read([])).toBeNull();
  });

  test('a pump curve goes through its points and falls between them', () => {
    const points = [
      [0, 4],
      [5, 3.2],
      [10, 1.5],
      [14, 0],
    ] as const;
    const read = curveKind('head').read(points);
    for (const [q, h] of points) expect(read?.at(q)).toBeCloseTo(h, 9);
    let last = Infinity;
    for (let q = 0; q <= 14; q += 0.5) {
      const now = read?.at(q) as number;
      expect(now).toBeLessThanOrEqual(last + 1e-9);
      last = now;
    }
  });

  test('a fan whose curve sags in stall is used where it falls, and that is said', () => {
    const read = curveKind('pressure').read([
      [0, 22],
      [20, 17],
      [35, 18.5],
      [60, 9],
      [90, 0],
    ]);
    expect(read?.note).toBe(true);
    expect(read?.words).toMatch(/blades stall/);
    expect(read?.used.length).toBeLessThan(5);
    expect(read?.used.at(-1)).toEqual([90, 0]);
  });

  test.each(['head', 'pressure'] as const)('one point makes no %s', (of) => {
    expect(curveKind(of).read([[1, 1]])).toBeNull();
    expect(curveKind(of).tooFew).toMatch(/two points/);
  });

  test('the resistance of a block is a power law through its points', () => {
    const law = (q: number): number => 0.08 * (4 / q) ** 0.4;
    const read = curveKind('resistance').read([1, 2, 4, 8].map((q) => [q, law(q)] as const));
    for (const q of [1.5, 3, 6]) expect(read?.at(q)).toBeCloseTo(law(q), 4);
    expect(read?.at(0.1)).toBeNull();
    expect(curveKind('resistance').read([[2, 0]])).toBeNull();
  });

  test('what a part has already is what the editor begins with', () => {
    const pump = ofKind('pump'),
      fan = ofKind('fan'),
      block = ofKind('block');
    if (pump.part.kind !== 'pump' || fan.part.kind !== 'fan' || block.part.kind !== 'block')
      throw new Error('the desk has all three');
    expect(curveKind('head').own(pump.part).points).toBe(pump.part.points);
    expect(curveKind('pressure').own(fan.part).points).toBe(fan.part.points);
    expect(curveKind('resistance').own(block.part).points).toBe(block.part.resistance);
    expect(curveKind('head').own(fan.part).points).toEqual([]);
    expect(curveKind(1).own(catalogued('pump', 'pump-brook-small')).points).toEqual([]);
  });

  test.each<[CurveOf['of'], string, string]>([
    [1, 'flow', 'pressure'],
    ['head', 'flow', 'head'],
    ['pressure', 'airFlow', 'airPressure'],
    ['resistance', 'flow', 'resistance'],
  ])('%s is measured in the units of its axes, with words for both', (of, x, y) => {
    const kind = curveKind(of);
    expect([kind.x, kind.y]).toEqual([x, y]);
    for (const words of [kind.xWord, kind.yWord, kind.yAxis, kind.intro, kind.tooFew])
      expect(words).toMatch(/\S/);
  });
});
