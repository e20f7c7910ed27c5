import { afterEach, describe, expect, test } from '@jest/globals';
import { showLanguage } from '../messages';
import {
  ANOTHER_RUN,
  CASE_WALL,
  inTheWayWords,
  PASS_THROUGH,
  tighterBends,
  wayOutWords,
} from './wayOut';

afterEach(() => showLanguage(null));

describe('what a build keeps of a run without a route', () => {
  test('reads in English as it is kept', () => {
    for (const kept of [PASS_THROUGH, tighterBends(28.6)]) expect(wayOutWords(kept)).toBe(kept);
    for (const kept of [CASE_WALL, ANOTHER_RUN]) expect(inTheWayWords(kept)).toBe(kept);
    expect(tighterBends(28.6)).toBe('bends of 29 mm');
  });

  test('is worded for another reader; the name of a part stays', () => {
    showLanguage({ tag: 'xx', write: (english) => `<${english}>` });
    expect(wayOutWords(tighterBends(24))).toMatch(/^<bends of .*>$/);
    expect(wayOutWords(PASS_THROUGH)).toBe(`<${PASS_THROUGH}>`);
    expect(inTheWayWords(CASE_WALL)).toBe(`<${CASE_WALL}>`);
    expect(inTheWayWords('Stack 2 × 16, low')).toBe('Stack 2 × 16, low');
  });
});
