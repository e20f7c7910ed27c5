import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Control, type Edit } from '../design';
import { analyse, type Analysis } from '../analysis';
import { solveHeat } from '../thermal';
import { asked, runTransient, ScenarioError, type Scenario, type Transient } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const edited = (design: Design, ...edits: Edit[]): Analysis =>
  analyse(edits.reduce((b, e) => applyEdit(b, e).design, design));
const run = (w: Analysis, scenario: Scenario): Transient => {
  const result = runTransient(w.thermalModel, w.reports.flow, w.reports.runs, scenario);
  if (!result) throw new Error('stopped');
  return result;
};
const end = (a: Float64Array): number => a[a.length - 1] as number;
const hour = (load: Scenario['profile'][number]['load']): Scenario['profile'] => [
  { load, seconds: 3600 },
];

describe('the loop over time', () => {
  test.each([
    ['desk', desk, 3],
    ['tower', tower, 3],
  ] as const)('%s: it ends where the steady answer stands, within 0.05 K', (_, design, hours) => {
    const w = analyse(design),
      load = design.brief.loadCase,
      steady = w.reports.heat[load];
    const t = run(w, { profile: [{ load, seconds: hours * 3600 }], start: 'cold', step_s: 2 });
    for (const s of steady.hotSpots)
      expect(
        Math.abs(
          end(
            t.hotSpots.find((x) => x.component === s.component && x.hotSpot === s.hotSpot)
              ?.temp_C ?? new Float64Array([NaN]),
          ) - (s.temp_C ?? NaN),
        ),
      ).toBeLessThan(0.05);
    expect(Math.abs(end(t.caseAir_C) - steady.caseAir_C)).toBeLessThan(0.05);
    expect(end(t.noise_dBA)).toBeCloseTo(steady.noise_dBA, 6);
    for (const l of t.loops) {
      const means = Object.entries(steady.nodes);
      expect(means.length).toBeGreaterThan(3);
      expect(end(l.hottest_C)).toBeCloseTo(
        steady.loops.find((x) => x.id === l.id)?.hottest_C ?? NaN,
        1,
      );
    }
  });

  test('a settled start stays where it is', () => {
    const t = run(analyse(tower), {
      profile: [{ load: tower.brief.loadCase, seconds: 600 }],
      start: 'steady',
    });
    for (const l of t.loops)
      expect(Math.max(...l.mean_C) - Math.min(...l.mean_C)).toBeLessThan(0.02);
    for (const s of t.hotSpots)
      expect(Math.max(...s.temp_C) - Math.min(...s.temp_C)).toBeLessThan(0.05);
  });

  /** First law: what goes in leaves or is stored. */
  test.each([
    ['cold start', {}],
    ['pump stopped', { faults: [{ at_s: 300, kind: 'pump stops' }] }],
    [
      'load steps',
      {
        profile: [
          { load: 'idle', seconds: 300 },
          { load: 'stress', seconds: 900 },
          { load: 'gaming', seconds: 600 },
        ],
      },
    ],
    [
      'flow sags, room warms',
      {
        faults: [
          { at_s: 100, kind: 'flow sags', amount: 0.6 },
          { at_s: 500, kind: 'room warms', amount: 12 },
        ],
      },
    ],
  ] as const)('%s: energy balances to 0.1 %%', (_, change) => {
    const t = run(analyse(tower), {
      profile: [{ load: 'render', seconds: 1800 }],
      start: 'cold',
      ...change,
    } as Scenario);
    expect(t.balance.in_J).toBeGreaterThan(1e5);
    expect(t.balance.error).toBeLessThan(0.001);
  });

  test('half the step, hardly another answer: the stretches settle alike', () => {
    const w = analyse(desk),
      a = run(w, { profile: hour('render'), start: 'cold', step_s: 2 }),
      b = run(w, { profile: hour('render'), start: 'cold', step_s: 0.5 });
    for (const s of [60, 300, 900, 2400])
      expect(
        Math.abs((a.loops[0]?.mean_C[s / 2] as number) - (b.loops[0]?.mean_C[s / 0.5] as number)),
      ).toBeLessThan(0.12);
  });

  /**
   * Lumped-capacity warming (Incropera, ch. 5): τ = C/(conductance); a litre or two of loop and a
   * few kg of metal settle in minutes, not hours (common practice).
   */
  test('time constant is heat capacity over conductance, within the spread of a loop', () => {
    const w = analyse(desk),
      t = run(w, { profile: [{ load: 'render', seconds: 7200 }], start: 'cold' });
    const s = t.settling[0];
    expect(s?.tau_s ?? 0).toBeGreaterThan(60);
    expect(s?.tau_s ?? 9e9).toBeLessThan(1200);
    const k = w.reports.heat.render.radiators.reduce((sum, r) => sum + r.conductance_WK, 0);
    const stored = t.balance.stored_J,
      rise = (s?.to_C ?? 0) - desk.brief.room_C;
    // Parts on air and block metal are warmer than the coolant: C/K from the coolant's rise
    // overstates a little.
    expect((s?.tau_s ?? 0) / (stored / rise / k)).toBeGreaterThan(0.35);
    expect((s?.tau_s ?? 0) / (stored / rise / k)).toBeLessThan(1.3);
    expect(s?.steady_s ?? 9e9).toBeGreaterThan(2 * (s?.tau_s ?? 0));
  });
});

