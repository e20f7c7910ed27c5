import { findComponent, type ComponentId, type Design } from '../design';
import type { LoadCaseId } from '../components';
import { atFullSpeed, networkOf, slowestShareFor } from '../hydraulics';
import { withDesign, type System } from '../system';
import type { Run } from '../tubing';
import { noiseOf } from './noise';
import { atSpeed, speedRange, speedWhere } from './sizing';
import { worstRise } from './worstRise';
import { solveCoupled } from './solveCoupled';
import { solvePrepared } from './solve';
import type { ThermalModel } from './thermalModel';

/** Speeds of all fans and pumps, with what they come to. */
export interface QuietestSetting {
  /** Of all fans, each within its range; null where there are none. */
  readonly fans_rpm: number | null;
  readonly pumps: readonly { readonly component: ComponentId; readonly speed_rpm: number }[];
  readonly noise_dBA: number;
  readonly deltaT_K: number;
}

/** What of the machine is not changed by the search. */
export interface QuietestInputs {
  readonly system: System;
  readonly runs: readonly Run[];
  readonly thermalModel: ThermalModel;
  readonly load: LoadCaseId;
  /** Kelvin that every hot spot keeps to its limit. */
  readonly spotMargin_K: number;
}

/** Pump speeds tried between the slowest that moves the flow and full speed. */
const PUMP_STEPS = 5;
const FAN_STEP_RPM = 10,
  PUMP_STEP_RPM = 50;
/** Stands for "no steady state", K. */
const NO_STATE_K = 1e4;

/**
 * The setting of fans and pumps with the least noise at which coolant ΔT, flow and every hot spot
 * are within their limits, in the room of the brief and in its summer; null when none is. The noise
 * itself may still be above its limit: nothing quieter would do.
 *
 * Fans share one speed (rpm, each kept in its range); the pumps of each loop go together from the
 * slowest that moves the flow up to full speed.
 */
export function quietestSetting(inputs: QuietestInputs): QuietestSetting | null {
  let best: QuietestSetting | null = null;
  for (const pumps of pumpChoices(inputs)) {
    const setting = slowestFans(inputs, pumps);
    if (setting && (best === null || setting.noise_dBA < best.noise_dBA - 0.005)) best = setting;
  }
  return best;
}

type PumpSpeeds = QuietestSetting['pumps'];

/** Sets of pump speeds, slowest first; empty when even full speed does not move the flow. */
function pumpChoices({ system, runs }: QuietestInputs): readonly PumpSpeeds[] {
  const { limits, room_C } = system.design.brief;
  // Half way to the limit: cooler, so thicker, than it will be, whatever the speeds are now.
  const coolant_C = room_C + limits.deltaT_K / 2;
  const ranges = system.loops.flatMap((graph) => {
    const pumps = graph.links.flatMap((l) =>
      l.law.kind === 'pump' && l.component !== null ? [{ id: l.component, part: l.law.part }] : [],
    );
    if (pumps.length === 0) return [];
    const share = slowestShareFor(
      atFullSpeed(networkOf(system, graph, runs, coolant_C)),
      limits.flow_Lmin,
    );
    return [{ pumps, share }];
  });
  if (ranges.some((r) => r.share === null)) return [];
  return Array.from({ length: PUMP_STEPS }, (_, step) => step / (PUMP_STEPS - 1)).map((towards) =>
    ranges.flatMap(({ pumps, share }) =>
      pumps.map(({ id, part }) => {
        const least = Math.max(part.minSpeed_rpm, (share ?? 1) * part.fullSpeed_rpm);
        const wanted = least + towards * (part.fullSpeed_rpm - least);
        return {
          component: id,
          speed_rpm: Math.min(
            part.fullSpeed_rpm,
            Math.ceil(wanted / PUMP_STEP_RPM) * PUMP_STEP_RPM,
          ),
        };
      }),
    ),
  );
}

/** The slowest fans that meet every limit at these pump speeds; null when full speed does not. */
function slowestFans(inputs: QuietestInputs, pumps: PumpSpeeds): QuietestSetting | null {
  const range = speedRange(inputs.thermalModel);
  const at = (rpm: number): StateAt => stateAt(inputs, pumps, rpm);
  if (range === null) {
    const state = at(0);
    return state.excess_K > 0 ? null : { fans_rpm: null, pumps, ...state };
  }
  const [slow, fast] = range;
  const rpm = speedWhere(slow, fast, (x) => at(x).excess_K, { x: 2, y: 0.004 });
  if (rpm === null) return null;
  for (let up = 0; up < 3; up += 1) {
    const fans_rpm = Math.min(fast, Math.ceil(rpm / FAN_STEP_RPM + up) * FAN_STEP_RPM);
    const state = at(fans_rpm);
    if (state.excess_K <= 0) return { fans_rpm, pumps, ...state };
  }
  return null;
}

interface StateAt {
  /** Of the limit that is nearest to being passed, K; 0 or less when all are met. */
  readonly excess_K: number;
  readonly noise_dBA: number;
  readonly deltaT_K: number;
}

function stateAt(inputs: QuietestInputs, pumps: PumpSpeeds, fans_rpm: number): StateAt {
  const { brief } = inputs.system.design;
  const summer_C = Math.max(brief.room_C, brief.summer_C ?? brief.room_C);
  const rooms = summer_C > brief.room_C ? [brief.room_C, summer_C] : [brief.room_C];
  const states = rooms.map((room_C) => {
    const design = atPumpSpeeds({ ...inputs.system.design, brief: { ...brief, room_C } }, pumps);
    const system = withDesign(inputs.system, design);
    const model = { ...atSpeed(inputs.thermalModel, fans_rpm), system };
    const { prepared } = solveCoupled(system, inputs.runs, model, inputs.load);
    return { report: solvePrepared(prepared, inputs.load), noise_dBA: noiseOf(model) };
  });
  const [usual, summer] = states;
  const deltaT_K = usual ? (worstRise(usual.report) ?? NO_STATE_K) : NO_STATE_K;
  const overSpots = (report: StateReport, margin_K: number): number =>
    Math.max(
      -NO_STATE_K,
      ...report.hotSpots.map((s) => (s.temp_C ?? NO_STATE_K) + margin_K - s.limit_C),
    );
  return {
    deltaT_K,
    noise_dBA: usual?.noise_dBA ?? 0,
    excess_K: Math.max(
      deltaT_K - brief.limits.deltaT_K,
      usual ? overSpots(usual.report, inputs.spotMargin_K) : NO_STATE_K,
      summer ? overSpots(summer.report, 0) : -NO_STATE_K,
    ),
  };
}

type StateReport = ReturnType<typeof solvePrepared>;

const atPumpSpeeds = (design: Design, pumps: PumpSpeeds): Design => ({
  ...design,
  components: design.components.map((c) => {
    const set = pumps.find((p) => p.component === c.id);
    return set && findComponent(design, c.id)
      ? { ...c, settings: { ...c.settings, speed_rpm: set.speed_rpm } }
      : c;
  }),
});
