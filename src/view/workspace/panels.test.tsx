/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, findComponent } from '@/core/design';
import { PlaceCard } from '../stages/case/PlaceCard';
import { MoneyField } from '../stages/brief/MoneyField';
import { LinkEditor } from '../stages/runs/LinkEditor';
import { useEditor } from './EditorProvider';
import { fittingFor } from '@/core/loops';
import { analystLater } from '@/engine/analystHere.fixture';
import { ConnectDialog } from './ConnectDialog';
import { FindingList } from './FindingList';
import { show, state } from './showInEditor';
import { CatalogueDrawer } from './CatalogueDrawer';

const desk = demoDesign('dawn-chorus-desk') as Design;
const box = demoDesign('pocket-planetarium') as Design;

describe('findings', () => {
  function All() {
    return <FindingList findings={useEditor((s) => s.analysis.findings)} empty="Nothing here" />;
  }

  function Drainless() {
    const findings = useEditor((s) => s.analysis.findings);
    return <FindingList findings={findings.filter((f) => f.code === 'rule.no-drain')} empty="" />;
  }

  test('each says its verdict in words, its code and where the limit is from', () => {
    show(box, <All />);
    expect(screen.getAllByText('fails').length).toBeGreaterThan(3);
    expect(screen.getAllByText('rule.no-drain').length).toBe(1);
  });

  test('a fix is one click, and undo takes it back', async () => {
    // Alone: the ways out of every other finding take seconds on a busy machine.
    show(box, <Drainless />);
    fireEvent.click(
      await screen.findByRole('button', { name: /Put a drain valve/ }, { timeout: 10_000 }),
    );
    expect(state.design.loops[0]?.caps.some((c) => c.with === 'drain')).toBe(true);
    expect(screen.queryByText('rule.no-drain')).toBeNull();
    act(() => state.undo());
    expect(state.design).toEqual(box);
  });

  test('a click on the title picks what it is about', () => {
    show(box, <All />);
    fireEvent.click(screen.getByRole('button', { name: 'Screws of 35 mm pierce Top radiator' }));
    expect(state.picked).toBe('top-radiator');
  });

  test('none says so', () => {
    show(desk, <FindingList findings={[]} empty="Nothing here" />);
    expect(screen.getByText('Nothing here')).toBeTruthy();
  });
});

describe('the picked part', () => {
  const card = (design: Design, id: string) => (
    <PlaceCard component={findComponent(design, id) as Design['components'][number]} />
  );

  test('clicks that come before anything is worked out go on from one another', () => {
    const later = analystLater();
    show(desk, card(desk, 'top-radiator'), later.analyst);
    for (const by of ['+5', '+1', '+5']) fireEvent.click(screen.getByRole('button', { name: by }));
    fireEvent.click(screen.getByRole('radio', { name: 'exhaust' }));
    expect(findComponent(state.latest, 'top-radiator')?.placement).toMatchObject({
      slide_mm: 11,
      air: 'out',
    });
    expect(state.design).toBe(desk);
  });

  test('a radiator slides, turns and changes its air', () => {
    show(desk, card(desk, 'top-radiator'));
    fireEvent.click(screen.getByRole('button', { name: '+5' }));
    expect(findComponent(state.design, 'top-radiator')?.placement).toMatchObject({
      slide_mm: 5,
    });
    fireEvent.click(screen.getByRole('radio', { name: 'ports to the rear' }));
    expect(findComponent(state.design, 'top-radiator')?.placement).toMatchObject({
      ports: 'start',
    });
    fireEvent.click(screen.getByRole('radio', { name: 'exhaust' }));
    expect(findComponent(state.design, 'top-radiator')?.placement).toMatchObject({
      air: 'out',
    });
  });

  test('it is changed for another of its kind, keeping its runs', () => {
    show(desk, card(desk, 'pump'));
    fireEvent.change(screen.getByLabelText('Part'), { target: { value: 'pump-brook-compact' } });
    expect(findComponent(state.design, 'pump')?.part.id).toBe('pump-brook-compact');
    expect(state.design.loops).toEqual(desk.loops);
  });

  test('it goes to the bench and out of the build', () => {
    show(desk, card(desk, 'pump'));
    fireEvent.change(screen.getByLabelText('Place'), { target: { value: '-1' } });
    expect(findComponent(state.design, 'pump')?.placement).toEqual({
      on: 'unplaced',
    });
    fireEvent.click(screen.getByRole('button', { name: 'Take it out of the build' }));
    expect(state.design.components.some((i) => i.id === 'pump')).toBe(false);
  });
});

