import { BOARD_STANDARDS, type BoardPart, type CasePart, type MountFace } from '../components';
import type { Box, Cylinder, Vec } from '../geometry';
import type { PlacedComponent } from './types';

/**
 * Sheet of a frame that fans may hang on either side of, where the case does not say, mm (common
 * practice, no source).
 */
const FRAME_MM = 1.2;
/** Sheet of a tray, where the case does not say, mm (common practice, no source). */
export const TRAY_MM = 1;
/** A stand-off is a hexagon 5 mm across its flats (common practice, no source). */
const STANDOFF_RADIUS_MM = 2.5;

/** Thickness of the sheet on a side: screws of what hangs there go through it. */
export const frameSheet = (box: CasePart, face: MountFace): number =>
  box.panels_mm?.[face] ?? FRAME_MM;

/**
 * The board tray, as boxes round its openings. It stands behind the interior, from z = −thickness
 * to 0.
 */
export function trayBoxes(box: CasePart): readonly Box[] {
  const [x, y] = box.interior,
    z = -(box.panels_mm?.tray ?? TRAY_MM);
  const holes = (box.grommets ?? []).map((g) => ({
    x0: Math.max(0, g.at[0] - g.width_mm / 2),
    x1: Math.min(x, g.at[0] + g.width_mm / 2),
    y0: Math.max(0, g.at[1] - g.height_mm / 2),
    y1: Math.min(y, g.at[1] + g.height_mm / 2),
  }));
  const cuts = [...new Set([0, x, ...holes.flatMap((h) => [h.x0, h.x1])])].sort((a, b) => a - b);
  const out: Box[] = [];
  for (let i = 0; i + 1 < cuts.length; i += 1) {
    const [from, to] = [cuts[i] as number, cuts[i + 1] as number];
    // In this strip, from the floor up past each opening that crosses it.
    let low = 0;
    for (const h of holes.filter((o) => o.x0 < to && o.x1 > from).sort((a, b) => a.y0 - b.y0)) {
      if (h.y0 > low) out.push({ min: [from, low, z], max: [to, h.y0, 0] });
      low = Math.max(low, h.y1);
    }
    if (low < y) out.push({ min: [from, low, z], max: [to, y, 0] });
  }
  return out;
}

/**
 * Stand-offs under the board, by the holes of its standard; none where it lies on the tray or its
 * standard is not known.
 */
export function standOffs(
  box: CasePart,
  placed: ReadonlyMap<string, PlacedComponent>,
): readonly Cylinder[] {
  return [...placed.values()].flatMap((p) => {
    if (p.part.kind !== 'board' || !p.frame) return [];
    const { at } = p.frame,
      board: BoardPart = p.part;
    if (at[2] <= 0) return [];
    return (BOARD_STANDARDS.find((s) => s.name === board.standard)?.holes ?? []).map(
      ([hx, hy]): Cylinder => {
        const on = (z: number): Vec => [at[0] + hx, at[1] + hy, z];
        return { from: on(0), to: on(at[2]), radius: STANDOFF_RADIUS_MM };
      },
    );
  });
}

/** The case from outside: its inside and the sheets round it, mm. */
export function outsideOf(box: CasePart): Vec {
  const sheet = (face: MountFace): number => frameSheet(box, face),
    [x, y, z] = box.interior;
  return [
    x + sheet('front') + sheet('rear'),
    y + sheet('top') + sheet('bottom'),
    z + sheet('side') + (box.panels_mm?.tray ?? TRAY_MM),
  ];
}
