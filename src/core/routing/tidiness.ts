import { loopOfRun, type ConnectionId, type Loop, type LoopId, type RouteStyle } from '../design';
import type { System } from '../system';
import { scale, type Vec } from '../geometry';
import { draftsBetween } from './fewBends';
import { BUILDERS_ANGLES } from './fewBends';
import { leastTurning } from './flexibleRoute';
import { leastLengthOf } from './leastLength';
import { pathLength, turnBetween } from './path';
import { pricesOf, styleOf } from './prices';
import type { Route } from './routed';
import { meetsItself } from './selfGap';
import { betweenBends, STRAIGHT_MM } from './task';

/** How a run lies, beside what its ends would let it be. */
export interface RunTidiness {
  readonly connection: ConnectionId;
  readonly loop: LoopId;
  readonly hard: boolean;
  readonly style: RouteStyle;
  readonly bends: number;
  /** Fewest bends of the style between its two mouths, nothing in the way. */
  readonly leastBends: number;
  /** Different planes its bends lie in. */
  readonly planes: number;
  readonly length_mm: number;
  /** No tube between its mouths is shorter: an admissible bound. */
  readonly leastLength_mm: number;
  /** Bends of an angle that is neither 45° nor 90°, nor one of the mandrels in hand. */
  readonly oddAngles: number;
  readonly legs: number;
  /** Legs that share a line or plane with a leg of another run of the loop, within 1 mm. */
  readonly sharedLegs: number;
  /** All its turning, degrees, and the least that its ends ask for. */
  readonly turning_deg: number;
  readonly leastTurning_deg: number;
  /** Runs it crosses as seen through the window. */
  readonly crosses: readonly ConnectionId[];
  readonly meetsItself: boolean;
  /** From 0 to 1: bends, planes, length and shared legs beside what can be. */
  readonly score: number;
}

export interface Tidiness {
  readonly runs: readonly RunTidiness[];
  /** Of hard tube; null without any. */
  readonly hard: {
    readonly runs: number;
    readonly bends: number;
    readonly bendsPerRun: number;
    readonly atMost3: number;
    readonly above4: number;
    readonly atMost2Planes: number;
    readonly bendsOverBound: number;
    readonly lengthOverBound: number;
    readonly sharedLegs: number;
    readonly oddAngles: number;
  } | null;
  /** Of soft tube: all turning over the least its ends ask for; null without any. */
  readonly soft: { readonly runs: number; readonly turningOverLeast: number } | null;
  /** Pairs of runs that cross as seen through the window. */
  readonly crossings: number;
  readonly missing: number;
}

/** Legs within this of one another share a line or plane, mm. */
const SHARED_MM = 1;
const SAME_PLANE = 0.9999;

/** How tidy the runs of a build lie: what a builder counts before the first bend is made. */
export function tidinessOf(system: System, routes: readonly Route[], missing: number): Tidiness {
  const crossing = crossingsOf(routes);
  const runs = routes.flatMap((route) => {
    const whole = system.design.loops.find((l) => l.id === route.loop);
    const connection = whole?.connections.find((c) => c.id === route.connection);
    if (!whole || !connection) return [];
    const peers = routes.filter((r) => r.loop === route.loop && r !== route);
    return [runTidiness(loopOfRun(whole, connection), route, peers, crossing)];
  });
  const hard = runs.filter((r) => r.hard),
    soft = runs.filter((r) => !r.hard);
  return {
    runs,
    hard: hard.length > 0 ? hardOf(hard) : null,
    soft:
      soft.length > 0
        ? {
            runs: soft.length,
            turningOverLeast: ratio(
              sum(soft, (r) => r.turning_deg),
              sum(soft, (r) => r.leastTurning_deg),
            ),
          }
        : null,
    crossings: crossing.length,
    missing,
  };
}

