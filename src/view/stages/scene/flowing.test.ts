import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { distance, norm } from '@/core/geometry';
import { placeAlong } from '@/core/routing';
import { airArrows, streamsOf } from './flowing';

const design = demoDesign('fenland-flood-tower') as Design;
const { system, reports } = analyse(design);

describe('flow in the scene', () => {
  const streams = streamsOf(reports.runs, reports.flow);

  test('every routed run with flow has a stream as long as its tube between the fittings', () => {
    expect(streams.length).toBe(reports.runs.filter((r) => r.routed).length);
    for (const s of streams)
      expect(Math.abs(distance(s.points[0] ?? [0, 0, 0], placeAlong(s.points, 0).at))).toBeLessThan(
        1e-9,
      );
  });

  test('the dashes go at the velocity of continuity: v = Q / A (by hand)', () => {
    for (const s of streams) {
      const run = reports.runs.find((r) => r.id === s.run);
      const q = Math.abs(reports.flow.links.find((l) => l.id === s.run)?.flow_Lmin ?? 0);
      const area_mm2 = (Math.PI / 4) * (run?.tube.inner_mm ?? 0) ** 2;
      expect(s.speed_mms).toBeCloseTo((q * 1e6) / 60 / area_mm2, 3);
    }
  });

  test('half way along lies at half the length, and the direction has length 1', () => {
    for (const s of streams) {
      const { direction } = placeAlong(s.points, s.length_mm / 2);
      expect(norm(direction)).toBeCloseTo(1, 6);
    }
  });

  test('air goes in where it is drawn in, out where it is blown out', () => {
    const heat = reports.heat[design.brief.loadCase];
    const arrows = airArrows(system, heat);
    expect(arrows.length).toBeGreaterThanOrEqual(3);
    for (const arrow of arrows) {
      const row = [...heat.radiators, ...heat.caseFans].find((r) => r.id === arrow.id);
      const mount = design.case?.mounts.find((m) => {
        const p = system.placed.get(arrow.id)?.placement;
        return p?.on === 'mount' && p.mount === m.id;
      });
      const along = arrow.direction.reduce((s, v, i) => s + v * (mount?.inward[i] ?? 0), 0);
      expect(along).toBeCloseTo(row?.air === 'in' ? 1 : -1, 9);
      expect(arrow.speed_ms).toBeGreaterThan(0.1);
      expect(arrow.speed_ms).toBeLessThan(6);
    }
  });
});
