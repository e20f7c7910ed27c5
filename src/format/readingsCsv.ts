import { EVERY_LOAD_CASE, isLoadCase } from '@/core/components';
import type { Reading } from '@/core/design';
import Papa from 'papaparse';
import { msg } from '@/core/messages';
import { armed, toCsv } from './csv';

/** One thing of a file that cannot be read: row from 1 (the head is 1), column by its name. */
export interface CsvTrouble {
  readonly row: number;
  readonly column: string;
  readonly message: string;
}
export type ReadingsRead =
  | { readonly ok: true; readonly readings: readonly Reading[] }
  | { readonly ok: false; readonly troubles: readonly CsvTrouble[] };

const PLAIN = ['room_C', 'fans_rpm', 'pumps_rpm', 'noise_dBA'] as const;
const GROUPS = ['coolant_C', 'flow_Lmin', 'spots_C'] as const;
/** What a document keeps of each figure, least and most. */
const RANGES: Readonly<Record<string, readonly [number, number]>> = {
  room_C: [-50, 150],
  coolant_C: [-50, 150],
  spots_C: [-50, 150],
  flow_Lmin: [-100, 100],
  fans_rpm: [0, 20_000],
  pumps_rpm: [0, 20_000],
  noise_dBA: [0, 120],
};
const rangeOf = (column: string): readonly [number, number] =>
  RANGES[column.split('/')[0] ?? ''] ?? [-Infinity, Infinity];
/** Troubles told at once. */
const MOST_TROUBLES = 20;

/** Readings as a table: `coolant_C/LOOP`, `flow_Lmin/LOOP`, `spots_C/COMPONENT/SPOT` by column. */
export function readingsToCsv(readings: readonly Reading[]): string {
  const columns = new Set<string>(['on', 'load', 'room_C']);
  const rows = readings.map((reading) => {
    const row: Record<string, string | number> = { on: reading.on, load: reading.load };
    for (const key of PLAIN) if (reading[key] !== undefined) row[key] = reading[key];
    for (const group of GROUPS)
      for (const [of, value] of Object.entries(reading[group] ?? {})) row[`${group}/${of}`] = value;
    if (reading.note !== undefined) row.note = reading.note;
    for (const key of Object.keys(row)) columns.add(key);
    return row;
  });
  const fields = [...columns];
  return toCsv({ fields, data: rows.map((row) => fields.map((f) => row[f] ?? '')) });
}

/**
 * The same back, from a file or what was pasted: comma, semicolon or tab. Columns it does not know
 * are a trouble, and so is a cell that is no number; then nothing is taken.
 */
export function readingsFromCsv(text: string): ReadingsRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    delimitersToGuess: [',', ';', '\t'],
  });
  const fields = meta.fields ?? [];
  const troubles: CsvTrouble[] = [];
  const trouble = (row: number, column: string, message: string): void => {
    if (troubles.length < MOST_TROUBLES) troubles.push({ row, column, message });
  };
  for (const wanted of ['on', 'load', 'room_C'])
    if (!fields.includes(wanted)) trouble(1, wanted, msg`This column is missing.`);
  for (const field of fields)
    if (!isKnown(field)) trouble(1, field, msg`No such figure is kept of a reading.`);
  if (data.length === 0) trouble(2, 'on', msg`There is no reading in it.`);
  if (troubles.length > 0) return { ok: false, troubles };
  const readings = data.map((cells, i) => readingOf(cells, i + 2, trouble));
  readings.forEach(({ on }, i) => {
    if (on !== '' && readings.findIndex((r) => r.on === on) < i)
      trouble(i + 2, 'on', msg`There is another reading of this moment.`);
  });
  return troubles.length > 0 ? { ok: false, troubles } : { ok: true, readings };
}

const isKnown = (field: string): boolean =>
  ['on', 'load', 'note', ...PLAIN].includes(field) ||
  GROUPS.some((g) => field.startsWith(`${g}/`) && field.length > g.length + 1);

function readingOf(
  cells: Readonly<Record<string, string>>,
  row: number,
  trouble: (row: number, column: string, message: string) => void,
): Reading {
  const number = (column: string): number | undefined => {
    const cell = (cells[column] ?? '').trim();
    if (cell === '') return undefined;
    const value = Number(cell.replace(',', '.'));
    if (!Number.isFinite(value)) {
      trouble(row, column, msg`"${cell}" is no number.`);
      return undefined;
    }
    const [least, most] = rangeOf(column);
    if (value < least || value > most)
      trouble(row, column, msg`${cell} is not between ${least} and ${most}.`);
    return value;
  };
  const at = Date.parse(cells.on ?? '');
  if (!Number.isFinite(at)) trouble(row, 'on', msg`"${cells.on ?? ''}" is no date and time.`);
  const load = (cells.load ?? '').trim();
  if (!isLoadCase(load))
    trouble(row, 'load', msg`"${load}" is none of ${EVERY_LOAD_CASE.join(', ')}.`);
  const room_C = number('room_C');
  if (room_C === undefined)
    trouble(row, 'room_C', msg`The room temperature is missing: all figures are given above it.`);
  const group = (name: (typeof GROUPS)[number]): Readonly<Record<string, number>> =>
    Object.fromEntries(
      Object.keys(cells).flatMap((column) => {
        const value = column.startsWith(`${name}/`) ? number(column) : undefined;
        return value === undefined ? [] : [[column.slice(name.length + 1), value] as const];
      }),
    );
  const rest = Object.fromEntries(
    PLAIN.flatMap((key) => {
      const value = key === 'room_C' ? undefined : number(key);
      return value === undefined ? [] : [[key, value] as const];
    }),
  );
  const note = armed((cells.note ?? '').trim());
  return {
    on: Number.isFinite(at) ? new Date(at).toISOString() : '',
    load: isLoadCase(load) ? load : 'idle',
    room_C: room_C ?? NaN,
    ...rest,
    ...Object.fromEntries(
      GROUPS.flatMap((name) => {
        const values = group(name);
        return Object.keys(values).length > 0 ? [[name, values] as const] : [];
      }),
    ),
    ...(note === '' ? {} : { note }),
  };
}
