import Joi from 'joi';
import { msg } from '../messages';
import { ID_KEY, PART_SCHEMAS, id, mm, text, vec } from '../components/schema';
import { BUILD_FORMAT, BUILD_VERSION, END_PIECES, HELD_BY, ROUTE_STYLES, UPS } from './types';

/**
 * The guard of the whole document. Everything that enters, from a file, the API, an action or the
 * database, passes it.
 */
const LOAD_CASE = Joi.string().valid('idle', 'gaming', 'render', 'stress', 'custom');
const turn = Joi.number().valid(0, 90, 180, 270);
const up = Joi.string().valid(...UPS);

export const briefSchema = Joi.object({
  room_C: Joi.number().min(-20).max(60).required(),
  altitude_m: Joi.number().min(-500).max(6000).required(),
  currency: Joi.string()
    .pattern(/^[A-Z]{3}$/, 'three capital letters')
    .required(),
  exchange: Joi.number().min(1e-4).max(1e5).optional(),
  loadCase: LOAD_CASE.required(),
  limits: Joi.object({
    deltaT_K: Joi.number().min(0.5).max(60).required(),
    noise_dBA: Joi.number().min(5).max(90).required(),
    flow_Lmin: Joi.number().min(0.1).max(30).required(),
    part_C: Joi.number().min(30).max(150).allow(null).required(),
    budget_minor: Joi.number().integer().min(0).max(1e9).allow(null).required(),
    clear_mm: mm(0, 50).required(),
  }).required(),
  summer_C: Joi.number().min(-20).max(60).optional(),
  listener_m: Joi.number().min(0.1).max(20).required(),
});

const on = (where: string, keys: Record<string, Joi.Schema> = {}): Joi.ObjectSchema =>
  Joi.object({ on: Joi.string().valid(where).required(), ...keys });
const PLACEMENTS = {
  unplaced: on('unplaced'),
  tray: on('tray'),
  board: on('board'),
  bay: on('bay', { turn, up }),
  slot: on('slot', { slot: Joi.number().integer().min(1).max(10).required() }),
  riser: on('riser', { faces: Joi.string().valid('glass', 'back') }),
  component: on('component', { component: id().required() }),
  radiator: on('radiator', {
    component: id().required(),
    face: Joi.string().valid('frame', 'interior', 'outside').required(),
  }),
  mount: on('mount', {
    mount: id().required(),
    slide_mm: mm(-500, 1000).required(),
    ports: Joi.string().valid('start', 'end').required(),
    air: Joi.string().valid('in', 'out').required(),
  }),
  line: on('line'),
  port: on('port', { port: id().required() }),
  cage: on('cage', {
    cage: id().required(),
    place: Joi.number().integer().min(1).max(12).required(),
  }),
  against: on('against', {
    component: id().required(),
    face: up.required(),
    along_mm: mm(-1000, 1000).required(),
    across_mm: mm(-1000, 1000).required(),
    turn: turn.required(),
    up,
  }),
  spot: on('spot', { spot: id().required(), turn: turn.required(), up }),
  free: on('free', {
    at: vec().required(),
    turn: turn.required(),
    up,
    tilt: Joi.object({
      about: Joi.string().valid('x', 'y', 'z').required(),
      by_deg: Joi.number().min(-180).max(180).required(),
    }),
  }),
};

const pick = (key: string, schemas: Record<string, Joi.ObjectSchema>): Joi.AlternativesSchema =>
  Joi.alternatives().conditional(`.${key}`, {
    switch: Object.entries(schemas).map(([is, then]) => ({ is, then })),
    otherwise: Joi.object({
      [key]: Joi.string()
        .valid(...Object.keys(schemas))
        .required(),
    }).unknown(),
  });

const componentPart = pick('kind', {
  processor: PART_SCHEMAS.processor,
  card: PART_SCHEMAS.card,
  board: PART_SCHEMAS.board,
  memory: PART_SCHEMAS.memory,
  device: PART_SCHEMAS.device,
  supply: PART_SCHEMAS.supply,
  radiator: PART_SCHEMAS.radiator,
  fan: PART_SCHEMAS.fan,
  pump: PART_SCHEMAS.pump,
  reservoir: PART_SCHEMAS.reservoir,
  block: PART_SCHEMAS.block,
  inline: PART_SCHEMAS.inline,
});

