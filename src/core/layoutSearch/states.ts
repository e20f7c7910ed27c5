import {
  applyEdit,
  type Component,
  type Connection,
  type Design,
  type Edit,
  type Loop,
  type PortRef,
  type Turn,
} from '../design';
import { isWet, type Port, type WetPart } from '../components';
import { compileSystem, movedBy, moveEdit, roomOf, type PlacedPort, type System } from '../system';
import { gapsAround } from '../clearance';
import { distance, type Vec } from '../geometry';
import { fixedBodies, type Fixed } from '../routing';
import { freedomOf, homeOf, isNearHome } from './freedom';

/** One end of a connection at a part: which connection, and which of its ends. */
export interface PartEnd {
  readonly connection: string;
  readonly side: 'from' | 'to';
}
export const endKey = ({ connection, side }: PartEnd): string => `${connection}/${side}`;

/** One way a part may stand and be connected. */
export interface PartState {
  /** Moves it from where it stands; null where it stays. */
  readonly pose: Edit | null;
  /** The port of each of its ends, by `endKey`. */
  readonly ports: ReadonlyMap<string, PlacedPort>;
  /** What it, and what stands on it, takes up there; null where that is as it was. */
  readonly bodies: readonly Fixed[] | null;
  /** What speaks against it by itself, in millimetres of tube. */
  readonly cost: number;
}

/** A part of a loop with the states it may have; the first is the one it has. */
export interface Variable {
  readonly component: string;
  /** What moves with it. */
  readonly group: ReadonlySet<string>;
  readonly states: readonly PartState[];
}

/** Most states of one part. */
const MOST_STATES = 48;
/**
 * A part that is moved and a port that is changed are worth so much tube, mm: nothing is moved for
 * nothing (common practice, no source).
 */
const MOVED_MM = 15,
  PORT_MM = 4;
/** Direct connections still meet within so much, mm. */
const MEETS_MM = 0.5;

/** Which changes are looked at: other ports and quarter turns, or slides. */
export type Looking = 'ports' | 'slides';

/** The parts of all loops, each with its states. */
export function variablesOf(system: System, looking: Looking): Variable[] {
  const { design } = system;
  const tubes = design.loops.flatMap((l) => l.connections.filter((c) => c.by === 'tube'));
  const ids = new Set(tubes.flatMap((c) => [c.from.component, c.to.component]));
  return design.components
    .filter((c) => ids.has(c.id))
    .map((component) => variableOf(system, component, looking));
}

function variableOf(system: System, component: Component, looking: Looking): Variable {
  const { design } = system;
  const group = new Set(system.mates.groupOf(component.id));
  const loop = design.loops.find((l) => touches(l, component.id)) as Loop;
  const poses = posesOf(system, component, group, looking);
  const assigned =
    looking === 'ports' ? assignmentsOf(design, loop, component) : [portsNow(loop, component.id)];
  const now = portsNow(loop, component.id);
  const base = clashes(system, group);
  const states: PartState[] = [];
  for (const pose of poses) {
    const posed = pose ? compileSystem(applyEdit(design, pose).design) : system;
    // Nothing is put through a wall to the other side of it.
    const stays = roomOf(posed, component.id) === roomOf(system, component.id);
    if (pose && (!stays || !stillMeets(system, posed) || clashes(posed, group) > base)) continue;
    const bodies = pose ? fixedBodies(posed).filter((f) => group.has(f.id)) : null;
    for (const ports of assigned) {
      const placed = placedPorts(posed, component.id, ports);
      if (!placed) continue;
      const changed = [...ports].filter(([end, port]) => now.get(end) !== port).length;
      const cost = (pose ? MOVED_MM : 0) + PORT_MM * changed;
      states.push({ pose, ports: placed, bodies, cost });
    }
  }
  states.sort((a, b) => a.cost - b.cost);
  return { component: component.id, group, states: states.slice(0, MOST_STATES) };
}

const touches = (loop: Loop, id: string): boolean =>
  loop.connections.some((c) => c.from.component === id || c.to.component === id);

/** Of what moves together with all else; the rest stands as it stood. */
const clashes = (system: System, group: ReadonlySet<string>): number =>
  gapsAround(system, group).filter((g) => g.verdict === 'clash').length;

