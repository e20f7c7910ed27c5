import { putInWords } from '../plan';
import {
  componentName,
  findComponent,
  type Component,
  type ComponentId,
  type Design,
  type Loop,
} from '../design';
import { clipsFor, type Bom, type BomLine } from '../bom';
import type { PortFit } from '../clearance';
import type { System } from '../system';
import type { Run } from '../tubing';
import { formatMillimetres } from '../units';
import { counted, msg, worded, noted, someOf } from '../messages';
import type { CautionId, Minutes, Step, StepKind } from './step';
import { assemblyOrder, orderTroubles, waysOfAll, type Turn } from './order';
import { DRIVER_MM, hiddenBy, NUT_MM, PLUG_MM, type Reach } from './reach';
import { PLUGS, unitsOf } from './unit';
import { metOnWayIn } from './wayIn';

/** Hours of a test with water, pump alone (common practice, no source). */
export const WATER_TEST_H = 24;
/** Hours that an air test is watched at least (common practice, no source). */
export const AIR_TEST_H = 0.5;

/** Hand work by kind; runs by their bends besides. */
const MINUTES: Readonly<Record<StepKind, Minutes>> = {
  'test dry': { beginner: 120, practised: 45 },
  strip: { beginner: 45, practised: 20 },
  flush: { beginner: 25, practised: 15 },
  mount: { beginner: 20, practised: 10 },
  block: { beginner: 30, practised: 15 },
  plug: { beginner: 30, practised: 15 },
  join: { beginner: 10, practised: 4 },
  run: { beginner: 15, practised: 6 },
  caps: { beginner: 10, practised: 5 },
  'air test': { beginner: 30, practised: 15 },
  fill: { beginner: 60, practised: 30 },
  'water test': { beginner: 30, practised: 15 },
  close: { beginner: 15, practised: 10 },
  'first run': { beginner: 90, practised: 70 },
};
const BY_BEND: Minutes = { beginner: 25, practised: 8 };

/** What the steps are derived from. */
export interface AssemblyInputs {
  readonly system: System;
  readonly runs: readonly Run[];
  readonly bom: Pick<Bom, 'lines'>;
  /** Room for fingers at every port. */
  readonly portFits: readonly PortFit[];
  /** Parts in the order the builder chose; the one worked out where not given. */
  readonly order?: readonly ComponentId[];
}

/** Every step from the boxes on the table to the first run, in an order that traps nothing. */
export function assemblySteps(inputs: AssemblyInputs): readonly Step[] {
  const { system } = inputs;
  const { design } = system;
  const turns = turnsOf(inputs);
  const made = new Maker(inputs);
  const prepared = [...testDry(made), ...strips(made), ...flushes(made)];
  const mounted = turns.flatMap((turn) => mountSteps(made, turn));
  const standing = mounted.map((s) => s.id);
  const joined = joinSteps(made, standing);
  const loops = design.loops.flatMap((loop) =>
    loopSteps(made, loop, [...standing, ...joined.map((s) => s.id)]),
  );
  return [...prepared, ...mounted, ...joined, ...loops, ...lastSteps(made, loops)];
}

/** Turns as worked out, or as the builder chose with what that breaks. */
function turnsOf({ system, order }: AssemblyInputs): readonly Turn[] {
  const units = unitsOf(system);
  const ways = waysOfAll(system, units);
  const own = assemblyOrder(system, units, ways);
  if (!order) return own;
  const rank = new Map(order.map((id, i) => [id, i] as const));
  const chosen = [...own].sort(
    (a, b) => (rank.get(a.unit.id) ?? Infinity) - (rank.get(b.unit.id) ?? Infinity),
  );
  const troubles = orderTroubles(
    system,
    units,
    chosen.map((t) => t.unit.id),
    ways,
  );
  return chosen.map((turn) => {
    const broken = troubles.filter((t) => t.unit === turn.unit.id);
    const shut = broken.find((t) => t.kind === 'shut out'),
      needs = broken.find((t) => t.kind === 'needs');
    return {
      ...turn,
      way: shut ? null : turn.way,
      trappedBy: shut?.by ?? [],
      ...(needs ? { lacks: needs.by } : {}),
    };
  });
}

/** Makes steps with what the list has for them. */
class Maker {
  readonly design: Design;
  readonly system: System;
  readonly runs: readonly Run[];
  private readonly lines: Bom['lines'];
  private readonly portFits: readonly PortFit[];

