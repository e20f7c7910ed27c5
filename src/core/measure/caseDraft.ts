import type { CaseAir, CasePart, Mount, MountFace } from '../components';
import type { Box, Vec } from '../geometry';

/** A mount as a ruler finds it, mm. */
export interface MountDraft {
  readonly face: MountFace;
  /**
   * Rail along the case's height (front, rear) or length (top, floor, side): from the floor or the
   * rear panel to its start.
   */
  readonly start_mm: number;
  /**
   * Middle of the fans from the board tray (front, top, rear, floor) or from the rear panel (side).
   */
  readonly middle_mm: number;
  readonly length_mm: number;
  /** Rows of fans it takes, one or another. */
  readonly fans: readonly { readonly size_mm: number; readonly count: number }[];
  readonly holeGap_mm: number;
  /** What the maker says may hang there. */
  readonly published_mm: number;
  readonly outside_mm: number;
  readonly filter: boolean;
}

/**
 * A case as measured with a ruler: what the guided entry asks for. All mm, inside, from the rear
 * panel, the floor and the board tray.
 */
export interface CaseDraft {
  readonly name: string;
  readonly interior: Vec;
  readonly standard: string;
  /** Lower rear corner of the board on its stand-offs. */
  readonly boardAt: Vec;
  readonly bay: Box;
  readonly mounts: readonly MountDraft[];
  readonly obstacles: readonly {
    readonly name: string;
    readonly removable: boolean;
    readonly min: Vec;
    readonly max: Vec;
  }[];
  readonly spots: readonly {
    readonly name: string;
    readonly at: Vec;
    readonly holes: { readonly x_mm: number; readonly z_mm: number } | null;
  }[];
  /** Sheets: of the glass side, of the frame that radiators hang on, of the tray. */
  readonly side_mm: number;
  readonly frame_mm: number;
  readonly tray_mm: number;
  /** Vents and leaks: kept as they were, and changed under Cooling. */
  readonly air?: CaseAir;
  /** Room behind the tray, for cables and tubes. */
  readonly behind_mm: number;
  /** Openings in the tray: middle from the rear panel and the floor, and size. */
  readonly openings: readonly {
    readonly name: string;
    readonly x_mm: number;
    readonly y_mm: number;
    readonly width_mm: number;
    readonly height_mm: number;
  }[];
}

/** Something measured that cannot be, at its place in the draft. */
export interface DraftTrouble {
  readonly place: string;
  readonly says: string;
}

/** A middling upright case to start measuring from. */
export const emptyDraft = (name: string): CaseDraft => ({
  name,
  interior: [450, 450, 210],
  standard: 'ATX',
  boardAt: [8, 120, 8],
  bay: { min: [5, 5, 12], max: [185, 93, 170] },
  side_mm: 4,
  frame_mm: 1.2,
  tray_mm: 1,
  behind_mm: 20,
  openings: [],
  obstacles: [],
  spots: [],
  mounts: [
    {
      face: 'front',
      start_mm: 10,
      middle_mm: 105,
      length_mm: 420,
      fans: [
        { size_mm: 120, count: 3 },
        { size_mm: 140, count: 2 },
      ],
      holeGap_mm: 15,
      published_mm: 60,
      outside_mm: 0,
      filter: true,
    },
  ],
});

/** Filter with its frame, and a bare grille, Pa at 1 m/s (common practice, no source). */
const FILTER_PA = 1.5,
  GRILLE_PA = 0.5;
/** Made of sheet: what a ruler in a builder's hand finds it to, mm. */
const RULER_TOLERANCE_MM = 1;
const NAMES: Record<MountFace, string> = {
  front: 'Front mount',
  top: 'Top mount',
  bottom: 'Floor mount',
  rear: 'Rear mount',
  side: 'Side mount',
};
const AXES: Record<MountFace, Pick<Mount, 'along' | 'across' | 'inward'>> = {
  front: { along: [0, 1, 0], across: [0, 0, -1], inward: [-1, 0, 0] },
  top: { along: [1, 0, 0], across: [0, 0, 1], inward: [0, -1, 0] },
  rear: { along: [0, 1, 0], across: [0, 0, 1], inward: [1, 0, 0] },
  bottom: { along: [1, 0, 0], across: [0, 0, -1], inward: [0, 1, 0] },
  side: { along: [0, 1, 0], across: [1, 0, 0], inward: [0, 0, -1] },
};
const railStart = (m: MountDraft, [x, y, z]: Vec): Vec =>
  (
    ({
      front: [x, m.start_mm, m.middle_mm],
      top: [m.start_mm, y, m.middle_mm],
      rear: [0, m.start_mm, m.middle_mm],
      bottom: [m.start_mm, 0, m.middle_mm],
      side: [m.middle_mm, m.start_mm, z],
    }) satisfies Record<MountFace, Vec>
  )[m.face];

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
const once = (names: readonly string[]): readonly string[] =>
  names.map((n, i) => idOf(n, names.slice(0, i).filter((m) => idOf(m, 0) === idOf(n, 0)).length));

