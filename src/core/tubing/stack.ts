import { capPieces, type Cap } from '../design';
import type { FittingDuty, FittingPart } from '../components';
import { add, cross, roundBody, scale, type Body, type Vec } from '../geometry';
import type { PlacedPort, System } from '../system';

/** A piece of an end: a fitting or adapter, or one leg of an elbow, as a cylinder. */
export interface EndBody {
  readonly duty: FittingDuty;
  readonly from: Vec;
  readonly to: Vec;
  readonly radius: number;
}

/** Adapters in a port, and where and whither the fitting goes on from there. */
export interface PieceStack {
  readonly bodies: readonly EndBody[];
  readonly at: Vec;
  readonly direction: Vec;
}

const HALF = Math.SQRT1_2;

export function extended(
  { bodies, at, direction }: PieceStack,
  { length_mm, diameter_mm }: FittingPart,
): PieceStack {
  const to = add(at, scale(direction, length_mm));
  return {
    bodies: [...bodies, { duty: 'extender', from: at, to, radius: diameter_mm / 2 }],
    at: to,
    direction,
  };
}

/**
 * An elbow turned every way: its outlet lies half its own width below its height, and it reaches as
 * far out.
 */
export function turned(
  { bodies, at, direction }: PieceStack,
  { length_mm, diameter_mm }: FittingPart,
  duty: 'rotary90' | 'rotary45',
  turns: number,
): readonly PieceStack[] {
  const arm = duty === 'rotary90' ? length_mm - diameter_mm / 2 : length_mm / 2;
  const corner = add(at, scale(direction, arm)),
    radius = diameter_mm / 2;
  return sideways(direction, turns).map((side): PieceStack => {
    const out = duty === 'rotary90' ? side : tidy(add(scale(direction, HALF), scale(side, HALF)));
    const exit = add(corner, scale(out, arm));
    return {
      bodies: [
        ...bodies,
        { duty, from: at, to: corner, radius },
        { duty, from: corner, to: exit, radius },
      ],
      at: exit,
      direction: out,
    };
  });
}

/**
 * What stands in a spare port, from the port outwards: its adapter, then the plug, valve or cap.
 * Nothing while its part has no place.
 */
export function capBodies(system: System, cap: Cap): readonly Body[] {
  const at = system.portAt(cap);
  if (!at) return [];
  const stack = capStack(system, cap, at);
  return stack.bodies.map((b) => roundBody(b.from, b.to, b.radius));
}

/** The same as pieces, and where the last one ends. */
function capStack(system: System, cap: Cap, port: PlacedPort): PieceStack {
  const { kit } = system.design;
  const pieces = capPieces(kit, cap),
    last = pieces[pieces.length - 1] as FittingPart;
  const bare: PieceStack = { bodies: [], at: port.at, direction: port.direction };
  const { at, direction, bodies } = adapted(bare, cap, kit);
  const to = add(at, scale(direction, last.length_mm));
  return {
    bodies: [...bodies, { duty: last.duty, from: at, to, radius: last.diameter_mm / 2 }],
    at: to,
    direction,
  };
}

function adapted(bare: PieceStack, { under }: Cap, kit: System['design']['kit']): PieceStack {
  if (!under) return bare;
  if (under.piece === 'extender') return extended(bare, kit.extender);
  const ways = turned(bare, kit.rotary90, 'rotary90', 4);
  const towards = (d: Vec): number =>
    under.direction
      ? d[0] * under.direction[0] + d[1] * under.direction[1] + d[2] * under.direction[2]
      : 0;
  return ways.reduce((best, w) =>
    towards(w.direction) > towards(best.direction) + 1e-9 ? w : best,
  );
}

/** Directions across another one, evenly round it. */
export function sideways(direction: Vec, count: number): readonly Vec[] {
  const u: Vec = Math.abs(direction[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const raw = cross(direction, u),
    length = Math.hypot(...raw);
  const a = scale(raw, 1 / length),
    b = cross(direction, a);
  return Array.from({ length: count }, (_, i) => {
    const t = (2 * Math.PI * i) / count;
    return tidy(add(scale(a, Math.cos(t)), scale(b, Math.sin(t))));
  });
}

/** No dust of rounding on directions along the axes. */
const tidy = (v: Vec): Vec => [clean(v[0]), clean(v[1]), clean(v[2])];
const clean = (x: number): number => {
  if (Math.abs(x) < 1e-12) return 0;
  if (Math.abs(x - 1) < 1e-12) return 1;
  if (Math.abs(x + 1) < 1e-12) return -1;
  return x;
};
