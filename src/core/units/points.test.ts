import { describe, expect, test } from '@jest/globals';
import { parsePoints } from '.';

const LOSS: readonly [number, number][] = [
  [1, 1],
  [2, 3.5],
  [4, 12],
];
const close = (
  text: string,
  wanted: readonly (readonly [number, number])[] = LOSS,
  given = {},
): void => {
  const { points, troubles } = parsePoints(text, 'flow', 'pressure', given);
  expect(troubles).toEqual([]);
  expect(points.length).toBe(wanted.length);
  points.forEach(([q, p], i) => {
    expect(q).toBeCloseTo(wanted[i]?.[0] ?? NaN, 6);
    expect(p).toBeCloseTo(wanted[i]?.[1] ?? NaN, 6);
  });
};

/**
 * Factors: 60 min/h; 1 bar = 100 kPa; psi from the pound and the inch (1959); 1 mH2O = 9.80665 kPa;
 * US gallon 3.785411784 L.
 */
describe('pasted points', () => {
  test.each([
    ['plain', '1 1\n2 3.5\n4 12'],
    ['tabs', '1\t1\n2\t3.5\n4\t12'],
    ['semicolons and decimal commas', '1;1\n2;3,5\n4;12'],
    ['commas between', '1,1\n2,3.5\n4,12'],
    ['comma and blank', '1, 1\n2, 3.5\n4, 12'],
    ['decimal commas and blanks', '1,0 1,0\n2,0 3,5\n4,0 12,0'],
    ['units at each number', '1 L/min 1 kPa\n2 L/min 3.5 kPa\n4 L/min 12 kPa'],
    ['heading in L/h and mbar', 'Flow (L/h)\tDrop (mbar)\n60\t10\n120\t35\n240\t120'],
    ['heading with commas', 'L/h, mbar\n60, 10\n120, 35\n240, 120'],
    ['unsorted, blank lines, remarks', '# measured in March\n4 12\n\n1 1\n2 3.5'],
    ['L/h and mbar glued', '60L/h 10mbar\n120L/h 35mbar\n240L/h 120mbar'],
  ])('%s', (_, text) => {
    close(text);
  });

  test('gallons and psi by choice, metres of water by heading', () => {
    close('0.264172052358 0.145037737730', [[1, 1]], { x: 'gpm', y: 'psi' });
    close('L/min mH2O\n2 1', [[2, 9.80665]]);
    expect(parsePoints('L/h;mbar\n60;10', 'flow', 'pressure').units).toEqual({
      x: 'L/h',
      y: 'mbar',
    });
  });

  test('heads of pumps in metres, feet, kilopascals', () => {
    const { points } = parsePoints('gpm ft\n1 10\n2 5', 'flow', 'head');
    expect(points[0]?.[0]).toBeCloseTo(3.785411784, 9);
    expect(points[0]?.[1]).toBeCloseTo(3.048, 9);
  });

  test.each([
    ['1 1\nfoo\n2 3', 2, 'no numbers'],
    ['1 2 3', 1, 'two numbers are wanted, 3 are there'],
    ['1', 1, 'two numbers are wanted, 1 is there'],
    ['1 1\n1 2', 2, 'there already'],
    ['-1 2', 1, 'below 0'],
    ['1 furlong 2 kPa', 1, 'not a unit of flow'],
  ])('%j says line %i: %s', (text, line, message) => {
    const { troubles } = parsePoints(text, 'flow', 'pressure');
    expect(troubles[0]?.line).toBe(line);
    expect(troubles[0]?.message).toContain(message);
  });

  test('what can be read stands beside what cannot', () => {
    expect(parsePoints('1 1\nbad\n2 3', 'flow', 'pressure').points).toEqual([
      [1, 1],
      [2, 3],
    ]);
  });

  test('a flood of lines is refused, nothing throws', () => {
    expect(parsePoints('1 1\n'.repeat(600), 'flow', 'pressure').troubles[0]?.message).toContain(
      'at most 500',
    );
    for (const text of ['', '\t\t', ';;;', '1e999 2', '∞ 3', '<b>1</b> 2'])
      expect(() => parsePoints(text, 'flow', 'pressure')).not.toThrow();
  });
});
