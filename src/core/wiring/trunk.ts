import type { System } from '../system';

/** What the cables of a machine fill where they lie together. */
export interface CableTrunk {
  /** All of them, laid loosely, mm². */
  readonly area_mm2: number;
  /** The thickest that is among them, mm. */
  readonly thickest_mm: number;
  /** How deep they lie when they are spread as wide as they usually are, mm. */
  readonly depth_mm: number;
}

/** Round bundles, mm across (common practice, no source): wires of 1.3 mm² and less with their jacket. */
const BOARD_MM = 12,
  EIGHT_PIN_MM = 7.5,
  DRIVE_MM = 5,
  FAN_MM = 3,
  FRONT_PANEL_MM = 8;
/** One plug of eight pins feeds so many watts: PCI Express CEM gives 150 W. */
const EIGHT_PIN_W = 150;
/** Share of a trunk that is cable, and how wide cables lie behind a tray, mm (common practice). */
const FILLED = 0.6,
  WIDE_MM = 80;

/** Cables from the supply and the front behind the tray, from the parts that are in the machine. */
export function cableTrunk({ design, placed }: System): CableTrunk {
  const across = design.components.flatMap(({ id, part }): number[] => {
    switch (part.kind) {
      case 'board':
        return [BOARD_MM, FRONT_PANEL_MM];
      case 'processor':
      case 'card':
        return plugs(part.draw_W);
      case 'device':
        return part.duty === 'extension' ? [] : [DRIVE_MM];
      case 'fan':
        return Array.from({ length: placed.get(id)?.count ?? 1 }, () => FAN_MM);
      case 'pump':
        return [FAN_MM];
      default:
        return [];
    }
  });
  const wires_mm2 = across.reduce((sum, d) => sum + (Math.PI / 4) * d ** 2, 0);
  const area_mm2 = wires_mm2 / FILLED,
    thickest_mm = Math.max(0, ...across);
  return { area_mm2, thickest_mm, depth_mm: Math.max(thickest_mm, area_mm2 / WIDE_MM) };
}

const plugs = (draw_W: number): number[] =>
  Array.from({ length: Math.ceil(draw_W / EIGHT_PIN_W) }, () => EIGHT_PIN_MM);
