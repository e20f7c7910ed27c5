import type { Via } from '../design';
import { setBack } from '../tubing';
import { add, cross, distance, dot, norm, scale, sub, unit, type Vec } from '../geometry';
import type { EndWay } from './ends';
import { TwoBends } from './twoBends';
import { roundedPath, turnBetween } from './path';
import { bendPrice, depthRate, type RoutePrices } from './prices';
import type { TubeLimits, WayFound } from './rigidRoute';
import { meetsItself, meetsOwnEnds } from './selfGap';
import { passesAll } from './waypoints';
import { meetsBetweenBends, tollOfPath, type Workspace } from './workspace';

/** What a way is looked for with. */
export interface FewBends {
  readonly workspace: Workspace;
  readonly limits: TubeLimits;
  readonly prices: RoutePrices;
  /** Outer radius of the tube, mm. */
  readonly tube_mm: number;
  /** Coordinates of legs and corners of the loop's other runs, by axis. */
  readonly level: readonly [readonly number[], readonly number[], readonly number[]];
  /** Depths of the room, from its back to the glass; no leg is dearer for its depth where not given. */
  readonly depths?: readonly [number, number];
  /** Places that a way passes, in their order. */
  readonly vias?: readonly Via[];
  /** Only ways cheaper than this are told. */
  readonly under?: number;
  /** Drafts looked at in space, cheapest first. */
  readonly most?: number;
}

/** A way by its corners, before anything in the room is looked at. */
export interface Draft {
  readonly corners: readonly Vec[];
  readonly from: EndWay;
  readonly to: EndWay;
  readonly cost: number;
  readonly angles_deg: readonly number[];
}

/** Drafts looked at in space. */
const MOST_LOOKS = 700;
/** Angles that straight and parallel runs are bent to where no mandrels are named. */
export const BUILDERS_ANGLES = [45, 90];
/** Lengths of first and last legs that ways of any angle are tried with, mm beyond the least. */
const REACHES_MM = [0, 6, 14, 25, 38, 54, 72, 92, 115, 140, 170, 205, 250, 310, 380];
/** Steps by which such a way is made better, mm. */
const REFINE_MM = [60, 30, 15, 8, 4, 2, 1];
/** Corners farther out than this are not looked for, mm. */
const MOST_REACH_MM = 700;
const EPS = 1e-6;
/** A bound is lower than what it bounds by more than sums round, mm. */
const ROUNDING = 1e-6;
const RADIANS = Math.PI / 180;

/**
 * The cheapest way of none, one or two bends between all ways out of two ports, from closed forms:
 * in line; where both lines cross; over one slanting or level leg between them. Prices and limits
 * are those of the search on lines, so that the two are weighed against each other. Null where every
 * such way meets something, or none is cheaper than `under`.
 */
export function routeFewBends(
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  asked: FewBends,
): WayFound | null {
  const plain = cheapestFree(draftsBetween(froms, tos, asked), asked);
  const { under = Infinity } = asked;
  // Ways of any angle only where one could be cheaper.
  const best = cheapestOdd(froms, tos, { ...asked, under: plain?.total ?? under }) ?? plain;
  return best && foundBy(best);
}

const foundBy = ({ corners, from, to, total }: Best): WayFound => ({
  corners,
  from,
  to,
  cost: total,
  expanded: 0,
});

/** The cheapest way of two bends of any angles, under a price. */
const cheapestOdd = (
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  asked: FewBends,
): Best | null => cheapestRefined(oddAngles(froms, tos, asked), asked);

/** Asked for a style's own angles alone, where it dislikes odd ones. */
export const plainly = (asked: FewBends): FewBends =>
  asked.prices.oddAngle_mm > 0
    ? { ...asked, prices: { ...asked.prices, oddAngle_mm: Infinity } }
    : asked;

/** An odd angle is so much dearer where it is the last way of a style that dislikes it, mm. */
const LAST_WAY_MM = 30;

/**
 * Few bends of any angle, for a style that dislikes odd ones and whose own few have no way: dearer
 * than it weighs them elsewhere, and still a bound for the search that looks for what is cheaper.
 */
export function oddly(
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  asked: FewBends,
): WayFound | null {
  const { oddAngle_mm } = asked.prices;
  if (oddAngle_mm === 0) return null;
  const prices = { ...asked.prices, oddAngle_mm: oddAngle_mm + LAST_WAY_MM };
  const best = cheapestOdd(froms, tos, { ...asked, prices });
  return best && foundBy(best);
}

