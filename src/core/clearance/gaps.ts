import {
  roomOfBody,
  solidLabel,
  trayBoxes,
  type PlacedComponent,
  type Rooms,
  type Solid,
  type System,
} from '../system';
import { type Placement, type Design, type ComponentId } from '../design';
import type { MountFace } from '../components';
import { bodyGap, boxGap, union, type Box } from '../geometry';
import { msg, worded } from '../messages';

export type ClearanceVerdict = 'clash' | 'marginal' | 'clear';

export interface Gap {
  readonly a: string;
  readonly b: string;
  readonly nameA: string;
  readonly nameB: string;
  readonly gap_mm: number;
  /** With both parts at the far end of their tolerance. */
  readonly worst_mm: number;
  /**
   * Both tolerances as the root of the sum of their squares: what to expect of two parts made
   * independently.
   */
  readonly rss_mm: number;
  readonly verdict: ClearanceVerdict;
}

export interface ClearanceReport {
  readonly gaps: readonly Gap[];
  readonly unplaced: readonly { readonly component: ComponentId; readonly why: string }[];
}

/** Pairs farther apart than this are not reported, mm. */
export const NEAR_MM = 60;
/** Rounding slack: faces that are meant to meet do not clash. */
const SLACK_MM = 1e-6;

export function verdictFor(gap_mm: number, clear_mm: number): ClearanceVerdict {
  if (gap_mm < -SLACK_MM) return 'clash';
  return gap_mm < clear_mm ? 'marginal' : 'clear';
}

/**
 * Exact gaps between all placed things that are near each other: parts, cages and shrouds, and the
 * walls of the case.
 */
export function measureGaps(system: System): ClearanceReport {
  return {
    gaps: gapsAround(system, null),
    unplaced: [...system.placed.values()].flatMap((p) =>
      p.unplaced ? [{ component: p.id, why: p.unplaced }] : [],
    ),
  };
}

/** The same for pairs with one of `only` in them (null: all), nearest first. */
export function gapsAround(system: System, only: ReadonlySet<string> | null): readonly Gap[] {
  const placed = [...system.placed.values()].filter((p) => p.frame !== null && p.solids.length > 0);
  const { clear_mm } = system.design.brief.limits;
  const obstacles = [...new Set(system.obstacles.map((o) => o.component))].map((component) =>
    system.obstacles.filter((o) => o.component === component),
  );
  const gaps: Gap[] = [];
  const asked = (p: PlacedComponent): boolean => only === null || only.has(p.id);
  placed.forEach((a, i) => {
    const isAsked = asked(a);
    for (let j = i + 1; j < placed.length; j += 1) {
      const b = placed[j] as PlacedComponent;
      if ((!isAsked && !asked(b)) || boxGap(extentOf(a), extentOf(b)) > NEAR_MM) continue;
      const near = nearest(a.solids, b.solids);
      if (
        near &&
        near.gap <= NEAR_MM &&
        !belong(system, a, b) &&
        !(near.gap >= -SLACK_MM && system.mates.screwedTo(a.id).includes(b.id))
      )
        push(system.design, gaps, near, [a.part.tolerance_mm, b.part.tolerance_mm], clear_mm);
    }
    if (!isAsked) return;
    for (const o of obstacles)
      if (!o.some((box) => standsOn(a, box)))
        push(
          system.design,
          gaps,
          nearest(a.solids, o),
          [a.part.tolerance_mm, system.design.case?.tolerance_mm ?? 0],
          clear_mm,
        );
    if (system.rooms) {
      const wall = outsideGap(system, a) ?? wallGap(system, a, system.rooms);
      if (wall)
        push(
          system.design,
          gaps,
          wall,
          [a.part.tolerance_mm, system.design.case?.tolerance_mm ?? 0],
          clear_mm,
        );
    }
  });
  gaps.sort((x, y) => x.gap_mm - y.gap_mm || x.a.localeCompare(y.a) || x.b.localeCompare(y.b));
  return gaps;
}

/** A part that stands on a spot, or anywhere, touches what it stands on; a drive is within its cage. */
const standsOn = (p: PlacedComponent, o: Solid): boolean =>
  (p.placement.on === 'cage' && o.component === `case:${p.placement.cage}`) ||
  ((p.placement.on === 'spot' || p.placement.on === 'free') &&
    p.solids.every((s) => Math.abs(s.box.min[1] - o.box.max[1]) < SLACK_MM));