  constructor({ system, runs, bom, portFits }: AssemblyInputs) {
    this.design = system.design;
    this.system = system;
    this.runs = runs;
    this.lines = bom.lines;
    this.portFits = portFits;
  }

  /** What to do where fingers do not get round what is screwed into these ports. */
  fingersAt(ports: (fit: PortFit) => boolean): readonly string[] {
    return this.portFits
      .filter((fit) => fit.verdict === 'marginal' && ports(fit))
      .map(
        (fit) =>
          msg`${fit.fitting} at ${fit.name}: ${formatMillimetres(fit.gap_mm)} for fingers beside
            ${fit.with ?? msg`what is near`}. Screw it in before its part goes in, or take a
            key.`,
      );
  }

  nameOf(id: string): string {
    return componentName(this.design, id);
  }

  /** A step; minutes by its kind and `more`, parts and tools from the lines that its subjects asked for. */
  step(
    kind: StepKind,
    id: string,
    subjects: readonly string[],
    words: { readonly title: string; readonly why: string; readonly how: readonly string[] },
    rest: {
      readonly needs?: readonly string[];
      readonly cautions?: readonly CautionId[];
      readonly waits_h?: number;
      readonly more?: Minutes;
      readonly trapped?: string | null;
      readonly unit?: string;
    } = {},
  ): Step {
    const own = this.lines.filter(
      (l) => l.for.some((f) => subjects.includes(f)) && wanted(kind, l.kind),
    );
    const { beginner, practised } = MINUTES[kind];
    return {
      id,
      kind,
      subjects,
      ...words,
      parts: own
        .filter((l) => !l.tool)
        .map(({ name, quantity, for: asked }) => ({
          name,
          // Shared with other steps: how many of them this one takes the list does not say.
          quantity: asked.every((f) => subjects.includes(f)) ? quantity : null,
        })),
      tools: own.filter((l) => l.tool).map((l) => l.name),
      cautions: rest.cautions ?? [],
      minutes: {
        beginner: beginner + (rest.more?.beginner ?? 0),
        practised: practised + (rest.more?.practised ?? 0),
      },
      waits_h: rest.waits_h ?? 0,
      needs: rest.needs ?? [],
      unit: rest.unit ?? null,
      trapped: rest.trapped ?? null,
    };
  }
}

/** Nothing of the list is used up at these. */
const BARE_HANDS: readonly StepKind[] = ['test dry', 'strip', 'close', 'first run'];

/** Which lines of a part a step is about: what it is flushed with is not wanted to mount it. */
function wanted(step: StepKind, line: BomLine['kind']): boolean {
  if (BARE_HANDS.includes(step)) return false;
  if (step === 'flush') return line === 'consumable';
  return step !== 'mount' || line !== 'consumable';
}

const DRY = 'dry';

const testDry = (m: Maker): readonly Step[] => [
  m.step(
    'test dry',
    DRY,
    m.design.components
      .filter((c) => ['processor', 'card', 'board', 'memory', 'supply'].includes(c.part.kind))
      .map((c) => c.id),
    {
      title: msg`Unpack, count, and test the hardware dry`,
      why: msg`What is faulty goes back while it can: once a cooler is off or a part is wet,
        many makers and shops take nothing back.`,
      how: [
        msg`Count everything against the list; report what is missing today.`,
        msg`Run the machine on its own coolers for an hour: every fan, every stick, every card.`,
        msg`Note return windows of used goods.`,
      ],
    },
    { cautions: ['warranty', 'mains'] },
  ),
];

/** What a block takes the place of. */
const hostOf = (m: Maker, block: Component): Component | null =>
  block.placement.on === 'component'
    ? (findComponent(m.design, block.placement.component) ?? null)
    : null;

const blocksOf = (m: Maker): readonly Component[] =>
  m.design.components.filter((c) => c.part.kind === 'block');

const stripId = (host: string): string => msg`strip ${host}`;

const strips = (m: Maker): readonly Step[] =>
  blocksOf(m).flatMap((block): Step[] => {
    const host = hostOf(m, block);
    return host
      ? [
          m.step(
            'strip',
            stripId(host.id),
            [host.id],
            {
              title: msg`Take the old cooler off ${host.name}`,
              why: msg`Its pads and screws are wanted again for warranty, for resale, or to go
                back.`,
              how: [
                msg`Photograph it before the first screw, and again with the cooler off.`,
                msg`Loosen the screws crosswise, a turn at a time; put each set in a labelled bag.`,
                msg`Measure the old pads: the block wants the thickness its own sheet names.`,
                msg`Clean with isopropyl alcohol until the cloth stays white.`,
              ],
            },
            { needs: [DRY], cautions: ['warranty', 'mains'] },
          ),
        ]
      : [];
  });

