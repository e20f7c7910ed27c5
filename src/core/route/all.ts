import type { LinkWay, Via } from '../build';
import type { Model } from '../model';
import { bodiesMeet, boxGap, distance, dot, union, type Box, type Vec } from '../shape';
import { endWays, type EndWay } from './ends';
import { hardWay } from './hard';
import { led, levelled, slantBetween, type LevelEnd } from './level';
import { bendLines } from './lines';
import { roundedPath, samplePath } from './path';
import { grow, within, type Room } from './room';
import { radiusOf, type NoRoute, type Route, type Routed } from './routed';
import { slanted } from './slant';
import { softWay } from './soft';
import { bodyBox, fixedBodies, roomFor, type Fixed } from './standing';
import { tasksOf, type Task } from './task';
import { tellOf } from './told';
import { tasteOf, viewBlocks } from './view';

/** Distances tried in turn when the brief's leaves no way, mm. */
const KEPT_MM = [1];
/** Rounds of taking up and laying anew, by the number of runs. */
const ROUNDS_A_RUN = 2,
  ROUNDS_MORE = 6;
/** Times a run is taken up before it must find its own way or stay without. */
const MOST_RIPS = 3;
type Tell = (done: number, of: number) => boolean;

/**
 * Every run of the model, negotiated: each takes its cheapest way past everything that stands and past the runs already laid; one that finds
 * none may cross others at a price, which are then taken up and laid anew, ever dearer to cross where that happens again. Deterministic.
 */
export function routeAll(model: Model, tell: Tell = () => true): Routed {
  const tasks = tasksOf(model);
  const done = new Map<string, Route>(),
    history = new Map<string, number>(),
    given = new Map<string, NoRoute>();
  const unpinned: string[] = [];
  for (const t of tasks) {
    if (!t.way.pinned) continue;
    const laid = pinnedRoute(model, t, t.way.pinned);
    if (laid) done.set(t.link, laid);
    else unpinned.push(t.link);
  }
  // What the builder set comes first; then the shortest.
  const queue = tasks
    .filter((t) => !done.has(t.link))
    .sort(
      (a, b) =>
        Number(b.way.via !== undefined) - Number(a.way.via !== undefined) ||
        a.apart - b.apart ||
        a.link.localeCompare(b.link),
    );
  const fixed = fixedBodies(model);
  const isPinned = (link: string): boolean =>
    tasks.some((t) => t.link === link && t.way.pinned !== undefined && !unpinned.includes(link));
  let rounds = 0;
  for (let task = queue.shift(); task; task = queue.shift()) {
    rounds += 1;
    if (!tell(done.size + given.size, tasks.length)) break;
    const mine = task;
    const waiting = tasks.filter((t) => t !== mine && !done.has(t.link) && !given.has(t.link));
    const others = [...done.values()];
    const laid = layOne(model, task, fixed, waiting, others, null);
    if (laid) {
      done.set(task.link, laid);
      continue;
    }
    const forced =
      rounds < ROUNDS_A_RUN * tasks.length + ROUNDS_MORE
        ? layOne(model, task, fixed, waiting, others, history)
        : null;
    if (!forced) {
      given.set(
        task.link,
        given.size < MOST_EXPLAINED
          ? explain(model, task, fixed, waiting, others)
          : { link: task.link, loop: task.loop.id, blockedBy: null, wouldFit: null },
      );
      continue;
    }
    // Whatever it crosses is taken up and laid again after it.
    const crossed = others.filter((o) => tubesMeet(forced, o, tasks));
    if (crossed.some((o) => (history.get(o.link) ?? 0) >= MOST_RIPS || isPinned(o.link))) {
      given.set(
        task.link,
        given.size < MOST_EXPLAINED
          ? explain(model, task, fixed, waiting, others)
          : { link: task.link, loop: task.loop.id, blockedBy: null, wouldFit: null },
      );
      continue;
    }
    for (const o of crossed) {
      done.delete(o.link);
      history.set(o.link, (history.get(o.link) ?? 0) + 1);
      const again = tasks.find((t) => t.link === o.link);
      if (again) queue.push(again);
    }
    done.set(task.link, forced);
  }
  tidyUp(
    model,
    tasks.filter((t) => done.has(t.link) && !isPinned(t.link)),
    fixed,
    done,
    () => tell(done.size + given.size, tasks.length),
  );
  return {
    routes: toldOf(
      model,
      tasks,
      tasks.flatMap((t) => done.get(t.link) ?? []),
    ),
    missing: tasks.flatMap((t) => given.get(t.link) ?? []),
    rounds,
    unpinned,
  };
}

/** Runs with what is told of each: its nearest neighbour, and what is seen of it. */
const toldOf = (model: Model, tasks: readonly Task[], routes: readonly Route[]): readonly Route[] =>
  routes.map((r) => {
    const t = tasks.find((x) => x.link === r.link);
    return { ...r, told: tellOf(model, r, routes, t ? [t.from.item, t.to.item] : []) };
  });

