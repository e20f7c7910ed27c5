import type {
  BlockFits,
  BlockPart,
  BlockTarget,
  LossPoint,
  WettedSurface,
} from '@/core/components';
import type { Vec } from '@/core/geometry';
import { port, sealed } from './shapes';

const HEARTH = 'Hearthlow Cooling',
  QUILL = 'Quillcopper';
const COPPER: readonly WettedSurface[] = [{ metal: 'copper', area_mm2: 9000 }];
const NICKEL: readonly WettedSurface[] = [
  { metal: 'nickel', platedOver: 'copper', area_mm2: 9000 },
];

interface Figures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly cools: readonly BlockTarget[];
  readonly fits: BlockFits;
  readonly size: Vec;
  readonly drop4_kPa: number;
  readonly r4_KW: number;
  readonly n: number;
  readonly wetted: readonly WettedSurface[];
  readonly min?: number;
  readonly volume?: number;
  readonly note?: string;
}

/**
 * Terminal of a card's block: it stands out over the card's edge, level with its back, so that
 * tubes leave up and down, mm.
 */
const TERMINAL = { reach: 26, over: 10, side: 13 } as const;

/**
 * Measured-style points from the figure at 4 L/min: pressure a tenth linear, resistance by power
 * law, both rounded as a bench would.
 */
function block(f: Figures): BlockPart {
  const drop = (q: number): LossPoint => [
    q,
    Math.round(100 * f.drop4_kPa * (0.15 * (q / 4) + 0.85 * (q / 4) ** 2)) / 100,
  ];
  const r = (q: number): readonly [number, number] => [
    q,
    Math.round(1e4 * f.r4_KW * (4 / q) ** f.n) / 1e4,
  ];
  const [x, y, z] = f.size;
  const onCard = f.cools[0] === 'card';
  const ports = onCard
    ? [
        port(
          'in',
          'terminal, rear',
          [x * 0.62, y + TERMINAL.over, z + TERMINAL.reach / 2],
          [0, 1, 0],
          'a',
        ),
        port(
          'out',
          'terminal, front',
          [x * 0.78, y + TERMINAL.over, z + TERMINAL.reach / 2],
          [0, 1, 0],
          'b',
        ),
        port(
          'in2',
          'terminal, rear, below',
          [x * 0.62, 0, z + TERMINAL.reach / 2],
          [0, -1, 0],
          'a',
        ),
        port(
          'out2',
          'terminal, front, below',
          [x * 0.78, 0, z + TERMINAL.reach / 2],
          [0, -1, 0],
          'b',
        ),
      ]
    : [
        port(
          'in',
          'inlet',
          [x * 0.28, y / 2, z],
          [0, 0, 1],
          'a',
          f.note === 'inlet' ? { role: 'in' } : {},
        ),
        port(
          'out',
          'outlet',
          [x * 0.72, y / 2, z],
          [0, 0, 1],
          'b',
          f.note === 'inlet' ? { role: 'out' } : {},
        ),
      ];
  return {
    kind: 'block',
    id: f.id,
    name: f.name,
    maker: f.maker,
    price_minor: f.price,
    tolerance_mm: 0.3,
    size: f.size,
    cools: f.cools,
    fits: f.fits,
    ...(onCard
      ? {
          boxes: [
            { name: f.name, min: [0, 0, 0], max: f.size },
            {
              name: 'terminal',
              min: [x * 0.62 - TERMINAL.side, 0, z],
              max: [x * 0.78 + TERMINAL.side, y + TERMINAL.over, z + TERMINAL.reach],
            },
          ],
        }
      : {}),
    ports,
    passages: [{ from: 'a', to: 'b', points: [1, 2, 4, 6].map(drop) }],
    resistance: [1, 2, 4, 6].map(r),
    minFlow_Lmin: f.min ?? 1,
    wetted: f.wetted,
    polymers: sealed(f.maker === QUILL ? 'acrylic' : 'acetal'),
    volume_mL: f.volume ?? 30,
  };
}

const NARROW = { pattern: '75 × 75 M4' },
  WIDE = { pattern: '118 × 92 M4' },
  BOTH: BlockFits = { patterns: [NARROW, WIDE] };

