import type { CasePart } from '@/core/components';
import { bottom, box, front, grommets, PUMP_FOOT, rear, row, side, top, vents } from './caseShapes';

const LATHE = 'Lath and Batten',
  HURDLE = 'Hurdlemere Cases',
  SLATE = 'Slatebeck';

/** Rails on the tray itself: radiators beside the board, standing off it. */
const onTray = (
  id: string,
  name: string,
  x: number,
  y: number,
  off: number,
  length: number,
): CasePart['mounts'][number] => ({
  id,
  name,
  face: 'tray',
  at: [x, y, off],
  along: [0, 1, 0],
  across: [-1, 0, 0],
  inward: [0, 0, 1],
  length_mm: length,
  fans: [row(120, Math.floor(length / 120)), row(140, Math.floor(length / 140))],
  holeGap_mm: 15,
  published_mm: 120,
  filterLoss_Pa: 0.5,
});

/** Benches, cubes and sandwiches: cases that are no upright box with one room. */
export const SPECIAL_CASES: readonly CasePart[] = [
  box('case-lath-bench', 'Lath wall bench', LATHE, 18900, [760, 560, 220], {
    mounts: [
      onTray('left', 'Left rails', 80, 60, 36, 420),
      onTray('right', 'Right rails', 680, 60, 36, 420),
    ],
    air: { open: true },
    boardAt: [250, 180, 12],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [160, 10, 4], max: [330, 100, 160] },
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Foot of the board', at: [545, 60, 60], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [545, 130, 60] },
    ],
  }),
  box('case-loom-cube', 'Loom cube', SLATE, 26900, [440, 430, 210], {
    mounts: [
      front(440, 10, 110, 410, [row(120, 3), row(140, 2)], 70),
      top(20, 430, 130, 405, [row(120, 3), row(140, 2)], 70),
      bottom(20, 110, 405, [row(120, 3), row(140, 2)], 70),
      rear(280, 130, 120),
    ],
    air: {
      chambers: [{ id: 'far', name: 'Clearance behind the tray' }],
      behind: 'far',
      openings: [
        ...(vents(120, 40).openings ?? []),
        {
          id: 'far-mesh',
          name: 'Mesh in the far side',
          area_cm2: 600,
          openShare: 0.45,
          from: 'far',
        },
        {
          id: 'tray-gaps',
          name: 'Openings in the tray',
          area_cm2: 60,
          from: 'main',
          to: 'far',
        },
      ],
    },
    boardAt: [10, 90, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, -176], max: [185, 100, -8] },
    behind_mm: 180,
    grommets: [
      ...grommets(290, 190, 320),
      { id: 'low', name: 'Low opening', at: [345, 110, 0], width_mm: 70, height_mm: 60 },
    ],
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Behind the tray', at: [330, 8, -90], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump, behind the tray', at: [330, 78, -90] },
    ],
  }),
  box('case-crypt-90', 'Crypt 90', HURDLE, 31900, [740, 580, 240], {
    mounts: [
      front(740, 180, 120, 380, [row(120, 3), row(140, 2)], 80),
      top(40, 580, 155, 620, [row(120, 4), row(140, 4)], 80),
      rear(420, 140, 140),
      { ...bottom(205, 120, 520, [row(120, 4), row(140, 3)], 110), chamber: 'crypt' },
    ],
    air: {
      chambers: [{ id: 'crypt', name: 'Basement' }],
      openings: [
        ...(vents(160, 120).openings ?? []),
        {
          id: 'crypt-side',
          name: 'Mesh in the side of the basement',
          area_cm2: 420,
          openShare: 0.5,
          from: 'crypt',
        },
        {
          id: 'crypt-slots',
          name: 'Slots in the basement cover',
          area_cm2: 40,
          openShare: 0.5,
          from: 'main',
          to: 'crypt',
        },
      ],
    },
    boardAt: [10, 220, 10],
    boardStandards: ['E-ATX', 'ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 20], max: [190, 93, 180] },
    behind_mm: 30,
    grommets: grommets(350, 290, 440),
    obstacles: [
      {
        id: 'cover',
        name: 'Basement cover',
        removable: false,
        min: [0, 158, 0],
        max: [740, 160, 240],
        openings: [
          { min: [560, 158, 60], max: [720, 160, 200] },
          { min: [300, 158, 190], max: [420, 160, 230] },
        ],
      },
    ],
    spots: [
      { id: 'pump', name: 'Cover, before the card', at: [480, 160, 110], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [480, 230, 110] },
    ],
  }),
  box('case-wafer-7', 'Wafer 7', SLATE, 19900, [282, 206, 67], {
    mounts: [{ ...top(1, 206, 6.5, 280, [row(120, 2)], 32), outside_mm: 27 }],
    air: {
      openings: [
        { id: 'side', name: 'Mesh in the window side', area_cm2: 330, openShare: 0.5 },
        { id: 'far', name: 'Mesh in the far side', area_cm2: 330, openShare: 0.5 },
      ],
    },
    boardAt: [3, 3, 7],
    boardStandards: ['mini ITX'],
    bay: { min: [181, 1, 1], max: [281, 126, 65] },
    behind_mm: 54,
    grommets: [
      { id: 'over', name: 'Open over the spine', at: [141, 190, 0], width_mm: 282, height_mm: 32 },
      {
        id: 'end',
        name: 'Open before the board',
        at: [228, 87, 0],
        width_mm: 108,
        height_mm: 174,
      },
    ],
    riser: { at: [2, 2, -3] },
    obstacles: [],
    spots: [],
  }),
  box('case-silo-210', 'Silo 210', HURDLE, 54900, [820, 760, 320], {
    mounts: [
      front(820, 106, 190, 640, [row(120, 5), row(140, 4)], 110),
      top(60, 760, 200, 660, [row(120, 5), row(140, 4)], 110),
      bottom(204, 190, 530, [row(120, 4), row(140, 3)], 110),
      rear(520, 180, 140),
    ],
    air: vents(200, 220, ['Mesh behind the tray', 1600, 0.45]),
    boardAt: [12, 330, 12],
    boardStandards: ['E-ATX', 'ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 20], max: [195, 93, 200] },
    behind_mm: 40,
    grommets: grommets(300, 400, 560),
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Middle stand', at: [470, 250, 130], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [470, 320, 130] },
      { id: 'second', name: 'Front stand', at: [580, 250, 130], holes: PUMP_FOOT },
      { id: 'over-second', name: 'Over the front stand', at: [580, 320, 130] },
    ],
  }),
  box('case-vitrine-22', 'Vitrine 22', LATHE, 12900, [400, 300, 190], {
    mounts: [
      front(400, 10, 90, 280, [row(80, 3), row(92, 2)], 60),
      top(30, 300, 120, 340, [row(80, 4), row(92, 3)], 60),
      rear(190, 120, 80),
      side(310, 190, 20, 260, [row(80, 3)], 60),
    ],
    air: vents(60, 30),
    panels_mm: { tray: 3, side: 3, top: 3, bottom: 3, front: 3, rear: 3 },
    boardAt: [8, 80, 10],
    boardStandards: ['mini ITX'],
    bay: { min: [5, 4, 12], max: [160, 68, 150] },
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Floor, at the front', at: [300, 3, 80], holes: { x_mm: 34, z_mm: 34 } },
      { id: 'over', name: 'Over the pump', at: [300, 51, 80] },
    ],
  }),
  box('case-hatch-40', 'Hatch 40', HURDLE, 14900, [430, 440, 200], {
    mounts: [front(430, 20, 105, 400, [row(120, 3), row(140, 2)], 60), rear(280, 125, 120)],
    air: vents(140, 60, ['Mesh in the floor', 220, 0.4]),
    boardAt: [8, 110, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 12], max: [185, 93, 170] },
    behind_mm: 24,
    grommets: grommets(280, 200, 320),
    ports: [
      {
        id: 'upper',
        name: 'Upper tube hole',
        at: [0, 424, 70],
        direction: [-1, 0, 0],
        hole_mm: 20,
      },
      {
        id: 'lower',
        name: 'Lower tube hole',
        at: [0, 424, 30],
        direction: [-1, 0, 0],
        hole_mm: 20,
      },
    ],
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Floor, before the card', at: [330, 4, 110], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [330, 75, 110] },
    ],
  }),
];
