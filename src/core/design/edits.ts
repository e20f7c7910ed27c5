import { formatMeasure, formatShown, isoMinutes } from '../units';
import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
import type {
  CaseAir,
  CasePart,
  CoolantPart,
  FittingPart,
  ComponentPart,
  CablePart,
  MeasuredRadiator,
  PumpPart,
  RadiatorPart,
  RadiatorRating,
  ScrewPart,
  ConsumablePart,
  TubePart,
} from '../components';
import { msg } from '../messages';
import {
  type Brief,
  type Design,
  type CapAdapter,
  type CapDuty,
  type EndPiece,
  type Component,
  type KitDuty,
  type LaidRoute,
  type Connection,
  type RouteConstraints,
  type LoadStep,
  type Loop,
  type LoopRouting,
  type Mandrels,
  type SpeedProfile,
  type Up,
  type AirTest,
  type DoneMark,
  type TestBend,
  type Measured,
  type Order,
  type Reading,
  type ServiceMark,
  type Work,
  type WorkPlan,
  type NoRouteFound,
  type ExtraLine,
  type OrderMark,
  type Placement,
  type Pose,
  type PortRef,
  type Settings,
  type LoopId,
  type ConnectionId,
  type ComponentId,
} from './types';

enablePatches();

type Limits = Brief['limits'];

/**
 * Every change a build can undergo. Interface, API, terminal and one-click fixes use the same ones.
 */
