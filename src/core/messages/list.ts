import { shownLanguage } from './language';
import { msg } from './message';

const FORMATS = new Map<string, Intl.ListFormat>();

function formatOf(type: 'conjunction' | 'disjunction'): Intl.ListFormat {
  // English of the source has no comma before its "and".
  const tag = shownLanguage() === 'en' ? 'en-GB' : shownLanguage();
  const key = `${tag} ${type}`;
  let format = FORMATS.get(key);
  if (!format) FORMATS.set(key, (format = new Intl.ListFormat(tag, { type })));
  return format;
}

/** "A", "A and B", "A, B and C", as the language shown lists things. */
export const listAnd = (items: Iterable<string | number>): string =>
  formatOf('conjunction').format([...items].map(String));

/** "A", "A or B", "A, B or C". */
export const listOr = (items: Iterable<string | number>): string =>
  formatOf('disjunction').format([...items].map(String));

type Maybe = string | false | 0 | null | undefined;
const said = (parts: readonly Maybe[]): readonly string[] =>
  parts.filter((p): p is string => typeof p === 'string' && p !== '');

/** Whole sentences one after the other, without those that are not said. */
export const sentences = (...parts: readonly Maybe[]): string =>
  said(parts).reduce((before, next) => (before === '' ? next : msg`${before} ${next}`), '');

/** A text and what is noted beside it: "420 mm, estimated". */
export const noted = (text: string, ...notes: readonly Maybe[]): string =>
  said(notes).reduce((before, note) => msg`${before}, ${note}`, text);

/** The first of many, by name, and how many more there are. */
export function someOf(items: readonly string[], most: number, between = ', '): string {
  const first = items.slice(0, most).join(between);
  return items.length > most ? msg`${first} and ${items.length - most} more` : first;
}
