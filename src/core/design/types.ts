import type {
  BuiltInCase,
  CasePart,
  CoolantPart,
  FittingPart,
  LayerPart,
  ComponentPart,
  CablePart,
  LoadCaseId,
  ScrewPart,
  ConsumablePart,
  TubePart,
} from '../components';
import type { Frame, Tilt, Vec } from '../geometry';

/**
 * Ids are strings that cannot be taken for one another: a plain string becomes any of them, none
 * becomes another.
 */
type Id<Of extends string> = string & { readonly __idOf?: Of };
export type ComponentId = Id<'component'>;
export type ConnectionId = Id<'connection'>;
export type LoopId = Id<'loop'>;
export type MountId = Id<'mount'>;
/** Of a port, within its part. */
export type PortId = Id<'port'>;

export const BUILD_FORMAT = 'zephyron-build';
export const BUILD_VERSION = 5;
/** Largest document that is read or kept, bytes. */
export const BUILD_BYTES = 4_000_000;

/** What the builder wants, and the room it happens in. */
export interface Brief {
  readonly room_C: number;
  readonly altitude_m: number;
  /** Three letters; what is bought is told in it. */
  readonly currency: string;
  /** How many of it one of the parts' prices currency is; 1 where nothing is said. */
  readonly exchange?: number | undefined;
  /** The load case the limits are judged in. */
  readonly loadCase: LoadCaseId;
  readonly limits: {
    /** Coolant above room air. */
    readonly deltaT_K: number;
    readonly noise_dBA: number;
    readonly flow_Lmin: number;
    /** No part hotter than this, or null for each part's own limit. */
    readonly part_C: number | null;
    /** For loop parts, or null for no budget. */
    readonly budget_minor: number | null;
    /** Below this a gap counts as tight. */
    readonly clear_mm: number;
  };
  /** Hottest the room gets, where that is more than `room_C`: what summer does is shown beside. */
  readonly summer_C?: number | undefined;
  /** Ear to case: the noise limit is judged there. */
  readonly listener_m: number;
}

/** Turn about the upright axis, degrees. */
export type Turn = 0 | 90 | 180 | 270;

/** Which of a part's own axes looks up: +y as it is drawn, −y upside down, the others lying. */
export const UPS = ['+y', '-y', '+x', '-x', '+z', '-z'] as const;
export type Up = (typeof UPS)[number];

export type Placement =
  | { readonly on: 'unplaced' }
  | { readonly on: 'tray' }
  | { readonly on: 'board' }
  | { readonly on: 'bay'; readonly turn?: Turn; readonly up?: Up }
  | { readonly on: 'slot'; readonly slot: number }
  /** A card on a riser, its air cooler to the glass (as when not given) or away from it. */
  | { readonly on: 'riser'; readonly faces?: 'glass' | 'back' }
  | { readonly on: 'component'; readonly component: ComponentId }
  | {
      readonly on: 'radiator';
      readonly component: ComponentId;
      /** `outside`: beyond the frame, under the cover. */
      readonly face: 'frame' | 'interior' | 'outside';
    }
  | {
      readonly on: 'mount';
      readonly mount: MountId;
      readonly slide_mm: number;
      readonly ports: 'start' | 'end';
      readonly air: 'in' | 'out';
    }
  | { readonly on: 'spot'; readonly spot: string; readonly turn: Turn; readonly up?: Up }
  /** Stands on a face of another part, its foot so far from the middle of that face. */
  | {
      readonly on: 'against';
      readonly component: ComponentId;
      /** The face, by the host's own axis that looks out of it. */
      readonly face: Up;
      readonly along_mm: number;
      readonly across_mm: number;
      readonly turn: Turn;
      readonly up?: Up;
    }
  /** Through an opening of the case's wall. */
  | { readonly on: 'port'; readonly port: string }
  /** A drive in a cage of the case, counted from below. */
  | { readonly on: 'cage'; readonly cage: string; readonly place: number }
  /** Hangs in its runs, somewhere between the parts they lead to. */
  | { readonly on: 'line' }
  | {
      readonly on: 'free';
      readonly at: Vec;
      readonly turn: Turn;
      readonly up?: Up;
      /** Aslant, about its middle, where tape or a bracket holds it so. */
      readonly tilt?: Tilt;
    };

