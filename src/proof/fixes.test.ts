import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, DEMO_BUILDS } from '@/catalogue';
import { MACHINES } from '@/catalogue/machines';
import { analyse, JUDGE } from '@/core/analysis';
import { findingKey, resolveFixes, type Finding } from '@/core/checks';
import { applyEdit, type Design } from '@/core/design';
import { withRoutes } from '@/core/routing';
import { variants } from './pinned/variants';

/** Runs that a list of findings says have lost their way. */
const lost = (findings: readonly Finding[]): number =>
  findings.reduce((sum, f) => sum + (f.code === 'run.unrouted' ? f.subjects.length : 0), 0);

const failsByCode = (findings: readonly Finding[]): ReadonlyMap<string, number> => {
  const count = new Map<string, number>();
  for (const f of findings)
    if (f.severity === 'fails') count.set(f.code, (count.get(f.code) ?? 0) + 1);
  return count;
};

/**
 * Applies every fix that is offered for a build: what it belongs to must be gone and no kind of
 * finding fail more often. Gives how many there were.
 */
function applyAll(design: Design): number {
  let applied = 0;
  for (const finding of analyse(design, { offer: CATALOGUE }).findings)
    for (const { edit, label } of resolveFixes(design, finding, JUDGE)) {
      applied += 1;
      const changed = applyEdit(design, edit).design;
      // One basis: as routed where no run loses its way, all estimated otherwise.
      const isKept = lost(JUDGE.asRouted(changed)) <= lost(JUDGE.asRouted(design));
      const judge = isKept ? JUDGE.asRouted : JUDGE.estimated;
      const before = failsByCode(judge(design)),
        after = judge(changed);
      expect([label, after.map(findingKey).includes(findingKey(finding))]).toEqual([label, false]);
      for (const [code, fails] of failsByCode(after))
        expect([label, code, fails <= (before.get(code) ?? 0)]).toEqual([label, code, true]);
    }
  return applied;
}

describe('every fix that is offered, applied', () => {
  test.each(DEMO_BUILDS.map((d) => [d.design.name, d.design] as const))('demo: %s', (_, design) => {
    applyAll(design);
  });

  test.each(MACHINES.map((m) => [m.name, m.make] as const))('machine: %s', (_, make) => {
    applyAll(withRoutes(make()));
  });

  const random = variants(34)
    .filter((v) => v.id.includes('changed'))
    .slice(0, 100);
  test('a hundred random builds', () => {
    expect(random).toHaveLength(100);
    const applied = random.reduce((sum, { design }) => sum + applyAll(design), 0);
    expect(applied).toBeGreaterThan(100);
  }, 600_000);
});
