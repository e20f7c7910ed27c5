/** Which mark parts the whole from the decimals; the other one, or a blank, groups thousands. */
export type DecimalStyle = 'point' | 'comma';

export interface DetectedDecimals {
  readonly style: DecimalStyle;
  /** Cells that can only be read in this style; none where it is assumed. */
  readonly proof: number;
  /** The first cell that proves it. */
  readonly example: string | null;
  /** A cell that can only be read in the other style: the file contradicts itself. */
  readonly against: string | null;
}

/**
 * A number with at most a sign of money before it and a unit behind it; blanks only between groups
 * of three digits.
 */
const NUMBER =
  /^(?:\p{Sc}|[A-Z]{3})?\s*([+\-−]?[.,]?\d[\d.,'’]*(?:\s\d{3}(?=\D|$)[\d.,]*)*(?:e[+-]?\d+)?)\s*[^\d.,]{0,12}$/iu;

/** The digits and marks of a cell that holds one number; null when it holds anything else. */
function numberIn(text: string): string | null {
  const found = NUMBER.exec(text.trim());
  return found ? (found[1] as string).replace(/[\s'’]/g, '').replace('−', '-') : null;
}

/** The only style a number can be in, or null where both would do ("1,200") or it has no mark. */
function provenStyle(digits: string): DecimalStyle | null {
  const points = digits.split('.').length - 1;
  const commas = digits.split(',').length - 1;
  if (points > 0 && commas > 0)
    return digits.lastIndexOf('.') > digits.lastIndexOf(',') ? 'point' : 'comma';
  if (points > 1) return 'comma';
  if (commas > 1) return 'point';
  if (points + commas === 0) return null;
  const mark = points === 1 ? '.' : ',';
  const [whole, decimals] = digits.replace(/e.*$/i, '').split(mark) as [string, string];
  const groups = decimals.length === 3 && /^[+-]?[1-9]\d{0,2}$/.test(whole);
  if (groups && !/e/i.test(digits)) return null;
  return mark === '.' ? 'point' : 'comma';
}

/**
 * The decimal style of a whole file, from the cells that hold numbers: a cell that reads in one
 * style only decides. Where none does, a file parted by semicolons counts as decimal comma and any
 * other as decimal point (common practice, no source): `proof` is 0 then, and the reader is told.
 */
export function detectDecimals(cells: readonly string[], delimiter: string): DetectedDecimals {
  const proven: Record<DecimalStyle, string[]> = { point: [], comma: [] };
  for (const cell of cells) {
    const digits = numberIn(cell);
    const style = digits === null ? null : provenStyle(digits);
    if (style) proven[style].push(cell.trim());
  }
  const { point, comma } = proven;
  const assumed: DecimalStyle = delimiter === ';' ? 'comma' : 'point';
  const likelierStyle = () => {
    if (point.length === comma.length) return assumed;
    if (point.length > comma.length) return 'point';
    return 'comma';
  };
  const style = likelierStyle();
  const other = style === 'point' ? comma : point;
  return {
    style,
    proof: proven[style].length,
    example: proven[style][0] ?? null,
    against: other[0] ?? null,
  };
}

/**
 * A number written in this style, with at most a sign of money or a unit round it. Null when it is
 * none, or groups thousands wrongly.
 */
export function readDecimal(text: string, style: DecimalStyle): number | null {
  const digits = numberIn(text);
  if (digits === null) return null;
  const [mark, group] = style === 'point' ? ['.', ','] : [',', '.'];
  const [whole, decimals, ...more] = digits.split(mark as string);
  if (more.length > 0 || decimals?.includes(group as string)) return null;
  const groups = (whole as string).split(group as string);
  if (
    groups.length > 1 &&
    !(
      /^[+-]?[1-9]\d{0,2}$/.test(groups[0] as string) &&
      groups.slice(1).every((g) => /^\d{3}(e[+-]?\d+)?$/i.test(g))
    )
  )
    return null;
  const value = Number(`${groups.join('')}${decimals === undefined ? '' : `.${decimals}`}`);
  return Number.isFinite(value) ? value : null;
}
