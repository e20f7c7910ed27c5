import { BOARD_STANDARDS } from '../components';
import { findComponent, type Component, type ComponentId } from '../design';
import { union, type Box } from '../geometry';
import type { Solid, System } from '../system';
import { msg } from '../messages';
import type { Unit } from './unit';

/** What a hand must do at a part in its place, and what would be in the way. */
export interface Reach {
  readonly unit: string;
  readonly kind: 'driver' | 'nut' | 'plug';
  /** "the screw at its rear top corner". */
  readonly name: string;
  /** Room that the tool or the fingers take, from the place to the open side, mm in the case. */
  readonly room: Box;
  /** Units that must not stand there yet, with the room they leave beside the middle of the tool, mm. */
  readonly blockedBy: readonly { readonly id: string; readonly left_mm: number }[];
}

/** The case lies on its back: screws are driven from the open side, +z. */
const OPEN = 2;
/**
 * Half the room of a driver's shaft, of fingers on a spring nut, and of fingers with a plug (common
 * practice, no source).
 */
export const DRIVER_MM = 5,
  NUT_MM = 9,
  PLUG_MM = 10;
/**
 * Where screws are: of a board of no known standard so far in from its edges, of a card's bracket at
 * its rear, of a block at the corners of its body; where the plug is of a card that does not say: so
 * far from its front end (common practice, no source: parts differ).
 */
const BOARD_INSET_MM = 8,
  SMALL_BOARD_MM = 200,
  BRACKET_MM = 5,
  BLOCK_INSET_MM = 4,
  CARD_PLUG_MM = 60,
  CARD_PLUG_HIGH_MM = 35;

/** Everything to be reached at a unit once it stands, past the others. */
export function reachesOf(system: System, unit: Unit, others: readonly Unit[]): readonly Reach[] {
  const rest = others.filter((o) => o.id !== unit.id && !o.yields && !unit.hosts.includes(o.id));
  const far_mm = Math.max(...[unit, ...others].flatMap((u) => u.boxes.map((b) => b.max[OPEN]))) + 1;
  return spotsOf(system, unit).map(({ kind, name, at, from_mm, to_mm = far_mm, half_mm }) => {
    const room: Box = {
      min: [at[0] - half_mm, at[1] - half_mm, from_mm],
      max: [at[0] + half_mm, at[1] + half_mm, to_mm],
    };
    return {
      unit: unit.id,
      kind,
      name,
      room,
      blockedBy: rest.flatMap((o) => {
        const inTheWay = o.boxes.filter((b) => meets(b, room));
        if (inTheWay.length === 0) return [];
        return [{ id: o.id, left_mm: Math.min(...inTheWay.map((b) => beside(b, at))) }];
      }),
    };
  });
}

interface Spot {
  readonly kind: Reach['kind'];
  readonly name: string;
  readonly at: readonly [x: number, y: number];
  readonly from_mm: number;
  /** Out to the open side where not given. */
  readonly to_mm?: number;
  readonly half_mm: number;
}

function spotsOf({ design, placed }: System, unit: Unit): readonly Spot[] {
  const root = findComponent(design, unit.id);
  const solids = (root && placed.get(root.id)?.solids) ?? [];
  const [first] = solids;
  if (!root || !first) return [];
  switch (root.part.kind) {
    case 'board':
      return boardScrews(root.part.standard, first.box, union(solids.map((s) => s.box)));
    case 'card':
      return cardSpots(root, first.box, solids.find(isPlug)?.box ?? null);
    case 'block':
      return blockNuts(union(solids.map((s) => s.box)));
    default:
      // Radiators, fans, supplies and what stands on a wall are screwed on from outside the case.
      return [];
  }
}

/** Stand-offs of its standard; without one, corners of a board and the middles of long edges. */
function boardScrews(standard: string, sheet: Box, whole: Box): readonly Spot[] {
  const top_mm = sheet.max[OPEN];
  const known = BOARD_STANDARDS.find((s) => s.name === standard);
  if (!known) return usualScrews(whole, top_mm);
  const { x_mm, y_mm, holes } = known;
  return holes.map(([x, y]): Spot => ({
    kind: 'driver',
    name: msg`the screw
      ${placeWords(third(x / x_mm, ['rear', 'middle', 'front']), third(y / y_mm, ['bottom', 'middle', 'top']))}`,
    at: [sheet.min[0] + x, sheet.min[1] + y],
    from_mm: top_mm,
    half_mm: DRIVER_MM,
  }));
}

