/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Check, Pick, QuantityField } from '.';

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

const later = (ms: number): void => act(() => jest.advanceTimersByTime(ms));
const box = (): HTMLInputElement => screen.getByRole('checkbox');
const list = (): HTMLSelectElement => screen.getByRole('combobox');
const field = (): HTMLInputElement => screen.getByRole('textbox');

/** How long a build takes to show what was asked of it, ms. */
const WORKED_OUT_MS = 40;

/** A value that its build shows only when it is worked out. */
function useLate<T>(first: T): readonly [T, (next: T) => void] {
  const [value, setValue] = useState(first);
  return [value, (next) => void setTimeout(() => setValue(next), WORKED_OUT_MS)];
}

const OPTIONS = [
  { value: 'copper', label: 'Copper' },
  { value: 'brass', label: 'Brass' },
] as const;

describe('until the build shows it, a field shows what was asked for', () => {
  test('a tick', () => {
    function Late() {
      const [on, setOn] = useLate(false);
      return <Check checked={on} onChange={(e) => setOn(e.target.checked)} />;
    }
    render(<Late />);
    fireEvent.click(box());
    expect(box().checked).toBe(true);
    later(WORKED_OUT_MS);
    expect(box().checked).toBe(true);
    fireEvent.click(box());
    later(1000);
    expect(box().checked).toBe(false);
  });

  test('a tick that is refused goes', () => {
    render(<Check checked={false} onChange={() => undefined} />);
    fireEvent.click(box());
    expect(box().checked).toBe(true);
    later(499);
    expect(box().checked).toBe(true);
    later(1);
    expect(box().checked).toBe(false);
  });

  test('a tick that is taken back elsewhere goes at once', () => {
    const shown = render(<Check checked={false} onChange={() => undefined} />);
    fireEvent.click(box());
    shown.rerender(<Check checked onChange={() => undefined} />);
    shown.rerender(<Check checked={false} onChange={() => undefined} />);
    expect(box().checked).toBe(false);
  });

  test('one of a list', () => {
    function Late() {
      const [metal, setMetal] = useLate<'copper' | 'brass'>('copper');
      return <Pick label="Metal" options={OPTIONS} value={metal} onPick={setMetal} />;
    }
    render(<Late />);
    fireEvent.change(list(), { target: { value: 'brass' } });
    expect(list().value).toBe('brass');
    later(1000);
    expect(list().value).toBe('brass');
  });

  test('a list that asks for one more thing goes back to asking', () => {
    const picked = jest.fn();
    render(
      <Pick label="Add" options={OPTIONS} value={'' as 'brass'} onPick={picked}>
        <option value="">Add a metal</option>
      </Pick>,
    );
    fireEvent.change(list(), { target: { value: 'brass' } });
    expect(picked).toHaveBeenCalledWith('brass');
    expect(list().value).toBe('');
  });

  test('a quantity, as it was typed, then as the build writes it', () => {
    function Late() {
      const [mm, setMm] = useLate(40);
      return (
        <QuantityField
          label="Gap"
          value={mm}
          quantity="length"
          onCommit={(v) => v !== null && setMm(v)}
        />
      );
    }
    render(<Late />);
    fireEvent.change(field(), { target: { value: '5 cm' } });
    fireEvent.blur(field());
    expect(field().value).toBe('5 cm');
    later(WORKED_OUT_MS);
    expect(field().value).toBe('50');
  });

  test('a quantity that is left as it was handed in is not handed in again', () => {
    const commit = jest.fn();
    render(<QuantityField label="Gap" value={40} quantity="length" onCommit={commit} />);
    fireEvent.change(field(), { target: { value: '50' } });
    fireEvent.blur(field());
    fireEvent.focus(field());
    fireEvent.blur(field());
    expect(commit).toHaveBeenCalledTimes(1);
  });
});
