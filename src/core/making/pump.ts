import type { HeadPoint, PumpPart } from '../components';
import type { Vec } from '../geometry';
import { msg } from '../messages';
import { port, sealed } from './shapes';

export interface PumpFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly size: Vec;
  readonly fullSpeed_rpm: number;
  readonly minSpeed_rpm: number;
  readonly points: readonly HeadPoint[];
  readonly pointsSource?: string;
  readonly sound_dBA: number;
  readonly power_W: number;
  readonly ratings?: NonNullable<PumpPart['ratings']>;
  readonly wetted?: PumpPart['wetted'];
}

/** More than a header gives goes to the supply, W (two amperes at 12 V, less some reserve). */
const HEADER_W = 22;

/**
 * A pump in its top: inlet above, outlets to both sides, a low outlet to drain by. Plastic and
 * ceramic inside unless `wetted` says otherwise.
 */
export function makePump(f: PumpFigures): PumpPart {
  const [x, y, z] = f.size;
  return {
    kind: 'pump',
    id: f.id,
    name: f.name,
    maker: f.maker,
    price_minor: f.price,
    tolerance_mm: 0.5,
    size: f.size,
    foot: [x < 56 ? { x_mm: 34, z_mm: 34 } : { x_mm: 44, z_mm: 44 }],
    plug: f.power_W > HEADER_W ? 'supply' : 'four-pin',
    fullSpeed_rpm: f.fullSpeed_rpm,
    minSpeed_rpm: f.minSpeed_rpm,
    points: f.points,
    pointsSource: f.pointsSource ?? msg`maker's bench, water at 25 °C`,
    ...(f.ratings ? { ratings: f.ratings } : {}),
    sound_dBA: f.sound_dBA,
    power_W: f.power_W,
    ports: [
      port('in', 'inlet', [x / 2, y, z / 2], [0, 1, 0], 'in', { role: 'in' }),
      port('out', msg`outlet, rear`, [0, y * 0.6, z / 2], [-1, 0, 0], 'out', { role: 'out' }),
      port('low', msg`low outlet`, [x / 2, y * 0.35, z], [0, 0, 1], 'out', {
        role: 'out',
        duty: 'drain',
      }),
    ],
    passages: [{ from: 'in', to: 'out', points: [], oneWay: true }],
    wetted: f.wetted ?? [],
    polymers: sealed('acetal'),
    volume_mL: 45,
  };
}
