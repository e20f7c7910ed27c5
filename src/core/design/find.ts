import type { Design, Component, Loop, PortRef } from './types';

export const findComponent = (design: Design, id: string): Component | undefined =>
  design.components.find((i) => i.id === id);

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
