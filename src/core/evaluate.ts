import { withoutRoutes, type Build } from './build';
import {
  resolveFixes,
  runRules,
  verdictOf,
  type Finding,
  type Fix,
  type Stage,
  type Verdict,
} from './finding';
import {
  airSides,
  measureGaps,
  portFits,
  screwNeeds,
  thicknessAt,
  type AirSide,
  type FitReport,
  type MountRoom,
  type PortFit,
  type ScrewNeed,
} from './fit';
import type { FlowReport } from './flow';
import {
  heatSetup,
  sizeCooling,
  solveHeatCases,
  solvePrepared,
  worstRise,
  type CaseReport,
  type HeatReport,
  type HeatSetup,
  type Sizing,
} from './heat';
import { deriveList, type ListReport } from './list';
import { judgeMetals, type MetalReport } from './metal';
import { resolve, type Model } from './model';
import type { Part } from './part';
import { planPower, type PowerReport } from './power';
import {
  formatFlow,
  formatKelvin,
  formatMoney,
  formatNumber,
  formatWatts,
  plural,
} from './quantity';
import { routedRuns, routesOf, unroutedRuns, type Routed } from './route';
import { RULES } from './rule';
import type { Run } from './run';
import { settle } from './settle';

export interface Reports {
  readonly runs: readonly Run[];
  readonly fit: FitReport & {
    readonly rooms: readonly MountRoom[];
    readonly ports: readonly PortFit[];
    readonly airSides: readonly AirSide[];
  };
  readonly power: PowerReport;
  readonly screws: readonly ScrewNeed[];
  readonly flow: FlowReport;
  readonly heat: HeatReport;
  readonly sizing: Sizing;
  /** The judged load at the hottest the brief lets the room get; null where it names none. */
  readonly summer: CaseReport | null;
  readonly metals: MetalReport;
  readonly list: ListReport;
}

export interface StageState {
  readonly verdict: Verdict;
  readonly result: string;
}

/** A finding with the ways out that hold. */
export type PublishedFinding = Omit<Finding, 'candidates'> & { readonly fixes: readonly Fix[] };

export interface Evaluation {
  readonly reports: Reports;
  readonly findings: readonly PublishedFinding[];
  /** What the rail says of each stage. */
  readonly stages: Readonly<Record<Stage, StageState>>;
}

/** An evaluation with what later questions (charts, what-ifs) need and JSON does not. */
export interface Workings extends Omit<Evaluation, 'findings'> {
  readonly findings: readonly Finding[];
  readonly model: Model;
  readonly setup: HeatSetup;
  /** The routes of the document that hold. */
  readonly routed: Routed;
}

export interface EvaluateOptions {
  /** Parts that fixes may offer. */
  readonly offer?: readonly Part[];
}

/** The judged load in the brief's hottest room. */
function inSummer(model: Model, runs: readonly Run[], setup: HeatSetup): CaseReport | null {
  const { brief } = model.build;
  if (brief.summer_C === undefined || brief.summer_C <= brief.room_C) return null;
  const hot: Model = {
    ...model,
    build: { ...model.build, brief: { ...brief, room_C: brief.summer_C } },
  };
  return solvePrepared(
    settle(hot, runs, { ...setup, model: hot }, brief.loadCase).prepared,
    brief.loadCase,
  );
}

/** Everything there is to say about a build. Pure; works on any valid build, however unfinished; milliseconds. */
export function workOut(build: Build, { offer = [] }: EvaluateOptions = {}): Workings {
  const model = resolve(build);
  const routed = routesOf(model);
  const runs = routedRuns(model, routed);
  const fit = measureGaps(model);
  const screws = screwNeeds(model);
  const ports = portFits(model, runs),
    sides = airSides(model),
    power = planPower(model);
  const setup = heatSetup(model, new Map(sides.map((a) => [a.item, a.loss_Pa])));
  const { loadCase } = build.brief;
  const { flow, prepared } = settle(model, runs, setup, loadCase);
  const heat = solveHeatCases(prepared);
  const judged = heat[loadCase];
  const sizing = sizeCooling(prepared, loadCase);
  const summer = inSummer(model, runs, setup);
  const metals = judgeMetals(build);
  const list = deriveList(model, runs, power);
  const findings = runRules(RULES, {
    build,
    model,
    runs,
    missing: routed.missing,
    unpinned: routed.unpinned,
    unrouted: unroutedRuns(model, routed),
    fit,
    ports,
    airSides: sides,
    power,
    screws,
    flow,
    heat: judged,
    summer,
    setup,
    sizing,
    metals,
    list,
    offer,
  });
  const rooms = (build.case?.mounts ?? []).map((m) => thicknessAt(model, m));
  const reports: Reports = {
    runs,
    fit: { ...fit, rooms, ports, airSides: sides },
    power,
    screws,
    flow,
    heat,
    sizing,
    summer,
    metals,
    list,
  };
  const stages = stageStates(build, reports, findings);
  return { reports, findings, stages, model, setup, routed };
}

const analysed = new WeakMap<Build, readonly Finding[]>();

