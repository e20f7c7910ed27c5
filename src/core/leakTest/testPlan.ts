import { componentName, type Loop } from '../design';
import { isWet } from '../components';
import type { System } from '../system';
import type { Run } from '../tubing';
import { msg, worded } from '../messages';

/** Pressure most loops are tested at, mbar over the room (common practice, no source). */
export const USUAL_TEST_MBAR = 500;

/** What the parts of a loop allow. */
export interface TestLimit {
  readonly limit_mbar: number;
  /** Whose rating that is; null where none tells one and the usual limit stands. */
  readonly by: string | null;
}

/** The lowest rating in the loop, and never above what is usual: clear plastic can burst. */
export function testLimit(system: System, loop: Loop): TestLimit {
  const touched = new Set(loop.connections.flatMap((c) => [c.from.component, c.to.component]));
  let limit: TestLimit = { limit_mbar: USUAL_TEST_MBAR, by: null };
  for (const { id, name, part } of system.design.components) {
    if (!touched.has(id) || !isWet(part) || part.maxPressure_kPa === undefined) continue;
    const own_mbar = 10 * part.maxPressure_kPa;
    if (own_mbar < limit.limit_mbar) limit = { limit_mbar: own_mbar, by: name };
  }
  return limit;
}

/** A joint to listen at. */
export interface Joint {
  readonly id: string;
  readonly name: string;
  readonly kind: 'end of a tube' | 'screwed together' | 'cap';
  /** Why it is looked at so early. */
  readonly why: string;
  readonly risk: number;
}

/** How readily a joint leaks, most first (common practice, no source). */
const RISK = { adapter: 2, direct: 3, drain: 3, cap: 1 } as const;
const ENDS = worded(
  () =>
    ({
      bent: { why: msg`a bent tube that does not quite fit pulls at its O-ring`, risk: 5 },
      straight: { why: msg`an O-ring that a sharp edge may have cut`, risk: 4 },
      soft: { why: msg`a tube not pushed home, or a collar not tight`, risk: 2 },
    }) as const,
);
const endKind = ({ tube, bends }: Run): keyof typeof ENDS => {
  if (!tube.hard) return 'soft';
  return bends > 1 ? 'bent' : 'straight';
};

/** Every joint of a loop, in the order in which to listen, and to lay paper. */
export function jointsOf(system: System, loop: Loop, runs: readonly Run[]): readonly Joint[] {
  const nameOf = (id: string): string => componentName(system.design, id);
  const joints: Joint[] = [];
  for (const run of runs) {
    if (run.loop !== loop.id) continue;
    if (run.by === 'direct') {
      joints.push({
        id: run.id,
        name: msg`${run.endNames.from} and ${run.endNames.to}`,
        kind: 'screwed together',
        why: msg`two O-rings on one thread`,
        risk: RISK.direct,
      });
      continue;
    }
    const { why, risk } = ENDS[endKind(run)];
    for (const end of ['from', 'to'] as const) {
      const pieces = run.fittings.filter((f) => f.end === end).length;
      joints.push({
        id: `${run.id} ${end}`,
        name: msg`${run.name}, at ${run.endNames[end]}`,
        kind: 'end of a tube',
        why,
        risk: risk + (pieces > 1 ? RISK.adapter : 0),
      });
    }
  }
  for (const cap of loop.caps)
    joints.push({
      id: `${cap.component}/${cap.port}`,
      name: `${nameOf(cap.component)}, ${cap.port}`,
      kind: 'cap',
      why: cap.with === 'drain' ? msg`a valve that may stand open` : msg`a plug without its O-ring`,
      risk: cap.with === 'drain' ? RISK.drain : RISK.cap,
    });
  return joints.sort((a, b) => b.risk - a.risk || a.id.localeCompare(b.id));
}
