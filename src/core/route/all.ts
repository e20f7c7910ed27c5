import type { LinkWay, Loop, PortRef, Via } from '../build';
import { trayBoxes, type Model, type PlacedPort } from '../model';
import { bodiesMeet, boxGap, cylinderBox, cylinderFrom, distance, dot, union, type Body, type Box, type Vec } from '../shape';
import { endWays, type EndBody, type EndWay } from './ends';
import { hardWay, type TubeLimits } from './hard';
import { bendLines } from './lines';
import type { Segment } from '../run';
import { roundedPath, samplePath } from './path';
import { grow, within, type Block, type Room } from './room';
import { slanted } from './slant';
import { softWay } from './soft';

/** A run with its way through the case. */
export interface Route {
  readonly link: string;
  readonly loop: string;
  readonly corners: readonly Vec[];
  readonly radius_mm: number;
  readonly path: readonly Segment[];
  readonly from: EndWay;
  readonly to: EndWay;
  /** Distance kept to everything, mm: what was asked, or less where that was needed. */
  readonly kept_mm: number;
  /** In millimetres of straight tube, pieces and bends weighed in. */
  readonly cost: number;
}

/** A run without a way, and what would give it one. */
export interface NoRoute { readonly link: string; readonly loop: string; readonly blockedBy: string | null; readonly wouldFit: string | null }

export interface Routed { readonly routes: readonly Route[]; readonly missing: readonly NoRoute[]; readonly rounds: number; /** Runs whose pinned way no longer meets their ports: they were routed anew. */ readonly unpinned: readonly string[] }

/** Straight tube that a fitting must grip and clear before a bend, and least between two bends, mm (common practice, no source). */
export const STRAIGHT_MM = 12, BETWEEN_MM = 5;
/** Distances tried in turn when the brief's leaves no way, mm. */
const KEPT_MM = [1];
/** Rounds of taking up and laying anew, by the number of runs. */
const ROUNDS_A_RUN = 2, ROUNDS_MORE = 6;
/** Times a run is taken up before it must find its own way or stay without. */
const MOST_RIPS = 3;
/** What it costs to cross a run that is there, mm, and how much dearer that becomes each time a run is taken up (McMurchie & Ebeling 1995: history). */
const CROSS_COST = 400, HISTORY_COST = 250;

interface Task { readonly link: string; readonly loop: Loop; readonly from: PlacedPort; readonly to: PlacedPort; readonly limits: TubeLimits; readonly radius: number; readonly wish: { readonly from: Loop['links'][number]['ends']['from']; readonly to: Loop['links'][number]['ends']['to'] }; readonly apart: number; readonly way: LinkWay; /** Whether it may run behind the tray, and the middles of the openings it would pass. */ readonly behind: boolean; readonly openings: readonly Vec[] }

type Tell = (done: number, of: number) => boolean;

/**
 * Every run of the model, negotiated: each takes its cheapest way past everything that stands and past the runs already laid; one that finds
 * none may cross others at a price, which are then taken up and laid anew, ever dearer to cross where that happens again. Deterministic.
 */