describe('connecting', () => {
  const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).design;

  test('all loose parts are offered; those left out stay loose', () => {
    show(apart, <ConnectDialog onClose={() => undefined} />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Top radiator' }));
    fireEvent.click(screen.getByRole('button', { name: 'Connect 5 parts' }));
    expect(state.design.loops[0]?.connections.length).toBe(5);
    expect(
      state.design.loops[0]?.connections.some((l) => l.from.component === 'top-radiator'),
    ).toBe(false);
  });

  test('every tube of the catalogue has a fitting that holds it', () => {
    for (const p of CATALOGUE)
      if (p.kind === 'tube')
        expect([p.id, fittingFor(p, CATALOGUE)?.tube?.outer_mm]).toEqual([p.id, p.outer_mm]);
    expect(
      fittingFor({ ...catalogued('tube', 'tube-soft-13-10'), outer_mm: 21 }, CATALOGUE),
    ).toBeUndefined();
  });

  test('a run moved to another port leaves a plug behind', () => {
    const loop = desk.loops[0] as Design['loops'][number];
    const connection = loop.connections.find(
      (l) => l.from.component === 'pump',
    ) as Design['loops'][number]['connections'][number];
    show(desk, <LinkEditor loop={loop} link={connection} />);
    fireEvent.change(screen.getByLabelText('Leaves by'), { target: { value: 'low' } });
    expect(state.design.loops[0]?.connections.find((l) => l.id === connection.id)?.from.port).toBe(
      'low',
    );
    expect(state.design.loops[0]?.caps).toContainEqual({
      component: 'pump',
      port: 'out',
      with: 'plug',
    });
    expect(
      state.design.loops[0]?.caps.some((c) => c.component === 'pump' && c.port === 'low'),
    ).toBe(false);
  });
});

describe('the catalogue beside the build', () => {
  function Opened() {
    const open = useEditor((s) => s.open);
    return (
      <>
        <button type="button" onClick={() => open('stores')}>
          open it
        </button>
        <CatalogueDrawer />
      </>
    );
  }

  test('a part is found by its figures, added where it is used most, and named apart from its like', () => {
    show(desk, <Opened />);
    fireEvent.click(screen.getByText('open it'));
    fireEvent.change(screen.getByLabelText('Search the catalogue'), {
      target: { value: 'memory two sticks' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Add Quill Memory, two sticks' }));
    expect(state.design.components[state.design.components.length - 1]).toMatchObject({
      id: 'block',
      placement: { on: 'component', component: 'memory' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Add Quill Memory, two sticks' }));
    expect(state.design.components[state.design.components.length - 1]).toMatchObject({
      id: 'block-2',
      name: 'Quill Memory, two sticks (2)',
      placement: { on: 'unplaced' },
    });
  });

  test('what has no free place in this case says so before it is added', () => {
    show(desk, <Opened />);
    fireEvent.click(screen.getByText('open it'));
    fireEvent.change(screen.getByLabelText('Search the catalogue'), {
      target: { value: 'Fell 420' },
    });
    expect(
      within(screen.getByRole('button', { name: 'Add Fell 420, 45 mm' })).getByText(
        /taken by|no holes|of its|of rail/,
      ),
    ).toBeTruthy();
  });
});

describe('amounts', () => {
  test('take thousands, refuse words, and empty is none', () => {
    const taken: (number | null)[] = [];
    render(<MoneyField value={60000} onCommit={(v) => taken.push(v)} />);
    const input = screen.getByLabelText('Budget') as HTMLInputElement;
    const type = (text: string): void => {
      fireEvent.change(input, { target: { value: text } });
      fireEvent.keyDown(input, { key: 'Enter' });
    };
    type('1,250.50');
    type('lots');
    expect(input.value).toBe('lots');
    expect(screen.getByRole('alert').textContent).toContain('not an amount');
    type('');
    expect(taken).toEqual([125050, null]);
  });
});
