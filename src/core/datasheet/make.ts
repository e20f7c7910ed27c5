import type {
  BlockFits,
  BlockTarget,
  Part,
  PolymerMaterial,
  TubePart,
  WettedSurface,
} from '../components';
import type { Vec } from '../geometry';
import {
  makeBlock,
  makeCard,
  makeFan,
  makePump,
  makeRadiator,
  makeReservoir,
  makeTubeFitting,
} from '../making';
import { msg } from '../messages';
import type { SheetKind } from './fields';
import type { SheetValue } from './types';

/** Confirmed figures by field. */
export type SheetValues = Readonly<Record<string, SheetValue | undefined>>;

/** Something the sheet does not tell, taken as is usual: an estimate, and said. */
export interface Assumed {
  readonly name: string;
  readonly value: string;
}

export interface MadePart {
  readonly part: Part;
  readonly assumed: readonly Assumed[];
}

const KPA_TO_PA = 1000;
/** Where the figures are from, as parts tell it. */
const SOURCE = "the maker's sheet, as pasted";

/** Reads confirmed figures; what is missing is taken as usual and noted. */
class Values {
  readonly assumed: Assumed[] = [];

  constructor(private readonly values: SheetValues) {}

  number(field: string): number | undefined {
    const value = this.values[field];
    return typeof value === 'number' ? value : undefined;
  }

  text(field: string): string | undefined {
    const value = this.values[field];
    return typeof value === 'string' && value.trim() !== '' ? value.trim() : undefined;
  }

  list(field: string): readonly number[] | undefined {
    const value = this.values[field];
    return Array.isArray(value) && value.every((v) => typeof v === 'number') ? value : undefined;
  }

  curve(field: string): readonly (readonly [number, number])[] | undefined {
    const value = this.values[field];
    return Array.isArray(value) && value.length > 0 && value.every((v) => Array.isArray(v))
      ? (value as unknown as readonly (readonly [number, number])[])
      : undefined;
  }

  /** The figure, or what is usual of such parts. */
  usual(field: string, name: string, value: number, unit: string): number {
    const known = this.number(field);
    if (known !== undefined) return known;
    this.assume(name, `${value} ${unit}`.trim());
    return value;
  }

  assume(name: string, value: string): void {
    this.assumed.push({ name, value });
  }

  needed(field: string, name: string): number {
    const value = this.number(field);
    if (value === undefined) throw new RangeError(msg`${name} is missing`);
    return value;
  }
}

interface Named {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
}

/**
 * A part of confirmed figures, and what was taken as usual for want of a figure. Throws RangeError
 * naming the figure without which there is no such part.
 */
export function partOfSheet(kind: SheetKind, id: string, values: SheetValues): MadePart {
  const v = new Values(values);
  const named: Named = {
    id,
    name: v.text('name') ?? msg`My part`,
    maker: v.text('maker') ?? msg`my own`,
    price: Math.round(100 * (v.number('price') ?? 0)),
  };
  if (v.number('price') === undefined) v.assume(msg`Price`, msg`0.00: type it later`);
  return { part: MAKERS[kind](v, named), assumed: v.assumed };
}

