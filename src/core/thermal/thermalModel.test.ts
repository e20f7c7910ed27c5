import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { screwNeeds } from '../clearance';
import { applyEdit, findComponent, type Design, type Edit } from '../design';
import type { BlockPart } from '../components';
import { compileSystem } from '../system';
import { coreDragTerms } from '../airflow';
import { air } from '../fluids';
import { compileThermalModel, coreOf, modelOf } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, design);
const modelFor = (design: Design, blocked?: ReadonlyMap<string, number>) =>
  compileThermalModel(compileSystem(design), blocked);
const sourceOf = (design: Design, id: string) =>
  modelFor(design).sources.find((s) => s.component.id === id);

describe('what heats the coolant is read from what stands on what', () => {
  test('a block takes the heat of the part it stands on, into the loop it is in', () => {
    expect(sourceOf(desk, 'processor')).toMatchObject({
      block: { id: 'processor-block' },
      loop: 'loop',
    });
    expect(sourceOf(desk, 'card')).toMatchObject({ block: { id: 'card-block' }, loop: 'loop' });
    expect(sourceOf(desk, 'memory')).toMatchObject({ block: null, loop: null });
  });

  test('a block in no loop still covers its part: the heat waits', () => {
    const apart = edited(desk, { do: 'loop.remove', loop: 'loop' });
    expect(sourceOf(apart, 'processor')).toMatchObject({
      block: { id: 'processor-block' },
      loop: null,
    });
  });

  test('a block that reaches over to the board takes the board too, from the processor it stands on', () => {
    const block = CATALOGUE.find(
      (p): p is BlockPart => p.kind === 'block' && p.cools.includes('processor'),
    ) as BlockPart;
    const reaching = { ...block, cools: ['processor', 'board'] as const };
    const design = edited(desk, {
      do: 'component.replace',
      component: 'processor-block',
      part: reaching,
    });
    expect(sourceOf(design, 'board')?.block?.id).toBe('processor-block');
    expect(sourceOf(desk, 'board')?.block ?? null).toBeNull();
  });
});

describe('what moves air is read from what stands on what', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: every fan set is counted once, at a radiator or in the case',
    (_, design) => {
      const model = modelFor(design);
      const counted = [
        ...model.radiators.flatMap((r) => r.fans.map((f) => f.component)),
        ...model.caseFans.map((c) => c.set.component),
      ];
      const placed = design.components
        .filter((c) => c.part.kind === 'fan' && c.placement.on !== 'unplaced')
        .map((c) => c.id);
      expect([...counted].sort()).toEqual([...placed].sort());
    },
  );

  test('a radiator has as many fans on a face as it has sections', () => {
    for (const radiator of modelFor(desk).radiators)
      for (const fans of radiator.fans) expect(fans.count).toBe(radiator.part.sections);
  });

  test('fans of a radiator that no loop goes through are case fans, and blow as its mount says', () => {
    const model = modelFor(edited(desk, { do: 'loop.remove', loop: 'loop' }));
    expect(model.radiators).toEqual([]);
    const fans = model.caseFans.find((c) => c.set.component === 'top-fans');
    const placement = findComponent(desk, 'top-radiator')?.placement;
    expect(fans?.air).toBe(placement?.on === 'mount' ? placement.air : 'none');
  });

  test("the filter's loss and what stands before a stack add up, Pa at 1 m/s", () => {
    const loss = (model: ReturnType<typeof modelFor>): number =>
      model.radiators.find((r) => r.id === 'top-radiator')?.filterLoss_Pa ?? NaN;
    const placement = findComponent(desk, 'top-radiator')?.placement;
    const mount = desk.case?.mounts.find(
      (m) => placement?.on === 'mount' && m.id === placement.mount,
    );
    expect(loss(modelFor(desk))).toBe(mount?.filterLoss_Pa);
    expect(loss(modelFor(desk, new Map([['top-radiator', 7.5]])))).toBeCloseTo(
      (mount?.filterLoss_Pa ?? NaN) + 7.5,
      12,
    );
  });

  test('a speed below what a fan can turn is held there; a stopped fan stands', () => {
    const speedOf = (speed_rpm: number): number | undefined =>
      modelFor(
        edited(desk, { do: 'component.set', component: 'top-fans', values: { speed_rpm } }),
      ).radiators.find((r) => r.id === 'top-radiator')?.fans[0]?.speed_rpm;
    const part = findComponent(desk, 'top-fans')?.part;
    const [least, full] = part?.kind === 'fan' ? [part.minSpeed_rpm, part.fullSpeed_rpm] : [0, 0];
    expect(speedOf(1)).toBe(least);
    expect(speedOf(full + 500)).toBe(full);
    expect(speedOf(0)).toBe(0);
  });
});