describe('faults', () => {
  test('a stopped pump: no flow, parts pass their limits, and the first is named', () => {
    const t = run(analyse(desk), {
      profile: hour('render'),
      start: 'steady',
      faults: [{ at_s: 60, kind: 'pump stops' }],
    });
    expect(end(t.loops[0]?.flow_Lmin ?? new Float64Array([1]))).toBe(0);
    expect(t.first).not.toBeNull();
    expect(t.first?.reached_s ?? 0).toBeGreaterThan(60);
    for (const s of t.hotSpots)
      if (s.reached_s !== null) expect(s.reached_s).toBeGreaterThanOrEqual(t.first?.reached_s ?? 0);
    // Throttled parts stay within the band over their limits, and do not do all they are asked.
    for (const s of t.hotSpots)
      if (s.component === 'processor') expect(Math.max(...s.temp_C)).toBeLessThan(s.limit_C + 10);
    expect(t.worked).toBeLessThan(0.8);
    expect(run(analyse(desk), { profile: hour('render'), start: 'steady' }).worked).toBe(1);
    // Adiabatic bound: a block and its coolant cannot warm faster than P over the metal alone.
    expect(JSON.stringify(Array.from(t.loops[0]?.mean_C ?? []))).not.toContain('null');
  });

  test('stopped fans leave natural convection: warmer, not without end at once', () => {
    const t = run(analyse(desk), {
      profile: hour('gaming'),
      start: 'steady',
      faults: [{ at_s: 10, kind: 'fan stops' }],
    });
    expect(end(t.loops[0]?.mean_C ?? new Float64Array([0]))).toBeGreaterThan(
      (t.loops[0]?.mean_C[0] as number) + 10,
    );
    const one = run(analyse(desk), {
      profile: hour('gaming'),
      start: 'steady',
      faults: [{ at_s: 10, kind: 'fan stops', component: 'front-fans' }],
    });
    expect(end(one.loops[0]?.mean_C ?? new Float64Array([0]))).toBeLessThan(
      end(t.loops[0]?.mean_C ?? new Float64Array([0])),
    );
    expect(
      end(one.speeds.find((s) => s.component === 'top-fans')?.speed_rpm ?? new Float64Array([0])),
    ).toBe(1150);
  });

  test('with flow lost it ends where the steady answer at the flow that is left stands', () => {
    const w = analyse(desk);
    const lost = run(w, {
      profile: hour('render'),
      start: 'steady',
      faults: [{ at_s: 0, kind: 'flow sags', amount: 0.7 }],
    });
    const { flow } = w.reports;
    const left = {
      ...flow,
      links: flow.links.map((l) => ({ ...l, flow_Lmin: 0.3 * l.flow_Lmin })),
    };
    const steady = solveHeat(w.thermalModel, left, 'render');
    for (const s of lost.hotSpots) {
      const there = steady.hotSpots.find(
        (x) => x.component === s.component && x.hotSpot === s.hotSpot,
      );
      expect(Math.abs(end(s.temp_C) - (there?.temp_C ?? NaN))).toBeLessThan(0.05);
    }
  });

  test('a warmer room lifts everything by as much in the end; sagging flow warms the parts', () => {
    const w = analyse(desk);
    const warm = run(w, {
      profile: [{ load: 'render', seconds: 9000 }],
      start: 'steady',
      step_s: 3,
      faults: [{ at_s: 0, kind: 'room warms', amount: 10 }],
    });
    expect(
      end(warm.loops[0]?.mean_C ?? new Float64Array([0])) - (warm.loops[0]?.mean_C[0] as number),
    ).toBeCloseTo(10, 0);
    const sag = run(w, {
      profile: hour('render'),
      start: 'steady',
      faults: [{ at_s: 0, kind: 'flow sags', amount: 0.7 }],
    });
    for (const s of sag.hotSpots.filter((x) => x.component === 'processor'))
      expect(end(s.temp_C)).toBeGreaterThan((s.temp_C[0] as number) + 0.5);
  });
});