/** The cheapest draft that meets nothing, by its price and the tolls on its way. */
function cheapestFree(drafts: Draft[], asked: FewBends): Best | null {
  const { under = Infinity, most = MOST_LOOKS } = asked;
  drafts.sort((a, b) => a.cost - b.cost);
  let best: Best | null = null;
  for (const [i, draft] of drafts.entries()) {
    if (i >= most || draft.cost >= (best?.total ?? under)) break;
    const total = draft.cost + tollOfDraft(draft, asked);
    if (total < (best?.total ?? under)) best = { ...draft, total };
  }
  return best;
}

/** Free drafts that are made better step by step; what is dearer by more than this is not, mm. */
const MOST_REFINED = 10,
  NEAR_MM = 160;

/**
 * The cheapest of some drafts once each of the best is made better: the least of a lattice need not
 * lie in the valley of the least of all.
 */
function cheapestRefined(drafts: Draft[], asked: FewBends): Best | null {
  const { under = Infinity, most = MOST_LOOKS } = asked;
  drafts.sort((a, b) => a.cost - b.cost);
  const free: Best[] = [];
  for (const [i, draft] of drafts.entries()) {
    if (i >= most || free.length >= MOST_REFINED) break;
    if (draft.cost >= (free[0] ? free[0].total + NEAR_MM : under)) break;
    if (free.some((f) => isNear(f, draft))) continue;
    const total = draft.cost + tollOfDraft(draft, asked);
    if (total < under) free.push({ ...draft, total });
  }
  const fine = free.map((f) => refined(f, asked));
  return fine.reduce<Best | null>((a, b) => (a && a.total <= b.total ? a : b), null);
}

/** Drafts of the same ends whose corners lie within a step of the lattice are one. */
const isNear = (a: Draft, b: Draft): boolean =>
  a.from === b.from &&
  a.to === b.to &&
  a.corners.every((c, i) => distance(c, b.corners[i] ?? c) < LATTICE_MM);
const LATTICE_MM = 45;

/** Drafts of two bends of any angles: as the style has them, or at the price of odd ones. */
function oddAngles(froms: readonly EndWay[], tos: readonly EndWay[], asked: FewBends): Draft[] {
  const { limits, prices, under = Infinity } = asked;
  if (limits.angles_deg || prices.oddAngle_mm === Infinity) return [];
  const bends = 2 * (bendPrice(prices, 0) + prices.oddAngle_mm);
  return froms.flatMap((from) =>
    tos.flatMap((to) => {
      // Two bends cut their corners by no more than the tube between them is long.
      if (from.cost + to.cost + bends + distance(from.mouth, to.mouth) >= under) return [];
      const pair = new Pair(from, to, asked);
      pair.anyAngle();
      return pair.drafts;
    }),
  );
}

/** All drafts of builders' angles between two sets of ends, unsorted. */
export function draftsBetween(
  froms: readonly EndWay[],
  tos: readonly EndWay[],
  asked: Omit<FewBends, 'workspace'>,
): Draft[] {
  const drafts: Draft[] = [];
  for (const from of froms)
    for (const to of tos) {
      const pair = new Pair(from, to, asked);
      pair.draft();
      drafts.push(...pair.drafts);
    }
  return drafts;
}

/** Toll of the room on a draft; Infinity where it meets something, itself among it. */
export function tollOfDraft({ corners, from, to }: Draft, asked: FewBends): number {
  const { workspace, limits, tube_mm } = asked;
  if (meetsBetweenBends(workspace, corners, limits.radius_mm)) return Infinity;
  const path = roundedPath(corners, limits.radius_mm);
  const toll = tollOfPath(workspace, path);
  if (toll === Infinity) return toll;
  return meetsItself(path, tube_mm) || meetsOwnEnds(path, tube_mm, from, to) ? Infinity : toll;
}

/** The drafts of one pair of ends. */
class Pair {
  readonly drafts: Draft[] = [];
  private readonly p: Vec;
  private readonly q: Vec;
  /** Direction the tube leaves by, and the one it arrives in. */
  private readonly d: Vec;
  private readonly e: Vec;
  private readonly off: Vec;
  private readonly bends: TwoBends;
  private readonly angles: readonly number[];
  /** Only drafts cheaper than this are told; what two odd bends and their ends cost at least. */
  private readonly under: number;
  private readonly leastOdd: number;

