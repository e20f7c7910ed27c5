/**
 * Numbers as a builder reads them: sensible digits, thousands grouped, a true minus, sign on
 * differences.
 */
const MINUS = '−';

export interface FormatOptions {
  readonly decimals?: number;
  /** Show "+" on values above zero: for differences. */
  readonly signed?: boolean;
}

/** Formats a finite number; anything else becomes "–", never "NaN". */
export function formatNumber(
  value: number | null | undefined,
  { decimals = 0, signed = false }: FormatOptions = {},
): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '–';
  const rounded = Number(value.toFixed(decimals));
  const [whole = '0', fraction] = Math.abs(rounded).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  const signMark = () => {
    if (rounded < 0) return MINUS;
    if (signed && rounded > 0) return '+';
    return '';
  };
  const sign = signMark();
  return sign + grouped + (fraction ? `.${fraction}` : '');
}

export const formatKelvin = (k: number | null | undefined): string =>
  `${formatNumber(k, { decimals: 1, signed: true })} K`;
export const formatCelsius = (c: number | null | undefined, decimals = 0): string =>
  `${formatNumber(c, { decimals })} °C`;
export const formatFlow = (q: number | null | undefined): string =>
  `${formatNumber(q, { decimals: 1 })} L/min`;
export const formatCubicMetres = (v: number | null | undefined): string =>
  `${formatNumber(v)} m³/h`;
export const formatWatts = (w: number | null | undefined): string => `${formatNumber(w)} W`;
export const formatMillimetres = (mm: number | null | undefined, decimals = 0): string =>
  `${formatNumber(mm, { decimals })} mm`;
export const formatKilopascals = (p: number | null | undefined): string =>
  `${formatNumber(p, { decimals: 1 })} kPa`;
export const formatSound = (l: number | null | undefined): string => `${formatNumber(l)} dBA`;
export const formatSpeed = (n: number | null | undefined): string => `${formatNumber(n)} rpm`;

/** Minor currency units as "412.50"; whole amounts lose the cents when `short`. */
export function formatMoney(minor: number | null | undefined, short = false): string {
  if (minor === null || minor === undefined || !Number.isFinite(minor)) return '–';
  return formatNumber(minor / 100, { decimals: short ? 0 : 2 });
}

/** "1 run", "6 runs"; pass the plural when it is not a plain s. */
export function plural(count: number, one: string, many = `${one}s`): string {
  return `${formatNumber(count)} ${count === 1 ? one : many}`;
}
