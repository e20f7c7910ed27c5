import { findComponent, type Design } from '@/core/design';
import type { LoopGraph } from '@/core/system';
import { LINE_Y } from './laneHeight';

export interface Spot {
  readonly x: number;
  readonly y: number;
  readonly small: boolean;
}
export interface LegPath {
  readonly link: string;
  readonly d: string;
  /** Where its numbers stand. */
  readonly labelX: number;
  readonly labelY: number;
  readonly back: boolean;
  /** First leg of a lane behind a split: it tells the lane's flow. */
  readonly opens: boolean;
}
export interface LaneGeometry {
  readonly spots: readonly Spot[];
  readonly legs: readonly LegPath[];
  readonly width: number;
  readonly pitch: number;
  readonly step: number;
}

/** Where the way home runs. */
const HOME_Y = 12,
  EDGE = 5,
  ICON = 20,
  DOT = 7;
/** A column of tees alone needs this share of a column's width. */
const TEE_WIDTH = 0.42;

const isTee = (design: Design, component: string): boolean => {
  const part = findComponent(design, component)?.part;
  return part?.kind === 'inline' && part.duty === 'tee';
};

/**
 * Where stations and legs of a loop are drawn: columns in flow order, a lane for each branch, the
 * way home over the top.
 */
export function laneGeometry(
  design: Design,
  { layout }: LoopGraph,
  width: number,
  pitch: number,
): LaneGeometry {
  const { visits, legs, columns } = layout;
  const weight = Array.from({ length: columns }, (_, c) =>
    visits.filter((v) => v.column === c).every((v) => isTee(design, v.component)) ? TEE_WIDTH : 1,
  );
  const total = weight.reduce((a, b) => a + b, 0) || 1;
  const least = total * 92;
  const room = Math.max(least, width);
  const step = room / total;
  const middle = weight.map(
    (w, c) => (weight.slice(0, c).reduce((a, b) => a + b, 0) + w / 2) * step,
  );
  const laneY = (lane: number): number => LINE_Y + lane * pitch;
  const spots = visits.map((v): Spot => ({
    x: middle[v.column] as number,
    y: laneY(v.lane),
    small: isTee(design, v.component),
  }));
  const paths = legs.map((leg): LegPath => {
    const a = spots[leg.from] as Spot,
      b = spots[leg.to] as Spot;
    const offA = a.small ? DOT : ICON,
      offB = b.small ? DOT : ICON;
    if (leg.back)
      return {
        link: leg.connection,
        back: true,
        opens: false,
        labelX: Math.min(room - 26, (a.x + ICON + room) / 2),
        labelY: a.y - 9,
        d: `M${a.x + offA} ${a.y}H${room - EDGE}V${HOME_Y}H${EDGE}V${b.y}H${b.x - offB}`,
      };
    const y = laneY(leg.lane);
    const start =
      a.y === y ? `M${a.x + offA} ${a.y}` : `M${a.x} ${a.y + Math.sign(y - a.y) * offA}V${y}`;
    const end = b.y === y ? `H${b.x - offB}` : `H${b.x}V${b.y + Math.sign(y - b.y) * offB}`;
    const from = a.x + (a.y === y ? offA : 0),
      to = b.x - (b.y === y ? offB : 0);
    return {
      link: leg.connection,
      back: false,
      opens: legs.filter((l) => l.from === leg.from && !l.back).length > 1,
      labelX: (from + to) / 2,
      labelY: y - 9,
      d: `${start}${end}`,
    };
  });
  return {
    spots,
    legs: paths,
    width: room,
    pitch,
    step,
  };
}

/** The leg whose numbers are nearest to a place: where a dragged station would be let in. */
export function nearestLeg(geometry: LaneGeometry, x: number, y: number): LegPath | null {
  const far = (l: LegPath): number => Math.hypot(l.labelX - x, 1.5 * (l.labelY + 9 - y));
  return geometry.legs.reduce<LegPath | null>(
    (best, l) => (best && far(best) <= far(l) ? best : l),
    null,
  );
}