/** The box round all of a part. */
const extents = new WeakMap<PlacedComponent, Box>();
function extentOf(p: PlacedComponent): Box {
  const known = extents.get(p);
  if (known) return known;
  const box = union(p.solids.map((s) => s.box));
  extents.set(p, box);
  return box;
}

interface Near {
  readonly a: Solid;
  readonly b: Solid;
  readonly gap: number;
}

function nearest(as: readonly Solid[], bs: readonly Solid[]): Near | null {
  let best: Near | null = null;
  for (const a of as)
    for (const b of bs) {
      if (best && (a.cylinder || b.cylinder)) {
        const boxes = boxGap(a.box, b.box);
        if (boxes > 0 && boxes >= best.gap) continue;
      }
      const gap = bodyGap(a, b);
      if (!best || gap < best.gap) best = { a, b, gap };
    }
  return best;
}

function push(
  design: Design,
  gaps: Gap[],
  near: Near | null,
  [one, other]: readonly [number, number],
  clear: number,
): void {
  if (!near || near.gap > NEAR_MM) return;
  const gap_mm = Math.abs(near.gap) < SLACK_MM ? 0 : near.gap;
  gaps.push({
    a: near.a.component,
    b: near.b.component,
    nameA: solidLabel(design, near.a),
    nameB: solidLabel(design, near.b),
    gap_mm,
    worst_mm: gap_mm - one - other,
    rss_mm: gap_mm - Math.hypot(one, other),
    verdict: verdictFor(gap_mm, clear),
  });
}

/** Parts that are meant to touch: a part and what it sits on, and sets of fans on one radiator. */
function belong({ mates }: System, a: PlacedComponent, b: PlacedComponent): boolean {
  const under = mates.hostsOf(a.id),
    underOther = mates.hostsOf(b.id);
  if (under.includes(b.id) || underOther.includes(a.id)) return true;
  const areFans = a.part.kind === 'fan' && b.part.kind === 'fan';
  return areFans && under.length > 0 && under[0] === underOther[0];
}

const WALLS: readonly {
  readonly face: MountFace;
  readonly axis: 0 | 1 | 2;
  readonly side: 'min' | 'max';
  readonly name: string;
}[] = worded(() => [
  { face: 'rear', axis: 0, side: 'min', name: msg`rear panel` },
  { face: 'front', axis: 0, side: 'max', name: msg`front frame` },
  { face: 'bottom', axis: 1, side: 'min', name: msg`floor` },
  { face: 'top', axis: 1, side: 'max', name: msg`top frame` },
  { face: 'tray', axis: 2, side: 'min', name: msg`board tray` },
  { face: 'side', axis: 2, side: 'max', name: msg`side panel` },
]);

/**
 * The wall a part rests on is no gap; the nearest of the others is. Of an open frame only the tray
 * is a wall; what stands outside has the case itself before it. What goes through a wall has none.
 */
function wallGap(system: System, p: PlacedComponent, rooms: Rooms): Near | null {
  if (p.placement.on === 'port') return null;
  const room = roomOfBody(rooms, extentOf(p));
  if (reachesThroughTray(p, rooms)) return throughTray(system, p, rooms);
  if (room === 'outside') return rooms.shell && shellGap(p, rooms.shell);
  const box = room === 'behind' && rooms.behind ? rooms.behind : rooms.inside;
  const walls = rooms.shell === null ? WALLS.filter((w) => w.face === 'tray') : WALLS;
  const rests = restsOn(p);
  const open = walls.filter((w) =>
    room === 'inside' ? !rests.includes(w.face) : !restsBehind(p, w.face),
  );
  return nearestWall(p, box, open, room === 'behind' ? BEHIND_NAMES : {});
}

function nearestWall(
  p: PlacedComponent,
  box: Box,
  walls: typeof WALLS,
  names: Partial<Record<MountFace, string>>,
): Near | null {
  let best: Near | null = null;
  for (const wall of walls)
    for (const solid of p.solids) {
      const gap =
        wall.side === 'min'
          ? solid.box.min[wall.axis] - box.min[wall.axis]
          : box.max[wall.axis] - solid.box.max[wall.axis];
      if (!best || gap < best.gap)
        best = {
          a: solid,
          b: { component: `case:${wall.face}`, detail: names[wall.face] ?? wall.name, box },
          gap,
        };
    }
  return best;
}

