import { applyEdit, findComponent, type Design, type Edit } from '../design';
import { portFits } from '../clearance';
import { compileSystem, type System } from '../system';
import {
  chainsOf,
  crossingsOf,
  layoutEdit,
  pathLength,
  routeDesign,
  routedRuns,
  routesOf,
  unthreaded,
  withFrames,
  worthOfRoute,
  type Route,
  type Routed,
} from '../routing';
import { changesOf, type Changes, type PartMoved } from './changes';
import { keepHome } from './freedom';
import { otherOrders, reordered } from './orders';
import { ChoiceSearch } from './search';
import { variablesOf, type Looking, type Variable } from './states';

type Tell = (done: number, of: number) => boolean;

/** What a layout comes to. */
export interface LayoutMeasured {
  readonly runs: number;
  readonly missing: number;
  readonly bends: number;
  readonly tube_mm: number;
  /** Elbows, extenders and their like before the end fittings. */
  readonly adapters: number;
  /** Pairs of runs that cross as seen through the window. */
  readonly crossings: number;
}

export interface ImprovedLayout {
  /** Moves, ports and routes in one step. */
  readonly edit: Edit;
  readonly before: LayoutMeasured;
  readonly after: LayoutMeasured;
  readonly parts: readonly PartMoved[];
  /** Loops that run in another order, with their parts in it. */
  readonly orders: readonly { readonly loop: string; readonly order: readonly string[] }[];
}

/** A gain smaller than this, in millimetres of tube by the style's prices, is not offered. */
const WORTH_MM = 25;

/** Choices of ports and turns that are routed whole before slides are looked at. */
const PROOFS = 4;
/** Rounds of slides: what is level with its neighbour may bring a third in line. */
const SLIDES = 3;
/** And of each other order of a loop's parts that is tried, where the order is free. */
const ORDER_PROOFS = 2;

/** Hears every layout that is better than all proven before it, as soon as it is. */
export type SoFar<L> = (better: L) => void;

/**
 * A better layout of the whole build: ports, turns and places of parts chosen together for the
 * least bends and tube (`ChoiceSearch`), then proven by routing every run; what the runs cost each
 * other there is learned for the next choice. What the builder fixed stays. Null where nothing
 * better is found. Stopped, it tells the best proven so far; `soFar` hears each as it is proven.
 * Deterministic.
 */
export function improvedLayout(
  design: Design,
  tell: Tell = () => true,
  soFar: SoFar<ImprovedLayout> = () => undefined,
): ImprovedLayout | null {
  const search = new LayoutSearch(design, tell, soFar);
  const asItIs: Changes = { edits: [], parts: [] };
  search.choosePorts(asItIs, PROOFS, search.prove(asItIs));
  for (const order of search.orders) search.choosePorts(order, ORDER_PROOFS);
  for (let round = 0; round < SLIDES && search.slide(); round += 1);
  search.finish();
  return search.found();
}

/** A layout that was routed whole. */
interface Proven {
  readonly changes: Changes;
  readonly layout: Edit | null;
  readonly routes: readonly Route[];
  readonly measured: LayoutMeasured;
  readonly worth: number;
}

class LayoutSearch {
  private best: Proven | null = null;
  private readonly before: LayoutMeasured;
  private readonly worthNow: number;
  /** Other orders of the loops to be tried. */
  readonly orders: readonly Changes[];
  private steps = 0;
  private readonly allSteps: number;

  constructor(
    private readonly design: Design,
    private readonly tell: Tell,
    private readonly soFar: SoFar<ImprovedLayout>,
  ) {
    this.orders = otherOrders(design);
    this.allSteps = STEPS + this.orders.length * (ORDER_PROOFS + 1);
    const now = routesOf(compileSystem(design));
    this.before = measured(design, now);
    this.worthNow = this.before.missing === 0 ? worthOf(design, now) : Infinity;
  }

