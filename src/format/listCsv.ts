import type { Bom } from '@/core/bom';
import { toCsv } from './csv';

/**
 * The parts list as CSV (RFC 4180), prices in major units. Cells that a spreadsheet would run as a
 * formula are disarmed.
 */
export function listToCsv(list: Bom, currency: string): string {
  const rows = list.lines.map((l) => ({
    kind: l.kind,
    part: l.part,
    name: l.name,
    maker: l.maker,
    quantity: l.quantity,
    unit: l.unit,
    [`unit price ${currency}`]: (l.unitPrice / 100).toFixed(2),
    [`total ${currency}`]: (l.total / 100).toFixed(2),
    owned: l.owned ? 'yes' : '',
    'in the spare parts': l.have,
    tool: l.tool ? 'yes' : '',
    'in loop budget': l.inBudget ? 'yes' : '',
    estimated: l.estimated ? 'yes' : '',
    'required by': l.for.join(' '),
    why: l.why,
  }));
  return toCsv(rows);
}

/** The same as JSON: every line with the ids that require it, prices in minor units. */
export const listToJson = (list: Bom, currency: string): string =>
  `${JSON.stringify({ format: 'zephyron-list', version: 1, currency, loopTotal: list.loopTotal, toolTotal: list.toolTotal, machineTotal: list.machineTotal, lines: list.lines }, null, 2)}\n`;
