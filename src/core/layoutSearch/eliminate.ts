/** A table over some variables: what each of their joint values costs. */
export interface Factor {
  /** Numbers of its variables, ascending. */
  readonly of: readonly number[];
  /** By joint value, the last variable running fastest. */
  readonly costs: Float64Array;
}

/** Joint tables larger than this are not made. */
const MOST_ENTRIES = 2_000_000;

/**
 * The joint value of all variables that costs least, exactly: variables are taken out one by one,
 * those that touch fewest first (non-serial dynamic programming; Bertelè & Brioschi 1972). `sizes`
 * are the numbers of values. Null where a joint table would grow beyond memory.
 */
export function leastJoint(
  sizes: readonly number[],
  factors: readonly Factor[],
): { readonly values: readonly number[]; readonly cost: number } | null {
  let open: Factor[] = [...factors];
  const left = new Set(sizes.keys());
  const taken: {
    readonly of: number;
    readonly given: readonly number[];
    readonly best: Int32Array;
  }[] = [];
  while (left.size > 0) {
    const next = cheapestOut(sizes, open, left);
    const touching = open.filter((f) => f.of.includes(next));
    const given = [...new Set(touching.flatMap((f) => f.of))]
      .filter((v) => v !== next)
      .sort((a, b) => a - b);
    if (entriesOf(sizes, given) * (sizes[next] as number) > MOST_ENTRIES) return null;
    const { factor, best } = takeOut(sizes, next, given, touching);
    open = [...open.filter((f) => !f.of.includes(next)), factor];
    taken.push({ of: next, given, best });
    left.delete(next);
  }
  const values = sizes.map(() => 0);
  for (const { of, given, best } of taken.reverse())
    values[of] = best[indexOf(sizes, given, values)] as number;
  const cost = open.reduce((sum, f) => sum + (f.costs[0] as number), 0);
  return { values, cost };
}

const entriesOf = (sizes: readonly number[], of: readonly number[]): number =>
  of.reduce((n, v) => n * (sizes[v] as number), 1);

/** Place in a table of the values its variables have. */
function indexOf(
  sizes: readonly number[],
  of: readonly number[],
  values: readonly number[],
): number {
  return of.reduce((at, v) => at * (sizes[v] as number) + (values[v] as number), 0);
}

/** The variable whose going leaves the smallest table. */
function cheapestOut(
  sizes: readonly number[],
  factors: readonly Factor[],
  left: ReadonlySet<number>,
): number {
  let best = -1,
    least = Infinity;
  for (const v of left) {
    const touched = new Set(factors.filter((f) => f.of.includes(v)).flatMap((f) => f.of));
    const entries = entriesOf(sizes, [...touched]);
    if (entries < least) [best, least] = [v, entries];
  }
  return best;
}

/** The table left when a variable takes its best value for each of the others', and that value. */
function takeOut(
  sizes: readonly number[],
  out: number,
  given: readonly number[],
  touching: readonly Factor[],
): { readonly factor: Factor; readonly best: Int32Array } {
  const entries = entriesOf(sizes, given);
  const costs = new Float64Array(entries).fill(Infinity);
  const best = new Int32Array(entries);
  const size = sizes[out] as number;
  const tables = touching.map((f) => ({
    costs: f.costs,
    step: strideOf(sizes, f.of, out),
    steps: given.map((v) => strideOf(sizes, f.of, v)),
  }));
  const sum = new Float64Array(size);
  const digits = given.map(() => 0);
  const base = tables.map(() => 0);
  for (let at = 0; at < entries; at += 1) {
    sum.fill(0);
    for (const [k, { costs: own, step }] of tables.entries())
      for (let value = 0, i = base[k] as number; value < size; value += 1, i += step)
        sum[value]! += own[i] as number;
    let least = Infinity;
    for (let value = 0; value < size; value += 1)
      if ((sum[value] as number) < least) {
        least = sum[value] as number;
        best[at] = value;
      }
    costs[at] = least;
    // The next joint value of the others, the last running fastest.
    for (let i = given.length - 1; i >= 0; i -= 1) {
      const most = sizes[given[i] as number] as number;
      const carries = (digits[i] as number) + 1 === most;
      const by = carries ? 1 - most : 1;
      digits[i]! += by;
      for (const [k, { steps }] of tables.entries()) base[k]! += by * (steps[i] as number);
      if (!carries) break;
    }
  }
  return { factor: { of: given, costs }, best };
}

/** How far apart a table's entries for the next value of a variable are; 0 where it is not in it. */
function strideOf(sizes: readonly number[], of: readonly number[], variable: number): number {
  const at = of.indexOf(variable);
  return at < 0 ? 0 : entriesOf(sizes, of.slice(at + 1));
}
