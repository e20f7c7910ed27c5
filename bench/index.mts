/**
 * Speed as ratios in one run, never as a timed test: medians side by side on the machine at hand.
 */
import { cpus } from 'node:os';
import { InitHydOption, Option, Project, Workspace } from 'epanet-js';
import { Bench } from 'tinybench';
import { CATALOGUE, DEMO_BUILDS, demoDesign } from '../src/catalogue';
import { applyEdit, EMPTY_LAYOUT, type Design } from '../src/core/design';
import { improvedLayout } from '../src/core/layoutSearch';
import { evaluate, analyse } from '../src/core/analysis';
import { gapsAround, measureGaps, portFits } from '../src/core/clearance';
import {
  flowAtShares,
  pumpCurve,
  readyNetwork,
  solveFlow,
  solveNetwork,
  type FlowNetwork,
  type NetworkLink,
} from '../src/core/hydraulics';
import {
  coolingCurves,
  crossflowApproximation,
  crossflowEffectiveness,
  solveHeat,
  temperatureUncertainty,
} from '../src/core/thermal';
import { water } from '../src/core/fluids';
import { parseDesign } from '../src/core/validation';
import { inpLoops, readInp, writeInp } from '../src/format/inp';
import { evaluateVariants, whatFits } from '../src/core/studies';
import { compileSystem } from '../src/core/system';
import { placePieces, rerouteRun, routeAll, routesOf, withLegAt } from '../src/core/routing';
import { solveCoupled } from '../src/core/thermal';
import { runTransient } from '../src/core/transient';
import { fortyRuns } from './forty.mjs';
import { servedBench } from './served.mjs';
import { tellTidiness } from './tidiness.mjs';
import { sessionBench } from './session.mjs';

const tower = demoDesign('fenland-flood-tower') as Design;
const text = JSON.stringify(tower);
const w = analyse(tower);
const deskNow = analyse(demoDesign('dawn-chorus-desk') as Design);
const temperatures = new Map(w.reports.flow.loops.map((l) => [l.id, l.coolant_C]));

/** A ladder of parallel branches: a network larger than any loop a builder makes. */
function ladder(rungs: number): FlowNetwork {
  const part = (id: string, from: string, to: string, k: number): NetworkLink => ({
    id,
    from,
    to,
    pipe: { length_mm: 300, bore_mm: 10, minor: [{ k: 20 * k, bore_mm: 10, of: 'part' }] },
  });
  const links: NetworkLink[] = [
    {
      id: 'pump',
      from: 'a0',
      to: 'b0',
      pump: {
        speed: 1,
        curve: pumpCurve(
          [
            [0, 6],
            [10, 5],
            [20, 3.4],
            [40, 0.2],
          ],
          4800,
        ),
      },
    },
  ];
  for (let i = 0; i < rungs; i += 1)
    links.push(
      part(`r${i}`, `b${i}`, `a${i}`, 1 + (i % 3)),
      part(`f${i}`, `b${i}`, `b${i + 1}`, 0.1),
      {
        id: `e${i}`,
        from: `a${i + 1}`,
        to: `a${i}`,
        pipe: { length_mm: 200 + i, bore_mm: 10, minor: [] },
      },
    );
  links.push(part('last', `b${rungs}`, `a${rungs}`, 1));
  return { fluid: water(30), links, fixed: ['a0'] };
}
const big = ladder(66),
  bigReady = readyNetwork(big);
const split = readyNetwork(splitNetwork());
const thousand = Array.from({ length: 1000 }, (_, i) => 0.2 + (0.8 * i) / 1000);

