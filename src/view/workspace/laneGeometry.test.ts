import { describe, expect, test } from '@jest/globals';
import { teedTower as tower } from '@/catalogue/teedTower.fixture';
import { compileSystem, type LoopGraph } from '@/core/system';
import { laneGeometry, nearestLeg, type Spot } from './laneGeometry';
import { laneHeight, PITCH } from './laneHeight';

const graphs = compileSystem(tower).loops;
const [ring, split] = graphs as [LoopGraph, LoopGraph];

describe('where the loop diagram is drawn', () => {
  test('a ring stands in one line, left to right, inside the width, with one way home', () => {
    const g = laneGeometry(tower, ring, 1000, 58);
    expect(new Set(g.spots.map((s) => s.y)).size).toBe(1);
    expect(g.spots.map((s) => s.x)).toEqual([...g.spots.map((s) => s.x)].sort((a, b) => a - b));
    expect(g.width).toBe(1000);
    expect(g.legs.filter((l) => l.back).length).toBe(1);
    expect(g.legs.length).toBe(ring.loop.connections.length);
  });

  test('a split takes two lanes; what is side by side shares a column; tees are small', () => {
    const g = laneGeometry(tower, split, 1000, 58);
    const at = (component: string): Spot =>
      g.spots[split.layout.visits.findIndex((v) => v.component === component)] as Spot;
    expect(at('card-block-a').x).toBeCloseTo(at('card-block-b').x, 6);
    expect(Math.abs(at('card-block-a').y - at('card-block-b').y)).toBe(58);
    expect([at('tee').small, at('card-block-a').small]).toEqual([true, false]);
    expect(g.legs.filter((l) => l.opens).length).toBe(2);
    expect(laneHeight(2, false).whole - laneHeight(1, false).whole).toBe(PITCH);
    expect(Math.max(...g.spots.map((s) => s.y))).toBeLessThan(laneHeight(2, false).profileTop);
  });

  test('stations in one lane keep their distance, on a phone too, where the line grows past the screen', () => {
    for (const [graph, width] of [
      [ring, 220],
      [split, 220],
      [split, 1500],
    ] as const) {
      const g = laneGeometry(tower, graph, width, 58);
      expect(g.width).toBeGreaterThanOrEqual(width);
      for (const lane of new Set(g.spots.map((s) => s.y))) {
        const xs = g.spots
          .filter((s) => s.y === lane)
          .map((s) => s.x)
          .sort((a, b) => a - b);
        for (let i = 1; i < xs.length; i += 1)
          expect((xs[i] as number) - (xs[i - 1] as number)).toBeGreaterThan(44);
      }
    }
  });

  test('a station let go over a run finds that run', () => {
    const g = laneGeometry(tower, split, 1000, 58);
    for (const l of g.legs.filter((x) => !x.back))
      expect(nearestLeg(g, l.labelX + 3, l.labelY + 6)?.link).toBe(l.link);
  });
});
