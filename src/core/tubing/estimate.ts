import { formatMillimetres } from '../units';
import {
  componentName,
  loopOfRun,
  type EndPiece,
  type Connection,
  type Loop,
  type ComponentId,
  type LoopId,
} from '../design';
import { type System, type PlacedPort, type Names } from '../system';
import type { FittingDuty, FittingPart } from '../components';
import { add, distance, dot, norm, scale, sub, type Vec } from '../geometry';
import { msg } from '../messages';
import { developedLength, type BendRow } from './bend';
import type { Segment } from './segment';

/** A run until it is routed: length and bends from the ports' places and directions. */
export interface Run {
  readonly id: string;
  readonly loop: LoopId;
  readonly from: { readonly component: ComponentId; readonly port: string };
  readonly to: { readonly component: ComponentId; readonly port: string };
  /** "Reservoir → Pump". */
  readonly name: string;
  /** Names of the parts its two ends lead to. */
  readonly endNames: { readonly from: string; readonly to: string };
  readonly by: 'tube' | 'direct';
  /** The bridge of a joint that has one. */
  readonly bridge?: FittingPart;
  readonly tube: {
    readonly outer_mm: number;
    readonly inner_mm: number;
    readonly kind: string;
    readonly hard: boolean;
  };
  readonly ends: { readonly from: EndPiece; readonly to: EndPiece };
  readonly fittings: readonly { readonly end: 'from' | 'to'; readonly duty: FittingDuty }[];
  readonly cut_mm: number;
  readonly bends: number;
  readonly turning_deg: number;
  readonly volume_mL: number;
  /** True until the run is routed in space. */
  readonly estimated: boolean;
  /** Why the estimate is a mere guess, when it is. */
  readonly guess: string | null;
  /** Its way through the case, once it is routed. */
  readonly routed?: RunInSpace;
}

/** A run as it lies in the case, mm. */
export interface RunInSpace {
  /** Middle line from mouth to mouth of the end fittings. */
  readonly path: readonly Segment[];
  readonly radius_mm: number;
  /** Distance kept to everything but its own parts. */
  readonly kept_mm: number;
  readonly nearest: { readonly component: ComponentId; readonly gap_mm: number } | null;
  /**
   * As seen through the glass: tubes of other loops that it crosses, and parts to be seen that it
   * passes before.
   */
  readonly visibility: { readonly crosses: readonly string[]; readonly before: readonly string[] };
  /** Where soft tube lies when only its two fittings hold it; null for hard tube and held by clips. */
  readonly lies: LyingTube | null;
  /** Where clips hold soft tube to its route, and the way it goes there; none for other tube. */
  readonly clips: readonly { readonly at: Vec; readonly along: Vec }[];
  /** Adapters and fittings at its ends, from the port outward. */
  readonly pieces: readonly {
    readonly end: 'from' | 'to';
    readonly duty: FittingDuty;
    readonly from: Vec;
    readonly to: Vec;
    readonly radius: number;
  }[];
  /** Straight, rotation and angle before each bend, and the straight that is left. */
  readonly lra: readonly BendRow[];
  readonly last_mm: number;
}

/** A soft tube that only its two fittings hold, mm. */
export interface LyingTube {
  /** Points of its middle line from mouth to mouth, sag and all. */
  readonly points: readonly Vec[];
  /** The farthest that it lies from its route. */
  readonly beside_mm: number;
  /** How far it hangs down between its ends by its own weight and what is in it; estimated. */
  readonly sag_mm: number;
  /** All its turning, degrees, and where it is bent the most. */
  readonly turning_deg: number;
  readonly leastRadius_mm: number;
  /** The nearest thing to it but the parts it joins; below 0 they meet. */
  readonly nearest: { readonly component: ComponentId; readonly gap_mm: number } | null;
}

/** Length put down for a run whose ends have no place yet, mm. */
const UNPLACED_LENGTH_MM = 250;
const DEGREES = 180 / Math.PI;

/** Every run of the model with an estimated length. */
export function estimateRuns(system: System): readonly Run[] {
  return system.design.loops.flatMap((loop) =>
    loop.connections.map((connection) => estimateRun(system, loop, connection)),
  );
}

function estimateRun(system: System, whole: Loop, connection: Connection): Run {
  const loop = loopOfRun(whole, connection);
  const a = system.portAt(connection.from),
    b = system.portAt(connection.to);
  const { tube } = loop;
  const base = {
    id: connection.id,
    loop: loop.id,
    from: connection.from,
    to: connection.to,
    by: connection.by,
    ...namesBetween(connection, (id) => componentName(system.design, id)),
    tube: {
      outer_mm: tube.outer_mm,
      inner_mm: tube.inner_mm,
      kind: tube.material,
      hard: tube.hard,
    },
    estimated: true,
  };
  if (connection.by === 'direct') {
    const { bridge } = connection,
      apart = bridge && a && b ? distance(a.at, b.at) : 0;
    return {
      ...base,
      ...(bridge ? { bridge } : {}),
      ends: { from: 'straight', to: 'straight' },
      fittings: [{ end: 'from', duty: bridge ? 'bridge' : 'maleToMale' }],
      cut_mm: 0,
      bends: 0,
      turning_deg: 0,
      volume_mL: bridge ? ((Math.PI / 4) * bridge.bore_mm ** 2 * apart) / 1000 : 0,
      guess: null,
    };
  }
  const shape =
    a && b
      ? between(a, b, loop, connection)
      : {
          length: UNPLACED_LENGTH_MM,
          bends: tube.hard ? 2 : 1,
          turning: 180,
          ends: { from: fixed(connection.ends.from), to: fixed(connection.ends.to) },
        };
  const end = (side: 'from' | 'to'): Run['fittings'] => [
    ...adaptersOf(shape.ends[side]).map((duty) => ({ end: side, duty })),
    { end: side, duty: loop.fitting.duty },
  ];
  return {
    ...base,
    ends: shape.ends,
    fittings: [...end('from'), ...end('to')],
    cut_mm: shape.length,
    bends: shape.bends,
    turning_deg: shape.turning,
    volume_mL: ((Math.PI / 4) * tube.inner_mm ** 2 * shape.length) / 1000,
    guess:
      a && b
        ? null
        : msg`one end has no place in the case yet: ${formatMillimetres(UNPLACED_LENGTH_MM)} put
          down`,
  };
}

