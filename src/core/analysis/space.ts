import type { Design, Component, Loop } from '../design';
import { compileSystem, type LoopGraph, type System, type PlacedComponent } from '../system';

/**
 * What of a design decides where everything stands: no speeds, loads, limits or marks of the list. A build in its
 * own right, so that all geometry reads it as it reads any other.
 */
export function toSpace(design: Design): Design {
  return {
    ...design,
    name: '',
    brief: {
      ...BARE_BRIEF,
      limits: { ...BARE_BRIEF.limits, clear_mm: design.brief.limits.clear_mm },
    },
    components: design.components.map(spatial),
    choices: { removed: design.choices.removed },
  };
}

/** Stands where geometry asks for no more than a distance to keep. */
const BARE_BRIEF: Design['brief'] = {
  room_C: 0,
  altitude_m: 0,
  currency: 'EUR',
  loadCase: 'render',
  limits: {
    deltaT_K: 0,
    noise_dBA: 0,
    flow_Lmin: 0,
    part_C: null,
    budget_minor: null,
    clear_mm: 0,
  },
  listener_m: 1,
};

function spatial(component: Component): Component {
  const { keepVisible: inView } = component.settings;
  return { ...component, settings: inView === undefined ? {} : { keepVisible: inView } };
}

const sameComponent = (a: Component, b: Component): boolean =>
  a.id === b.id &&
  a.name === b.name &&
  a.part === b.part &&
  a.placement === b.placement &&
  a.settings.keepVisible === b.settings.keepVisible;

const sameLoop = (a: Loop, b: Loop): boolean =>
  a.id === b.id &&
  a.name === b.name &&
  a.tube === b.tube &&
  a.fitting === b.fitting &&
  a.coolant === b.coolant &&
  a.connections === b.connections &&
  a.caps === b.caps;

const alike = <T>(a: readonly T[], b: readonly T[], same: (x: T, y: T) => boolean): boolean =>
  a.length === b.length && a.every((x, i) => same(x, b[i] as T));

/** Whether two of them are the same space, by what they hold. */
export function isSameSpace(a: Design, b: Design): boolean {
  return (
    a === b ||
    (a.case === b.case &&
      a.kit === b.kit &&
      a.layout === b.layout &&
      a.choices.removed === b.choices.removed &&
      a.brief.limits.clear_mm === b.brief.limits.clear_mm &&
      alike(a.components, b.components, sameComponent) &&
      alike(a.loops, b.loops, sameLoop))
  );
}

/**
 * A space placed and connected. What stands as it stood in `before` is the same object as there, so that whatever was measured
 * of it need not be measured again.
 */
export function placeSpace(space: Design, before: System | null): System {
  const system = compileSystem(space);
  if (!before) return system;
  const placed = new Map<string, PlacedComponent>();
  for (const [id, now] of system.placed) placed.set(id, reuse(now, before.placed.get(id)));
  const sameObstacles =
    space.case === before.design.case && space.choices.removed === before.design.choices.removed;
  return {
    design: space,
    placed,
    obstacles: sameObstacles ? before.obstacles : system.obstacles,
    interior: system.interior,
    get loops() {
      return system.loops;
    },
    portAt: (ref) => placed.get(ref.component)?.ports.find((p) => p.port.id === ref.port) ?? null,
  };
}

function reuse(now: PlacedComponent, before: PlacedComponent | undefined): PlacedComponent {
  if (!before || !sameComponent(now.component, before.component)) return now;
  const { component: _now, ...a } = now;
  const { component: _before, ...b } = before;
  return sameValue(a, b) ? before : now;
}

/** Whether two plain values say the same. */
function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((key) =>
    sameValue((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  );
}

/** A loop's graph with the design's own parts at its edges: connections are of the space, speeds are not. */
function withParts(
  graph: LoopGraph,
  loop: Loop | undefined,
  components: ReadonlyMap<string, Component>,
): LoopGraph {
  const edges = graph.edges.map((edge) => {
    const component = edge.component && components.get(edge.component.id);
    return component ? { ...edge, component } : edge;
  });
  return { ...graph, loop: loop ?? graph.loop, edges };
}

/** Whether two designs say the same but for their names. */
export const differsInNameOnly = (a: Design, b: Design): boolean =>
  a.brief === b.brief &&
  a.case === b.case &&
  a.components === b.components &&
  a.loops === b.loops &&
  a.kit === b.kit &&
  a.layout === b.layout &&
  a.choices === b.choices;

/** Whether two designs differ in nothing but how fast fans and pumps turn, and what drives them. */
export const differsInSpeedOnly = (a: Design, b: Design): boolean =>
  a === b ||
  (differsInNameOnly({ ...a, components: b.components }, b) &&
    alike(a.components, b.components, sameButSpeed));

function sameButSpeed(a: Component, b: Component): boolean {
  if (a === b) return true;
  const { speed_rpm: _a, control: _ac, ...still } = a.settings;
  const { speed_rpm: _b, control: _bc, ...other } = b.settings;
  return (
    a.id === b.id &&
    a.name === b.name &&
    a.part === b.part &&
    a.placement === b.placement &&
    sameValue(still, other)
  );
}

/** The placed space with the design's own parts in it: speeds and loads included. */
export function withDesign(system: System, design: Design): System {
  const components = new Map(design.components.map((i) => [i.id, i]));
  const placed = new Map<string, PlacedComponent>();
  for (const [id, p] of system.placed)
    placed.set(id, { ...p, component: components.get(id) ?? p.component });
  let loops: System['loops'] | null = null;
  return {
    design: design,
    placed,
    obstacles: system.obstacles,
    interior: system.interior,
    get loops() {
      return (loops ??= system.loops.map((graph, i) =>
        withParts(graph, design.loops[i], components),
      ));
    },
    portAt: system.portAt,
  };
}
