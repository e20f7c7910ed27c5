/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { afterPaint, notAfterPaint } from './afterPaint';

/** Until a frame is painted and what waits for it is done. */
const painted = (): Promise<void> =>
  new Promise((done) => requestAnimationFrame(() => setTimeout(() => setTimeout(done))));

test('it is done once, after the frame, and not at all when it is no longer wanted', async () => {
  const done: string[] = [];
  const one = (): number => done.push('one'),
    two = (): number => done.push('two');
  afterPaint(one);
  afterPaint(one);
  afterPaint(two);
  requestAnimationFrame(() => done.push('frame'));
  notAfterPaint(two);
  expect(done).toEqual([]);
  await painted();
  expect(done).toEqual(['frame', 'one']);
  afterPaint(two);
  await painted();
  expect(done).toEqual(['frame', 'one', 'two']);
});
