import type { CasePart, Mount, MountFace } from '../components';
import type { Vec } from '../geometry';
import type { CaseDraft, MountDraft, PortDraft, RailAxis } from './caseDraft';
import { frameOf, LIKE_FILTER_PA } from './makeCase';
import { ACROSS, axesOfMount, INWARD, wallAt } from './rails';

/** A case to measure again: nothing of it is lost, whether it is asked for or not. */
export function draftFromCase(part: CasePart): CaseDraft {
  const chambers = part.air?.chambers ?? [],
    behind = chambers.find((c) => c.id === part.air?.behind);
  const nameOf = (id: string | undefined) => chambers.find((c) => c.id === id)?.name;
  return {
    name: part.name,
    open: part.air?.open === true,
    interior: part.interior,
    standard: part.boardStandards[0] ?? 'ATX',
    others: part.boardStandards.slice(1),
    boardAt: part.boardAt,
    bay: part.bay,
    riser: part.riser?.at ?? null,
    side_mm: part.panels_mm?.side ?? 1,
    frame_mm: frameOf(part),
    tray_mm: part.panels_mm?.tray ?? 1,
    behind_mm: part.behind_mm ?? 0,
    ...(part.air ? { air: part.air } : {}),
    // The room behind the tray, where it is one of its own, stands last.
    chambers: [...chambers.filter((c) => c !== behind), ...(behind ? [behind] : [])].map(
      (c) => c.name,
    ),
    behindApart: behind !== undefined,
    openings: (part.grommets ?? []).map((g) => ({
      id: g.id,
      name: g.name,
      x_mm: g.at[0],
      y_mm: g.at[1],
      width_mm: g.width_mm,
      height_mm: g.height_mm,
    })),
    ports: (part.ports ?? []).map((p): PortDraft => {
      const face = faceOf(p.direction);
      const [first, second] = ACROSS[face];
      return {
        id: p.id,
        name: p.name,
        face,
        first_mm: p.at[first],
        second_mm: p.at[second],
        hole_mm: p.hole_mm,
      };
    }),
    mounts: part.mounts.map((m) => mountDraft(m, part.interior, nameOf(m.chamber))),
    obstacles: part.obstacles.map((o) => ({
      name: o.name,
      removable: o.removable,
      min: o.min,
      max: o.max,
      ...(o.openings ? { openings: o.openings } : {}),
      ...(o.drives ? { drives: o.drives } : {}),
      was: o,
    })),
    spots: part.spots.map((s) => ({ id: s.id, name: s.name, at: s.at, holes: s.holes ?? null })),
    was: part,
  };
}

/** The wall whose way out is a direction. */
const faceOf = (out: Vec): MountFace =>
  (Object.keys(INWARD) as MountFace[]).find((face) =>
    INWARD[face].every((v, i) => v === -(out[i] as number)),
  ) ?? 'rear';

function mountDraft(m: Mount, interior: Vec, chamber: string | undefined): MountDraft {
  const rail = (['x', 'y', 'z'] as const)[m.along.findIndex((v) => v !== 0)] as RailAxis;
  const axes = axesOfMount({ face: m.face, rail });
  return {
    face: m.face,
    rail,
    start_mm: m.at[axes.rail],
    middle_mm: m.at[axes.middle],
    off_mm: Math.abs(m.at[axes.normal] - wallAt(m.face, interior)),
    length_mm: m.length_mm,
    fans: m.fans,
    holeGap_mm: m.holeGap_mm,
    ...(m.holes ? { holes: m.holes } : {}),
    published_mm: m.published_mm,
    outside_mm: m.outside_mm ?? 0,
    filter: m.filterLoss_Pa > LIKE_FILTER_PA,
    ...(chamber === undefined ? {} : { chamber }),
    was: m,
  };
}
