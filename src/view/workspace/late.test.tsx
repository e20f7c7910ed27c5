/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import type { Design, Edit } from '@/core/design';
import { analystLater } from '@/engine/analystHere.fixture';
import { useEditor, useUnderHand } from '.';
import { show, state } from './showInEditor';

const desk = demoDesign('dawn-chorus-desk') as Design;
const speed = (speed_rpm: number): Edit => ({ do: 'fans.speed', speed_rpm });
const fanSpeed = ({ components }: Design): number | undefined =>
  components.find((c) => c.part.kind === 'fan')?.settings.speed_rpm;

function openLate() {
  const later = analystLater();
  show(desk, null, later.analyst);
  return { answer: () => act(() => later.answer()) };
}
const commit = (edit: Edit): void => act(() => state.commit('an edit', edit));

describe('while an edit is worked out', () => {
  test('what is shown stays whole: the build and what was worked out of it change together', () => {
    const { answer } = openLate();
    const before = state.analysis;
    commit(speed(700));
    expect(fanSpeed(state.latest)).toBe(700);
    expect(state.design).toBe(desk);
    expect(state.analysis).toBe(before);
    answer();
    expect(state.design).toBe(state.latest);
    expect(state.analysis.reports).toEqual(analyse(state.latest).reports);
    expect(state.analysis.system.design).toBe(state.design);
  });

  test('the next edit is made on the last, shown or not, and each is a step of its own', () => {
    const { answer } = openLate();
    commit(speed(700));
    commit({ do: 'design.rename', name: 'Quieter desk' });
    answer();
    expect(state.design.name).toBe('Quieter desk');
    expect(fanSpeed(state.design)).toBe(700);
    expect(state.past).toHaveLength(2);
  });

  test('a step taken back before it was shown never comes to be shown', () => {
    const { answer } = openLate();
    commit(speed(700));
    act(() => state.undo());
    answer();
    expect(state.design).toEqual(desk);
    expect(state.past).toHaveLength(0);
    expect(state.future).toHaveLength(1);
  });

  test('what moved is asked to be routed when it is known which runs it leaves', () => {
    const { answer } = openLate();
    const reservoir = desk.components.find((c) => c.part.kind === 'reservoir')?.id ?? '';
    commit({ do: 'component.place', component: reservoir, placement: { on: 'unplaced' } });
    expect(state.toRoute).toBeNull();
    answer();
    expect(state.toRoute).toEqual({ step: state.past.at(-1)?.id });
  });

  test('a move that is taken back asks for nothing', () => {
    const { answer } = openLate();
    const reservoir = desk.components.find((c) => c.part.kind === 'reservoir')?.id ?? '';
    commit({ do: 'component.place', component: reservoir, placement: { on: 'unplaced' } });
    act(() => state.undo());
    answer();
    expect(state.toRoute).toBeNull();
  });

  test('a figure under the hand goes on from what was asked for last', () => {
    function Knob() {
      const shown = useEditor((s) => fanSpeed(s.design)) ?? 0;
      const hand = useUnderHand(shown);
      return (
        <div
          role="slider"
          aria-valuenow={shown}
          tabIndex={0}
          onKeyDown={() => {
            const next = hand.now() + 10;
            hand.put(next);
            state.commit('faster', speed(next), 'fans');
          }}
        />
      );
    }
    const later = analystLater();
    show(desk, <Knob />, later.analyst);
    const knob = screen.getByRole('slider'),
      start = Number(knob.getAttribute('aria-valuenow'));
    for (let i = 0; i < 4; i += 1) fireEvent.keyDown(knob);
    expect(fanSpeed(state.latest)).toBe(start + 40);
    expect(Number(knob.getAttribute('aria-valuenow'))).toBe(start);
    act(() => later.answer());
    expect(Number(knob.getAttribute('aria-valuenow'))).toBe(start + 40);
    fireEvent.keyDown(knob);
    expect(fanSpeed(state.latest)).toBe(start + 50);
  });
});
