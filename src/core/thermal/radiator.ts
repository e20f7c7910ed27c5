import { prandtl, type FluidProperties } from '../fluids';
import { LMIN_TO_M3S } from '../units';
import { coreChannel, type Core } from '../airflow';
import { developingNusselt, flatTubeNusselt } from './duct';
import { crossflowEffectiveness } from './effectiveness';

/**
 * Installation factors: hub shadow, uneven flow and frame on the air flow, and everything the plain
 * channel model leaves out on the conductance. Calibrated to common practice (no source): 360 × 30
 * mm, 16 per inch, ordinary fans: 14.6, 23.6, 29.1 W/K at 750, 1,300, 1,850 rpm, inside 12 to 15, 20
 * to 24, 27 to 32.
 */
export const INSTALLATION = { airFlow: 0.65, conductance: 0.68 } as const;
export interface InstallationFactors {
  readonly airFlow: number;
  readonly conductance: number;
}

export interface RadiatorState {
  /** Through the whole core, m³/h, before the installation factor. */
  readonly airFlow_m3h: number;
  readonly coolantFlow_Lmin: number;
  readonly air: FluidProperties;
  readonly coolant: FluidProperties;
  readonly factors?: InstallationFactors;
}

export interface RadiatorResult {
  /** Heat per kelvin between coolant in and air in, W/K. */
  readonly conductance_WK: number;
  readonly effectiveness: number;
  readonly ntu: number;
  readonly finEfficiency: number;
  readonly airCoefficient_Wm2K: number;
  readonly coolantCoefficient_Wm2K: number;
}

/**
 * What a still radiator sheds on its own, W/K per m² of face: both faces, by natural convection
 * (about 5.5 W/(m² K) at 10 to 20 K, Incropera, from memory) and by radiation, 4 ε σ T³ with an
 * emissivity of 0.9 at 308 K. What rises through the core itself is left out.
 */
const NATURAL_WM2K = 5.5;
const EMISSIVITY = 0.9,
  STEFAN_BOLTZMANN = 5.670374419e-8,
  RADIATES_AT_K = 308;
export const STILL_AIR_WM2K =
  2 * (NATURAL_WM2K + 4 * EMISSIVITY * STEFAN_BOLTZMANN * RADIATES_AT_K ** 3);

/**
 * Heat taken per kelvin of (coolant in − air in) by a core at one state. Crossflow
 * effectiveness–NTU with the geometry of the fins.
 */
export function radiatorConductance(core: Core, state: RadiatorState): RadiatorResult {
  const factors = state.factors ?? INSTALLATION;
  const c = coreChannel(core);
  const face = (core.length_mm * core.width_mm) / 1e6;
  const still = STILL_AIR_WM2K * face;
  const flow_m3s = (state.airFlow_m3h / 3600) * factors.airFlow;
  const cAir = flow_m3s * state.air.density_kgm3 * state.air.heatCapacity_JkgK;
  const q = Math.abs(state.coolantFlow_Lmin);
  const cCoolant = q * LMIN_TO_M3S * state.coolant.density_kgm3 * state.coolant.heatCapacity_JkgK;
  if (cCoolant <= 1e-6)
    return {
      conductance_WK: 0,
      effectiveness: 0,
      ntu: 0,
      finEfficiency: 1,
      airCoefficient_Wm2K: 0,
      coolantCoefficient_Wm2K: 0,
    };

  const v = flow_m3s / face / c.freeRatio;
  const re = Math.max(1e-9, (state.air.density_kgm3 * v * c.hydraulic) / state.air.viscosity_Pas);
  const xStar = core.depth_mm / 1000 / c.hydraulic / (re * prandtl(state.air));
  const nu = developingNusselt(xStar, c.aspect) * core.finHeatFactor;
  const hAir = (nu * state.air.conductivity_WmK) / c.hydraulic;
  const m = Math.sqrt((2 * hAir) / (core.finConductivity_WmK * (core.finThickness_mm / 1000)));
  const mL = (m * c.height) / 2;
  const fin = mL > 1e-9 ? Math.tanh(mL) / mL : 1;
  const surface = 1 - c.finShare * (1 - fin);
  const airSide = surface * hAir * c.areaPerFrontal * face;

  const tubes = Math.max(1, Math.floor(core.width_mm / (core.finHeight_mm + core.tubeHeight_mm)));
  const inner = (core.tubeHeight_mm - 2 * core.tubeWall_mm) / 1000;
  const innerDepth = (core.depth_mm * 0.9) / 1000;
  const hydraulic = (2 * inner * innerDepth) / (inner + innerDepth);
  const perTube = (q * LMIN_TO_M3S) / Math.max(1, tubes / core.passes) / (inner * innerDepth);
  const reC = (state.coolant.density_kgm3 * perTube * hydraulic) / state.coolant.viscosity_Pas;
  const nuC = flatTubeNusselt(reC, prandtl(state.coolant));
  const hC = (nuC * state.coolant.conductivity_WmK) / hydraulic;
  const coolantSide = hC * tubes * 2 * (innerDepth + inner) * (core.length_mm / 1000);

  const ua = factors.conductance / (1 / Math.max(1e-9, airSide) + 1 / coolantSide);
  const cMin = Math.min(cAir, cCoolant),
    cMax = Math.max(cAir, cCoolant);
  const ntu = cMin > 0 ? ua / cMin : 0;
  const effectiveness = cMin > 0 ? crossflowEffectiveness(ntu, cMin / cMax) : 0;
  const forced = effectiveness * cMin;
  const conductance = Math.min(Math.max(forced, still), cCoolant * 0.999);
  return {
    conductance_WK: conductance,
    effectiveness,
    ntu,
    finEfficiency: fin,
    airCoefficient_Wm2K: hAir,
    coolantCoefficient_Wm2K: hC,
  };
}