/** Three branches between two headers, pump and radiator in the trunk. */
function splitNetwork(): FlowNetwork {
  const tube = (id: string, from: string, to: string, length_mm: number): NetworkLink => ({
    id,
    from,
    to,
    pipe: { length_mm, bore_mm: 10, minor: [{ k: 2, bore_mm: 9, of: 'ends' }] },
  });
  const block = (id: string, from: string, to: string): NetworkLink => ({
    id,
    from,
    to,
    curve: { a: 0.3, b: 0.6 },
  });
  return {
    fluid: water(30),
    fixed: ['tank'],
    links: [
      {
        id: 'pump',
        from: 'tank',
        to: 'p',
        pump: {
          speed: 1,
          curve: pumpCurve(
            [
              [0, 4],
              [5, 3.5],
              [10, 2.75],
              [20, 0.5],
            ],
            4800,
          ),
        },
      },
      tube('t0', 'p', 's', 300),
      ...[1, 2, 3].flatMap((i) => [
        tube(`t${i}`, 's', `x${i}`, 200 + 50 * i),
        block(`b${i}`, `x${i}`, 'j'),
      ]),
      tube('t4', 'j', 'r', 400),
      block('radiator', 'r', 'tank'),
    ],
  };
}

/** Sixty radiators: each of the Stores in four depths. */
const sixty = [
  ...CATALOGUE.filter((p) => p.kind === 'fan'),
  ...CATALOGUE.flatMap((p) =>
    p.kind === 'radiator'
      ? [0, 6, 12, 24].map((deeper) => ({
          ...p,
          id: `${p.id}-${deeper}`,
          size: [p.size[0], p.size[1], p.size[2] + deeper] as const,
        }))
      : [],
  ),
];
let dragged = 0;
const hung = compileSystem(tower);

/** Every run of the tower in turn, as a hand would hold it. */
const laid = routesOf(hung),
  links = laid.routes.map((r) => r.connection);
/** Every leg of the hard runs drawn by hand to either side, across each axis that it lies across. */
const held = laid.routes.flatMap(({ connection, loop, corners }) =>
  corners.slice(1).flatMap((b, leg) =>
    ([0, 1, 2] as const).flatMap((axis) => {
      const a = corners[leg] ?? b;
      if (Math.abs(a[axis] - b[axis]) > 0.6) return [];
      return [25, -40].map((by) => {
        const waypoints = withLegAt([], corners, leg, axis, Math.round(a[axis] + by));
        const edit = {
          do: 'connection.way',
          loop,
          connection,
          constraints: { waypoints },
        } as const;
        return { connection, design: applyEdit(tower, edit).design };
      });
    }),
  ),
);
let inHand = 0;

/** Kept so that no loop is optimised away. */
let sink = 0;

