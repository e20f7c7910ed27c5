import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, type Turn } from '../design';
import { analyse } from '../analysis';
import { facing, compileSystem, spans } from '../system';
import type { FittingPart } from '../components';
import { proposeLoop } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const apart = applyEdit(desk, { do: 'loop.remove', loop: 'loop' }).design;
const bridges = CATALOGUE.filter(
  (p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge',
);
const choice = {
  name: 'Main loop',
  tube: catalogued('tube', 'tube-epdm-16-10'),
  fitting: catalogued('fitting', 'fit-comp-16-10'),
  coolant: catalogued('coolant', 'cool-clear-premix'),
  bridges,
};

/** The reservoir so far over the pump's inlet, and so far aside of it. */
const over = (up: number, aside: number, turn: Turn = 0): Design => {
  const pump = compileSystem(apart)
    .placed.get('pump')
    ?.ports.find((p) => p.port.role === 'in')?.at ?? [0, 0, 0];
  return applyEdit(apart, {
    do: 'component.place',
    component: 'reservoir',
    placement: { on: 'free', at: [pump[0] + aside, pump[1] + up, pump[2]], turn },
  }).design;
};

describe('direct connections of a proposed loop', () => {
  test.each([
    [5, 0, undefined],
    [15, 0, 'fit-bridge-12'],
    [25, 0, 'fit-bridge-18'],
    [50, 0, 'fit-bridge-40'],
    [15, 1.5, 'fit-bridge-12'],
  ] as const)('%s mm apart and %s mm aside: the fitting that reaches', (up, aside, bridge) => {
    const built = applyEdit(over(up, aside), proposeLoop(over(up, aside), choice) as Edit).design;
    const connection = built.loops[0]?.connections.find(
      (l) => l.from.component === 'reservoir' && l.to.component === 'pump',
    );
    expect(connection).toMatchObject({
      by: 'direct',
      ...(bridge ? { bridge: { id: bridge } } : {}),
    });
  });

  test('none where nothing reaches: a tube', () => {
    for (const [up, aside] of [
      [15, 20],
      [200, 0],
    ] as const) {
      const built = applyEdit(over(up, aside), proposeLoop(over(up, aside), choice) as Edit).design;
      expect(
        built.loops[0]?.connections.find(
          (l) => l.from.component === 'reservoir' && l.to.component === 'pump',
        )?.by,
      ).toBe('tube');
    }
  });

  test('wherever the reservoir stands, what is proposed as a direct connection holds', () => {
    let direct = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: -20, max: 80 }),
        fc.integer({ min: -30, max: 30 }),
        fc.constantFrom<Turn>(0, 90, 180, 270),
        (up, aside, turn) => {
          const placed = over(up, aside, turn);
          const built = applyEdit(placed, proposeLoop(placed, choice) as Edit).design,
            system = compileSystem(built);
          for (const connection of built.loops[0]?.connections ?? []) {
            if (connection.by !== 'direct') continue;
            direct += 1;
            const a = system.portAt(connection.from),
              b = system.portAt(connection.to),
              way = a && b && facing(a, b);
            expect(way && spans(way, connection.bridge)).toBe(true);
          }
          expect(analyse(built).findings.filter((f) => f.code === 'run.joint-apart')).toEqual([]);
        },
      ),
      { numRuns: 60, seed: 3 },
    );
    expect(direct).toBeGreaterThan(3);
  });
});
