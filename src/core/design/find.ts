import type { FittingPart } from '../components';
import type { Cap, Component, Connection, Design, Kit, Loop, PortRef } from './types';

const byId = new WeakMap<readonly Component[], ReadonlyMap<string, Component>>();

/** The components of a design by id; worked out once for each list, which never changes. */
export function componentsById(design: Pick<Design, 'components'>): ReadonlyMap<string, Component> {
  let known = byId.get(design.components);
  if (!known) {
    known = new Map(design.components.map((component) => [component.id, component]));
    byId.set(design.components, known);
  }
  return known;
}

export const findComponent = (
  design: Pick<Design, 'components'>,
  id: string | null | undefined,
): Component | undefined =>
  id === null || id === undefined ? undefined : componentsById(design).get(id);

/** What a builder calls a component; its id where there is none of that id. */
export const componentName = (design: Pick<Design, 'components'>, id: string): string =>
  findComponent(design, id)?.name ?? id;

/** A run by the names of the parts it joins; its id where the build has no such run. */
export function runName(design: Pick<Design, 'components' | 'loops'>, connection: string): string {
  const found = design.loops.flatMap((l) => l.connections).find((c) => c.id === connection);
  return found
    ? `${componentName(design, found.from.component)} → ${componentName(design, found.to.component)}`
    : connection;
}

/** The loop a part belongs to: the first that has a run or cap on it. */
export function loopOfComponent(design: Design, id: string): Loop | undefined {
  return design.loops.find(
    (l) =>
      l.connections.some((k) => k.from.component === id || k.to.component === id) ||
      l.caps.some((c) => c.component === id),
  );
}

const ofRun = new WeakMap<Connection, { readonly loop: Loop; readonly own: Loop }>();

/**
 * A loop as one of its runs has it: with the tube and fitting of that run, where it has its own. The
 * same object for the same run.
 */
export function loopOfRun(loop: Loop, run: Connection | string): Loop {
  const connection = typeof run === 'string' ? loop.connections.find((c) => c.id === run) : run;
  if (!connection?.tube && !connection?.fitting) return loop;
  const known = ofRun.get(connection);
  if (known?.loop === loop) return known.own;
  const own: Loop = {
    ...loop,
    tube: connection.tube ?? loop.tube,
    fitting: connection.fitting ?? loop.fitting,
  };
  ofRun.set(connection, { loop, own });
  return own;
}

/** A loop once for each tube and fitting in it, with the runs that are made of them. */
export function loopByTube(loop: Loop): readonly Loop[] {
  if (loop.connections.every((c) => !c.tube && !c.fitting)) return [loop];
  const by = new Map<string, Loop>();
  for (const connection of loop.connections) {
    const own = loopOfRun(loop, connection);
    const key = `${own.tube.id} ${own.fitting.id}`;
    const before = by.get(key)?.connections ?? [];
    by.set(key, { ...own, connections: [...before, connection] });
  }
  return [...by.values()];
}

export const samePort = (a: PortRef, b: PortRef): boolean =>
  a.component === b.component && a.port === b.port;

/** A free identity made from a stem: "radiator-2". Deterministic. */
export function freeId(taken: Iterable<string>, stem: string): string {
  const set = new Set(taken);
  if (!set.has(stem)) return stem;
  let n = 2;
  while (set.has(`${stem}-${n}`)) n += 1;
  return `${stem}-${n}`;
}

/** What closes a spare port, from the port outwards: an adapter where there is one, then its piece. */
export const capPieces = (kit: Kit, cap: Cap): readonly FittingPart[] => [
  ...(cap.under ? [kit[cap.under.piece]] : []),
  cap.piece ?? kit[cap.with],
];
