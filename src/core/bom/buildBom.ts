import { formatMeasure, formatMillimetres } from '../units';
import {
  capPieces,
  loopByTube,
  loopOfRun,
  componentName,
  findComponent,
  type Component,
  type Design,
  type Loop,
  type LoopId,
  type ComponentId,
  priceIn,
} from '../design';
import { matchesOf } from '../matching';
import { distance } from '../geometry';
import { screwNeeds } from '../clearance';
import type { System } from '../system';
import type { Part, PartKind } from '../components';
import { planWiring, type WiringReport } from '../wiring';
import { pieceOf, trimFor, type Run } from '../tubing';
import { msg } from '../messages';
import { cutPlan, type CutPlan } from './cutting';
import { packFor, consumableNeeds, type ConsumableNeed } from './consumables';
import { loopVolume, type LoopVolume } from './volume';

export type BomUnit = 'piece' | 'metre' | 'stick' | 'bottle' | 'pack';

export interface BomLine {
  readonly kind: PartKind;
  /** Part id in the Stores. */
  readonly part: string;
  readonly name: string;
  readonly maker: string;
  readonly quantity: number;
  readonly unit: BomUnit;
  readonly unitPrice: number;
  /** Zero for what is owned. */
  readonly total: number;
  readonly owned: boolean;
  /** Of the quantity, what lies in the drawer. */
  readonly have: number;
  /** A tool: bought once, kept for the next build. */
  readonly tool: boolean;
  /** Counts against the loop's budget; tools and the machine's own hardware do not. */
  readonly inBudget: boolean;
  /** Ids of components, runs and loops that asked for it. */
  readonly for: readonly string[];
  /** The same in words. */
  readonly why: string;
  readonly estimated: boolean;
}

export interface Bom {
  readonly lines: readonly BomLine[];
  /** Minor units. */
  readonly loopTotal: number;
  readonly machineTotal: number;
  readonly toolTotal: number;
  /** What the build asks for and nothing on offer serves. */
  readonly unmet: readonly ConsumableNeed[];
  readonly budget: number | null;
  readonly volumes: readonly LoopVolume[];
  readonly cuts: readonly TubeCuts[];
  readonly tube_mm: number;
}

/**
 * What is cut from what, of one kind of tube: loops that share a tube share its sticks and the one
 * to practise on.
 */
export interface TubeCuts {
  /** The first of its loops. */
  readonly loop: LoopId;
  readonly loops: readonly string[];
  /** Part id of the tube. */
  readonly tube: string;
  /** Of sticks; null for tube from the roll. */
  readonly plan: CutPlan | null;
  readonly stick_mm: number | null;
  /** Sticks, or metres. */
  readonly buy: number;
  readonly total_mm: number;
}

/** Tube bought beyond the runs' lengths (common practice, no source). */
export const TUBE_SPARE = 0.2;
/** Sticks bought beyond the need, for practice and for the run that goes wrong. */
export const SPARE_STICKS = 1;
/** What a saw takes, mm (common practice, no source). */
export const KERF_MM = 2;
const MACHINE: readonly PartKind[] = [
  'case',
  'processor',
  'card',
  'board',
  'memory',
  'device',
  'supply',
];

/** What the machine would want without a loop too. */
const isMachine = (part: Part): boolean =>
  MACHINE.includes(part.kind) || (part.kind === 'cable' && part.duty === 'riser');

