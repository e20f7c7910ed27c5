import type { HeatMass } from './machine';
import { type LoadStep, type LoopId, type ComponentId } from '../design';
import type { LoadCaseId } from '../components';

export const FAULTS = ['pump stops', 'fan stops', 'flow sags', 'room warms'] as const;
export type FaultKind = (typeof FAULTS)[number];

/** Something that goes wrong at a time and stays so. */
export interface Fault {
  readonly at_s: number;
  readonly kind: FaultKind;
  /** The pump or fans it befalls; without one, all of them. */
  readonly component?: ComponentId;
  /** Flow sags by this share, 0–0.95; the room warms by these kelvin. */
  readonly amount?: number;
}

export interface Scenario {
  readonly profile: readonly LoadStep[];
  readonly faults?: readonly Fault[];
  /** Everything at room temperature, or settled under the first load. */
  readonly start: 'cold' | 'steady';
  /** s; 1 when left out, 0.05–60. */
  readonly step_s?: number;
}

export interface SpotTrack {
  readonly component: ComponentId;
  readonly hotSpot: string;
  readonly name: string;
  readonly limit_C: number;
  readonly temp_C: Float64Array;
  /** When it first reaches its limit, s; null when it never does. */
  readonly reached_s: number | null;
}
export interface SpeedTrack {
  readonly component: ComponentId;
  readonly name: string;
  readonly kind: 'fan' | 'pump';
  readonly controlled: boolean;
  readonly speed_rpm: Float64Array;
}

/** A speed that swings on under a steady load. */
export interface Hunting {
  readonly component: ComponentId;
  readonly name: string;
  readonly period_s: number;
  readonly swing_rpm: number;
  /** The load itself goes up and down in that time: the fans only follow it. */
  readonly follows: boolean;
}

/** How a loop's coolant comes to rest under the last load. */
export interface Settling {
  readonly loop: LoopId;
  readonly name: string;
  readonly from_C: number;
  readonly to_C: number;
  /** Time to 63.2 % of the change, s. */
  readonly tau_s: number | null;
  /** To nine tenths of it. */
  readonly t90_s: number | null;
  /** After this it stays within 0.2 K of the end, s; null while it still moves. */
  readonly steady_s: number | null;
}

export interface Transient {
  readonly time_s: Float64Array;
  readonly load: readonly LoadCaseId[];
  readonly loops: readonly {
    readonly id: string;
    readonly name: string;
    readonly mean_C: Float64Array;
    readonly hottest_C: Float64Array;
    readonly flow_Lmin: Float64Array;
  }[];
  readonly hotSpots: readonly SpotTrack[];
  readonly speeds: readonly SpeedTrack[];
  readonly noise_dBA: Float64Array;
  readonly caseAir_C: Float64Array;
  readonly room_C: Float64Array;
  /** What went in, out and is stored, J; `error` is what is missing of what went in. */
  readonly balance: {
    readonly in_J: number;
    readonly out_J: number;
    readonly stored_J: number;
    readonly error: number;
  };
  /** Share of the power asked for that limits left the parts. */
  readonly worked: number;
  /** The spot that reaches its limit first; null when none does. */
  readonly first: SpotTrack | null;
  readonly settling: readonly Settling[];
  readonly hunting: readonly Hunting[];
  /** What holds heat, by kind, J/K. */
  readonly masses: readonly HeatMass[];
}

/** A scenario cannot be run. */
export class ScenarioError extends Error {
  constructor(
    message: string,
    readonly place: string,
  ) {
    super(message);
    this.name = 'ScenarioError';
  }
}