const share = Joi.number().min(0).max(1.5);
/** Temperatures and speeds of a control rise: speed never falls as it gets warmer. */
const control = Joi.object({
  sensor: Joi.string()
    .min(1)
    .max(130)
    .pattern(
      /^[A-Za-z0-9][A-Za-z0-9._:-]*(\/[A-Za-z0-9][A-Za-z0-9._:-]*)?$/,
      'coolant or component/spot',
    )
    .required(),
  points: Joi.array()
    .items(
      Joi.array().ordered(
        Joi.number().min(-20).max(150).required(),
        Joi.number().min(0).max(20000).required(),
      ),
    )
    .min(1)
    .max(20)
    .required()
    .custom((points: [number, number][], helpers) =>
      points.every(
        (p, i) =>
          i === 0 ||
          (p[0] > (points[i - 1] as [number, number])[0] &&
            p[1] >= (points[i - 1] as [number, number])[1]),
      )
        ? points
        : helpers.message({
            custom: msg`{{#label}}: temperatures must rise and speeds must not fall`,
          }),
    ),
  hysteresis_K: Joi.number().min(0).max(30).required(),
  ramp_rpms: Joi.number().min(1).max(20000).required(),
});

export const componentSchema = Joi.object({
  id: id().required(),
  name: text(80).required(),
  part: componentPart.required(),
  placement: pick('on', PLACEMENTS).required(),
  settings: Joi.object({
    speed_rpm: Joi.number().min(0).max(20000),
    powerDraw_W: Joi.number().min(0).max(2000),
    clock: Joi.number().min(0.2).max(2),
    voltage: Joi.number().min(0.5).max(1.6),
    shares: Joi.object({ idle: share, gaming: share, render: share, stress: share }),
    control,
    customShare: share,
    owned: Joi.boolean(),
    partOf: id(),
    shut: Joi.boolean(),
    keepVisible: Joi.boolean(),
    clogged: Joi.number().min(0).max(0.95),
    layers: Joi.array().items(PART_SCHEMAS.layer).max(6),
    pieces: Joi.number().integer().min(1).max(12),
    heldBy: Joi.string().valid(...HELD_BY),
    screw_mm: mm(1, 100),
    mayMove: Joi.object({
      turn: Joi.boolean().required(),
      slide_mm: mm(0, 2000).required(),
      home: vec(),
    }),
  }).required(),
});

const ref = { component: id().required(), port: id().required() };
const end = Joi.string().valid('auto', ...END_PIECES);
const unit = vec(Joi.number().min(-1).max(1));
const laidEnd = Joi.object({
  piece: Joi.string()
    .valid(...END_PIECES)
    .required(),
  direction: unit.required(),
});
const constraints = Joi.object({
  exit: unit,
  entry: unit,
  allow45: Joi.boolean(),
  waypoints: Joi.array()
    .items(Joi.array().items(mm(-3000).allow(null)).length(3))
    .max(12),
});

/** Radii by corner: one for each between the ends. */
const aRadiusForEachCorner: Joi.CustomValidator<{
  readonly corners: readonly unknown[];
  readonly radii_mm?: readonly number[];
}> = (route, helpers) =>
  route.radii_mm && route.radii_mm.length !== route.corners.length - 2
    ? helpers.message({
        custom: msg`{{#label}} has ${route.corners.length - 2} corners between its ends and
          ${route.radii_mm.length} radii`,
      })
    : route;

const laidRoute = Joi.object({
  corners: Joi.array().items(vec()).min(2).max(60).required(),
  radius_mm: mm(0, 1000).required(),
  radii_mm: Joi.array().items(mm(0, 1000)).max(58),
  from: laidEnd.required(),
  to: laidEnd.required(),
  kept_mm: mm(0, 100).required(),
  router: Joi.number().integer().min(0).max(10000).required(),
  pinned: Joi.boolean(),
}).custom(aRadiusForEachCorner);
const pose = Joi.object({
  at: vec().required(),
  x: unit.required(),
  y: unit.required(),
  z: unit.required(),
});
const noRoute = Joi.object({
  blockedBy: text(120).allow(null).required(),
  wouldFit: text(120).allow(null).required(),
});
/**
 * What the router decided; by id of connection or part, and never more of them than there may be.
 */
