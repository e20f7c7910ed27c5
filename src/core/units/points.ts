import { counted, msg } from '../messages';
import { parseQuantity } from './parse';
import { QUANTITIES, type QuantityName } from './units';

export interface PointTrouble {
  readonly line: number;
  readonly message: string;
}
export interface ParsedPoints {
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly troubles: readonly PointTrouble[];
  readonly units: { readonly x: string; readonly y: string };
}
export interface ParsedColumns {
  readonly rows: readonly (readonly number[])[];
  readonly troubles: readonly PointTrouble[];
  readonly units: readonly string[];
}

/** Longest list read, lines. */
const MOST_LINES = 500;
const COUNTS = ['no', 'one', 'two', 'three', 'four'];

/**
 * Reads a table as people paste it: one row a line; columns parted by tab, semicolon, blanks or a
 * comma; decimal point or comma; each number with a unit of its own, or a heading that names them
 * ("Flow (L/h)  Drop (mbar)"), or the units given. Values come back in the quantities' inner units,
 * in the order of the lines. `key`: how many leading columns tell rows apart. Lines that cannot be
 * read are told by number; the others stand.
 */
export function parseColumns(
  text: string,
  columns: readonly QuantityName[],
  given: readonly (string | undefined)[] = [],
  key = 1,
): ParsedColumns {
  let units = columns.map((c, k): string => given[k] ?? QUANTITIES[c].inner);
  const rows: number[][] = [],
    troubles: PointTrouble[] = [];
  const lines = text.split(/\r?\n/);
  if (lines.length > MOST_LINES)
    return {
      rows: [],
      troubles: [
        {
          line: MOST_LINES + 1,
          message: msg`at most ${MOST_LINES} lines are read, this has ${lines.length}`,
        },
      ],
      units,
    };
  lines.forEach((raw, i) => {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) return;
    const say = (message: string): void => {
      troubles.push({ line: i + 1, message });
    };
    if (!/^[^A-Za-z]*\d/.test(line)) {
      if (rows.length > 0) {
        say(msg`"${line.slice(0, 40)}" holds no numbers`);
        return;
      }
      units = headed(line, columns, units);
      return;
    }
    const cells = cellsOf(line, columns.length);
    if (cells.length !== columns.length) {
      say(
        msg`${COUNTS[columns.length] ?? columns.length} numbers are wanted,
          ${counted(cells.length, '# is', '# are')} there`,
      );
      return;
    }
    const read = cells.map((c, k) => parse(c, columns[k] as QuantityName, units[k] as string));
    const bad = read.find((r) => !r.ok);
    if (bad && !bad.ok) {
      say(bad.message);
      return;
    }
    const values = read.map((r) => (r.ok ? r.value : NaN));
    if (values.some((v) => v < 0)) {
      say(msg`no value may be below 0`);
      return;
    }
    if (rows.some((r) => r.slice(0, key).every((v, k) => v === values[k]))) {
      say(
        msg`a point at ${values
          .slice(0, key)
          .map((v, k) => `${v} ${QUANTITIES[columns[k] as QuantityName].inner}`)
          .join(', ')} is there already`,
      );
      return;
    }
    rows.push(values);
  });
  return { rows, troubles, units };
}

/** The same for two columns, sorted by the first. */
export function parsePoints(
  text: string,
  x: QuantityName,
  y: QuantityName,
  given: { readonly x?: string; readonly y?: string } = {},
): ParsedPoints {
  const { rows, troubles, units } = parseColumns(text, [x, y], [given.x, given.y]);
  return {
    points: rows.map((r) => r as [number, number]).sort((a, b) => a[0] - b[0]),
    troubles,
    units: { x: units[0] as string, y: units[1] as string },
  };
}

/**
 * Units that a heading names: for each column the first fitting word behind the one taken before;
 * the last column from the end.
 */
function headed(
  line: string,
  columns: readonly QuantityName[],
  units: readonly string[],
): string[] {
  const words = line.split(/[\s()[\],;|]+/).filter((w) => w !== '');
  let from = 0;
  return columns.map((c, k) => {
    const fits = (w: string): boolean => parseQuantity(`1 ${w}`, c).ok;
    const at =
      k === columns.length - 1 && k > 0
        ? words.findLastIndex(fits)
        : words.findIndex((w, i) => i >= from && fits(w));
    if (at < 0) return units[k] as string;
    from = at + 1;
    return words[at] as string;
  });
}

/** The cells of a line. A number may carry its unit behind a blank. */
function cellsOf(line: string, wanted: number): readonly string[] {
  if (/[\t;|]/.test(line)) return line.split(/\s*[\t;|]+\s*/).filter((c) => c !== '');
  const numbers =
    line.match(/[+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?\s*[^\d\s,;]*(?:\/[^\d\s,;]+)?/gi) ?? [];
  if (/\s/.test(line) && numbers.length === wanted && !/,\s/.test(line))
    return numbers.map((n) => n.trim());
  const byComma = line.split(/\s*,\s*/);
  if (byComma.length === wanted) return byComma;
  return /\s/.test(line) ? numbers.map((n) => n.trim()) : byComma;
}

function parse(
  cell: string,
  quantity: QuantityName,
  unit: string,
): ReturnType<typeof parseQuantity> {
  return parseQuantity(
    /^[+-]?[\d.,]+(?:e[+-]?\d+)?$/i.test(cell.trim()) ? `${cell.trim()} ${unit}` : cell,
    quantity,
  );
}
