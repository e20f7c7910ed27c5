import type { Stage } from '@/core/checks';

export type StageId = 'brief' | Stage;

/** Stages in working order; the digit is the key that opens one. */
export const STAGES: readonly {
  readonly id: StageId;
  readonly name: string;
  readonly digit: string;
}[] = [
  { id: 'brief', name: 'Requirements', digit: '0' },
  { id: 'heat', name: 'Heat load', digit: '1' },
  { id: 'case', name: 'Case', digit: '2' },
  { id: 'cooling', name: 'Cooling', digit: '3' },
  { id: 'flow', name: 'Flow', digit: '4' },
  { id: 'materials', name: 'Materials', digit: '5' },
  { id: 'runs', name: 'Runs', digit: '6' },
  { id: 'parts', name: 'Parts list', digit: '7' },
  { id: 'assembly', name: 'Assembly', digit: '8' },
  { id: 'log', name: 'Log', digit: '9' },
];

/** Stages where the machine is the page. */
export const SPATIAL_STAGES: readonly StageId[] = ['case', 'runs', 'assembly'];

export const isStage = (s: string): s is StageId => STAGES.some((x) => x.id === s);
