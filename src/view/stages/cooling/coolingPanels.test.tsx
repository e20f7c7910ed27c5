/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { renderToString } from 'react-dom/server';
import { useEffect, useState } from 'react';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, findComponent } from '@/core/design';
import { analyse } from '@/core/analysis';
import { coolingCurves } from '@/core/thermal';
import { analystHere, analystLater } from '@/engine/analystHere.fixture';
import type { Fault } from '@/core/transient';
import { openedBuild, show, state } from '@/view/workspace/showInEditor';
import { SourceTable } from '../heat/SourceTable';
import { WattBars } from '../heat/WattBars';
import { EditorProvider, useCurves, useEditor } from '@/view/workspace';
import { AirPanel } from './AirPanel';
import { AnswerPanel } from './AnswerPanel';
import { CoolingStage } from './CoolingStage';
import { FiguresPanel } from './FiguresPanel';
import { MeasuredEditor } from './MeasuredEditor';
import { clock, readClock } from './time/clock';
import { ControlEditor } from './time/ControlEditor';
import { FaultList } from './time/FaultList';

const desk = demoDesign('dawn-chorus-desk') as Design;
const type = (label: string | RegExp, value: string, at = 0): void => {
  const field = screen.getAllByLabelText(label)[at] as HTMLElement;
  fireEvent.change(field, { target: { value } });
  fireEvent.keyDown(field, { key: 'Enter' });
};
const partOf = (id: string) => findComponent(state.design, id)?.part;

/** The engine answers after the hand rests. */
const LATER = { timeout: 5000 };

describe('heat, in place', () => {
  function Bars() {
    return <WattBars heat={useEditor((s) => s.analysis.reports.heat)} />;
  }

  test('arrow keys set the share of one part in one load, held between nothing and one and a half', () => {
    show(desk, <Bars />);
    const bar = (): HTMLElement => screen.getByRole('cell', { name: /^Kite 200 .*under gaming/ });
    const before = state.analysis.reports.heat.gaming.inLoop_W,
      render = state.analysis.reports.heat.render.inLoop_W;
    fireEvent.keyDown(bar(), { key: 'ArrowLeft', shiftKey: true });
    expect(state.analysis.reports.heat.gaming.inLoop_W).toBeCloseTo(before - 20, 6);
    expect(state.analysis.reports.heat.render.inLoop_W).toBeCloseTo(render, 9);
    for (let i = 0; i < 20; i += 1) fireEvent.keyDown(bar(), { key: 'ArrowLeft', shiftKey: true });
    expect(findComponent(state.design, 'card')?.settings.shares?.gaming).toBe(0);
    act(() => state.undo());
    expect(state.design).toEqual(desk);
  });

  test("the picked part opens its tuning; the maker's figures come back with one click", () => {
    show(desk, <SourceTable />);
    fireEvent.click(screen.getByRole('button', { name: 'Lantern 8' }));
    type("Clock against its maker's", '105');
    type('Voltage', '110');
    expect(Number(screen.getByLabelText<HTMLInputElement>('Full draw of Lantern 8').value)).toBe(
      Math.round(125 * 1.05 * 1.1 ** 2),
    );
    type('Full draw of Lantern 8', '100');
    expect(screen.getByLabelText<HTMLInputElement>('Full draw of Lantern 8').value).toBe('100');
    fireEvent.click(screen.getByRole('button', { name: /^As its maker says/ }));
    expect(screen.getByLabelText<HTMLInputElement>('Full draw of Lantern 8').value).toBe('125');
    expect(screen.getByText(/of 750 W in the heaviest load/)).toBeTruthy();
  });
});

