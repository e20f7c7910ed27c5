/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Component, findComponent } from '@/core/design';
import { networkOf, type LoopFlow } from '@/core/hydraulics';
import type { LoopGraph } from '@/core/system';
import { useEditor } from '@/view/workspace';
import { show, state } from '@/view/workspace/showInEditor';
import { BranchTable } from './BranchTable';
import { CurveEditor } from '../curve';
import { DirtTable } from './DirtTable';
import { LossStairs } from './LossStairs';
import { PressureTable } from './PressureTable';
import { SeriesParallel } from './SplitSchool';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;

type Parts = {
  readonly graph: LoopGraph;
  readonly state: LoopFlow;
  readonly network: ReturnType<typeof networkOf>;
};
function Loop({
  id,
  children,
}: {
  readonly id: string;
  readonly children: (parts: Parts) => React.ReactNode;
}) {
  const analysis = useEditor((s) => s.analysis);
  const graph = analysis.system.loops.find((g) => g.loop.id === id) as LoopGraph,
    flow = analysis.reports.flow.loops.find((l) => l.id === id) as LoopFlow;
  return (
    <>
      {children({
        graph,
        state: flow,
        network: networkOf(analysis.system, graph, analysis.reports.runs, flow.coolant_C),
      })}
    </>
  );
}
const cells = (row: HTMLElement): string[] =>
  within(row)
    .getAllByRole('cell')
    .map((c) => c.textContent ?? '');

