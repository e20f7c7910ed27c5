import { describe, expect, test } from '@jest/globals';
import { fitLossCurve } from '@/core/hydraulics';
import { validatePart } from '@/core/validation';
import { isWet, type Part, type PartKind } from '@/core/components';
import { cross } from '@/core/geometry';
import { CATALOGUE, catalogued, DEMO_BUILDS, STANDARD_KIT } from '.';

const of = <K extends PartKind>(kind: K) =>
  CATALOGUE.filter((p): p is Extract<Part, { kind: K }> => p.kind === kind);

describe('the catalogue', () => {
  /** What issue W1 asks for at least. */
  test.each([
    ['case', 6],
    ['radiator', 12],
    ['fan', 8],
    ['pump', 5],
    ['reservoir', 5],
    ['block', 10],
    ['tube', 8],
    ['fitting', 20],
    ['coolant', 5],
    ['screw', 10],
  ] as const)('at least as many of %s: %p', (kind, least) => {
    expect(of(kind).length).toBeGreaterThanOrEqual(least);
  });

  /** What issue W6 asks for. */
  test('two hundred parts or more, ten cases, and a tool or sundry for every duty', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(200);
    expect(of('case').length).toBeGreaterThanOrEqual(10);
    expect(new Set(of('consumable').map((s) => s.duty))).toEqual(
      new Set([
        'adhesive',
        'clip',
        'paste',
        'pads',
        'alcohol',
        'paper',
        'gloves',
        'washer',
        'cord',
        'heat-gun',
        'tube-bender',
        'saw',
        'cutter',
        'snips',
        'deburrer',
        'mandrel',
        'mitre',
        'tape',
        'marker',
        'leak-tester',
        'fill-bottle',
        'biocide',
        'water',
        'flush',
        'bracket',
        'o-ring',
      ]),
    );
  });

  test('every hard tube has a cord that fills its bore and a mandrel of its size', () => {
    for (const t of of('tube').filter((x) => x.hard)) {
      expect(of('consumable').some((s) => s.duty === 'cord' && s.tube_mm === t.inner_mm)).toBe(
        true,
      );
      expect(of('consumable').some((s) => s.duty === 'mandrel' && s.tube_mm === t.outer_mm)).toBe(
        true,
      );
    }
  });

  test('every part passes the guard', () => {
    for (const p of CATALOGUE) {
      const g = validatePart(p);
      expect([p.id, g.ok ? [] : g.troubles]).toEqual([p.id, []]);
    }
  });

  /** By the hydraulic energy put in: head × flow × ρ g may not be more than the electric power. */
  test.each(of('pump').map((p) => [p.id, p] as const))(
    "%s gives no more than it draws, and its printed head is its curve's",
    (_, p) => {
      for (const [q, h] of p.points)
        expect((q / 60000) * h * 9.80665 * 997).toBeLessThan(p.power_W);
      expect(p.ratings?.head_m ?? p.points[0]?.[1]).toBeCloseTo(p.points[0]?.[1] ?? NaN, 1);
    },
  );

  test.each(of('fan').map((p) => [p.id, p] as const))(
    '%s moves no more air than its power would',
    (_, p) => {
      for (const [q, dp] of p.points) expect((q / 3600) * dp).toBeLessThan(p.power_W);
    },
  );

  test('ids are unique', () => {
    expect(new Set(CATALOGUE.map((p) => p.id)).size).toBe(CATALOGUE.length);
  });

  test('radiators span what builders choose between', () => {
    const all = of('radiator');
    expect(new Set(all.map((r) => r.section_mm))).toEqual(new Set([80, 120, 140, 180]));
    expect(Math.min(...all.map((r) => r.size[2]))).toBe(27);
    expect(Math.max(...all.map((r) => r.size[2]))).toBe(60);
    expect(Math.min(...all.map((r) => r.core.fpi))).toBe(10);
    expect(Math.max(...all.map((r) => r.core.fpi))).toBe(30);
    expect(all.filter((r) => r.core.finMetal === 'aluminium').length).toBe(1);
  });

  test('blocks cool every kind of hot part', () => {
    expect(new Set(of('block').flatMap((b) => b.cools))).toEqual(
      new Set(['processor', 'card', 'board', 'memory']),
    );
  });
});