export type Edit =
  | { readonly do: 'design.rename'; readonly name: string }
  | { readonly do: 'brief.set'; readonly values: Partial<Omit<Brief, 'limits'>> }
  | { readonly do: 'brief.limit'; readonly values: Partial<Limits> }
  | { readonly do: 'case.choose'; readonly case: CasePart }
  | { readonly do: 'case.air'; readonly air: CaseAir | null }
  | { readonly do: 'case.remove-obstacle'; readonly obstacle: string; readonly removed: boolean }
  | { readonly do: 'component.add'; readonly component: Component }
  | {
      readonly do: 'component.fill';
      readonly component: ComponentId;
      readonly fill_mL: number;
    }
  | { readonly do: 'component.remove'; readonly component: ComponentId }
  | { readonly do: 'component.rename'; readonly component: ComponentId; readonly name: string }
  | {
      readonly do: 'component.replace';
      readonly component: ComponentId;
      readonly part: ComponentPart;
    }
  | {
      readonly do: 'component.place';
      readonly component: ComponentId;
      readonly placement: Placement;
    }
  | { readonly do: 'component.set'; readonly component: ComponentId; readonly values: Settings }
  | {
      readonly do: 'component.unset';
      readonly component: ComponentId;
      readonly keys: readonly (keyof Settings)[];
    }
  | {
      readonly do: 'component.curve';
      readonly component: ComponentId;
      /** Of a passage by its number from 1, a pump's head, a fan's pressure, or a block's K/W. */
      readonly of: number | 'head' | 'pressure' | 'resistance';
      readonly points: readonly (readonly [number, number])[];
      readonly source?: string;
    }
  | {
      readonly do: 'component.ratings';
      readonly component: ComponentId;
      readonly ratings: NonNullable<PumpPart['ratings']>;
    }
  | {
      readonly do: 'component.measured';
      readonly component: ComponentId;
      /** Null: the model alone again. */
      readonly measured: MeasuredRadiator | null;
    }
  | {
      readonly do: 'component.rating';
      readonly component: ComponentId;
      readonly rating: RadiatorRating | null;
    }
  /** How the machine stands: which axis of the case looks up. */
  | { readonly do: 'case.stands'; readonly up: Up }
  /** Speeds under a name; null forgets them. */
  | { readonly do: 'speeds.keep'; readonly id: string; readonly profile: SpeedProfile | null }
  /** Every fan and pump at the speed a profile keeps for it. */
  | { readonly do: 'speeds.use'; readonly id: string }
  | { readonly do: 'choices.profile'; readonly profile: readonly LoadStep[] }
  /** A step of the work done, or not after all; and what was noted at it. */
  | { readonly do: 'work.mark'; readonly step: string; readonly mark: DoneMark | null }
  | { readonly do: 'work.note'; readonly step: string; readonly note: string | null }
  /** Parts in the order they are put in; null: the one that is worked out. */
  | { readonly do: 'work.order'; readonly order: readonly ComponentId[] | null }
  | { readonly do: 'work.plan'; readonly plan: WorkPlan }
  | { readonly do: 'work.air-test'; readonly loop: LoopId; readonly test: AirTest | null }
  /** A reading of the finished machine; one of the same moment is replaced, null takes it away. */
  | { readonly do: 'work.reading'; readonly on: string; readonly reading: Reading | null }
  | { readonly do: 'work.measured'; readonly measured: Measured | null }
  | { readonly do: 'work.service'; readonly on: string; readonly mark: ServiceMark | null }
  | { readonly do: 'work.client'; readonly client: Order | null }
  | { readonly do: 'fans.speed'; readonly speed_rpm: number }
  | { readonly do: 'loop.add'; readonly loop: Loop }
  | { readonly do: 'loop.remove'; readonly loop: LoopId }
  | {
      readonly do: 'loop.tube';
      readonly loop: LoopId;
      readonly tube: TubePart;
      readonly fitting: FittingPart;
    }
  | { readonly do: 'loop.fitting'; readonly loop: LoopId; readonly fitting: FittingPart }
  | {
      readonly do: 'loop.coolant';
      readonly loop: LoopId;
      readonly coolant: CoolantPart;
      readonly age_months: number;
    }
  | {
      readonly do: 'loop.connections';
      readonly loop: LoopId;
      readonly connections: readonly Connection[];
    }
  | { readonly do: 'connection.add'; readonly loop: LoopId; readonly connection: Connection }
  | { readonly do: 'connection.remove'; readonly loop: LoopId; readonly connection: ConnectionId }
  | {
      readonly do: 'connection.ends';
      readonly loop: LoopId;
      readonly connection: ConnectionId;
      readonly ends: { readonly from: EndPiece; readonly to: EndPiece };
    }
  | {
      readonly do: 'connection.tube';
      readonly loop: LoopId;
      readonly connection: ConnectionId;
      /** Null: of the loop's own again. */
      readonly tube: TubePart | null;
      readonly fitting: FittingPart | null;
    }
  | {
      readonly do: 'loop.mandrels';
      readonly loop: LoopId;
      /** Null: any bend can be made. */
      readonly mandrels: Mandrels | null;
    }
  | {
      readonly do: 'loop.routing';
      readonly loop: LoopId;
      /** Null: as its tube asks for. */
      readonly routing: LoopRouting | null;
    }
  | {
      readonly do: 'connection.way';
      readonly loop: LoopId;
      readonly connection: ConnectionId;
      /** Null: all of it found by routing again. */
      readonly constraints: RouteConstraints | null;
    }
  | {
      readonly do: 'connection.clips';
      readonly loop: LoopId;
      readonly connection: ConnectionId;
      /** Whether clips hold it to its route. */
      readonly clipped: boolean;
    }
  | {
      readonly do: 'loop.test-bends';
      readonly loop: LoopId;
      readonly bends: readonly TestBend[];
    }
  | {
      readonly do: 'cap.set';
      readonly loop: LoopId;
      readonly port: PortRef;
      readonly with: CapDuty | null;
      /** In place of the kit's. */
      readonly piece?: FittingPart;
      readonly under?: CapAdapter;
    }
  | { readonly do: 'kit.set'; readonly duty: KitDuty; readonly fitting: FittingPart }
  | { readonly do: 'kit.screws'; readonly screws: readonly ScrewPart[] }
  | { readonly do: 'kit.cables'; readonly cables: readonly CablePart[] }
  | { readonly do: 'kit.consumables'; readonly consumables: readonly ConsumablePart[] }
  | {
      readonly do: 'inventory.set';
      readonly part: string;
      /** 0: none there. */
      readonly count: number;
    }
  | { readonly do: 'list.extra'; readonly id: string; readonly extra: ExtraLine | null }
  | { readonly do: 'order.mark'; readonly part: string; readonly mark: OrderMark | null }
  | {
      readonly do: 'layout.set';
      /** Null: no longer routed, placed or without a way. What is not named stays. */
      readonly routes?: Readonly<Record<string, LaidRoute | null>>;
      readonly poses?: Readonly<Record<string, Pose | null>>;
      readonly noRoute?: Readonly<Record<string, NoRouteFound | null>>;
    }
  /**
   * Another mandrel for one bend of a laid run; it is pinned by it, as its builder wants it. Null:
   * the tube's own again.
   */
  | {
      readonly do: 'route.radius';
      readonly connection: ConnectionId;
      /** Between its ends, from 0. */
      readonly corner: number;
      readonly radius_mm: number | null;
    }
  | { readonly do: 'route.pin'; readonly connection: ConnectionId; readonly pinned: boolean }
  | { readonly do: 'batch'; readonly edits: readonly Edit[] }
  | { readonly do: 'patch'; readonly patches: readonly Patch[] };

