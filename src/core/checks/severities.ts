import { msg, worded } from '../messages';
import type { Severity } from './diagnostic';

/** How bad a finding is, in a word. */
export const SEVERITY_NAMES: Readonly<Record<Severity, string>> = worded(() => ({
  fails: msg`fails`,
  marginal: msg`marginal`,
  note: msg`note`,
}));
