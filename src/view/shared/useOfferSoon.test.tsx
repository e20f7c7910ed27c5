/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import { act, render, screen, waitFor } from '@testing-library/react';
import { BARE_PART_LISTS, offered } from '@/catalogue';
import { atFirstTouch } from './atFirstTouch';
import { useOfferSoon } from './useOfferSoon';

afterEach(() => void jest.useRealTimers());

const touch = (type: string): void => void window.dispatchEvent(new Event(type));

test('what waits for a hand is done at its first touch, and once', () => {
  for (const type of ['pointermove', 'pointerdown', 'keydown', 'focusin']) {
    const work = jest.fn();
    atFirstTouch(work);
    expect(work).not.toHaveBeenCalled();
    touch(type);
    touch('keydown');
    touch(type);
    expect(work).toHaveBeenCalledTimes(1);
  }
});

test('without a hand it is done after five seconds, and not again', () => {
  jest.useFakeTimers();
  const work = jest.fn();
  atFirstTouch(work);
  jest.advanceTimersByTime(4990);
  expect(work).not.toHaveBeenCalled();
  jest.advanceTimersByTime(20);
  touch('keydown');
  expect(work).toHaveBeenCalledTimes(1);
});

test('a list offers nothing until the page is touched; then all the catalogue has', async () => {
  globalThis.fetch = (() => Promise.reject(new Error('no server'))) as typeof fetch;
  const List = () => <p>{`${useOfferSoon('tube').length} tubes`}</p>;
  render(<List />);
  await act(() => new Promise((r) => setTimeout(r, 50)));
  expect(screen.getByText('0 tubes')).toBeTruthy();
  act(() => touch('pointermove'));
  const count = offered(BARE_PART_LISTS).filter((p) => p.kind === 'tube').length;
  await waitFor(() => expect(screen.getByText(`${count} tubes`)).toBeTruthy());
  expect(count).toBeGreaterThan(3);
});