const flushId = (radiator: string): string => msg`flush ${radiator}`;

const flushes = (m: Maker): readonly Step[] =>
  m.design.components
    .filter((c) => c.part.kind === 'radiator')
    .map((c) =>
      m.step('flush', flushId(c.id), [c.id], {
        title: msg`Flush ${c.name}`,
        why: msg`Flux and filings from the making clog the narrow channels of blocks.`,
        how: [
          msg`Fill it half with hot tap water, close two ports with a thumb and plug, shake it,
            and pour through a white cloth.`,
          msg`Again until the cloth stays clean; then twice with distilled water, and drain it
            well.`,
        ],
      }),
    );

const mountId = (unit: string): string => msg`mount ${unit}`;
const PLUG = 'plug';
const idOfUnit = (unit: string): string => (unit === PLUGS ? PLUG : mountId(unit));

/** The step of a unit, and before it that of the block it carries. */
function mountSteps(m: Maker, turn: Turn): readonly Step[] {
  const { unit } = turn;
  if (unit.kind === 'plugs') return [plugStep(m, turn)];
  const root = findComponent(m.design, unit.id);
  if (!root) return [];
  const carried = unit.components
    .map((id) => findComponent(m.design, id))
    .flatMap((c) => (c && c.part.kind === 'block' && c.id !== unit.id ? [c] : []));
  const onTable = carried.map((block) => blockStep(m, block, []));
  const needs = [
    ...unit.hosts.map(idOfUnit),
    ...(unit.kind === 'radiator' ? [flushId(unit.id)] : []),
    ...onTable.map((s) => s.id),
  ];
  if (root.part.kind === 'block') return [blockStep(m, root, needs, turn)];
  return [
    ...onTable,
    m.step(
      'mount',
      mountId(unit.id),
      unit.components,
      {
        title: mountTitle(m, turn, root),
        why: whyOf(m, turn),
        how: [...mountHow(m, turn, root), ...wayWords(turn)],
      },
      { needs, cautions: ['mains'], trapped: trappedWords(m, turn), unit: unit.id },
    ),
  ];
}

function mountTitle(m: Maker, { unit }: Turn, root: Component): string {
  const withIt = unit.components
    .map((id) => findComponent(m.design, id))
    .flatMap((c) => (c && c.id !== root.id && c.part.kind !== 'block' ? [c.name] : []));
  return withIt.length > 0
    ? msg`Put in ${root.name} with ${listed(withIt)}`
    : msg`Put in ${root.name}`;
}

function mountHow(m: Maker, { unit }: Turn, root: Component): readonly string[] {
  const { part, placement } = root;
  if (part.kind === 'radiator') {
    const fans = unit.components
      .map((id) => findComponent(m.design, id))
      .flatMap((c) => (c?.part.kind === 'fan' ? [c] : []));
    const air = placement.on === 'mount' ? placement.air : 'in';
    return [
      ...fans.map(
        (f) =>
          msg`${f.name}: the air goes ${air === 'in' ? msg`into` : msg`out of`} the case; turn
            the cables towards the board's fan headers.`,
      ),
      msg`Try every screw by hand first: one that is too long pierces a tube. See the screw
        table in Case for which.`,
      msg`Seat all screws, then tighten crosswise.`,
    ];
  }
  if (part.kind === 'board')
    return [
      msg`Stand-offs where the board has holes, and nowhere else.`,
      msg`Processor and memory are in it already; touch bare metal first.`,
    ];
  if (part.kind === 'fan') return [msg`Turn its cable towards the header; air as its arrow says.`];
  if (part.kind === 'pump' || part.kind === 'reservoir')
    return [
      msg`On its bracket or soft feet: what is screwed hard to sheet metal is heard.`,
      msg`Leave the last turn of the screws until its runs fit.`,
    ];
  if (part.kind === 'card')
    return [msg`Support it: with its block it is heavier than the slot likes.`];
  return [];
}

/** Which way it comes in, where that is not straight from the open side. */
function wayWords({ way }: Turn): readonly string[] {
  if (!way?.last) return [];
  const { axis, sign, by_mm } = way.last;
  const from = (
    [
      [axis === 0 && sign < 0, msg`towards the front`],
      [axis === 0 && sign > 0, msg`towards the rear`],
      [axis === 1 && sign < 0, 'up'],
      [axis === 1 && sign > 0, 'down'],
    ] as const
  ).find(([is]) => is)?.[1];
  return from
    ? [
        msg`Bring it in from the open side, ${formatMillimetres(by_mm)} short of its place; then
          move it ${from}.`,
      ]
    : [];
}