export function routeAll(model: Model, tell: Tell = () => true): Routed {
  const tasks = tasksOf(model);
  const done = new Map<string, Route>(), history = new Map<string, number>(), given = new Map<string, NoRoute>();
  const unpinned: string[] = [];
  for (const t of tasks) {
    if (!t.way.pinned) continue;
    const laid = pinnedRoute(model, t, t.way.pinned);
    if (laid) done.set(t.link, laid); else unpinned.push(t.link);
  }
  // What the builder set comes first; then the shortest.
  const queue = tasks.filter((t) => !done.has(t.link)).sort((a, b) => Number(b.way.via !== undefined) - Number(a.way.via !== undefined) || a.apart - b.apart || a.link.localeCompare(b.link));
  const fixed = fixedBodies(model);
  const isPinned = (link: string): boolean => tasks.some((t) => t.link === link && t.way.pinned !== undefined && !unpinned.includes(link));
  let rounds = 0;
  for (let task = queue.shift(); task; task = queue.shift()) {
    rounds += 1;
    if (!tell(done.size + given.size, tasks.length)) break;
    const mine = task;
    const waiting = tasks.filter((t) => t !== mine && !done.has(t.link) && !given.has(t.link));
    const others = [...done.values()];
    const laid = layOne(model, task, fixed, waiting, others, null);
    if (laid) { done.set(task.link, laid); continue; }
    const forced = rounds < ROUNDS_A_RUN * tasks.length + ROUNDS_MORE ? layOne(model, task, fixed, waiting, others, history) : null;
    if (!forced) { given.set(task.link, given.size < MOST_EXPLAINED ? explain(model, task, fixed, waiting, others) : { link: task.link, loop: task.loop.id, blockedBy: null, wouldFit: null }); continue; }
    // Whatever it crosses is taken up and laid again after it.
    const crossed = others.filter((o) => tubesMeet(forced, o, tasks));
    if (crossed.some((o) => (history.get(o.link) ?? 0) >= MOST_RIPS || isPinned(o.link))) { given.set(task.link, given.size < MOST_EXPLAINED ? explain(model, task, fixed, waiting, others) : { link: task.link, loop: task.loop.id, blockedBy: null, wouldFit: null }); continue; }
    for (const o of crossed) {
      done.delete(o.link);
      history.set(o.link, (history.get(o.link) ?? 0) + 1);
      const again = tasks.find((t) => t.link === o.link);
      if (again) queue.push(again);
    }
    done.set(task.link, forced);
  }
  tidyUp(model, tasks.filter((t) => done.has(t.link) && !isPinned(t.link)), fixed, done, () => tell(done.size + given.size, tasks.length));
  return { routes: tasks.flatMap((t) => done.get(t.link) ?? []), missing: tasks.flatMap((t) => given.get(t.link) ?? []), rounds, unpinned };
}

/** Every run once more, dearest first, past all others as they lie now: what made it go round may be gone. Kept where it comes out cheaper. */
function tidyUp(model: Model, tasks: readonly Task[], fixed: readonly Fixed[], done: Map<string, Route>, goOn: () => boolean): void {
  const worth = (t: Task): number => done.get(t.link)?.cost ?? 0;
  for (const t of [...tasks].sort((a, b) => worth(b) - worth(a) || a.link.localeCompare(b.link))) {
    if (!goOn()) return;
    const now = done.get(t.link) as Route;
    const again = layOne(model, t, fixed, [], [...done.values()].filter((r) => r !== now), null, { most: TIDY_MOST });
    // A way that keeps less distance is not tidier.
    if (again && again.cost < now.cost - 1 && again.kept_mm >= now.kept_mm) done.set(t.link, again);
  }
}
/** Corners looked at for a tidier way, and for the way of a run in the hand. */
const TIDY_MOST = 4000, LIVE_MOST = 2500;

/** How hard a way is looked for: corners looked at, and how much dearer than the cheapest it may be. */
interface Effort { readonly most?: number; readonly weight?: number }

/** The least a run could cost past all others as they lie: the same search without haste. Infinity when there is no way. */
export function leastCost(model: Model, routed: Routed, link: string): number {
  const t = tasksOf(model).find((x) => x.link === link);
  return (t && layOne(model, t, fixedBodies(model), [], routed.routes.filter((r) => r.link !== link), null, { weight: 1, most: 400_000 })?.cost) ?? Infinity;
}

