import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { analyse, evaluate } from '../analysis';
import { defaultPlacements } from '../checks';
import type { CasePart } from '../components';
import { applyEdit, type Component, type Design, type Edit } from '../design';
import { compileSystem } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const disk = catalogued('device', 'dev-silo-8t');
const added = (id: string, part: string, placement: Component['placement']): Edit => ({
  do: 'component.add',
  component: { id, name: id, part: catalogued('device', part), placement, settings: {} },
});
/** The desk's own case with its cage left in. */
const box = catalogued('case', 'case-alder-42') as CasePart;
const caged = edited({ ...desk, case: box, choices: { ...desk.choices, removed: [] } });
const inCage = (place: number): Edit =>
  added(`disk-${place}`, 'dev-silo-8t', { on: 'cage', cage: 'cage', place });

describe('drives and other devices', () => {
  test('a drive goes into the places of a cage that takes its size, from below', () => {
    const places = defaultPlacements(caged, { id: 'new', part: disk });
    expect(places.map((p) => p.placement)).toEqual(
      [1, 2, 3].map((place) => ({ on: 'cage', cage: 'cage', place })),
    );
    const one = edited(caged, inCage(1));
    expect(defaultPlacements(one, { id: 'new', part: disk })).toHaveLength(2);
    // SFF-8201 drives do not go into a cage of SFF-8301.
    const small = catalogued('device', 'dev-silo-2t');
    expect(defaultPlacements(caged, { id: 'new', part: small })).toEqual([]);
  });

  test('one above the other, within the cage, touching neither it nor one another', () => {
    const design = edited(caged, inCage(1), inCage(2), inCage(3));
    const system = compileSystem(design);
    const heights = [1, 2, 3].map((n) => system.placed.get(`disk-${n}`)?.solids[0]?.box.min[1]);
    expect(heights).toEqual([...heights].sort((a, b) => (a ?? 0) - (b ?? 0)));
    const cage = box.obstacles.find((o) => o.id === 'cage');
    for (const n of [1, 2, 3]) {
      const solid = system.placed.get(`disk-${n}`)?.solids[0]?.box;
      for (const i of [1, 2] as const)
        expect([
          (solid?.min[i] ?? -1) >= (cage?.min[i] ?? 0),
          (solid?.max[i] ?? 1e9) <= (cage?.max[i] ?? 0),
        ]).toEqual([true, true]);
    }
    const clashes = analyse(design).reports.clearance.gaps.filter(
      (g) =>
        g.verdict === 'clash' &&
        g.a.startsWith('disk') &&
        (g.b.startsWith('disk') || g.b === 'case:cage'),
    );
    expect(clashes).toEqual([]);
  });

  test('without its cage a drive has no place, and that is said', () => {
    const design = edited(caged, inCage(1), {
      do: 'case.remove-obstacle',
      obstacle: 'cage',
      removed: true,
    });
    const { unplaced } = compileSystem(design).placed.get('disk-1') ?? {};
    expect(unplaced).toBe('its cage is not in the case');
    const codes = evaluate(design, { offer: CATALOGUE }).findings.map((f) => f.code);
    expect(codes).toContain('fit.unplaced');
  });

  /** Energy goes somewhere: what devices draw is in the case air, and no loop takes it. */
  test('what they draw warms the case air by as much as the same watts of any part on air', () => {
    const watts = (design: Design) => {
      const { heat } = analyse(design).reports;
      return heat[design.brief.loadCase];
    };
    const before = watts(caged),
      after = watts(edited(caged, inCage(1), inCage(2)));
    const share = disk.shares[caged.brief.loadCase as 'render'];
    expect(after.airCooled_W - before.airCooled_W).toBeCloseTo(2 * disk.draw_W * share, 6);
    expect(after.inLoop_W).toBeCloseTo(before.inLoop_W, 1);
    expect(after.caseAir_C).toBeGreaterThan(before.caseAir_C);
  });

  test('a capture card stands in a slot the graphics card leaves free; a strip is stuck on', () => {
    const card = catalogued('device', 'dev-magpie-4k');
    const [first] = defaultPlacements(desk, { id: 'new', part: card });
    expect(first?.placement.on).toBe('slot');
    const design = edited(
      desk,
      added('capture', 'dev-magpie-4k', first?.placement ?? { on: 'unplaced' }),
    );
    expect(
      analyse(design).reports.clearance.gaps.filter(
        (g) => g.verdict === 'clash' && (g.a === 'capture' || g.b === 'capture'),
      ),
    ).toEqual([]);
    const lit = edited(
      desk,
      added('strip', 'dev-firefly-300', { on: 'free', at: [200, 420, 190], turn: 0 }),
    );
    expect(analyse(lit).reports.bom.lines.map((l) => l.part)).toContain('dev-firefly-300');
    // Its own tape is in the box.
    expect(analyse(lit).reports.bom.lines.map((l) => l.part)).not.toContain('sun-adhesive');
  });
});
