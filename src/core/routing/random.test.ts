import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, STANDARD_KIT } from '@/catalogue';
import { EMPTY_BOX } from '@/catalogue/emptyBox.fixture';
import { emptyDesign, type Design, type Component, type Connection, type Turn } from '../design';
import { measureGaps } from '../clearance';
import { compileSystem } from '../system';
import type { CasePart } from '../components';
import { check } from './checker.fixture';
import { routeDesign, routedRuns, withFrames } from '.';

const reservoir = catalogued('reservoir', 'res-osier-100'),
  pump = catalogued('pump', 'pump-brook-small');
const hard = {
    tube: catalogued('tube', 'tube-petg-14-10'),
    fitting: catalogued('fitting', 'fit-hard-14'),
  },
  soft = {
    tube: catalogued('tube', 'tube-soft-13-10'),
    fitting: catalogued('fitting', 'fit-comp-13-10'),
  };

const at = fc.tuple(
  fc.integer({ min: 70, max: 530 }),
  fc.integer({ min: 30, max: 330 }),
  fc.integer({ min: 70, max: 380 }),
);
const bar = fc.record({
  at,
  size: fc.tuple(
    fc.integer({ min: 10, max: 160 }),
    fc.integer({ min: 10, max: 160 }),
    fc.integer({ min: 10, max: 160 }),
  ),
});
const turn = fc.constantFrom<Turn>(0, 90, 180, 270);

/** Reservoirs and pumps strewn about a box with bars in it; their ports joined in a chain. */
/** `aslant`: hard tube may lie at 45°, and its second run begins with an elbow of 45°. */
function strewn(
  places: readonly { readonly at: readonly [number, number, number]; readonly turn: Turn }[],
  bars: readonly {
    readonly at: readonly [number, number, number];
    readonly size: readonly [number, number, number];
  }[],
  kind: typeof hard,
  aslant: boolean,
): Design {
  const box: CasePart = {
    ...EMPTY_BOX,
    obstacles: bars.map((b, i) => ({
      id: `bar-${i}`,
      name: `Bar ${i + 1}`,
      removable: false,
      min: b.at,
      max: [
        Math.min(600, b.at[0] + b.size[0]),
        Math.min(500, b.at[1] + b.size[1]),
        Math.min(450, b.at[2] + b.size[2]),
      ] as const,
    })),
  };
  const components = places.map((p, i): Component => ({
    id: `part-${i}`,
    name: `Part ${i + 1}`,
    part: i % 2 === 0 ? reservoir : pump,
    placement: { on: 'free', at: p.at, turn: p.turn },
    settings: {},
  }));
  const connections = components.slice(1).map((to, i): Connection => {
    const from = components[i] as Component;
    return {
      id: `run-${i + 1}`,
      from: { component: from.id, port: i % 2 === 0 ? 'low' : 'out' },
      to: { component: to.id, port: i % 2 === 0 ? 'in' : 'return' },
      by: 'tube',
      ends: { from: aslant && i === 1 ? 'rotary45' : 'auto', to: 'auto' },
      ...(aslant ? { constraints: { allow45: true } } : {}),
    };
  });
  return {
    ...emptyDesign('Strewn', STANDARD_KIT),
    case: box,
    components,
    loops: [
      {
        id: 'loop',
        name: 'Loop',
        ...kind,
        coolant: catalogued('coolant', 'cool-clear-premix'),
        coolantAge_months: 0,
        connections,
        caps: [],
      },
    ],
  };
}

describe('strewn parts among bars, routed', () => {
  /**
   * The independent checker on cases of no plan: whatever is told to have a way has one, of hard
   * tube at right angles or aslant, and of soft tube.
   */
  test('500 random cases: no tube meets anything, no bend is too tight, no port is missed', () => {
    let laid = 0,
      cases = 0;
    fc.assert(
      fc.property(
        fc.array(fc.record({ at, turn }), { minLength: 2, maxLength: 3 }),
        fc.array(bar, { maxLength: 3 }),
        fc.constantFrom('hard', 'soft', 'aslant'),
        (places, bars, how) => {
          const design = strewn(places, bars, how === 'soft' ? soft : hard, how === 'aslant');
          // Parts that stand in each other or in a bar are no case for routing.
          if (measureGaps(compileSystem(design)).gaps.some((g) => g.verdict === 'clash')) return;
          const found = routeDesign(design),
            system = compileSystem(withFrames(design, found));
          cases += 1;
          laid += found.routed.routes.length;
          expect(check(system, routedRuns(system, found.routed))).toEqual([]);
          expect(found.routed.routes.length + found.routed.missing.length).toBe(
            design.loops[0]?.connections.length,
          );
        },
      ),
      { numRuns: 500, seed: 11 },
    );
    expect(cases).toBeGreaterThanOrEqual(200);
    expect(laid).toBeGreaterThan(150);
  }, 240_000);
});