/** What tools and fingers take beside their middle, mm. */
const TAKES: Readonly<Record<Reach['kind'], readonly [who: string, mm: number]>> = worded(() => ({
  driver: [msg`a driver`, DRIVER_MM],
  nut: ['fingers', NUT_MM],
  plug: [msg`a hand with the plug`, PLUG_MM],
}));

const usual = () =>
  msg`Where screws and plugs sit is taken from the standard, or from what is usual: look at yours.`;

/** "Top radiator: it stands over the screw at its rear top corner." Null where it hides nothing. */
function hiddenWords(m: Maker, reaches: readonly Reach[], id: string): string | null {
  const [least, ...others] = [...hiddenBy(reaches, id)].sort((a, b) => a.left_mm - b.left_mm);
  if (!least) return null;
  const [who, mm] = TAKES[least.reach.kind];
  const above = someOf(
    [least, ...others].map((r) => r.reach.name),
    1,
  );
  const how =
    least.left_mm < 0.5
      ? msg`it is above ${above}`
      : msg`it leaves ${formatMillimetres(least.left_mm)} beside ${above};
        ${who} needs ${formatMillimetres(mm)}`;
  return `${m.nameOf(id)}: ${how}.`;
}

function whyOf(m: Maker, { unit, before, reaches }: Turn): string {
  const late = before.filter(
    (id) => !m.design.components.some((c) => c.id === id && hangsOn(m, c, unit.id)),
  );
  if (late.length > 0) {
    const shut = late.filter((id) => hiddenBy(reaches, id).length === 0).map((id) => m.nameOf(id));
    const hiding = late.flatMap((id) => hiddenWords(m, reaches, id) ?? []);
    const brings = msg`with ${shut.length > 1 ? msg`those` : msg`that`} in its place nothing
      brings it in any more.`;
    return [
      ...(shut.length > 0 ? [msg`Before ${listed(shut)}: ${brings}`] : []),
      ...hiding.map((words) => msg`Before ${words}`),
      ...(hiding.length > 0 ? [usual()] : []),
    ].join(' ');
  }
  if (unit.hosts.length > 0)
    return msg`After ${listed(unit.hosts.map((h) => m.nameOf(h)))}, which carries it.`;
  return msg`It goes in past everything that stands by now, and shuts nothing out.`;
}

const hangsOn = (m: Maker, { id }: Component, host: string): boolean =>
  m.system.mates.hostsOf(id).includes(host);

function trappedWords(m: Maker, { unit, way, trappedBy, lacks, reaches }: Turn): string | null {
  if (lacks && lacks.length > 0)
    return msg`${listed(lacks.map((id) => m.nameOf(id)))} must be in before it.`;
  if (way !== null) return null;
  if (trappedBy.length === 0)
    return msg`No straight path brings it in past the cages of the case: take one out, or try
      tilting it.`;
  const names = listed(trappedBy.map((id) => m.nameOf(id)));
  const hiding = trappedBy.flatMap((id) => hiddenWords(m, reaches, id) ?? []);
  if (hiding.length > 0) return msg`Take out again for it ${hiding.join(' ')} ${usual()}`;
  return unit.yields
    ? msg`Fingers do not reach the plugs past ${names}.`
    : msg`With ${names} in its place nothing brings it in: take that out again for it, or tilt it.`;
}

const plugStep = (m: Maker, turn: Turn): Step =>
  m.step(
    'plug',
    PLUG,
    m.design.components
      .filter((c) => c.part.kind === 'supply' || c.part.kind === 'board')
      .map((c) => c.id),
    {
      title: msg`Plug in the power cables, and route the rest`,
      why:
        turn.before.length > 0
          ? msg`Before ${listed(turn.before.map((id) => m.nameOf(id)))}: fingers no longer reach
            the plugs behind ${turn.before.length > 1 ? msg`them` : msg`it`}.`
          : msg`Before the tubes: a cable pulled past a tube loosens its fittings.`,
      how: [
        msg`Processor, board, cards, drives; then fans and pump to their headers.`,
        msg`Lead them behind the tray and leave slack where a part is still to be moved.`,
        msg`Where plugs sit is taken from what boards usually have; look at yours.`,
      ],
    },
    {
      needs: turn.unit.hosts.map(mountId),
      cautions: ['mains'],
      unit: turn.unit.id,
      trapped: trappedWords(m, turn),
    },
  );

