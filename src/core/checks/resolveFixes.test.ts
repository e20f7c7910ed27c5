import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '../design';
import { analyse, JUDGE } from '../analysis';
import type { Finding, OpenFinding } from './diagnostic';
import { anyKindWorse, findingKey, resolveFixes } from './resolveFixes';

const desk = demoDesign('dawn-chorus-desk') as Design,
  tower = demoDesign('fenland-flood-tower') as Design,
  box = demoDesign('pocket-planetarium') as Design;
const edited = (design: Design, ...edits: Edit[]): Design =>
  edits.reduce((b, e) => applyEdit(b, e).design, design);
const finding = (
  code: string,
  severity: Finding['severity'],
  subjects: readonly string[],
): OpenFinding => ({
  code,
  severity,
  subjects,
  stage: 'case',
  title: code,
  detail: '',
  source: '',
  candidates: () => [],
});

/** Builds with something wrong: mistakes of a newcomer, one a build. */
const WRONG: readonly (readonly [string, Design])[] = [
  ['the planetarium as it is', box],
  [
    'a thick radiator in front',
    edited(desk, {
      do: 'component.replace',
      component: 'front-radiator',
      part: catalogued('radiator', 'rad-fell-360-60'),
    }),
  ],
  [
    'a radiator on a mount that is taken',
    edited(desk, {
      do: 'component.place',
      component: 'front-radiator',
      placement: { on: 'mount', mount: 'top', slide_mm: 0, ports: 'end', air: 'in' },
    }),
  ],
  ['slow fans', edited(desk, { do: 'fans.speed', speed_rpm: 500 })],
  ['loud fans', edited(tower, { do: 'fans.speed', speed_rpm: 2000 })],
  [
    'a slow pump',
    edited(desk, { do: 'component.set', component: 'pump', values: { speed_rpm: 1200 } }),
  ],
  [
    'the pump moved aside',
    edited(desk, {
      do: 'component.place',
      component: 'pump',
      placement: { on: 'free', at: [332, 99, 115], turn: 0 },
    }),
  ],
  [
    'no plugs',
    edited(
      tower,
      ...(tower.loops[0]?.caps ?? []).map((c): Edit => ({
        do: 'cap.set',
        loop: 'loop',
        port: c,
        with: null,
      })),
    ),
  ],
];

