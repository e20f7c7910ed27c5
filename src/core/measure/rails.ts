import type { Mount, MountFace } from '../components';
import { add, cross, scale, type Vec } from '../geometry';
import type { MountDraft, RailAxis } from './caseDraft';

const AXES = { x: 0, y: 1, z: 2 } as const;
const UNIT: Record<RailAxis, Vec> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
const NORMAL: Record<MountFace, RailAxis> = {
  front: 'x',
  rear: 'x',
  top: 'y',
  bottom: 'y',
  side: 'z',
  tray: 'z',
};
export const INWARD: Record<MountFace, Vec> = {
  front: [-1, 0, 0],
  rear: [1, 0, 0],
  top: [0, -1, 0],
  bottom: [0, 1, 0],
  side: [0, 0, -1],
  tray: [0, 0, 1],
};
const USUAL_RAIL: Record<MountFace, RailAxis> = {
  front: 'y',
  rear: 'y',
  side: 'y',
  tray: 'y',
  top: 'x',
  bottom: 'x',
};

/** The two ways a rail may run on a face, the usual first. */
export const railsOf = (face: MountFace): readonly RailAxis[] => {
  const usual = USUAL_RAIL[face];
  const other = (['x', 'y', 'z'] as const).find((a) => a !== usual && a !== NORMAL[face]);
  return [usual, other as RailAxis];
};

/** Along which directions a mount is measured: its rail, its middle, its depth. */
export function axesOfMount({ face, rail }: Pick<MountDraft, 'face' | 'rail'>): {
  readonly rail: 0 | 1 | 2;
  readonly middle: 0 | 1 | 2;
  readonly normal: 0 | 1 | 2;
} {
  const along = rail !== undefined && rail !== NORMAL[face] ? rail : USUAL_RAIL[face];
  const third = (['x', 'y', 'z'] as const).find((a) => a !== along && a !== NORMAL[face]);
  return { rail: AXES[along], middle: AXES[third as RailAxis], normal: AXES[NORMAL[face]] };
}

/** Where a wall is along its normal, mm. */
export const wallAt = (face: MountFace, [x, y, z]: Vec): number =>
  ({ front: x, rear: 0, top: y, bottom: 0, side: z, tray: 0 })[face];

export const vecOf = (entries: readonly (readonly [axis: 0 | 1 | 2, value: number])[]): Vec =>
  ([0, 1, 2] as const).map((i) => entries.find(([a]) => a === i)?.[1] ?? 0) as unknown as Vec;

/** A right-handed rail: along × across = inward. */
export function railOf(
  m: MountDraft,
  interior: Vec,
): Pick<Mount, 'at' | 'along' | 'across' | 'inward'> {
  const axes = axesOfMount(m),
    inward = INWARD[m.face],
    along = UNIT[(['x', 'y', 'z'] as const)[axes.rail]];
  const at = vecOf([
    [axes.normal, wallAt(m.face, interior)],
    [axes.rail, m.start_mm],
    [axes.middle, m.middle_mm],
  ]);
  return {
    at: add(at, scale(inward, m.off_mm ?? 0)),
    along,
    across: cross(inward, along).map((v) => v + 0) as unknown as Vec,
    inward,
  };
}

/** The two directions of a wall that an opening in it is measured along. */
export const ACROSS: Record<MountFace, readonly [0 | 1 | 2, 0 | 1 | 2]> = {
  front: [1, 2],
  rear: [1, 2],
  top: [0, 2],
  bottom: [0, 2],
  side: [0, 1],
  tray: [0, 1],
};
