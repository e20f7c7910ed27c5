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

/** Newton's method until nothing moves; null where it does not come to rest. */
function settle(start: State, first: Vec, last: Vec, goal: Vec): State | null {
  const chain = chainOf(start);
  for (let step = 0; step < MOST_STEPS; step += 1) {
    setRows(chain, first, last);
    solveRows(chain);
    const off = offGoal(chain, goal);
    const moved = turnAll(chain, off);
    if (moved === null) return null;
    if (moved < STILL && norm(off) < STILL) return stateOf(chain);
  }
  return null;
}

/** Numbers in a row of the system: own right side, then its share in each part of the force. */
const COLUMNS = 4;

/**
 * The system of one fineness, in flat arrays: of each piece its direction, two unit vectors across
 * it, and what it asks of a step. Unknown are its two turns, about the directions across it, and
 * the force on the ends. Its own block of the matrix is `stiff` times one.
 */
interface Chain {
  readonly n: number;
  readonly force: Float64Array;
  /** Three numbers a piece. */
  readonly ways: Float64Array;
  readonly across: readonly [u: Float64Array, v: Float64Array];
  /** One number a piece. */
  readonly stiff: Float64Array;
  /** Two by two a piece, in rows: to the next piece. */
  readonly next: Float64Array;
  /** Two by `COLUMNS` a piece: what is asked, and the same solved. */
  readonly asked: Float64Array;
  readonly solved: Float64Array;
  /** Two by two a piece: inverses of the blocks on the way there. */
  readonly inverse: Float64Array;
}

function chainOf({ ways, force }: State): Chain {
  const n = ways.length;
  return {
    n,
    force: Float64Array.from(force),
    ways: Float64Array.from(ways.flat()),
    across: [new Float64Array(3 * n), new Float64Array(3 * n)],
    stiff: new Float64Array(n),
    next: new Float64Array(4 * n),
    asked: new Float64Array(2 * COLUMNS * n),
    solved: new Float64Array(2 * COLUMNS * n),
    inverse: new Float64Array(4 * n),
  };
}

function stateOf({ n, ways, force }: Chain): State {
  const vec = (of: Float64Array, k: number): Vec =>
    [of[3 * k], of[3 * k + 1], of[3 * k + 2]] as unknown as Vec;
  return { ways: Array.from({ length: n }, (_, i) => vec(ways, i)), force: vec(force, 0) };
}

const dotAt = (a: ArrayLike<number>, i: number, b: ArrayLike<number>, j: number): number =>
  a[3 * i]! * b[3 * j]! + a[3 * i + 1]! * b[3 * j + 1]! + a[3 * i + 2]! * b[3 * j + 2]!;

const AXES: readonly Vec[] = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];
/** Two unit vectors across each direction. */
function setAcross({ n, ways, across: [u, v] }: Chain): void {
  for (let i = 0; i < n; i += 1) {
    const way = [ways[3 * i]!, ways[3 * i + 1]!, ways[3 * i + 2]!] as const;
    const lean = way.map(Math.abs);
    // The axis that it leans to the least.
    const beside = unit(cross(way, AXES[lean.indexOf(Math.min(...lean))] as Vec));
    u.set(beside, 3 * i);
    v.set(cross(way, beside), 3 * i);
  }
}

/** What each piece asks: the gradient along the spheres, and how it changes with turns and force. */
function setRows(chain: Chain, first: Vec, last: Vec): void {
  const { n, force, ways, across, stiff, next, asked } = chain,
    h = 1 / n;
  setAcross(chain);
  // A clamp is half a piece from the middle of the first.
  const weight = (i: number): number => (i === 0 || i === n ? 2 : 1) / h;
  const pull = new Float64Array(3);
  for (let i = 0; i < n; i += 1) {
    const before = weight(i),
      after = weight(i + 1);
    for (let k = 0; k < 3; k += 1) {
      const behind = i === 0 ? first[k as 0] : ways[3 * (i - 1) + k]!,
        ahead = i === n - 1 ? last[k as 0] : ways[3 * (i + 1) + k]!;
      pull[k] = before * behind + after * ahead + h * force[k]!;
    }
    stiff[i] = dotAt(ways, i, pull, 0);
    for (let a = 0; a < 2; a += 1) {
      const own = across[a as 0],
        row = (2 * i + a) * COLUMNS;
      asked[row] = dotAt(own, i, pull, 0);
      for (let k = 0; k < 3; k += 1) asked[row + 1 + k] = -h * own[3 * i + k]!;
      for (let b = 0; b < 2; b += 1)
        next[4 * i + 2 * a + b] = i === n - 1 ? 0 : -after * dotAt(own, i, across[b as 0], i + 1);
    }
  }
}

/** The columns of every row solved for its own two turns: a chain of blocks, there and back. */
function solveRows(chain: Chain): void {
  chain.solved.set(chain.asked);
  for (let i = 0; i < chain.n; i += 1) eliminate(chain, i);
  for (let i = chain.n - 1; i >= 0; i -= 1) putBack(chain, i);
}

