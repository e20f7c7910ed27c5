import type { WetPart } from '../components';

interface Chambers {
  readonly ofPort: ReadonlyMap<string, string>;
  readonly groups: readonly (readonly string[])[];
}

/** Worked out once a part: parts in a build are snapshots that never change. */
const known = new WeakMap<WetPart, Chambers>();

/**
 * Which chamber each port of a part leads to, and chambers that its passages tie together: a
 * plate's supply and return are two, a block's in and out are one.
 */
export function chambersOf(part: WetPart): Chambers {
  const before = known.get(part);
  if (before) return before;
  let groups: string[][] = [
    ...new Set([
      ...part.ports.map((p) => p.chamber),
      ...part.passages.flatMap((p) => [p.from, p.to]),
    ]),
  ].map((c) => [c]);
  for (const { from, to } of part.passages) {
    const joined = groups.filter((g) => g.includes(from) || g.includes(to));
    if (joined.length > 1) groups = [...groups.filter((g) => !joined.includes(g)), joined.flat()];
  }
  const made: Chambers = { ofPort: new Map(part.ports.map((p) => [p.id, p.chamber])), groups };
  known.set(part, made);
  return made;
}
