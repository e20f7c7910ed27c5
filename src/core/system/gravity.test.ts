import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { analyse, createSession } from '../analysis';
import { applyEdit, UPS, type Design, type Edit } from '../design';
import { fillLevel, topOf } from '../loops';
import type { Box } from '../geometry';
import { compileSystem, heightOf, heightsOf } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (...edits: readonly Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, desk);

describe('turn the machine', () => {
  test.each(UPS)('%s: heights turn over with it, and a body stays as tall as that side', (up) => {
    const of = { design: { choices: { removed: [], stands: up } } };
    const box: Box = { min: [10, 20, 30], max: [15, 40, 90] };
    const { low, high } = heightsOf(of, [box]);
    expect(high - low).toBe({ x: 5, y: 20, z: 60 }[up[1] as 'x' | 'y' | 'z']);
    const opposite = { design: { choices: { removed: [], stands: flipped(up) } } };
    expect(heightOf(of, [1, 2, 3])).toBe(-heightOf(opposite, [1, 2, 3]));
  });

  test('upside down the pump is the high point, and the finding goes when it stands again', () => {
    const codes = (d: Design) => analyse(d).findings.map((f) => f.code);
    const over = edited({ do: 'case.stands', up: '-y' });
    expect(codes(desk)).not.toContain('rule.pump-high');
    expect(codes(over)).toContain('rule.pump-high');
    expect(codes(applyEdit(over, { do: 'case.stands', up: '+y' }).design)).toEqual(codes(desk));
  });

  test('the surface of the coolant is level whichever side is up', () => {
    for (const up of UPS) {
      const system = compileSystem(edited({ do: 'case.stands', up }));
      const tank = system.placed.get('reservoir');
      if (!tank) throw new Error('the demo lost its reservoir');
      const { low, high } = heightsOf(
        system,
        tank.solids.map((s) => s.box),
      );
      const level = fillLevel(system, tank) ?? NaN;
      expect(level).toBeGreaterThan(low);
      expect(level).toBeLessThanOrEqual(high);
      expect(topOf(system, tank)).toBeLessThanOrEqual(high + 1e-9);
    }
  });
});

describe('what is worked out step by step is what is worked out from nothing', () => {
  const layers = [catalogued('layer', 'lay-gasket-120-3')];
  test.each([
    ['fewer fans', { do: 'component.set', component: 'front-fans', values: { pieces: 1 } }],
    ['a gasket', { do: 'component.set', component: 'front-fans', values: { layers } }],
    ['lying', { do: 'case.stands', up: '+z' }],
    ['mandrels', { do: 'loop.mandrels', loop: 'loop', mandrels: { angles_deg: [90] } }],
  ] as const)('%s', (_, edit) => {
    const after = applyEdit(desk, edit as Edit).design;
    const session = createSession(desk);
    session.analysis();
    session.apply(edit as Edit);
    const [now, anew] = [session.analysis(), analyse(after)];
    expect(now.findings.map((f) => [f.code, f.title, f.detail])).toEqual(
      anew.findings.map((f) => [f.code, f.title, f.detail]),
    );
    expect(now.reports.bom.lines).toEqual(anew.reports.bom.lines);
    expect(now.reports.heat).toEqual(anew.reports.heat);
  });
});

const flipped = (up: (typeof UPS)[number]): (typeof UPS)[number] =>
  `${up.startsWith('+') ? '-' : '+'}${up[1] ?? 'y'}` as (typeof UPS)[number];
