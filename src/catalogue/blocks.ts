import type { BlockFits, BlockPart, BlockTarget, WettedSurface } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { makeBlock } from '@/core/making';

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
  readonly onEdge?: true;
}

/** Figures to a part; the tops of one maker are clear. */
const block = ({ note, ...f }: Figures): BlockPart =>
  makeBlock({
    ...f,
    top: f.maker === QUILL ? 'acrylic' : 'acetal',
    inletNamed: note === 'inlet',
  });

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
    id: 'blk-quill-cpu-edge',
    name: 'Quill Edge, 18 mm',
    maker: QUILL,
    price: 6400,
    cools: ['processor'],
    fits: { patterns: [NARROW] },
    size: [56, 56, 18],
    drop4_kPa: 7.6,
    r4_KW: 0.054,
    n: 0.28,
    wetted: NICKEL,
    onEdge: true,
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
    id: 'blk-quill-card-s-end',
    name: 'Quill Cover S, ports in its end',
    maker: QUILL,
    price: 10900,
    cools: ['card'],
    fits: { cards: ['K-short'] },
    size: [170, 20, 98],
    drop4_kPa: 5.6,
    r4_KW: 0.028,
    n: 0.26,
    wetted: NICKEL,
    volume: 48,
    onEdge: true,
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