/** How a fan or pump follows a temperature. */
export interface Control {
  /** "coolant" (the warmest loop mean it may look at), or a hot spot as component/spot. */
  readonly sensor: string;
  /** Temperature and speed, both rising; held beyond the ends. */
  readonly points: readonly (readonly [temp_C: number, speed_rpm: number])[];
  /** Slows down only when the temperature has fallen by this much, K. */
  readonly hysteresis_K: number;
  /** Fastest change of speed, rpm in a second. */
  readonly ramp_rpms: number;
}

/** A stretch of a load over time. */
export interface LoadStep {
  readonly load: LoadCaseId;
  readonly seconds: number;
}

export const HELD_BY = ['bracket', 'tape', 'weight'] as const;
export type HeldBy = (typeof HELD_BY)[number];

export interface Settings {
  /** Fans and pumps. */
  readonly speed_rpm?: number;
  /** Most a part may draw, W: a typed power limit, or its full draw measured. */
  readonly powerDraw_W?: number;
  /** A tuned part's clock and voltage against its maker's: power goes as f V². */
  readonly clock?: number;
  readonly voltage?: number;
  /** Shares of the draw in load cases, in place of the part's own. */
  readonly shares?: Partial<Record<BuiltInCase, number>>;
  /** Follows a temperature over time; a steady answer is at `speed_rpm`. */
  readonly control?: Control;
  /** Share of the draw in the load case "own". */
  readonly customShare?: number;
  /** Already in the drawer: listed at no cost. */
  readonly owned?: boolean;
  /** Sold as one with another component, at that one's price: not on the list by itself. */
  readonly partOf?: ComponentId;
  /** A valve that is shut: nothing passes. */
  readonly shut?: boolean;
  /** Share of the channels plugged by dirt, 0–0.95. */
  readonly clogged?: number;
  /** Whether no run is to pass before it, as seen through the glass. */
  readonly keepVisible?: boolean;
  /** Grilles, filters and gaskets that a set of fans is screwed on with, one of each for every fan. */
  readonly layers?: readonly LayerPart[];
  /** Of fans on a mount or radiator: so many, from its start, where not every place is filled. */
  readonly pieces?: number;
  /** How a part that stands free is held: by tape, by a bracket, or by its own weight. */
  readonly heldBy?: HeldBy;
  /** How far a search for better routes may move this part; as its kind lets it where not given. */
  readonly mayMove?: MayMove;
  /** Length of screw chosen by hand. */
  readonly screw_mm?: number;
}

/** What a search for better routes may do with a part. */
export interface MayMove {
  /** Turn in quarters, or its ports to the other end. */
  readonly turn: boolean;
  /** Slide so far from where it stands, or from its home, mm; 0 keeps it there. */
  readonly slide_mm: number;
  /**
   * Where the builder put it, once a search has moved it, as `homeOf` tells it: slides are counted
   * from there. Putting it anywhere by hand forgets it.
   */
  readonly home?: Vec;
}

export interface Component {
  readonly id: ComponentId;
  readonly name: string;
  /** A snapshot: newer data in the Stores never changes a build by itself. */
  readonly part: ComponentPart;
  readonly placement: Placement;
  readonly settings: Settings;
}

export interface PortRef {
  readonly component: ComponentId;
  readonly port: PortId;
}

export const END_PIECES = [
  'straight',
  'rotary45',
  'rotary90',
  'extender',
  'extendedRotary90',
  'doubleRotary45',
] as const;
/** What is screwed into a port before the fitting; some are stacks of two adapters. */
export type EndPiece = 'auto' | (typeof END_PIECES)[number];

/**
 * A place a run must pass; null leaves a coordinate free: [null, 210, null] asks for a leg at that
 * height. mm in the case.
 */
export type Via = readonly [x: number | null, y: number | null, z: number | null];

