import type { AirWay } from '../airflow';
import type { ComponentId, LoopId, PortId } from '../design';
import { labelOf, type Names } from '../system';
import type { LoadCaseId } from '../components';
import type { RadiatorBasis } from './measured';

export interface LoopHeat {
  readonly id: string;
  readonly status: 'steady' | 'no-flow' | 'no-radiator';
  /** Mean coolant, by volume, over room air; null when no steady state exists. */
  readonly deltaT_K: number | null;
  readonly mean_C: number | null;
  readonly hottest_C: number | null;
  readonly coolest_C: number | null;
  /** Coolant entering the pump; of several, the warmest. */
  readonly pumpInlet_C: number | null;
  /** What sensors in the loop would read. */
  readonly sensors: readonly {
    readonly component: ComponentId;
    /** Of one in a spare port. */
    readonly port?: PortId;
    readonly temp_C: number;
  }[];
  readonly heatIn_W: number;
}
export interface RadiatorHeat {
  readonly id: string;
  readonly loop: LoopId;
  readonly heat_W: number | null;
  readonly conductance_WK: number;
  readonly airIn_C: number;
  readonly airOut_C: number | null;
  /** The way its air really goes. */
  readonly air: AirWay;
  /** Whether that is against its fans. */
  readonly reversed: boolean;
  readonly airFlow_m3h: number;
  readonly airDrop_Pa: number;
  readonly face_ms: number;
  readonly speed_rpm: number;
  /** Whether its W/K was modelled from the fins or measured. */
  readonly basis: RadiatorBasis;
}
export interface SpotHeat {
  readonly component: ComponentId;
  readonly hotSpot: string;
  readonly name: string;
  readonly temp_C: number | null;
  readonly limit_C: number;
  readonly cooledBy: ComponentId | null;
  readonly heat_W: number;
  /** What the temperature was made of, for "why?". */
  readonly coolant_C: number | null;
  readonly block_KW: number | null;
  readonly interface_KW: number;
}
export interface PartHeat {
  readonly component: ComponentId;
  readonly name: string;
  readonly heat_W: number;
  readonly to: 'loop' | 'air' | 'waiting';
}

export interface CaseReport {
  readonly id: LoadCaseId;
  readonly loops: readonly LoopHeat[];
  readonly radiators: readonly RadiatorHeat[];
  readonly hotSpots: readonly SpotHeat[];
  readonly parts: readonly PartHeat[];
  /** Coolant temperature at each node, °C. */
  readonly nodes: Readonly<Record<string, number>>;
  readonly inLoop_W: number;
  readonly airCooled_W: number;
  /** Of parts whose block is in no loop yet. */
  readonly unconnected_W: number;
  readonly caseAir_C: number;
  /** Fans that hang on a mount without a radiator; air with the installation factor in it. */
  readonly caseFans: readonly {
    readonly id: string;
    readonly air: AirWay;
    readonly reversed: boolean;
    readonly airFlow_m3h: number;
    readonly airDrop_Pa: number;
  }[];
  readonly intake_m3h: number;
  readonly exhaust_m3h: number;
  /** Case air by chamber, Pa over the room; none of an open frame. */
  readonly chambers: readonly {
    readonly id: string;
    readonly temp_C: number;
    readonly pressure_Pa: number;
  }[];
  /** Ways without fans; m³/h from `from` to `to`, below 0 the other way. */
  readonly openings: readonly {
    readonly id: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
    readonly area_cm2: number;
    readonly airFlow_m3h: number;
  }[];
  /** At the listener of the brief. */
  readonly noise_dBA: number;
}

export type HeatReport = Readonly<Record<LoadCaseId, CaseReport>>;

/** Worked out in a nameless system, told with what the builder calls things. */
export const nameHeat = (report: CaseReport, names: Names): CaseReport => ({
  ...report,
  parts: report.parts.map((part) => ({ ...part, name: names.get(part.component) ?? part.name })),
  hotSpots: report.hotSpots.map((spot) => ({
    ...spot,
    name: labelOf(names, spot.component, spot.name),
  })),
});
