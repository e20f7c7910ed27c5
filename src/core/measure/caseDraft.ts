import type { CaseAir, CasePart, Mount, MountFace } from '../components';
import type { Box, Vec } from '../geometry';

export type RailAxis = 'x' | 'y' | 'z';

/** A mount as a ruler finds it, mm. */
export interface MountDraft {
  readonly face: MountFace;
  /** Along the case's length (x), height (y) or width (z); the face's usual one when not given. */
  readonly rail?: RailAxis;
  /** From the rear panel, the floor or the tray to the start of the rail. */
  readonly start_mm: number;
  /** Middle of the fans along the third direction: from the tray, the floor or the rear panel. */
  readonly middle_mm: number;
  /** From the wall inward to what radiators are screwed to: rails on brackets. */
  readonly off_mm?: number;
  readonly length_mm: number;
  /** Rows of fans it takes, one or another. */
  readonly fans: readonly { readonly size_mm: number; readonly count: number }[];
  readonly holeGap_mm: number;
  /** Plain holes or slots; one long slot when not given. */
  readonly holes?: NonNullable<Mount['holes']>;
  /** What the maker says may hang there. */
  readonly published_mm: number;
  readonly outside_mm: number;
  readonly filter: boolean;
  /** The chamber it opens into, by name; the main one when not given. */
  readonly chamber?: string;
  /** As the case had it that is measured again. */
  readonly was?: Mount;
}

/** A cage, shroud or partition: a box, with openings cut through its thinnest way. */
export interface ObstacleDraft {
  readonly name: string;
  readonly removable: boolean;
  readonly min: Vec;
  readonly max: Vec;
  readonly openings?: readonly Box[];
  readonly drives?: NonNullable<CasePart['obstacles'][number]['drives']>;
  readonly was?: CasePart['obstacles'][number];
}

/** An opening of a wall for a pass-through: its middle from the first two edges of that wall. */
export interface PortDraft {
  readonly name: string;
  readonly face: MountFace;
  /** Front and rear: from the floor; else from the rear panel. */
  readonly first_mm: number;
  /** Side and far side: from the floor; else from the tray. */
  readonly second_mm: number;
  readonly hole_mm: number;
  readonly id?: string;
}

/**
 * A case as measured with a ruler: what the guided entry asks for. All mm, inside, from the rear
 * panel, the floor and the board tray.
 */
export interface CaseDraft {
  readonly name: string;
  /** Bars without walls: a bench, a wall mount, an open frame. */
  readonly open?: boolean;
  readonly interior: Vec;
  /** Largest board it takes. */
  readonly standard: string;
  /** Others that its stand-offs fit. */
  readonly others?: readonly string[];
  /** Lower rear corner of the board on its stand-offs. */
  readonly boardAt: Vec;
  readonly bay: Box;
  /** Lower rear corner of a card that stands on a riser. */
  readonly riser?: Vec | null;
  readonly mounts: readonly MountDraft[];
  readonly obstacles: readonly ObstacleDraft[];
  readonly spots: readonly {
    readonly name: string;
    readonly at: Vec;
    readonly holes: { readonly x_mm: number; readonly z_mm: number } | null;
    readonly id?: string;
  }[];
  readonly ports?: readonly PortDraft[];
  /** Sheets: of the glass side, of the frame that radiators hang on, of the tray. */
  readonly side_mm: number;
  readonly frame_mm: number;
  readonly tray_mm: number;
  /** Vents and leaks: kept as they were, and changed under Cooling. */
  readonly air?: CaseAir;
  /** Rooms of its own beside the main one, by name: a basement, the room behind the tray. */
  readonly chambers?: readonly string[];
  /** Whether the room behind the tray is one of them. */
  readonly behindApart?: boolean;
  /** Room behind the tray, for cables, tubes and parts. */
  readonly behind_mm: number;
  /** Openings in the tray: middle from the rear panel and the floor, and size. */
  readonly openings: readonly {
    readonly name: string;
    readonly x_mm: number;
    readonly y_mm: number;
    readonly width_mm: number;
    readonly height_mm: number;
    readonly id?: string;
  }[];
  /** The case that is measured again: what nobody is asked for stays as it was. */
  readonly was?: CasePart;
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
