import { expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '../design';
import { compileSystem } from '../system';
import { cableTrunk } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const only = (kinds: readonly string[]): Design => ({
  ...desk,
  components: desk.components.filter((c) => kinds.includes(c.part.kind)),
  loops: [],
});
const round = (d: number): number => (Math.PI / 4) * d ** 2;

/** By hand: bundles of 12 and 8 mm for a board, 60 % of a trunk is cable, 80 mm wide. */
test('a board alone: its own cable is the depth', () => {
  const trunk = cableTrunk(compileSystem(only(['board'])));
  expect(trunk.area_mm2).toBeCloseTo((round(12) + round(8)) / 0.6, 9);
  expect(trunk.depth_mm).toBe(12);
});

/** One plug of eight pins for each 150 W begun (PCI Express CEM). */
test('a card takes a plug for each 150 W begun', () => {
  const card = desk.components.find((c) => c.part.kind === 'card');
  if (card?.part.kind !== 'card') throw new Error('no card');
  const { part } = card;
  const area = (draw_W: number): number =>
    cableTrunk(
      compileSystem({ ...desk, loops: [], components: [{ ...card, part: { ...part, draw_W } }] }),
    ).area_mm2;
  expect(area(150)).toBeCloseTo(round(7.5) / 0.6, 9);
  expect(area(151)).toBeCloseTo((2 * round(7.5)) / 0.6, 9);
  expect(area(450)).toBeCloseTo((3 * round(7.5)) / 0.6, 9);
});