export type EditKind = Edit['do'];
export type PatchEdit = Extract<Edit, { do: 'patch' }>;

/** An edit names something the build does not have. */
export class EditError extends Error {
  constructor(
    message: string,
    readonly place: string,
  ) {
    super(message);
    this.name = 'EditError';
  }
}

export interface Applied {
  readonly design: Design;
  /** The edit that takes it back, as patches. */
  readonly inverse: PatchEdit;
  /** The edit itself as patches: what it changed, whatever it was told by. */
  readonly forward: PatchEdit;
}

/**
 * The build after an edit, and the edit that takes it back. Pure; throws EditError when the edit's
 * subject is not there.
 */
export function applyEdit(design: Design, edit: Edit): Applied {
  if (edit.do === 'patch') {
    const [next, forth, back] = produceWithPatches(design, (draft) =>
      applyPatches(draft, edit.patches as Patch[]),
    );
    return {
      design: next as Design,
      inverse: { do: 'patch', patches: back },
      forward: { do: 'patch', patches: forth },
    };
  }
  const [next, forth, back] = produceWithPatches(design, (draft) => {
    change(draft, edit);
    dropBridges(draft);
    dropLayout(draft);
  });
  return {
    design: next,
    inverse: { do: 'patch', patches: back },
    forward: { do: 'patch', patches: forth },
  };
}

type D = Draft<Design>;

/** A run that has become a tube again has no bridge. */
function dropBridges(draft: D): void {
  for (const loop of draft.loops)
    for (const link of loop.connections) if (link.by === 'tube' && link.bridge) delete link.bridge;
}

/** What was routed or placed for something that is gone goes with it. */
function dropLayout(draft: D): void {
  const tubes = new Set(
    draft.loops.flatMap((loop) => loop.connections.flatMap((l) => (l.by === 'tube' ? [l.id] : []))),
  );
  const hanging = new Set(
    draft.components.flatMap((i) => (i.placement.on === 'line' ? [i.id] : [])),
  );
  const { routes, poses, noRoute } = draft.layout;
  for (const id of Object.keys(routes)) if (!tubes.has(id)) delete routes[id];
  for (const id of Object.keys(noRoute)) if (!tubes.has(id)) delete noRoute[id];
  for (const id of Object.keys(poses)) if (!hanging.has(id)) delete poses[id];
}

/** A connection whose wishes have changed is to be routed again. */
function unroute(draft: D, link: string): void {
  delete draft.layout.routes[link];
  delete draft.layout.noRoute[link];
}

/** Sets what is named, and takes away what is named with null. */
function setEach<T>(into: Record<string, T>, values: Readonly<Record<string, T | null>>): void {
  for (const [id, value] of Object.entries(values)) {
    if (value === null) delete into[id];
    else into[id] = value;
  }
}

/** A part put anywhere by hand is at home there; a layout that moves it says its home after. */
function putAt(component: Draft<Component>, placement: Draft<Placement>): void {
  component.placement = placement;
  if (component.settings.mayMove?.home) {
    const { turn, slide_mm } = component.settings.mayMove;
    component.settings.mayMove = { turn, slide_mm };
  }
}

function componentOf(draft: D, id: string): Draft<Component> {
  const component = draft.components.find((i) => i.id === id);
  if (!component)
    throw new EditError(msg`There is no part "${id}" in this build.`, `components.${id}`);
  return component;
}

function loopOf(draft: D, id: string): Draft<Loop> {
  const loop = draft.loops.find((l) => l.id === id);
  if (!loop) throw new EditError(msg`There is no loop "${id}" in this build.`, `loops.${id}`);
  return loop;
}

