import { type Design, type Component, type Placement, type ComponentId } from '../design';
import { gapsAround, type ClearanceVerdict } from '../clearance';
import {
  compileSystem,
  nearestSlide,
  screwedAs,
  slidesOn,
  withGuests,
  type PlacedComponent,
  type System,
} from '../system';
import type { FanPart, Mount, RadiatorPart } from '../components';
import { bodiesMeet, cylinderBox, cylinderFrom, type Body } from '../geometry';

/** Faces of a radiator that carry fans. */
export type FanFaces = 'frame' | 'interior' | 'both' | 'outside';
/** Faces to try on a mount: outside the frame where there is room for the fan under the cover. */
export const fanFaces = (mount: Mount, fan: FanPart, sheet_mm: number): readonly FanFaces[] => [
  'frame',
  'interior',
  'both',
  ...((mount.outside_mm ?? 0) >= fan.size[2] + sheet_mm ? ['outside' as const] : []),
];

/** A radiator with its fans on a mount, in the best of the ways it can hang there. */
export interface FitChoice {
  readonly mount: string;
  readonly radiator: ComponentId;
  readonly fan: string;
  readonly faces: FanFaces;
  readonly ports: 'start' | 'end';
  readonly slide_mm: number;
  /** Radiator and fans together inside the frame, mm. */
  readonly stack_mm: number;
  /**
   * Nearest thing, mm, nominal and with both parts at the far end of their tolerance; null when
   * nothing is near.
   */
  readonly gap_mm: number | null;
  readonly worst_mm: number | null;
  readonly with: string | null;
  /**
   * Whether a straight fitting goes into one port of each chamber; null where the stack itself does
   * not fit.
   */
  readonly fittings: boolean | null;
  /** Clash also where no fitting goes in. */
  readonly verdict: ClearanceVerdict;
}

/** What keeps a radiator off a mount before anything is measured: holes, length, sections. */
export interface FitRefusal {
  readonly mount: string;
  readonly radiator: ComponentId;
  readonly why: string;
}

export interface MountFits {
  readonly mount: string;
  readonly choices: readonly FitChoice[];
  readonly refused: readonly FitRefusal[];
}

/** Steps of the slide tried, mm, once its ends and middle did not come clear. */
const SLIDE_STEP_MM = 10;

/** Best first. */
export const FIT_ORDER: Record<ClearanceVerdict, number> = { clear: 0, marginal: 1, clash: 2 };

const RAD = 'whatfits:radiator';

/** The radiator and its fans as they would hang, alone in the case. */
export function hung(
  design: Design,
  radiator: RadiatorPart,
  fan: FanPart,
  faces: FanFaces,
  at: Extract<Placement, { on: 'mount' }>,
): System {
  const component = (
    id: string,
    part: FanPart | RadiatorPart,
    placement: Placement,
  ): Component => ({
    id,
    name: part.name,
    part,
    placement,
    settings: {},
  });
  const on = (faces === 'both' ? ['frame', 'interior'] : [faces]) as readonly Exclude<
    FanFaces,
    'both'
  >[];
  return compileSystem({
    ...design,
    loops: [],
    components: [
      component(RAD, radiator, at),
      ...on.map((face) =>
        component(`whatfits:${face}`, fan, { on: 'radiator', component: RAD, face }),
      ),
    ],
  });
}

/** Ends and slides in order of ease; the first that comes clear is taken, else the roomiest. */
export function bestWay(
  design: Design,
  base: System,
  mount: Mount,
  radiator: RadiatorPart,
  fan: FanPart,
  faces: FanFaces,
): FitChoice {
  const slack = Math.max(0, mount.length_mm - radiator.size[0]);
  // As it hangs now comes first: what is known to hold is not moved.
  const present = design.components.flatMap((i) =>
    i.part.kind === 'radiator' && i.placement.on === 'mount' && i.placement.mount === mount.id
      ? [i.placement]
      : [],
  )[0];
  const ends = [
    ...new Set([
      ...(present && present.slide_mm >= 0 && present.slide_mm <= slack ? [present.slide_mm] : []),
      0,
      slack,
      Math.round(slack / 2),
    ]),
  ];
  const steps = Array.from(
    { length: Math.floor(slack / SLIDE_STEP_MM) },
    (_, i) => (i + 1) * SLIDE_STEP_MM,
  ).filter((s) => !ends.includes(s));
  let best: FitChoice | null = null;
  for (const slides of [ends, steps])
    for (const wanted of slides)
      for (const ports of present?.ports === 'start'
        ? (['start', 'end'] as const)
        : (['end', 'start'] as const)) {
        const slide_mm = heldAt(mount, radiator, ports, wanted);
        const way = measureWay(base, mount, radiator, fan, faces, ports, slide_mm);
        if (!best || better(way, best)) best = way;
        if (way.verdict === 'clear') return way;
      }
  return best as FitChoice;
}

