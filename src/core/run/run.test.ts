import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoBuild } from '@/catalogue';
import { applyEdit, type Build } from '../build';
import { resolve } from '../model';
import { bendStart, bendTable, developedLength, estimateRuns, setAngle, setBack } from '.';

describe('bends', () => {
  /** Common practice, no source: 101.6 mm to the corner with a 12.7 mm radius starts at 88.9 mm. */
  test('the bend starts before the corner', () => {
    expect(bendStart(101.6, 12.7, 90)).toBeCloseTo(88.9, 9);
    expect(setBack(22, 90)).toBeCloseTo(22, 12);
  });

  test('a bent tube is shorter than its legs', () => {
    fc.assert(fc.property(fc.double({ min: 1, max: 60, noNaN: true }), fc.double({ min: 1, max: 120, noNaN: true }), (radius_mm, angle_deg) => {
      expect(developedLength(500, [{ radius_mm, angle_deg }])).toBeLessThan(500);
    }));
  });

  test('90 left of a set 92.5 needs more set (spring-back)', () => {
    expect(setAngle(90, 90 / 92.5)).toBeCloseTo(92.5, 9);
  });

  test('points in line make no bend; one point is no tube', () => {
    expect(bendTable([[0, 0, 0], [50, 0, 0], [90, 0, 0]], 20).rows).toEqual([]);
    expect(() => bendTable([[0, 0, 0]], 20)).toThrow(RangeError);
  });

  test('bends too close together are said to be', () => {
    const t = bendTable([[0, 0, 0], [100, 0, 0], [100, 30, 0], [200, 30, 0]], 25);
    expect(t.feasible).toBe(false);
    expect(t.shortest_mm).toBeCloseTo(-20, 9);
  });
});

describe('estimated runs', () => {
  const desk = demoBuild('dawn-chorus-desk') as Build;
  const runs = estimateRuns(resolve(desk));

  test('every link is a run, each labelled estimated', () => {
    expect(runs.map((r) => r.id)).toEqual(desk.loops[0]?.links.map((l) => l.id));
    expect(runs.every((r) => r.estimated)).toBe(true);
  });

  test('no tube is shorter than the way between its fittings', () => {
    for (const r of runs) if (r.by === 'tube') expect(r.cut_mm).toBeGreaterThan(30);
  });

  test('reservoir and pump, port to port, are screwed together', () => {
    const joint = runs.find((r) => r.from.item === 'reservoir' && r.to.item === 'pump');
    expect(joint).toMatchObject({ by: 'joint', cut_mm: 0 });
    expect(joint?.fittings.map((f) => f.duty)).toEqual(['joint']);
  });

  test('both ends of a tube have a fitting, adapters before them', () => {
    for (const r of runs.filter((x) => x.by === 'tube')) {
      for (const end of ['from', 'to'] as const) {
        const own = r.fittings.filter((f) => f.end === end).map((f) => f.duty);
        expect(own[own.length - 1]).toBe('compression');
        expect(own.length).toBe(r.ends[end] === 'straight' ? 1 : 2);
      }
    }
  });

  test('a wish for an end fitting is kept', () => {
    const link = desk.loops[0]?.links[2];
    const build = applyEdit(desk, { do: 'link.ends', loop: 'loop', link: link?.id ?? '', ends: { from: 'straight', to: 'extender' } }).build;
    expect(estimateRuns(resolve(build)).find((r) => r.id === link?.id)?.ends).toEqual({ from: 'straight', to: 'extender' });
  });

  test('an end without a place is a guess that says so', () => {
    const loose = applyEdit(desk, { do: 'item.place', item: 'top-radiator', placement: { on: 'bench' } }).build;
    const guessed = estimateRuns(resolve(loose)).filter((r) => r.guess !== null);
    expect(guessed.length).toBe(2);
    expect(guessed[0]?.guess).toContain('no place');
  });

  test('hard tube bends at right angles and holds what its bore says', () => {
    const hard = estimateRuns(resolve(demoBuild('fenland-flood-tower') as Build));
    for (const r of hard.filter((x) => x.by === 'tube')) {
      expect(r.turning_deg % 90).toBe(0);
      expect(r.volume_mL).toBeCloseTo((Math.PI / 4) * 1.2 ** 2 * (r.cut_mm / 10), 6);
    }
  });
});
