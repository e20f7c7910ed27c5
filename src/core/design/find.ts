import type { Build, Item, Loop, PortRef } from './types';

export const findItem = (build: Build, id: string): Item | undefined =>
  build.items.find((i) => i.id === id);

/** The loop a part belongs to: the first that has a run or cap on it. */
export function loopOfItem(build: Build, id: string): Loop | undefined {
  return build.loops.find(
    (l) =>
      l.links.some((k) => k.from.item === id || k.to.item === id) ||
      l.caps.some((c) => c.item === id),
  );
}

export const samePort = (a: PortRef, b: PortRef): boolean => a.item === b.item && a.port === b.port;

/** A free identity made from a stem: "radiator-2". Deterministic. */
export function freeId(taken: Iterable<string>, stem: string): string {
  const set = new Set(taken);
  if (!set.has(stem)) return stem;
  let n = 2;
  while (set.has(`${stem}-${n}`)) n += 1;
  return `${stem}-${n}`;
}