/** Where holes hold it, next to where it is wanted. */
export const heldAt = (
  mount: Mount,
  radiator: RadiatorPart,
  ports: 'start' | 'end',
  wanted_mm: number,
): number =>
  mount.holes ? nearestSlide(slidesOn(mount, screwedAs(radiator, ports)), wanted_mm) : wanted_mm;

const better = (a: FitChoice, b: FitChoice): boolean =>
  FIT_ORDER[a.verdict] - FIT_ORDER[b.verdict] < 0 ||
  (a.verdict === b.verdict && (a.gap_mm ?? Infinity) > (b.gap_mm ?? Infinity) + 0.01);

export function measureWay(
  base: System,
  mount: Mount,
  radiator: RadiatorPart,
  fan: FanPart,
  faces: FanFaces,
  ports: 'start' | 'end',
  slide_mm: number,
): FitChoice {
  const guests = hung(base.design, radiator, fan, faces, {
    on: 'mount',
    mount: mount.id,
    slide_mm,
    ports,
    air: 'in',
  });
  const { placed: own } = guests;
  const [near] = gapsAround(withGuests(base, guests), new Set(own.keys()));
  const gap = near?.verdict ?? 'clear',
    fittings = gap === 'clash' ? null : portsFree(base, own);
  const fanRows = () => {
    if (faces === 'both') return 2;
    if (faces === 'outside') return 0;
    return 1;
  };
  const neighbourName = () => {
    if (near) {
      if (own.has(near.a)) return near.nameB;
      return near.nameA;
    }
    return null;
  };
  return {
    mount: mount.id,
    radiator: radiator.id,
    fan: fan.id,
    faces,
    ports,
    slide_mm,
    stack_mm: radiator.size[2] + fan.size[2] * fanRows(),
    gap_mm: near?.gap_mm ?? null,
    worst_mm: near?.worst_mm ?? null,
    with: neighbourName(),
    fittings,
    verdict: fittings === false ? 'clash' : gap,
  };
}

/** A fitting in each port, as a cylinder. */
export function fittingsOf(
  design: Design,
  own: ReadonlyMap<string, PlacedComponent>,
): readonly { readonly chamber: string; readonly body: Body }[] {
  const fitting = design.loops[0]?.fitting ?? design.kit.rotary90;
  return (own.get(RAD)?.ports ?? []).map((p) => {
    const cylinder = cylinderFrom(p.at, p.direction, fitting.length_mm, fitting.diameter_mm / 2);
    return { chamber: p.port.chamber, body: { box: cylinderBox(cylinder), cylinder } };
  });
}

/**
 * Whether each chamber has a port a fitting goes into, with all that is in and the radiator's own
 * fans.
 */
function portsFree(base: System, own: ReadonlyMap<string, PlacedComponent>): boolean {
  const fittings = fittingsOf(base.design, own);
  const others: readonly Body[] = [
    ...base.obstacles,
    ...[...base.placed.values()].flatMap((p) => p.solids),
    ...[...own.values()].filter((p) => p.id !== RAD).flatMap((p) => p.solids),
  ];
  const free = fittings.filter(
    ({ body }) => !outside(base, body) && !others.some((o) => bodiesMeet(body, o)),
  );
  return new Set(free.map((f) => f.chamber)).size === new Set(fittings.map((f) => f.chamber)).size;
}

const outside = ({ interior }: System, { box }: Body): boolean =>
  interior !== null &&
  ([0, 1, 2] as const).some(
    (i) => box.min[i] < interior.min[i] - 1e-6 || box.max[i] > interior.max[i] + 1e-6,
  );
