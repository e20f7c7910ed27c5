import { describe, expect, test } from '@jest/globals';
import { CATALOGUE } from '..';
import { evaluate } from '@/core/analysis';
import { matchesOf } from '@/core/matching';
import { routesOf, withRoutes } from '@/core/routing';
import { compileSystem } from '@/core/system';
import { validateDesign } from '@/core/validation';
import { MACHINES } from '.';

describe('machines of many kinds', () => {
  test.each(MACHINES.map((m) => [m.name, m.make] as const))(
    '%s: valid, every run routed, nothing fails, every pair known and fitting',
    (_, make) => {
      const design = withRoutes(make());
      expect(validateDesign(design).ok).toBe(true);
      const { findings, reports } = evaluate(design, { offer: CATALOGUE });
      expect(findings.filter((f) => f.severity === 'fails').map((f) => f.title)).toEqual([]);
      const tubes = design.loops.flatMap((l) => l.connections).filter((c) => c.by === 'tube');
      expect(
        routesOf(compileSystem(design))
          .routes.map((r) => r.connection)
          .sort(),
      ).toEqual(tubes.map((c) => c.id).sort());
      expect(matchesOf(design).every((m) => m.verdict === 'fits')).toBe(true);
      const { limits } = design.brief;
      const { loops, noise_dBA } = reports.heat[design.brief.loadCase];
      for (const l of loops) expect(l.deltaT_K).toBeLessThanOrEqual(limits.deltaT_K);
      expect(noise_dBA).toBeLessThanOrEqual(limits.noise_dBA);
    },
    60_000,
  );
});