/** Every piece to buy, from the build alone; each line says what asked for it. */
export function buildBom(
  system: System,
  runs: readonly Run[],
  power: WiringReport = planWiring(system),
): Bom {
  const lines: BomLine[] = [];
  const soldIn = new Map<string, number>();
  const { design } = system;
  const boxes = inBoxes(system);
  const add = (
    part: Part,
    quantity: number,
    unit: BomUnit,
    asked: readonly string[],
    why: string,
    options: { owned?: boolean; estimated?: boolean } = {},
  ): void => {
    if (quantity <= 0) return;
    const tool = part.kind === 'consumable' && part.tool;
    if (part.soldIn !== undefined) soldIn.set(part.id, part.soldIn);
    lines.push({
      kind: part.kind,
      part: part.id,
      name: part.name,
      maker: part.maker,
      quantity,
      unit,
      unitPrice: priceIn(design.brief, part.price_minor),
      total: 0,
      have: 0,
      tool,
      owned: options.owned ?? false,
      inBudget: !isMachine(part) && !tool,
      for: asked,
      why,
      estimated: options.estimated ?? false,
    });
  };

  if (design.case) add(design.case, 1, 'piece', ['case'], msg`the case`, { owned: false });
  for (const component of design.components) {
    if (unitOf(design, component.id) !== component.id) continue;
    const count = system.placed.get(component.id)?.count ?? 1;
    const pieces = component.part.kind === 'fan' ? count : 1;
    add(component.part, pieces, 'piece', [component.id], reasonFor(system, component, pieces), {
      owned: component.settings.owned ?? false,
    });
  }
  for (const component of design.components)
    for (const layer of component.settings.layers ?? [])
      add(
        layer,
        system.placed.get(component.id)?.count ?? 1,
        'piece',
        [component.id],
        msg`on ${component.name}`,
      );
  for (const loop of design.loops)
    addLoop(
      system,
      loop,
      runs.filter((r) => r.loop === loop.id),
      add,
    );
  const byTube = tubesOf(design.loops);
  const cuts = byTube.flatMap((loops) => cutsOf(loops, runs) ?? []);
  for (const loops of byTube) {
    const own = cutsOf(loops, runs);
    if (own) addTube(loops, own, runs, add);
  }
  addScrews(system, add, boxes);
  for (const line of power.lines)
    if (line.by)
      add(
        line.by,
        1,
        'piece',
        line.components,
        msg`${line.pieces} plugs on the ${line.header}:
          ${line.components.map((id) => componentName(design, id)).join(', ')}`,
      );

  for (const line of power.lines)
    if (line.extension)
      add(
        line.extension,
        1,
        'piece',
        line.components,
        msg`the cables on the ${line.header} reach ${formatMillimetres(line.reach_mm ?? 0)} of
          about ${formatMillimetres(line.way_mm ?? 0)}`,
        { estimated: true },
      );
  addRisers(system, add);

  const volumes = design.loops.map((l) => loopVolume(system, l, runs)),
    offer = design.kit.consumables ?? [],
    unmet: ConsumableNeed[] = [];
  for (const need of together(consumableNeeds(system, runs, volumes)).flatMap(
    (n) => lessBoxed(n, boxes) ?? [],
  )) {
    const pack = packFor(offer, need);
    if (pack) add(pack.part, pack.quantity, 'piece', need.for, need.why);
    else unmet.push(need);
  }

  lines.push(...extraLines(design), ...bracketLines(design));

  const merged = merge(lines).map((l) =>
    priced(
      l,
      design.choices.inventory?.[l.part] ?? 0,
      l.kind === 'screw' ? 0 : (boxes.get(l.part) ?? 0),
      soldIn.get(l.part),
    ),
  );
  return {
    lines: merged,
    loopTotal: merged.reduce((s, l) => s + (l.inBudget ? l.total : 0), 0),
    machineTotal: merged.reduce((s, l) => s + (l.inBudget || l.tool ? 0 : l.total), 0),
    toolTotal: merged.reduce((s, l) => s + (l.tool ? l.total : 0), 0),
    unmet,
    budget: design.brief.limits.budget_minor,
    volumes,
    cuts,
    tube_mm: runs.reduce((s, r) => s + r.cut_mm, 0),
  };
}

