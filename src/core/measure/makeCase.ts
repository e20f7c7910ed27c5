import {
  ROOM_BEHIND_MM,
  type CaseAir,
  type CasePart,
  type Mount,
  type MountFace,
} from '../components';
import { scale, type Box, type Vec } from '../geometry';
import { msg, worded } from '../messages';
import type { CaseDraft, MountDraft, ObstacleDraft, PortDraft } from './caseDraft';
import { ACROSS, axesOfMount, INWARD, railOf, vecOf, wallAt } from './rails';

/** Filter with its frame, and a bare grille, Pa at 1 m/s (common practice, no source). */
const FILTER_PA = 1.5,
  GRILLE_PA = 0.5;
/** Made of sheet: what a ruler in a builder's hand finds it to, mm. */
const RULER_TOLERANCE_MM = 1;
const NAMES: Record<MountFace, string> = worded(() => ({
  front: msg`Front mount`,
  top: msg`Top mount`,
  bottom: msg`Floor mount`,
  rear: msg`Rear mount`,
  side: msg`Side mount`,
  tray: msg`Tray mount`,
}));
/** Losses over this are taken for a filter. */
export const LIKE_FILTER_PA = 0.75;
const USUAL_FRAME_MM = 1.2;

/** Words to an id of letters, digits and dashes. */
const idOf = (text: string, index: number): string =>
  `${
    text
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'part'
  }${index > 0 ? `-${index + 1}` : ''}`;

/** An id for each: the one it had, else its name, numbered where that is taken. */
function idsOf(
  items: readonly { readonly id?: string; readonly name: string }[],
): readonly string[] {
  const taken = new Set(items.flatMap((i) => i.id ?? []));
  return items.map(({ id, name }) => {
    if (id !== undefined) return id;
    let n = 0;
    while (taken.has(idOf(name, n))) n += 1;
    const made = idOf(name, n);
    taken.add(made);
    return made;
  });
}

const sameBox = (a: Box, b: Box): boolean =>
  ([0, 1, 2] as const).every((i) => a.min[i] === b.min[i] && a.max[i] === b.max[i]);

function mountOf(m: MountDraft, id: string, draft: CaseDraft, chambers: Chambers): Mount {
  const { was } = m;
  const chamber = m.chamber === undefined ? undefined : chambers.get(m.chamber);
  const usual_Pa = m.filter ? FILTER_PA : GRILLE_PA;
  const filtered = was !== undefined && was.filterLoss_Pa > LIKE_FILTER_PA;
  return {
    id,
    name: was?.face === m.face ? was.name : `${NAMES[m.face]}${numberOf(id, m.face)}`,
    face: m.face,
    ...railOf(m, draft.interior),
    length_mm: m.length_mm,
    fans: m.fans.filter((f) => f.count > 0),
    holeGap_mm: m.holeGap_mm,
    ...(m.holes ? { holes: m.holes } : {}),
    published_mm: m.published_mm,
    ...(m.outside_mm > 0 ? { outside_mm: m.outside_mm } : {}),
    filterLoss_Pa: was && filtered === m.filter ? was.filterLoss_Pa : usual_Pa,
    ...(chamber === undefined ? {} : { chamber }),
  };
}
const numberOf = (id: string, face: MountFace): string =>
  id === face ? '' : ` ${id.split('-')[1] ?? ''}`;

function obstacleOf(o: ObstacleDraft, id: string): CasePart['obstacles'][number] {
  const { was } = o;
  const boxes = was?.boxes && sameBox(was, o) ? was.boxes : undefined;
  return {
    id,
    name: o.name,
    removable: o.removable,
    ...(o.drives ? { drives: o.drives } : {}),
    min: o.min,
    max: o.max,
    ...(boxes ? { boxes } : {}),
    ...(o.openings && o.openings.length > 0 ? { openings: o.openings } : {}),
  };
}

/** Ids of chambers by what they are called. */
type Chambers = ReadonlyMap<string, string>;
function chambersFor({ chambers = [], air }: CaseDraft): Chambers {
  const known = air?.chambers ?? [];
  const items = chambers.map((name) => {
    const id = known.find((c) => c.name === name)?.id;
    return { name, ...(id === undefined ? {} : { id }) };
  });
  const ids = idsOf(items);
  return new Map(chambers.map((name, i) => [name, ids[i] as string]));
}

