import { formatCelsius } from '../units';
import {
  isWet,
  type Bodied,
  type ComponentPart,
  type HolePattern,
  type Passage,
  type Port,
  type WetPart,
} from '../components';
import type { Vec } from '../geometry';
import { msg } from '../messages';
import { port as madePort } from './shapes';

/** A face of a part's box, by the own axis that looks out of it. */
export const FACES = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
export type Face = (typeof FACES)[number];

type Axis = 0 | 1 | 2;
const AXIS: Readonly<Record<Face, Axis>> = {
  '+x': 0,
  '-x': 0,
  '+y': 1,
  '-y': 1,
  '+z': 2,
  '-z': 2,
};
const signOf = (face: Face): 1 | -1 => (face.startsWith('+') ? 1 : -1);
const put = (v: Vec, axis: Axis, value: number): Vec =>
  v.map((x, i) => (i === axis ? value : x)) as unknown as Vec;

/** The axis a face looks along, and the two it lies in. */
export const axesOfFace = (
  face: Face,
): { readonly out: Axis; readonly across: readonly [Axis, Axis] } => {
  const out = AXIS[face];
  const across = ([0, 1, 2] as const).filter((i) => i !== out) as [Axis, Axis];
  return { out, across };
};

/** The face a port looks out of; null where it looks along no axis. */
export const faceOf = ({ direction }: Pick<Port, 'direction'>): Face | null =>
  FACES.find((f) => direction[AXIS[f]] === signOf(f)) ?? null;

/** A port within a tenth of a millimetre of a face lies on it. */
const ON_FACE_MM = 0.1;

/**
 * A part with one side longer or shorter: ports on the face that moves go with it, ports and bodies
 * between keep their share of the way, bodies that reached the face still reach it; the coolant in
 * it goes with its room. Throws RangeError for a length that is not above 0.
 */
export function resizeSide<P extends Bodied>(part: P, axis: Axis, length_mm: number): P {
  if (!(length_mm > 0)) throw new RangeError(msg`a side must be above 0 mm, got ${length_mm}`);
  const before = part.size[axis],
    factor = before > 0 ? length_mm / before : 1;
  const moved = (v: Vec): Vec => put(v, axis, tenths(v[axis] * factor));
  const bodies = part.boxes?.map((b) => ({ ...b, min: moved(b.min), max: moved(b.max) }));
  const wet = part as unknown as Partial<WetPart>;
  const isOn = (at: number): boolean => Math.abs(at - before) < ON_FACE_MM;
  const ports = wet.ports?.map((p) => ({
    ...p,
    at: isOn(p.at[axis]) ? put(p.at, axis, length_mm) : moved(p.at),
  }));
  return {
    ...part,
    size: put(part.size, axis, length_mm),
    ...(bodies ? { boxes: bodies } : {}),
    ...(ports ? { ports } : {}),
    ...(wet.volume_mL === undefined ? {} : { volume_mL: tenths(wet.volume_mL * factor) }),
  };
}
const tenths = (v: number): number => Math.round(v * 10) / 10;

/** A place on a face, held within it: where a port that is dragged there comes to be. */
export function onFace(part: Bodied, face: Face, at: Vec): Vec {
  const { out, across } = axesOfFace(face);
  const held = across.reduce<Vec>(
    (v, axis) => put(v, axis, tenths(Math.min(part.size[axis], Math.max(0, at[axis])))),
    at,
  );
  return put(held, out, signOf(face) > 0 ? part.size[out] : 0);
}

const directionOf = (face: Face): Vec => put([0, 0, 0], AXIS[face], signOf(face));

const withPorts = (part: WetPart, ports: readonly Port[]): WetPart => ({ ...part, ports });

/** A port moved to a place on a face; it looks out of that face then. */
export const movePort = (part: WetPart, id: string, face: Face, at: Vec): WetPart =>
  withPorts(
    part,
    part.ports.map((p) =>
      p.id === id ? { ...p, at: onFace(part, face, at), direction: directionOf(face) } : p,
    ),
  );

/** A port with other words, role, duty or chamber. */
export const changePort = (
  part: WetPart,
  id: string,
  values: Partial<Pick<Port, 'name' | 'role' | 'chamber'>>,
): WetPart =>
  withPorts(
    part,
    part.ports.map((p) => (p.id === id ? { ...p, ...values } : p)),
  );

/** A port to fill or drain by, or neither. */
export const dutyOfPort = (part: WetPart, id: string, duty: Port['duty']): WetPart =>
  withPorts(
    part,
    part.ports.map((p) => {
      if (p.id !== id) return p;
      const { duty: _was, ...rest } = p;
      return duty ? { ...rest, duty } : rest;
    }),
  );

