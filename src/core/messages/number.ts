import { shownLanguage } from './language';

export interface FormatOptions {
  readonly decimals?: number;
  /** Show "+" on values above zero: for differences. */
  readonly signed?: boolean;
}

const NONE = '–';
const MINUS = '−';
const FORMATS = new Map<string, Intl.NumberFormat>();

/** One format for each language and use: making one takes a thousand times as long as using it. */
function formatOf(language: string, use: string, options: Intl.NumberFormatOptions) {
  const key = `${language} ${use}`;
  let format = FORMATS.get(key);
  if (!format) FORMATS.set(key, (format = new Intl.NumberFormat(language, options)));
  return format;
}

/**
 * A number as a builder reads it, in the language shown: sensible digits, thousands grouped, a true
 * minus, "+" on differences. What is not finite becomes "–", never "NaN".
 */
export function formatNumber(
  value: number | null | undefined,
  { decimals = 0, signed = false }: FormatOptions = {},
): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return NONE;
  // Rounded first: a hair below zero is no "−0.0", and halves go as `toFixed` has them.
  const rounded = Number(value.toFixed(decimals));
  const digits = formatOf(shownLanguage(), String(decimals), {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  }).format(Math.abs(rounded));
  if (rounded < 0) return MINUS + digits;
  return signed && rounded > 0 ? `+${digits}` : digits;
}

/** A sum in minor units of a currency (ISO 4217), as "EUR 412.50"; no cents where it is `short`. */
export function formatPrice(minor: number, currency: string, short = false): string {
  const decimals = short ? 0 : 2;
  return formatOf(shownLanguage(), `${currency} ${decimals}`, {
    style: 'currency',
    currency,
    currencyDisplay: 'code',
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  })
    .format(minor / 100)
    .replace('-', MINUS);
}

/** What parts the whole from the decimals, and thousands from hundreds, in the language shown. */
export function numberMarks(): { readonly decimal: string; readonly group: string } {
  const parts = formatOf(shownLanguage(), '1', { minimumFractionDigits: 1 }).formatToParts(
    12_345.6,
  );
  const mark = (type: string, usual: string): string =>
    parts.find((p) => p.type === type)?.value ?? usual;
  return { decimal: mark('decimal', '.'), group: mark('group', ',') };
}
