import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit, findComponent } from '../design';
import { evaluate, analyse, JUDGE } from '../analysis';
import { validateDesign } from '../validation';
import { proposeLoop } from '../loops';
import { compileSystem } from '../system';
import { bridgeOffers } from '.';

const tower = demoDesign('fenland-flood-tower') as Design,
  PITCH_MM = 20.32;
/** The tower's cards one behind the other in one loop of hard tube. */
const bare: Design = {
  ...tower,
  components: tower.components.filter((i) => i.part.kind !== 'inline'),
  loops: [],
};
const row = applyEdit(
  bare,
  proposeLoop(bare, {
    name: 'Cards',
    tube: catalogued('tube', 'tube-petg-16-12'),
    fitting: catalogued('fitting', 'fit-hard-16'),
    coolant: catalogued('coolant', 'cool-clear-premix'),
    components: ['reservoir-2', 'pump-2', 'card-block-a', 'card-block-b', 'top-radiator'],
  }) as Edit,
).design;
const loop = row.loops[0] as Design['loops'][number];
const between = loop.connections.find(
  (l) => l.from.component.startsWith('card-block') && l.to.component.startsWith('card-block'),
);
const offers = bridgeOffers(compileSystem(row), loop.id, between?.id ?? '', CATALOGUE);

describe('bridges between two cards', () => {
  test('the cards look at each other across the slots: so far apart as the slots less the block and its terminal', () => {
    const [o] = offers;
    // Slots 1 and 5; the lower port of one terminal, the upper port of the other, by the parts' own
    // figures.
    const a = findComponent(row, 'card-block-a')?.part as Extract<
      Design['components'][number]['part'],
      { kind: 'block' }
    >;
    const up = a.ports.find((p) => p.direction[1] === 1),
      down = a.ports.find((p) => p.direction[1] === -1);
    expect(o?.along_mm).toBeCloseTo(4 * PITCH_MM - ((up?.at[1] ?? NaN) - (down?.at[1] ?? NaN)), 6);
    expect(o?.bridge.span_mm?.[0]).toBeLessThanOrEqual(o?.along_mm ?? 0);
    expect(o?.bridge.span_mm?.[1]).toBeGreaterThanOrEqual(o?.along_mm ?? Infinity);
  });

  test('one click: the tube is gone, the bridge is on the list for that run, every port is held or plugged, coolant goes round', () => {
    for (const o of offers) {
      const after = applyEdit(row, o.edit).design,
        { reports } = analyse(after),
        connection = after.loops[0]?.connections.find((l) => l.id === between?.id);
      expect(validateDesign(JSON.parse(JSON.stringify(after))).ok).toBe(true);
      expect(connection).toMatchObject({ by: 'direct', bridge: { id: o.bridge.id } });
      expect(reports.bom.lines.find((l) => l.part === o.bridge.id)).toMatchObject({
        quantity: 1,
        for: [between?.id],
      });
      expect(reports.bom.tube_mm).toBeLessThan(analyse(row).reports.bom.tube_mm);
      // Nothing is worse than it was with a tube.
      const reported = (b: Design): string[] =>
          evaluate(b, { offer: CATALOGUE }).findings.map((f) => `${f.code} ${f.subjects.join()}`),
        was = reported(row),
        codes = reported(after)
          .filter((c) => !was.includes(c))
          .map((c) => c.split(' ')[0]);
      for (const code of [
        'run.joint-apart',
        'rule.port-open',
        'rule.port-twice',
        'rule.not-closed',
        'flow.none',
        'flow.backwards',
      ])
        expect(codes).not.toContain(code);
      expect(reports.flow.loops[0]?.flow_Lmin).toBeGreaterThan(1);
    }
    expect(offers.length).toBeGreaterThan(0);
  });

  test('a card moved to another slot: no longer met, and the bridge that reaches is offered', () => {
    const bridged = applyEdit(row, (offers[0] as (typeof offers)[number]).edit).design;
    const moved = applyEdit(bridged, {
        do: 'component.place',
        component: 'card-b',
        placement: { on: 'slot', slot: 4 },
      }).design,
      { findings } = evaluate(moved, { fixes: true, offer: CATALOGUE });
    const [f] = findings.filter((x) => x.code === 'run.joint-apart');
    expect(f?.detail).toMatch(/The bridge reaches \d+ to \d+ mm/);
    const fix = f?.fixes.find((x) => x.label.startsWith('Take Telescopic adapter'));
    expect(fix).toBeDefined();
    expect(
      evaluate(applyEdit(moved, (fix as { edit: Edit }).edit).design, {
        offer: CATALOGUE,
      }).findings.some((x) => x.code === 'run.joint-apart'),
    ).toBe(false);
    const tube = analyse(moved, { offer: CATALOGUE })
      .findings.find((x) => x.code === 'run.joint-apart')
      ?.candidates(JUDGE)
      .find((x) => x.label.startsWith('Run a tube'));
    expect(
      applyEdit(moved, (tube as { edit: Edit }).edit).design.loops[0]?.connections.find(
        (l) => l.id === between?.id,
      ),
    ).not.toHaveProperty('bridge');
  });

  test('a part of it taken out, the run is a tube again and has no bridge; a file with a bridge where it cannot be is refused', () => {
    const bridged = applyEdit(row, (offers[0] as (typeof offers)[number]).edit).design,
      gone = applyEdit(bridged, {
        do: 'component.remove',
        component: between?.to.component ?? '',
      }).design;
    expect(
      gone.loops[0]?.connections.every((l) => (l.by === 'tube' ? !('bridge' in l) : true)),
    ).toBe(true);
    expect(validateDesign(JSON.parse(JSON.stringify(gone))).ok).toBe(true);
    const spoilt = (change: (link: Record<string, unknown>) => void): unknown => {
      const copy = JSON.parse(JSON.stringify(bridged)) as {
        loops: { connections: Record<string, unknown>[] }[];
      };
      for (const l of copy.loops[0]?.connections ?? []) if (l['bridge']) change(l);
      return copy;
    };
    expect(
      validateDesign(
        spoilt((l) => {
          l['by'] = 'tube';
        }),
      ).ok,
    ).toBe(false);
    expect(
      validateDesign(
        spoilt((l) => {
          l['bridge'] = catalogued('fitting', 'fit-plug');
        }),
      ).ok,
    ).toBe(false);
    expect(
      validateDesign(
        spoilt((l) => {
          (l['bridge'] as { span_mm: number[] }).span_mm = [40, 20];
        }),
      ).ok,
    ).toBe(false);
  });

  test('none where ports do not face, where none is on offer, and for an unknown run', () => {
    const other = loop.connections.find((l) => l.by === 'tube' && l.id !== between?.id);
    expect(bridgeOffers(compileSystem(row), loop.id, other?.id ?? '', CATALOGUE)).toEqual([]);
    expect(bridgeOffers(compileSystem(row), loop.id, between?.id ?? '', [])).toEqual([]);
    expect(bridgeOffers(compileSystem(row), loop.id, 'ghost', CATALOGUE)).toEqual([]);
  });
});
