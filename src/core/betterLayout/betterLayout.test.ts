import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, EMPTY_LAYOUT, type Design, type Edit } from '../design';
import { withRoutes } from '../routing';
import { betterLayout, type BetterLayout } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('a better layout', () => {
  const loop = desk.loops[0] as Design['loops'][number],
    into = loop.connections.find((l) => l.to.component === 'front-radiator'),
    out = loop.connections.find((l) => l.from.component === 'front-radiator');
  if (!into || !out) throw new Error('the demo lost its loop');
  const worse = applyEdit(desk, {
    do: 'loop.connections',
    loop: 'loop',
    connections: loop.connections.map((l) => {
      if (l === into) return { ...l, to: out.from };
      if (l === out) return { ...l, from: into.to };
      return l;
    }),
  }).design;
  const laidWorse = withRoutes(worse);
  const better = betterLayout(laidWorse);

  test('ports swapped for worse ones are swapped back; what is told is what the edit gives', () => {
    expect(better).not.toBeNull();
    const laid = applyEdit(laidWorse, better?.edit as Edit).design;
    const { reports, findings } = analyse(laid);
    expect(reports.tidiness).toEqual(better?.tidiness.after);
    expect(reports.bom.loopTotal - analyse(laidWorse).reports.bom.loopTotal).toBe(
      better?.price_minor,
    );
    expect(better?.after.missing).toBe(0);
    expect(better?.moves.length).toBeGreaterThan(0);
    expect(
      findings.filter((f) =>
        ['rule.port-twice', 'rule.port-open', 'rule.wrong-way', 'fit.clash'].includes(f.code),
      ),
    ).toEqual([]);
  });

  test('nothing that was fixed moves, and no pinned run', () => {
    const fixed = desk.components.map((c): Edit => ({
      do: 'component.set',
      component: c.id,
      values: { mayMove: { turn: false, slide_mm: 0 } },
    }));
    const pin: Edit = { do: 'route.pin', connection: 'run-4', pinned: true };
    const still = applyEdit(laidWorse, { do: 'batch', edits: [...fixed, pin] }).design;
    const found = betterLayout(still);
    const laid = found ? applyEdit(still, found.edit).design : still;
    expect(laid.components.map((c) => c.placement)).toEqual(
      still.components.map((c) => c.placement),
    );
    expect(laid.layout.routes['run-4']).toEqual(still.layout.routes['run-4']);
  });

  test('stopped once every run has a way, it tells that layout whole', () => {
    const heard: BetterLayout[] = [];
    const found = betterLayout(
      { ...worse, layout: EMPTY_LAYOUT },
      () => heard.length === 0,
      (better) => heard.push(better),
    );
    expect(found).toEqual(heard[0]);
    expect(found?.after.missing).toBe(0);
    const laid = applyEdit(worse, found?.edit as Edit).design;
    expect(analyse(laid).reports.tidiness).toEqual(found?.tidiness.after);
  });

  test('stopped at once it tells nothing and moves nothing', () => {
    expect(betterLayout(laidWorse, () => false)).toBeNull();
  });
});
