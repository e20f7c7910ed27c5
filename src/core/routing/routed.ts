import type { TubePart } from '../components';
import { loopOfRun, type LoopId, type ConnectionId, type ComponentId } from '../design';
import type { System } from '../system';
import type { LyingTube, Segment } from '../tubing';
import type { Vec } from '../geometry';
import type { EndWay } from './ends';

/**
 * Of one run, as seen through the glass: tubes of other loops that it crosses, and shown parts that
 * it passes before.
 */
export interface Visibility {
  readonly crosses: readonly string[];
  readonly before: readonly string[];
}

/** The nearest thing to a tube, and the gap between them; below 0 they meet. */
export interface Nearest {
  readonly component: ComponentId;
  readonly gap_mm: number;
}

export interface RouteReport {
  readonly nearest: Nearest | null;
  readonly visibility: Visibility;
  /** Where a soft tube lies when only its fittings hold it; null for hard tube and held by clips. */
  readonly lies: LyingTube | null;
}

/** A run with its way through the case. */
export interface Route {
  readonly connection: ConnectionId;
  readonly loop: LoopId;
  readonly corners: readonly Vec[];
  readonly radius_mm: number;
  /** Of each corner, where the builder chose other mandrels for some. */
  readonly radii_mm?: readonly number[];
  readonly path: readonly Segment[];
  readonly from: EndWay;
  readonly to: EndWay;
  /** Distance kept to everything, mm: what was asked, or less where that was needed. */
  readonly kept_mm: number;
  /** In millimetres of straight tube, pieces and bends weighed in. */
  readonly cost: number;
  /** What of it is paid for looks: standing in view of something. */
  readonly preference: number;
  /**
   * What is told of it once all runs lie: worked out with its way, since it is asked for at every
   * edit.
   */
  readonly reported?: RouteReport;
}

/** A run without a way, and what would give it one. */
export interface NoRoute {
  readonly connection: ConnectionId;
  readonly loop: LoopId;
  readonly blockedBy: string | null;
  readonly wouldFit: string | null;
}

export interface Routed {
  readonly routes: readonly Route[];
  readonly missing: readonly NoRoute[];
  readonly rounds: number;
  /** Runs whose pinned way no longer meets their ports: they were routed anew. */
  readonly unpinned: readonly string[];
}

/** Outer radius of a run's tube, mm. */
export const radiusOf = (system: System, r: Route): number =>
  (tubeOf(system, r)?.outer_mm ?? 16) / 2;

/** Whether clips hold a run to its route. */
export const isClipped = ({ design }: System, { loop, connection }: Route): boolean =>
  design.loops.find((l) => l.id === loop)?.connections.find((c) => c.id === connection)?.clipped ===
  true;

/** The tube of a run. */
export function tubeOf({ design }: System, { loop: id, connection }: Route): TubePart | undefined {
  const loop = design.loops.find((l) => l.id === id);
  return loop && loopOfRun(loop, connection).tube;
}
