import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import stockFile from '@reference/stock.json';
import { DEMO_BUILDS, demoDesign } from '@/catalogue';
import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { coolantExpansion, cutPlan, shortWhy, tubeCompliance } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const list = (design: Design) => analyse(design).reports.bom;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const lineOf = (design: Design, part: string) => list(design).lines.find((l) => l.part === part);

describe('what asked for a line, told short', () => {
  test('few places are told whole, many by the first and how many more', () => {
    expect(shortWhy('a; b; c; d')).toEqual({ short: 'a; b; c; d', more: 0 });
    expect(shortWhy('a; b; c; d; e')).toEqual({ short: 'a; b; c', more: 2 });
    expect(shortWhy('one alone')).toEqual({ short: 'one alone', more: 0 });
  });
});

describe('the parts list', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: each line says what asked for it, and sums are sums',
    (_, design) => {
      const report = list(design);
      for (const l of report.lines) {
        expect(l.for.length).toBeGreaterThan(0);
        expect(l.why.length).toBeGreaterThan(0);
        expect(l.total).toBe(l.owned ? 0 : Math.round(l.unitPrice * l.quantity));
      }
      expect(report.loopTotal).toBe(
        report.lines.filter((l) => l.inBudget).reduce((s, l) => s + l.total, 0),
      );
    },
  );

  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: two fittings for every tube end, a cap for every spare port',
    (_, design) => {
      const { lines } = list(design);
      for (const loop of design.loops) {
        const tubes = loop.connections.filter((l) => l.by === 'tube');
        const quantity = lines
          .filter((l) => l.part === loop.fitting.id)
          .reduce((s, l) => s + l.quantity, 0);
        expect(quantity).toBe(
          2 *
            design.loops
              .filter((o) => o.fitting.id === loop.fitting.id)
              .flatMap((o) => o.connections)
              .filter((l) => l.by === 'tube').length,
        );
        expect(tubes.length).toBeGreaterThan(0);
      }
      for (const duty of ['plug', 'drain', 'fill'] as const) {
        const caps = design.loops.flatMap((l) => l.caps).filter((c) => c.with === duty).length;
        expect(
          lines.filter((l) => l.part === design.kit[duty].id).reduce((s, l) => s + l.quantity, 0),
        ).toBe(caps);
      }
    },
  );

  test("fans are counted by the radiator's sections", () => {
    expect(lineOf(desk, 'fan-wren-120-2000')?.quantity).toBe(5);
  });

  test('owned parts cost nothing and stay on the list', () => {
    const owned = edited(desk, { do: 'component.set', component: 'pump', values: { owned: true } });
    expect(lineOf(owned, 'pump-osier-large')).toMatchObject({ owned: true, total: 0, quantity: 1 });
    expect(list(desk).loopTotal - list(owned).loopTotal).toBe(8900);
  });

  test("the machine's hardware is outside the loop's budget", () => {
    const bought = edited(desk, { do: 'component.unset', component: 'processor', keys: ['owned'] });
    expect(list(bought).loopTotal).toBe(list(desk).loopTotal);
    expect(list(bought).machineTotal - list(desk).machineTotal).toBe(32900);
  });

  test('screws come in packs of the picked thread and length, with spares', () => {
    const screws = list(desk).lines.filter((l) => l.kind === 'screw');
    expect(screws.map((l) => l.part)).toEqual(expect.arrayContaining(['screw-m3-30']));
    const thirty = screws.find((l) => l.part === 'screw-m3-30');
    expect((thirty?.quantity ?? 0) * 12).toBeGreaterThanOrEqual(12 + 8 + 2);
  });

  test('soft tube by the half metre with a fifth to spare; hard tube by the stick with one to practise on', () => {
    const soft = lineOf(desk, 'tube-epdm-16-10');
    expect(soft?.unit).toBe('metre');
    expect(soft?.quantity).toBeGreaterThanOrEqual((list(desk).tube_mm / 1000) * 1.2);
    const hard = list(demoDesign('fenland-flood-tower') as Design).lines.find(
      (l) => l.kind === 'tube',
    );
    expect(hard?.unit).toBe('stick');
    expect(hard?.quantity).toBeGreaterThanOrEqual(4);
  });

  test('coolant covers the loop and its spare', () => {
    const [volume] = list(desk).volumes;
    expect(volume?.total_mL).toBeCloseTo((volume?.parts_mL ?? 0) + (volume?.tubes_mL ?? 0), 9);
    expect((volume?.bottles ?? 0) * 1000).toBeGreaterThanOrEqual((volume?.total_mL ?? 0) * 1.15);
  });

  test('what rests on an estimate is marked estimated', () => {
    const soaked = (design: Design) =>
      list(design).lines.filter((l) => l.kind === 'tube' || l.kind === 'coolant');
    expect(soaked(withoutRoutes(desk)).every((l) => l.estimated)).toBe(true);
    expect(soaked(desk).some((l) => l.estimated)).toBe(false);
    expect(
      list(desk)
        .lines.filter((l) => l.kind === 'pump')
        .every((l) => !l.estimated),
    ).toBe(true);
  });

  test('end fittings of the loop are sure before a route is; adapters are not, and all are after', () => {
    const fittings = (design: Design) => list(design).lines.filter((l) => l.kind === 'fitting');
    const [own] = desk.loops.map((l) => l.fitting.id);
    expect(fittings(desk).filter((l) => l.estimated)).toEqual([]);
    expect(fittings(withoutRoutes(desk)).find((l) => l.part === own)?.estimated).toBe(false);
  });

  test('an empty build has an empty list', () => {
    expect(list({ ...desk, case: null, components: [], loops: [] }).lines).toEqual([]);
  });
});

