import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { analyse, createSession, JUDGE } from '../analysis';
import { applyEdit, type Design } from '../design';
import type { Fix } from './diagnostic';
import { groupByFix } from './grouped';
import { findingKey, resolveFixes } from './resolveFixes';

const found = (code: string, ...subjects: string[]) => ({
  code,
  subjects,
  severity: 'fails' as const,
});
const fix = (label: string, ...clears: string[]): Fix => ({
  label,
  edit: { do: 'design.rename', name: label },
  clears,
});

describe('findings by what solves them', () => {
  const a = found('fit.clash', 'a'),
    b = found('fit.clash', 'b'),
    c = found('fit.clash', 'c'),
    d = found('noise.over');

  test('the change that clears most comes first, the rest stays alone (by hand)', () => {
    const thin = fix('thin', 'fit.clash|a', 'fit.clash|b', 'fit.clash|c'),
      slide = fix('slide', 'fit.clash|a', 'fit.clash|b');
    const { groups, alone } = groupByFix(
      [a, b, c, d],
      [
        ['fit.clash|a', [slide, thin]],
        ['fit.clash|b', [thin]],
      ],
    );
    expect(groups).toEqual([{ fix: thin, findings: [a, b, c] }]);
    expect(alone).toEqual([d]);
  });

  test('what solves a single finding makes no group', () => {
    expect(groupByFix([a, d], [['noise.over|', [fix('slow', 'noise.over|')]]])).toEqual({
      groups: [],
      alone: [a, d],
    });
  });

  test('a thick radiator: one change is said to clear several clashes, and does', () => {
    const design = applyEdit(demoDesign('dawn-chorus-desk') as Design, {
      do: 'component.replace',
      component: 'front-radiator',
      part: catalogued('radiator', 'rad-fell-360-60'),
    }).design;
    const session = createSession(design, CATALOGUE);
    const findings = session.analysis().findings.filter((f) => f.severity !== 'note');
    const { groups } = groupByFix(
      findings,
      findings.map((f) => [findingKey(f), resolveFixes(session.design, f, JUDGE)] as const),
    );
    expect(groups[0]?.fix.label).toBe('Use a thinner radiator: Tarn 360, 30 mm');
    expect(groups[0]?.findings.length).toBeGreaterThanOrEqual(5);
    for (const group of groups) {
      const after = analyse(applyEdit(design, group.fix.edit).design).findings.map(findingKey);
      for (const f of group.findings) expect(after).not.toContain(findingKey(f));
    }
  });
});
