/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { CATALOGUE, demoDesign, STANDARD_KIT } from '@/catalogue';
import {
  applyEdit,
  emptyDesign,
  findComponent,
  type Component,
  type Design,
  type Placement,
} from '@/core/design';
import { useEditor } from '@/view/workspace';
import { show, state } from '@/view/workspace/showInEditor';
import { ChooseCase } from './ChooseCase';
import { FanLayers } from './FanLayers';
import { FanPieces } from './FanPieces';
import { GapTable, gapsToMind } from './GapTable';
import { MountDepths } from './MountDepths';
import { PlaceCard } from './PlaceCard';
import { PortRoom } from './PortRoom';
import { PowerTable } from './PowerTable';
import { ScrewTable } from './ScrewTable';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const box = demoDesign('pocket-planetarium') as Design;

const reports = () => state.analysis.reports;
const part = (id: string): Component => findComponent(state.design, id) as Component;
const choose = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};
const type = (label: string, text: string): void => {
  const field = screen.getByLabelText(label);
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
};
const rows = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('tbody tr')];
const texts = (row: HTMLElement): string[] => [...row.children].map((c) => c.textContent ?? '');
const numbers = (text: string): number[] => (text.match(/\d+(\.\d+)?/g) ?? []).map(Number);

/** The card of a part as it now is. */
function Card({ id }: { readonly id: string }) {
  const component = useEditor((s) => s.design.components.find((c) => c.id === id));
  return component ? <PlaceCard component={component} /> : null;
}
function Set({ id, of: Panel }: { readonly id: string; readonly of: typeof FanPieces }) {
  const component = useEditor((s) => s.design.components.find((c) => c.id === id));
  return component ? <Panel component={component} /> : null;
}

describe('choosing a case', () => {
  test('every case that is offered is there; a click takes it, undo puts it back', () => {
    const empty = emptyDesign('New', STANDARD_KIT);
    show(empty, <ChooseCase onMeasure={() => undefined} />);
    const cases = CATALOGUE.filter((p) => p.kind === 'case');
    for (const c of cases) expect(screen.getAllByText(c.name).length).toBeGreaterThan(0);
    fireEvent.click(screen.getByText(cases[0]?.name ?? ''));
    expect(state.design.case?.id).toBe(cases[0]?.id);
    act(() => state.undo());
    expect(state.design.case).toBeNull();
  });

  test('one that is not among them is measured', () => {
    const asked: string[] = [];
    show(desk, <ChooseCase onMeasure={() => asked.push('measured')} />);
    fireEvent.click(screen.getByText('A case of your own'));
    expect(asked).toEqual(['measured']);
  });
});

describe('the card of a picked part', () => {
  const radiator = (id: string) => part(id).placement as Extract<Placement, { on: 'mount' }>;

  test('a radiator slides by a millimetre a click, and no farther than its rail is long', () => {
    show(desk, <Card id="top-radiator" />);
    const was = radiator('top-radiator').slide_mm;
    fireEvent.click(screen.getByText('+1', { selector: 'button' }));
    const mount = desk.case?.mounts.find((m) => m.id === radiator('top-radiator').mount);
    // Where the mount has holes it goes to the next that meet its screws.
    expect(radiator('top-radiator').slide_mm).toBeGreaterThan(was);
    if (!mount?.holes) expect(radiator('top-radiator').slide_mm).toBe(was + 1);
    type('Slid along the rail', '9000');
    const body = part('top-radiator').part;
    const slack = (mount?.length_mm ?? 0) - ('size' in body ? body.size[0] : 0);
    expect(radiator('top-radiator').slide_mm).toBeLessThanOrEqual(Math.max(0, slack));
  });

  test('it hangs where it is put, is taken down, and comes back by undo', () => {
    show(desk, <Card id="top-radiator" />);
    choose('Place', '-1');
    expect(part('top-radiator').placement).toEqual({ on: 'unplaced' });
    expect(state.analysis.findings.some((f) => f.code === 'fit.unplaced')).toBe(true);
    act(() => state.undo());
    expect(state.design).toEqual(desk);
  });

  test('a part of the same kind takes its place and keeps its runs', () => {
    show(desk, <Card id="pump" />);
    const field = screen.getByLabelText('Part') as HTMLSelectElement;
    const other = [...field.options].map((o) => o.value).find((v) => v !== part('pump').part.id);
    choose('Part', other ?? '');
    expect(part('pump').part.id).toBe(other);
    expect(part('pump').placement).toEqual(findComponent(desk, 'pump')?.placement);
    expect(state.design.loops).toEqual(desk.loops);
  });

  test('a name is kept when the field is left; nothing is no name', () => {
    show(desk, <Card id="pump" />);
    const name = () => screen.getByLabelText('Name');
    fireEvent.change(name(), { target: { value: '  Wren  ' } });
    fireEvent.blur(name());
    expect(part('pump').name).toBe('Wren');
    fireEvent.change(name(), { target: { value: '   ' } });
    fireEvent.blur(name());
    expect(part('pump').name).toBe('Wren');
  });

  test('a pump stands free in the middle, is turned, tilted and set upright again', () => {
    show(desk, <Card id="pump" />);
    choose('Place', 'free');
    const free = () => part('pump').placement as Extract<Placement, { on: 'free' }>;
    expect(free().on).toBe('free');
    fireEvent.click(within(screen.getByRole('radiogroup', { name: 'Turned' })).getByText('90°'));
    expect(free().turn).toBe(90);
    choose('Tilted', 'z');
    expect(free().tilt).toEqual({ about: 'z', by_deg: 15 });
    type('By', '30');
    expect(free().tilt).toEqual({ about: 'z', by_deg: 30 });
    choose('Tilted', 'none');
    expect(free()).not.toHaveProperty('tilt');
  });
});