/** A riser for each card that stands: the shortest that reaches from its slot. */
function addRisers({ design, placed }: System, add: Add): void {
  const board = [...placed.values()].find((p) => p.part.kind === 'board')?.frame;
  for (const { id, name, placement } of design.components) {
    const stands = placed.get(id)?.frame;
    if (placement.on !== 'riser' || !board || !stands) continue;
    const way = distance(board.at, stands.at);
    const risers = (design.kit.cables ?? [])
      .filter((c) => c.duty === 'riser')
      .sort((a, b) => (a.length_mm ?? 0) - (b.length_mm ?? 0));
    const riser = risers.find((c) => (c.length_mm ?? 0) >= way) ?? risers[risers.length - 1];
    if (riser)
      add(
        riser,
        1,
        'piece',
        [id],
        msg`${name} stands about ${formatMillimetres(way)} from its slot`,
        {
          estimated: true,
        },
      );
  }
}

/** What a component is sold as one with: itself, or what it comes with. */
function unitOf(design: Design, id: ComponentId): ComponentId {
  const holder = findComponent(design, id)?.settings.partOf;
  return holder !== undefined && findComponent(design, holder) ? holder : id;
}

/** Lines that the builder wrote: as they are, within the budget. */
const extraLines = ({ choices }: Design): readonly BomLine[] =>
  Object.entries(choices.extras ?? {}).map(([id, extra]) =>
    looseLine(
      `extra-${id}`,
      extra.name,
      extra.quantity,
      extra.price_minor,
      [],
      extra.note ?? msg`written by hand`,
    ),
  );

/** Brackets sold apart that blocks need for what they stand on; their price is not known. */
const bracketLines = (design: Design): readonly BomLine[] =>
  matchesOf(design).flatMap(({ bracket, verdict, holder, held }) =>
    bracket === undefined || verdict !== 'fits'
      ? []
      : [
          {
            ...looseLine(
              `bracket-${holder.id}`,
              bracket,
              1,
              0,
              [holder.id],
              msg`${holder.name} on ${held.name}; its price is not known`,
            ),
            estimated: true,
          },
        ],
  );

const looseLine = (
  part: string,
  name: string,
  quantity: number,
  unitPrice: number,
  asked: readonly string[],
  why: string,
): BomLine => ({
  kind: 'consumable',
  part,
  name,
  maker: '',
  quantity,
  unit: 'piece',
  unitPrice,
  total: 0,
  have: 0,
  tool: false,
  owned: false,
  inBudget: true,
  for: asked,
  why,
  estimated: false,
});

/** Loops by the tube they are made of. */
function tubesOf(loops: readonly Loop[]): readonly (readonly Loop[])[] {
  const by = new Map<string, Loop[]>();
  for (const loop of loops.flatMap(loopByTube))
    by.set(loop.tube.id, [...(by.get(loop.tube.id) ?? []), loop]);
  return [...by.values()];
}

const tubesIn = (loops: readonly Loop[], runs: readonly Run[]): readonly Run[] =>
  runs.filter(
    (r) =>
      r.by === 'tube' &&
      r.cut_mm > 0 &&
      loops.some((l) => l.id === r.loop && l.connections.some((c) => c.id === r.id)),
  );

/**
 * How one kind of tube is cut, with the trim of bent runs; null while no run is made of it. A run
 * longer than a stick takes one for each length begun.
 */
function cutsOf(loops: readonly Loop[], runs: readonly Run[]): TubeCuts | null {
  const [first] = loops,
    tubes = tubesIn(loops, runs);
  if (!first || tubes.length === 0) return null;
  const total_mm = tubes.reduce((s, r) => s + r.cut_mm, 0);
  const base = {
    loop: first.id,
    loops: [...new Set(loops.map((l) => l.id))],
    tube: first.tube.id,
    total_mm,
  };
  const { stick_mm } = first.tube;
  if (!stick_mm)
    return {
      ...base,
      plan: null,
      stick_mm: null,
      buy: Math.ceil((total_mm / 1000) * (1 + TUBE_SPARE) * 2) / 2,
    };
  const plan = cutPlan(
    tubes.map((r) => ({ id: r.id, length_mm: r.cut_mm + trimFor(r) })),
    stick_mm,
    KERF_MM,
  );
  const coupled = plan.tooLong.reduce((s, p) => s + Math.ceil(p.length_mm / stick_mm), 0);
  return { ...base, plan, stick_mm, buy: plan.sticks.length + coupled + SPARE_STICKS };
}

