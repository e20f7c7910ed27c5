import { currentWriting } from './language';
import { formatNumber } from './number';

/** A number of things, with the words for one and for several; "#" stands for the number. */
export class Counted {
  constructor(
    readonly count: number,
    readonly one: string,
    readonly other: string,
  ) {}
}

/** Inside a message: `msg`${counted(n, '# bend', '# bends')} in this run``. */
export const counted = (count: number, one: string, other: string): Counted =>
  new Counted(count, one, other);

export type MessageValue = string | number | Counted;

/** A template may be broken into lines in the source: a break and its indent are one space. */
const BREAK = /\s*\n\s*/g;

const WHOLE = new WeakMap<readonly string[], readonly string[]>();

/** The texts of a template round its values, each on one line. */
export function wholeParts(parts: readonly string[]): readonly string[] {
  let whole = WHOLE.get(parts);
  if (!whole) WHOLE.set(parts, (whole = parts.map((part) => part.replace(BREAK, ' '))));
  return whole;
}

/** Braces are quoted as ICU MessageFormat asks; an apostrophe beside one would quote it. */
const escapeText = (text: string): string =>
  text.replace(/'(?=[{}']|$)|^'/g, "''").replace(/[{}]/g, "'$&'");

const placeOf = (value: unknown, at: number): string =>
  value instanceof Counted
    ? `{${at}, plural, one {${escapeText(value.one)}} other {${escapeText(value.other)}}}`
    : `{${at}}`;

/**
 * The message of a template in ICU MessageFormat, by which message files name it: values are
 * numbered, counts are plurals. "{0, plural, one {# bend} other {# bends}} in {1}".
 */
export const messageOf = (parts: readonly string[], values: readonly unknown[]): string =>
  values.reduce<string>(
    (text, value, i) => text + placeOf(value, i) + escapeText(parts[i + 1] as string),
    escapeText(parts[0] as string),
  );

const inEnglish = (value: MessageValue): string | number =>
  value instanceof Counted
    ? (value.count === 1 ? value.one : value.other).replace('#', formatNumber(value.count))
    : value;

/**
 * One whole text that a person reads, in the language of this person. The English stands in the
 * source, where it is read with the code; `npm run messages` gathers it into `messages/en.json`.
 */
export function msg(parts: TemplateStringsArray, ...values: readonly MessageValue[]): string {
  const whole = wholeParts(parts);
  const writing = currentWriting();
  if (writing) {
    const plain = values.map((v) => (v instanceof Counted ? v.count : v));
    const written = writing.write(messageOf(whole, values), plain);
    if (written !== null) return written;
  }
  let text = whole[0] as string;
  for (let i = 0; i < values.length; i++)
    text += `${inEnglish(values[i] as MessageValue)}${whole[i + 1]}`;
  return text;
}
