import { type ComponentId, findComponent, type Design, type Loop } from '../design';
import { isWet } from '../components';
import { chambersOf } from './chambers';
import { nodeIdOf, type LoopLayout, type Leg, type NodeId, type Visit } from './types';

/** Groups of chambers of a component: none where it holds no coolant. */
export function chamberGroups(
  design: Design,
  component: ComponentId,
): readonly (readonly string[])[] {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? chambersOf(part).groups : [];
}

interface Stop {
  readonly component: ComponentId;
  readonly nodes: readonly NodeId[];
  readonly out: Leg[];
  readonly in: Leg[];
}

/**
 * A loop laid out in flow order: a column for each step from the reservoir on, a lane for each
 * branch. Works on any links, closed or not; pieces that the start does not reach stand on lanes of
 * their own.
 */
export function layoutLoop(design: Design, loop: Loop): LoopLayout {
  const stops = stopsOf(design, loop);
  const kinds = new Map(design.components.map((i) => [i.id, i.part.kind])),
    kindOf = (s: Stop): string => kinds.get(s.component) ?? '';
  const reservoirs = stops.filter((s) => kindOf(s) === 'reservoir');
  const pumps = stops.filter((s) => kindOf(s) === 'pump');
  const roots = [...reservoirs, ...pumps, ...stops.filter((s) => s.in.length === 0), ...stops];
  const { order, back } = flowOrder(stops, roots);

  const column = new Map<number, number>();
  const forward = (legs: readonly Leg[]): Leg[] => legs.filter((l) => !back.has(l.connection));
  for (const i of order) {
    const before = forward((stops[i] as Stop).in).map((l) => (column.get(l.from) ?? -1) + 1);
    column.set(i, Math.max(0, ...before));
  }
  const laneOf = lanes(stops, order, column, forward);
  const visits = stops.map((s, i): Visit => ({
    key: s.nodes[0] ?? s.component,
    component: s.component,
    nodes: s.nodes,
    column: column.get(i) ?? 0,
    lane: laneOf.visit.get(i) ?? 0,
  }));
  const legs = stops.flatMap((s) =>
    s.out.map((l): Leg => ({
      ...l,
      lane: laneOf.leg.get(l.connection) ?? 0,
      back: back.has(l.connection),
    })),
  );
  return {
    visits,
    legs,
    order,
    columns: Math.max(0, ...visits.map((v) => v.column + 1)),
    lanes: Math.max(0, ...visits.map((v) => v.lane + 1), ...legs.map((l) => l.lane + 1)),
  };
}

function stopsOf(design: Design, loop: Loop): Stop[] {
  const stops: Stop[] = [];
  const at = (component: string, port: string): number => {
    const part = findComponent(design, component)?.part;
    const chamber = part && isWet(part) ? chambersOf(part).ofPort.get(port) : undefined;
    const nodes =
      chamber === undefined
        ? [component]
        : (chamberGroups(design, component).find((g) => g.includes(chamber)) ?? [chamber]).map(
            (c) => nodeIdOf(component, c),
          );
    const known = stops.findIndex((s) => s.component === component && s.nodes[0] === nodes[0]);
    return known >= 0 ? known : stops.push({ component, nodes, out: [], in: [] }) - 1;
  };
  for (const connection of loop.connections) {
    const from = at(connection.from.component, connection.from.port),
      to = at(connection.to.component, connection.to.port);
    const leg: Leg = { connection: connection.id, from, to, lane: 0, back: false };
    (stops[from] as Stop).out.push(leg);
    (stops[to] as Stop).in.push(leg);
  }
  return stops;
}

/** Stops so that each comes after all that lead to it, but for the legs that close a circle. */
function flowOrder(
  stops: readonly Stop[],
  roots: readonly Stop[],
): { readonly order: readonly number[]; readonly back: ReadonlySet<string> } {
  const state = new Map<number, 'open' | 'done'>();
  const back = new Set<string>();
  const finished: number[] = [];
  const visit = (i: number): void => {
    state.set(i, 'open');
    for (const leg of [...(stops[i] as Stop).out].reverse()) {
      const seen = state.get(leg.to);
      if (seen === 'open') back.add(leg.connection);
      else if (seen === undefined) visit(leg.to);
    }
    state.set(i, 'done');
    finished.push(i);
  };
  const pieces: number[][] = [];
  for (const root of roots) {
    const i = stops.indexOf(root);
    if (state.has(i)) continue;
    visit(i);
    pieces.push(finished.splice(0).reverse());
  }
  return { order: pieces.flat(), back };
}

interface Lanes {
  readonly visit: ReadonlyMap<number, number>;
  readonly leg: ReadonlyMap<string, number>;
}

function lanes(
  stops: readonly Stop[],
  order: readonly number[],
  column: ReadonlyMap<number, number>,
  forward: (legs: readonly Leg[]) => Leg[],
): Lanes {
  const visit = new Map<number, number>(),
    leg = new Map<string, number>();
  const taken: { readonly lane: number; readonly from: number; readonly to: number }[] = [];
  const colOf = (i: number): number => column.get(i) ?? 0;
  const free = (from: number, to: number, above: number): number => {
    let lane = above;
    while (taken.some((t) => t.lane === lane && t.from < to && from < t.to)) lane += 1;
    taken.push({ lane, from, to });
    return lane;
  };
  /** Column where a branch meets others again, or ends. */
  const until = (start: Leg): number => {
    let i = start.to;
    for (let guard = stops.length; guard > 0 && (stops[i] as Stop).in.length === 1; guard -= 1) {
      const next = forward((stops[i] as Stop).out)[0];
      if (!next) return colOf(i) + 1;
      i = next.to;
    }
    return colOf(i);
  };
  for (const i of order) {
    const stop = stops[i] as Stop;
    const into = forward(stop.in).map((l) => leg.get(l.connection) ?? 0);
    const lane =
      into.length > 0
        ? Math.min(...into)
        : free(
            colOf(i),
            colOf(i) + 1,
            taken.length === 0 ? 0 : 1 + Math.max(...taken.map((t) => t.lane)),
          );
    visit.set(i, lane);
    forward(stop.out).forEach((l, k) => {
      if (k > 0) {
        leg.set(l.connection, free(colOf(i), Math.max(until(l), colOf(i) + 1), lane + 1));
        return;
      }
      leg.set(l.connection, lane);
      taken.push({ lane, from: colOf(i), to: colOf(l.to) });
    });
    for (const l of stop.out) if (!leg.has(l.connection)) leg.set(l.connection, lane);
  }
  return { visit, leg };
}
