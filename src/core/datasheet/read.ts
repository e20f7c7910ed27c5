import { msg, worded } from '../messages';
import { contextOf, linesOf, unitOfLabel, wordsOf, type Sheet } from './context';
import { curvesIn } from './curves';
import { FIELDS, SHEET_KINDS, type SheetField, type SheetKind } from './fields';
import { phrasesIn } from './phrases';
import { quantitiesIn, type Quantity } from './quantity';
import { sizesIn } from './sizes';
import type { Ask, Found, SheetRead } from './types';

/** Longest text that is read, characters. */
export const MOST_TEXT = 20_000;
/** Two figures this near are one, rounded. */
const SAME = 0.02;

const KIND_WORDS: Readonly<Record<SheetKind, RegExp>> = {
  radiator: /\bradiators?\b|\bfpi\b|\bfins\b/gi,
  pump: /\bpumps?\b|\bhead\b|\bimpeller\b/gi,
  block:
    /\b(?:water|cooling)?\s?blocks?\b|\bcold ?plate\b|\bmonoblock\b|\bcovers?\b|\bpressure drop\b/gi,
  card: /\bgraphics cards?\b|\bboard power\b|\bslots?\b|\bdisplay\b/gi,
  fan: /\bfans?\b|\bcfm\b|\bblades?\b|\bstatic pressure\b/gi,
  reservoir: /\breservoirs?\b|\btanks?\b(?!s?:)|\bexpansion\b/gi,
  processor: /\bprocessors?\b|\bcores\b|\bthreads\b|\btdp\b|\bboost clock\b/gi,
  supply: /\bpower suppl(?:y|ies)\b|\bpsu\b|\bmodular\b|\brails?\b/gi,
  tube: /\btubes?\b|\btubing\b|\bhose\b|\bbend radius\b/gi,
  fitting: /\bfittings?\b|\bcompression\b|\bbarbs?\b/gi,
};

/** What a sheet is most likely of: the kind whose words it uses most; null where it uses none. */
export function guessKind(text: string): SheetKind | null {
  const counts = SHEET_KINDS.map((kind) => ({
    kind,
    count: (text.slice(0, MOST_TEXT).match(KIND_WORDS[kind]) ?? []).length,
  })).sort((a, b) => b.count - a.count);
  const [first] = counts;
  return first && first.count > 0 ? first.kind : null;
}

/**
 * What a datasheet pasted as text tells of a part, each figure with the words it came from. Nothing
 * is guessed: a range, a contradiction, a figure without a unit or one that is missing is asked.
 */
export function readSheet(text: string, kind: SheetKind): SheetRead {
  const bounded = text.slice(0, MOST_TEXT);
  const sheet: Sheet = {
    text: bounded,
    lines: linesOf(bounded),
    quantities: quantitiesIn(bounded),
    taken: new Set(),
  };
  const sizes = sizesIn(sheet, kind);
  const curves = curvesIn(sheet, kind);
  const phrases = phrasesIn(sheet, kind);
  const figures = figuresIn(sheet, kind);
  const found = [...phrases.found, ...sizes.found, ...curves, ...figures.found];
  const asks = [...phrases.asks, ...sizes.asks, ...figures.asks];
  const single = settled(found, asks);
  const used = new Set(
    [...found, ...asks.flatMap((a) => a.words.map((words) => ({ words })))].map(
      (f) => f.words.line,
    ),
  );
  return {
    kind,
    found: single.found,
    asks: [...single.asks, ...missing(kind, single.found, single.asks)],
    unread: [
      ...new Set(
        sheet.quantities.filter((q) => !sheet.taken.has(q) && !used.has(q.line)).map((q) => q.line),
      ),
    ],
  };
}

interface Match {
  readonly field: SheetField;
  readonly q: Quantity;
  readonly score: number;
  readonly factor: number | null;
}

/** Single figures: each goes to the field whose words are nearest to it. */
function figuresIn(
  sheet: Sheet,
  kind: SheetKind,
): { readonly found: readonly Found[]; readonly asks: readonly Ask[] } {
  const matches = sheet.quantities.flatMap((q): Match[] => {
    if (sheet.taken.has(q)) return [];
    const all = FIELDS[kind].flatMap((field) => matchOf(sheet, field, q) ?? []);
    const best = Math.max(...all.map((m) => m.score));
    return all.filter((m) => m.score === best).slice(0, 1);
  });
  const found: Found[] = [],
    asks: Ask[] = [];
  for (const field of FIELDS[kind]) {
    const own = matches.filter((m) => m.field === field);
    const best = Math.max(...own.map((m) => m.score));
    for (const match of own.filter((m) => m.score === best)) tell(sheet, kind, match, found, asks);
  }
  return { found, asks };
}

function matchOf(sheet: Sheet, field: SheetField, q: Quantity): Match | null {
  const { before, after } = contextOf(sheet, q);
  const isNamed = field.words.test(before);
  const isSaid = !isNamed && field.words.test(after);
  const score = (isNamed ? 3 : 0) + (isSaid ? 2 : 0);
  if (field.not?.test(`${before} ${after}`)) return null;
  const bare = 'none' in q.as;
  const as = bare ? unitOfLabel(before) : q.as;
  const factor = as?.[field.dimension] ?? null;
  if (factor === null)
    // A bare number behind a field's own words: asked for its unit.
    return bare && as === null && isNamed ? { field, q, score: 1, factor: null } : null;
  if (score === 0 && !field.alone) return null;
  return { field, q, score: Math.max(score, 1.5), factor };
}

