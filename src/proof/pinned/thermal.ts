import { analyse } from '@/core/analysis';
import { air } from '@/core/fluids';
import { airSensitivity, caseAirOf, noiseHeard } from '@/core/thermal';
import { variants } from './variants';

/** Heat, air and noise of every variant. */
export const pin = (): unknown =>
  variants(2).map(({ id, design }) => {
    const { reports, thermalModel } = analyse(design);
    const { room_C, altitude_m, loadCase } = design.brief;
    const winds = caseAirOf(thermalModel, air(room_C, altitude_m));
    return {
      id,
      heat: reports.heat[loadCase],
      sizing: reports.sizing,
      noise: noiseHeard(thermalModel),
      air: { ...winds, solution: winds.solution.openings },
      sensitivity: airSensitivity(thermalModel, reports.flow, loadCase),
    };
  });
