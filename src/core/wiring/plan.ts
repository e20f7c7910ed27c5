import { type Component, type ComponentId } from '../design';
import type { Solid, System } from '../system';
import type { BoardPart, FanPart, CablePart, PowerPlug, PumpPart } from '../components';
import { msg, formatNumber } from '../messages';

const amperes = (current_A: number): string => `${formatNumber(current_A, { decimals: 1 })} A`;

/** One header of the board and all that hangs on it. */
export interface FeedLine {
  readonly header: string;
  readonly components: readonly string[];
  readonly pieces: number;
  /**
   * At full speed, 12 V, A. Of a hub: what the supply feeds; its header carries the speed signal
   * alone.
   */
  readonly current_A: number;
  readonly limit_A: number;
  /** The lead between, if any. */
  readonly by: CablePart | null;
  /** Items that share a hub share one speed. */
  readonly sharedSpeed: boolean;
  /** Cable it takes from the farthest of them to the board, mm, estimated; null where one has no place. */
  readonly way_mm: number | null;
  /** What their own leads and what is between reach, mm; null where a lead's length is not known. */
  readonly reach_mm: number | null;
  /** Put between where that is too short; null where none is needed, or none on the list is long enough. */
  readonly extension: CablePart | null;
}

export interface Unfed {
  readonly component: ComponentId;
  readonly why: string;
}

export interface WiringReport {
  readonly lines: readonly FeedLine[];
  readonly unfed: readonly Unfed[];
  readonly plugs: Readonly<Record<PowerPlug, number>>;
  /** Headers left, of fans and of pumps. */
  readonly freeFan: number;
  readonly freePump: number;
  /** Whether the board says what its headers give, or a common one was taken. */
  readonly assumed: boolean;
}

/** What a board gives that says nothing (common practice, no source). */
export const COMMON_HEADERS: NonNullable<BoardPart['headers']> = {
  fan: 4,
  pump: 1,
  fan_A: 1,
  pump_A: 2,
};
/** Fans and pumps run on this, V. */
const SUPPLY_V = 12;

interface Load {
  readonly component: Component;
  readonly part: FanPart | PumpPart;
  readonly pieces: number;
  readonly current_A: number;
}

/**
 * Which header feeds which fans and pumps, and by which splitter or hub. One set of fans is one
 * load; loads go straight or by the smallest splitter onto a header of their own while there are
 * headers and current, the rest onto hubs fed by the supply. Currents are of full speed; starting
 * may draw more for a second.
 */
export function planWiring(system: System): WiringReport {
  const { components, kit } = system.design;
  const board = components.find((i) => i.part.kind === 'board')?.part as BoardPart | undefined;
  const headers = board?.headers ?? COMMON_HEADERS;
  const cables = [...(kit.cables ?? [])].sort(
    (a, b) => a.outlets - b.outlets || a.price_minor - b.price_minor,
  );
  const loads = components.flatMap((component): Load[] => {
    if (component.part.kind !== 'fan' && component.part.kind !== 'pump') return [];
    const pieces =
      component.part.kind === 'fan' ? (system.placed.get(component.id)?.count ?? 1) : 1;
    return [
      {
        component,
        part: component.part,
        pieces,
        current_A: (pieces * component.part.power_W) / SUPPLY_V,
      },
    ];
  });
  const plugs: Record<PowerPlug, number> = { 'four-pin': 0, 'three-pin': 0, supply: 0 };
  for (const l of loads) plugs[l.part.plug ?? 'four-pin'] += l.pieces;
  const lines: FeedLine[] = [],
    unfed: Unfed[] = [];
  let fan = headers.fan,
    pump = headers.pump;
  const line = (
    header: string,
    limit_A: number,
    of: readonly Load[],
    by: CablePart | null,
  ): void => {
    const lengths = lengthsOf(system, of, by, cables);
    lines.push({
      ...lengths,
      header,
      components: of.map((l) => l.component.id),
      pieces: of.reduce((s, l) => s + l.pieces, 0),
      current_A: of.reduce((s, l) => s + l.current_A, 0),
      limit_A,
      by,
      sharedSpeed: by?.duty === 'hub' && of.length > 1,
    });
  };
  const nextFan = (): string => {
    fan -= 1;
    return msg`fan header ${headers.fan - fan}`;
  };
  const nextPump = (): string => {
    pump -= 1;
    return msg`pump header ${headers.pump - pump}`;
  };

  for (const l of loads.filter((x) => x.part.kind === 'pump')) {
    // Fed by the supply, only the speed wire is on a header.
    const own = l.part.plug === 'supply' ? 0 : l.current_A;
    if (pump > 0 && own <= headers.pump_A)
      line(nextPump(), headers.pump_A, [{ ...l, current_A: own }], null);
    else if (fan > 0 && own <= headers.fan_A)
      line(nextFan(), headers.fan_A, [{ ...l, current_A: own }], null);
    else
      unfed.push({
        component: l.component.id,
        why:
          pump > 0 || fan > 0
            ? msg`it draws ${amperes(own)}; a header gives
              ${amperes(Math.max(pump > 0 ? headers.pump_A : 0, fan > 0 ? headers.fan_A : 0))}`
            : msg`no header is left`,
      });
  }

  const splitterFor = (l: Load): CablePart | null | undefined =>
    l.pieces === 1
      ? null
      : cables.find(
          (p) => p.duty === 'splitter' && p.outlets >= l.pieces && l.current_A <= p.limit_A,
        );
  const straight = (l: Load): boolean =>
    l.current_A <= headers.fan_A && splitterFor(l) !== undefined;
  const sets = loads
    .filter((x) => x.part.kind === 'fan')
    .sort((a, b) => a.pieces - b.pieces || a.component.id.localeCompare(b.component.id));
  const alone = sets.filter(straight),
    others = sets.filter((l) => !straight(l));
  // One header stays for the hub that the rest will need.
  while (alone.length > fan - (others.length > 0 ? 1 : 0) && alone.length > 0)
    others.push(alone.pop() as Load);
  for (const l of alone) line(nextFan(), headers.fan_A, [l], splitterFor(l) ?? null);
  for (const bin of binned(others, cables)) {
    if ('why' in bin) unfed.push({ component: bin.load.component.id, why: bin.why });
    else if (fan > 0) line(nextFan(), bin.hub.limit_A, bin.loads, bin.hub);
    else
      for (const l of bin.loads)
        unfed.push({
          component: l.component.id,
          why: msg`no header is left for the speed of its hub`,
        });
  }
  return {
    lines,
    unfed,
    plugs,
    freeFan: fan,
    freePump: pump,
    assumed: board?.headers === undefined,
  };
}

