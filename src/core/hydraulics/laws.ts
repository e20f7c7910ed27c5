import {
  findComponent,
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
import { clogCurve, fitLossCurve, scaleCurve, type CurveScale, type LossFit } from './curve';
import type { FlowNetwork, NetworkLink } from './links';
import { bendK, contractionK, expansionK } from './minor';
import { pumpCurve, type PumpCurve } from './pump';
import type { KAtBore, TubeLoss } from './tube';

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

/** The run as hydraulics see it: length, bore, and each K at its own bore. */
export function tubeLossOf(run: Run, loop: Loop, kit: Kit): TubeLoss {
  const bore = loop.tube.inner_mm;
  const minor: KAtBore[] = run.fittings.map((f) => {
    const part = pieceOf(run, f.duty, loop, kit);
    return {
      k: part.k,
      bore_mm: part.bore_mm,
      of: `${part.name} at the ${f.end === 'from' ? 'start' : 'end'}`,
    };
  });
  if (run.by === 'tube' && Math.abs(loop.fitting.bore_mm - bore) > 0.05) {
    const small = Math.min(loop.fitting.bore_mm, bore),
      large = Math.max(loop.fitting.bore_mm, bore);
    minor.push({
      k: expansionK(small, large) + contractionK(large, small),
      bore_mm: small,
      of: 'step between fitting and tube',
    });
  }
  if (run.turning_deg > 0) {
    const radius = loop.tube.hard
      ? loop.tube.minBend_mm
      : Math.max(loop.tube.minBend_mm, run.cut_mm / 3);
    minor.push({ k: bendK(radius, bore, run.turning_deg), bore_mm: bore, of: 'bends' });
  }
  return { length_mm: run.cut_mm, bore_mm: bore, minor };
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
          ? tubeLossOf(run, loop, kit)
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
  const links = graph.links.flatMap(
    (link) =>
      networkLinkOf(link, loop, runOf.get(link.id), system.design.kit, fluid, settingsOf) ?? [],
  );
  const fixed = reservoirNode(system, graph) ?? links.find((l) => l.pump)?.from;
  return { fluid, links, fixed: fixed === undefined ? [] : [fixed] };
}

/** The first chamber of a reservoir in the loop. */
function reservoirNode(system: System, { nodes }: LoopGraph): string | undefined {
  for (const { id, component } of nodes.values())
    if (system.placed.get(component)?.part.kind === 'reservoir') return id;
  return undefined;
}
