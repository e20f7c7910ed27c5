import { beforeEach, describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { type Design } from '@/core/design';
import { isStillFound, tourOf, useTour } from './tour';
import { STAGES } from './stages';

const { findings } = analyse(demoDesign('pocket-planetarium') as Design);

describe('a guided tour', () => {
  beforeEach(() => useTour.getState().end());

  test('visits every finding once, along the stages, what fails first', () => {
    const stops = tourOf(findings);
    expect(new Set(stops).size).toBe(findings.length);
    const stages = stops.map((f) => STAGES.findIndex((s) => s.id === f.stage));
    expect(stages).toEqual([...stages].sort((a, b) => a - b));
    const [first] = stops;
    const own = stops.filter((f) => f.stage === first?.stage).map((f) => f.severity === 'note');
    expect(own.indexOf(true) === -1 || own.lastIndexOf(false) < own.indexOf(true)).toBe(true);
  });

  test('goes on and back, and stays within its stops', () => {
    const { start, go } = useTour.getState();
    start('planetarium', findings.slice(0, 2));
    go(-1);
    expect(useTour.getState()).toMatchObject({ at: 0, build: 'planetarium' });
    go(1);
    go(1);
    expect(useTour.getState().at).toBe(1);
  });

  test('tells a stop that was solved on the way', () => {
    const [stop] = tourOf(findings);
    if (!stop) throw new Error('the planetarium has mistakes in it');
    expect(isStillFound(stop, findings)).toBe(true);
    expect(
      isStillFound(
        stop,
        findings.filter((f) => f !== stop),
      ),
    ).toBe(false);
  });
});
