import { findComponent } from '../design';
import type { ThermalModel } from '../thermal';
import type { LoadCaseId } from '../components';
import { msg } from '../messages';
import { ScenarioError, type Fault, type FaultKind, type Scenario } from './types';

/** What a fault's amount may be: share of the flow lost, kelvin the room warms by. */
const AMOUNTS: Partial<Record<FaultKind, readonly [number, number]>> = {
  'flow sags': [0, 0.95],
  'room warms': [-20, 60],
};

/** Throws ScenarioError for a time, an amount or a part that no fault can have. */
export function checkFault(fault: Fault, place: string, thermalModel: ThermalModel): void {
  if (!(fault.at_s >= 0))
    throw new ScenarioError(msg`a fault happens at 0 s or later`, `${place}.at_s`);
  const range = AMOUNTS[fault.kind];
  if (
    range &&
    fault.amount !== undefined &&
    !(fault.amount >= range[0] && fault.amount <= range[1])
  )
    throw new ScenarioError(
      msg`"${fault.kind}" goes from ${range[0]} to ${range[1]}, not ${fault.amount}`,
      `${place}.amount`,
    );
  if (fault.component === undefined) return;
  const kind = findComponent(thermalModel.system.design, fault.component)?.part.kind,
    wanted = fault.kind === 'pump stops' ? 'pump' : 'fan';
  if (kind !== wanted)
    throw new ScenarioError(
      kind === undefined
        ? msg`there is no part "${fault.component}"`
        : msg`"${fault.component}" is no ${wanted}`,
      `${place}.component`,
    );
}

/** The load at a time. */
export function loadTimes({ profile }: Scenario): (at_s: number) => LoadCaseId {
  let k = 0,
    end = profile[0]?.seconds ?? 0;
  return (at_s) => {
    while (at_s >= end - 1e-9 && k < profile.length - 1) {
      k += 1;
      end += profile[k]?.seconds ?? 0;
    }
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
