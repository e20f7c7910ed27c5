import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { teedTower } from '@/catalogue/teedTower.fixture';
import {
  applyEdit,
  EditError,
  emptyDesign,
  findComponent,
  freeId,
  loopOfComponent,
  type Design,
  type Edit,
  type EditKind,
  type Component,
} from '.';

const demo = demoDesign('dawn-chorus-desk') as Design;
const desk: Design = {
  ...demo,
  choices: { ...demo.choices, speeds: { quiet: { name: 'Quiet', speeds_rpm: { pump: 1800 } } } },
};
const loop = desk.loops[0] as Design['loops'][number];
const spare = {
  id: 'spare',
  name: 'Spare fan',
  part: catalogued('fan', 'fan-wren-120-1200'),
  placement: { on: 'unplaced' as const },
  settings: {},
};

/** One of every edit, on the same build: the table must stay complete. */
const EDITS: Record<EditKind, Edit> = {
  'kit.cables': { do: 'kit.cables', cables: [catalogued('cable', 'lead-split-3')] },
  'component.measured': {
    do: 'component.measured',
    component: 'top-radiator',
    measured: { against: 'air', points: [[150, 4, 18]], source: 'own bench' },
  },
  'component.rating': {
    do: 'component.rating',
    component: 'top-radiator',
    rating: { heat_W: 300, difference_K: 10, speed_rpm: 1800 },
  },
  'choices.profile': {
    do: 'choices.profile',
    profile: [
      { load: 'idle', seconds: 600 },
      { load: 'gaming', seconds: 1800 },
    ],
  },
  'design.rename': { do: 'design.rename', name: 'Night desk' },
  'brief.set': { do: 'brief.set', values: { room_C: 27, loadCase: 'render' } },
  'brief.limit': { do: 'brief.limit', values: { deltaT_K: 14, part_C: 80 } },
  'case.choose': { do: 'case.choose', case: catalogued('case', 'case-orrery-11') },
  'case.air': { do: 'case.air', air: { leakage_cm2: 30 } },
  'case.remove-obstacle': { do: 'case.remove-obstacle', obstacle: 'cage', removed: false },
  'component.add': { do: 'component.add', component: spare },
  'component.fill': { do: 'component.fill', component: 'reservoir', fill_mL: 120 },
  'component.remove': { do: 'component.remove', component: 'card-block' },
  'component.rename': { do: 'component.rename', component: 'pump', name: 'Heart' },
  'component.replace': {
    do: 'component.replace',
    component: 'pump',
    part: catalogued('pump', 'pump-brook-compact'),
  },
  'component.place': {
    do: 'component.place',
    component: 'top-radiator',
    placement: { on: 'unplaced' },
  },
  'component.set': { do: 'component.set', component: 'processor', values: { powerDraw_W: 160 } },
  'component.unset': { do: 'component.unset', component: 'pump', keys: ['speed_rpm'] },
  'component.curve': {
    do: 'component.curve',
    component: 'pump',
    of: 'head',
    points: [
      [0, 3],
      [10, 1],
    ],
    source: 'own bench',
  },
  'component.ratings': {
    do: 'component.ratings',
    component: 'pump',
    ratings: { head_m: 4, pressure_kPa: 150 },
  },
  'fans.speed': { do: 'fans.speed', speed_rpm: 900 },
  'loop.add': { do: 'loop.add', loop: { ...loop, id: 'second', connections: [], caps: [] } },
  'loop.remove': { do: 'loop.remove', loop: 'loop' },
  'loop.tube': {
    do: 'loop.tube',
    loop: 'loop',
    tube: catalogued('tube', 'tube-soft-13-10'),
    fitting: catalogued('fitting', 'fit-comp-13-10'),
  },
  'loop.fitting': {
    do: 'loop.fitting',
    loop: 'loop',
    fitting: catalogued('fitting', 'fit-comp-16-10-brass'),
  },
  'loop.coolant': {
    do: 'loop.coolant',
    loop: 'loop',
    coolant: catalogued('coolant', 'cool-distilled'),
    age_months: 3,
  },
  'loop.connections': {
    do: 'loop.connections',
    loop: 'loop',
    connections: loop.connections.slice(1),
  },
  'connection.add': {
    do: 'connection.add',
    loop: 'loop',
    connection: {
      id: 'extra',
      from: { component: 'pump', port: 'low' },
      to: { component: 'reservoir', port: 'top' },
      by: 'tube',
      ends: { from: 'auto', to: 'auto' },
    },
  },
  'connection.remove': {
    do: 'connection.remove',
    loop: 'loop',
    connection: loop.connections[1]?.id ?? '',
  },
  'connection.way': {
    do: 'connection.way',
    loop: 'loop',
    connection: loop.connections[1]?.id ?? '',
    constraints: { exit: [0, 1, 0], waypoints: [[null, 210, null]] },
  },
  'connection.clips': {
    do: 'connection.clips',
    loop: 'loop',
    connection: loop.connections[1]?.id ?? '',
    clipped: true,
  },
  'kit.consumables': { do: 'kit.consumables', consumables: [] },
  'inventory.set': { do: 'inventory.set', part: 'fit-plug', count: 3 },
  'list.extra': {
    do: 'list.extra',
    id: 'extra-1',
    extra: { name: 'Light strip', quantity: 2, price_minor: 1290, note: 'amber' },
  },
  'order.mark': {
    do: 'order.mark',
    part: 'fit-plug',
    mark: { state: 'ordered', shop: 'Weir Lane' },
  },
  'work.mark': { do: 'work.mark', step: 'dry', mark: { on: '2026-11-28T10:00:00Z' } },
  'work.note': { do: 'work.note', step: 'dry', note: 'two screws short' },
  'work.order': { do: 'work.order', order: ['board', 'pump'] },
  'work.plan': {
    do: 'work.plan',
    plan: { start: '2026-12-05', days: [0, 6], from_h: 10, to_h: 18, pace: 'beginner' },
  },
  'work.air-test': {
    do: 'work.air-test',
    loop: 'loop',
    test: {
      resolution_mbar: 5,
      readings: [{ on: '2026-11-28T10:00:00Z', gauge_mbar: 400, temp_C: 21 }],
    },
  },
  'work.reading': {
    do: 'work.reading',
    on: '2026-12-20T15:00:00Z',
    reading: {
      on: '2026-12-20T15:00:00Z',
      load: 'stress',
      room_C: 21,
      coolant_C: { loop: 33 },
      flow_Lmin: { loop: 2.4 },
      spots_C: { 'processor/die': 71 },
    },
  },
  'work.measured': {
    do: 'work.measured',
    measured: {
      on: '2026-12-20T16:00:00Z',
      readings: 4,
      radiators: 0.94,
      losses: 1.1,
      blocks: { 'processor-block': 1.2 },
    },
  },
  'work.service': {
    do: 'work.service',
    on: '2027-03-01T10:00:00Z',
    mark: { on: '2027-03-01T10:00:00Z', job: 'dust' },
  },
  'work.client': {
    do: 'work.client',
    client: { client: 'The rookery', rate_cents: 4500, tax: 0.19, due: '2027-01-15' },
  },
  'loop.test-bends': {
    do: 'loop.test-bends',
    loop: 'loop',
    bends: [{ set_deg: 90, left_deg: 86 }],
  },
  'route.radius': { do: 'route.radius', connection: 'run-2', corner: 0, radius_mm: 60 },
  'case.stands': { do: 'case.stands', up: '+z' },
  'speeds.keep': {
    do: 'speeds.keep',
    id: 'night',
    profile: { name: 'Night', speeds_rpm: { pump: 1500 } },
  },
  'speeds.use': { do: 'speeds.use', id: 'quiet' },
  'connection.tube': {
    do: 'connection.tube',
    loop: 'loop',
    connection: loop.connections[1]?.id ?? '',
    tube: { ...loop.tube, id: 'tube-of-its-own' },
    fitting: loop.fitting,
  },
  'loop.mandrels': {
    do: 'loop.mandrels',
    loop: 'loop',
    mandrels: { angles_deg: [45, 90], radii_mm: [30] },
  },
  'loop.routing': {
    do: 'loop.routing',
    loop: 'loop',
    routing: { style: 'free', weights: { bend_mm: 30 } },
  },
  'connection.ends': {
    do: 'connection.ends',
    loop: 'loop',
    connection: loop.connections[1]?.id ?? '',
    ends: { from: 'rotary90', to: 'straight' },
  },
  'cap.set': {
    do: 'cap.set',
    loop: 'loop',
    port: { component: 'pump', port: 'low' },
    with: 'plug',
  },
  'kit.set': { do: 'kit.set', duty: 'plug', fitting: catalogued('fitting', 'fit-plug-low') },
  'kit.screws': { do: 'kit.screws', screws: [] },
  batch: {
    do: 'batch',
    edits: [
      { do: 'design.rename', name: 'Two at once' },
      { do: 'fans.speed', speed_rpm: 800 },
    ],
  },
  'layout.set': {
    do: 'layout.set',
    routes: { 'run-2': null },
    noRoute: { 'run-2': { blockedBy: 'Sheet', wouldFit: null } },
  },
  'route.pin': { do: 'route.pin', connection: 'run-2', pinned: true },
  patch: { do: 'patch', patches: [{ op: 'replace', path: ['name'], value: 'Patched' }] },
};

