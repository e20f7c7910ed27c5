import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { createSession, evaluate, publish, shared } from '.';

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('branches of a document that stay', () => {
  const tower = demoDesign('fenland-flood-tower') as Design;

  test('a document that says the same is the one before', () => {
    expect(shared(tower, copy(tower))).toBe(tower);
  });

  test('only what an edit touched is new', () => {
    const edited = applyEdit(tower, {
      do: 'fans.speed',
      speed_rpm: 871,
    }).design;
    const merged = shared(tower, copy(edited));
    expect(merged).toEqual(edited);
    expect(merged.loops).toBe(tower.loops);
    expect(merged.case).toBe(tower.case);
    expect(merged.components).not.toBe(tower.components);
    merged.components.forEach((component, i) => {
      if (component.part.kind !== 'fan') expect(component).toBe(tower.components[i]);
    });
  });

  test('another order of keys, a key more, a key less, another kind: not the same', () => {
    const old = { a: 1, b: [1, { c: null }] };
    expect(Object.keys(shared(old, { b: [1, { c: null }], a: 1 }))).toEqual(['b', 'a']);
    expect(shared(old, { ...copy(old), d: 0 })).toEqual({ ...old, d: 0 });
    expect(shared(old, { a: 1 })).toEqual({ a: 1 });
    expect(shared([], {})).toEqual({});
    expect(shared({}, [])).toEqual([]);
    expect(shared(old, { a: 1, b: null })).toEqual({ a: 1, b: null });
  });

  test('a session that is handed one document after another answers as from nothing', () => {
    const session = createSession(tower);
    for (const speed_rpm of [640, 900, 640]) {
      const next = copy(applyEdit(tower, { do: 'fans.speed', speed_rpm }).design);
      session.replace(shared(session.design, next));
      expect(JSON.stringify(publish(session.design, session.analysis()))).toBe(
        JSON.stringify(evaluate(next)),
      );
    }
  });
});