  constructor(
    private readonly from: EndWay,
    private readonly to: EndWay,
    private readonly asked: Omit<FewBends, 'workspace'>,
  ) {
    this.p = from.mouth;
    this.q = to.mouth;
    this.d = from.direction;
    this.e = scale(to.direction, -1);
    this.off = sub(this.q, this.p);
    this.bends = new TwoBends(this.off, this.d, this.e);
    this.angles = asked.limits.angles_deg ?? BUILDERS_ANGLES;
    this.under = asked.under ?? Infinity;
    this.leastOdd = from.cost + to.cost + 2 * bendPrice(asked.prices, 0) - ROUNDING;
  }

  draft(): void {
    const { d, e } = this;
    const turn_deg = turnBetween(d, e);
    if (turn_deg < 1e-4) {
      if (this.inLine()) return;
      this.offset();
    } else if (turn_deg > 180 - 1e-4) this.offset();
    else {
      this.oneBend(turn_deg);
      for (const a of this.angles) for (const b of this.angles) this.twoBends(a, b);
    }
  }

  private inLine(): boolean {
    const far = dot(this.off, this.d);
    if (far <= 0 || norm(sub(this.off, scale(this.d, far))) > EPS) return false;
    this.tell([]);
    return true;
  }

  /** Where the line out of one port crosses the line into the other. */
  private oneBend(turn_deg: number): void {
    if (!this.angles.some((a) => Math.abs(a - turn_deg) < 1e-4)) return;
    const n = cross(this.d, this.e);
    if (Math.abs(dot(this.off, unit(n))) > EPS) return;
    const s = dot(cross(this.off, this.e), n) / dot(n, n);
    this.tell([add(this.p, scale(this.d, s))]);
  }

  /**
   * Between ends that lead the same way or back: a leg to the side between two bends of one angle,
   * wherever along the way it likes to lie.
   */
  private offset(): void {
    const { p, d, off, limits } = { ...this, limits: this.asked.limits };
    const ahead = dot(off, d),
      aside = sub(off, scale(d, ahead)),
      side = norm(aside);
    if (side < EPS) return;
    const u = unit(aside);
    const back = dot(d, this.e) < 0;
    for (const angle of this.angles) {
      // Back again takes both bends to a half turn.
      if (back && Math.abs(angle - 90) > 1e-4) continue;
      const run = angle === 90 ? 0 : side / Math.tan(angle * RADIANS);
      const reach = limits.atFitting_mm + setBack(limits.radius_mm, angle);
      const first = back ? Math.max(reach, ahead + reach) : reach;
      const last = back ? first : ahead - run - reach;
      if (last < first - EPS) continue;
      const over = this.placesOver(u, side, angle);
      for (const s of [...this.stops(first, last, back), ...over]) {
        if (s < first || (!back && s > last)) continue;
        const c1 = add(p, scale(d, s));
        this.tell([c1, add(add(c1, scale(d, run)), scale(u, side))]);
      }
    }
  }

  /** Lengths of the first leg that lead the second over a place to pass. */
  private placesOver(u: Vec, side: number, angle_deg: number): readonly number[] {
    const { p, d } = this;
    return (this.asked.vias ?? []).flatMap((via) => {
      const off = sub(via.map((v, i) => v ?? p[i as 0]) as unknown as Vec, p);
      const aside = dot(off, u);
      const run = angle_deg === 90 ? 0 : aside / Math.tan(angle_deg * RADIANS);
      return aside > -EPS && aside < side + EPS ? [dot(off, d) - run] : [];
    });
  }

  /** Lengths of the first leg: the least and the most, half way, and level with other runs. */
  private stops(first: number, last: number, back: boolean): readonly number[] {
    const axis = this.d.findIndex((x) => Math.abs(x) > 1 - EPS);
    const level =
      axis < 0
        ? []
        : (this.asked.level[axis as 0] ?? [])
            .map((v) => (v - this.p[axis as 0]) * Math.sign(this.d[axis as 0]))
            .filter((s) => s >= first && (back ? s < first + 250 : s <= last));
    const more = back
      ? [first + 10, first + 25, first + 45, first + 70, first + 110, first + 160]
      : [0.25, 0.5, 0.75, 1].map((k) => first + (last - first) * k);
    return [...new Set([first, ...more, ...level])];
  }

