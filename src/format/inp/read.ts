import { msg } from '@/core/messages';
import {
  fitLossCurve,
  headToPressure,
  type FlowNetwork,
  type NetworkLink,
} from '../../core/hydraulics';
import { water } from '../../core/fluids';
import { pchip } from '../../core/units';
import { NO_LENGTH_M } from './write';

/** What is wrong with an input file, and where. */
export class InpError extends Error {
  constructor(
    readonly line: number,
    message: string,
  ) {
    super(msg`line ${line}: ${message}`);
    this.name = 'InpError';
  }
}

interface Row {
  readonly line: number;
  readonly words: readonly string[];
}
interface LoopHead {
  readonly id: string;
  readonly node: string;
  readonly density: number;
  readonly viscosity: number;
  readonly scale: number;
}

export interface ReadLoop {
  readonly id: string;
  readonly network: FlowNetwork;
}

/**
 * The networks of an EPANET input file, one a connected piece. Reads what writeInp writes and what
 * else comes to the same: pipes, pumps with head curves (one point, three, or many),
 * general-purpose valves, reservoirs of one head, what is CLOSED. Throws InpError with the line for
 * anything else: demands, check valves, reservoirs at different heads.
 */
export function readInp(text: string): readonly ReadLoop[] {
  const { sections, comments } = split(text);
  const rows = (name: string): readonly Row[] => sections.get(name) ?? [];
  for (const name of ['TANKS', 'EMITTERS', 'CONTROLS', 'RULES'])
    if (rows(name)[0])
      throw new InpError((rows(name)[0] as Row).line, msg`[${name}] is not read: a loop has none`);
  const option = new Map(
    rows('OPTIONS').map((r) => [(r.words[0] as string).toLowerCase(), r] as const),
  );
  const is = (key: string, value: string): void => {
    const row = option.get(key);
    if (!row || row.words[1]?.toLowerCase() !== value.toLowerCase())
      throw new InpError(row?.line ?? 1, msg`${key} must be ${value}`);
  };
  is('units', 'LPM');
  is('headloss', 'D-W');
  const fileViscosity = option.has('viscosity')
    ? number(option.get('viscosity') as Row, 1, 'viscosity', 0, 1e-3)
    : 1.1e-6;

  const map = new Map(
    comments.flatMap((c) => {
      const m = /^map (\S+) = (.+)$/.exec(c);
      return m ? [[m[1] as string, m[2] as string] as const] : [];
    }),
  );
  const long = (id: string): string => map.get(id) ?? id;
  const heads = comments.flatMap((c): LoopHead[] => {
    const m = /^loop (\S+) at (\S+) density (\S+) viscosity (\S+) scale (\S+)/.exec(c);
    return m
      ? [
          {
            id: m[1] as string,
            node: m[2] as string,
            density: Number(m[3]),
            viscosity: Number(m[4]),
            scale: Number(m[5]),
          },
        ]
      : [];
  });
  const curves = readCurves(rows('CURVES'));
  const nodes = new Set(
    [...rows('JUNCTIONS'), ...rows('RESERVOIRS')].map((r) => r.words[0] as string),
  );
  const ends = (row: Row): readonly [string, string] => {
    const [, a, b] = row.words;
    for (const n of [a, b])
      if (n === undefined || !nodes.has(n))
        throw new InpError(row.line, msg`there is no node "${n ?? ''}"`);
    return [a as string, b as string];
  };
  refuseDemands(rows('JUNCTIONS'), rows('DEMANDS'));
  const reservoirs = rows('RESERVOIRS');
  const fixed = reservoirs.map((r) => r.words[0] as string);
  const shut = shutLinks(rows('PIPES'), rows('STATUS'));
  const isOpen = (row: Row): boolean => !shut.has(row.words[0] as string);
  const open = {
    pipes: rows('PIPES').filter(isOpen),
    pumps: rows('PUMPS').filter(isOpen),
    valves: rows('VALVES').filter(isOpen),
  };
  const pieces = piecesOf([...open.pipes, ...open.pumps, ...open.valves].map(ends), fixed);
  for (const piece of pieces)
    refuseHeads(reservoirs.filter((r) => piece.has(r.words[0] as string)));

  return pieces.map((piece, i): ReadLoop => {
    const head = heads.find((h) => piece.has(h.node));
    const density_kgm3 = head?.density ?? water(20).density_kgm3,
      viscosity = head?.viscosity ?? fileViscosity,
      scale = head?.scale ?? 1;
    const inside = (row: Row): boolean => piece.has(row.words[1] as string);
    const base = (row: Row): { id: string; from: string; to: string } => ({
      id: long(row.words[0] as string),
      from: long(row.words[1] as string),
      to: long(row.words[2] as string),
    });
    const links: NetworkLink[] = [
      ...open.pipes.filter(inside).map((r): NetworkLink => {
        const length_m = number(r, 3, 'length', 0, 1e4),
          bore_mm = number(r, 4, 'bore', 0.1, 1e4) / scale;
        return {
          ...base(r),
          pipe: {
            length_mm: length_m <= NO_LENGTH_M ? 0 : (length_m * 1000) / scale ** 5,
            bore_mm,
            roughness_mm: number(r, 5, 'roughness', 0, 100) / scale,
            minor: [
              {
                k: number({ ...r, words: [...r.words, '0'] }, 6, 'K', 0, 1e6) / scale ** 4,
                bore_mm,
                of: 'all K',
              },
            ],
          },
        };
      }),
      ...open.pumps.filter(inside).map((r): NetworkLink => {
        const at = (key: string): string | undefined =>
          r.words[r.words.findIndex((w) => w.toUpperCase() === key) + 1];
        const points = curves.get(at('HEAD') ?? '');
        if (!r.words.some((w) => w.toUpperCase() === 'HEAD') || !points)
          throw new InpError(r.line, msg`a pump needs HEAD and a curve that is in [CURVES]`);
        if (r.words.some((w) => w.toUpperCase() === 'PATTERN'))
          throw new InpError(r.line, msg`a pump that follows a PATTERN is not read`);
        const speed = r.words.some((w) => w.toUpperCase() === 'SPEED') ? Number(at('SPEED')) : 1;
        if (!(speed >= 0 && speed <= 10))
          throw new InpError(r.line, msg`the speed must be 0 to 10`);
        return {
          ...base(r),
          pump: { speed, curve: { curve: pchip(headCurve(points, r.line)), fullSpeed_rpm: 1 } },
        };
      }),
      ...open.valves.filter(inside).map((r): NetworkLink => {
        if (r.words[4]?.toUpperCase() !== 'GPV')
          throw new InpError(r.line, msg`only general-purpose valves (GPV) are read`);
        const points = curves.get(r.words[5] ?? '');
        if (!points) throw new InpError(r.line, msg`there is no curve "${r.words[5] ?? ''}"`);
        const { a, b } = fitLossCurve(
          points.map(([q, h]) => [q, headToPressure(h, density_kgm3)] as const),
        );
        return { ...base(r), curve: { a, b } };
      }),
    ];
    return {
      id: head?.id ?? `piece-${i + 1}`,
      network: {
        links,
        fixed: fixed.filter((f) => piece.has(f)).map(long),
        fluid: { ...water(20), density_kgm3, viscosity_Pas: viscosity * density_kgm3 },
      },
    };
  });
}

