import Papa from 'papaparse';

/**
 * What a spreadsheet may run as a formula when a cell begins with it, in full width too (OWASP,
 * "CSV injection").
 */
const FORMULA = '[=+\\-@\\t\\r\\n＝＋－＠]';
const RUNS = new RegExp(`^${FORMULA}`);
const DISARMED = new RegExp(`^'${FORMULA}`);

type Rows = readonly object[];
interface Table {
  readonly fields: readonly string[];
  readonly data: readonly (readonly unknown[])[];
}

/** Rows as CSV (RFC 4180); texts that a spreadsheet would run are disarmed by an apostrophe. */
export const toCsv = (rows: Rows | Table): string =>
  `${Papa.unparse(rows as never, { escapeFormulae: RUNS, newline: '\r\n' })}\r\n`;

/** A text that was disarmed on the way out, as it was. */
export const armed = (text: string): string => (DISARMED.test(text) ? text.slice(1) : text);
