import { componentName, type Component, type Design, type HeldBy, type Loop } from '../design';
import { missedHoles, screwNeeds } from '../clearance';
import type { System } from '../system';
import type { ConsumableDuty, ConsumablePart } from '../components';
import { clipCount, isBentCold, type Run } from '../tubing';
import { msg } from '../messages';
import { mixFor } from './mixing';
import type { LoopVolume } from './volume';

/** A sundry the build asks for: what for, how many uses, by whom, and why. */
export interface ConsumableNeed {
  readonly duty: ConsumableDuty;
  readonly uses: number;
  readonly tube_mm?: number;
  readonly for: readonly string[];
  readonly why: string;
}

/**
 * One bottle of biocide does so much coolant, mL a drop-bottle's use (common practice, no source).
 */
const BIOCIDE_USE_ML = 1000;

/**
 * Sundries and tools, from the build alone: paste and pads by block, washers by screw, brackets by
 * foot, and what the tubing is worked with.
 */
export function consumableNeeds(
  system: System,
  runs: readonly Run[],
  volumes: readonly LoopVolume[],
): readonly ConsumableNeed[] {
  const { design } = system,
    needs: ConsumableNeed[] = [];
  const nameOf = (id: string): string => componentName(design, id);
  const blocks = design.components.filter((i) => i.part.kind === 'block'),
    cards = blocks.filter((i) => i.part.kind === 'block' && i.part.cools.includes('card')),
    others = blocks.filter(
      (i) =>
        i.part.kind === 'block' &&
        (i.part.cools.includes('board') || i.part.cools.includes('memory')),
    );
  const names = (list: readonly { readonly name: string }[]): string =>
    list.map((i) => i.name).join(', ');
  const need = (
    duty: ConsumableDuty,
    uses: number,
    asked: readonly string[],
    why: string,
    tube_mm?: number,
  ): void => {
    if (uses > 0)
      needs.push({ duty, uses, for: asked, why, ...(tube_mm === undefined ? {} : { tube_mm }) });
  };
  if (blocks.length > 0) {
    const ids = blocks.map((b) => b.id);
    need('paste', blocks.length, ids, msg`under ${names(blocks)}`);
    need('alcohol', blocks.length, ids, msg`to clean the faces before the paste`);
    const padded = [...cards, ...others];
    need(
      'pads',
      padded.length,
      padded.map((b) => b.id),
      msg`on memory and regulators under ${names(padded)}`,
    );
  }
  const washers = screwNeeds(system).filter((s) => s.washers > 0);
  need(
    'washer',
    washers.reduce((s, w) => s + w.washers * w.quantity, 0),
    washers.map((w) => w.radiator),
    msg`under the heads of screws for
      ${[...new Set(washers.map((w) => nameOf(w.radiator)))].join(', ')}`,
  );
  const missed = design.components.filter((i) => missedHoles(design, i) !== null);
  for (const component of missed)
    need('bracket', 1, [component.id], msg`${component.name} does not meet the holes of its place`);
  const held = (by: HeldBy): readonly Component[] =>
    design.components.filter((i) => heldBy(i) === by && !missed.includes(i));
  for (const component of held('bracket'))
    need('bracket', 1, [component.id], msg`holds ${component.name}`);
  for (const component of held('tape'))
    need('adhesive', 1, [component.id], msg`holds ${component.name}`);
  const loops = design.loops.filter((l) => l.connections.length > 0);
  if (loops.length === 0) return needs;
  const ids = loops.map((l) => l.id);
  need('o-ring', 1, ids, msg`to spare: a sliced O-ring stops a build`);
  need('paper', 1, ids, msg`under every joint at the leak test`);
  need('gloves', 1, ids, msg`coolant and biocide irritate`);
  need('leak-tester', 1, ids, msg`air test before any coolant goes in`);
  need('fill-bottle', 1, ids, msg`to fill without spilling`);
  const fresh = design.components.filter((i) => i.part.kind === 'radiator' && !i.settings.owned);
  need(
    'flush',
    fresh.length,
    fresh.map((i) => i.id),
    msg`new radiators are flushed: ${names(fresh)}`,
  );
  for (const loop of loops) {
    const volume = volumes.find((v) => v.loop === loop.id);
    if (volume) {
      need(
        'water',
        Math.ceil(mixFor(loop.coolant, volume.buy_mL).water_mL / 1000 - 1e-9),
        [loop.id],
        msg`${loop.coolant.name} is mixed with it`,
      );
      if (!loop.coolant.biocide)
        need(
          'biocide',
          Math.ceil(volume.buy_mL / BIOCIDE_USE_ML),
          [loop.id],
          msg`${loop.coolant.name} has none`,
        );
    }
    workedWith(
      loop,
      runs.filter((r) => r.loop === loop.id && r.by === 'tube'),
    ).forEach((n) => needs.push(n));
  }
  for (const run of runs) {
    const clips = clipsFor(design, run);
    need('clip', clips, [run.id], msg`holds ${run.name} to its route`);
  }
  return needs;
}

