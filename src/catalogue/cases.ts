import type { CasePart, FanPart } from '@/core/components';
import { bottom, box, front, grommets, PUMP_FOOT, rear, row, side, top, vents } from './caseShapes';
import { FANS } from './fans';
import { SPECIAL_CASES } from './specialCases';

const named = (id: string): FanPart => FANS.find((f) => f.id === id) as FanPart;

const HURDLE = 'Hurdlemere Cases',
  SLATE = 'Slatebeck';

export const CASES: readonly CasePart[] = [
  box('case-alder-42', 'Alder 42', HURDLE, 12900, [455, 465, 200], {
    mounts: [
      front(455, 5, 105, 420, [row(120, 3), row(140, 2)], 60),
      top(30, 465, 130, 410, [row(120, 3), row(140, 2)], 60),
      rear(300, 125, 120),
    ],
    air: vents(140, 60, ['Mesh in the floor', 220, 0.4]),
    boardAt: [8, 120, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 12], max: [185, 93, 170] },
    behind_mm: 24,
    grommets: grommets(274, 200, 330),
    obstacles: [
      {
        id: 'shroud',
        name: 'Supply shroud',
        removable: false,
        min: [0, 97, 0],
        max: [388, 99, 200],
      },
      {
        id: 'cage',
        name: 'Drive cage',
        removable: true,
        drives: { format: '3.5 in', places: 3 },
        min: [210, 2, 20],
        max: [330, 92, 170],
      },
    ],
    fansIncluded: [{ mount: 'rear', fan: named('fan-wren-120-1200') }],
    spots: [
      { id: 'pump', name: 'Shroud, before the card', at: [352, 99, 115], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [352, 165, 115] },
    ],
  }),
  box('case-tidegate-78', 'Tidegate 78', HURDLE, 24900, [625, 580, 240], {
    mounts: [
      front(625, 128, 120, 445, [row(120, 3), row(140, 2)], 80),
      top(34, 580, 155, 560, [row(120, 4), row(140, 3)], 70),
      rear(390, 140, 140),
      bottom(185, 120, 380, [row(120, 2), row(140, 2)], 70),
    ],
    air: vents(160, 120, ['Mesh behind the tray', 1200, 0.45]),
    boardAt: [10, 190, 10],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 20], max: [180, 93, 190] },
    behind_mm: 24,
    grommets: grommets(274, 260, 400),
    obstacles: [
      {
        id: 'plate',
        name: 'Pump plate',
        removable: true,
        min: [318, 118, 30],
        max: [510, 120, 215],
      },
    ],
    fansIncluded: [{ mount: 'rear', fan: named('fan-wren-140-1000') }],
    spots: [
      { id: 'pump-rear', name: 'Plate, rear foot', at: [364, 120, 70], holes: PUMP_FOOT },
      { id: 'over-rear', name: 'Over the rear pump', at: [364, 190, 70] },
      { id: 'pump-front', name: 'Plate, front foot', at: [462, 120, 150], holes: PUMP_FOOT },
      { id: 'over-front', name: 'Over the front pump', at: [462, 190, 150] },
    ],
  }),
  box('case-orrery-11', 'Orrery 11', SLATE, 17900, [330, 215, 158], {
    mounts: [top(20, 215, 92, 300, [row(120, 2)], 58)],
    air: vents(0, 40, ['Mesh in both sides', 420, 0.45]),
    boardAt: [8, 6, 8],
    boardStandards: ['mini ITX'],
    bay: { min: [215, 4, 6], max: [320, 70, 150] },
    riser: { at: [8, 25, 134] },
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Above the power supply', at: [252, 72, 55], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [252, 113, 55] },
    ],
  }),
  box('case-withy-24', 'Withy 24', SLATE, 13900, [380, 320, 198], {
    mounts: [
      front(380, 5, 105, 300, [row(120, 2), row(140, 2)], 55),
      top(20, 320, 128, 320, [row(120, 2), row(140, 2)], 55),
      rear(190, 128, 120, [row(92, 1), row(80, 1)]),
    ],
    air: vents(90, 50, ['Mesh in the floor', 160, 0.4]),
    boardAt: [8, 60, 8],
    boardStandards: ['micro ATX', 'mini ITX'],
    bay: { min: [200, 4, 10], max: [305, 70, 150] },
    obstacles: [],
    spots: [
      {
        id: 'pump',
        name: 'Floor, in front of the power supply',
        at: [150, 2, 150],
        holes: PUMP_FOOT,
      },
      { id: 'over', name: 'Front corner', at: [292, 76, 150] },
    ],
  }),
  box('case-weir-55', 'Weir 55', HURDLE, 15900, [500, 500, 220], {
    mounts: [
      front(500, 40, 110, 458, [row(120, 3), row(140, 3)], 65),
      top(30, 500, 140, 458, [row(120, 3), row(140, 3)], 65, 20),
      rear(330, 135, 140),
    ],
    air: vents(150, 80, ['Mesh in the floor', 240, 0.4]),
    boardAt: [8, 150, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 12], max: [185, 93, 180] },
    behind_mm: 24,
    grommets: grommets(274, 230, 370),
    obstacles: [
      {
        id: 'shroud',
        name: 'Supply shroud',
        removable: false,
        min: [0, 108, 0],
        max: [500, 110, 220],
        boxes: [
          { min: [0, 108, 0], max: [420, 110, 220] },
          { min: [420, 108, 0], max: [500, 110, 30] },
          { min: [420, 108, 190], max: [500, 110, 220] },
        ],
      },
    ],
    spots: [
      { id: 'pump', name: 'Shroud, before the card', at: [370, 110, 120], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [370, 180, 120] },
    ],
  }),
  box('case-barn-96', 'Longbarn 96', SLATE, 29900, [640, 600, 250], {
    mounts: [
      front(640, 60, 125, 530, [row(120, 4), row(140, 3), row(180, 2), row(200, 2)], 90),
      top(40, 600, 165, 560, [row(120, 4), row(140, 3)], 90),
      rear(400, 150, 140),
      bottom(190, 125, 440, [row(120, 3), row(140, 3)], 90),
    ],
    air: vents(170, 140, ['Mesh behind the tray', 800, 0.45]),
    boardAt: [10, 210, 10],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 20], max: [185, 93, 200] },
    behind_mm: 24,
    grommets: grommets(274, 290, 430),
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Middle stand', at: [400, 130, 130], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [400, 200, 130] },
      { id: 'second', name: 'Front stand', at: [485, 130, 130], holes: { x_mm: 80, z_mm: 80 } },
      { id: 'over-second', name: 'Over the front stand', at: [485, 200, 130] },
    ],
  }),
  // The basement is closed off: what stands on its floor mount breathes and warms its air alone.
  box('case-undercroft-68', 'Undercroft 68', HURDLE, 21900, [520, 560, 220], {
    mounts: [
      front(520, 125, 115, 430, [row(120, 3), row(140, 3)], 70),
      top(34, 560, 138, 460, [row(120, 3), row(140, 3)], 70),
      rear(380, 140, 140),
      { ...bottom(195, 115, 300, [row(120, 2), row(140, 2)], 60), chamber: 'basement' },
    ],
    air: {
      chambers: [{ id: 'basement', name: 'The basement' }],
      openings: [
        ...(vents(160, 100).openings ?? []),
        {
          id: 'basement-slots',
          name: 'Slots in the basement cover',
          area_cm2: 260,
          openShare: 0.5,
          from: 'main',
          to: 'basement',
        },
        {
          id: 'basement-rear',
          name: 'Vent beside the power supply',
          area_cm2: 60,
          openShare: 0.5,
          from: 'basement',
        },
      ],
    },
    boardAt: [8, 210, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 12], max: [185, 93, 180] },
    behind_mm: 26,
    grommets: grommets(274, 260, 400),
    obstacles: [
      {
        id: 'shroud',
        name: 'Basement cover',
        removable: false,
        min: [0, 118, 0],
        max: [500, 120, 220],
      },
    ],
    spots: [
      { id: 'pump', name: 'Cover, before the card', at: [380, 120, 120], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [380, 190, 120] },
    ],
  }),
  box('case-heron-30', 'Heronry 30', SLATE, 11900, [400, 400, 188], {
    mounts: [
      front(400, 5, 98, 370, [row(120, 3), row(140, 2)], 55),
      top(24, 400, 118, 350, [row(120, 2), row(140, 2)], 50),
      rear(270, 115, 120),
    ],
    air: vents(100, 50, ['Mesh in the floor', 180, 0.4]),
    boardAt: [8, 130, 8],
    boardStandards: ['micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 12], max: [170, 93, 165] },
    behind_mm: 18,
    grommets: grommets(274, 180),
    obstacles: [
      {
        id: 'shroud',
        name: 'Supply shroud',
        removable: false,
        min: [0, 97, 0],
        max: [330, 99, 188],
      },
    ],
    spots: [
      { id: 'pump', name: 'Shroud, before the card', at: [300, 99, 110], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [300, 165, 110] },
    ],
  }),
  box('case-granary-60', 'Granary 60', HURDLE, 18900, [520, 520, 230], {
    mounts: [
      front(520, 20, 115, 490, [row(120, 4), row(140, 3)], 75),
      top(34, 520, 148, 460, [row(120, 3), row(140, 3)], 75),
      rear(350, 140, 140),
      bottom(200, 115, 300, [row(120, 2), row(140, 2)], 60),
    ],
    air: vents(160, 100, ['Mesh behind the tray', 500, 0.4]),
    boardAt: [8, 170, 8],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 16], max: [185, 93, 185] },
    behind_mm: 28,
    grommets: grommets(274, 250, 390),
    obstacles: [
      { id: 'cage', name: 'Drive cage', removable: true, min: [360, 120, 10], max: [440, 260, 60] },
    ],
    spots: [
      { id: 'pump', name: 'Floor, before the board', at: [400, 130, 140], holes: PUMP_FOOT },
      { id: 'over', name: 'Over the pump', at: [400, 200, 140] },
    ],
  }),
  box('case-lantern-18', 'Moth 18', SLATE, 15900, [360, 270, 185], {
    mounts: [
      top(18, 270, 112, 330, [row(120, 2), row(140, 2)], 60),
      rear(136, 120, 120),
      side(210, 185, 6, 262, [row(120, 2)], 55),
    ],
    air: vents(50, 40, ['Mesh in the tray side', 260, 0.45]),
    boardAt: [8, 40, 8],
    boardStandards: ['mini ITX'],
    bay: { min: [240, 4, 10], max: [345, 70, 140] },
    behind_mm: 15,
    obstacles: [],
    spots: [
      {
        id: 'pump',
        name: 'Floor, in front of the power supply',
        at: [205, 2, 140],
        holes: PUMP_FOOT,
      },
      { id: 'over', name: 'Above the power supply', at: [290, 75, 70] },
    ],
  }),
  box('case-workshop-120', 'Threshing Floor 120', HURDLE, 39900, [720, 640, 260], {
    mounts: [
      front(720, 40, 130, 580, [row(120, 4), row(140, 4), row(180, 3), row(200, 2)], 110),
      top(40, 640, 170, 640, [row(120, 5), row(140, 4)], 110),
      rear(430, 155, 140),
      bottom(210, 130, 480, [row(120, 3), row(140, 3)], 110),
    ],
    air: vents(190, 160, ['Mesh behind the tray', 1100, 0.45]),
    boardAt: [10, 240, 10],
    boardStandards: ['ATX', 'micro ATX', 'mini ITX'],
    bay: { min: [5, 5, 20], max: [190, 93, 210] },
    behind_mm: 40,
    grommets: grommets(276, 320, 470),
    obstacles: [],
    spots: [
      { id: 'pump', name: 'Middle stand', at: [470, 150, 130], holes: { x_mm: 80, z_mm: 80 } },
      { id: 'over', name: 'Over the middle stand', at: [470, 220, 130] },
      { id: 'second', name: 'Front stand', at: [570, 150, 130], holes: { x_mm: 80, z_mm: 80 } },
      { id: 'over-second', name: 'Over the front stand', at: [570, 220, 130] },
    ],
  }),
  ...SPECIAL_CASES,
];