/** How air gets about: what was told under Cooling, with the rooms as they are now. */
function airOf(draft: CaseDraft, chambers: Chambers): CaseAir | undefined {
  const { open: _open, chambers: _chambers, behind: _behind, ...kept } = draft.air ?? {};
  const rooms = [...chambers].map(([name, id]) => ({ id, name }));
  const apart = draft.behindApart ? chambers.get(draft.chambers?.at(-1) ?? '') : undefined;
  const known = (id: string | undefined): boolean =>
    id === undefined || rooms.some((c) => c.id === id);
  const { openings, ...rest } = kept;
  const air: CaseAir = {
    ...rest,
    ...(draft.open ? { open: true as const } : {}),
    ...(rooms.length > 0 ? { chambers: rooms } : {}),
    ...(apart === undefined ? {} : { behind: apart }),
    ...(openings
      ? {
          openings: openings.filter(
            (o) => (known(o.from) || o.from === 'main') && (known(o.to) || o.to === 'main'),
          ),
        }
      : {}),
  };
  return Object.keys(air).length > 0 ? air : undefined;
}

function panelsOf({ was, side_mm, frame_mm, tray_mm }: CaseDraft): CasePart['panels_mm'] {
  const sheets = was?.panels_mm;
  const same = sheets !== undefined && frameOf(was as CasePart) === frame_mm;
  const frame = { front: frame_mm, top: frame_mm, bottom: frame_mm, rear: frame_mm };
  return { ...frame, ...(same ? sheets : {}), side: side_mm, tray: tray_mm };
}
export const frameOf = ({ panels_mm }: CasePart): number =>
  panels_mm?.front ?? panels_mm?.top ?? USUAL_FRAME_MM;

const portOf = (
  p: PortDraft,
  id: string,
  interior: Vec,
): NonNullable<CasePart['ports']>[number] => {
  const [first, second] = ACROSS[p.face];
  return {
    id,
    name: p.name,
    at: vecOf([
      [axesOfMount(p).normal, wallAt(p.face, interior)],
      [first, p.first_mm],
      [second, p.second_mm],
    ]),
    direction: scale(INWARD[p.face], -1).map((v) => v + 0) as unknown as Vec,
    hole_mm: p.hole_mm,
  };
};

/** Litres inside, to a tenth. */
export const litresOf = ([x, y, z]: Vec, behind_mm = 0): number =>
  Math.round((x * y * (z + (behind_mm >= ROOM_BEHIND_MM ? behind_mm : 0))) / 1e5) / 10;

/** The part that a draft describes. */
export function caseFromDraft(draft: CaseDraft, id: string): CasePart {
  const [x, y, z] = draft.interior,
    { was, riser, ports = [] } = draft;
  const named = (items: readonly { readonly name: string; readonly id?: string }[]) => idsOf(items);
  const faces = idsOf(
    draft.mounts.map((m) => ({
      name: m.face,
      ...(m.was?.face === m.face ? { id: m.was.id } : {}),
    })),
  );
  const obstacles = idsOf(
    draft.obstacles.map((o) => ({ name: o.name, ...(o.was ? { id: o.was.id } : {}) })),
  );
  const spots = named(draft.spots),
    openings = named(draft.openings),
    through = named(ports);
  const chambers = chambersFor(draft),
    air = airOf(draft, chambers);
  const fans = (was?.fansIncluded ?? []).filter((f) => faces.includes(f.mount));
  return {
    kind: 'case',
    id,
    name: draft.name,
    maker: was?.maker ?? msg`measured by hand`,
    price_minor: was?.price_minor ?? 0,
    tolerance_mm: was?.tolerance_mm ?? RULER_TOLERANCE_MM,
    ...(was?.note === undefined ? {} : { note: was.note }),
    interior: draft.interior,
    volume_L: litresOf([x, y, z], draft.behind_mm),
    mounts: draft.mounts.map((m, i) => mountOf(m, faces[i] as string, draft, chambers)),
    boardAt: draft.boardAt,
    boardStandards: [draft.standard, ...(draft.others ?? []).filter((s) => s !== draft.standard)],
    bay: draft.bay,
    ...(riser ? { riser: { at: riser } } : {}),
    panels_mm: panelsOf(draft),
    ...(air ? { air } : {}),
    ...(draft.behind_mm > 0 ? { behind_mm: draft.behind_mm } : {}),
    ...(draft.openings.length > 0
      ? {
          grommets: draft.openings.map((o, i) => ({
            id: openings[i] as string,
            name: o.name,
            at: [o.x_mm, o.y_mm, 0] as const,
            width_mm: o.width_mm,
            height_mm: o.height_mm,
          })),
        }
      : {}),
    ...(ports.length > 0
      ? { ports: ports.map((p, i) => portOf(p, through[i] as string, draft.interior)) }
      : {}),
    ...(fans.length > 0 ? { fansIncluded: fans } : {}),
    obstacles: draft.obstacles.map((o, i) => obstacleOf(o, obstacles[i] as string)),
    spots: draft.spots.map((s, i) => ({
      id: spots[i] as string,
      name: s.name,
      at: s.at,
      ...(s.holes ? { holes: s.holes } : {}),
    })),
  };
}
