import { LuDecomposition, Matrix } from 'ml-matrix';
import { add, cross, distance, dot, norm, scale, sub, unit, type Vec } from '../geometry';

/** An end that a tube is clamped in: where it begins, and the unit direction it leaves along. */
export interface Clamp {
  readonly at: Vec;
  readonly direction: Vec;
}

/** A flexible tube as it lies between two clamped ends when nothing else holds it. */
export interface ElasticCurve {
  /** Points of its middle line, from clamp to clamp, mm. */
  readonly points: readonly Vec[];
  /** Where it is bent the most, mm; infinite for a straight one. */
  readonly leastRadius_mm: number;
  /** All its turning, degrees. */
  readonly turning_deg: number;
  /** Force at its ends over its bending stiffness, 1/mm²: what holds it there. */
  readonly force: Vec;
}

/** Pieces of equal length, coarse first: each finer curve begins where the coarser one ended. */
const PIECES = [8, 16, 48] as const;
/** Newton's steps of one fineness, and the turn of a piece that one of them may make, radians. */
const MOST_STEPS = 200,
  LONGEST_STEP = 0.25;
/** Still, once no direction and no end is farther off than this share. */
const STILL = 1e-10;
/** A tube with less to spare than this share lies straight. */
const SLACK = 1e-7;
/** Ends that face each other to this, as 1 − cos. */
const FACING = 1e-6;
const DEGREES = 180 / Math.PI;

/**
 * The curve of least bending energy between two clamped ends at a given length: Euler's elastica,
 * in space, of a tube as stiff one way as the other and free to turn about itself. Of its several
 * solutions the one nearest to `as` is found: the way that a tube was laid.
 *
 * Pieces of equal length have one direction each; the energy is the sum of (difference)² between
 * neighbours over their distance. Directions and end force are found together by Newton's method on
 * the product of spheres.
 *
 * @param length_mm between the clamps along the tube
 * @param as points of a way from clamp to clamp to begin with
 * @returns null where the length does not reach
 * @see L. Euler, Methodus inveniendi lineas curvas (1744), Additamentum I; A. E. H. Love, A Treatise
 *   on the Mathematical Theory of Elasticity, ch. XIX
 */
export function elasticCurve(
  from: Clamp,
  to: Clamp,
  length_mm: number,
  as: readonly Vec[],
): ElasticCurve | null {
  const chord = sub(to.at, from.at),
    far = norm(chord);
  if (!(length_mm > 0) || far > length_mm * (1 + 1e-9)) return null;
  // Stretched out: no force is told from another.
  if (far > length_mm * (1 - SLACK)) return straight(from, to, unit(chord));
  // In units of the length.
  const goal = scale(chord, 1 / length_mm),
    into = scale(to.direction, -1);
  let state: State = { ways: directionsOf(as, PIECES[0]), force: [0, 0, 0] };
  for (const n of PIECES) {
    const { ways } = state;
    const finer = Array.from(
      { length: n },
      (_, i) => ways[Math.floor((i * ways.length) / n)] as Vec,
    );
    const settled = settle({ ...state, ways: finer }, from.direction, into, goal);
    if (settled === null) return null;
    state = settled;
  }
  return curveOf(from, into, state.ways, length_mm, scale(state.force, 1 / length_mm ** 2));
}

/** A tube that just reaches; null unless its ends face each other. */
function straight(from: Clamp, to: Clamp, way: Vec): ElasticCurve | null {
  const faces = dot(from.direction, way) > 1 - FACING && dot(to.direction, way) < FACING - 1;
  return faces
    ? { points: [from.at, to.at], leastRadius_mm: Infinity, turning_deg: 0, force: [0, 0, 0] }
    : null;
}

