import { findComponent, type Component, type ComponentId, type Design } from '../design';
import type { System } from '../system';
import { union, type Box } from '../geometry';

/** Parts that go into the case as one: a radiator with its fans, a board with what sits on it. */
export interface Unit {
  /** Of the part the others hang on. */
  readonly id: ComponentId;
  readonly kind: Component['part']['kind'] | 'plugs';
  readonly components: readonly ComponentId[];
  /** What it fills, mm in the case. */
  readonly boxes: readonly Box[];
  /** Units that must stand first: what it hangs on. */
  readonly hosts: readonly ComponentId[];
  /** Leads: they are shut out by what stands before them, and give way themselves. */
  readonly yields?: true;
}

/** Power leads of the board, as what is plugged in. */
export const PLUGS = 'power-plugs';

/**
 * The part that a part is put together with on the table, before either goes into the case; null
 * where it goes in by itself.
 */
function carrierOf(design: Design, component: Component): ComponentId | null {
  const { placement, part } = component;
  switch (placement.on) {
    case 'board':
      return design.components.find((c) => c.part.kind === 'board')?.id ?? null;
    case 'radiator':
      // Fans under the cover are screwed on from outside.
      return placement.face === 'outside' ? null : placement.component;
    case 'component': {
      const host = findComponent(design, placement.component);
      // A processor block is put on where its board stands; a card is turned over for its block.
      if (part.kind === 'block') return host?.part.kind === 'card' ? placement.component : null;
      return placement.component;
    }
    default:
      return null;
  }
}

/** The carrier of a carrier, up to the part that stands by itself. */
function rootOf(design: Design, component: Component): ComponentId {
  const seen = new Set<ComponentId>();
  let now = component;
  for (;;) {
    const carrier = carrierOf(design, now);
    const next = carrier === null || seen.has(carrier) ? null : findComponent(design, carrier);
    if (!next) return now.id;
    seen.add(now.id);
    now = next;
  }
}

/** Units of all parts that stand somewhere; what hangs in its runs comes with them. */
export function unitsOf(system: System): readonly Unit[] {
  const { design, placed } = system;
  const byRoot = new Map<ComponentId, Component[]>();
  for (const component of design.components) {
    const at = placed.get(component.id);
    if (!at || at.solids.length === 0 || component.placement.on === 'line') continue;
    const root = rootOf(design, component);
    byRoot.set(root, [...(byRoot.get(root) ?? []), component]);
  }
  const units = [...byRoot].flatMap(([id, components]): Unit[] => {
    const root = components.find((c) => c.id === id);
    if (!root) return [];
    const own = new Set(components.map((c) => c.id));
    return [
      {
        id,
        kind: root.part.kind,
        components: components.map((c) => c.id),
        boxes: components.flatMap((c) => placed.get(c.id)?.solids.map((s) => s.box) ?? []),
        hosts: hostsOf(design, root).filter((h) => !own.has(h) && byRoot.has(h)),
      },
    ];
  });
  return [...units, ...plugsOf(system)];
}

/**
 * Where fingers and a plug go on a board, mm from its edges: the processor's power at the rear of the
 * top edge, the board's own in the upper half of the front edge; and how far off the board (common
 * practice, no source: boards differ).
 */
const PLUG = { long_mm: 34, over_mm: 22, on_mm: 12, high_mm: 32, fromRear_mm: 8 } as const;

/** The power leads of the board as a unit of its own; none without a board in its place. */
function plugsOf({ design, placed }: System): readonly Unit[] {
  const board = design.components.find((c) => c.part.kind === 'board');
  const solids = (board && placed.get(board.id)?.solids) ?? [];
  const [first] = solids;
  if (!board || !first) return [];
  const sheet = union(solids.map((s) => s.box));
  const z: readonly [number, number] = [first.box.max[2], first.box.max[2] + PLUG.high_mm];
  const middle = (sheet.min[1] + sheet.max[1]) / 2;
  const box = (x: readonly [number, number], y: readonly [number, number]): Box => ({
    min: [x[0], y[0], z[0]],
    max: [x[1], y[1], z[1]],
  });
  return [
    {
      id: PLUGS,
      kind: 'plugs',
      components: [],
      boxes: [
        box(
          [sheet.min[0] + PLUG.fromRear_mm, sheet.min[0] + PLUG.fromRear_mm + PLUG.long_mm],
          [sheet.max[1] - PLUG.on_mm, sheet.max[1] + PLUG.over_mm],
        ),
        box(
          [sheet.max[0] - PLUG.on_mm, sheet.max[0] + PLUG.over_mm],
          [middle, middle + PLUG.long_mm],
        ),
      ],
      hosts: [board.id],
      yields: true,
    },
  ];
}

/** What a part hangs on, as units: the board under a card, a processor under its block. */
function hostsOf(design: Design, { placement }: Component): readonly ComponentId[] {
  const board = design.components.filter((c) => c.part.kind === 'board').map((c) => c.id);
  switch (placement.on) {
    case 'slot':
    case 'riser':
      return board;
    case 'component':
    case 'against':
    case 'radiator': {
      const host = findComponent(design, placement.component);
      return host ? [rootOf(design, host)] : [];
    }
    default:
      return [];
  }
}