/** A loop takes nothing out and puts nothing in. */
function refuseDemands(junctions: readonly Row[], demands: readonly Row[]): void {
  for (const [rows, at] of [
    [junctions, 2],
    [demands, 1],
  ] as const)
    for (const row of rows) {
      const demand = row.words[at];
      if (demand !== undefined && Number(demand) !== 0)
        throw new InpError(row.line, msg`a demand is not supported: a loop takes nothing out`);
    }
}

/** Links that are shut, by the pipe's own status or by [STATUS]; a check valve is not read. */
function shutLinks(pipes: readonly Row[], status: readonly Row[]): ReadonlySet<string> {
  const shut = new Set<string>();
  const put = (row: Row, word: string | undefined): void => {
    const said = word?.toUpperCase();
    if (said === undefined || said === 'OPEN') return;
    if (said !== 'CLOSED')
      throw new InpError(
        row.line,
        msg`the status "${word ?? ''}" is not read: only OPEN and CLOSED`,
      );
    shut.add(row.words[0] as string);
  };
  for (const pipe of pipes) put(pipe, pipe.words[7]);
  for (const row of status) put(row, row.words[1]);
  return shut;
}

/** Reservoirs of one piece stand at one head: between others water would flow by itself. */
function refuseHeads(reservoirs: readonly Row[]): void {
  const [first, ...others] = reservoirs;
  const headOf = (row: Row): number => number(row, 1, 'head', -1e5, 1e5);
  for (const row of reservoirs)
    if (row.words[2] !== undefined)
      throw new InpError(row.line, msg`a reservoir that follows a PATTERN is not read`);
  for (const row of others)
    if (first && headOf(row) !== headOf(first))
      throw new InpError(
        row.line,
        msg`the head of this reservoir is not that of "${first.words[0] ?? ''}": only one head
          is read`,
      );
}

