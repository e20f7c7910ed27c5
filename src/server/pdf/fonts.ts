import { join } from 'node:path';
import { Font } from '@react-pdf/renderer';

/** Scripts that the shipped fonts write, each a family of its own as its file is. */
const SCRIPTS = ['latin', 'latin-ext', 'greek', 'cyrillic'] as const;
const FOLDER = join(process.cwd(), 'node_modules/@fontsource/noto-sans/files');

/** Families in the order they are asked for a letter. */
export const FAMILIES: string[] = SCRIPTS.map((script) => `sheet-${script}`);

/** Letters of no shipped font: Chinese, Japanese, Korean and others. */
const UNWRITTEN =
  /[^\u0020-\u024f\u02c6\u02dc\u0370-\u03ff\u0400-\u04ff\u2010-\u2027\u2030-\u205e\u20ac\u2122\u2191\u2193\u2212\u2215\n]/g;

/** What the fonts lack is written otherwise, or stands as a box. */
export const pdfText = (s: string): string =>
  s
    .replace(/→/g, 'to')
    .replace(/≥/g, 'at least ')
    .replace(/≤/g, 'at most ')
    .replace(UNWRITTEN, '?');

/** Whether a text has letters that cannot be written. */
export const hasUnwritten = (s: string): boolean => s.replace(/[→≥≤]/g, '').search(UNWRITTEN) >= 0;

let isReady = false;
/** Registers the fonts once in a thread; they are embedded in every document. */
export function readyFonts(): void {
  if (isReady) return;
  isReady = true;
  for (const script of SCRIPTS)
    Font.register({
      family: `sheet-${script}`,
      fonts: [400, 700].map((fontWeight) => ({
        src: join(FOLDER, `noto-sans-${script}-${fontWeight}-normal.woff`),
        fontWeight: fontWeight as 400 | 700,
      })),
    });
  // Words are not broken: part numbers would be.
  Font.registerHyphenationCallback((word) => [word]);
}
