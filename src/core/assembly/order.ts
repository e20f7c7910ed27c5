import type { System } from '../system';
import { freeWay, insertionsOf, type Insertion } from './insertion';
import { reachesOf, type Reach } from './reach';
import type { Unit } from './unit';

/** A unit in its turn: the way it goes in, and what it had to come before. */
export interface Turn {
  readonly unit: Unit;
  /** Null where no order lets it in: it is put in with others taken off again. */
  readonly way: Insertion | null;
  /** Units that would shut it out, were they there before it: each alone closes every way. */
  readonly before: readonly string[];
  /** Units to be taken off again for it; empty where it goes in. */
  readonly trappedBy: readonly string[];
  /** What is to be screwed or plugged at it, with what would hide it. */
  readonly reaches: readonly Reach[];
  /** What must stand before it and does not, in an order made by hand. */
  readonly lacks?: readonly string[];
}

/** Every way in of a unit, each shut too by what would hide a screw or plug of it in its place. */
interface Access {
  readonly ways: readonly Insertion[];
  readonly reaches: readonly Reach[];
}
/** Of every unit: worked out once for all that asks. */
export type Ways = ReadonlyMap<string, Access>;
export const waysOfAll = (system: System, units: readonly Unit[]): Ways =>
  new Map(
    units.map((unit) => {
      const reaches = reachesOf(system, unit, units);
      const hiding = reaches.flatMap((r) => r.blockedBy.map((b) => b.id));
      const ways = insertionsOf(system, unit, units).map((way) => ({
        ...way,
        blockedBy: [...new Set([...way.blockedBy, ...hiding])],
      }));
      return [unit.id, { ways, reaches }] as const;
    }),
  );
const NO_ACCESS: Access = { ways: [], reaches: [] };

/** Kinds in the order a builder likes where geometry leaves the choice (common practice). */
const LIKED: readonly Unit['kind'][] = [
  'supply',
  'board',
  'plugs',
  'fan',
  'radiator',
  'block',
  'reservoir',
  'pump',
  'inline',
  'card',
];
const likedLate = (unit: Unit): number => {
  const at = LIKED.indexOf(unit.kind);
  return at < 0 ? LIKED.length : at;
};

/**
 * An order in which every unit can be moved in and screwed down past what stands already, found
 * backwards: the whole machine is taken apart, each time by what can come out. Taking away never
 * shuts a way, so where this sticks no order exists; then the least hemmed in is taken out by force
 * and told.
 */
export function assemblyOrder(
  system: System,
  units: readonly Unit[],
  ways: Ways = waysOfAll(system, units),
): readonly Turn[] {
  const accessOf = (unit: Unit): Access => ways.get(unit.id) ?? NO_ACCESS;
  const left = new Map(units.map((u) => [u.id, u] as const));
  const taken: Turn[] = [];
  while (left.size > 0) {
    const standing = new Set(left.keys());
    const loose = [...left.values()].filter(
      (u) => ![...left.values()].some((o) => o.hosts.includes(u.id)),
    );
    const free = loose.flatMap((unit) => {
      const way = freeWay(accessOf(unit).ways, without(standing, unit.id));
      return way ? [{ unit, way }] : [];
    });
    const next = free.sort(
      (a, b) => likedLate(b.unit) - likedLate(a.unit) || b.unit.id.localeCompare(a.unit.id),
    )[0];
    const turn = next
      ? turnOf(next.unit, next.way, accessOf(next.unit), [])
      : forced(loose.length > 0 ? loose : [...left.values()], accessOf, standing);
    taken.push(turn);
    left.delete(turn.unit.id);
  }
  return taken.reverse();
}

const without = (ids: ReadonlySet<string>, id: string): ReadonlySet<string> =>
  new Set([...ids].filter((x) => x !== id));

/** The unit that fewest others hem in, and which those are. */
function forced(
  units: readonly Unit[],
  accessOf: (unit: Unit) => Access,
  standing: ReadonlySet<string>,
): Turn {
  const tries = units.map((unit) => {
    const ways = accessOf(unit).ways.map((w) => w.blockedBy.filter((id) => standing.has(id)));
    const least = ways.reduce<readonly string[] | null>(
      (a, b) => (a && a.length <= b.length ? a : b),
      null,
    );
    return { unit, least };
  });
  tries.sort(
    (a, b) =>
      (a.least?.length ?? Infinity) - (b.least?.length ?? Infinity) ||
      a.unit.id.localeCompare(b.unit.id),
  );
  const { unit, least } = tries[0] as (typeof tries)[number];
  return turnOf(unit, null, accessOf(unit), least ?? []);
}

const turnOf = (
  unit: Unit,
  way: Insertion | null,
  { ways, reaches }: Access,
  trappedBy: readonly string[],
): Turn => ({
  unit,
  way,
  trappedBy,
  reaches,
  before: (ways[0]?.blockedBy ?? []).filter((id) => ways.every((w) => w.blockedBy.includes(id))),
});

/** What is wrong with an order made by hand. */
export interface OrderTrouble {
  readonly unit: string;
  /** What must come first, or what is in its way. */
  readonly kind: 'needs' | 'shut out';
  readonly by: readonly string[];
}

/** Every unit that cannot be put in at its turn, and why. */
export function orderTroubles(
  system: System,
  units: readonly Unit[],
  order: readonly string[],
  ways: Ways = waysOfAll(system, units),
): readonly OrderTrouble[] {
  const standing = new Set<string>();
  return order.flatMap((id): OrderTrouble[] => {
    const unit = units.find((u) => u.id === id);
    if (!unit) return [];
    const missing = unit.hosts.filter((h) => !standing.has(h));
    const own = (ways.get(id) ?? NO_ACCESS).ways;
    const open = freeWay(own, standing);
    const blocked = own.map((w) => w.blockedBy.filter((b) => standing.has(b)));
    const least = blocked.sort((a, b) => a.length - b.length)[0] ?? [];
    standing.add(id);
    return [
      ...(missing.length > 0 ? [{ unit: id, kind: 'needs' as const, by: missing }] : []),
      ...(open ? [] : [{ unit: id, kind: 'shut out' as const, by: least }]),
    ];
  });
}
