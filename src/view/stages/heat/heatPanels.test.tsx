/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { LOAD_CASES, type LoadCaseId } from '@/core/components';
import { shareOf } from '@/core/thermal';
import type { Design } from '@/core/design';
import { analystLater } from '@/engine/analystHere.fixture';
import { useEditor } from '@/view/workspace';
import { show, state } from '@/view/workspace/showInEditor';
import { SourceTable } from './SourceTable';
import { spotVerdict } from './spotVerdict';
import { WattBars } from './WattBars';

const desk = demoDesign('dawn-chorus-desk') as Design;
const { reports, thermalModel } = analyse(desk);

function Bars() {
  return <WattBars heat={useEditor((s) => s.analysis.reports.heat)} />;
}

/** Bars of one load case, in the order they are drawn. */
const barsOf = (row: number): readonly HTMLElement[] =>
  within(screen.getAllByRole('row')[row] as HTMLElement)
    .getAllByRole('cell')
    .filter((cell) => cell.hasAttribute('aria-label'));
const ROW_OF: Readonly<Record<string, number>> = Object.fromEntries(
  [...LOAD_CASES, 'custom'].map((load, i) => [load, i]),
);
const sharesOf = (design: Design, load: LoadCaseId): readonly number[] =>
  thermalModel.sources.map((source) => {
    const component = design.components.find((c) => c.id === source.component.id);
    return component ? shareOf({ ...source, component }, load) : NaN;
  });

describe('heat bars', () => {
  test('every bar names its part, its watts, where they go and its share', () => {
    show(desk, <Bars />);
    for (const { name, heat_W } of reports.heat.gaming.parts) {
      const bar = barsOf(ROW_OF['gaming'] ?? 0).find((b) =>
        b.getAttribute('aria-label')?.startsWith(`${name} `),
      );
      expect(bar?.getAttribute('aria-label')).toMatch(
        new RegExp(
          `${Math.round(heat_W)} W, .+ \\d+ % of its draw under .+\\. Arrow keys change it`,
        ),
      );
    }
  });

  test('widths stand to each other as the watts', () => {
    show(desk, <Bars />);
    const widths = barsOf(ROW_OF['gaming'] ?? 0).map((b) => parseFloat(b.style.width));
    const watts = reports.heat.gaming.parts.map((p) => p.heat_W);
    const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
    expect(Math.max(...widths) / sum(widths)).toBeCloseTo(Math.max(...watts) / sum(watts), 3);
  });

  test('a key moves a share by one hundredth, with Shift by ten; all is one step', () => {
    show(desk, <Bars />);
    const before = sharesOf(desk, 'gaming');
    const bar = (): HTMLElement => barsOf(ROW_OF['gaming'] ?? 0)[0] as HTMLElement;
    fireEvent.keyDown(bar(), { key: 'ArrowLeft' });
    fireEvent.keyDown(bar(), { key: 'ArrowLeft', shiftKey: true });
    const after = sharesOf(state.design, 'gaming');
    const moved = after.map((share, i) => share - (before[i] ?? 0)).filter((by) => by !== 0);
    expect(moved).toHaveLength(1);
    expect(moved[0]).toBeCloseTo(-0.11, 9);
    expect(state.past).toHaveLength(1);
  });

  test('no share falls below none, or rises over one and a half', () => {
    show(desk, <Bars />);
    const bar = (): HTMLElement => barsOf(ROW_OF['gaming'] ?? 0)[0] as HTMLElement;
    for (let i = 0; i < 20; i += 1) fireEvent.keyDown(bar(), { key: 'ArrowRight', shiftKey: true });
    expect(Math.max(...sharesOf(state.design, 'gaming'))).toBe(1.5);
  });

  test('a key held while the build is still worked out loses no stroke', () => {
    const later = analystLater();
    show(desk, <Bars />, later.analyst);
    const bar = barsOf(ROW_OF['gaming'] ?? 0)[0] as HTMLElement;
    for (let i = 0; i < 5; i += 1) fireEvent.keyDown(bar, { key: 'ArrowLeft' });
    expect(state.design).toBe(desk);
    const before = sharesOf(desk, 'gaming');
    const moved = sharesOf(state.latest, 'gaming')
      .map((share, i) => share - (before[i] ?? 0))
      .filter((by) => by !== 0);
    expect(moved).toHaveLength(1);
    expect(moved[0]).toBeCloseTo(-0.05, 9);
    act(() => later.answer());
    expect(state.design).toBe(state.latest);
    act(() => state.undo());
    act(() => later.answer());
    expect(state.design).toEqual(desk);
  });

  test('the load that is judged is chosen by its name', () => {
    show(desk, <Bars />);
    const names = screen.getAllByRole('rowheader');
    const other = names.find((n) => n.getAttribute('aria-current') !== 'true') as HTMLElement;
    fireEvent.click(other);
    expect(state.design.brief.loadCase).not.toBe(desk.brief.loadCase);
    expect(
      screen.getAllByRole('rowheader').filter((n) => n.getAttribute('aria-current') === 'true'),
    ).toHaveLength(1);
  });
});

describe('the table of sources', () => {
  test('each has what it draws, and a draw of its own once it is typed', () => {
    show(desk, <SourceTable />);
    for (const { component } of thermalModel.sources)
      expect(screen.getByRole('table').textContent).toContain(component.name);
  });
});

describe('the verdict of a hot spot', () => {
  test.each([
    [60, 90, 'ok'],
    [89, 90, 'marginal'],
    [91, 90, 'fails'],
    [null, 90, 'unchecked'],
  ] as const)('%s °C of %s: %s', (temp_C, limit_C, verdict) => {
    expect(spotVerdict({ temp_C, limit_C })).toBe(verdict);
  });
});