describe('edits', () => {
  test.each(Object.entries(EDITS))(
    '%s changes the build and can be taken back and done again',
    (_, edit) => {
      const before = JSON.stringify(desk);
      const done = applyEdit(desk, edit);
      expect(JSON.stringify(done.design)).not.toBe(before);
      expect(JSON.stringify(desk)).toBe(before);
      const undone = applyEdit(done.design, done.inverse);
      expect(undone.design).toEqual(desk);
      expect(applyEdit(undone.design, undone.inverse).design).toEqual(done.design);
    },
  );

  test('edits are plain data: they survive JSON', () => {
    for (const edit of Object.values(EDITS)) {
      const travelled = JSON.parse(JSON.stringify(edit)) as Edit;
      expect(applyEdit(desk, travelled).design).toEqual(applyEdit(desk, edit).design);
    }
  });

  test.each([
    [{ do: 'component.remove', component: 'ghost' }, 'components.ghost'],
    [{ do: 'loop.remove', loop: 'ghost' }, 'loops.ghost'],
    [
      {
        do: 'connection.ends',
        loop: 'loop',
        connection: 'ghost',
        ends: { from: 'auto', to: 'auto' },
      },
      'loops.loop.connections.ghost',
    ],
    [{ do: 'component.add', component: { ...spare, id: 'pump' } }, 'components.pump'],
    [{ do: 'loop.add', loop }, 'loops.loop'],
    [{ do: 'component.replace', component: 'pump', part: spare.part }, 'components.pump.part'],
    [
      { do: 'component.curve', component: 'card-block', of: 'head', points: [] },
      'components.card-block.part',
    ],
    [
      { do: 'component.curve', component: 'card-block', of: 7, points: [] },
      'components.card-block.part.passages',
    ],
    [
      { do: 'component.ratings', component: 'card-block', ratings: {} },
      'components.card-block.part',
    ],
  ] as readonly (readonly [Edit, string])[])('%j is refused with its place', (edit, place) => {
    try {
      applyEdit(desk, edit);
      throw new Error('it was taken');
    } catch (error) {
      expect(error).toBeInstanceOf(EditError);
      expect((error as EditError).place).toBe(place);
    }
  });

  test('a part taken out joins what was before and after it, and its fans go with a radiator', () => {
    const out = applyEdit(desk, { do: 'component.remove', component: 'card-block' }).design;
    expect(
      out.loops[0]?.connections.some(
        (l) => l.from.component === 'pump' && l.to.component === 'processor-block',
      ),
    ).toBe(true);
    const bare = applyEdit(desk, { do: 'component.remove', component: 'front-radiator' }).design;
    expect(findComponent(bare, 'front-fans')).toBeUndefined();
    expect(
      bare.loops[0]?.connections.some(
        (l) => l.from.component === 'front-radiator' || l.to.component === 'front-radiator',
      ),
    ).toBe(false);
  });

  test('one of two parts side by side taken out: its branch and both tees go, the other stays in the row', () => {
    const out = applyEdit(teedTower, { do: 'component.remove', component: 'card-block-b' }).design;
    expect(out.components.filter((i) => i.part.kind === 'inline' && i.part.duty === 'tee')).toEqual(
      [],
    );
    const connections = out.loops[1]?.connections ?? [];
    expect(connections.find((l) => l.to.component === 'card-block-a')?.from.component).toBe(
      'floor-radiator',
    );
    expect(connections.find((l) => l.from.component === 'card-block-a')?.to.component).toBe(
      'top-radiator',
    );
    expect(new Set(connections.map((l) => l.id)).size).toBe(connections.length);
  });

  test('a case without a mount sends what hung there to the bench', () => {
    const small = applyEdit(desk, EDITS['case.choose']).design;
    expect(findComponent(small, 'front-radiator')?.placement).toEqual({ on: 'unplaced' });
    expect(findComponent(small, 'top-radiator')?.placement.on).toBe('mount');
    expect(small.choices.removed).toEqual([]);
  });

  test("fan speed is held inside each fan's range", () => {
    const fast = applyEdit(desk, { do: 'fans.speed', speed_rpm: 9000 }).design;
    for (const i of fast.components)
      if (i.part.kind === 'fan') expect(i.settings.speed_rpm).toBe(i.part.fullSpeed_rpm);
  });

  test('a run onto a capped port takes the cap off', () => {
    const added = applyEdit(desk, EDITS['connection.add']).design;
    expect(added.loops[0]?.caps.some((c) => c.component === 'reservoir' && c.port === 'top')).toBe(
      false,
    );
  });

  test('a part replaced keeps the runs whose ports it has', () => {
    const other = applyEdit(desk, EDITS['component.replace']).design;
    expect(other.loops[0]?.connections).toEqual(loop.connections);
  });
});

