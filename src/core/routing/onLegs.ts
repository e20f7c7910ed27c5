import type { Connection, Design } from '../design';
import { compileSystem, type System } from '../system';
import { setBack } from '../tubing';
import {
  add,
  boxGap,
  boxIn,
  cylinderBox,
  cylinderFrom,
  directionIn,
  distance,
  dot,
  pointIn,
  scale,
  sub,
  unit,
  type Box,
  type Frame,
  type Vec,
} from '../geometry';
import { chainsOf, unthreaded, type Chain, type Threaded } from './chains';
import { endWays } from './ends';
import { draftsBetween } from './fewBends';
import { routeAll } from './negotiate';
import { orientations } from './orientations';
import { roundedPath, samplePath, turnBetween } from './path';
import { pricesOf } from './prices';
import { radiusOf, type Route } from './routed';
import { tasksOf, type Task } from './task';
import { worthOfRoute } from './worth';

/** Places along a leg tried so far apart, mm. */
const STEP_MM = 5;
/** A piece of tube between two fittings is no shorter than this, mm (common practice, no source). */
const SHORTEST_MM = 24;
/** Straight tube before a meter, in bores of its tube (common practice, no source). */
const BEFORE_METER = 5;
/** What hangs on a leg keeps so far from everything, mm. */
const CLEAR_MM = 2;
/** What speaks against a place, in millimetres of tube: upside down, too little straight for a meter. */
const ASKEW_MM = 60,
  UNSTEADY_MM = 80;

/** Inline parts on legs that are there anyway, with the routes their legs belong to. */
export interface OnLegs {
  readonly frames: ReadonlyMap<string, Frame>;
  readonly routes: readonly Route[];
}

/**
 * Routes every chain of runs as one tube, and puts what hangs in it on a straight leg: right way up,
 * clear of everything, meters with straight tube before them, tees turned to where their side
 * leads. Parts that find no leg are left out.
 */
export function placeOnLegs(
  design: Design,
  kept: ReadonlyMap<string, Frame>,
  tell: (done: number, of: number) => boolean,
  hasty = false,
): OnLegs {
  const placed = new Set(kept.keys());
  const chains = chainsOf(design, placed);
  if (chains.length === 0) return { frames: new Map(), routes: [] };
  const bare = unthreaded(design, chains, placed);
  const system = compileSystem(bare);
  const { routes } = routeAll(system, tell, [], hasty);
  const frames = new Map<string, Frame>();
  let laid = [...routes];
  for (const chain of chains) {
    const whole = laid.find((r) => r.connection === chain.runs[0]?.id);
    const others = laid.filter((r) => r !== whole);
    const threadedRoutes = whole && thread(design, system, chain, whole, others);
    laid = others;
    if (!threadedRoutes) continue;
    for (const [id, frame] of threadedRoutes.frames) frames.set(id, frame);
    laid.push(...threadedRoutes.routes);
  }
  const known = new Set(design.loops.flatMap((l) => l.connections.map((c) => c.id)));
  return { frames, routes: laid.filter((r) => known.has(r.connection)) };
}

/** Places all parts of one chain on its route and cuts it at them; null where one finds no leg. */
function thread(
  design: Design,
  system: System,
  chain: Chain,
  whole: Route,
  others: readonly Route[],
): OnLegs | null {
  const task = tasksOf(system).find((t) => t.connection === whole.connection);
  if (!task) return null;
  const frames = new Map<string, Frame>();
  const cuts: Route[] = [];
  let rest = whole;
  for (const [i, part] of chain.parts.entries()) {
    const later = chain.parts.slice(i + 1);
    const run = chain.runs[i] as Connection,
      next = chain.runs[i + 1] as Connection;
    const found = bestStand(design, system, task, part, rest, [...others, ...cuts], later);
    if (!found) return null;
    const [before, after] = cut(system, task, rest, found, part, [run.id, next.id]);
    frames.set(part.component.id, found.frame);
    cuts.push(before);
    rest = after;
  }
  return { frames, routes: [...cuts, rest] };
}

/** A place on a leg of a route. */
interface Stand {
  readonly frame: Frame;
  /** The corner the leg begins at. */
  readonly leg: number;
  readonly cost: number;
}

function bestStand(
  design: Design,
  system: System,
  task: Task,
  part: Threaded,
  route: Route,
  others: readonly Route[],
  later: readonly Threaded[],
): Stand | null {
  const stands = standsOn(design, system, task, part, route, later);
  stands.sort((a, b) => a.cost - b.cost);
  const solids = [
    ...[...system.placed.values()].flatMap((p) => p.solids.map((s) => s.box)),
    ...system.obstacles.map((o) => o.box),
  ];
  return stands.find((s) => isClear(system, task, part, s.frame, solids, route, others)) ?? null;
}

