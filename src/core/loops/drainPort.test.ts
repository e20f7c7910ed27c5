import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, capPieces, type Cap, type Design, type Edit } from '../design';
import { compileSystem } from '../system';
import { capBodies } from '../tubing';
import { buildBom } from '../bom';
import { judgeCorrosion } from '../corrosion';
import { estimateRuns } from '../tubing';
import { capFits, lowestDrain } from '.';

const tower = demoDesign('fenland-flood-tower') as Design,
  desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const capped = (cap: Cap): Design => {
  const { component, port, ...rest } = cap;
  return edited(desk, { do: 'cap.set', loop: 'loop', port: { component, port }, ...rest });
};

describe('what closes a port, on an adapter', () => {
  const { extender, rotary90, drain } = desk.kit;

  test('on an extender it stands as much further out', () => {
    const design = capped({
      component: 'pump',
      port: 'low',
      with: 'drain',
      under: { piece: 'extender' },
    });
    const system = compileSystem(design);
    const cap = design.loops[0]?.caps.find((c) => c.component === 'pump') as Cap;
    const bodies = capBodies(system, cap);
    const at = system.portAt({ component: 'pump', port: 'low' })?.at ?? [0, 0, 0];
    const tip = bodies[1]?.cylinder?.to ?? [0, 0, 0];
    expect(Math.hypot(...tip.map((v, i) => v - (at[i] as number)))).toBeCloseTo(
      extender.length_mm + drain.length_mm,
      9,
    );
    expect(capPieces(design.kit, cap).map((p) => p.id)).toEqual([extender.id, drain.id]);
  });

  test('on an elbow it looks where the elbow does, half the elbow beside its port', () => {
    const design = capped({
      component: 'pump',
      port: 'low',
      with: 'drain',
      under: { piece: 'rotary90', direction: [0, -1, 0] },
    });
    const system = compileSystem(design);
    const cap = design.loops[0]?.caps.find((c) => c.component === 'pump') as Cap;
    const last = capBodies(system, cap).at(-1)?.cylinder;
    if (!last) throw new Error('no body');
    const way = last.to.map((v, i) => v - (last.from[i] as number));
    expect(way.map((v) => Math.round(v))).toEqual([0, -drain.length_mm, 0]);
    const arm = rotary90.length_mm - rotary90.diameter_mm / 2;
    const at = system.portAt(cap)?.at ?? [0, 0, 0];
    expect(last.from[1]).toBeCloseTo((at[1] ?? NaN) - arm, 9);
  });

  test('both pieces are on the list, and the coolant touches both', () => {
    const brass = {
      ...extender,
      id: 'fit-bare',
      name: 'Bare extender',
      wetted: [{ metal: 'zinc' as const, area_mm2: 700 }],
    };
    const design = edited(
      capped({ component: 'pump', port: 'low', with: 'drain', under: { piece: 'extender' } }),
      { do: 'kit.set', duty: 'extender', fitting: brass },
    );
    const system = compileSystem(design);
    const lines = buildBom(system, estimateRuns(system)).lines;
    expect(lines.find((l) => l.part === 'fit-bare')?.quantity).toBe(1);
    const metals = judgeCorrosion(design).metals.filter((m) => m.metal === 'zinc');
    expect(metals.map((m) => m.area_mm2)).toEqual([700]);
  });

  test('a piece of its own takes the place of the kit’s at that port alone', () => {
    const short = catalogued('fitting', 'fit-drain-short');
    const design = capped({ component: 'pump', port: 'low', with: 'drain', piece: short });
    const system = compileSystem(design);
    const lines = buildBom(system, estimateRuns(system)).lines;
    expect(lines.find((l) => l.part === short.id)?.quantity).toBe(1);
    expect(lines.some((l) => l.part === desk.kit.drain.id)).toBe(false);
  });
});

describe('the drain', () => {
  /** Fact of the trade: the valve belongs at the lowest port of the loop. Common practice, no source. */
  test('of both loops of the tower is at the lowest port at which the valve has room', () => {
    const system = compileSystem(tower);
    for (const loop of tower.loops) {
      const drain = loop.caps.find((c) => c.with === 'drain') as Cap;
      const height = (c: Pick<Cap, 'component' | 'port'>): number => system.portAt(c)?.at[1] ?? NaN;
      const lower = loop.caps.filter((c) => height(c) < height(drain) - 1e-9);
      for (const c of lower)
        expect([c.component, capFits(system, { ...c, with: 'drain' })]).toEqual([
          c.component,
          false,
        ]);
      expect(capFits(system, drain)).toBe(true);
    }
  });

  test('where it has no room straight in, an elbow or an extender makes it', () => {
    const ports = [{ component: 'pump', port: 'low' }];
    const wide = compileSystem(desk);
    expect(lowestDrain(wide, ports, [])).toEqual({ ...ports[0], with: 'drain' });
    // A wall before the port, nearer than the valve is long.
    const at = wide.portAt({ component: 'pump', port: 'low' });
    if (!at || !desk.case) throw new Error('no port');
    const { drain, rotary90 } = desk.kit;
    const gap = (drain.length_mm + rotary90.length_mm) / 2;
    const wall = {
      id: 'wall',
      name: 'Wall',
      removable: false,
      min: [at.at[0] - 100, at.at[1] - 100, at.at[2] + gap] as const,
      max: [at.at[0] + 100, at.at[1] + 100, at.at[2] + gap + 2] as const,
    };
    const narrow = compileSystem({
      ...desk,
      case: { ...desk.case, obstacles: [...desk.case.obstacles, wall] },
    });
    const found = lowestDrain(narrow, ports, []);
    expect(found?.under?.piece).toBe('rotary90');
    expect(found && capFits(narrow, found)).toBe(true);
    // And where nothing makes room, none is said to fit.
    const shut = { ...wall, min: [at.at[0] - 100, at.at[1] - 100, at.at[2] + 4] as const };
    expect(
      lowestDrain(
        compileSystem({
          ...desk,
          case: { ...desk.case, obstacles: [...desk.case.obstacles, shut] },
        }),
        ports,
        [],
      ),
    ).toBeNull();
  });
});
