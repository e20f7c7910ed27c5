import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import {
  analyse,
  createCompiler,
  createListener,
  createSession,
  heard,
  tell,
  tellChanges,
} from '.';
import type { OpenAnalysis, Told } from './types';

const desk = demoDesign('dawn-chorus-desk') as Design;

/** A listener in another thread: it has nothing but a copy of what passes between the two. */
const passed = <T>(value: T): T => structuredClone(value);

/** An analysis less what no other thread is told. */
const plain = ({ reports, findings, stages, routed, thermalModel }: OpenAnalysis) => ({
  reports,
  stages,
  routed,
  findings: findings.map(({ candidates: _candidates, ...finding }) => finding),
  sources: thermalModel.sources,
  radiators: thermalModel.radiators,
  openings: thermalModel.openings,
});

describe('what another thread is told of an analysis', () => {
  test.each(['dawn-chorus-desk', 'fenland-flood-tower', 'pocket-planetarium'])(
    '%s: all of it passes as plain data',
    (id) => {
      const design = demoDesign(id) as Design,
        analysis = analyse(design);
      const there = createListener()(passed(design), passed(tell(analysis)));
      expect(there.reports).toEqual(analysis.reports);
      expect(there.stages).toEqual(analysis.stages);
      expect(there.routed).toEqual(analysis.routed);
      expect(there.findings).toEqual(plain(analysis).findings);
      expect(there.thermalModel.radiators).toEqual(analysis.thermalModel.radiators);
      expect([...there.system.placed]).toEqual([...analysis.system.placed]);
      expect(there.thermalModel.system).toBe(there.system);
    },
  );

  test('after an edit of a speed neither list nor gaps nor runs are told again', () => {
    const session = createSession(desk),
      before = session.analysis();
    session.apply({ do: 'fans.speed', speed_rpm: 900 });
    const telling = tellChanges(session.analysis(), before);
    expect(Object.keys(telling.reports).sort()).toEqual(['flow', 'heat', 'sizing']);
    expect(telling).not.toHaveProperty('routed');
    expect(telling).toHaveProperty('thermalModel');
  });

  test('where nothing changed, nothing is told', () => {
    const session = createSession(desk),
      before = session.analysis();
    session.replace(desk);
    expect(tellChanges(session.analysis(), before)).toEqual({ reports: {} });
  });

  test('what is not told again stays the same object', () => {
    const session = createSession(desk),
      before = session.analysis(),
      told = tell(before);
    session.apply({ do: 'fans.speed', speed_rpm: 900 });
    const next = heard(told, tellChanges(session.analysis(), before));
    expect(next.reports.bom).toBe(told.reports.bom);
    expect(next.reports.heat).not.toBe(told.reports.heat);
    expect(next.words).toBe(told.words);
  });

  test('the places of a build stay what they were compiled to while only names and speeds change', () => {
    const listen = createListener(),
      told = tell(analyse(desk));
    const first = listen(desk, told);
    const renamed = applyEdit(desk, { do: 'design.rename', name: 'Other' }).design;
    const faster = applyEdit(renamed, { do: 'fans.speed', speed_rpm: 1300 }).design;
    expect(listen(renamed, told).system).toBe(first.system);
    expect(listen(faster, told).system).not.toBe(first.system);
    expect(listen(faster, told).system.placed).toBe(first.system.placed);
    expect(listen(faster, told).system.design).toBe(faster);
  });

  test('a build drawn ahead of its analysis is compiled once, and shares what did not move', () => {
    const compile = createCompiler(),
      listen = createListener(compile),
      told = tell(analyse(desk));
    const first = listen(desk, told);
    const [moved] = desk.components.filter((c) => c.part.kind === 'pump');
    const next = applyEdit(desk, {
      do: 'component.place',
      component: moved?.id ?? '',
      placement: { on: 'unplaced' },
    }).design;
    const ahead = compile(next);
    expect(listen(next, told).system).toBe(ahead);
    expect(ahead.placed.get(moved?.id ?? '')).not.toBe(first.system.placed.get(moved?.id ?? ''));
    const board = desk.components.find((c) => c.part.kind === 'board')?.id ?? '';
    expect(ahead.placed.get(board)).toBe(first.system.placed.get(board));
  });
});

/** Edits of every sort: speeds, places, settings, the brief, names. */
const EDITS: fc.Arbitrary<Edit> = fc.oneof(
  fc.integer({ min: 500, max: 1800 }).map((speed_rpm): Edit => ({ do: 'fans.speed', speed_rpm })),
  fc.integer({ min: 18, max: 35 }).map((room_C): Edit => ({ do: 'brief.set', values: { room_C } })),
  fc.string({ minLength: 1, maxLength: 12 }).map((name): Edit => ({ do: 'design.rename', name })),
  fc
    .record({
      component: fc.constantFrom(...desk.components.map((c) => c.id)),
      name: fc.string({ minLength: 1, maxLength: 12 }),
    })
    .map(({ component, name }): Edit => ({ do: 'component.rename', component, name })),
  fc.constantFrom(...desk.components.map((c) => c.id)).map((component): Edit => ({
    do: 'component.place',
    component,
    placement: { on: 'unplaced' },
  })),
  fc
    .constantFrom(...desk.loops.flatMap((l) => l.connections.map((c) => [l.id, c.id] as const)))
    .map(([loop, connection]): Edit => ({ do: 'connection.remove', loop, connection })),
);

test('over any edits a listener has what an analysis from nothing says', () => {
  fc.assert(
    fc.property(fc.array(EDITS, { minLength: 1, maxLength: 5 }), (edits) => {
      const session = createSession(desk),
        listen = createListener();
      let before = session.analysis();
      let told: Told = passed(tell(before));
      let there = listen(desk, told);
      for (const edit of edits) {
        try {
          session.apply(edit);
        } catch {
          continue;
        }
        const now = session.analysis();
        told = heard(told, passed(tellChanges(now, before)));
        before = now;
        there = listen(session.design, told);
      }
      const fresh = analyse(session.design);
      expect(there.reports).toEqual(fresh.reports);
      expect(there.findings).toEqual(plain(fresh).findings);
      expect(there.stages).toEqual(fresh.stages);
      expect(there.thermalModel.sources).toEqual(plain(fresh).sources);
      expect([...there.system.placed]).toEqual([...fresh.system.placed]);
    }),
    { numRuns: 12, seed: 5 },
  );
});
