import Joi from 'joi';
import { msg } from '../messages';
import { POLYMER_MATERIALS } from './base';
import { CABLE_DUTIES, CONSUMABLE_DUTIES } from './goods';
import { DEVICE_DUTIES, DRIVE_FORMATS, LOAD_CASES } from './machine';
import { INLINE_DUTIES } from './plumbing';
import { worded } from '../messages';

/**
 * The one guard for parts: import, API, database and builds all pass through it. A door of its own,
 * apart from index.ts, because Joi is heavy and evaluation does not need it.
 */
const LENGTH_MAX_MM = 3000;

/** Text a person may type: no control characters, trimmed, bounded. */
export const text = (max: number): Joi.StringSchema =>
  Joi.string()
    .trim()
    .min(1)
    .max(max)
    .pattern(/^[^\u0000-\u001f\u007f]*$/, 'without control characters');
export const id = (): Joi.StringSchema =>
  Joi.string()
    .min(1)
    .max(64)
    .pattern(/^[A-Za-z0-9][A-Za-z0-9._:-]*$/, 'letters, digits, dot, dash, colon');
/** The same for keys. */
export const ID_KEY = /^[A-Za-z0-9][A-Za-z0-9._:-]{0,63}$/;
export const mm = (min = 0, max = LENGTH_MAX_MM): Joi.NumberSchema =>
  Joi.number().min(min).max(max);
export const vec = (schema: Joi.NumberSchema = mm(-LENGTH_MAX_MM)): Joi.ArraySchema =>
  Joi.array().items(schema).length(3);
const direction = (): Joi.ArraySchema => vec(Joi.number().valid(-1, 0, 1));
/** A measured pair; each number up to `max`. */
const point = (max: number, least = 0): Joi.ArraySchema =>
  Joi.array()
    .items(least > 0 ? Joi.number().min(least).max(max) : Joi.number().min(0).max(max))
    .length(2);
const price = Joi.number().integer().min(0).max(100_000_00);

const base = {
  id: id().required(),
  name: text(80).required(),
  maker: text(60).required(),
  price_minor: price.required(),
  tolerance_mm: mm(0, 20).required(),
  note: text(300).optional(),
  soldIn: Joi.number().integer().min(2).max(1000),
  includes: Joi.array()
    .items(
      Joi.object({
        what: id().required(),
        quantity: Joi.number().integer().min(1).max(1000).required(),
      }),
    )
    .max(24)
    .unique('what'),
};
const boxKeys = { min: vec().required(), max: vec().required() };
const holes = Joi.object({ x_mm: mm(4, 400).required(), z_mm: mm(4, 400).required() });
const bodied = {
  ...base,
  size: vec(mm(1)).required(),
  foot: Joi.array().items(holes).max(12).optional(),
  boxes: Joi.array()
    .items(
      Joi.object({
        name: text(60).required(),
        ...boxKeys,
        round: Joi.string().valid('x', 'y', 'z').optional(),
      }),
    )
    .max(24)
    .optional(),
};

const metal = Joi.string().valid(
  'copper',
  'brass',
  'nickel',
  'silver',
  'gold',
  'stainless',
  'tin',
  'zinc',
  'aluminium',
  'chrome',
  'stainless316',
  'silverSolder',
  'nickelPhosphorus',
  'steel',
  'anodisedAluminium',
  'other',
);
const wetted = Joi.array()
  .items(
    Joi.object({
      metal: metal.required(),
      platedOver: metal.optional(),
      area_mm2: Joi.number().min(0).max(5e6).required(),
    }),
  )
  .max(8)
  .required();
const soft = Joi.string().valid(...POLYMER_MATERIALS);
const polymers = Joi.array()
  .items(
    Joi.object({ material: soft.required(), as: Joi.string().valid('body', 'seal').required() }),
  )
  .max(8)
  .optional();
