/** Forty runs of hard tube between ports strewn about a large box: more than any machine has. */
import { drawn } from '../src/catalogue/drawn.fixture';
import { compileSystem, type System } from '../src/core/system';

const RUNS = 40,
  WIDE = 30,
  HIGH = 20,
  DEEP = 8,
  WAYS = '><^v';

export function fortyRuns(): System {
  let seed = 7;
  // A linear congruence (Numerical Recipes, from memory): the same box every time.
  const next = (): number => {
    seed = (seed * 1664525 + 1013904223) % 2 ** 32;
    return seed / 2 ** 32;
  };
  const cells = Array.from({ length: DEEP }, () =>
    Array.from({ length: HIGH }, () => Array.from({ length: WIDE }, () => '.')),
  );
  const around = (v: number): readonly number[] => [v - 1, v, v + 1];
  const isFree = (x: number, y: number, z: number): boolean =>
    around(z).every((k) =>
      around(y).every((j) => around(x).every((i) => cells[k]?.[j]?.[i] === '.')),
    );
  type Place = readonly [number, number, number];
  const put = (name: string, near: Place | null): Place => {
    for (;;) {
      const at = (of: number, from: number | undefined, reach: number): number =>
        from === undefined
          ? 1 + Math.floor(next() * (of - 2))
          : from + Math.floor(next() * (2 * reach + 1)) - reach;
      const x = at(WIDE, near?.[0], 6),
        y = at(HIGH, near?.[1], 6),
        z = at(DEEP, near?.[2], 2);
      if (!isFree(x, y, z)) continue;
      const row = cells[z]?.[y] as string[];
      row[x] = name + (WAYS[Math.floor(next() * WAYS.length)] ?? '>');
      return [x, y, z];
    }
  };
  const names = Array.from({ length: 2 * RUNS }, (_, i) => String.fromCharCode(0x4e00 + i));
  const pairs = Array.from({ length: RUNS }, (_, i) => {
    const [from = '', to = ''] = names.slice(2 * i, 2 * i + 2);
    put(to, put(from, null));
    return from + to;
  });
  const lines = Array.from({ length: HIGH }, (_, y) =>
    cells.map((layer) => (layer[y] as readonly string[]).join(' ')).join(' | '),
  );
  return compileSystem(drawn(lines.join('\n'), pairs.join(' ')));
}