/** An end as it was laid: which piece, and the direction the tube leaves it by. */
export interface LaidEnd {
  readonly piece: Exclude<EndPiece, 'auto'>;
  readonly direction: Vec;
}

/** What a builder sets of a run's way by hand; routing finds the rest. */
export interface RouteConstraints {
  /**
   * Directions the tube must leave and arrive by, along an axis of the case, away from the port.
   */
  readonly exit?: Vec;
  readonly entry?: Vec;
  /** Places to pass, in this order. */
  readonly waypoints?: readonly Via[];
  /** Hard tube may lie aslant at 45° where that is shorter. */
  readonly allow45?: boolean;
}

/**
 * From port to port, in flow order: a tube with its end fittings, or a direct connection that screws two ports
 * together.
 */
export interface Connection {
  readonly id: ConnectionId;
  readonly from: PortRef;
  readonly to: PortRef;
  readonly by: 'tube' | 'direct';
  readonly ends: { readonly from: EndPiece; readonly to: EndPiece };
  /** Of a direct connection: the bridge that reaches from port to port, where they do not all but touch. */
  readonly bridge?: FittingPart;
  readonly constraints?: RouteConstraints;
  /** Of soft tube: clips hold it to its route. Left to its two fittings where not said. */
  readonly clipped?: boolean;
  /** Of another tube than its loop, with the fitting that holds it: a soft drain line in a hard loop. */
  readonly tube?: TubePart;
  readonly fitting?: FittingPart;
}

/** What a builder bends with: angles and radii of the mandrels there are. */
export interface Mandrels {
  readonly angles_deg: readonly number[];
  /** The tube's own least radius where none is named. */
  readonly radii_mm?: readonly number[];
  /** Straight tube that the tool or the hand needs between two bends, mm; a tube's diameter at least. */
  readonly grip_mm?: number;
}

export const ROUTE_STYLES = ['parallel', 'free', 'shortest', 'hidden'] as const;
/**
 * How runs lie: straight and parallel with bends of 90° and 45°, with bends of any angle, by the
 * shortest way, or where they are not seen.
 */
export type RouteStyle = (typeof ROUTE_STYLES)[number];

/** What a way is weighed by, each in place of its style's own. */
export interface RouteWeights {
  /** A bend is worth so much straight tube, mm. */
  readonly bend_mm?: number;
  /** A leg off every line and plane of the loop's other runs costs so much more, share of its length. */
  readonly offPlane?: number;
  /** A leg in view of a shown part or across another loop is worth so much tube, mm. */
  readonly view_mm?: number;
}

/** The style of a loop's routes. */
export interface LoopRouting {
  readonly style: RouteStyle;
  readonly weights?: RouteWeights;
  /** A search for a better layout may also change the order in which the loop runs. */
  readonly freeOrder?: boolean;
}

export type CapDuty = 'plug' | 'drain' | 'fill';
export interface Cap {
  readonly component: ComponentId;
  readonly port: PortId;
  readonly with: CapDuty;
  /** A piece of its own in place of the kit's: a plug with a sensor, a lower valve. */
  readonly piece?: FittingPart;
  /** What is screwed into the port before it: an elbow looks this way, along an axis of the case. */
  readonly under?: CapAdapter;
}
export interface CapAdapter {
  readonly piece: 'extender' | 'rotary90';
  readonly direction?: Vec;
}

export interface Loop {
  readonly id: LoopId;
  readonly name: string;
  readonly tube: TubePart;
  readonly fitting: FittingPart;
  readonly coolant: CoolantPart;
  readonly coolantAge_months: number;
  /** Bends of this loop keep to these; any where not given. */
  readonly mandrels?: Mandrels;
  /** How its runs lie; hard tube straight and parallel, soft tube by the shortest way where not given. */
  readonly routing?: LoopRouting;
  /** Bends set to an angle on this tube, and what was left of them when they were cool. */
  readonly testBends?: readonly TestBend[];
  readonly connections: readonly Connection[];
  readonly caps: readonly Cap[];
}