describe('finding things', () => {
  test('free ids', () => {
    expect(freeId(['run', 'run-2'], 'run')).toBe('run-3');
    expect(freeId([], 'run')).toBe('run');
  });

  test('the loop of a component', () => {
    expect(loopOfComponent(desk, 'pump')?.id).toBe('loop');
    expect(loopOfComponent(desk, 'memory')).toBeUndefined();
  });

  test('an empty build has everything but parts', () => {
    const empty = emptyDesign('New', STANDARD_KIT);
    expect(empty.components).toEqual([]);
    expect(empty.case).toBeNull();
    expect(CATALOGUE.length).toBeGreaterThan(100);
  });

  test('an edit may be applied again: what it brings in is copied, not handed over', () => {
    const pump = desk.components.find((i) => i.part.kind === 'pump') as Component;
    const edit: Edit = {
      do: 'batch',
      edits: [
        { do: 'component.add', component: { ...pump, id: 'again', settings: {} } },
        { do: 'component.set', component: 'again', values: { speed_rpm: 2000 } },
      ],
    };
    const before = JSON.stringify(edit);
    const once = applyEdit(desk, edit).design,
      twice = applyEdit(desk, edit).design;
    expect(JSON.stringify(edit)).toBe(before);
    expect(twice).toEqual(once);
    expect(findComponent(twice, 'again')?.settings.speed_rpm).toBe(2000);
  });
});