/** Findings of a build with its routes estimated: what fixes are judged by. Remembered while the build lives. */
export function findingsOf(build: Build): readonly Finding[] {
  const known = analysed.get(build);
  if (known) return known;
  const { findings } = workOut(withoutRoutes(build));
  analysed.set(build, findings);
  return findings;
}

/** The published part of workOut: what the API and the terminal print. */
export function evaluate(
  build: Build,
  options: EvaluateOptions & {
    /** Ways out are tried, each by a whole analysis: a second or more. */ readonly fixes?: boolean;
  } = {},
): Evaluation {
  const { reports, findings: found, stages } = workOut(build, options);
  const findings = found.map(({ candidates, ...finding }): PublishedFinding => ({
    ...finding,
    fixes: options.fixes ? resolveFixes(build, { ...finding, candidates }, findingsOf) : [],
  }));
  // A routed run's way stands beside its length, as outside checks read it.
  const runs = reports.runs.map(({ routed, ...run }) => (routed ? { ...run, ...routed } : run));
  return { reports: { ...reports, runs }, findings, stages };
}

function stageStates(
  build: Build,
  reports: Reports,
  findings: readonly Finding[],
): Record<Stage, StageState> {
  const judged = reports.heat[build.brief.loadCase];
  const rise = worstRise(judged);
  const of = (stage: Stage): Verdict => verdictOf(findings.filter((f) => f.stage === stage));
  /** A good word only where nothing of the stage is against it. */
  const unless = (stage: Stage, good: string): string => {
    const against = findings.filter((f) => f.stage === stage && f.severity !== 'note').length;
    return against > 0 ? plural(against, 'finding') : good;
  };
  const known = (stage: Stage, known: boolean): Verdict =>
    of(stage) === 'holds' && !known ? 'unknown' : of(stage);
  const { fit, flow, list } = reports;
  const badPorts = fit.ports.filter((p) => p.verdict === 'clash').length;
  const count = (v: string): number => fit.gaps.filter((g) => g.verdict === v).length;
  const slowest = flow.loops.length > 0 ? Math.min(...flow.loops.map((l) => l.flow_Lmin)) : null;
  const tubes = reports.runs.filter((r) => r.by === 'tube');
  const bad = reports.metals.pairs.filter((p) => p.verdict === 'fails').length,
    marginal = reports.metals.pairs.filter((p) => p.verdict === 'tight').length;
  const clearanceWords = () => {
    if (!build.case) return 'no case yet';
    if (count('clash') > 0) return plural(count('clash'), 'clash', 'clashes');
    if (badPorts > 0) return `${plural(badPorts, 'port')} blocked`;
    if (count('tight') > 0) return `${count('tight')} tight`;
    if (fit.unplaced.length > 0) return `${fit.unplaced.length} without a place`;
    return unless('case', 'all clear');
  };
  const metalsWords = () => {
    if (reports.metals.metals.length === 0) return 'nothing wetted';
    if (bad > 0) return `${plural(bad, 'pair')} ${bad === 1 ? 'fails' : 'fail'}`;
    if (marginal > 0) return `${plural(marginal, 'pair')} marginal`;
    return unless('materials', `${plural(reports.metals.metals.length, 'metal')}, compatible`);
  };
  const unrouted = tubes.filter((r) => r.estimated).length;
  const runsWords = () => {
    if (tubes.length === 0) return 'not connected';
    const metres = formatNumber(list.tube_mm / 1000, { decimals: 1 });
    if (unrouted === 0) return `${plural(tubes.length, 'run')}, ${metres} m`;
    return `${unrouted} of ${tubes.length} not routed, ~${metres} m`;
  };
  const costWords = () => {
    if (list.lines.length === 0) return 'nothing yet';
    if (list.budget === null) return formatMoney(list.loopTotal, true);
    return `${formatMoney(list.loopTotal, true)} of ${formatMoney(list.budget, true)}`;
  };
  return {
    heat: {
      verdict: known('heat', judged.parts.length > 0),
      result:
        judged.parts.length > 0
          ? formatWatts(judged.inLoop_W + judged.onAir_W + judged.waiting_W)
          : 'no parts yet',
    },
    case: {
      verdict: known('case', build.case !== null),
      result: clearanceWords(),
    },
    cooling: {
      verdict: known('cooling', rise !== null),
      result:
        rise === null
          ? 'no radiator at work'
          : `${formatKelvin(rise)}, ${formatNumber(judged.noise_dBA)} dBA`,
    },
    flow: {
      verdict: known('flow', slowest !== null),
      result: slowest === null ? 'no loop yet' : formatFlow(slowest),
    },
    materials: {
      verdict: known('materials', reports.metals.metals.length > 0),
      result: metalsWords(),
    },
    runs: {
      verdict: known('runs', tubes.length > 0 && unrouted === 0),
      result: runsWords(),
    },
    parts: {
      verdict: known('parts', list.lines.length > 0),
      result: costWords(),
    },
    assembly: { verdict: 'unknown', result: 'not here yet' },
    log: { verdict: 'unknown', result: 'not here yet' },
  };
}
