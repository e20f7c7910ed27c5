import Papa from 'papaparse';
import type { AirReading } from '@/core/design';
import { msg } from '@/core/messages';
import type { CsvTrouble } from './readingsCsv';

export type GaugeRead =
  | { readonly ok: true; readonly readings: readonly AirReading[] }
  | { readonly ok: false; readonly troubles: readonly CsvTrouble[] };

const MOST_TROUBLES = 20;
const LIMITS = { gauge_mbar: [-1000, 5000], temp_C: [-20, 60] } as const;

/**
 * Looks at a gauge from a file or what was pasted: `on`, `gauge_mbar`, `temp_C`, oldest first.
 * Nothing is taken while a cell cannot be read.
 */
export function gaugeFromCsv(text: string): GaugeRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    delimitersToGuess: [',', ';', '\t'],
  });
  const troubles: CsvTrouble[] = [];
  const trouble = (row: number, column: string, message: string): void => {
    if (troubles.length < MOST_TROUBLES) troubles.push({ row, column, message });
  };
  for (const column of ['on', 'gauge_mbar', 'temp_C'])
    if (!meta.fields?.includes(column)) trouble(1, column, msg`This column is missing.`);
  if (data.length === 0) trouble(2, 'on', msg`There is no reading in it.`);
  if (troubles.length > 0) return { ok: false, troubles };
  const number = (row: number, column: keyof typeof LIMITS, cell: string): number => {
    const value = cell === '' ? NaN : Number(cell.replace(',', '.'));
    const [least, most] = LIMITS[column];
    if (!Number.isFinite(value)) trouble(row, column, msg`"${cell}" is no number.`);
    else if (value < least || value > most)
      trouble(row, column, msg`${value} is not between ${least} and ${most}.`);
    return value;
  };
  const readings = data.map((cells, i): AirReading => {
    const row = i + 2,
      at = Date.parse(cells.on ?? '');
    if (!Number.isFinite(at)) trouble(row, 'on', msg`"${cells.on ?? ''}" is no date and time.`);
    return {
      on: Number.isFinite(at) ? new Date(at).toISOString() : '',
      gauge_mbar: number(row, 'gauge_mbar', (cells.gauge_mbar ?? '').trim()),
      temp_C: number(row, 'temp_C', (cells.temp_C ?? '').trim()),
    };
  });
  if (troubles.length > 0) return { ok: false, troubles };
  return { ok: true, readings: readings.sort((a, b) => Date.parse(a.on) - Date.parse(b.on)) };
}
