import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import type { FittingPart } from '../components';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (...edits: Edit[]): Design => edits.reduce((b, e) => applyEdit(b, e).design, desk);
const loopOf = (design: Design) => {
  const { reports, system } = analyse(design);
  const [loop] = reports.heat[system.design.brief.loadCase].loops;
  if (!loop) throw new Error('no loop');
  return { loop, heat: reports.heat[system.design.brief.loadCase] };
};
const plug = catalogued('fitting', 'fit-plug-sensor') as FittingPart;

describe('thermometers where builders put them', () => {
  test('in the pump’s outlet it reads the pump’s inlet and what the pump itself adds', () => {
    const { loop } = loopOf(
      edited({
        do: 'cap.set',
        loop: 'loop',
        port: { component: 'pump', port: 'low' },
        with: 'plug',
        piece: plug,
      }),
    );
    expect(loop.sensors).toHaveLength(1);
    const [sensor] = loop.sensors;
    expect(sensor?.component).toBe('pump');
    expect(sensor?.port).toBe('low');
    // A pump of ten watts or so warms some three litres a minute by hundredths of a kelvin.
    const warmer = (sensor?.temp_C ?? NaN) - (loop.pumpInlet_C ?? NaN);
    expect(warmer).toBeGreaterThan(0);
    expect(warmer).toBeLessThan(0.3);
  });

  test('in the reservoir before the pump it reads what the pump intake', () => {
    const { loop } = loopOf(
      edited({
        do: 'component.replace',
        component: 'reservoir',
        part: catalogued('reservoir', 'res-osier-180-probe'),
      }),
    );
    expect(loop.sensors.map((s) => s.component)).toEqual(['reservoir']);
    expect(loop.sensors[0]?.temp_C).toBeCloseTo(loop.pumpInlet_C ?? NaN, 6);
  });

  test('a plain plug reads nothing', () => {
    expect(loopOf(desk).loop.sensors).toEqual([]);
  });
});