test('the same model told with other names has the same figures', () => {
  const model = modelFor(desk);
  const called = edited(desk, { do: 'component.rename', component: 'processor', name: 'Brain' });
  const told = modelOf(model, compileSystem(called));
  expect(told.sources.find((s) => s.component.id === 'processor')?.component.name).toBe('Brain');
  expect(told.radiators).toBe(model.radiators);
  expect(told.caseFans).toBe(model.caseFans);
});

describe('a set that does not fill its radiator', () => {
  const two = edited(desk, {
    do: 'component.set',
    component: 'front-fans',
    values: { pieces: 2 },
  });
  test('moves air through the sections it covers, and stands on the list as so many', () => {
    const whole = modelFor(desk).radiators.find((r) => r.id === 'front-radiator'),
      part = modelFor(two).radiators.find((r) => r.id === 'front-radiator');
    expect(whole?.sections).toBeGreaterThan(2);
    expect(part).toMatchObject({ sections: 2 });
    expect(part?.fans.map((f) => f.count)).toEqual([2]);
    expect(part?.core.length_mm).toBeCloseTo(
      ((whole?.core.length_mm ?? 0) * 2) / (whole?.sections ?? 1),
      9,
    );
    expect(compileSystem(two).placed.get('front-fans')?.solids).toHaveLength(2);
  });

  /** By hand: one section of three, 120 mm square, at 1 m/s through core and filter. */
  test('what it leaves bare lets air through the radiator, into the chamber its radiator is at', () => {
    const bare = modelFor(two).openings.find((o) => o.id === 'uncovered:front-radiator');
    const part = findComponent(two, 'front-radiator')?.part;
    if (part?.kind !== 'radiator') throw new Error('no radiator');
    expect(bare?.area_cm2).toBeCloseTo((120 * part.core.width_mm) / 100, 9);
    const setup = modelFor(two).radiators.find((r) => r.id === 'front-radiator');
    const { linear, square } = coreDragTerms(coreOf(part, 1), air(desk.brief.room_C, 0));
    const flow_m3h = ((bare?.area_cm2 ?? NaN) / 1e4) * 3600;
    const density = air(desk.brief.room_C, 0).density_kgm3;
    expect((bare?.square ?? NaN) * flow_m3h ** 2).toBeCloseTo(
      linear + square + ((setup?.filterLoss_Pa ?? NaN) * density) / 1.2,
      6,
    );
    expect(modelFor(desk).openings.some((o) => o.id.startsWith('uncovered'))).toBe(false);
  });

  test('more than there are places for are as many as there are', () => {
    const nine = edited(desk, {
      do: 'component.set',
      component: 'front-fans',
      values: { pieces: 9 },
    });
    expect(compileSystem(nine).placed.get('front-fans')?.count).toBe(
      compileSystem(desk).placed.get('front-fans')?.count,
    );
  });
});

describe('grilles, filters and gaskets on a set of fans', () => {
  const layers = ['lay-filter-120-3-5', 'lay-gasket-120-3'].map((id) => catalogued('layer', id));
  const layered = edited(desk, {
    do: 'component.set',
    component: 'front-fans',
    values: { layers },
  });
  test('their losses add to what the air passes, as it does in series', () => {
    const loss = (d: Design) =>
      modelFor(d).radiators.find((r) => r.id === 'front-radiator')?.filterLoss_Pa ?? NaN;
    expect(loss(layered) - loss(desk)).toBeCloseTo(1.5, 9);
  });

  test('their thickness is under the heads of the screws, and each fan has one on the list', () => {
    const shortest = (d: Design) =>
      screwNeeds(compileSystem(d)).find((n) => n.fans === 'front-fans')?.window.shortest_mm ?? NaN;
    // 3.5 mm of filter and 3 mm of gasket, in place of the usual gasket of 1 mm.
    expect(shortest(layered) - shortest(desk)).toBeCloseTo(3.5 + 3 - 1, 9);
    const count = compileSystem(desk).placed.get('front-fans')?.count;
    const lines = analyse(layered).reports.bom.lines;
    for (const { id } of layers) expect(lines.find((l) => l.part === id)?.quantity).toBe(count);
  });
});
