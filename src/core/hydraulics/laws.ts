import {
  factorsOf,
  findComponent,
  loopOfRun,
  type ComponentId,
  type Design,
  type Kit,
  type Loop,
  type Settings,
} from '../design';
import { coolantProperties, water, type FluidProperties } from '../fluids';
import type { FluidLink, LoopGraph, System } from '../system';
import { turningSpeed, type LossPoint, type PumpPart } from '../components';
import { pieceOf, type Run } from '../tubing';
import { msg } from '../messages';
import {
  clogCurve,
  fitLossCurve,
  lossDrop,
  scaleCurve,
  type CurveScale,
  type LossCurve,
  type LossFit,
} from './curve';
import type { FlowNetwork, NetworkLink } from './links';
import { bendExtraK } from './minor';
import { pumpCurve, type PumpCurve } from './pump';
import { linkDrop } from './terms';
import type { KAtBore, MeasuredLoss, TubeLoss } from './tube';

/** Part curves are measured with water at this temperature. */
const MEASURED_C = 25;
const MEASURED_WATER = water(MEASURED_C);

export function curveScale(fluid: FluidProperties): CurveScale {
  return {
    viscosityRatio: fluid.viscosity_Pas / MEASURED_WATER.viscosity_Pas,
    densityRatio: fluid.density_kgm3 / MEASURED_WATER.density_kgm3,
  };
}

/** Fits are made once a passage: parts are immutable snapshots. */
const fits = new WeakMap<object, LossFit>();
export function fitOf(points: readonly LossPoint[]): LossFit {
  let fit = fits.get(points);
  if (!fit) {
    fit = fitLossCurve(points);
    fits.set(points, fit);
  }
  return fit;
}

const pumps = new WeakMap<PumpPart, PumpCurve>();
export function curveOfPump(part: PumpPart): PumpCurve {
  let curve = pumps.get(part);
  if (!curve) {
    curve = pumpCurve(part.points, part.fullSpeed_rpm);
    pumps.set(part, curve);
  }
  return curve;
}

/**
 * The run as hydraulics see it. Which loss holds what: the cut length all friction, that of the
 * arcs too; a bend what it costs beyond the length of its arc; a fitting's K or points all between
 * the port and the tube: its entry, its bore, the step to its tube.
 */
export function tubeLossOf(run: Run, loop: Loop, kit: Kit, fluid: FluidProperties): TubeLoss {
  const bore_mm = loop.tube.inner_mm;
  const minor: KAtBore[] = [],
    measured: MeasuredLoss[] = [];
  for (const { end, duty } of run.fittings) {
    const { name, points, k, bore_mm: own_mm } = pieceOf(run, duty, loop, kit);
    const of = msg`${name} at the ${end === 'from' ? msg`start` : msg`end`}`;
    if (points?.some(([q]) => q > 0))
      measured.push({ ...scaleCurve(fitOf(points), curveScale(fluid)), of });
    else minor.push({ k, bore_mm: own_mm, of });
  }
  const bends = bendsOf(run, loop).reduce(
    (sum, { radius_mm, angle_deg }) => sum + bendExtraK(radius_mm, bore_mm, angle_deg),
    0,
  );
  if (bends > 0) minor.push({ k: bends, bore_mm, of: BENDS });
  return {
    length_mm: run.cut_mm,
    bore_mm,
    minor,
    ...(measured.length > 0 ? { measured } : {}),
  };
}
/** What the bends of a run are called among its losses. */
const BENDS = 'bends';

/** The bends of a run: as routed where it is, else all its turning at the radius it would have. */
function bendsOf(
  run: Run,
  { tube }: Loop,
): readonly { readonly radius_mm: number; readonly angle_deg: number }[] {
  if (run.routed)
    return run.routed.path.flatMap((s) =>
      s.kind === 'arc' ? [{ radius_mm: s.radius, angle_deg: s.angle_deg }] : [],
    );
  if (run.turning_deg <= 0) return [];
  const radius_mm = tube.hard ? tube.minBend_mm : Math.max(tube.minBend_mm, run.cut_mm / 3);
  return [{ radius_mm, angle_deg: run.turning_deg }];
}

/** What a run takes at a flow, by what takes it. */
export interface RunDrop {
  readonly tube_kPa: number;
  readonly bends_kPa: number;
  readonly fittings: readonly { readonly of: string; readonly drop_kPa: number }[];
}

/** The drop of a run at a flow, split into straight tube and arcs, bends, and each fitting. */
export function runDrop(pipe: TubeLoss, flow_Lmin: number, fluid: FluidProperties): RunDrop {
  const q = Math.abs(flow_Lmin);
  const dropOf = (only: TubeLoss): number =>
    linkDrop({ id: '', from: 'a', to: 'b', pipe: only }, q, fluid);
  const ofMinor = (m: KAtBore): number =>
    dropOf({ ...pipe, length_mm: 0, minor: [m], measured: [] });
  return {
    tube_kPa: dropOf({ ...pipe, minor: [], measured: [] }),
    bends_kPa: pipe.minor.reduce((sum, m) => sum + (m.of === BENDS ? ofMinor(m) : 0), 0),
    fittings: [
      ...pipe.minor.flatMap((m) => (m.of === BENDS ? [] : [{ of: m.of, drop_kPa: ofMinor(m) }])),
      ...(pipe.measured ?? []).map((m) => ({ of: m.of, drop_kPa: lossDrop(m, q) })),
    ],
  };
}

