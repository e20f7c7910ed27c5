import type { Design } from '../design';
import { shownLanguage } from '../messages';
import { shownUnits } from '../units';
import { withDesign, type System } from '../system';
import { differsInNameOnly, isSameSpace, placeSpace, toSpace } from './space';
import type { Analysis, OpenAnalysis, Reports, Told } from './types';

/** What words are written in now. */
const wordsNow = (): Told['words'] => ({ units: shownUnits(), language: shownLanguage() });

/** Whether what was told is in the words that are shown now. */
export const isInWordsNow = ({ words }: Told): boolean =>
  words.units === shownUnits() && words.language === shownLanguage();

/** What has changed since an analysis was last told; reports one by one. */
export interface Telling extends Partial<Omit<Told, 'reports'>> {
  readonly reports: Partial<Reports>;
}

/** All that another thread is told of an analysis. */
export function tell(analysis: OpenAnalysis): Told {
  const { reports, stages, routed } = analysis;
  return {
    words: wordsNow(),
    reports,
    findings: plainFindings(analysis),
    stages,
    routed,
    thermalModel: plainModel(analysis),
  };
}

/** The same, less what was so `before`: what an edit left as it was is the same object there. */
export function tellChanges(now: OpenAnalysis, before: OpenAnalysis): Telling {
  return {
    reports: changedReports(now.reports, before.reports),
    ...(now.findings === before.findings ? {} : { findings: plainFindings(now) }),
    ...(now.stages === before.stages ? {} : { stages: now.stages }),
    ...(now.routed === before.routed ? {} : { routed: now.routed }),
    ...(now.thermalModel === before.thermalModel ? {} : { thermalModel: plainModel(now) }),
  };
}

/** What is told once the changes are heard; what they do not name stays the same object. */
export function heard(told: Told, { reports, ...changes }: Telling): Told {
  return { ...told, ...changes, reports: { ...told.reports, ...reports } };
}

const changedReports = (now: Reports, before: Reports): Partial<Reports> =>
  Object.fromEntries(
    Object.entries(now).filter(([name, report]) => report !== before[name as keyof Reports]),
  );

const plainFindings = ({ findings }: OpenAnalysis): Told['findings'] =>
  findings.map(({ candidates: _candidates, ...finding }) => finding);

function plainModel({ thermalModel }: OpenAnalysis): Told['thermalModel'] {
  const { system: _system, ...model } = thermalModel;
  return model;
}

/**
 * Makes whole analyses again of what is told and the design it is told of. The system is compiled
 * here; while what it is compiled from stays the same, so does it.
 */
export function createListener(
  compile = createCompiler(),
): (design: Design, told: Told) => Analysis {
  let last: Analysis | null = null;
  let lastModel: Told['thermalModel'] | null = null;
  return (design, { thermalModel, words: _words, ...told }) => {
    const system = compile(design);
    const isSameModel = last?.system === system && lastModel === thermalModel;
    lastModel = thermalModel;
    last = {
      ...told,
      system,
      thermalModel: isSameModel && last ? last.thermalModel : { ...thermalModel, system },
    };
    return last;
  };
}

/**
 * Compiles one design after the other. What stands as it stood in the one before is the same
 * object; asked twice in turn for the same design, it answers with the same system.
 */
export function createCompiler(): (design: Design) => System {
  let space: Design | null = null;
  let standing: System | null = null;
  let named: System | null = null;
  return (design) => {
    const next = toSpace(design);
    const before = standing;
    if (!standing || !space || !isSameSpace(space, next)) {
      space = next;
      standing = placeSpace(next, standing);
    }
    if (!named || standing !== before || !differsInNameOnly(named.design, design))
      named = withDesign(standing, design);
    return named;
  };
}
