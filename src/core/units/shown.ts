import { formatNumber, type FormatOptions } from './format';
import { convertFromInner } from './convert';
import type { QuantityName } from './units';

/** What a person reads: metric, or the units customary in the United States. */
export type UnitSystem = 'metric' | 'us';

/** Where the choice is kept: in the browser's storage, and as a cookie for the server. */
export const UNITS_KEY = 'zephyron-units';

interface Customary {
  readonly quantity: QuantityName;
  readonly unit: string;
  /** How many of the quantity's inner unit one of ours is; 1 where it is not said. */
  readonly inner?: number;
  /** Decimals more (or fewer) than ours needs to tell the same steps apart. */
  readonly decimals: number;
}

/**
 * Our fixed units and what stands for each in the United States; the factors are those of
 * `units.ts`. Units that are not listed (W, rpm, dBA, K/W, g) are written the same in both.
 */
const CUSTOMARY = {
  mm: { quantity: 'length', unit: 'in', decimals: 2 },
  'cm²': { quantity: 'area', unit: 'in²', decimals: 1 },
  m: { quantity: 'distance', unit: 'ft', decimals: 0 },
  '°C': { quantity: 'temperature', unit: '°F', decimals: 0 },
  K: { quantity: 'difference', unit: '°F', decimals: 0 },
  'L/min': { quantity: 'flow', unit: 'gpm', decimals: 1 },
  kPa: { quantity: 'pressure', unit: 'psi', decimals: 1 },
  bar: { quantity: 'pressure', unit: 'psi', inner: 100, decimals: -1 },
  mbar: { quantity: 'gauge', unit: 'psi', decimals: 2 },
  Pa: { quantity: 'airPressure', unit: 'inH2O', decimals: 2 },
  'm³/h': { quantity: 'airFlow', unit: 'CFM', decimals: 0 },
  mL: { quantity: 'volume', unit: 'fl oz', decimals: 1 },
  'm/s': { quantity: 'distance', unit: 'ft', decimals: 0 },
} as const satisfies Record<string, Customary>;

export type MeasureUnit = keyof typeof CUSTOMARY;

/** Units whose United States name is not that of the quantity they are reckoned by. */
const NAMES: Readonly<Partial<Record<MeasureUnit, string>>> = { 'm/s': 'ft/s' };

/** Which system the words are written in, one for the whole app; figures never depend on it. */
let system: UnitSystem = 'metric';

/** Sets what every text after this call is written in. Texts already made are not changed. */
export function showUnits(next: UnitSystem): void {
  system = next;
}
export const shownUnits = (): UnitSystem => system;

const customaryOf = (unit: string): Customary | undefined =>
  system === 'us' && unit in CUSTOMARY ? CUSTOMARY[unit as MeasureUnit] : undefined;

/** The unit as it is written now: "mm", or "in". A unit that both systems share stays. */
export const unitShown = (unit: string): string =>
  customaryOf(unit) ? (NAMES[unit as MeasureUnit] ?? CUSTOMARY[unit as MeasureUnit].unit) : unit;

/** The number that stands before `unitShown(unit)`. */
export function valueShown(value: number, unit: string): number {
  const us = customaryOf(unit);
  return us ? convertFromInner(value * (us.inner ?? 1), us.quantity, us.unit) : value;
}

/** Decimals that tell the same steps apart in the unit shown. */
export const decimalsShown = (decimals: number, unit: string): number =>
  Math.max(0, decimals + (customaryOf(unit)?.decimals ?? 0));

/** The number alone, as it is written under a head that names `unitShown(unit)`. */
export const formatShown = (
  value: number | null | undefined,
  unit: string,
  { decimals = 0, ...options }: FormatOptions = {},
): string =>
  formatNumber(value === null || value === undefined ? value : valueShown(value, unit), {
    ...options,
    decimals: decimalsShown(decimals, unit),
  });

/** A quantity in one of our fixed units, as it is written now: "12.5 mm", or "0.492 in". */
export const formatMeasure = (
  value: number | null | undefined,
  unit: string,
  options?: FormatOptions,
): string => `${formatShown(value, unit, options)} ${unitShown(unit)}`;

/** Several lengths of one thing: "400 × 210 × 65 mm". */
export const formatSize = (
  lengths_mm: readonly (number | null | undefined)[],
  options?: FormatOptions,
): string =>
  `${lengths_mm.map((l) => formatShown(l, 'mm', options)).join(' × ')} ${unitShown('mm')}`;

export const formatKelvin = (k: number | null | undefined): string =>
  formatMeasure(k, 'K', { decimals: 1, signed: true });
export const formatCelsius = (c: number | null | undefined, decimals = 0): string =>
  formatMeasure(c, '°C', { decimals });
export const formatFlow = (q: number | null | undefined): string =>
  formatMeasure(q, 'L/min', { decimals: 1 });
export const formatCubicMetres = (v: number | null | undefined): string => formatMeasure(v, 'm³/h');
export const formatMillimetres = (mm: number | null | undefined, decimals = 0): string =>
  formatMeasure(mm, 'mm', { decimals });
export const formatKilopascals = (p: number | null | undefined): string =>
  formatMeasure(p, 'kPa', { decimals: 1 });
export const formatWatts = (w: number | null | undefined): string => formatMeasure(w, 'W');
export const formatSound = (l: number | null | undefined): string => formatMeasure(l, 'dBA');
export const formatSpeed = (n: number | null | undefined): string => formatMeasure(n, 'rpm');

/** The next larger of 1, 2 and 5 times a power of ten. */
function roundStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step) + 1e-9);
  const lead = [1, 2, 5, 10].find((l) => l * power >= step - 1e-9) ?? 10;
  return lead * power;
}

/**
 * Where an axis from `low` to `high` is marked, in the fixed unit, so that the numbers shown are
 * round: every `step` in ours, about as far apart in the customary unit.
 */
export function ticksShown(low: number, high: number, step: number, unit: string): number[] {
  const zero = valueShown(0, unit),
    scale = valueShown(1, unit) - zero;
  const by = scale === 1 ? step : roundStep(step * scale);
  const first = Math.ceil(valueShown(low, unit) / by - 1e-9),
    last = Math.floor(valueShown(high, unit) / by + 1e-9);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) =>
    scale === 1 ? (first + i) * by : ((first + i) * by - zero) / scale,
  );
}

/** What is written at such a mark. */
export const tickShown = (value: number, unit: string): string =>
  String(Number(valueShown(value, unit).toPrecision(6))).replace('-', '−');
