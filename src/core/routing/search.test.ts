import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distanceField } from './field';
import { cheapestPath, type Problem } from '.';

/** A maze drawn as text: S start, E end, # wall. Steps cost 1, and a turn as much as asked. */
function maze(
  rows: readonly string[],
  turn: number,
  bounded = true,
): Problem<{ x: number; y: number; d: number }> {
  const find = (c: string): readonly [number, number] => {
    const y = rows.findIndex((r) => r.includes(c));
    return [(rows[y] as string).indexOf(c), y];
  };
  const [sx, sy] = find('S'),
    [ex, ey] = find('E');
  const WAYS = [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ] as const;
  return {
    starts: [{ state: { x: sx, y: sy, d: -1 }, cost: 0 }],
    key: (s) => `${s.x},${s.y},${s.d}`,
    done: (s) => s.x === ex && s.y === ey,
    next: (s, tell) =>
      WAYS.forEach(([dx, dy], d) => {
        const x = s.x + dx,
          y = s.y + dy;
        if ((rows[y]?.[x] ?? '#') !== '#')
          tell({ x, y, d }, 1 + (s.d >= 0 && s.d !== d ? turn : 0));
      }),
    bound: (s) => (bounded ? Math.abs(s.x - ex) + Math.abs(s.y - ey) : 0),
  };
}

describe('the cheapest path', () => {
  test.each([
    ['straight on', ['S....E'], 0, 5],
    ['round a wall: 3 down, 2 across, 3 up', ['S#E', '.#.', '.#.', '...'], 0, 8],
    ['shorter with more turns while turns are free', ['S.#..', '#...#', '....E'], 0, 6],
    ['a corner counts', ['S..', '..#', '..E'], 10, 4 + 10],
  ])('%s', (_, rows, turn, cost) => {
    expect(cheapestPath(maze(rows, turn))?.cost).toBe(cost);
  });

  test('no way is null, and so is giving up', () => {
    expect(cheapestPath(maze(['S#E'], 0))).toBeNull();
    expect(cheapestPath(maze(['S.........E', '...........'], 0), 2)).toBeNull();
  });

  /** Against the same search without a bound, which is Dijkstra's (1959). */
  test('as cheap as without the bound, on random mazes; weighted, never dearer than its weight', () => {
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: 64, maxLength: 64 }),
        fc.integer({ min: 0, max: 4 }),
        (walls, turn) => {
          const rows = Array.from({ length: 8 }, (_, y) =>
            Array.from({ length: 8 }, (_, x) => {
              if (x === 0 && y === 0) return 'S';
              if (x === 7 && y === 7) return 'E';
              if (walls[8 * y + x] && (x + 2 * y) % 3 !== 0) return '#';
              return '.';
            }).join(''),
          );
          const plain = cheapestPath(maze(rows, turn, false)),
            found = cheapestPath(maze(rows, turn)),
            weighted = cheapestPath(maze(rows, turn), undefined, 1.15);
          expect(found?.cost ?? null).toBe(plain?.cost ?? null);
          if (found && weighted)
            expect(weighted.cost).toBeLessThanOrEqual(1.15 * found.cost + 1e-9);
          if (found && plain) expect(found.expanded).toBeLessThanOrEqual(plain.expanded);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('twice the same', () => {
    const rows = ['S......', '.##.##.', '.......', '.##.##.', '......E'];
    expect(cheapestPath(maze(rows, 1))?.path).toEqual(cheapestPath(maze(rows, 1))?.path);
  });
});

describe('the distance round what is closed', () => {
  const lines = [0, 1, 2].map(() => Array.from({ length: 7 }, (_, i) => 10 * i)) as unknown as [
    number[],
    number[],
    number[],
  ];
  const box = fc.record({
    x: fc.integer({ min: 0, max: 6 }),
    y: fc.integer({ min: 0, max: 6 }),
    z: fc.integer({ min: 0, max: 6 }),
    w: fc.integer({ min: 1, max: 4 }),
    h: fc.integer({ min: 1, max: 7 }),
    d: fc.integer({ min: 1, max: 7 }),
  });
  /** Against Dijkstra's (1959) on the same crossings. */
  test('is the shortest way along the lines, everywhere', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 4 }), (boxes) => {
        const blocks = boxes.map((b, i) => ({
          id: `b${i}`,
          penalty: Infinity,
          min: [10 * b.x - 5, 10 * b.y - 5, 10 * b.z - 5] as const,
          max: [10 * (b.x + b.w) - 5, 10 * (b.y + b.h) - 5, 10 * (b.z + b.d) - 5] as const,
        }));
        const closed = (p: readonly number[]): boolean =>
          blocks.some((b) =>
            p.every((v, i) => 10 * v > (b.min[i] as number) && 10 * v < (b.max[i] as number)),
          );
        const field = distanceField(lines, blocks, [
          { at: [3, 3, 3], axis: 0, sense: 1, side_mm: 0, cost: 0 },
        ]);
        if (closed([3, 3, 3])) return;
        for (const goal of [
          [0, 0, 0],
          [6, 6, 6],
          [0, 6, 3],
          [3, 3, 0],
        ] as const) {
          if (closed(goal)) continue;
          const way = cheapestPath<readonly number[]>({
            starts: [{ state: goal, cost: 0 }],
            key: (s) => s.join(),
            done: (s) => s.join() === '3,3,3',
            bound: () => 0,
            next: (s, tell) => {
              for (let i = 0; i < 3; i += 1)
                for (const d of [-1, 1]) {
                  const n = s.map((v, k) => (k === i ? v + d : v));
                  if (n.every((v) => v >= 0 && v < 7) && !closed(n)) tell(n, 10);
                }
            },
          });
          expect(field.at(goal[0], goal[1], goal[2])).toBe(way?.cost ?? Infinity);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('a sidestep may set out from beside the line: as far back as one of the two is open', () => {
    const open = distanceField(
      lines,
      [],
      [{ at: [6, 3, 3], axis: 0, sense: 1, side_mm: 12, cost: 5 }],
    );
    expect(open.at(0, 3, 3)).toBe(65);
    expect(open.at(0, 4, 3)).toBe(65);
    expect(open.at(0, 5, 3)).toBe(75);
    const walled = distanceField(
      lines,
      [{ id: 'wall', penalty: Infinity, min: [25, -5, -5], max: [35, 65, 65] }],
      [{ at: [6, 3, 3], axis: 0, sense: 1, side_mm: 12, cost: 0 }],
    );
    expect(walled.at(0, 3, 3)).toBe(Infinity);
  });
});
