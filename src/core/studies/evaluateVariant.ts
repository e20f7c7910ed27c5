import { applyEdit, type Design } from '../design';
import type { Analysis } from '../analysis';
import { basesOf, onOneBasis, type Bases } from './bases';
import { worstRise } from '../thermal';
import type { Part } from '../components';
import { candidates, type Candidate } from './candidates';

/**
 * A change worked out whole: runs, flow, heat, noise, fit and list of the build with it, against
 * the build without.
 */
export interface EvaluatedVariant extends Candidate {
  /** Coolant of the warmest loop, K against now; null when one of the two has no steady state. */
  readonly deltaT_K: number | null;
  /** Room the hottest part has under its limit, K against now. */
  readonly headroom_K: number | null;
  /** At the fan speeds the change leaves, dBA against now. */
  readonly noise_dBA: number;
  /**
   * Noise at the slowest fan speed that holds the brief's rise, dBA against now; null when it is
   * not held either way.
   */
  readonly quietest_dBA: number | null;
  /** Noise at that speed, dBA; null when no speed holds the rise. */
  readonly holdsAt_dBA: number | null;
  /** What the list costs more, minor units of currency. */
  readonly cost_minor: number;
  /** Findings of fit and runs that fail with it and not without. */
  readonly troubles: readonly string[];
}

const FIT_STAGES = new Set(['case', 'runs', 'materials', 'flow']);

/**
 * Judges every candidate. `tell` hears how many of how many are done, and stops the search by
 * answering false.
 */
export function evaluateVariants(
  design: Design,
  offer: readonly Part[],
  tell: (done: number, of: number) => boolean = () => true,
): readonly EvaluatedVariant[] {
  const now = basesOf(design);
  const list = candidates(design, offer);
  const out: EvaluatedVariant[] = [];
  for (const [i, c] of list.entries()) {
    out.push(evaluateVariant(c, design, now));
    if (!tell(i + 1, list.length)) break;
  }
  return out.sort((a, b) => (a.deltaT_K ?? Infinity) - (b.deltaT_K ?? Infinity));
}

export function evaluateVariant(
  candidate: Candidate,
  design: Design,
  bases: Bases = basesOf(design),
): EvaluatedVariant {
  const [now, then] = onOneBasis(applyEdit(design, candidate.edit).design, bases);
  const load = design.brief.loadCase;
  const before = now.reports.heat[load],
    after = then.reports.heat[load];
  const less = (a: number | null, b: number | null): number | null =>
    a === null || b === null ? null : a - b;
  const known = new Set(
    now.findings.filter((f) => f.severity === 'fails').map((f) => `${f.code} ${f.subjects.join()}`),
  );
  return {
    ...candidate,
    deltaT_K: less(worstRise(after), worstRise(before)),
    headroom_K: less(room(after.hotSpots), room(before.hotSpots)),
    noise_dBA: after.noise_dBA - before.noise_dBA,
    quietest_dBA: less(then.reports.sizing.quietestNoise_dBA, now.reports.sizing.quietestNoise_dBA),
    holdsAt_dBA: then.reports.sizing.quietestNoise_dBA,
    cost_minor: then.reports.bom.loopTotal - now.reports.bom.loopTotal,
    troubles: then.findings
      .filter(
        (f) =>
          f.severity === 'fails' &&
          FIT_STAGES.has(f.stage) &&
          !known.has(`${f.code} ${f.subjects.join()}`),
      )
      .map((f) => f.title),
  };
}

function room(hotSpots: Analysis['reports']['heat']['gaming']['hotSpots']): number | null {
  const cooled = hotSpots.filter((s) => s.cooledBy !== null);
  return cooled.length === 0 || cooled.some((s) => s.temp_C === null)
    ? null
    : Math.min(...cooled.map((s) => s.limit_C - (s.temp_C as number)));
}
