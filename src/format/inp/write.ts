import type { FlowNetwork, NetworkLink, NetworkSolution } from '../../core/hydraulics';
import {
  linkDrop,
  lossDrop,
  pressureToHead,
  pumpHead,
  readyNetwork,
  TUBE_ROUGHNESS_MM,
} from '../../core/hydraulics';
import type { Vec } from '../../core/geometry';
import { shortIds } from './ids';

/** A loop to be written: its network, and where its nodes are in the case. */
export interface InpLoop {
  readonly id: string;
  readonly name: string;
  readonly network: FlowNetwork;
  readonly at?: ReadonlyMap<string, Vec>;
}

/** Length written for a joint, which has none, m: EPANET wants every pipe longer than nothing. */
export const NO_LENGTH_M = 1e-5;
/**
 * Points of a curve: shares of the flow at hand, and further points up to the largest flow. EPANET
 * joins them by straight lines.
 */
const AROUND = [
  0.25, 0.5, 0.7, 0.8, 0.87, 0.92, 0.95, 0.97, 0.98, 0.99, 0.995, 1, 1.005, 1.01, 1.02, 1.03, 1.05,
  1.08, 1.13, 1.2, 1.3, 1.5, 1.75, 2, 3, 5,
];
const SPREAD = 24;
/** Least distance of two points, of the largest flow. */
const APART = 1e-5;
/** Largest flow a part's curve is written for, L/min. */
const MOST_LMIN = 40;

const num = (v: number): string => String(Number(v.toPrecision(12)));

/**
 * Loops as an EPANET 2.2 input file: litres a minute, Darcy–Weisbach, heads in metres of each
 * loop's own coolant. Tubes are pipes, parts with a measured curve are general-purpose valves,
 * pumps have their curve at full speed and a speed. EPANET knows one viscosity: pipes of a loop
 * with another are written as pipes of another bore, length, roughness and K that lose the same
 * head at every flow. A tee's loss is written as the K it has at the solved split.
 */
export function writeInp(title: string, loops: readonly InpLoop[]): string {
  const nodes = shortIds(
    loops.flatMap((l) =>
      [...new Set(l.network.links.flatMap((k) => [k.from, k.to]))].map((n) => [l.id, n] as const),
    ),
  );
  const links = shortIds(loops.flatMap((l) => l.network.links.map((k) => [l.id, k.id] as const)));
  const viscosity = loops[0] ? kinematic(loops[0].network) : 1e-6;
  const curves: string[] = [];
  const body = loops.map((loop) =>
    loopLines(
      loop,
      viscosity,
      (n) => nodes.short(loop.id, n),
      (k) => links.short(loop.id, k),
      curves,
    ),
  );
  const all = (of: (b: (typeof body)[number]) => readonly string[]): string[] => body.flatMap(of);
  return [
    ...[...nodes.maps, ...links.maps].map(([short, long]) => `; map ${short} = ${long}`),
    ...all((b) => b.heads),
    '; heads in metres of the coolant of each loop; for close agreement set the accuracy to 1e-8 in the toolkit',
    '[TITLE]',
    title.replace(/[\r\n[\];]/g, ' ').slice(0, 79),
    '',
    '[JUNCTIONS]',
    ';ID Elevation',
    ...all((b) => b.junctions),
    '',
    '[RESERVOIRS]',
    ';ID Head',
    ...all((b) => b.reservoirs),
    '',
    '[PIPES]',
    ';ID Node1 Node2 Length_m Bore_mm Roughness_mm MinorK Status',
    ...all((b) => b.pipes),
    '',
    '[PUMPS]',
    ';ID Node1 Node2 Properties',
    ...all((b) => b.pumps),
    '',
    '[VALVES]',
    ';ID Node1 Node2 Bore_mm Type Curve MinorK',
    ...all((b) => b.valves),
    '',
    '[CURVES]',
    ';ID Flow_Lmin Head_m',
    ...curves,
    '',
    '[OPTIONS]',
    'Units LPM',
    'Headloss D-W',
    `Viscosity ${num(viscosity)}`,
    'Specific Gravity 1',
    'Trials 200',
    'Accuracy 0.00001',
    'Unbalanced Continue 10',
    '',
    '[TIMES]',
    'Duration 0',
    '',
    '[COORDINATES]',
    ';Node X Y',
    ...all((b) => b.places),
    '',
    '[END]',
    '',
  ].join('\n');
}

const kinematic = ({ fluid }: FlowNetwork): number => fluid.viscosity_Pas / fluid.density_kgm3;

interface Lines {
  readonly heads: string[];
  readonly junctions: string[];
  readonly reservoirs: string[];
  readonly pipes: string[];
  readonly pumps: string[];
  readonly valves: string[];
  readonly places: string[];
}

