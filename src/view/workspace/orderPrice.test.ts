import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { applyEdit, withoutRoutes, type Design, type Edit } from '@/core/design';
import { analyse } from '@/core/analysis';
import { reorderLoop } from '@/core/loops';
import { partFigures } from '../catalogue/figures';
import { orderPrice } from '@/core/studies';
import { orderPriceWords } from './orderPrice';
import { isStage, STAGES } from './stages';

const priceWords = (design: Design, edit: Edit): string =>
  orderPriceWords(orderPrice(design, edit));

describe('the price of another order', () => {
  const desk = demoDesign('dawn-chorus-desk') as Design;
  const w = analyse(desk);
  const stations = w.system.loops[0]?.stations ?? [];

  test('the same order costs nothing', () => {
    const ordered = applyEdit(desk, reorderLoop(desk, 'loop', stations)).design;
    expect(priceWords(ordered, reorderLoop(ordered, 'loop', stations))).toMatch(
      /^0\.00 m of tube, 0 bends \(both estimated\)/,
    );
  });

  test('what changes no order costs nothing, though the runs of the build are routed', () => {
    expect(priceWords(desk, { do: 'design.rename', name: 'Other' })).toMatch(
      /^0\.00 m of tube, 0 bends \(both estimated\), .+ 0\.0 K$/,
    );
  });

  test('the same is said of a routed build and of one not routed yet', () => {
    const edit = reorderLoop(desk, 'loop', [
      ...stations.slice(0, 2),
      ...stations.slice(2).reverse(),
    ]);
    expect(priceWords(desk, edit)).toBe(priceWords(withoutRoutes(desk), edit));
    expect(priceWords(desk, edit)).not.toMatch(/^0\.00/);
  });

  test('a worse one is said in metres, bends and kelvin', () => {
    const other = [stations[0], stations[1], ...[...stations.slice(2)].reverse()] as string[];
    expect(priceWords(desk, reorderLoop(desk, 'loop', other))).toMatch(
      /^[+−]\d+\.\d\d m of tube, [+−]?\d+ bends \(both estimated\), .+ [+−]?\d+\.\d K$/,
    );
  });
});

describe('words of the catalogue', () => {
  test.each(CATALOGUE.map((p) => [p.id, p] as const))('%s has its figures in a line', (_, p) => {
    const line = partFigures(p);
    expect(line.length).toBeGreaterThan(8);
    expect(line).not.toMatch(/NaN|undefined|–/);
  });
});

describe('stages', () => {
  test('each has its own digit', () => {
    expect(STAGES.map((s) => s.digit).join('')).toMatch(/^0123456789/);
    expect(new Set(STAGES.map((s) => s.digit)).size).toBe(STAGES.length);
    expect(isStage('flow')).toBe(true);
    expect(isStage('constructor')).toBe(false);
  });
});
