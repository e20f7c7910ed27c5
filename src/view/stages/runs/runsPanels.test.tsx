/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import { withoutRoutes, type Design } from '@/core/design';
import { rerouteEdit } from '@/core/routing';
import { useEditor } from '@/view/workspace';
import { show, state } from '@/view/workspace/showInEditor';
import { RunPanel } from './RunPanel';
import { SheetsView } from './SheetsView';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design;

/** The panel of one run. */
function Panel({ id }: { readonly id: string }) {
  const { design, analysis } = useEditor((s) => s);
  const run = analysis.reports.runs.find((r) => r.id === id),
    loop = design.loops.find((l) => l.connections.some((k) => k.id === id)),
    connection = loop?.connections.find((k) => k.id === id);
  return run && loop && connection ? <RunPanel run={run} loop={loop} link={connection} /> : null;
}

describe('the picked run', () => {
  test('marks in a table as on the strip; the first bend starts before its corner', () => {
    show(tower, <Panel id="run-2" />);
    expect(screen.getByText(/^Cut .* inside/).textContent).not.toMatch(/estimated/);
    const rows = within(screen.getAllByRole('table')[0] as HTMLElement)
      .getAllByRole('row')
      .slice(1);
    const run = state.analysis.reports.runs.find((r) => r.id === 'run-2');
    expect(rows).toHaveLength(run?.bends ?? -1);
    const starts = rows.map((r) => Number(within(r).getAllByRole('cell')[1]?.textContent));
    expect(starts).toEqual([...starts].sort((a, b) => a - b));
    expect(screen.getByText(/^Start the first bend 12\.4/)).toBeTruthy();
  });

  test('how a stiff tube comes between its fittings and what its errors do; of a soft one nothing', () => {
    show(tower, <Panel id="run-2" />);
    expect(
      screen.getByText(/^Marks off by 1 mm and bends by 2° put its far end about/),
    ).toBeTruthy();
    expect(
      screen.getByText(/^Its ends push against each other .* Front radiator off/),
    ).toBeTruthy();
    cleanup();
    show(desk, <Panel id="run-1" />);
    expect(screen.queryByText(/^Marks off by/)).toBeNull();
  });

  test('a soft tube says how it lies by itself, and asks for a clip where that touches something', () => {
    const linesOf = (design: Design): readonly string[] =>
      design.loops
        .flatMap((l) => l.connections)
        .map(({ id }) => {
          cleanup();
          show(design, <Panel id={id} />);
          return screen.queryByText(/Left to itself/)?.textContent ?? '';
        })
        .filter((line) => line !== '');
    const lines = linesOf(desk);
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines)
      expect(line).toMatch(
        /up to [\d.]+ mm beside this route, turns by \d+° .* tighter than \d+ mm/,
      );
    expect(lines.every((line) => line.includes('It meets nothing there'))).toBe(true);
    // A bar past the route of one, where that tube comes to lie.
    const box = desk.case as NonNullable<Design['case']>;
    const bar = { id: 'bar', name: 'Bar', removable: false } as const;
    const barred = linesOf({
      ...desk,
      case: {
        ...box,
        obstacles: [...box.obstacles, { ...bar, min: [282, 325, 102], max: [288, 330, 107] }],
      },
    });
    expect(barred.filter((line) => line.includes('hold it with a clip'))).toHaveLength(1);
  });

  test('its way by hand: a direction, a place to pass, a pin and back to its own way, each a step to undo', () => {
    show(tower, <Panel id="run-2" />);
    const route = () => state.design.layout.routes['run-2'];
    const lay = () => act(() => state.layOut(null, rerouteEdit(state.design)));
    const link = () => state.design.loops[0]?.connections.find((l) => l.id === 'run-2');
    fireEvent.click(screen.getByText('Route by hand'));
    const [first] = [...(screen.getByLabelText('Sets off') as HTMLSelectElement).options].filter(
      (o) => o.value !== '',
    );
    fireEvent.change(screen.getByLabelText('Sets off'), { target: { value: first?.value } });
    expect(link()?.constraints?.exit?.join()).toBe(first?.value);
    // What is set by hand wants routing again; then it can be pinned as it lies.
    expect(route()).toBeUndefined();
    lay();
    fireEvent.click(screen.getByRole('button', { name: 'Pin it as it lies' }));
    expect(route()?.pinned).toBe(true);
    // A place set after the pin takes the pin's place.
    fireEvent.click(screen.getByRole('button', { name: 'Pass a place' }));
    expect(link()?.constraints?.waypoints).toHaveLength(1);
    expect(route()?.pinned).toBeUndefined();
    fireEvent.click(screen.getByRole('button', { name: 'Reset to automatic route' }));
    expect(link()?.constraints).toBeUndefined();
    act(() => state.undo());
    expect(link()?.constraints?.waypoints).toHaveLength(1);
  });

  test('too short: what saves it, and doing it is one step', () => {
    show(desk, <Panel id="run-2" />);
    fireEvent.click(screen.getByText('What if it comes out too short?'));
    fireEvent.change(screen.getByLabelText('Too short by'), { target: { value: '8' } });
    fireEvent.blur(screen.getByLabelText('Too short by'));
    fireEvent.click(screen.getByRole('radio', { name: 'at Pump' }));
    const extender = screen.getByText(/^Put Extender 15 mm into Pump/).closest('li') as HTMLElement;
    fireEvent.click(within(extender).getByRole('button', { name: 'Do it' }));
    expect(state.design.loops[0]?.connections.find((l) => l.id === 'run-2')?.ends.from).toBe(
      'extender',
    );
  });
});

describe('sheets and cuts', () => {
  test('easiest first; a picked one shows its steps and cautions; the cuts say whether they are the fewest', () => {
    const { unmount } = show(withoutRoutes(tower), <SheetsView />);
    expect(screen.getAllByText(/no route yet/).length).toBe(2);
    unmount();
    show(tower, <SheetsView />);
    const rows = within(screen.getAllByRole('table')[0] as HTMLElement)
        .getAllByRole('row')
        .slice(1),
      bends = rows.map((r) => Number(within(r).getAllByRole('cell')[3]?.textContent));
    expect(bends).toEqual([...bends].sort((a, b) => a - b));
    fireEvent.click(within(rows[0] as HTMLElement).getAllByRole('button')[0] as HTMLElement);
    expect(screen.getByRole('heading', { name: /step by step$/ })).toBeTruthy();
    expect(screen.getByText(/^Heat gun: burns, fire and fumes/)).toBeTruthy();
    // Both loops are made of one tube: one plan, and the other loop points to it.
    expect(screen.getAllByText(/^No plan needs fewer sticks/).length).toBe(1);
    expect(screen.getAllByText(/^Cut from the same/).length).toBe(1);
  });

  test('a test bend is noted, tells what is left, and is forgotten again', () => {
    show(tower, <SheetsView />);
    const left = screen.getAllByLabelText('Left when cool')[0] as HTMLInputElement;
    fireEvent.change(left, { target: { value: '81' } });
    fireEvent.blur(left);
    expect(state.design.loops[0]?.testBends).toEqual([{ set_deg: 90, left_deg: 81 }]);
    expect(screen.getByText(/^Test bend: 90\.0 % of the set angle is left/)).toBeTruthy();
    fireEvent.change(left, { target: { value: '' } });
    fireEvent.blur(left);
    expect(state.design.loops[0]?.testBends).toBeUndefined();
  });
});