describe('each part is consistent', () => {
  const wet = CATALOGUE.filter(isWet);

  test.each(wet.map((p) => [p.id, p] as const))(
    '%s: ports lie on the body, chambers are joined by passages',
    (_, p) => {
      for (const port of p.ports) {
        const on = ([0, 1, 2] as const).filter((i) => port.direction[i] !== 0);
        expect(on.length).toBe(1);
        for (const i of [0, 1, 2] as const) {
          expect(port.at[i]).toBeGreaterThanOrEqual(-1e-9);
          expect(port.at[i]).toBeLessThanOrEqual(
            Math.max(p.size[i], ...(p.boxes ?? []).map((b) => b.max[i])) + 1e-9,
          );
        }
        const axis = on[0] as 0 | 1 | 2;
        expect(port.at[axis]).toBeCloseTo(
          port.direction[axis] > 0
            ? Math.max(p.size[axis], ...(p.boxes ?? []).map((b) => b.max[axis]))
            : 0,
          9,
        );
      }
      const chambers = new Set(p.ports.map((x) => x.chamber));
      for (const passage of p.passages) {
        expect(chambers.has(passage.from)).toBe(true);
        // A tee's three legs meet in a middle that has no port of its own.
        expect(
          chambers.has(passage.to) ||
            (p.kind === 'inline' && p.duty === 'tee' && passage.to === 'middle'),
        ).toBe(true);
      }
      const expectedChambers = () => {
        if (p.kind === 'inline' && p.duty === 'tee') return 3;
        if (p.kind === 'inline' && p.duty === 'plate') return 2;
        return p.passages.length + 1;
      };
      expect(chambers.size).toBe(expectedChambers());
    },
  );

  test.each(
    [
      ...of('block'),
      ...of('radiator'),
      ...of('inline').filter((p) => p.passages[0]?.points.length),
    ].map((p) => [p.id, p] as const),
  )('%s: its pressure points fit a Q + b Q² within 3 %%', (_, p) => {
    for (const { points } of p.passages) {
      const fit = fitLossCurve(points);
      expect(fit.residual_kPa).toBeLessThan(0.03 * Math.max(...points.map((x) => x[1])));
    }
  });

  test.each(of('block').map((p) => [p.id, p] as const))(
    '%s: resistance falls with flow and is plausible',
    (_, p) => {
      p.resistance
        .slice(1)
        .forEach((r, i) => expect(r[1]).toBeLessThan(p.resistance[i]?.[1] ?? NaN));
      const at4 = p.resistance.find(([q]) => q === 4)?.[1] ?? NaN;
      if (p.cools[0] === 'processor') {
        expect(at4).toBeGreaterThanOrEqual(0.03);
        expect(at4).toBeLessThanOrEqual(0.06);
      }
    },
  );

  test.each(of('pump').map((p) => [p.id, p] as const))(
    '%s: head falls, speeds are in order',
    (_, p) => {
      p.points.slice(1).forEach((x, i) => expect(x[1]).toBeLessThan(p.points[i]?.[1] ?? NaN));
      expect(p.minSpeed_rpm).toBeLessThan(p.fullSpeed_rpm);
    },
  );

  test.each(of('fan').map((p) => [p.id, p] as const))(
    '%s: pressure falls to nothing at free flow',
    (_, p) => {
      p.points.slice(1).forEach((x, i) => expect(x[1]).toBeLessThan(p.points[i]?.[1] ?? NaN));
      expect(p.points[p.points.length - 1]?.[1]).toBe(0);
      expect(p.size.slice(0, 2)).toEqual([p.section_mm, p.section_mm]);
    },
  );

  test.each(of('radiator').map((p) => [p.id, p] as const))(
    '%s: its fins and sections fit its body',
    (_, p) => {
      expect(p.finStart_mm + p.sections * p.section_mm).toBeLessThanOrEqual(p.size[0]);
      expect(p.core.depth_mm).toBeLessThan(p.size[2]);
      expect(p.core.width_mm).toBeLessThanOrEqual(p.size[1]);
    },
  );

  test.each(of('case').map((p) => [p.id, p] as const))(
    '%s: mounts are right-handed rails on its walls',
    (_, p) => {
      for (const m of p.mounts) {
        expect(cross(m.along, m.across).map((v) => v + 0)).toEqual([...m.inward]);
        for (const i of [0, 1, 2] as const) {
          const end = m.at[i] + m.along[i] * m.length_mm;
          expect(end).toBeGreaterThanOrEqual(0);
          expect(end).toBeLessThanOrEqual(p.interior[i]);
        }
      }
      for (const box of [p.bay, ...p.obstacles])
        for (const i of [0, 1, 2] as const) {
          expect(box.min[i]).toBeGreaterThanOrEqual(i === 2 ? -(p.behind_mm ?? 0) - 1 : 0);
          expect(box.max[i]).toBeLessThanOrEqual(p.interior[i]);
        }
    },
  );

  test.each(
    of('fitting')
      .filter((f) => f.tube)
      .map((p) => [p.id, p] as const),
  )('%s: its bore is inside its tube', (_, p) => {
    expect(p.bore_mm).toBeLessThanOrEqual(p.tube?.inner_mm ?? 0);
  });
});

describe('demo builds', () => {
  test('three, quite different', () => {
    expect(DEMO_BUILDS.length).toBe(3);
    expect(new Set(DEMO_BUILDS.map((d) => d.design.case?.id)).size).toBe(3);
    expect(new Set(DEMO_BUILDS.map((d) => d.design.loops.length))).toEqual(new Set([1, 2]));
    expect(DEMO_BUILDS.some((d) => d.design.loops.some((l) => l.tube.hard))).toBe(true);
  });

  test('every wet part and fitting tells what plastics and rubbers the coolant touches; a fitting has a seal, whatever stands on others too', () => {
    const wet = CATALOGUE.filter(
      (p): p is Extract<Part, { polymers?: unknown }> => p.kind === 'fitting' || isWet(p),
    );
    expect(wet.filter((p) => p.polymers === undefined).map((p) => p.id)).toEqual([]);
    expect(
      wet
        .filter((p) => p.kind !== 'radiator' && !(p.polymers ?? []).some((m) => m.as === 'seal'))
        .map((p) => p.id),
    ).toEqual([]);
  });

  test('the kit has one of each small part', () => {
    for (const duty of [
      'plug',
      'drain',
      'fill',
      'maleToMale',
      'rotary45',
      'rotary90',
      'extender',
    ] as const)
      expect(STANDARD_KIT[duty].duty).toBe(duty);
  });

  test('a part that is not there is a wrong call', () => {
    expect(() => catalogued('pump', 'ghost')).toThrow(RangeError);
  });
});
