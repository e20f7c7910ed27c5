import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { BUILD_VERSION, type Design } from '../design';
import { MIGRATIONS } from '../design/migrate';
import { countIssue, validateDesign, validateEdit, validatePart, LIMITS, parseDesign } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const copy = (): Record<string, unknown> =>
  JSON.parse(JSON.stringify(desk)) as Record<string, unknown>;
const troubles = (data: unknown): string[] => {
  const g = validateDesign(data);
  return g.ok ? [] : g.troubles.map((t) => `${t.path} | ${t.message}`);
};

function spoiled(change: (d: Record<string, never>) => void): string[] {
  const d = copy();
  change(d as Record<string, never>);
  return troubles(d);
}

describe('what is good passes unchanged', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))('%s', (_, design) => {
    const g = parseDesign(JSON.stringify(design));
    expect(g).toMatchObject({ ok: true });
    if (g.ok) expect(g.value).toEqual(design);
  });

  test('every part of the catalogue', () => {
    for (const p of CATALOGUE) expect(validatePart(p)).toMatchObject({ ok: true });
  });
});

describe('what is bad says where', () => {
  type Loose = {
    components: { name: unknown; part: Record<string, unknown>; placement: unknown; id: string }[];
    loops: { connections: { from: { component: string }; id: string }[] }[];
    brief: Record<string, unknown>;
    [k: string]: unknown;
  };
  const CASES: readonly (readonly [string, (d: Loose) => void, string])[] = [
    [
      'wrong type',
      (d) => {
        d.brief.room_C = 'warm';
      },
      'brief.room_C',
    ],
    [
      'a number as text',
      (d) => {
        d.brief.room_C = '22';
      },
      'brief.room_C',
    ],
    [
      'missing',
      (d) => {
        delete d.brief.room_C;
      },
      'brief.room_C',
    ],
    [
      'out of range',
      (d) => {
        d.brief.room_C = 400;
      },
      'brief.room_C',
    ],
    [
      'null for a number',
      (d) => {
        d.brief.listener_m = null;
      },
      'brief.listener_m',
    ],
    [
      'not finite',
      (d) => {
        d.brief.room_C = Infinity;
      },
      'brief.room_C',
    ],
    [
      'NaN',
      (d) => {
        d.brief.room_C = NaN;
      },
      'brief.room_C',
    ],
    [
      'unknown kind of part',
      (d) => {
        (d.components[0] as { part: Record<string, unknown> }).part.kind = 'rocket';
      },
      'components[0].part.kind',
    ],
    [
      'unknown place',
      (d) => {
        (d.components[0] as { placement: unknown }).placement = { on: 'moon' };
      },
      'components[0].placement.on',
    ],
    [
      'unknown key',
      (d) => {
        d.surprise = 1;
      },
      'surprise',
    ],
    [
      'two parts with one id',
      (d) => {
        (d.components[1] as { id: string }).id = (d.components[0] as { id: string }).id;
      },
      'components[1]',
    ],
    [
      'a run from a part that is not there',
      (d) => {
        (d.loops[0] as Loose['loops'][number]).connections[0]!.from.component = 'ghost';
      },
      'loops[0].connections[0].from',
    ],
    [
      'two runs with one id',
      (d) => {
        const l = (d.loops[0] as Loose['loops'][number]).connections;
        l[1]!.id = l[0]!.id;
      },
      'loops[0].connections[1].id',
    ],
    [
      'a part that sits on itself',
      (d) => {
        (d.components[0] as { placement: unknown; id: string }).placement = {
          on: 'component',
          component: d.components[0]?.id,
        };
      },
      'components[0].placement.component',
    ],
    [
      'control characters in a name',
      (d) => {
        (d.components[0] as { name: unknown }).name = 'bell\u0007';
      },
      'components[0].name',
    ],
    [
      'a name too long',
      (d) => {
        d.name = 'x'.repeat(200);
      },
      'name',
    ],
    [
      'too many parts',
      (d) => {
        d.components = Array.from({ length: 200 }, (_, i) => ({
          ...(d.components[0] as object),
          id: `i${i}`,
        })) as Loose['components'];
      },
      'components',
    ],
    [
      'a pump whose head rises',
      (d) => {
        const p = d.components.find((i) => i.part.kind === 'pump');
        p!.part.points = [
          [0, 1],
          [5, 2],
        ];
      },
      'part.points',
    ],
    [
      'a tube thicker inside than outside',
      (d) => {
        const l = d.loops[0] as unknown as { tube: { inner_mm: number; outer_mm: number } };
        l.tube.inner_mm = l.tube.outer_mm + 1;
      },
      'loops[0].tube',
    ],
    [
      'other format',
      (d) => {
        d.format = 'other';
      },
      'format',
    ],
    [
      'future version',
      (d) => {
        d.version = 99;
      },
      'version',
    ],
    [
      'no version',
      (d) => {
        delete d.version;
      },
      'version',
    ],
    [
      'fractional version',
      (d) => {
        d.version = 1.5;
      },
      'version',
    ],
  ];

  test.each(CASES)('%s', (_, change, path) => {
    const diagnostic = spoiled(change as unknown as (d: Record<string, never>) => void);
    expect(diagnostic.length).toBeGreaterThan(0);
    expect(diagnostic.join('\n')).toContain(path);
  });

  test('a script in a name is only a name', () => {
    const d = copy();
    d.name = '<script>alert(1)</script>';
    const g = validateDesign(d);
    expect(g.ok).toBe(true);
  });

  test('keys that touch prototypes are unknown keys', () => {
    const g = parseDesign(
      JSON.stringify(desk).replace('"name":', '"__proto__":{"polluted":true},"name":'),
    );
    expect(g.ok).toBe(false);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });

  test.each([
    ['nothing', ''],
    ['half a file', '{"format":'],
    ['a list', '[]'],
    ['a number', '7'],
    ['null', 'null'],
    ['deep', `${'['.repeat(5000)}${']'.repeat(5000)}`],
  ])('%s is no build', (_, text) => {
    const g = parseDesign(text);
    expect(g.ok).toBe(false);
    if (!g.ok) expect(g.troubles[0]?.message).not.toMatch(/\bat .*\(.*:\d+:\d+\)/);
  });

  test('a file too large is not even parsed', () => {
    const g = parseDesign(' '.repeat(LIMITS.bytes + 1));
    expect(g).toMatchObject({ ok: false });
    if (!g.ok) expect(g.troubles[0]?.message).toContain('4,000,000');
  });

  test('no more than twenty troubles at once', () => {
    const d = copy();
    d.components = Array.from({ length: 60 }, () => ({}));
    expect(troubles(d).length).toBeLessThanOrEqual(LIMITS.troubles);
  });

  describe('hostile sizes are counted before anything is validated, and name the place and the limit', () => {
    const empty = (n: number): unknown[] => Array.from({ length: n }, () => ({}));
    const rows: readonly (readonly [
      string,
      (d: Record<string, unknown>) => void,
      string,
      string,
    ])[] = [
      [
        '20,000 empty parts',
        (d) => {
          d.components = empty(20_000);
        },
        'components',
        '2,000',
      ],
      [
        'a million values in lists of lists',
        (d) => {
          d.components = Array.from({ length: 1000 }, () => empty(1000));
        },
        '',
        '100,000 values',
      ],
      [
        '130 parts',
        (d) => {
          d.components = empty(130);
        },
        'components',
        'at most 120',
      ],
      [
        '9 loops',
        (d) => {
          d.loops = empty(9);
        },
        'loops',
        'at most 8',
      ],
      [
        '1,600 connections',
        (d) => {
          const [loop] = d.loops as { connections: unknown[] }[];
          d.loops = Array.from({ length: 8 }, (_, i) => ({
            ...loop,
            id: `l${i}`,
            connections: Array.from({ length: 200 }, (_x, k) => ({
              ...(loop?.connections[0] as object),
              id: `k${i}-${k}`,
            })),
          }));
        },
        'loops',
        '1,600 connections together; at most 240',
      ],
      [
        '500 points to lead runs through',
        (d) => {
          const [loop] = d.loops as { connections: { constraints?: unknown }[] }[];
          if (loop?.connections[0])
            loop.connections[0].constraints = { waypoints: empty(500).map(() => [0, 0, 0]) };
        },
        'loops',
        'led through 500 points together; at most 480',
      ],
      [
        '500 such points of an older document',
        (d) => {
          const [loop] = d.loops as { links?: unknown; connections?: unknown }[];
          if (loop) {
            loop.links = [{ way: { via: empty(500).map(() => [0, 0, 0]) } }];
            delete loop.connections;
          }
        },
        'loops',
        'led through 500 points together; at most 480',
      ],
      [
        '100 fans on one radiator',
        (d) => {
          const components = d.components as { id: string; part: { kind: string } }[],
            fan = components.find((i) => i.part.kind === 'fan'),
            radiator = components.find((i) => i.part.kind === 'radiator');
          d.components = [
            ...components,
            ...Array.from({ length: 100 }, (_, i) => ({
              ...fan,
              id: `f${i}`,
              placement: { on: 'radiator', component: radiator?.id, face: 'frame' },
            })),
          ];
        },
        'components',
        'more than 24 fans',
      ],
    ];
    test.each(rows)('%s', (_, change, path, limit) => {
      const d = copy();
      change(d);
      expect(countIssue(d)).toEqual({ path, message: expect.stringContaining(limit) });
      expect(validateDesign(d)).toMatchObject({ ok: false, troubles: [{ path }] });
    });

    test('what the demos hold is far from any limit', () => {
      for (const { design } of DEMO_BUILDS) expect(countIssue(design)).toBeNull();
    });

    test('wrong entries are told up to twenty, each at its place, and reading stops there', () => {
      const d = copy();
      d.components = empty(100);
      const g = validateDesign(d);
      expect(g.ok ? [] : g.troubles.map((t) => t.path.slice(0, 13)).slice(0, 2)).toEqual([
        'components[0]',
        'components[0]',
      ]);
      expect(g.ok ? 0 : g.troubles.length).toBe(20);
    });
  });

  test.each([[null], [7], [{}], [{ kind: 'constructor' }], [{ kind: 'tube' }]])(
    '%j is no part',
    (data) => {
      expect(validatePart(data).ok).toBe(false);
    },
  );
});

