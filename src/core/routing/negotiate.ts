import type { Design } from '../design';
import { compileSystem, type System } from '../system';
import { boxGap, distance, type Box } from '../geometry';
import { explain } from './explain';
import { laidRoute } from './laidRoute';
import { samplePath } from './path';
import { grow, within } from './workspace';
import { radiusOf, type NoRoute, type Route, type Routed } from './routed';
import { keepsUp, routeInHand, type InHand } from './inHand';
import { KEPT_MM, routeSingle } from './single';
import { bodyBox, fixedBodies, type Fixed } from './standing';
import { tasksOf, type Task } from './task';
import { withReports } from './report';
import { tasteOf, viewBlocks } from './visibility';
import { worthOfRoute } from './worth';

/** Rounds of taking up and routing again, by the number of runs. */
const ROUNDS_A_RUN = 2;
const ROUNDS_MORE = 6;
/** Times a run is taken up before it must find its own way or stay without. */
const MOST_RIPS = 3;
/** Runs without a way that are looked into. */
const MOST_EXPLAINED = 4;
/** Rounds of tidying. */
const TIDY_PASSES = 2;
/** Corners looked at for a tidier way, and for the way of a run in the hand. */
const TIDY_MOST = 4000;
/** Corners looked at before others are asked to make way: a longer way round is no better. */
const FIRST_MOST = 2500;
const LIVE_MOST = 4000;
/** And how much dearer than the cheapest it may be: the hand sees something at once. */
const LIVE_WEIGHT = 1.6;

type Tell = (done: number, of: number) => boolean;

/**
 * Every run of the model, negotiated: each takes its cheapest way past everything that stands and
 * past the runs already routed; one that finds none may cross others at a price, which are then
 * taken up and routed again, ever dearer to cross where that happens again. Deterministic. `kept`:
 * routes that stay as they are unless one of the others finds no way past them; pinned ones stay
 * whatever happens. `hasty`: a run that finds no way soon is left without, and not asked why.
 */
export function routeAll(
  system: System,
  tell: Tell = () => true,
  kept: readonly Route[] = [],
  hasty = false,
): Routed {
  const negotiate = (
    first: readonly string[],
    hopeless: ReadonlySet<string> = new Set(),
  ): Negotiation => {
    const negotiation = new Negotiation(system, tell, hasty, hopeless);
    negotiation.keepPinned();
    negotiation.keep(kept);
    negotiation.routeRest(new Set(first));
    return negotiation;
  };
  let best = negotiate([]);
  // What found no way in its turn may find one before the others do.
  const late = best.missing.filter((id) => !best.hopeless.has(id));
  if (!hasty && late.length > 0) {
    const again = negotiate(best.missing, best.hopeless);
    if (again.missing.length < best.missing.length) best = again;
  }
  best.explainMissing();
  best.tidyUp();
  return best.result();
}

class Negotiation {
  private readonly tasks: readonly Task[];
  private readonly fixed: readonly Fixed[];
  private readonly done = new Map<string, Route>();
  private readonly without = new Map<string, NoRoute>();
  /** How often a run was taken up: dearer to cross each time. */
  private readonly history = new Map<string, number>();
  private readonly pinned = new Set<string>();
  private readonly unpinned: string[] = [];
  /** Routes kept from before, as long as nobody takes them up. */
  private readonly kept = new Set<string>();
  /** Runs that have no way even where every other gives way. */
  readonly hopeless: Set<string>;
  private rounds = 0;

  constructor(
    private readonly system: System,
    private readonly tell: Tell,
    private readonly hasty: boolean,
    hopeless: ReadonlySet<string>,
  ) {
    this.hopeless = new Set(hopeless);
    this.tasks = tasksOf(system);
    this.fixed = fixedBodies(system);
  }

  keepPinned(): void {
    for (const task of this.tasks) {
      const stored = this.system.design.layout.routes[task.connection];
      if (!stored?.pinned) continue;
      const route = laidRoute(this.system, task, stored);
      if (!route) {
        this.unpinned.push(task.connection);
        continue;
      }
      this.done.set(task.connection, route);
      this.pinned.add(task.connection);
    }
  }

  keep(routes: readonly Route[]): void {
    for (const route of routes) {
      if (this.done.has(route.connection)) continue;
      this.done.set(route.connection, route);
      this.kept.add(route.connection);
    }
  }