/** Whether a part stands on both sides of the tray: over its edge, or in an opening of it. */
function reachesThroughTray(p: PlacedComponent, rooms: Rooms): boolean {
  const { min, max } = extentOf(p);
  return rooms.behind !== null && min[2] < rooms.behind.max[2] && max[2] > 0;
}

/** Of such a part: the tray round the opening, or the nearest wall of both rooms. */
function throughTray(system: System, p: PlacedComponent, rooms: Rooms): Near | null {
  const box = union([rooms.inside, rooms.behind ?? rooms.inside]);
  const sheets = system.design.case ? trayBoxes(system.design.case) : [];
  const tray = nearest(
    p.solids,
    sheets.map((sheet): Solid => ({ component: 'case:tray', detail: msg`board tray`, box: sheet })),
  );
  const rests = restsOn(p);
  const wall = nearestWall(
    p,
    box,
    WALLS.filter((w) => !rests.includes(w.face)),
    { tray: msg`panel behind the tray` },
  );
  if (!tray || !wall) return tray ?? wall;
  return tray.gap < wall.gap ? tray : wall;
}

/** The walls of the room behind the tray, where they are other ones. */
const BEHIND_NAMES: Partial<Record<MountFace, string>> = worded(() => ({
  tray: msg`panel behind the tray`,
  side: msg`board tray`,
}));

/** Behind the tray a part is screwed to the floor, the rear, the tray or the panel. */
function restsBehind(p: PlacedComponent, face: MountFace): boolean {
  if (p.placement.on === 'bay') return face !== 'top';
  if (p.placement.on === 'mount') return mountFaces(p).includes(face);
  return p.placement.on === 'spot' && face === 'bottom';
}

/** From what stands outside to the case. */
function shellGap(p: PlacedComponent, shell: Box): Near | null {
  const solid: Solid = { component: 'case:shell', detail: msg`case`, box: shell };
  return nearest(p.solids, [solid]);
}

/** Fans beyond the frame have the cover before them, at the depth the case says. */
function outsideGap(system: System, p: PlacedComponent): Near | null {
  const { placement, part } = p;
  const host =
    placement.on === 'radiator' && placement.face === 'outside'
      ? system.placed.get(placement.component)?.placement
      : undefined;
  const mount =
    host?.on === 'mount' ? system.design.case?.mounts.find((m) => m.id === host.mount) : undefined;
  const [solid] = p.solids;
  if (!mount || !solid || part.kind !== 'fan') return null;
  return {
    a: solid,
    b: { component: `case:${mount.face}-cover`, detail: msg`${mount.face} cover`, box: solid.box },
    gap: (mount.outside_mm ?? 0) - part.size[2],
  };
}

function restsOn(p: PlacedComponent): readonly MountFace[] {
  const { placement } = p;
  const faces: Record<Placement['on'], readonly MountFace[]> = {
    unplaced: [],
    tray: ['tray', 'rear'],
    board: ['tray'],
    bay: ['bottom', 'rear', 'tray'],
    slot: ['rear', 'tray'],
    riser: ['rear'],
    component: ['tray', 'rear'],
    radiator: [],
    mount: [],
    spot: ['bottom'],
    free: [],
    against: [],
    port: [],
    cage: [],
    line: [],
  };
  if (placement.on === 'free')
    return p.solids.some((s) => Math.abs(s.box.min[1]) < SLACK_MM) ? ['bottom'] : [];
  return placement.on === 'mount' || placement.on === 'radiator'
    ? mountFaces(p)
    : faces[placement.on];
}

/**
 * A stack on a mount touches the frame it hangs on: the one its depth direction points away from.
 */
function mountFaces(p: PlacedComponent): readonly MountFace[] {
  const z = p.frame?.z;
  if (!z) return [];
  if (z[0] !== 0) return [z[0] < 0 ? 'front' : 'rear'];
  if (z[1] !== 0) return [z[1] < 0 ? 'top' : 'bottom'];
  return [z[2] < 0 ? 'side' : 'tray'];
}