/** Speed of a pump as a share of full speed, held within what it can turn. */
export const pumpShare = (part: PumpPart, speed_rpm: number | undefined): number =>
  turningSpeed(part, speed_rpm) / part.fullSpeed_rpm;

/** What is set of a component; nothing where the design has none of that id. */
export type SettingsOf = (id: ComponentId) => Settings;
const NO_SETTINGS: Settings = {};
export const settingsIn =
  (design: Design): SettingsOf =>
  (id) =>
    findComponent(design, id)?.settings ?? NO_SETTINGS;

/** A passage without points lets everything by; a little of a law keeps the equations sound. */
const FREE: Pick<LossFit, 'a' | 'b'> = { a: 1e-4, b: 0 };

/**
 * The elements of a link as the network has them, by its law; null where nothing can pass (a shut
 * valve).
 */
export function networkLinkOf(
  link: FluidLink,
  loop: Loop,
  run: Run | undefined,
  kit: Kit,
  fluid: FluidProperties,
  settingsOf: SettingsOf,
): NetworkLink | null {
  const { law } = link;
  const ends = { id: link.id, from: link.from, to: link.to };
  const settings = link.component === null ? NO_SETTINGS : settingsOf(link.component);
  switch (law.kind) {
    case 'tube':
    case 'direct':
      return {
        ...ends,
        pipe: run
          ? tubeLossOf(run, loopOfRun(loop, run.id), kit, fluid)
          : { length_mm: 0, bore_mm: loop.tube.inner_mm, minor: [] },
      };
    case 'pump': {
      const speed = pumpShare(law.part, settings.speed_rpm);
      return { ...ends, pump: { curve: curveOfPump(law.part), speed } };
    }
    case 'tee':
      if (settings.shut) return null;
      return {
        ...ends,
        pipe: { length_mm: law.leg_mm, bore_mm: law.bore_mm, minor: [] },
        tee: { id: link.component ?? link.id, leg: law.leg, bore_mm: law.bore_mm },
      };
    case 'measured': {
      if (settings.shut) return null;
      const fit = law.points.some(([q]) => q > 0) ? fitOf(law.points) : FREE;
      return {
        ...ends,
        curve: clogCurve(scaleCurve(fit, curveScale(fluid)), settings.clogged ?? 0),
      };
    }
  }
}

/**
 * A link that takes so many times as much at every flow: friction goes with length, the rest with
 * its own figures. Tees stay as printed.
 */
export function withLosses(link: NetworkLink, losses: number): NetworkLink {
  if (losses === 1) return link;
  const more = ({ a, b }: LossCurve): LossCurve => ({ a: a * losses, b: b * losses });
  const { pipe, curve } = link;
  return {
    ...link,
    ...(curve && { curve: more(curve) }),
    ...(pipe && {
      pipe: {
        ...pipe,
        length_mm: pipe.length_mm * losses,
        minor: pipe.minor.map((m) => ({ ...m, k: m.k * losses })),
        ...(pipe.measured && { measured: pipe.measured.map((m) => ({ ...m, ...more(m) })) }),
      },
    }),
  };
}

/** A loop as a network of its coolant at a temperature; the first reservoir holds the pressure. */
export function networkOf(
  system: System,
  graph: LoopGraph,
  runs: readonly Run[],
  coolant_C: number,
  settingsOf: SettingsOf = settingsIn(system.design),
): FlowNetwork {
  const { loop } = graph;
  const fluid = coolantProperties(loop.coolant.base, coolant_C);
  const runOf = new Map(
    runs.flatMap((run) => (run.loop === loop.id ? [[run.id, run] as const] : [])),
  );
  const { losses } = factorsOf(system.design);
  const links = graph.links.flatMap((link) => {
    const printed = networkLinkOf(
      link,
      loop,
      runOf.get(link.id),
      system.design.kit,
      fluid,
      settingsOf,
    );
    return printed === null ? [] : withLosses(printed, losses);
  });
  const fixed = reservoirNode(system, graph) ?? links.find((l) => l.pump)?.from;
  return { fluid, links, fixed: fixed === undefined ? [] : [fixed] };
}

/** The first chamber of a reservoir in the loop. */
function reservoirNode(system: System, { nodes }: LoopGraph): string | undefined {
  for (const { id, component } of nodes.values())
    if (system.placed.get(component)?.part.kind === 'reservoir') return id;
  return undefined;
}