describe('fixes that are offered', () => {
  test.each(WRONG)('%s: each holds, and no kind of finding is worse', (_, design) => {
    const lost = (findings: readonly Finding[]): number =>
      findings.reduce((sum, x) => sum + (x.code === 'run.unrouted' ? x.subjects.length : 0), 0);
    let offered = 0;
    for (const f of analyse(design, { offer: CATALOGUE }).findings) {
      for (const { edit } of resolveFixes(design, f, JUDGE)) {
        offered += 1;
        const changed = applyEdit(design, edit).design;
        // One basis: as routed where no run loses its way, all estimated otherwise.
        const kept = lost(JUDGE.asRouted(changed)) <= lost(JUDGE.asRouted(design));
        const [before, after] = [design, changed].map(kept ? JUDGE.asRouted : JUDGE.estimated) as [
          readonly Finding[],
          readonly Finding[],
        ];
        expect(after.map(findingKey)).not.toContain(findingKey(f));
        const fails = (list: readonly Finding[], code: string): number =>
          list.filter((x) => x.code === code && x.severity === 'fails').length;
        for (const code of new Set(after.map((x) => x.code)))
          expect([code, fails(after, code)]).toEqual([
            code,
            Math.min(fails(after, code), fails(before, code)),
          ]);
      }
    }
    expect(offered).toBeGreaterThan(0);
  });

  test('a radiator is never sent to a mount that is taken', () => {
    const crowded = edited(desk, {
      do: 'component.replace',
      component: 'front-radiator',
      part: catalogued('radiator', 'rad-fell-360-60'),
    });
    for (const f of analyse(crowded, { offer: CATALOGUE }).findings)
      for (const { edit } of resolveFixes(crowded, f, JUDGE)) {
        const mounts = applyEdit(crowded, edit).design.components.flatMap((i) =>
          i.placement.on === 'mount' ? [i.placement.mount] : [],
        );
        expect(new Set(mounts).size).toBe(mounts.length);
      }
  });

  test('a thinner radiator comes with plugs for the ports the loop does not use', () => {
    const many = { ...catalogued('radiator', 'rad-tarn-240-30'), id: 'own-many' };
    const [port] = many.ports;
    const ports = [
      ...many.ports,
      { ...(port as (typeof many.ports)[number]), id: 'spare', at: [30, 30, 15] as const },
    ];
    for (const f of analyse(box, { offer: [{ ...many, ports }] }).findings.filter(
      (x) => x.code === 'fit.clash',
    ))
      for (const { edit, label } of f.candidates(JUDGE)) {
        if (!label.startsWith('Use a thinner core')) continue;
        expect(applyEdit(box, edit).design.loops.flatMap((l) => l.caps)).toContainEqual({
          component: 'top-radiator',
          port: 'spare',
          with: 'plug',
        });
      }
  });

  test('a drain that is shut is never offered to be opened', () => {
    const valve = catalogued('inline', 'inl-valve'),
      tee = catalogued('inline', 'inl-tee');
    const connections = desk.loops[0]?.connections ?? [],
      [first] = connections.filter((l) => l.from.component === 'pump');
    if (!first) throw new Error('no run from the pump');
    const ports = (part: typeof tee): string[] => part.ports.map((p) => p.id);
    const drained = edited(
      desk,
      {
        do: 'component.add',
        component: { id: 'tee', name: 'Tee', part: tee, placement: { on: 'line' }, settings: {} },
      },
      {
        do: 'component.add',
        component: {
          id: 'drain',
          name: 'Drain',
          part: valve,
          placement: { on: 'line' },
          settings: { shut: true },
        },
      },
      {
        do: 'loop.connections',
        loop: 'loop',
        connections: [
          ...connections.filter((l) => l !== first),
          { ...first, to: { component: 'tee', port: ports(tee)[0] as string } },
          { ...first, id: 'on', from: { component: 'tee', port: ports(tee)[1] as string } },
          {
            ...first,
            id: 'out',
            from: { component: 'tee', port: ports(tee)[2] as string },
            to: { component: 'drain', port: ports(valve)[0] as string },
          },
        ],
      },
      {
        do: 'cap.set',
        loop: 'loop',
        port: { component: 'drain', port: ports(valve)[1] as string },
        with: 'drain',
      },
    );
    for (const f of analyse(drained, { offer: CATALOGUE }).findings)
      for (const c of f.candidates(JUDGE))
        expect(JSON.stringify(c.edit)).not.toContain('"shut":false');
  });
});

describe('worse by kind', () => {
  const clash = finding('fit.clash', 'fails', ['a', 'b']);
  test.each<[string, Finding[], Finding[], boolean]>([
    ['gone and nothing new', [clash], [], false],
    [
      'another of the same kind instead: the count is the same',
      [clash],
      [finding('fit.clash', 'fails', ['a', 'c'])],
      false,
    ],
    [
      'two for one',
      [clash],
      [finding('fit.clash', 'fails', ['a', 'c']), finding('fit.clash', 'fails', ['b', 'c'])],
      true,
    ],
    ['one kind for another', [clash], [finding('rule.port-open', 'fails', ['c'])], true],
    [
      'a sum that falls, one kind that rises',
      [clash, finding('fit.clash', 'fails', ['c', 'd']), finding('fit.clash', 'fails', ['e', 'f'])],
      [finding('rule.port-open', 'fails', ['c'])],
      true,
    ],
    [
      'milder, about the same things',
      [clash],
      [finding('fit.tight', 'marginal', ['a', 'b'])],
      false,
    ],
    ['milder, about others', [clash], [finding('fit.tight', 'marginal', ['c', 'd'])], true],
    ['a note', [clash], [finding('heat.on-air', 'note', ['c'])], false],
    ['of routing, which is done anew', [clash], [finding('run.no-way', 'fails', ['run-1'])], false],
    [
      'marginal turns to failing',
      [clash, finding('flow.low', 'marginal', ['loop'])],
      [finding('flow.low', 'fails', ['loop'])],
      true,
    ],
  ])('%s', (_, before, after, worse) => {
    expect(anyKindWorse(before, after, clash)).toBe(worse);
  });
});
