import type { LinkDropLaw } from '../hydraulics';
import { falsePosition } from '../units';
import type { AirDrag } from './core';
import { fanPressureInto, freeFlow, type TurningFan } from './fan';
import { STANDARD_AIR_KGM3 } from './opening';

/** From the room in, out to it, or back into the air it came from. */
export type AirWay = 'in' | 'out' | 'within';

/** Fans side by side, in series where both faces have them, with all that their air passes. */
export interface FanRow {
  readonly id: string;
  readonly air: AirWay;
  /** The chamber of the case they blow into or draw from. */
  readonly chamber: string;
  /** One behind the other. */
  readonly fans: readonly TurningFan[];
  readonly count: number;
  /** Before one of those side by side. */
  readonly face_m2: number;
  /** Core, filter, grille, and what stands before them, of one. */
  readonly drag: AirDrag;
}

export interface FanOperatingPoint {
  /**
   * Through the whole radiator or row, m³/h, before the installation factor; below 0 where it goes
   * against its fans.
   */
  readonly flow_m3h: number;
  readonly drop_Pa: number;
  readonly face_ms: number;
}

export const STILL: FanOperatingPoint = { flow_m3h: 0, drop_Pa: 0, face_ms: 0 };

const turns = ({ fans }: FanRow): boolean => fans.some((f) => f.speed_rpm > 0);

/** The state of a row by the flow through one of those side by side, m³/h. */
export function pointAt({ count, face_m2, drag }: FanRow, each_m3h: number): FanOperatingPoint {
  const v = Math.abs(each_m3h) / 3600 / face_m2;
  return {
    flow_m3h: each_m3h * count,
    drop_Pa: drag.linear * v + drag.square * v * v,
    face_ms: v,
  };
}

/** What a row takes less what its fans give, Pa at m³/h through one of those side by side. */
function surplusInto(row: FanRow, density: number, each_m3h: number, out: Float64Array): void {
  const { fans, face_m2, drag } = row;
  const perFlow = 1 / (3600 * face_m2),
    v = Math.abs(each_m3h) * perFlow;
  let drop = Math.sign(each_m3h) * (drag.linear * v + drag.square * v * v),
    slope = (drag.linear + 2 * drag.square * v) * perFlow;
  for (let i = 0; i < fans.length; i += 1) {
    const { curve, speed_rpm } = fans[i] as TurningFan;
    fanPressureInto(curve, each_m3h, speed_rpm, PAIR);
    drop -= density * (PAIR[0] as number);
    slope -= density * (PAIR[1] as number);
  }
  out[0] = drop;
  out[1] = slope;
}
const PAIR = new Float64Array(2);

/** m³/h and Pa. */
const TOLERANCE = { x: 1e-4, y: 1e-4 } as const;

/**
 * Where a row's fans meet its drag with the same pressure before and behind: in a case wide open.
 * To 1e-4 Pa or m³/h. `density_kgm3` of the air. Sets in series add their pressures, each by its
 * own curve; continuous in every speed: a fan that stands holds back.
 */
export function rowAlone(row: FanRow, density_kgm3: number): FanOperatingPoint {
  if (!turns(row)) return STILL;
  const out = new Float64Array(2),
    density = density_kgm3 / STANDARD_AIR_KGM3;
  const lacking = (each: number): number => {
    surplusInto(row, density, each, out);
    return -(out[0] as number);
  };
  const most = Math.max(...row.fans.map(freeFlow));
  const atMost = lacking(most);
  const each = atMost >= 0 ? most : falsePosition(lacking, 0, most, TOLERANCE, lacking(0), atMost);
  return pointAt(row, each);
}

/**
 * A row as a link of the case's air: Pa at m³/h that really pass, after the installation factor.
 */
export class RowLaw implements LinkDropLaw {
  guess = 0;
  private density = 1;
  private perFlow = 1;

  constructor(
    public row: FanRow,
    density_kgm3: number,
    factor: number,
  ) {
    this.set(row, density_kgm3, factor);
  }

  set(row: FanRow, density_kgm3: number, factor: number): void {
    this.row = row;
    this.density = density_kgm3 / STANDARD_AIR_KGM3;
    this.perFlow = 1 / (factor * row.count);
    this.guess = (GUESS * Math.max(...row.fans.map(freeFlow), 0)) / this.perFlow;
  }

  into(flow_m3h: number, out: Float64Array): void {
    surplusInto(this.row, this.density, flow_m3h * this.perFlow, out);
    out[1] = (out[1] as number) * this.perFlow;
  }
}
/** Share of their free flow that fans in a case give, for a first look. */
const GUESS = 0.5;