const curve = (points: Control['points'], more: Partial<Control> = {}): Control => ({
  sensor: 'coolant',
  points,
  hysteresis_K: 1,
  ramp_rpms: 50,
  ...more,
});
const fansBy = (control: Control): Edit => ({
  do: 'batch',
  edits: ['front-fans', 'top-fans'].map((component): Edit => ({
    do: 'component.set',
    component,
    values: { control },
  })),
});

describe('controls', () => {
  test('straight between points, held beyond', () => {
    const c = curve([
      [25, 500],
      [35, 1500],
    ]);
    expect([20, 25, 30, 35, 60].map((t) => asked(c, t))).toEqual([500, 500, 1000, 1500, 1500]);
  });

  test("speed stays inside the fan's range and the ramp, whatever the curve (property)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2500 }),
        fc.integer({ min: 0, max: 2500 }),
        fc.integer({ min: 1, max: 200 }),
        (a, b, ramp) => {
          const t = run(
            edited(
              desk,
              fansBy(
                curve(
                  [
                    [24, Math.min(a, b)],
                    [34, Math.max(a, b)],
                  ],
                  { ramp_rpms: ramp },
                ),
              ),
            ),
            { profile: [{ load: 'stress', seconds: 240 }], start: 'cold' },
          );
          const s =
            t.speeds.find((x) => x.component === 'front-fans')?.speed_rpm ?? new Float64Array(0);
          for (let i = 1; i < s.length; i += 1)
            expect(Math.abs((s[i] as number) - (s[i - 1] as number))).toBeLessThanOrEqual(
              ramp + 1e-6,
            );
          expect(Math.max(...s)).toBeLessThanOrEqual(2000);
          expect(Math.min(...s.slice(1))).toBeGreaterThanOrEqual(Math.min(450, 1150));
        },
      ),
      { numRuns: 8, seed: 7 },
    );
  });

  test('a gentle curve on coolant settles; a cliff with no hysteresis hunts, and is named', () => {
    const gentle = run(
      edited(
        desk,
        fansBy(
          curve([
            [26, 500],
            [40, 2000],
          ]),
        ),
      ),
      { profile: [{ load: 'render', seconds: 5400 }], start: 'cold' },
    );
    expect(gentle.hunting).toEqual([]);
    expect(gentle.settling[0]?.steady_s).not.toBeNull();
    const cliff = run(
      edited(
        desk,
        fansBy(
          curve(
            [
              [36, 500],
              [36.02, 2000],
            ],
            { hysteresis_K: 0, ramp_rpms: 60 },
          ),
        ),
      ),
      { profile: [{ load: 'render', seconds: 5400 }], start: 'cold' },
    );
    expect(cliff.hunting.length).toBeGreaterThan(0);
    expect(cliff.hunting[0]).toMatchObject({ follows: false });
    expect(cliff.hunting[0]?.period_s ?? 0).toBeGreaterThan(5);
  });

  test('hysteresis: on the way down the fans wait', () => {
    const at = (hysteresis_K: number): number => {
      const t = run(
        edited(
          desk,
          fansBy(
            curve(
              [
                [26, 500],
                [36, 2000],
              ],
              { hysteresis_K, ramp_rpms: 2000 },
            ),
          ),
        ),
        {
          profile: [
            { load: 'stress', seconds: 1800 },
            { load: 'idle', seconds: 400 },
          ],
          start: 'cold',
        },
      );
      return t.speeds.find((s) => s.component === 'front-fans')?.speed_rpm[2000] as number;
    };
    expect(at(4)).toBeGreaterThan(at(0) + 200);
  });

  test("fans on a part's temperature follow a flickering load", () => {
    const profile = Array.from(
      { length: 40 },
      (_, i) => ({ load: i % 2 ? 'stress' : 'idle', seconds: 45 }) as const,
    );
    const t = run(
      edited(
        desk,
        fansBy(
          curve(
            [
              [36, 500],
              [70, 2000],
            ],
            { sensor: 'processor/die', hysteresis_K: 0, ramp_rpms: 200 },
          ),
        ),
      ),
      { profile, start: 'cold' },
    );
    expect(t.hunting[0]).toMatchObject({ follows: true });
  });

  test('a pump on a curve changes the flow', () => {
    const t = run(
      edited(desk, {
        do: 'component.set',
        component: 'pump',
        values: {
          control: curve([
            [24, 1600],
            [36, 4800],
          ]),
        },
      }),
      { profile: hour('stress'), start: 'cold' },
    );
    expect(end(t.loops[0]?.flow_Lmin ?? new Float64Array([0]))).toBeGreaterThan(
      (t.loops[0]?.flow_Lmin[30] as number) + 0.5,
    );
  });
});

