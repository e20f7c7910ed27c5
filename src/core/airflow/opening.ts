import type { CasePart, Mount } from '../components';
import { factorsOf } from '../design';
import type { System } from '../system';
import { msg } from '../messages';

/** The room, as a node of the air: its pressure is 0. */
export const ROOM_AIR = 'room';
/** The chamber that every case has. */
export const MAIN_CHAMBER = 'main';

/** A way for air without a fan: Δp = square × Q², Pa at m³/h. */
export interface AirOpening {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly area_cm2: number;
  readonly square: number;
}

/** Discharge of a sharp-edged opening (any handbook of fluid mechanics: about 0.6). */
const DISCHARGE = 0.6;
/** Seams, slot covers and cable gaps of an ordinary case, cm² (common practice, no source). */
export const USUAL_LEAKAGE_CM2 = 45;
/** The case's own grille before a bare fan or a free mount, Pa at 1 m/s (common practice, no source). */
export const GRILLE_PA = 2;
/** What is left of a mount beside its fans counts from here, cm². */
const LEAST_CM2 = 5;
/** Density that losses in Pa at 1 m/s are given for, kg/m³. */
export const STANDARD_AIR_KGM3 = 1.2;

/** Square coefficient of a sharp-edged opening, Pa at m³/h: Q = C_d A √(2 Δp/ρ). */
export const openingSquare = (area_cm2: number, density_kgm3: number): number =>
  density_kgm3 / 2 / (DISCHARGE * (area_cm2 / 1e4) * 3600) ** 2;

/**
 * Loss of a perforated sheet in velocity heads of its whole face, by its open share, 0 to 1
 * (Idelchik, Handbook of Hydraulic Resistance, section on grids, from memory).
 */
export const perforatedHeads = (openShare: number): number =>
  ((Math.SQRT1_2 * (1 - openShare) ** 0.375 + 1 - openShare) / openShare) ** 2;

/** Square coefficient of a loss in Pa at 1 m/s over a face. */
export const faceSquare = (loss_Pa: number, area_cm2: number): number =>
  loss_Pa / ((area_cm2 / 1e4) * 3600) ** 2;

/** Chambers of a case, the main one first. */
export const chambersOf = (of: CasePart | null): readonly string[] => [
  MAIN_CHAMBER,
  ...(of?.air?.chambers ?? []).map((c) => c.id),
];

/** No case, or an open frame: there is no case air. */
export const isOpenFrame = (of: CasePart | null): boolean => of === null || of.air?.open === true;

/** All ways without fans: the case's own openings, mounts that hang free, and leaks. */
export function openingsOf(system: System, density_kgm3: number): readonly AirOpening[] {
  const { case: shell } = system.design;
  if (shell === null || isOpenFrame(shell)) return [];
  return [
    ...(shell.air?.openings ?? []).map((o): AirOpening => ({
      id: o.id,
      name: o.name,
      from: o.to ?? ROOM_AIR,
      to: o.from ?? MAIN_CHAMBER,
      area_cm2: o.area_cm2,
      square:
        o.openShare === undefined
          ? openingSquare(o.area_cm2, density_kgm3)
          : faceSquare((perforatedHeads(o.openShare) * density_kgm3) / 2, o.area_cm2),
    })),
    ...shell.mounts.flatMap((mount) => freeMount(system, mount, density_kgm3)),
    ...leaks(shell, density_kgm3, factorsOf(system.design).leakage),
  ];
}

/**
 * Seams, slot covers and cable gaps; none of a case that is said to have none. `measured` times as
 * much where readings told it.
 */
function leaks(shell: CasePart, density_kgm3: number, measured: number): readonly AirOpening[] {
  const area_cm2 = measured * (shell.air?.leakage_cm2 ?? USUAL_LEAKAGE_CM2);
  if (area_cm2 <= 0) return [];
  return [
    {
      id: 'leaks',
      name: msg`Seams and gaps`,
      from: ROOM_AIR,
      to: MAIN_CHAMBER,
      area_cm2,
      square: openingSquare(area_cm2, density_kgm3),
    },
  ];
}

/** What fans and radiators leave open of a mount. */
function freeMount(
  { design, placed }: System,
  mount: Mount,
  density_kgm3: number,
): readonly AirOpening[] {
  const whole_cm2 = Math.max(0, ...mount.fans.map((f) => (f.count * f.size_mm ** 2) / 100));
  const taken_cm2 = design.components.reduce((sum, { id, part, placement }) => {
    if (placement.on !== 'mount' || placement.mount !== mount.id) return sum;
    if (part.kind === 'radiator') return sum + (part.sections * part.section_mm ** 2) / 100;
    return part.kind === 'fan'
      ? sum + ((placed.get(id)?.count ?? 1) * part.section_mm ** 2) / 100
      : sum;
  }, 0);
  const area_cm2 = whole_cm2 - taken_cm2;
  if (area_cm2 < LEAST_CM2) return [];
  const loss_Pa = ((mount.filterLoss_Pa + GRILLE_PA) * density_kgm3) / STANDARD_AIR_KGM3;
  return [
    {
      id: mount.id,
      name: taken_cm2 > 0 ? msg`${mount.name}, beside its fans` : msg`${mount.name}, free`,
      from: ROOM_AIR,
      to: mount.chamber ?? MAIN_CHAMBER,
      area_cm2,
      square: faceSquare(loss_Pa, area_cm2),
    },
  ];
}
