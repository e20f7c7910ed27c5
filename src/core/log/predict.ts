import { applyEdit, type Design, type Edit } from '../design';
import type { PumpPart } from '../components';
import { obstructedModel } from '../analysis';
import { routedRuns, routesOf } from '../routing';
import { compileSystem, type System } from '../system';
import type { Run } from '../tubing';
import { noiseOf, solveCoupled, solvePrepared } from '../thermal';
import type { Quantity, Reading } from './reading';

/** How far a machine is from its papers; 1 where it is as printed. */
export interface Factors {
  /** On the heat radiators pass for what the model says. */
  readonly radiators: number;
  /** On all that a loop takes. */
  readonly losses: number;
  /** On the resistance of each block with its paste, by component. */
  readonly blocks: Readonly<Record<string, number>>;
}

export const AS_PRINTED: Factors = { radiators: 1, losses: 1, blocks: {} };

/** A machine in the state of a reading, ready to be asked with one set of factors after another. */
export interface Predictor {
  predict(quantities: readonly Quantity[], factors: Factors): readonly number[];
}

/** The build as it was run: room and speeds of the reading, everything else as it is. */
export function predictorFor(design: Design, reading: Reading): Predictor {
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
  const system = withLosses(printed, factors.losses);
  const model = obstructedModel(system);
  const scaled = {
    ...model,
    factors: { ...model.factors, conductance: model.factors.conductance * factors.radiators },
  };
  const { flow, prepared } = solveCoupled(system, runs, scaled, load);
  const block = (component: string): number => factors.blocks[component] ?? 1;
  const heat = solvePrepared(prepared, load, {
    vary: { draw: () => 1, block, interface: block },
  });
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

/**
 * A loop that takes l times as much moves what pumps with 1/l of their head would: exact where what
 * is taken goes with the square of the flow.
 */
function withLosses(system: System, losses: number): System {
  if (losses === 1) return system;
  const weaker = new Map<PumpPart, PumpPart>();
  const of = (part: PumpPart): PumpPart => {
    const known =
      weaker.get(part) ??
      ({ ...part, points: part.points.map(([q, h]) => [q, h / losses] as const) } as PumpPart);
    weaker.set(part, known);
    return known;
  };
  return {
    ...system,
    loops: system.loops.map((graph) => ({
      ...graph,
      links: graph.links.map((link) =>
        link.law.kind === 'pump'
          ? { ...link, law: { kind: 'pump', part: of(link.law.part) } }
          : link,
      ),
    })),
  };
}