/** One run laid anew past all others as they lie: what a hand that drags it sees. The rest is negotiated when it lets go. */
export function routeOne(model: Model, routed: Routed, link: string): Routed {
  const t = tasksOf(model).find((x) => x.link === link);
  if (!t) return routed;
  const others = routed.routes.filter((r) => r.link !== link), fixed = fixedBodies(model);
  const route = (t.way.pinned && pinnedRoute(model, t, t.way.pinned)) ?? layOne(model, t, fixed, [], others, null, { most: LIVE_MOST });
  return { ...routed, routes: route ? [...others, route] : others, missing: [...routed.missing.filter((m) => m.link !== link), ...(route ? [] : [{ link, loop: t.loop.id, blockedBy: null, wouldFit: null }])] };
}

/** What is kept of a way to lay it again just so. */
export const pinOf = (r: Route): NonNullable<LinkWay['pinned']> => ({ corners: r.corners, radius_mm: r.radius_mm, from: { piece: r.from.piece, direction: r.from.direction }, to: { piece: r.to.piece, direction: r.to.direction } });

/** A run as it was pinned, where its ends still stand where they did. */
function pinnedRoute(model: Model, t: Task, pin: NonNullable<LinkWay['pinned']>): Route | null {
  const end = (side: 'from' | 'to', at: Vec): EndWay | undefined => endWays(t[side].at, t[side].direction, 'auto', { fitting: t.loop.fitting, kit: model.build.kit }, true).find((e) => e.piece === pin[side].piece && dot(e.direction, pin[side].direction) > 0.9999 && distance(e.mouth, at) < MEETS_MM);
  const from = end('from', pin.corners[0] as Vec), to = end('to', pin.corners[pin.corners.length - 1] as Vec);
  if (!from || !to) return null;
  const corners = [from.mouth, ...pin.corners.slice(1, -1), to.mouth];
  return { link: t.link, loop: t.loop.id, corners, radius_mm: pin.radius_mm, path: roundedPath(corners, pin.radius_mm), from, to, kept_mm: 0, cost: 0 };
}

/** Ends meet when they are this near, mm. */
const MEETS_MM = 0.01;

function tasksOf(model: Model): readonly Task[] {
  return model.build.loops.flatMap((loop) => loop.links.flatMap((link): Task[] => {
    const from = model.portAt(link.from), to = model.portAt(link.to);
    if (link.by !== 'tube' || !from || !to) return [];
    return [{ link: link.id, loop, from, to, radius: loop.tube.outer_mm / 2, limits: { radius_mm: loop.tube.minBend_mm, atFitting_mm: loop.tube.hard ? STRAIGHT_MM : STRAIGHT_MM / 2, between_mm: BETWEEN_MM }, wish: link.ends, apart: distance(from.at, to.at), way: link.way ?? {}, behind: (model.build.case?.behind_mm ?? 0) > 0 && (link.way?.via ?? []).some((v) => v[2] !== null && v[2] < 0), openings: (model.build.case?.grommets ?? []).map((g) => g.at) }];
  }));
}

interface Fixed { readonly id: string; readonly box: Box; readonly body: Body; readonly port?: PortRef }

/** What stands: parts, cages, and caps in spare ports. */
function fixedBodies(model: Model): readonly Fixed[] {
  const { kit } = model.build;
  const caps = model.build.loops.flatMap((loop) => loop.caps.flatMap((cap): Fixed[] => {
    const at = model.portAt(cap);
    if (!at) return [];
    const piece = kit[cap.with], cylinder = cylinderFrom(at.at, at.direction, piece.length_mm, piece.diameter_mm / 2);
    return [{ id: cap.item, box: cylinderBox(cylinder), body: { box: cylinderBox(cylinder), cylinder }, port: cap }];
  }));
  return [...[...model.placed.values()].flatMap((p) => p.solids.map((s): Fixed => ({ id: p.item.id, box: s.box, body: s }))), ...model.obstacles.map((o): Fixed => ({ id: o.item, box: o.box, body: o })), ...caps];
}

