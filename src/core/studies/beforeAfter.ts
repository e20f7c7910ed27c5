import { applyEdit, type Design, type Edit } from '../design';
import { analyse, type Analysis } from '../analysis';
import { worstRise } from '../thermal';
import { basesOf, onOneBasis, unroutedIn } from './bases';

/** What a build comes to, in the figures a builder weighs. */
export interface Outcome {
  /** Least of all loops, L/min; null where one stands still. */
  readonly flow_Lmin: number | null;
  readonly deltaT_K: number | null;
  /** Room the hottest part has under its limit, K. */
  readonly headroom_K: number | null;
  readonly noise_dBA: number;
  readonly cost_minor: number;
}

/** A change beside the build without it; nothing it makes worse is left out. */
export interface BeforeAfter {
  readonly before: Outcome;
  readonly after: Outcome;
  /** Tubes that lose their way and must be routed again. */
  readonly routesLost: number;
  /** Findings that it brings, and those it ends. */
  readonly brings: readonly string[];
  readonly ends: readonly string[];
}

/** Figures on one basis: both as routed where no route is lost, with runs estimated otherwise. */
export function beforeAfter(design: Design, edit: Edit): BeforeAfter {
  const bases = basesOf(design),
    changed = applyEdit(design, edit).design;
  const [now, then] = onOneBasis(changed, bases);
  const known = new Set(now.findings.map(keyOf)),
    later = new Set(then.findings.map(keyOf));
  return {
    before: outcomeOf(now),
    after: outcomeOf(then),
    routesLost: Math.max(0, unroutedIn(analyse(changed)) - unroutedIn(bases.routed)),
    brings: then.findings.filter((f) => counts(f) && !known.has(keyOf(f))).map((f) => f.title),
    ends: now.findings.filter((f) => counts(f) && !later.has(keyOf(f))).map((f) => f.title),
  };
}

type Found = Analysis['findings'][number];
const keyOf = ({ code, subjects }: Found): string => `${code} ${subjects.join()}`;
/** What is not routed is told as such. */
const counts = ({ code, severity }: Found): boolean =>
  severity !== 'note' && code !== 'run.unrouted';

function outcomeOf({ reports, system }: Analysis): Outcome {
  const heat = reports.heat[system.design.brief.loadCase];
  const flows = reports.flow.loops.map((l) => (l.status === 'solved' ? l.flow_Lmin : null));
  const room = heat.hotSpots.flatMap((s) =>
    s.cooledBy === null || s.temp_C === null ? [] : [s.limit_C - s.temp_C],
  );
  return {
    flow_Lmin:
      flows.length === 0 || flows.includes(null) ? null : Math.min(...(flows as readonly number[])),
    deltaT_K: worstRise(heat),
    headroom_K: room.length > 0 ? Math.min(...room) : null,
    noise_dBA: heat.noise_dBA,
    cost_minor: reports.bom.loopTotal,
  };
}
