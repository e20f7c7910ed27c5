import { msg } from '../messages';

/**
 * Units the app understands, as exact factors to the fixed inner unit of each quantity.
 * Inner units: mm, °C, K, W, L/min, kPa, m (head), rpm, dBA, mL, g, m³/h (air), Pa (air).
 * Exact definitions: 1 in = 25.4 mm (international yard and pound agreement, 1959);
 * 1 US gal = 3.785411784 L; 1 lbf = 4.4482216152605 N; g_n = 9.80665 m/s² (CGPM 1901).
 */
export interface Unit {
  readonly symbol: string;
  readonly aliases: readonly string[];
  /** inner = value × factor + offset */
  readonly factor: number;
  readonly offset?: number;
}

export interface Quantity {
  readonly name: string;
  readonly inner: string;
  readonly units: readonly Unit[];
}

const PSI_KPA = 6.894757293168361;
const GAL_L = 3.785411784;
const G_N = 9.80665;

const unit = (symbol: string, factor: number, aliases: string[] = [], offset = 0): Unit => ({
  symbol,
  factor,
  aliases,
  offset,
});

export const QUANTITIES = {
  length: {
    get name() {
      return msg`length`;
    },
    inner: 'mm',
    units: [
      unit('mm', 1),
      unit('cm', 10),
      unit('m', 1000),
      unit('in', 25.4, ['"', 'inch', 'inches', '″']),
      unit('ft', 304.8),
    ],
  },
  area: {
    get name() {
      return msg`area`;
    },
    inner: 'cm²',
    units: [
      unit('cm²', 1, ['cm2']),
      unit('mm²', 0.01, ['mm2']),
      unit('in²', 6.4516, ['in2', 'sq in']),
    ],
  },
  temperature: {
    get name() {
      return msg`temperature`;
    },
    inner: '°C',
    units: [
      unit('°C', 1, ['c', 'degc']),
      unit('°F', 5 / 9, ['f', 'degf'], -160 / 9),
      unit('K', 1, ['kelvin'], -273.15),
    ],
  },
  difference: {
    get name() {
      return msg`temperature difference`;
    },
    inner: 'K',
    units: [unit('K', 1, ['°c', 'c', 'degc', 'kelvin']), unit('°F', 5 / 9, ['f', 'degf'])],
  },
  power: {
    get name() {
      return msg`power`;
    },
    inner: 'W',
    units: [unit('W', 1), unit('kW', 1000), unit('BTU/h', 0.29307107017222, ['btu/hr'])],
  },
  flow: {
    get name() {
      return msg`flow`;
    },
    inner: 'L/min',
    units: [
      unit('L/min', 1, ['lpm', 'l/m']),
      unit('L/h', 1 / 60, ['lph']),
      unit('gpm', GAL_L, ['gal/min']),
      unit('gph', GAL_L / 60),
      unit('mL/s', 0.06),
    ],
  },
  pressure: {
    get name() {
      return msg`pressure`;
    },
    inner: 'kPa',
    units: [
      unit('kPa', 1),
      unit('Pa', 0.001),
      unit('bar', 100),
      unit('mbar', 0.1, ['hpa']),
      unit('psi', PSI_KPA),
      unit('mH2O', G_N, ['mh₂o', 'm']),
      unit('mmH2O', G_N / 1000),
    ],
  },
  head: {
    get name() {
      return msg`head`;
    },
    inner: 'm',
    units: [
      unit('m', 1, ['mh2o']),
      unit('ft', 0.3048),
      unit('kPa', 1 / G_N),
      unit('psi', PSI_KPA / G_N),
    ],
  },
  speed: {
    get name() {
      return msg`speed`;
    },
    inner: 'rpm',
    units: [unit('rpm', 1, ['1/min', 'r/min', 'min-1'])],
  },
  sound: {
    get name() {
      return msg`sound`;
    },
    inner: 'dBA',
    units: [unit('dBA', 1, ['db', 'db(a)'])],
  },
  volume: {
    get name() {
      return msg`volume`;
    },
    inner: 'mL',
    units: [unit('mL', 1), unit('L', 1000), unit('fl oz', 29.5735295625, ['floz'])],
  },
  gauge: {
    get name() {
      return msg`pressure above the air outside`;
    },
    inner: 'mbar',
    units: [
      unit('mbar', 1, ['hpa']),
      unit('bar', 1000),
      unit('kPa', 10),
      unit('psi', 10 * PSI_KPA),
    ],
  },
  airPressure: {
    get name() {
      return msg`air pressure`;
    },
    inner: 'Pa',
    units: [
      unit('Pa', 1),
      unit('mmH2O', G_N, ['mmh₂o', 'mmaq']),
      unit('inH2O', 25.4 * G_N, ['inh₂o', 'inaq']),
    ],
  },
  resistance: {
    get name() {
      return msg`thermal resistance`;
    },
    inner: 'K/W',
    units: [unit('K/W', 1, ['°c/w', 'c/w'])],
  },
  conductance: {
    get name() {
      return msg`heat per kelvin`;
    },
    inner: 'W/K',
    units: [unit('W/K', 1, ['w/°c', 'w/c'])],
  },
  airFlow: {
    get name() {
      return msg`air flow`;
    },
    inner: 'm³/h',
    units: [unit('m³/h', 1, ['m3/h']), unit('CFM', 1.69901082, ['cfm'])],
  },
  share: {
    get name() {
      return msg`share`;
    },
    inner: '%',
    units: [unit('%', 1, ['percent'])],
  },
  angle: {
    get name() {
      return msg`angle`;
    },
    inner: '°',
    units: [unit('°', 1, ['deg', 'degrees']), unit('rad', 180 / Math.PI)],
  },
  distance: {
    get name() {
      return msg`distance`;
    },
    inner: 'm',
    units: [unit('m', 1), unit('cm', 0.01), unit('ft', 0.3048), unit('in', 0.0254)],
  },
} as const satisfies Record<string, Quantity>;

export type QuantityName = keyof typeof QUANTITIES;

/** One litre of flow a minute in m³/s. */
export const LMIN_TO_M3S = 1 / 60000;
/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY_MS2 = G_N;
/** 0 °C in kelvin. */
export const ZERO_C_K = 273.15;
