/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import type { Design } from '@/core/design';
import { show, state } from '@/view/workspace/showInEditor';
import { BriefStage } from './BriefStage';

const desk = demoDesign('dawn-chorus-desk') as Design;
const brief = (): Design['brief'] => state.design.brief;
const field = (name: string | RegExp): HTMLInputElement => screen.getByLabelText(name);
function type(name: string | RegExp, text: string): void {
  fireEvent.change(field(name), { target: { value: text } });
  fireEvent.blur(field(name));
}
/** What a field refuses stays in it, with the reason beside. */
const refused = (): string => screen.getByRole('alert').textContent ?? '';

describe('requirements', () => {
  test('a room typed in °F is kept in °C (77 °F are 25 °C)', () => {
    show(desk, <BriefStage />);
    type('Room temperature', '77 F');
    expect(brief().room_C).toBeCloseTo(25, 9);
  });

  test('a flow typed in US gallons is kept in litres (1 gal = 3.785411784 L, NIST SP 811)', () => {
    show(desk, <BriefStage />);
    type('Flow target', '1 gpm');
    expect(brief().limits.flow_Lmin).toBeCloseTo(3.785411784, 6);
  });

  test('a room colder than any is refused with its bounds, and nothing changes', () => {
    show(desk, <BriefStage />);
    type('Room temperature', '-60');
    expect(refused()).toMatch(/-20|−20/);
    expect(refused()).toMatch(/60/);
    expect(state.design).toEqual(desk);
    expect(field('Room temperature').value).toBe('-60');
  });

  test('the load case that is judged is one of a list; all is judged by it at once', () => {
    show(desk, <BriefStage />);
    fireEvent.change(screen.getByLabelText('Load case'), { target: { value: 'idle' } });
    expect(brief().loadCase).toBe('idle');
    expect(state.past).toHaveLength(1);
  });

  test('another currency at its rate: budget and list follow, one step back', () => {
    show(desk, <BriefStage />);
    type('Currency, three letters', 'usd');
    expect(brief().currency).toBe('USD');
    type('Exchange rate', '1,10');
    expect(brief().exchange).toBeCloseTo(1.1, 9);
    const { budget_minor } = desk.brief.limits;
    if (budget_minor !== null)
      expect(brief().limits.budget_minor).toBe(Math.round(budget_minor * 1.1));
    act(() => state.undo());
    act(() => state.undo());
    expect(state.design).toEqual(desk);
  });

  test.each([
    ['Currency, three letters', 'euro', /three letters/],
    ['Currency, three letters', 'E1', /three letters/],
  ])('%s: "%s" is refused', (name, text, why) => {
    show(desk, <BriefStage />);
    type(name, text);
    expect(refused()).toMatch(why);
    expect(state.design).toEqual(desk);
  });

  test.each(['0', '-2', 'much', ''])('an exchange rate of "%s" is refused', (text) => {
    show({ ...desk, brief: { ...desk.brief, currency: 'USD', exchange: 1.1 } }, <BriefStage />);
    type('Exchange rate', text);
    expect(refused()).toMatch(/0\.0001 to 100000/);
    expect(brief().exchange).toBe(1.1);
  });
});
