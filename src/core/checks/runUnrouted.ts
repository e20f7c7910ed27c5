import { counted, msg, someOf } from '../messages';
import type { Diagnostic } from './diagnostic';

import type { SpatialCheck } from './inputs';

/** Runs named one by one. */
const MOST_NAMED = 3;

export const runUnrouted: SpatialCheck = {
  code: 'run.unrouted',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`A run has no route through the case yet, or the one it had no longer meets its
      ports. Its length, bends and end fittings are estimated from port to port, and so is
      everything that follows from them. Route it on the Runs stage.`;
  },
  get source() {
    return msg`the build file: its layout has the routes`;
  },
  run: (context) => {
    const lost = new Set(context.missing.map((m) => m.connection));
    const unrouted = context.unrouted.filter((link) => !lost.has(link));
    if (unrouted.length === 0 || !context.design.case) return [];
    const names = unrouted.map((id) => context.runs.find((r) => r.id === id)?.name ?? id);
    const diagnostic: Diagnostic = {
      subjects: unrouted,
      title: msg`${counted(unrouted.length, '# run is', '# runs are')} not routed`,
      detail: msg`${someOf(names, MOST_NAMED, '; ')}. Lengths, bends and what follows from them
        are estimates until they are.`,
    };
    return [diagnostic];
  },
};
