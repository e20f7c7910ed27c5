import type { LossPoint, Port, RadiatorPart, WettedSurface } from '../components';
import { msg } from '../messages';
import { hundredths, port } from './shapes';

/** What a radiator is made from; mm, and price in minor units. */
export interface RadiatorFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly section: number;
  readonly sections: number;
  readonly thick: number;
  readonly fpi: number;
  readonly metal?: 'copper' | 'brass' | 'aluminium';
  readonly ports?: 2 | 4;
  readonly passes?: number;
  readonly holeGap?: number;
  readonly thread?: string;
  readonly note?: string;
  /** Where they are known: of the whole, and what it holds and takes. */
  readonly length?: number;
  readonly width?: number;
  readonly volume_mL?: number;
  readonly drop?: readonly LossPoint[];
  readonly dropSource?: string;
  readonly maxPressure_kPa?: number;
}

/** Frame and tanks around the fins, mm. */
const FRAME_DEPTH = 10,
  FAR_TANK = 12,
  PORT_TANK = 25,
  LEAST_TANK = 16;

/**
 * A radiator with its tanks, tubes and ports where such radiators have them. Drop, surfaces and
 * volume follow from the core where they are not given.
 */
export function makeRadiator(f: RadiatorFigures): RadiatorPart {
  const width = f.width ?? f.section,
    length = f.length ?? FAR_TANK + f.section * f.sections + PORT_TANK;
  const fins = f.section * f.sections,
    tank = Math.max(LEAST_TANK, length - FAR_TANK - fins);
  const depth = f.thick - FRAME_DEPTH;
  const tubes = Math.floor((width - 2) / 7.6);
  const area = Math.round(tubes * 2 * depth * fins);
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
      finMetal: f.metal ?? 'copper',
    },
    screw: { thread: f.thread ?? 'M3', depthToTube_mm: 6 },
    ports: portsOf(length, width, f.thick, tank, f.ports ?? 2),
    passages: [
      {
        from: 'a',
        to: 'b',
        points: f.drop ?? usualDrop(fins, depth),
        ...(f.dropSource ? { source: f.dropSource } : {}),
      },
    ],
    wetted: surfaces(area, f.metal ?? 'copper'),
    polymers: [],
    volume_mL:
      f.volume_mL ??
      Math.round(
        (tubes * 1.2 * depth * 0.9 * fins + (FAR_TANK + tank) * width * depth * 0.5) / 1000,
      ),
    ...(f.maxPressure_kPa === undefined ? {} : { maxPressure_kPa: f.maxPressure_kPa }),
  };
}

/** Two ports on the face of the tank, and two more at its end. */
function portsOf(
  length: number,
  width: number,
  thick: number,
  tank: number,
  count: 2 | 4,
): readonly Port[] {
  const x = length - tank / 2;
  const face = [
    port('p1', msg`port 1`, [x, width * 0.25, thick], [0, 0, 1], 'a'),
    port('p2', msg`port 2`, [x, width * 0.75, thick], [0, 0, 1], 'b'),
  ];
  if (count === 2) return face;
  return [
    ...face,
    port('p3', msg`end port 1`, [length, width * 0.25, thick / 2], [1, 0, 0], 'a'),
    port('p4', msg`end port 2`, [length, width * 0.75, thick / 2], [1, 0, 0], 'b'),
  ];
}

/** What such cores take, kPa at L/min: an estimate. */
function usualDrop(fins: number, depth: number): readonly LossPoint[] {
  const k = (fins / 360) * (20 / depth) * 0.9;
  return [
    [2, hundredths(0.28 * k + 0.5)],
    [4, hundredths(1 * k + 1.7)],
    [6, hundredths(2.2 * k + 3.6)],
  ];
}

const surfaces = (area: number, metal: string): readonly WettedSurface[] =>
  metal === 'aluminium'
    ? [{ metal: 'aluminium', area_mm2: area }]
    : [
        { metal: 'copper', area_mm2: Math.round(area * 0.9) },
        { metal: 'brass', area_mm2: Math.round(area * 0.1) },
      ];

/**
 * The same radiator in another size: its ports, core, surfaces, volume and drop follow. What its
 * maker measured of the old size is left out.
 */
export function resizedRadiator(
  part: RadiatorPart,
  to: { readonly section?: number; readonly sections?: number; readonly thick?: number },
): RadiatorPart {
  const { measured: _measured, rating: _rating, boxes: _boxes, ...kept } = part;
  const { core, screw, size } = part;
  const section = to.section ?? part.section_mm,
    sections = to.sections ?? part.sections;
  const made = makeRadiator({
    id: part.id,
    name: part.name,
    maker: part.maker,
    price: part.price_minor,
    section,
    sections,
    thick: to.thick ?? size[2],
    fpi: core.fpi,
    metal: core.finMetal,
    ports: part.ports.length > 2 ? 4 : 2,
    passes: core.passes,
    holeGap: part.holeGap_mm,
    thread: screw.thread,
    // Frames and tanks stay as they are beside the fins.
    length: size[0] - part.section_mm * part.sections + section * sections,
    width: size[1] - part.section_mm + section,
  });
  return {
    ...kept,
    ...made,
    tolerance_mm: part.tolerance_mm,
    screw,
    core: {
      ...core,
      depth_mm: made.size[2] - (size[2] - core.depth_mm),
      width_mm: made.size[1] - (size[1] - core.width_mm),
    },
    polymers: part.polymers ?? [],
  };
}
