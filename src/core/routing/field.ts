import type { Obstacle } from './workspace';

type Lines = readonly [readonly number[], readonly number[], readonly number[]];

/**
 * An end to measure to: its lines, the axis and sense a tube arrives by, how far beside its line a
 * sidestep may set out, mm, and what it costs.
 */
export interface FieldEnd {
  readonly at: readonly [number, number, number];
  readonly axis: 0 | 1 | 2;
  readonly sense: 1 | -1;
  readonly side_mm: number;
  readonly cost: number;
}

/**
 * Distances along the lines, by line number: the way round what is closed, bends and corners not
 * counted.
 */
export interface Field {
  at(i: number, j: number, k: number): number;
}

const EPS = 1e-6;
/**
 * Rounds of sweeps; each carries distances round one more corner of what is closed. A field cut
 * short is too high somewhere, so it never is.
 */
const MOST_ROUNDS = 200;
/** Ways to go over three axes, forth or back along each. */
const ORDERS = 8;

/**
 * Least distance from every crossing of the lines to the nearest end along the lines, past
 * crossings that lie inside something closed. Never more than the least legs of a tube that bends
 * on the lines: what passes between two crossings is not looked at. A toll is paid once, where the
 * way enters its block. Gauss–Seidel sweeps in eight orders until nothing changes (fast sweeping;
 * Zhao 2005), exact for distances along the axes.
 */
export function distanceField(
  lines: Lines,
  blocks: readonly Obstacle[],
  ends: readonly FieldEnd[],
): Field {
  const [nx, ny, nz] = lines.map((l) => l.length) as [number, number, number],
    step = [ny * nz, nz, 1] as const;
  const closed = new Uint8Array(nx * ny * nz),
    dist = new Float64Array(nx * ny * nz).fill(Infinity);
  // What entering a block costs on the way to a neighbour, by axis: to the next line, and to the
  // one before. Only where there are tolls.
  let onward: readonly Float64Array[] | null = null,
    backward: readonly Float64Array[] | null = null;
  for (const b of blocks) {
    const [x, y, z] = ([0, 1, 2] as const).map((a) => {
      const l = lines[a];
      let from = 0,
        to = l.length;
      while (from < to && (l[from] as number) <= b.min[a] + EPS) from += 1;
      while (to > from && (l[to - 1] as number) >= b.max[a] - EPS) to -= 1;
      return [from, to] as const;
    }) as [readonly [number, number], readonly [number, number], readonly [number, number]];
    if (b.penalty !== Infinity) {
      onward ??= step.map(() => new Float64Array(closed.length));
      backward ??= step.map(() => new Float64Array(closed.length));
      payAtFaces(onward, backward, [x, y, z], step, [nx, ny, nz], b.penalty);
      continue;
    }
    for (let i = x[0]; i < x[1]; i += 1)
      for (let j = y[0]; j < y[1]; j += 1) {
        const row = i * step[0] + j * step[1];
        closed.fill(1, row + z[0], row + Math.max(z[0], z[1]));
      }
  }
  for (const e of ends) seed(lines, step, closed, dist, e);
  const [lx, ly, lz] = lines;
  // The sweep in which a row changed last, and in which each order went over it last: a row whose
  // neighbours and itself are as that order left them has nothing new to hear.
  const rows = nx * ny,
    changedAt = new Int32Array(rows),
    sweptAt = new Int32Array(ORDERS * rows).fill(-1);
  for (let sweep = 1, still = 0; still < ORDERS && sweep <= ORDERS * MOST_ROUNDS; sweep += 1) {
    let changed = false;
    const order = sweep % ORDERS,
      swept = order * rows;
    const fx = (order & 1) === 0,
      fy = (order & 2) === 0,
      fz = (order & 4) === 0;
    // A place takes its distance from the neighbour the sweep comes from: the way goes there.
    const tollX = (fx ? backward : onward)?.[0],
      tollY = (fy ? backward : onward)?.[1],
      tollZ = (fz ? backward : onward)?.[2];
    for (let a = 0; a < nx; a += 1) {
      const i = fx ? a : nx - 1 - a,
        before = fx ? i - 1 : i + 1,
        dx = before >= 0 && before < nx ? Math.abs((lx[i] as number) - (lx[before] as number)) : -1;
      for (let b = 0; b < ny; b += 1) {
        const j = fy ? b : ny - 1 - b,
          beside = fy ? j - 1 : j + 1,
          dy =
            beside >= 0 && beside < ny ? Math.abs((ly[j] as number) - (ly[beside] as number)) : -1;
        const own = i * ny + j,
          last = sweptAt[swept + own] as number,
          ownX = dx >= 0 ? before * ny + j : own,
          ownY = dy >= 0 ? i * ny + beside : own;
        if (
          (changedAt[own] as number) <= last &&
          (changedAt[ownX] as number) <= last &&
          (changedAt[ownY] as number) <= last
        )
          continue;
        sweptAt[swept + own] = sweep;
        const row = i * step[0] + j * step[1],
          rowX = row + (before - i) * step[0],
          rowY = row + (beside - j) * step[1];
        for (let c = 0; c < nz; c += 1) {
          const k = fz ? c : nz - 1 - c,
            cell = row + k;
          if (closed[cell] === 1) continue;
          let d = dist[cell] as number;
          if (dx >= 0) {
            const v = (dist[rowX + k] as number) + dx + (tollX ? (tollX[cell] as number) : 0);
            if (v < d) d = v;
          }
          if (dy >= 0) {
            const v = (dist[rowY + k] as number) + dy + (tollY ? (tollY[cell] as number) : 0);
            if (v < d) d = v;
          }
          const under = fz ? k - 1 : k + 1;
          if (under >= 0 && under < nz) {
            const v =
              (dist[row + under] as number) +
              Math.abs((lz[k] as number) - (lz[under] as number)) +
              (tollZ ? (tollZ[cell] as number) : 0);
            if (v < d) d = v;
          }
          if (d < (dist[cell] as number) - 1e-9) {
            dist[cell] = d;
            changedAt[own] = sweep;
            changed = true;
          }
        }
      }
    }
    still = changed ? 0 : still + 1;
  }
  return { at: (i, j, k) => dist[i * step[0] + j * step[1] + k] ?? Infinity };
}

