import { obstructedModel } from './obstructedModel';
import { createSelectorCreator, lruMemoize, type createSelector } from 'reselect';
import type { Design } from '../design';
import { inOrder, runChecks } from '../checks';
import {
  measureAirflowObstructions,
  measureGaps,
  portFits,
  screwNeeds,
  mountDepthAt,
  nameDepths,
  nameGaps,
  nameObstructions,
  namePorts,
} from '../clearance';
import {
  solveCoupled,
  sizeCooling,
  solveHeatCases,
  solvePrepared,
  modelOf,
  nameHeat,
} from '../thermal';
import { buildBom } from '../bom';
import { judgeCorrosion } from '../corrosion';
import { nameless, namesOf, sameNames, withDesign, type Names, type System } from '../system';
import type { Part } from '../components';
import { planWiring } from '../wiring';
import { routedRuns, routesOf, tidinessOf, unroutedRuns } from '../routing';
import { nameRuns } from '../tubing';
import { OPERATING_CHECKS, SPATIAL_CHECKS } from '../checks';
import {
  differsInNameOnly,
  differsInNamesOnly,
  differsInSpeedOnly,
  isSameSpace,
  placeSpace,
  toSpace,
  withNames,
} from './space';
import { stageStates } from './stages';
import type { Analysis, OpenAnalysis, Reports } from './types';

/** What an analysis is asked of: the design, and the parts that fixes may offer. */
export interface Asked {
  readonly design: Design;
  readonly offer: readonly Part[];
}

/**
 * One result is remembered; one that says the same as the last is the last, and stops the change
 * there.
 */
const valueEqual = <T>(same: (a: T, b: T) => boolean) =>
  createSelectorCreator({
    memoize: lruMemoize,
    memoizeOptions: { maxSize: 1, resultEqualityCheck: same },
    devModeChecks: { identityFunctionCheck: 'never', inputStabilityCheck: 'never' },
  });
const select = createSelectorCreator({
  memoize: lruMemoize,
  memoizeOptions: { maxSize: 1 },
  devModeChecks: { identityFunctionCheck: 'never', inputStabilityCheck: 'never' },
}) as typeof createSelector;

/**
 * The whole flow, top to bottom: each result names what it is worked out from, and is worked out
 * again only when one of these has changed. A set of its own for each session: one result of each
 * is remembered.
 */
