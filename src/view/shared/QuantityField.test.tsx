/** @jest-environment jsdom */
import { describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { Mark, QuantityField, temperatureColour } from '.';

const field = (value: number | null, onCommit: (v: number | null) => void, rest: object = {}) =>
  render(
    <QuantityField
      label="Flow target"
      value={value}
      quantity="flow"
      decimals={1}
      min={0.1}
      max={30}
      onCommit={onCommit}
      {...rest}
    />,
  );
const type = (text: string, key = 'Enter'): HTMLInputElement => {
  const input = screen.getByLabelText('Flow target') as HTMLInputElement;
  fireEvent.change(input, { target: { value: text } });
  fireEvent.keyDown(input, { key });
  return input;
};

describe('a quantity edited in place', () => {
  test('takes other units', () => {
    const onCommit = jest.fn();
    field(3, onCommit);
    type('1.1 gpm');
    expect(onCommit).toHaveBeenCalledTimes(1);
    expect(onCommit.mock.calls[0]?.[0]).toBeCloseTo(4.164, 3);
  });

  test('a speed as a share of the fastest; of anything else a share is no figure', () => {
    const onCommit = jest.fn();
    field(900, onCommit, { quantity: 'speed', decimals: 0, min: 300, max: 1500 });
    type('60 %');
    // That is what it turns already.
    expect(onCommit).not.toHaveBeenCalled();
    type('62,5%');
    expect(onCommit.mock.calls).toEqual([[938]]);
    type('10 %');
    expect(onCommit).toHaveBeenCalledTimes(1);
    expect(screen.getByRole('alert').textContent).toContain('300 to 1,500 rpm');
  });

  test('keeps what was typed wrong and says why', () => {
    const onCommit = jest.fn();
    field(3, onCommit);
    const input = type('4 parsecs');
    expect(onCommit).not.toHaveBeenCalled();
    expect(input.value).toBe('4 parsecs');
    expect(screen.getByRole('alert').textContent).toContain('gpm');
  });

  test('names the limit when it is passed', () => {
    field(3, jest.fn());
    type('99');
    expect(screen.getByRole('alert').textContent).toContain('outside 0.1 to 30.0 L/min');
  });

  test('Escape brings the old value back', () => {
    const onCommit = jest.fn();
    field(3, onCommit);
    const input = type('7', 'Escape');
    expect(input.value).toBe('3.0');
    fireEvent.blur(input);
    expect(onCommit).not.toHaveBeenCalled();
  });

  test('empty means none only where it may', () => {
    const onCommit = jest.fn();
    field(3, onCommit, { optional: true });
    type('');
    expect(onCommit).toHaveBeenCalledWith(null);
  });

  test('leaving it unchanged commits nothing', () => {
    const onCommit = jest.fn();
    field(3, onCommit);
    fireEvent.blur(screen.getByLabelText('Flow target'));
    expect(onCommit).not.toHaveBeenCalled();
  });
});

describe('marks', () => {
  test.each([
    ['ok', 'OK'],
    ['marginal', 'marginal'],
    ['fails', 'fails'],
    ['unchecked', 'not checked'],
    ['note', 'note'],
  ] as const)('%s is a word for those who cannot see it', (verdict, word) => {
    render(<Mark verdict={verdict} />);
    expect(screen.getByText(word)).toBeTruthy();
  });

  test('the temperature ramp runs from cool to warm and knows the unknown', () => {
    expect(temperatureColour(null, 20, 40)).toBe('var(--unchecked)');
    expect(temperatureColour(20, 20, 40)).toContain('var(--cool)');
    expect(temperatureColour(40, 20, 40)).toContain('var(--warm) 100%');
    expect(temperatureColour(99, 20, 40)).toBe(temperatureColour(40, 20, 40));
  });
});
