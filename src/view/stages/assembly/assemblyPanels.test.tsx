/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { demoDesign, STANDARD_KIT } from '@/catalogue';
import { emptyDesign, type Design } from '@/core/design';
import { openTab, show, state } from '@/view/workspace/showInEditor';
import { AssemblyStage } from './AssemblyStage';

const desk = demoDesign('dawn-chorus-desk') as Design,
  planetarium = demoDesign('pocket-planetarium') as Design;
const steps = (): HTMLElement => screen.getByRole('list', { name: 'Steps' });
const type = (field: HTMLElement, value: string): void => {
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

describe('assembly', () => {
  test('an empty build says what to do first', () => {
    show(emptyDesign('New', STANDARD_KIT), <AssemblyStage />);
    expect(screen.getByRole('heading', { name: 'Nothing to put together yet' })).toBeTruthy();
  });

  test('a step done is marked with its time, the next one opens; a note stays; both are undone', () => {
    show(desk, <AssemblyStage />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Step 1 of 28: Unpack/);
    fireEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Step 2 of 28: Take/);
    expect(screen.getByText(/^1 of 28 steps done/)).toBeTruthy();
    const { on } = state.design.choices.work?.done?.dry ?? {};
    expect(Number.isNaN(Date.parse(on ?? ''))).toBe(false);
    type(screen.getByLabelText('Note'), 'two screws short');
    expect(Object.values(state.design.choices.work?.notes ?? {})).toEqual(['two screws short']);
    fireEvent.click(within(steps()).getByRole('checkbox', { name: /^Done: Unpack/ }));
    expect(state.design.choices.work?.done).toEqual({});
  });

  test('a step says why it comes here, what it needs, and what can hurt', () => {
    show(planetarium, <AssemblyStage />);
    fireEvent.click(within(steps()).getByRole('button', { name: /^Plug in the power cables/ }));
    expect(screen.getByText(/^Before Top radiator: fingers no longer reach/)).toBeTruthy();
    expect(screen.getByText(/qualified electrician/)).toBeTruthy();
  });

  test('an air test: over the rating it is refused, two readings tell a rate and how much longer', async () => {
    show(desk, <AssemblyStage />);
    await openTab('leak test with air');
    expect(screen.getByText(/^Pump to 450 mbar at most: the rating of Reservoir/)).toBeTruthy();
    type(screen.getByLabelText('Gauge'), '600');
    expect(screen.getByRole('alert').textContent).toContain('450 mbar');
    expect(
      (screen.getByRole('button', { name: 'Note it now' }) as HTMLButtonElement).disabled,
    ).toBe(true);
    type(screen.getByLabelText('Gauge'), '0.4 bar');
    fireEvent.click(screen.getByRole('button', { name: 'Note it now' }));
    expect(state.design.choices.work?.airTests?.loop?.readings).toMatchObject([
      { gauge_mbar: 400, temp_C: 22 },
    ]);
    expect(screen.getByText(/two readings tell a first rate/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Restart the test' }));
    expect(state.design.choices.work?.airTests).toEqual({});
  });

  test('what a gauge has logged is taken whole, or told where it is wrong and kept', async () => {
    show(desk, <AssemblyStage />);
    await openTab('leak test with air');
    const table = screen.getByLabelText('Readings of the gauge as a table');
    const take = screen.getByRole('button', { name: /^Take these/ });
    fireEvent.change(table, { target: { value: 'on;gauge_mbar;temp_C\nnoon;400;21' } });
    fireEvent.click(take);
    expect(screen.getByText('Row 2, on: "noon" is no date and time.')).toBeTruthy();
    const rows = [0, 10, 20, 30, 40].map(
      (m) => `2026-12-05T10:${String(m).padStart(2, '0')}Z;${400 - 2 * m};21`,
    );
    fireEvent.change(table, { target: { value: ['on;gauge_mbar;temp_C', ...rows].join('\n') } });
    fireEvent.click(take);
    expect(state.design.choices.work?.airTests?.loop?.readings).toHaveLength(5);
    expect(screen.getByText('It leaks')).toBeTruthy();
  });

  test('the water test: looks in their turn and by the clock, taken back, started anew', async () => {
    show(desk, <AssemblyStage />);
    await openTab('leak test with water');
    fireEvent.click(screen.getByRole('button', { name: 'The pump runs now' }));
    expect(screen.getByText(/^Look again in 10 min/)).toBeTruthy();
    const looks = () => screen.getAllByRole('button', { name: 'all dry' });
    expect(looks().every((b) => (b as HTMLButtonElement).disabled)).toBe(true);
    const [key] = Object.keys(state.design.choices.work?.done ?? {});
    act(() =>
      state.commit('earlier', {
        do: 'work.mark',
        step: key ?? '',
        mark: { on: new Date(Date.now() - 3 * 3_600_000).toISOString() },
      }),
    );
    expect(screen.getByText(/^Look now/)).toBeTruthy();
    for (let i = 0; i < 4; i += 1) fireEvent.click(looks()[0] as HTMLElement);
    expect(screen.getByText(/^Look again in 6[01] min/)).toBeTruthy();
    fireEvent.click(screen.getAllByRole('button', { name: /take back$/ })[0] as HTMLElement);
    expect(screen.getByText(/^Look now/)).toBeTruthy();
  });

  test('filling: pours and pulses, pockets with the side to lift, what draining leaves', async () => {
    show(desk, <AssemblyStage />);
    await openTab('fill and bleed');
    const rows = within(screen.getByRole('table')).getAllByRole('row');
    expect(rows.length).toBeGreaterThan(2);
    expect(
      screen.getByText(/^Top radiator: about .* Lift the (front|rear) of the case/),
    ).toBeTruthy();
    expect(screen.getByText(/^By Pump, with the fill cap off/)).toBeTruthy();
  });

  test('the calendar: days are chosen, the end follows, one day at least stays', async () => {
    show(desk, <AssemblyStage />);
    await openTab('calendar');
    const end = (): string => screen.getByText(/if nothing goes wrong/).textContent ?? '';
    const before = end();
    for (const day of ['Mon', 'Tue', 'Wed'])
      fireEvent.click(screen.getByRole('checkbox', { name: day }));
    expect(state.design.choices.work?.plan?.days).toEqual([0, 1, 2, 3, 6]);
    expect(end()).not.toBe(before);
    for (const day of ['Mon', 'Tue', 'Wed', 'Sun', 'Sat'])
      fireEvent.click(screen.getByRole('checkbox', { name: day }));
    expect(state.design.choices.work?.plan?.days).toEqual([6]);
  });
});