/** A block's toll on every step over one of its faces from outside. */
function payAtFaces(
  onward: readonly Float64Array[],
  backward: readonly Float64Array[],
  inside: readonly (readonly [number, number])[],
  step: readonly [number, number, number],
  size: readonly [number, number, number],
  penalty: number,
): void {
  for (const axis of [0, 1, 2] as const) {
    const [u, v] = ([0, 1, 2] as const).filter((i) => i !== axis) as [0 | 1 | 2, 0 | 1 | 2],
      [from, to] = inside[axis] as readonly [number, number];
    if (to <= from) return;
    const pay = (list: Float64Array | undefined, n: number): void => {
      if (!list || n < 0 || n >= size[axis]) return;
      for (let i = inside[u]![0]; i < inside[u]![1]; i += 1)
        for (let j = inside[v]![0]; j < inside[v]![1]; j += 1) {
          const cell = n * step[axis] + i * step[u] + j * step[v];
          list[cell] = (list[cell] as number) + penalty;
        }
    };
    pay(onward[axis], from - 1);
    pay(backward[axis], to);
  }
}

/**
 * The end itself, and every crossing beside or on its line that a sidestep may set out from: as far
 * back as either line is open.
 */
function seed(
  lines: Lines,
  step: readonly [number, number, number],
  closed: Uint8Array,
  dist: Float64Array,
  { at, axis, sense, side_mm, cost }: FieldEnd,
): void {
  const [u, v] = ([0, 1, 2] as const).filter((i) => i !== axis) as [0 | 1 | 2, 0 | 1 | 2],
    line = lines[axis],
    end = at[axis],
    home = at[u] * step[u] + at[v] * step[v];
  const beside = (i: 0 | 1 | 2): readonly { readonly n: number; readonly d: number }[] =>
    lines[i].flatMap((x, n) => {
      const d = Math.abs(x - (lines[i][at[i]] as number));
      return d <= side_mm ? [{ n, d }] : [];
    });
  for (const p of beside(u))
    for (const q of beside(v)) {
      if (Math.hypot(p.d, q.d) > side_mm) continue;
      const own = p.n * step[u] + q.n * step[v];
      for (let n = end; n >= 0 && n < line.length; n -= sense) {
        const here = own + n * step[axis];
        if (closed[here] === 1 && closed[home + n * step[axis]] === 1) break;
        const d = Math.abs((line[end] as number) - (line[n] as number)) + cost;
        if (closed[here] === 0 && d < (dist[here] as number)) dist[here] = d;
      }
    }
}
