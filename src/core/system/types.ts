import type { Design, Component, Connection, Loop, PortRef } from '../design';
import type { Passage, Port } from '../components';
import type { Box, Cylinder, Frame, Vec } from '../geometry';

/** One solid of a placed part, in case coordinates. */
export interface Solid {
  readonly component: string;
  readonly name: string;
  readonly box: Box;
  /** Where it is round; the box is what it fills. */ readonly cylinder?: Cylinder;
}

export interface PlacedPort {
  readonly component: string;
  readonly port: Port;
  readonly at: Vec;
  readonly direction: Vec;
}

export interface PlacedComponent {
  readonly component: Component;
  /** Null while the part is not placed or its place does not exist. */
  readonly frame: Frame | null;
  readonly solids: readonly Solid[];
  readonly ports: readonly PlacedPort[];
  /** Pieces this component stands for: fans of a radiator or mount, modules of a bank; 1 otherwise. */
  readonly count: number;
  /** The part it sits on, if any. */
  readonly host: string | null;
  /** Why it has no place, in words; null when it has. */
  readonly unplaced: string | null;
}

/** What flows between two nodes of a loop: through a part, a tube or a joint. */
export interface GraphEdge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly kind: 'passage' | 'tube' | 'joint';
  /** The part whose passage it is. */
  readonly component?: Component;
  readonly passage?: Passage;
  readonly connection?: Connection;
}

/** A part as the flow meets it. A part with chambers that nothing ties together is met more than once. */
export interface Visit {
  readonly key: string;
  readonly component: string;
  readonly nodes: readonly string[];
  readonly column: number;
  readonly lane: number;
}
/** A run between two visits, by their numbers; `back` when it closes the circle. */
export interface Leg {
  readonly connection: string;
  readonly from: number;
  readonly to: number;
  readonly lane: number;
  readonly back: boolean;
}
export interface LoopLayout {
  readonly visits: readonly Visit[];
  readonly legs: readonly Leg[];
  /** Visits in flow order. */ readonly order: readonly number[];
  readonly columns: number;
  readonly lanes: number;
}

/** A loop as a graph: nodes are the chambers of parts and the ports' chambers they connect. */
export interface LoopGraph {
  readonly loop: Loop;
  readonly nodes: readonly string[];
  readonly edges: readonly GraphEdge[];
  /** Items in flow order, starting at the reservoir (or the pump), as far as the runs lead. */
  readonly stations: readonly string[];
  /** Links in the same order. */
  readonly route: readonly string[];
  /** Whether what leaves every part comes back to it. */
  readonly closed: boolean;
  /** Whether the flow splits or joins somewhere. */
  readonly branched: boolean;
  readonly layout: LoopLayout;
}

/** A build made spatial and connected: what every check looks at. */
export interface System {
  readonly design: Design;
  readonly placed: ReadonlyMap<string, PlacedComponent>;
  /** Cages and shrouds still in the case. */
  readonly obstacles: readonly Solid[];
  readonly interior: Box | null;
  readonly loops: readonly LoopGraph[];
  portAt(ref: PortRef): PlacedPort | null;
}

export const nodeOf = (component: string, chamber: string): string => `${component}/${chamber}`;