describe('what cannot be run', () => {
  test.each([
    ['no step', { profile: [], start: 'cold' }],
    [
      'too long',
      {
        profile: [
          { load: 'idle', seconds: 86400 },
          { load: 'idle', seconds: 86400 },
        ],
        start: 'cold',
      },
    ],
    ['a step of nothing', { profile: hour('idle'), start: 'cold', step_s: 0 }],
    [
      'a sag beyond all',
      { profile: hour('idle'), start: 'cold', faults: [{ at_s: 0, kind: 'flow sags', amount: 5 }] },
    ],
    [
      'a part that is not there',
      {
        profile: hour('idle'),
        start: 'cold',
        faults: [{ at_s: 0, kind: 'fan stops', component: 'gone' }],
      },
    ],
    [
      'a part of another kind',
      {
        profile: hour('idle'),
        start: 'cold',
        faults: [{ at_s: 0, kind: 'pump stops', component: 'front-fans' }],
      },
    ],
  ] as const)('%s is said', (_, scenario) => {
    expect(() => run(analyse(desk), scenario as Scenario)).toThrow(ScenarioError);
  });

  test('it can be stopped', () => {
    const w = analyse(desk);
    expect(
      runTransient(
        w.thermalModel,
        w.reports.flow,
        w.reports.runs,
        { profile: hour('idle'), start: 'cold' },
        () => false,
      ),
    ).toBeNull();
  });
});