/** The box round a piece of an end, whatever its slant. */
const bodyBox = (b: EndBody): Box => {
  const axis = ([0, 1, 2] as const).filter((i) => Math.abs(b.to[i] - b.from[i]) > 1e-9);
  const out = (i: 0 | 1 | 2): number => (axis.length === 1 && axis[0] === i ? 0 : b.radius);
  return { min: [0, 1, 2].map((i) => Math.min(b.from[i as 0], b.to[i as 0]) - out(i as 0)) as unknown as Vec, max: [0, 1, 2].map((i) => Math.max(b.from[i as 0], b.to[i as 0]) + out(i as 0)) as unknown as Vec };
};

/** Ends a builder lets a run have: with the pieces and, where it can, the way out they asked for. */
function endsOf(model: Model, t: Task, side: 'from' | 'to'): readonly EndWay[] {
  const all = endWays(t[side].at, t[side].direction, t.wish[side], { fitting: t.loop.fitting, kit: model.build.kit }, !t.loop.tube.hard), asked = side === 'from' ? t.way.leave : t.way.arrive;
  const fit = asked ? all.filter((e) => dot(e.direction, asked) > ASKED_COS) : all;
  return fit.length > 0 ? fit : all;
}
/** Directions within about 8° are the one asked for. */
const ASKED_COS = 0.99;

/** Ends whose pieces go in: past what stands but their own part, and past other runs' fittings. */
function openEnds(model: Model, t: Task, side: 'from' | 'to', fixed: readonly Fixed[], others: readonly Route[]): readonly EndWay[] {
  const own = t[side].item, { interior } = model;
  const all = endsOf(model, t, side);
  const open = all.filter((e) => {
    const boxes = e.bodies.map(bodyBox);
    if (interior && boxes.some((b) => ([0, 1, 2] as const).some((i) => b.min[i] < interior.min[i] - 1 || b.max[i] > interior.max[i] + 1))) return false;
    if (fixed.some((f) => boxes.some((b, k) => boxGap(b, f.box) < -0.5 && !(f.id === own && !f.port && k === 0) && !(f.id === own && !f.port && e.piece !== 'straight' && k < 2 && boxGap(b, f.box) > -e.bodies[k]!.radius) && bodiesMeet({ box: b }, f.body)))) return false;
    return !others.some((o) => [...o.from.bodies, ...o.to.bodies].some((x) => boxes.some((b) => boxGap(b, bodyBox(x)) < -0.01)) || samplePath(o.path, 8).some((p) => boxes.some((b) => within(grow(b, t.radius), p))));
  });
  // A port whose every fitting meets something keeps its straight one: that trouble is the port's own finding.
  return open.length > 0 ? open : all.slice(0, 1);
}

function layOne(model: Model, t: Task, fixed: readonly Fixed[], waiting: readonly Task[], others: readonly Route[], history: ReadonlyMap<string, number> | null, effort: Effort = {}): Route | null {
  const froms = openEnds(model, t, 'from', fixed, history ? [] : others), tos = openEnds(model, t, 'to', fixed, history ? [] : others);
  for (const kept of [model.build.brief.limits.clear_mm, ...KEPT_MM.filter((k) => k < model.build.brief.limits.clear_mm)]) {
    const room = roomFor(model, t, fixed, waiting, others, [...froms, ...tos], kept, history);
    const route = find(t, room, froms, tos, others, kept, t.limits.radius_mm, effort);
    if (route) return route;
  }
  return null;
}