function connectionOf(
  draft: D,
  { loop, connection }: { readonly loop: LoopId; readonly connection: ConnectionId },
): Draft<Connection> {
  const found = loopOf(draft, loop).connections.find((l) => l.id === connection);
  if (!found)
    throw new EditError(
      msg`There is no run "${connection}" in this loop.`,
      `loops.${loop}.connections.${connection}`,
    );
  return found;
}

function radiatorOf(draft: D, id: string): Draft<RadiatorPart> {
  const { part } = componentOf(draft, id);
  if (part.kind !== 'radiator')
    throw new EditError(msg`A ${part.kind} sheds no heat to air.`, `components.${id}.part`);
  return part;
}

function removeWhere<T>(list: T[], match: (entry: T) => boolean): void {
  for (let i = list.length - 1; i >= 0; i -= 1) if (match(list[i] as T)) list.splice(i, 1);
}

const portIs = (ref: PortRef, component: string, port?: string): boolean =>
  ref.component === component && (port === undefined || ref.port === port);

/**
 * What an edit brings in is copied: an edit of the same batch may change it, and the edit itself
 * may be applied again.
 */
const own = <T>(value: T): Draft<T> => structuredClone(value) as Draft<T>;

function change(draft: D, edit: Exclude<Edit, { do: 'patch' }>): void {
  switch (edit.do) {
    case 'design.rename':
      draft.name = edit.name;
      return;
    case 'brief.set':
      Object.assign(draft.brief, edit.values);
      if (draft.brief.summer_C === undefined) delete draft.brief.summer_C;
      if (draft.brief.exchange === undefined) delete draft.brief.exchange;
      return;
    case 'brief.limit':
      Object.assign(draft.brief.limits, edit.values);
      return;
    case 'case.choose':
      chooseCase(draft, edit.case);
      return;
    case 'case.air':
      setCaseAir(draft, edit.air);
      return;
    case 'case.remove-obstacle':
      removeWhere(draft.choices.removed, (o) => o === edit.obstacle);
      if (edit.removed) draft.choices.removed.push(edit.obstacle);
      return;
    case 'component.add':
      if (draft.components.some((i) => i.id === edit.component.id))
        throw new EditError(
          msg`There is a part "${edit.component.id}" already.`,
          `components.${edit.component.id}`,
        );
      draft.components.push(own(edit.component));
      return;
    case 'component.remove':
      removeComponent(draft, edit.component);
      return;
    case 'component.rename':
      componentOf(draft, edit.component).name = edit.name;
      return;
    case 'component.replace':
      replacePart(draft, edit.component, edit.part);
      return;
    case 'component.place':
      putAt(componentOf(draft, edit.component), own(edit.placement));
      return;
    case 'component.set':
      Object.assign(componentOf(draft, edit.component).settings, own(edit.values));
      return;
    case 'component.unset': {
      const { settings } = componentOf(draft, edit.component);
      for (const key of edit.keys) delete settings[key];
      return;
    }
    case 'component.curve':
      setCurve(componentOf(draft, edit.component), edit);
      return;
    case 'component.fill':
      setFill(componentOf(draft, edit.component), edit.fill_mL);
      return;
    case 'component.ratings': {
      const { part } = componentOf(draft, edit.component);
      if (part.kind !== 'pump')
        throw new EditError(
          msg`A ${part.kind} has no printed head.`,
          `components.${edit.component}.part`,
        );
      part.ratings = { ...edit.ratings };
      return;
    }
    case 'component.measured': {
      const part = radiatorOf(draft, edit.component);
      if (edit.measured) part.measured = own(edit.measured);
      else delete part.measured;
      return;
    }
    case 'component.rating': {
      const part = radiatorOf(draft, edit.component);
      if (edit.rating) part.rating = own(edit.rating);
      else delete part.rating;
      return;
    }
    case 'choices.profile':
      draft.choices.profile = own(edit.profile);
      return;
    case 'work.mark':
    case 'work.note':
    case 'work.order':
    case 'work.plan':
    case 'work.air-test':
    case 'work.reading':
    case 'work.measured':
    case 'work.service':
    case 'work.client':
      draft.choices.work = workedOn(draft.choices.work ?? {}, edit);
      return;
    case 'fans.speed':
      for (const component of draft.components) {
        if (component.part.kind === 'fan')
          component.settings.speed_rpm = Math.min(
            component.part.fullSpeed_rpm,
            Math.max(component.part.minSpeed_rpm, edit.speed_rpm),
          );
      }
      return;
    case 'case.stands':
      if (edit.up === '+y') delete draft.choices.stands;
      else draft.choices.stands = edit.up;
      return;
    case 'speeds.keep': {
      const speeds = (draft.choices.speeds ??= {});
      if (edit.profile) speeds[edit.id] = own(edit.profile);
      else delete speeds[edit.id];
      if (Object.keys(speeds).length === 0) delete draft.choices.speeds;
      return;
    }
    case 'speeds.use': {
      const profile = draft.choices.speeds?.[edit.id];
      if (!profile)
        throw new EditError(msg`There are no speeds "${edit.id}".`, `choices.speeds.${edit.id}`);
      for (const component of draft.components) {
        const speed_rpm = profile.speeds_rpm[component.id];
        if (speed_rpm !== undefined) component.settings.speed_rpm = speed_rpm;
      }
      return;
    }
    case 'loop.add':
      if (draft.loops.some((l) => l.id === edit.loop.id))
        throw new EditError(
          msg`There is a loop "${edit.loop.id}" already.`,
          `loops.${edit.loop.id}`,
        );
      draft.loops.push(own(edit.loop));
      return;
    case 'loop.remove':
      loopOf(draft, edit.loop);
      removeWhere(draft.loops, (l) => l.id === edit.loop);
      return;
    case 'loop.tube': {
      const loop = loopOf(draft, edit.loop);
      loop.tube = own(edit.tube);
      loop.fitting = own(edit.fitting);
      for (const link of loop.connections) unroute(draft, link.id);
      return;
    }
    case 'loop.fitting':
      loopOf(draft, edit.loop).fitting = own(edit.fitting);
      return;
    case 'loop.coolant': {
      const loop = loopOf(draft, edit.loop);
      loop.coolant = own(edit.coolant);
      loop.coolantAge_months = edit.age_months;
      return;
    }
    case 'loop.connections':
      loopOf(draft, edit.loop).connections = own(edit.connections);
      return;
    case 'connection.add': {
      const loop = loopOf(draft, edit.loop);
      for (const ref of [edit.connection.from, edit.connection.to])
        for (const l of draft.loops)
          removeWhere(l.caps, (c) => c.component === ref.component && c.port === ref.port);
      loop.connections.push(own(edit.connection));
      return;
    }
    case 'connection.remove': {
      const loop = loopOf(draft, edit.loop);
      removeWhere(loop.connections, (l) => l.id === edit.connection);
      return;
    }
    case 'connection.ends': {
      const link = connectionOf(draft, edit);
      link.ends = { ...edit.ends };
      unroute(draft, edit.connection);
      return;
    }
    case 'connection.tube': {
      const link = connectionOf(draft, edit);
      if (edit.tube) link.tube = own(edit.tube);
      else delete link.tube;
      if (edit.fitting) link.fitting = own(edit.fitting);
      else delete link.fitting;
      unroute(draft, edit.connection);
      return;
    }
    case 'loop.mandrels': {
      const loop = loopOf(draft, edit.loop);
      if (edit.mandrels) loop.mandrels = own(edit.mandrels);
      else delete loop.mandrels;
      if (loop.tube.hard) for (const link of loop.connections) unroute(draft, link.id);
      return;
    }
    case 'loop.routing': {
      const loop = loopOf(draft, edit.loop);
      const lies = ({ style, weights }: Partial<LoopRouting> = {}): string =>
        JSON.stringify([style, weights]);
      const before = lies(loop.routing);
      if (edit.routing) loop.routing = own(edit.routing);
      else delete loop.routing;
      // What a search may change leaves the routes as they are.
      if (lies(loop.routing) === before) return;
      for (const { id } of loop.connections)
        if (!draft.layout.routes[id]?.pinned) unroute(draft, id);
      return;
    }
    case 'connection.way': {
      const link = connectionOf(draft, edit);
      if (edit.constraints && Object.keys(edit.constraints).length > 0)
        link.constraints = own(edit.constraints);
      else delete link.constraints;
      unroute(draft, edit.connection);
      return;
    }
    case 'connection.clips': {
      const link = connectionOf(draft, edit);
      // Its route stays: it is what the clips hold it to.
      if (edit.clipped) link.clipped = true;
      else delete link.clipped;
      return;
    }
    case 'loop.test-bends': {
      const loop = loopOf(draft, edit.loop);
      if (edit.bends.length > 0) loop.testBends = own(edit.bends);
      else delete loop.testBends;
      return;
    }
    case 'cap.set': {
      for (const l of draft.loops)
        removeWhere(
          l.caps,
          (c) => c.component === edit.port.component && c.port === edit.port.port,
        );
      if (edit.with)
        loopOf(draft, edit.loop).caps.push({
          ...edit.port,
          with: edit.with,
          ...(edit.piece ? { piece: own(edit.piece) } : {}),
          ...(edit.under ? { under: own(edit.under) } : {}),
        });
      return;
    }
    case 'kit.set':
      draft.kit[edit.duty] = own(edit.fitting);
      return;
    case 'kit.screws':
      draft.kit.screws = own(edit.screws);
      return;
    case 'kit.cables':
      draft.kit.cables = own(edit.cables);
      return;
    case 'kit.consumables':
      draft.kit.consumables = own(edit.consumables);
      return;
    case 'inventory.set': {
      const drawer = { ...draft.choices.inventory };
      if (edit.count > 0) drawer[edit.part] = edit.count;
      else delete drawer[edit.part];
      draft.choices.inventory = drawer;
      return;
    }
    case 'list.extra':
      draft.choices.extras = entry(draft.choices.extras, edit.id, own(edit.extra));
      return;
    case 'order.mark': {
      const orders = { ...draft.choices.orders };
      if (edit.mark) orders[edit.part] = own(edit.mark);
      else delete orders[edit.part];
      draft.choices.orders = orders;
      return;
    }
    case 'layout.set': {
      const { layout } = draft;
      setEach(layout.routes, own(edit.routes ?? {}));
      setEach(layout.poses, own(edit.poses ?? {}));
      setEach(layout.noRoute, own(edit.noRoute ?? {}));
      return;
    }
    case 'route.pin': {
      const route = draft.layout.routes[edit.connection];
      if (!route)
        throw new EditError(
          msg`This run is not routed: there is nothing to pin.`,
          `layout.routes.${edit.connection}`,
        );
      if (edit.pinned) route.pinned = true;
      else delete route.pinned;
      return;
    }
    case 'route.radius':
      setRadius(draft, edit);
      return;
    case 'batch':
      for (const e of edit.edits) {
        if (e.do === 'patch') throw new EditError(msg`A batch cannot hold a patch.`, 'edits');
        change(draft, e);
      }
      return;
    default: {
      const never: never = edit;
      throw new EditError(msg`Unknown edit ${JSON.stringify(never)}.`, 'do');
    }
  }
}

