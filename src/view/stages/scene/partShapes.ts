import type { BlockPart, BoardPart, FanPart, RadiatorPart, ReservoirPart } from '@/core/components';
import type { PlacedComponent } from '@/core/system';
import { UPRIGHT, type Box, type Vec } from '@/core/geometry';
import { wholeBodies } from '@/core/elevation';
import { Drawing, type Drawn, type Tint } from './drawing';

type Tints = Readonly<Record<Tint, string>>;

/**
 * What a part looks like, from its own data: cores with their tanks, fans with hub and blades,
 * boards with their slots, blocks with their covers. Parts that are only a box are drawn as that.
 */
export function drawPart(placed: PlacedComponent, tints: Tints): Drawn {
  const { part, frame } = placed;
  const drawing = new Drawing(frame ?? { at: [0, 0, 0], ...UPRIGHT }, tints);
  if (frame)
    switch (part.kind) {
      case 'radiator':
        radiator(drawing, part);
        return drawing.done();
      case 'fan':
        fans(drawing, part, placed.count);
        return drawing.done();
      case 'board':
        solids(drawing, placed, 'metal');
        board(drawing, part);
        return drawing.done();
      case 'block':
        block(drawing, part, placed);
        return drawing.done();
      case 'reservoir':
        reservoir(drawing, part, placed);
        return drawing.done();
      case 'pump':
        pump(drawing, part.size);
        return drawing.done();
      default:
    }
  solids(drawing, placed, TINT_OF[part.kind] ?? 'paper');
  return drawing.done();
}

const TINT_OF: Readonly<Partial<Record<PlacedComponent['part']['kind'], Tint>>> = {
  card: 'paper',
  memory: 'dark',
  supply: 'plastic',
  processor: 'metal',
  inline: 'metal',
  device: 'plastic',
};

/** Every body as it is measured. */
function solids(drawing: Drawing, { solids: list }: PlacedComponent, tint: Tint): void {
  for (const s of wholeBodies(list)) {
    if (s.cylinder) drawing.rod(s.cylinder.from, s.cylinder.to, s.cylinder.radius, tint);
    else if (s.whole) drawing.box(s.whole.box, tint);
    else drawing.caseBox(s.box, tint);
  }
}

/** Pitch of the flat tubes that are drawn, mm, and how far the core stands back from its tanks. */
const TUBE_PITCH_MM = 8,
  SET_BACK_MM = 1.5;

function radiator(drawing: Drawing, part: RadiatorPart): void {
  const [x, y, z] = part.size;
  const from = part.finStart_mm,
    to = Math.min(x, from + part.sections * part.section_mm);
  const box = (min: Vec, max: Vec): Box => ({ min, max });
  drawing.box(box([0, 0, 0], [from, y, z]), 'tank');
  drawing.box(box([to, 0, 0], [x, y, z]), 'tank');
  const back = Math.min(SET_BACK_MM, z / 6);
  drawing.box(box([from, 3, back], [to, y - 3, z - back]), 'fins');
  // Side cheeks, and the flat tubes between the fins on both faces.
  drawing.box(box([from, 0, 0], [to, 3, z]), 'tank');
  drawing.box(box([from, y - 3, 0], [to, y, z]), 'tank');
  const lines: (readonly [Vec, Vec])[] = [];
  for (let b = 3 + TUBE_PITCH_MM; b < y - 4; b += TUBE_PITCH_MM)
    for (const face of [back - 0.2, z - back + 0.2])
      lines.push([
        [from, b, face],
        [to, b, face],
      ]);
  drawing.hatch(lines);
}

/** Shares of a fan's side: its opening, its hub; and how many blades are drawn. */
const OPENING = 0.475,
  HUB = 0.17,
  BLADES = 9;

function fans(drawing: Drawing, part: FanPart, count: number): void {
  const side = part.section_mm,
    thick = part.size[2];
  for (let i = 0; i < count; i += 1) {
    const left = i * side;
    const middle: Vec = [left + side / 2, side / 2, 0];
    drawing.ring([left, 0, 0], side, OPENING * side, thick, 'plastic');
    drawing.ownRod(
      [middle[0], middle[1], 1],
      [middle[0], middle[1], thick - 1],
      HUB * side,
      'dark',
      24,
    );
    drawing.blades(middle, HUB * side, OPENING * side - 2, thick, BLADES, 'metal');
  }
}

/** Slots of a board: for cards along x, for memory upright. */
function board(drawing: Drawing, part: BoardPart): void {
  const top = part.size[2];
  for (const plane of part.slots_mm)
    drawing.box({ min: [34, plane - 4, top], max: [34 + 89, plane + 3, top + 9] }, 'dark');
  const { slots = 4, pitch_mm = 9 } = part.memory ?? {};
  const [mx, my] = part.memoryAt;
  for (let i = 0; i < slots; i += 1)
    drawing.box(
      {
        min: [mx + i * pitch_mm - 1, my - 2, top],
        max: [mx + i * pitch_mm + 5, Math.min(part.size[1] - 4, my + 135), top + 7],
      },
      'dark',
    );
}

/** Share of a block's height that is its metal base. */
const BASE = 0.38;

/** A block: its base of metal, its cover on it a little smaller, screws at the corners. */
function block(drawing: Drawing, part: BlockPart, placed: PlacedComponent): void {
  if (part.boxes || placed.solids.length > 1) {
    solids(drawing, placed, 'block');
    return;
  }
  const [x, y, z] = part.size;
  // Covers of cards lie on their side: their thinnest way is up from the chip.
  const thin = [x, y, z].indexOf(Math.min(x, y, z)) as 0 | 1 | 2;
  const cut = (from: number, to: number, inset: number): Box => ({
    min: [0, 1, 2].map((i) => (i === thin ? from : inset)) as unknown as Vec,
    max: [0, 1, 2].map((i) =>
      i === thin ? to : (part.size[i as 0] as number) - inset,
    ) as unknown as Vec,
  });
  const high = part.size[thin];
  const isUp = thin === 2;
  drawing.box(isUp ? cut(0, high * BASE, 0) : cut(high * (1 - BASE), high, 0), 'metal');
  drawing.box(isUp ? cut(high * BASE, high, 2) : cut(0, high * (1 - BASE), 2), 'block');
}

/** A tube with its caps; what is in it is drawn apart, for it is seen through. */
function reservoir(drawing: Drawing, part: ReservoirPart, placed: PlacedComponent): void {
  const [first] = placed.solids;
  const [x, y, z] = part.size;
  const cap = Math.min(12, y / 6);
  if (!first?.cylinder || part.boxes?.[0]?.round !== 'y') {
    solids(drawing, placed, 'plastic');
    return;
  }
  const radius = Math.min(x, z) / 2;
  drawing.ownRod([x / 2, 0, z / 2], [x / 2, cap, z / 2], radius, 'dark');
  drawing.ownRod([x / 2, y - cap, z / 2], [x / 2, y, z / 2], radius, 'dark');
}

/** A pump: its body, and the round of its volute on top. */
function pump(drawing: Drawing, [x, y, z]: Vec): void {
  drawing.box({ min: [0, 0, 0], max: [x, y * 0.72, z] }, 'plastic');
  drawing.ownRod([x / 2, y * 0.72, z / 2], [x / 2, y, z / 2], Math.min(x, z) * 0.46, 'metal');
}
