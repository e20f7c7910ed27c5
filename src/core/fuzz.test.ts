import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, catalogued, DEMO_BUILDS, STANDARD_KIT } from '@/catalogue';
import {
  applyEdit,
  EditError,
  emptyDesign,
  freeId,
  type Design,
  type Edit,
  type Placement,
} from './design';
import { evaluate } from './analysis';
import { validateDesign } from './validation';
import { looseParts, proposeLoop, reorderLoop } from './loops';
import { compileSystem } from './system';
import { isComponentPart, isWet, type ComponentPart } from './components';
import { defaultPlacements } from './checks';

const PARTS = CATALOGUE.filter(isComponentPart);
const CASES = CATALOGUE.flatMap((p) => (p.kind === 'case' ? [p] : []));
const TUBES = CATALOGUE.flatMap((p) => (p.kind === 'tube' ? [p] : []));
const COOLANTS = CATALOGUE.flatMap((p) => (p.kind === 'coolant' ? [p] : []));

/** What a hand at the interface could do next, chosen by three numbers. */
function anyEdit(design: Design, kind: number, a: number, b: number): Edit {
  const pick = <T>(list: readonly T[], n: number): T | undefined =>
    list.length === 0 ? undefined : list[n % list.length];
  const component = pick(design.components, a),
    loop = pick(design.loops, a);
  switch (kind % 14) {
    case 0:
    case 1:
    case 2: {
      const part = pick(PARTS, a * 31 + b) as ComponentPart;
      const id = freeId(
        design.components.map((i) => i.id),
        part.kind,
      );
      const places = defaultPlacements(design, { id, part });
      const placement: Placement = pick(places, b)?.placement ?? { on: 'unplaced' };
      return {
        do: 'component.add',
        component: { id, name: part.name, part, placement, settings: {} },
      };
    }
    case 3:
      return { do: 'case.choose', case: pick(CASES, a) ?? catalogued('case', 'case-alder-42') };
    case 4:
      return { do: 'component.remove', component: component?.id ?? 'none' };
    case 5:
      return {
        do: 'component.place',
        component: component?.id ?? 'none',
        placement: component
          ? (pick(defaultPlacements(design, component), b)?.placement ?? { on: 'unplaced' })
          : { on: 'unplaced' },
      };
    case 6:
      return {
        do: 'component.set',
        component: component?.id ?? 'none',
        values: { speed_rpm: (a * 97 + b * 13) % 6000, powerDraw_W: (b * 37) % 500 },
      };
    case 7:
      return { do: 'fans.speed', speed_rpm: 200 + ((a * 53) % 3000) };
    case 8:
    case 9:
      return (
        (looseParts(design).length >= 2
          ? proposeLoop(design, {
              name: 'Loop',
              tube: pick(TUBES, a) ?? catalogued('tube', 'tube-soft-13-10'),
              fitting: catalogued('fitting', 'fit-comp-13-10'),
              coolant: pick(COOLANTS, b) ?? catalogued('coolant', 'cool-distilled'),
            })
          : null) ?? { do: 'design.rename', name: `Build ${a}` }
      );
    case 10:
      return loop
        ? reorderLoop(
            design,
            loop.id,
            rotate(
              compileSystem(design).loops.find((g) => g.loop.id === loop.id)?.stations ?? [],
              b,
            ),
          )
        : { do: 'design.rename', name: 'x' };
    case 11:
      return loop
        ? {
            do: 'connection.remove',
            loop: loop.id,
            connection: pick(loop.connections, b)?.id ?? 'none',
          }
        : { do: 'design.rename', name: 'y' };
    case 12:
      return {
        do: 'brief.limit',
        values: { deltaT_K: 1 + (a % 30), budget_minor: b % 3 === 0 ? null : b * 1000 },
      };
    default: {
      const next =
        component &&
        pick(
          PARTS.filter((p) => p.kind === component.part.kind),
          b,
        );
      return component && next
        ? { do: 'component.replace', component: component.id, part: next }
        : { do: 'design.rename', name: 'z' };
    }
  }
}

function rotate(list: readonly string[], by: number): readonly string[] {
  if (list.length === 0) return list;
  const k = by % list.length;
  return [...list.slice(k), ...list.slice(0, k)];
}

const step = fc.tuple(fc.nat(60), fc.nat(400), fc.nat(400));

describe('whatever a hand does', () => {
  test('every build stays valid, is evaluated without NaN, and can be undone to its beginning', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(emptyDesign('New', STANDARD_KIT), ...DEMO_BUILDS.map((d) => d.design)),
        fc.array(step, { minLength: 4, maxLength: 26 }),
        (start, steps) => {
          let design = start;
          const back: Edit[] = [];
          for (const [kind, a, b] of steps) {
            try {
              const done = applyEdit(design, anyEdit(design, kind, a, b));
              design = done.design;
              back.push(done.inverse);
            } catch (error) {
              if (!(error instanceof EditError)) throw error;
            }
          }
          const validated = validateDesign(JSON.parse(JSON.stringify(design)));
          expect(validated.ok ? [] : validated.troubles).toEqual([]);
          const text = JSON.stringify(evaluate(design, { offer: CATALOGUE }));
          expect(text).not.toContain('NaN');
          const undone = back.reverse().reduce((x, e) => applyEdit(x, e).design, design);
          expect(undone).toEqual(start);
        },
      ),
      { numRuns: 60, seed: 4310 },
    );
  });

  test('every port of every part in a loop is on the list as connected or capped, or is a finding', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 8, maxLength: 30 }), (steps) => {
        let design: Design = applyEdit(emptyDesign('New', STANDARD_KIT), {
          do: 'case.choose',
          case: catalogued('case', 'case-tidegate-78'),
        }).design;
        for (const [kind, a, b] of steps)
          try {
            design = applyEdit(design, anyEdit(design, kind, a, b)).design;
          } catch (error) {
            if (!(error instanceof EditError)) throw error;
          }
        const { findings, reports } = evaluate(design);
        const open = new Set(
          findings.filter((f) => f.code === 'rule.port-open').flatMap((f) => f.subjects),
        );
        for (const component of design.components) {
          if (!isWet(component.part)) continue;
          const uses = component.part.ports.map((p) =>
            design.loops.some(
              (l) =>
                l.connections.some(
                  (k) =>
                    (k.from.component === component.id && k.from.port === p.id) ||
                    (k.to.component === component.id && k.to.port === p.id),
                ) || l.caps.some((c) => c.component === component.id && c.port === p.id),
            ),
          );
          expect([component.id, uses.every(Boolean) || open.has(component.id)]).toEqual([
            component.id,
            true,
          ]);
        }
        const caps = design.loops.flatMap((l) => l.caps).length;
        const listed = reports.bom.lines
          .filter((l) => ['fit-plug', 'fit-drain', 'fit-fill'].includes(l.part))
          .reduce((s, l) => s + l.quantity, 0);
        expect(listed).toBe(caps);
      }),
      { numRuns: 40, seed: 4311 },
    );
  });
});
