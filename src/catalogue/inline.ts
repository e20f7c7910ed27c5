import type {
  InlineDuty,
  InlinePart,
  LossPoint,
  Port,
  PortRole,
  WettedSurface,
} from '@/core/components';
import type { Vec } from '@/core/geometry';
import { port, sealed } from './shapes';

const SEDGE = 'Sedgebank Fittings',
  GAUGE = 'Plumbline Gauges';
const NICKEL: readonly WettedSurface[] = [{ metal: 'nickel', platedOver: 'brass', area_mm2: 900 }];

/** Bore of a G1/4 tee, and the way from a port to its middle, mm. */
const TEE_BORE_MM = 10,
  TEE_LEG_MM = 18;

function tee(id: string, name: string, price: number, wetted = NICKEL): InlinePart {
  return {
    kind: 'inline',
    duty: 'tee',
    id,
    name,
    maker: SEDGE,
    price_minor: price,
    tolerance_mm: 0.3,
    size: [36, 29, 22],
    ports: [
      port('a', 'straight end 1', [0, 11, 11], [-1, 0, 0], 'a'),
      port('b', 'straight end 2', [36, 11, 11], [1, 0, 0], 'b'),
      port('side', 'side', [18, 29, 11], [0, 1, 0], 'side'),
    ],
    passages: ['a', 'b', 'side'].map((from) => ({ from, to: 'middle', points: [] })),
    tee: { bore_mm: TEE_BORE_MM, leg_mm: TEE_LEG_MM, run: ['a', 'b'], branch: 'side' },
    wetted,
    polymers: sealed(),
    volume_mL: 5,
  };
}

/** A straight piece with a port at each end; `marked` when its inlet is. */
function straight(
  id: string,
  name: string,
  maker: string,
  duty: InlineDuty,
  price: number,
  size: Vec,
  points: readonly LossPoint[],
  source: string,
  marked = false,
): InlinePart {
  const [x, y, z] = size;
  const role = (r: PortRole): Partial<Port> => (marked ? { role: r } : {});
  const softParts = () => {
    if (duty === 'meter') return sealed('acetal');
    if (duty === 'filter') return sealed('polycarbonate');
    return sealed();
  };
  return {
    kind: 'inline',
    duty,
    id,
    name,
    maker,
    price_minor: price,
    tolerance_mm: 0.5,
    size,
    wetted: NICKEL,
    polymers: softParts(),
    volume_mL: Math.round(x * 0.12),
    ports: [
      port('in', marked ? 'inlet' : 'end 1', [0, y / 2, z / 2], [-1, 0, 0], 'in', role('in')),
      port('out', marked ? 'outlet' : 'end 2', [x, y / 2, z / 2], [1, 0, 0], 'out', role('out')),
    ],
    passages: [{ from: 'in', to: 'out', points, source }],
  };
}

/**
 * Two chambers side by side in one clear body, each with a row of ports: what comes in leaves by
 * all of them.
 */
function plate(id: string, name: string, price: number, ways: number, pitch: number): InlinePart {
  const length = pitch * (ways + 1) + 40;
  const row = (chamber: string, y: number, first: string): Port[] =>
    Array.from({ length: ways + 1 }, (_, i) =>
      port(
        `${chamber}-${i + 1}`,
        i === 0 ? first : `${chamber} ${i}`,
        [20 + pitch * (i + 0.5), y, 18],
        [0, 0, 1],
        chamber,
      ),
    );
  return {
    kind: 'inline',
    duty: 'plate',
    id,
    name,
    maker: SEDGE,
    price_minor: price,
    tolerance_mm: 0.5,
    size: [length, 70, 18],
    ports: [...row('supply', 50, 'supply in'), ...row('return', 20, 'return out')],
    passages: [],
    wetted: NICKEL,
    polymers: sealed('acrylic'),
    volume_mL: Math.round(length * 0.45),
  };
}

const BENCH = "maker's bench, water at 25 °C";

export const INLINE: readonly InlinePart[] = [
  tee('inl-tee', 'Tee', 790),
  tee('inl-tee-brass', 'Tee, plain brass', 690, [{ metal: 'brass', area_mm2: 900 }]),
  straight(
    'inl-valve',
    'Ball valve',
    SEDGE,
    'valve',
    1490,
    [44, 24, 24],
    [
      [2, 0.03],
      [4, 0.11],
      [8, 0.45],
    ],
    BENCH,
  ),
  straight(
    'inl-coupling',
    'Quick couplings, pair, no spill',
    SEDGE,
    'coupling',
    3290,
    [86, 27, 27],
    [
      [2, 0.55],
      [4, 2.2],
      [6, 4.9],
    ],
    BENCH,
  ),
  straight(
    'inl-coupling-wide',
    'Quick couplings, pair, wide',
    SEDGE,
    'coupling',
    4190,
    [92, 32, 32],
    [
      [2, 0.2],
      [4, 0.8],
      [6, 1.8],
      [10, 5],
    ],
    BENCH,
  ),
  straight(
    'inl-filter',
    'Mesh filter',
    SEDGE,
    'filter',
    1990,
    [62, 30, 30],
    [
      [2, 0.7],
      [4, 2],
      [6, 3.9],
    ],
    BENCH,
    true,
  ),
  straight(
    'inl-filter-fine',
    'Mesh filter, fine',
    SEDGE,
    'filter',
    2490,
    [70, 34, 34],
    [
      [2, 1.3],
      [4, 3.6],
      [6, 6.9],
    ],
    BENCH,
    true,
  ),
  straight(
    'inl-meter',
    'Flow meter, turbine',
    GAUGE,
    'meter',
    2790,
    [56, 38, 28],
    [
      [2, 0.45],
      [4, 1.6],
      [6, 3.5],
    ],
    BENCH,
    true,
  ),
  {
    ...straight(
      'inl-meter-temp',
      'Flow and temperature meter',
      GAUGE,
      'meter',
      3990,
      [60, 40, 30],
      [
        [2, 0.35],
        [4, 1.25],
        [6, 2.8],
      ],
      BENCH,
      true,
    ),
    sensor: true,
  },
  {
    ...straight(
      'inl-passthrough',
      'Pass-through for a panel',
      SEDGE,
      'passthrough',
      1490,
      [34, 26, 26],
      [
        [2, 0.04],
        [4, 0.16],
        [8, 0.6],
      ],
      BENCH,
    ),
    panel: { hole_mm: 19, at_mm: 12 },
  },
  plate('inl-plate-2', 'Distribution plate, two ways', 5900, 2, 34),
  plate('inl-plate-3', 'Distribution plate, three ways', 6900, 3, 34),
  plate('inl-bridge-2', 'Terminal bridge for two neighbouring cards', 4900, 2, 50),
];
