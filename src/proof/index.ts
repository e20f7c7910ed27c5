import { ductRows, effectivenessRows, graetzRows, radiatorRows } from './cooling';
import { airRows, glycolRows, waterRows } from './fluids';
import { frictionRows, minorRows } from './hydraulics';
import { bendRows, boxRows, galvanicRows, screwRows, soundRows } from './rest';
import { networkRows, teeRows } from './network';
import type { ProofRow } from './row';

/** Every published check, computed now. */
export function proofRows(): readonly ProofRow[] {
  return [
    ...waterRows(),
    ...glycolRows(),
    ...airRows(),
    ...frictionRows(),
    ...minorRows(),
    ...teeRows(),
    ...networkRows(),
    ...effectivenessRows(),
    ...ductRows(),
    ...graetzRows(),
    ...radiatorRows(),
    ...soundRows(),
    ...galvanicRows(),
    ...screwRows(),
    ...bendRows(),
    ...boxRows(),
  ];
}

export type { ProofRow } from './row';