/** Every run once more, dearest first, past all others as they lie now: what made it go round may be gone. Kept where it comes out cheaper. */
function tidyUp(
  model: Model,
  tasks: readonly Task[],
  fixed: readonly Fixed[],
  done: Map<string, Route>,
  goOn: () => boolean,
): void {
  const worth = (t: Task): number => done.get(t.link)?.cost ?? 0;
  for (const t of [...tasks].sort((a, b) => worth(b) - worth(a) || a.link.localeCompare(b.link))) {
    if (!goOn()) return;
    const now = done.get(t.link) as Route;
    const others = [...done.values()].filter((r) => r !== now),
      { cost, taste } = retold(model, t, now, others);
    const again = layOne(model, t, fixed, [], others, null, taste > 0 ? {} : { most: TIDY_MOST });
    // A way that keeps less distance is not tidier.
    if (again && again.cost < cost - 1 && again.kept_mm >= now.kept_mm) done.set(t.link, again);
  }
  for (const t of tasks)
    done.set(t.link, retold(model, t, done.get(t.link) as Route, [...done.values()]));
}

/** A run with its cost as the others lie now: what it pays for standing in view of them. */
function retold(model: Model, t: Task, r: Route, others: readonly Route[]): Route {
  const taste = tasteOf(
    viewBlocks(model, t, others, (o) => radiusOf(model, o)),
    r,
  );
  return { ...r, cost: r.cost - r.taste + taste, taste };
}
/** Corners looked at for a tidier way, and for the way of a run in the hand. */
const TIDY_MOST = 4000,
  LIVE_MOST = 2500;

/** How hard a way is looked for: corners looked at, and how much dearer than the cheapest it may be. */
interface Effort {
  readonly most?: number;
  readonly weight?: number;
}

/** The least a run could cost past all others as they lie: the same search without haste. Infinity when there is no way. */
export function leastCost(model: Model, routed: Routed, link: string): number {
  const t = tasksOf(model).find((x) => x.link === link);
  return (
    (t &&
      layOne(
        model,
        t,
        fixedBodies(model),
        [],
        routed.routes.filter((r) => r.link !== link),
        null,
        { weight: 1, most: 400_000 },
      )?.cost) ??
    Infinity
  );
}

/** One run laid anew past all others as they lie: what a hand that drags it sees. The rest is negotiated when it lets go. */
export function routeOne(model: Model, routed: Routed, link: string): Routed {
  const t = tasksOf(model).find((x) => x.link === link);
  if (!t) return routed;
  const others = routed.routes.filter((r) => r.link !== link),
    fixed = fixedBodies(model);
  const route =
    (t.way.pinned && pinnedRoute(model, t, t.way.pinned)) ??
    layOne(model, t, fixed, [], others, null, { most: LIVE_MOST });
  const routes = toldOf(model, tasksOf(model), route ? [...others, route] : others);
  return {
    ...routed,
    routes,
    missing: [
      ...routed.missing.filter((m) => m.link !== link),
      ...(route ? [] : [{ link, loop: t.loop.id, blockedBy: null, wouldFit: null }]),
    ],
  };
}

/** What is kept of a way to lay it again just so. */
export const pinOf = (r: Route): NonNullable<LinkWay['pinned']> => ({
  corners: r.corners,
  radius_mm: r.radius_mm,
  from: { piece: r.from.piece, direction: r.from.direction },
  to: { piece: r.to.piece, direction: r.to.direction },
});

/** A run as it was pinned, where its ends still stand where they did. */
function pinnedRoute(model: Model, t: Task, pin: NonNullable<LinkWay['pinned']>): Route | null {
  const end = (side: 'from' | 'to', at: Vec): EndWay | undefined =>
    endWays(
      t[side].at,
      t[side].direction,
      'auto',
      { fitting: t.loop.fitting, kit: model.build.kit },
      true,
    ).find(
      (e) =>
        e.piece === pin[side].piece &&
        dot(e.direction, pin[side].direction) > 0.9999 &&
        distance(e.mouth, at) < MEETS_MM,
    );
  const from = end('from', pin.corners[0] as Vec),
    to = end('to', pin.corners[pin.corners.length - 1] as Vec);
  if (!from || !to) return null;
  const corners = [from.mouth, ...pin.corners.slice(1, -1), to.mouth];
  return {
    link: t.link,
    loop: t.loop.id,
    corners,
    radius_mm: pin.radius_mm,
    path: roundedPath(corners, pin.radius_mm),
    from,
    to,
    kept_mm: 0,
    cost: 0,
    taste: 0,
  };
}

/** Ends meet when they are this near, mm. */
const MEETS_MM = 0.01;