function hardOf(runs: readonly RunTidiness[]): NonNullable<Tidiness['hard']> {
  const share = (holds: (r: RunTidiness) => boolean): number =>
    runs.filter(holds).length / runs.length;
  const bends = sum(runs, (r) => r.bends);
  return {
    runs: runs.length,
    bends,
    bendsPerRun: bends / runs.length,
    atMost3: share((r) => r.bends <= 3),
    above4: runs.filter((r) => r.bends > 4).length,
    atMost2Planes: share((r) => r.planes <= 2),
    bendsOverBound: ratio(
      bends,
      sum(runs, (r) => r.leastBends),
    ),
    lengthOverBound: ratio(
      sum(runs, (r) => r.length_mm),
      sum(runs, (r) => r.leastLength_mm),
    ),
    sharedLegs: ratio(
      sum(runs, (r) => r.sharedLegs),
      sum(runs, (r) => r.legs),
    ),
    oddAngles: sum(runs, (r) => r.oddAngles),
  };
}

const sum = <T>(list: readonly T[], of: (x: T) => number): number =>
  list.reduce((s, x) => s + of(x), 0);
/** 1 where there is nothing to compare with. */
const ratio = (a: number, b: number): number => (b > 0 ? a / b : 1);

function runTidiness(
  loop: Loop,
  route: Route,
  peers: readonly Route[],
  crossing: readonly (readonly [string, string])[],
): RunTidiness {
  const { corners, path, connection } = route;
  const bends = path.flatMap((s) => (s.kind === 'arc' ? [s] : []));
  const length_mm = pathLength(path);
  const turning_deg = sum(bends, (b) => b.angle_deg);
  const planes = planesOf(bends.map((b) => b.axis));
  const legs = corners.slice(1).map((to, i) => [corners[i] as Vec, to] as const);
  const others = peers.flatMap((p) =>
    p.corners.slice(1).map((to, i) => [p.corners[i] as Vec, to] as const),
  );
  const sharedLegs = legs.filter((leg) => others.some((o) => sharesWith(leg, o))).length;
  const { leastBends, leastTurning_deg, meets } = knownOf(loop, route);
  const leastLength_mm = leastLengthOf(loop, route);
  const angles = loop.mandrels?.angles_deg ?? BUILDERS_ANGLES;
  return {
    connection,
    loop: loop.id,
    hard: loop.tube.hard,
    style: styleOf(loop),
    bends: bends.length,
    leastBends,
    planes,
    length_mm,
    leastLength_mm,
    oddAngles: loop.tube.hard
      ? bends.filter((b) => angles.every((a) => Math.abs(a - b.angle_deg) > 0.05)).length
      : 0,
    legs: legs.length,
    sharedLegs,
    turning_deg,
    leastTurning_deg,
    crosses: crossing.flatMap(([a, b]) => {
      if (a === connection) return [b];
      return b === connection ? [a] : [];
    }),
    meetsItself: meets,
    score: loop.tube.hard
      ? scoreOf(bends.length, leastBends, planes, length_mm, leastLength_mm)
      : Math.min(1, (leastTurning_deg + EASY_DEG) / (turning_deg + EASY_DEG)),
  };
}
interface Known {
  readonly loop: Loop;
  readonly leastBends: number;
  readonly leastTurning_deg: number;
  readonly meets: boolean;
}
/** What asks for a search, by the path it was asked of: the same path is the same object. */
const known = new WeakMap<Route['path'], Known>();

function knownOf(loop: Loop, route: Route): Known {
  const was = known.get(route.path);
  const same = was?.loop.tube === loop.tube && was.loop.mandrels === loop.mandrels;
  if (was && same && was.loop.routing === loop.routing) return was;
  const made = {
    loop,
    leastBends: leastBendsOf(loop, route),
    leastTurning_deg: leastTurningOf(loop, route),
    meets: meetsItself(route.path, loop.tube.outer_mm / 2),
  };
  known.set(route.path, made);
  return made;
}