function loopLines(
  loop: InpLoop,
  fileViscosity: number,
  node: (id: string) => string,
  link: (id: string) => string,
  curves: string[],
): Lines {
  const { network } = loop;
  const ready = readyNetwork(network);
  const solution = ready.solve();
  const held = new Set(ready.chained.pieces.flatMap((p) => p.zero));
  const scale = kinematic(network) / fileViscosity;
  const lines: Lines = {
    heads: [],
    junctions: [],
    reservoirs: [],
    pipes: [],
    pumps: [],
    valves: [],
    places: [],
  };
  const surface = Math.max(0, ...[...held].map((h) => (loop.at?.get(h)?.[1] ?? 0) / 1000));
  const names = [...new Set(network.links.flatMap((l) => [l.from, l.to]))];
  lines.heads.push(
    `; loop ${loop.id} at ${node([...held][0] ?? names[0] ?? 'none')} density ${num(network.fluid.density_kgm3)} viscosity ${num(kinematic(network))} scale ${num(scale)} surface ${num(surface)}`,
  );
  for (const n of names) {
    const at = loop.at?.get(n);
    if (held.has(n)) lines.reservoirs.push(`${node(n)} ${num(surface)}`);
    else lines.junctions.push(`${node(n)} ${num((at?.[1] ?? 0) / 1000)}`);
    if (at) lines.places.push(`${node(n)} ${num(at[0])} ${num(at[1])}`);
  }
  for (const l of network.links)
    write(
      l,
      network,
      solution,
      scale,
      `${link(l.id)} ${node(l.from)} ${node(l.to)}`,
      lines,
      curves,
    );
  return lines;
}

function write(
  link: NetworkLink,
  network: FlowNetwork,
  solution: NetworkSolution,
  scale: number,
  head: string,
  lines: Lines,
  curves: string[],
): void {
  const { fluid } = network;
  const q = Math.abs(solution.flows.get(link.id) ?? 0);
  const addCurve = (points: readonly (readonly [number, number])[]): string => {
    const id = `C${1 + new Set(curves.map((c) => c.split(' ')[0])).size}`;
    curves.push(...points.map(([x, y]) => `${id} ${num(x)} ${num(y)}`));
    return id;
  };
  const toHead = (kPa: number): number => pressureToHead(kPa, fluid.density_kgm3);
  if (link.pump && link.pump.speed > 0) {
    const { curve, speed } = link.pump;
    const knots = curve.curve.x,
      most = knots[knots.length - 1] as number;
    lines.pumps.push(
      `${head} HEAD ${addCurve(flowsOf(q / speed, most, knots).map((x) => [x, pumpHead(curve, x, 1).head_m] as const))} SPEED ${num(speed)}`,
    );
  } else if (link.pipe) {
    const { bore_mm, length_mm, minor } = link.pipe;
    const perPressure =
      0.5 * fluid.density_kgm3 * ((4 * q) / 60000 / (Math.PI * (bore_mm / 1000) ** 2)) ** 2;
    const teeK =
      link.tee && perPressure > 0
        ? Math.max(
            0,
            (1000 *
              Math.abs(
                (solution.drops.get(link.id) ?? 0) -
                  linkDrop(link, solution.flows.get(link.id) ?? 0, fluid),
              )) /
              perPressure,
          )
        : 0;
    const measured = link.pipe.measured ?? [];
    const measuredK =
      measured.length > 0 && perPressure > 0
        ? (1000 * measured.reduce((sum, m) => sum + lossDrop(m, q), 0)) / perPressure
        : 0;
    const k =
      minor.reduce((sum, m) => sum + m.k * (bore_mm / m.bore_mm) ** 4, 0) + teeK + measuredK;
    const long = length_mm > 0 ? (length_mm / 1000) * scale ** 5 : NO_LENGTH_M;
    lines.pipes.push(
      `${head} ${num(long)} ${num(bore_mm * scale)} ${num((link.pipe.roughness_mm ?? TUBE_ROUGHNESS_MM) * scale)} ${num(k * scale ** 4)} OPEN`,
    );
  } else {
    const rises = flowsOf(q, Math.max(MOST_LMIN, 1.5 * q)).map(
      (x) => [x, toHead(linkDrop(link, x, fluid))] as const,
    );
    lines.valves.push(`${head} 10 GPV ${addCurve(rises)} 0`);
  }
}

/**
 * Flows to write a curve at: close together about the flow at hand, where the straight lines
 * between must be true.
 */
function flowsOf(q: number, most: number, knots: readonly number[] = []): readonly number[] {
  const even = Array.from({ length: SPREAD + 1 }, (_, i) => (most * i) / SPREAD);
  const around = q > 1e-3 ? AROUND.map((s) => s * q) : [];
  const all = [...around, ...knots, ...even]
    .filter((v) => v > 0 && v <= most)
    .sort((a, b) => a - b);
  // Points too near each other would stand as a cliff between two straight lines.
  return all.reduce<number[]>(
    (kept, v) => (v - (kept[kept.length - 1] as number) > APART * most ? [...kept, v] : kept),
    [0],
  );
}