function namesBetween(
  { from, to }: Pick<Connection, 'from' | 'to'>,
  nameOf: (id: ComponentId) => string,
): Pick<Run, 'name' | 'endNames'> {
  const endNames = { from: nameOf(from.component), to: nameOf(to.component) };
  return { name: `${endNames.from} → ${endNames.to}`, endNames };
}

/** Runs of a nameless system, told with what the builder calls the parts they join. */
export const nameRuns = (runs: readonly Run[], names: Names): readonly Run[] =>
  runs.map((run) => ({ ...run, ...namesBetween(run, (id) => names.get(id) ?? id) }));

/** Adapters between port and fitting, from the port outward. */
export function adaptersOf(piece: EndPiece): readonly FittingDuty[] {
  switch (piece) {
    case 'auto':
    case 'straight':
      return [];
    case 'extendedRotary90':
      return ['extender', 'rotary90'];
    case 'doubleRotary45':
      return ['rotary45', 'rotary45'];
    default:
      return [piece];
  }
}

const fixed = (e: EndPiece): EndPiece => (e === 'auto' ? 'straight' : e);
const angle = (a: Vec, b: Vec): number =>
  Math.acos(Math.max(-1, Math.min(1, dot(a, b) / (norm(a) * norm(b) || 1)))) * DEGREES;

interface Shape {
  readonly length: number;
  readonly bends: number;
  readonly turning: number;
  readonly ends: { readonly from: EndPiece; readonly to: EndPiece };
}

function between(a: PlacedPort, b: PlacedPort, loop: Loop, connection: Connection): Shape {
  const stub = loop.fitting.length_mm;
  const start = add(a.at, scale(a.direction, stub)),
    stop = add(b.at, scale(b.direction, stub));
  const chord = sub(stop, start);
  const length = distance(start, stop);
  const turnA = length > 1 ? angle(a.direction, chord) : 0,
    turnB = length > 1 ? angle(b.direction, scale(chord, -1)) : 0;
  const ends = {
    from: chosen(connection.ends.from, turnA, length, loop),
    to: chosen(connection.ends.to, turnB, length, loop),
  };
  const restA = Math.max(0, turnA - relief(ends.from)),
    restB = Math.max(0, turnB - relief(ends.to));
  const depth = 2 * INSERTION_MM;
  if (!loop.tube.hard) {
    const stretch = (arcStretch(restA) + arcStretch(restB)) / 2;
    return {
      length: length * stretch + depth,
      bends: restA + restB > 20 ? 1 : 0,
      turning: restA + restB,
      ends,
    };
  }
  const along = chord.map(Math.abs) as unknown as Vec;
  const axes = along.filter((d) => d > STRAIGHT_MM).length;
  const sameAxis = Math.abs(dot(a.direction, b.direction)) > 0.7;
  const turned = (ends.from === 'rotary90' ? 1 : 0) + (ends.to === 'rotary90' ? 1 : 0);
  const legs = along[0] + along[1] + along[2];
  const radius = loop.tube.minBend_mm;
  const room = Math.floor(legs / (2 * radius));
  const bendsBetween = () => {
    if (axes <= 1) return 0;
    if (sameAxis) return 2 * (axes - 1);
    return axes - 1;
  };
  const bends = Math.min(room, Math.max(0, bendsBetween() - turned));
  return {
    length:
      Math.max(
        length,
        developedLength(
          legs,
          Array.from({ length: bends }, () => ({ radius_mm: radius, angle_deg: 90 })),
        ),
      ) + depth,
    bends,
    turning: bends * 90,
    ends,
  };
}

/** How deep a tube goes into each fitting, mm (common practice, no source). */
export const INSERTION_MM = 8;
/** Offsets below this need no bend: soft seals take them up. */
const STRAIGHT_MM = 4;

/** A rotary elbow takes this much of the turn. */
const relief = (e: EndPiece): number => {
  if (e === 'rotary90' || e === 'extendedRotary90' || e === 'doubleRotary45') return 90;
  if (e === 'rotary45') return 45;
  return 0;
};

/** Length of an arc over its chord when it leaves the chord at this angle; held at 80°. */
function arcStretch(turn_deg: number): number {
  const t = Math.min(80, turn_deg) / DEGREES;
  return t < 1e-3 ? 1 : t / Math.sin(t);
}

/** Which adapter the port's direction asks for. */
function chosen(wish: EndPiece, turn: number, length: number, loop: Loop): EndPiece {
  if (wish !== 'auto') return wish;
  const short = length < 5 * loop.tube.minBend_mm;
  if (turn > 120 || (turn > 70 && short)) return 'rotary90';
  if (turn > 40 && short && !loop.tube.hard) return 'rotary45';
  return 'straight';
}