/** Whether what is screwed port to port still meets as it did. */
function stillMeets(was: System, now: System): boolean {
  const direct = was.design.loops.flatMap((l) => l.connections.filter((c) => c.by === 'direct'));
  const apart = (system: System, { from, to }: Connection): number => {
    const a = system.portAt(from),
      b = system.portAt(to);
    return a && b ? distance(a.at, b.at) : Infinity;
  };
  return direct.every((c) => apart(now, c) <= apart(was, c) + MEETS_MM);
}

/** Ends of tubes at a part with the ports they have. */
function portsNow(loop: Loop, component: string): ReadonlyMap<string, string> {
  return new Map(
    loop.connections
      .filter((c) => c.by === 'tube')
      .flatMap((c) =>
        (['from', 'to'] as const)
          .filter((side) => c[side].component === component)
          .map((side): [string, string] => [endKey({ connection: c.id, side }), c[side].port]),
      ),
  );
}

/** Every way its ends may share its free ports, the loop's logic left as it is. */
function assignmentsOf(
  design: Design,
  loop: Loop,
  { id, part }: Component,
): readonly ReadonlyMap<string, string>[] {
  const now = portsNow(loop, id);
  if (!isWet(part)) return [now];
  const pinned = (end: string): boolean =>
    design.layout.routes[end.slice(0, end.lastIndexOf('/'))]?.pinned === true;
  const screwed = loop.connections.flatMap((c) =>
    c.by === 'direct' ? [c.from, c.to].filter((p) => p.component === id).map((p) => p.port) : [],
  );
  const taken = new Set([
    ...loop.caps.filter((c) => c.component === id && c.with !== 'plug').map((c) => c.port),
    ...screwed,
  ]);
  const ends = [...now].filter(([end]) => !pinned(end));
  for (const [end, port] of now) if (pinned(end)) taken.add(port);
  const held = ends.length < now.size || screwed.length > 0;
  const swaps = held || !mayTurnRound(part) ? [same] : [same, otherChamber(part)];
  const found: Map<string, string>[] = [];
  for (const chamberFor of swaps) {
    const fill = (i: number, sofar: Map<string, string>): void => {
      const next = ends[i];
      if (!next) {
        found.push(new Map([...now, ...sofar]));
        return;
      }
      const [end, port] = next;
      for (const p of portsFor(part, port, end, chamberFor)) {
        if (taken.has(p.id) || [...sofar.values()].includes(p.id)) continue;
        fill(i + 1, new Map([...sofar, [end, p.id]]));
      }
    };
    fill(0, new Map());
  }
  return found.length > 0 ? found : [now];
}

const same = (chamber: string): string => chamber;

/** Coolant may pass either way through it: two chambers, no arrow on any port or passage. */
const mayTurnRound = (part: WetPart): boolean =>
  part.kind !== 'pump' &&
  part.kind !== 'reservoir' &&
  part.passages.every((p) => !p.oneWay) &&
  part.ports.every((p) => p.role === 'any') &&
  new Set(part.ports.map((p) => p.chamber)).size === 2;

const otherChamber =
  (part: WetPart) =>
  (chamber: string): string =>
    part.ports.find((p) => p.chamber !== chamber)?.chamber ?? chamber;

/** Ports an end may have: of its chamber (or the other), of no other duty, in its direction. */
function portsFor(
  part: WetPart,
  port: string,
  end: string,
  chamberFor: (chamber: string) => string,
): readonly Port[] {
  const now = part.ports.find((p) => p.id === port);
  if (!now) return [];
  const leaves = end.endsWith('/from');
  // A reservoir feeds from where it was made to, so that it never gives air.
  if (part.kind === 'reservoir' && leaves) return [now];
  return part.ports.filter(
    (p) =>
      p.chamber === chamberFor(now.chamber) &&
      (p.id === port || (p.duty === undefined && p.role !== (leaves ? 'in' : 'out'))),
  );
}

function placedPorts(
  system: System,
  component: string,
  ports: ReadonlyMap<string, string>,
): ReadonlyMap<string, PlacedPort> | null {
  const placed = new Map<string, PlacedPort>();
  for (const [end, port] of ports) {
    const at = system.portAt({ component, port });
    if (!at) return null;
    placed.set(end, at);
  }
  return placed;
}

