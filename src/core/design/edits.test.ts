import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoBuild, STANDARD_KIT } from '@/catalogue';
import {
  applyEdit,
  EditError,
  emptyBuild,
  findItem,
  freeId,
  loopOfItem,
  type Build,
  type Edit,
  type EditKind,
  type Item,
} from '.';

const desk = demoBuild('dawn-chorus-desk') as Build;
const loop = desk.loops[0] as Build['loops'][number];
const spare = {
  id: 'spare',
  name: 'Spare fan',
  part: catalogued('fan', 'fan-wren-120-1200'),
  placement: { on: 'bench' as const },
  settings: {},
};

/** One of every edit, on the same build: the table must stay complete. */
const EDITS: Record<EditKind, Edit> = {
  'kit.leads': { do: 'kit.leads', leads: [catalogued('lead', 'lead-split-3')] },
  'item.measured': {
    do: 'item.measured',
    item: 'top-radiator',
    measured: { against: 'air', points: [[150, 4, 18]], source: 'own bench' },
  },
  'item.rating': {
    do: 'item.rating',
    item: 'top-radiator',
    rating: { heat_W: 300, difference_K: 10, speed_rpm: 1800 },
  },
  'choices.profile': {
    do: 'choices.profile',
    profile: [
      { load: 'idle', seconds: 600 },
      { load: 'play', seconds: 1800 },
    ],
  },
  'build.rename': { do: 'build.rename', name: 'Night desk' },
  'brief.set': { do: 'brief.set', values: { room_C: 27, loadCase: 'render' } },
  'brief.limit': { do: 'brief.limit', values: { rise_K: 14, part_C: 80 } },
  'case.choose': { do: 'case.choose', case: catalogued('case', 'case-orrery-11') },
  'case.remove-obstacle': { do: 'case.remove-obstacle', obstacle: 'cage', removed: false },
  'item.add': { do: 'item.add', item: spare },
  'item.remove': { do: 'item.remove', item: 'card-block' },
  'item.rename': { do: 'item.rename', item: 'pump', name: 'Heart' },
  'item.replace': {
    do: 'item.replace',
    item: 'pump',
    part: catalogued('pump', 'pump-brook-compact'),
  },
  'item.place': { do: 'item.place', item: 'top-radiator', placement: { on: 'bench' } },
  'item.set': { do: 'item.set', item: 'processor', values: { draw_W: 160 } },
  'item.unset': { do: 'item.unset', item: 'pump', keys: ['speed_rpm'] },
  'item.curve': {
    do: 'item.curve',
    item: 'pump',
    of: 'head',
    points: [
      [0, 3],
      [10, 1],
    ],
    source: 'own bench',
  },
  'item.ratings': { do: 'item.ratings', item: 'pump', ratings: { head_m: 4, pressure_kPa: 150 } },
  'fans.speed': { do: 'fans.speed', speed_rpm: 900 },
  'loop.add': { do: 'loop.add', loop: { ...loop, id: 'second', links: [], caps: [] } },
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
  'loop.links': { do: 'loop.links', loop: 'loop', links: loop.links.slice(1) },
  'link.add': {
    do: 'link.add',
    loop: 'loop',
    link: {
      id: 'extra',
      from: { item: 'pump', port: 'low' },
      to: { item: 'reservoir', port: 'top' },
      by: 'tube',
      ends: { from: 'auto', to: 'auto' },
    },
  },
  'link.remove': { do: 'link.remove', loop: 'loop', link: loop.links[1]?.id ?? '' },
  'link.way': {
    do: 'link.way',
    loop: 'loop',
    link: loop.links[1]?.id ?? '',
    way: { leave: [0, 1, 0], via: [[null, 210, null]] },
  },
  'kit.sundries': { do: 'kit.sundries', sundries: [] },
  'drawer.set': { do: 'drawer.set', part: 'fit-plug', count: 3 },
  'order.mark': {
    do: 'order.mark',
    part: 'fit-plug',
    mark: { state: 'ordered', shop: 'Weir Lane' },
  },
  'loop.test-bend': { do: 'loop.test-bend', loop: 'loop', bend: { set_deg: 90, left_deg: 86 } },
  'link.ends': {
    do: 'link.ends',
    loop: 'loop',
    link: loop.links[1]?.id ?? '',
    ends: { from: 'rotary90', to: 'straight' },
  },
  'cap.set': { do: 'cap.set', loop: 'loop', port: { item: 'pump', port: 'low' }, with: 'plug' },
  'kit.set': { do: 'kit.set', duty: 'plug', fitting: catalogued('fitting', 'fit-plug-low') },
  'kit.screws': { do: 'kit.screws', screws: [] },
  batch: {
    do: 'batch',
    edits: [
      { do: 'build.rename', name: 'Two at once' },
      { do: 'fans.speed', speed_rpm: 800 },
    ],
  },
  'layout.set': {
    do: 'layout.set',
    routes: { 'run-2': null },
    noWay: { 'run-2': { blockedBy: 'Sheet', wouldFit: null } },
  },
  'route.pin': { do: 'route.pin', link: 'run-2', pinned: true },
  patch: { do: 'patch', patches: [{ op: 'replace', path: ['name'], value: 'Patched' }] },
};

