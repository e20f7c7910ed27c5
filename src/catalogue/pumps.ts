import type { HeadPoint, HolePattern, PumpPart, ReservoirPart } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { makePump } from '@/core/making';
import { port, sealed } from './shapes';

const OSIER = 'Osier Hydraulics',
  BROOK = 'Brookfast';

function pump(
  id: string,
  name: string,
  maker: string,
  price: number,
  size: Vec,
  rpm: number,
  min: number,
  points: readonly HeadPoint[],
  sound: number,
  power: number,
  ratings: NonNullable<PumpPart['ratings']>,
  wetted: PumpPart['wetted'] = [],
): PumpPart {
  return makePump({
    id,
    name,
    maker,
    price,
    size,
    fullSpeed_rpm: rpm,
    minSpeed_rpm: min,
    points,
    sound_dBA: sound,
    power_W: power,
    ratings,
    wetted,
  });
}

export const PUMPS: readonly PumpPart[] = [
  pump(
    'pump-osier-large',
    'Osier Large',
    OSIER,
    8900,
    [62, 62, 62],
    4800,
    1200,
    [
      [0, 3.95],
      [5, 3.5],
      [10, 2.75],
      [15, 1.75],
      [20, 0.55],
    ],
    33,
    20,
    { head_m: 3.95, flow_Lmin: 22 },
  ),
  pump(
    'pump-osier-large-plus',
    'Osier Large Plus',
    OSIER,
    11900,
    [62, 66, 62],
    5700,
    1400,
    [
      [0, 5.4],
      [5, 4.85],
      [10, 3.9],
      [15, 2.65],
      [21, 0.7],
    ],
    37,
    30,
    { head_m: 5.4, flow_Lmin: 23 },
    [{ metal: 'stainless', area_mm2: 600 }],
  ),
  pump(
    'pump-brook-compact',
    'Brook Compact',
    BROOK,
    6900,
    [60, 38, 60],
    4300,
    1300,
    [
      [0, 4.6],
      [3, 4.1],
      [6, 3.25],
      [9, 2],
      [12, 0.4],
    ],
    34,
    12,
    { head_m: 4.6, flow_Lmin: 12.5 },
  ),
  pump(
    'pump-brook-compact-plus',
    'Brook Compact Plus',
    BROOK,
    8400,
    [60, 40, 60],
    4700,
    1500,
    [
      [0, 6],
      [4, 5.1],
      [8, 3.7],
      [12, 1.6],
      [14, 0.3],
    ],
    38,
    18,
    { head_m: 6, flow_Lmin: 14.5 },
  ),
  pump(
    'pump-osier-medium',
    'Osier Medium',
    OSIER,
    7400,
    [62, 56, 62],
    4200,
    1100,
    [
      [0, 3.1],
      [4, 2.8],
      [8, 2.25],
      [12, 1.45],
      [16, 0.4],
    ],
    31,
    14,
    { head_m: 3.1, pressure_kPa: 30, flow_Lmin: 17 },
  ),
  pump(
    'pump-brook-tall',
    'Brook Tall, two stages',
    BROOK,
    12900,
    [60, 74, 60],
    4500,
    1500,
    [
      [0, 8.4],
      [4, 7.3],
      [8, 5.5],
      [12, 2.9],
      [15, 0.6],
    ],
    40,
    27,
    { head_m: 8.4, pressure_kPa: 82, flow_Lmin: 15.5 },
  ),
  pump(
    'pump-brook-small',
    'Brook Small',
    BROOK,
    3900,
    [52, 40, 52],
    3000,
    1200,
    [
      [0, 1.9],
      [2, 1.6],
      [4, 1.1],
      [6, 0.4],
    ],
    30,
    5,
    { head_m: 1.9, pressure_kPa: 150, flow_Lmin: 6.6 },
  ),
];

/** Its bracket fits the holes of 120 and 140 mm fans (common practice), or a pump's foot. */
const FAN_BRACKET: readonly HolePattern[] = [
  { x_mm: 105, z_mm: 105 },
  { x_mm: 124.5, z_mm: 124.5 },
  { x_mm: 44, z_mm: 44 },
];

/** A tube reservoir: feeds from its foot, takes the return low on its side, fills from the top. */
function reservoir(
  id: string,
  name: string,
  price: number,
  size: Vec,
  fill: number,
): ReservoirPart {
  const [x, y, z] = size;
  return {
    kind: 'reservoir',
    id,
    name,
    maker: OSIER,
    price_minor: price,
    tolerance_mm: 1,
    maxPressure_kPa: 45,
    size,
    foot: FAN_BRACKET,
    fill_mL: fill,
    ...(x === z ? { boxes: [{ name, min: [0, 0, 0], max: size, round: 'y' }] } : {}),
    ports: [
      port('foot', 'foot', [x / 2, 0, z / 2], [0, -1, 0], 'tank', { role: 'any' }),
      port('low', 'low side', [x / 2, Math.min(14, y * 0.3), z], [0, 0, 1], 'tank', {
        duty: 'drain',
      }),
      port(
        'return',
        'return, below the surface',
        [0, Math.min(y * 0.4, 60), z / 2],
        [-1, 0, 0],
        'tank',
      ),
      port('top', 'top', [x / 2, y, z / 2], [0, 1, 0], 'tank', { duty: 'fill' }),
    ],
    passages: [],
    wetted: [{ metal: 'nickel', platedOver: 'brass', area_mm2: 900 }],
    polymers: sealed('acrylic', 'acetal'),
    volume_mL: Math.round(fill * 1.12),
  };
}

export const RESERVOIRS: readonly ReservoirPart[] = [
  reservoir('res-osier-100', 'Mere 100', 4200, [60, 100, 60], 150),
  {
    ...reservoir('res-osier-180-probe', 'Mere 180 with a thermometer', 6400, [60, 180, 60], 330),
    sensor: true,
    includes: [{ what: 'fit-plug', quantity: 2 }],
  },
  reservoir('res-osier-150', 'Mere 150', 4600, [60, 150, 60], 260),
  reservoir('res-osier-200', 'Mere 200', 4900, [60, 200, 60], 370),
  reservoir('res-osier-250', 'Mere 250', 5300, [60, 250, 60], 480),
  reservoir('res-osier-flat', 'Pond, 40 mm flat', 4400, [90, 40, 60], 140),
  reservoir('res-osier-slim', 'Rill, 36 mm slim', 4600, [66, 80, 36], 110),
];