/** Directions of the pieces, and the force on the ends in units of stiffness over length². */
interface State {
  readonly ways: readonly Vec[];
  readonly force: Vec;
}

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];
/** Two unit vectors across a direction. */
function acrossOf(way: Vec): readonly [Vec, Vec] {
  const [x, y, z] = way.map(Math.abs) as [number, number, number];
  // The axis that it leans to the least.
  const other = AXES[[x, y, z].indexOf(Math.min(x, y, z))] as Vec;
  const u = unit(cross(way, other));
  return [u, cross(way, u)];
}

/** Newton's method until nothing moves; null where it does not come to rest. */
function settle(start: State, first: Vec, last: Vec, goal: Vec): State | null {
  let state = start;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const done = newtonStep(state, first, last, goal);
    if (done === null) return null;
    const { next, moved, off } = done;
    state = next;
    if (moved < STILL && off < STILL) return state;
  }
  return null;
}

/** Two numbers, and a block of two by two in rows. */
type Pair = readonly [number, number];
type Block = readonly [Pair, Pair];

/** What one piece asks of a step: its own block is `stiff` times one. */
interface Row {
  readonly stiff: number;
  /** To the next piece; nothing after the last. */
  readonly next: Block | null;
  /** Columns of the step: its own right side first, then its share in each part of the force. */
  readonly columns: readonly Pair[];
}

/**
 * One step. Unknown are two turns for each piece, about the directions across it, and the force:
 * the gradient along the spheres and what the ends are apart from the goal are to be nothing. Null
 * where no step is told from another.
 */
function newtonStep(
  { ways, force }: State,
  first: Vec,
  last: Vec,
  goal: Vec,
): { readonly next: State; readonly moved: number; readonly off: number } | null {
  const n = ways.length,
    h = 1 / n;
  // A clamp is half a piece from the middle of the first.
  const weight = (i: number): number => (i === 0 || i === n ? 2 : 1) / h;
  const wayAt = (i: number): Vec => ways[i] ?? (i < 0 ? first : last);
  const across = ways.map(acrossOf);
  const rows = ways.map((way, i): Row => {
    const [u, v] = across[i] as readonly [Vec, Vec];
    const pull = add(
      add(scale(wayAt(i - 1), weight(i)), scale(wayAt(i + 1), weight(i + 1))),
      scale(force, h),
    );
    const beside = across[i + 1];
    const to = (of: Vec): Pair =>
      beside ? [-weight(i + 1) * dot(of, beside[0]), -weight(i + 1) * dot(of, beside[1])] : [0, 0];
    return {
      stiff: dot(way, pull),
      next: beside ? [to(u), to(v)] : null,
      columns: [
        [dot(u, pull), dot(v, pull)],
        ...([0, 1, 2] as const).map((k): Pair => [-h * u[k], -h * v[k]]),
      ],
    };
  });
  const off = sub(goal, scale(ways.reduce(add, [0, 0, 0]), h));
  const solved = solvedRows(rows);
  const pushed = forceOf(rows, solved, off);
  if (pushed === null) return null;
  const turns = solved.map(([own, ...shares]): Pair => {
    const by = (a: 0 | 1): number =>
      shares.reduce((sum, share, k) => sum - share[a] * (pushed[k as 0] as number), own?.[a] ?? 0);
    return [by(0), by(1)];
  });
  const moved = Math.max(...turns.flat().map(Math.abs)),
    share = Math.min(1, LONGEST_STEP / Math.max(moved, 1e-300));
  return {
    next: {
      ways: ways.map((way, i) => {
        const [u, v] = across[i] as readonly [Vec, Vec],
          [a, b] = turns[i] as Pair;
        return unit(add(way, add(scale(u, share * a), scale(v, share * b))));
      }),
      force: add(force, scale(pushed, share)),
    },
    moved,
    off: norm(off),
  };
}

const times = ([[a, b], [c, d]]: Block, [x, y]: Pair): Pair => [a * x + b * y, c * x + d * y];
const transposed = ([[a, b], [c, d]]: Block): Block => [
  [a, c],
  [b, d],
];
const less = ([a, b]: Pair, [x, y]: Pair): Pair => [a - x, b - y];
function inverted([[a, b], [c, d]]: Block): Block {
  const by = a * d - b * c;
  return [
    [d / by, -b / by],
    [-c / by, a / by],
  ];
}

