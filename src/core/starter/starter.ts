import { measureGaps } from '../clearance';
import type {
  BlockPart,
  BoardPart,
  CardPart,
  ComponentPart,
  CoolantPart,
  FittingPart,
  MemoryPart,
  ProcessorPart,
  Part,
  PumpPart,
  RadiatorPart,
  ReservoirPart,
  SupplyPart,
  TubePart,
} from '../components';
import { analyse } from '../analysis';
import { defaultPlacements, settingEdit, SPOT_MARGIN_K, whyNotHere } from '../checks';
import { BoxTree } from '../geometry';
import { applyEdit, freeId, type Design, type Edit, type Placement } from '../design';
import { matchesOf } from '../matching';
import { fittingFor, proposeLoop } from '../loops';
import { compileSystem } from '../system';
import { quietestSetting } from '../thermal';
import { msg } from '../messages';
import { hangSetEdit, WATTS_A_SECTION, whatFits, type FitSet } from '../studies';

/** What the builder says of the machine that a first loop is made for. */
export interface StarterAsked {
  /** Ids of the catalogue; null for none. */
  readonly processor: string | null;
  readonly card: string | null;
  readonly cards: number;
  readonly tube: 'soft' | 'hard';
}

/**
 * A first build to go on from: board, memory and power supply that belong to the parts named, their
 * blocks, radiators with fans by the heat, pump and reservoir where nothing clashes, the loop, and
 * the quietest setting that meets the brief. One edit; null without a case, or when the search was
 * stopped.
 */
export function starterEdit(
  design: Design,
  offer: readonly Part[],
  asked: StarterAsked,
  tell: (done: number, of: number) => boolean = () => true,
): Edit | null {
  if (!design.case) return null;
  const work = new Starter(design, offer);
  work.addMachine(asked);
  work.addBlocks();
  if (!work.addRadiators(tell)) return null;
  work.addPlumbing();
  work.connect(asked.tube);
  work.settle();
  return work.edits.length > 0 ? { do: 'batch', edits: work.edits } : null;
}

/** Sections of a first loop at least. */
const LEAST_SECTIONS = 2;
/** A power supply is chosen for the parts' heat times this (common practice, no source). */
const SUPPLY_SPARE = 1.5;
const SECTION_MM2 = 120 * 120;
/** Places looked at for a pump or reservoir. */
const MOST_PLACES = 12;
/** And so far apart where none of the usual ones will do, mm. */
const FREE_STEP_MM = 10;

/**
 * Sets in the order they are taken, least first: enough and clear by as little as possible, enough
 * with a marginal gap, then the largest of the rest.
 */
function rankOf(set: FitSet, wanted_mm2: number): number {
  if (set.area_mm2 < wanted_mm2) return 3 - set.area_mm2 / wanted_mm2;
  const surplus = 1 - wanted_mm2 / set.area_mm2;
  return set.verdict === 'clear' ? surplus : 1 + surplus;
}

/** Where a part most usually goes. */
const usualIn = (design: Design, part: ComponentPart): Placement =>
  defaultPlacements(design, { id: '', part })[0]?.placement ?? { on: 'unplaced' };

/** A design as it grows, with the edits that make it. */
class Starter {
  readonly edits: Edit[] = [];
  constructor(
    private design: Design,
    private readonly offer: readonly Part[],
  ) {}

  /** Processor and cards as asked, and what they need to run. */
  addMachine({ processor, card, cards }: StarterAsked): void {
    const chosen = this.offered<ProcessorPart>('processor').find((p) => p.id === processor);
    const board = this.bestBoard(chosen);
    if (board) this.add(board);
    if (chosen) this.add(chosen);
    const [memory] = this.offered<MemoryPart>('memory');
    if (memory && board) this.add(memory);
    const graphics = this.offered<CardPart>('card').find((p) => p.id === card);
    for (let i = 0; graphics && i < cards; i += 1) this.add(graphics);
    const supplies = this.offered<SupplyPart>('supply')
      .filter((p) => p.rating_W >= this.heat_W() * SUPPLY_SPARE)
      .sort((a, b) => a.rating_W - b.rating_W);
    this.addFirst(supplies, [(s) => this.usualPlace(s)]);
  }

