export { prandtl, type FluidProperties } from './properties';
export { water, waterDensity, waterViscosity, waterConductivity, waterHeatCapacity } from './water';
export {
  glycolMix,
  glycolMixConde,
  massFromVolumeShare,
  GLYCOL_MASS_MAX,
  type Glycol,
} from './glycol';
export { air, standardPressure } from './air';
export { coolantProperties, COOLANT_RANGE_C, type CoolantBase } from './coolant';
export { vapourPressure } from './vapour';
