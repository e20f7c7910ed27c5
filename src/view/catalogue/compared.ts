import { create } from 'zustand';
import type { GridColDef } from '@mui/x-data-grid';
import type { Part } from '@/core/components';
import { formatNumber } from '@/core/units';
import { columnsFor, type Row } from './columns';

/** Parts beside each other at most: more are not read at a glance. */
export const MOST_COMPARED = 4;

interface Compared {
  readonly parts: readonly Part[];
  /** Puts a part beside the others, or takes it away; parts of another kind give way to it. */
  toggle(part: Part): void;
  clear(): void;
}

/** The parts that are compared, on the page and beside a build. */
export const useCompared = create<Compared>()((set, get) => ({
  parts: [],
  toggle: (part) => {
    const { parts } = get();
    if (parts.some((p) => p.id === part.id))
      return set({ parts: parts.filter((p) => p.id !== part.id) });
    const alike = parts.filter((p) => p.kind === part.kind);
    set({ parts: [...alike.slice(1 - MOST_COMPARED), part] });
  },
  clear: () => set({ parts: [] }),
}));

export interface ComparedRow {
  readonly name: string;
  readonly values: readonly string[];
  readonly isDifferent: boolean;
}

/** Their figures by the columns of their kind, in words; empty for no part. */
export function comparedRows(parts: readonly Part[]): readonly ComparedRow[] {
  const [first] = parts;
  if (!first) return [];
  return columnsFor(first.kind)
    .filter((c) => c.field !== 'name')
    .map((column): ComparedRow => {
      const values = parts.map((part) => wordsOf(valueOf(column, part)));
      return {
        name: column.headerName ?? column.field,
        values,
        isDifferent: new Set(values).size > 1,
      };
    });
}

function valueOf(column: GridColDef<Row>, part: Part): unknown {
  const row: Row = { id: part.id, part, own: false, retired: false };
  return (column.valueGetter as ((value: unknown, row: Row) => unknown) | undefined)?.(null, row);
}

const wordsOf = (value: unknown): string => {
  if (value === null || value === undefined || value === '') return '–';
  if (typeof value !== 'number') return String(value);
  return formatNumber(value, { decimals: Number.isInteger(value) ? 0 : 2 });
};