const MAKERS: Readonly<Record<SheetKind, (v: Values, named: Named) => Part>> = {
  radiator: (v, named) => {
    const size = v.list('size');
    const [sections, section] = v.list('sections') ?? [];
    if (sections === undefined || section === undefined)
      throw new RangeError(msg`the sections are missing, as fans × mm`);
    const thick = v.number('thick') ?? size?.[2];
    if (thick === undefined) throw new RangeError(msg`the thickness is missing`);
    const metal = v.text('metal');
    if (metal === undefined) v.assume(msg`Metal`, msg`copper fins, brass tanks`);
    v.assume(msg`Fin height, tubes and passes`, msg`as of such cores`);
    const drop = v.curve('dropPoints'),
      volume = v.number('volume'),
      maxPressure = v.number('maxPressure'),
      length = size?.[0] ?? v.number('length'),
      width = size?.[1] ?? v.number('width');
    if (!drop) v.assume(msg`Pressure drop`, msg`as of such cores`);
    if (volume === undefined) v.assume(msg`Volume`, msg`from its tubes and tanks`);
    return makeRadiator({
      ...named,
      section,
      sections,
      thick,
      fpi: v.needed('fpi', msg`the number of fins an inch`),
      metal: metal === 'aluminium' || metal === 'brass' ? metal : 'copper',
      ports: (v.number('ports') ?? 2) > 2 ? 4 : 2,
      holeGap: v.usual('holeGap', msg`Between holes of neighbouring fans`, 15, 'mm'),
      thread: v.text('screw') ?? 'M3',
      ...(length === undefined ? {} : { length }),
      ...(width === undefined ? {} : { width }),
      ...(volume === undefined ? {} : { volume_mL: volume }),
      ...(maxPressure === undefined ? {} : { maxPressure_kPa: maxPressure }),
      ...(drop ? { drop, dropSource: SOURCE } : {}),
    });
  },
  pump: (v, named) => {
    const curve = v.curve('points');
    const head_m = v.number('head') ?? curve?.[0]?.[1],
      flow_Lmin = v.number('flow');
    const points =
      curve ?? usualHead(v.needed('head', msg`the head`), v.needed('flow', msg`the flow`));
    if (!curve) v.assume(msg`Curve between head and flow`, msg`a parabola`);
    const fullSpeed_rpm = v.needed('fullSpeed', msg`the full speed`);
    return makePump({
      ...named,
      size: sizeOf(v),
      fullSpeed_rpm,
      minSpeed_rpm: v.usual('minSpeed', msg`Lowest speed`, Math.round(fullSpeed_rpm * 0.3), 'rpm'),
      points,
      pointsSource: curve ? SOURCE : msg`${SOURCE}: its ends; a parabola between (estimated)`,
      sound_dBA: v.usual('sound', msg`Sound at full speed`, 34, 'dBA'),
      power_W: v.needed('power', msg`the power`),
      ratings: {
        ...(head_m === undefined ? {} : { head_m }),
        ...(flow_Lmin === undefined ? {} : { flow_Lmin }),
      },
    });
  },
  block: (v, named) => {
    const cools = (v.text('cools') ?? '')
      .split(' and ')
      .filter((t): t is BlockTarget => ['processor', 'card', 'board', 'memory'].includes(t));
    if (cools.length === 0) throw new RangeError(msg`what it cools is missing`);
    const metal = v.text('metal');
    if (metal === undefined) throw new RangeError(msg`its metal is missing`);
    const drop = v.curve('dropPoints'),
      resistance = v.curve('resistancePoints'),
      fits = fitsOf(v, cools);
    if (!drop) v.usual('drop', msg`Pressure drop at 4 L/min`, USUAL_DROP_KPA, 'kPa');
    if (!resistance) v.usual('resistance', msg`Resistance at 4 L/min`, usualKW(cools), 'K/W');
    if (!fits) v.assume(msg`What it fits`, msg`missing, so not checked`);
    return makeBlock({
      ...named,
      cools,
      ...(fits ? { fits } : {}),
      size: sizeOf(v),
      ...(drop ? { drop, dropSource: SOURCE } : { drop4_kPa: v.number('drop') ?? USUAL_DROP_KPA }),
      ...(resistance
        ? { resistance, resistanceSource: SOURCE }
        : { r4_KW: v.number('resistance') ?? usualKW(cools) }),
      wetted: wettedBy(metal),
      top: v.text('top') === 'acrylic' ? 'acrylic' : ('acetal' satisfies PolymerMaterial),
      volume: v.usual('volume', msg`Volume`, cools.includes('card') ? 60 : 30, 'mL'),
    });
  },
  card: (v, named) => {
    const layout = v.text('layout'),
      limit_C = v.number('limit');
    if (layout === undefined) v.assume(msg`Card layout`, msg`missing, so no cover is checked`);
    if (limit_C === undefined)
      v.assume(msg`Limits of core, memory and regulators`, '90, 95, 105 °C');
    return makeCard({
      ...named,
      draw_W: v.needed('power', msg`the power`),
      size: cardSize(v),
      bare_mm: v.usual('bare', msg`Thickness without its cooler`, 10, 'mm'),
      ...(layout === undefined ? {} : { layout }),
      ...(limit_C === undefined ? {} : { limit_C }),
    });
  },
  fan: (v, named) => {
    const [section = NaN, , thick = NaN] = sizeOf(v);
    v.assume(msg`Curve between its pressure and its air`, msg`as of axial fans`);
    const fullSpeed_rpm = v.needed('fullSpeed', msg`the full speed`);
    return makeFan({
      ...named,
      section_mm: section,
      thick_mm: v.number('thick') ?? thick,
      fullSpeed_rpm,
      minSpeed_rpm: v.usual('minSpeed', msg`Lowest speed`, Math.round(fullSpeed_rpm * 0.25), 'rpm'),
      free_m3h: v.needed('air', msg`the air it moves`),
      shutOff_Pa: KPA_TO_PA * v.needed('pressure', msg`the pressure it withstands`),
      sound_dBA: v.usual('sound', msg`Sound at full speed`, 28, 'dBA'),
      power_W: v.usual('power', msg`Power`, 2, 'W'),
    });
  },
  reservoir: (v, named) => {
    // It stands on its smallest face.
    const [long, wide, thick] = sizeOf(v);
    const maxPressure_kPa = v.number('maxPressure');
    v.assume(msg`Ports`, msg`at its foot, low on two sides, at its top`);
    if (maxPressure_kPa === undefined) v.assume(msg`Most pressure`, '45 kPa');
    return makeReservoir({
      ...named,
      size: [wide, long, thick],
      fill_mL: v.needed('volume', 'volume'),
      ...(maxPressure_kPa === undefined ? {} : { maxPressure_kPa }),
    });
  },
  processor: (v, named) => {
    const draw_W = v.needed('power', msg`the power`),
      pattern = v.text('pattern');
    const limit_C = v.usual('limit', msg`Highest core temperature`, 95, '°C');
    // Spreading and lid of such chips, by what they draw (common practice, no source).
    const interface_KW = Math.round(1e4 * (18 / draw_W)) / 1e4;
    v.assume(msg`From core to the block’s face`, `${interface_KW} K/W`);
    if (pattern === undefined) v.assume(msg`Mounting pattern`, msg`missing, so not checked`);
    return {
      kind: 'processor',
      id: named.id,
      name: named.name,
      maker: named.maker,
      price_minor: named.price,
      tolerance_mm: 0.2,
      size: [SEAT_MM, SEAT_MM, SEAT_HIGH_MM],
      draw_W,
      shares: { idle: 0.14, gaming: 0.55, render: 0.92, stress: 1 },
      hotSpots: [
        {
          id: 'die',
          name: msg`hottest core`,
          limit_C,
          interface_KW,
          onAir_KW: interface_KW + 0.16,
        },
      ],
      ...(pattern === undefined ? {} : { pattern }),
    };
  },
  supply: (v, named) => {
    const [long, wide, thick] = sizeOf(v);
    return {
      kind: 'supply',
      id: named.id,
      name: named.name,
      maker: named.maker,
      price_minor: named.price,
      tolerance_mm: 1,
      // Its cables leave to the front: its length lies along the case, its least side upright.
      size: [long, thick, wide],
      rating_W: v.needed('power', msg`the power it gives`),
    };
  },
  tube: (v, named) => {
    const material = TUBE_MATERIALS.find((m) => m === v.text('material'));
    if (!material) throw new RangeError(msg`what it is made of is missing`);
    const hard = material !== 'soft PVC' && material !== 'EPDM rubber';
    const outer_mm = v.needed('outer', msg`the outer width`),
      inner_mm = v.needed('inner', msg`the inner width`);
    const bend = Math.round(outer_mm * USUAL_BEND[hard ? 'hard' : 'soft']);
    return {
      kind: 'tube',
      id: named.id,
      name: named.name,
      maker: named.maker,
      price_minor: named.price,
      tolerance_mm: 0.1,
      material,
      hard,
      outer_mm,
      inner_mm,
      minBend_mm: v.usual('minBend', msg`Tightest bend, radius`, bend, 'mm'),
      ...(hard ? { stick_mm: v.usual('stick', msg`Length of a stick`, 1000, 'mm') } : {}),
    };
  },
  fitting: (v, named) => {
    const holds = (['compression', 'barb', 'hard-tube'] as const).find(
      (h) => h === v.text('holds'),
    );
    if (!holds) throw new RangeError(msg`how it holds its tube is missing`);
    const outer_mm = v.needed('outer', msg`the outer width`);
    const metal = (['brass', 'copper'] as const).find((m) => m === v.text('metal')) ?? 'nickel';
    if (v.text('metal') === undefined) v.assume(msg`Metal`, msg`nickel plate over brass`);
    v.assume(msg`Loss factor`, msg`as of such fittings`);
    return makeTubeFitting({
      ...named,
      holds,
      outer_mm,
      inner_mm: v.needed('inner', msg`the inner width`),
      length_mm: v.needed('tall', msg`how far it stands out`),
      diameter_mm: v.usual('diameter', msg`Its widest diameter`, outer_mm + 8, 'mm'),
      metal,
    });
  },
};

