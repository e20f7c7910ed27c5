import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { applyEdit, EditError, type Design, type Edit } from '../design';
import { rerouteEdit } from '../routing';
import { createSession, createSelectors, declaredInputs, evaluate, publish, analyse } from '.';
import { flowPicture } from './picture';

const tower = demoDesign('fenland-flood-tower') as Design;
const published = (design: Design, analysis = analyse(design, { offer: CATALOGUE })): string =>
  JSON.stringify(publish(design, analysis));

/** An edit of any sort, by three numbers. */
function anyEdit(design: Design, kind: number, a: number, b: number): Edit {
  const component = design.components[a % Math.max(1, design.components.length)]?.id ?? '';
  const links = design.loops.flatMap((l) =>
    l.connections.map((k) => ({ loop: l.id, connection: k.id })),
  );
  const at = links[b % Math.max(1, links.length)] ?? { loop: '', connection: '' };
  const radiator = design.components.find(
    (i) => i.part.kind === 'radiator' && i.placement.on === 'mount',
  );
  switch (kind % 10) {
    case 0:
      return { do: 'fans.speed', speed_rpm: 400 + ((a * 37) % 1600) };
    case 1:
      return { do: 'component.rename', component, name: `Part ${b}` };
    case 2:
      return {
        do: 'component.set',
        component,
        values: { speed_rpm: 600 + a * 20, powerDraw_W: b },
      };
    case 3:
      return { do: 'brief.limit', values: { deltaT_K: 2 + (a % 20), clear_mm: b % 10 } };
    case 4:
      return radiator?.placement.on === 'mount'
        ? {
            do: 'component.place',
            component: radiator.id,
            placement: { ...radiator.placement, slide_mm: a % 50 },
          }
        : { do: 'design.rename', name: 'x' };
    case 5:
      return { do: 'connection.remove', ...at };
    case 6:
      return { do: 'component.remove', component };
    case 7:
      return { do: 'brief.set', values: { room_C: 15 + (a % 20), summer_C: 30 + (b % 10) } };
    case 8:
      return {
        do: 'loop.coolant',
        loop: design.loops[0]?.id ?? '',
        coolant: catalogued('coolant', 'cool-distilled'),
        age_months: b % 40,
      };
    default:
      return { do: 'design.rename', name: `Build ${a}` };
  }
}

describe('a session over its edits', () => {
  test('after every edit it says, to the byte, what an analysis from nothing says; undo too', () => {
    const step = fc.tuple(fc.nat(40), fc.nat(60), fc.nat(60));
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_BUILDS.map((d) => d.design)),
        fc.array(step, { minLength: 2, maxLength: 7 }),
        (start, steps) => {
          const session = createSession(start, CATALOGUE);
          session.analysis();
          const back: Edit[] = [];
          const check = (): void =>
            expect(published(session.design, session.analysis())).toBe(published(session.design));
          for (const [kind, a, b] of steps) {
            try {
              back.unshift(session.apply(anyEdit(session.design, kind, a, b)));
            } catch (error) {
              if (!(error instanceof EditError)) throw error;
            }
            check();
          }
          for (const edit of back) session.apply(edit);
          check();
          expect(session.design).toEqual(start);
        },
      ),
      { numRuns: 25, seed: 17 },
    );
  }, 120_000);

  test('routing in between changes nothing of that', () => {
    const session = createSession(tower, CATALOGUE);
    session.analysis();
    session.apply(anyEdit(tower, 4, 5, 0));
    session.analysis();
    session.apply(rerouteEdit(session.design) as Edit);
    expect(published(session.design, session.analysis())).toBe(published(session.design));
  });

  test('the terminal and the API print what a session publishes', () => {
    expect(JSON.stringify(evaluate(tower, { offer: CATALOGUE }))).toBe(published(tower));
  });
});

describe('what an edit works out again', () => {
  /** How often each result was worked out. */
  const counted = (edits: readonly Edit[]): Record<string, number> => {
    const selectors = createSelectors();
    let design = tower;
    selectors.analysis({ design, offer: CATALOGUE });
    const count = (): Record<string, number> =>
      Object.fromEntries(
        Object.entries(selectors).flatMap(([name, s]) =>
          'recomputations' in s
            ? [[name, (s as { recomputations(): number }).recomputations()]]
            : [],
        ),
      );
    const before = count();
    for (const edit of edits) {
      design = applyEdit(design, edit).design;
      selectors.analysis({ design, offer: CATALOGUE });
    }
    return Object.fromEntries(Object.entries(count()).map(([n, c]) => [n, c - (before[n] ?? 0)]));
  };

  test('a speed: flow and heat, nothing of where things stand or what is bought', () => {
    const second = counted([{ do: 'fans.speed', speed_rpm: 777 }]);
    expect(second).toMatchObject({
      system: 0,
      runs: 0,
      clearance: 0,
      portClearance: 0,
      spatialFindings: 0,
      hydraulicsAndThermal: 1,
      heat: 1,
      billOfMaterials: 0,
    });
  });

  test('a name of the build: nothing at all', () => {
    const {
      input: _input,
      design: _design,
      ...rest
    } = counted([{ do: 'design.rename', name: 'Else' }]);
    expect(Object.values(rest).every((n) => n === 0)).toBe(true);
  });

  test('a slide: where things stand, once', () => {
    expect(counted([anyEdit(tower, 4, 7, 0)])).toMatchObject({
      system: 1,
      clearance: 1,
      portClearance: 1,
      hydraulicsAndThermal: 1,
    });
  });

  test('what stands as it stood is the same thing after a slide: its gaps need not be measured again', () => {
    const session = createSession(tower);
    const before = session.analysis().routed.routes;
    session.apply(anyEdit(tower, 4, 7, 0));
    const after = session.analysis().routed.routes;
    const same = after.filter((r) => before.some((b) => b.path === r.path));
    expect(same.length).toBeLessThan(before.length);
    // Every run but those at the radiator that slid, and at parts that hang in their runs.
    const moved = new Set(['front-radiator', 'filter', 'meter']);
    const still = tower.loops
      .flatMap((l) => l.connections)
      .filter((c) => c.by === 'tube' && !moved.has(c.from.component) && !moved.has(c.to.component));
    expect(still.length).toBeGreaterThan(3);
    expect(same.map((r) => r.connection)).toEqual(expect.arrayContaining(still.map((c) => c.id)));
  });
});

describe('the flow, declared', () => {
  test('each result comes after what it is worked out from: one direction', () => {
    const inputs = declaredInputs();
    const order = [...inputs.keys()];
    for (const [name, from] of inputs)
      for (const f of from) expect(order.indexOf(f)).toBeLessThan(order.indexOf(name));
    expect(inputs.get('hydraulicsAndThermal')).toEqual(['model', 'tubes', 'thermalModel']);
  });

  test('docs/architecture.md draws it as it is', () => {
    expect(readFileSync('docs/architecture.md', 'utf8')).toContain(flowPicture());
  });
});
