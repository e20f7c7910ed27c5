import type { Box, Vec } from '../geometry';
import type { HolePattern, PartBase } from './base';
import type { DriveFormat } from './machine';
import type { FanPart } from './plumbing';

export type MountFace = 'front' | 'top' | 'bottom' | 'rear' | 'side' | 'tray';

/** Where a radiator or bare fans hang. */
export interface Mount {
  readonly id: string;
  readonly name: string;
  readonly face: MountFace;
  /** Start of the rail at the middle of its width, on the inside of the frame. */
  readonly at: Vec;
  readonly along: Vec;
  readonly across: Vec;
  readonly inward: Vec;
  /** Length a radiator may take along the rail, mm. */
  readonly length_mm: number;
  readonly fans: readonly { readonly size_mm: number; readonly count: number }[];
  /** Screw pitch between neighbouring fans' holes, mm: 15 on 120, 15 or 20 on 140 sections. */
  readonly holeGap_mm: number;
  /** What the case's maker says may hang here, radiator and fans together, mm. */
  readonly published_mm: number;
  /**
   * Room between the frame and the cover outside it, mm: fans may hang there. None when not given.
   */
  readonly outside_mm?: number;
  /**
   * Share of the air that gets through its filter and grille at equal pressure, as a loss factor in
   * fan pressure: Pa at 1 m/s.
   */
  readonly filterLoss_Pa: number;
  /**
   * Holes or short slots in place of one long slot: from the rail's start to the first fan's edge
   * (the row is in the middle when not given), and how far screws move either way in them, 0 of
   * plain holes.
   */
  readonly holes?: { readonly first_mm?: number; readonly slots_mm: number };
  /** The chamber of the case it opens into; the main one when not given. */
  readonly chamber?: string;
}

/** How air gets into and out of a case, and from chamber to chamber, besides its fans. */
export interface CaseAir {
  /** An open frame: there is no case air. */
  readonly open?: true;
  /** Seams, slot covers, cable gaps together; what is usual when not given. */
  readonly leakage_cm2?: number;
  /** Closed off from the main chamber: a basement, the room behind the tray. */
  readonly chambers?: readonly { readonly id: string; readonly name: string }[];
  /** Which of them the room behind the tray is; the main one where it is open to it. */
  readonly behind?: string;
  readonly openings?: readonly {
    readonly id: string;
    readonly name: string;
    readonly area_cm2: number;
    /** Share of the area that is open, of mesh and slots; all of it when not given. */
    readonly openShare?: number;
    /** The chamber it is in; the main one when not given. */
    readonly from?: string;
    /** The chamber it leads to; the room when not given. */
    readonly to?: string;
  }[];
}

/**
 * Behind the tray so much is a room for parts and counts as volume; less is for cables (common
 * practice, no source), mm.
 */
export const ROOM_BEHIND_MM = 50;

export interface CasePart extends PartBase {
  readonly kind: 'case';
  readonly interior: Vec;
  readonly volume_L: number;
  readonly mounts: readonly Mount[];
  /** Lower rear corner of the board, on its stand-offs. */
  readonly boardAt: Vec;
  readonly boardStandards: readonly string[];
  readonly bay: Box;
  /**
   * Where a card that stands in a slot of its own (on a riser) sits; the board's slots otherwise.
   */
  readonly riser?: { readonly at: Vec };
  /**
   * Cages, shrouds and brackets. `boxes` say where it is solid, when it has corners; the whole
   * box, less its openings, otherwise.
   */
  readonly obstacles: readonly (Box & {
    readonly id: string;
    readonly name: string;
    readonly removable: boolean;
    /** Drives it takes, one above the other. */
    readonly drives?: { readonly format: DriveFormat; readonly places: number };
    readonly boxes?: readonly Box[];
    /** Cut out of the box through its thinnest way. */
    readonly openings?: readonly Box[];
  })[];
  /**
   * Thickness of the sheet of each side, mm: what fans and radiators are screwed to where mounts
   * are, the cover on the glass side.
   */
  readonly panels_mm?: Readonly<Partial<Record<MountFace, number>>>;
  /**
   * Openings in the board tray: for cables, and for tubes to pass behind it. Middle, and width and
   * height.
   */
  readonly grommets?: readonly {
    readonly id: string;
    readonly name: string;
    readonly at: Vec;
    readonly width_mm: number;
    readonly height_mm: number;
  }[];
  /** Openings in its walls for a pass-through: middle, way out, and width of the hole. */
  readonly ports?: readonly {
    readonly id: string;
    readonly name: string;
    readonly at: Vec;
    readonly direction: Vec;
    readonly hole_mm: number;
  }[];
  /** Vents, mesh and leaks; none but the usual leaks when not given. */
  readonly air?: CaseAir;
  /** Room behind the tray, mm: tubes may run there from opening to opening. None when not given. */
  readonly behind_mm?: number;
  /** Fans that come with it, and where they hang. */
  readonly fansIncluded?: readonly { readonly mount: string; readonly fan: FanPart }[];
  /** Spots made for a reservoir or pump: middle of its foot. */
  readonly spots: readonly {
    readonly id: string;
    readonly name: string;
    readonly at: Vec;
    /** Its screw holes; any foot stands on a spot that gives none. */
    readonly holes?: HolePattern;
  }[];
}
