import type { FlowNetwork, NetworkLink } from './links';
import { addTerms, noTerms, type Terms } from './terms';

export interface Member {
  readonly link: number;
  readonly sign: 1 | -1;
}

/**
 * Links one after another with nothing joining between: one flow. Ends are free nodes by number, or
 * −1 where pressure is held.
 */
export interface Chain {
  readonly from: number;
  readonly to: number;
  readonly fromNode: string;
  readonly members: readonly Member[];
  readonly terms: Terms;
}

/**
 * What hangs together. Its pressures are told against `zero`; while it is solved they are held at 0
 * at `anchors`, which is a meeting of chains where that saves one: the chain through the reservoir
 * stays whole.
 */
export interface Piece {
  readonly nodes: readonly string[];
  readonly zero: readonly string[];
  readonly anchors: readonly string[];
}

/** A chain without what its links take: it follows from how the links hang together alone. */
type Course = Omit<Chain, 'terms'>;

/** What follows from how links hang together, whatever they take; the same object for the same. */
export interface Topology {
  readonly courses: readonly Course[];
  /** Free nodes where chains meet. */
  readonly free: readonly string[];
  /** Connected pieces. */
  readonly pieces: readonly Piece[];
  /** Links that no flow can pass: dead ends, outermost first, with the node beyond. */
  readonly dead: readonly { readonly link: number; readonly outer: string }[];
}

export interface Chained extends Omit<Topology, 'courses'> {
  readonly chains: readonly Chain[];
  readonly topology: Topology;
}

/** Networks are solved again and again with other figures in them: so many shapes are remembered. */
const SHAPES_KEPT = 16;
const shapes = new Map<string, Topology>();

function topologyOf(links: readonly NetworkLink[], fixed: readonly string[]): Topology {
  const shape = `${fixed.join(' ')}|${links.map((l) => `${l.from}>${l.to}`).join(' ')}`;
  const known = shapes.get(shape);
  const topology = known ?? compileTopology(links, fixed);
  // The last asked for stands last; the first goes.
  shapes.delete(shape);
  shapes.set(shape, topology);
  if (shapes.size > SHAPES_KEPT) shapes.delete(shapes.keys().next().value as string);
  return topology;
}

/**
 * A network with its dead ends taken off and its series links drawn together: what is left to solve
 * is only where flow splits.
 */
export function chainNetwork({ links, fixed, fluid }: FlowNetwork): Chained {
  const topology = topologyOf(links, fixed);
  const { courses, ...rest } = topology;
  const chains = courses.map((course): Chain => {
    const terms = noTerms();
    for (const { link, sign } of course.members)
      addTerms(terms, links[link] as NetworkLink, sign, fluid);
    return { ...course, terms };
  });
  return { ...rest, chains, topology };
}

function compileTopology(links: readonly NetworkLink[], fixed: readonly string[]): Topology {
  const ends = new Map<string, number[]>();
  const join = (node: string, k: number): void => {
    const list = ends.get(node);
    if (list) list.push(k);
    else ends.set(node, [k]);
  };
  links.forEach((l, k) => {
    join(l.from, k);
    join(l.to, k);
  });
  const whole = connected(links, ends).map((nodes) => {
    const own = nodes.filter((n) => fixed.includes(n));
    return { nodes, zero: own.length > 0 ? own : nodes.slice(0, 1) };
  });
  const alive = new Uint8Array(links.length).fill(1);
  const dead = prune(links, ends, new Set(whole.flatMap((p) => p.zero)), alive);
  const living = (node: string): readonly number[] =>
    (ends.get(node) ?? []).filter((k) => alive[k]);
  const pieces = whole.map(({ nodes, zero }): Piece => {
    const [only] = zero;
    const meetings =
      zero.length === 1 && living(only as string).length === 2
        ? nodes.filter((n) => living(n).length > 2)
        : [];
    const anchor = meetings.reduce<string | null>(
      (a, b) => (a !== null && living(a).length >= living(b).length ? a : b),
      null,
    );
    return { nodes, zero, anchors: anchor === null ? zero : [anchor] };
  });
  const held = new Set(pieces.flatMap((p) => p.anchors));

  const isMeeting = (node: string): boolean => held.has(node) || living(node).length !== 2;
  const free = [...ends.keys()].filter((n) => !held.has(n) && living(n).length > 2).sort();
  const index = new Map(free.map((n, i) => [n, i]));
  const used = new Uint8Array(links.length);
  const courses: Course[] = [];
  const draw = (start: string, first: number): void => {
    const members: Member[] = [];
    let node = start,
      k: number | undefined = first;
    while (k !== undefined) {
      const link = links[k] as NetworkLink;
      const sign: 1 | -1 = link.from === node ? 1 : -1;
      used[k] = 1;
      members.push({ link: k, sign });
      node = sign === 1 ? link.to : link.from;
      k = isMeeting(node) ? undefined : living(node).find((other) => !used[other]);
    }
    courses.push({
      from: index.get(start) ?? -1,
      to: index.get(node) ?? -1,
      fromNode: start,
      members,
    });
  };
  for (const node of [...held, ...free]) for (const k of living(node)) if (!used[k]) draw(node, k);
  return { courses, free, pieces, dead };
}

/** Takes off, again and again, what hangs on one end only. */
function prune(
  links: readonly NetworkLink[],
  ends: ReadonlyMap<string, readonly number[]>,
  held: ReadonlySet<string>,
  alive: Uint8Array,
): { link: number; outer: string }[] {
  const degree = new Map([...ends].map(([n, list]) => [n, list.length]));
  const loose = [...degree].filter(([n, d]) => d === 1 && !held.has(n)).map(([n]) => n);
  const dead: { link: number; outer: string }[] = [];
  while (loose.length > 0) {
    const outer = loose.pop() as string;
    const k = (ends.get(outer) ?? []).find((i) => alive[i]);
    if (k === undefined) continue;
    alive[k] = 0;
    dead.push({ link: k, outer });
    const link = links[k] as NetworkLink;
    const inner = link.from === outer ? link.to : link.from;
    const left = (degree.get(inner) as number) - 1;
    degree.set(inner, left);
    if (left === 1 && !held.has(inner)) loose.push(inner);
  }
  return dead;
}

/** Nodes by connected piece, by name. */
function connected(
  links: readonly NetworkLink[],
  ends: ReadonlyMap<string, readonly number[]>,
): readonly (readonly string[])[] {
  const seen = new Set<string>();
  return [...ends.keys()].sort().flatMap((start) => {
    if (seen.has(start)) return [];
    const nodes: string[] = [],
      stack = [start];
    while (stack.length > 0) {
      const node = stack.pop() as string;
      if (seen.has(node)) continue;
      seen.add(node);
      nodes.push(node);
      for (const k of ends.get(node) ?? []) {
        const l = links[k] as NetworkLink;
        stack.push(l.from === node ? l.to : l.from);
      }
    }
    return [nodes.sort()];
  });
}
