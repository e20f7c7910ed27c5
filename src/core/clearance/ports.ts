import { capPieces, loopOfRun, type ComponentId } from '../design';
import type { FittingPart } from '../components';
import {
  label,
  roomAt,
  roomOf,
  trayBoxes,
  type PlacedPort,
  type Room,
  type Rooms,
  type System,
} from '../system';
import { capBodies, pieceOf, type Run } from '../tubing';
import {
  bodyGapUpTo,
  boxGap,
  cylinderBox,
  cylinderFrom,
  pairMemo,
  roundBody,
  union,
  type Body,
  type Box,
} from '../geometry';
import { msg, worded } from '../messages';

/** What is screwed into a port, and the room a hand needs round it. */
export interface PortFit {
  readonly component: ComponentId;
  readonly port: string;
  readonly name: string;
  readonly fitting: string;
  /** Nearest thing to the fitting itself, mm; null when nothing is within reach. */
  readonly gap_mm: number | null;
  readonly with: string | null;
  /** Its id: a component, or case:…; null for a wall. */
  readonly withComponent: ComponentId | null;
  /** Tight: less than HAND_MM, so that it cannot be tightened by hand. */
  readonly verdict: 'clash' | 'marginal' | 'clear';
  /** Another port's fitting is what is in the way: an extender on one of the two parts them. */
  readonly besidePort: boolean;
}

/** Fingers round a fitting that is to be tightened by hand, mm (common practice, no source). */
export const HAND_MM = 12;
/** Things farther off than this are not told, mm. */
const NEAR_MM = 40;
/** Faces that are meant to meet. */
const SLACK_MM = 1e-6;

interface Screwed {
  readonly at: PlacedPort;
  readonly part: FittingPart;
  readonly bodies: readonly Body[];
  readonly partner: string | null;
}

interface Near {
  readonly fittingBody: Body;
  readonly body: Body;
  readonly id: string;
  readonly name: string;
  readonly isPort: boolean;
  readonly bound: number;
}

const straightIn = new WeakMap<PlacedPort, Map<string, Body>>();

/**
 * A fitting as a cylinder straight out of its port: the same body while the port stands where it
 * stood.
 */
function round(at: PlacedPort, length: number, radius: number): Body {
  const key = `${length}/${radius}`;
  const bodies = straightIn.get(at) ?? new Map<string, Body>();
  straightIn.set(at, bodies);
  const known = bodies.get(key);
  if (known) return known;
  const cylinder = cylinderFrom(at.at, at.direction, length, radius);
  const body = { box: cylinderBox(cylinder), cylinder };
  bodies.set(key, body);
  return body;
}

type Piece = NonNullable<Run['routed']>['pieces'][number];
const routedPieces = new WeakMap<Piece, Body>();

/** A routed piece of an end as a body. */
function pieceBody(piece: Piece): Body {
  const known = routedPieces.get(piece);
  if (known) return known;
  const body = roundBody(piece.from, piece.to, piece.radius);
  routedPieces.set(piece, body);
  return body;
}

/**
 * What is known of the gap of two bodies while both stay: its value, or that it is at least so
 * much.
 */
const known = pairMemo((): { least_mm: number; exact: boolean } => ({
  least_mm: -Infinity,
  exact: false,
}));

/**
 * The gap of two bodies; a value above `enough` may be less than the gap, and says it is no nearer
 * than that.
 */
function gapUpTo(a: Body, b: Body, enough: number): number {
  const memo = known(a, b);
  if (memo.exact || memo.least_mm > enough) return memo.least_mm;
  memo.least_mm = bodyGapUpTo(a, b, enough);
  memo.exact = memo.least_mm <= enough;
  return memo.least_mm;
}