  /** For each processor and card the first block that is made for it. */
  addBlocks(): void {
    for (const kind of ['processor', 'card'] as const)
      for (const host of this.design.components.filter((c) => c.part.kind === kind)) {
        const block = this.offered<BlockPart>('block').find(
          (b) =>
            b.cools.length === 1 &&
            b.cools[0] === kind &&
            whyNotHere(this.design, b) === null &&
            defaultPlacements(this.design, { id: '', part: b }).some(
              (p) => p.placement.on === 'component' && p.placement.component === host.id,
            ),
        );
        if (block) this.add(block);
      }
  }

  /** The smallest set of radiators that has a section for every 100 W, else the largest. */
  addRadiators(tell: (done: number, of: number) => boolean): boolean {
    let isStopped = false;
    const { sets } = whatFits(this.design, this.copper(), (done, of) => {
      isStopped = !tell(done, of);
      return !isStopped;
    });
    if (isStopped) return false;
    const wanted =
      Math.max(LEAST_SECTIONS, Math.ceil(this.heat_W() / WATTS_A_SECTION)) * SECTION_MM2;
    const [chosen] = sets
      .filter((s) => s.verdict !== 'clash')
      .sort((a, b) => rankOf(a, wanted) - rankOf(b, wanted));
    if (chosen) this.do(hangSetEdit(this.design, chosen, this.offer));
    return true;
  }

  /** A pump and a reservoir where they touch nothing. */
  addPlumbing(): void {
    const places = [
      (p: ComponentPart) => this.usualPlace(p),
      (p: ComponentPart) => this.freePlace(p),
    ];
    this.addFirst(this.offered<PumpPart>('pump').slice(0, 1), places);
    this.addFirst(this.offered<ReservoirPart>('reservoir'), places);
  }

