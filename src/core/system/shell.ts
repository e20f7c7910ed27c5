import { BOARD_STANDARDS, type BoardPart, type CasePart, type MountFace } from '../components';
import type { Box, Cylinder, Vec } from '../geometry';
import { cutOut } from './cutOut';
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
  return cutOut(
    { min: [0, 0, z], max: [x, y, 0] },
    (box.grommets ?? []).map((g) => ({
      min: [g.at[0] - g.width_mm / 2, g.at[1] - g.height_mm / 2, z],
      max: [g.at[0] + g.width_mm / 2, g.at[1] + g.height_mm / 2, 0],
    })),
  );
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
    [x, y, z] = box.interior,
    behind = box.behind_mm === undefined ? 0 : box.behind_mm + sheet('side');
  return [
    x + sheet('front') + sheet('rear'),
    y + sheet('top') + sheet('bottom'),
    z + sheet('side') + (box.panels_mm?.tray ?? TRAY_MM) + behind,
  ];
}
