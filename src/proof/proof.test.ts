import { describe, expect, test } from '@jest/globals';
import { proofRows } from '.';
import { colebrookResidual } from './hydraulics';

describe('published checks', () => {
  const rows = proofRows();

  test('at least sixty, in every subject of issue W1', () => {
    expect(rows.length).toBeGreaterThanOrEqual(60);
    const subjects = new Set(rows.map((r) => r.subject));
    for (const s of [
      'water',
      'friction',
      'minor losses',
      'effectiveness–NTU',
      'sound',
      'galvanic pairs',
      'screws',
      'bends',
    ])
      expect(subjects.has(s)).toBe(true);
  });

  test('six hundred or more, half of them independent; each may fail', () => {
    expect(rows.length).toBeGreaterThanOrEqual(600);
    const independent = rows.filter((r) => r.kind === 'independent').length;
    expect(independent / rows.length).toBeGreaterThanOrEqual(0.5);
    for (const r of rows) expect(r.tolerance).toBeLessThan(r.measure === 'relative' ? 0.1 : 3);
    // A row of a source that gives a range is not wider than it.
    for (const r of rows.filter((x) => x.kind === 'fitted')) {
      const [, low, high] = /: (\d+) to (\d+) W/.exec(r.source) ?? [];
      expect(r.got).toBeGreaterThanOrEqual(Number(low));
      expect(r.got).toBeLessThanOrEqual(Number(high));
    }
  });

  test('ids are unique and every row has a source', () => {
    expect(new Set(rows.map((r) => r.id)).size).toBe(rows.length);
    for (const r of rows) expect(r.source.length).toBeGreaterThan(3);
  });

  test.each(rows.map((r) => [r.id, r] as const))('%s', (_, r) => {
    expect(Number.isFinite(r.expected)).toBe(true);
    expect(Math.abs(r.deviation)).toBeLessThanOrEqual(r.tolerance + 1e-12);
    expect(r.ok).toBe(true);
  });

  test('Colebrook is solved, not approximated', () => {
    expect(Math.abs(colebrookResidual(12345, 0.002))).toBeLessThan(1e-9);
  });
});
