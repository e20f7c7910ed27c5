import type { FittingPart } from '../part';
import type { Model, PlacedPort } from '../model';
import type { Run } from '../run';
import { bodyGap, boxGap, cylinderBox, cylinderFrom, type Body } from '../shape';

/** What is screwed into a port, and the room a hand needs round it. */
export interface PortFit {
  readonly item: string;
  readonly port: string;
  readonly name: string;
  readonly fitting: string;
  /** Nearest thing to the fitting itself, mm; null when nothing is within reach. */
  readonly gap_mm: number | null;
  readonly with: string | null;
  /** What is left round the fitting for fingers, mm: below 0 it cannot be tightened by hand. */
  readonly access_mm: number | null;
  readonly accessWith: string | null;
  readonly verdict: 'clash' | 'tight' | 'clear';
  /** Another port's fitting is what is in the way: an extender on one of the two parts them. */
  readonly besidePort: boolean;
}

/** Fingers round a fitting that is to be tightened by hand, mm (common practice, no source). */
export const HAND_MM = 12;
/** Things farther off than this are not told, mm. */
const NEAR_MM = 40;
/** Faces that are meant to meet. */
const SLACK_MM = 1e-6;

interface Screwed { readonly at: PlacedPort; readonly part: FittingPart; readonly body: Body; readonly hand: Body; readonly partner: string | null }

/** Whether something whose box is so far off could still be nearer than the nearest known. */
const bounds = (boxes: number, nearest: number): boolean => boxes <= 0 || boxes < nearest;

const round = (at: PlacedPort, length: number, radius: number): Body => { const cylinder = cylinderFrom(at.at, at.direction, length, radius); return { box: cylinderBox(cylinder), cylinder }; };

/** Every fitting and cap in its port, against all parts, walls and each other. */
export function portFits(model: Model, runs: readonly Run[]): readonly PortFit[] {
  const screwed = screwedIn(model, runs);
  const solids = [...model.placed.values()].flatMap((p) => p.solids), nameOf = (id: string): string => model.build.items.find((i) => i.id === id)?.name ?? id;
  /** A part, what it sits on and what sits on it are made for each other: their own ports clear them. */
  const hosts = (id: string): readonly string[] => { const h = model.placed.get(id)?.host; return h ? [h, ...hosts(h)] : []; };
  return screwed.map((s): PortFit => {
    const own = new Set([s.at.item, s.partner, ...hosts(s.at.item)]);
    let gap = Infinity, gapWith: string | null = null, access = Infinity, accessWith: string | null = null, beside = false;
    const meet = (other: Body, name: string, isPort: boolean): void => {
      // A body is nowhere nearer than the box it fills: where that is no nearer than what was found, nothing is worked out.
      const handBound = boxGap(s.hand.box, other.box);
      if (handBound > NEAR_MM) return;
      if (bounds(handBound, access)) { const a = bodyGap(s.hand, other); if (a < access) { access = a; accessWith = name; } }
      if (bounds(boxGap(s.body.box, other.box), gap)) { const g = bodyGap(s.body, other); if (g < gap) { gap = g; gapWith = name; beside = isPort; } }
    };
    for (const solid of solids) if (!own.has(solid.item)) meet(solid, solid.name, false);
    for (const o of model.obstacles) meet(o, o.name, false);
    for (const t of screwed) if (t !== s && !(t.at.item === s.partner && s.at.item === t.partner)) meet(t.body, `${nameOf(t.at.item)}, ${t.at.port.name}`, true);
    const wall = model.interior ? wallRoom(s.body, model.interior) : null;
    if (wall && wall.room < gap) { gap = wall.room; gapWith = wall.name; beside = false; }
    const handWall = model.interior ? wallRoom(s.hand, model.interior) : null;
    if (handWall && handWall.room < access) { access = handWall.room; accessWith = handWall.name; }
    const near = gap <= NEAR_MM, within = access <= NEAR_MM;
    return {
      item: s.at.item, port: s.at.port.id, name: `${nameOf(s.at.item)}, ${s.at.port.name}`, fitting: s.part.name,
      gap_mm: near ? gap : null, with: near ? gapWith : null, access_mm: within ? access : null, accessWith: within ? accessWith : null,
      verdict: gap < -SLACK_MM ? 'clash' : access < -SLACK_MM ? 'tight' : 'clear', besidePort: gap < -SLACK_MM && beside,
    };
  }).sort((a, b) => (a.gap_mm ?? Infinity) - (b.gap_mm ?? Infinity) || (a.access_mm ?? Infinity) - (b.access_mm ?? Infinity));
}

const WALLS = ['rear panel', 'floor', 'board tray', 'front frame', 'top frame', 'side panel'] as const;

/** Room to the nearest wall it does not already stand beyond: parts on a mount reach through their frame. */
function wallRoom({ box }: Body, inside: { readonly min: readonly number[]; readonly max: readonly number[] }): { readonly room: number; readonly name: string } | null {
  let best: { room: number; name: string } | null = null;
  for (let i = 0; i < 3; i += 1) {
    for (const [room, name] of [[(box.min[i as 0] as number) - (inside.min[i] as number), WALLS[i] as string], [(inside.max[i] as number) - (box.max[i as 0] as number), WALLS[i + 3] as string]] as const) if (!best || room < best.room) best = { room, name };
  }
  return best;
}

/** Fittings of runs and caps of spare ports, where the port has a place. Ports joined face to face hold a joint between them. */
function screwedIn(model: Model, runs: readonly Run[]): Screwed[] {
  const { kit } = model.build;
  const put = (at: PlacedPort | null, parts: readonly FittingPart[], partner: string | null): Screwed[] => {
    const widest = parts.reduce<FittingPart | null>((a, b) => (a && a.diameter_mm >= b.diameter_mm ? a : b), null);
    if (!at || !widest) return [];
    const length = parts.reduce((s, p) => s + p.length_mm, 0), radius = widest.diameter_mm / 2;
    return [{ at, part: parts[parts.length - 1] as FittingPart, body: round(at, length, radius), hand: round(at, length, radius + HAND_MM), partner }];
  };
  const ofRuns = model.build.loops.flatMap((loop) => loop.links.flatMap((link) => {
    if (link.by === 'joint') return [];
    const run = runs.find((r) => r.id === link.id && r.loop === loop.id);
    const parts = (end: 'from' | 'to'): FittingPart[] => (run?.fittings ?? []).filter((f) => f.end === end).map((f) => (f.duty === loop.fitting.duty ? loop.fitting : kit[f.duty as keyof Omit<typeof kit, 'screws'>]));
    return [...put(model.portAt(link.from), parts('from'), link.to.item), ...put(model.portAt(link.to), parts('to'), link.from.item)];
  }));
  return [...ofRuns, ...model.build.loops.flatMap((loop) => loop.caps.flatMap((cap) => put(model.portAt(cap), [kit[cap.with]], null)))];
}
