import Papa from 'papaparse';
import type { Part } from '@/core/part';
import { moneyOf } from './quoteCsv';

/** A table as read: its columns and rows, and the line of each row in the file. */
export interface Sheet { readonly columns: readonly string[]; readonly rows: readonly Readonly<Record<string, string>>[] }

/** Which column fills which field of a part; a field without one keeps the pattern's value. */
export type Mapping = Readonly<Record<string, string>>;

export const readSheet = (text: string): Sheet => {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy', transformHeader: (h) => h.trim() });
  return { columns: meta.fields ?? [], rows: data };
};

/** Fields of a part that a column may fill: its own words and numbers, and those one level down, as paths. */
export function fieldsOf(pattern: Part): readonly string[] {
  const plain = (v: unknown): boolean => typeof v === 'string' || typeof v === 'number' || typeof v === 'boolean';
  return Object.entries(pattern).flatMap(([key, value]): string[] => {
    if (key === 'kind') return [];
    if (plain(value)) return [key];
    if (Array.isArray(value) && value.every((v) => typeof v === 'number')) return value.map((_, i) => `${key}.${i}`);
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return Object.entries(value).filter(([, v]) => plain(v)).map(([inner]) => `${key}.${inner}`);
    return [];
  });
}

const bare = (s: string): string => s.toLowerCase().replace(/_(mm|minor|rpm|kpa|dba|w|ml)$/, '').replace(/[^a-z0-9]/g, '');
/** Columns that are plainly a field by name, whatever their spelling. */
export const guessMapping = (fields: readonly string[], columns: readonly string[]): Mapping => Object.fromEntries(fields.flatMap((f) => { const c = columns.find((x) => bare(x) === bare(f) || bare(x) === bare(f.split('.').join(''))); return c === undefined ? [] : [[f, c]]; }));

/** Parts from the rows of a table, each the pattern with its mapped fields changed. What cannot be a number stays text, and the guard says so at its place. */
export function partsFromRows(pattern: Part, { rows }: Sheet, mapping: Mapping): readonly Part[] {
  return rows.map((row, n) => {
    const part = structuredClone(pattern) as unknown as Record<string, unknown>;
    part.id = `own-${pattern.kind}-${n + 1}`;
    for (const [field, column] of Object.entries(mapping)) {
      const text = (row[column] ?? '').trim(), [key, inner] = field.split('.') as [string, string | undefined];
      const holder = inner === undefined ? part : part[key] as Record<string, unknown>, at = inner ?? key;
      if (text !== '') holder[at] = valueOf(text, holder[at], field);
    }
    return part as unknown as Part;
  });
}

function valueOf(text: string, before: unknown, field: string): unknown {
  if (typeof before === 'boolean') return /^(yes|true|1|x)$/i.test(text);
  if (typeof before !== 'number') return text;
  const number = moneyOf(text);
  // One number with at most a sign of money or a unit round it.
  if (number === null || !/^[^\d]{0,6}[\d.,\s]+[^\d]{0,8}$/.test(text)) return text;
  return field === 'price_minor' ? Math.round(100 * number) : number;
}

/** Parts as CSV: one row each, the columns of all their fields together. */
export const partsToCsv = (parts: readonly Part[]): string => {
  const columns = [...new Set(['kind', ...parts.flatMap(fieldsOf)])];
  const rows = parts.map((p) => Object.fromEntries(columns.map((c) => { const [key, inner] = c.split('.') as [string, string | undefined], v = (p as unknown as Record<string, unknown>)[key], value = inner === undefined ? v : (v as Record<string, unknown> | undefined)?.[inner]; return [c, c === 'price_minor' && typeof value === 'number' ? value / 100 : value ?? '']; })));
  return `${Papa.unparse({ fields: columns, data: rows.map((r) => columns.map((c) => r[c])) }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
};
