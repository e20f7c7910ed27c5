import { pumpCurve, type FlowNetwork, type NetworkLink, type TeeLeg } from '@/core/hydraulics';
import { coolantProperties, type CoolantBase } from '@/core/fluids';

/**
 * A network made for the check against EPANET, and whether some tube of it flows between laminar
 * and turbulent.
 */
export interface CheckNetwork {
  readonly id: string;
  readonly about: string;
  readonly network: FlowNetwork;
  readonly between?: boolean;
}

const WATER: CoolantBase = { glycol: 'none', volumeShare: 0 };
const LARGE = pumpCurve(
  [
    [0, 3.95],
    [5, 3.5],
    [10, 2.75],
    [15, 1.75],
    [20, 0.55],
  ],
  4800,
);
const COMPACT = pumpCurve(
  [
    [0, 4.6],
    [3, 4.1],
    [6, 3.25],
    [9, 2],
    [12, 0.4],
  ],
  4300,
);
const SMALL = pumpCurve(
  [
    [0, 1.9],
    [2, 1.6],
    [4, 1.1],
    [6, 0.4],
  ],
  3000,
);

const tube = (
  id: string,
  from: string,
  to: string,
  length_mm: number,
  bore_mm = 10,
  k = 1.5,
  kBore = 9,
): NetworkLink => ({
  id,
  from,
  to,
  pipe: { length_mm, bore_mm, minor: [{ k, bore_mm: kBore, of: 'ends' }] },
});
const joint = (id: string, from: string, to: string): NetworkLink =>
  tube(id, from, to, 0, 10, 0.2, 9.5);
const part = (id: string, from: string, to: string, a: number, b: number): NetworkLink => ({
  id,
  from,
  to,
  curve: { a, b },
});
const block = (id: string, from: string, to: string): NetworkLink => part(id, from, to, 0.35, 0.5);
const radiator = (id: string, from: string, to: string): NetworkLink =>
  part(id, from, to, 0.3, 0.12);
const pump = (id: string, from: string, to: string, speed = 1, curve = LARGE): NetworkLink => ({
  id,
  from,
  to,
  pump: { curve, speed },
});
const leg = (tee: string, at: TeeLeg, from: string): NetworkLink => ({
  id: `${tee}.${at}`,
  from,
  to: `${tee}/middle`,
  pipe: { length_mm: 18, bore_mm: 10, minor: [] },
  tee: { id: tee, leg: at, bore_mm: 10 },
});
const tee = (id: string, a: string, b: string, side: string): NetworkLink[] => [
  leg(id, 'run-a', a),
  leg(id, 'run-b', b),
  leg(id, 'branch', side),
];

const loop = (
  links: readonly NetworkLink[],
  base: CoolantBase = WATER,
  coolant_C = 32,
): FlowNetwork => ({ fluid: coolantProperties(base, coolant_C), links, fixed: ['tank'] });
const check = (id: string, about: string, network: FlowNetwork, between = false): CheckNetwork => ({
  id,
  about,
  network,
  ...(between ? { between } : {}),
});

/** Two blocks side by side between n3 and n4, through tees. */
const pair = (second: NetworkLink): NetworkLink[] => [
  ...tee('split', 'n3', 's1', 's2'),
  tube('t3', 's1', 'x1', 120),
  block('block', 'x1', 'y1'),
  tube('t4', 's2', 'x2', 180),
  second,
  tube('t5', 'y1', 'j1', 150),
  tube('t6', 'y2', 'j2', 90),
  ...tee('join', 'j1', 'n4', 'j2'),
];
const trunk = (speed = 1): NetworkLink[] => [
  joint('foot', 'tank', 'in'),
  pump('pump', 'in', 'out', speed),
  tube('t1', 'out', 'n3', 220),
];
const home: readonly NetworkLink[] = [
  tube('t7', 'n4', 'r1', 350),
  radiator('radiator', 'r1', 'r2'),
  tube('t8', 'r2', 'tank', 280),
];
const ring = (speed: number, base?: CoolantBase, coolant_C?: number, bore = 10): FlowNetwork =>
  loop(
    [
      joint('foot', 'tank', 'in'),
      pump('pump', 'in', 'out', speed),
      tube('t1', 'out', 'n3', 400, bore),
      block('block', 'n3', 'n4'),
      tube('t2', 'n4', 'r1', 600, bore),
      radiator('radiator', 'r1', 'r2'),
      tube('t3', 'r2', 'tank', 500, bore),
    ],
    base,
    coolant_C,
  );

