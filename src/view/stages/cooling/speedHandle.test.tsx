/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import type { Design } from '@/core/design';
import { analystLater } from '@/engine/analystHere.fixture';
import { show, state } from '@/view/workspace/showInEditor';
import { differentSpeeds, middleOf, middleSpeed } from './fanSpeeds';
import { pointAhead, type Point } from './noiseRiseSheet';
import { SpeedHandle } from './SpeedHandle';

const CURVE: readonly Point[] = [
  { speed_rpm: 500, noise_dBA: 20, deltaT_K: 12 },
  { speed_rpm: 1000, noise_dBA: 30, deltaT_K: 8 },
  { speed_rpm: 1500, noise_dBA: 38, deltaT_K: 7 },
];

describe('where the handle stands before its speed is worked out', () => {
  const now: Point = { speed_rpm: 1000, noise_dBA: 31, deltaT_K: 8.5 };

  test('between the points of the curve, as far from it as it is now', () => {
    expect(pointAhead(CURVE, now, 750)).toEqual({
      speed_rpm: 750,
      noise_dBA: 26,
      deltaT_K: 10.5,
    });
    expect(pointAhead(CURVE, now, 1250)).toEqual({ speed_rpm: 1250, noise_dBA: 35, deltaT_K: 8 });
  });

  test('at the curve’s end beyond it, and where it is with no curve', () => {
    expect(pointAhead(CURVE, now, 2000)).toMatchObject({ noise_dBA: 39, deltaT_K: 7.5 });
    expect(pointAhead([], now, 750)).toEqual({ ...now, speed_rpm: 750 });
  });
});

describe('the speed of several fans', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const fans = desk.components.filter(({ part }) => part.kind === 'fan').map(({ id }) => id);

  test('is the middle of those that differ', () => {
    expect(middleOf(differentSpeeds([900.2, 899.9, 1200]))).toBe(1050);
    expect(middleOf([])).toBe(0);
  });

  test('is what a design asks of them', () => {
    const set = desk.components.map((c) =>
      c.part.kind === 'fan' ? { ...c, settings: { ...c.settings, speed_rpm: 940 } } : c,
    );
    expect(middleSpeed({ ...desk, components: set }, fans)).toBe(940);
  });

  test('moves the handle at once, and what is said of it when it is worked out', () => {
    const { analyst, answer } = analystLater();
    const from_rpm = middleSpeed(desk, fans);
    const left = (rpm: number): number => rpm / 10;
    show(
      desk,
      <SpeedHandle
        own={CURVE}
        now={{ speed_rpm: from_rpm, noise_dBA: 25, deltaT_K: 9 }}
        fans={fans}
        range={[400, 1800]}
        place={({ speed_rpm }) => ({ left: left(speed_rpm), top: 0, isAtEnd: false })}
        speedAt={() => 0}
        onSpeed={(speed_rpm) => state.commit('faster', { do: 'fans.speed', speed_rpm }, 'fans')}
      />,
      analyst,
    );
    const handle = screen.getByRole('slider', { name: 'Speed of all fans' });
    act(() => state.commit('faster', { do: 'fans.speed', speed_rpm: from_rpm + 100 }, 'fans'));
    expect(handle.style.left).toBe(`${left(from_rpm + 100)}px`);
    expect(handle.getAttribute('aria-valuenow')).toBe(String(Math.round(from_rpm)));
    act(answer);
    expect(handle.style.left).toBe(`${left(from_rpm)}px`);
  });
});