describe('rise against noise', () => {
  const { thermalModel, reports } = analyse(desk);
  const curves = coolingCurves(thermalModel, reports.flow, desk.brief.loadCase);

  test('the curves that came with the page are on it before anything is worked out or loaded', () => {
    const page = renderToString(
      <EditorProvider build={{ ...openedBuild(desk), curves }} analyst={analystHere}>
        <CoolingStage />
      </EditorProvider>,
    );
    const drawn = [...page.matchAll(/<polyline points="([^"]*)"/g)].map(([, at]) => at ?? '');
    expect(drawn).toHaveLength(curves.length);
    const [x = 0, y = 0] = drawn[0]?.split(' ')[0]?.split(',').map(Number) ?? [];
    const [first] = curves[0]?.points ?? [];
    // A sheet of a thousand by a thousand whose corner of the brief tells its scale.
    const [, wide = '', high = ''] = /<rect[^>]*width="(\d+)" height="(\d+)"/.exec(page) ?? [];
    const { deltaT_K, noise_dBA } = desk.brief.limits;
    expect((1000 - y) / Number(high)).toBeCloseTo((first?.deltaT_K ?? 0) / deltaT_K, 2);
    expect(x / Number(wide)).toBeLessThan(1);
    expect(first?.noise_dBA).toBeLessThan(noise_dBA);
  });

  test('what was worked out once is there at once where it is looked at again', async () => {
    const seen: string[] = [];
    function Curves() {
      const { fresh, result } = useCurves();
      useEffect(() => {
        seen.push(`${fresh} ${result?.length ?? 0}`);
      });
      return null;
    }
    function Held() {
      const [isOn, set] = useState(true);
      return (
        <>
          <button onClick={() => set(!isOn)}>turn the page</button>
          {isOn && <Curves />}
        </>
      );
    }
    show(desk, <Held />);
    await waitFor(() => expect(seen.at(-1)).toBe(`true ${curves.length}`), LATER);
    fireEvent.click(screen.getByRole('button'));
    seen.length = 0;
    fireEvent.click(screen.getByRole('button'));
    expect(seen[0]).toBe(`true ${curves.length}`);
    fireEvent.click(screen.getByRole('button'));
    act(() =>
      state.commit('slower', {
        do: 'component.set',
        component: 'pump',
        values: { speed_rpm: 2000 },
      }),
    );
    seen.length = 0;
    fireEvent.click(screen.getByRole('button'));
    expect(seen[0]).toBe('false 0');
  });
});

describe('air', () => {
  test("a radiator turned to blow out breathes the case's air, with the number", () => {
    show(desk, <AirPanel />);
    expect(screen.queryByText(/exhaust, so it takes/)).toBeNull();
    fireEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Way of Top radiator' })).getByRole('radio', {
        name: 'out',
      }),
    );
    const air =
      state.analysis.reports.heat.stress.radiators.find((r) => r.id === 'top-radiator')?.airIn_C ??
      0;
    expect(screen.getByText(/exhaust, so it takes/).textContent).toContain(
      `${air.toFixed(1)} °C instead of 22.0 °C`,
    );
  });

  test('flows of the rows add up to what is drawn in', () => {
    show(desk, <AirPanel />);
    const [rowsOfFans] = screen.getAllByRole('table');
    const rows = within(rowsOfFans as HTMLElement)
      .getAllByRole('row')
      .slice(1)
      .map((r) =>
        within(r)
          .getAllByRole('cell')
          .map((c) => c.textContent ?? ''),
      );
    const drawn = rows.filter((r) => r[0] !== 'Rear fan').reduce((s, r) => s + Number(r[2]), 0);
    expect(Math.abs(drawn - state.analysis.reports.heat.stress.intake_m3h)).toBeLessThanOrEqual(1);
  });
});

