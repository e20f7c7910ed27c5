import { analyse, obstructedModel } from '../analysis';
import {
  applyEdit,
  withoutRoutes,
  type Design,
  type Edit,
  type Component,
  type Placement,
  findComponent,
  priceIn,
} from '../design';
import { atFullSpeed, flowAtShares, networkOf, pumpMargin, slowestShareFor } from '../hydraulics';
import {
  noiseOf,
  soundSources,
  solveCoupled,
  solvePrepared,
  type CaseReport,
  type ThermalModel,
} from '../thermal';
import { secondPump } from '../loops';
import {
  compileSystem,
  type FluidLink,
  type LoopGraph,
  type System,
  type LinkLaw,
} from '../system';
import type { HeadPoint, InlinePart, PumpPart } from '../components';
import { runsOf } from '../routing';
import type { Run } from '../tubing';
import { heardLevel, soundSum } from '../acoustics';

export const PUMP_WAYS = ['one', 'series', 'parallel'] as const;
export type PumpWay = (typeof PUMP_WAYS)[number];

/** One pump, or two alike, in a loop's place for pumps. */
export interface PumpChoice {
  readonly part: PumpPart;
  readonly way: PumpWay;
  /** Round the loop at full speed, L/min. */
  readonly fullFlow_Lmin: number;
  /**
   * Slowest speed that still moves the wanted flow, in steps of 50 and held above the pump's own
   * least speed; null when full speed does not.
   */
  readonly speed_rpm: number | null;
  /** What it moves at that speed, L/min. */
  readonly flow_Lmin: number | null;
  /** Head to spare at the wanted flow and full speed, as a share of what is needed. */
  readonly margin: number | null;
  /** Pumps alone at the listener, at that speed (at full speed when it does not reach), dBA. */
  readonly noise_dBA: number;
  /** Everything together there, dBA. */
  readonly allNoise_dBA: number;
  /**
   * How much warmer the part with the least room gets by running at that speed instead of full, K.
   */
  readonly slowerCosts_K: number | null;
  /** Hottest part against its limit at that speed: what is left, K. */
  readonly headroom_K: number | null;
  readonly price_minor: number;
}

/**
 * Speeds are given in steps a controller can be set to, upward, so that the wanted flow is held,
 * rpm.
 */
const STEP_RPM = 50;
const stepped = (rpm: number, part: PumpPart): number =>
  Math.min(
    part.fullSpeed_rpm,
    Math.ceil(Math.max(part.minSpeed_rpm, rpm) / STEP_RPM - 1e-9) * STEP_RPM,
  );

/** Two alike as one: heads add in a row, flows add side by side. */
function combined(part: PumpPart, way: PumpWay): PumpPart {
  if (way === 'one') return part;
  const points = part.points.map(([q, h]): HeadPoint =>
    way === 'series' ? [q, 2 * h] : [2 * q, h],
  );
  return {
    ...part,
    points,
    power_W: 2 * part.power_W,
    sound_dBA: soundSum([part.sound_dBA, part.sound_dBA]),
  };
}

const PASSED: LinkLaw = { kind: 'measured', points: [] };

/**
 * The same model with one loop's pumps replaced. Further pumps give way: passed freely in a row,
 * shut off side by side.
 */
function withPump(system: System, graph: LoopGraph, pump: Component): System {
  const pumps = graph.links.filter((l) => l.law.kind === 'pump');
  const side = graph.branched && pumps.length > 1;
  const links = graph.links.flatMap((link): FluidLink[] => {
    if (link.law.kind !== 'pump') return [link];
    if (link === pumps[0] && pump.part.kind === 'pump')
      return [{ ...link, part: pump.part, law: { kind: 'pump', part: pump.part } }];
    return side ? [] : [{ ...link, component: null, part: null, heat: null, law: PASSED }];
  });
  const gone = new Set(pumps.slice(1).map((link) => link.component));
  const design: Design = {
    ...system.design,
    components: system.design.components
      .filter((i) => !gone.has(i.id))
      .map((i) => (i.id === pump.id ? pump : i)),
  };
  return {
    ...system,
    design,
    loops: system.loops.map((g) => (g === graph ? { ...graph, links } : g)),
  };
}