describe('fans of a set', () => {
  const fans = desk.components.find(
    (c) => c.part.kind === 'fan' && c.placement.on === 'radiator',
  ) as Component;

  test('fewer than there are places; all of them is the default and leaves no mark', () => {
    show(desk, <Set id={fans.id} of={FanPieces} />);
    const air = () =>
      reports().heat[desk.brief.loadCase].radiators.reduce((s, r) => s + r.airFlow_m3h, 0);
    const before = air();
    choose('Fans in the set', '1');
    expect(part(fans.id).settings.pieces).toBe(1);
    expect(air()).toBeLessThan(before);
    const field = screen.getByLabelText('Fans in the set') as HTMLSelectElement;
    choose('Fans in the set', String(field.options.length));
    expect(part(fans.id).settings).not.toHaveProperty('pieces');
  });

  test('a filter costs air and stands on the list; taken off, both are as before', () => {
    show(desk, <Set id={fans.id} of={FanLayers} />);
    const total = reports().bom.loopTotal;
    const field = screen.getByLabelText('Screwed on with it') as HTMLSelectElement;
    const [layer] = [...field.options].map((o) => o.value).filter((v) => v !== '');
    choose('Screwed on with it', layer ?? '');
    expect(part(fans.id).settings.layers?.map((l) => l.id)).toEqual([layer]);
    expect(reports().bom.loopTotal).toBeGreaterThan(total);
    fireEvent.click(screen.getByText('take it off'));
    expect(part(fans.id).settings).not.toHaveProperty('layers');
    expect(reports().bom.loopTotal).toBe(total);
  });
});

describe('gaps', () => {
  test('what clashes comes first, told by how much; a click picks the part', () => {
    show(box, <Gaps />);
    expect(screen.getByText('Gaps to mind')).toBeTruthy();
    const [first] = reports().clearance.gaps;
    const [row] = rows();
    expect(texts(row as HTMLElement)[0]).toContain(first?.nameA);
    expect(texts(row as HTMLElement)[1]).toMatch(/^−/);
    fireEvent.click(within(row as HTMLElement).getByText(first?.nameA ?? ''));
    expect(state.picked).toBe(first?.a);
  });

  test('where all is clear the nearest are shown; the picked part tells its own', () => {
    const clear = [0, 1, 2].map((i) => ({
      a: `a${i}`,
      b: 'b',
      nameA: `A${i}`,
      nameB: 'B',
      gap_mm: 20 + i,
      worst_mm: 19 + i,
      rss_mm: 19.5 + i,
      verdict: 'clear' as const,
    })) as unknown as Parameters<typeof gapsToMind>[0];
    expect(gapsToMind(clear, null)).toEqual([]);
    expect(gapsToMind(clear, 'a1').map((g) => g.a)).toEqual(['a1']);
    show(desk, <GapTable gaps={clear} picked={null} />);
    expect(screen.getByText('Nearest gaps')).toBeTruthy();
    expect(rows()).toHaveLength(3);
  });

  function Gaps() {
    const gaps = useEditor((s) => s.analysis.reports.clearance.gaps);
    return <GapTable gaps={gaps} picked={null} />;
  }
});

