import type { Build, Component } from '../design';
import type { Rule } from './diagnostic';
import type { AirSide, FitReport, PortFit, ScrewNeed } from '../clearance';
import type { FlowReport } from '../hydraulics';
import type { CaseReport, HeatSetup, Sizing } from '../thermal';
import type { ListReport } from '../bom';
import type { MetalReport } from '../corrosion';
import type { Model } from '../system';
import type { Part } from '../components';
import type { NoRoute } from '../routing';
import type { PowerReport } from '../wiring';
import type { Run } from '../tubing';

/** What a rule of the space may look at: where everything stands and how it is connected. No speeds, loads, limits or prices. */
export interface SpatialContext {
  readonly build: Build;
  readonly model: Model;
  readonly runs: readonly Run[];
  /** Runs that routing found no way for. */
  readonly missing: readonly NoRoute[];
  /** Runs of tube without a valid route: what follows from them is estimated. */
  readonly unrouted: readonly string[];
  /** Runs whose pinned way no longer meets their ports. */
  readonly unpinned: readonly string[];
  readonly fit: FitReport;
  /** Fittings and caps in their ports. */
  readonly ports: readonly PortFit[];
  readonly airSides: readonly AirSide[];
  /** Parts that may be offered in a fix. */
  readonly offer: readonly Part[];
}

/** What a rule of the working machine may look at besides. */
export interface RuleContext extends SpatialContext {
  readonly power: PowerReport;
  readonly screws: readonly ScrewNeed[];
  readonly flow: FlowReport;
  /** The load case the brief is judged in. */
  readonly heat: CaseReport;
  /** The same at the hottest the brief lets the room get; null where it names none. */
  readonly summer: CaseReport | null;
  readonly setup: HeatSetup;
  readonly sizing: Sizing;
  readonly metals: MetalReport;
  readonly list: ListReport;
}

export type SpatialRule = Rule<SpatialContext>;
export type BuildRule = Rule<RuleContext>;

export const nameOf = (context: SpatialContext, id: string): string =>
  context.build.components.find((i) => i.id === id)?.name ?? id;
export const componentsOf = (
  context: SpatialContext,
  kind: Component['part']['kind'],
): readonly Component[] => context.build.components.filter((i) => i.part.kind === kind);