/** A port more, in the middle of a face, into the part's first chamber. */
export function addPort(part: WetPart, face: Face): WetPart {
  const taken = new Set(part.ports.map((p) => p.id));
  let n = part.ports.length + 1;
  while (taken.has(`port-${n}`)) n += 1;
  const at = onFace(part, face, part.size.map((v) => v / 2) as unknown as Vec);
  const chamber = part.ports[0]?.chamber ?? part.passages[0]?.from ?? 'chamber';
  return withPorts(part, [
    ...part.ports,
    madePort(`port-${n}`, msg`port ${n}`, at, directionOf(face), chamber),
  ]);
}

export const removePort = (part: WetPart, id: string): WetPart =>
  withPorts(
    part,
    part.ports.filter((p) => p.id !== id),
  );

/** Every chamber of a part, by its ports and passages. */
export const chamberNames = (part: WetPart): readonly string[] => [
  ...new Set([
    ...part.ports.map((p) => p.chamber),
    ...part.passages.flatMap((x) => [x.from, x.to]),
  ]),
];

/** A name that no chamber of the part has. */
export function freshChamber(part: WetPart): string {
  const taken = chamberNames(part);
  let n = taken.length + 1;
  while (taken.includes(`chamber-${n}`)) n += 1;
  return `chamber-${n}`;
}

/** What a new passage drops until it is measured: one point, kPa at L/min (an estimate). */
const NEW_PASSAGE: Passage['points'] = [[4, 1]];

/** A part with a passage more, between its first two chambers; nothing where it has but one. */
export function addPassage(part: WetPart): WetPart {
  const [from, to] = chamberNames(part);
  if (from === undefined || to === undefined) return part;
  const made: Passage = { from, to, points: NEW_PASSAGE, source: 'estimated' };
  return { ...part, passages: [...part.passages, made] };
}

/** A passage between other chambers, with another drop, or that lets pass one way only. */
export const changePassage = (part: WetPart, index: number, values: Partial<Passage>): WetPart => ({
  ...part,
  passages: part.passages.map((x, i) => (i === index ? { ...x, ...values } : x)),
});

export const removePassage = (part: WetPart, index: number): WetPart => ({
  ...part,
  passages: part.passages.filter((_, i) => i !== index),
});

type BodyBox = NonNullable<Bodied['boxes']>[number];

/** The bodies a part is made of: its whole box where none are named. */
export const bodiesOf = ({ boxes, size, name }: Bodied): readonly BodyBox[] =>
  boxes ?? [{ name, min: [0, 0, 0], max: size }];

/** A part of other bodies; its size is the room they fill from its origin. */
export function withBodies<P extends Bodied>(part: P, boxes: readonly BodyBox[]): P {
  const size = ([0, 1, 2] as const).map((i) =>
    Math.max(...boxes.map((b) => b.max[i])),
  ) as unknown as Vec;
  return { ...part, boxes, size: boxes.length > 0 ? size : part.size };
}

/** A part with a body more: a cube on its upper face. */
export function addBody<P extends Bodied>(part: P, round?: 'x' | 'y' | 'z'): P {
  const bodies = bodiesOf(part);
  const [x, y, z] = part.size;
  const side = Math.round(Math.min(x, z) / 2);
  const made: BodyBox = {
    name: msg`body ${bodies.length + 1}`,
    min: [0, y, 0],
    max: [side, y + side, side],
    ...(round ? { round } : {}),
  };
  return withBodies(part, [...bodies, made]);
}

/** Hole patterns of a part's foot. */
export const withFoot = <P extends Bodied>(part: P, foot: readonly HolePattern[]): P => {
  const { foot: _was, ...rest } = part;
  return (foot.length > 0 ? { ...rest, foot } : rest) as P;
};

/** What a builder reads off a machine: one part under its block. */
export interface MeasuredPair {
  readonly chip_C: number;
  readonly coolant_C: number;
  readonly heat_W: number;
  /** Of the block at that flow; 0 where it is not known, and the pair holds all of it. */
  readonly block_KW: number;
}

/**
 * What lies between a spot and its block's face, K/W, from one measured pair: the rise a watt, less
 * the block's own. Throws RangeError where that would not be above 0.
 */
export function interfaceFrom({ chip_C, coolant_C, heat_W, block_KW }: MeasuredPair): number {
  const whole = (chip_C - coolant_C) / heat_W;
  const rest = whole - block_KW;
  if (!(heat_W > 0 && rest > 0))
    throw new RangeError(
      msg`${formatCelsius(chip_C, 1)} over ${formatCelsius(coolant_C, 1)} at ${heat_W} W leave
        nothing for paste and lid beside the block's ${block_KW} K/W`,
    );
  return Math.round(rest * 1e5) / 1e5;
}

/** Whether a part has ports to be edited. */
export const hasPorts = (part: ComponentPart): part is ComponentPart & WetPart => isWet(part);