const bench = new Bench({ time: 600, warmupTime: 300 });
bench
  .add('evaluate, largest demo (limit of the issue: 10 ms)', () => {
    evaluate(tower);
  })
  .add('an edit worked out with every run laid, largest demo (limit 50 ms with drawing)', () => {
    analyse(tower, { offer: CATALOGUE });
  })
  .add('evaluate with fixes offered, planetarium', () => {
    evaluate(demoDesign('pocket-planetarium') as Design, { offer: CATALOGUE });
  })
  .add('  of it: place and connect', () => {
    compileSystem(tower);
  })
  .add('  of it: all gaps (limit 5 ms)', () => {
    measureGaps(w.system);
  })
  .add('room at all ports, largest demo', () => {
    sink += portFits(w.system, w.reports.runs).length;
  })
  .add('a radiator dragged: placed anew, its gaps (limit 16 ms)', () => {
    dragged += 1;
    const moved = compileSystem({
      ...tower,
      components: tower.components.map((i) =>
        i.id === 'top-radiator' && i.placement.on === 'mount'
          ? { ...i, placement: { ...i.placement, slide_mm: dragged % 40 } }
          : i,
      ),
    });
    sink += gapsAround(moved, new Set(['top-radiator', 'top-fans'])).length;
  })
  .add(
    `one run routed anew while it is dragged, each of ${links.length} in turn (limit 60 ms)`,
    () => {
      inHand += 1;
      sink += rerouteRun(tower, laid, links[inHand % links.length] as string).routes.length;
    },
  )
  .add(
    `a leg of a run drawn by hand into another plane, each of ${held.length} in turn (limit 60 ms)`,
    () => {
      inHand += 1;
      const { design, connection } = held[inHand % held.length] as (typeof held)[number];
      sink += rerouteRun(design, laid, connection).routes.length;
    },
  )
  .add('  of it: flow of both loops', () => {
    solveFlow(w.system, w.reports.runs, temperatures);
  })
  .add('  of it: heat of one load case', () => {
    solveHeat(w.thermalModel, w.reports.flow, 'render');
  })
  .add('steady state of two loops, flow and heat in rounds (limit 5 ms)', () => {
    solveCoupled(w.system, w.reports.runs, w.thermalModel, 'render');
  })
  .add('flow, air and heat of two loops together, nothing kept (limit 3 ms)', () => {
    solveCoupled(w.system, w.reports.runs, { ...w.thermalModel }, 'render');
  })
  .add('100 whole analyses of flow, air and heat, desk (limit 50 ms)', () => {
    for (let i = 0; i < 100; i += 1)
      solveCoupled(deskNow.system, deskNow.reports.runs, { ...deskNow.thermalModel }, 'stress');
  })
  .add('one edit applied', () => {
    applyEdit(tower, { do: 'fans.speed', speed_rpm: 1200 });
  })
  .add('guard of the whole document', () => {
    parseDesign(text);
  })
  .add('rise against noise, 5 curves × 30 speeds (limit 150 ms)', () => {
    coolingCurves(w.thermalModel, w.reports.flow, 'render', 29);
  })
  .add('one hour at 1 s, two loops, from cold (limit 15 ms)', () => {
    sink +=
      runTransient(w.thermalModel, w.reports.flow, w.reports.runs, {
        profile: [{ load: 'render', seconds: 3600 }],
        start: 'cold',
      })?.balance.error ?? 0;
  })
  .add('500 draws of uncertainty (limit 150 ms)', () => {
    sink += temperatureUncertainty(w.thermalModel, w.reports.flow, 'render', 500)?.riseOver ?? 0;
  })
  .add('every single change judged whole, desk', () => {
    sink += evaluateVariants(demoDesign('dawn-chorus-desk') as Design, CATALOGUE).length;
  })
  .add('network of 200 links, from nothing (limit 5 ms)', () => {
    sink += solveNetwork(big).iterations;
  })
  .add('network of 200 links, made ready', () => {
    sink += bigReady.run().iterations;
  })
  .add('1,000 operating points of a loop with three branches (limit 50 ms)', () => {
    sink += flowAtShares(split.network, thousand)[999] ?? 0;
  })
  .add('effectiveness, exact series × 1,000', () => {
    for (let i = 0; i < 1000; i += 1) sink += crossflowEffectiveness(0.2 + i / 300, 0.3);
  })
  .add('effectiveness, approximate formula × 1,000', () => {
    for (let i = 0; i < 1000; i += 1) sink += crossflowApproximation(0.2 + i / 300, 0.3);
  });
const forty = fortyRuns();
/** What takes seconds is run a few times only. */
const slow = new Bench({ iterations: 3, time: 1, warmup: false });
slow
  .add('what fits: 60 radiators on every mount, with whole sets (limit 2,000 ms)', () => {
    sink += whatFits(tower, sixty).mounts.length;
  })
  .add('layout of two loops: ports, turns, places and all runs (limit 10,000 ms)', () => {
    sink += improvedLayout({ ...tower, layout: EMPTY_LAYOUT })?.after.runs ?? 0;
  })
  .add('  of it: the first layout with a way for every run (limit 2,000 ms)', () => {
    let isHeard = false;
    const first = improvedLayout(
      { ...tower, layout: EMPTY_LAYOUT },
      () => !isHeard,
      ({ after }) => (isHeard ||= after.missing === 0),
    );
    sink += first?.after.runs ?? 0;
  })
  .add('all runs of two loops routed (limit 1,500 ms)', () => {
    sink += routeAll(hung).routes.length;
  })
  .add('forty runs in a large box (limit 8,000 ms)', () => {
    sink += routeAll(forty).routes.length;
  })
  .add('  before it: pieces in the runs placed', () => {
    sink += placePieces(tower).size;
  });
sessionBench();
await bench.run();
await slow.run();

if (!Number.isFinite(sink)) throw new Error('the bench computed nonsense');