function find(t: Task, room: Room, froms: readonly EndWay[], tos: readonly EndWay[], others: readonly Route[], kept: number, radius = t.limits.radius_mm, { most, weight = WEIGHT }: Effort = {}): Route | null {
  const limits = { ...t.limits, radius_mm: radius };
  const made = (w: { readonly corners: readonly Vec[]; readonly from: EndWay; readonly to: EndWay; readonly cost: number }, r: number): Route => ({ link: t.link, loop: t.loop.id, corners: w.corners, radius_mm: r, path: roundedPath(w.corners, r), from: w.from, to: w.to, kept_mm: kept, cost: w.cost });
  const vias: readonly Via[] = t.way.via ?? [];
  if (!t.loop.tube.hard && vias.length === 0) {
    const soft = softWay(room, froms, tos, limits);
    if (soft) return made(soft, soft.radius_mm);
  }
  const level = ([0, 1, 2] as const).map((i) => others.filter((o) => o.loop === t.loop.id).flatMap((o) => o.corners.map((c) => c[i]))) as unknown as readonly [number[], number[], number[]];
  const openings = t.behind ? t.openings : [];
  const asked = ([0, 1, 2] as const).map((i) => [...vias.flatMap((v) => v[i] ?? []), ...openings.map((o) => o[i])]) as unknown as readonly [number[], number[], number[]];
  const lines = bendLines(room.bounds, room.blocks, [...froms, ...tos], limits, level, asked);
  const planes = level.map((l) => new Set(l.map(Math.round))) as unknown as readonly [Set<number>, Set<number>, Set<number>];
  const hard = hardWay(room, froms, tos, limits, lines, others.length > 0 ? planes : null, { weight, vias, ...(most === undefined ? {} : { most }) });
  return hard && made(t.way.slanted && t.loop.tube.hard ? { ...hard, corners: slanted(room, hard.corners, limits) } : hard, radius);
}

/** The room of one tube: everything grown by its radius and the distance kept, less where its own mouths stand nearer than that. */
function roomFor(model: Model, t: Task, fixed: readonly Fixed[], waiting: readonly Task[], others: readonly Route[], ends: readonly EndWay[], kept: number, history: ReadonlyMap<string, number> | null): Room {
  const blocks: Block[] = [];
  const block = (id: string, box: Box, toll: number, soft = kept): void => {
    // A mouth beside its own part, or between two that stand close, begins nearer than the distance kept: that part is kept off by so much only.
    let by = t.radius + soft;
    for (const e of ends) { const gap = boxGap({ min: e.mouth, max: e.mouth }, box); if (gap < by) by = Math.max(t.radius - SLACK_MM, gap - SLACK_MM); }
    blocks.push({ id, ...grow(box, by), toll });
  };
  for (const f of fixed) block(f.id, f.box, Infinity);
  for (const w of waiting) for (const side of ['from', 'to'] as const) {
    const p = w[side], cylinder = cylinderFrom(p.at, p.direction, w.loop.fitting.length_mm + w.limits.atFitting_mm, w.loop.fitting.diameter_mm / 2);
    block(w.link, cylinderBox(cylinder), Infinity, Math.min(kept, 2));
  }
  for (const o of others) {
    const toll = history ? CROSS_COST + HISTORY_COST * (history.get(o.link) ?? 0) : Infinity;
    for (const b of [...o.from.bodies, ...o.to.bodies]) block(o.link, bodyBox(b), toll, Math.min(kept, 2));
    for (const box of tubeBoxes(o)) block(o.link, box, toll, Math.min(kept, 3) + radiusOf(model, o));
  }
  const { interior } = model, inset = t.radius + Math.min(kept, 2);
  const bounds = interior ? { min: interior.min.map((v) => v + inset) as unknown as Vec, max: interior.max.map((v) => v - inset) as unknown as Vec } : grow(union([...fixed.map((f) => f.box), { min: t.from.at, max: t.from.at }, { min: t.to.at, max: t.to.at }]), 200);
  // Behind the tray by its openings alone, when it was asked to run there.
  const box = model.build.case;
  if (t.behind && box && interior) {
    const tray = trayBoxes(box);
    for (const sheet of tray) block('case:tray', sheet, Infinity, Math.min(kept, SHEET_MM));
    return { bounds: union([{ ...bounds, min: [bounds.min[0], bounds.min[1], Math.min(...tray.map((b) => b.min[2])) - (box.behind_mm ?? 0) + t.radius] }, ...ends.map((e) => ({ min: e.mouth, max: e.mouth }))]), blocks };
  }
  // A mouth outside (a part that sticks out) widens the room to itself.
  const reach = union([bounds, ...ends.map((e) => ({ min: e.mouth, max: e.mouth }))]);
  return { bounds: reach, blocks };
}

