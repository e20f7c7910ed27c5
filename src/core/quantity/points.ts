import { parseQuantity } from './parse';
import { QUANTITIES, type QuantityName } from './units';

export interface PointTrouble { readonly line: number; readonly message: string }
export interface ParsedPoints { readonly points: readonly (readonly [x: number, y: number])[]; readonly troubles: readonly PointTrouble[]; readonly units: { readonly x: string; readonly y: string } }

/** Longest list read, lines. */
const MOST_LINES = 500;

/**
 * Reads a table of two columns as people paste it: one point a line; columns parted by tab, semicolon, blanks or a comma; decimal point
 * or comma; each number with a unit of its own, or a heading that names them ("Flow (L/h)  Drop (mbar)"), or the units given. Values come
 * back in the quantities' inner units, sorted by x. Lines that cannot be read are told by number; the others stand.
 */
export function parsePoints(text: string, x: QuantityName, y: QuantityName, given: { readonly x?: string; readonly y?: string } = {}): ParsedPoints {
  let units = { x: given.x ?? QUANTITIES[x].inner as string, y: given.y ?? QUANTITIES[y].inner as string };
  const points: (readonly [number, number])[] = [], troubles: PointTrouble[] = [];
  const lines = text.split(/\r?\n/);
  if (lines.length > MOST_LINES) return { points: [], troubles: [{ line: MOST_LINES + 1, message: `at most ${MOST_LINES} lines are read, this has ${lines.length}` }], units };
  lines.forEach((raw, i) => {
    const line = raw.trim();
    if (line === '' || line.startsWith('#')) return;
    const say = (message: string): void => { troubles.push({ line: i + 1, message }); };
    if (!/^[^A-Za-z]*\d/.test(line)) {
      if (points.length > 0) { say(`"${line.slice(0, 40)}" holds no numbers`); return; }
      const words = line.split(/[\s()[\],;|]+/).filter((w) => w !== '');
      const isUnit = (of: QuantityName) => (word: string): boolean => parseQuantity(`1 ${word}`, of).ok;
      units = { x: words.find(isUnit(x)) ?? units.x, y: words.reverse().find(isUnit(y)) ?? units.y };
      return;
    }
    const cells = cellsOf(line);
    if (cells.length !== 2) { say(`two numbers are wanted, ${cells.length} ${cells.length === 1 ? 'is' : 'are'} there`); return; }
    const read = [parse(cells[0] as string, x, units.x), parse(cells[1] as string, y, units.y)] as const;
    const bad = read.find((r) => !r.ok);
    if (bad && !bad.ok) { say(bad.message); return; }
    const [px, py] = read.map((r) => (r.ok ? r.value : NaN)) as [number, number];
    if (px < 0 || py < 0) { say('no value may be below 0'); return; }
    if (points.some(([known]) => known === px)) { say(`a point at ${px} ${QUANTITIES[x].inner} is there already`); return; }
    points.push([px, py]);
  });
  return { points: points.sort((a, b) => a[0] - b[0]), troubles, units };
}

/** Two cells of a line. A number may carry its unit behind a blank. */
function cellsOf(line: string): readonly string[] {
  if (/[\t;|]/.test(line)) return line.split(/\s*[\t;|]+\s*/).filter((c) => c !== '');
  const numbers = line.match(/[+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?\s*[^\d\s,;]*(?:\/[^\d\s,;]+)?/gi) ?? [];
  if (/\s/.test(line) && numbers.length === 2 && !/,\s/.test(line)) return numbers.map((n) => n.trim());
  const byComma = line.split(/\s*,\s*/);
  if (byComma.length === 2) return byComma;
  return /\s/.test(line) ? numbers.map((n) => n.trim()) : byComma;
}

function parse(cell: string, quantity: QuantityName, unit: string): ReturnType<typeof parseQuantity> {
  return parseQuantity(/^[+-]?[\d.,]+(?:e[+-]?\d+)?$/i.test(cell.trim()) ? `${cell.trim()} ${unit}` : cell, quantity);
}
