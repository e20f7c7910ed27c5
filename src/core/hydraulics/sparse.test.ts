import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Matrix, solve as solveDense } from 'ml-matrix';
import { sparseSystem } from './sparse';

/** A network of conductances: who is tied to whom, by how much, and what each is tied to ground by. */
interface Ties {
  readonly n: number;
  readonly pairs: readonly (readonly [number, number, number])[];
  readonly ground: readonly number[];
  readonly right: readonly number[];
}

const conductance = fc.double({ min: 0.01, max: 100, noNaN: true });
const ties = fc.integer({ min: 1, max: 14 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    pairs: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), conductance), { maxLength: 40 }),
    ground: fc.array(conductance, { minLength: n, maxLength: n }),
    right: fc.array(fc.double({ min: -50, max: 50, noNaN: true }), {
      minLength: n,
      maxLength: n,
    }),
  }),
);

/** The solution by our lists of places, by unknown. */
function bySparse({ n, pairs, ground, right }: Ties): readonly number[] | null {
  const real = pairs.filter(([i, j]) => i !== j);
  const system = sparseSystem(
    n,
    real.map(([i, j]) => [i, j] as const),
  );
  const values = new Float64Array(system.size),
    sides = new Float64Array(n),
    solution = new Float64Array(n);
  const add = (list: Float64Array, at: number, v: number): void => {
    list[at] = (list[at] as number) + v;
  };
  ground.forEach((g, i) => add(values, system.place(i), g));
  for (const [i, j, g] of real) {
    add(values, system.place(i), g);
    add(values, system.place(j), g);
    add(values, system.pair(i, j), -g);
  }
  right.forEach((v, i) => add(sides, system.place(i), v));
  if (!system.solve(values, sides, solution)) return null;
  return Array.from({ length: n }, (_, i) => solution[system.place(i)] as number);
}

/** The same by another library's LU of the full matrix. */
function byDense({ n, pairs, ground, right }: Ties): readonly number[] {
  const full = Matrix.zeros(n, n);
  const add = (i: number, j: number, v: number): void => {
    full.set(i, j, full.get(i, j) + v);
  };
  ground.forEach((g, i) => add(i, i, g));
  for (const [i, j, g] of pairs) {
    if (i === j) continue;
    add(i, i, g);
    add(j, j, g);
    add(i, j, -g);
    add(j, i, -g);
  }
  return solveDense(full, Matrix.columnVector([...right])).to1DArray();
}

/** Against ml-matrix, whose LU knows nothing of what is empty. */
describe('equations with few entries', () => {
  test('are solved as a full matrix is, whatever is tied to whom', () => {
    fc.assert(
      fc.property(ties, (t) => {
        const ours = bySparse(t),
          theirs = byDense(t);
        expect(ours).not.toBeNull();
        theirs.forEach((v, i) => {
          const most = Math.max(1, ...theirs.map(Math.abs));
          expect(Math.abs((ours?.[i] ?? NaN) - v)).toBeLessThanOrEqual(1e-9 * most);
        });
      }),
      { numRuns: 300, seed: 5 },
    );
  });

  test('every unknown has a place of its own, every pair one past them', () => {
    const pairs = [
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 0],
    ] as const;
    const system = sparseSystem(4, pairs);
    const places = [0, 1, 2, 3].map((i) => system.place(i));
    expect([...places].sort()).toEqual([0, 1, 2, 3]);
    const at = pairs.map(([i, j]) => system.pair(i, j));
    expect(new Set(at).size).toBe(4);
    for (const k of at) {
      expect(k).toBeGreaterThanOrEqual(4);
      expect(k).toBeLessThan(system.size);
    }
    expect(system.pair(1, 0)).toBe(system.pair(0, 1));
    // A ring of four ties its far corners once one is taken out: one place more.
    expect(system.size).toBe(4 + 4 + 1);
  });

  test('a pair that was not announced has no place', () => {
    const system = sparseSystem(3, [[0, 1]]);
    expect(() => system.pair(0, 2)).toThrow(RangeError);
  });

  test('without a way to ground there is no answer: said, not guessed', () => {
    const system = sparseSystem(2, [[0, 1]]);
    const values = new Float64Array(system.size);
    values[system.place(0)] = 1;
    values[system.place(1)] = 1;
    values[system.pair(0, 1)] = -1;
    expect(system.solve(values, Float64Array.of(1, -1), new Float64Array(2))).toBe(false);
  });
});