/** Least room any part has under its limit, K; null when a temperature is unknown. */
function headroom(report: CaseReport): number | null {
  const cooled = report.hotSpots.filter((s) => s.cooledBy !== null);
  if (cooled.length === 0 || cooled.some((s) => s.temp_C === null)) return null;
  return Math.min(...cooled.map((s) => s.limit_C - (s.temp_C as number)));
}

/**
 * How one pump, or two alike, would do in the loop at its speeds. Null when the loop has no pump to
 * be replaced.
 */
export function pumpChoice(
  system: System,
  runs: readonly Run[],
  thermalModel: ThermalModel,
  loop: string,
  coolant_C: number,
  part: PumpPart,
  way: PumpWay,
): PumpChoice | null {
  const graph = system.loops.find((g) => g.loop.id === loop);
  const first = findComponent(
    system.design,
    graph?.links.find((l) => l.law.kind === 'pump')?.component,
  );
  if (!graph || !first) return null;
  const { brief } = system.design;
  const target = brief.limits.flow_Lmin;
  const whole = combined(part, way);
  const at = (speed_rpm: number): System =>
    withPump(system, graph, { ...first, part: whole, settings: { ...first.settings, speed_rpm } });
  const full = at(part.fullSpeed_rpm);
  const fullGraph = full.loops.find((g) => g.loop.id === loop) as LoopGraph;
  const network = atFullSpeed(networkOf(full, fullGraph, runs, coolant_C));
  const share = slowestShareFor(network, target);
  const speed_rpm = share === null ? null : stepped(share * part.fullSpeed_rpm, part);
  const heat = (rpm: number): { report: CaseReport; all: number } => {
    const here = at(rpm);
    const prepared = solveCoupled(
      here,
      runs,
      { ...thermalModel, system: here },
      brief.loadCase,
    ).prepared;
    return {
      report: solvePrepared(prepared, brief.loadCase),
      all: noiseOf({ ...thermalModel, system: here }),
    };
  };
  const fast = heat(part.fullSpeed_rpm),
    slow = speed_rpm === null ? null : heat(speed_rpm);
  const fastRoom = headroom(fast.report),
    slowRoom = slow && headroom(slow.report);
  const count = way === 'one' ? 1 : 2;
  const here = { ...thermalModel, system: at(speed_rpm ?? part.fullSpeed_rpm) };
  const alone = soundSources(here).filter((s) => s.component === first.id);
  return {
    part,
    way,
    speed_rpm,
    fullFlow_Lmin: flowAtShares(network, [1])[0] as number,
    flow_Lmin:
      speed_rpm === null
        ? null
        : (flowAtShares(network, [speed_rpm / part.fullSpeed_rpm])[0] as number),
    margin: pumpMargin(network, target),
    noise_dBA: heardLevel(alone, brief.listener_m),
    allNoise_dBA: (slow ?? fast).all,
    slowerCosts_K: fastRoom === null || slowRoom === null ? null : fastRoom - slowRoom,
    headroom_K: slowRoom,
    price_minor: count * priceIn(brief, part.price_minor),
  };
}

/** Speed that new pumps are set to: as slow as holds the brief's flow, or today's; flat out. */
export const PUMP_AIMS = ['brief', 'today', 'full'] as const;
export type PumpAim = (typeof PUMP_AIMS)[number];

/** A pump, or two alike, asked for in a loop's place for pumps. */
export interface PumpAsked {
  readonly loop: string;
  readonly part: PumpPart;
  readonly way: PumpWay;
  readonly aim: PumpAim;
}

/** How a second pump may be put in. */
export interface PumpMeans {
  readonly tee: InlinePart | null;
  readonly places: (design: Design) => readonly Placement[];
}

/** Places of a second pump that are tried. */
const PLACES_TRIED = 4;

/**
 * Makes a loop's pump this one, or two of it: further pumps go, the first is replaced, a second is
 * set behind it or beside it, in the place that brings the least trouble of those there are. Null
 * when the loop has no pump, or no way for a second.
 */
export function pumpEdit(design: Design, asked: PumpAsked, means: PumpMeans): Edit | null {
  const { loop, part, way } = asked;
  const [first, ...others] = pumpsOf(design, loop);
  if (first === undefined) return null;
  const edits: readonly Edit[] = [
    ...others.map((component): Edit => ({ do: 'component.remove', component })),
    { do: 'component.replace', component: first, part },
  ];
  const made = changedBy(design, edits);
  if (way === 'one') return atSpeedAsked(design, made, edits, asked);
  const options = means.places(made).slice(0, PLACES_TRIED);
  const seconds = options.flatMap((place) => {
    const second = secondPump(made, loop, first, part, way, means.tee, place);
    return second ? [[...edits, second]] : [];
  });
  const [only] = seconds;
  if (!only) return null;
  const best = seconds.length > 1 ? leastTrouble(design, seconds) : only;
  return atSpeedAsked(design, changedBy(design, best), best, asked);
}

