import { componentName, type Component, type Design, type PortRef } from '../design';
import type { Check } from './diagnostic';
import type { AirflowObstruction, ClearanceReport, PortFit, ScrewNeed } from '../clearance';
import type { FlowReport } from '../hydraulics';
import type { CaseReport, ThermalModel, Sizing } from '../thermal';
import type { Bom } from '../bom';
import type { CorrosionReport } from '../corrosion';
import { heightOf, type System } from '../system';
import type { Part } from '../components';
import type { NoRoute } from '../routing';
import type { WiringReport } from '../wiring';
import type { Run } from '../tubing';

/**
 * What a rule of the space may look at: where everything stands and how it is connected. No speeds,
 * loads, limits or prices.
 */
export interface SpatialInputs {
  readonly design: Design;
  readonly system: System;
  readonly runs: readonly Run[];
  /** Runs that routing found no way for. */
  readonly missing: readonly NoRoute[];
  /** Runs of tube without a valid route: what follows from them is estimated. */
  readonly unrouted: readonly string[];
  /** Runs whose pinned way no longer meets their ports. */
  readonly unpinned: readonly string[];
  readonly clearance: ClearanceReport;
  /** Fittings and caps in their ports. */
  readonly ports: readonly PortFit[];
  readonly airflowObstructions: readonly AirflowObstruction[];
  /** Parts that may be offered in a fix. */
  readonly offer: readonly Part[];
}

/** What a rule of the working machine may look at besides. */
export interface CheckInputs extends SpatialInputs {
  readonly wiring: WiringReport;
  readonly screws: readonly ScrewNeed[];
  readonly flow: FlowReport;
  /** The load case the brief is judged in. */
  readonly heat: CaseReport;
  /** The same at the hottest the brief lets the room get; null where it names none. */
  readonly summer: CaseReport | null;
  readonly thermalModel: ThermalModel;
  readonly sizing: Sizing;
  readonly corrosion: CorrosionReport;
  readonly bom: Bom;
}

export type SpatialCheck = Check<SpatialInputs>;
export type OperatingCheck = Check<CheckInputs>;

export const nameOf = (context: SpatialInputs, id: string): string =>
  componentName(context.design, id);
export const componentsOf = (
  context: SpatialInputs,
  kind: Component['part']['kind'],
): readonly Component[] => context.design.components.filter((i) => i.part.kind === kind);

/** How high a port is as the machine stands, mm; null while its part has no place. */
export function portHeight(system: System, ref: PortRef): number | null {
  const at = system.portAt(ref);
  return at && heightOf(system, at.at);
}
