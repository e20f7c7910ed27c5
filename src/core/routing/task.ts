import { type RouteConstraints, type Loop, type ConnectionId } from '../design';
import type { System, PlacedPort } from '../system';
import { distance, type Vec } from '../geometry';
import type { TubeLimits } from './rigidRoute';

/**
 * Straight tube that a fitting must grip and clear before a bend, and least between two bends, mm
 * (common practice, no source).
 */
export const STRAIGHT_MM = 12,
  BETWEEN_MM = 5;

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
  /** Whether it may run behind the tray, and the middles of the openings it would pass. */
  readonly behind: boolean;
  readonly openings: readonly Vec[];
}

export function tasksOf(system: System): readonly Task[] {
  return system.design.loops.flatMap((loop) =>
    loop.connections.flatMap((connection): Task[] => {
      const from = system.portAt(connection.from),
        to = system.portAt(connection.to);
      if (connection.by !== 'tube' || !from || !to) return [];
      return [
        {
          connection: connection.id,
          loop,
          from,
          to,
          radius: loop.tube.outer_mm / 2,
          limits: {
            radius_mm: loop.tube.minBend_mm,
            atFitting_mm: loop.tube.hard ? STRAIGHT_MM : STRAIGHT_MM / 2,
            between_mm: BETWEEN_MM,
          },
          wish: connection.ends,
          apart: distance(from.at, to.at),
          constraints: connection.constraints ?? {},
          behind:
            (system.design.case?.behind_mm ?? 0) > 0 &&
            (connection.constraints?.waypoints ?? []).some((v) => v[2] !== null && v[2] < 0),
          openings: (system.design.case?.grommets ?? []).map((g) => g.at),
        },
      ];
    }),
  );
}