export type KitDuty =
  'plug' | 'drain' | 'fill' | 'maleToMale' | 'rotary45' | 'rotary90' | 'extender';
/** The small parts this build uses wherever one is called for. */
export interface Kit extends Readonly<Record<KitDuty, FittingPart>> {
  readonly screws: readonly ScrewPart[];
  /** Splitters and hubs to choose from. */
  readonly cables?: readonly CablePart[];
  /** Paste, pads, tools and other sundries to choose from. */
  readonly consumables?: readonly ConsumablePart[];
}

/** A bend set to one angle on a spare piece, and what was left of it. */
export interface TestBend {
  readonly set_deg: number;
  readonly left_deg: number;
  /** Of its mandrel, mm; the tube's own when not told. */
  readonly radius_mm?: number;
}

/** Something to buy that no part of the build asks for. */
export interface ExtraLine {
  readonly name: string;
  readonly quantity: number;
  readonly price_minor: number;
  readonly note?: string;
}

/** A line of the list on its way: ordered, received, or missing from the parcel. */
export interface OrderMark {
  readonly state: 'ordered' | 'received' | 'missing';
  readonly shop?: string;
  /** ISO date it was marked on. */
  readonly on?: string;
  /** ISO date it is expected on. */
  readonly comes?: string;
  /** ISO date until which the shop takes it back. */
  readonly returns?: string;
}

/**
 * A tube as the router laid it, mm in the case: the corners of its middle line from mouth to mouth
 * of its end fittings. It holds while its ends meet their ports; whether it meets anything else is
 * for the checks to say.
 */
export interface LaidRoute {
  readonly corners: readonly Vec[];
  readonly radius_mm: number;
  /** Of each corner between the ends, mm, where the builder chose other mandrels for some. */
  readonly radii_mm?: readonly number[];
  readonly from: LaidEnd;
  readonly to: LaidEnd;
  /** Distance kept to everything when it was laid. */
  readonly kept_mm: number;
  /** Version of the router that laid it. */
  readonly router: number;
  /** Not moved by the router: the builder wants it as it lies. */
  readonly pinned?: boolean;
}

/**
 * Where an inline part stands in its run: its origin, and the case direction of each of its axes.
 */
export type Pose = Frame;

/** A connection the router found no way for: what stands in the way, and what would fit. */
export interface NoRouteFound {
  readonly blockedBy: string | null;
  readonly wouldFit: string | null;
}

/**
 * What the router decided: part of the document, saved and undone with it. By id of connection or
 * part.
 */
export interface Layout {
  readonly routes: Readonly<Record<ConnectionId, LaidRoute>>;
  readonly poses: Readonly<Record<ComponentId, Pose>>;
  readonly noRoute: Readonly<Record<ConnectionId, NoRouteFound>>;
}

/** That a step of the work is done. */
export interface DoneMark {
  /** ISO date and time. */
  readonly on: string;
}

/** A look at the gauge of an air test. */
export interface AirReading {
  /** ISO date and time. */
  readonly on: string;
  /** Over the room's pressure, mbar. */
  readonly gauge_mbar: number;
  readonly temp_C: number;
}

/** A loop under air. */
export interface AirTest {
  /** Smallest step of the gauge, mbar. */
  readonly resolution_mbar: number;
  readonly readings: readonly AirReading[];
}

/** What was read off the finished machine in one settled state. */
export interface Reading {
  /** ISO date and time: no two readings of a build share it. */
  readonly on: string;
  readonly load: LoadCaseId;
  readonly room_C: number;
  /** Of all fans and of all pumps; as the build has them where not given. */
  readonly fans_rpm?: number;
  readonly pumps_rpm?: number;
  /** By loop. */
  readonly coolant_C?: Readonly<Record<LoopId, number>>;
  readonly flow_Lmin?: Readonly<Record<LoopId, number>>;
  /** By component and hot spot, `component/spot`. */
  readonly spots_C?: Readonly<Record<string, number>>;
  readonly noise_dBA?: number;
  readonly note?: string;
}