/** Every fitting and cap in its port, against all parts, walls and each other. */
export function portFits(system: System, runs: readonly Run[]): readonly PortFit[] {
  const screwed = screwedIn(system, runs);
  const solids = [...system.placed.values()].flatMap((p) => p.solids),
    names = new Map(system.design.components.map((i) => [i.id, i.name])),
    nameOf = (id: string): string => names.get(id) ?? id;
  /**
   * A part, what it sits on and what sits on it are made for each other: their own ports clear
   * them.
   */
  return screwed
    .map((s): PortFit => {
      const own = new Set([s.at.component, s.partner, ...system.mates.hostsOf(s.at.component)]);
      let gap = Infinity,
        gapWith: string | null = null,
        gapComponent: string | null = null,
        beside = false;
      const near: Near[] = [];
      const meet = (body: Body, id: string, name: string, isPort: boolean): void => {
        for (const fittingBody of s.bodies) {
          const bound = boxGap(fittingBody.box, body.box);
          if (bound <= NEAR_MM) near.push({ fittingBody, body, id, name, isPort, bound });
        }
      };
      for (const solid of solids)
        if (!own.has(solid.component))
          meet(solid, solid.component, label(nameOf(solid.component), solid.detail), false);
      for (const o of system.obstacles) meet(o, o.component, o.detail, false);
      for (const t of screwed)
        if (t !== s && !(t.at.component === s.partner && s.at.component === t.partner))
          for (const body of t.bodies)
            meet(body, t.at.component, label(nameOf(t.at.component), t.at.port.name), true);
      // A body is nowhere nearer than the box it fills: where that is no nearer than what was
      // found, nothing is worked out.
      for (const { fittingBody, body, id, name, isPort, bound } of near.sort(
        (a, b) => a.bound - b.bound,
      )) {
        if (bound > 0 && bound >= gap) break;
        const g = gapUpTo(fittingBody, body, gap);
        if (g < gap) {
          gap = g;
          gapWith = name;
          gapComponent = id;
          beside = isPort;
        }
      }
      const walls = s.bodies.flatMap((b) => wallRoom(b, system, s.at) ?? []);
      for (const wall of walls)
        if (wall.room < gap) {
          gap = wall.room;
          gapWith = wall.name;
          gapComponent = null;
          beside = false;
        }
      const close = gap <= NEAR_MM;
      const portVerdict = () => {
        if (gap < -SLACK_MM) return 'clash';
        if (gap < HAND_MM - SLACK_MM) return 'marginal';
        return 'clear';
      };
      return {
        component: s.at.component,
        port: s.at.port.id,
        name: label(nameOf(s.at.component), s.at.port.name),
        fitting: s.part.name,
        gap_mm: close ? gap : null,
        with: close ? gapWith : null,
        withComponent: close ? gapComponent : null,
        verdict: portVerdict(),
        besidePort: gap < HAND_MM && beside,
      };
    })
    .sort((a, b) => (a.gap_mm ?? Infinity) - (b.gap_mm ?? Infinity));
}

const WALLS = worded(
  () =>
    [
      msg`rear panel`,
      'floor',
      msg`board tray`,
      msg`front frame`,
      msg`top frame`,
      msg`side panel`,
    ] as const,
);

const BEHIND = worded(
  () =>
    [
      msg`rear panel`,
      'floor',
      msg`panel behind the tray`,
      msg`front frame`,
      msg`top frame`,
      msg`board tray`,
    ] as const,
);

/**
 * Room to the nearest wall it does not already stand beyond: parts on a mount reach through their
 * frame.
 */
function wallRoom(body: Body, system: System, at: PlacedPort): WallRoom | null {
  const { rooms, design } = system;
  if (rooms === null) return null;
  const room = roomOfPort(system, rooms, at),
    { shell, inside, behind } = rooms;
  if (room === 'outside') return shell && { room: boxGap(body.box, shell), name: msg`case` };
  if (shell === null)
    return room === 'behind'
      ? null
      : { room: body.box.min[2] - inside.min[2], name: msg`board tray` };
  const through = behind !== null && body.box.min[2] < 0 && body.box.max[2] > behind.max[2];
  if (!through || design.case === null)
    return nearestWall(body, room === 'behind' && behind ? behind : inside, room === 'behind');
  // In an opening of the tray: what is left of the sheet round it.
  const tray = Math.min(...trayBoxes(design.case).map((sheet) => boxGap(body.box, sheet)));
  const wall = nearestWall(body, union([inside, behind]), true);
  return tray < wall.room ? { room: tray, name: msg`board tray` } : wall;
}

