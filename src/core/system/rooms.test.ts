import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { catalogued, demoDesign } from '@/catalogue';
import type { CasePart } from '../components';
import { applyEdit, UPS, type Component, type Design, type Placement } from '../design';
import { boxGap, cross, dot, union, type Box, type Vec } from '../geometry';
import { cutOut } from './cutOut';
import { reachOf, roomAt, roomsOf } from './rooms';
import { compileSystem, roomOf } from '.';

const cube = catalogued('case', 'case-loom-cube');
const bench = catalogued('case', 'case-lath-bench');
const desk = demoDesign('dawn-chorus-desk') as Design;

const volume = ({ min, max }: Box): number =>
  (max[0] - min[0]) * (max[1] - min[1]) * (max[2] - min[2]);

describe('the rooms of a case', () => {
  const rooms = roomsOf(cube);
  test.each([
    ['before the tray', [100, 100, 50], 'inside'],
    ['behind it', [100, 100, -50], 'behind'],
    ['beyond the front', [cube.interior[0] + 5, 100, 50], 'outside'],
    ['behind the panel behind the tray', [100, 100, -(cube.behind_mm ?? 0) - 10], 'outside'],
  ] as const)('%s', (_, at, room) => {
    expect(roomAt(rooms, at)).toBe(room);
  });

  test('tubes keep to one room, may pass the tray, and never a wall', () => {
    const front: Vec = [100, 100, 50],
      back: Vec = [100, 100, -50],
      out: Vec = [-200, 100, 50];
    expect(reachOf(rooms, [front, front])).toEqual(rooms.inside);
    expect(reachOf(rooms, [back, back])).toEqual(rooms.behind);
    expect(reachOf(rooms, [front, back])).toEqual(union([rooms.inside, rooms.behind as Box]));
    expect(reachOf(rooms, [front, out])).toBeNull();
  });

  test('an open frame has no outside near it', () => {
    const open = roomsOf(bench);
    expect(open.shell).toBeNull();
    expect(roomAt(open, [-100, 900, 300])).toBe('inside');
  });
});

describe('a partition less its openings', () => {
  test('what is left has the volume of the sheet less the openings, and nothing of them', () => {
    const n = fc.integer({ min: 0, max: 90 });
    fc.assert(
      fc.property(n, n, fc.integer({ min: 5, max: 60 }), (x, z, size) => {
        const sheet: Box = { min: [0, 50, 0], max: [100, 52, 100] };
        const hole: Box = { min: [x, 40, z], max: [x + size, 60, z + size] };
        const left = cutOut(sheet, [hole]);
        const cut = (Math.min(100, x + size) - x) * (Math.min(100, z + size) - z) * (52 - 50);
        expect(left.reduce((s, b) => s + volume(b), 0)).toBeCloseTo(volume(sheet) - cut, 6);
        for (const b of left) expect(boxGap(b, hole)).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('on a face of another part', () => {
  const standing = (placement: Placement): Design =>
    applyEdit(desk, { do: 'component.place', component: 'reservoir', placement }).design;
  test.each(UPS)('%s: it touches that face and reaches nowhere into the part', (face) => {
    for (const turn of [0, 90] as const)
      for (const up of ['+y', '-z', '+x'] as const) {
        const system = compileSystem(
          standing({
            on: 'against',
            component: 'pump',
            face,
            along_mm: 0,
            across_mm: 0,
            turn,
            up,
          }),
        );
        const [own, host] = ['reservoir', 'pump'].map((id) =>
          union(system.placed.get(id)?.solids.map((s) => s.box) ?? []),
        ) as [Box, Box];
        expect(boxGap(own, host)).toBeCloseTo(0, 6);
        const frame = system.placed.get('reservoir')?.frame;
        if (!frame) throw new Error('no place');
        expect(dot(cross(frame.x, frame.y), frame.z)).toBeCloseTo(1, 9);
      }
  });

  test('it goes where its host goes, and falls to the bench when that is taken out', () => {
    const on = standing({
      on: 'against',
      component: 'pump',
      face: '+y',
      along_mm: 5,
      across_mm: -3,
      turn: 0,
    });
    const at = (d: Design): Vec => compileSystem(d).placed.get('reservoir')?.frame?.at as Vec;
    const place = on.components.find((c) => c.id === 'pump')?.placement as Placement;
    const moved = applyEdit(on, {
      do: 'component.place',
      component: 'pump',
      placement: { on: 'free', at: [200, 40, 60], turn: 0 },
    }).design;
    expect(at(moved)).not.toEqual(at(on));
    expect(place.on).not.toBe('free');
    const alone = applyEdit(on, { do: 'component.remove', component: 'pump' }).design;
    expect(alone.components.find((c) => c.id === 'reservoir')?.placement).toEqual({
      on: 'unplaced',
    });
  });
});

describe('through a wall and on a riser', () => {
  const hatch = catalogued('case', 'case-hatch-40');
  const passthrough: Component = {
    id: 'way',
    name: 'Way out',
    part: catalogued('inline', 'inl-passthrough'),
    placement: { on: 'port', port: 'upper' },
    settings: {},
  };
  const inCase = (box: CasePart, component: Component): Design =>
    applyEdit(applyEdit(desk, { do: 'case.choose', case: box }).design, {
      do: 'component.add',
      component,
    }).design;

  test('one end of a pass-through is in the case and the other out of it, on one line', () => {
    const system = compileSystem(inCase(hatch, passthrough));
    const [a, b] = system.placed.get('way')?.ports ?? [];
    const rooms = system.rooms;
    if (!a || !b || !rooms) throw new Error('not placed');
    expect([roomAt(rooms, a.at), roomAt(rooms, b.at)]).toEqual(['inside', 'outside']);
    expect(dot(a.direction, b.direction)).toBeCloseTo(-1, 9);
    const port = hatch.ports?.[0];
    for (const i of [1, 2] as const) expect(a.at[i]).toBeCloseTo(port?.at[i] ?? NaN, 6);
  });

  test('without its opening it has no place, and says so', () => {
    const bare: CasePart = { ...hatch, ports: [] };
    expect(compileSystem(inCase(bare, passthrough)).placed.get('way')?.unplaced).toBeTruthy();
  });

  test('a card that faces away from the glass has its cooler on the other side, back to back', () => {
    const wafer = catalogued('case', 'case-wafer-7');
    const card = (faces: 'glass' | 'back'): Component => ({
      id: 'upright',
      name: 'Card',
      part: catalogued('card', 'gpu-kite-160s'),
      placement: { on: 'riser', faces },
      settings: {},
    });
    const boxOf = (faces: 'glass' | 'back'): Box =>
      union(
        compileSystem(inCase(wafer, card(faces)))
          .placed.get('upright')
          ?.solids.map((s) => s.box) ?? [],
      );
    const at = wafer.riser?.at[2] ?? 0;
    expect(boxOf('back').max[2]).toBeLessThanOrEqual(at + 1e-9);
    expect(roomOf(compileSystem(inCase(wafer, card('back'))), 'upright')).toBe('behind');
  });
});
