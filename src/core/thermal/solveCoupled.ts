import { solveFlow, type FlowReport } from '../hydraulics';
import type { ThermalModel } from './thermalModel';
import { loopMeans, prepareHeat, type Prepared } from './steady';
import type { System } from '../system';
import type { LoadCaseId } from '../components';
import type { Run } from '../tubing';

export interface Settled {
  readonly flow: FlowReport;
  readonly prepared: Prepared;
}

/**
 * Coolant temperature and flow depend on each other through viscosity: rounds until no loop moves
 * by more than this, K.
 */
const SETTLED_K = 0.02;
const MOST_ROUNDS = 6;

/**
 * Flow and heat brought to agree: the flow at the coolant's own temperature, the temperature at
 * that flow.
 */
export function solveCoupled(
  system: System,
  runs: readonly Run[],
  thermalModel: ThermalModel,
  load: LoadCaseId,
): Settled {
  let flow = solveFlow(system, runs, new Map());
  let prepared = prepareHeat(thermalModel, flow);
  for (let i = 0; i < MOST_ROUNDS; i += 1) {
    const means = loopMeans(prepared, load);
    const moved = Math.max(
      0,
      ...flow.loops.map((l) => Math.abs((means.get(l.id) ?? l.coolant_C) - l.coolant_C)),
    );
    if (moved < SETTLED_K) break;
    flow = solveFlow(system, runs, means);
    prepared = prepareHeat(thermalModel, flow);
  }
  return { flow, prepared };
}
