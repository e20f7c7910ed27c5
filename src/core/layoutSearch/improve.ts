import { applyEdit, type Connection, type Design, type Edit } from '../design';
import { compileSystem } from '../system';
import {
  chainsOf,
  layoutEdit,
  pathLength,
  pricesOf,
  routeDesign,
  routesOf,
  unthreaded,
  type Routed,
} from '../routing';
import { leastChoice } from './search';
import { endKey, variablesOf, type PartState, type Variable } from './states';

type Tell = (done: number, of: number) => boolean;

/** What a layout comes to. */
export interface LayoutMeasured {
  readonly runs: number;
  readonly missing: number;
  readonly bends: number;
  readonly tube_mm: number;
  /** Elbows, extenders and their like before the end fittings. */
  readonly adapters: number;
}

/** A part that a better layout moves, or gives other ports. */
export interface PartMoved {
  readonly component: string;
  readonly moved: boolean;
  readonly ports: number;
}

export interface ImprovedLayout {
  /** Moves, ports and routes in one step. */
  readonly edit: Edit;
  readonly before: LayoutMeasured;
  readonly after: LayoutMeasured;
  readonly parts: readonly PartMoved[];
}

/** A gain smaller than this, in millimetres of tube by the style's prices, is not offered. */
const WORTH_MM = 25;

/**
 * A better layout of the whole build: ports, turns and places of parts chosen together for the
 * least bends and tube (`leastChoice`), then proven by routing every run. What the builder fixed
 * stays. Null where nothing better is found, or it was stopped. Deterministic.
 */
export function improvedLayout(design: Design, tell: Tell = () => true): ImprovedLayout | null {
  const before = measured(design, routesOf(compileSystem(design)));
  let best: {
    readonly edit: Edit;
    readonly after: LayoutMeasured;
    readonly parts: readonly PartMoved[];
  } | null = null;
  let worth = before.missing === 0 && before.runs > 0 ? worthOf(design, before) : Infinity;
  let missing = before.runs + before.missing === 0 ? Infinity : before.missing;
  const candidates = candidatesOf(design, (done, of) => tell(done * 0.4, of));
  for (const [i, { edits, parts }] of candidates.entries()) {
    if (!tell(0.4 + (0.6 * i) / candidates.length, 1)) break;
    const changed = edits.length > 0 ? applyEdit(design, { do: 'batch', edits }).design : design;
    const laid = routeDesign(changed);
    const layout = layoutEdit(changed, laid);
    const after = measured(changed, laid.routed);
    const cost = worthOf(changed, after);
    if (after.missing > missing || (after.missing === missing && cost > worth - WORTH_MM)) continue;
    worth = cost;
    missing = after.missing;
    best = { edit: { do: 'batch', edits: layout ? [...edits, layout] : edits }, after, parts };
  }
  return best && { ...best, before };
}

/** Edits to prove: everything the search would change, ports alone, and nothing but new routes. */
function candidatesOf(
  design: Design,
  tell: Tell,
): readonly { readonly edits: readonly Edit[]; readonly parts: readonly PartMoved[] }[] {
  const chains = chainsOf(design, new Set());
  const system = compileSystem(unthreaded(design, chains, new Set()));
  const variables = variablesOf(system, () => true);
  const { states } = leastChoice(system, variables, tell);
  const whole = changesOf(design, variables, states);
  return [whole, { edits: [], parts: [] }].filter((c, i) => i > 0 || c.edits.length > 0);
}

/** The edits that put every part into its chosen state. */
export function changesOf(
  design: Design,
  variables: readonly Variable[],
  states: readonly number[],
): { readonly edits: readonly Edit[]; readonly parts: readonly PartMoved[] } {
  const chosen = variables.map((v, i) => v.states[states[i] as number] as PartState);
  const poses = chosen.flatMap((s) => s.pose ?? []);
  const ports = new Map(
    chosen.flatMap((s) => [...s.ports].map(([end, p]) => [end, p.port.id] as const)),
  );
  const parts = variables.flatMap((v, i): PartMoved[] => {
    const [was, now] = [v.states[0] as PartState, chosen[i] as PartState];
    const other = [...now.ports].filter(([end, p]) => was.ports.get(end)?.port.id !== p.port.id);
    return now.pose || other.length > 0
      ? [{ component: v.component, moved: now.pose !== null, ports: other.length }]
      : [];
  });
  return { edits: [...poses, ...portEdits(design, ports)], parts };
}

/** The edits that put runs onto other ports: ports let go are plugged, ports taken lose their plug. */
function portEdits(design: Design, ports: ReadonlyMap<string, string>): readonly Edit[] {
  const chains = chainsOf(design, new Set());
  // The last run of a chain ends where its whole did.
  const lastOf = new Map(chains.map((c) => [c.runs[c.runs.length - 1]?.id, c.runs[0]?.id]));
  const portFor = (c: Connection, side: 'from' | 'to'): string => {
    const whole = side === 'to' ? (lastOf.get(c.id) ?? c.id) : c.id;
    const inChain = chains.some((x) => x.runs.some((r) => r.id === c.id));
    const own =
      !inChain || (side === 'from' ? chains.some((x) => x.runs[0]?.id === c.id) : lastOf.has(c.id));
    return (own ? ports.get(endKey({ connection: whole, side })) : undefined) ?? c[side].port;
  };
  return design.loops.flatMap((loop): Edit[] => {
    const connections = loop.connections.map((c): Connection => {
      const from = portFor(c, 'from'),
        to = portFor(c, 'to');
      return from === c.from.port && to === c.to.port
        ? c
        : { ...c, from: { ...c.from, port: from }, to: { ...c.to, port: to } };
    });
    if (connections.every((c, i) => c === loop.connections[i])) return [];
    const refs = (list: readonly Connection[]) => list.flatMap((c) => [c.from, c.to]);
    const has = (list: readonly Connection[], component: string, port: string): boolean =>
      refs(list).some((r) => r.component === component && r.port === port);
    return [
      { do: 'loop.connections', loop: loop.id, connections },
      ...refs(connections)
        .filter((r) => !has(loop.connections, r.component, r.port))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: null })),
      ...refs(loop.connections)
        .filter((r) => !has(connections, r.component, r.port))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: 'plug' })),
    ];
  });
}

function measured(design: Design, { routes, missing }: Routed): LayoutMeasured {
  const tubes = design.loops.flatMap((l) => l.connections.filter((c) => c.by === 'tube')).length;
  return {
    runs: routes.length,
    missing: Math.max(missing.length, tubes - routes.length),
    bends: routes.reduce((n, r) => n + r.path.filter((s) => s.kind === 'arc').length, 0),
    tube_mm: routes.reduce((sum, r) => sum + pathLength(r.path), 0),
    adapters: routes.reduce((n, r) => n + r.from.duties.length + r.to.duties.length - 2, 0),
  };
}

/** A layout in millimetres of tube, by the dearest bend of its styles. */
function worthOf(design: Design, { tube_mm, bends, adapters }: LayoutMeasured): number {
  const bend_mm = Math.max(...design.loops.map((l) => pricesOf(l).bend_mm), 0);
  return tube_mm + bends * bend_mm + adapters * ADAPTER_MM;
}
/** An elbow or extender is worth about so much tube, mm (common practice, no source). */
const ADAPTER_MM = 65;
