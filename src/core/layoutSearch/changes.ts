import type { Connection, Design, Edit } from '../design';
import { chainsOf } from '../routing';
import { endKey, type Looking, type PartState, type Variable } from './states';

/** A part that a better layout moves, or gives other ports. */
export interface PartMoved {
  readonly component: string;
  readonly turned: boolean;
  readonly slid: boolean;
  readonly ports: number;
}

/** What a choice of states does to a build. */
export interface Changes {
  readonly edits: readonly Edit[];
  readonly parts: readonly PartMoved[];
}

/** The edits that put every part into its chosen state. */
export function changesOf(
  design: Design,
  variables: readonly Variable[],
  states: readonly number[],
  looking: Looking,
): Changes {
  const chosen = variables.map((v, i) => v.states[states[i] as number] as PartState);
  const poses = chosen.flatMap((s) => s.pose ?? []);
  const ports = new Map(
    chosen.flatMap((s) => [...s.ports].map(([end, p]) => [end, p.port.id] as const)),
  );
  const parts = variables.flatMap((v, i): PartMoved[] => {
    const [was, now] = [v.states[0] as PartState, chosen[i] as PartState];
    const other = [...now.ports].filter(([end, p]) => was.ports.get(end)?.port.id !== p.port.id);
    const isPosed = now.pose !== null;
    return isPosed || other.length > 0
      ? [
          {
            component: v.component,
            turned: isPosed && looking === 'ports',
            slid: isPosed && looking === 'slides',
            ports: other.length,
          },
        ]
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