/** Takes what joins a piece to the one before out of its row, and inverts its block. */
function eliminate({ stiff, next, solved, inverse }: Chain, i: number): void {
  let a = stiff[i]!,
    b = 0,
    c = 0,
    d = a;
  if (i > 0) {
    const at = 4 * (i - 1);
    const e = next[at]!,
      f = next[at + 1]!,
      g = next[at + 2]!,
      k = next[at + 3]!;
    const p = inverse[at]!,
      q = inverse[at + 1]!,
      r = inverse[at + 2]!,
      s = inverse[at + 3]!;
    // What joins them, turned round, by the inverse of the block before.
    const w = e * p + g * r,
      x = e * q + g * s,
      y = f * p + k * r,
      z = f * q + k * s;
    a -= w * e + x * g;
    b -= w * f + x * k;
    c -= y * e + z * g;
    d -= y * f + z * k;
    const own = 2 * COLUMNS * i;
    for (let col = own; col < own + COLUMNS; col += 1) {
      const up = solved[col - 2 * COLUMNS]!,
        down = solved[col - COLUMNS]!;
      solved[col]! -= w * up + x * down;
      solved[col + COLUMNS]! -= y * up + z * down;
    }
  }
  const by = 1 / (a * d - b * c);
  inverse[4 * i] = d * by;
  inverse[4 * i + 1] = -b * by;
  inverse[4 * i + 2] = -c * by;
  inverse[4 * i + 3] = a * by;
}

/** Puts what is known of the piece after into its row. */
function putBack({ n, next, solved, inverse }: Chain, i: number): void {
  const at = 4 * i,
    own = 2 * COLUMNS * i;
  for (let col = own; col < own + COLUMNS; col += 1) {
    const up = i === n - 1 ? 0 : solved[col + 2 * COLUMNS]!,
      down = i === n - 1 ? 0 : solved[col + 3 * COLUMNS]!;
    const x = solved[col]! - next[at]! * up - next[at + 1]! * down,
      y = solved[col + COLUMNS]! - next[at + 2]! * up - next[at + 3]! * down;
    solved[col] = inverse[at]! * x + inverse[at + 1]! * y;
    solved[col + COLUMNS] = inverse[at + 2]! * x + inverse[at + 3]! * y;
  }
}

/** What the end is short of its goal, in lengths. */
function offGoal({ n, ways }: Chain, goal: Vec): Vec {
  const at = (k: number): number => {
    let sum = 0;
    for (let i = 0; i < n; i += 1) sum += ways[3 * i + k]!;
    return goal[k as 0] - sum / n;
  };
  return [at(0), at(1), at(2)];
}

/** How much the force grows so that the ends come to their goal; null where that is not told. */
function forceGrown({ asked, solved }: Chain, off: Vec): Vec | null {
  const sumOf = (k: number, column: number): number => {
    let sum = 0;
    for (let row = 0; row < asked.length; row += COLUMNS)
      sum += asked[row + k + 1]! * solved[row + column]!;
    return sum;
  };
  const column = (j: number): Vec => [sumOf(0, j), sumOf(1, j), sumOf(2, j)];
  return solved3([column(1), column(2), column(3)], add(column(0), off));
}

/** Three equations by Cramer's rule, from their columns; null where they do not tell. */
function solved3([a, b, c]: readonly [Vec, Vec, Vec], right: Vec): Vec | null {
  const bc = cross(b, c),
    size = dot(a, bc);
  if (!(Math.abs(size) > SINGULAR * norm(a) * norm(b) * norm(c))) return null;
  return [dot(right, bc) / size, dot(a, cross(right, c)) / size, dot(a, cross(b, right)) / size];
}
const SINGULAR = 1e-12;

/** Turns every piece and lets the force grow; how far the farthest would turn, or null where no step is told. */
function turnAll(chain: Chain, off: Vec): number | null {
  const { n, force, ways, across, solved } = chain;
  const pushed = forceGrown(chain, off);
  if (pushed === null) return null;
  const turnOf = (row: number): number =>
    solved[row]! -
    solved[row + 1]! * pushed[0] -
    solved[row + 2]! * pushed[1] -
    solved[row + 3]! * pushed[2];
  let moved = 0;
  for (let row = 0; row < solved.length; row += COLUMNS) {
    // Where a piece is pressed as hard as it can stand, no turn of it is told from another.
    if (!Number.isFinite(turnOf(row))) return null;
    moved = Math.max(moved, Math.abs(turnOf(row)));
  }
  const share = Math.min(1, LONGEST_STEP / Math.max(moved, 1e-300));
  for (let i = 0; i < n; i += 1) {
    const a = share * turnOf(2 * i * COLUMNS),
      b = share * turnOf((2 * i + 1) * COLUMNS);
    const turned = [0, 1, 2].map(
      (k) => ways[3 * i + k]! + a * across[0][3 * i + k]! + b * across[1][3 * i + k]!,
    ) as unknown as Vec;
    ways.set(unit(turned), 3 * i);
  }
  for (let k = 0; k < 3; k += 1) force[k]! += share * pushed[k as 0];
  return moved;
}

/** Directions of pieces of equal length along a way. */
function directionsOf(points: readonly Vec[], n: number): Vec[] {
  const ends: number[] = [];
  let whole = 0;
  for (let i = 1; i < points.length; i += 1)
    ends.push((whole += distance(points[i] as Vec, points[i - 1] as Vec)));
  return Array.from({ length: n }, (_, i) => {
    const at = ((i + 0.5) / n) * whole;
    const k = Math.max(
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