export function createSelectors() {
  const input = (asked: Asked): Design => asked.design;
  // The build's own name changes nothing.
  const design = valueEqual(differsInNameOnly)([input], (d) => d);
  const offer = (asked: Asked): readonly Part[] => asked.offer;
  // What the builder calls components: put in where results are told, unknown to whatever works
  // them out.
  const names = valueEqual(sameNames)([design], namesOf);

  // Where everything stands.
  const space = valueEqual(isSameSpace)([design], toSpace);
  let standing: System | null = null;
  const system = select([space], (s) => (standing = placeSpace(s, standing)));
  const routed = select([system], routesOf);
  const tubes = select([system, routed], routedRuns);
  const tidiness = select([system, routed], (s, { routes, missing }) =>
    tidinessOf(s, routes, missing.length),
  );
  const gaps = select([system], measureGaps);
  const portGaps = select([system, tubes], portFits);
  const airflow = select([system], measureAirflowObstructions);
  const depths = select([system], (s) =>
    (s.design.case?.mounts ?? []).map((mount) => mountDepthAt(s, mount)),
  );

  // What flows, warms and sounds in it.
  const operating = valueEqual(differsInNamesOnly)([design], nameless);
  const model = select([system, operating], withDesign);
  const thermalModel = select([model, airflow], obstructedModel);
  const hydraulicsAndThermal = select([model, tubes, thermalModel], (m, r, t) =>
    solveCoupled(m, r, t, m.design.brief.loadCase),
  );
  const heatByCase = select([hydraulicsAndThermal], ({ prepared }) => solveHeatCases(prepared));
  const sizing = select([hydraulicsAndThermal, model], ({ prepared }, m) =>
    sizeCooling(prepared, m.design.brief.loadCase),
  );
  const heatInSummer = select([model, tubes, thermalModel], inSummer);

  // The same, told with the names.
  const runs = select([tubes, names], nameRuns);
  const clearance = select([gaps, names], nameGaps);
  const portClearance = select([portGaps, names], namePorts);
  const airflowObstruction = select([airflow, names], nameObstructions);
  const mountDepths = select([depths, names], nameDepths);
  const heat = select([heatByCase, names], nameCases);
  const summer = select([heatInSummer, names], (h, n) => h && nameHeat(h, n));
  const namedSpace = select([system, names], (s, n) => withDesign(s, withNames(s.design, n)));
  const namedModel = select([system, design], withDesign);
  const namedThermalModel = select([thermalModel, namedModel], modelOf);

  // What it is made of and what is bought, at whatever speed it runs.
  const atRest = valueEqual(differsInSpeedOnly)([design], (d) => d);
  const fitted = select([system, atRest], withDesign);
  const screws = select([fitted], screwNeeds);
  const wiring = select([fitted], planWiring);
  const corrosion = select([atRest], judgeCorrosion);
  const billOfMaterials = select([fitted, runs, wiring], buildBom);

  // What is wrong.
  const spatialFindings = select(
    [namedSpace, runs, routed, clearance, portClearance, airflowObstruction, offer],
    (s, r, rt, fit, p, sides, parts) =>
      runChecks(SPATIAL_CHECKS, {
        design: s.design,
        system: s,
        runs: r,
        missing: rt.missing,
        unpinned: rt.unpinned,
        unrouted: unroutedRuns(s, rt),
        clearance: fit,
        ports: p,
        airflowObstructions: sides,
        offer: parts,
      }),
  );
  const operatingFindings = select(
    [
      namedModel,
      runs,
      routed,
      clearance,
      portClearance,
      airflowObstruction,
      offer,
      wiring,
      screws,
      hydraulicsAndThermal,
      heat,
      summer,
      namedThermalModel,
      sizing,
      corrosion,
      billOfMaterials,
    ],
    (m, r, rt, fit, p, sides, parts, pw, sc, { flow }, h, su, tm, sz, co, bom) =>
      runChecks(OPERATING_CHECKS, {
        design: m.design,
        system: m,
        runs: r,
        missing: rt.missing,
        unpinned: rt.unpinned,
        unrouted: unroutedRuns(m, rt),
        clearance: fit,
        ports: p,
        airflowObstructions: sides,
        offer: parts,
        wiring: pw,
        screws: sc,
        flow,
        heat: h[m.design.brief.loadCase],
        summer: su,
        thermalModel: tm,
        sizing: sz,
        corrosion: co,
        bom,
      }),
  );
  const findings = select([spatialFindings, operatingFindings], (spatial, operating) =>
    inOrder([...spatial, ...operating]),
  );
  // One object while nothing of it changes: it is told and drawn again with every other.
  const fit = select(
    [clearance, mountDepths, portClearance, airflowObstruction],
    (gapsNamed, depthsNamed, ports, sides): Reports['clearance'] => ({
      ...gapsNamed,
      mountDepths: depthsNamed,
      ports,
      airflowObstructions: sides,
    }),
  );
  const reports = select(
    [
      runs,
      fit,
      wiring,
      screws,
      hydraulicsAndThermal,
      heat,
      sizing,
      summer,
      corrosion,
      billOfMaterials,
      tidiness,
    ],
    (r, cl, pw, sc, { flow }, h, sz, su, me, li, ti): Reports => ({
      runs: r,
      tidiness: ti,
      clearance: cl,
      wiring: pw,
      screws: sc,
      flow,
      heat: h,
      sizing: sz,
      summer: su,
      corrosion: me,
      bom: li,
    }),
  );
  const stages = select([design, reports, findings], stageStates);
  const analysis = select(
    [reports, findings, stages, namedModel, namedThermalModel, routed],
    (re, f, stg, m, st, rt): OpenAnalysis => ({
      reports: re,
      findings: f,
      stages: stg,
      system: m,
      thermalModel: st,
      routed: rt,
    }),
  );

  return {
    input,
    design,
    offer,
    names,
    space,
    system,
    routed,
    tubes,
    gaps,
    portGaps,
    airflow,
    depths,
    operating,
    model,
    thermalModel,
    hydraulicsAndThermal,
    heatByCase,
    sizing,
    heatInSummer,
    runs,
    clearance,
    portClearance,
    airflowObstruction,
    mountDepths,
    heat,
    summer,
    namedSpace,
    namedModel,
    namedThermalModel,
    atRest,
    fitted,
    screws,
    wiring,
    corrosion,
    billOfMaterials,
    fit,
    spatialFindings,
    operatingFindings,
    findings,
    reports,
    stages,
    analysis,
  };
}

/** Each load case told with the names. */
const nameCases = (cases: Reports['heat'], names: Names): Reports['heat'] =>
  Object.fromEntries(
    Object.entries(cases).map(([load, report]) => [load, nameHeat(report, names)]),
  ) as unknown as Reports['heat'];

export type Selectors = ReturnType<typeof createSelectors>;
export type SelectorName = keyof Selectors;

/** The judged load in the brief's hottest room. */
function inSummer(system: System, runs: Reports['runs'], thermalModel: Analysis['thermalModel']) {
  const { brief } = system.design;
  if (brief.summer_C === undefined || brief.summer_C <= brief.room_C) return null;
  const hot: System = {
    ...system,
    design: { ...system.design, brief: { ...brief, room_C: brief.summer_C } },
  };
  const { prepared } = solveCoupled(hot, runs, { ...thermalModel, system: hot }, brief.loadCase);
  return solvePrepared(prepared, brief.loadCase);
}

/** What each result is worked out from, by name, in the order of the flow. */
export function declaredInputs(
  selectors: Selectors = createSelectors(),
): ReadonlyMap<SelectorName, readonly SelectorName[]> {
  const entries = Object.entries(selectors) as [SelectorName, unknown][];
  const nameOf = new Map(entries.map(([name, selector]) => [selector, name]));
  return new Map(
    entries.map(([name, selector]) => {
      const inputs = (selector as { dependencies?: readonly unknown[] }).dependencies ?? [];
      return [name, inputs.flatMap((input) => nameOf.get(input) ?? [])];
    }),
  );
}
