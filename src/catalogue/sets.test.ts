import { describe, expect, test } from '@jest/globals';
import { addSet, catalogued, demoDesign, SETS } from '.';
import { evaluate } from '@/core/analysis';
import { applyEdit, type Design, type Edit } from '@/core/design';
import { proposeLoop } from '@/core/loops';
import { withRoutes } from '@/core/routing';
import { compileSystem } from '@/core/system';
import { validateDesign } from '@/core/validation';

const desk = demoDesign('dawn-chorus-desk') as Design;
const all = (design: Design, ...edits: readonly Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, design);
const piped = (design: Design): Design => {
  const loop = proposeLoop(design, {
    name: 'Main loop',
    tube: catalogued('tube', 'tube-epdm-16-10'),
    fitting: catalogued('fitting', 'fit-comp-16-10'),
    coolant: catalogued('coolant', 'cool-clear-premix'),
  });
  return loop ? all(design, loop) : design;
};
const bare = all(
  desk,
  { do: 'loop.remove', loop: 'loop' },
  { do: 'component.remove', component: 'pump' },
  { do: 'component.remove', component: 'reservoir' },
);

describe('parts sold as one', () => {
  test.each(SETS.map((s) => [s.name, s] as const))('%s: valid, joined, priced once', (_, set) => {
    const base = set.first.kind === 'block' ? withoutBlock(desk) : bare;
    const put = addSet(base, set);
    const design = piped(all(base, put.edit));
    expect(validateDesign(design)).toMatchObject({ ok: true });
    const { reports } = evaluate(design);
    const lines = reports.bom.lines.filter((l) => l.for.includes(put.component));
    expect(lines.filter((l) => l.kind !== 'fitting').map((l) => l.total)).toContain(
      set.price_minor,
    );
    for (const { part } of set.others)
      expect(reports.bom.lines.some((l) => l.part === part.id)).toBe(false);
    const between = design.loops[0]?.connections.find((c) =>
      [c.from, c.to].every(
        (r) => r.component === put.component || r.component.includes(`of-${put.component}`),
      ),
    );
    expect(between?.by).toBe('direct');
    expect(reports.bom.lines.some((l) => l.for.includes(between?.id ?? 'none'))).toBe(false);
    expect(reports.flow.loops[0]?.flow_Lmin ?? 0).toBeGreaterThan(1);
  });

  test('moved, it moves whole; taken out, it goes whole', () => {
    const [set] = SETS as readonly [(typeof SETS)[number]];
    const put = addSet(bare, set);
    const design = all(bare, put.edit);
    const other = design.components.at(-1)?.id ?? '';
    const height = (d: Design): number =>
      (compileSystem(d).placed.get(other)?.frame?.at[1] ?? NaN) -
      (compileSystem(d).placed.get(put.component)?.frame?.at[1] ?? NaN);
    const moved = all(design, {
      do: 'component.place',
      component: put.component,
      placement: { on: 'free', at: [200, 10, 100], turn: 90 },
    });
    expect(height(moved)).toBeCloseTo(height(design), 9);
    const gone = all(design, { do: 'component.remove', component: put.component });
    expect(gone.components).toHaveLength(bare.components.length);
    // Taken out of a loop, neither leaves a run behind.
    const out = all(piped(design), { do: 'component.remove', component: put.component });
    expect(validateDesign(out)).toMatchObject({ ok: true });
  });

  test('parts that each come with the other are refused: neither would have a price', () => {
    const [first, second] = bare.components as readonly Design['components'][number][];
    const round = all(
      bare,
      {
        do: 'component.set',
        component: first?.id ?? '',
        values: { partOf: second?.id ?? '' },
      },
      {
        do: 'component.set',
        component: second?.id ?? '',
        values: { partOf: first?.id ?? '' },
      },
    );
    expect(validateDesign(round)).toMatchObject({ ok: false });
  });

  test('a build with one stands: routed, nothing in the way of anything', () => {
    const put = addSet(bare, SETS[0] as (typeof SETS)[number]);
    const { findings } = evaluate(withRoutes(piped(all(bare, put.edit))));
    expect(findings.filter((f) => f.code.startsWith('fit.c') || f.code === 'run.no-way')).toEqual(
      [],
    );
  });
});

function withoutBlock(design: Design): Design {
  const block = design.components.find(
    (c) => c.part.kind === 'block' && c.part.cools[0] === 'processor',
  );
  return all(
    design,
    { do: 'loop.remove', loop: 'loop' },
    { do: 'component.remove', component: block?.id ?? '' },
    { do: 'component.remove', component: 'pump' },
  );
}
