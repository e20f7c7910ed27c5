import {
  ductRows,
  effectivenessRows,
  graetzRows,
  radiatorRows,
  wholeRadiatorRows,
} from './cooling';
import { airRows, condeRows, glycolRows, waterRows } from './fluids';
import { frictionRows, minorRows } from './hydraulics';
import {
  airflowRows,
  crossflowRows,
  isaRows,
  pchipRows,
  ringRows,
  tankRows,
  turnedRows,
  vapourRows,
  weightRows,
} from './independent';
import { networkRows, teeRows } from './network';
import { bendRows, boxRows, galvanicRows, screwRows, soundRows } from './rest';
import type { ProofKind, ProofRow, ProofValue } from './row';

/** Values worked out with the very formula we use, or taken from the table we use. */
const SAME_FORMULA: readonly (() => readonly ProofValue[])[] = [
  glycolRows,
  condeRows,
  frictionRows,
  minorRows,
  teeRows,
  effectivenessRows,
  wholeRadiatorRows,
  pchipRows,
  soundRows,
  galvanicRows,
  screwRows,
];
/** Values worked out in another way, measured, or tabulated by others. */
const INDEPENDENT: readonly (() => readonly ProofValue[])[] = [
  waterRows,
  vapourRows,
  airRows,
  isaRows,
  networkRows,
  crossflowRows,
  ductRows,
  graetzRows,
  airflowRows,
  ringRows,
  tankRows,
  weightRows,
  bendRows,
  boxRows,
  turnedRows,
];
/** Values our own constants were set by. */
const FITTED: readonly (() => readonly ProofValue[])[] = [radiatorRows];

/** Every published check, computed now. */
export const proofRows = (): readonly ProofRow[] => [
  ...told('independent', INDEPENDENT),
  ...told('same formula', SAME_FORMULA),
  ...told('fitted', FITTED),
];

/** A row without a source is common practice, wherever it stands. */
const told = (kind: ProofKind, of: readonly (() => readonly ProofValue[])[]): readonly ProofRow[] =>
  of.flatMap((rows) =>
    rows().map((row): ProofRow => ({
      ...row,
      kind:
        kind !== 'fitted' && row.source.startsWith('common practice') ? 'common practice' : kind,
    })),
  );

export { PROOF_KINDS, type ProofKind, type ProofRow } from './row';
