import type { FluidProperties } from '../fluid';
import { LMIN_TO_M3S } from '../quantity';
import { frictionFactor } from './friction';
import { boreSpeed, minorLoss } from './minor';

/** Roughness of drawn plastic or rubber tube, mm (common to hydraulics handbooks: "drawn tubing 0.0015 mm"). */
export const TUBE_ROUGHNESS_MM = 0.0015;

/** One K with the bore it refers to. */
export interface KAtBore {
  readonly k: number;
  readonly bore_mm: number;
  /** Words for the loss table: "rotary 90° at the pump". */
  readonly of: string;
}

/** A tube between two ports with the fittings at its ends. */
export interface TubeLoss {
  readonly length_mm: number;
  readonly bore_mm: number;
  readonly minor: readonly KAtBore[];
}

/** Reynolds number in a bore; 0 without flow. */
export function reynolds(flow_Lmin: number, bore_mm: number, fluid: FluidProperties): number {
  return (fluid.density_kgm3 * Math.abs(boreSpeed(flow_Lmin, bore_mm)) * (bore_mm / 1000)) / fluid.viscosity_Pas;
}

/** Drop of the tube with its fittings, kPa, odd in Q. Darcy–Weisbach with frictionFactor and K ρ v²/2. */
export function tubeDrop(tube: TubeLoss, flow_Lmin: number, fluid: FluidProperties): number {
  const q = Math.abs(flow_Lmin);
  if (q < 1e-12) return 0;
  const d = tube.bore_mm / 1000;
  const v = boreSpeed(q, tube.bore_mm);
  const re = (fluid.density_kgm3 * v * d) / fluid.viscosity_Pas;
  const friction = frictionFactor(re, TUBE_ROUGHNESS_MM / tube.bore_mm) * (tube.length_mm / tube.bore_mm) * ((fluid.density_kgm3 * v * v) / 2);
  const fittings = tube.minor.reduce((sum, m) => sum + minorLoss(m.k, q, m.bore_mm, fluid.density_kgm3), 0);
  return (Math.sign(flow_Lmin) * (friction + fittings)) / 1000;
}

/** Slope of tubeDrop, kPa per L/min, by central difference; at rest the laminar slope, which is never 0 for a tube with length. */
export function tubeSlope(tube: TubeLoss, flow_Lmin: number, fluid: FluidProperties): number {
  const q = Math.abs(flow_Lmin);
  if (q < 1e-6) {
    const d = tube.bore_mm / 1000;
    return ((128 * fluid.viscosity_Pas * (tube.length_mm / 1000)) / (Math.PI * d ** 4)) * LMIN_TO_M3S / 1000;
  }
  const h = q * 1e-5;
  return (tubeDrop(tube, q + h, fluid) - tubeDrop(tube, q - h, fluid)) / (2 * h);
}