/** The line of one kind of tube. */
function addTube(loops: readonly Loop[], cuts: TubeCuts, runs: readonly Run[], add: Add): void {
  const [first] = loops,
    tubes = tubesIn(loops, runs);
  if (!first) return;
  const words = msg`${tubes.length} runs,
    ${formatMeasure(cuts.total_mm / 1000, 'm', { decimals: 2 })}`;
  const estimated = tubes.some((r) => r.estimated);
  const why = cuts.plan
    ? msg`${words}, and ${SPARE_STICKS} stick to practise on`
    : msg`${words}, and ${TUBE_SPARE * 100} % margin`;
  add(
    first.tube,
    cuts.buy,
    cuts.plan ? 'stick' : 'metre',
    tubes.map((r) => r.id),
    why,
    { estimated },
  );
}

type Add = (
  part: Part,
  quantity: number,
  unit: BomUnit,
  asked: readonly string[],
  why: string,
  options?: { owned?: boolean; estimated?: boolean },
) => void;

function reasonFor(system: System, component: Component, pieces: number): string {
  const p = component.placement;
  const nameOf = (id: string): string => componentName(system.design, id);
  if (p.on === 'radiator') return msg`${pieces} on ${nameOf(p.component)}`;
  if (p.on === 'component' || p.on === 'against') return msg`on ${nameOf(p.component)}`;
  if (p.on === 'mount')
    return msg`on ${system.design.case?.mounts.find((m) => m.id === p.mount)?.name ?? p.mount}`;
  return p.on === 'unplaced' ? msg`not placed yet` : component.name;
}

function addLoop(system: System, loop: Loop, runs: readonly Run[], add: Add): void {
  const { kit } = system.design;
  const estimated = runs.some((r) => r.estimated);
  for (const run of runs) {
    const own = loopOfRun(loop, run.id);
    const { design } = system;
    // Within a unit the joint is the maker's.
    const isWithin =
      run.by === 'direct' &&
      run.from.component !== run.to.component &&
      unitOf(design, run.from.component) === unitOf(design, run.to.component);
    if (isWithin) continue;
    for (const f of run.fittings) {
      const part = pieceOf(run, f.duty, own, kit);
      const place = f.end === 'from' ? msg`${run.name}, start` : msg`${run.name}, end`;
      add(part, 1, 'piece', [run.id], place, {
        estimated: run.estimated && f.duty !== own.fitting.duty && run.by === 'tube',
      });
    }
  }
  for (const cap of loop.caps) {
    const component = findComponent(system.design, cap.component);
    const port =
      component && 'ports' in component.part
        ? (component.part.ports.find((p) => p.id === cap.port)?.name ?? cap.port)
        : cap.port;
    for (const piece of capPieces(kit, cap))
      add(piece, 1, 'piece', [cap.component], `${component?.name ?? cap.component}, ${port}`);
  }
  const volume = loopVolume(system, loop, runs);
  add(
    loop.coolant,
    volume.bottles,
    'bottle',
    [loop.id],
    msg`${loop.name} holds ${formatMeasure(volume.total_mL, 'mL')}; 15 % margin`,
    { estimated },
  );
}

function addScrews(system: System, add: Add, boxes: ReadonlyMap<string, number>): void {
  const { screws } = system.design.kit;
  const needs = new Map<string, { quantity: number; asked: string[]; names: string[] }>();
  for (const need of screwNeeds(system)) {
    if (need.length_mm === null) continue;
    const key = `${need.thread}|${need.length_mm}`;
    const entry = needs.get(key) ?? { quantity: 0, asked: [], names: [] };
    entry.quantity += need.quantity;
    entry.asked.push(need.radiator);
    entry.names.push(componentName(system.design, need.radiator));
    needs.set(key, entry);
  }
  for (const [key, entry] of needs) {
    const [thread, length] = key.split('|');
    const part = screws.find((s) => s.thread === thread && s.length_mm === Number(length));
    if (!part) continue;
    const wanted = entry.quantity - (boxes.get(part.id) ?? 0);
    if (wanted <= 0) continue;
    // Spares come out of the packs that are bought anyway: none is opened for them alone.
    const packs = Math.ceil(wanted / part.pack),
      spare = packs * part.pack - wanted;
    add(
      part,
      packs,
      'pack',
      entry.asked,
      msg`${entry.quantity} screws ${thread ?? ''} × ${length ?? ''} for
        ${[...new Set(entry.names)].join(', ')}, ${spare} to spare`,
    );
  }
}

