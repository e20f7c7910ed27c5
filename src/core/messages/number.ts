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
