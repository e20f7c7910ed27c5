import type { FluidProperties } from '../fluids';
import type { LossCurve } from './curve';
import { boreSpeed } from './minor';

/**
 * Roughness of drawn plastic or rubber tube, mm (common to hydraulics handbooks: "drawn tubing
 * 0.0015 mm").
 */
export const TUBE_ROUGHNESS_MM = 0.0015;

/** One K with the bore it refers to. */
export interface KAtBore {
  readonly k: number;
  readonly bore_mm: number;
  /** Words for the loss table: "rotary 90° at the pump". */
  readonly of: string;
}

/** A measured fitting, scaled to the coolant: kPa at L/min. */
export interface MeasuredLoss extends LossCurve {
  readonly of: string;
}

/** A tube between two ports with the fittings at its ends. */
export interface TubeLoss {
  readonly length_mm: number;
  readonly bore_mm: number;
  readonly minor: readonly KAtBore[];
  readonly measured?: readonly MeasuredLoss[];
  /** Drawn tube's 0.0015 mm unless said. */
  readonly roughness_mm?: number;
}

/** Reynolds number in a bore; 0 without flow. */
export function reynolds(flow_Lmin: number, bore_mm: number, fluid: FluidProperties): number {
  return (
    (fluid.density_kgm3 * Math.abs(boreSpeed(flow_Lmin, bore_mm)) * (bore_mm / 1000)) /
    fluid.viscosity_Pas
  );
}