  /** Runs named `first` come first, then what the builder set, then the shortest. */
  routeRest(first: ReadonlySet<string>): void {
    const queue = this.tasks
      .filter((t) => !this.done.has(t.connection))
      .sort(
        (a, b) =>
          Number(first.has(b.connection)) - Number(first.has(a.connection)) ||
          Number(b.constraints.waypoints !== undefined) -
            Number(a.constraints.waypoints !== undefined) ||
          a.apart - b.apart ||
          a.connection.localeCompare(b.connection),
      );
    for (let task = queue.shift(); task; task = queue.shift()) {
      this.rounds += 1;
      if (!this.goesOn()) break;
      queue.push(...this.routeNext(task));
    }
  }

  private goesOn(): boolean {
    return this.tell(this.done.size + this.without.size, this.tasks.length);
  }

  /** Routes one run; the runs it took up, to be routed again. */
  private routeNext(task: Task): readonly Task[] {
    if (this.hopeless.has(task.connection)) {
      this.giveUp(task);
      return [];
    }
    const waiting = this.tasks.filter(
      (t) => t !== task && !this.done.has(t.connection) && !this.without.has(t.connection),
    );
    const others = [...this.done.values()];
    const quick = { most: FIRST_MOST };
    const route = routeSingle(this.system, task, this.fixed, waiting, others, null, quick);
    if (route) {
      this.done.set(task.connection, route);
      return [];
    }
    const patient = this.rounds < ROUNDS_A_RUN * this.tasks.length + ROUNDS_MORE;
    const forced = patient
      ? routeSingle(this.system, task, this.fixed, waiting, others, this.history)
      : null;
    const crossed = forced ? others.filter((o) => tubesMeet(forced, o, this.tasks)) : [];
    if (patient && !forced && this.isHopeless(task, others)) {
      this.hopeless.add(task.connection);
      this.giveUp(task);
      return [];
    }
    if (!forced || crossed.some((o) => this.mustStay(o))) {
      const last = this.hasty
        ? null
        : routeSingle(this.system, task, this.fixed, waiting, others, null);
      if (last) this.done.set(task.connection, last);
      else this.giveUp(task);
      return [];
    }
    const rerouted = this.takeUp(crossed);
    // What it paid for crossing is not what it costs once they have made way.
    const cost = worthOfRoute(task.loop, forced) + forced.preference;
    this.done.set(task.connection, { ...forced, cost });
    return rerouted;
  }

  /** Whether there is no way where every other run gives way and least distance is kept. */
  private isHopeless(task: Task, others: readonly Route[]): boolean {
    const effort = { kept_mm: KEPT_MM.slice(-1) };
    return !routeSingle(this.system, task, this.fixed, [], others, this.history, effort);
  }

  private mustStay(route: Route): boolean {
    return (
      this.pinned.has(route.connection) || (this.history.get(route.connection) ?? 0) >= MOST_RIPS
    );
  }

  private takeUp(crossed: readonly Route[]): readonly Task[] {
    return crossed.flatMap(({ connection }) => {
      this.done.delete(connection);
      this.kept.delete(connection);
      this.history.set(connection, (this.history.get(connection) ?? 0) + 1);
      const task = this.tasks.find((t) => t.connection === connection);
      return task ? [task] : [];
    });
  }

  private giveUp({ connection, loop }: Task): void {
    this.without.set(connection, { connection, loop: loop.id, blockedBy: null, wouldFit: null });
  }

  get missing(): readonly string[] {
    return [...this.without.keys()];
  }

  /** Why the first of the runs without a way have none, past all others as they lie now. */
  explainMissing(): void {
    if (this.hasty) return;
    const others = [...this.done.values()];
    for (const connection of this.missing.slice(0, MOST_EXPLAINED)) {
      const task = this.tasks.find((t) => t.connection === connection) as Task;
      this.without.set(connection, explain(this.system, task, this.fixed, [], others));
    }
  }

  /**
   * Every run that was routed now once more, dearest first, past all others as they lie: what made
   * it go round may be gone. Kept where it comes out cheaper.
   */
  tidyUp(): void {
    const fresh = this.tasks.filter(
      (t) =>
        this.done.has(t.connection) &&
        !this.pinned.has(t.connection) &&
        !this.kept.has(t.connection),
    );
    const worth = (t: Task): number => this.done.get(t.connection)?.cost ?? 0;
    fresh.sort((a, b) => worth(b) - worth(a) || a.connection.localeCompare(b.connection));
    // Once more where one gave way: what stood in another's way may be gone.
    for (let pass = 0; pass < TIDY_PASSES; pass += 1) {
      let gave = false;
      for (const task of fresh) {
        if (!this.goesOn()) return;
        gave = this.tidy(task) || gave;
      }
      if (!gave) break;
    }
    for (const task of fresh) {
      const route = this.done.get(task.connection) as Route;
      this.done.set(
        task.connection,
        withNewReport(this.system, task, route, [...this.done.values()]),
      );
    }
  }