/** Ends a builder lets a run have: with the pieces and, where it can, the way out they asked for. */
function endsOf(model: Model, t: Task, side: 'from' | 'to'): readonly EndWay[] {
  const all = endWays(
      t[side].at,
      t[side].direction,
      t.wish[side],
      { fitting: t.loop.fitting, kit: model.build.kit },
      !t.loop.tube.hard || t.way.slanted === true,
    ),
    asked = side === 'from' ? t.way.leave : t.way.arrive;
  const fit = asked ? all.filter((e) => dot(e.direction, asked) > ASKED_COS) : all;
  return fit.length > 0 ? fit : all;
}
/** Directions within about 8° are the one asked for. */
const ASKED_COS = 0.99;

/** Ends whose pieces go in: past what stands but their own part, and past other runs' fittings. */
function openEnds(
  model: Model,
  t: Task,
  side: 'from' | 'to',
  fixed: readonly Fixed[],
  others: readonly Route[],
): readonly EndWay[] {
  const own = t[side].item,
    { interior } = model;
  const all = endsOf(model, t, side);
  const open = all.filter((e) => {
    const boxes = e.bodies.map(bodyBox);
    if (
      interior &&
      boxes.some((b) =>
        ([0, 1, 2] as const).some(
          (i) => b.min[i] < interior.min[i] - 1 || b.max[i] > interior.max[i] + 1,
        ),
      )
    )
      return false;
    if (
      fixed.some((f) =>
        boxes.some(
          (b, k) =>
            boxGap(b, f.box) < -0.5 &&
            !(f.id === own && !f.port && k === 0) &&
            !(
              f.id === own &&
              !f.port &&
              e.piece !== 'straight' &&
              k < 2 &&
              boxGap(b, f.box) > -e.bodies[k]!.radius
            ) &&
            bodiesMeet({ box: b }, f.body),
        ),
      )
    )
      return false;
    return !others.some(
      (o) =>
        [...o.from.bodies, ...o.to.bodies].some((x) =>
          boxes.some((b) => boxGap(b, bodyBox(x)) < -0.01),
        ) || samplePath(o.path, 8).some((p) => boxes.some((b) => within(grow(b, t.radius), p))),
    );
  });
  // A port whose every fitting meets something keeps its straight one: that trouble is the port's own finding.
  return open.length > 0 ? open : all.slice(0, 1);
}

function layOne(
  model: Model,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
  history: ReadonlyMap<string, number> | null,
  effort: Effort = {},
): Route | null {
  const froms = openEnds(model, t, 'from', fixed, history ? [] : others),
    tos = openEnds(model, t, 'to', fixed, history ? [] : others);
  for (const kept of [
    model.build.brief.limits.clear_mm,
    ...KEPT_MM.filter((k) => k < model.build.brief.limits.clear_mm),
  ]) {
    const room = roomFor(model, t, fixed, waiting, others, [...froms, ...tos], kept, history);
    const route = find(t, room, froms, tos, others, kept, t.limits.radius_mm, effort);
    if (route) return route;
  }
  return null;
}

function find(
  t: Task,
  room: Room,
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  others: readonly Route[],
  kept: number,
  radius = t.limits.radius_mm,
  { most, weight = WEIGHT }: Effort = {},
): Route | null {
  const limits = { ...t.limits, radius_mm: radius };
  const made = (
    w: {
      readonly corners: readonly Vec[];
      readonly from: EndWay;
      readonly to: EndWay;
      readonly cost: number;
    },
    r: number,
  ): Route => {
    const route = {
      link: t.link,
      loop: t.loop.id,
      corners: w.corners,
      radius_mm: r,
      path: roundedPath(w.corners, r),
      from: w.from,
      to: w.to,
      kept_mm: kept,
      cost: w.cost,
      taste: 0,
    };
    return { ...route, taste: tasteOf(room.blocks, route) };
  };
  const vias: readonly Via[] = t.way.via ?? [];
  if (!t.loop.tube.hard && vias.length === 0) {
    const soft = softWay(room, froms, tos, limits);
    if (soft) return made(soft, soft.radius_mm);
  }
  const level = ([0, 1, 2] as const).map((i) =>
    others.filter((o) => o.loop === t.loop.id).flatMap((o) => o.corners.map((c) => c[i])),
  ) as unknown as readonly [number[], number[], number[]];
  const openings = t.behind ? t.openings : [];
  const asked = ([0, 1, 2] as const).map((i) => [
    ...vias.flatMap((v) => v[i] ?? []),
    ...openings.map((o) => o[i]),
  ]) as unknown as readonly [number[], number[], number[]];
  const starts = levelled(room, froms, tos, limits, t.loop.tube.hard),
    goals = levelled(room, tos, froms, limits, t.loop.tube.hard);
  const lines = bendLines(
    room.bounds,
    room.blocks,
    [...starts, ...goals].filter((e) => !e.lead),
    limits,
    level,
    asked,
    [...starts, ...goals].filter((e) => e.lead),
  );
  const planes = level.map((l) => new Set(l.map(Math.round))) as unknown as readonly [
    Set<number>,
    Set<number>,
    Set<number>,
  ];
  const hard = hardWay(room, starts, goals, limits, lines, others.length > 0 ? planes : null, {
    weight,
    vias,
    ...(most === undefined ? {} : { most }),
  });
  const direct = vias.length === 0 ? slantBetween(room, froms, tos, limits) : null;
  if (direct && direct.cost < (hard?.cost ?? Infinity)) return made(direct, radius);
  if (!hard) return null;
  const from: LevelEnd = hard.from,
    to: LevelEnd = hard.to,
    corners = led(hard.corners, from, to);
  return made(
    {
      corners: t.way.slanted && t.loop.tube.hard ? slanted(room, corners, limits) : corners,
      from: from.lead?.end ?? from,
      to: to.lead?.end ?? to,
      cost: hard.cost,
    },
    radius,
  );
}

