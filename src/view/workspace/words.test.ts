import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, differences, type Design, type Edit } from '@/core/design';
import { placeWords, valueWords } from './differenceWords';
import { saveWords } from './saveWords';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('where the work is, in words', () => {
  test.each([
    ['saved', 'kept', null, 'saved'],
    ['unsaved', 'writing', null, 'saving'],
    ['offline', 'kept', null, 'server not reached; kept in this browser'],
    ['hung', 'writing', null, 'server does not answer; being kept in this browser'],
    ['trouble', 'kept', 'disk full', 'disk full; kept in this browser'],
    ['gone', 'kept', 'binned', 'in the bin; kept in this browser'],
  ] as const)('%s, %s', (save, kept, message, words) => {
    expect(saveWords(save, kept, message)).toBe(words);
  });

  test('"kept" is never said where the browser refused', () => {
    for (const save of ['offline', 'hung', 'trouble', 'gone'] as const)
      expect(saveWords(save, 'refused', null)).toContain('kept nowhere yet');
  });
});

describe('what differs, in words', () => {
  const words = (edit: Edit): readonly string[] => {
    const after = applyEdit(desk, edit).design;
    return differences(desk, after).map(
      (d) => `${placeWords(d.path, desk, after)}: ${valueWords(d.before)} → ${valueWords(d.after)}`,
    );
  };

  test('names of parts, fields and units', () => {
    expect(words({ do: 'design.rename', name: 'Other' })).toEqual([
      'Name of the build: Dawn chorus desk → Other',
    ]);
    expect(words({ do: 'brief.set', values: { room_C: 30 } })).toEqual([
      'Requirements: room, °C: 22 → 30',
    ]);
    expect(words({ do: 'brief.limit', values: { noise_dBA: 35 } })).toEqual([
      'Requirements: noise at most, dBA: 30 → 35',
    ]);
    expect(
      words({ do: 'component.set', component: 'pump', values: { speed_rpm: 3000 } })[0],
    ).toMatch(/^Pump: speed, rpm: .+ → 3,000$/);
  });

  test('a part that is gone is told by its name, and as not there', () => {
    const said = words({ do: 'component.remove', component: 'card-block' });
    expect(said.some((s) => /^Card block: Card block → not there$/.test(s))).toBe(true);
  });

  test('values of every kind are short', () => {
    for (const value of [
      undefined,
      null,
      1.23456,
      true,
      'x'.repeat(500),
      [1, 2],
      { name: 'A' },
      {},
    ])
      expect(valueWords(value).length).toBeLessThan(70);
  });
});
