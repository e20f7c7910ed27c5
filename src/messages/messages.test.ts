import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, test } from '@jest/globals';
import { IntlMessageFormat } from 'intl-messageformat';
import {
  counted,
  listAnd,
  listOr,
  messageOf,
  msg,
  noted,
  sentences,
  showLanguage,
  shownLanguage,
  someOf,
  wholeParts,
  worded,
} from '@/core/messages';
import { isLanguage, loadWriting } from '.';
import { createWriting } from './writing';

const fileOf = (tag: string): Record<string, string> =>
  JSON.parse(readFileSync(join(__dirname, `${tag}.json`), 'utf8')) as Record<string, string>;

afterEach(() => showLanguage(null));

/** The message a template is known by, and what it says in English. */
const known = (parts: TemplateStringsArray, ...values: readonly unknown[]): string =>
  messageOf(wholeParts(parts), values);

describe('a message', () => {
  test('is known by its English, its values by number, its counts as plurals of ICU', () => {
    expect(known`The tube ${'a'} touches ${'b'}`).toBe('The tube {0} touches {1}');
    expect(known`${counted(3, '# bend', '# bends')} in ${'x'}`).toBe(
      '{0, plural, one {# bend} other {# bends}} in {1}',
    );
    expect(known`A line
      broken in the source`).toBe('A line broken in the source');
  });

  test('says in English what is written', () => {
    expect(msg`The tube ${'a'} touches ${4}`).toBe('The tube a touches 4');
    expect(msg`${counted(1, '# bend', '# bends')}`).toBe('1 bend');
    expect(msg`${counted(0, '# bend', '# bends')}`).toBe('0 bends');
    expect(msg`${counted(1200, '# bend', '# bends')}`).toBe('1,200 bends');
    expect(msg`A line
      broken in the source`).toBe('A line broken in the source');
  });

  // Reference: intl-messageformat, which formats ICU MessageFormat; the text of an English message
  // is what it makes of its name.
  test('is formatted as ICU MessageFormat formats its name, braces and apostrophes too', () => {
    const cases = [
      [wholeParts(["it's ", ' of {this} "', "'"]), ['x', 2]],
      [wholeParts(["'", "' is not one of {a, b}"]), ['word']],
      [wholeParts(['Two apostrophes: ', "''"]), [7]],
      [wholeParts(['', " '{", '}']), [1, 2]],
    ] as const;
    for (const [parts, values] of cases) {
      const format = new IntlMessageFormat(messageOf(parts, values), 'en', undefined, {
        ignoreTag: true,
      });
      const plain = parts.reduce((text, part, i) => `${text}${values[i - 1]}${part}`);
      expect(format.format(Object.fromEntries(values.entries()))).toBe(plain);
    }
  });
});

describe('another language', () => {
  // Plural forms of Polish: CLDR, one for 1, few for 2 to 4, many for 5; from memory.
  const polish = createWriting('pl', {
    '{0, plural, one {# bend} other {# bends}} in {1}':
      'W {1}: {0, plural, one {# zgięcie} few {# zgięcia} other {# zgięć}}',
  });
  const bends = (n: number): string => msg`${counted(n, '# bend', '# bends')} in ${'A'}`;

  test('has its own plural forms and order; what it lacks stays English', () => {
    showLanguage(polish);
    expect([1, 3, 5].map(bends)).toEqual(['W A: 1 zgięcie', 'W A: 3 zgięcia', 'W A: 5 zgięć']);
    expect(msg`Not in the file`).toBe('Not in the file');
    expect(shownLanguage()).toBe('pl');
  });

  test('lists as it lists', () => {
    expect(listAnd(['a', 'b', 'c'])).toBe('a, b and c');
    expect(listOr(['a', 'b'])).toBe('a or b');
    showLanguage(polish);
    expect(listAnd(['a', 'b', 'c'])).toBe('a, b i c');
    expect(listOr(['a', 'b'])).toBe('a lub b');
  });

  test('puts whole sentences and notes beside each other as it writes them', () => {
    const late = true as boolean;
    expect(sentences('Cut it.', !late && 'Wait.', null, 'Bend it.')).toBe('Cut it. Bend it.');
    expect(sentences('', undefined)).toBe('');
    expect(noted('420 mm', late && 'estimated', !late && 'late')).toBe('420 mm, estimated');
    expect(noted('420 mm')).toBe('420 mm');
    expect(someOf(['a', 'b', 'c', 'd'], 2)).toBe('a, b and 2 more');
    expect(someOf(['a', 'b'], 2, '; ')).toBe('a; b');
    // Chinese sets no blank between sentences and another comma (Unicode CLDR, list patterns).
    const chinese = createWriting('zh', {
      '{0} {1}': '{0}{1}',
      '{0}, {1}': '{0}，{1}',
      '{0} and {1} more': '{0}等{1}项',
    });
    showLanguage(chinese);
    expect(sentences('切断。', '弯曲。')).toBe('切断。弯曲。');
    expect(noted('420', '估计')).toBe('420，估计');
    expect(someOf(['甲', '乙', '丙'], 2)).toBe('甲, 乙等1项');
  });

  test('changes a table that was made when its module loaded', async () => {
    const table = worded(() => ({ runs: msg`Runs`, rows: [msg`Runs`] }));
    expect(table.runs).toBe('Runs');
    showLanguage(await loadWriting('en-XA'));
    expect(table.runs).toBe('Rúúñš~');
    expect({ ...table }.rows).toEqual(['Rúúñš~']);
    expect(Object.keys(table)).toEqual(['runs', 'rows']);
    showLanguage(null);
    expect(table.runs).toBe('Runs');
  });

  test('is one that has a file', () => {
    expect(['en', 'en-XA', 'toString', '', null].map(isLanguage)).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('the files', () => {
  const english = fileOf('en'),
    pseudo = fileOf('en-XA');
  const lettersOf = (text: string): number => text.replace(/[^\p{L}~]+/gu, '').length;

  test('English is complete: every message is its own English', () => {
    const names = Object.keys(english);
    expect(names.length).toBeGreaterThan(3500);
    expect(names.filter((m) => english[m] !== m)).toEqual([]);
  });

  test('no message is the piece of a sentence, which another language could not put together', () => {
    const isPiece = (m: string): boolean => /^[\s,;:.]|\s$/.test(m);
    expect(Object.keys(english).filter(isPiece)).toEqual([]);
    expect([', estimated', ' and it is warm', 'about '].every(isPiece)).toBe(true);
  });

  // Reference: intl-messageformat reads every message of both.
  test('every message is ICU MessageFormat, with the same places in both', () => {
    const placesOf = (text: string): string[] =>
      [...new Set([...text.matchAll(/\{(\d+)/g)].map((m) => m[1] as string))].sort();
    expect(Object.keys(pseudo)).toEqual(Object.keys(english));
    for (const [name, text] of Object.entries(pseudo)) {
      expect(
        () => new IntlMessageFormat(text, 'en-XA', undefined, { ignoreTag: true }),
      ).not.toThrow();
      expect(placesOf(text)).toEqual(placesOf(name));
    }
  });

  test('the pseudo-language is 40 % longer and accented throughout', () => {
    const plain = Object.entries(pseudo).filter(([name]) => !name.includes('{'));
    const longer = plain.map(([name, text]) => lettersOf(text) / Math.max(1, lettersOf(name)));
    expect(longer.filter((share) => share < 1.39)).toEqual([]);
    const accented = plain.filter(([name]) => /[aeiouAEIOU]/.test(name));
    expect(accented.filter(([, text]) => /[aeiouAEIOU]/.test(text))).toEqual([]);
  });
});
