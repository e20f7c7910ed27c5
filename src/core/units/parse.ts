import { msg, numberMarks } from '../messages';
import { QUANTITIES, type QuantityName, type Unit } from './units';

export type Parsed = { ok: true; value: number; unit: string } | { ok: false; message: string };

/**
 * Reads what a person typed ("3/8 in", "1.1 gpm", "70 F", "1 1/2 in", "12,5") into the quantity's
 * inner unit. A bare number is taken in the unit `bare`, where nothing is said the inner one. Commas
 * are decimal marks unless they group thousands ("1,150"); where the language shown writes a comma
 * before decimals, points group ("1.150,5"). Never throws: a text that is no number
 * of this quantity comes back with a message that names the units known.
 */
export function parseQuantity(
  text: string,
  quantity: QuantityName,
  bare: string = QUANTITIES[quantity].inner,
): Parsed {
  const spec = QUANTITIES[quantity];
  const match =
    /^\s*([+\-−–]?\s*(?:\d+\s+\d+\/\d+|\d+\/\d+|\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d*[.,]?\d+(?:e[+-]?\d+)?))\s*(.*?)\s*$/i.exec(
      withPoint(text),
    );
  if (!match)
    return {
      ok: false,
      message: msg`"${text.slice(0, 40)}" is not a ${spec.name}; type a number, for instance "12
        ${bare}"`,
    };
  const number = readNumber(match[1] as string);
  if (!Number.isFinite(number))
    return { ok: false, message: msg`"${text.slice(0, 40)}" is not a number` };
  const name = match[2] as string;
  const unit = findUnit(spec.units, name === '' ? bare : name);
  if (!unit) {
    return {
      ok: false,
      message: msg`"${name.slice(0, 20)}" is not a unit of ${spec.name}; known:
        ${spec.units.map((u) => u.symbol).join(', ')}`,
    };
  }
  return { ok: true, value: toInner(number, unit), unit: unit.symbol };
}

/** The number with a decimal point, no marks between thousands, as the source's English has it. */
function withPoint(text: string): string {
  const { decimal, group } = numberMarks();
  if (decimal === '.') return text;
  const bare = text.replace(/(\d)[\u00a0\u202f](?=\d)/g, '$1');
  const isGrouped = group === '.' && /^\D*\d{1,3}(\.\d{3})+(?!\d)/.test(bare);
  return (isGrouped ? bare.replaceAll('.', '') : bare).replace(/(\d),(\d)/, '$1.$2');
}

function findUnit(units: readonly Unit[], name: string): Unit | undefined {
  const exact = units.find((u) => u.symbol === name);
  if (exact) return exact;
  const low = name.toLowerCase();
  return units.find((u) => u.symbol.toLowerCase() === low || u.aliases.includes(low));
}

function toInner(value: number, unit: Unit): number {
  return value * unit.factor + (unit.offset ?? 0);
}

function readNumber(raw: string): number {
  const sign = /^[\-−–]/.test(raw) ? -1 : 1;
  const body = raw.replace(/^[+\-−–]\s*/, '');
  const mixed = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(body);
  if (mixed) return sign * (Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]));
  if (/^\d{1,3}(,\d{3})+(\.\d+)?$/.test(body)) return sign * Number(body.replaceAll(',', ''));
  return sign * Number(body.replace(',', '.'));
}