function tell(
  sheet: Sheet,
  kind: SheetKind,
  { field, q, factor }: Match,
  found: Found[],
  asks: Ask[],
): void {
  const words = wordsOf(sheet, q);
  sheet.taken.add(q);
  const written = sheet.text.slice(q.from, q.to).trim();
  const ask = (why: Ask['why'], text: string, options: Ask['options']): void => {
    const { id, name, unit } = field;
    asks.push({ field: id, name, unit, why, text, options, words: [words] });
  };
  if (factor === null) {
    const unit = field.unit || msg`as printed`;
    ask('no unit', msg`${field.name}: ${written} has no unit.`, [
      { label: `${q.low} ${unit}`, value: q.low },
    ]);
    return;
  }
  const low = q.low * factor,
    high = q.high * factor;
  if (q.low !== q.high) {
    if (field.range) {
      const [lowId, highId] = field.range;
      for (const [id, value] of [
        [lowId, low],
        [highId, high],
      ] as const) {
        const of = FIELDS[kind].find((f) => f.id === id) as SheetField;
        found.push({ field: id, name: of.name, value, unit: of.unit, words });
      }
      return;
    }
    ask('range', msg`${field.name}: ${written} is a range.`, [
      { label: `${round(low)} ${field.unit}`, value: low },
      { label: `${round(high)} ${field.unit}`, value: high },
    ]);
    return;
  }
  if (low < field.least || low > field.most) {
    ask(
      'out of range',
      msg`${field.name}: ${written} would be ${round(low)} ${field.unit}; such parts have
        ${field.least} to ${field.most}.`,
      [],
    );
    return;
  }
  found.push({ field: field.id, name: field.name, value: low, unit: field.unit, words });
}

const round = (v: number): number => Number(v.toPrecision(4));

/** One figure a field: where two differ, the builder is asked which holds. */
function settled(
  found: readonly Found[],
  asks: readonly Ask[],
): { readonly found: readonly Found[]; readonly asks: readonly Ask[] } {
  const single: Found[] = [],
    more: Ask[] = [...asks];
  const asked = new Set(asks.map((a) => a.field));
  for (const field of [...new Set(found.map((f) => f.field))]) {
    const own = found.filter((f) => f.field === field);
    const [first] = own as [Found];
    const unlike = own.filter((f) => !same(f.value, first.value));
    if (asked.has(field)) continue;
    if (unlike.length === 0 || field === 'ports') {
      single.push(first);
      continue;
    }
    more.push({
      field,
      name: first.name,
      unit: first.unit,
      why: 'contradiction',
      text: msg`${first.name}: the sheet says two things.`,
      options: [first, ...unlike].map((f) => ({
        label: `${valueText(f.value)} ${f.unit}`.trim(),
        value: f.value,
      })),
      words: [first, ...unlike].map((f) => f.words),
    });
  }
  return { found: single, asks: more };
}

/** A value as it is shown. */
export function valueText(value: Found['value']): string {
  if (typeof value === 'number') return String(round(value));
  if (typeof value === 'string') return value;
  const isCurve = value.some((v) => typeof v !== 'number');
  return isCurve
    ? value.map((p) => (p as readonly number[]).map(round).join(': ')).join(', ')
    : value.map((v) => round(v as number)).join(' × ');
}

const same = (a: Found['value'], b: Found['value']): boolean =>
  typeof a === 'number' && typeof b === 'number'
    ? Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b))
    : JSON.stringify(a) === JSON.stringify(b);

/** Fields that others stand for, all of them together. */
const INSTEAD: Readonly<Record<string, readonly string[]>> = {
  thick: ['size'],
  head: ['points'],
  flow: ['points'],
  size: ['length', 'width', 'thick'],
};

/** What no part can be made without and the sheet does not tell. */
function missing(kind: SheetKind, found: readonly Found[], asks: readonly Ask[]): readonly Ask[] {
  const known = new Set([...found.map((f) => f.field), ...asks.map((a) => a.field)]);
  const needed = [...FIELDS[kind].filter((f) => f.needed), ...(MORE_NEEDED[kind] ?? [])];
  return needed
    .filter((f) => !known.has(f.id) && !(INSTEAD[f.id] ?? [f.id]).every((i) => known.has(i)))
    .map((f): Ask => ({
      field: f.id,
      name: f.name,
      unit: f.unit,
      why: 'missing',
      text: msg`${f.name}: the sheet does not say.`,
      options: [],
      words: [],
    }));
}

const MORE_NEEDED: Readonly<
  Partial<Record<SheetKind, readonly Pick<SheetField, 'id' | 'name' | 'unit'>[]>>
> = worded(() => ({
  radiator: [{ id: 'sections', name: msg`Sections, as fans × mm`, unit: 'fans × mm' }],
  block: [
    { id: 'cools', name: msg`What it cools`, unit: '' },
    { id: 'size', name: msg`Size`, unit: 'mm' },
    { id: 'metal', name: msg`Metal that the coolant touches`, unit: '' },
  ],
  card: [{ id: 'size', name: msg`Size`, unit: 'mm' }],
  fan: [{ id: 'size', name: msg`Size`, unit: 'mm' }],
  pump: [{ id: 'size', name: msg`Size`, unit: 'mm' }],
  reservoir: [{ id: 'size', name: msg`Size`, unit: 'mm' }],
  supply: [{ id: 'size', name: msg`Size`, unit: 'mm' }],
  tube: [{ id: 'material', name: msg`What it is made of`, unit: '' }],
  fitting: [{ id: 'holds', name: msg`How it grips its tube`, unit: '' }],
}));