/** Own networks, solved by EPANET in the tests; its answers are kept in reference/epanet.json. */
export const CHECK_NETWORKS: readonly CheckNetwork[] = [
  check('series-soft', 'pump, block and radiator in series, 10 mm', ring(0.8)),
  check('series-hard', 'the same in 12 mm', ring(0.9, WATER, 32, 12)),
  check(
    'pumps-in-a-row',
    'two pumps one behind the other',
    loop([
      pump('p1', 'tank', 'a', 0.7),
      pump('p2', 'a', 'b', 0.7),
      tube('t1', 'b', 'c', 900),
      block('block', 'c', 'd'),
      tube('t2', 'd', 'tank', 700),
    ]),
  ),
  check(
    'pumps-apart',
    'two unlike pumps with a block between them',
    loop([
      pump('p1', 'tank', 'a', 0.8),
      tube('t1', 'a', 'b', 300),
      block('block', 'b', 'c'),
      pump('p2', 'c', 'd', 0.6, COMPACT),
      tube('t2', 'd', 'e', 400),
      radiator('radiator', 'e', 'tank'),
    ]),
  ),
  check(
    'pumps-side-by-side',
    'two like pumps in parallel, each with its own tube',
    loop([
      tube('i1', 'tank', 'a1', 80),
      pump('p1', 'a1', 'b1', 0.8),
      tube('o1', 'b1', 'c', 90),
      tube('i2', 'tank', 'a2', 120),
      pump('p2', 'a2', 'b2', 0.8),
      tube('o2', 'b2', 'c', 130),
      block('block', 'c', 'd'),
      tube('t', 'd', 'tank', 800),
    ]),
  ),
  check(
    'pumps-unlike',
    'two unlike pumps in parallel',
    loop([
      pump('p1', 'tank', 'a', 0.8),
      tube('o1', 'a', 'c', 150),
      pump('p2', 'tank', 'b', 0.75, COMPACT),
      tube('o2', 'b', 'c', 150),
      block('block', 'c', 'd'),
      radiator('radiator', 'd', 'e'),
      tube('t', 'e', 'tank', 800),
    ]),
  ),
  check(
    'pump-pushed-back',
    'a small pump beside a strong one; both still run forwards',
    loop([
      pump('p1', 'tank', 'a', 0.55),
      tube('o1', 'a', 'c', 150),
      pump('p2', 'tank', 'b', 1, SMALL),
      tube('o2', 'b', 'c', 150),
      radiator('radiator', 'c', 'd'),
      tube('t', 'd', 'tank', 500),
    ]),
  ),
  check('low-speed', 'pump at 35 %', ring(0.35)),
  check(
    'laminar-glycol',
    'propylene glycol 40 % by volume at 12 °C, slow pump, 8 mm',
    ring(0.35, { glycol: 'propylene', volumeShare: 0.4 }, 12, 8),
  ),
  check(
    'cold-glycol',
    'ethylene glycol 20 % at 8 °C, full speed',
    ring(1, { glycol: 'ethylene', volumeShare: 0.2 }, 8, 12),
  ),
  check(
    'manifold-of-three',
    'three branches between headers of 13 mm',
    loop([
      pump('pump', 'tank', 'h1', 0.9),
      tube('h12', 'h1', 'h2', 80, 13, 0.2, 13),
      tube('h23', 'h2', 'h3', 80, 13, 0.2, 13),
      ...[1, 2, 3].flatMap((i) => [
        tube(`a${i}`, `h${i}`, `x${i}`, 100 + 60 * i),
        part(`b${i}`, `x${i}`, `y${i}`, 0.3, 0.4 + 0.3 * i),
        tube(`c${i}`, `y${i}`, `g${i}`, 140),
      ]),
      tube('g12', 'g1', 'g2', 80, 13, 0.2, 13),
      tube('g23', 'g2', 'g3', 80, 13, 0.2, 13),
      tube('t', 'g3', 'r', 300),
      radiator('radiator', 'r', 'tank'),
    ]),
  ),
  check(
    'side-by-side',
    'two like blocks between tees',
    loop([...trunk(), ...pair(block('block-2', 'x2', 'y2')), ...home]),
  ),
  check(
    'side-by-side-unlike',
    'a block beside a much freer one',
    loop([...trunk(0.9), ...pair(part('bridge', 'x2', 'y2', 0.1, 0.15)), ...home]),
  ),
  check(
    'bypass',
    'a tube that lets half the flow past the block',
    loop([
      ...trunk(),
      tube('t2', 'n3', 'a', 80),
      block('block', 'a', 'b'),
      tube('t4', 'b', 'n4', 90),
      tube('bypass', 'n3', 'n4', 500, 8, 6, 8),
      ...home,
    ]),
  ),
  check(
    'bridge',
    'a cross link between two branches',
    loop([
      ...trunk(),
      tube('u1', 'n3', 'p', 200),
      part('b1', 'p', 'n4', 0.3, 0.9),
      part('b2', 'n3', 'q', 0.3, 0.9),
      tube('u2', 'q', 'n4', 260),
      tube('cross', 'p', 'q', 150, 8, 2, 8),
      ...home,
    ]),
  ),
  check(
    'plate',
    'a distribution plate feeding three ways at once',
    loop([
      ...trunk(),
      ...['cpu', 'card', 'memory'].flatMap((w, i) => [
        tube(`${w}-to`, 'n3', `${w}-in`, 150 + 80 * i),
        part(w, `${w}-in`, `${w}-out`, 0.3, [0.6, 0.5, 1.8][i] as number),
        tube(`${w}-back`, `${w}-out`, 'n4', 170),
      ]),
      ...home,
    ]),
  ),
  check('between-regimes', 'every tube between laminar and turbulent', ring(0.24, WATER, 24), true),
  check(
    'fittings-in-line',
    'couplings, filter and flow meter in the row',
    loop([
      ...trunk(0.85),
      part('coupling', 'n3', 'a', 0.02, 0.13),
      tube('t2', 'a', 'b', 160),
      part('filter', 'b', 'c', 0.28, 0.06),
      part('meter', 'c', 'd', 0.05, 0.08),
      block('block', 'd', 'n4'),
      ...home,
    ]),
  ),
  check(
    'clogged-filter',
    'a filter with three quarters of its mesh plugged',
    loop([
      ...trunk(0.85),
      part('filter', 'n3', 'a', 0.28 * 4, 0.06 * 16),
      block('block', 'a', 'n4'),
      ...home,
    ]),
  ),
  check(
    'dead-end',
    'a branch that leads nowhere',
    loop([
      ...trunk(0.85),
      block('block', 'n3', 'n4'),
      tube('stub', 'n4', 'nowhere', 300),
      part('idle', 'nowhere', 'end', 0.3, 0.5),
      ...home,
    ]),
  ),
  check(
    'two-radiators',
    'radiators in parallel behind blocks in parallel',
    loop([
      ...trunk(),
      ...pair(block('block-2', 'x2', 'y2')),
      ...tee('split-2', 'n4', 'u1', 'u2'),
      radiator('radiator-1', 'u1', 'v1'),
      part('radiator-2', 'u2', 'v2', 0.2, 0.3),
      ...tee('join-2', 'v1', 'w', 'v2'),
      tube('t8', 'w', 'tank', 300),
    ]),
  ),
  check('wide', 'short 13 mm tube at full speed', ring(1, WATER, 40, 13)),
];