/** The room a port is in; of a part that sticks out of the case, the one its part stands in. */
function roomOfPort(system: System, rooms: Rooms, { component, at }: PlacedPort): Room {
  const room = roomAt(rooms, at);
  const through = system.placed.get(component)?.placement.on === 'port';
  return room !== 'outside' || through ? room : (roomOf(system, component) ?? room);
}

interface WallRoom {
  readonly room: number;
  readonly name: string;
}

function nearestWall({ box }: Body, inside: Box, behind: boolean): WallRoom {
  let best: WallRoom = { room: Infinity, name: '' };
  for (let i = 0; i < 3; i += 1) {
    for (const [room, name] of [
      [(box.min[i as 0] as number) - (inside.min[i as 0] as number), (behind ? BEHIND : WALLS)[i]],
      [
        (inside.max[i as 0] as number) - (box.max[i as 0] as number),
        (behind ? BEHIND : WALLS)[i + 3],
      ],
    ] as const)
      if (room < best.room) best = { room, name: name as string };
  }
  return best;
}

/**
 * Fittings of runs and caps of spare ports, where the port has a place of its own: pieces that hang
 * in their runs have none until those are routed. Ports joined face to face hold a joint between
 * them.
 */
function screwedIn(system: System, runs: readonly Run[]): Screwed[] {
  const { kit } = system.design;
  const put = (
    at: PlacedPort | null,
    parts: readonly FittingPart[],
    partner: string | null,
    laid?: readonly Body[],
  ): Screwed[] => {
    const host = system.placed.get(at?.component ?? '');
    if (host?.placement.on === 'line' && !host.frame) return [];
    const widest = parts.reduce<FittingPart | null>(
      (a, b) => (a && a.diameter_mm >= b.diameter_mm ? a : b),
      null,
    );
    if (!at || !widest) return [];
    const length = parts.reduce((s, p) => s + p.length_mm, 0),
      radius = widest.diameter_mm / 2;
    return [
      {
        at,
        part: parts[parts.length - 1] as FittingPart,
        bodies: laid && laid.length > 0 ? laid : [round(at, length, radius)],
        partner,
      },
    ];
  };
  const ofRuns = system.design.loops.flatMap((loop) =>
    loop.connections.flatMap((connection) => {
      // A bridge is as long as its ports are apart; what else is screwed together has no room of
      // its own.
      if (connection.by === 'direct') {
        const a = system.portAt(connection.from),
          b = system.portAt(connection.to);
        return connection.bridge && a && b
          ? put(a, [connection.bridge], connection.to.component, [
              roundBody(a.at, b.at, connection.bridge.diameter_mm / 2),
            ])
          : [];
      }
      const run = runs.find((r) => r.id === connection.id && r.loop === loop.id);
      const parts = (end: 'from' | 'to'): FittingPart[] =>
        (run?.fittings ?? [])
          .filter((f) => f.end === end)
          .map((f) => pieceOf(run, f.duty, loopOfRun(loop, connection), kit));
      // A routed run says where each of its pieces is, elbows as they are turned.
      const laid = (end: 'from' | 'to'): Body[] =>
        (run?.routed?.pieces ?? []).filter((b) => b.end === end).map(pieceBody);
      return [
        ...put(
          system.portAt(connection.from),
          parts('from'),
          connection.to.component,
          laid('from'),
        ),
        ...put(system.portAt(connection.to), parts('to'), connection.from.component, laid('to')),
      ];
    }),
  );
  return [
    ...ofRuns,
    ...system.design.loops.flatMap((loop) =>
      loop.caps.flatMap((cap) =>
        put(system.portAt(cap), capPieces(kit, cap), null, capBodies(system, cap)),
      ),
    ),
  ];
}