const port = Joi.object({
  id: id().required(),
  name: text(60).required(),
  at: vec().required(),
  direction: direction().required(),
  thread: Joi.string().valid('G1/4').required(),
  role: Joi.string().valid('in', 'out', 'any').required(),
  chamber: id().required(),
  duty: Joi.string().valid('fill', 'drain').optional(),
});
const wet = {
  maxPressure_kPa: Joi.number().min(1).max(1000),
  ports: Joi.array().items(port).min(1).max(16).unique('id').required(),
  passages: Joi.array()
    .items(
      Joi.object({
        from: id().required(),
        to: id().required(),
        points: Joi.array().items(point(500)).max(40).required(),
        oneWay: Joi.boolean().optional(),
        source: text(200).optional(),
      }),
    )
    .max(12)
    .required(),
  wetted,
  polymers,
  volume_mL: Joi.number().min(0).max(20000).required(),
};
const heated = {
  draw_W: Joi.number().min(0).max(2000).required(),
  shares: Joi.object(
    Object.fromEntries(LOAD_CASES.map((c) => [c, Joi.number().min(0).max(1.5).required()])),
  ).required(),
  hotSpots: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        name: text(60).required(),
        limit_C: Joi.number().min(30).max(150).required(),
        interface_KW: Joi.number().min(0).max(10).required(),
        onAir_KW: Joi.number().min(0).max(50).required(),
      }),
    )
    .max(8)
    .required(),
};
const rpm = Joi.number().min(0).max(20000);
const section = Joi.number().min(40).max(230);
const kind = (k: string): Joi.StringSchema => Joi.string().valid(k).required();
const rising =
  (label: string): Joi.CustomValidator =>
  (points: [number, number][], helpers) => {
    for (let i = 1; i < points.length; i += 1) {
      if ((points[i] as [number, number])[0] <= (points[i - 1] as [number, number])[0])
        return helpers.message({
          custom: msg`{{#label}}: flows of ${label} must rise; point ${i + 1} does not`,
        });
      if ((points[i] as [number, number])[1] >= (points[i - 1] as [number, number])[1])
        return helpers.message({
          custom: msg`{{#label}}: ${label} must fall as flow rises; point ${i + 1} does not`,
        });
    }
    return points;
  };

const rises: Joi.CustomValidator = (span: [number, number], helpers) =>
  span[0] < span[1]
    ? span
    : helpers.message({ custom: msg`{{#label}}: the least must be less than the most` });
const thinnerInside: Joi.CustomValidator = (
  tube: { outer_mm: number; inner_mm: number },
  helpers,
) =>
  tube.inner_mm < tube.outer_mm
    ? tube
    : helpers.message({ custom: msg`{{#label}}: inner_mm must be less than outer_mm` });

const mount = Joi.object({
  id: id().required(),
  name: text(60).required(),
  face: Joi.string().valid('front', 'top', 'bottom', 'rear', 'side', 'tray').required(),
  at: vec().required(),
  along: direction().required(),
  across: direction().required(),
  inward: direction().required(),
  length_mm: mm(40).required(),
  fans: Joi.array()
    .items(
      Joi.object({
        size_mm: section.required(),
        count: Joi.number().integer().min(1).max(8).required(),
      }),
    )
    .min(1)
    .max(4)
    .required(),
  holeGap_mm: mm(0, 60).required(),
  holes: Joi.object({ first_mm: mm(0, 1000), slots_mm: mm(0, 200).required() }),
  published_mm: mm(0, 400).required(),
  outside_mm: mm(0, 200).optional(),
  filterLoss_Pa: Joi.number().min(0).max(100).required(),
  chamber: id(),
});
const caseAir = Joi.object({
  open: Joi.boolean().valid(true),
  leakage_cm2: Joi.number().min(0).max(2000),
  chambers: Joi.array()
    .items(Joi.object({ id: id().invalid('main', 'room').required(), name: text(60).required() }))
    .max(4)
    .unique('id'),
  behind: id(),
  openings: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        name: text(60).required(),
        area_cm2: Joi.number().min(1).max(5000).required(),
        openShare: Joi.number().min(0.05).max(1),
        from: id(),
        to: id(),
      }),
    )
    .max(24)
    .unique('id'),
});

const amps = Joi.number().min(0.05).max(20);
const plug = Joi.string().valid('four-pin', 'three-pin', 'supply');
const fan = Joi.object({
  kind: kind('fan'),
  ...bodied,
  section_mm: section.required(),
  minSpeed_rpm: rpm.required(),
  fullSpeed_rpm: rpm.min(100).required(),
  points: Joi.array()
    .items(point(2000))
    .min(2)
    .max(40)
    .custom(rising("a fan's pressure"))
    .required(),
  pointsSource: text(200).optional(),
  sound_dBA: Joi.number().min(0).max(90).required(),
  spectrum_dB: Joi.array().items(Joi.number().min(-80).max(120)).length(8).optional(),
  power_W: Joi.number().min(0).max(100).required(),
  plug: plug.optional(),
  lead_mm: mm(20, LENGTH_MAX_MM),
});
const triple = Joi.array().ordered(
  Joi.number().min(0).max(20000).required(),
  Joi.number().min(0.05).max(60).required(),
  Joi.number().min(0.01).max(1000).required(),
);