describe('edits', () => {
  test.each(Object.entries(EDITS))(
    '%s changes the build and can be taken back and done again',
    (_, edit) => {
      const before = JSON.stringify(desk);
      const done = applyEdit(desk, edit);
      expect(JSON.stringify(done.build)).not.toBe(before);
      expect(JSON.stringify(desk)).toBe(before);
      const undone = applyEdit(done.build, done.inverse);
      expect(undone.build).toEqual(desk);
      expect(applyEdit(undone.build, undone.inverse).build).toEqual(done.build);
    },
  );

  test('edits are plain data: they survive JSON', () => {
    for (const edit of Object.values(EDITS)) {
      const travelled = JSON.parse(JSON.stringify(edit)) as Edit;
      expect(applyEdit(desk, travelled).build).toEqual(applyEdit(desk, edit).build);
    }
  });

  test.each([
    [{ do: 'item.remove', item: 'ghost' }, 'items.ghost'],
    [{ do: 'loop.remove', loop: 'ghost' }, 'loops.ghost'],
    [
      { do: 'link.ends', loop: 'loop', link: 'ghost', ends: { from: 'auto', to: 'auto' } },
      'loops.loop.links.ghost',
    ],
    [{ do: 'item.add', item: { ...spare, id: 'pump' } }, 'items.pump'],
    [{ do: 'loop.add', loop }, 'loops.loop'],
    [{ do: 'item.replace', item: 'pump', part: spare.part }, 'items.pump.part'],
    [{ do: 'item.curve', item: 'card-block', of: 'head', points: [] }, 'items.card-block.part'],
    [{ do: 'item.curve', item: 'card-block', of: 7, points: [] }, 'items.card-block.part.passages'],
    [{ do: 'item.ratings', item: 'card-block', ratings: {} }, 'items.card-block.part'],
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
    const out = applyEdit(desk, { do: 'item.remove', item: 'card-block' }).build;
    expect(
      out.loops[0]?.links.some((l) => l.from.item === 'pump' && l.to.item === 'processor-block'),
    ).toBe(true);
    const bare = applyEdit(desk, { do: 'item.remove', item: 'front-radiator' }).build;
    expect(findItem(bare, 'front-fans')).toBeUndefined();
    expect(
      bare.loops[0]?.links.some(
        (l) => l.from.item === 'front-radiator' || l.to.item === 'front-radiator',
      ),
    ).toBe(false);
  });

  test('one of two parts side by side taken out: its branch and both tees go, the other stays in the row', () => {
    const tower = demoBuild('fenland-flood-tower') as Build;
    const out = applyEdit(tower, { do: 'item.remove', item: 'card-block-b' }).build;
    expect(out.items.filter((i) => i.part.kind === 'inline' && i.part.duty === 'tee')).toEqual([]);
    const links = out.loops[1]?.links ?? [];
    expect(links.find((l) => l.to.item === 'card-block-a')?.from.item).toBe('floor-radiator');
    expect(links.find((l) => l.from.item === 'card-block-a')?.to.item).toBe('top-radiator');
    expect(new Set(links.map((l) => l.id)).size).toBe(links.length);
  });

  test('a case without a mount sends what hung there to the bench', () => {
    const small = applyEdit(desk, EDITS['case.choose']).build;
    expect(findItem(small, 'front-radiator')?.placement).toEqual({ on: 'bench' });
    expect(findItem(small, 'top-radiator')?.placement.on).toBe('mount');
    expect(small.choices.removed).toEqual([]);
  });

  test("fan speed is held inside each fan's range", () => {
    const fast = applyEdit(desk, { do: 'fans.speed', speed_rpm: 9000 }).build;
    for (const i of fast.items)
      if (i.part.kind === 'fan') expect(i.settings.speed_rpm).toBe(i.part.fullSpeed_rpm);
  });

  test('a run onto a capped port takes the cap off', () => {
    const added = applyEdit(desk, EDITS['link.add']).build;
    expect(added.loops[0]?.caps.some((c) => c.item === 'reservoir' && c.port === 'top')).toBe(
      false,
    );
  });

  test('a part replaced keeps the runs whose ports it has', () => {
    const other = applyEdit(desk, EDITS['item.replace']).build;
    expect(other.loops[0]?.links).toEqual(loop.links);
  });
});

describe('finding things', () => {
  test('free ids', () => {
    expect(freeId(['run', 'run-2'], 'run')).toBe('run-3');
    expect(freeId([], 'run')).toBe('run');
  });

  test('the loop of an item', () => {
    expect(loopOfItem(desk, 'pump')?.id).toBe('loop');
    expect(loopOfItem(desk, 'memory')).toBeUndefined();
  });

  test('an empty build has everything but parts', () => {
    const empty = emptyBuild('New', STANDARD_KIT);
    expect(empty.items).toEqual([]);
    expect(empty.case).toBeNull();
    expect(CATALOGUE.length).toBeGreaterThan(100);
  });

  test('an edit may be applied again: what it brings in is copied, not handed over', () => {
    const pump = desk.items.find((i) => i.part.kind === 'pump') as Item;
    const edit: Edit = {
      do: 'batch',
      edits: [
        { do: 'item.add', item: { ...pump, id: 'again', settings: {} } },
        { do: 'item.set', item: 'again', values: { speed_rpm: 2000 } },
      ],
    };
    const before = JSON.stringify(edit);
    const once = applyEdit(desk, edit).build,
      twice = applyEdit(desk, edit).build;
    expect(JSON.stringify(edit)).toBe(before);
    expect(twice).toEqual(once);
    expect(twice.items.find((i) => i.id === 'again')?.settings.speed_rpm).toBe(2000);
  });
});