/** Every place on a leg that is long enough for a part, its fittings, and what comes after it. */
function standsOn(
  design: Design,
  system: System,
  task: Task,
  part: Threaded,
  route: Route,
  later: readonly Threaded[],
): Stand[] {
  const { corners, radius_mm: r } = route;
  const { fitting, tube } = task.loop;
  const along = distance(part.inlet.at, part.outlet.at);
  const takes = along + 2 * fitting.length_mm;
  const after = later.reduce(
    (sum, p) => sum + distance(p.inlet.at, p.outlet.at) + 2 * fitting.length_mm + SHORTEST_MM,
    0,
  );
  const meter = part.component.part.kind === 'inline' && part.component.part.duty === 'meter';
  const stands: Stand[] = [];
  for (let leg = 0; leg + 1 < corners.length; leg += 1) {
    const [a, b] = [corners[leg], corners[leg + 1]] as [Vec, Vec];
    const way = unit(sub(b, a));
    if (Math.max(...way.map(Math.abs)) < 1 - 1e-6) continue;
    const first = leg === 0,
      last = leg + 2 === corners.length;
    const bent = (i: number): number =>
      i === 0 || i === corners.length - 1
        ? 0
        : setBack(
            r,
            turnBetween(
              sub(corners[i] as Vec, corners[i - 1] as Vec),
              sub(corners[i + 1] as Vec, corners[i] as Vec),
            ),
          );
    const low = bent(leg) + (first ? SHORTEST_MM : task.limits.atFitting_mm);
    const high =
      distance(a, b) -
      bent(leg + 1) -
      (last ? SHORTEST_MM + after : task.limits.atFitting_mm) -
      takes;
    // What follows in the chain wants a leg as well: this one, or one behind it.
    const room = legRoom(route, leg + 1, fitting.length_mm) >= after;
    for (let t = low; t <= high + 1e-9; t += STEP_MM) {
      if (!room && t + after > high) break;
      const mouth = add(a, scale(way, t + fitting.length_mm));
      const steady = t - bent(leg) >= BEFORE_METER * tube.inner_mm;
      const middle = Math.abs(t - (low + high) / 2);
      for (const frame of framesOn(part, mouth, way))
        stands.push({
          frame,
          leg,
          cost:
            0.1 * middle +
            (meter && !steady ? UNSTEADY_MM : 0) +
            askew(part, frame, way) +
            sideCost(design, system, task, part, frame),
        });
    }
  }
  return stands;
}

/** The longest straight leg from a corner on, mm, less what fittings take. */
function legRoom({ corners, radius_mm }: Route, from: number, fitting_mm: number): number {
  let most = 0;
  for (let i = from; i + 1 < corners.length; i += 1)
    most = Math.max(most, distance(corners[i] as Vec, corners[i + 1] as Vec) - 2 * radius_mm);
  return most - fitting_mm;
}

/** The four ways a part may be turned about its leg. */
function framesOn({ inlet, outlet }: Threaded, mouth: Vec, way: Vec): readonly Frame[] {
  return orientations()
    .filter((o) => dot(directionIn({ at: [0, 0, 0], ...o }, outlet.direction), way) > 1 - 1e-6)
    .map((o) => ({
      ...o,
      at: sub(mouth, directionIn({ at: [0, 0, 0], ...o }, inlet.at)),
    }));
}

/** Upside down, or its face to the tray, is second best. */
const askew = (_part: Threaded, { y, z }: Frame, way: Vec): number => {
  const level = Math.abs(way[1]) < 0.5;
  if (level) return y[1] > 0.5 ? 0 : ASKEW_MM * (y[1] < -0.5 ? 1 : 0.5);
  return z[2] > 0.5 || y[2] > 0.5 ? 0 : ASKEW_MM / 2;
};