describe('stairs of losses', () => {
  test('largest first; shares of a plain ring come to a hundred; a click picks and opens', () => {
    show(desk, <Loop id="loop">{(p) => <LossStairs {...p} />}</Loop>);
    const steps = screen
      .getAllByRole('listitem')
      .map((li) => Number(/([\d.]+) kPa/.exec(li.textContent ?? '')?.[1]));
    expect(steps).toEqual([...steps].sort((a, b) => b - a));
    const shares = screen
      .getAllByRole('listitem')
      .map((li) => Number(/(\d+) %/.exec(li.textContent ?? '')?.[1]));
    expect(Math.abs(shares.reduce((a, b) => a + b, 0) - 100)).toBeLessThanOrEqual(4);
    fireEvent.click(screen.getByRole('button', { name: 'Processor block' }));
    expect(state.picked).toBe('processor-block');
    expect(screen.getByText(/points fit/)).toBeTruthy();
  });

  test('said to be clogged, a block passes less; undo frees it', () => {
    show(desk, <Loop id="loop">{(p) => <LossStairs {...p} />}</Loop>);
    const before = state.analysis.reports.flow.loops[0]?.flow_Lmin ?? 0;
    fireEvent.click(screen.getByRole('button', { name: 'Card block' }));
    const field = screen.getByLabelText('Clogged');
    fireEvent.change(field, { target: { value: '50' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(state.analysis.reports.flow.loops[0]?.flow_Lmin ?? 9).toBeLessThan(before);
    act(() => state.undo());
    expect(state.analysis.reports.flow.loops[0]?.flow_Lmin).toBeCloseTo(before, 9);
  });
});

describe('measured points', () => {
  const edit = (design: Design, component: string, of: 1 | 'head') => {
    const closed: string[] = [];
    show(
      design,
      <CurveEditor
        curve={{ component: findComponent(design, component) as Component, of }}
        onClose={() => closed.push('closed')}
      />,
    );
    return closed;
  };

  test('points in gallons and psi land in L/min and kPa', () => {
    const closed = edit(desk, 'processor-block', 1);
    fireEvent.change(screen.getByRole('textbox', { name: 'Points' }), {
      target: { value: '1 gpm\t1 psi\n2 gpm\t3.6 psi' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Use these points in this build' }));
    expect(closed).toEqual(['closed']);
    const part = findComponent(state.design, 'processor-block')?.part;
    const points = part?.kind === 'block' ? (part.passages[0]?.points ?? []) : [];
    // 1 US gal = 3.785411784 L exactly; 1 psi = 6.894757 kPa (NIST SP 811, appendix B).
    expect(points[0]?.[0]).toBeCloseTo(3.785411784, 6);
    expect(points[0]?.[1]).toBeCloseTo(6.894757, 4);
    expect(findComponent(state.design, 'card-block')).toEqual(findComponent(desk, 'card-block'));
  });

  test('a line without numbers is named, and nothing can be saved until it is mended', () => {
    edit(desk, 'processor-block', 1);
    const box = screen.getByRole('textbox', { name: 'Points' });
    fireEvent.change(box, { target: { value: '2 3\nfour five' } });
    expect(screen.getByRole('alert').textContent).toContain('Line 2');
    expect(
      (screen.getByRole('button', { name: 'Use these points in this build' }) as HTMLButtonElement)
        .disabled,
    ).toBe(true);
    fireEvent.change(box, { target: { value: '2 3\n4 5' } });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('the unit of bare numbers is chosen', () => {
    edit(desk, 'processor-block', 1);
    fireEvent.change(screen.getByRole('textbox', { name: 'Points' }), {
      target: { value: '120 30\n240 100' },
    });
    fireEvent.change(screen.getByLabelText('Flow in'), { target: { value: 'L/h' } });
    fireEvent.change(screen.getByLabelText('Drop in'), { target: { value: 'mbar' } });
    fireEvent.click(screen.getByRole('button', { name: 'Use these points in this build' }));
    const part = findComponent(state.design, 'processor-block')?.part;
    expect(part?.kind === 'block' && part.passages[0]?.points).toEqual([
      [2, 3],
      [4, 10],
    ]);
  });

  test('a rising head is explained and its falling part used', () => {
    edit(desk, 'pump', 'head');
    fireEvent.change(screen.getByRole('textbox', { name: 'Points' }), {
      target: { value: '0 3.8\n3 4\n8 2\n' },
    });
    expect(screen.getByRole('note').textContent).toContain('rises');
    fireEvent.click(screen.getByRole('button', { name: 'Use these points in this build' }));
    const part = findComponent(state.design, 'pump')?.part;
    expect(
      part?.kind === 'pump' &&
        part.points.every((p, i, all) => i === 0 || p[1] <= (all[i - 1]?.[1] ?? 0)),
    ).toBe(true);
    expect(state.analysis.reports.flow.loops[0]?.status).toBe('solved');
  });

  test('points far off any curve are called out', () => {
    edit(desk, 'processor-block', 1);
    fireEvent.change(screen.getByRole('textbox', { name: 'Points' }), {
      target: { value: '1 1\n2 40\n3 2\n4 16' },
    });
    expect(screen.getByText(/Look for a slip of a unit or a point/)).toBeTruthy();
  });
});

describe('branches, dirt, pressures', () => {
  test('lanes of the tower tell flow and share; a plain loop says it does not split', () => {
    show(
      tower,
      <>
        <Loop id="loop-2">{(p) => <BranchTable {...p} />}</Loop>
        <Loop id="loop">{(p) => <BranchTable {...p} />}</Loop>
      </>,
    );
    const share = (name: RegExp): number =>
      Number.parseFloat(cells(screen.getByRole('row', { name }))[2] ?? '');
    expect(share(/^Block of card A/) + share(/^Block of card B/)).toBe(100);
    expect(screen.getByText('This loop does not split: one flow through all of it.')).toBeTruthy();
  });

  test('the more is plugged, the less flows; what falls short is marked', () => {
    show(
      applyEdit(tower, { do: 'brief.limit', values: { flow_Lmin: 4.2 } }).design,
      <Loop id="loop">{(p) => <DirtTable {...p} />}</Loop>,
    );
    const row = cells(screen.getByRole('row', { name: /^Processor block/ }))
      .slice(1)
      .map((c) => Number.parseFloat(c));
    expect(row).toEqual([...row].sort((a, b) => b - a));
    expect(screen.getAllByText('under').length).toBeGreaterThan(0);
  });

  test('absolute is over-air plus the air', () => {
    show(desk, <Loop id="loop">{(p) => <PressureTable graph={p.graph} state={p.state} />}</Loop>);
    const last = (): number[] =>
      screen
        .getAllByRole('row')
        .slice(1)
        .map((r) => Number((cells(r).at(-1) ?? '').replace('−', '-').replace('+', '')));
    const over = last();
    fireEvent.click(screen.getByRole('radio', { name: 'absolute' }));
    last().forEach((v, i) =>
      expect(Math.abs(v - (over[i] as number) - 101.325)).toBeLessThan(0.11),
    );
  });

  test('in a row or side by side: both are shown, one click sets the other, undo comes back', () => {
    show(tower, <SeriesParallel loop="loop-2" />);
    expect(screen.getByText(/is better|makes no difference/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Set them in series' }));
    expect(state.analysis.system.loops.find((g) => g.loop.id === 'loop-2')?.branched).toBe(false);
    expect(screen.getByRole('button', { name: 'Set them in parallel' })).toBeTruthy();
    act(() => state.undo());
    expect(state.design).toEqual(tower);
  });

  test('one block has nothing to compare', () => {
    show(tower, <SeriesParallel loop="loop" />);
    expect(screen.getByText(/two blocks or more/)).toBeTruthy();
  });
});
