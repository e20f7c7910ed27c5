import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign, STANDARD_KIT } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { evaluate } from '../analysis';
import { norm, sub, type Vec } from '../geometry';
import { compileSystem } from '../system';
import { endWays } from './ends';
import { heldAngle, jogAngle } from './offsetBend';
import { routesOf, runsOf, withRoutes } from '.';

describe('mandrels in hand', () => {
  test('the straight of a sidestep by its angle, worked by hand', () => {
    // Radius 25, 45° each way: both arcs step 2 × 25 × (1 − cos 45°) = 14.64 mm aside.
    expect(heldAngle(40, 25, 5, [45, 90])).toBe(45);
    // Of 15 mm nothing but 0.5 mm is left for the straight: too short at 45°, long enough at 30°.
    expect(heldAngle(15, 25, 5, [45])).toBeNull();
    expect(heldAngle(15, 25, 5, [30, 45])).toBe(30);
    // A free angle is the steepest there is: any held one is no steeper.
    expect(jogAngle(15, 25, 5) ?? 0).toBeGreaterThanOrEqual(30);
    expect(heldAngle(40, 25, 5, [15, 30, 45])).toBe(45);
  });

  test('runs keep to angles and radius of the set; what a wish breaks is told', () => {
    const tower = demoDesign('fenland-flood-tower') as Design;
    const hard = tower.loops.find((l) => l.tube.hard) as Design['loops'][number];
    const radius = hard.tube.minBend_mm + 6;
    const set = applyEdit(tower, {
      do: 'loop.mandrels',
      loop: hard.id,
      mandrels: { angles_deg: [45, 90], radii_mm: [hard.tube.minBend_mm - 5, radius] },
    }).design;
    const routed = withRoutes(set);
    const bends = runsOf(compileSystem(routed)).flatMap((r) =>
      r.loop === hard.id ? (r.routed?.lra ?? []) : [],
    );
    expect(bends.length).toBeGreaterThan(5);
    for (const b of bends) {
      expect(b.radius_mm).toBeCloseTo(radius, 9);
      expect([45, 90].some((a) => Math.abs(a - b.angle_deg) < 1e-6)).toBe(true);
    }
    expect(evaluate(routed).findings.map((f) => f.code)).not.toContain('run.mandrel');
    const only30 = {
      ...routed,
      loops: routed.loops.map((l) => ({ ...l, mandrels: { angles_deg: [30] } })),
    };
    expect(evaluate(only30).findings.map((f) => f.code)).toContain('run.mandrel');
  });
});

describe('adapters on each other', () => {
  const fitting = catalogued('fitting', 'fit-comp-16-10');
  const ways = endWays([0, 0, 0], [0, 1, 0], 'auto', { fitting, kit: STANDARD_KIT }, false, true);

  test('an extender under an elbow lifts it by its length, and both are on the list', () => {
    const lifted = ways.find((w) => w.piece === 'extendedRotary90' && w.direction[0] === 1);
    const plain = ways.find((w) => w.piece === 'rotary90' && w.direction[0] === 1);
    expect(lifted?.duties).toEqual(['extender', 'rotary90', fitting.duty]);
    expect(sub(lifted?.mouth as Vec, plain?.mouth as Vec)).toEqual([
      0,
      STANDARD_KIT.extender.length_mm,
      0,
    ]);
  });

  test('two elbows of 45° turn a right angle wider than one of 90°, or step aside', () => {
    const twice = ways.filter((w) => w.piece === 'doubleRotary45');
    expect(twice.every((w) => Math.abs(norm(w.direction) - 1) < 1e-9)).toBe(true);
    const aside = twice.filter((w) => w.direction[1] > 0.99),
      square = twice.filter((w) => Math.abs(w.direction[1]) < 0.01);
    expect(aside.length).toBeGreaterThan(0);
    expect(square.length).toBeGreaterThan(0);
    // Aside: by one arm of each at 45°, so length × sin 45°.
    const reach = STANDARD_KIT.rotary45.length_mm * Math.SQRT1_2;
    for (const w of aside) expect(Math.hypot(w.mouth[0], w.mouth[2])).toBeCloseTo(reach, 6);
  });

  test('they are taken where one piece finds no way, and cost their loss', () => {
    const desk = demoDesign('dawn-chorus-desk') as Design;
    const [loop] = desk.loops;
    const run = loop?.connections.find((c) => c.by === 'tube');
    const asked = applyEdit(desk, {
      do: 'connection.ends',
      loop: 'loop',
      connection: run?.id ?? '',
      ends: { from: 'auto', to: 'extendedRotary90' },
    }).design;
    const routed = withRoutes(asked);
    const route = routesOf(compileSystem(routed)).routes.find((r) => r.connection === run?.id);
    expect(route?.to.duties).toEqual(['extender', 'rotary90', loop?.fitting.duty]);
    const before = evaluate(withRoutes(desk), { offer: CATALOGUE }).reports,
      after = evaluate(routed, { offer: CATALOGUE }).reports;
    expect(after.flow.loops[0]?.flow_Lmin ?? 0).toBeLessThan(before.flow.loops[0]?.flow_Lmin ?? 0);
    const count = (r: typeof before, id: string): number =>
      r.bom.lines.find((l) => l.part === id)?.quantity ?? 0;
    expect(count(after, STANDARD_KIT.extender.id)).toBe(
      count(before, STANDARD_KIT.extender.id) + 1,
    );
  });
});

describe('a run of a tube of its own', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const [loop] = desk.loops;
  const run = loop?.connections.find((c) => c.by === 'tube');
  const tube = catalogued('tube', 'tube-petg-14-10'),
    fitting = CATALOGUE.find(
      (p) => p.kind === 'fitting' && p.duty === 'hard-tube' && p.tube?.outer_mm === 14,
    );
  const own = applyEdit(desk, {
    do: 'connection.tube',
    loop: 'loop',
    connection: run?.id ?? '',
    tube,
    fitting: fitting?.kind === 'fitting' ? fitting : null,
  }).design;
  const { reports, findings } = evaluate(withRoutes(own), { offer: CATALOGUE });

  test('is cut, bent, listed and fitted as that tube, the others as before', () => {
    const made = reports.runs.find((r) => r.id === run?.id);
    expect(made?.tube).toMatchObject({ outer_mm: 14, inner_mm: 10, hard: true });
    expect(reports.runs.filter((r) => r.by === 'tube' && r.tube.hard)).toHaveLength(1);
    const lines = reports.bom.lines.filter((l) => l.part.startsWith('tube-'));
    expect(lines.map((l) => l.part).sort()).toEqual([loop?.tube.id, tube.id].sort());
    expect(reports.bom.lines.find((l) => l.part === fitting?.id)?.quantity).toBe(2);
    expect(reports.bom.cuts.find((c) => c.tube === tube.id)?.stick_mm).toBe(1000);
    expect(findings.map((f) => f.code)).not.toContain('tube.size-mismatch');
  });

  test('a fitting of another size on it is told', () => {
    const wrong = applyEdit(own, {
      do: 'connection.tube',
      loop: 'loop',
      connection: run?.id ?? '',
      tube,
      fitting: null,
    }).design;
    expect(evaluate(wrong).findings.map((f) => f.code)).toContain('tube.size-mismatch');
  });
});
