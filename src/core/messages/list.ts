import { shownLanguage } from './language';

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
