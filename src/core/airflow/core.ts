import type { FluidProperties } from '../fluids';
import { ductFanningRe } from './duct';

/** The finned core of a radiator. */
export interface Core {
  /** Along the tubes, mm. */
  readonly length_mm: number;
  /** Across the tubes, mm. */
  readonly width_mm: number;
  /** In the direction of the air, mm. */
  readonly depth_mm: number;
  readonly fpi: number;
  /** Between two flat tubes, mm. */
  readonly finHeight_mm: number;
  readonly finThickness_mm: number;
  /** Outer thickness of a flat tube, mm. */
  readonly tubeHeight_mm: number;
  readonly tubeWall_mm: number;
  /** Conductivity of the fin metal, W/(m·K). */
  readonly finConductivity_WmK: number;
  /** How often the coolant crosses the core: 2 for a U of two tube banks, 1 straight through. */
  readonly passes: number;
  /** What splits or louvres in the fins do to heat transfer and to drag; 1 and 1 for plain fins. */
  readonly finHeatFactor: number;
  readonly finDragFactor: number;
}

/** One channel between fins, m; shares of the face. */
export interface CoreChannel {
  readonly gap: number;
  readonly height: number;
  readonly hydraulic: number;
  readonly freeRatio: number;
  readonly areaPerFrontal: number;
  readonly finShare: number;
  readonly aspect: number;
}

const INCH_MM = 25.4;

export function coreChannel(core: Core): CoreChannel {
  const pitch = INCH_MM / core.fpi;
  const gap = pitch - core.finThickness_mm;
  const height = core.finHeight_mm;
  const cell = pitch * (core.finHeight_mm + core.tubeHeight_mm);
  return {
    gap: gap / 1000,
    height: height / 1000,
    hydraulic: (2 * gap * height) / (gap + height) / 1000,
    freeRatio: (gap * height) / cell,
    areaPerFrontal: (2 * (gap + height) * core.depth_mm) / cell,
    finShare: height / (gap + height),
    aspect: Math.min(gap, height) / Math.max(gap, height),
  };
}

/**
 * Increment of the pressure drop of developing flow in a narrow channel, in velocity heads (Shah &
 * London: about 0.7 for flat, 1.4 for square ducts).
 */
const DEVELOPING_HEADS = 1.0;

/** What something takes from the air at a speed v before it, m/s: linear v + square v², Pa. */
export interface AirDrag {
  readonly linear: number;
  readonly square: number;
}

/**
 * Drag of a core by approach speed: developed friction by aspect ratio (goes with v, laminar), the
 * fin's own drag factor on it; developing increment, entry 0.4 (1 − σ²) and exit (1 − σ)² losses
 * (Kays & London), which go with v².
 */
export function coreDragTerms(core: Core, air: FluidProperties): AirDrag {
  const c = coreChannel(core);
  const length = core.depth_mm / 1000 / c.hydraulic;
  const entryExit = 0.4 * (1 - c.freeRatio ** 2) + (1 - c.freeRatio) ** 2;
  return {
    linear:
      (2 * ductFanningRe(c.aspect) * air.viscosity_Pas * length * core.finDragFactor) /
      (c.hydraulic * c.freeRatio),
    square: ((DEVELOPING_HEADS + entryExit) * air.density_kgm3) / (2 * c.freeRatio ** 2),
  };
}

/** The same at one approach speed, m/s, in Pa. */
export function coreDrag(core: Core, approach_ms: number, air: FluidProperties): number {
  if (approach_ms <= 0) return 0;
  const { linear, square } = coreDragTerms(core, air);
  return linear * approach_ms + square * approach_ms ** 2;
}