  /** Routes a build with some changes; kept where it is better than all before. */
  prove(changes: Changes): Proven | null {
    if (!this.begins()) return null;
    const changed = applied(this.design, changes.edits);
    const laid = routeDesign(changed, this.goesOn, true);
    const came = measured(changed, laid.routed);
    const proven = {
      changes,
      layout: layoutEdit(changed, laid),
      routes: laid.routed.routes,
      measured: came,
      worth: worthOf(withFrames(changed, laid), laid.routed),
    };
    if (!this.best || isBetter(proven, this.best)) {
      this.best = proven;
      const found = this.found();
      if (found) this.soFar(found);
    }
    return proven;
  }

  /**
   * Other ports and quarter turns, routed and learned from until no other choice is reckoned better.
   * `base`: changes made before, such as another order; `known`: what those came to, where that was
   * proven.
   */
  choosePorts(base: Changes, proofs: number, known: Proven | null = null): void {
    const design = applied(this.design, base.edits);
    const { search, variables, system } = searchOf(design, 'ports');
    const tried = new Set<string>();
    for (let i = 0; i < proofs && this.begins(); i += 1) {
      const { states } = search.least(this.goesOn);
      if (tried.has(states.join())) return;
      tried.add(states.join());
      const { edits, parts } = changesOf(design, variables, states, 'ports');
      const isAsKnown = states.every((state) => state === 0);
      const proven =
        (isAsKnown && known) || this.prove({ edits: [...base.edits, ...edits], parts });
      if (!proven) return;
      for (const c of system.design.loops.flatMap((l) => l.connections))
        search.learn(c.id, states, costIn(design, c.id, proven.routes));
    }
  }

  /** Slides of parts about the best there is; whether that made it better. */
  slide(): boolean {
    const { best } = this;
    if (!best || !this.begins()) return false;
    // However often it is looked at, nothing slides farther from where the builder put it.
    const homes = this.design.components.flatMap((c) => keepHome(c) ?? []);
    const design = applied(this.design, [...best.changes.edits, ...homes]);
    const { search, variables } = searchOf(design, 'slides');
    const { states } = search.least(this.goesOn);
    const slid = changesOf(design, variables, states, 'slides');
    if (slid.edits.length === 0) return false;
    this.prove({
      edits: [...best.changes.edits, ...slid.edits],
      parts: merged(best.changes.parts, slid.parts),
    });
    return this.best !== best;
  }

  /** Runs that were given up soon are looked into to the end. */
  finish(): void {
    const { best } = this;
    if (!best || best.measured.missing === 0 || !this.begins()) return;
    const changed = applied(this.design, best.changes.edits);
    const laid = routeDesign(changed, this.goesOn);
    const came = measured(changed, laid.routed);
    const worth = worthOf(withFrames(changed, laid), laid.routed);
    const layout = layoutEdit(changed, laid);
    this.best = { ...best, layout, routes: laid.routed.routes, measured: came, worth };
  }

  /** The best layout, where it is worth moving anything for. */
  found(): ImprovedLayout | null {
    const { best, before, worthNow } = this;
    if (!best) return null;
    const fewerMissing = best.measured.missing < before.missing;
    const better = best.measured.missing === before.missing && best.worth < worthNow - WORTH_MM;
    if (!fewerMissing && !better) return null;
    const { edits, parts } = settled(this.design, best.changes);
    // Asked again, nothing slides farther from where the builder put it.
    const homes = parts.flatMap((p) => {
      const component = findComponent(this.design, p.component);
      return (p.slid || p.turned) && component ? (keepHome(component) ?? []) : [];
    });
    const all = [...edits, ...homes];
    return {
      edit: { do: 'batch', edits: best.layout ? [...all, best.layout] : all },
      before,
      after: best.measured,
      parts,
      orders: reordered(this.design, applied(this.design, edits)),
    };
  }

  /** The next step begins; whether it may. */
  private begins(): boolean {
    this.steps += 1;
    return this.goesOn();
  }

  private readonly goesOn = (): boolean =>
    this.tell(Math.min(this.steps, this.allSteps), this.allSteps);
}
/** Steps told of: proofs and the searches between them. */
const STEPS = 2 * PROOFS + 2 + 2 * SLIDES;

const isBetter = (a: Proven, b: Proven): boolean =>
  a.measured.missing < b.measured.missing ||
  (a.measured.missing === b.measured.missing && a.worth < b.worth - 1);