/** A block on what it cools: paste or pads, screws crosswise. */
function blockStep(m: Maker, block: Component, needs: readonly string[], turn?: Turn): Step {
  const host = hostOf(m, block);
  const pads = block.part.kind === 'block' && !block.part.cools.includes('processor');
  return m.step(
    'block',
    msg`block ${block.id}`,
    [block.id],
    {
      title: msg`Put ${block.name} on ${host?.name ?? msg`what it cools`}`,
      why: turn
        ? whyOf(m, turn)
        : msg`On the table, before it goes in: it is turned over for its screws.`,
      how: [
        msg`Clean both faces with isopropyl alcohol; do not touch them again.`,
        pads
          ? msg`Pads by the thickness its sheet names, film off on both sides; paste on the chip
            itself.`
          : msg`Paste as its maker says: a pea in the middle, or spread thin.`,
        msg`Washers in the order of its sheet. Tighten crosswise, half a turn at a time, until
          it stops; no farther.`,
      ],
    },
    {
      needs: [...needs, ...(host ? [stripId(host.id)] : [])],
      cautions: ['warranty'],
      trapped: turn ? trappedWords(m, turn) : null,
      ...(turn ? { unit: block.id } : {}),
    },
  );
}

/** Ports screwed straight into each other. */
const joinSteps = (m: Maker, standing: readonly string[]): readonly Step[] =>
  m.runs
    .filter((r) => r.by === 'direct')
    .map((r) =>
      m.step(
        'join',
        msg`join ${r.id}`,
        [r.id],
        {
          title: msg`Screw ${r.endNames.from} and ${r.endNames.to} together`,
          why: msg`While neither is held by a tube: both must be able to give.`,
          how: [msg`O-rings wet with water; by hand until it stops, then an eighth of a turn.`],
        },
        { needs: standing.filter((s) => endsOf(m, r).some((id) => s.endsWith(` ${id}`))) },
      ),
    );

const endsOf = (m: Maker, { from, to }: Run): readonly string[] =>
  [from.component, to.component].flatMap((id) => [id, ...m.system.mates.hostsOf(id)]);

/** Runs of a loop by difficulty, its caps, its tests and its filling. */
function loopSteps(m: Maker, loop: Loop, standing: readonly string[]): readonly Step[] {
  const runs = m.runs
    .filter((r) => r.loop === loop.id && r.by === 'tube')
    .sort((a, b) => a.bends - b.bends || a.cut_mm - b.cut_mm || a.id.localeCompare(b.id))
    .map((r) => runStep(m, r, standing));
  if (runs.length === 0) return [];
  const caps = capStep(
    m,
    loop,
    runs.map((s) => s.id),
  );
  const air = m.step(
    'air test',
    msg`air ${loop.id}`,
    [loop.id],
    {
      title: msg`Test ${loop.name} with air`,
      why: msg`A leak found with air costs a quarter turn; found with coolant, a board.`,
      how: [
        msg`Pump to the pressure the test panel names, never above it, and read gauge and room
          for as long as it says.`,
        msg`Hiss? Wet the joints with soapy water by brush, outside the machine only.`,
      ],
    },
    { needs: [caps.id], cautions: ['air'], waits_h: AIR_TEST_H },
  );
  const fill = m.step(
    'fill',
    msg`fill ${loop.id}`,
    [loop.id],
    {
      title: msg`Fill ${loop.name}`,
      why: msg`With nothing powered but the pump: what drips now dries.`,
      how: [
        msg`Paper under every joint. Follow the fill plan: pour, run the pump for as long as it
          says, stop, top up.`,
        msg`Tilt the case as the plan says to free the pockets of air.`,
      ],
    },
    { needs: [air.id], cautions: ['coolant', 'mains', 'leaks'] },
  );
  const water = m.step(
    'water test',
    msg`water ${loop.id}`,
    [loop.id],
    {
      title: msg`Let ${loop.name} run, pump alone`,
      why: msg`Some joints weep only after hours.`,
      how: [
        msg`Look at the paper after 10 minutes, 1 hour, 4 hours and in the morning;
          ${WATER_TEST_H} hours in all.`,
        msg`Retighten compression fittings by hand when cold, and again after the first hot run.`,
        msg`A soft tube that turns while one end is tightened unwinds the other: hold it.`,
      ],
    },
    { needs: [fill.id], cautions: ['leaks', 'mains'], waits_h: WATER_TEST_H },
  );
  return [...runs, caps, air, fill, water];
}

