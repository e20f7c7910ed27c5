import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { applyEdit, emptyDesign, EMPTY_LAYOUT, type Design, type Edit } from '@/core/design';
import { nextStep } from './stepNow';

const desk = demoDesign('dawn-chorus-desk') as Design,
  planetarium = demoDesign('pocket-planetarium') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const step = (design: Design) => nextStep(design, analyse(design));
const without = (kind: string): Design => ({
  ...desk,
  components: desk.components.filter((c) => c.part.kind !== kind),
  loops: [],
});

describe('what is to be done next', () => {
  test('a case first, then the machine, then what cools it', () => {
    const empty = emptyDesign('New', STANDARD_KIT);
    expect(step(empty)).toEqual({ text: 'Choose a case', act: { do: 'stage', stage: 'case' } });
    const cased = edited(empty, {
      do: 'case.choose',
      case: catalogued('case', 'case-alder-42'),
    });
    expect(step(cased)).toEqual({ text: 'Add a board', act: { do: 'stores', kind: 'board' } });
    for (const kind of ['processor', 'supply', 'block', 'radiator', 'pump', 'reservoir'] as const)
      expect(step(without(kind)).act).toEqual({ do: 'stores', kind });
  });

  test('a part not placed, fans for a bare radiator, the loop, its runs', () => {
    const loose = edited(desk, {
      do: 'component.place',
      component: 'pump',
      placement: { on: 'unplaced' },
    });
    expect(step(loose)).toMatchObject({ text: 'Place Pump', act: { part: 'pump' } });
    const bare = { ...desk, components: desk.components.filter((c) => c.id !== 'front-fans') };
    expect(step(bare).text).toBe('Put fans on Front radiator');
    expect(step(edited(desk, { do: 'loop.remove', loop: 'loop' })).act).toEqual({ do: 'connect' });
    expect(step({ ...desk, layout: EMPTY_LAYOUT })).toMatchObject({
      text: 'Route 5 runs',
      act: { do: 'route' },
    });
  });

  test('a run that was tried and found no way asks for its ways out, not to be tried again', () => {
    const [first, ...rest] = Object.keys(desk.layout.routes);
    const { [first ?? '']: _found, ...routes } = desk.layout.routes;
    const none = { [first ?? '']: { blockedBy: null, wouldFit: null } };
    expect(rest.length).toBeGreaterThan(2);
    expect(step({ ...desk, layout: { ...desk.layout, routes } }).text).toBe('Route 1 run');
    expect(step({ ...desk, layout: { ...desk.layout, routes, noRoute: none } }).act).toEqual({
      do: 'findings',
    });
  });

  test('what fails is solved before anything is ordered; then the list, then the work', () => {
    expect(step(planetarium).act).not.toEqual({ do: 'stage', stage: 'parts' });
    expect(step(desk)).toEqual({
      text: 'Ready to order: open the list',
      act: { do: 'stage', stage: 'parts' },
    });
    const ordered: Design = {
      ...desk,
      choices: { ...desk.choices, orders: { 'pump-osier-large': { state: 'ordered' } } },
    };
    expect(step(ordered).act).toEqual({ do: 'stage', stage: 'assembly' });
  });
});
