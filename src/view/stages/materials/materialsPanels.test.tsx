/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { CATALOGUE, catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign, type Design, type Edit, findComponent } from '@/core/design';
import { proposeLoop } from '@/core/loops';
import { usePartLists } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { show, state } from '@/view/workspace/showInEditor';
import { KindList } from '../parts/KindList';
import { KitPicker } from '../parts/KitPicker';
import { RunPanel } from '../runs/RunPanel';
import { ShownParts } from '../runs/ShownParts';
import { MaterialsStage } from './MaterialsStage';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design,
  box = demoDesign('pocket-planetarium') as Design;
const row = (name: RegExp): HTMLElement => screen.getByRole('row', { name });

describe('the Materials stage', () => {
  test('an empty build is told what to do first', () => {
    show(emptyDesign('Empty', STANDARD_KIT), <MaterialsStage />);
    expect(screen.getByText('Nothing is wetted yet')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Open the catalogue' }));
    expect(state.drawer).toBe('stores');
  });

  test('two failing pairs in words; one click mends them, undo brings them back', async () => {
    show(box, <MaterialsStage />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(
      '2 pairs of metals cannot share the coolant',
    );
    const [mend] = await screen.findAllByRole('button', { name: /^Put in/ }, { timeout: 10_000 });
    fireEvent.click(mend as HTMLElement);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(
      /^The metals are compatible/,
    );
    act(() => state.undo());
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(
      '2 pairs of metals cannot share the coolant',
    );
  });

  test('plastics and seals: what carries each, how it takes the coolant, and what the data do not tell', async () => {
    show(desk, <MaterialsStage />);
    expect(row(/^acrylic/).textContent).toContain('agrees');
    expect(
      within(row(/^EPDM rubber/)).getAllByText('(seal)', { exact: false }).length,
    ).toBeGreaterThan(2);
    fireEvent.click(within(row(/^acrylic/)).getByRole('button', { name: 'Reservoir' }));
    expect(state.picked).toBe('reservoir');
    act(() =>
      state.commit('another coolant', {
        do: 'loop.coolant',
        loop: 'loop',
        coolant: catalogued('coolant', 'cool-solvent'),
        age_months: 0,
      }),
    );
    expect(row(/^acrylic/).textContent).toContain('attacked');
    expect(await screen.findByText('Cold-room mix, 35 % attacks acrylic')).toBeTruthy();
    const reservoir = findComponent(state.design, 'reservoir') as Design['components'][number],
      { polymers: _softs, ...silent } = reservoir.part as Extract<
        typeof reservoir.part,
        { kind: 'reservoir' }
      >;
    act(() =>
      state.commit('older data', { do: 'component.replace', component: 'reservoir', part: silent }),
    );
    expect(await screen.findByText(/^The data of Reservoir do not tell/)).toBeTruthy();
  });

  test('coolants compared by plastics and seals of the parts too, not by the tube alone', () => {
    show(desk, <MaterialsStage />);
    fireEvent.click(screen.getByRole('radio', { name: 'coolants compared' }));
    // The desk's tube takes it; its clear reservoir does not.
    expect(row(/^Cold-room mix/).textContent).toContain('attacks acrylic');
    expect(row(/^Clear premix/).textContent).toContain('inhibited');
  });

  test('coolant of another age and kind is set in place', () => {
    show(desk, <MaterialsStage />);
    fireEvent.change(screen.getByLabelText('Months in use'), { target: { value: '60' } });
    expect(state.design.loops[0]?.coolantAge_months).toBe(60);
    expect(screen.getByText(/^harsh: no inhibitor in date/)).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Months in use'), { target: { value: '999' } });
    expect(state.design.loops[0]?.coolantAge_months).toBe(60);
  });
});

describe('what is to stay visible', () => {
  test('a part ticked is kept in view, and unticked tubes may pass before it', () => {
    show(tower, <ShownParts />);
    const tick = (name: string): HTMLInputElement => screen.getByRole('checkbox', { name });
    expect(tick('Processor reservoir').checked).toBe(true);
    expect(tick('Card A').checked).toBe(false);
    fireEvent.click(tick('Card A'));
    expect(findComponent(state.design, 'card-a')?.settings.keepVisible).toBe(true);
    fireEvent.click(tick('Processor reservoir'));
    expect(findComponent(state.design, 'reservoir-1')?.settings.keepVisible).toBe(false);
    act(() => state.undo());
    expect(tick('Processor reservoir').checked).toBe(true);
  });
});

describe('a bridge in place of a tube', () => {
  const bare: Design = {
    ...tower,
    components: tower.components.filter((i) => i.part.kind !== 'inline'),
    loops: [],
  };
  const cards = applyEdit(
    bare,
    proposeLoop(bare, {
      name: 'Cards',
      tube: catalogued('tube', 'tube-petg-16-12'),
      fitting: catalogued('fitting', 'fit-hard-16'),
      coolant: catalogued('coolant', 'cool-clear-premix'),
      components: ['reservoir-2', 'pump-2', 'card-block-a', 'card-block-b', 'top-radiator'],
    }) as Edit,
  ).design;
  const id =
    cards.loops[0]?.connections.find(
      (l) => l.from.component.startsWith('card-block') && l.to.component.startsWith('card-block'),
    )?.id ?? '';
  function Panel() {
    const { design, analysis } = useEditor((s) => s);
    const run = analysis.reports.runs.find((r) => r.id === id),
      loop = design.loops[0],
      connection = loop?.connections.find((l) => l.id === id);
    return run && loop && connection ? <RunPanel run={run} loop={loop} link={connection} /> : null;
  }

  test('is offered where ports face each other, and is one step to undo; another port takes it away again', () => {
    show(cards, <Panel />);
    fireEvent.click(screen.getAllByRole('button', { name: /^bridge them over/ })[0] as HTMLElement);
    expect(screen.getByText(/^Bridged by Telescopic adapter/)).toBeTruthy();
    const link = () => state.design.loops[0]?.connections.find((l) => l.id === id);
    const other =
      [...(screen.getByLabelText('Arrives at') as HTMLSelectElement).options].find(
        (o) => o.value !== link()?.to.port,
      )?.value ?? '';
    fireEvent.change(screen.getByLabelText('Arrives at'), { target: { value: other } });
    expect(link()).toMatchObject({ by: 'tube' });
    expect(link()).not.toHaveProperty('bridge');
    act(() => {
      state.undo();
      state.undo();
    });
    expect(state.design).toEqual(cards);
  });
});

describe('the list by kind', () => {
  test('a line asked for in many places folds its reasons up, and none is lost', () => {
    show(tower, <KindList />);
    const line = state.analysis.reports.bom.lines.find(
      (l) => l.kind === 'fitting' && l.why.split('; ').length > 10,
    );
    const cell = screen
      .getByText(new RegExp(`and ${(line?.why.split('; ').length ?? 0) - 3} more$`))
      .closest('details') as HTMLElement;
    for (const place of line?.why.split('; ') ?? []) expect(cell.textContent).toContain(place);
    expect(CATALOGUE.some((p) => p.id === line?.part)).toBe(true);
  });
});

describe('small parts of a build', () => {
  test('one chosen for all places; the list follows, and undo takes it back', () => {
    show(desk, <KitPicker />);
    const plugs = (): number =>
      state.analysis.reports.bom.lines
        .filter((l) => l.part === 'fit-plug-low')
        .reduce((n, l) => n + l.quantity, 0);
    expect(plugs()).toBe(0);
    fireEvent.change(screen.getByLabelText('Plug'), { target: { value: 'fit-plug-low' } });
    expect(plugs()).toBe(desk.loops[0]?.caps.filter((c) => c.with === 'plug').length);
    act(() => state.undo());
    expect(state.design).toEqual(desk);
  });

  test("screws of one's own are chosen from when asked, and those out of use are not", () => {
    const screw = {
      ...(CATALOGUE.find((p) => p.kind === 'screw') as Extract<
        (typeof CATALOGUE)[number],
        { kind: 'screw' }
      >),
      id: 'own-m3-32',
      name: 'M3 × 32 of mine',
      length_mm: 32,
    };
    act(() =>
      usePartLists.setState({
        partLists: { own: [screw, { ...screw, id: 'own-old' }], retired: ['own-old'] },
        asked: true,
      }),
    );
    show(desk, <KitPicker />);
    fireEvent.click(screen.getByRole('button', { name: 'Let the list choose from it too' }));
    expect(state.design.kit.screws.map((s) => s.id)).toEqual([
      ...desk.kit.screws.map((s) => s.id),
      'own-m3-32',
    ]);
    expect(screen.queryByRole('button', { name: /Let the list choose/ })).toBeNull();
  });
});