/** Turning of a soft tube that nobody sees, degrees. */
const EASY_DEG = 30;

/** 1 for a run as its ends let it be; less for bends, planes and tube beyond. */
function scoreOf(
  bends: number,
  leastBends: number,
  planes: number,
  length_mm: number,
  leastLength_mm: number,
): number {
  const forBends = (leastBends + 1) / (bends + 1);
  const forPlanes = Math.min(1, 2 / Math.max(1, planes));
  return Math.min(1, forBends * forPlanes * Math.min(1, leastLength_mm / length_mm));
}

function planesOf(axes: readonly Vec[]): number {
  const found: Vec[] = [];
  for (const a of axes)
    if (!found.some((b) => Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) > SAME_PLANE))
      found.push(a);
  return found.length;
}

/**
 * Whether two legs share a plane of the case or a line: legs along the same axis share a coordinate
 * across it, legs along different axes the one across both; legs aslant share their line alone.
 */
function sharesWith(a: readonly [Vec, Vec], b: readonly [Vec, Vec]): boolean {
  const lies = ([from, to]: readonly [Vec, Vec], i: 0 | 1 | 2): boolean =>
    Math.abs(to[i] - from[i]) < SHARED_MM;
  return ([0, 1, 2] as const).some(
    (i) => lies(a, i) && lies(b, i) && Math.abs(a[0][i] - b[0][i]) < SHARED_MM,
  );
}

/** Fewest bends of a loop's style from mouth to mouth, nothing in the way. */
function leastBendsOf(loop: Loop, { from, to, radius_mm }: Route): number {
  if (!loop.tube.hard) return 0;
  const limits = {
    radius_mm,
    atFitting_mm: STRAIGHT_MM,
    between_mm: betweenBends(loop),
    ...(loop.mandrels ? { angles_deg: loop.mandrels.angles_deg } : {}),
  };
  const drafts = draftsBetween([from], [to], {
    limits,
    prices: pricesOf(loop),
    tube_mm: loop.tube.outer_mm / 2,
    level: [[], [], []],
  });
  const fewest = Math.min(...drafts.map((d) => d.angles_deg.length));
  return drafts.length > 0 ? fewest : beyondTwo(styleOf(loop));
}
/** Where no two bends do: three at right angles; two of any angle where the style has those. */
const beyondTwo = (style: RouteStyle): number => (style === 'free' || style === 'shortest' ? 2 : 3);

/** The least turning of a soft tube between its two mouths, nothing in the way. */
function leastTurningOf(loop: Loop, { from, to }: Route): number {
  const limits = {
    radius_mm: loop.tube.minBend_mm,
    atFitting_mm: loop.tube.hard ? STRAIGHT_MM : STRAIGHT_MM / 2,
    between_mm: betweenBends(loop),
  };
  return leastTurning(from, to, limits) ?? turnBetween(from.direction, scale(to.direction, -1));
}

/** Pairs of runs whose middle lines cross in the plane of the window, shared ends aside. */
export function crossingsOf(routes: readonly Route[]): readonly (readonly [string, string])[] {
  return routes.flatMap((a, i) =>
    routes.slice(i + 1).flatMap((b) => {
      const cross = a.corners
        .slice(1)
        .some((p, k) =>
          b.corners
            .slice(1)
            .some((q, m) => crosses(a.corners[k] as Vec, p, b.corners[m] as Vec, q)),
        );
      return cross ? [[a.connection, b.connection] as const] : [];
    }),
  );
}

/** Whether two legs cross as seen along z; legs that only touch do not. */
function crosses(a: Vec, b: Vec, c: Vec, d: Vec): boolean {
  const side = (p: Vec, q: Vec, r: Vec): number =>
    (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
  const [s, t, u, v] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  const apart = (x: number, y: number): boolean => x * y < -1e-6;
  return apart(s, t) && apart(u, v);
}