describe('sticks of the tower', () => {
  const tower = demoDesign('fenland-flood-tower') as Design,
    { reports } = analyse(tower);

  test('each bent run is cut 15 mm longer, and no stick gives more than it has with that', () => {
    const [cuts] = reports.bom.cuts;
    const pieces = cuts?.plan?.sticks.flatMap((s) => s.pieces) ?? [];
    expect(pieces.length).toBe(9);
    for (const piece of pieces) {
      const run = reports.runs.find((r) => r.id === piece.id);
      expect(piece.length_mm).toBeCloseTo((run?.cut_mm ?? 0) + ((run?.bends ?? 0) > 0 ? 15 : 0), 9);
    }
    expect(
      pieces.some((p) => p.length_mm > (reports.runs.find((r) => r.id === p.id)?.cut_mm ?? 0) + 14),
    ).toBe(true);
    for (const s of cuts?.plan?.sticks ?? [])
      expect(
        s.pieces.reduce((sum, p) => sum + p.length_mm, 0) + 2 * (s.pieces.length - 1),
      ).toBeLessThanOrEqual((cuts?.stick_mm ?? 0) + 1e-9);
  });

  test('two loops of one tube share its sticks, and one stick to practise on', () => {
    expect(reports.bom.cuts.map((c) => c.loops)).toEqual([tower.loops.map((l) => l.id)]);
    const [cuts] = reports.bom.cuts;
    expect(cuts?.buy).toBe((cuts?.plan?.sticks.length ?? 0) + 1);
    expect(reports.bom.lines.filter((l) => l.kind === 'tube').map((l) => l.quantity)).toEqual([
      cuts?.buy,
    ]);
  });

  test('a pack that holds the need is enough: no second one for the spares', () => {
    const screws = lineOf(
      {
        ...desk,
        kit: { ...desk.kit, screws: desk.kit.screws.map((s) => ({ ...s, pack: 12 })) },
        components: desk.components.filter((i) => i.id !== 'top-fans' && i.id !== 'top-radiator'),
      },
      'screw-m3-30',
    );
    // Three fans of four screws.
    expect(screws).toMatchObject({ quantity: 1, why: expect.stringContaining('12 screws') });
    expect(screws?.why).toContain('0 to spare');
  });
});

describe('sticks', () => {
  interface Stock {
    id: string;
    inputs: { stock_mm: number; kerf_mm: number; pieces_mm: number[] };
    expected: { min_sticks: number };
  }
  /** Proven optima of reference/stock.json (HiGHS and exhaustive search). */
  test.each((stockFile.cases as unknown as Stock[]).map((c) => [c.id, c] as const))(
    '%s',
    (_, c) => {
      const plan = cutPlan(
        c.inputs.pieces_mm.map((length_mm, i) => ({ id: `p${i}`, length_mm })),
        c.inputs.stock_mm,
        c.inputs.kerf_mm,
      );
      expect(plan).toMatchObject({ proven: true, tooLong: [] });
      expect(plan.sticks.length).toBe(c.expected.min_sticks);
    },
  );

  test('every piece is cut once, and no stick gives more than it has', () => {
    const piece = fc.double({ min: 20, max: 1000, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 14 }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (lengths, kerf) => {
          const pieces = lengths.map((length_mm, i) => ({ id: `p${i}`, length_mm })),
            plan = cutPlan(pieces, 1000, kerf);
          expect(plan.sticks.flatMap((s) => s.pieces.map((p) => p.id)).sort()).toEqual(
            pieces.map((p) => p.id).sort(),
          );
          for (const s of plan.sticks)
            expect(
              s.pieces.reduce((a, p) => a + p.length_mm, 0) +
                kerf * (s.pieces.length - 1) +
                s.left_mm,
            ).toBeCloseTo(1000, 6);
        },
      ),
      { numRuns: 300 },
    );
  });

  /** All ways of parting seven pieces into sticks. */
  test('never more sticks than the best of all partitions', () => {
    const best = (sizes: readonly number[], room: number): number => {
      let least = sizes.length;
      const go = (i: number, loads: readonly number[]): void => {
        if (loads.length >= least) return;
        if (i === sizes.length) {
          least = loads.length;
          return;
        }
        loads.forEach((l, k) => {
          if (l + (sizes[i] as number) <= room + 1e-9)
            go(
              i + 1,
              loads.map((x, j) => (j === k ? x + (sizes[i] as number) : x)),
            );
        });
        go(i + 1, [...loads, sizes[i] as number]);
      };
      go(0, []);
      return least;
    };
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 50, max: 900 }), { minLength: 1, maxLength: 7 }),
        (sizes) => {
          expect(
            cutPlan(
              sizes.map((length_mm, i) => ({ id: `p${i}`, length_mm })),
              1000,
              3,
            ).sticks.length,
          ).toBe(
            best(
              sizes.map((s) => s + 3),
              1003,
            ),
          );
        },
      ),
      { numRuns: 150 },
    );
  });

  test('a piece longer than a stick is told apart', () => {
    expect(
      cutPlan(
        [
          { id: 'long', length_mm: 600 },
          { id: 'short', length_mm: 200 },
        ],
        500,
        2,
      ),
    ).toMatchObject({ tooLong: [{ id: 'long' }], sticks: [{ pieces: [{ id: 'short' }] }] });
  });
});

