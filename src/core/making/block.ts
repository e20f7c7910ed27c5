import type {
  BlockFits,
  BlockPart,
  BlockTarget,
  LossPoint,
  PolymerMaterial,
  Port,
  WettedSurface,
} from '../components';
import type { Vec } from '../geometry';
import { msg } from '../messages';
import { port, sealed } from './shapes';

export interface BlockFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly cools: readonly BlockTarget[];
  readonly fits?: BlockFits;
  readonly size: Vec;
  /** Pressure drop and resistance at 4 L/min, and how that falls with flow; or the points themselves. */
  readonly drop4_kPa?: number;
  readonly drop?: readonly LossPoint[];
  readonly dropSource?: string;
  readonly r4_KW?: number;
  readonly n?: number;
  readonly resistance?: BlockPart['resistance'];
  readonly resistanceSource?: string;
  readonly wetted: readonly WettedSurface[];
  readonly top?: PolymerMaterial;
  readonly min?: number;
  readonly volume?: number;
  /** Its inlet is named, because the jet needs it. */
  readonly inletNamed?: boolean;
  /** Ports in an edge, not in its face or over the card: the upper one, a card's front one. */
  readonly onEdge?: true;
}

/**
 * Terminal of a card's block: it stands out over the card's edge, level with its back, so that
 * tubes leave up and down, mm.
 */
const TERMINAL = { reach: 26, over: 10, side: 13 } as const;
const FLOWS = [1, 2, 4, 6];

/** Pressure a tenth linear from its figure at 4 L/min. */
export const usualDrop = (drop4_kPa: number): readonly LossPoint[] =>
  FLOWS.map((q) => [q, Math.round(100 * drop4_kPa * (0.15 * (q / 4) + 0.85 * (q / 4) ** 2)) / 100]);

/** Resistance by a power law from its figure at 4 L/min. */
export const usualResistance = (r4_KW: number, n: number): BlockPart['resistance'] =>
  FLOWS.map((q) => [q, Math.round(1e4 * r4_KW * (4 / q) ** n) / 1e4]);

/** A block with its ports where such blocks have them, and a terminal over a card's edge. */
export function makeBlock(f: BlockFigures): BlockPart {
  const [x, y, z] = f.size;
  const onCard = f.cools[0] === 'card';
  return {
    kind: 'block',
    id: f.id,
    name: f.name,
    maker: f.maker,
    price_minor: f.price,
    tolerance_mm: 0.3,
    size: f.size,
    cools: f.cools,
    ...(f.fits ? { fits: f.fits } : {}),
    ...(onCard && !f.onEdge
      ? {
          boxes: [
            { name: f.name, min: [0, 0, 0] as const, max: f.size },
            {
              name: msg`terminal`,
              min: [x * 0.62 - TERMINAL.side, 0, z] as const,
              max: [x * 0.78 + TERMINAL.side, y + TERMINAL.over, z + TERMINAL.reach] as const,
            },
          ],
        }
      : {}),
    ports: portsFor(f, onCard),
    passages: [
      {
        from: 'a',
        to: 'b',
        points: f.drop ?? usualDrop(f.drop4_kPa ?? 6),
        ...(f.dropSource ? { source: f.dropSource } : {}),
      },
    ],
    resistance: f.resistance ?? usualResistance(f.r4_KW ?? 0.05, f.n ?? 0.28),
    ...(f.resistanceSource ? { resistanceSource: f.resistanceSource } : {}),
    minFlow_Lmin: f.min ?? 1,
    wetted: f.wetted,
    polymers: sealed(f.top ?? 'acetal'),
    volume_mL: f.volume ?? 30,
  };
}

function portsFor(f: BlockFigures, onCard: boolean): readonly Port[] {
  if (onCard) return f.onEdge ? endPorts(f.size) : terminalPorts(f.size);
  return f.onEdge ? edgePorts(f.size) : facePorts(f.size, f.inletNamed ?? false);
}

const endPorts = ([x, y, z]: Vec): readonly Port[] => [
  port('in', msg`front end, lower`, [x, y / 2, z * 0.3], [1, 0, 0], 'a'),
  port('out', msg`front end, upper`, [x, y / 2, z * 0.7], [1, 0, 0], 'b'),
];

const edgePorts = ([x, y, z]: Vec): readonly Port[] => [
  port('in', 'inlet', [x * 0.28, y, z - 9], [0, 1, 0], 'a'),
  port('out', 'outlet', [x * 0.72, y, z - 9], [0, 1, 0], 'b'),
];

const terminalPorts = ([x, y, z]: Vec): readonly Port[] => {
  const out = z + TERMINAL.reach / 2,
    up = y + TERMINAL.over;
  return [
    port('in', msg`terminal, rear`, [x * 0.62, up, out], [0, 1, 0], 'a'),
    port('out', msg`terminal, front`, [x * 0.78, up, out], [0, 1, 0], 'b'),
    port('in2', msg`terminal, rear, below`, [x * 0.62, 0, out], [0, -1, 0], 'a'),
    port('out2', msg`terminal, front, below`, [x * 0.78, 0, out], [0, -1, 0], 'b'),
  ];
};

const facePorts = ([x, y, z]: Vec, isNamed: boolean): readonly Port[] => [
  port('in', 'inlet', [x * 0.28, y / 2, z], [0, 0, 1], 'a', isNamed ? { role: 'in' } : {}),
  port('out', 'outlet', [x * 0.72, y / 2, z], [0, 0, 1], 'b', isNamed ? { role: 'out' } : {}),
];
