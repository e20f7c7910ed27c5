import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued } from '@/catalogue';
import { isComponentPart } from '../components';
import { validatePart } from '../validation';
import {
  addBody,
  addPassage,
  addPort,
  bodiesOf,
  chamberNames,
  changePassage,
  changePort,
  dutyOfPort,
  faceOf,
  FACES,
  freshChamber,
  hasPorts,
  interfaceFrom,
  movePort,
  removePassage,
  removePort,
  resizeSide,
} from '.';

const reservoir = catalogued('reservoir', 'res-osier-200');
const wet = CATALOGUE.filter(isComponentPart).filter(hasPorts);

describe('a side that changes its length', () => {
  test('ports on the face that moves go with it, others keep their share, coolant its room', () => {
    const longer = resizeSide(reservoir, 1, 300);
    const at = (id: string) => longer.ports.find((p) => p.id === id)?.at;
    expect(at('top')?.[1]).toBe(300);
    expect(at('foot')?.[1]).toBe(0);
    expect(at('return')?.[1]).toBeCloseTo(60 * 1.5, 9);
    expect(longer.volume_mL).toBeCloseTo(reservoir.volume_mL * 1.5, 1);
    expect(bodiesOf(longer)[0]?.max[1]).toBe(300);
  });

  test('of any part every port stays on the outline of its box where it was on it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...wet),
        fc.constantFrom(0, 1, 2) as fc.Arbitrary<0 | 1 | 2>,
        fc.integer({ min: 10, max: 600 }),
        (part, axis, length) => {
          const made = resizeSide(part, axis, length);
          part.ports.forEach((p, i) => {
            const now = made.ports[i];
            if (p.at[axis] === 0) expect(now?.at[axis]).toBe(0);
            if (p.at[axis] === part.size[axis]) expect(now?.at[axis]).toBe(length);
          });
        },
      ),
    );
    expect(() => resizeSide(reservoir, 1, 0)).toThrow(/above 0 mm, got 0/);
  });
});

describe('ports on faces', () => {
  test.each(FACES)('dragged onto %s, one lies in that face and looks out of it', (face) => {
    const moved = movePort(reservoir, 'return', face, [500, 500, 500]);
    const port = moved.ports.find((p) => p.id === 'return');
    expect(port && faceOf(port)).toBe(face);
    for (const i of [0, 1, 2] as const) {
      expect(port?.at[i]).toBeGreaterThanOrEqual(0);
      expect(port?.at[i]).toBeLessThanOrEqual(reservoir.size[i]);
    }
    expect(validatePart(moved)).toMatchObject({ ok: true });
  });

  test('one more, renamed, given a duty, taken away: valid all the way', () => {
    const more = addPort(reservoir, '+x');
    const id = more.ports.at(-1)?.id ?? '';
    const named = changePort(more, id, { name: 'sight tube', role: 'out' });
    const filled = dutyOfPort(named, id, 'drain');
    expect(filled.ports.at(-1)).toMatchObject({ name: 'sight tube', role: 'out', duty: 'drain' });
    expect(validatePart(filled)).toMatchObject({ ok: true });
    expect(dutyOfPort(filled, id, undefined).ports.at(-1)).not.toHaveProperty('duty');
    expect(removePort(filled, id)).toEqual(reservoir);
  });

  test('a chamber of its own, and a passage between: what flows through follows', () => {
    const plate = addPort(addPort(reservoir, '+x'), '-x');
    const [a, b] = plate.ports.slice(-2).map((p) => p.id) as [string, string];
    const fresh = freshChamber(plate);
    expect(chamberNames(plate)).not.toContain(fresh);
    const apart = changePort(changePort(plate, a, { chamber: fresh }), b, { chamber: fresh });
    expect(chamberNames(apart)).toEqual([...chamberNames(reservoir), fresh]);
    expect(validatePart(apart)).toMatchObject({ ok: true });
    const joined = changePassage(addPassage(apart), 0, { points: [[4, 2.5]], oneWay: true });
    expect(joined.passages).toEqual([
      {
        from: chamberNames(apart)[0],
        to: fresh,
        points: [[4, 2.5]],
        oneWay: true,
        source: 'estimated',
      },
    ]);
    expect(validatePart(joined)).toMatchObject({ ok: true });
    expect(removePassage(joined, 0).passages).toEqual([]);
    expect(addPassage(reservoir)).toBe(reservoir);
  });

  test('a body more makes the part as large as all its bodies', () => {
    const more = addBody(reservoir, 'y');
    expect(bodiesOf(more)).toHaveLength(2);
    expect(more.size[1]).toBe(reservoir.size[1] + 30);
    expect(validatePart(more)).toMatchObject({ ok: true });
  });
});

test('paste and lid from one measured pair, worked by hand', () => {
  // 80 °C over 35 °C at 250 W is 0.18 K/W; a block of 0.05 leaves 0.13.
  expect(interfaceFrom({ chip_C: 80, coolant_C: 35, heat_W: 250, block_KW: 0.05 })).toBeCloseTo(
    0.13,
    9,
  );
  expect(() => interfaceFrom({ chip_C: 40, coolant_C: 35, heat_W: 250, block_KW: 0.05 })).toThrow(
    /leave nothing for paste and lid/,
  );
});
