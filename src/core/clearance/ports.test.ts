import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { HAND_MM, portFits, type PortFit } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const box = demoDesign('pocket-planetarium') as Design;
const fits = (design: Design, ...edits: Edit[]): readonly PortFit[] => {
  const w = analyse(edits.reduce((b, e) => applyEdit(b, e).design, design));
  return portFits(w.system, w.reports.runs);
};
const of = (list: readonly PortFit[], component: string, port: string): PortFit => {
  const f = list.find((p) => p.component === component && p.port === port);
  if (!f) throw new Error(`no ${component} ${port}`);
  return f;
};

describe('room at the ports', () => {
  test('every end of a run and every cap is told once', () => {
    const ends = desk.loops.flatMap((l) =>
      [
        ...l.connections.filter((k) => k.by === 'tube').flatMap((k) => [k.from, k.to]),
        ...l.caps,
      ].map((r) => `${r.component} ${r.port}`),
    );
    expect(
      fits(desk)
        .map((p) => `${p.component} ${p.port}`)
        .sort(),
    ).toEqual([...ends].sort());
  });

  /**
   * Two compression fittings on a block's ports: distance of the ports less a diameter (arithmetic
   * of the trade).
   */
  test("two fittings side by side: the ports' distance less one fitting's width", () => {
    const list = fits(desk),
      [first] = list.filter((p) => p.component === 'processor-block');
    const [p, q] = (analyse(desk).system.placed.get('processor-block')?.ports ?? []).map(
      (x) => x.at,
    );
    if (!p || !q || !first) throw new Error('no ports');
    const apart = Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
    const widths = [
      desk.loops[0]?.fitting.diameter_mm ?? 0,
      desk.kit.rotary45.diameter_mm,
      desk.kit.rotary90.diameter_mm,
    ];
    expect(
      widths.some((a) =>
        widths.some((b) => Math.abs((first.gap_mm ?? NaN) - (apart - (a + b) / 2)) < 1e-6),
      ),
    ).toBe(true);
    expect(first.with).toContain('Processor block');
    // No finger goes between them: tight, though nothing touches.
    expect(first.gap_mm ?? 99).toBeLessThan(HAND_MM);
    expect(first.verdict).toBe('marginal');
  });

  test('less than a finger is tight, nothing at all a clash', () => {
    const verdictAt = (gap_mm: number | null) => {
      if (gap_mm !== null && gap_mm < -1e-6) return 'clash';
      if (gap_mm !== null && gap_mm < HAND_MM - 1e-6) return 'marginal';
      return 'clear';
    };
    for (const p of [...fits(desk), ...fits(box)]) expect(p.verdict).toBe(verdictAt(p.gap_mm));
  });

  test("the small case's fill cap runs into the radiator over it; a shorter reservoir frees it", () => {
    const tall = of(fits(box), 'reservoir', 'top');
    expect(tall.verdict).toBe('clash');
    expect(tall.with).toContain('radiator');
  });

  test("a part in the way is named and told to the millimetre: the pump moved under the shroud's edge", () => {
    const before = of(fits(desk), 'pump', 'out');
    const p = analyse(desk).system.placed.get('pump')?.frame?.at;
    if (!p) throw new Error('no pump');
    const moved = of(
      fits(desk, {
        do: 'component.place',
        component: 'pump',
        placement: { on: 'free', at: [352, 99, 175], turn: 0 },
      }),
      'pump',
      'low',
    );
    expect(moved.with).toBe('side panel');
    expect(moved.verdict).toBe('clash');
    expect(before.verdict).not.toBe('clash');
  });
});