const third = (share: number, words: readonly [string, string, string]): string =>
  words[Math.min(2, Math.floor(3 * share))] as string;

function usualScrews({ min, max }: Box, top_mm: number): readonly Spot[] {
  const along = (axis: 0 | 1, words: readonly [string, string]): readonly [number, string][] => {
    const low = min[axis] + BOARD_INSET_MM,
      high = max[axis] - BOARD_INSET_MM;
    return [
      [low, words[0]],
      ...(max[axis] - min[axis] > SMALL_BOARD_MM
        ? [[(low + high) / 2, 'middle'] as [number, string]]
        : []),
      [high, words[1]],
    ];
  };
  return along(0, ['rear', 'front']).flatMap(([x, column]) =>
    along(1, ['bottom', 'top']).map(([y, row]): Spot => ({
      kind: 'driver',
      name: msg`the screw ${placeWords(column, row)}`,
      at: [x, y],
      from_mm: top_mm,
      half_mm: DRIVER_MM,
    })),
  );
}

function placeWords(column: string, row: string): string {
  if (column === 'middle' && row === 'middle') return msg`in its middle`;
  if (column === 'middle') return msg`in the middle of its ${row} edge`;
  if (row === 'middle') return msg`in the middle of its ${column} edge`;
  return msg`at its ${column} ${row} corner`;
}

/** A card's plug as its data have it. */
const isPlug = ({ detail }: Solid): boolean => detail === 'power plug';

/**
 * The screw of a card's bracket, and its power lead: where the card says it is, else on the edge
 * towards the open side.
 */
function cardSpots({ placement }: Component, { min, max }: Box, plug: Box | null): readonly Spot[] {
  if (placement.on !== 'slot') return [];
  const y = (min[1] + max[1]) / 2;
  return [
    {
      kind: 'driver',
      name: msg`the screw of its bracket`,
      at: [min[0] + BRACKET_MM, y],
      from_mm: max[OPEN],
      half_mm: DRIVER_MM,
    },
    {
      kind: 'plug',
      name: msg`its power plug`,
      at: plug
        ? [(plug.min[0] + plug.max[0]) / 2, (plug.min[1] + plug.max[1]) / 2]
        : [Math.max((min[0] + max[0]) / 2, max[0] - CARD_PLUG_MM), y],
      from_mm: plug?.max[OPEN] ?? max[OPEN],
      to_mm: (plug?.max[OPEN] ?? max[OPEN]) + CARD_PLUG_HIGH_MM,
      half_mm: PLUG_MM,
    },
  ];
}

function blockNuts({ min, max }: Box): readonly Spot[] {
  const inset = (axis: 0 | 1): readonly (readonly [number, string])[] => [
    [min[axis] + BLOCK_INSET_MM, axis === 0 ? 'rear' : 'bottom'],
    [max[axis] - BLOCK_INSET_MM, axis === 0 ? 'front' : 'top'],
  ];
  return inset(0).flatMap(([x, column]) =>
    inset(1).map(([y, row]): Spot => ({
      kind: 'nut',
      name: msg`the nut at its ${column} ${row} corner`,
      at: [x, y],
      from_mm: max[OPEN],
      half_mm: NUT_MM,
    })),
  );
}

const meets = (a: Box, b: Box): boolean =>
  ([0, 1, 2] as const).every((i) => a.min[i] < b.max[i] && a.max[i] > b.min[i]);

/** How far a box stays from the middle of a tool, mm; 0 where it stands over it. */
const beside = ({ min, max }: Box, at: readonly [number, number]): number =>
  Math.hypot(...([0, 1] as const).map((i) => Math.max(0, min[i] - at[i], at[i] - max[i])));

/** What a unit would hide of another: the words for why one goes before the other. */
export const hiddenBy = (
  reaches: readonly Reach[],
  unit: ComponentId,
): readonly { readonly reach: Reach; readonly left_mm: number }[] =>
  reaches.flatMap((reach) =>
    reach.blockedBy.flatMap(({ id, left_mm }) => (id === unit ? [{ reach, left_mm }] : [])),
  );
