import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, findComponent } from '../design';
import { analyse } from '../analysis';
import { compareRating, drawOf, prepareHeat, shareOf, temperatureUncertainty, worstRise } from '.';
import type { Band } from '../units';

const desk = demoDesign('dawn-chorus-desk') as Design;
const w = analyse(desk);
const ask = (draws = 300, seed = 1) => {
  const b = temperatureUncertainty(w.thermalModel, w.reports.flow, 'render', draws, seed);
  if (!b) throw new Error('stopped');
  return b;
};

describe('bands of uncertainty', () => {
  test('the same seed gives the same band, another one much the same', () => {
    expect(ask()).toEqual(ask());
    const a = ask(600, 1).deltaT_K as Band,
      b = ask(600, 2).deltaT_K as Band;
    expect(Math.abs(a.mid - b.mid)).toBeLessThan(0.3);
    expect(Math.abs(a.high - b.high)).toBeLessThan(0.8);
  });

  test('the answer lies inside its band, near the middle, and the band is neither nothing nor everything', () => {
    const band = ask().deltaT_K as Band,
      rise = worstRise(w.reports.heat.render) ?? NaN;
    expect(band.low).toBeLessThan(rise);
    expect(band.high).toBeGreaterThan(rise);
    expect(Math.abs(band.mid / rise - 1)).toBeLessThan(0.05);
    expect((band.high - band.low) / rise).toBeGreaterThan(0.15);
    expect((band.high - band.low) / rise).toBeLessThan(0.8);
  });

  test('shares over a limit agree with where the limit lies in the band', () => {
    const b = ask();
    for (const s of b.hotSpots)
      if (s.temp_C) {
        if (s.limit_C > s.temp_C.high) expect(s.over).toBeLessThanOrEqual(0.05);
        if (s.limit_C < s.temp_C.low) expect(s.over).toBeGreaterThanOrEqual(0.95);
      }
    const tight = analyse(
      applyEdit(desk, { do: 'brief.limit', values: { deltaT_K: (ask().deltaT_K as Band).mid } })
        .design,
    );
    expect(
      temperatureUncertainty(tight.thermalModel, tight.reports.flow, 'render', 300)?.riseOver ?? 0,
    ).toBeCloseTo(0.5, 1);
  });

  test('it can be stopped; a pump that stands has no band', () => {
    expect(
      temperatureUncertainty(w.thermalModel, w.reports.flow, 'render', 300, 1, (done) => done < 50),
    ).toBeNull();
    const still = analyse(
      applyEdit(desk, { do: 'component.set', component: 'pump', values: { speed_rpm: 0 } }).design,
    );
    expect(
      temperatureUncertainty(still.thermalModel, still.reports.flow, 'render', 50),
    ).toMatchObject({
      deltaT_K: null,
    });
  });
});

describe('tuned parts and shares', () => {
  const sourceOf = (design: Design, id: string) => {
    const s = analyse(design).thermalModel.sources.find((x) => x.component.id === id);
    if (!s) throw new Error('no source');
    return s;
  };
  const tuned = (values: object) =>
    sourceOf(
      applyEdit(desk, { do: 'component.set', component: 'processor', values }).design,
      'processor',
    );
  const stock = sourceOf(desk, 'processor').part.draw_W;

  /** Dynamic power of CMOS: P = α C V² f (any digital-design textbook). */
  test('clock and voltage go as f V², a typed limit caps them or stands alone', () => {
    expect(drawOf(tuned({ clock: 1.1, voltage: 1.05 }))).toBeCloseTo(stock * 1.1 * 1.05 ** 2, 9);
    expect(drawOf(tuned({ voltage: 0.9 }))).toBeCloseTo(stock * 0.81, 9);
    expect(drawOf(tuned({ clock: 1.3, voltage: 1.2, powerDraw_W: 90 }))).toBe(90);
    expect(drawOf(tuned({ powerDraw_W: 300 }))).toBe(300);
  });

  test("a share of one's own replaces the part's, in that load alone", () => {
    const s = tuned({ shares: { gaming: 0.25 } });
    expect(shareOf(s, 'gaming')).toBe(0.25);
    expect(shareOf(s, 'render')).toBe(s.part.shares.render);
    expect(shareOf(s, 'custom')).toBe(0.25);
    expect(shareOf(tuned({ shares: { gaming: 0.25 }, customShare: 0.6 }), 'custom')).toBe(0.6);
  });
});

