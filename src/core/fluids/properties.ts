/** What the flow and heat models need to know of a fluid at one temperature. */
export interface FluidProperties {
  readonly density_kgm3: number;
  readonly viscosity_Pas: number;
  readonly heatCapacity_JkgK: number;
  readonly conductivity_WmK: number;
}

/** Prandtl number, dimensionless. */
export const prandtl = (f: FluidProperties): number =>
  (f.heatCapacity_JkgK * f.viscosity_Pas) / f.conductivity_WmK;