describe('vents', () => {
  const leaks = (): number =>
    state.analysis.reports.heat.stress.openings.find((o) => o.id === 'leaks')?.airFlow_m3h ?? NaN;

  test('two vents asked for before the first is worked out are both there', () => {
    const later = analystLater();
    show(desk, <AirPanel />, later.analyst);
    const before = desk.case?.air?.openings?.length ?? 0;
    for (let i = 0; i < 2; i += 1)
      fireEvent.click(screen.getByRole('button', { name: 'A vent more' }));
    expect(state.latest.case?.air?.openings).toHaveLength(before + 2);
  });

  test('a vent is added, sized and closed; the air follows, and undo brings it back', () => {
    show(desk, <AirPanel />);
    const before = leaks();
    fireEvent.click(screen.getByRole('button', { name: 'A vent more' }));
    type('Size of Vent 4', '400');
    expect(state.design.case?.air?.openings?.at(-1)).toMatchObject({ area_cm2: 400 });
    expect(Math.abs(leaks())).toBeLessThan(Math.abs(before));
    fireEvent.click(screen.getByRole('button', { name: 'Close Vent 4' }));
    expect(leaks()).toBeCloseTo(before, 9);
    type('Size of all seams and gaps', '9000');
    expect(screen.getByRole('alert').textContent).toContain('0 to 2,000 cm²');
    expect(leaks()).toBeCloseTo(before, 9);
  });

  test('an open frame has no case air, and the table goes', async () => {
    show(desk, <AirPanel />);
    fireEvent.click(screen.getByRole('checkbox', { name: /open frame/ }));
    expect(state.analysis.reports.heat.stress.openings).toEqual([]);
    expect(state.analysis.reports.heat.stress.caseAir_C).toBeCloseTo(desk.brief.room_C, 3);
    expect(
      await screen.findByText(/On an open frame the coolant would be as warm as now/, {}, LATER),
    ).toBeTruthy();
  });
});

