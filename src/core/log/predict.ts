import {
  applyEdit,
  withFactors,
  type Design,
  type Edit,
  type Factors,
  type Reading,
} from '../design';
import { obstructedModel } from '../analysis';
import { routedRuns, routesOf } from '../routing';
import { compileSystem, type System } from '../system';
import type { Run } from '../tubing';
import { noiseOf, solveCoupled, solvePrepared } from '../thermal';
import type { Quantity } from './reading';

/** A machine in the state of a reading, ready to be asked with one set of factors after another. */
export interface Predictor {
  predict(quantities: readonly Quantity[], factors: Factors): readonly number[];
}

/**
 * The build as it was run: room and speeds of the reading, everything else as it is but for what
 * was `changed`. Throws EditError where that cannot be.
 */
export function predictorFor(
  design: Design,
  reading: Reading,
  changed: readonly Edit[] = [],
): Predictor {
  const { room_C, load, fans_rpm, pumps_rpm } = reading;
  const edits: readonly Edit[] = [
    { do: 'brief.set', values: { room_C, loadCase: load } },
    ...(fans_rpm === undefined ? [] : [{ do: 'fans.speed', speed_rpm: fans_rpm } as const]),
    ...(pumps_rpm === undefined
      ? []
      : design.components
          .filter((c) => c.part.kind === 'pump')
          .map((c): Edit => ({
            do: 'component.set',
            component: c.id,
            values: { speed_rpm: pumps_rpm },
          }))),
    ...changed,
  ];
  const state = edits.reduce((now, edit) => applyEdit(now, edit).design, design);
  const system = compileSystem(state);
  const runs = routedRuns(system, routesOf(system));
  return { predict: (quantities, factors) => predicted(system, runs, load, quantities, factors) };
}

function predicted(
  printed: System,
  runs: readonly Run[],
  load: Reading['load'],
  quantities: readonly Quantity[],
  factors: Factors,
): readonly number[] {
  const system = { ...printed, design: withFactors(printed.design, factors) };
  const model = obstructedModel(system);
  const { flow, prepared } = solveCoupled(system, runs, model, load);
  const heat = solvePrepared(prepared, load);
  return quantities.map(({ kind, of }) => {
    switch (kind) {
      case 'coolant':
        return heat.loops.find((l) => l.id === of)?.deltaT_K ?? NaN;
      case 'flow':
        return flow.loops.find((l) => l.id === of)?.flow_Lmin ?? NaN;
      case 'spot': {
        const [component, ...spot] = of.split('/');
        return (
          heat.hotSpots.find((s) => s.component === component && s.hotSpot === spot.join('/'))
            ?.temp_C ?? NaN
        );
      }
      case 'noise':
        return noiseOf(model);
    }
  });
}
