import { capPieces, findComponent, type Design, type Component } from '../design';
import { compileSystem, reachOf, roomAt, type System } from '../system';
import { isWet, type WetPart } from '../components';
import {
  add,
  boxGap,
  boxIn,
  cylinderBox,
  cylinderFrom,
  directionIn,
  pointIn,
  scale,
  sub,
  type Box,
  type Frame,
  type Vec,
} from '../geometry';
import { orientations } from './orientations';

/** Where pieces that hang in their runs come to be, by component. */
export type Frames = ReadonlyMap<string, Frame>;

/** How far from the middle of its neighbours a piece is looked for, and how finely, mm. */
const REACH_MM = 120,
  STEP_MM = 30;
/** A bend is worth so much tube when places are weighed, mm (common practice, no source). */
const BEND_MM = 45;
/** Straight tube wanted at each port beside the fitting, mm. */
const STUB_MM = 14;
/** Rounds over all pieces: one placed early is looked at again when its neighbours stand. */
const ROUNDS = 2;
/** Places kept for a closer look. */
const MOST_TRIES = 4000;
interface Neighbour {
  readonly port: string;
  readonly at: Vec;
  readonly direction: Vec | null;
}

/**
 * A place for every tee, valve, filter and meter that hangs in its runs: upright along the case's
 * axes, clear of all that stands, its ports reached by the least tube and bends (Manhattan length
 * and fewest right-angled turns). Those in `kept` stay. Deterministic.
 */
export function placePieces(design: Design, kept: Frames = new Map()): Frames {
  const loose = design.components.filter(
    (i) => i.placement.on === 'line' && isWet(i.part) && !kept.has(i.id),
  );
  if (loose.length === 0 || !design.case) return kept;
  const frames = new Map<string, Frame>(kept);
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const component of loose) {
      frames.delete(component.id);
      const poses = Object.fromEntries(frames);
      const system = compileSystem({ ...design, layout: { ...design.layout, poses } });
      const frame = bestFrame(system, component as Component & { part: WetPart }, frames);
      if (frame) frames.set(component.id, frame);
    }
  }
  return frames;
}

function neighboursOf(system: System, component: Component, frames: Frames): readonly Neighbour[] {
  return system.design.loops.flatMap((l) =>
    l.connections.flatMap((k): Neighbour[] => {
      const ownEnd = () => {
        if (k.from.component === component.id) return k.from;
        if (k.to.component === component.id) return k.to;
        return null;
      };
      const own = ownEnd();
      if (!own) return [];
      const other = own === k.from ? k.to : k.from,
        at = system.portAt(other);
      // A neighbour that hangs too, and has no place yet, is only about there.
      const loose =
        findComponent(system.design, other.component)?.placement.on === 'line' &&
        !frames.has(other.component);
      return at ? [{ port: own.port, at: at.at, direction: loose ? null : at.direction }] : [];
    }),
  );
}

function bestFrame(
  system: System,
  component: Component & { readonly part: WetPart },
  frames: Frames,
): Frame | null {
  const near = neighboursOf(system, component, frames),
    { rooms } = system;
  const interior =
    rooms &&
    reachOf(
      rooms,
      near.map((n) => n.at),
    );
  if (near.length === 0 || !interior) return null;
  const outside = near.some((n) => roomAt(rooms, n.at) === 'outside');
  const loop = system.design.loops.find((l) =>
    l.connections.some((k) => k.from.component === component.id || k.to.component === component.id),
  );
  const fitting = loop?.fitting ?? system.design.kit.maleToMale,
    arm = fitting.length_mm + STUB_MM + (loop?.tube.hard ? loop.tube.minBend_mm : 0);
  const ends = near.map((n) => ({
    ...n,
    reached: n.direction ? add(n.at, scale(n.direction, arm)) : n.at,
  }));
  const middle = scale(
    ends.reduce((s, n) => add(s, n.reached), [0, 0, 0] as Vec),
    1 / ends.length,
  );
  const turned = orientations();
  const tries: {
    readonly t: (typeof turned)[number];
    readonly x: number;
    readonly y: number;
    readonly z: number;
    readonly cost: number;
  }[] = [];
  const frameOf = ({ t, x, y, z }: (typeof tries)[number]): Frame => ({
    at: add([x, y, z], directionIn({ at: [0, 0, 0], ...t }, scale(component.part.size, -0.5))),
    ...t,
  });
  const least = loop?.tube.hard ? 2 * loop.tube.minBend_mm + 5 : (loop?.tube.minBend_mm ?? 40);
  let worst = Infinity;
  const steps = Array.from(
    { length: 2 * Math.floor(REACH_MM / STEP_MM) + 1 },
    (_, i) => (i - Math.floor(REACH_MM / STEP_MM)) * STEP_MM,
  );
  // Level with a neighbour's port, a run may be straight: those planes are tried beside the even
  // steps.
  const levels = ([0, 1, 2] as const).map((i) =>
    [...new Set([...steps.map((s) => middle[i] + s), ...ends.map((n) => n.reached[i])])].filter(
      (v) => v > interior.min[i] && v < interior.max[i],
    ),
  );
  for (const t of turned) {
    const ports = ends
      .map((n) => {
        const p = component.part.ports.find((q) => q.id === n.port);
        return p
          ? {
              at: directionIn({ at: [0, 0, 0], ...t }, sub(p.at, scale(component.part.size, 0.5))),
              direction: directionIn({ at: [0, 0, 0], ...t }, p.direction),
              to: n,
            }
          : null;
      })
      .filter((p) => p !== null)
      .map((p) => ({ ...p, mouth: add(p.at, scale(p.direction, arm)) }));
    for (const x of levels[0] ?? [])
      for (const y of levels[1] ?? [])
        for (const z of levels[2] ?? []) {
          let cost = 0;
          for (const p of ports) {
            cost += wayCost(
              x + p.mouth[0],
              y + p.mouth[1],
              z + p.mouth[2],
              p.direction,
              p.to.reached,
              p.to.direction,
              least,
            );
            if (cost >= worst) break;
          }
          if (cost >= worst) continue;
          if (tries.length >= 2 * MOST_TRIES) {
            tries.sort((a, b) => a.cost - b.cost);
            tries.length = MOST_TRIES;
            worst = (tries[MOST_TRIES - 1] as { cost: number }).cost;
          }
          tries.push({ t, x, y, z, cost });
        }
  }
  tries.sort((a, b) => a.cost - b.cost);
  const solids = [
    ...[...system.placed.values()]
      .filter((p) => p.id !== component.id)
      .flatMap((p) => p.solids.map((s) => s.box)),
    ...system.obstacles.map((o) => o.box),
    ...(outside && rooms.shell ? [rooms.shell] : []),
    ...fittingsOf(system, component.id),
  ];
  const keep = Math.max(2, system.design.brief.limits.clear_mm);
  const found = tries.find((x) =>
    clears(
      component.part,
      frameOf(x),
      solids,
      interior,
      keep,
      fitting.length_mm + STUB_MM / 2,
      fitting.diameter_mm / 2,
    ),
  );
  return found ? frameOf(found) : null;
}

