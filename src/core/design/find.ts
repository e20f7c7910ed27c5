import type { Design, Component, Loop, PortRef } from './types';

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

/** The loop a part belongs to: the first that has a run or cap on it. */
export function loopOfComponent(design: Design, id: string): Loop | undefined {
  return design.loops.find(
    (l) =>
      l.connections.some((k) => k.from.component === id || k.to.component === id) ||
      l.caps.some((c) => c.component === id),
  );
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