/** Needs of one duty and size share their packs. */
function together(needs: readonly ConsumableNeed[]): readonly ConsumableNeed[] {
  const by = new Map<string, ConsumableNeed>();
  for (const n of needs) {
    const key = `${n.duty}|${n.tube_mm ?? ''}`,
      known = by.get(key);
    by.set(
      key,
      known
        ? {
            ...known,
            uses: known.uses + n.uses,
            for: [...new Set([...known.for, ...n.for])],
            why: `${known.why}; ${n.why}`,
          }
        : n,
    );
  }
  return [...by.values()];
}

/** Pieces that come in the boxes of other parts, by what they are: as often as boxes are bought. */
function inBoxes({ design, placed }: System): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  const open = ({ includes = [], soldIn = 1 }: Part, pieces: number): void => {
    for (const { what, quantity } of includes)
      found.set(what, (found.get(what) ?? 0) + quantity * Math.ceil(pieces / soldIn));
  };
  for (const { id, part } of design.components)
    open(part, part.kind === 'fan' ? (placed.get(id)?.count ?? 1) : 1);
  if (design.case) open(design.case, 1);
  return found;
}

/** What is left of a need when the boxes of other parts have given theirs; null when nothing is. */
function lessBoxed(
  need: ConsumableNeed,
  boxes: ReadonlyMap<string, number>,
): ConsumableNeed | null {
  const uses = need.uses - (boxes.get(need.duty) ?? 0);
  return uses > 0 ? { ...need, uses } : null;
}

/**
 * What is paid for a line: nothing of what is owned, of what lies in the drawer, or of what comes
 * in another part's box; the rest in the packs it is sold in.
 */
function priced(
  line: BomLine,
  inDrawer: number,
  inBox: number,
  soldIn: number | undefined,
): BomLine {
  const included = line.owned ? 0 : Math.min(line.quantity, inBox),
    have = line.owned ? 0 : Math.min(line.quantity, inDrawer + included);
  const left = line.quantity - have;
  const boxed = included > 0 ? [msg`${included} of them in the box of another part`] : [];
  const told = (...words: readonly string[]): string => [line.why, ...boxed, ...words].join('; ');
  if (soldIn === undefined || line.owned || left === 0)
    return {
      ...line,
      have,
      total: line.owned ? 0 : Math.round(line.unitPrice * left),
      why: told(),
    };
  const packs = Math.ceil(left / soldIn);
  return {
    ...line,
    quantity: packs,
    unit: 'pack',
    total: Math.round(line.unitPrice * packs),
    why: told(msg`${left} wanted, ${soldIn} in a pack, ${packs * soldIn - left} to spare`),
  };
}

/** Lines of one part become one, but owned and bought stay apart. A tool serves everybody. */
function merge(lines: readonly BomLine[]): readonly BomLine[] {
  const by = new Map<string, BomLine>();
  for (const line of lines) {
    const key = `${line.part}|${line.unit}|${line.owned}`;
    const known = by.get(key);
    by.set(
      key,
      known
        ? {
            ...known,
            quantity: line.tool
              ? Math.max(known.quantity, line.quantity)
              : known.quantity + line.quantity,
            for: [...known.for, ...line.for.filter((f) => !known.for.includes(f))],
            why: `${known.why}; ${line.why}`,
            estimated: known.estimated || line.estimated,
          }
        : line,
    );
  }
  return [...by.values()];
}