describe('figures', () => {
  test('a rating is taken only with its difference and speed, and then set beside ours', async () => {
    show(desk, <FiguresPanel />);
    type('Carries', '500');
    expect(screen.getByRole('note').textContent).toContain('say nothing without the difference');
    expect(partOf('front-radiator')).not.toHaveProperty('rating');
    type('at a difference of', '10');
    expect(screen.getByRole('note').textContent).toContain('Without the fan speed');
    type('and fans at', '2000');
    expect(partOf('front-radiator')).toMatchObject({
      rating: { heat_W: 500, difference_K: 10, speed_rpm: 2000 },
    });
    expect(await screen.findByText(/^Printed: 50\.0 W\/K/, {}, LATER)).toBeTruthy();
    type('Carries', '');
    expect(partOf('front-radiator')).not.toHaveProperty('rating');
  });

  test('measured heat in three columns with units of their own; a short line is named; it can be taken out again', () => {
    const closed: string[] = [];
    const view = show(
      desk,
      <MeasuredEditor component="top-radiator" onClose={() => closed.push('closed')} />,
    );
    const box = screen.getByRole('textbox', { name: 'Points' });
    fireEvent.change(box, { target: { value: 'Speed rpm\tFlow gpm\tW/K\n800\t1\t9\n1300' } });
    expect(screen.getByRole('alert').textContent).toContain(
      'Line 3: three numbers are wanted, 1 is there',
    );
    fireEvent.change(box, {
      target: { value: 'Speed rpm\tFlow gpm\tW/K\n800\t1\t9\n1300\t1\t14' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Use these points in this build' }));
    expect(closed).toEqual(['closed']);
    expect(partOf('top-radiator')).toMatchObject({
      measured: {
        against: 'speed',
        points: [
          [800, 3.785411784, 9],
          [1300, 3.785411784, 14],
        ],
      },
    });
    expect(
      state.analysis.reports.heat.stress.radiators.find((r) => r.id === 'top-radiator')?.basis,
    ).toContain('measured');
    view.unmount();
  });

  test('limits of the brief with summer beside: spots get a column, an empty field takes it away', async () => {
    show(desk, <AnswerPanel bands={null} held />);
    expect(screen.getAllByText('not worked out yet').length).toBeGreaterThan(0);
    type('In summer', '36');
    // By its words: a search by role reads the style of the whole panel at every turn.
    const column = { selector: 'th' };
    expect(await screen.findByText('summer', column)).toBeTruthy();
    type('In summer', '');
    expect(state.design.brief).not.toHaveProperty('summer_C');
    await waitFor(() => expect(screen.queryByText('summer', column)).toBeNull());
  });
});

describe('over time', () => {
  test.each([
    ['90', 90],
    ['1:30', 90],
    ['1:05:00', 3900],
    ['20 min', 1200],
    ['2 h', 7200],
    ['soon', null],
    ['1:2:3:4', null],
  ])('%s reads as %s s', (text, s) => {
    expect(readClock(text)).toBe(s);
  });
  test.each([
    [45, '45 s'],
    [90, '1:30'],
    [3905, '1:05:05'],
  ])('%s s is written %s', (s, text) => {
    expect(clock(s)).toBe(text);
    expect(readClock(text)).toBe(s);
  });

  test('fans follow a curve: points keep their order, whatever is asked of one; by hand again takes it all away', () => {
    const design = applyEdit(desk, {
      do: 'batch',
      edits: ['front-fans', 'top-fans'].map((component) => ({
        do: 'component.set',
        component,
        values: {
          control: {
            sensor: 'coolant',
            points: [
              [26, 500],
              [30, 1000],
              [36, 2000],
            ],
            hysteresis_K: 1,
            ramp_rpms: 50,
          },
        },
      })),
    }).design;
    show(design, <ControlEditor kind="fan" run={null} />);
    type('Hysteresis', '3');
    expect(findComponent(state.design, 'top-fans')?.settings.control?.hysteresis_K).toBe(3);
    fireEvent.change(screen.getByLabelText('Sensor of the fans'), {
      target: {
        value: state.analysis.thermalModel.sources[1]
          ? `${state.analysis.thermalModel.sources[1].component.id}/${state.analysis.thermalModel.sources[1].part.hotSpots[0]?.id ?? ''}`
          : 'coolant',
      },
    });
    expect(findComponent(state.design, 'front-fans')?.settings.control?.sensor).toContain('/');
    fireEvent.click(screen.getByRole('button', { name: 'Add a point' }));
    const points = findComponent(state.design, 'front-fans')?.settings.control?.points ?? [];
    expect(points.length).toBe(4);
    expect(
      points.every(
        (p, i) =>
          i === 0 || (p[0] > (points[i - 1]?.[0] ?? 0) && p[1] >= (points[i - 1]?.[1] ?? 0)),
      ),
    ).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Set by hand again' }));
    expect(state.design.components.some((i) => i.settings.control)).toBe(false);
  });

  test('without a curve one is offered that begins at the room', () => {
    show(desk, <ControlEditor kind="pump" run={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'Let it follow a curve' }));
    expect(findComponent(state.design, 'pump')?.settings.control?.points[0]?.[0]).toBe(26);
  });

  test('faults are added, changed and taken out', () => {
    const seen: { now: readonly Fault[] } = { now: [] };
    function Held() {
      const [faults, set] = useState<readonly Fault[]>([]);
      return (
        <FaultList
          faults={faults}
          onFaults={(f) => {
            seen.now = f;
            set(f);
          }}
        />
      );
    }
    show(desk, <Held />);
    fireEvent.click(screen.getByRole('button', { name: 'flow sags' }));
    type('By, fault 1', '70');
    expect(seen.now).toEqual([{ kind: 'flow sags', at_s: 600, amount: 0.7 }]);
    fireEvent.change(screen.getByLabelText('Fault 1'), { target: { value: 'fan stops' } });
    fireEvent.change(screen.getByLabelText('Which, fault 1'), { target: { value: 'top-fans' } });
    expect(seen.now).toEqual([{ kind: 'fan stops', at_s: 600, component: 'top-fans' }]);
    fireEvent.click(screen.getByRole('button', { name: 'Take fault 1 out' }));
    expect(seen.now).toEqual([]);
  });
});