/** How many clips hold a run to its route; none where it is left to its fittings. */
export function clipsFor({ loops }: Design, { id, cut_mm, tube }: Run): number {
  const clipped = loops.flatMap((l) => l.connections).find((c) => c.id === id)?.clipped ?? false;
  return clipped && !tube.hard ? clipCount(cut_mm) : 0;
}

/**
 * How a part that stands free is held: as its builder says; where that is not said, lights and
 * controllers by tape, the rest by a bracket. Null of parts that a case or another part holds.
 */
export function heldBy({ part, placement, settings }: Component): HeldBy | null {
  if (placement.on !== 'free') return null;
  return settings.heldBy ?? (part.kind === 'device' && part.duty !== 'drive' ? 'tape' : 'bracket');
}

/** What a kind of tubing is worked with. */
function workedWith(loop: Loop, tubes: readonly Run[]): readonly ConsumableNeed[] {
  if (tubes.length === 0) return [];
  const { tube } = loop,
    why = `${loop.name}: ${tube.material}`,
    base = { uses: 1, for: tubes.map((r) => r.id), why };
  if (!tube.hard) return [{ ...base, duty: 'snips', why: msg`${why} is cut square` }];
  const bent = tubes.some((r) => r.bends > 0);
  return [
    tube.material === 'acrylic'
      ? { ...base, duty: 'saw' as const, why: msg`${why} cracks in a cutter` }
      : { ...base, duty: 'cutter' as const, why: msg`${why} is cut clean` },
    ...(tube.material === 'acrylic'
      ? [{ ...base, duty: 'mitre' as const, why: msg`${why} is sawn square` }]
      : []),
    { ...base, duty: 'deburrer', why: msg`${why}: a sharp edge slices the O-ring` },
    ...(bent && isBentCold(tube)
      ? [
          {
            ...base,
            duty: 'tube-bender' as const,
            tube_mm: tube.outer_mm,
            why: msg`${why} is bent cold: ${tube.minBend_mm} mm bends`,
          },
          { ...base, duty: 'marker' as const, why: msg`${why}: marks that wipe off` },
        ]
      : []),
    ...(bent && !isBentCold(tube)
      ? [
          {
            ...base,
            duty: 'cord' as const,
            tube_mm: tube.inner_mm,
            why: msg`${why}: inside while it is bent`,
          },
          {
            ...base,
            duty: 'mandrel' as const,
            tube_mm: tube.outer_mm,
            why: msg`${why}: ${tube.minBend_mm} mm bends`,
          },
          { ...base, duty: 'heat-gun' as const, why: msg`${why} is bent warm` },
          { ...base, duty: 'marker' as const, why: msg`${why}: marks that wipe off` },
          { ...base, duty: 'tape' as const, why: msg`${why}: a line along the tube` },
        ]
      : []),
  ];
}

/**
 * The cheapest way to so many uses of a duty: packs of one kind. Null where nothing on offer
 * serves.
 */
export function packFor(
  offer: readonly ConsumablePart[],
  need: ConsumableNeed,
): { readonly part: ConsumablePart; readonly quantity: number } | null {
  const fit = offer.filter(
    (p) => p.duty === need.duty && (need.tube_mm === undefined || p.tube_mm === need.tube_mm),
  );
  return (
    fit
      .map((part) => ({ part, quantity: part.tool ? 1 : Math.ceil(need.uses / part.pack - 1e-9) }))
      .sort(
        (a, b) =>
          a.quantity * a.part.price_minor - b.quantity * b.part.price_minor ||
          a.part.id.localeCompare(b.part.id),
      )[0] ?? null
  );
}
