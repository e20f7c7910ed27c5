import type { Component, ComponentId, Design, Loop } from '../design';
import {
  compileSystem,
  nameless,
  withKnown,
  type Names,
  type PlacedComponent,
  type System,
} from '../system';

/**
 * What of a design decides where everything stands: no speeds, loads, limits or marks of the list.
 * A build in its own right, so that all geometry reads it as it reads any other.
 */
export function toSpace(design: Design): Design {
  const bare = nameless(design);
  return {
    ...bare,
    brief: {
      ...BARE_BRIEF,
      limits: { ...BARE_BRIEF.limits, clear_mm: design.brief.limits.clear_mm },
    },
    components: bare.components.map(spatial),
    choices: {
      removed: design.choices.removed,
      ...(design.choices.stands ? { stands: design.choices.stands } : {}),
    },
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

/** Settings that decide where something stands and what it is screwed on with. */
const SPATIAL_SETTINGS = ['keepVisible', 'pieces', 'layers'] as const;
type SpatialSettings = Pick<Component['settings'], (typeof SPATIAL_SETTINGS)[number]>;

const pickSpatial = (settings: Component['settings']): SpatialSettings =>
  Object.fromEntries(
    SPATIAL_SETTINGS.flatMap((key) =>
      settings[key] === undefined ? [] : [[key, settings[key]] as const],
    ),
  );

function spatial(component: Component): Component {
  return { ...component, settings: pickSpatial(component.settings) };
}

const sameComponent = (a: Component, b: Component): boolean =>
  a.id === b.id &&
  a.part === b.part &&
  a.placement === b.placement &&
  SPATIAL_SETTINGS.every((key) => a.settings[key] === b.settings[key]);

const sameLoop = (a: Loop, b: Loop): boolean =>
  a.id === b.id &&
  a.name === b.name &&
  a.tube === b.tube &&
  a.fitting === b.fitting &&
  a.coolant === b.coolant &&
  a.mandrels === b.mandrels &&
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
      a.choices.stands === b.choices.stands &&
      a.brief.limits.clear_mm === b.brief.limits.clear_mm &&
      alike(a.components, b.components, sameComponent) &&
      alike(a.loops, b.loops, sameLoop))
  );
}

/** Whether two designs have the same parts in the same case, and something stands otherwise. */
export const isOnlyMoved = (a: Design, b: Design): boolean =>
  a.case === b.case &&
  a.components.length === b.components.length &&
  a.components.every(({ id }, i) => id === b.components[i]?.id) &&
  !isSameSpace(a, b);

/**
 * A space compiled. What stands as it stood in `before` is the same object as there, so that
 * whatever was measured of it need not be measured again.
 */
export function placeSpace(space: Design, before: System | null): System {
  const system = compileSystem(space);
  if (!before) return system;
  const placed = new Map<ComponentId, PlacedComponent>();
  for (const [id, now] of system.placed) {
    const then = before.placed.get(id);
    placed.set(id, then && sameValue(now, then) ? then : now);
  }
  const sameObstacles =
    space.case === before.design.case && space.choices.removed === before.design.choices.removed;
  return withKnown(system, {
    placed,
    obstacles: sameObstacles ? before.obstacles : system.obstacles,
  });
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

/** Whether two designs say the same but for their names. */
export const differsInNameOnly = (a: Design, b: Design): boolean =>
  a.brief === b.brief &&
  a.case === b.case &&
  a.components === b.components &&
  a.loops === b.loops &&
  a.kit === b.kit &&
  a.layout === b.layout &&
  a.choices === b.choices;

/**
 * The same but for components, names, and what is kept of the work: of that only what was measured
 * of the machine is worked with.
 */
const sameBesideComponents = (a: Design, b: Design): boolean =>
  differsInNameOnly({ ...a, components: b.components, choices: b.choices }, b) &&
  sameChoices(a.choices, b.choices);

function sameChoices(a: Design['choices'], b: Design['choices']): boolean {
  if (a === b) return true;
  const { work: workA, ...one } = a;
  const { work: workB, ...other } = b;
  return sameValue(one, other) && sameValue(workA?.measured, workB?.measured);
}

/** Whether two designs differ in nothing but how fast fans and pumps turn, and what drives them. */
export const differsInSpeedOnly = (a: Design, b: Design): boolean =>
  a === b || (sameBesideComponents(a, b) && alike(a.components, b.components, sameButSpeed));

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

/** Whether two designs differ in nothing but what the build and its components are called. */
export const differsInNamesOnly = (a: Design, b: Design): boolean =>
  sameBesideComponents(a, b) && alike(a.components, b.components, sameButName);

const sameButName = (a: Component, b: Component): boolean =>
  a.id === b.id && a.part === b.part && a.placement === b.placement && a.settings === b.settings;

/** A nameless design with the names put in again. */
export const withNames = (design: Design, names: Names): Design => ({
  ...design,
  components: design.components.map((c) => ({ ...c, name: names.get(c.id) ?? c.id })),
});