  /**
   * A bend of one angle and a bend of another: the direction of the leg between is then given, but
   * for its side, and so are the lengths of all three legs.
   */
  private twoBends(a_deg: number, b_deg: number): void {
    const { p, d, e, off } = this;
    const c = dot(d, e),
      det = 1 - c * c;
    const ca = Math.cos(a_deg * RADIANS),
      cb = Math.cos(b_deg * RADIANS);
    // m = x d + y e ± z n, with m·d = cos a, m·e = cos b.
    const x = (ca - cb * c) / det,
      y = (cb - ca * c) / det;
    const rest = 1 - (x * x + y * y + 2 * x * y * c);
    if (rest < 1e-9) return;
    const n = unit(cross(d, e)),
      z = Math.sqrt(rest);
    const beside = dot(off, n);
    if (Math.abs(beside) < EPS) return;
    const m = add(add(scale(d, x), scale(e, y)), scale(n, Math.sign(beside) * z));
    const t = Math.abs(beside) / z;
    const left = sub(off, scale(m, t));
    // What is left lies in the plane of both ends' lines.
    const s = (dot(left, d) - c * dot(left, e)) / det;
    const c1 = add(p, scale(d, s));
    this.tell([c1, add(c1, scale(m, t))]);
  }

  /** Two bends of any angles: corners so and so far out of either fitting. */
  anyAngle(): void {
    const { atFitting_mm: straight, radius_mm: r } = this.asked.limits;
    const { bends } = this;
    for (const x of REACHES_MM) {
      const reach = straight + 0.2 * r + x;
      for (const y of REACHES_MM) this.outBy(reach, straight + 0.2 * r + y);
      // As soon out of the fitting as the bend lets it: hairpins lie on that edge alone.
      for (const s of tight(straight, (v) => r * bends.first(v, reach))) this.outBy(s, reach);
      for (const t of tight(straight, (v) => r * bends.second(reach, v))) this.outBy(reach, t);
    }
  }

  /** Corners so far out of either fitting, where all three legs have room for their bends. */
  outBy(s: number, t: number): void {
    const { bends } = this;
    const { atFitting_mm: straight, between_mm, radius_mm: r } = this.asked.limits;
    const a = r * bends.first(s, t),
      b = r * bends.second(s, t);
    const isShort = s - a < straight - EPS || t - b < straight - EPS;
    const between = bends.between(s, t);
    if (isShort || between - a - b < between_mm - EPS) return;
    const curved = 2 * r * (Math.atan(a / r) + Math.atan(b / r));
    if (this.leastOdd + s + between + t - 2 * (a + b) + curved >= this.under) return;
    this.tell([add(this.p, scale(this.d, s)), sub(this.q, scale(this.e, t))]);
  }

  /** Told where every leg is long enough for its bends. */
  private tell(between: readonly Vec[]): void {
    const corners = [this.p, ...between, this.q];
    const { vias = [] } = this.asked;
    if (vias.length > 0 && !passesAll(vias, corners)) return;
    const cost = priceOf(corners, this.from, this.to, this.asked);
    if (cost) this.drafts.push({ corners, from: this.from, to: this.to, ...cost });
  }
}

/** Lengths of a leg at which it is just as long as its bend and its fitting ask for, mm. */
function tight(straight_mm: number, setBackAt: (length_mm: number) => number): readonly number[] {
  const spare = (v: number): number => v - straight_mm - setBackAt(v);
  const found: number[] = [];
  let low = straight_mm + 1,
    isLong = spare(low) >= 0;
  while (low < MOST_REACH_MM) {
    const high = low * STRIDE,
      isLongNext = spare(high) >= 0;
    if (isLong !== isLongNext) found.push(edge(spare, low, high, isLongNext));
    [low, isLong] = [high, isLongNext];
  }
  return found;
}
const STRIDE = 1.35,
  HALVINGS = 24;

/** Where what is spare changes its sign: on the side where there is some. */
function edge(spare: (v: number) => number, from: number, to: number, rises: boolean): number {
  let low = from,
    high = to;
  for (let i = 0; i < HALVINGS; i += 1) {
    const mid = (low + high) / 2;
    if (spare(mid) >= 0 === rises) high = mid;
    else low = mid;
  }
  return rises ? high : low;
}

/**
 * What a way by its corners costs, and its bends; null where its legs are too short for them, or it
 * costs as much as `under`.
 */
