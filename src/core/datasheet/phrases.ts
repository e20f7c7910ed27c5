import type { BlockTarget } from '../components';
import { listAnd, msg, worded } from '../messages';
import type { Sheet } from './context';
import type { SheetKind } from './fields';
import type { Ask, Found, SheetValue, Words } from './types';

/** What a sheet says in words: metals, threads, what a block is for. */
export function phrasesIn(
  sheet: Sheet,
  kind: SheetKind,
): { readonly found: readonly Found[]; readonly asks: readonly Ask[] } {
  const found: Found[] = [],
    asks: Ask[] = [];
  const say = (field: string, name: string, value: SheetValue, match: RegExpExecArray): void => {
    found.push({ field, name, value, unit: '', words: wordsAt(sheet, match) });
  };
  const [title] = sheet.lines.filter((l) => /[a-z]{2}/i.test(l.text));
  if (title)
    found.push({
      field: 'name',
      name: msg`Name`,
      value: title.text
        .trim()
        .replace(/^#+\s*|\s*[|:]\s*$/g, '')
        .slice(0, 60),
      unit: '',
      words: { line: title.number, from: title.from, to: title.from + title.text.length },
    });
  const maker = /\b(?:maker|brand|manufacturer|made by)\b\s*[:|\t.\s]\s*([^\n|;]{2,60})/i.exec(
    sheet.text,
  );
  if (maker) say('maker', msg`Maker`, (maker[1] as string).trim(), maker);
  for (const thread of sheet.text.matchAll(/\b(\d)?\s*[x×]?\s*G\s?(\d\/\d)/g)) {
    if (thread[2] === '1/4') {
      if (thread[1] && kind === 'radiator') say('ports', msg`Ports`, Number(thread[1]), thread);
      continue;
    }
    asks.push({
      field: 'thread',
      name: msg`Port thread`,
      unit: '',
      why: 'unclear',
      text: msg`Ports of G ${thread[2] ?? ''} are not known here: only G 1/4 is. An adapter
        stands between.`,
      options: [{ label: msg`with adapters to G 1/4`, value: 'G1/4' }],
      words: [wordsAt(sheet, thread)],
    });
  }
  if (kind === 'radiator') radiatorPhrases(sheet, say, asks);
  if (kind === 'tube' || kind === 'fitting') tubePhrases(sheet, kind, say);
  if (kind === 'block') blockPhrases(sheet, say, asks);
  if (kind === 'card') {
    const layout = LAYOUT.exec(sheet.text);
    if (layout) say('layout', msg`Card layout`, layout[1] as string, layout);
  }
  return { found, asks };
}

type Say = (field: string, name: string, value: SheetValue, match: RegExpExecArray) => void;
const LAYOUT = /\blayout\b\s*[:|\t.\s]\s*([A-Za-z][\w-]{1,30})/i;

function radiatorPhrases(sheet: Sheet, say: Say, asks: Ask[]): void {
  const screw = /\b(M[34]|UNC\s?6-32)\b/.exec(sheet.text);
  if (screw) say('screw', msg`Fan screws`, (screw[1] as string).replace(/UNC\s?/, 'UNC '), screw);
  const fins =
    /\bfins?\b[^\n.;|]{0,24}?\b(copper|brass|alumin\w+)|(copper|brass|alumin\w+)\s+fins?\b/i.exec(
      sheet.text,
    );
  if (fins) {
    say('metal', msg`Metal of the fins`, metalOf(fins[1] ?? fins[2] ?? ''), fins);
    return;
  }
  const named = [...sheet.text.matchAll(/\b(copper|alumin\w+)\b/gi)];
  const metals = [...new Set(named.map((m) => metalOf(m[1] as string)))];
  const [first] = named;
  if (!first) return;
  if (metals.length === 1) say('metal', msg`Metal of the fins`, metals[0] as string, first);
  else
    asks.push({
      field: 'metal',
      name: msg`Metal of the fins`,
      unit: '',
      why: 'contradiction',
      text: msg`Both copper and aluminium are named: which does the coolant touch?`,
      options: metals.map((m) => ({ label: m, value: m })),
      words: named.slice(0, 2).map((m) => wordsAt(sheet, m)),
    });
}

/** "16/10 mm": outer and inner width of a tube. */
const WIDTHS = /\b(\d{1,2}(?:[.,]\d)?)\s*\/\s*(\d{1,2}(?:[.,]\d)?)\s*mm\b/i;
const MATERIALS: readonly (readonly [RegExp, string])[] = worded(() => [
  [/\bpetg\b/i, 'PETG'],
  [/\bacryl\w*\b|\bpmma\b/i, 'acrylic'],
  [/\bepdm\b|\brubber\b/i, 'EPDM rubber'],
  [/\bpvc\b|\bvinyl\b/i, 'soft PVC'],
  [/\bcopper\b/i, 'copper'],
]);
const HOLDS: readonly (readonly [RegExp, string])[] = [
  [/\bcompression\b/i, 'compression'],
  [/\bhard[- ]tub\w+\b|\brigid\b|\bpush[- ]in\b/i, 'hard-tube'],
  [/\bbarb(?:ed)?s?\b/i, 'barb'],
];

function tubePhrases(sheet: Sheet, kind: 'tube' | 'fitting', say: Say): void {
  const widths = WIDTHS.exec(sheet.text);
  const [outer = NaN, inner = NaN] = (widths ?? [])
    .slice(1, 3)
    .map((w) => Number(w.replace(',', '.')));
  if (widths && outer > inner) {
    take(sheet, widths.index, widths.index + widths[0].length);
    say('outer', msg`Tube, outer width`, outer, widths);
    say('inner', msg`Tube, inner width`, inner, widths);
  }
  const first = (
    table: readonly (readonly [RegExp, string])[],
    field: string,
    name: string,
  ): void => {
    for (const [words, value] of table) {
      const match = words.exec(sheet.text);
      if (!match) continue;
      say(field, name, value, match);
      return;
    }
  };
  if (kind === 'tube') first(MATERIALS, 'material', msg`What it is made of`);
  else {
    first(HOLDS, 'holds', msg`How it grips its tube`);
    // What is plated is wetted by its plate.
    const metal = /\bnickel\b/i.exec(sheet.text) ?? /\bbrass\b/i.exec(sheet.text);
    if (metal) say('metal', msg`Metal that the coolant touches`, metal[0].toLowerCase(), metal);
  }
}

/** Figures that words have told are not read again. */
function take(sheet: Sheet, from: number, to: number): void {
  for (const q of sheet.quantities) if (q.from >= from - 1 && q.from < to) sheet.taken.add(q);
}

const metalOf = (word: string): string => {
  const bare = word.toLowerCase();
  return bare.startsWith('alumin') ? 'aluminium' : bare;
};

const TARGETS: readonly (readonly [RegExp, readonly BlockTarget[]])[] = [
  [/\bmonoblock\b|whole[- ]board/i, ['processor', 'board']],
  [/\bmemory\b|\bsticks\b|\bdimms?\b/i, ['memory']],
  [/\bgraphics cards?\b|\bgpus?\b|\bcard cover\b|\bfull[- ]cover\b/i, ['card']],
  [/\bprocessors?\b|\bcpus?\b/i, ['processor']],
];

function blockPhrases(sheet: Sheet, say: Say, asks: Ask[]): void {
  const fitting = TARGETS.flatMap(([words, cools]) => {
    const match = words.exec(sheet.text);
    return match ? [{ match, cools }] : [];
  });
  const [first] = fitting;
  if (first) say('cools', msg`What it cools`, first.cools.join(' and '), first.match);
  if (fitting.length > 1 && first && first.cools.length === 1)
    asks.push({
      field: 'cools',
      name: msg`What it cools`,
      unit: '',
      why: 'contradiction',
      text: msg`Several parts are named: which does it cool?`,
      options: fitting.map((f) => ({ label: listAnd(f.cools), value: listAnd(f.cools) })),
      words: fitting.map((f) => wordsAt(sheet, f.match)),
    });
  const plated = /\bnickel(?:[- ]plated)?\b[^\n.;|]{0,20}/i.exec(sheet.text),
    bare = /\b(copper|alumin\w+)\b/i.exec(sheet.text);
  if (plated) say('metal', msg`Metal that the coolant touches`, 'nickel', plated);
  else if (bare)
    say('metal', msg`Metal that the coolant touches`, metalOf(bare[1] as string), bare);
  const top = /\b(acetal|POM|acrylic|PMMA|plexi\w*)\b/i.exec(sheet.text);
  if (top)
    say(
      'top',
      msg`Material of its top`,
      /acetal|pom/i.test(top[1] as string) ? 'acetal' : 'acrylic',
      top,
    );
  const layout = LAYOUT.exec(sheet.text);
  if (layout) say('layout', msg`Card layout it is made for`, layout[1] as string, layout);
}

function wordsAt(sheet: Sheet, match: RegExpExecArray | RegExpMatchArray): Words {
  const from = (match.index ?? 0) + (/^\s*/.exec(match[0])?.[0].length ?? 0);
  const line = sheet.lines.reduce((at, l) => (l.from <= from ? l.number : at), 1);
  return { line, from, to: (match.index ?? 0) + match[0].trimEnd().length };
}
