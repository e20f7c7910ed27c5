import type { ComponentId, ConnectionId, Design, Loop, Placement, PortRef } from '../design';
import type { ComponentPart, LossPoint, Port, PumpPart, WetPart } from '../components';
import type { Box, Cylinder, Frame, Vec } from '../geometry';
import type { Mates } from './mates';
import type { Rooms } from './rooms';

/** One solid of a placed part, in case coordinates. */
export interface Solid {
  /** `case:…` for cages and shrouds. */
  readonly component: ComponentId;
  /**
   * What tells it from the component's other solids; empty of the only one. Of a cage, its name.
   */
  readonly detail: string;
  readonly box: Box;
  /** Where it is round; the box is what it fills. */
  readonly cylinder?: Cylinder;
  /** Of a body that stands aslant, or a cell of one: all of that body, to be drawn. */
  readonly whole?: { readonly frame: Frame; readonly box: Box };
}

export interface PlacedPort {
  readonly component: ComponentId;
  readonly port: Port;
  readonly at: Vec;
  readonly direction: Vec;
}

/** Pose and part of a component; what is set of it (speed, load, marks) is the design's. */
export interface PlacedComponent {
  readonly id: ComponentId;
  readonly part: ComponentPart;
  readonly placement: Placement;
  /** Null while the part is not placed or its place does not exist. */
  readonly frame: Frame | null;
  readonly solids: readonly Solid[];
  readonly ports: readonly PlacedPort[];
  /**
   * Pieces this component stands for: fans of a radiator or mount, modules of a bank; 1 otherwise.
   */
  readonly count: number;
  /** Why it has no place, in words; null when it has. */
  readonly unplaced: string | null;
}

/** A chamber of a component: where links of a loop meet. Written `component/chamber`. */
export interface FluidNode {
  readonly id: NodeId;
  readonly component: ComponentId;
  readonly chamber: string;
}
export type NodeId = string & { readonly __idOf?: 'node' };

/**
 * What decides the pressure over a link; settings (speed, a shut valve, dirt) and the run's length
 * come to it later.
 */
export type LinkLaw =
  | { readonly kind: 'tube' }
  | { readonly kind: 'direct' }
  | { readonly kind: 'pump'; readonly part: PumpPart }
  | {
      readonly kind: 'tee';
      readonly leg: 'run-a' | 'run-b' | 'branch';
      readonly bore_mm: number;
      readonly leg_mm: number;
    }
  | { readonly kind: 'measured'; readonly points: readonly LossPoint[] };

/** What flows between two nodes of a loop: through a part, a tube or a direct connection. */
export interface FluidLink {
  readonly id: string;
  readonly from: NodeId;
  readonly to: NodeId;
  readonly kind: 'passage' | 'tube' | 'direct';
  readonly law: LinkLaw;
  /** The component whose passage it is, and its part; null of tubes and direct connections. */
  readonly component: ComponentId | null;
  readonly part: WetPart | null;
  /** Coolant in it, mL: its share of the part's; null where its run says. */
  readonly volume_mL: number | null;
  /**
   * How it meets heat: gains it from what is under a block or from a pump, sheds it in a radiator.
   */
  readonly heat: 'block' | 'pump' | 'radiator' | null;
}

/**
 * A part as the flow meets it. A part with chambers that nothing ties together is met more than
 * once.
 */
export interface Visit {
  readonly key: string;
  readonly component: ComponentId;
  readonly nodes: readonly NodeId[];
  readonly column: number;
  readonly lane: number;
}
/** A run between two visits, by their numbers; `back` when it closes the circle. */
export interface Leg {
  readonly connection: ConnectionId;
  readonly from: number;
  readonly to: number;
  readonly lane: number;
  readonly back: boolean;
}
export interface LoopLayout {
  readonly visits: readonly Visit[];
  readonly legs: readonly Leg[];
  /** Visits in flow order. */
  readonly order: readonly number[];
  readonly columns: number;
  readonly lanes: number;
}

/** A loop as a graph: nodes are the chambers of parts and the ports' chambers they connect. */
export interface LoopGraph {
  readonly loop: Loop;
  readonly nodes: ReadonlyMap<NodeId, FluidNode>;
  readonly links: readonly FluidLink[];
  /** Items in flow order, starting at the reservoir (or the pump), as far as the runs lead. */
  readonly stations: readonly ComponentId[];
  /** Links in the same order. */
  readonly route: readonly ConnectionId[];
  /** Whether what leaves every part comes back to it. */
  readonly closed: boolean;
  /** Whether the flow splits or joins somewhere. */
  readonly branched: boolean;
  readonly layout: LoopLayout;
}

/**
 * A design compiled once: what stands where and on what, and what flows through what. Everything
 * that measures, solves or checks reads it, and nothing works these things out again.
 */
export interface System {
  readonly design: Design;
  readonly mates: Mates;
  readonly placed: ReadonlyMap<ComponentId, PlacedComponent>;
  /** Cages and shrouds still in the case. */
  readonly obstacles: readonly Solid[];
  /** The room before the tray; null without a case. */
  readonly interior: Box | null;
  /** All rooms of the case; null without one. */
  readonly rooms: Rooms | null;
  readonly loops: readonly LoopGraph[];
  portAt(ref: PortRef): PlacedPort | null;
  /** The loop a component is in, by the links through it. */
  loopOf(id: ComponentId): LoopGraph | null;
}

export const nodeIdOf = (component: ComponentId, chamber: string): NodeId =>
  `${component}/${chamber}`;