/** What is kept of the work, with one thing of it changed. */
function workedOn(work: Draft<Work>, edit: Extract<Edit, { do: `work.${string}` }>): Draft<Work> {
  switch (edit.do) {
    case 'work.mark':
      return { ...work, done: entry(work.done, edit.step, own(edit.mark)) };
    case 'work.note':
      return { ...work, notes: entry(work.notes, edit.step, edit.note) };
    case 'work.air-test':
      return { ...work, airTests: entry(work.airTests, edit.loop, own(edit.test)) };
    case 'work.plan':
      return { ...work, plan: own(edit.plan) };
    case 'work.reading':
      return { ...work, readings: byTime(work.readings, edit.on, own(edit.reading)) };
    case 'work.service':
      return { ...work, service: byTime(work.service, edit.on, own(edit.mark)) };
    case 'work.measured': {
      const { measured: _old, ...rest } = work;
      return edit.measured ? { ...rest, measured: own(edit.measured) } : rest;
    }
    case 'work.client': {
      const { client: _old, ...rest } = work;
      return edit.client ? { ...rest, client: own(edit.client) } : rest;
    }
    case 'work.order': {
      const { order: _old, ...rest } = work;
      return edit.order ? { ...rest, order: own(edit.order) } : rest;
    }
  }
}

