import type { ComponentId, Design, Loop } from '../design';
import type { Box } from '../geometry';
import { graphOf } from './graph';
import { compileMates, joinMates, type Mates } from './mates';
import { cutOut } from './cutOut';
import { placeAll } from './place';
import { roomsOf, type Rooms } from './rooms';
import type { LoopGraph, PlacedComponent, Solid, System } from './types';

/**
 * Compiles a design. Pure; works on any valid one, however unfinished. Inline parts stand where its
 * layout says.
 */
export function compileSystem(design: Design): System {
  const mates = compileMates(design);
  const rooms = design.case ? roomsOf(design.case) : null;
  return systemOf({
    design,
    mates,
    placed: placeAll(design, mates),
    obstacles: obstaclesOf(design),
    interior: rooms?.inside ?? null,
    rooms,
    graphs: () => design.loops.map((loop) => graphOf(design, loop)),
  });
}

interface Compiled {
  readonly design: Design;
  readonly mates: Mates;
  readonly placed: ReadonlyMap<ComponentId, PlacedComponent>;
  readonly obstacles: readonly Solid[];
  readonly interior: Box | null;
  readonly rooms: Rooms | null;
  graphs(): readonly LoopGraph[];
}

/** The loops are compiled when first asked for: those who only look where parts stand never ask. */
function systemOf({ graphs, ...compiled }: Compiled): System {
  let loops: readonly LoopGraph[] | null = null;
  const loopsNow = (): readonly LoopGraph[] => (loops ??= graphs());
  return {
    ...compiled,
    get loops() {
      return loopsNow();
    },
    portAt: ({ component, port }) =>
      compiled.placed.get(component)?.ports.find((p) => p.port.id === port) ?? null,
    loopOf: (id) => loopsNow().find((g) => g.links.some((l) => l.component === id)) ?? null,
  };
}

/** What stands, without asking for the loops: a spread would compile them. */
const standingOf = ({ design, mates, placed, obstacles, interior, rooms }: System) => ({
  design,
  mates,
  placed,
  obstacles,
  interior,
  rooms,
});

/**
 * The same system for a design that differs from its own in nothing that stands or flows: names,
 * settings, brief, marks.
 */
export const withDesign = (system: System, design: Design): System =>
  systemOf({
    ...standingOf(system),
    design,
    graphs: () => system.loops.map((graph, i) => withLoop(graph, design.loops[i])),
  });

const withLoop = (graph: LoopGraph, loop: Loop | undefined): LoopGraph =>
  loop === undefined || loop === graph.loop ? graph : { ...graph, loop };

/**
 * The same system with things taken from another where they are as they were there, so that what
 * was measured of them stays.
 */
export const withKnown = (system: System, known: Pick<System, 'placed' | 'obstacles'>): System =>
  systemOf({ ...standingOf(system), ...known, graphs: () => system.loops });

/**
 * A system with the components of another standing in it as well, as far as clearances go: no loop
 * leads through them.
 */
export const withGuests = (system: System, guests: System): System =>
  systemOf({
    ...standingOf(system),
    mates: joinMates(system.mates, guests.mates),
    placed: new Map([...system.placed, ...guests.placed]),
    graphs: () => system.loops,
  });

function obstaclesOf({ case: box, choices }: Design): readonly Solid[] {
  return (box?.obstacles ?? [])
    .filter((o) => !choices.removed.includes(o.id))
    .flatMap((o) =>
      (o.boxes ?? cutOut(o, o.openings ?? [])).map((b) => ({
        component: `case:${o.id}`,
        detail: o.name,
        box: b,
      })),
    );
}
