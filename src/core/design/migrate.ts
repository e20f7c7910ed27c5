import { loadCaseNow, migratePart, renameKeys, sharesNow } from '../components/migrate';
import { BUILD_VERSION } from './types';

type Document = Record<string, unknown>;

/** One step a version: from its key to the next. Each has a kept file in fixtures/ and a test. */
export const MIGRATIONS: Readonly<Record<number, (old: Document) => Document>> = {
  0: (old) => {
    // Version 0 (before the first release) kept the room and limits at the top and had no listener
    // or clearance of its own.
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
    // Version 1 had no layout: routes were found anew each time, and only a pinned one stood in its
    // connection.
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
  // Version 3 names things by the terms of the trade; docs/evaluation.md has the table.
  2: (old) => ({
    ...renameKeys(old, { items: 'components' }),
    version: 3,
    ...(isObject(old.brief) ? { brief: briefOf3(old.brief) } : {}),
    ...(isObject(old.case) ? { case: migratePart(old.case) } : {}),
    ...(Array.isArray(old.items) ? { components: old.items.map(componentOf3) } : {}),
    ...(Array.isArray(old.loops) ? { loops: old.loops.map(loopOf3) } : {}),
    ...(isObject(old.kit) ? { kit: kitOf3(old.kit) } : {}),
    ...(isObject(old.layout) ? { layout: renameKeys(old.layout, { noWay: 'noRoute' }) } : {}),
    ...(isObject(old.choices) ? { choices: choicesOf3(old.choices) } : {}),
  }),
  // Version 4 calls ports screwed together a direct connection, by a male-to-male fitting.
  3: (old) => ({
    ...old,
    version: 4,
    ...(Array.isArray(old.loops) ? { loops: old.loops.map(loopOf4) } : {}),
    ...(isObject(old.kit)
      ? { kit: withPartsNow(renameKeys(old.kit, { joint: 'maleToMale' })) }
      : {}),
  }),
  // Version 5 keeps any number of test bends.
  4: (old) => ({
    ...old,
    version: 5,
    ...(Array.isArray(old.loops) ? { loops: old.loops.map(loopOf5) } : {}),
  }),
};

function loopOf5(old: unknown): unknown {
  if (!isObject(old) || !('testBend' in old)) return old;
  const { testBend, ...loop } = old;
  return { ...loop, testBends: [testBend] };
}

function briefOf3(old: Document): Document {
  const limits = isObject(old.limits) ? renameKeys(old.limits, { rise_K: 'deltaT_K' }) : old.limits;
  return { ...old, loadCase: loadCaseNow(old.loadCase), limits };
}

function componentOf3(old: unknown): unknown {
  if (!isObject(old)) return old;
  return {
    ...old,
    part: migratePart(old.part),
    placement: placementOf3(old.placement),
    ...(isObject(old.settings) ? { settings: settingsOf3(old.settings) } : {}),
  };
}

function placementOf3(old: unknown): unknown {
  if (!isObject(old)) return old;
  if (old.on === 'bench') return { ...old, on: 'unplaced' };
  const on = old.on === 'item' ? 'component' : old.on;
  return { ...renameKeys(old, { item: 'component' }), on };
}

function settingsOf3(old: Document): Document {
  const settings = renameKeys(old, {
    draw_W: 'powerDraw_W',
    ownShare: 'customShare',
    inView: 'keepVisible',
  });
  return 'shares' in settings ? { ...settings, shares: sharesNow(settings.shares) } : settings;
}

const portOf3 = (old: unknown): unknown =>
  isObject(old) ? renameKeys(old, { item: 'component' }) : old;

function loopOf3(old: unknown): unknown {
  if (!isObject(old)) return old;
  const loop = renameKeys(old, { links: 'connections' });
  return {
    ...loop,
    ...(isObject(loop.tube) ? { tube: migratePart(loop.tube) } : {}),
    ...(isObject(loop.fitting) ? { fitting: migratePart(loop.fitting) } : {}),
    ...(isObject(loop.coolant) ? { coolant: migratePart(loop.coolant) } : {}),
    ...(Array.isArray(loop.connections)
      ? { connections: loop.connections.map(connectionOf3) }
      : {}),
    ...(Array.isArray(loop.caps) ? { caps: loop.caps.map(portOf3) } : {}),
  };
}

function connectionOf3(old: unknown): unknown {
  if (!isObject(old)) return old;
  const { way, ...rest } = old;
  const constraints = isObject(way)
    ? renameKeys(way, { leave: 'exit', arrive: 'entry', via: 'waypoints', slanted: 'allow45' })
    : way;
  return {
    ...rest,
    from: portOf3(old.from),
    to: portOf3(old.to),
    ...(isObject(old.bridge) ? { bridge: migratePart(old.bridge) } : {}),
    ...(way === undefined ? {} : { constraints }),
  };
}

function kitOf3(old: Document): Document {
  return withPartsNow(renameKeys(old, { leads: 'cables', sundries: 'consumables' }));
}

function withPartsNow(kit: Document): Document {
  const partsNow = (value: unknown): unknown =>
    Array.isArray(value) ? value.map(migratePart) : migratePart(value);
  return Object.fromEntries(Object.entries(kit).map(([key, value]) => [key, partsNow(value)]));
}

function loopOf4(old: unknown): unknown {
  if (!isObject(old) || !Array.isArray(old.connections)) return old;
  const connections = old.connections.map((connection: unknown) =>
    isObject(connection) && connection.by === 'joint'
      ? {
          ...connection,
          by: 'direct',
          ...(isObject(connection.bridge) ? { bridge: migratePart(connection.bridge) } : {}),
        }
      : connection,
  );
  return { ...old, connections };
}

function choicesOf3(old: Document): Document {
  const choices = renameKeys(old, { drawer: 'inventory' });
  if (!Array.isArray(choices.profile)) return choices;
  const profile = choices.profile.map((step: unknown) =>
    isObject(step) ? { ...step, load: loadCaseNow(step.load) } : step,
  );
  return { ...choices, profile };
}

function isObject(value: unknown): value is Document {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
/** A list as it is; anything else stays for validation to refuse. */
function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [];
}

/**
 * Brings an older document to the present version, step by step. The caller has checked that the
 * version is a known number.
 */
export function migrate(document: Document): Document {
  let now = document;
  while (typeof now.version === 'number' && now.version < BUILD_VERSION) {
    const step = MIGRATIONS[now.version];
    if (!step) break;
    now = step(now);
  }
  return now;
}