  connect(style: StarterAsked['tube']): void {
    const tube = this.offered<TubePart>('tube').find(
      (t) => t.hard === (style === 'hard') && fittingFor(t, this.offer) !== undefined,
    );
    const fitting = tube && fittingFor(tube, this.offer);
    const [coolant] = this.offered<CoolantPart>('coolant');
    if (!tube || !fitting || !coolant) return;
    const edit = proposeLoop(this.design, {
      name: msg`Main loop`,
      tube,
      fitting,
      coolant,
      bridges: this.offer.filter(
        (p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge',
      ),
    });
    if (edit) this.do(edit);
  }

  /** Fans and pump as slow as the brief allows; as they are where no speed meets it. */
  settle(): void {
    const { system, reports, thermalModel } = analyse(this.design);
    const setting = quietestSetting({
      system,
      runs: reports.runs,
      thermalModel,
      load: this.design.brief.loadCase,
      spotMargin_K: SPOT_MARGIN_K,
    });
    if (setting) this.do(settingEdit(setting));
  }

  private do(edit: Edit): void {
    this.design = applyEdit(this.design, edit).design;
    this.edits.push(edit);
  }

  private offered<P extends Part>(kind: P['kind']): readonly P[] {
    return this.offer.filter((p): p is P => p.kind === kind);
  }

  /** Aluminium does not belong in a loop of copper blocks. */
  private copper(): readonly Part[] {
    return this.offer.filter(
      (p) =>
        p.kind !== 'radiator' || (p as RadiatorPart).wetted.every((w) => w.metal !== 'aluminium'),
    );
  }

  /** The largest board that the case takes, of those that take the processor. */
  private bestBoard(processor: ProcessorPart | undefined): BoardPart | undefined {
    const boards = this.offered<BoardPart>('board')
      .filter((b) => whyNotHere(this.design, b) === null)
      .sort((a, b) => b.size[0] * b.size[1] - a.size[0] * a.size[1]);
    const takes = (board: BoardPart): boolean => {
      const whole = [board, processor].reduce(
        (design, part) => (part ? this.withUsual(design, part) : design),
        this.design,
      );
      return matchesOf(whole).every((m) => m.verdict !== 'misfits');
    };
    return boards.find(takes) ?? boards[0];
  }

  private heat_W(): number {
    return this.design.components.reduce(
      (sum, { part }) =>
        part.kind === 'processor' || part.kind === 'card' ? sum + part.draw_W : sum,
      0,
    );
  }

  private named(part: ComponentPart): { readonly id: string; readonly name: string } {
    const taken = this.design.components.map((c) => c.name);
    let name = part.name;
    for (let n = 2; taken.includes(name); n += 1) name = `${part.name} (${n})`;
    return {
      id: freeId(
        this.design.components.map((c) => c.id),
        part.kind,
      ),
      name,
    };
  }

  /** Adds a part at a place. */
  private adding(part: ComponentPart, placement: Placement): Edit {
    return {
      do: 'component.add',
      component: { ...this.named(part), part, settings: {}, placement },
    };
  }

  /** A part at a place, its most usual one where none is said. */
  private add(part: ComponentPart, at: Placement | null = null): void {
    this.do(this.adding(part, at ?? usualIn(this.design, part)));
  }

  private withUsual(design: Design, part: ComponentPart): Design {
    return applyEdit(design, this.adding(part, usualIn(design, part))).design;
  }

  /** The first part that has a place, by the first way of finding one that finds any; else the first. */
  private addFirst(
    parts: readonly ComponentPart[],
    ways: readonly ((part: ComponentPart) => Placement | null)[],
  ): void {
    for (const way of ways)
      for (const part of parts) {
        const at = way(part);
        if (at) return this.add(part, at);
      }
    const [first] = parts;
    if (first) this.add(first);
  }

  /** The first usual place at which a part runs into nothing. */
  private usualPlace(part: ComponentPart): Placement | null {
    const places = defaultPlacements(this.design, { id: '', part }).slice(0, MOST_PLACES);
    return places.find(({ placement }) => this.isClear(part, placement))?.placement ?? null;
  }

  /** The lowest place on a bracket, anywhere in the case, at which a part keeps its distance. */
  private freePlace(part: ComponentPart): Placement | null {
    const system = compileSystem(this.design);
    const { clear_mm } = this.design.brief.limits;
    const { interior } = this.design.case ?? {};
    if (!interior || !('size' in part)) return null;
    const bodies = new BoxTree([
      ...[...system.placed.values()].flatMap((p) => p.solids.map((s) => s.box)),
      ...system.obstacles.map((o) => o.box),
    ]);
    const [wide, high, deep] = part.size;
    /** Middles along an axis at which a part of that size is inside. */
    const along = (room: number, size: number, foot: number): readonly number[] => {
      const spare = Math.floor((room - size - 2 * clear_mm) / FREE_STEP_MM);
      return Array.from({ length: spare + 1 }, (_, i) => clear_mm + foot + i * FREE_STEP_MM);
    };
    let tried = 0;
    for (const y of along(interior[1], high, 0))
      for (const z of along(interior[2], deep, deep / 2))
        for (const x of along(interior[0], wide, wide / 2)) {
          const met = bodies.near(
            x - wide / 2 - clear_mm,
            y - clear_mm,
            z - deep / 2 - clear_mm,
            x + wide / 2 + clear_mm,
            y + high + clear_mm,
            z + deep / 2 + clear_mm,
            [],
          );
          if (met.length > 0) continue;
          const placement: Placement = { on: 'free', at: [x, y, z], turn: 0 };
          if (this.isClear(part, placement)) return placement;
          tried += 1;
          if (tried >= MOST_PLACES) return null;
        }
    return null;
  }

  private isClear(part: ComponentPart, placement: Placement): boolean {
    const { id } = this.named(part);
    const tried = applyEdit(this.design, this.adding(part, placement)).design;
    return !measureGaps(compileSystem(tried)).gaps.some(
      (g) => (g.a === id || g.b === id) && g.verdict === 'clash',
    );
  }
}