/** The part that a draft describes. */
export function caseFromDraft(draft: CaseDraft, id: string): CasePart {
  const [x, y, z] = draft.interior;
  const faces = once(draft.mounts.map((m) => m.face)),
    obstacles = once(draft.obstacles.map((o) => o.name)),
    spots = once(draft.spots.map((s) => s.name)),
    openings = once(draft.openings.map((o) => o.name));
  return {
    kind: 'case',
    id,
    name: draft.name,
    maker: 'measured by hand',
    price_minor: 0,
    tolerance_mm: RULER_TOLERANCE_MM,
    interior: draft.interior,
    volume_L: Math.round((x * y * z) / 1e5) / 10,
    mounts: draft.mounts.map((m, i): Mount => ({
      id: faces[i] as string,
      name:
        (faces[i] as string) === m.face
          ? NAMES[m.face]
          : `${NAMES[m.face]} ${(faces[i] as string).split('-')[1] ?? ''}`,
      face: m.face,
      at: railStart(m, draft.interior),
      ...AXES[m.face],
      length_mm: m.length_mm,
      fans: m.fans.filter((f) => f.count > 0),
      holeGap_mm: m.holeGap_mm,
      published_mm: m.published_mm,
      ...(m.outside_mm > 0 ? { outside_mm: m.outside_mm } : {}),
      filterLoss_Pa: m.filter ? FILTER_PA : GRILLE_PA,
    })),
    boardAt: draft.boardAt,
    boardStandards: [draft.standard],
    bay: draft.bay,
    panels_mm: {
      side: draft.side_mm,
      front: draft.frame_mm,
      top: draft.frame_mm,
      bottom: draft.frame_mm,
      rear: draft.frame_mm,
      tray: draft.tray_mm,
    },
    ...(draft.air ? { air: draft.air } : {}),
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
    obstacles: draft.obstacles.map((o, i) => ({
      id: obstacles[i] as string,
      name: o.name,
      removable: o.removable,
      min: o.min,
      max: o.max,
    })),
    spots: draft.spots.map((s, i) => ({
      id: spots[i] as string,
      name: s.name,
      at: s.at,
      ...(s.holes ? { holes: s.holes } : {}),
    })),
  };
}

/**
 * A case to measure again: what the draft can say of it. Openings of cages and fans that came with
 * it stay behind.
 */
export function draftFromCase(part: CasePart): CaseDraft {
  return {
    name: part.name,
    interior: part.interior,
    standard: part.boardStandards[0] ?? 'ATX',
    boardAt: part.boardAt,
    bay: part.bay,
    side_mm: part.panels_mm?.side ?? 1,
    frame_mm: part.panels_mm?.front ?? part.panels_mm?.top ?? 1.2,
    tray_mm: part.panels_mm?.tray ?? 1,
    behind_mm: part.behind_mm ?? 0,
    ...(part.air ? { air: part.air } : {}),
    openings: (part.grommets ?? []).map((g) => ({
      name: g.name,
      x_mm: g.at[0],
      y_mm: g.at[1],
      width_mm: g.width_mm,
      height_mm: g.height_mm,
    })),
    mounts: part.mounts.map((m): MountDraft => ({
      face: m.face,
      start_mm: m.face === 'top' || m.face === 'bottom' ? m.at[0] : m.at[1],
      middle_mm: m.face === 'side' ? m.at[0] : m.at[2],
      length_mm: m.length_mm,
      fans: m.fans,
      holeGap_mm: m.holeGap_mm,
      published_mm: m.published_mm,
      outside_mm: m.outside_mm ?? 0,
      filter: m.filterLoss_Pa > 0.75,
    })),
    obstacles: part.obstacles.map(({ name, removable, min, max }) => ({
      name,
      removable,
      min,
      max,
    })),
    spots: part.spots.map((s) => ({ name: s.name, at: s.at, holes: s.holes ?? null })),
  };
}