describe('measured beats modelled', () => {
  const withPoints = (
    points: readonly (readonly [number, number, number])[],
    against: 'air' | 'speed' = 'air',
  ) =>
    analyse(
      applyEdit(desk, {
        do: 'component.measured',
        component: 'front-radiator',
        measured: { against, points, source: 'own bench' },
      }).design,
    );
  const front = (x: ReturnType<typeof analyse>) => {
    const r = x.reports.heat.render.radiators.find((y) => y.id === 'front-radiator');
    if (!r) throw new Error('no radiator');
    return r;
  };
  const own = front(w);
  const q = Math.abs(
    w.reports.flow.links.find((l) => l.component === 'front-radiator')?.flow_Lmin ?? NaN,
  );

  test('a point at the very state is met, in air and in speed', () => {
    // Points are taken with water; this loop's premix is a little less good, 0.7 %. Points by speed
    // are taken in the open: a case that holds the fans back by a few per cent takes as much of
    // them.
    const met = { air: 0.01, speed: 0.06 };
    for (const against of ['air', 'speed'] as const)
      expect(
        Math.abs(
          front(withPoints([[against === 'air' ? own.airFlow_m3h : own.speed_rpm, q, 30]], against))
            .conductance_WK /
            30 -
            1,
        ),
      ).toBeLessThan(met[against]);
    expect(front(withPoints([[own.airFlow_m3h, q, 30]])).basis).toBe('measured');
    expect(own.basis).toBe('model');
  });

  test('between points it lies between, beyond them the model carries on and says so', () => {
    const low = own.conductance_WK * 0.9,
      r = front(
        withPoints([
          [own.airFlow_m3h * 0.5, q, low * 0.6],
          [own.airFlow_m3h * 2, q, low * 1.5],
        ]),
      );
    expect(r.conductance_WK).toBeGreaterThan(low * 0.6);
    expect(r.conductance_WK).toBeLessThan(low * 1.5);
    expect(front(withPoints([[own.airFlow_m3h * 2, q, 40]])).basis).toBe(
      'measured, extended by the model',
    );
  });

  test('points that say what the model says change nothing', () => {
    const at = (rpm: number): number =>
      prepareHeat(
        {
          ...w.thermalModel,
          radiators: w.thermalModel.radiators.map((r) => ({
            ...r,
            fans: r.fans.map((f) => ({ ...f, speed_rpm: rpm })),
          })),
        },
        w.reports.flow,
      ).conductances[w.thermalModel.radiators.findIndex((r) => r.id === 'front-radiator')]?.k ??
      NaN;
    const r = front(
      withPoints(
        [
          [700, q, at(700)],
          [1800, q, at(1800)],
        ],
        'speed',
      ),
    );
    // What the case holds back at 700 and at 1,800 rpm is in these points already.
    expect(Math.abs(r.conductance_WK / own.conductance_WK - 1)).toBeLessThan(0.06);
  });

  /** Watts over kelvin: a printed "300 W at 10 K" is 30 W/K, whatever else it says. */
  test('a rating is heat over difference, set against the model at its own speed', () => {
    const c = compareRating(w.thermalModel, w.reports.flow, 'front-radiator', {
      heat_W: 300,
      difference_K: 10,
      speed_rpm: 1300,
    });
    expect(c?.printed_WK).toBe(30);
    // Common practice, no source: a 360 × 30 mm core of 16 per inch at 1,300 rpm sheds 20 to 24
    // W/K.
    expect(c?.ours_WK ?? 0).toBeGreaterThan(19);
    expect(c?.ours_WK ?? 99).toBeLessThan(26);
    expect(
      compareRating(w.thermalModel, w.reports.flow, 'no-such', {
        heat_W: 1,
        difference_K: 1,
        speed_rpm: 1,
      }),
    ).toBeNull();
  });
});

describe('what the loop would carry', () => {
  test("with that much heat, the rise at that speed is the brief's", () => {
    const { carries } = w.reports.sizing;
    if (!carries) throw new Error('nothing carried');
    const scaled = analyse(
      [
        ...['processor', 'card'].map((id) => ({
          id,
          draw: (findComponent(desk, id)?.part as { draw_W: number }).draw_W,
        })),
        ...['board', 'memory'].map((id) => ({
          id,
          draw: (findComponent(desk, id)?.part as { draw_W: number }).draw_W,
        })),
      ].reduce(
        (b, { id, draw }) =>
          applyEdit(b, {
            do: 'component.set',
            component: id,
            values: { powerDraw_W: draw * carries.ofNow },
          }).design,
        applyEdit(desk, { do: 'fans.speed', speed_rpm: Math.round(carries.speed_rpm) }).design,
      ),
    );
    expect(worstRise(scaled.reports.heat[desk.brief.loadCase]) ?? NaN).toBeCloseTo(
      desk.brief.limits.deltaT_K,
      0,
    );
  });

  test('summer is worked out where the brief names one', () => {
    expect(w.reports.summer).toBeNull();
    const hot = analyse(applyEdit(desk, { do: 'brief.set', values: { summer_C: 34 } }).design);
    expect(
      Math.abs(
        (hot.reports.summer?.hotSpots[0]?.temp_C ?? 0) -
          (hot.reports.heat[desk.brief.loadCase].hotSpots[0]?.temp_C ?? 0) -
          12,
      ),
    ).toBeLessThan(1);
  });
});
