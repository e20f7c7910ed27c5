import type { Loop } from '../build';
import { water, type FluidProperties } from '../fluid';
import type { GraphEdge } from '../model';
import type { PumpPart } from '../part';
import type { Run } from '../run';
import { fitLossCurve, lossDrop, lossSlope, type CurveScale, type LossFit } from './curve';
import { bendK, contractionK, expansionK } from './minor';
import type { LinkLaw } from './network';
import { headToPressure, pumpCurve, pumpHead, type PumpCurve } from './pump';
import { tubeDrop, tubeSlope, type KAtBore, type TubeLoss } from './tube';
import type { Kit } from '../build';

/** Part curves are measured with water at this temperature unless the part says otherwise. */
const MEASURED_C = 25;
const MEASURED_WATER = water(MEASURED_C);

export function curveScale(fluid: FluidProperties): CurveScale {
  return { viscosityRatio: fluid.viscosity_Pas / MEASURED_WATER.viscosity_Pas, densityRatio: fluid.density_kgm3 / MEASURED_WATER.density_kgm3 };
}

/** Fits are made once a passage: parts are immutable snapshots. */
const fits = new WeakMap<object, LossFit>();
function fitOf(points: readonly (readonly [number, number])[]): LossFit {
  let fit = fits.get(points);
  if (!fit) { fit = fitLossCurve(points); fits.set(points, fit); }
  return fit;
}

const pumps = new WeakMap<PumpPart, PumpCurve>();
export function curveOfPump(part: PumpPart): PumpCurve {
  let curve = pumps.get(part);
  if (!curve) { curve = pumpCurve(part.points, part.fullSpeed_rpm); pumps.set(part, curve); }
  return curve;
}

/** The run as hydraulics see it: length, bore, and each K at its own bore. */
export function tubeLossOf(run: Run, loop: Loop, kit: Kit): TubeLoss {
  const bore = loop.tube.inner_mm;
  const minor: KAtBore[] = run.fittings.map((f) => {
    const part = f.duty === loop.fitting.duty ? loop.fitting : kit[f.duty as keyof Omit<Kit, 'screws'>];
    return { k: part.k, bore_mm: part.bore_mm, of: `${part.name} at the ${f.end === 'from' ? 'start' : 'end'}` };
  });
  if (run.by === 'tube' && Math.abs(loop.fitting.bore_mm - bore) > 0.05) {
    const small = Math.min(loop.fitting.bore_mm, bore), large = Math.max(loop.fitting.bore_mm, bore);
    minor.push({ k: expansionK(small, large) + contractionK(large, small), bore_mm: small, of: 'step between fitting and tube' });
  }
  if (run.turning_deg > 0) {
    const radius = loop.tube.hard ? loop.tube.minBend_mm : Math.max(loop.tube.minBend_mm, run.cut_mm / 3);
    minor.push({ k: bendK(radius, bore, run.turning_deg), bore_mm: bore, of: 'bends' });
  }
  return { length_mm: run.cut_mm, bore_mm: bore, minor };
}

/** Speed of a pump as a share of full speed. */
export function pumpShare(part: PumpPart, speed_rpm: number | undefined): number {
  return (speed_rpm ?? part.fullSpeed_rpm) / part.fullSpeed_rpm;
}

/** The law of one edge of a loop's graph. Joints are short bores: their K alone. */
export function edgeLaw(edge: GraphEdge, loop: Loop, run: Run | undefined, kit: Kit, fluid: FluidProperties): LinkLaw {
  const { id, from, to } = edge;
  if (edge.kind !== 'passage') {
    const loss: TubeLoss = run ? tubeLossOf(run, loop, kit) : { length_mm: 0, bore_mm: loop.tube.inner_mm, minor: [] };
    return { id, from, to, drop: (q) => tubeDrop(loss, q, fluid), slope: (q) => tubeSlope(loss, q, fluid) };
  }
  if (edge.item?.part.kind === 'pump') {
    const curve = curveOfPump(edge.item.part);
    const s = pumpShare(edge.item.part, edge.item.settings.speed_rpm);
    return {
      id, from, to,
      drop: (q) => -headToPressure(pumpHead(curve, q, s).head_m, fluid.density_kgm3),
      slope: (q) => -headToPressure(pumpHead(curve, q, s).slope, fluid.density_kgm3),
    };
  }
  const points = edge.passage?.points ?? [];
  const fit = points.some(([q]) => q > 0) ? fitOf(points) : { a: 1e-4, b: 0 };
  const scale = curveScale(fluid);
  return { id, from, to, drop: (q) => lossDrop(fit, q, scale), slope: (q) => lossSlope(fit, q, scale) };
}