describe('mounts, ports, screws, headers', () => {
  test('what is taken and what is left make the depth there is, in whole sentences', () => {
    show(desk, <Depths />);
    for (const depth of reports().clearance.mountDepths) {
      const name = desk.case?.mounts.find((m) => m.id === depth.mount)?.name ?? depth.mount;
      const line = screen.getByText(name).parentElement?.lastElementChild?.textContent ?? '';
      const [first = NaN, second = NaN] = numbers(line);
      if (depth.used_mm <= 0) expect(first).toBeCloseTo(depth.free_mm, 0);
      else expect(first + second).toBeCloseTo(depth.free_mm, -0.5);
      expect(line).toMatch(new RegExp(`(to|for) ${depth.blockedBy ?? 'the far wall'}$`));
    }
  });

  test('a radiator deeper than there is room is too deep for what stands behind', () => {
    const [depth] = demoDepths();
    show(desk, <MountDepths depths={[{ ...depth, used_mm: 60, free_mm: 48, blockedBy: 'Bar' }]} />);
    expect(screen.getByText(/60 mm taken, 12 mm too deep for Bar/)).toBeTruthy();
  });

  test('ports tell what leaves no room for fingers, once they are asked', () => {
    show(box, <PortRoom />);
    expect(rows()).toHaveLength(0);
    fireEvent.click(screen.getByText('Look'));
    const bad = reports().clearance.ports.filter((p) => p.verdict !== 'clear');
    if (bad.length === 0) expect(screen.getByText(/can be reached/)).toBeTruthy();
    else expect(rows()).toHaveLength(bad.length);
  });

  test('each screw lies within its window, and the caution stands beside', () => {
    show(desk, <ScrewTable />);
    const taken = reports().screws.filter((s) => s.length_mm !== null && s.verdict === 'ok');
    expect(taken.length).toBeGreaterThan(0);
    for (const s of taken) {
      expect(s.length_mm).toBeGreaterThanOrEqual(s.window.shortest_mm);
      expect(s.length_mm).toBeLessThanOrEqual(s.window.longest_mm);
    }
    expect(rows()).toHaveLength(reports().screws.length);
    expect(screen.getByText(/pierces a tube behind the fins/)).toBeTruthy();
  });

  test('currents of a header are those of what it feeds, within its limit', () => {
    show(tower, <PowerTable />);
    const lines = reports().wiring.lines;
    expect(rows()).toHaveLength(lines.length + reports().wiring.unfed.length);
    for (const [i, line] of lines.entries()) {
      const cells = texts(rows()[i] as HTMLElement);
      expect(cells[0]).toBe(line.header);
      const [now = NaN, most = NaN] = numbers(cells[2] ?? '');
      expect(now).toBeCloseTo(line.current_A, 2);
      expect(most).toBeCloseTo(line.limit_A, 1);
      for (const id of line.components) expect(cells[1]).toContain(findComponent(tower, id)?.name);
    }
  });

  test('without a power supply that is said, and its margin with one', async () => {
    show(tower, <PowerTable />);
    const margin = /(\d+) % margin/.exec(document.body.textContent ?? '')?.[1];
    const supply = tower.components.find((c) => c.part.kind === 'supply');
    expect(Number(margin)).toBeGreaterThan(0);
    act(() => state.commit('take it out', { do: 'component.remove', component: supply?.id ?? '' }));
    expect(await screen.findByText('No power supply is in the build yet.')).toBeTruthy();
  });

  function Depths() {
    const depths = useEditor((s) => s.analysis.reports.clearance.mountDepths);
    return <MountDepths depths={depths} />;
  }
  function demoDepths() {
    return [
      {
        mount: 'top',
        published_mm: 55,
        used_mm: 0,
        free_mm: 0,
        blockedBy: null,
        blockedByComponent: null,
      },
    ] as unknown as [Parameters<typeof MountDepths>[0]['depths'][number]];
  }
});

test('what a card does is one step each, and all of them undone is the build as it was', () => {
  const design = applyEdit(desk, {
    do: 'component.rename',
    component: 'pump',
    name: 'Finch',
  }).design;
  show(design, <Card id="pump" />);
  choose('Place', 'free');
  fireEvent.click(within(screen.getByRole('radiogroup', { name: 'Turned' })).getByText('180°'));
  choose('Tilted', 'x');
  expect(state.past).toHaveLength(3);
  for (let i = 0; i < 3; i += 1) act(() => state.undo());
  expect(state.design).toEqual(design);
});
