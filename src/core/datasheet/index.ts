export { FIELDS, SHEET_KINDS, type SheetField, type SheetKind } from './fields';
export { partOfSheet, type Assumed, type MadePart, type SheetValues } from './make';
export { guessKind, MOST_TEXT, readSheet, valueText } from './read';
export { typedValue } from './typed';
export type { Ask, Found, SheetRead, SheetValue, Words } from './types';
