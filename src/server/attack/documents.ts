import { catalogued, demoDesign } from '@/catalogue';
import type { Component, Connection, Design } from '@/core/design';

/**
 * Documents made to cost: each is under the size limit, and each has stopped a server once, or is
 * the largest that passes the guard. For tests and for `npm run soak`.
 */
export interface Attack {
  readonly name: string;
  readonly document: unknown;
}

const tower = demoDesign('fenland-flood-tower') as Design;

const withConnections = (design: Design, connections: readonly Connection[]): Design => ({
  ...design,
  loops: design.loops.map((loop, i) => (i === 0 ? { ...loop, connections } : loop)),
});

const firstLoop = tower.loops[0] as Design['loops'][0];
const tubes = firstLoop.connections.filter((c) => c.by === 'tube');
const [tube] = tubes as [Connection];

/** Runs over and over between the ports that there are. */
const manyRuns = (count: number, pick: (i: number) => Connection): readonly Connection[] =>
  Array.from({ length: count }, (_, i) => ({ ...pick(i), id: `many-${i}` }));

const fan = catalogued('fan', 'fan-wren-120-1200');
const radiator = tower.components.find((c) => c.part.kind === 'radiator') as Component;

const fansOn = (count: number): readonly Component[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `fan-${i}`,
    name: `Fan ${i}`,
    part: fan,
    placement: { on: 'radiator', component: radiator.id, face: i % 2 ? 'frame' : 'interior' },
    settings: { speed_rpm: 900 },
  })) as unknown as readonly Component[];

/** Parts strewn over the case, as many as may be. */
const strewn = (count: number): Design => {
  const [block] = tower.components.filter((c) => c.part.kind === 'reservoir') as [Component];
  const added = Array.from({ length: count - tower.components.length }, (_, i) => ({
    ...block,
    id: `strewn-${i}`,
    placement: {
      on: 'free',
      at: [20 + (i % 10) * 40, 20 + (Math.floor(i / 10) % 10) * 40, 60],
      turn: block.placement.on === 'free' ? block.placement.turn : 0,
    },
  })) as unknown as Component[];
  return { ...tower, components: [...tower.components, ...added] };
};

/** A mesh: every wet part joined with every other, as far as the limit lets it. */
const meshed = (count: number): Design => {
  const wet = tower.components.filter((c) => 'ports' in c.part && c.part.ports.length >= 2);
  const pairs = wet.flatMap((a) => wet.filter((b) => b !== a).map((b) => [a, b] as const));
  const portOf = (c: Component, i: number): string => {
    const ports = 'ports' in c.part ? c.part.ports : [];
    return ports[i % ports.length]?.id ?? '';
  };
  const connections = Array.from({ length: count }, (_, i): Connection => {
    const [a, b] = pairs[i % pairs.length] as (typeof pairs)[0];
    return {
      ...tube,
      id: `many-${i}` as Connection['id'],
      from: { component: a.id, port: portOf(a, i) },
      to: { component: b.id, port: portOf(b, i + 1) },
    } as Connection;
  });
  return withConnections({ ...tower, layout: { routes: {}, poses: {}, noRoute: {} } }, connections);
};

/** Way points of a run: 43 KB of them in one document. */
const wayPoints = (runs: number, each: number): Design =>
  withConnections(
    tower,
    firstLoop.connections.map((c, k) =>
      k < runs && c.by === 'tube'
        ? {
            ...c,
            constraints: {
              waypoints: Array.from(
                { length: each },
                (_, i) =>
                  [10 + ((i * 37) % 300), 10 + ((i * 53) % 300), 10 + ((i * 71) % 150)] as const,
              ),
            },
          }
        : c,
    ) as Connection[],
  );

export const ATTACKS: readonly Attack[] = [
  {
    name: '1,600 connections',
    document: withConnections(
      tower,
      manyRuns(1600, (i) => tubes[i % tubes.length] as Connection),
    ),
  },
  {
    name: '200 runs over and over',
    document: withConnections(
      tower,
      manyRuns(200, (i) => tubes[i % tubes.length] as Connection),
    ),
  },
  {
    name: '180 runs between the same two ports',
    document: withConnections(
      tower,
      manyRuns(180, () => tube),
    ),
  },
  {
    name: '180 runs between the same two ports, unrouted',
    document: {
      ...withConnections(
        tower,
        manyRuns(180, () => tube),
      ),
      layout: { routes: {}, poses: {}, noRoute: {} },
    },
  },
  { name: 'a mesh of 200 runs', document: meshed(200) },
  {
    name: '120 fans on one radiator',
    document: {
      ...tower,
      components: [...tower.components.filter((c) => c.part.kind !== 'fan'), ...fansOn(120)].slice(
        0,
        160,
      ),
    },
  },
  {
    name: '24 fans on one radiator',
    document: {
      ...tower,
      components: [...tower.components.filter((c) => c.part.kind !== 'fan'), ...fansOn(24)],
    },
  },
  { name: '120 parts in one case', document: strewn(120) },
  { name: '43 KB of way points', document: wayPoints(99, 400) },
  { name: 'as many way points as may be', document: wayPoints(99, 8) },
  {
    name: 'a list of 20,000 {}',
    document: { ...tower, components: Array.from({ length: 20_000 }, () => ({})) },
  },
  {
    name: 'lists of {} wherever a list may be',
    document: {
      ...tower,
      loops: Array.from({ length: 8 }, () => ({
        ...firstLoop,
        connections: Array.from({ length: 1000 }, () => ({})),
        caps: Array.from({ length: 1900 }, () => ({})),
      })),
    },
  },
  {
    name: '3.9 MB of {}',
    document: {
      ...tower,
      choices: {
        removed: Array.from({ length: 1900 }, () => Array.from({ length: 680 }, () => ({}))),
      },
    },
  },
];
