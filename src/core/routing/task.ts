import {
  loopOfRun,
  type Connection,
  type ConnectionId,
  type Loop,
  type RouteConstraints,
} from '../design';
import { reachOf, roomAt, type PlacedPort, type System } from '../system';
import { distance, type Box, type Vec } from '../geometry';
import { pricesOf, styleOf, type RoutePrices } from './prices';
import type { TubeLimits } from './rigidRoute';

/** Straight tube that a fitting must grip and clear before a bend, mm (common practice, no source). */
export const STRAIGHT_MM = 12;

/**
 * Straight tube between two bends, mm: as much as the tube is thick, or as the mandrel's grip asks
 * for (common practice, no source).
 */
export const betweenBends = ({ tube, mandrels }: Pick<Loop, 'tube' | 'mandrels'>): number =>
  tube.hard ? Math.max(tube.outer_mm, mandrels?.grip_mm ?? 0) : SOFT_BETWEEN_MM;
const SOFT_BETWEEN_MM = 5;

/** A run to be laid. */
export interface Task {
  readonly connection: ConnectionId;
  readonly loop: Loop;
  readonly from: PlacedPort;
  readonly to: PlacedPort;
  readonly limits: TubeLimits;
  readonly radius: number;
  readonly wish: {
    readonly from: Loop['connections'][number]['ends']['from'];
    readonly to: Loop['connections'][number]['ends']['to'];
  };
  readonly apart: number;
  readonly constraints: RouteConstraints;
  /** Clips hold it to whatever route it takes. */
  readonly clipped: boolean;
  readonly prices: RoutePrices;
  /**
   * What bounds it: the room its ports are in; null without a case, and where a wall parts them.
   */
  readonly room: Box | null;
  /** A wall of the case parts its ports. */
  readonly walled: boolean;
  /** Whether it runs outside the case. */
  readonly outside: boolean;
  /** Whether it may run behind the tray, and the middles of the openings it would pass. */
  readonly behind: boolean;
  readonly openings: readonly Vec[];
}

/** The tightest mandrel there is that the tube stands; what it stands where none is named. */
function radiusIn({ tube, mandrels }: Loop): number {
  const held = (mandrels?.radii_mm ?? []).filter((r) => r >= tube.minBend_mm - 1e-9);
  return tube.hard && held.length > 0 ? Math.min(...held) : tube.minBend_mm;
}

export function tasksOf(system: System): readonly Task[] {
  return system.design.loops.flatMap((whole) =>
    whole.connections.flatMap((connection): Task[] => {
      const from = system.portAt(connection.from),
        to = system.portAt(connection.to);
      return connection.by === 'tube' && from && to
        ? [taskFor(system, whole, connection, from, to)]
        : [];
    }),
  );
}

/** The task of one connection, between two places its ports have or might have. */
export function taskFor(
  system: System,
  whole: Loop,
  connection: Connection,
  from: PlacedPort,
  to: PlacedPort,
): Task {
  const loop = loopOfRun(whole, connection);
  const { rooms } = system,
    places = [from.at, to.at];
  const room = rooms && reachOf(rooms, places);
  const through = rooms
    ? new Set(places.map((p) => roomAt(rooms, p)))
    : new Set<'inside' | 'behind' | 'outside'>();
  const asked = (connection.constraints?.waypoints ?? []).some((v) => v[2] !== null && v[2] < 0);
  const hidden = styleOf(loop) === 'hidden';
  return {
    room,
    walled: rooms !== null && room === null,
    outside: through.has('outside'),
    connection: connection.id,
    loop,
    from,
    to,
    radius: loop.tube.outer_mm / 2,
    limits: {
      radius_mm: radiusIn(loop),
      ...(loop.tube.hard && loop.mandrels ? { angles_deg: loop.mandrels.angles_deg } : {}),
      atFitting_mm: loop.tube.hard ? STRAIGHT_MM : STRAIGHT_MM / 2,
      between_mm: betweenBends(loop),
    },
    wish: connection.ends,
    apart: distance(from.at, to.at),
    constraints: connection.constraints ?? {},
    clipped: connection.clipped ?? false,
    prices: pricesOf(loop),
    behind:
      (rooms?.behind ?? null) !== null &&
      (asked || hidden || (through.has('behind') && through.size > 1)),
    openings: (system.design.case?.grommets ?? []).map((g) => g.at),
  };
}