const layoutSchema = Joi.object({
  routes: Joi.object().pattern(ID_KEY, laidRoute).max(400).required(),
  poses: Joi.object().pattern(ID_KEY, pose).max(120).required(),
  noRoute: Joi.object().pattern(ID_KEY, noRoute).max(400).required(),
});
const stepKey = Joi.string().max(140);
const when = Joi.string().isoDate();
const endsAfterItBegins: Joi.CustomValidator<{ readonly from_h: number; readonly to_h: number }> = (
  plan,
  helpers,
) =>
  plan.to_h > plan.from_h
    ? plan
    : helpers.message({ custom: msg`{{#label}} must end after it begins` });
/** More readings than a year of weeks. */
const MOST_READINGS = 1000;
/** A machine further from its papers than this is another machine. */
const factor = Joi.number().min(0.1).max(10);
const temp_C = Joi.number().min(-50).max(150);
/** A reading of the finished machine, as documents keep it and files bring it. */
const readingSchema = Joi.object({
  on: when.required(),
  load: LOAD_CASE.required(),
  room_C: temp_C.required(),
  fans_rpm: Joi.number().min(0).max(20_000),
  pumps_rpm: Joi.number().min(0).max(20_000),
  coolant_C: Joi.object().pattern(ID_KEY, temp_C).max(20),
  flow_Lmin: Joi.object().pattern(ID_KEY, Joi.number().min(-100).max(100)).max(20),
  spots_C: Joi.object().pattern(Joi.string().max(130), temp_C).max(200),
  noise_dBA: Joi.number().min(0).max(120),
  note: text(600),
});
export const readingsSchema = Joi.array()
  .items(readingSchema)
  .min(1)
  .max(MOST_READINGS)
  .unique('on');
/** Marks, notes, order and tests of the work itself. */
const work = Joi.object({
  done: Joi.object()
    .pattern(stepKey, Joi.object({ on: when.required() }))
    .max(800),
  notes: Joi.object().pattern(stepKey, text(600)).max(800),
  order: Joi.array().items(id()).max(120).unique(),
  plan: Joi.object({
    start: when.required(),
    days: Joi.array().items(Joi.number().integer().min(0).max(6)).min(1).max(7).unique().required(),
    from_h: Joi.number().min(0).max(23.75).required(),
    to_h: Joi.number().min(0.25).max(24).required(),
    pace: Joi.string().valid('beginner', 'practised').required(),
  }).custom(endsAfterItBegins),
  airTests: Joi.object()
    .pattern(
      ID_KEY,
      Joi.object({
        resolution_mbar: Joi.number().min(0.001).max(100).required(),
        readings: Joi.array()
          .items(
            Joi.object({
              on: when.required(),
              gauge_mbar: Joi.number().min(-1000).max(5000).required(),
              temp_C: Joi.number().min(-20).max(60).required(),
            }),
          )
          .max(500)
          .required(),
      }),
    )
    .max(20),
  readings: Joi.array().items(readingSchema).max(MOST_READINGS).unique('on'),
  measured: Joi.object({
    on: when.required(),
    readings: Joi.number().integer().min(1).max(MOST_READINGS).required(),
    radiators: factor.required(),
    losses: factor.required(),
    blocks: Joi.object().pattern(ID_KEY, factor).max(120).required(),
    leakage: factor,
    noise_dB: Joi.number().min(-12).max(12),
    spreads: Joi.object().pattern(text(80), Joi.number().min(0).max(12)).max(130),
    elsewhere: text(120),
  }),
  service: Joi.array()
    .items(Joi.object({ on: when.required(), job: id().required(), note: text(600) }))
    .max(2000)
    .unique('on'),
  client: Joi.object({
    client: text(120).allow('').required(),
    rate_cents: Joi.number().integer().min(0).max(1_000_000).required(),
    tax: Joi.number().min(0).max(1).required(),
    due: when,
  }),
});
export const loopSchema = Joi.object({
  id: id().required(),
  name: text(60).required(),
  tube: PART_SCHEMAS.tube.required(),
  fitting: PART_SCHEMAS.fitting.required(),
  coolant: PART_SCHEMAS.coolant.required(),
  coolantAge_months: Joi.number().min(0).max(240).required(),
  mandrels: Joi.object({
    angles_deg: Joi.array().items(Joi.number().min(5).max(180)).min(1).max(24).unique().required(),
    radii_mm: Joi.array().items(mm(1, 1000)).min(1).max(12).unique(),
    grip_mm: mm(1, 300),
  }),
  routing: Joi.object({
    style: Joi.string()
      .valid(...ROUTE_STYLES)
      .required(),
    weights: Joi.object({
      bend_mm: mm(0, 1000),
      offPlane: Joi.number().min(0).max(2),
      view_mm: mm(0, 2000),
    }),
    freeOrder: Joi.boolean(),
  }),
  testBends: Joi.array()
    .items(
      Joi.object({
        set_deg: Joi.number().min(10).max(180).required(),
        left_deg: Joi.number().min(5).max(180).required(),
        radius_mm: mm(1, 1000),
      }),
    )
    .min(1)
    .max(12),
  connections: Joi.array()
    .items(
      Joi.object({
        id: id().required(),
        from: Joi.object(ref).required(),
        to: Joi.object(ref).required(),
        by: Joi.string().valid('tube', 'direct').required(),
        ends: Joi.object({ from: end.required(), to: end.required() }).required(),
        bridge: Joi.when('by', {
          is: 'direct',
          then: PART_SCHEMAS.fitting.keys({ duty: Joi.string().valid('bridge').required() }),
          otherwise: Joi.forbidden(),
        }),
        constraints: constraints.optional(),
        clipped: Joi.boolean(),
        tube: PART_SCHEMAS.tube.optional(),
        fitting: PART_SCHEMAS.fitting.optional(),
      }),
    )
    .max(200)
    .required(),
  caps: Joi.array()
    .items(
      Joi.object({
        ...ref,
        with: Joi.string().valid('plug', 'drain', 'fill').required(),
        piece: PART_SCHEMAS.fitting,
        under: Joi.object({
          piece: Joi.string().valid('extender', 'rotary90').required(),
          direction: vec(Joi.number().valid(-1, 0, 1)),
        }),
      }),
    )
    .max(400)
    .required(),
});