export function priceOf(
  corners: readonly Vec[],
  from: EndWay,
  to: EndWay,
  { limits, prices, level, depths, under = Infinity }: Omit<FewBends, 'workspace'>,
): { readonly cost: number; readonly angles_deg: readonly number[] } | null {
  const { radius_mm: r, atFitting_mm: straight, between_mm: between } = limits;
  const last = corners.length - 1;
  let cost = from.cost + to.cost,
    setBefore = 0,
    [ix, iy, iz] = from.direction;
  const angles: number[] = [];
  for (let i = 1; i <= last + 1; i += 1) {
    // Direction of the leg that follows corner i − 1; past the end, the way into the fitting.
    let x = -to.direction[0],
      y = -to.direction[1],
      z = -to.direction[2],
      length = 0;
    if (i <= last) {
      const a = corners[i - 1] as Vec,
        b = corners[i] as Vec;
      x = b[0] - a[0];
      y = b[1] - a[1];
      z = b[2] - a[2];
      length = Math.sqrt(x * x + y * y + z * z);
      if (length < EPS) return null;
      x /= length;
      y /= length;
      z /= length;
    }
    const cos = ix * x + iy * y + iz * z;
    if (i === 1 || i > last) {
      // The first leg leaves by its fitting and the last arrives in one.
      if (cos < 1 - EPS) return null;
    } else {
      const angle = Math.acos(Math.max(-1, Math.min(1, cos))) / RADIANS;
      if (angle > MOST_DEG || angle < LEAST_DEG) return null;
      const set = setBack(r, angle);
      // The leg before this bend, between the bends or the fitting at its ends.
      const spare = before_mm(corners, i - 1) - setBefore - set;
      if (spare < (i === 2 ? straight : between) - EPS) return null;
      cost += bendPrice(prices, angle) - 2 * set + r * angle * RADIANS;
      if (limits.angles_deg === undefined && isOdd(angle)) cost += prices.oddAngle_mm;
      angles.push(angle);
      setBefore = set;
    }
    if (i > last) break;
    if (i === last && length - setBefore < (last === 1 ? SHORTEST_MM : straight) - EPS) return null;
    const deep = depths
      ? depthRate(prices, depths, (corners[i - 1] as Vec)[2], (corners[i] as Vec)[2])
      : 1;
    cost += length * deep * rateOf(x, y, z, corners[i] as Vec, level, prices);
    if (cost >= under) return null;
    ix = x;
    iy = y;
    iz = z;
  }
  return { cost, angles_deg: angles };
}
const LEAST_DEG = 3,
  MOST_DEG = 170;
/** A straight tube between two fittings is no shorter than this, mm. */
const SHORTEST_MM = 2;
const before_mm = (corners: readonly Vec[], i: number): number =>
  distance(corners[i] as Vec, corners[i - 1] as Vec);
const isOdd = (deg: number): boolean => BUILDERS_ANGLES.every((a) => Math.abs(a - deg) > 0.01);

/** What a millimetre of a leg costs, by its direction and by whose line or plane it shares. */
function rateOf(
  x: number,
  y: number,
  z: number,
  at: Vec,
  level: FewBends['level'],
  { offPlane }: RoutePrices,
): number {
  if (offPlane === 0 || level.every((at) => at.length === 0)) return 1;
  // In a plane across an axis lies what does not lead along it.
  const sharesAcross = (v: number, axis: 0 | 1 | 2): boolean =>
    Math.abs(v) < EPS && level[axis].some((other) => Math.abs(other - at[axis]) < 1);
  const isShared = sharesAcross(x, 0) || sharesAcross(y, 1) || sharesAcross(z, 2);
  return isShared ? 1 : 1 + offPlane;
}

type Best = Draft & { readonly total: number };

/** A way of two bends of any angle, made better step by step while it stays free. */
function refined(best: Best, asked: FewBends): Best {
  const { limits, prices } = asked;
  if (limits.angles_deg || best.corners.length !== 4) return best;
  if (prices.oddAngle_mm > 0 && !best.angles_deg.some(isOdd)) return best;
  let now = best;
  for (const step of REFINE_MM)
    for (let better = true; better;) {
      better = false;
      const s = norm(sub(now.corners[1] as Vec, now.corners[0] as Vec)),
        t = norm(sub(now.corners[3] as Vec, now.corners[2] as Vec));
      for (const [x, y] of SIDES) {
        const pair = new Pair(now.from, now.to, asked);
        pair.outBy(s + x * step, t + y * step);
        const draft = pair.drafts[0];
        if (!draft || draft.cost >= now.total - 1e-6) continue;
        const total = draft.cost + tollOfDraft(draft, asked);
        if (total < now.total - 1e-6) {
          now = { ...draft, total };
          better = true;
          break;
        }
      }
    }
  return now;
}
const SIDES = [
  [-1, 0],
  [0, -1],
  [-1, -1],
  [1, 0],
  [0, 1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;
