import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign, type Design } from '../design';
import { compileSystem } from '../system';
import { evaluate } from '../analysis';
import { defaultPlacements, whyNoMount } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const fan = { id: 'new', part: catalogued('fan', 'fan-wren-120-1200') };

describe('where a part could go', () => {
  test('fans go to a radiator without any first, to a second face last', () => {
    const bare: Design = applyEdit(desk, { do: 'component.remove', component: 'top-fans' }).design;
    expect(defaultPlacements(bare, fan)[0]).toMatchObject({
      placement: { on: 'radiator', component: 'top-radiator' },
    });
    const places = defaultPlacements(desk, fan);
    expect(places.every((p) => p.placement.on === 'radiator')).toBe(true);
    const rearFree: Design = applyEdit(desk, {
      do: 'component.remove',
      component: 'rear-fan',
    }).design;
    expect(defaultPlacements(rearFree, fan)[0]).toMatchObject({
      placement: { on: 'mount', mount: 'rear', air: 'out' },
    });
  });

  test('a mount that is taken is not offered again', () => {
    const radiator = { id: 'new', part: catalogued('radiator', 'rad-tarn-240-30') };
    expect(defaultPlacements(desk, radiator)).toEqual([]);
    const free: Design = applyEdit(desk, {
      do: 'component.remove',
      component: 'top-radiator',
    }).design;
    expect(
      defaultPlacements(free, radiator).map((p) =>
        p.placement.on === 'mount' ? p.placement.mount : '',
      ),
    ).toEqual(['top']);
  });

  test('a second card goes where it does not meet the first, the nearer slots last', () => {
    const card = { id: 'new', part: catalogued('card', 'gpu-kite-200') },
      slotsOf = (b: Design): number[] =>
        defaultPlacements(b, card).flatMap((p) =>
          p.placement.on === 'slot' ? [p.placement.slot] : [],
        );
    const bare: Design = {
      ...desk,
      components: desk.components.filter(
        (i) =>
          i.part.kind !== 'card' &&
          !(i.placement.on === 'component' && i.placement.component === 'card'),
      ),
    };
    expect(slotsOf(bare)[0]).toBe(1);
    // 42 mm thick, slots 20.32 mm apart: the second and third below the first are too near.
    const one = applyEdit(bare, {
        do: 'component.add',
        component: {
          ...card,
          id: 'first',
          name: 'First',
          placement: { on: 'slot', slot: 1 },
          settings: {},
        },
      }).design,
      slots = slotsOf(one);
    expect(slots[0]).toBe(4);
    expect(slots.slice(-2)).toEqual([2, 3]);
    expect(
      evaluate(
        applyEdit(one, {
          do: 'component.add',
          component: { ...card, name: 'Second', placement: { on: 'slot', slot: 4 }, settings: {} },
        }).design,
      ).findings.filter(
        (f) => f.code === 'fit.clash' && f.subjects.includes('new') && f.subjects.includes('first'),
      ),
    ).toEqual([]);
  });

  test('a block goes where no other sits', () => {
    expect(
      defaultPlacements(desk, { id: 'new', part: catalogued('block', 'blk-quill-cpu') }),
    ).toEqual([]);
    expect(
      defaultPlacements(desk, { id: 'new', part: catalogued('block', 'blk-quill-memory') }),
    ).toMatchObject([{ placement: { on: 'component', component: 'memory' } }]);
  });

  test('why no mount takes a radiator is said mount by mount', () => {
    const long = { id: 'new', part: catalogued('radiator', 'rad-fell-420-45') };
    const weir: Design = { ...desk, case: catalogued('case', 'case-weir-55'), components: [] };
    expect(whyNoMount(weir, long)).toEqual([
      'Front mount: free',
      "Top mount: holes 20 mm apart, the radiator's 15 mm",
      'Rear mount: 1 of its 3 sections fit',
    ]);
    expect(whyNoMount(desk, fan)).toEqual([]);
  });

  test('and the finding says it', () => {
    const stuck = applyEdit(
      { ...desk, case: catalogued('case', 'case-weir-55') },
      {
        do: 'component.add',
        component: {
          id: 'long',
          name: 'Long radiator',
          part: catalogued('radiator', 'rad-fell-420-45'),
          placement: { on: 'unplaced' },
          settings: {},
        },
      },
    ).design;
    const finding = evaluate(stuck, { fixes: true, offer: CATALOGUE }).findings.find(
      (f) => f.code === 'fit.unplaced' && f.subjects.includes('long'),
    );
    expect(finding?.detail).toContain('Front mount: taken by Front radiator');
    expect(finding?.fixes).toEqual([]);
  });
});

describe('places go by what a part is, not by what was there first', () => {
  const pump = catalogued('pump', 'pump-osier-large'),
    reservoir = catalogued('reservoir', 'res-osier-150');
  const empty = applyEdit(emptyDesign('Order', STANDARD_KIT), {
    do: 'case.choose',
    case: catalogued('case', 'case-alder-42'),
  }).design;
  const heightsOf = (parts: readonly (typeof pump | typeof reservoir)[]) => {
    const design = parts.reduce((d, part) => {
      const [place] = defaultPlacements(d, { id: part.kind, part });
      return applyEdit(d, {
        do: 'component.add',
        component: {
          id: part.kind,
          name: part.name,
          part,
          placement: place?.placement ?? { on: 'unplaced' },
          settings: {},
        },
      }).design;
    }, empty);
    const { placed } = compileSystem(design);
    return ['pump', 'reservoir'].map((id) => placed.get(id)?.frame?.at[1] ?? NaN);
  };
  test('the reservoir stands over the pump, whichever was added first', () => {
    const [low, high] = heightsOf([pump, reservoir]) as [number, number];
    expect(high).toBeGreaterThan(low);
    expect(heightsOf([reservoir, pump])).toEqual([low, high]);
  });
});