export const BLOCKS: readonly BlockPart[] = [
  block({
    id: 'blk-hearth-cpu',
    name: 'Hearth P1',
    maker: HEARTH,
    price: 6900,
    cools: ['processor'],
    fits: BOTH,
    size: [56, 58, 24],
    drop4_kPa: 8.4,
    r4_KW: 0.041,
    n: 0.27,
    wetted: NICKEL,
    note: 'inlet',
  }),
  block({
    id: 'blk-hearth-cpu-c',
    name: 'Hearth P1, bare copper',
    maker: HEARTH,
    price: 6200,
    cools: ['processor'],
    fits: BOTH,
    size: [56, 58, 24],
    drop4_kPa: 8.4,
    r4_KW: 0.041,
    n: 0.27,
    wetted: COPPER,
    note: 'inlet',
  }),
  block({
    id: 'blk-quill-cpu',
    name: 'Quill Open',
    maker: QUILL,
    price: 5400,
    cools: ['processor'],
    fits: { patterns: [NARROW, { ...WIDE, bracket: 'Quill Wide bracket' }] },
    size: [56, 56, 22],
    drop4_kPa: 4.9,
    r4_KW: 0.049,
    n: 0.3,
    wetted: COPPER,
  }),
  block({
    id: 'blk-quill-cpu-low',
    name: 'Quill Low, 17 mm',
    maker: QUILL,
    price: 5900,
    cools: ['processor'],
    fits: { patterns: [NARROW] },
    size: [56, 56, 17],
    drop4_kPa: 7.2,
    r4_KW: 0.052,
    n: 0.28,
    wetted: NICKEL,
  }),
  block({
    id: 'blk-hearth-card',
    name: 'Hearth Cover L',
    maker: HEARTH,
    price: 12900,
    cools: ['card'],
    fits: { cards: ['K-long'] },
    size: [250, 22, 118],
    drop4_kPa: 6.1,
    r4_KW: 0.022,
    n: 0.25,
    wetted: NICKEL,
    volume: 70,
    min: 1.5,
  }),
  block({
    id: 'blk-hearth-card-c',
    name: 'Hearth Cover L, bare copper',
    maker: HEARTH,
    price: 11400,
    cools: ['card'],
    fits: { cards: ['K-long'] },
    size: [250, 22, 118],
    drop4_kPa: 6.1,
    r4_KW: 0.022,
    n: 0.25,
    wetted: COPPER,
    volume: 70,
    min: 1.5,
  }),
  block({
    id: 'blk-quill-card-s',
    name: 'Quill Cover S',
    maker: QUILL,
    price: 10200,
    cools: ['card'],
    fits: { cards: ['K-short'] },
    size: [170, 20, 98],
    drop4_kPa: 5.2,
    r4_KW: 0.027,
    n: 0.26,
    wetted: NICKEL,
    volume: 48,
  }),
  block({
    id: 'blk-hearth-mono',
    name: 'Hearth Whole',
    maker: HEARTH,
    price: 14500,
    cools: ['processor', 'board'],
    fits: { ...BOTH, boards: ['B-standard', 'B-18'] },
    size: [84, 96, 26],
    drop4_kPa: 10.5,
    r4_KW: 0.043,
    n: 0.27,
    wetted: NICKEL,
    volume: 55,
    min: 1.5,
  }),
  block({
    id: 'blk-quill-memory',
    name: 'Quill Memory, two sticks',
    maker: QUILL,
    price: 4900,
    cools: ['memory'],
    fits: { sticks: [{ count: 2, pitch_mm: 9 }] },
    size: [24, 133, 14],
    drop4_kPa: 3.4,
    r4_KW: 0.16,
    n: 0.3,
    wetted: NICKEL,
    volume: 14,
  }),
  block({
    id: 'blk-hearth-memory',
    name: 'Hearth Memory, four sticks',
    maker: HEARTH,
    price: 6400,
    cools: ['memory'],
    fits: { sticks: [{ count: 4, pitch_mm: 9 }] },
    size: [42, 133, 15],
    drop4_kPa: 4.2,
    r4_KW: 0.12,
    n: 0.3,
    wetted: COPPER,
    volume: 20,
  }),
];