/** Runs without a way that are looked into. */
const MOST_EXPLAINED = 4;
/** Corners looked at for each guess at what is in the way. */
const EXPLAIN_MOST = 2000;
/** Ways may cost so many times the cheapest: found so much sooner. */
const WEIGHT = 1.15;
/** Whether two laid runs touch, tubes and fittings. */
function tubesMeet(a: Route, b: Route, tasks: readonly Task[]): boolean {
  const ra = tasks.find((t) => t.link === a.link)?.radius ?? 8,
    rb = tasks.find((t) => t.link === b.link)?.radius ?? 8;
  const pa = samplePath(a.path, 5),
    pb = samplePath(b.path, 5);
  if (pa.some((p) => pb.some((q) => distance(p, q) < ra + rb))) return true;
  const fit = (x: Route): readonly Box[] => [...x.from.bodies, ...x.to.bodies].map(bodyBox);
  return (
    fit(a).some((x) => fit(b).some((y) => boxGap(x, y) < -0.01)) ||
    fit(a).some((x) => pb.some((q) => within(grow(x, rb), q))) ||
    fit(b).some((y) => pa.some((p) => within(grow(y, ra), p)))
  );
}

/** What a part sits on, and what that sits on: without it the part would not be there. */
function carriersOf(model: Model, id: string): readonly string[] {
  const { placement } = model.build.items.find((i) => i.id === id) ?? {};
  if (placement?.on === 'item' || placement?.on === 'radiator')
    return [placement.item, ...carriersOf(model, placement.item)];
  const board = model.build.items.find((i) => i.part.kind === 'board');
  if (placement?.on === 'slot' || placement?.on === 'board') {
    if (board) return [board.id];
    return [];
  }
  return [];
}

/** Which one thing out of the way, or which tighter bend, would give a run its way. */
function explain(
  model: Model,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
): NoRoute {
  const froms = endsOf(model, t, 'from'),
    tos = endsOf(model, t, 'to'),
    least = KEPT_MM[KEPT_MM.length - 1] as number;
  const whole = roomFor(model, t, fixed, waiting, others, [...froms, ...tos], least, null);
  const name = (id: string): string =>
    model.build.items.find((i) => i.id === id)?.name ??
    model.build.case?.obstacles.find((o) => `case:${o.id}` === id)?.name ??
    'another run';
  let wouldFit: string | null = null;
  for (const share of [0.75, 0.5]) {
    if (find(t, whole, froms, tos, [], least, t.limits.radius_mm * share, { most: EXPLAIN_MOST })) {
      wouldFit = `bends of ${Math.round(t.limits.radius_mm * share)} mm`;
      break;
    }
  }
  const ends = new Set([t.from.item, t.to.item].flatMap((id) => [id, ...carriersOf(model, id)]));
  const between = union([
    { min: t.from.at, max: t.from.at },
    { min: t.to.at, max: t.to.at },
  ]);
  const ids = [
    ...new Set(
      whole.blocks
        .filter((b) => b.toll === Infinity && boxGap(b, grow(between, 40)) < 0)
        .map((b) => b.id),
    ),
  ]
    .filter((id) => !ends.has(id))
    .slice(0, 6);
  for (const id of ids)
    if (
      find(
        t,
        { ...whole, blocks: whole.blocks.filter((b) => b.id !== id) },
        froms,
        tos,
        [],
        least,
        t.limits.radius_mm,
        { most: EXPLAIN_MOST },
      )
    )
      return { link: t.link, loop: t.loop.id, blockedBy: name(id), wouldFit };
  return { link: t.link, loop: t.loop.id, blockedBy: null, wouldFit };
}
