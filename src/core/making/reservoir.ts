import type { HolePattern, ReservoirPart } from '../components';
import type { Vec } from '../geometry';
import { msg } from '../messages';
import { port, sealed } from './shapes';

export interface ReservoirFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  /** Along x, y (its height) and z, mm. */
  readonly size: Vec;
  /** To its usual level, mL. */
  readonly fill_mL: number;
  readonly maxPressure_kPa?: number;
}

/** Its bracket fits the holes of 120 and 140 mm fans (common practice), or a pump's foot. */
const FAN_BRACKET: readonly HolePattern[] = [
  { x_mm: 105, z_mm: 105 },
  { x_mm: 124.5, z_mm: 124.5 },
  { x_mm: 44, z_mm: 44 },
];
/** What such tanks bear where nothing is said, kPa (common practice, no source). */
const USUAL_KPA = 45;
/** Room over its usual level. */
const OVER_LEVEL = 1.12;

/** A tube reservoir: feeds from its foot, takes the return low on its side, fills from the top. */
export function makeReservoir(f: ReservoirFigures): ReservoirPart {
  const { name, size } = f;
  const [x, y, z] = size;
  return {
    kind: 'reservoir',
    id: f.id,
    name,
    maker: f.maker,
    price_minor: f.price,
    tolerance_mm: 1,
    maxPressure_kPa: f.maxPressure_kPa ?? USUAL_KPA,
    size,
    foot: FAN_BRACKET,
    fill_mL: f.fill_mL,
    ...(x === z ? { boxes: [{ name, min: [0, 0, 0], max: size, round: 'y' }] } : {}),
    ports: [
      port('foot', 'foot', [x / 2, 0, z / 2], [0, -1, 0], 'tank', { role: 'any' }),
      port('low', msg`low side`, [x / 2, Math.min(14, y * 0.3), z], [0, 0, 1], 'tank', {
        duty: 'drain',
      }),
      port(
        'return',
        msg`return, below the surface`,
        [0, Math.min(y * 0.4, 60), z / 2],
        [-1, 0, 0],
        'tank',
      ),
      port('top', 'top', [x / 2, y, z / 2], [0, 1, 0], 'tank', { duty: 'fill' }),
    ],
    passages: [],
    wetted: [{ metal: 'nickel', platedOver: 'brass', area_mm2: 900 }],
    polymers: sealed('acrylic', 'acetal'),
    volume_mL: Math.round(f.fill_mL * OVER_LEVEL),
  };
}