/** What the runs of its other ports would cost from here, nothing in the way. */
function sideCost(
  design: Design,
  system: System,
  task: Task,
  { component, inlet, outlet }: Threaded,
  frame: Frame,
): number {
  const sides = task.loop.connections.flatMap((c) => {
    if (c.by !== 'tube') return [];
    for (const [own, other] of [
      [c.from, c.to],
      [c.to, c.from],
    ] as const)
      if (own.component === component.id && own.port !== inlet.id && own.port !== outlet.id)
        return [{ own, other }];
    return [];
  });
  const prices = pricesOf(task.loop);
  const kit = { fitting: task.loop.fitting, kit: design.kit };
  return sides.reduce((sum, { own, other }) => {
    const port = component.part.ports.find((p) => p.id === own.port);
    const to = system.portAt(other);
    if (!port || !to) return sum;
    const from = { at: pointIn(frame, port.at), direction: directionIn(frame, port.direction) };
    const drafts = draftsBetween(
      endWays(from.at, from.direction, 'auto', kit, false),
      endWays(to.at, to.direction, 'auto', kit, false),
      { limits: task.limits, prices, tube_mm: task.radius, level: [[], [], []] },
    );
    return sum + Math.min(...drafts.map((d) => d.cost), distance(from.at, to.at) + 400);
  }, 0);
}

/** Whether a part and its fittings stand clear of everything but the tube they are in. */
function isClear(
  system: System,
  task: Task,
  { component, inlet, outlet }: Threaded,
  frame: Frame,
  solids: readonly Box[],
  own: Route,
  others: readonly Route[],
): boolean {
  const { part } = component;
  const { fitting } = task.loop;
  const body = boxIn(frame, { min: [0, 0, 0], max: part.size });
  const sleeve = (at: Vec, direction: Vec): Box =>
    cylinderBox(
      cylinderFrom(
        pointIn(frame, at),
        directionIn(frame, direction),
        fitting.length_mm,
        fitting.diameter_mm / 2,
      ),
    );
  const boxes = [body, ...part.ports.map((p) => sleeve(p.at, p.direction))];
  const { room } = task;
  const inside = (b: Box): boolean =>
    room === null ||
    ([0, 1, 2] as const).every((i) => b.min[i] >= room.min[i] && b.max[i] <= room.max[i]);
  if (!boxes.every(inside)) return false;
  if (boxes.some((b) => solids.some((s) => boxGap(b, s) < CLEAR_MM))) return false;
  const ends = [
    ...own.from.bodies,
    ...own.to.bodies,
    ...others.flatMap((o) => [...o.from.bodies, ...o.to.bodies]),
  ];
  if (
    ends.some((e) =>
      boxes.some(
        (b) =>
          boxGap(
            b,
            cylinderBox(
              cylinderFrom(e.from, unit(sub(e.to, e.from)), distance(e.from, e.to), e.radius),
            ),
          ) < CLEAR_MM,
      ),
    )
  )
    return false;
  const clearOfTube = (route: Route, keep: number): boolean =>
    samplePath(route.path, STEP_MM).every((p) =>
      boxes.every((b) => boxGap({ min: p, max: p }, b) > keep),
    );
  // Its own tube may meet it on its leg alone.
  const line = [pointIn(frame, inlet.at), pointIn(frame, outlet.at)] as const;
  const way = unit(sub(line[1], line[0]));
  const offLine = (p: Vec): boolean => {
    const by = sub(p, line[0]);
    return distance(by, scale(way, dot(by, way))) > 1;
  };
  const clearOfOwn = samplePath(own.path, STEP_MM)
    .filter(offLine)
    .every((p) => boxes.every((b) => boxGap({ min: p, max: p }, b) > task.radius));
  return clearOfOwn && others.every((o) => clearOfTube(o, radiusOf(system, o) + CLEAR_MM));
}

/** A route cut at a part on one of its legs: the run into it, and the run out. */
function cut(
  system: System,
  task: Task,
  route: Route,
  { frame, leg }: Stand,
  { inlet, outlet }: Threaded,
  [into, out]: readonly [string, string],
): readonly [Route, Route] {
  const kit = { fitting: task.loop.fitting, kit: system.design.kit };
  const endAt = (port: Threaded['inlet']): Route['to'] =>
    endWays(
      pointIn(frame, port.at),
      directionIn(frame, port.direction),
      'straight',
      kit,
      false,
    )[0] as Route['to'];
  const a = endAt(inlet),
    b = endAt(outlet);
  const made = (
    connection: string,
    corners: readonly Vec[],
    from: Route['from'],
    to: Route['to'],
  ): Route => {
    const path = roundedPath(corners, route.radius_mm);
    const half = { ...route, connection, corners, path, from, to };
    return { ...half, cost: worthOfRoute(task.loop, half) };
  };
  return [
    made(into, [...route.corners.slice(0, leg + 1), a.mouth], route.from, a),
    made(out, [b.mouth, ...route.corners.slice(leg + 1)], b, route.to),
  ];
}
