import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import type { InlinePart } from '../components';
import { applyEdit, withoutRoutes, type Design } from '../design';
import { teePorts } from '../loops';
import { beforeAfter, pumpEdit, type PumpAim, type PumpWay } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tee =
  CATALOGUE.find((p): p is InlinePart => p.kind === 'inline' && teePorts(p) !== null) ?? null;
const medium = catalogued('pump', 'pump-osier-medium');
const planned = (way: PumpWay, aim: PumpAim) => {
  const edit = pumpEdit(
    desk,
    { loop: 'loop', part: medium, way, aim },
    { tee, places: () => [{ on: 'unplaced' }] },
  );
  if (!edit) throw new Error('no way for it');
  return { edit, ...beforeAfter(desk, edit) };
};

describe('a change before it is made', () => {
  test("today's flow is kept where that is asked, and the brief's where that is", () => {
    const quick = applyEdit(desk, {
      do: 'component.set',
      component: 'pump',
      values: { speed_rpm: 4800 },
    }).design;
    const flowWith = (aim: PumpAim): number => {
      const edit = pumpEdit(
        quick,
        { loop: 'loop', part: medium, way: 'series', aim },
        { tee, places: () => [{ on: 'unplaced' }] },
      );
      return edit
        ? (analyse(applyEdit(quick, edit).design).reports.flow.loops[0]?.flow_Lmin ?? NaN)
        : NaN;
    };
    const now = analyse(quick).reports.flow.loops[0]?.flow_Lmin ?? NaN;
    const today = flowWith('today'),
      brief = flowWith('brief'),
      full = flowWith('full');
    expect(today / now).toBeGreaterThan(0.99);
    expect(brief).toBeGreaterThanOrEqual(quick.brief.limits.flow_Lmin * 0.999);
    expect(brief).toBeLessThan(today);
    expect(full).toBeGreaterThanOrEqual(today);
  });

  test('what it says is what comes of it', () => {
    const { edit, after, before, brings } = planned('series', 'full');
    const then = analyse(withoutRoutes(applyEdit(desk, edit).design)),
      { heat } = then.reports;
    expect(after.noise_dBA).toBeCloseTo(heat[desk.brief.loadCase].noise_dBA, 6);
    expect(after.cost_minor).toBe(then.reports.bom.loopTotal);
    expect(after.cost_minor).toBeGreaterThan(before.cost_minor);
    // A pump that stands nowhere is said.
    const codes = then.findings.filter((f) => f.code === 'fit.unplaced').map((f) => f.title);
    expect(brings).toEqual(expect.arrayContaining(codes));
  });

  test('of several places the one with the least trouble is taken', () => {
    const bad = { on: 'mount', mount: 'front', slide_mm: 0, ports: 'end', air: 'in' } as const;
    const edit = pumpEdit(
      desk,
      { loop: 'loop', part: medium, way: 'series', aim: 'full' },
      { tee, places: () => [bad, { on: 'unplaced' }] },
    );
    const made = edit && applyEdit(desk, edit).design;
    const places = made?.components.flatMap((c) => (c.part.kind === 'pump' ? [c.placement] : []));
    expect(places?.map((p) => p.on)).toEqual(expect.arrayContaining(['unplaced']));
  });
});
