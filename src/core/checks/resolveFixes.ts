import { applyEdit, EditError, type Design } from '../design';
import { formatKelvin } from '../units';
import { msg, noted } from '../messages';
import type { Finding, Fix, FixSearch, OpenFinding, Severity } from './diagnostic';

/** Ways out tried for one finding, and offered of those that hold. */
const MOST_TRIED = 8;
const MOST_OFFERED = 3;

/**
 * Findings that follow from routes being laid anew: they come and go with routing, not with a fix.
 */
const OF_ROUTING = /^run\.(no-way|unrouted|unpinned|before|weave|clash)$/;

const RANK: Record<Severity, number> = { note: 0, marginal: 1, fails: 2 };

/** What a finding is about, whatever its figures: the same trouble before and after. */
export const findingKey = (f: Pick<Finding, 'code' | 'subjects'>): string =>
  `${f.code}|${[...f.subjects].sort().join()}`;

/** How often each kind of finding fails and is marginal. Notes are no harm. */
function harmByKind(
  findings: readonly Finding[],
): ReadonlyMap<string, { fails: number; marginal: number }> {
  const harm = new Map<string, { fails: number; marginal: number }>();
  for (const f of findings) {
    if (f.severity === 'note' || OF_ROUTING.test(f.code)) continue;
    const known = harm.get(f.code) ?? { fails: 0, marginal: 0 };
    known[f.severity] += 1;
    harm.set(f.code, known);
  }
  return harm;
}

/**
 * Whether any kind of finding is worse than before. A milder finding about the same things, in
 * place of the one that is gone, is not.
 */
export function anyKindWorse(
  before: readonly Finding[],
  after: readonly Finding[],
  solved: Finding,
): boolean {
  const about = new Set(solved.subjects);
  const milder = (f: Finding): boolean =>
    RANK[f.severity] < RANK[solved.severity] && f.subjects.some((s) => about.has(s));
  const known = new Set(before.map(findingKey));
  const was = harmByKind(before);
  const now = harmByKind(after.filter((f) => known.has(findingKey(f)) || !milder(f)));
  for (const [code, { fails, marginal }] of now) {
    const old = was.get(code) ?? { fails: 0, marginal: 0 };
    if (fails > old.fails || fails + marginal > old.fails + old.marginal) return true;
  }
  return false;
}

/** Whole analyses of a design: its runs as they are routed, or all estimated. */
export type Basis = 'asRouted' | 'estimated';
export interface Judge extends FixSearch {
  asRouted(design: Design): readonly Finding[];
  estimated(design: Design): readonly Finding[];
  /** Of the warmest loop over the room, K; null when it has no steady state. */
  deltaT_K(design: Design, basis: Basis): number | null;
}

const WAYLESS = /^run\.(no-way|unrouted|unpinned)$/;
/** Runs that are said to have no way. */
const unrouted = (findings: readonly Finding[]): number =>
  findings.reduce((sum, f) => sum + (WAYLESS.test(f.code) ? f.subjects.length : 0), 0);

/**
 * The ways out of a finding that hold: applied to the build, the finding is gone and no kind of
 * finding is worse, by a whole analysis of the changed build. Both are judged on one basis: as
 * routed where the change leaves every run its way, with all runs estimated otherwise.
 */
export function resolveFixes(design: Design, finding: OpenFinding, judge: Judge): readonly Fix[] {
  const candidates = finding.candidates(judge).slice(0, MOST_TRIED);
  if (candidates.length === 0) return [];
  const now = judge.asRouted(design);
  const tried = (fix: Fix): Fix | null => {
    let changed: Design;
    try {
      changed = applyEdit(design, fix.edit).design;
    } catch (error) {
      if (error instanceof EditError) return null;
      throw error;
    }
    const then = judge.asRouted(changed);
    const basis: Basis = unrouted(then) <= unrouted(now) ? 'asRouted' : 'estimated';
    const before = basis === 'asRouted' ? now : judge.estimated(design),
      after = basis === 'asRouted' ? then : judge.estimated(changed);
    if (!isGone(finding, before, after)) return null;
    return { ...told(fix, changed, basis, judge), clears: cleared(before, after) };
  };
  const offered: Fix[] = [];
  for (const candidate of candidates) {
    if (offered.length >= MOST_OFFERED) break;
    const fix = tried(candidate);
    if (fix) offered.push(fix);
  }
  return offered;
}

/** Keys of what was found before and is not found after; notes are no trouble. */
function cleared(before: readonly Finding[], after: readonly Finding[]): readonly string[] {
  const left = new Set(after.map(findingKey));
  const keys = before
    .filter((f) => f.severity !== 'note' && !OF_ROUTING.test(f.code))
    .map(findingKey);
  return [...new Set(keys)].filter((key) => !left.has(key));
}

/** A fix that holds, with what it comes to where its label asks for that. */
function told(fix: Fix, changed: Design, basis: Basis, judge: Judge): Fix {
  if (fix.tells === undefined) return fix;
  const { tells: _tells, ...plain } = fix;
  const rise_K = judge.deltaT_K(changed, basis);
  if (rise_K === null) return plain;
  const figure = noted(
    msg`coolant ${formatKelvin(rise_K)}`,
    basis === 'estimated' && msg`estimated runs`,
  );
  return { ...plain, label: `${fix.label}: ${figure}` };
}

/** Whether a finding is gone and nothing is worse for it. */
function isGone(finding: Finding, before: readonly Finding[], after: readonly Finding[]): boolean {
  const key = findingKey(finding);
  const known = new Set(before.map(findingKey));
  const about = new Set(finding.subjects);
  // The same trouble about fewer or other things is not gone.
  const stillThere = (f: Finding): boolean =>
    f.code === finding.code &&
    (findingKey(f) === key || (!known.has(findingKey(f)) && f.subjects.some((s) => about.has(s))));
  return !after.some(stillThere) && !anyKindWorse(before, after, finding);
}