/** A record with one entry of it replaced, put in or taken away. */
function entry<T>(
  all: Readonly<Record<string, T>> | undefined,
  key: string,
  value: T | null,
): Record<string, T> {
  const { [key]: _old, ...rest } = all ?? {};
  return value === null ? rest : { ...rest, [key]: value };
}

/** A list by moment with one entry of it replaced, put in or taken away. */
function byTime<T extends { on: string }>(
  all: readonly T[] | undefined,
  on: string,
  entry: T | null,
): T[] {
  const others = (all ?? []).filter((e) => e.on !== on);
  const next = entry ? [...others, entry] : others;
  return next.sort((a, b) => isoMinutes(a.on) - isoMinutes(b.on));
}

/** Another radius for one bend of a laid run. */
function setRadius(
  draft: Draft<Design>,
  { connection, corner, radius_mm }: Extract<Edit, { do: 'route.radius' }>,
): void {
  const at = `layout.routes.${connection}`;
  const route = draft.layout.routes[connection];
  if (!route) throw new EditError(msg`This run is not routed: it has no bends yet.`, at);
  const corners = route.corners.length - 2;
  if (!(Number.isInteger(corner) && corner >= 0 && corner < corners))
    throw new EditError(
      msg`This run has ${corners} corners: there is no corner ${corner + 1}.`,
      at,
    );
  const radii = route.radii_mm ?? Array.from({ length: corners }, () => route.radius_mm);
  radii[corner] = radius_mm ?? route.radius_mm;
  if (radii.every((r) => r === route.radius_mm)) delete route.radii_mm;
  else route.radii_mm = radii;
  route.pinned = true;
}

