/**
 * A language other than the English of the source: its tag (BCP 47), and how it writes one of our
 * messages. `write` gives null where the language has no such message: then it stays English.
 */
export interface Writing {
  readonly tag: string;
  write(message: string, values: readonly (string | number)[]): string | null;
}

let read: () => Writing | null = () => null;

/** Sets the language of every text made after this call; null is English. */
export function showLanguage(writing: Writing | null): void {
  read = () => writing;
}

/** The same where each reader has a language of their own: it is asked for at every text. */
export function followLanguage(of: () => Writing | null): void {
  read = of;
}

/** What writes the texts now; null where that is the English of the source. */
export const currentWriting = (): Writing | null => read();

/** The language's tag, as `<html lang>` and `Intl` take it. */
export const shownLanguage = (): string => read()?.tag ?? 'en';
