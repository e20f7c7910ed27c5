import Papa from 'papaparse';
import { PART_KINDS, type Part } from '@/core/components';
import { detectDecimals, readDecimal, type DecimalStyle, type DetectedDecimals } from './decimals';
import { armed, toCsv } from './csv';

/** A table as read: its columns and rows, and how it writes decimals. */
export interface Sheet {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
  readonly decimals: DetectedDecimals;
}

/** Which column fills which field of a part; a field without one keeps the pattern's value. */
export type Mapping = Readonly<Record<string, string>>;

/**
 * What a file says its rows are, when a column "kind" names one for all of them; null otherwise.
 */
export function kindNamed({ columns, rows }: Sheet): string | null {
  const column = columns.find((c) => c.trim().toLowerCase() === 'kind');
  if (column === undefined) return null;
  const [named, ...others] = new Set(rows.map((row) => row[column]?.trim().toLowerCase()));
  return others.length === 0 && named ? named : null;
}

export const readSheet = (text: string): Sheet => {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
  });
  // Lists in a cell are JSON, which has its own decimal point whatever the file's.
  const cells = data.flatMap((row) =>
    Object.values(row).filter((cell) => typeof cell === 'string' && !/^[[{"]/.test(cell)),
  );
  return {
    columns: meta.fields ?? [],
    rows: data,
    decimals: detectDecimals(cells, meta.delimiter),
  };
};

const isPlain = (v: unknown): v is string | number | boolean =>
  typeof v === 'string' || typeof v === 'number' || typeof v === 'boolean';

/**
 * Fields of a part that a column may fill: its own words and numbers, and those one level down, as
 * paths.
 */
export function fieldsOf(pattern: Part): readonly string[] {
  return Object.entries(pattern).flatMap(([key, value]): string[] => {
    if (key === 'kind') return [];
    if (isPlain(value)) return [key];
    if (Array.isArray(value) && value.every((v) => typeof v === 'number'))
      return value.map((_, i) => `${key}.${i}`);
    if (typeof value === 'object' && value !== null && !Array.isArray(value))
      return Object.entries(value)
        .filter(([, v]) => isPlain(v))
        .map(([inner]) => `${key}.${inner}`);
    return [];
  });
}

const bare = (s: string): string =>
  s
    .toLowerCase()
    .replace(/_(mm|minor|rpm|kpa|dba|w|ml)$/, '')
    .replace(/[^a-z0-9]/g, '');

/** Columns that are plainly a field by name, whatever their spelling. */
export function guessMapping(fields: readonly string[], columns: readonly string[]): Mapping {
  return Object.fromEntries(
    fields.flatMap((field) => {
      const column = columns.find(
        (c) => bare(c) === bare(field) || bare(c) === bare(field.split('.').join('')),
      );
      return column === undefined ? [] : [[field, column]];
    }),
  );
}

/**
 * Parts from the rows of a table, each the pattern with its mapped fields changed. What cannot be a
 * number stays text, and the guard says so at its place.
 */
export function partsFromRows(
  pattern: Part,
  sheet: Sheet,
  mapping: Mapping,
  style: DecimalStyle = sheet.decimals.style,
): readonly Part[] {
  return sheet.rows.map((row, n) => {
    const part = structuredClone(pattern) as unknown as Record<string, unknown>;
    part.id = `own-${pattern.kind}-${n + 1}`;
    for (const [field, column] of Object.entries(mapping)) {
      const text = (row[column] ?? '').trim();
      const [key, inner] = field.split('.') as [string, string | undefined];
      const holder = inner === undefined ? part : (part[key] as Record<string, unknown>);
      const at = inner ?? key;
      if (text !== '') holder[at] = valueOf(text, holder[at], field, style);
    }
    return part as unknown as Part;
  });
}

function valueOf(text: string, before: unknown, field: string, style: DecimalStyle): unknown {
  if (typeof before === 'boolean') return /^(yes|true|1|x)$/i.test(text);
  if (typeof before !== 'number') return armed(text);
  const number = readDecimal(text, style);
  if (number === null) return text;
  return field === 'price_minor' ? Math.round(100 * number) : number;
}

/**
 * Whether a table is parts as we export them: every row says its kind, and the columns are fields.
 */
export const isPartsExport = ({ columns, rows }: Sheet): boolean =>
  columns.includes('kind') &&
  columns.includes('id') &&
  rows.every((r) => Object.hasOwn(PART_KINDS, r.kind ?? ''));

/**
 * Parts as they were exported, whole: no pattern is needed. Cells that cannot be read stay text,
 * and the guard says so at their place.
 */
export function partsFromExport(
  sheet: Sheet,
  style: DecimalStyle = sheet.decimals.style,
): readonly Part[] {
  return sheet.rows.map((row) => {
    const part: Record<string, unknown> = {};
    for (const column of sheet.columns) {
      const text = row[column] ?? '';
      if (text === '') continue;
      put(
        part,
        column.split('.'),
        column === 'price_minor' ? priceOf(text, style) : readCell(text, style),
      );
    }
    return part as unknown as Part;
  });
}

/**
 * Imported parts that bear a number of the catalogue: the same part is left out, a changed one
 * becomes a custom part under a number of its own.
 */
export function asCustom(
  parts: readonly Part[],
  catalogue: readonly Part[],
): { readonly parts: readonly Part[]; readonly same: number } {
  const known = new Map(catalogue.map((p) => [p.id, JSON.stringify(sorted(p))]));
  const changed = parts.filter((p) => known.get(p?.id) !== JSON.stringify(sorted(p)));
  return {
    parts: changed.map((p) => (known.has(p?.id) ? { ...p, id: `own-${p.id}`.slice(0, 64) } : p)),
    same: parts.length - changed.length,
  };
}

/** The same value with its keys in order, so that equal parts read alike. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([k, v]) => [k, sorted(v)]),
  );
}

/**
 * Cells that hold figures as they stand in the file, each with the number it is read as; the first
 * `most` of them.
 */
export function figuresRead(
  sheet: Sheet,
  style: DecimalStyle,
  most: number,
): readonly { readonly text: string; readonly value: number | null }[] {
  const cells = new Set(
    sheet.rows
      .flatMap((row) => Object.values(row))
      .filter((cell) => typeof cell === 'string' && /^\D{0,4}\d*[.,]\d[\d.,]*\D{0,8}$/.test(cell)),
  );
  return [...cells]
    .slice(0, most)
    .map((text) => ({ text: text.trim(), value: readDecimal(text, style) }));
}

function priceOf(text: string, style: DecimalStyle): unknown {
  const number = readDecimal(text, style);
  return number === null ? text : Math.round(100 * number);
}

/** Sets a value at a path; what holds numbered keys is a list. */
function put(
  holder: Record<string, unknown>,
  [key, inner]: readonly string[],
  value: unknown,
): void {
  if (key === undefined) return;
  if (inner === undefined) {
    holder[key] = value;
    return;
  }
  holder[key] ??= /^\d+$/.test(inner) ? [] : {};
  (holder[key] as Record<string, unknown>)[inner] = value;
}

/**
 * A cell says what it is: JSON for lists and for words that look like something else, yes and no,
 * numbers; the rest is text.
 */
function readCell(text: string, style: DecimalStyle): unknown {
  if (/^[[{"]/.test(text)) {
    try {
      return JSON.parse(text) as unknown;
    } catch {
      return text;
    }
  }
  if (text === 'true') return true;
  if (text === 'false') return false;
  if (text === 'null') return null;
  if (/^[+-]?[\d.,]+(e[+-]?\d+)?$/i.test(text)) return readDecimal(text, style) ?? text;
  return armed(text);
}

/**
 * The cell that `readCell` reads back as this value. Numbers stay numbers, so that only text is
 * disarmed.
 */
function writeCell(value: unknown): unknown {
  if (typeof value === 'number') return value;
  if (typeof value !== 'string') return JSON.stringify(value);
  const looksOther =
    /^[[{"']/.test(value) ||
    /^(true|false|null)$/.test(value) ||
    /^[+-]?[\d.,]+(e[+-]?\d+)?$/i.test(value);
  return looksOther || value === '' || value !== value.trim() ? JSON.stringify(value) : value;
}

/**
 * Columns of a part as it is exported: words and numbers by themselves, those one level down by
 * path, everything deeper as JSON.
 */
function cellsOf(part: Part): ReadonlyMap<string, unknown> {
  const cells = new Map<string, unknown>();
  for (const [key, value] of Object.entries(part)) {
    if (value === undefined) continue;
    const entries = typeof value === 'object' && value !== null ? Object.entries(value) : [];
    const opens =
      entries.length > 0 && entries.every(([inner, v]) => isPlain(v) && !inner.includes('.'));
    if (key === 'price_minor') cells.set(key, (value as number) / 100);
    else if (opens) for (const [inner, v] of entries) cells.set(`${key}.${inner}`, writeCell(v));
    else cells.set(key, writeCell(value));
  }
  return cells;
}

/**
 * Parts as CSV (RFC 4180, decimal point): one row each, the columns of all their fields together.
 * `partsFromExport` reads the same parts back.
 */
export function partsToCsv(parts: readonly Part[]): string {
  const rows = parts.map(cellsOf);
  const columns = [...new Set(['kind', ...rows.flatMap((r) => [...r.keys()])])];
  const data = rows.map((r) => columns.map((c) => r.get(c) ?? ''));
  return toCsv({ fields: columns, data });
}
