/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';
import { demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign, type Design, type Edit } from '@/core/design';
import { openTab, show, state } from '@/view/workspace/showInEditor';
import { LogStage } from './LogStage';

const desk = demoDesign('dawn-chorus-desk') as Design;
const work = () => state.design.choices.work ?? {};
const type = (field: HTMLElement, value: string): void => {
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const after = (...edits: readonly Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, desk);
const ON = '2026-12-01T10:00:00.000Z';
const READ: Edit = {
  do: 'work.reading',
  on: ON,
  reading: {
    on: ON,
    load: 'stress',
    room_C: 22,
    coolant_C: { loop: 31.5 },
    flow_Lmin: { loop: 3 },
  },
};

describe('log', () => {
  test('an empty build says what comes first; a new one how the hour goes', () => {
    show(emptyDesign('New', STANDARD_KIT), <LogStage />);
    expect(screen.getByRole('heading', { name: 'Nothing to log yet' })).toBeTruthy();
  });

  test('a reading by hand: units are typed, doubts are told, it is kept all the same', () => {
    show(desk, <LogStage />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(
      'No reading of the machine yet',
    );
    const note = (): HTMLButtonElement =>
      screen.getByRole('button', { name: /^Note (this reading|it all the same)/ });
    expect(note().disabled).toBe(true);
    type(screen.getByLabelText('Coolant'), '88 F');
    type(screen.getByLabelText('Flow'), '0.8 gpm');
    expect(screen.queryByRole('alert')).toBeNull();
    type(screen.getByLabelText('Room'), '40');
    expect(screen.getByRole('alert').textContent).toContain('no radiator cools below the room');
    fireEvent.click(screen.getByRole('button', { name: 'Note it all the same' }));
    const [reading] = work().readings ?? [];
    expect(reading?.coolant_C?.loop).toBeCloseTo(31.11, 1);
    expect(reading?.flow_Lmin?.loop).toBeCloseTo(3.03, 1);
    expect(screen.getByRole('heading', { name: 'Readings (1)' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /^Take away the reading/ }));
    expect(work().readings).toEqual([]);
  });

  test('the guided states are ticked by readings that were taken in them', () => {
    show(after(READ), <LogStage />);
    const states = within(screen.getAllByRole('list')[0] as HTMLElement).getAllByRole('listitem');
    expect(states).toHaveLength(4);
    expect(states.map((s) => within(s).queryByText('OK') !== null)).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });

  test('a table is taken whole or not at all', () => {
    show(desk, <LogStage />);
    const table = screen.getByLabelText('Readings as a table');
    const take = screen.getByRole('button', { name: 'Take these readings' });
    fireEvent.change(table, {
      target: {
        value: 'on;load;room_C;coolant_C/loop\n2026-12-01;stress;22;31\n2026-12-02;tea;22;31',
      },
    });
    fireEvent.click(take);
    expect(screen.getByText(/^Row 3, load: "tea" is none of/)).toBeTruthy();
    expect(work().readings).toBeUndefined();
    fireEvent.change(table, {
      target: {
        value: 'on;load;room_C;coolant_C/loop\n2026-12-02;gaming;22;31\n2026-12-01;stress;22;31',
      },
    });
    fireEvent.click(take);
    expect(work().readings?.map((r) => r.load)).toEqual(['stress', 'gaming']);
  });

  test('service: what is due first, done today, and due again a whole interval later', async () => {
    show(after(READ), <LogStage />);
    await openTab('years and service');
    const first = (): HTMLElement => screen.getAllByRole('row')[1] as HTMLElement;
    expect(first().textContent).toContain('Tighten every fitting by hand, cold');
    expect(first().textContent).toContain('3 Dec 2026');
    fireEvent.click(within(first()).getByRole('button', { name: 'done today' }));
    expect(work().service).toMatchObject([{ job: 'retighten' }]);
    expect(first().textContent).not.toContain('Tighten every fitting');
    expect(screen.getByText(/^Drain at the lowest place/)).toBeTruthy();
  });

  test('a quote adds up, and is kept once it is said for whom', async () => {
    show(desk, <LogStage />);
    await openTab('quote and handover');
    const cells = screen
      .getAllByRole('cell')
      .map((c) => Math.round(100 * Number((c.textContent ?? '').replaceAll(',', ''))));
    const [parts = NaN, hours = NaN, tax = NaN, total = NaN] = cells;
    expect(parts + hours + tax).toBe(total);
    type(screen.getByLabelText(/^An hour/), '50');
    expect(work().client).toMatchObject({ client: '', rate_cents: 5000 });
    type(screen.getByLabelText('Built for'), 'The rookery');
    expect(work().client).toMatchObject({ client: 'The rookery', rate_cents: 5000 });
    type(screen.getByLabelText(/^An hour/), 'a lot');
    expect(screen.getByRole('alert').textContent).toContain('"a lot" is not an amount');
    expect(work().client?.rate_cents).toBe(5000);
  });
});

describe('years and service', () => {
  test('what the loops can still take, as measured once it was, with where upgrades are tried', async () => {
    const heatOf = async () => {
      await openTab('years and service');
      const heading = screen.getByRole('heading', { name: 'What an upgrade would bring' });
      const text = heading.parentElement?.textContent ?? '';
      return { text, W: Number(/the loops carry (\d+) W/.exec(text)?.[1]) };
    };
    const { unmount } = show(desk, <LogStage />) as unknown as { unmount(): void };
    const printed = await heatOf();
    expect(printed.text).toContain('as printed');
    unmount();
    const measured = {
      on: ON,
      readings: 4,
      radiators: 0.8,
      losses: 1,
      blocks: {},
      spreads: { radiators: 0.03 },
    };
    show(after(READ, { do: 'work.measured', measured }), <LogStage />);
    const real = await heatOf();
    expect(real.text).toContain('what was measured of this machine');
    expect(real.W).toBeLessThan(0.9 * printed.W);
    expect(screen.getByRole('link', { name: 'Another pump' }).getAttribute('href')).toMatch(
      /\/flow$/,
    );
  });
});
