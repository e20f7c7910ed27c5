import type { Finding, Fix, OpenFinding, Stage, Verdict } from '../checks';
import type {
  AirflowObstruction,
  ClearanceReport,
  MountDepth,
  PortFit,
  ScrewNeed,
} from '../clearance';
import type { FlowReport } from '../hydraulics';
import type { CaseReport, HeatReport, ThermalModel, Sizing } from '../thermal';
import type { Bom } from '../bom';
import type { CorrosionReport } from '../corrosion';
import type { System } from '../system';
import type { WiringReport } from '../wiring';
import type { Routed, Tidiness } from '../routing';
import type { Run } from '../tubing';
import type { UnitSystem } from '../units';

export interface Reports {
  readonly runs: readonly Run[];
  /** How tidy the routed runs lie. */
  readonly tidiness: Tidiness;
  readonly clearance: ClearanceReport & {
    readonly mountDepths: readonly MountDepth[];
    readonly ports: readonly PortFit[];
    readonly airflowObstructions: readonly AirflowObstruction[];
  };
  readonly wiring: WiringReport;
  readonly screws: readonly ScrewNeed[];
  readonly flow: FlowReport;
  readonly heat: HeatReport;
  readonly sizing: Sizing;
  /** The judged load at the hottest the brief lets the room get; null where it names none. */
  readonly summer: CaseReport | null;
  readonly corrosion: CorrosionReport;
  readonly bom: Bom;
}

export interface StageState {
  readonly verdict: Verdict;
  readonly result: string;
}

export type StageStates = Readonly<Record<Stage, StageState>>;

/** A finding with the ways out that hold. */
export type PublishedFinding = Finding & { readonly fixes: readonly Fix[] };

/** What the API and the terminal print. */
export interface Evaluation {
  readonly reports: Reports;
  readonly findings: readonly PublishedFinding[];
  /** What the rail says of each stage. */
  readonly stages: StageStates;
}

/** An analysis with what later questions (charts, what-ifs) need and JSON does not. */
export interface Analysis {
  readonly reports: Reports;
  readonly findings: readonly Finding[];
  readonly stages: StageStates;
  readonly system: System;
  readonly thermalModel: ThermalModel;
  /** The routes of the document that hold. */
  readonly routed: Routed;
}

/** An analysis as a session has it: ways out of its findings can still be asked for. */
export interface OpenAnalysis extends Analysis {
  readonly findings: readonly OpenFinding[];
}

/**
 * What another thread is told of an analysis: plain data. Where everything stands it compiles from
 * the design itself, which has to be there at once under a dragged part.
 */
export interface Told extends Omit<Analysis, 'system' | 'thermalModel'> {
  /** The units and the language (BCP 47) that its words are written in. */
  readonly words: { readonly units: UnitSystem; readonly language: string };
  readonly thermalModel: Omit<ThermalModel, 'system'>;
}