const small = PART_SCHEMAS.fitting.required();
export const designSchema = Joi.object({
  format: Joi.string().valid(BUILD_FORMAT).required(),
  version: Joi.number().valid(BUILD_VERSION).required(),
  name: text(80).required(),
  brief: briefSchema.required(),
  case: PART_SCHEMAS.case.allow(null).required(),
  components: Joi.array().items(componentSchema).max(120).unique('id').required(),
  loops: Joi.array().items(loopSchema).max(8).unique('id').required(),
  kit: Joi.object({
    plug: small,
    drain: small,
    fill: small,
    maleToMale: small,
    rotary45: small,
    rotary90: small,
    extender: small,
    screws: Joi.array().items(PART_SCHEMAS.screw).max(200).required(),
    cables: Joi.array().items(PART_SCHEMAS.cable).max(40).optional(),
    consumables: Joi.array().items(PART_SCHEMAS.consumable).max(200).optional(),
  }).required(),
  layout: layoutSchema.required(),
  choices: Joi.object({
    extras: Joi.object()
      .pattern(
        ID_KEY,
        Joi.object({
          name: text(80).required(),
          quantity: Joi.number().min(0.1).max(10000).required(),
          price_minor: Joi.number().integer().min(0).max(100_000_000).required(),
          note: text(200),
        }),
      )
      .max(200),
    inventory: Joi.object().pattern(ID_KEY, Joi.number().min(0).max(10000)).max(400).optional(),
    orders: Joi.object()
      .pattern(
        ID_KEY,
        Joi.object({
          state: Joi.string().valid('ordered', 'received', 'missing').required(),
          shop: text(60).optional(),
          on: Joi.string().isoDate().max(30).optional(),
          comes: Joi.string().isoDate().max(30).optional(),
          returns: Joi.string().isoDate().max(30).optional(),
        }),
      )
      .max(400)
      .optional(),
    removed: Joi.array().items(id()).max(40).unique().required(),
    stands: up,
    speeds: Joi.object()
      .pattern(
        ID_KEY,
        Joi.object({
          name: text(40).required(),
          speeds_rpm: Joi.object()
            .pattern(ID_KEY, Joi.number().min(0).max(20000))
            .max(120)
            .required(),
        }),
      )
      .max(12),
    profile: Joi.array()
      .items(
        Joi.object({
          load: LOAD_CASE.required(),
          seconds: Joi.number().min(1).max(86400).required(),
        }),
      )
      .max(40)
      .optional(),
    work,
  }).required(),
});
