import type { LinkWay, Loop } from '../design';
import type { Model, PlacedPort } from '../system';
import { distance, type Vec } from '../geometry';
import type { TubeLimits } from './rigidRoute';

/** Straight tube that a fitting must grip and clear before a bend, and least between two bends, mm (common practice, no source). */
export const STRAIGHT_MM = 12,
  BETWEEN_MM = 5;

/** A run to be laid. */
export interface Task {
  readonly link: string;
  readonly loop: Loop;
  readonly from: PlacedPort;
  readonly to: PlacedPort;
  readonly limits: TubeLimits;
  readonly radius: number;
  readonly wish: {
    readonly from: Loop['links'][number]['ends']['from'];
    readonly to: Loop['links'][number]['ends']['to'];
  };
  readonly apart: number;
  readonly way: LinkWay;
  /** Whether it may run behind the tray, and the middles of the openings it would pass. */ readonly behind: boolean;
  readonly openings: readonly Vec[];
}

export function tasksOf(model: Model): readonly Task[] {
  return model.build.loops.flatMap((loop) =>
    loop.links.flatMap((link): Task[] => {
      const from = model.portAt(link.from),
        to = model.portAt(link.to);
      if (link.by !== 'tube' || !from || !to) return [];
      return [
        {
          link: link.id,
          loop,
          from,
          to,
          radius: loop.tube.outer_mm / 2,
          limits: {
            radius_mm: loop.tube.minBend_mm,
            atFitting_mm: loop.tube.hard ? STRAIGHT_MM : STRAIGHT_MM / 2,
            between_mm: BETWEEN_MM,
          },
          wish: link.ends,
          apart: distance(from.at, to.at),
          way: link.way ?? {},
          behind:
            (model.build.case?.behind_mm ?? 0) > 0 &&
            (link.way?.via ?? []).some((v) => v[2] !== null && v[2] < 0),
          openings: (model.build.case?.grommets ?? []).map((g) => g.at),
        },
      ];
    }),
  );
}