/** Measured points in place of the part's own: the snapshot in this build alone. */
function setCurve(
  component: Draft<Component>,
  { of, points, source, component: id }: Extract<Edit, { do: 'component.curve' }>,
): void {
  const { part } = component;
  const list = points.map(([x, y]) => [x, y] as [number, number]);
  if (of === 'head') {
    if (part.kind !== 'pump')
      throw new EditError(msg`A ${part.kind} has no head curve.`, `components.${id}.part`);
    part.points = list;
    if (source === undefined) delete part.pointsSource;
    else part.pointsSource = source;
    return;
  }
  if (of === 'pressure') {
    if (part.kind !== 'fan')
      throw new EditError(msg`A ${part.kind} has no fan curve.`, `components.${id}.part`);
    part.points = list;
    if (source === undefined) delete part.pointsSource;
    else part.pointsSource = source;
    return;
  }
  if (of === 'resistance') {
    if (part.kind !== 'block')
      throw new EditError(msg`A ${part.kind} has no K/W over flow.`, `components.${id}.part`);
    part.resistance = list;
    if (source === undefined) delete part.resistanceSource;
    else part.resistanceSource = source;
    return;
  }
  const passage = 'passages' in part ? part.passages[of - 1] : undefined;
  if (!passage)
    throw new EditError(
      msg`There is no passage ${of} in this part.`,
      `components.${id}.part.passages`,
    );
  passage.points = list;
  if (source === undefined) delete passage.source;
  else passage.source = source;
}

/** A new case keeps everything; what hung on a mount or spot it lacks goes back to the bench. */
/** A reservoir is filled to what it holds at most. */
function setFill({ id, part }: Draft<Component>, fill_mL: number): void {
  const place = `components.${id}.part`;
  if (part.kind !== 'reservoir') throw new EditError(msg`A ${part.kind} has no fill mark.`, place);
  if (!(fill_mL >= 1 && fill_mL <= part.volume_mL))
    throw new EditError(
      msg`The fill must be ${formatShown(1, 'mL')} to ${formatMeasure(part.volume_mL, 'mL')},
        what the reservoir holds.`,
      `${place}.fill_mL`,
    );
  part.fill_mL = fill_mL;
}

function setCaseAir(draft: Draft<Design>, air: CaseAir | null): void {
  if (!draft.case) throw new EditError(msg`There is no case yet.`, 'case');
  if (air) draft.case.air = own(air);
  else delete draft.case.air;
}

