import { FAN_SIZES } from '../components';
import { msg } from '../messages';
import type { Sheet } from './context';
import type { SheetKind } from './fields';
import { numberOf, unitAt } from './quantity';
import type { Ask, Found, Words } from './types';

const CROSS = '\\s*[x×✕*]\\s*';
const SIDE = '(\\d+(?:[.,]\\d+)?)\\s*(mm|cm|in(?:ch)?|")?';
const SIZES = new RegExp(`${SIDE}${CROSS}${SIDE}(?:${CROSS}${SIDE})?`, 'gi');
/** A hole pattern names its screw behind it. */
const SCREW = /^\s*(?:mm)?\s*,?\s*(M\d(?:\.\d)?)\b/;
const MOST_SECTIONS = 6;

interface SizesRead {
  readonly found: readonly Found[];
  readonly asks: readonly Ask[];
}

/** "3 × 120 mm", "397 × 120 × 30 mm", "75 × 75 M4": what figures with a cross between them tell. */
export function sizesIn(sheet: Sheet, kind: SheetKind): SizesRead {
  const found: Found[] = [],
    asks: Ask[] = [];
  for (const match of sheet.text.matchAll(SIZES)) {
    const from = match.index,
      to = from + match[0].trimEnd().length;
    const words: Words = { line: lineAt(sheet, from), from, to };
    const sides = [match[1], match[3], match[5]].flatMap((s) =>
      s === undefined ? [] : [numberOf(s, false)],
    );
    const unit = [match[6], match[4], match[2]].find((u) => u !== undefined);
    const screw = SCREW.exec(sheet.text.slice(to))?.[1];
    const read = (field: string, name: string, value: Found['value'], own = ''): void => {
      take(sheet, from, to);
      found.push({ field, name, value, unit: own, words });
    };
    const [a = 0, b = 0] = sides;
    if (sides.length === 2 && screw !== undefined) {
      read('pattern', msg`Mounting pattern`, `${a} × ${b} ${screw}`);
      continue;
    }
    if (sides.length === 2) {
      if (kind === 'radiator' && a <= MOST_SECTIONS && FAN_SIZES.includes(b))
        read('sections', msg`Sections`, [a, b], msg`fans × mm`);
      continue;
    }
    const factor = unit === undefined ? undefined : unitAt(unit)?.as.length;
    const ordered = inOrder(
      kind,
      sides.map((s) => s * (factor ?? 1)),
    );
    take(sheet, from, to);
    if (factor !== undefined)
      found.push({ field: 'size', name: msg`Size`, value: ordered, unit: 'mm', words });
    else
      asks.push({
        field: 'size',
        name: msg`Size`,
        unit: 'mm',
        why: 'no unit',
        text: msg`${match[0].trim()}: of which unit?`,
        options: [
          { label: 'mm', value: ordered },
          { label: msg`inches`, value: ordered.map((v) => v * 25.4) },
        ],
        words: [words],
      });
  }
  return { found, asks };
}

/** Longest first, for all but pumps, whose third is their height. */
const inOrder = (kind: SheetKind, sides: readonly number[]): readonly number[] =>
  kind === 'pump' ? sides : [...sides].sort((a, b) => b - a);

const lineAt = (sheet: Sheet, offset: number): number =>
  sheet.lines.reduce((at, l) => (l.from <= offset ? l.number : at), 1);

function take(sheet: Sheet, from: number, to: number): void {
  for (const q of sheet.quantities) if (q.from >= from && q.from < to) sheet.taken.add(q);
}
