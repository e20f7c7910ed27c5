import { describe, expect, test } from '@jest/globals';
import { seenOfCutLine, seenOfCutRow } from './wholeRows';

const rows = (from: number, height: number, count: number) =>
  Array.from({ length: count }, (_, i) => ({
    top: from + i * height,
    bottom: from + (i + 1) * height,
  }));

test('of a line of text the tallest thing in it; nothing where the edge falls between two', () => {
  const text = { top: 203, bottom: 221 },
    button = { top: 200, bottom: 224 },
    picture = { top: 150, bottom: 300 };
  expect(seenOfCutLine(215, [text, button, picture])).toBe(15);
  expect(seenOfCutLine(215, [{ top: 197, bottom: 215 }])).toBe(0);
  expect(seenOfCutLine(215, [])).toBe(0);
});

describe('the end of a table that scrolls', () => {
  test('what is seen of the row that the edge cuts through', () => {
    // Rows of 30 px from 100: the edge at 215 cuts the fourth, 190 to 220.
    expect(seenOfCutRow(215, rows(100, 30, 20))).toBe(25);
    expect(seenOfCutRow(200, rows(100, 30, 20))).toBe(10);
  });

  test('nothing where the edge falls between two rows, above or below them all', () => {
    expect(seenOfCutRow(220, rows(100, 30, 20))).toBe(0);
    expect(seenOfCutRow(220.6, rows(100, 30, 20))).toBe(0);
    expect(seenOfCutRow(90, rows(100, 30, 20))).toBe(0);
    expect(seenOfCutRow(900, rows(100, 30, 20))).toBe(0);
    expect(seenOfCutRow(300, [])).toBe(0);
  });

  test('of a table within a row, the inner row; a tall row is left as it is', () => {
    const outer = { top: 180, bottom: 260 };
    expect(seenOfCutRow(215, [outer, ...rows(190, 30, 2)])).toBe(25);
    expect(seenOfCutRow(215, [{ top: 150, bottom: 300 }])).toBe(0);
  });
});
