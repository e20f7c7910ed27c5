/** @jest-environment node */
import { afterEach, describe, expect, test } from '@jest/globals';
import { BARE_PART_LISTS, demoDesign } from '@/catalogue';
import { analyse, tell } from '@/core/analysis';
import type { Design } from '@/core/design';
import { coolingCurves } from '@/core/thermal';
import { showUnits } from '@/core/units';
import { TASKS } from './tasks';

const design = demoDesign('pocket-planetarium') as Design;
const ask = (curves: boolean) => TASKS.tell({ design, partLists: BARE_PART_LISTS, curves });
const told = () => ask(false).told;

afterEach(() => showUnits('metric'));

describe('what a page is sent with its build', () => {
  test('is what an analysis from nothing says', () => {
    expect(told()).toEqual(tell(analyse(design)));
  });

  test('curves come with it where they are asked for, and are those of the model', () => {
    const { thermalModel, reports } = analyse(design);
    expect(ask(false).curves).toBeNull();
    expect(ask(true).curves).toEqual(
      coolingCurves(thermalModel, reports.flow, design.brief.loadCase),
    );
  });

  test('readers one after the other each get it in their own units, all of it', () => {
    const metric = told();
    showUnits('us');
    const customary = told();
    expect(customary).toEqual(tell(analyse(design)));
    expect(customary.words.units).toBe('us');
    expect(customary.stages).not.toEqual(metric.stages);
    showUnits('metric');
    expect(told()).toEqual(metric);
  });

  test('an evaluation between readers is in the words of whoever asked', () => {
    const evaluated = (): string => {
      const asked = { text: JSON.stringify(design), partLists: BARE_PART_LISTS };
      const answer = TASKS.evaluate({ ...asked, fixes: false, route: false }, () => undefined);
      if (!answer.ok) throw new Error('a demo is a build');
      return answer.json;
    };
    const metric = evaluated();
    showUnits('us');
    expect(evaluated()).not.toBe(metric);
    showUnits('metric');
    expect(evaluated()).toBe(metric);
  });
});
