import type { Component, ComponentId, Connection, Design, Placement } from '../design';

/** How a component is held: where its placement puts it, or by a fitting between two ports. */
export type MateKind = Exclude<Placement['on'], 'unplaced' | 'line'> | 'direct' | 'bridge';

/** One component fixed to another, or to the case. */
export interface Mate {
  readonly kind: MateKind;
  readonly component: ComponentId;
  /** The component it is fixed to; null: the case. */
  readonly to: ComponentId | null;
  /** Where on it: a mount, slot, face or place, or the connection whose fitting holds both. */
  readonly at: string | null;
}

/** What holds what, in one design. Knows no positions. */
export interface Mates {
  readonly all: readonly Mate[];
  /** What a component stands on, then what that stands on, and so on. */
  hostsOf(id: ComponentId): readonly ComponentId[];
  /** What stands on a component itself, in the order of the design. */
  standingOn(id: ComponentId): readonly ComponentId[];
  /** What is fixed to a place of the case: to a mount by its id. */
  onMount(mount: string): readonly ComponentId[];
  /** What is screwed to a component, port to port. */
  screwedTo(id: ComponentId): readonly ComponentId[];
  /**
   * The rigid group a component belongs to: all that stands on one another or is screwed together;
   * itself first.
   */
  groupOf(id: ComponentId): readonly ComponentId[];
  /**
   * Those of its group that nothing of the group carries: where they are put, the others go with
   * them.
   */
  rootsOf(id: ComponentId): readonly ComponentId[];
}

/**
 * Reads the mates from placements and direct connections. A component that has no place yet has
 * none.
 */
export function compileMates(design: Design): Mates {
  const known = new Set(design.components.map((component) => component.id));
  const board = design.components.find(
    (c) => c.part.kind === 'board' && c.placement.on === 'tray',
  )?.id;
  const all = [
    ...design.components.flatMap((component) => placementMate(component, board) ?? []),
    ...design.loops.flatMap((loop) => loop.connections.flatMap((c) => fittingMate(c, known) ?? [])),
  ];
  return matesOf(all);
}

const matesOf = (all: readonly Mate[]): Mates => ({ all, ...lookups(all) });

/** The mates of two sets of components that share none: each is asked for its own. */
export function joinMates(a: Mates, b: Mates): Mates {
  return {
    get all() {
      return [...a.all, ...b.all];
    },
    hostsOf: (id) => eitherOf(a.hostsOf(id), b.hostsOf(id)),
    standingOn: (id) => eitherOf(a.standingOn(id), b.standingOn(id)),
    screwedTo: (id) => eitherOf(a.screwedTo(id), b.screwedTo(id)),
    onMount: (mount) => [...a.onMount(mount), ...b.onMount(mount)],
    groupOf: (id) => longerOf(a.groupOf(id), b.groupOf(id)),
    rootsOf: (id) => longerOf(a.rootsOf(id), b.rootsOf(id)),
  };
}

type Ids = readonly ComponentId[];
const eitherOf = (a: Ids, b: Ids): Ids => (b.length > 0 ? b : a);
/** A component is alone in the set it is not of. */
const longerOf = (a: Ids, b: Ids): Ids => (b.length > a.length ? b : a);

function placementMate(
  { id: component, placement: p }: Component,
  board: ComponentId | undefined,
): Mate | null {
  switch (p.on) {
    case 'unplaced':
    case 'line':
      return null;
    case 'board':
      return board === undefined ? null : { kind: p.on, component, to: board, at: null };
    case 'slot':
      return board === undefined ? null : { kind: p.on, component, to: board, at: String(p.slot) };
    case 'component':
      return { kind: p.on, component, to: p.component, at: null };
    case 'against':
    case 'radiator':
      return { kind: p.on, component, to: p.component, at: p.face };
    case 'mount':
      return { kind: p.on, component, to: null, at: p.mount };
    case 'cage':
      return { kind: p.on, component, to: null, at: p.cage };
    case 'port':
      return { kind: p.on, component, to: null, at: p.port };
    case 'spot':
      return { kind: p.on, component, to: null, at: p.spot };
    default:
      return { kind: p.on, component, to: null, at: null };
  }
}

function fittingMate(
  { id, by, bridge, from, to }: Connection,
  known: ReadonlySet<ComponentId>,
): Mate | null {
  if (by !== 'direct' || !known.has(from.component) || !known.has(to.component)) return null;
  const kind = bridge ? 'bridge' : 'direct';
  return { kind, component: to.component, to: from.component, at: id };
}

const isFitting = (mate: Mate): boolean => mate.kind === 'direct' || mate.kind === 'bridge';

function lookups(all: readonly Mate[]): Omit<Mates, 'all'> {
  const host = new Map<ComponentId, ComponentId>();
  const guests = new Map<ComponentId, ComponentId[]>();
  const onMounts = new Map<string, ComponentId[]>();
  const screwed = new Map<ComponentId, Set<ComponentId>>();
  for (const mate of all) {
    if (mate.kind === 'mount' && mate.at !== null) add(onMounts, mate.at, mate.component);
    if (mate.to === null) continue;
    if (isFitting(mate)) {
      join(screwed, mate.component, mate.to);
      join(screwed, mate.to, mate.component);
    } else {
      host.set(mate.component, mate.to);
      add(guests, mate.to, mate.component);
    }
  }
  const standingOn = (id: ComponentId): readonly ComponentId[] => guests.get(id) ?? NONE;
  const screwedTo = (id: ComponentId): readonly ComponentId[] => [...(screwed.get(id) ?? NONE)];
  const touching = (id: ComponentId): readonly ComponentId[] => [
    ...standingOn(id),
    ...screwedTo(id),
    ...[host.get(id) ?? NONE].flat(),
  ];
  const groupOf = (id: ComponentId): readonly ComponentId[] => reached(id, touching);
  return {
    standingOn,
    screwedTo,
    groupOf,
    hostsOf: remembered((id) => chainOf(host, id)),
    onMount: (mount) => onMounts.get(mount) ?? NONE,
    rootsOf: (id) => groupOf(id).filter((member) => !host.has(member)),
  };
}

/** Asked again and again while gaps are measured. */
function remembered(find: (id: ComponentId) => Ids): (id: ComponentId) => Ids {
  const known = new Map<ComponentId, Ids>();
  return (id) => {
    let found = known.get(id);
    if (!found) {
      found = find(id);
      known.set(id, found);
    }
    return found;
  };
}

const NONE: readonly ComponentId[] = [];

function add<K>(lists: Map<K, ComponentId[]>, key: K, id: ComponentId): void {
  const list = lists.get(key);
  if (list) list.push(id);
  else lists.set(key, [id]);
}

function join(sets: Map<ComponentId, Set<ComponentId>>, from: ComponentId, to: ComponentId): void {
  const set = sets.get(from);
  if (set) set.add(to);
  else sets.set(from, new Set([to]));
}

/** Hosts upward; a circle (a design may hold one, and has no place then) ends it. */
function chainOf(
  host: ReadonlyMap<ComponentId, ComponentId>,
  id: ComponentId,
): readonly ComponentId[] {
  const chain: ComponentId[] = [];
  for (let at = host.get(id); at !== undefined && !chain.includes(at); at = host.get(at))
    chain.push(at);
  return chain;
}

function reached(
  start: ComponentId,
  next: (id: ComponentId) => readonly ComponentId[],
): readonly ComponentId[] {
  const found = new Set([start]);
  for (const id of found) for (const other of next(id)) found.add(other);
  return [...found];
}