/** The columns of every row solved for its own two turns: a chain of blocks, there and back. */
function solvedRows(rows: readonly Row[]): readonly (readonly Pair[])[] {
  const inverses: Block[] = [],
    columns: (readonly Pair[])[] = [];
  rows.forEach(({ stiff, columns: own }, i) => {
    const before = rows[i - 1]?.next;
    let block: Block = [
        [stiff, 0],
        [0, stiff],
      ],
      mine = own;
    if (before) {
      const back = transposed(before),
        known = inverses[i - 1] as Block,
        [left, right] = back;
      const through = (of: Pair): Pair => times(back, times(known, of));
      // The columns of the block before are the rows of its transpose.
      const [x, y] = [through(left), through(right)];
      block = [
        [stiff - x[0], -y[0]],
        [-x[1], stiff - y[1]],
      ];
      mine = own.map((c, k) => less(c, through((columns[i - 1] as readonly Pair[])[k] as Pair)));
    }
    inverses.push(inverted(block));
    columns.push(mine);
  });
  const out: (readonly Pair[])[] = [];
  for (let i = rows.length - 1; i >= 0; i -= 1) {
    const to = rows[i]?.next,
      after = out[0];
    out.unshift(
      (columns[i] as readonly Pair[]).map((c, k) =>
        times(inverses[i] as Block, to && after ? less(c, times(to, after[k] as Pair)) : c),
      ),
    );
  }
  return out;
}

/** How much the force grows so that the ends come to their goal; null where that is not told. */
function forceOf(rows: readonly Row[], solved: readonly (readonly Pair[])[], off: Vec): Vec | null {
  const sumOf = (k: number, column: number): number =>
    rows.reduce((sum, { columns }, i) => {
      const [a, b] = columns[k + 1] as Pair,
        [x, y] = solved[i]?.[column] as Pair;
      return sum + a * x + b * y;
    }, 0);
  const left = new Matrix([0, 1, 2].map((k) => [0, 1, 2].map((j) => sumOf(k, j + 1))));
  const right = Matrix.columnVector([0, 1, 2].map((k) => sumOf(k, 0) + (off[k as 0] as number)));
  const factors = new LuDecomposition(left);
  return factors.isSingular() ? null : (factors.solve(right).to1DArray() as unknown as Vec);
}

/** Directions of pieces of equal length along a way. */
function directionsOf(points: readonly Vec[], n: number): Vec[] {
  const ends = points
    .slice(1)
    .reduce<number[]>(
      (sums, p, i) => [...sums, (sums.at(-1) ?? 0) + distance(p, points[i] as Vec)],
      [],
    );
  const whole = ends.at(-1) ?? 0;
  return Array.from({ length: n }, (_, i) => {
    const at = ((i + 0.5) / n) * whole,
      k = Math.max(
        0,
        ends.findIndex((end) => end >= at),
      );
    return unit(sub(points[k + 1] as Vec, points[k] as Vec));
  });
}

function curveOf(
  from: Clamp,
  last: Vec,
  ways: readonly Vec[],
  length_mm: number,
  force: Vec,
): ElasticCurve {
  const h = length_mm / ways.length;
  const points = ways.reduce<Vec[]>(
    (line, way) => [...line, add(line.at(-1) as Vec, scale(way, h))],
    [from.at],
  );
  const turns = [from.direction, ...ways].map((way, i): number => {
    const next = ways[i] ?? last;
    return Math.atan2(norm(cross(way, next)), dot(way, next));
  });
  // At a clamp the neighbours are half a piece apart.
  const radii = turns.map((turn, i) => (i === 0 || i === ways.length ? h / 2 : h) / turn);
  return {
    points,
    leastRadius_mm: Math.min(...radii),
    turning_deg: turns.reduce((sum, turn) => sum + turn, 0) * DEGREES,
    force,
  };
}