const median = (name: string): number => {
  const r = [...bench.tasks, ...slow.tasks].find((t) => t.name === name)?.result as
    { latency?: { p50?: number } } | undefined;
  return r?.latency?.p50 ?? NaN;
};
const whole = median(bench.tasks[0]?.name ?? '');
console.log(
  `${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${cpus().length} threads, Node ${process.version}, ${DEMO_BUILDS.length} demos`,
);
console.log(`${'task'.padEnd(70)}${'median'.padStart(12)}${'of an evaluation'.padStart(20)}`);
for (const t of [...bench.tasks, ...slow.tasks]) {
  const m = median(t.name);
  console.log(
    `${t.name.padEnd(70)}${`${m.toFixed(3)} ms`.padStart(12)}${`× ${(m / whole).toFixed(3)}`.padStart(20)}`,
  );
}

/**
 * Our solve against EPANET's on the same exported networks, each already open and made ready; both
 * start anew from their own first guess.
 */
const workspace = new Workspace();
await workspace.loadModule();
interface Pairing {
  readonly name: string;
  readonly text: string;
  run(): void;
}
const solving = (networks: readonly FlowNetwork[]): (() => void) => {
  const ready = networks.map(readyNetwork);
  return () => {
    for (const r of ready) sink += r.run().iterations;
  };
};
/** What the file says is what both solve: ours is read back from it. */
const fromFile = (name: string, text: string): Pairing => ({
  name,
  text,
  run: solving(readInp(text).map((l) => l.network)),
});
const demos = DEMO_BUILDS.map((d) => {
  const own = analyse(d.design);
  const loops = inpLoops(own.system, own.reports.runs, own.reports.flow);
  return { name: d.name, text: writeInp(d.name, loops), loops };
});
const solid: readonly Pairing[] = [
  ...demos.map((d) => fromFile(d.name, d.text)),
  ...demos
    .filter((d) => d.loops.some((l) => l.network.links.some((k) => k.tee)))
    .map((d): Pairing => ({
      name: 'its tees by split',
      text: d.text,
      run: solving(d.loops.map((l) => l.network)),
    })),
  fromFile(
    'three branches',
    writeInp('three branches', [{ id: 'loop', name: 'loop', network: split.network }]),
  ),
  fromFile('ladder of 200 links', writeInp('ladder', [{ id: 'loop', name: 'loop', network: big }])),
];
console.log(
  '\nEPANET 2.3.5, project open: solveH is one whole solve; runH one more with the hydraulics held open and flows started anew.\nOurs is read back from the same file and starts from its own first guess, made once (friction factors held, found anew twice); a file holds a tee\'s loss as solved, "by split" finds it too.',
);
console.log(
  `${'one solve'.padEnd(24)}${'solveH'.padStart(14)}${'runH'.padStart(14)}${'ours'.padStart(12)}${'against solveH'.padStart(16)}${'against runH'.padStart(16)}`,
);
for (const s of solid) {
  const project = new Project(workspace);
  workspace.writeFile('bench.inp', s.text);
  project.open('bench.inp', 'bench.rpt', 'bench.bin');
  project.setOption(Option.Accuracy, 1e-8);
  const pair = new Bench({ time: 400, warmupTime: 200 });
  pair.add('solveH', () => {
    project.solveH();
  });
  await pair.run();
  project.openH();
  pair
    .add('runH', () => {
      project.initH(InitHydOption.InitFlow);
      project.runH();
    })
    .add('ours', () => {
      for (let i = 0; i < 10; i += 1) s.run();
    });
  await pair.run();
  project.close();
  const of = (name: string): number =>
    (pair.tasks.find((t) => t.name === name)?.result as { latency?: { p50?: number } } | undefined)
      ?.latency?.p50 ?? NaN;
  const whole = 1000 * of('solveH'),
    bare = 1000 * of('runH'),
    ours = 100 * of('ours');
  console.log(
    `${s.name.padEnd(24)}${`${whole.toFixed(1)} µs`.padStart(14)}${`${bare.toFixed(1)} µs`.padStart(14)}${`${ours.toFixed(2)} µs`.padStart(12)}${`× ${(whole / ours).toFixed(1)}`.padStart(16)}${`× ${(bare / ours).toFixed(1)}`.padStart(16)}`,
  );
}

tellTidiness();
await servedBench();
