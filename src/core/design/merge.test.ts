import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoDesign } from '@/catalogue';
import {
  applyEdit,
  differences,
  mergeDesigns,
  withTheirs,
  type Component,
  type Design,
  type Edit,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const edited = (design: Design, ...edits: readonly Edit[]): Design =>
  edits.reduce((d, edit) => applyEdit(d, edit).design, design);

const rename: Edit = { do: 'design.rename', name: 'Renamed' },
  fans: Edit = { do: 'fans.speed', speed_rpm: 777 },
  room: Edit = { do: 'brief.set', values: { room_C: 31 } };

describe('three ways merged into one', () => {
  test('what does not touch goes together, and the order of the sides does not matter', () => {
    const mine = edited(desk, rename, room),
      theirs = edited(desk, fans);
    const one = mergeDesigns(desk, mine, theirs),
      other = mergeDesigns(desk, theirs, mine);
    expect(one.clashes).toEqual([]);
    expect(one.loose).toEqual([]);
    expect(one.design).toEqual(edited(desk, rename, room, fans));
    expect(other.design).toEqual(one.design);
  });

  test('two fields of one part go together; one field twice clashes, and either can be taken', () => {
    const [first] = desk.components as readonly [Component];
    const with_ = (settings: object): Design => ({
      ...desk,
      components: desk.components.map((c) =>
        c === first ? { ...c, settings: { ...c.settings, ...settings } } : c,
      ),
    });
    expect(
      mergeDesigns(desk, with_({ powerDraw_W: 90 }), with_({ customShare: 0.4 })).design,
    ).toEqual(with_({ powerDraw_W: 90, customShare: 0.4 }));
    const { design, clashes } = mergeDesigns(
      desk,
      with_({ powerDraw_W: 90 }),
      with_({ powerDraw_W: 120 }),
    );
    expect(clashes).toEqual([
      {
        path: ['components', first.id, 'settings', 'powerDraw_W'],
        base: first.settings.powerDraw_W,
        mine: 90,
        theirs: 120,
      },
    ]);
    expect(design).toEqual(with_({ powerDraw_W: 90 }));
    expect(withTheirs(design, clashes[0] as (typeof clashes)[0])).toEqual(
      with_({ powerDraw_W: 120 }),
    );
  });

  test('the same change on both sides is one change', () => {
    expect(mergeDesigns(desk, edited(desk, fans), edited(desk, fans))).toMatchObject({
      clashes: [],
      design: edited(desk, fans),
    });
  });

  test('a part removed here and changed there clashes; removed on one side alone it is gone', () => {
    const gone = edited(desk, { do: 'component.remove', component: 'card-block' });
    const renamed: Design = {
      ...desk,
      components: desk.components.map((c) => (c.id === 'card-block' ? { ...c, name: 'X' } : c)),
    };
    expect(mergeDesigns(desk, gone, edited(desk, room)).design).toEqual(edited(gone, room));
    const { clashes } = mergeDesigns(desk, gone, renamed);
    expect(clashes.map((c) => c.path.join('/'))).toContain('components/card-block');
    expect(clashes[0]?.mine).toBeUndefined();
  });

  test('a run to a part that the other side removed is told as loose', () => {
    const mine = edited(desk, { do: 'component.remove', component: 'card-block' });
    const theirs: Design = {
      ...desk,
      loops: desk.loops.map((loop) => ({
        ...loop,
        caps: [...loop.caps, { component: 'card-block', port: 'in2' }],
      })),
    } as Design;
    const merged = mergeDesigns(desk, mine, theirs);
    expect(merged.clashes.length + merged.loose.length).toBeGreaterThan(0);
  });

  test('without a base nothing is taken silently', () => {
    const mine = edited(desk, rename),
      theirs = edited(desk, fans);
    const { design, clashes } = mergeDesigns(null, mine, theirs);
    expect(design).toEqual(mine);
    expect(clashes.length).toBe(
      differences(mine, theirs).filter((d) => d.path[0] !== 'layout').length,
    );
  });

  test('random edits on both sides: nothing that one side alone changed is lost', () => {
    const speeds = desk.components.filter((c) => c.part.kind === 'fan').map((c) => c.id);
    const anyEdit = fc.oneof(
      fc.record({ do: fc.constant('design.rename' as const), name: fc.string({ minLength: 1 }) }),
      fc
        .integer({ min: 15, max: 40 })
        .map((room_C) => ({ do: 'brief.set' as const, values: { room_C } })),
      fc
        .record({ component: fc.constantFrom(...speeds), rpm: fc.integer({ min: 600, max: 1200 }) })
        .map(({ component, rpm }) => ({
          do: 'patch' as const,
          patches: [
            {
              op: 'replace' as const,
              path: [
                'components',
                desk.components.findIndex((c) => c.id === component),
                'settings',
                'speed_rpm',
              ],
              value: rpm,
            },
          ],
        })),
    ) as fc.Arbitrary<Edit>;
    fc.assert(
      fc.property(
        fc.array(anyEdit, { maxLength: 5 }),
        fc.array(anyEdit, { maxLength: 5 }),
        (a, b) => {
          const mine = edited(desk, ...a),
            theirs = edited(desk, ...b);
          const merged = mergeDesigns(desk, mine, theirs);
          const clashed = new Set(merged.clashes.map((c) => c.path.join('/')));
          for (const side of [mine, theirs])
            for (const d of differences(desk, side)) {
              if (clashed.has(d.path.join('/'))) continue;
              const stands = differences(desk, merged.design).find(
                (m) => m.path.join('/') === d.path.join('/'),
              );
              expect(stands?.after).toEqual(d.after);
            }
        },
      ),
      { numRuns: 200 },
    );
  });
});
