import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { analyse, JUDGE } from '../analysis';
import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';
import { worstRise } from '../thermal';
import { moreRadiators, resolveFixes } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((d, e) => applyEdit(d, e).design, design);

/** The desk without its front radiator: one of the two is left, the front is free. */
const oneLess = edited(
  desk,
  ...desk.components
    .filter((c) => c.placement.on === 'radiator' && c.placement.component === 'front-radiator')
    .map((c): Edit => ({ do: 'component.remove', component: c.id })),
  { do: 'component.remove', component: 'front-radiator' },
);

describe('one more radiator', () => {
  test('hangs on a free mount, with fans like those there are, and its loop is closed with it', () => {
    for (const air of ['usual', 'other'] as const) {
      const [first] = moreRadiators(oneLess, CATALOGUE, air);
      if (!first) throw new Error('no radiator');
      expect(first).toMatchObject({ mount: 'front', air: air === 'usual' ? 'in' : 'out' });
      const made = edited(oneLess, first.edit);
      const analysis = analyse(made);
      expect(analysis.findings.map((f) => f.code)).not.toContain('loop.not-closed');
      expect(analysis.system.loops[0]?.stations).toContain('radiator');
      expect(analysis.thermalModel.radiators.map((r) => r.fans.length)).toEqual([1, 1]);
    }
  });

  /** The figure in the label is that of a whole analysis of the build the edit makes. */
  test('a build that is short is offered one, with the temperature it really comes to', () => {
    let offered = 0;
    for (const [rpm, deltaT_K] of [
      [700, 16],
      [900, 12.5],
      [1100, 10],
    ] as const) {
      const short = edited(
        oneLess,
        { do: 'fans.speed', speed_rpm: rpm },
        { do: 'brief.limit', values: { deltaT_K } },
      );
      const finding = analyse(short, { offer: CATALOGUE }).findings.find(
        (f) => f.code === 'cooling.short',
      );
      if (!finding) continue;
      for (const fix of resolveFixes(short, finding, JUDGE)) {
        if (!fix.label.startsWith('One more')) continue;
        offered += 1;
        const made = withoutRoutes(edited(short, fix.edit));
        const rise = worstRise(analyse(made).reports.heat[made.brief.loadCase]) ?? NaN;
        expect(rise).toBeLessThanOrEqual(deltaT_K + 0.005);
        expect(fix.label).toMatch(
          /^One more .+ on the front mount, (drawing in|blowing out): coolant \+/,
        );
        expect(fix.label).toContain(`+${rise.toFixed(1)}`);
      }
    }
    expect(offered).toBeGreaterThan(0);
  });

  test('a case without a free mount, or a loop without a radiator, is offered none', () => {
    expect(
      moreRadiators(
        { ...desk, case: { ...(desk.case as NonNullable<Design['case']>), mounts: [] } },
        CATALOGUE,
      ),
    ).toEqual([]);
    expect(moreRadiators({ ...desk, loops: [] }, CATALOGUE)).toEqual([]);
  });
});
