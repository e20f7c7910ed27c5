import { describe, expect, test } from '@jest/globals';
import { CATALOGUE } from '..';
import { evaluate } from '@/core/analysis';
import type { Design } from '@/core/design';
import { matchesOf } from '@/core/matching';
import { boxGap } from '@/core/geometry';
import { routesOf, samplePath, withRoutes } from '@/core/routing';
import { compileSystem, roomAt, trayBoxes } from '@/core/system';
import { validateDesign } from '@/core/validation';
import { MACHINES } from '.';

const ROUTED = new Map<() => Design, Design>();
/** A machine as the router lays it, laid once for all that is asked of it. */
function routedOnce(make: () => Design): Design {
  const routed = ROUTED.get(make) ?? withRoutes(make());
  ROUTED.set(make, routed);
  return routed;
}

describe('machines of many kinds', () => {
  test.each(MACHINES.map((m) => [m.name, m.make] as const))(
    '%s: valid, every run routed, nothing fails, every pair known and fitting',
    (_, make) => {
      const design = routedOnce(make);
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

  test.each(MACHINES.map((m) => [m.name, m.make] as const))(
    '%s: no tube goes through a wall, nor through the tray but by its openings',
    (_, make) => {
      const design = routedOnce(make),
        system = compileSystem(design);
      const { rooms } = system;
      if (!rooms || !design.case) throw new Error('a machine stands in a case');
      const tray = trayBoxes(design.case);
      for (const route of routesOf(system).routes) {
        const points = samplePath(route.path, 3);
        if (rooms.shell) {
          const seen = new Set(points.map((p) => roomAt(rooms, p) === 'outside'));
          expect([route.connection, seen.size]).toEqual([route.connection, 1]);
        }
        if (rooms.behind)
          for (const p of points)
            expect(tray.some((b) => boxGap({ min: p, max: p }, b) < 0)).toBe(false);
      }
    },
    60_000,
  );
});

describe('back to back in seven litres', () => {
  const design = withRoutes(
    (MACHINES.find((m) => m.name.includes('7 litres')) as (typeof MACHINES)[number]).make(),
  );

  test('both rooms count: 282 × 206 × (67 + 54) mm are 7.03 litres', () => {
    expect(design.case?.volume_L).toBeCloseTo((282 * 206 * (67 + 54)) / 1e6, 1);
    expect(design.case?.volume_L).toBe(7);
  });

  test('a radiator over both rooms is told against the window, not against the tray', () => {
    const gap = evaluate(design).reports.clearance.gaps.find(
      (g) => g.a === 'top-radiator' && Math.abs(g.gap_mm - 0.5) < 1e-9,
    );
    expect(gap?.b).toBe('case:side');
    expect(gap?.nameB).not.toContain('tray');
  });
});

describe('air of machines of many kinds', () => {
  const reportOf = (name: string) => {
    const make = MACHINES.find((m) => m.name === name)?.make as (typeof MACHINES)[number]['make'];
    const design = routedOnce(make);
    return { design, heat: evaluate(design).reports.heat[design.brief.loadCase] };
  };

  test('a radiator outside breathes the room and leaves the case as cool as its fans do', () => {
    const { design, heat } = reportOf('a radiator outside the case');
    const outside = heat.radiators.find((r) => r.id === 'outside-radiator');
    expect(outside).toMatchObject({ air: 'within', airIn_C: design.brief.room_C });
    // All that the loop takes up goes to the room: what is left in the case is on air alone.
    expect(outside?.heat_W).toBeCloseTo(heat.inLoop_W, 3);
    const alone = heat.airCooled_W / ((heat.intake_m3h / 3600) * 1.19 * 1006);
    expect(heat.caseAir_C - design.brief.room_C).toBeLessThan(alone * 1.1);
  });

  test('a basement is as warm as its radiator makes it, the room over it stays cool', () => {
    const { design, heat } = reportOf('four sections in the basement');
    const [main, crypt] = heat.chambers;
    expect(crypt?.temp_C ?? 0).toBeGreaterThan((main?.temp_C ?? 0) + 2);
    expect(main?.temp_C ?? 0).toBeGreaterThan(design.brief.room_C);
  });

  test('an open bench has no case air', () => {
    const { design, heat } = reportOf('an open wall bench');
    expect(heat.chambers).toEqual([]);
    expect(heat.caseAir_C).toBeCloseTo(design.brief.room_C, 3);
  });
});
