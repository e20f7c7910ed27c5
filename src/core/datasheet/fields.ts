import { msg } from '../messages';
import type { Dimension } from './quantity';

export const SHEET_KINDS = [
  'radiator',
  'pump',
  'block',
  'card',
  'fan',
  'reservoir',
  'processor',
  'supply',
  'tube',
  'fitting',
] as const;
/** Kinds of part that a sheet can be read for. */
export type SheetKind = (typeof SHEET_KINDS)[number];

/** One figure that a sheet may tell. */
export interface SheetField {
  readonly id: string;
  /** As the confirmation names it. */
  readonly name: string;
  readonly dimension: Dimension;
  /** Of the value, as it is shown. */
  readonly unit: string;
  /** Words before or behind the figure that tell it. */
  readonly words: RegExp;
  /** Words that tell it is something else. */
  readonly not?: RegExp;
  /** Its unit alone tells it: nothing else of such a part has that. */
  readonly alone?: true;
  /** A range is what is asked for: its ends are two fields. */
  readonly range?: readonly [low: string, high: string];
  /** Without it no part can be made. */
  readonly needed?: true;
  readonly least: number;
  readonly most: number;
}

const price: SheetField = {
  id: 'price',
  get name() {
    return msg`Price`;
  },
  dimension: 'money',
  unit: '',
  words: /price|cost|eur|€|\$|£/i,
  alone: true,
  least: 0,
  most: 100_000,
};
const thickness = (needed: boolean, words: RegExp): SheetField => ({
  id: 'thick',
  get name() {
    return msg`Thickness`;
  },
  dimension: 'length',
  unit: 'mm',
  words,
  not: /fin thick|tube|thread|screw|cable|plate thick/i,
  ...(needed ? { needed: true as const } : {}),
  least: 5,
  most: 200,
});
const length: SheetField = {
  id: 'length',
  get name() {
    return msg`Length`;
  },
  dimension: 'length',
  unit: 'mm',
  words: /\blength\b|\blong\b/i,
  not: /cable|lead|screw|thread|hose/i,
  least: 20,
  most: 1000,
};
const width: SheetField = {
  id: 'width',
  get name() {
    return msg`Width`;
  },
  dimension: 'length',
  unit: 'mm',
  words: /\bwidth\b|\bwide\b|\bheight\b|\bhigh\b|\btall\b/i,
  not: /fin|tube|cable/i,
  least: 10,
  most: 400,
};
const speeds: readonly SheetField[] = [
  {
    id: 'fullSpeed',
    get name() {
      return msg`Full speed`;
    },
    dimension: 'speed',
    unit: 'rpm',
    words: /speed|rpm|max|full|revolution/i,
    not: /\bmin(?:imum|\.)?\b|lowest|start/i,
    alone: true,
    range: ['minSpeed', 'fullSpeed'],
    needed: true,
    least: 100,
    most: 20_000,
  },
  {
    id: 'minSpeed',
    get name() {
      return msg`Lowest speed`;
    },
    dimension: 'speed',
    unit: 'rpm',
    words: /\bmin(?:imum|\.)?\b|lowest|slowest|start/i,
    least: 0,
    most: 20_000,
  },
];
const sound: SheetField = {
  id: 'sound',
  get name() {
    return msg`Sound at full speed, 1 m`;
  },
  dimension: 'sound',
  unit: 'dBA',
  words: /noise|sound|acoustic|loud/i,
  alone: true,
  least: 0,
  most: 90,
};
const power = (needed: boolean, most: number, words: RegExp): SheetField => ({
  id: 'power',
  get name() {
    return msg`Power`;
  },
  dimension: 'power',
  unit: 'W',
  words,
  not: /supply recommended|psu|dissipat|cool(?:s|ing) (?:up|capacity)|heat load/i,
  ...(needed ? { needed: true as const } : {}),
  alone: true,
  least: 0.1,
  most,
});
const limit: SheetField = {
  id: 'limit',
  get name() {
    return msg`Highest core temperature`;
  },
  dimension: 'temperature',
  unit: '°C',
  words: /max|limit|hottest|throttle|temperature/i,
  not: /ambient|storage|room/i,
  least: 40,
  most: 150,
};
/** Outer and inner width of a tube. */
const widths: readonly SheetField[] = [
  {
    id: 'outer',
    get name() {
      return msg`Tube, outer width`;
    },
    dimension: 'length',
    unit: 'mm',
    words: /outer|outside|\bOD\b/i,
    needed: true,
    least: 3,
    most: 40,
  },
  {
    id: 'inner',
    get name() {
      return msg`Tube, inner width`;
    },
    dimension: 'length',
    unit: 'mm',
    words: /inner|inside|\bID\b|\bbore\b/i,
    needed: true,
    least: 2,
    most: 36,
  },
];
const volume: SheetField = {
  id: 'volume',
  get name() {
    return msg`Volume`;
  },
  dimension: 'volume',
  unit: 'mL',
  words: /volume|capacity|holds|content/i,
  alone: true,
  least: 1,
  most: 5000,
};
const maxPressure: SheetField = {
  id: 'maxPressure',
  get name() {
    return msg`Most pressure it may be put under`;
  },
  dimension: 'pressure',
  unit: 'kPa',
  words:
    /(?:max|test|rated|proof|operating|burst).{0,24}pressure|pressure.{0,14}(?:max|test|rat)|tested|leak/i,
  not: /drop|head|static|loss/i,
  least: 1,
  most: 1000,
};

