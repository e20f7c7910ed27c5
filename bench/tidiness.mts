/** How tidy hard tube lies: demos, machines and random builds, each laid out by the layout search. */
import { catalogued, DEMO_BUILDS, STANDARD_KIT } from '../src/catalogue';
import { EMPTY_BOX } from '../src/catalogue/emptyBox.fixture';
import { MACHINES } from '../src/catalogue/machines';
import {
  applyEdit,
  emptyDesign,
  EMPTY_LAYOUT,
  type Component,
  type Connection,
  type Design,
  type Turn,
} from '../src/core/design';
import { improvedLayout } from '../src/core/layoutSearch';
import { compileSystem } from '../src/core/system';
import { routesOf, tidinessOf, withRoutes, type RunTidiness } from '../src/core/routing';

const HARD = {
  tube: catalogued('tube', 'tube-petg-14-10'),
  fitting: catalogued('fitting', 'fit-hard-14'),
};
const RANDOM_BUILDS = 100;

/** The same build in hard tube, nothing laid. */
const inHardTube = (design: Design): Design => ({
  ...design,
  loops: design.loops.map((l) => (l.tube.hard ? l : { ...l, ...HARD })),
  layout: EMPTY_LAYOUT,
});

/** Numbers of no plan that are the same every time (mulberry32). */
function numbers(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A reservoir, a pump and two valves strewn about an empty box, joined in a ring. */
function strewn(seed: number): Design {
  const next = numbers(seed);
  const within = (low: number, high: number): number => Math.round(low + next() * (high - low));
  const parts = [
    catalogued('reservoir', 'res-osier-100'),
    catalogued('pump', 'pump-brook-small'),
    catalogued('inline', 'inl-valve'),
    catalogued('inline', 'inl-filter'),
  ];
  // One to a quarter of the box, so that none stands in another.
  const components = parts.map((part, i): Component => ({
    id: `part-${i}`,
    name: `Part ${i + 1}`,
    part,
    placement: {
      on: 'free',
      at: [within(90, 210) + (i % 2) * 300, within(60, 330), within(90, 130) + (i >> 1) * 220],
      turn: (90 * within(0, 3)) as Turn,
    },
    settings: {},
  }));
  const run = (n: number, from: number, out: string, to: number, into: string): Connection => ({
    id: `run-${n}`,
    from: { component: `part-${from}`, port: out },
    to: { component: `part-${to}`, port: into },
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
  });
  const connections = [
    run(1, 0, 'low', 1, 'in'),
    run(2, 1, 'out', 2, 'in'),
    run(3, 2, 'out', 3, 'in'),
    run(4, 3, 'out', 0, 'return'),
  ];
  const coolant = catalogued('coolant', 'cool-clear-premix');
  return {
    ...emptyDesign('Strewn', STANDARD_KIT),
    case: EMPTY_BOX,
    components,
    loops: [
      { id: 'loop', name: 'Loop', ...HARD, coolant, coolantAge_months: 0, connections, caps: [] },
    ],
  };
}

interface Laid {
  readonly runs: readonly RunTidiness[];
  readonly crossings: number;
  readonly missing: number;
}

function laidOut(design: Design): Laid {
  const found = improvedLayout(design);
  const laid = found ? applyEdit(design, found.edit).design : withRoutes(design);
  const system = compileSystem(laid);
  const { routes, missing } = routesOf(system);
  return tidinessOf(system, routes, missing.length);
}

const sum = (runs: readonly RunTidiness[], of: (r: RunTidiness) => number): number =>
  runs.reduce((s, r) => s + of(r), 0);
const share = (runs: readonly RunTidiness[], holds: (r: RunTidiness) => boolean): string =>
  `${Math.round((100 * runs.filter(holds).length) / runs.length)} %`;

function tell(name: string, all: readonly Laid[]): void {
  const runs = all.flatMap((l) => l.runs);
  const ratio = (a: number, b: number): string => (a / b).toFixed(3);
  console.log(
    [
      `${name}: ${runs.length} runs`,
      `bends a run ${ratio(
        sum(runs, (r) => r.bends),
        runs.length,
      )} (≤ 2.0)`,
      `≤ 3 bends ${share(runs, (r) => r.bends <= 3)} (≥ 90 %)`,
      `above 4: ${runs.filter((r) => r.bends > 4).length}`,
      `≤ 2 planes ${share(runs, (r) => r.planes <= 2)} (≥ 90 %)`,
      `bends over bound ${ratio(
        sum(runs, (r) => r.bends),
        sum(runs, (r) => r.leastBends),
      )} (≤ 1.25)`,
      `length over bound ${ratio(
        sum(runs, (r) => r.length_mm),
        sum(runs, (r) => r.leastLength_mm),
      )} (≤ 1.15)`,
      `legs shared ${Math.round((100 * sum(runs, (r) => r.sharedLegs)) / sum(runs, (r) => r.legs))} % (≥ 50 %)`,
      `crossings ${all.reduce((n, l) => n + l.crossings, 0)}`,
      `without a route ${all.reduce((n, l) => n + l.missing, 0)}`,
    ].join('; '),
  );
}

/** Prints how hard tube lies in demos as they are kept, in machines, and in builds of no plan. */
export function tellTidiness(): void {
  console.log('\nTidiness of hard tube, ports, turns and places chosen by the layout search:');
  const kept = DEMO_BUILDS.map(({ design }): Laid => {
    const system = compileSystem(design);
    const { routes, missing } = routesOf(system);
    return tidinessOf(system, routes, missing.length);
  });
  const hard = kept.map((l) => ({ ...l, runs: l.runs.filter((r) => r.hard) }));
  tell('demos, as they are kept', hard);
  const machines = MACHINES.map(({ make }) => laidOut(inHardTube(make())));
  tell('machines, in hard tube', machines);
  const random = Array.from({ length: RANDOM_BUILDS }, (_, i) => laidOut(strewn(i + 1)));
  tell(`${RANDOM_BUILDS} random builds`, random);
  tell('all of them', [...hard, ...machines, ...random]);
  const turning = kept.flatMap((l) => l.runs.filter((r) => !r.hard));
  console.log(
    `soft tube of the demos: turning ${(
      sum(turning, (r) => r.turning_deg) / sum(turning, (r) => r.leastTurning_deg)
    ).toFixed(2)} of the least for its ends (≤ 1.3)`,
  );
}
