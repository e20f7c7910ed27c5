/**
 * A grid of 50 × 50 × 50 places with walls in it, searched by ours and by npm ngraph.path on the
 * same graph: same cost, side by side. A process of its own, as the router has a thread of its own in
 * the app: the searches share its memory with nothing else.
 */
import createGraph from 'ngraph.graph';
import * as ngraph from 'ngraph.path';
import { Bench } from 'tinybench';
import {
  cheapestPath,
  routeRigid,
  type EndWay,
  type Problem,
  type Workspace,
} from '../src/core/routing';

const SIDE = 50;
const id = (x: number, y: number, z: number): number => (x * SIDE + y) * SIDE + z;
const at = (k: number): readonly [number, number, number] => [
  Math.floor(k / SIDE / SIDE),
  Math.floor(k / SIDE) % SIDE,
  k % SIDE,
];
/** Three walls, each with a way round at another side. */
const wall = (x: number, y: number, z: number): boolean =>
  (x === 12 && y < 45) || (x === 25 && z > 4) || (x === 38 && y > 4);
const START = id(2, 4, 40),
  GOAL = id(47, 46, 45);
const far = (a: number, b: number): number => {
  const p = at(a),
    q = at(b);
  return Math.abs(p[0] - q[0]) + Math.abs(p[1] - q[1]) + Math.abs(p[2] - q[2]);
};
const STEPS = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
] as const;
const open = (x: number, y: number, z: number): boolean =>
  x >= 0 && y >= 0 && z >= 0 && x < SIDE && y < SIDE && z < SIDE && !wall(x, y, z);

/** Of every place the six beside it; −1 where there is a wall or an end. */
function neighbours(): Int32Array {
  const beside = new Int32Array(6 * SIDE ** 3).fill(-1);
  for (let k = 0; k < SIDE ** 3; k += 1) {
    const [x, y, z] = at(k);
    if (!open(x, y, z)) continue;
    STEPS.forEach(([dx, dy, dz], i) => {
      if (open(x + dx, y + dy, z + dz)) beside[6 * k + i] = id(x + dx, y + dy, z + dz);
    });
  }
  return beside;
}

/** ngraph.path is CommonJS: its functions hang on the default export. */
const finders = ((ngraph as unknown as { default?: unknown }).default ?? ngraph) as {
  aStar(graph: unknown, options: object): { find(from: number, to: number): readonly unknown[] };
};

async function searchGrid(): Promise<void> {
  const graph = createGraph();
  for (let x = 0; x < SIDE; x += 1)
    for (let y = 0; y < SIDE; y += 1)
      for (let z = 0; z < SIDE; z += 1) {
        if (!open(x, y, z)) continue;
        graph.addNode(id(x, y, z));
        for (const [dx, dy, dz] of [STEPS[0], STEPS[2], STEPS[4]])
          if (open(x + dx, y + dy, z + dz)) graph.addLink(id(x, y, z), id(x + dx, y + dy, z + dz));
      }
  // Both searches have the neighbours of every place and its bound at hand.
  const rest = Float64Array.from({ length: SIDE ** 3 }, (_, k) => far(k, GOAL));
  const theirs = finders.aStar(graph, {
    oriented: false,
    heuristic: (a: { id: number }) => rest[a.id],
    distance: () => 1,
  });
  const beside = neighbours();
  const problem: Problem<number> = {
    starts: [{ state: START, cost: 0 }],
    key: (s) => s,
    places: SIDE ** 3,
    done: (s) => s === GOAL,
    bound: (s) => rest[s] as number,
    next: (s, tell, wanted) => {
      for (let i = 6 * s; i < 6 * s + 6; i += 1) {
        const n = beside[i] as number;
        if (n >= 0 && wanted(n, 1)) tell(n, 1);
      }
    },
  };
  const ours = cheapestPath(problem)?.cost ?? NaN,
    length = theirs.find(START, GOAL).length - 1;
  if (ours !== length) throw new Error(`two searches of one grid disagree: ${ours} and ${length}`);

  const rounds: (readonly [own_ms: number, their_ms: number])[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const bench = new Bench(OFTEN);
    bench
      .add('cheapestPath', () => {
        cheapestPath(problem);
      })
      .add('ngraph.path aStar', () => {
        theirs.find(START, GOAL);
      });
    await bench.run();
    rounds.push(bench.tasks.map(medianOf) as [number, number]);
  }
  const times = ([own, their]: readonly [number, number]): number => their / own;
  const [own_ms, their_ms] = [...rounds].sort((a, b) => times(a) - times(b))[ROUNDS >> 1] ?? [0, 0];
  const turns = rounds.map((r) => `× ${times(r).toFixed(2)}`).join(', ');
  console.log(
    `\nA grid of 50 × 50 × 50 with three walls, ${length} steps the shortest, same graph and bound (limit 100 ms): ours ${own_ms.toFixed(1)} ms, ngraph.path ${their_ms.toFixed(1)} ms (× ${times([own_ms, their_ms]).toFixed(2)}, the middle of ${turns}).`,
  );
  await throughTheWalls();
}

/** Both by turns, so often: another machine on the same processor slows now one, now the other. */
const ROUNDS = 5;
/** Runs of each, once it is compiled. */
const OFTEN = { time: 1, iterations: 9, warmupTime: 1, warmupIterations: 4 };

const medianOf = ({ result }: Bench['tasks'][number]): number =>
  (result as { latency?: { p50?: number } } | undefined)?.latency?.p50 ?? NaN;

/** The same walls for a tube: 50 lines an axis, 10 mm apart, bends of 20 mm; a leg is one step. */
async function throughTheWalls(): Promise<void> {
  const lines = [0, 1, 2].map(() => Array.from({ length: SIDE }, (_, i) => 10 * i)) as unknown as [
    number[],
    number[],
    number[],
  ];
  const workspace: Workspace = {
    bounds: { min: [0, 0, 0], max: [490, 490, 490] },
    blocks: [
      { id: 'a', min: [115, -1, -1], max: [125, 445, 491], penalty: Infinity },
      { id: 'b', min: [245, -1, 45], max: [255, 491, 491], penalty: Infinity },
      { id: 'c', min: [375, 45, -1], max: [385, 491, 491], penalty: Infinity },
    ],
  };
  const end = (
    mouth: readonly [number, number, number],
    direction: readonly [number, number, number],
  ): EndWay => ({ piece: 'straight', duties: [], bodies: [], mouth, direction, cost: 0 });
  const tube = (): number =>
    routeRigid(
      workspace,
      [end([20, 40, 400], [1, 0, 0])],
      [end([470, 460, 450], [-1, 0, 0])],
      { radius_mm: 20, atFitting_mm: 12, between_mm: 5 },
      lines,
      null,
      { most: 400_000, weight: 1.15 },
    )?.cost ?? NaN;
  if (!Number.isFinite(tube())) throw new Error('no way for the tube in the grid');

  const bench = new Bench(OFTEN);
  bench.add('hardWay', () => {
    tube();
  });
  await bench.run();
  const [tube_ms] = bench.tasks.map(medianOf) as [number];
  console.log(
    `A tube through the same walls, 50 lines an axis, bends weighed in: ${tube_ms.toFixed(1)} ms.`,
  );
}

await searchGrid();