  private tidy(task: Task): boolean {
    const now = this.done.get(task.connection) as Route;
    const others = [...this.done.values()].filter((r) => r !== now);
    const { cost, preference } = withNewReport(this.system, task, now, others);
    const effort = preference > 0 ? {} : { most: TIDY_MOST };
    const rerouted = routeSingle(this.system, task, this.fixed, [], others, null, effort);
    // A way that keeps less distance is not tidier.
    if (!rerouted || rerouted.cost >= cost - 1 || rerouted.kept_mm < now.kept_mm) return false;
    this.done.set(task.connection, rerouted);
    return true;
  }

  result(): Routed {
    const routes = this.tasks.flatMap((t) => this.done.get(t.connection) ?? []);
    return {
      routes: withReports(this.system, this.tasks, routes),
      missing: this.tasks.flatMap((t) => this.without.get(t.connection) ?? []),
      rounds: this.rounds,
      unpinned: this.unpinned,
    };
  }
}

/** A route with its cost as the others lie now: what it pays for standing in view of them. */
function withNewReport(system: System, task: Task, route: Route, others: readonly Route[]): Route {
  const blocks = viewBlocks(system, task, others, (o) => radiusOf(system, o));
  const preference = tasteOf(blocks, route);
  return { ...route, cost: route.cost - route.preference + preference, preference };
}

/**
 * The least a run could cost past all others as they lie: the same search without haste. Infinity
 * when there is no way.
 */
export function leastCost(system: System, routed: Routed, connection: string): number {
  const task = tasksOf(system).find((t) => t.connection === connection);
  if (!task) return Infinity;
  const others = routed.routes.filter((r) => r.connection !== connection);
  const effort = { weight: 1, most: 400_000 };
  const route = routeSingle(system, task, fixedBodies(system), [], others, null, effort);
  return route?.cost ?? Infinity;
}

/**
 * One run routed again past all others as they lie: what a hand that drags it sees. One that keeps
 * up with the hand and meets something is among the routes and among the missing. The rest is
 * negotiated when it lets go.
 */
export function routeOne(system: System, routed: Routed, connection: string): Routed {
  const tasks = tasksOf(system);
  const task = tasks.find((t) => t.connection === connection);
  if (!task) return routed;
  const others = routed.routes.filter((r) => r.connection !== connection),
    was = routed.routes.find((r) => r.connection === connection);
  const found =
    was && keepsUp(task) ? inHand(system, task, others, was) : anew(system, task, others);
  const routes = withReports(system, tasks, found ? [...others, found.route] : others);
  const missing = routed.missing.filter((m) => m.connection !== connection);
  const none = { connection, loop: task.loop.id, blockedBy: null, wouldFit: null };
  return { ...routed, routes, missing: found?.isFree ? missing : [...missing, none] };
}

const inHand = (system: System, task: Task, others: readonly Route[], was: Route): InHand | null =>
  routeInHand(system, task, fixedBodies(system), others, was);

function anew(system: System, task: Task, others: readonly Route[]): InHand | null {
  const effort = { most: LIVE_MOST, weight: LIVE_WEIGHT };
  const route = routeSingle(system, task, fixedBodies(system), [], others, null, effort);
  return route && { route, isFree: true };
}

/** Whether two laid runs touch, tubes and fittings. */
export function tubesMeet(a: Route, b: Route, tasks: readonly Task[]): boolean {
  const ra = tasks.find((t) => t.connection === a.connection)?.radius ?? 8,
    rb = tasks.find((t) => t.connection === b.connection)?.radius ?? 8;
  const pa = samplePath(a.path, 5),
    pb = samplePath(b.path, 5);
  if (pa.some((p) => pb.some((q) => distance(p, q) < ra + rb))) return true;
  const fit = (x: Route): readonly Box[] => [...x.from.bodies, ...x.to.bodies].map(bodyBox);
  return (
    fit(a).some((x) => fit(b).some((y) => boxGap(x, y) < -0.01)) ||
    fit(a).some((x) => pb.some((q) => within(grow(x, rb), q))) ||
    fit(b).some((y) => pa.some((p) => within(grow(y, ra), p)))
  );
}

/** One run routed again past the others: fast enough for a hand that drags. */
export const rerouteRun = (design: Design, routed: Routed, link: string): Routed =>
  routeOne(compileSystem(design), routed, link);
