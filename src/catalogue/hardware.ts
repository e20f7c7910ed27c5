import type { BoardPart, CardPart, MemoryPart, ProcessorPart, SupplyPart } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { makeCard } from '@/core/making';

const LANT = 'Lantern Silicon',
  KITE = 'Kitehill Graphics',
  BARN = 'Barnacre Boards',
  STACK = 'Stackyard',
  HUM = 'Humlow Power';

/** Hole patterns round a processor, and layouts of cards and boards: invented. */
const NARROW = '75 × 75 M4',
  WIDE = '118 × 92 M4';

const processor = (
  id: string,
  name: string,
  price: number,
  draw: number,
  interface_KW: number,
  pattern = NARROW,
  limit = 95,
): ProcessorPart => ({
  kind: 'processor',
  pattern,
  id,
  name,
  maker: LANT,
  price_minor: price,
  tolerance_mm: 0.2,
  size: [40, 40, 7],
  draw_W: draw,
  shares: { idle: 0.14, gaming: 0.55, render: 0.92, stress: 1 },
  hotSpots: [
    {
      id: 'die',
      name: 'hottest core',
      limit_C: limit,
      interface_KW,
      onAir_KW: interface_KW + 0.16,
    },
  ],
});

const card = (
  id: string,
  name: string,
  price: number,
  draw: number,
  size: Vec,
  bare: number,
): CardPart =>
  makeCard({
    id,
    name,
    maker: KITE,
    price,
    draw_W: draw,
    size,
    bare_mm: bare,
    layout: size[0] < 200 ? 'K-short' : 'K-long',
  });

interface BoardFigures {
  readonly id: string;
  readonly name: string;
  readonly price: number;
  readonly standard: string;
  readonly layout: string;
  readonly pattern?: string;
  readonly x: number;
  readonly y: number;
  readonly slots: readonly number[];
  readonly processorAt: Vec;
  readonly memoryAt: Vec;
  readonly draw: number;
}

/**
 * A board with its rear connectors and regulator heatsink as solids of their own. Outlines: ATX 305
 * × 244, micro 244 × 244, mini 170 × 170 mm (from memory of the published specifications).
 */
function board(f: BoardFigures): BoardPart {
  const top = f.y;
  const boardHeaders = () => {
    if (f.standard === 'mini ITX') return { fan: 2, pump: 1, fan_A: 1, pump_A: 2 };
    if (f.id.includes('pro')) return { fan: 5, pump: 2, fan_A: 1, pump_A: 3 };
    return { fan: 4, pump: 1, fan_A: 1, pump_A: 2 };
  };
  return {
    kind: 'board',
    id: f.id,
    name: f.name,
    maker: BARN,
    price_minor: f.price,
    tolerance_mm: 0.3,
    standard: f.standard,
    pattern: f.pattern ?? NARROW,
    layout: f.layout,
    memory: { slots: f.standard === 'mini ITX' ? 2 : 4, pitch_mm: 9 },
    size: [f.x, f.y, 2],
    boxes: [
      { name: f.name, min: [0, 0, 0], max: [f.x, f.y, 2] },
      { name: 'rear connectors', min: [0, top - 158, 2], max: [24, top - 4, 38] },
      { name: 'regulator heatsink', min: [26, top - 130, 2], max: [38, top - 30, 34] },
      // The first drive lies between processor and cards, under its sheet; on small boards it is on
      // the back.
      ...(f.standard === 'mini ITX'
        ? []
        : [{ name: 'drive', min: [70, top - 178, 2] as const, max: [150, top - 156, 6] as const }]),
      // Plugs in their sockets, with the bend of their cables.
      { name: 'main power plug', min: [f.x - 13, top - 138, 2], max: [f.x - 2, top - 86, 36] },
      f.standard === 'mini ITX'
        ? { name: 'processor power plug', min: [26, 12, 2], max: [38, 32, 30] }
        : { name: 'processor power plug', min: [42, top - 13, 2], max: [62, top - 2, 30] },
    ],
    headers: boardHeaders(),
    processorAt: f.processorAt,
    regulatorsAt: [32, top - 80, 2],
    memoryAt: f.memoryAt,
    slots_mm: f.slots,
    draw_W: f.draw,
    shares: { idle: 0.35, gaming: 0.7, render: 0.9, stress: 1 },
    hotSpots: [
      { id: 'regulators', name: 'regulators', limit_C: 105, interface_KW: 0.5, onAir_KW: 1.7 },
    ],
  };
}

const SLOT_PITCH = 20.32;
const slotsFrom = (first: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, i) => Math.round((first - i * SLOT_PITCH) * 100) / 100);

