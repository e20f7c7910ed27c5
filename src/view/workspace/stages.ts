import type { Stage } from '@/core/checks';
import { msg, worded } from '@/core/messages';

export type StageId = 'brief' | Stage;

/** Stages in working order; the digit is the key that opens one. */
export const STAGES: readonly {
  readonly id: StageId;
  readonly name: string;
  readonly digit: string;
}[] = worded(() => [
  { id: 'brief', name: msg`Requirements`, digit: '0' },
  { id: 'heat', name: msg`Heat load`, digit: '1' },
  { id: 'case', name: msg`Case`, digit: '2' },
  { id: 'cooling', name: msg`Cooling`, digit: '3' },
  { id: 'flow', name: msg`Flow`, digit: '4' },
  { id: 'materials', name: msg`Materials`, digit: '5' },
  { id: 'runs', name: msg`Runs`, digit: '6' },
  { id: 'parts', name: msg`Parts list`, digit: '7' },
  { id: 'assembly', name: msg`Assembly`, digit: '8' },
  { id: 'log', name: msg`Log`, digit: '9' },
]);

/** Stages where the machine is the page. */
export const SPATIAL_STAGES: readonly StageId[] = ['case', 'runs', 'assembly'];

export const isStage = (s: string): s is StageId => STAGES.some((x) => x.id === s);