/**
 * Least right-angled way from a mouth to another: lengths along the axes, and the bends its ends
 * ask for.
 */
function wayCost(
  fx: number,
  fy: number,
  fz: number,
  out: Vec,
  to: Vec,
  into: Vec | null,
  least: number,
): number {
  const x = to[0] - fx,
    y = to[1] - fy,
    z = to[2] - fz,
    ax = Math.abs(x),
    ay = Math.abs(y),
    az = Math.abs(z);
  const axes = (ax > 1 ? 1 : 0) + (ay > 1 ? 1 : 0) + (az > 1 ? 1 : 0);
  const ahead = x * out[0] + y * out[1] + z * out[2] >= -1e-6,
    meets = into === null || x * into[0] + y * into[1] + z * into[2] <= 1e-6;
  const faces = into === null ? 0 : out[0] * into[0] + out[1] * into[1] + out[2] * into[2];
  const bends =
    axes <= 1 && ahead && (into === null || faces < -0.5)
      ? 0
      : (Math.abs(faces) > 0.5 ? 2 : 1) + (axes > 2 ? 1 : 0) + (ahead ? 0 : 2) + (meets ? 0 : 2);
  // A step to the side shorter than two bends need is a detour there and back.
  const short =
    (ax > 1 && ax < least ? 1 : 0) +
    (ay > 1 && ay < least ? 1 : 0) +
    (az > 1 && az < least ? 1 : 0);
  return ax + ay + az + (bends + 1.5 * short) * BEND_MM + 0.02 * Math.max(ax, ay, az);
}

/** Fittings that will be in the ports of what stands already. */
function fittingsOf(system: System, but: string): readonly Box[] {
  return system.design.loops
    .flatMap((l) => [
      ...l.connections
        .filter((k) => k.by === 'tube')
        .flatMap((k) => [k.from, k.to])
        .map((ref) => ({ ref, part: l.fitting })),
      ...l.caps.flatMap((c) =>
        capPieces(system.design.kit, c)
          .slice(0, 1)
          .map((part) => ({ ref: c, part })),
      ),
    ])
    .flatMap(({ ref, part }): Box[] => {
      const at = ref.component === but ? null : system.portAt(ref);
      return at && Math.max(...at.direction.map(Math.abs)) > 0.999
        ? [
            cylinderBox(
              cylinderFrom(at.at, at.direction, part.length_mm + STUB_MM / 2, part.diameter_mm / 2),
            ),
          ]
        : [];
    });
}

function clears(
  part: WetPart,
  frame: Frame,
  solids: readonly Box[],
  interior: Box,
  keep: number,
  length: number,
  radius: number,
): boolean {
  const body = boxIn(frame, { min: [0, 0, 0], max: part.size });
  const boxes = [
    body,
    ...part.ports.map((p) =>
      cylinderBox(
        cylinderFrom(pointIn(frame, p.at), directionIn(frame, p.direction), length, radius),
      ),
    ),
  ];
  for (const [k, b] of boxes.entries()) {
    for (const i of [0, 1, 2] as const)
      if (b.min[i] < interior.min[i] + 1 || b.max[i] > interior.max[i] - 1) return false;
    for (const s of solids) if (boxGap(b, s) < (k === 0 ? keep : 1)) return false;
  }
  return true;
}