const memory = (
  id: string,
  name: string,
  price: number,
  modules: number,
  height: number,
  draw: number,
): MemoryPart => ({
  kind: 'memory',
  id,
  name,
  maker: STACK,
  price_minor: price,
  tolerance_mm: 0.5,
  modules,
  size: [modules * 9, 133, height],
  draw_W: draw,
  shares: { idle: 0.4, gaming: 0.7, render: 0.9, stress: 1 },
  hotSpots: [{ id: 'chips', name: 'chips', limit_C: 85, interface_KW: 0.6, onAir_KW: 2.4 }],
});

export const PROCESSORS: readonly ProcessorPart[] = [
  processor('cpu-lantern-8', 'Lantern 8', 32900, 125, 0.24),
  processor('cpu-lantern-12', 'Lantern 12', 45900, 170, 0.22),
  processor('cpu-lantern-24', 'Lantern 24', 89900, 280, 0.13, WIDE),
  processor('cpu-lantern-6s', 'Lantern 6 S', 21900, 65, 0.36),
];
export const CARDS: readonly CardPart[] = [
  card('gpu-kite-200', 'Kite 200', 54900, 200, [270, 42, 120], 10),
  card('gpu-kite-320', 'Kite 320', 99900, 320, [300, 56, 130], 10),
  card('gpu-kite-160s', 'Kite 160 Short', 39900, 160, [185, 40, 105], 10),
];
export const BOARDS: readonly BoardPart[] = [
  board({
    id: 'brd-barnacre-atx',
    layout: 'B-standard',
    name: 'Barnacre Standard',
    price: 21900,
    standard: 'ATX',
    x: 244,
    y: 305,
    slots: slotsFrom(140, 7),
    processorAt: [75, 222, 2],
    memoryAt: [124, 158, 2],
    draw: 24,
  }),
  board({
    id: 'brd-barnacre-atx-pro',
    layout: 'B-18',
    pattern: WIDE,
    name: 'Barnacre Standard, 18 phases',
    price: 34900,
    standard: 'ATX',
    x: 244,
    y: 305,
    slots: slotsFrom(140, 7),
    processorAt: [75, 222, 2],
    memoryAt: [124, 158, 2],
    draw: 34,
  }),
  board({
    id: 'brd-barnacre-grand',
    layout: 'B-grand',
    pattern: WIDE,
    name: 'Barnacre Grand',
    price: 59900,
    standard: 'E-ATX',
    x: 330,
    y: 305,
    slots: slotsFrom(140, 7),
    processorAt: [100, 222, 2],
    memoryAt: [166, 158, 2],
    draw: 42,
  }),
  board({
    id: 'brd-barnacre-micro',
    layout: 'B-micro',
    name: 'Barnacre Micro',
    price: 16900,
    standard: 'micro ATX',
    x: 244,
    y: 244,
    slots: slotsFrom(80, 4),
    processorAt: [75, 161, 2],
    memoryAt: [124, 98, 2],
    draw: 20,
  }),
  board({
    id: 'brd-barnacre-mini',
    layout: 'B-mini',
    name: 'Barnacre Mini',
    price: 18900,
    standard: 'mini ITX',
    x: 170,
    y: 170,
    slots: [8],
    processorAt: [76, 92, 2],
    memoryAt: [128, 8, 2],
    draw: 18,
  }),
];
export const MEMORIES: readonly MemoryPart[] = [
  memory('mem-stack-2', 'Stack 2 × 16', 9900, 2, 44, 8),
  memory('mem-stack-4', 'Stack 4 × 32', 29900, 4, 44, 16),
  memory('mem-stack-2-low', 'Stack 2 × 16, low', 9500, 2, 31, 8),
];
export const SUPPLIES: readonly SupplyPart[] = [
  {
    kind: 'supply',
    id: 'psu-hum-750',
    name: 'Hum 750',
    maker: HUM,
    price_minor: 11900,
    tolerance_mm: 1,
    size: [150, 86, 150],
    rating_W: 750,
  },
  {
    kind: 'supply',
    id: 'psu-hum-1200',
    name: 'Hum 1200',
    maker: HUM,
    price_minor: 22900,
    tolerance_mm: 1,
    size: [170, 86, 150],
    rating_W: 1200,
  },
  {
    kind: 'supply',
    id: 'psu-hum-600s',
    name: 'Hum 600 Small',
    maker: HUM,
    price_minor: 12900,
    tolerance_mm: 1,
    size: [100, 64, 125],
    rating_W: 600,
  },
];
