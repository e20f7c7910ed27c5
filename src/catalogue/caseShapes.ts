import type { CasePart, Mount } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { litresOf } from '@/core/measure';

/** Recurring shapes of cases: rails, vents, openings. All cases and makers are invented. */

export type Row = Mount['fans'][number];
export const row = (size_mm: number, count: number): Row => ({ size_mm, count });

/**
 * Rails of an upright case: right-handed (along × across = inward), start at the lower or rear end.
 */
export const front = (
  x: number,
  y: number,
  z: number,
  length: number,
  fans: readonly Row[],
  published: number,
  holeGap = 15,
): Mount => ({
  id: 'front',
  name: 'Front mount',
  face: 'front',
  at: [x, y, z],
  along: [0, 1, 0],
  across: [0, 0, -1],
  inward: [-1, 0, 0],
  length_mm: length,
  fans,
  holeGap_mm: holeGap,
  published_mm: published,
  outside_mm: 28,
  filterLoss_Pa: 1.5,
});
export const top = (
  x: number,
  y: number,
  z: number,
  length: number,
  fans: readonly Row[],
  published: number,
  holeGap = 15,
): Mount => ({
  id: 'top',
  name: 'Top mount',
  face: 'top',
  at: [x, y, z],
  along: [1, 0, 0],
  across: [0, 0, 1],
  inward: [0, -1, 0],
  length_mm: length,
  fans,
  holeGap_mm: holeGap,
  published_mm: published,
  filterLoss_Pa: 1,
});
export const rear = (y: number, z: number, size: number, others: readonly Row[] = []): Mount => ({
  id: 'rear',
  name: 'Rear mount',
  face: 'rear',
  at: [0, y, z],
  along: [0, 1, 0],
  across: [0, 0, 1],
  inward: [1, 0, 0],
  length_mm: size + 10,
  fans: [row(size, 1), ...others],
  holeGap_mm: 15,
  published_mm: 60,
  filterLoss_Pa: 1,
});
export const bottom = (
  x: number,
  z: number,
  length: number,
  fans: readonly Row[],
  published: number,
): Mount => ({
  id: 'bottom',
  name: 'Floor mount',
  face: 'bottom',
  at: [x, 0, z],
  along: [1, 0, 0],
  across: [0, 0, -1],
  inward: [0, 1, 0],
  length_mm: length,
  fans,
  holeGap_mm: 15,
  published_mm: published,
  filterLoss_Pa: 2,
});

/** Fans in the glass side itself, blowing over the board. */
export const side = (
  x: number,
  z: number,
  y: number,
  length: number,
  fans: readonly Row[],
  published: number,
): Mount => ({
  id: 'side',
  name: 'Side mount',
  face: 'side',
  at: [x, y, z],
  along: [0, 1, 0],
  across: [1, 0, 0],
  inward: [0, 0, -1],
  length_mm: length,
  fans,
  holeGap_mm: 15,
  published_mm: published,
  filterLoss_Pa: 1.5,
});

/** Cable openings in the tray, beside the board's front edge: tubes may pass there. */
export const grommets = (x: number, ...ys: readonly number[]): NonNullable<CasePart['grommets']> =>
  ys.map((y, i) => ({
    id: `grommet-${i + 1}`,
    name: `Tray opening ${i + 1}`,
    at: [x, y, 0] as const,
    width_mm: 36,
    height_mm: 70,
  }));
export const PANELS: NonNullable<CasePart['panels_mm']> = {
  tray: 1,
  side: 4,
  top: 1.2,
  bottom: 1.2,
  front: 1.2,
  rear: 1,
};
export const PUMP_FOOT = { x_mm: 44, z_mm: 44 };

/** Perforated sheet and mesh that no fan hangs on: face, cm², and the share of it that is open. */
export const vents = (
  slots_cm2: number,
  rear_cm2: number,
  mesh?: readonly [name: string, area_cm2: number, openShare: number],
): NonNullable<CasePart['air']> => ({
  openings: [
    ...(slots_cm2 > 0
      ? [{ id: 'slots', name: 'Slot covers', area_cm2: slots_cm2, openShare: 0.5 }]
      : []),
    ...(rear_cm2 > 0
      ? [{ id: 'rear-vent', name: 'Vent in the rear', area_cm2: rear_cm2, openShare: 0.5 }]
      : []),
    ...(mesh ? [{ id: 'mesh', name: mesh[0], area_cm2: mesh[1], openShare: mesh[2] }] : []),
  ],
});

export function box(
  id: string,
  name: string,
  maker: string,
  price: number,
  interior: Vec,
  rest: Omit<
    CasePart,
    'kind' | 'id' | 'name' | 'maker' | 'price_minor' | 'tolerance_mm' | 'interior' | 'volume_L'
  >,
): CasePart {
  return {
    kind: 'case',
    id,
    name,
    maker,
    price_minor: price,
    tolerance_mm: 0.5,
    interior,
    volume_L: litresOf(interior, rest.behind_mm),
    panels_mm: PANELS,
    ...rest,
  };
}