describe('room to grow', () => {
  /**
   * Density of water 998.21 kg/m³ at 20 °C and 992.22 at 40 °C (IAPWS; CRC Handbook): 1 L grows by
   * 6.04 mL.
   */
  test('a litre of water from 20 to 40 °C', () => {
    const e = coolantExpansion({ glycol: 'none', volumeShare: 0 }, 1000, 60, 20, 40);
    expect(e.grows_mL).toBeCloseTo(1000 * (998.21 / 992.22 - 1), 1);
    // By hand: dry air of 1.01325 − 0.02339 bar in 60 mL, pressed to 53.96 mL and warmed from 293.15
    // to 313.15 K, and vapour of 0.07384 bar (CRC Handbook) over it.
    const dry = (1.01325 - 0.02339) * (60 / (60 - e.grows_mL)) * (313.15 / 293.15);
    expect(Math.abs(e.rises_bar - (dry + 0.07384 - 1.01325))).toBeLessThan(0.001);
    expect(e.swells_mL).toBe(0);
  });

  /**
   * Worked by hand: 16/10 mm soft PVC, E 10 MPa, ν 0.5: (256 + 100)/(256 − 100) + 0.5 = 2.782; 100
   * mL give 2 × 0.1/10 × 2.782 × 100 = 5.564 mL a bar.
   */
  test('soft tube swells and takes the edge off; hard tube hardly', () => {
    const soft = { volume_mL: 100, outer_mm: 16, inner_mm: 10, material: 'soft PVC' } as const;
    expect(tubeCompliance(soft)).toBeCloseTo(5.564, 3);
    expect(tubeCompliance({ ...soft, material: 'EPDM rubber' })).toBeCloseTo(2 * 5.564, 3);
    expect(tubeCompliance({ ...soft, material: 'acrylic' })).toBeLessThan(0.02);
    const water = { glycol: 'none', volumeShare: 0 } as const;
    const rigid = coolantExpansion(water, 1000, 20, 20, 40),
      eased = coolantExpansion(water, 1000, 20, 20, 40, [soft]);
    expect(eased.rises_bar).toBeLessThan(rigid.rises_bar);
    expect(eased.swells_mL).toBeCloseTo(5.564 * eased.rises_bar, 2);
    // With no air at all the tube alone makes room: the growth over its compliance.
    // Half a millilitre of air is left: pressed hard, not without end.
    const { grows_mL } = rigid;
    const little = coolantExpansion(water, 1000, grows_mL + 0.5, 20, 40);
    expect(little.rises_bar).toBeGreaterThan(5);
    expect(little.rises_bar).toBeLessThan(50);
    const full = coolantExpansion(water, 1000, 0, 20, 40, [soft]);
    expect(full.rises_bar).toBeCloseTo(full.grows_mL / 5.564, 2);
  });

  test('closed hot it stands under the room when cold, by the same balance', () => {
    const e = coolantExpansion({ glycol: 'none', volumeShare: 0 }, 1000, 60, 20, 40);
    // By hand: dry air of 1.01325 − 0.07384 bar in 53.96 mL let out to 60 mL and cooled.
    const dry = (1.01325 - 0.07384) * ((60 - e.grows_mL) / 60) * (293.15 / 313.15);
    expect(Math.abs(e.sinks_bar - (1.01325 - dry - 0.02339))).toBeLessThan(0.001);
  });

  test('no air left is no room; glycol grows more than water', () => {
    expect(coolantExpansion({ glycol: 'none', volumeShare: 0 }, 1000, 4, 20, 60).rises_bar).toBe(
      Infinity,
    );
    expect(
      coolantExpansion({ glycol: 'propylene', volumeShare: 0.3 }, 1000, 60, 20, 40).grows_mL,
    ).toBeGreaterThan(
      coolantExpansion({ glycol: 'none', volumeShare: 0 }, 1000, 60, 20, 40).grows_mL,
    );
  });
});
