import type { SheetKind } from './fields';

/** The words of a sheet that a figure came from. */
export interface Words {
  readonly line: number;
  /** Offsets in the whole text. */
  readonly from: number;
  readonly to: number;
}

export type SheetValue =
  number | string | readonly number[] | readonly (readonly [number, number])[];

/** A figure as the sheet tells it, in this program's own unit. */
export interface Found {
  readonly field: string;
  readonly name: string;
  readonly value: SheetValue;
  readonly unit: string;
  readonly words: Words;
}

/** Something the builder must decide: nothing is guessed. */
export interface Ask {
  readonly field: string;
  readonly name: string;
  readonly unit: string;
  readonly why: 'range' | 'contradiction' | 'no unit' | 'missing' | 'out of range' | 'unclear';
  readonly text: string;
  readonly options: readonly { readonly label: string; readonly value: SheetValue }[];
  readonly words: readonly Words[];
}

export interface SheetRead {
  readonly kind: SheetKind;
  readonly found: readonly Found[];
  readonly asks: readonly Ask[];
  /** Lines with figures that nothing was made of. */
  readonly unread: readonly number[];
}
