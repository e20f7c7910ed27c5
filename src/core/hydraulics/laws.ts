import type { Kit, Loop } from '../design';
import { coolantProperties, water, type FluidProperties } from '../fluids';
import type { GraphEdge, LoopGraph, System } from '../system';
import type { LossPoint, PumpPart } from '../components';
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

/** Speed of a pump as a share of full speed. */
export function pumpShare(part: PumpPart, speed_rpm: number | undefined): number {
  return (speed_rpm ?? part.fullSpeed_rpm) / part.fullSpeed_rpm;
}

/** What one edge of a loop's graph takes or gives; null where nothing can pass (a shut valve). */
export function linkOf(
  edge: GraphEdge,
  loop: Loop,
  run: Run | undefined,
  kit: Kit,
  fluid: FluidProperties,
): NetworkLink | null {
  const ends = { id: edge.id, from: edge.from, to: edge.to };
  if (edge.kind !== 'passage')
    return {
      ...ends,
      pipe: run
        ? tubeLossOf(run, loop, kit)
        : { length_mm: 0, bore_mm: loop.tube.inner_mm, minor: [] },
    };
  const { component, passage } = edge;
  if (component?.part.kind === 'pump')
    return {
      ...ends,
      pump: {
        curve: curveOfPump(component.part),
        speed: pumpShare(component.part, component.settings.speed_rpm),
      },
    };
  if (component?.settings.shut) return null;
  if (component?.part.kind === 'inline' && component.part.tee) {
    const {
      bore_mm,
      run: [a],
      branch,
      leg_mm,
    } = component.part.tee;
    const legName = () => {
      if (passage?.from === branch) return 'branch';
      if (passage?.from === a) return 'run-a';
      return 'run-b';
    };
    const leg = legName();
    return {
      ...ends,
      pipe: { length_mm: leg_mm, bore_mm, minor: [] },
      tee: { id: component.id, leg, bore_mm },
    };
  }
  const points = passage?.points ?? [];
  const fit = points.some(([q]) => q > 0) ? fitOf(points) : { a: 1e-4, b: 0 };
  return {
    ...ends,
    curve: clogCurve(scaleCurve(fit, curveScale(fluid)), component?.settings.clogged ?? 0),
  };
}

const isReservoir = (system: System, node: string): boolean =>
  system.placed.get(node.split('/')[0] as string)?.component.part.kind === 'reservoir';

/** A loop as a network of its coolant at a temperature; the first reservoir holds the pressure. */
export function networkOf(
  system: System,
  graph: LoopGraph,
  runs: readonly Run[],
  coolant_C: number,
): FlowNetwork {
  const fluid = coolantProperties(graph.loop.coolant.base, coolant_C);
  const links = graph.edges.flatMap(
    (e) =>
      linkOf(
        e,
        graph.loop,
        runs.find((r) => r.id === e.id && r.loop === graph.loop.id),
        system.design.kit,
        fluid,
      ) ?? [],
  );
  const reservoir = graph.edges
    .flatMap((e) => [e.from, e.to])
    .find((node) => isReservoir(system, node));
  const inlet = links.find((l) => l.pump)?.from;
  const fixed = reservoir ?? inlet;
  return { fluid, links, fixed: fixed === undefined ? [] : [fixed] };
}
