import type { LoadCaseId } from '../part';
import type { Scenario } from './types';

/** The load at a time. */
export function loadTimes({ profile }: Scenario): (at_s: number) => LoadCaseId {
  let k = 0, end = profile[0]?.seconds ?? 0;
  return (at_s) => {
    while (at_s >= end - 1e-9 && k < profile.length - 1) { k += 1; end += profile[k]?.seconds ?? 0; }
    return (profile[k] as Scenario['profile'][number]).load;
  };
}

/** Step at which the last stretch of one load, or the last fault, begins. */
export function lastStart(scenario: Scenario, step: number): number {
  const { profile } = scenario;
  let at = profile.reduce((s, p) => s + p.seconds, 0);
  for (let k = profile.length - 1; k >= 0; k -= 1) {
    at -= (profile[k] as Scenario['profile'][number]).seconds;
    if (k > 0 && profile[k - 1]?.load !== profile[k]?.load) break;
  }
  return Math.round(Math.max(at, ...(scenario.faults ?? []).map((f) => f.at_s)) / step);
}