function searchOf(
  design: Design,
  looking: Looking,
): {
  readonly system: System;
  readonly variables: readonly Variable[];
  readonly search: ChoiceSearch;
} {
  const system = compileSystem(unthreaded(design, chainsOf(design, new Set()), new Set()));
  const variables = variablesOf(system, looking);
  return { system, variables, search: new ChoiceSearch(system, variables) };
}

/** What a run came to, all the runs of its chain together; 0 for one that was not routed. */
function costIn(design: Design, connection: string, routes: readonly Route[]): number {
  const chain = chainsOf(design, new Set()).find((c) => c.runs[0]?.id === connection);
  const ids = new Set(chain ? chain.runs.map((r) => r.id) : [connection]);
  const loop = design.loops.find((l) => l.connections.some((c) => ids.has(c.id)));
  return loop
    ? routes.filter((r) => ids.has(r.connection)).reduce((sum, r) => sum + worthOfRoute(loop, r), 0)
    : 0;
}

const applied = (design: Design, edits: readonly Edit[]): Design =>
  edits.length > 0 ? applyEdit(design, { do: 'batch', edits }).design : design;

/** Each part placed once, where it ends; what ends where it was is not told as moved. */
export function settled(design: Design, { edits, parts }: Changes): Changes {
  const end = applied(design, edits);
  const stays = (id: string): boolean => placeText(design, id) === placeText(end, id);
  const lastOf = new Map(
    edits.flatMap((e, i) => (e.do === 'component.place' ? [[e.component, i] as const] : [])),
  );
  return {
    edits: edits.filter(
      (e, i) =>
        e.do !== 'component.place' || (lastOf.get(e.component) === i && !stays(e.component)),
    ),
    parts: parts.flatMap((p) => {
      const net = stays(p.component) ? { ...p, turned: false, slid: false } : p;
      return net.turned || net.slid || net.ports > 0 ? [net] : [];
    }),
  };
}

/** Where a part stands, as a text that is the same for the same place. */
function placeText(design: Design, id: string): string {
  const placement = findComponent(design, id)?.placement ?? { on: 'unplaced' };
  return JSON.stringify(placement, Object.keys(placement).sort());
}

/** What happens to each part over two steps. */
function merged(a: readonly PartMoved[], b: readonly PartMoved[]): readonly PartMoved[] {
  const all = new Map(a.map((p) => [p.component, p]));
  for (const p of b) {
    const was = all.get(p.component);
    all.set(p.component, was ? { ...was, slid: was.slid || p.slid } : p);
  }
  return [...all.values()];
}

const bendsOf = (r: Route): number => r.path.filter((s) => s.kind === 'arc').length;

function measured(design: Design, { routes, missing }: Routed): LayoutMeasured {
  const tubes = design.loops.flatMap((l) => l.connections.filter((c) => c.by === 'tube')).length;
  return {
    runs: routes.length,
    missing: Math.max(missing.length, tubes - routes.length),
    bends: routes.reduce((n, r) => n + bendsOf(r), 0),
    tube_mm: routes.reduce((sum, r) => sum + pathLength(r.path), 0),
    adapters: routes.reduce((n, r) => n + r.from.duties.length + r.to.duties.length - 2, 0),
    crossings: crossingsOf(routes).length,
  };
}

/** A layout in millimetres of tube: each run by its loop's style, and what spoils it as a whole. */
function worthOf(design: Design, routed: Routed): number {
  const { routes } = routed;
  const runs = routes.reduce((sum, r) => {
    const loop = design.loops.find((l) => l.id === r.loop);
    return sum + (loop ? worthOfRoute(loop, r) : 0);
  }, 0);
  const system = compileSystem(design);
  const misfits = portFits(system, routedRuns(system, routed)).filter((p) => p.verdict === 'clash');
  return runs + crossingsOf(routes).length * CROSSING_MM + misfits.length * MISFIT_MM;
}
/** Two runs that cross before the window are worth about a bend, mm (common practice, no source). */
const CROSSING_MM = 80;
/**
 * A fitting, plug or valve that does not go into its port is worth more than any way round it, mm
 * (common practice, no source).
 */
const MISFIT_MM = 800;