type Bin =
  | { readonly hub: CablePart; readonly loads: readonly Load[] }
  | { readonly load: Load; readonly why: string };

/** A cable is laid along edges and round corners: so many times the way, and this much to plug it in. */
const LAID = 1.25,
  PLUGGED_MM = 60;

/**
 * How far apart a load and the board are along the axes, as cables are laid, and what the leads
 * reach (lengths by the parts; the way is an estimate: which edge the header is on is not known).
 */
function lengthsOf(
  system: System,
  loads: readonly Load[],
  by: CablePart | null,
  cables: readonly CablePart[],
): Pick<FeedLine, 'way_mm' | 'reach_mm' | 'extension'> {
  const board = [...system.placed.values()].find((p) => p.part.kind === 'board' && p.frame);
  const ways = loads.map((l) => {
    const solids = system.placed.get(l.component.id)?.solids ?? [];
    return board && solids.length > 0 ? LAID * apart(solids, board.solids) + PLUGGED_MM : null;
  });
  const leads = loads.map((l) => l.part.lead_mm);
  const between = by ? by.length_mm : 0;
  const way_mm = ways.some((w) => w === null) ? null : Math.max(...(ways as number[]));
  const reach_mm =
    between === undefined || leads.some((l) => l === undefined)
      ? null
      : Math.min(...(leads as number[])) + between;
  const short = way_mm !== null && reach_mm !== null ? way_mm - reach_mm : 0;
  const extension =
    short > 0
      ? (cables
          .filter((c) => c.duty === 'extension' && (c.length_mm ?? 0) >= short)
          .sort((a, b) => (a.length_mm ?? 0) - (b.length_mm ?? 0))[0] ?? null)
      : null;
  return { way_mm, reach_mm, extension };
}

/** Along the three axes, from the nearest of some solids to the nearest of others, mm. */
const apart = (as: readonly Solid[], bs: readonly Solid[]): number =>
  Math.min(
    ...as.flatMap(({ box: a }) =>
      bs.map(({ box: b }) =>
        ([0, 1, 2] as const).reduce<number>(
          (sum, i) => sum + Math.max(0, a.min[i] - b.max[i], b.min[i] - a.max[i]),
          0,
        ),
      ),
    ),
  );

/**
 * Sets of fans onto hubs, the largest first, into the first hub with room; each hub the smallest
 * that holds what it got.
 */
function binned(loads: readonly Load[], cables: readonly CablePart[]): readonly Bin[] {
  const hubs = cables.filter((l) => l.duty === 'hub');
  const takes = (h: CablePart, list: readonly Load[]): boolean =>
    list.reduce((s, l) => s + l.pieces, 0) <= h.outlets &&
    list.reduce((s, l) => s + l.current_A, 0) <= h.limit_A;
  const full: Load[][] = [],
    refused: Bin[] = [];
  for (const l of [...loads].sort(
    (a, b) => b.pieces - a.pieces || a.component.id.localeCompare(b.component.id),
  )) {
    const bin = full.find((b) => hubs.some((h) => takes(h, [...b, l])));
    if (bin) bin.push(l);
    else if (hubs.some((h) => takes(h, [l]))) full.push([l]);
    else
      refused.push({
        load: l,
        why:
          hubs.length === 0
            ? msg`it needs a hub and none is on the list`
            : msg`${l.pieces} plugs and ${amperes(l.current_A)} are more than any hub on the list
              takes`,
      });
  }
  return [
    ...full.map((list): Bin => ({
      hub: hubs.find((h) => takes(h, list)) as CablePart,
      loads: list,
    })),
    ...refused,
  ];
}