export const PART_SCHEMAS = worded(
  () =>
    ({
      processor: Joi.object({ kind: kind('processor'), ...bodied, ...heated, pattern: text(40) }),
      card: Joi.object({
        kind: kind('card'),
        ...bodied,
        ...heated,
        layout: text(40),
        bareThickness_mm: mm(1, 200).required(),
        powerPlug: Joi.object(boxKeys).optional(),
      }),
      board: Joi.object({
        kind: kind('board'),
        ...bodied,
        ...heated,
        standard: text(40).required(),
        pattern: text(40),
        layout: text(40),
        memory: Joi.object({
          slots: Joi.number().integer().min(0).max(16).required(),
          pitch_mm: mm(1, 60).required(),
        }),
        processorAt: vec().required(),
        regulatorsAt: vec().required(),
        memoryAt: vec().required(),
        slots_mm: Joi.array().items(mm()).max(10).required(),
        headers: Joi.object({
          fan: Joi.number().integer().min(0).max(16).required(),
          pump: Joi.number().integer().min(0).max(8).required(),
          fan_A: amps.required(),
          pump_A: amps.required(),
        }).optional(),
      }),
      memory: Joi.object({
        kind: kind('memory'),
        ...bodied,
        ...heated,
        modules: Joi.number().integer().min(1).max(16).required(),
      }),
      device: Joi.object({
        kind: kind('device'),
        ...bodied,
        ...heated,
        duty: Joi.string()
          .valid(...DEVICE_DUTIES)
          .required(),
        format: Joi.when('duty', {
          is: 'drive',
          then: Joi.string().valid(...DRIVE_FORMATS),
          otherwise: Joi.forbidden(),
        }),
        connector: text(60),
      }),
      supply: Joi.object({
        kind: kind('supply'),
        ...bodied,
        rating_W: Joi.number().min(50).max(5000).required(),
      }),
      case: Joi.object({
        kind: kind('case'),
        ...base,
        interior: vec(mm(50)).required(),
        volume_L: Joi.number().min(1).max(1000).required(),
        mounts: Joi.array().items(mount).max(12).unique('id').required(),
        boardAt: vec().required(),
        boardStandards: Joi.array().items(text(40)).max(8).required(),
        bay: Joi.object(boxKeys).required(),
        riser: Joi.object({ at: vec().required() }).optional(),
        obstacles: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              name: text(60).required(),
              removable: Joi.boolean().required(),
              drives: Joi.object({
                format: Joi.string()
                  .valid(...DRIVE_FORMATS)
                  .required(),
                places: Joi.number().integer().min(1).max(12).required(),
              }),
              boxes: Joi.array().items(Joi.object(boxKeys)).min(1).max(12).optional(),
              openings: Joi.array().items(Joi.object(boxKeys)).max(8).optional(),
              ...boxKeys,
            }),
          )
          .max(24)
          .unique('id')
          .required(),
        fansIncluded: Joi.array()
          .items(Joi.object({ mount: id().required(), fan: fan.required() }))
          .max(12)
          .optional(),
        spots: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              name: text(60).required(),
              at: vec().required(),
              holes: holes.optional(),
            }),
          )
          .max(12)
          .unique('id')
          .required(),
        panels_mm: Joi.object(
          Object.fromEntries(
            ['front', 'top', 'bottom', 'rear', 'side', 'tray'].map((f) => [
              f,
              mm(0, 40).optional(),
            ]),
          ),
        ).optional(),
        air: caseAir.optional(),
        ports: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              name: text(60).required(),
              at: vec().required(),
              direction: direction().required(),
              hole_mm: mm(1, 60).required(),
            }),
          )
          .max(12)
          .unique('id')
          .optional(),
        behind_mm: mm(0, 400).optional(),
        grommets: Joi.array()
          .items(
            Joi.object({
              id: id().required(),
              name: text(60).required(),
              at: vec().required(),
              width_mm: mm(2, 1000).required(),
              height_mm: mm(2, 1000).required(),
            }),
          )
          .max(12)
          .unique('id')
          .optional(),
      }),
      radiator: Joi.object({
        kind: kind('radiator'),
        ...bodied,
        ...wet,
        section_mm: section.required(),
        sections: Joi.number().integer().min(1).max(8).required(),
        finStart_mm: mm(0, 100).required(),
        holeGap_mm: mm(0, 60).required(),
        core: Joi.object({
          depth_mm: mm(3, 150).required(),
          width_mm: mm(20, 400).required(),
          fpi: Joi.number().min(4).max(40).required(),
          finHeight_mm: mm(1, 20).required(),
          finThickness_mm: mm(0.01, 1).required(),
          tubeHeight_mm: mm(0.5, 8).required(),
          tubeWall_mm: mm(0.05, 2).required(),
          passes: Joi.number().integer().min(1).max(6).required(),
          finHeatFactor: Joi.number().min(0.3).max(4).required(),
          finDragFactor: Joi.number().min(0.3).max(6).required(),
          finMetal: Joi.string().valid('copper', 'brass', 'aluminium').required(),
        }).required(),
        screw: Joi.object({
          thread: text(20).required(),
          depthToTube_mm: mm(1, 40).required(),
        }).required(),
        measured: Joi.object({
          against: Joi.string().valid('air', 'speed').required(),
          points: Joi.array().items(triple).min(1).max(60).required(),
          source: text(200).optional(),
        }).optional(),
        rating: Joi.object({
          heat_W: Joi.number().min(1).max(20000).required(),
          difference_K: Joi.number().min(0.1).max(100).required(),
          speed_rpm: rpm.required(),
        }).optional(),
      }),
      fan,
      pump: Joi.object({
        kind: kind('pump'),
        ...bodied,
        ...wet,
        fullSpeed_rpm: rpm.min(100).required(),
        minSpeed_rpm: rpm.required(),
        points: Joi.array()
          .items(point(60))
          .min(2)
          .max(40)
          .custom(rising("a pump's head"))
          .required(),
        pointsSource: text(200).optional(),
        ratings: Joi.object({
          head_m: Joi.number().min(0).max(200),
          pressure_kPa: Joi.number().min(0).max(5000),
          flow_Lmin: Joi.number().min(0).max(200),
        }).optional(),
        sound_dBA: Joi.number().min(0).max(90).required(),
        spectrum_dB: Joi.array().items(Joi.number().min(-80).max(120)).length(8).optional(),
        power_W: Joi.number().min(0).max(200).required(),
        plug: plug.optional(),
        lead_mm: mm(20, LENGTH_MAX_MM),
      }),
      reservoir: Joi.object({
        kind: kind('reservoir'),
        ...bodied,
        ...wet,
        fill_mL: Joi.number().min(1).max(20000).required(),
        sensor: Joi.boolean().valid(true),
      }),
      block: Joi.object({
        kind: kind('block'),
        ...bodied,
        ...wet,
        cools: Joi.array()
          .items(Joi.string().valid('processor', 'card', 'board', 'memory'))
          .min(1)
          .max(4)
          .required(),
        fits: Joi.object({
          patterns: Joi.array()
            .items(Joi.object({ pattern: text(40).required(), bracket: text(60) }))
            .max(24),
          cards: Joi.array().items(text(40)).max(60),
          boards: Joi.array().items(text(40)).max(60),
          sticks: Joi.array()
            .items(
              Joi.object({
                count: Joi.number().integer().min(1).max(16).required(),
                pitch_mm: mm(1, 60).required(),
              }),
            )
            .max(8),
        }),
        resistance: Joi.array().items(point(60, 0.0001)).min(1).max(40).required(),
        resistanceSource: text(200).optional(),
        minFlow_Lmin: Joi.number().min(0).max(20).required(),
      }),
      inline: Joi.object({
        kind: kind('inline'),
        ...bodied,
        ...wet,
        duty: Joi.string()
          .valid(...INLINE_DUTIES)
          .required(),
        sensor: Joi.boolean().valid(true).optional(),
        panel: Joi.object({
          hole_mm: mm(1, 60).required(),
          at_mm: mm(0, 200).required(),
        }).optional(),
        tee: Joi.object({
          bore_mm: mm(1, 30).required(),
          leg_mm: mm(0, 200).required(),
          run: Joi.array().items(id()).length(2).required(),
          branch: id().required(),
        }).optional(),
      }),
      tube: Joi.object({
        kind: kind('tube'),
        ...base,
        material: Joi.string()
          .valid('soft PVC', 'EPDM rubber', 'PETG', 'acrylic', 'copper')
          .required(),
        hard: Joi.boolean().required(),
        outer_mm: mm(3, 40).required(),
        inner_mm: mm(2, 36).required(),
        minBend_mm: mm(0, 500).required(),
        stick_mm: mm(100, 3000).optional(),
      }).custom(thinnerInside),
      fitting: Joi.object({
        kind: kind('fitting'),
        ...base,
        duty: Joi.string()
          .valid(
            'compression',
            'barb',
            'hard-tube',
            'rotary45',
            'rotary90',
            'extender',
            'plug',
            'drain',
            'fill',
            'maleToMale',
            'bridge',
          )
          .required(),
        span_mm: Joi.when('duty', {
          is: 'bridge',
          then: Joi.array()
            .ordered(mm(1, 300).required(), mm(1, 300).required())
            .custom(rises)
            .required(),
          otherwise: Joi.forbidden(),
        }),
        thread: Joi.string().valid('G1/4').required(),
        tube: Joi.object({
          outer_mm: mm(3, 40).required(),
          inner_mm: mm(2, 36).required(),
        }).optional(),
        bore_mm: mm(1, 30).required(),
        k: Joi.number().min(0).max(100).required(),
        kSource: text(200).required(),
        points: Joi.array().items(point(500)).max(40).optional(),
        pointsSource: text(200).optional(),
        length_mm: mm(0, 200).required(),
        diameter_mm: mm(1, 100).required(),
        wetted,
        polymers,
        sensor: Joi.when('duty', {
          is: 'plug',
          then: Joi.boolean().valid(true),
          otherwise: Joi.forbidden(),
        }),
        family: text(40).optional(),
      }),
      coolant: Joi.object({
        kind: kind('coolant'),
        ...base,
        base: Joi.object({
          glycol: Joi.string().valid('none', 'ethylene', 'propylene').required(),
          volumeShare: Joi.number().min(0).max(0.4).required(),
        }).required(),
        bottle_mL: Joi.number().min(50).max(20000).required(),
        inhibitor_months: Joi.number().min(0).max(120).required(),
        biocide: Joi.boolean().required(),
        look: Joi.string().valid('clear', 'dyed', 'opaque').required(),
        poisonous: Joi.boolean().required(),
        upkeep: text(300).required(),
        waterParts: Joi.number().min(0.1).max(20).optional(),
        conductivity_uScm: Joi.number().min(0).max(20000).optional(),
        attacks: Joi.array().items(soft).max(POLYMER_MATERIALS.length).optional(),
        alcoholShare: Joi.number().min(0).max(0.5).optional(),
      }),
      screw: Joi.object({
        kind: kind('screw'),
        ...base,
        thread: text(20).required(),
        length_mm: mm(1, 100).required(),
        pack: Joi.number().integer().min(1).max(1000).required(),
      }),
      consumable: Joi.object({
        kind: kind('consumable'),
        ...base,
        duty: Joi.string()
          .valid(...CONSUMABLE_DUTIES)
          .required(),
        tool: Joi.boolean().required(),
        pack: Joi.number().integer().min(1).max(1000).required(),
        tube_mm: mm(2, 40).optional(),
      }),
      cable: Joi.object({
        kind: kind('cable'),
        ...base,
        duty: Joi.string()
          .valid(...CABLE_DUTIES)
          .required(),
        length_mm: mm(20, LENGTH_MAX_MM),
        connector: text(60),
        outlets: Joi.number().integer().min(1).max(16).required(),
        limit_A: amps.required(),
      }),
      layer: Joi.object({
        kind: kind('layer'),
        ...base,
        duty: Joi.string().valid('grille', 'filter', 'gasket').required(),
        section_mm: section.required(),
        thickness_mm: mm(0, 40).required(),
        loss_Pa: Joi.number().min(0).max(100).required(),
      }),
    }) as const,
);