describe('edits through the guard', () => {
  test('a good one stands', () => {
    expect(validateEdit(desk, { do: 'design.rename', name: 'Other' })).toMatchObject({ ok: true });
  });

  test('one that spoils the build does not', () => {
    expect(validateEdit(desk, { do: 'brief.limit', values: { deltaT_K: -5 } })).toMatchObject({
      ok: false,
    });
    expect(validateEdit(desk, { do: 'component.remove', component: 'ghost' })).toMatchObject({
      ok: false,
      troubles: [{ path: 'components.ghost' }],
    });
    expect(
      validateEdit(desk, {
        do: 'patch',
        patches: [{ op: 'replace', path: ['__proto__', 'x'], value: 1 }],
      }).ok,
    ).toBe(false);
  });
});

describe('older documents', () => {
  const folder = join(__dirname, '../design/fixtures');
  const kept = readdirSync(folder).filter((f) => f.endsWith('.json'));

  test('each migration has a kept file', () => {
    expect(kept.map((f) => Number(/^v(\d+)/.exec(f)?.[1])).sort()).toEqual(
      Object.keys(MIGRATIONS).map(Number).sort(),
    );
  });

  test.each(kept)('%s opens', (file) => {
    const g = parseDesign(readFileSync(join(folder, file), 'utf8'));
    expect(g.ok ? [] : g.troubles).toEqual([]);
    if (!g.ok) return;
    const version = /^v(\d+)/.exec(file)?.[1];
    expect(g.value).toMatchObject({ version: BUILD_VERSION, name: `Kept from version ${version}` });
  });

  test('version 2 had names of its own: nothing of them is left, and nothing typed is lost', () => {
    const g = parseDesign(readFileSync(join(folder, 'v2.json'), 'utf8'));
    if (!g.ok) throw new Error('it does not open');
    const { value } = g;
    const part = (kind: string) => value.components.find((c) => c.part.kind === kind);
    expect(value.components[0]).toMatchObject({
      settings: { powerDraw_W: 90, shares: { gaming: 0.6, stress: 1 }, customShare: 0.4 },
    });
    expect(part('reservoir')?.settings).toMatchObject({ keepVisible: true });
    expect(part('card')?.part).toMatchObject({ shares: { gaming: 0.95, stress: 1 } });
    expect(part('block')?.placement).toEqual({ on: 'component', component: 'processor' });
    expect(value.loops[0]?.connections.find((c) => c.constraints)?.constraints).toEqual({
      exit: [1, 0, 0],
      entry: [0, 1, 0],
      waypoints: [[null, 210, null]],
      allow45: true,
    });
    expect(value.loops[0]?.connections[0]?.from).toEqual(desk.loops[0]?.connections[0]?.from);
    const fitting = { ...desk.kit.maleToMale, name: 'Double male joint, rotary' };
    // Tools that came later are not in it.
    const consumables = desk.kit.consumables?.filter(
      (c) => !['tube-bender', 'adhesive', 'clip'].includes(c.duty),
    );
    const cables = desk.kit.cables
      ?.filter((c) => c.duty === 'splitter' || c.duty === 'hub')
      .map(({ length_mm: _length, connector: _connector, ...cable }) => ({
        ...cable,
        // Its words have changed since.
        name: cable.name.replace('powered by the power supply', 'fed by the supply'),
      }));
    expect(value.kit).toEqual({ ...desk.kit, maleToMale: fitting, consumables, cables });
    expect(value.choices).toMatchObject({
      inventory: { 'scr-1': 4 },
      profile: [
        { load: 'gaming', seconds: 600 },
        { load: 'custom', seconds: 60 },
      ],
    });
    expect(value.layout.noRoute).toEqual({ 'run-9': { blockedBy: null, wouldFit: null } });
    const { layout } = JSON.parse(readFileSync(join(folder, 'v2.json'), 'utf8')) as {
      layout: Design['layout'];
    };
    expect(Object.keys(layout.routes).length).toBe(5);
    expect(value.layout.routes).toEqual(layout.routes);
  });

  test('version 3 screwed parts together by a joint; it is a direct connection now', () => {
    const text = readFileSync(join(folder, 'v3.json'), 'utf8'),
      planetarium = demoDesign('pocket-planetarium') as Design,
      g = parseDesign(text);
    if (!g.ok) throw new Error('it does not open');
    expect(text).toContain('"by": "joint"');
    expect(g.value.loops.map((l) => l.connections)).toEqual(
      planetarium.loops.map((l) => l.connections),
    );
    expect(g.value.loops[0]?.connections.some((c) => c.by === 'direct')).toBe(true);
    expect(g.value.kit.maleToMale).toMatchObject({ id: 'fit-joint', duty: 'maleToMale' });
  });

  test('version 4 kept one test bend; it is the first of several now', () => {
    const g = parseDesign(readFileSync(join(folder, 'v4.json'), 'utf8'));
    if (!g.ok) throw new Error('it does not open');
    expect(g.value.loops.map((l) => l.testBends)).toEqual([
      [{ set_deg: 90, left_deg: 86 }],
      undefined,
    ]);
  });

  test('radii are one for each corner, and an error says how many', () => {
    const route = desk.layout.routes['run-4'] as NonNullable<(typeof desk.layout.routes)[string]>;
    const g = parseDesign(
      JSON.stringify({
        ...desk,
        layout: { ...desk.layout, routes: { 'run-4': { ...route, radii_mm: [50] } } },
      }),
    );
    expect(g.ok ? '' : g.troubles.map((t) => t.message).join()).toContain(
      `${route.corners.length - 2} corners between its ends and 1 radii`,
    );
  });

  test('a part kept under the old names opens under the new ones', () => {
    const { hotSpots, shares, ...card } = catalogued('card', 'gpu-kite-200') as unknown as {
      hotSpots: unknown;
      shares: Record<string, number>;
    };
    const { gaming, stress, ...rest } = shares;
    const old = { ...card, spots: hotSpots, shares: { ...rest, play: gaming, torture: stress } };
    expect(validatePart(old)).toMatchObject({ ok: true, value: { hotSpots, shares } });
  });

  test('version 0 had its room and limits at the top', () => {
    const g = parseDesign(readFileSync(join(folder, 'v0.json'), 'utf8'));
    expect(g).toMatchObject({
      value: {
        brief: { room_C: 21, limits: { deltaT_K: 11, clear_mm: 5 } },
        layout: { routes: {}, poses: {}, noRoute: {} },
      },
    });
  });

  test('version 1 kept a pinned route in its connection: it is pinned in the layout, and what else was set stays', () => {
    const g = parseDesign(readFileSync(join(folder, 'v1.json'), 'utf8'));
    if (!g.ok) throw new Error('it does not open');
    // As the file has it.
    const stored = {
      corners: [
        [113.57, 360.25, 79.309397513309],
        [159.07, 405.75, 143.65611460128483],
        [304.5, 265, 100],
        [304.5, 396, 100],
      ],
      radius_mm: 54.57330164297773,
      from: {
        piece: 'rotary45',
        direction: [0.5000000000000001, 0.4999999999999999, 0.7071067811865476],
      },
      to: { piece: 'extender', direction: [0, -1, 0] },
    };
    expect(g.value.layout.routes).toEqual({
      'run-4': { ...stored, kept_mm: 0, router: 0, pinned: true },
    });
    expect(g.value.loops[0]?.connections.find((l) => l.id === 'run-4')?.constraints).toEqual({
      exit: [0, 1, 0],
    });
  });
});