/** How far a machine is from its papers; 1 where it is as printed. */
export interface Factors {
  /** On the heat radiators pass for what the model says. */
  readonly radiators: number;
  /** On all that the loops take. */
  readonly losses: number;
  /** On the resistance of each block with its paste, by component. */
  readonly blocks: Readonly<Record<ComponentId, number>>;
  /** On the area of the case's seams and gaps. */
  readonly leakage: number;
  /** Added to the sound of every fan and pump, dB; 0 where it is as printed. */
  readonly noise_dB: number;
}

/**
 * Factors that readings of this machine told, and by which it is worked out from then on; older ones
 * know nothing of leaks and noise.
 */
export interface Measured extends Omit<Factors, 'leakage' | 'noise_dB'> {
  readonly leakage?: number;
  readonly noise_dB?: number;
  /** ISO date and time. */
  readonly on: string;
  /** How many readings told them. */
  readonly readings: number;
  /** Standard deviation of each factor that the readings told, by its name in core/log. */
  readonly spreads?: Readonly<Record<string, number>>;
  /** Name of the build whose readings they are, where it is not this one. */
  readonly elsewhere?: string;
}

/** What was done to keep the machine well. */
export interface ServiceMark {
  /** ISO date and time. */
  readonly on: string;
  /** Which job (core/log). */
  readonly job: string;
  readonly note?: string;
}

/** For whom the machine is built, and what the work costs. */
export interface Order {
  readonly client: string;
  /** Of one hour, cents. */
  readonly rate_cents: number;
  /** Share of the net price, 0 to 1. */
  readonly tax: number;
  /** ISO date it is promised for. */
  readonly due?: string;
}

/** What is kept of the work itself. */
export interface Work {
  /** By step. */
  readonly done?: Readonly<Record<string, DoneMark>>;
  readonly notes?: Readonly<Record<string, string>>;
  /** Parts in the order they are put in, where the builder chose another. */
  readonly order?: readonly ComponentId[];
  readonly airTests?: Readonly<Record<LoopId, AirTest>>;
  readonly plan?: WorkPlan;
  /** Oldest first. */
  readonly readings?: readonly Reading[];
  readonly measured?: Measured;
  /** Oldest first. */
  readonly service?: readonly ServiceMark[];
  readonly client?: Order;
}

/** When the builder works, and how fast. */
export interface WorkPlan {
  /** ISO date of the first day. */
  readonly start: string;
  /** Days of the week, 0 Sunday to 6 Saturday. */
  readonly days: readonly number[];
  readonly from_h: number;
  readonly to_h: number;
  readonly pace: 'beginner' | 'practised';
}

/** Speeds that are kept by a name, rpm by component. */
export interface SpeedProfile {
  readonly name: string;
  readonly speeds_rpm: Readonly<Record<ComponentId, number>>;
}

export interface Design {
  readonly format: typeof BUILD_FORMAT;
  readonly version: typeof BUILD_VERSION;
  readonly name: string;
  readonly brief: Brief;
  readonly case: CasePart | null;
  readonly components: readonly Component[];
  readonly loops: readonly Loop[];
  readonly kit: Kit;
  readonly layout: Layout;
  readonly choices: {
    /** Cages and brackets taken out of the case. */
    readonly removed: readonly string[];
    /** What lies in the drawer, by part: pieces that need not be bought. */
    readonly inventory?: Readonly<Record<string, number>>;
    /** Lines of the list that the builder wrote, by their number. */
    readonly extras?: Readonly<Record<string, ExtraLine>>;
    /** What has become of lines of the list, by part. */
    readonly orders?: Readonly<Record<string, OrderMark>>;
    /** Which axis of the case looks up: +y upright, −y upside down, the others lying. */
    readonly stands?: Up;
    /** Speeds of fans and pumps by name: quiet, day, night. */
    readonly speeds?: Readonly<Record<string, SpeedProfile>>;
    /** Load over time, for the time view. */
    readonly profile?: readonly LoadStep[];
    readonly work?: Work;
  };
}