/** Bends of tube where its sheet tells none, in outer widths (common practice, no source). */
const USUAL_BEND = { soft: 2.8, hard: 1.8 } as const;
const TUBE_MATERIALS: readonly TubePart['material'][] = [
  'soft PVC',
  'EPDM rubber',
  'PETG',
  'acrylic',
  'copper',
];
const SEAT_MM = 40,
  SEAT_HIGH_MM = 7;

const USUAL_DROP_KPA = 6;
const usualKW = (cools: readonly BlockTarget[]): number => {
  if (cools.includes('card')) return 0.025;
  return cools.includes('memory') ? 0.15 : 0.045;
};

function sizeOf(v: Values): Vec {
  const size = v.list('size') ?? [v.number('length'), v.number('width'), v.number('thick')];
  const [x, y, z] = size;
  if (x === undefined || y === undefined || z === undefined)
    throw new RangeError(msg`the size is missing`);
  return [x, y, z];
}

/** Cards lie along their length, with their thickness across the slots. */
function cardSize(v: Values): Vec {
  const [long, tall, thick] = sizeOf(v);
  return [long, thick, tall];
}

function fitsOf(v: Values, cools: readonly BlockTarget[]): BlockFits | undefined {
  const pattern = v.text('pattern'),
    layout = v.text('layout');
  if (cools.includes('processor') && pattern !== undefined) return { patterns: [{ pattern }] };
  return cools.includes('card') && layout !== undefined ? { cards: [layout] } : undefined;
}

const wettedBy = (metal: string): readonly WettedSurface[] => {
  const area_mm2 = 9000;
  if (metal === 'nickel') return [{ metal: 'nickel', platedOver: 'copper', area_mm2 }];
  return [{ metal: metal === 'aluminium' ? 'aluminium' : 'copper', area_mm2 }];
};

/** Head over flow from its two ends: a parabola, m at L/min. */
const usualHead = (head_m: number, flow_Lmin: number): readonly (readonly [number, number])[] =>
  [0, 0.25, 0.5, 0.75, 0.97].map((share) => [
    Math.round(100 * share * flow_Lmin) / 100,
    Math.round(1000 * head_m * (1 - share ** 2)) / 1000,
  ]);