const changedBy = (design: Design, edits: readonly Edit[]): Design =>
  edits.reduce((d, e) => applyEdit(d, e).design, design);

/** The first of those with the fewest findings that fail, then of those that are marginal. */
function leastTrouble(design: Design, ways: readonly (readonly Edit[])[]): readonly Edit[] {
  const troubleOf = (edits: readonly Edit[]): number => {
    const { findings } = analyse(withoutRoutes(changedBy(design, edits)));
    const count = (severity: string): number =>
      findings.filter((f) => f.severity === severity).length;
    return 1000 * count('fails') + count('marginal');
  };
  const troubles = ways.map(troubleOf);
  return ways[troubles.indexOf(Math.min(...troubles))] as readonly Edit[];
}

function atSpeedAsked(
  before: Design,
  made: Design,
  edits: readonly Edit[],
  { loop, part, aim }: PumpAsked,
): Edit {
  const wanted_Lmin = aim === 'today' ? flowOf(before, loop) : before.brief.limits.flow_Lmin;
  const speed_rpm =
    aim === 'full' ? part.fullSpeed_rpm : holdingSpeed(made, loop, part, wanted_Lmin);
  return {
    do: 'batch',
    edits: [
      ...edits,
      ...pumpsOf(made, loop).map((component): Edit => ({
        do: 'component.set',
        component,
        values: { speed_rpm },
      })),
    ],
  };
}

/** What goes round a loop as it stands, L/min. */
function flowOf(design: Design, loop: string): number {
  const { reports } = analyse(design);
  return reports.flow.loops.find((l) => l.id === loop)?.flow_Lmin ?? 0;
}

const pumpsOf = (design: Design, loop: string): readonly string[] =>
  compileSystem(design)
    .loops.find((g) => g.loop.id === loop)
    ?.stations.filter((s) => findComponent(design, s)?.part.kind === 'pump') ?? [];

/**
 * Slowest speed of a loop's pumps that moves the wanted flow as the build stands, rpm; full speed
 * when none does.
 */
function holdingSpeed(design: Design, loop: string, part: PumpPart, wanted_Lmin: number): number {
  const system = compileSystem(design),
    runs = runsOf(system);
  const graph = system.loops.find((g) => g.loop.id === loop);
  if (!graph) return part.fullSpeed_rpm;
  const { flow } = solveCoupled(system, runs, obstructedModel(system), design.brief.loadCase);
  const coolant_C = flow.loops.find((l) => l.id === loop)?.coolant_C ?? design.brief.room_C;
  const share = slowestShareFor(
    atFullSpeed(networkOf(system, graph, runs, coolant_C)),
    wanted_Lmin,
  );
  return share === null ? part.fullSpeed_rpm : stepped(share * part.fullSpeed_rpm, part);
}

/**
 * All pumps in all ways: those that reach the wanted flow first, quietest first. `tell` hears how
 * many of how many are done; it stops when told to.
 */
export function pumpChoices(
  system: System,
  runs: readonly Run[],
  loop: string,
  coolant_C: number,
  pumps: readonly PumpPart[],
  tell: (done: number, of: number) => boolean = () => true,
): readonly PumpChoice[] {
  const thermalModel = obstructedModel(system);
  const rows: PumpChoice[] = [];
  const of = pumps.length * PUMP_WAYS.length;
  let done = 0;
  for (const part of pumps) {
    for (const way of PUMP_WAYS) {
      const row = pumpChoice(system, runs, thermalModel, loop, coolant_C, part, way);
      if (row) rows.push(row);
      done += 1;
      if (!tell(done, of)) return sorted(rows);
    }
  }
  return sorted(rows);
}

const sorted = (rows: readonly PumpChoice[]): readonly PumpChoice[] =>
  [...rows].sort(
    (a, b) =>
      Number(a.speed_rpm === null) - Number(b.speed_rpm === null) ||
      a.noise_dBA - b.noise_dBA ||
      a.price_minor - b.price_minor,
  );
