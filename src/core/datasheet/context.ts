import { unitAt, type Quantity } from './quantity';
import type { Words } from './types';

/** A sheet cut into lines and figures. */
export interface Sheet {
  readonly text: string;
  readonly lines: readonly Line[];
  readonly quantities: readonly Quantity[];
  /** Figures that curves and sizes have taken. */
  readonly taken: Set<Quantity>;
}

export interface Line {
  readonly number: number;
  readonly from: number;
  readonly text: string;
}

export function linesOf(text: string): readonly Line[] {
  let from = 0;
  return text.split('\n').map((line, i) => {
    const own = { number: i + 1, from, text: line.replace(/\r$/, '') };
    from += line.length + 1;
    return own;
  });
}

/** Columns of a line of a table: parted by tabs, bars, semicolons or three blanks. */
const CELLS = /\t|\s*\|\s*|\s*;\s*|\s{3,}/;
export const cellsOf = (line: string): readonly string[] =>
  line
    .trim()
    .replace(/^\||\|$/g, '')
    .trim()
    .split(CELLS)
    .map((c) => c.trim());

const hasLetters = (text: string): boolean => /[a-z]{2}/i.test(text);

/** What stands before and behind a figure, as far as it belongs to it. */
export interface Context {
  readonly before: string;
  readonly after: string;
}

export function contextOf(sheet: Sheet, q: Quantity): Context {
  const line = sheet.lines[q.line - 1] as Line;
  const near = sheet.quantities.filter((o) => o.line === q.line && o !== q);
  const last = Math.max(line.from, ...near.filter((o) => o.to <= q.from).map((o) => o.to));
  const next = Math.min(
    line.from + line.text.length,
    ...near.filter((o) => o.from >= q.to).map((o) => o.from),
  );
  const own = sheet.text.slice(last, q.from);
  const after = (sheet.text.slice(q.to, next).split(/[,;|\t]|\.\s|\bat\b/)[0] ?? '').trim();
  if (hasLetters(own)) return { before: own, after };
  return { before: headingOf(sheet, q, line) ?? own, after };
}

/** The column a figure stands under, or the line over it that has no figures itself. */
function headingOf(sheet: Sheet, q: Quantity, line: Line): string | null {
  const cells = cellsOf(line.text);
  const before = sheet.text.slice(line.from, q.from).replace(/^\s*\|?\s*/, '');
  const column = (before.match(new RegExp(CELLS, 'g')) ?? []).length;
  const isBare = (l: Line): boolean => !sheet.quantities.some((o) => o.line === l.number);
  for (let i = q.line - 2; i >= 0; i -= 1) {
    const above = sheet.lines[i] as Line;
    if (above.text.trim() === '' || /^[\s|:\-+=]+$/.test(above.text)) continue;
    const heads = cellsOf(above.text);
    if (cells.length > 1 && heads.length === cells.length && hasLetters(above.text))
      return heads[column] ?? null;
    return isBare(above) && cells.length === 1 ? above.text : null;
  }
  return null;
}

/** A unit that a label names: "Length (mm)", "Flow, L/min", "Head [m]". */
export function unitOfLabel(label: string): Quantity['as'] | null {
  const [, named] = /[[(,/]\s*([^\])(]{1,12})\s*[\])]?\s*[:=|\t.\s]*$/.exec(label) ?? [];
  return named ? (unitAt(named.trim())?.as ?? null) : null;
}

export const wordsOf = (sheet: Sheet, q: Quantity): Words => {
  const line = sheet.lines[q.line - 1] as Line;
  const near = sheet.quantities.filter((o) => o.line === q.line && o.to <= q.from);
  const from = Math.max(line.from, ...near.map((o) => o.to));
  const lead = /^[\s,;|]*/.exec(sheet.text.slice(from, q.from))?.[0].length ?? 0;
  return { line: q.line, from: from + lead, to: q.to };
};
