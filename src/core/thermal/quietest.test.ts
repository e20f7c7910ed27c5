import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse, createSession, JUDGE } from '../analysis';
import { findingKey, resolveFixes } from '../checks';
import { applyEdit, type Design, type Edit } from '../design';
import { quietestSetting, worstRise } from '.';

const MARGIN_K = 5;

const desk = demoDesign('dawn-chorus-desk') as Design;

/** Sets fans and pump of the desk. */
const at = (design: Design, fans_rpm: number, pump_rpm: number): Design => {
  const edit: Edit = {
    do: 'batch',
    edits: [
      { do: 'fans.speed', speed_rpm: fans_rpm },
      { do: 'component.set', component: 'pump', values: { speed_rpm: pump_rpm } },
    ],
  };
  return applyEdit(design, edit).design;
};

/** Everything of the brief but the noise, by a whole analysis. */
function meetsLimits(design: Design): boolean {
  const { reports } = analyse(design);
  const heat = reports.heat[design.brief.loadCase];
  const { limits } = design.brief;
  return (
    (worstRise(heat) ?? Infinity) <= limits.deltaT_K + 1e-9 &&
    reports.flow.loops.every((l) => l.flow_Lmin >= limits.flow_Lmin - 0.005) &&
    heat.hotSpots.every((s) => (s.temp_C ?? Infinity) <= s.limit_C - MARGIN_K + 1e-9)
  );
}

const search = (design: Design) => {
  const { system, reports, thermalModel } = analyse(design);
  return quietestSetting({
    system,
    runs: reports.runs,
    thermalModel,
    load: design.brief.loadCase,
    spotMargin_K: MARGIN_K,
  });
};

describe('quietest setting', () => {
  const found = search(desk);
  const applied = at(desk, found?.fans_rpm ?? 0, found?.pumps[0]?.speed_rpm ?? 0);

  test('what it says is what a whole analysis of the build at that setting says', () => {
    const { reports } = analyse(applied);
    const heat = reports.heat[desk.brief.loadCase];
    expect(meetsLimits(applied)).toBe(true);
    expect(heat.noise_dBA).toBeCloseTo(found?.noise_dBA ?? 0, 6);
    expect(worstRise(heat)).toBeCloseTo(found?.deltaT_K ?? 0, 2);
  });

  test('no setting of a grid over both speeds meets the limits and is quieter', () => {
    let tried = 0;
    for (let fans = 500; fans <= 2000; fans += 150)
      for (let pump = 1200; pump <= 4800; pump += 600) {
        const design = at(desk, fans, pump);
        if (!meetsLimits(design)) continue;
        tried += 1;
        const { noise_dBA } = analyse(design).reports.heat[desk.brief.loadCase];
        expect(noise_dBA).toBeGreaterThan((found?.noise_dBA ?? Infinity) - 0.1);
      }
    expect(tried).toBeGreaterThan(5);
  });

  test('null when no speed meets the limits', () => {
    const strict = applyEdit(desk, { do: 'brief.limit', values: { deltaT_K: 1 } }).design;
    expect(search(strict)).toBeNull();
  });
});

describe('one fix for noise and heat', () => {
  /** Applies the first fix of a kind of finding; its label. */
  const fixed = (design: Design, code: string): { label: string; design: Design } => {
    const session = createSession(design);
    const finding = session.analysis().findings.find((f) => f.code === code);
    const fix = finding && resolveFixes(session.design, finding, JUDGE)[0];
    if (!fix) throw new Error(`no fix for ${code}`);
    return { label: fix.label, design: applyEdit(design, fix.edit).design };
  };

  test('too loud and too warm end in the same setting, and neither finding comes back', () => {
    const loud = fixed(at(desk, 2000, 4800), 'noise.over');
    const warm = fixed(at(desk, 400, 4800), 'cooling.short');
    expect(loud.label).toMatch(/^Use the quietest setting that meets the brief/);
    expect(warm.label.replace(/: coolant .*/, '')).toBe(loud.label);
    for (const { design } of [loud, warm])
      expect(analyse(design).findings.map(findingKey)).not.toEqual(
        expect.arrayContaining([expect.stringMatching(/^(noise.over|cooling.short|heat.over)/)]),
      );
  });

  test('the label tells the noise that the build then makes', () => {
    const { label, design } = fixed(at(desk, 2000, 4800), 'noise.over');
    const noise = analyse(design).reports.heat[design.brief.loadCase].noise_dBA;
    expect(label).toContain(`${noise.toFixed(1)} dBA`);
  });
});