function split(text: string): {
  readonly sections: ReadonlyMap<string, readonly Row[]>;
  readonly comments: readonly string[];
} {
  const sections = new Map<string, Row[]>();
  const comments: string[] = [];
  let name = '';
  text.split(/\r?\n/).forEach((raw, i) => {
    const at = raw.indexOf(';');
    if (at >= 0) comments.push(raw.slice(at + 1).trim());
    const body = (at >= 0 ? raw.slice(0, at) : raw).trim();
    if (body === '') return;
    const title = /^\[([A-Za-z]+)\]$/.exec(body);
    if (title) {
      name = (title[1] as string).toUpperCase();
      if (!sections.has(name)) sections.set(name, []);
      return;
    }
    if (name === '') throw new InpError(i + 1, msg`text before the first [SECTION]`);
    sections.get(name)?.push({ line: i + 1, words: body.split(/\s+/) });
  });
  return { sections, comments };
}

function number(row: Row, at: number, what: string, min: number, max: number): number {
  const v = Number(row.words[at]);
  if (row.words[at] === undefined || !Number.isFinite(v) || v < min || v > max)
    throw new InpError(row.line, msg`${what} must be a number from ${min} to ${max}`);
  return v;
}

function readCurves(
  rows: readonly Row[],
): ReadonlyMap<string, readonly (readonly [number, number])[]> {
  const curves = new Map<string, (readonly [number, number])[]>();
  for (const r of rows) {
    const list = curves.get(r.words[0] as string) ?? [];
    const point = [number(r, 1, 'flow', 0, 1e6), number(r, 2, 'head', -1e6, 1e6)] as const;
    const before = list[list.length - 1];
    if (before && point[0] <= before[0])
      throw new InpError(r.line, msg`flows of a curve must rise`);
    curves.set(r.words[0] as string, [...list, point]);
  }
  return curves;
}

/** Points of a power law H = a − b Qᶜ, for the two short forms of EPANET's head curves. */
function headCurve(
  points: readonly (readonly [number, number])[],
  line: number,
): readonly (readonly [number, number])[] {
  const [p, q, r] = points;
  const law = (a: number, b: number, c: number): readonly (readonly [number, number])[] => {
    const most = (a / b) ** (1 / c);
    return Array.from({ length: 121 }, (_, i) => {
      const x = (most * i) / 120;
      return [x, a - b * x ** c] as const;
    });
  };
  if (points.length === 1 && p) return law((4 / 3) * p[1], p[1] / 3 / p[0] ** 2, 2);
  if (points.length === 3 && p && q && r && p[0] === 0) {
    const c = Math.log((p[1] - r[1]) / (p[1] - q[1])) / Math.log(r[0] / q[0]);
    if (!(c > 0)) throw new InpError(line, msg`the pump's head must fall as flow rises`);
    return law(p[1], (p[1] - q[1]) / q[0] ** c, c);
  }
  if (points.length < 2) throw new InpError(line, msg`a head curve needs a point`);
  return points;
}

/** Connected pieces, each with its nodes. */
function piecesOf(
  links: readonly (readonly [string, string])[],
  fixed: readonly string[],
): readonly ReadonlySet<string>[] {
  const pieces: Set<string>[] = [];
  for (const [a, b] of links) {
    const touching = pieces.filter((p) => p.has(a) || p.has(b));
    const joined = new Set([a, b, ...touching.flatMap((p) => [...p])]);
    for (const t of touching) pieces.splice(pieces.indexOf(t), 1);
    pieces.push(joined);
  }
  const first = (p: ReadonlySet<string>): number => {
    const i = fixed.findIndex((f) => p.has(f));
    return i < 0 ? fixed.length : i;
  };
  return pieces.sort((p, q) => first(p) - first(q));
}
