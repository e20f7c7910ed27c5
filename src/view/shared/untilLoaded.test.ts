/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { untilLoaded } from './untilLoaded';

/** A server that answers or not, and what it is asked. */
let isUp = false;
const asked: string[] = [];
const turns = async (): Promise<void> => {
  for (let i = 0; i < 20; i += 1) await Promise.resolve();
};

beforeEach(() => {
  isUp = false;
  asked.length = 0;
  jest.useFakeTimers();
  Object.assign(globalThis, {
    fetch: (url: string) => {
      asked.push(url);
      return isUp ? Promise.resolve({ ok: true }) : Promise.reject(new TypeError('no network'));
    },
  });
});
afterEach(() => {
  jest.useRealTimers();
});

describe('a piece of the page that loads when it is wanted', () => {
  const piece = (): Promise<string> =>
    isUp ? Promise.resolve('piece') : Promise.reject(new Error('chunk'));

  test('is waited for without the server, and comes as soon as the network is said to be back', async () => {
    const got: string[] = [];
    void untilLoaded(piece).then((p) => got.push(p));
    await turns();
    expect(got).toEqual([]);
    isUp = true;
    window.dispatchEvent(new Event('online'));
    await turns();
    expect(got).toEqual(['piece']);
  });

  test('is asked for again by itself where nobody says so', async () => {
    const got: string[] = [];
    void untilLoaded(piece).then((p) => got.push(p));
    await turns();
    const before = asked.length;
    isUp = true;
    jest.advanceTimersByTime(3000);
    await turns();
    expect(asked.length).toBe(before + 1);
    expect(got).toEqual(['piece']);
  });

  test('that a server in order does not have is a fault, told once', async () => {
    isUp = true;
    await expect(untilLoaded(() => Promise.reject(new Error('gone')))).rejects.toThrow('gone');
    expect(asked).toHaveLength(1);
  });
});
