import { BUILD_VERSION } from './types';

type Document = Record<string, unknown>;

/** One step a version: from its key to the next. Each has a kept file in fixtures/ and a test. */
export const MIGRATIONS: Readonly<Record<number, (old: Document) => Document>> = {
  0: (old) => {
    // Version 0 (before the first release) kept the room and limits at the top and had no listener or clearance of its own.
    const { room_C, limits, ...rest } = old as { room_C?: number; limits?: Document };
    return {
      ...rest,
      version: 1,
      brief: {
        room_C: room_C ?? 24,
        altitude_m: 0,
        currency: 'EUR',
        loadCase: 'torture',
        listener_m: 1,
        limits: { part_C: null, clear_mm: 5, budget_minor: null, ...limits },
      },
      choices: { removed: [] },
    };
  },
  1: (old) => {
    // Version 1 had no layout: routes were found anew each time, and only a pinned one stood in its connection.
    const routes: Document = {};
    const loops = listOf(old.loops).map((loop) => {
      if (!isObject(loop)) return loop;
      if (!Array.isArray(loop.links)) return loop;
      const links = listOf(loop.links).map((link) => {
        if (!isObject(link) || !isObject(link.way)) return link;
        const { pinned, ...way } = link.way;
        const { way: _way, ...rest } = link;
        if (isObject(pinned) && typeof link.id === 'string')
          routes[link.id] = { ...pinned, kept_mm: 0, router: 0, pinned: true };
        return Object.keys(way).length > 0 ? { ...rest, way } : rest;
      });
      return { ...loop, links };
    });
    if (!Array.isArray(old.loops)) return { ...old, version: 2 };
    return { ...old, version: 2, loops, layout: { routes, poses: {}, noWay: {} } };
  },
};

const isObject = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** A list as it is; anything else stays for validation to refuse. */
const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

/** Brings an older document to the present version, step by step. The caller has checked that the version is a known number. */
export function migrate(document: Document): Document {
  let now = document;
  while (typeof now.version === 'number' && now.version < BUILD_VERSION) {
    const step = MIGRATIONS[now.version];
    if (!step) break;
    now = step(now);
  }
  return now;
}
