import { measureAirflowObstructions, type AirflowObstruction } from '../clearance';
import type { System } from '../system';
import { compileThermalModel, type ThermalModel } from '../thermal';

/** The thermal model with what stands before each radiator and fan, as every stage shows it. */
export const obstructedModel = (
  system: System,
  obstructions: readonly AirflowObstruction[] = measureAirflowObstructions(system),
): ThermalModel =>
  compileThermalModel(system, new Map(obstructions.map((o) => [o.component, o.loss_Pa])));
