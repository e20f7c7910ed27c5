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
};

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