function runStep(m: Maker, run: Run, standing: readonly string[]): Step {
  const ends = endsOf(m, run);
  return m.step(
    'run',
    msg`run ${run.id}`,
    [run.id],
    {
      title: `${run.tube.hard ? msg`Bend and put in` : msg`Cut and put in`} ${run.name}`,
      why:
        run.bends > 1
          ? msg`${counted(run.bends, '# bend', '# bends')}: after the easier ones, with the hand
            warm.`
          : msg`Easy ones first, for practice.`,
      how: [
        msg`Cut
          ${noted(formatMillimetres(run.cut_mm, 1), run.estimated && msg`estimated: measure`)};
          its sheet in Runs has every mark.`,
        ...putInWords(run, (id) => m.nameOf(id)),
        ...wayInWords(m, run),
        msg`O-rings wet with water. Push home, then tighten by hand, both ends by turns.`,
        ...clipWords(m, run),
        ...m.fingersAt((fit) =>
          [run.from, run.to].some((e) => e.component === fit.component && e.port === fit.port),
        ),
      ],
    },
    {
      needs: standing.filter((s) => ends.some((id) => s.endsWith(` ${id}`))),
      cautions: run.tube.hard ? ['cutting'] : [],
      more: run.tube.hard
        ? { beginner: run.bends * BY_BEND.beginner, practised: run.bends * BY_BEND.practised }
        : { beginner: 0, practised: 0 },
    },
  );
}

/** Where soft tube is held to its route, and by how many clips. */
function clipWords({ design }: Maker, run: Run): readonly string[] {
  const clips = clipsFor(design, run);
  return clips === 0
    ? []
    : [
        msg`Hold it to its drawn route with ${counted(clips, 'one clip', '# clips')}: left to itself
          it would lie otherwise.`,
      ];
}

/** What the tube would meet on its last move: it goes in first, or what is there gives way. */
function wayInWords(m: Maker, run: Run): readonly string[] {
  const met = metOnWayIn(m.system, m.runs, run).map(
    (id) =>
      m.runs.find((r) => r.id === id)?.name ??
      m.system.obstacles.find((o) => o.component === id)?.detail ??
      m.nameOf(id),
  );
  return met.length > 0
    ? [
        msg`On its way in it meets ${met.join(', ')}: put the tube in before, or ease that aside
          (boxes round parts, estimated).`,
      ]
    : [];
}

const capStep = (m: Maker, loop: Loop, needs: readonly string[]): Step =>
  m.step(
    'caps',
    msg`caps ${loop.id}`,
    [loop.id],
    {
      title: msg`Close every port of ${loop.name}`,
      why: msg`One open port is a fountain.`,
      how: [
        ...loop.caps.map((c) => `${m.nameOf(c.component)}, ${c.port}: ${CAP_WORDS[c.with]}.`),
        ...m.fingersAt((fit) =>
          loop.caps.some((c) => c.component === fit.component && c.port === fit.port),
        ),
        msg`Go round the loop with a finger on every joint; count them against the list.`,
      ],
    },
    { needs },
  );
const CAP_WORDS = worded(
  () => ({ plug: msg`plug`, drain: msg`drain valve, shut`, fill: 'fill cap' }) as const,
);

const lastSteps = (m: Maker, loops: readonly Step[]): readonly Step[] => {
  const needs = loops.filter((s) => s.kind === 'water test').map((s) => s.id);
  const close = m.step(
    'close',
    'close',
    [],
    {
      title: msg`Dry everything, plug the rest in, close the case`,
      why: msg`Only after the paper stayed dry.`,
      how: [
        msg`Everything is plugged in again and dry to the touch, slots and connectors too.`,
        msg`Carry it by its frame, never by radiators or tubes.`,
      ],
    },
    { needs, cautions: ['lifting', 'leaks', 'mains'] },
  );
  return [
    close,
    m.step(
      'first run',
      msg`first run`,
      [],
      {
        title: msg`First run: one hour under load`,
        why: msg`It shows whether the machine does what was promised.`,
        how: [
          msg`Follow the guided hour in Log: room, coolant, chips, speeds, flow, at rest and warm.`,
          msg`Retighten compression fittings once it is cold again, and top up to the mark.`,
        ],
      },
      { needs: [close.id], cautions: ['leaks'] },
    ),
  ];
};

const listed = (names: readonly string[]): string =>
  names.length < 2
    ? (names[0] ?? '')
    : msg`${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
