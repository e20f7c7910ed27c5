import type { CasePart } from '../components';
import { union, type Box, type Vec } from '../geometry';
import { frameSheet, TRAY_MM } from './shell';
import type { System } from './types';

/**
 * Where something stands: in the case, behind its board tray, or outside. An open frame has no
 * outside: the room goes through it.
 */
export type Room = 'inside' | 'behind' | 'outside';

/** The rooms of a case, mm: what a part or tube may stand in. */
export interface Rooms {
  /** Before the tray; of an open frame without walls. */
  readonly inside: Box;
  /** Between the tray and the panel behind it; null where the case has none. */
  readonly behind: Box | null;
  /** The case with its sheets; null of an open frame. */
  readonly shell: Box | null;
}

/** Of an open frame: how far parts and tubes may stand beyond it, mm. */
const BEYOND_MM = 600;

export function roomsOf(box: CasePart): Rooms {
  const [x, y, z] = box.interior,
    sheet = box.panels_mm?.tray ?? TRAY_MM,
    open = box.air?.open === true,
    back = -sheet - (box.behind_mm ?? 0);
  const inside: Box = open
    ? { min: [-BEYOND_MM, -BEYOND_MM, 0], max: [x + BEYOND_MM, y + BEYOND_MM, z + BEYOND_MM] }
    : { min: [0, 0, 0], max: [x, y, z] };
  const behind: Box | null =
    (box.behind_mm ?? 0) > 0 ? { min: [0, 0, back], max: [x, y, -sheet] } : null;
  return {
    inside,
    behind,
    shell: open
      ? null
      : {
          min: [-frameSheet(box, 'rear'), -frameSheet(box, 'bottom'), back - (behind ? sheet : 0)],
          max: [
            x + frameSheet(box, 'front'),
            y + frameSheet(box, 'top'),
            z + frameSheet(box, 'side'),
          ],
        },
  };
}

const holds = (room: Box, at: Vec): boolean =>
  ([0, 1, 2] as const).every((i) => at[i] >= room.min[i] && at[i] <= room.max[i]);

/** The room a point is in. */
export function roomAt({ shell, inside, behind }: Rooms, at: Vec): Room {
  if (shell === null ? !holds(inside, at) && at[2] >= 0 : !holds(shell, at)) return 'outside';
  return behind !== null && at[2] < 0 ? 'behind' : 'inside';
}

/** How far round what stands outside a tube may run there, mm. */
const ROUND_MM = 220;

/**
 * Where a tube or piece may be that must reach some points: the room they are all in; with points
 * before and behind the tray both; outside, all round them. Null where a wall of the case parts them.
 */
export function reachOf(rooms: Rooms, points: readonly Vec[]): Box | null {
  const found = new Set(points.map((p) => roomAt(rooms, p)));
  if (found.has('outside')) {
    if (found.size > 1) return null;
    const { min, max } = union([
      ...points.map((p) => ({ min: p, max: p })),
      ...(rooms.shell ? [rooms.shell] : []),
    ]);
    const by = (v: Vec, d: number): Vec => [v[0] + d, v[1] + d, v[2] + d];
    return { min: by(min, -ROUND_MM), max: by(max, ROUND_MM) };
  }
  if (!found.has('behind') || rooms.behind === null) return rooms.inside;
  return found.size > 1 ? union([rooms.inside, rooms.behind]) : rooms.behind;
}

/** The room a body is in, by its middle; one that reaches through a wall is in none it reaches into. */
export const roomOfBody = (rooms: Rooms, { min, max }: Box): Room =>
  roomAt(rooms, [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2]);

/** The room a component is in; null without a case, and while it has no place. */
export function roomOf({ rooms, placed }: System, id: string): Room | null {
  const solids = placed.get(id)?.solids ?? [];
  return rooms && solids.length > 0 ? roomOfBody(rooms, union(solids.map((s) => s.box))) : null;
}

/** The case and all that stands, in it or beside it: what a picture must show, mm. */
export function extentOf({ design, placed, rooms }: System): Box {
  const [x, y, z] = design.case?.interior ?? [1, 1, 1];
  const solids = [...placed.values()].flatMap((p) => p.solids.map((s) => s.box));
  // Behind the tray nothing need be shown where only cables lie.
  const front: Box = { min: [0, 0, 0], max: [x, y, z] };
  return union([front, ...(rooms?.shell ? solids : solids.filter((s) => holdsMost(rooms, s)))]);
}
const holdsMost = (rooms: Rooms | null, box: Box): boolean =>
  rooms === null || roomOfBody(rooms, box) !== 'outside';