function chooseCase(draft: D, next: CasePart): void {
  draft.case = own(next);
  draft.choices.removed = draft.choices.removed.filter((id) =>
    next.obstacles.some((o) => o.id === id),
  );
  for (const component of draft.components) {
    const p = component.placement;
    // Places of another case are others, whatever they are called: all is at home where it stands.
    putAt(component, p);
    if (p.on === 'mount' && !next.mounts.some((m) => m.id === p.mount))
      putAt(component, { on: 'unplaced' });
    if (p.on === 'spot' && !next.spots.some((s) => s.id === p.spot))
      putAt(component, { on: 'unplaced' });
    if (p.on === 'port' && !next.ports?.some((o) => o.id === p.port))
      putAt(component, { on: 'unplaced' });
    if (p.on === 'cage' && !next.obstacles.some((o) => o.id === p.cage && o.drives))
      putAt(component, { on: 'unplaced' });
    if (p.on === 'riser' && !next.riser) putAt(component, { on: 'slot', slot: 1 });
  }
}

/**
 * What stood on the part falls to the bench; its runs and caps go; the runs before and after it are
 * joined again.
 */
function removeComponent(draft: D, id: string): void {
  componentOf(draft, id);
  // What is sold as one goes as one, each with its own runs.
  for (const component of draft.components.filter((c) => c.settings.partOf === id)) {
    delete component.settings.partOf;
    removeComponent(draft, component.id);
  }
  removeWhere(
    draft.components,
    (i) =>
      i.id === id ||
      (i.part.kind === 'fan' && i.placement.on === 'radiator' && i.placement.component === id),
  );
  for (const component of draft.components)
    if (
      (component.placement.on === 'component' || component.placement.on === 'against') &&
      component.placement.component === id
    )
      putAt(component, { on: 'unplaced' });
  for (const loop of draft.loops) {
    const before = loop.connections.filter((l) => portIs(l.to, id) && !portIs(l.from, id));
    const after = loop.connections.filter((l) => portIs(l.from, id) && !portIs(l.to, id));
    removeWhere(loop.connections, (l) => portIs(l.from, id) || portIs(l.to, id));
    removeWhere(loop.caps, (c) => c.component === id);
    const [first] = before,
      [last] = after;
    if (first && last && isTee(draft, first.from.component) && isTee(draft, last.to.component)) {
      // A branch goes as a whole: a bare tube in its place would take the flow from its neighbour.
      for (const tee of new Set([first.from.component, last.to.component]))
        dissolveTee(draft, loop, tee);
      continue;
    }
    if (
      before.length === 1 &&
      after.length === 1 &&
      first &&
      last &&
      first.from.component !== last.to.component
    ) {
      loop.connections.push({
        ...first,
        to: { ...last.to },
        by: 'tube',
        ends: { from: 'auto', to: 'auto' },
      });
    }
  }
}

const isTee = (draft: D, id: string): boolean => {
  const part = draft.components.find((i) => i.id === id)?.part;
  return part?.kind === 'inline' && part.tee !== undefined;
};

/** A tee with only one run in and one out is no tee: the two become one. */
function dissolveTee(draft: D, loop: Draft<Loop>, tee: string): void {
  const touching = loop.connections.filter((l) => portIs(l.from, tee) || portIs(l.to, tee));
  const into = touching.find((l) => portIs(l.to, tee)),
    out = touching.find((l) => portIs(l.from, tee));
  if (touching.length !== 2 || !into || !out || into === out) return;
  const at = loop.connections.indexOf(into);
  loop.connections[at] = {
    ...into,
    to: { ...out.to },
    by: 'tube',
    ends: { from: into.ends.from, to: out.ends.to },
  };
  removeWhere(loop.connections, (l) => l.id === out.id);
  removeWhere(loop.caps, (c) => c.component === tee);
  removeWhere(draft.components, (i) => i.id === tee);
}

/** Another part in the same place keeps the runs whose ports it has; ports it lacks are let go. */
function replacePart(draft: D, id: string, part: ComponentPart): void {
  const component = componentOf(draft, id);
  if (component.part.kind !== part.kind)
    throw new EditError(
      msg`A ${part.kind} cannot stand in for a ${component.part.kind}.`,
      `components.${id}.part`,
    );
  if (component.name === component.part.name) component.name = part.name;
  component.part = own(part);
  if (!('ports' in part)) return;
  const has = (port: string): boolean => part.ports.some((p) => p.id === port);
  for (const loop of draft.loops) {
    removeWhere(
      loop.connections,
      (l) =>
        (l.from.component === id && !has(l.from.port)) ||
        (l.to.component === id && !has(l.to.port)),
    );
    removeWhere(loop.caps, (c) => c.component === id && !has(c.port));
  }
}