/** Edits that turn or slide a part as far as it may; null first, for where it stands. */
function posesOf(
  system: System,
  component: Component,
  group: ReadonlySet<string>,
  looking: Looking,
): readonly (Edit | null)[] {
  const { design } = system;
  const { turn, slide_mm, home = homeOf(component) } = freedomOf(component);
  const wet = (id: string): boolean => design.loops.some((l) => touches(l, id));
  // What carries other parts of a loop would drag their runs along: it stays.
  if (standingOn(system, component.id).some(wet)) return [null];
  const joined = [...group].some((id) => id !== component.id && wet(id));
  const poses: (Edit | null)[] = [null];
  const seen = new Set([JSON.stringify(component.placement)]);
  const put = (placement: Component['placement']): void => {
    const key = JSON.stringify(placement);
    if (seen.has(key)) return;
    seen.add(key);
    poses.push(
      joined
        ? { do: 'component.place', component: component.id, placement }
        : moveEdit(system, component.id, placement),
    );
  };
  const { placement } = component;
  const turns = turn && looking === 'ports';
  if (turns && placement.on === 'mount')
    put({ ...placement, ports: placement.ports === 'start' ? 'end' : 'start' });
  if (turn && (placement.on === 'spot' || placement.on === 'free' || placement.on === 'against'))
    for (const by of [90, 180, 270])
      put({ ...placement, turn: ((placement.turn + by) % 360) as Turn });
  // What is screwed to another part may turn about their joint, and slides with it alone.
  if (looking === 'slides' && slide_mm > 0 && !joined)
    for (const by of shiftsOf(system, component, slide_mm)) {
      const moved = movedBy(design, component.id, by);
      if (moved && isNearHome(moved, home, slide_mm)) put(moved);
    }
  return poses;
}

/** All that stands on a part, and on what stands on it. */
const standingOn = (system: System, id: string): readonly string[] =>
  system.mates.standingOn(id).flatMap((x) => [x, ...standingOn(system, x)]);

/**
 * Steps that bring one of its ports level with one it is joined to, along one axis or several at
 * once, and even ones along each axis.
 */
function shiftsOf(system: System, { id }: Component, most_mm: number): readonly Vec[] {
  const joined = system.design.loops.flatMap((l) =>
    l.connections.flatMap((c): (readonly [PortRef, PortRef])[] => {
      if (c.by !== 'tube') return [];
      if (c.from.component === id) return [[c.from, c.to]];
      return c.to.component === id ? [[c.to, c.from]] : [];
    }),
  );
  const levelling = (axis: 0 | 1 | 2): readonly number[] => {
    const steps = joined.flatMap(([own, other]) => {
      const a = system.portAt(own),
        b = system.portAt(other);
      const by = a && b ? Math.round(b.at[axis] - a.at[axis]) : 0;
      return by !== 0 && Math.abs(by) <= most_mm ? [by] : [];
    });
    return [0, ...new Set(steps)];
  };
  const level = levelling(0).flatMap((x) =>
    levelling(1).flatMap((y) => levelling(2).map((z): Vec => [x, y, z])),
  );
  const even = EVEN_MM.filter((mm) => mm < most_mm);
  const far = most_mm < (EVEN_MM.at(-1) ?? 0) ? [...even, most_mm] : even;
  const along = ([0, 1, 2] as const).flatMap((axis) =>
    far.flatMap((mm) => [mm, -mm].map((by) => onAxis(axis, by))),
  );
  const axesOf = (step: Vec): number => step.filter((by) => by !== 0).length;
  return [...level.filter((step) => axesOf(step) > 0), ...along]
    .sort((a, b) => axesOf(a) - axesOf(b))
    .slice(0, MOST_SHIFTS);
}
/** Even steps, mm; what slides less far goes as far as it may. */
const EVEN_MM = [20, 60, 200, 400];
const MOST_SHIFTS = 40;

const onAxis = (axis: 0 | 1 | 2, by: number): Vec =>
  [0, 1, 2].map((i) => (i === axis ? by : 0)) as unknown as Vec;
