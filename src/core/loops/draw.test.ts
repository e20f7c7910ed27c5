import { describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { evaluate } from '../analysis';
import { applyEdit, type Design, type PortRef } from '../design';
import { validateDesign } from '../validation';
import { drawRun, lineOnto, putIntoRun, runAt } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const [loop] = desk.loops as Design['loops'] & { readonly 0: Design['loops'][number] };
const tee = catalogued('inline', 'inl-tee'),
  valve = catalogued('inline', 'inl-valve');
const spare = (component: string, port: string): PortRef => ({ component, port });

describe('a run drawn from port to port', () => {
  test('takes the caps off both ports and leads from an outlet to an inlet', () => {
    const drawn = drawRun(desk, spare('reservoir', 'low'), spare('card-block', 'out2'));
    if (!('edit' in drawn)) throw new Error(drawn.why);
    const { design } = applyEdit(desk, drawn.edit);
    expect(validateDesign(design).ok).toBe(true);
    expect(runAt(design, spare('card-block', 'out2'))?.connection.id).toBe(drawn.connection);
    expect(
      design.loops[0]?.caps.some((c) => c.component === 'card-block' && c.port === 'out2'),
    ).toBe(false);
  });

  test('is turned round where it would lead out of an inlet', () => {
    const named: Design = {
      ...desk,
      components: desk.components.map((c) =>
        c.id === 'card-block' && c.part.kind === 'block'
          ? {
              ...c,
              part: {
                ...c.part,
                ports: c.part.ports.map((p) => (p.id === 'out2' ? { ...p, role: 'in' } : p)),
              },
            }
          : c,
      ) as Design['components'],
    };
    const drawn = drawRun(named, spare('card-block', 'out2'), spare('reservoir', 'low'));
    if (!('edit' in drawn)) throw new Error(drawn.why);
    const run = applyEdit(named, drawn.edit).design.loops[0]?.connections.at(-1);
    expect(run).toMatchObject({ from: spare('reservoir', 'low'), to: spare('card-block', 'out2') });
  });

  test('a port with a run, two loops, one port and parts of no loop are told', () => {
    const taken = loop.connections[0]?.from as PortRef;
    expect(drawRun(desk, taken, spare('reservoir', 'low'))).toMatchObject({ taken });
    expect(drawRun(desk, spare('reservoir', 'low'), spare('reservoir', 'low'))).toMatchObject({
      why: 'A run needs two ports.',
    });
    const tower = demoDesign('fenland-flood-tower') as Design;
    const [a, b] = tower.loops;
    const other = (l: typeof a): PortRef => {
      const cap = l?.caps[0];
      return { component: cap?.component ?? '', port: cap?.port ?? '' };
    };
    expect(drawRun(tower, other(a), other(b))).toMatchObject({
      why: `It would join ${a?.name} and ${b?.name}.`,
    });
  });
});

describe('pieces put into a run or onto a port', () => {
  test('a tee lies by its straight way, its side plugged, and a bypass may lead on from it', () => {
    const tubes = loop.connections.filter((c) => c.by === 'tube');
    const first = putIntoRun(desk, loop.id, tubes[0]?.id ?? '', tee, 'First tee');
    const once = applyEdit(desk, first?.edit ?? { do: 'batch', edits: [] }).design;
    const second = putIntoRun(once, loop.id, tubes[2]?.id ?? '', tee, 'Second tee');
    const twice = applyEdit(once, second?.edit ?? { do: 'batch', edits: [] }).design;
    expect(first?.free).toEqual([{ component: first?.component, port: 'side' }]);
    expect(twice.loops[0]?.connections).toHaveLength(loop.connections.length + 2);
    const drawn = drawRun(twice, first?.free[0] as PortRef, second?.free[0] as PortRef);
    if (!('edit' in drawn)) throw new Error(drawn.why);
    const { findings, reports } = evaluate(applyEdit(twice, drawn.edit).design);
    expect(findings.map((f) => f.code)).not.toContain('flow.idle');
    // What goes round by the bypass is missing in the block between (mass balance).
    const round = reports.flow.links.find((l) => l.id === drawn.connection)?.flow_Lmin ?? 0;
    expect(Math.abs(round)).toBeGreaterThan(0.1);
  });

  test('a drain line ends in a shut valve, and nothing is to flow through it', () => {
    const drain = loop.caps.find((c) => c.with === 'drain') as PortRef;
    const line = lineOnto(desk, drain, valve, 'Drain valve', 'drain');
    const { design } = applyEdit(desk, line?.edit ?? { do: 'batch', edits: [] });
    const { findings, reports } = evaluate(design);
    expect(validateDesign(design).ok).toBe(true);
    expect(findings.map((f) => f.code)).not.toContain('flow.idle');
    expect(findings.map((f) => f.code)).not.toContain('rule.no-drain');
    const line_id = design.loops[0]?.connections.at(-1)?.id;
    expect(reports.flow.links.find((l) => l.id === line_id)?.flow_Lmin).toBe(0);
  });
});
