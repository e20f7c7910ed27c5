/** @jest-environment jsdom */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { applyEdit, withoutRoutes, type Design } from '@/core/design';
import { show, state } from '@/view/workspace/showInEditor';
import { DrawerBox } from './DrawerBox';
import { ExtraLines } from './ExtraLines';
import { FamilyPicker } from './FamilyPicker';
import { KindList } from './KindList';
import { KitPicker } from './KitPicker';
import { PartsStage } from './PartsStage';
import { RunList } from './RunList';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;

const list = () => state.analysis.reports.bom;
const lineOf = (part: string) => list().lines.find((l) => l.part === part);
const cells = (row: HTMLElement): string[] =>
  within(row)
    .getAllByRole('cell')
    .map((c) => c.textContent ?? '');
/** "1,234.50" as money in minor units. */
const minor = (text: string): number => Math.round(100 * Number(text.replace(/[^\d.]/g, '')));
const rowOf = (part: string): HTMLElement =>
  screen.getByText(part, { selector: 'button' }).closest('tr') as HTMLElement;
const headline = (): string => document.querySelector('h1')?.textContent ?? '';
const type = (label: string, text: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
};

beforeEach(() => localStorage.clear());

describe('the list by kind', () => {
  test('each line is pieces times the price of one; all lines of the loop make its total', () => {
    show(desk, <KindList />);
    for (const l of list().lines.filter((x) => !x.owned && x.have === 0))
      expect(l.total).toBe(Math.round(l.quantity * l.unitPrice));
    const loop = list().lines.filter((l) => l.inBudget);
    expect(loop.reduce((sum, l) => sum + l.total, 0)).toBe(list().loopTotal);
    const pump = lineOf(desk.components.find((c) => c.part.kind === 'pump')?.part.id ?? '');
    const row = cells(rowOf(pump?.name ?? ''));
    expect(minor(row[3] ?? '')).toBe(pump?.unitPrice);
    expect(minor(row[4] ?? '')).toBe(pump?.total);
  });

  test('what is owned costs nothing, and is bought again with one click', () => {
    show(desk, <KindList />);
    const before = list().loopTotal;
    const pump = desk.components.find((c) => c.part.kind === 'pump');
    const own = () => within(rowOf(pump?.part.name ?? ''));
    fireEvent.click(own().getByText('own it'));
    expect(before - list().loopTotal).toBe(pump?.part.price_minor);
    expect(state.past.at(-1)?.label).toBe(`own ${pump?.part.name}`);
    fireEvent.click(own().getByText('buy'));
    expect(list().loopTotal).toBe(before);
  });

  test('spare pieces are counted off what is bought', () => {
    show(desk, <KindList />);
    const fitting = list().lines.find((l) => l.kind === 'fitting' && l.quantity > 2);
    const field = screen.getByLabelText(`${fitting?.name} spare`);
    fireEvent.change(field, { target: { value: '2' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    const now = lineOf(fitting?.part ?? '');
    expect(now?.have).toBe(2);
    expect((fitting?.total ?? 0) - (now?.total ?? 0)).toBe(2 * (fitting?.unitPrice ?? NaN));
  });

  test('an order is marked with its day; to order again takes the mark away', () => {
    show(desk, <KindList />);
    const [line] = list().lines.filter((l) => !l.owned);
    const field = screen.getByLabelText(`Order of ${line?.name}`);
    fireEvent.change(field, { target: { value: 'ordered' } });
    const mark = state.design.choices.orders?.[line?.part ?? ''];
    expect(mark?.state).toBe('ordered');
    expect(mark?.on).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    fireEvent.change(screen.getByLabelText(`Order of ${line?.name}`), {
      target: { value: 'open' },
    });
    expect(state.design.choices.orders?.[line?.part ?? '']).toBeUndefined();
  });
});

describe('the list by run', () => {
  test('pieces stand in the order they are screwed together: fitting, tube, fitting', () => {
    show(tower, <RunList />);
    const tubes = state.analysis.reports.runs.filter((r) => r.by === 'tube');
    for (const run of tubes) {
      const row = screen.getByRole('button', { name: run.name }).closest('tr') as HTMLElement;
      const [, pieces = '', cut = ''] = cells(row);
      const order = pieces.split(' → ');
      const loop = tower.loops.find((l) => l.id === run.loop);
      expect(order).toHaveLength(run.fittings.length + 1);
      expect(order.filter((p) => p === loop?.fitting.name).length).toBeGreaterThanOrEqual(2);
      expect(order.indexOf(loop?.tube.name ?? '')).toBe(
        run.fittings.filter((f) => f.end === 'from').length,
      );
      expect(Number.parseFloat(cut)).toBeCloseTo(run.cut_mm, 0);
    }
  });
});

describe('lines of your own', () => {
  test('pieces times price join the loop; a comma is a point; taken off, all is as before', () => {
    show(desk, <ExtraLines />);
    const before = list().loopTotal;
    const add = screen.getByRole('button', { name: 'Add to the list' }) as HTMLButtonElement;
    expect(add.disabled).toBe(true);
    type('What of a line of your own', 'Light strip');
    type('Pieces of a line of your own', '2');
    type('Each, EUR of a line of your own', '7,50');
    fireEvent.click(add);
    expect(list().loopTotal - before).toBe(2 * 750);
    fireEvent.click(screen.getByRole('button', { name: 'Take Light strip off the list' }));
    expect(list().loopTotal).toBe(before);
    expect(state.design.choices.extras ?? {}).toEqual({});
  });

  test.each([
    ['no name', '', '1', '5'],
    ['no pieces', 'Clips', '0', '5'],
    ['a price below nothing', 'Clips', '1', '-5'],
    ['letters for a price', 'Clips', '1', 'five'],
  ])('%s: it cannot be added', (_, what, pieces, each) => {
    show(desk, <ExtraLines />);
    type('What of a line of your own', what);
    type('Pieces of a line of your own', pieces);
    type('Each, EUR of a line of your own', each);
    expect(
      (screen.getByRole('button', { name: 'Add to the list' }) as HTMLButtonElement).disabled,
    ).toBe(true);
  });
});

describe('spare parts', () => {
  test('counts of one build are used in the next, never more than it asks for', () => {
    const fitting = desk.loops[0]?.fitting.id ?? '';
    const counted = applyEdit(desk, { do: 'inventory.set', part: fitting, count: 40 }).design;
    const first = show(counted, <DrawerBox />);
    fireEvent.click(screen.getByRole('button', { name: 'Remember the counts' }));
    first.unmount();
    show(desk, <DrawerBox />);
    const asked = lineOf(fitting)?.quantity ?? 0;
    fireEvent.click(screen.getByRole('button', { name: 'Use spare parts' }));
    fireEvent.click(screen.getByRole('button', { name: 'Use 1 kind from it' }));
    expect(state.design.choices.inventory?.[fitting]).toBe(asked);
    expect(lineOf(fitting)?.total).toBe(0);
  });

  test('a dismantled build leaves its parts, but no tube, coolant or case', () => {
    show(desk, <DrawerBox />);
    fireEvent.click(screen.getByRole('button', { name: /^Dismantle this build/ }));
    const kept = JSON.parse(localStorage.getItem('zephyron-drawer') ?? '{}') as object;
    const kinds = new Set(Object.keys(kept).map((part) => lineOf(part)?.kind));
    expect(kinds.has('pump') && kinds.has('radiator') && kinds.has('fitting')).toBe(true);
    for (const gone of ['tube', 'coolant', 'case'] as const) expect(kinds.has(gone)).toBe(false);
  });

  test('what is remembered and broken is as if nothing were', () => {
    localStorage.setItem('zephyron-drawer', '{"a": "many", "b": -1');
    show(desk, <DrawerBox />);
    fireEvent.click(screen.getByRole('button', { name: 'Use spare parts' }));
    expect(screen.getByText('None of them is needed here.')).toBeTruthy();
  });
});

describe('families and small parts', () => {
  test('all fittings change at once for the difference told; one undo', async () => {
    show(desk, <FamilyPicker />);
    const row = (await screen.findAllByRole('row', {}, { timeout: 5000 })).find((r) =>
      within(r).queryByRole('button', { name: 'change all' }),
    ) as HTMLElement;
    const told = cells(row)[1] ?? '';
    fireEvent.click(within(row).getByRole('button', { name: 'change all' }));
    // Of both builds with every run estimated: what is told does not rest on which is routed yet.
    const estimated = (design: Design): number =>
      analyse(withoutRoutes(design)).reports.bom.loopTotal;
    expect((told.startsWith('−') ? -1 : 1) * minor(told)).toBe(
      estimated(state.design) - estimated(desk),
    );
    expect(state.design.loops[0]?.fitting.id).not.toBe(desk.loops[0]?.fitting.id);
    act(() => state.undo());
    expect(state.design).toEqual(desk);
  });

  test('another plug is used wherever one is called for', () => {
    show(desk, <KitPicker />);
    const field = screen.getByLabelText('Plug') as HTMLSelectElement;
    const other = [...field.options].map((o) => o.value).find((v) => v !== desk.kit.plug.id);
    fireEvent.change(field, { target: { value: other } });
    expect(state.design.kit.plug.id).toBe(other);
    expect(lineOf(desk.kit.plug.id)).toBeUndefined();
  });
});

describe('the Parts stage', () => {
  test('the headline is the loop against its budget; over it, it says by how much', () => {
    show(desk, <PartsStage />);
    const total = list().loopTotal;
    expect(minor(headline().split(' of ')[0] ?? '')).toBe(total);
    const field = screen.getByLabelText(/budget/i);
    fireEvent.change(field, { target: { value: String((total - 1000) / 100) } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(headline()).toMatch(/^\D*10\.00 over/);
  });

  test('shares of the kinds make a hundred', () => {
    show(desk, <PartsStage />);
    const shares = [...document.querySelectorAll('tr')].flatMap((row) => {
      const last = row.lastElementChild?.textContent ?? '';
      return last.endsWith(' %') ? [Number.parseFloat(last)] : [];
    });
    expect(shares.length).toBeGreaterThan(5);
    expect(Math.abs(shares.reduce((a, b) => a + b, 0) - 100)).toBeLessThanOrEqual(
      shares.length / 2,
    );
  });
});
