import { msg, worded } from '../messages';
import type { LoadCaseId } from './machine';

/** Load cases as a headline has them. */
export const CASE_NAMES: Readonly<Record<LoadCaseId, string>> = worded(() => ({
  idle: msg`Idle`,
  gaming: msg`Gaming`,
  render: msg`Render`,
  stress: msg`Stress test`,
  custom: msg`Custom`,
}));

/** And as a sentence has them. */
export const CASE_WORDS: Readonly<Record<LoadCaseId, string>> = worded(() => ({
  idle: msg`idle`,
  gaming: msg`gaming`,
  render: msg`render`,
  stress: msg`stress test`,
  custom: msg`custom`,
}));
