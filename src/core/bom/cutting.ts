/** A piece to be cut, mm. */
export interface CutPiece {
  readonly id: string;
  readonly length_mm: number;
}
/** One stick and what is cut from it, longest first. */
export interface CutStick {
  readonly pieces: readonly CutPiece[];
  readonly left_mm: number;
}
export interface CutPlan {
  readonly sticks: readonly CutStick[];
  /** Pieces longer than a stick: they cannot be made of one. */
  readonly tooLong: readonly CutPiece[];
  /** Whether no plan with fewer sticks exists. */
  readonly proven: boolean;
}

/** Partial plans looked at before the best found is taken as it is. */
const MOST_NODES = 200_000;
const EPS = 1e-9;

/**
 * The fewest sticks for these pieces; n pieces from a stick cost n − 1 kerfs. Branch and bound over
 * the pieces, longest first, with equal loads tried once (Martello & Toth 1990, ch. 8: bin packing
 * is cutting stock with each piece wanted once); a kerf is added to each piece and to the stick,
 * which makes it plain bin packing. `proven` is false when the search was cut short above the lower
 * bound.
 */
export function cutPlan(pieces: readonly CutPiece[], stick_mm: number, kerf_mm: number): CutPlan {
  const tooLong = pieces.filter((p) => p.length_mm > stick_mm + EPS),
    room = stick_mm + kerf_mm;
  const list = pieces
    .filter((p) => p.length_mm <= stick_mm + EPS)
    .sort((a, b) => b.length_mm - a.length_mm || a.id.localeCompare(b.id));
  const size = list.map((p) => p.length_mm + kerf_mm);
  const bound = lowerBound(size, room);
  let best = firstFit(size, room),
    nodes = 0,
    cut = false;
  const load: number[] = [],
    at: number[] = [];
  const rest = size.map((_, i) => size.slice(i).reduce((a, b) => a + b, 0));
  const go = (i: number): void => {
    if (best.count <= bound || cut) return;
    if ((nodes += 1) > MOST_NODES) {
      cut = true;
      return;
    }
    if (i === size.length) {
      if (load.length < best.count) best = { count: load.length, at: [...at] };
      return;
    }
    const free = load.reduce((s, l) => s + (room - l), 0),
      more = Math.ceil(((rest[i] as number) - free) / room - EPS);
    if (load.length + Math.max(0, more) >= best.count) return;
    const tried = new Set<number>(),
      s = size[i] as number;
    for (let k = 0; k < load.length; k += 1) {
      const l = load[k] as number,
        key = Math.round(l * 1e6);
      if (l + s > room + EPS || tried.has(key)) continue;
      tried.add(key);
      load[k] = l + s;
      at[i] = k;
      go(i + 1);
      load[k] = l;
    }
    if (load.length + 1 < best.count) {
      load.push(s);
      at[i] = load.length - 1;
      go(i + 1);
      load.pop();
    }
  };
  if (list.length > 0) go(0);
  const sticks = Array.from({ length: best.count }, (_, k): CutStick => {
    const own = list.filter((_p, i) => best.at[i] === k);
    return {
      pieces: own,
      left_mm: Math.max(
        0,
        stick_mm - own.reduce((s, p) => s + p.length_mm, 0) - kerf_mm * Math.max(0, own.length - 1),
      ),
    };
  }).sort((a, b) => a.left_mm - b.left_mm);
  return { sticks, tooLong, proven: best.count <= bound || !cut };
}

/**
 * Never more than the sticks needed: by length, and by pieces of which no two share a stick with
 * their mates (Martello & Toth's L2).
 */
function lowerBound(size: readonly number[], room: number): number {
  if (size.length === 0) return 0;
  let most = Math.ceil(size.reduce((a, b) => a + b, 0) / room - EPS);
  for (const k of new Set([0, ...size.filter((s) => s <= room / 2)])) {
    const big = size.filter((s) => s > room - k + EPS),
      half = size.filter((s) => s > room / 2 + EPS && s <= room - k + EPS),
      small = size.filter((s) => s >= k - EPS && s <= room / 2 + EPS);
    const free = half.length * room - half.reduce((a, b) => a + b, 0),
      over = small.reduce((a, b) => a + b, 0) - free;
    most = Math.max(most, big.length + half.length + Math.max(0, Math.ceil(over / room - EPS)));
  }
  return most;
}

function firstFit(
  size: readonly number[],
  room: number,
): { readonly count: number; readonly at: readonly number[] } {
  const load: number[] = [];
  const at = size.map((s) => {
    const k = load.findIndex((l) => l + s <= room + EPS);
    if (k >= 0) {
      load[k] = (load[k] as number) + s;
      return k;
    }
    return load.push(s) - 1;
  });
  return { count: load.length, at };
}
