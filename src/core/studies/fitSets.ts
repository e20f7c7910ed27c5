import type { Design } from '../design';
import type { ClearanceVerdict } from '../clearance';
import type { System } from '../system';
import type { FanPart, Mount, RadiatorPart } from '../components';
import { bodiesMeet, boxGap, type Body } from '../geometry';
import {
  FIT_ORDER,
  fittingsOf,
  heldAt,
  hung,
  measureWay,
  type FitChoice,
  type MountFits,
} from './ways';

/** One radiator a mount, all at once. */
export interface FitSet {
  readonly picks: readonly FitChoice[];
  /** Face of all sections together, mm². */
  readonly area_mm2: number;
  readonly verdict: ClearanceVerdict;
  readonly gap_mm: number | null;
}

/** Ways of a mount looked at for whole sets, stacks of one area among them, and sets told. */
const MOST_WAYS = 8,
  WAYS_AN_AREA = 3,
  MOST_SETS = 4;

interface Way extends FitChoice {
  readonly id: number;
  readonly area: number;
  readonly bodies: readonly Body[];
  readonly fittingBodies: readonly { readonly chamber: string; readonly body: Body }[];
}

/**
 * Largest sets by branch and bound over the mounts: a way or none on each, no two in each other's
 * way.
 */
export function bestSets(
  design: Design,
  base: System,
  fits: readonly MountFits[],
  radiators: readonly RadiatorPart[],
  fans: readonly FanPart[],
): readonly FitSet[] {
  let count = 0;
  const ways = fits.map((m, i) =>
    usefulWays(base, (design.case?.mounts ?? [])[i] as Mount, m, radiators, fans).map((w): Way => ({
      ...w,
      id: (count += 1),
    })),
  );
  const most = ways.map((w) => Math.max(0, ...w.map((x) => x.area)));
  const bound = most.map((_, i) => most.slice(i).reduce((a, b) => a + b, 0));
  const { clear_mm } = design.brief.limits;
  const found = new Map<string, FitSet>();
  const worst = (): number =>
    found.size < MOST_SETS ? -1 : Math.min(...[...found.values()].map((s) => s.area_mm2));
  const known = new Map<number, number>();
  const between = (a: Way, b: Way): number => {
    const key = a.id * 1024 + b.id;
    const had = known.get(key);
    if (had !== undefined) return had;
    let least = Infinity;
    for (const x of a.bodies)
      for (const y of b.bodies) {
        const g = boxGap(x.box, y.box);
        if (g < least) least = g;
      }
    if (least >= 0 && !(stillFed(a, b) && stillFed(b, a))) least = -1;
    known.set(key, least);
    return least;
  };
  const go = (at: number, picks: readonly Way[], area: number, gap: number): void => {
    if (area + (bound[at] ?? 0) < worst()) return;
    if (at === ways.length) {
      if (picks.length === 0) return;
      const key = picks.map((p) => `${p.mount}:${p.area}`).join();
      const set: FitSet = {
        picks: picks.map(
          ({ id: _id, area: _area, bodies: _bodies, fittingBodies: _fittings, ...choice }) =>
            choice,
        ),
        area_mm2: area,
        verdict: gap < clear_mm ? 'marginal' : 'clear',
        gap_mm: Number.isFinite(gap) ? gap : null,
      };
      const had = found.get(key);
      if (!had || (set.gap_mm ?? Infinity) > (had.gap_mm ?? Infinity)) found.set(key, set);
      if (found.size > MOST_SETS) {
        const last = [...found.entries()].sort(
          ([, a], [, b]) => a.area_mm2 - b.area_mm2 || FIT_ORDER[b.verdict] - FIT_ORDER[a.verdict],
        )[0];
        if (last) found.delete(last[0]);
      }
      return;
    }
    for (const way of ways[at] ?? []) {
      const apart = Math.min(...picks.map((p) => between(p, way)), way.gap_mm ?? Infinity);
      if (apart >= 0) go(at + 1, [...picks, way], area + way.area, Math.min(gap, apart));
    }
    go(at + 1, picks, area, gap);
  };
  go(0, [], 0, Infinity);
  return [...found.values()].sort(
    (a, b) => b.area_mm2 - a.area_mm2 || FIT_ORDER[a.verdict] - FIT_ORDER[b.verdict],
  );
}

/** Whether fittings of each chamber still go in beside another stack. */
const stillFed = (a: Way, b: Way): boolean =>
  new Set(
    a.fittingBodies
      .filter((f) => !b.bodies.some((o) => bodiesMeet(f.body, o)))
      .map((f) => f.chamber),
  ).size === new Set(a.fittingBodies.map((f) => f.chamber)).size;

/**
 * For each area the roomiest and the thinnest stacks, each with its ports to either end and slid to
 * either stop; largest area first.
 */
function usefulWays(
  base: System,
  mount: Mount,
  { choices }: MountFits,
  radiators: readonly RadiatorPart[],
  fans: readonly FanPart[],
): readonly Omit<Way, 'id'>[] {
  const areaOf = (id: string): number => {
    const r = radiators.find((p) => p.id === id);
    return r ? r.sections * r.section_mm ** 2 : 0;
  };
  const fit = choices
    .filter((c) => c.verdict !== 'clash' && c.faces !== 'both')
    .sort(
      (a, b) =>
        areaOf(b.radiator) - areaOf(a.radiator) ||
        FIT_ORDER[a.verdict] - FIT_ORDER[b.verdict] ||
        a.stack_mm - b.stack_mm,
    );
  const kept = fit
    .filter(
      (c, i) =>
        fit.slice(0, i).filter((d) => areaOf(d.radiator) === areaOf(c.radiator)).length <
        WAYS_AN_AREA,
    )
    .slice(0, MOST_WAYS);
  return kept.flatMap((c): Omit<Way, 'id'>[] => {
    const radiator = radiators.find((p) => p.id === c.radiator),
      fan = fans.find((f) => f.id === c.fan);
    if (!radiator || !fan) return [];
    const slack = Math.max(0, mount.length_mm - radiator.size[0]);
    return [...new Set([c.slide_mm, 0, slack])].flatMap((wanted) =>
      (['end', 'start'] as const).flatMap((ports): Omit<Way, 'id'>[] => {
        const slide_mm = heldAt(mount, radiator, ports, wanted);
        const way = measureWay(base, mount, radiator, fan, c.faces, ports, slide_mm);
        if (way.verdict === 'clash') return [];
        const { placed: own } = hung(base.design, radiator, fan, c.faces, {
          on: 'mount',
          mount: mount.id,
          slide_mm,
          ports,
          air: 'in',
        });
        return [
          {
            ...way,
            area: areaOf(c.radiator),
            bodies: [...own.values()].flatMap((p) => p.solids),
            fittingBodies: fittingsOf(base.design, own),
          },
        ];
      }),
    );
  });
}
