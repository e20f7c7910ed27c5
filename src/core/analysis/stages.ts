import { matchesOf } from '../matching';
import { isMeasuredHere, type Design } from '../design';
import { verdictOf, type Finding, type Stage, type Verdict } from '../checks';
import { worstRise } from '../thermal';
import {
  formatFlow,
  formatKelvin,
  formatMeasure,
  formatMoney,
  formatNumber,
  formatWatts,
} from '../units';
import { counted, msg } from '../messages';
import type { Reports, StageState, StageStates } from './types';

/** What the rail says of each stage: its verdict, and its one result. */
export function stageStates(
  design: Design,
  reports: Reports,
  findings: readonly Finding[],
): StageStates {
  const against = (stage: Stage): Findings => ({
    stage,
    own: findings.filter((f) => f.stage === stage),
  });
  return {
    heat: heatState(design, reports, against('heat')),
    case: caseState(design, reports, against('case')),
    cooling: coolingState(design, reports, against('cooling')),
    flow: flowState(reports, against('flow')),
    materials: materialsState(reports, against('materials')),
    runs: runsState(reports, against('runs')),
    parts: partsState(design, reports, against('parts')),
    assembly: assemblyState(design, against('assembly')),
    log: logState(design),
  };
}

/** Id of the last step of the work (core/assembly). */
const FIRST_RUN = 'first run';

/** How far the work is by its marks: it holds once the first run was made. */
function assemblyState({ choices }: Design, found: Findings): StageState {
  const done = choices.work?.done ?? {};
  const isRun = FIRST_RUN in done;
  const words = (): string => {
    if (isRun) return msg`first run made`;
    return Object.keys(done).length > 0 ? msg`under way` : msg`not begun`;
  };
  return { verdict: verdictWhere(found, isRun), result: words() };
}

/** How far the machine was read; it holds once the model goes by its readings. */
function logState(design: Design): StageState {
  const { readings = [], measured } = design.choices.work ?? {};
  const isHere = isMeasuredHere(design);
  const words = (): string => {
    if (measured && isHere)
      return msg`uses ${counted(measured.readings, '# reading', '# readings')}`;
    return readings.length > 0
      ? msg`${counted(readings.length, '# reading', '# readings')}`
      : msg`no reading yet`;
  };
  return { verdict: isHere ? 'ok' : 'unchecked', result: words() };
}

/** A stage and what was found in it. */
interface Findings {
  readonly stage: Stage;
  readonly own: readonly Finding[];
}

/** The verdict of what was found; where nothing was and nothing could be checked, unknown. */
function verdictWhere({ own }: Findings, isKnown: boolean): Verdict {
  const verdict = verdictOf(own);
  return verdict === 'ok' && !isKnown ? 'unchecked' : verdict;
}

/** A case alone is no build: nothing of it is OK. */
const isEmpty = (design: Design): boolean => design.components.length === 0;

/** A good word only where nothing of the stage is against it. */
function unlessFound({ own }: Findings, good: string): string {
  const count = own.filter((f) => f.severity !== 'note').length;
  return count > 0 ? msg`${counted(count, '# finding', '# findings')}` : good;
}

function heatState(design: Design, { heat }: Reports, found: Findings): StageState {
  const {
    parts,
    inLoop_W,
    airCooled_W: onAir_W,
    unconnected_W: waiting_W,
  } = heat[design.brief.loadCase];
  const isKnown = parts.length > 0;
  return {
    verdict: verdictWhere(found, isKnown),
    result: isKnown ? formatWatts(inLoop_W + onAir_W + waiting_W) : msg`no parts yet`,
  };
}

function caseState(design: Design, { clearance: fit }: Reports, found: Findings): StageState {
  const count = (verdict: string): number => fit.gaps.filter((g) => g.verdict === verdict).length;
  const blocked = fit.ports.filter((p) => p.verdict === 'clash').length;
  const words = (): string => {
    if (!design.case) return msg`no case yet`;
    if (isEmpty(design)) return msg`nothing in it yet`;
    if (count('clash') > 0) return msg`${counted(count('clash'), '# clash', '# clashes')}`;
    if (blocked > 0) return msg`${counted(blocked, '# port', '# ports')} blocked`;
    if (count('marginal') > 0) return msg`${count('marginal')} marginal`;
    if (fit.unplaced.length > 0) return msg`${fit.unplaced.length} not placed`;
    const unknown = matchesOf(design).filter((m) => m.verdict === 'unknown').length;
    return unlessFound(
      found,
      unknown > 0 ? msg`${counted(unknown, '# fit', '# fits')} not checked` : msg`all clear`,
    );
  };
  return {
    verdict: verdictWhere(found, design.case !== null && !isEmpty(design)),
    result: words(),
  };
}

function coolingState(design: Design, { heat }: Reports, found: Findings): StageState {
  const judged = heat[design.brief.loadCase];
  const rise = worstRise(judged);
  const noise = formatNumber(judged.noise_dBA);
  return {
    verdict: verdictWhere(found, rise !== null),
    result: rise === null ? msg`no radiator at work` : msg`${formatKelvin(rise)}, ${noise} dBA`,
  };
}

function flowState({ flow, runs }: Reports, found: Findings): StageState {
  const flows = flow.loops.map((l) => l.flow_Lmin);
  const about = runs.some((r) => r.by === 'tube' && r.estimated) ? '~' : '';
  return {
    verdict: verdictWhere(found, flows.length > 0),
    result: flows.length > 0 ? `${about}${formatFlow(Math.min(...flows))}` : msg`no loop yet`,
  };
}

function materialsState({ corrosion: metals }: Reports, found: Findings): StageState {
  const count = (verdict: string): number =>
    metals.pairs.filter((p) => p.verdict === verdict).length;
  const wetted = metals.metals.length;
  const words = (): string => {
    if (wetted === 0) return msg`nothing wetted`;
    if (count('fails') > 0) return msg`${counted(count('fails'), '# pair fails', '# pairs fail')}`;
    if (count('marginal') > 0)
      return msg`${counted(count('marginal'), '# pair', '# pairs')} marginal`;
    return unlessFound(
      found,
      msg`${counted(wetted, '# metal, compatible', '# metals, compatible')}`,
    );
  };
  return { verdict: verdictWhere(found, wetted > 0), result: words() };
}

function runsState({ runs, bom: list }: Reports, found: Findings): StageState {
  const tubes = runs.filter((r) => r.by === 'tube');
  const unrouted = tubes.filter((r) => r.estimated).length;
  const metres = formatMeasure(list.tube_mm / 1000, 'm', { decimals: 1 });
  const words = (): string => {
    if (tubes.length === 0) return msg`not connected`;
    if (unrouted === 0) return `${msg`${counted(tubes.length, '# run', '# runs')}`}, ${metres}`;
    return msg`${unrouted} not routed, ~${metres}`;
  };
  return { verdict: verdictWhere(found, tubes.length > 0 && unrouted === 0), result: words() };
}

function partsState(design: Design, { bom: list }: Reports, found: Findings): StageState {
  const total = formatMoney(list.loopTotal, true);
  const words = (): string => {
    if (list.lines.length === 0) return msg`nothing yet`;
    return list.budget === null ? total : msg`${total} of ${formatMoney(list.budget, true)}`;
  };
  return {
    verdict: verdictWhere(found, list.lines.length > 0 && !isEmpty(design)),
    result: words(),
  };
}