/** Figures of each kind of part, in the order they are shown. */
export const FIELDS: Readonly<Record<SheetKind, readonly SheetField[]>> = {
  radiator: [
    length,
    width,
    thickness(true, /thick|\bdepth\b|\bdeep\b/i),
    {
      id: 'fpi',
      get name() {
        return msg`Fins an inch`;
      },
      dimension: 'fins',
      unit: '',
      words: /fpi|fin(?:s| density| pitch)/i,
      alone: true,
      needed: true,
      least: 4,
      most: 60,
    },
    {
      id: 'holeGap',
      get name() {
        return msg`Between the holes of neighbouring fans`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /(?:fan|hole).{0,16}(?:gap|spacing|pitch)|between (?:fans|holes)/i,
      least: 0,
      most: 60,
    },
    volume,
    maxPressure,
    price,
  ],
  pump: [
    ...speeds,
    {
      id: 'head',
      get name() {
        return msg`Head at no flow`;
      },
      dimension: 'head',
      unit: 'm',
      words: /head|lift|delivery height|pumping height/i,
      needed: true,
      least: 0.1,
      most: 60,
    },
    {
      id: 'flow',
      get name() {
        return msg`Flow at no head`;
      },
      dimension: 'flow',
      unit: 'L/min',
      words: /flow|rate|throughput|circulat/i,
      alone: true,
      needed: true,
      least: 0.1,
      most: 100,
    },
    power(true, 200, /power|draw|consum|watt/i),
    sound,
    price,
  ],
  block: [
    length,
    width,
    thickness(false, /thick|\bheight\b|\bhigh\b|\bdepth\b/i),
    {
      id: 'drop',
      get name() {
        return msg`Pressure drop at 4 L/min`;
      },
      dimension: 'pressure',
      unit: 'kPa',
      words: /pressure (?:drop|loss)|drop|loss|restriction/i,
      not: /max.{0,20}pressure|test/i,
      least: 0.01,
      most: 200,
    },
    {
      id: 'resistance',
      get name() {
        return msg`Resistance at 4 L/min`;
      },
      dimension: 'resistance',
      unit: 'K/W',
      words: /resistance|thermal|k\/w/i,
      alone: true,
      least: 0.001,
      most: 5,
    },
    volume,
    maxPressure,
    price,
  ],
  card: [
    length,
    width,
    thickness(false, /thick|\bdepth\b/i),
    power(true, 2000, /power|draw|consum|board power|tgp|tdp|watt/i),
    limit,
    {
      id: 'bare',
      get name() {
        return msg`Thickness without its cooler`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /bare|without (?:its |the )?cooler|pcb|backside/i,
      least: 1,
      most: 60,
    },
    price,
  ],
  fan: [
    ...speeds,
    {
      id: 'air',
      get name() {
        return msg`Air at no pressure`;
      },
      dimension: 'air',
      unit: 'm³/h',
      words: /air ?flow|flow|volume/i,
      alone: true,
      needed: true,
      least: 1,
      most: 2000,
    },
    {
      id: 'pressure',
      get name() {
        return msg`Pressure at no air`;
      },
      dimension: 'pressure',
      unit: 'kPa',
      words: /pressure|static/i,
      alone: true,
      needed: true,
      least: 0.0005,
      most: 2,
    },
    thickness(false, /thick|\bdepth\b/i),
    power(false, 60, /power|draw|consum|watt/i),
    sound,
    price,
  ],
  reservoir: [
    length,
    width,
    thickness(false, /thick|\bdepth\b|diameter/i),
    { ...volume, needed: true },
    maxPressure,
    price,
  ],
  processor: [power(true, 1000, /power|draw|tdp|watt|consum/i), limit, price],
  supply: [
    length,
    width,
    thickness(false, /thick|\bdepth\b/i),
    {
      ...power(true, 5000, /power|output|rat(?:ed|ing)|watt/i),
      get name() {
        return msg`Power it gives`;
      },
      least: 50,
    },
    price,
  ],
  tube: [
    ...widths,
    {
      id: 'minBend',
      get name() {
        return msg`Tightest bend, radius`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /bend|radius/i,
      least: 5,
      most: 500,
    },
    {
      id: 'stick',
      get name() {
        return msg`Length of a stick`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /length|\blong\b|stick/i,
      least: 100,
      most: 3000,
    },
    price,
  ],
  fitting: [
    ...widths,
    {
      id: 'tall',
      get name() {
        return msg`How far it stands out of the port`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /height|length|stands out|protru|\blong\b|\bhigh\b/i,
      not: /thread/i,
      needed: true,
      least: 3,
      most: 120,
    },
    {
      id: 'diameter',
      get name() {
        return msg`Its widest diameter`;
      },
      dimension: 'length',
      unit: 'mm',
      words: /diameter|\bwide\b|width|across/i,
      not: /tube|inner|outer/i,
      least: 8,
      most: 60,
    },
    price,
  ],
};
