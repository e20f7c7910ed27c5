import type {
  FanPoint,
  Port,
  RadiatorPart,
  PolymerMaterial,
  WettedPolymerSurface,
  Thread,
} from '@/core/components';
import type { Vec } from '@/core/geometry';

/**
 * Recurring shapes of catalogue parts, so that a part is one line of figures. All parts and makers
 * are invented.
 */
const G14: Thread = 'G1/4';

export const port = (
  id: string,
  name: string,
  at: Vec,
  direction: Vec,
  chamber: string,
  rest: Partial<Port> = {},
): Port => ({ id, name, at, direction, thread: G14, role: 'any', chamber, ...rest });

/** Pressure over flow of an axial fan, as shares of its shut-off pressure and free flow. */
const FAN_SHAPE: readonly (readonly [number, number])[] = [
  [0, 1],
  [0.25, 0.86],
  [0.5, 0.66],
  [0.7, 0.46],
  [0.85, 0.26],
  [1, 0],
];

export const fanPoints = (free_m3h: number, shutOff_Pa: number): readonly FanPoint[] =>
  FAN_SHAPE.map(([q, p]) => [round(q * free_m3h), round(p * shutOff_Pa)] as const);

const round = (v: number): number => Math.round(v * 100) / 100;

export interface RadiatorFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly section: number;
  readonly sections: number;
  readonly thick: number;
  readonly fpi: number;
  readonly metal?: 'copper' | 'aluminium';
  readonly ports?: 2 | 4;
  readonly passes?: number;
  readonly holeGap?: number;
  readonly thread?: string;
  readonly note?: string;
}

/** Frame and tanks around the fins, mm. */
const FRAME_DEPTH = 10,
  FAR_TANK = 12,
  PORT_TANK = 25;

export function radiator(f: RadiatorFigures): RadiatorPart {
  const width = f.section,
    length = FAR_TANK + f.section * f.sections + PORT_TANK;
  const depth = f.thick - FRAME_DEPTH;
  const x = length - PORT_TANK / 2;
  const ports: Port[] = [
    port('p1', 'port 1', [x, width * 0.25, f.thick], [0, 0, 1], 'a'),
    port('p2', 'port 2', [x, width * 0.75, f.thick], [0, 0, 1], 'b'),
  ];
  if (f.ports === 4)
    ports.push(
      port('p3', 'end port 1', [length, width * 0.25, f.thick / 2], [1, 0, 0], 'a'),
      port('p4', 'end port 2', [length, width * 0.75, f.thick / 2], [1, 0, 0], 'b'),
    );
  const tubes = Math.floor((width - 2) / 7.6);
  const k = ((f.section * f.sections) / 360) * (20 / depth) * 0.9;
  const area = Math.round(tubes * 2 * depth * f.section * f.sections);
  const metal = f.metal ?? 'copper';
  return {
    kind: 'radiator',
    id: f.id,
    name: f.name,
    maker: f.maker,
    price_minor: f.price,
    tolerance_mm: 0.5,
    ...(f.note ? { note: f.note } : {}),
    size: [length, width, f.thick],
    section_mm: f.section,
    sections: f.sections,
    finStart_mm: FAR_TANK,
    holeGap_mm: f.holeGap ?? 15,
    core: {
      depth_mm: depth,
      width_mm: width - 2,
      fpi: f.fpi,
      finHeight_mm: 6,
      finThickness_mm: 0.05,
      tubeHeight_mm: 1.6,
      tubeWall_mm: 0.2,
      passes: f.passes ?? 2,
      finHeatFactor: 1.4,
      finDragFactor: 1.2,
      finMetal: metal,
    },
    screw: { thread: f.thread ?? 'M3', depthToTube_mm: 6 },
    ports,
    passages: [
      {
        from: 'a',
        to: 'b',
        points: [
          [2, round(0.28 * k + 0.5)],
          [4, round(1 * k + 1.7)],
          [6, round(2.2 * k + 3.6)],
        ],
      },
    ],
    wetted:
      metal === 'aluminium'
        ? [{ metal: 'aluminium', area_mm2: area }]
        : [
            { metal: 'copper', area_mm2: Math.round(area * 0.9) },
            { metal: 'brass', area_mm2: Math.round(area * 0.1) },
          ],
    polymers: [],
    volume_mL: Math.round(
      (tubes * 1.2 * depth * 0.9 * f.section * f.sections + 37 * width * depth * 0.5) / 1000,
    ),
  };
}

/** A body of plastic or glass sealed by rings of EPDM. */
export const sealed = (...bodies: readonly PolymerMaterial[]): readonly WettedPolymerSurface[] => [
  ...bodies.map((material): WettedPolymerSurface => ({ material, as: 'body' })),
  { material: 'EPDM rubber', as: 'seal' },
];