const SLACK_MM = 0.05;
/** Kept to the edge of an opening, mm. */
const SHEET_MM = 1;
/** Runs without a way that are looked into. */
const MOST_EXPLAINED = 4;
/** Corners looked at for each guess at what is in the way. */
const EXPLAIN_MOST = 2000;
/** Ways may cost so many times the cheapest: found so much sooner. */
const WEIGHT = 1.15;
const radiusOf = (model: Model, r: Route): number => (model.build.loops.find((l) => l.id === r.loop)?.tube.outer_mm ?? 16) / 2;

/** Boxes along a tube's middle line: a leg each, and pieces of what slants. */
function tubeBoxes(r: Route): readonly Box[] {
  return r.path.flatMap((s): Box[] => {
    const points = samplePath([s], s.kind === 'line' && s.from.filter((v, i) => Math.abs(v - (s.to[i] as number)) > 1e-6).length <= 1 ? 1e9 : 12);
    return points.slice(1).map((p, i) => union([{ min: p, max: p }, { min: points[i] as Vec, max: points[i] as Vec }]));
  });
}

/** Whether two laid runs touch, tubes and fittings. */
function tubesMeet(a: Route, b: Route, tasks: readonly Task[]): boolean {
  const ra = tasks.find((t) => t.link === a.link)?.radius ?? 8, rb = tasks.find((t) => t.link === b.link)?.radius ?? 8;
  const pa = samplePath(a.path, 5), pb = samplePath(b.path, 5);
  if (pa.some((p) => pb.some((q) => distance(p, q) < ra + rb))) return true;
  const fit = (x: Route): readonly Box[] => [...x.from.bodies, ...x.to.bodies].map(bodyBox);
  return fit(a).some((x) => fit(b).some((y) => boxGap(x, y) < -0.01)) || fit(a).some((x) => pb.some((q) => within(grow(x, rb), q))) || fit(b).some((y) => pa.some((p) => within(grow(y, ra), p)));
}

/** Which one thing out of the way, or which tighter bend, would give a run its way. */
function explain(model: Model, t: Task, fixed: readonly Fixed[], waiting: readonly Task[], others: readonly Route[]): NoRoute {
  const froms = endsOf(model, t, 'from'), tos = endsOf(model, t, 'to'), least = KEPT_MM[KEPT_MM.length - 1] as number;
  const whole = roomFor(model, t, fixed, waiting, others, [...froms, ...tos], least, null);
  const name = (id: string): string => model.build.items.find((i) => i.id === id)?.name ?? model.build.case?.obstacles.find((o) => `case:${o.id}` === id)?.name ?? 'another run';
  let wouldFit: string | null = null;
  for (const share of [0.75, 0.5]) {
    if (find(t, whole, froms, tos, [], least, t.limits.radius_mm * share, { most: EXPLAIN_MOST })) { wouldFit = `bends of ${Math.round(t.limits.radius_mm * share)} mm`; break; }
  }
  const between = union([{ min: t.from.at, max: t.from.at }, { min: t.to.at, max: t.to.at }]);
  const ids = [...new Set(whole.blocks.filter((b) => b.toll === Infinity && boxGap(b, grow(between, 40)) < 0).map((b) => b.id))].filter((id) => id !== t.from.item && id !== t.to.item).slice(0, 6);
  for (const id of ids) if (find(t, { ...whole, blocks: whole.blocks.filter((b) => b.id !== id) }, froms, tos, [], least, t.limits.radius_mm, { most: EXPLAIN_MOST })) return { link: t.link, loop: t.loop.id, blockedBy: name(id), wouldFit };
  return { link: t.link, loop: t.loop.id, blockedBy: null, wouldFit };
}
