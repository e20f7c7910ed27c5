import {
  findComponent,
  freeId,
  type Connection,
  type Design,
  type Edit,
  type PortRef,
} from '../design';
import { facing, spans, type System } from '../system';
import { isWet, type FittingPart, type Part, type Port } from '../components';

/** A bridge that would do in place of a run's tube. */
export interface BridgeOffer {
  readonly bridge: FittingPart;
  readonly from: PortRef;
  readonly to: PortRef;
  readonly along_mm: number;
  /** The part it leads to is then passed the other way round. */
  readonly turned: boolean;
  readonly edit: Edit;
}

/**
 * Bridges of the Stores that reach straight from one part of a run to the other, such as between
 * the terminals of two cards, shortest first. The coolant leaves by the same chamber as before;
 * where it would enter the next part by its far side, that part is passed the other way round.
 */
export function bridgeOffers(
  system: System,
  loopId: string,
  linkId: string,
  offer: readonly Part[],
): readonly BridgeOffer[] {
  const { design } = system,
    loop = design.loops.find((l) => l.id === loopId),
    connection = loop?.connections.find((l) => l.id === linkId);
  if (!loop || !connection || connection.by !== 'tube') return [];
  const bridges = offer.filter(
    (p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge',
  );
  const from = portsOf(design, connection.from.component),
    to = portsOf(design, connection.to.component),
    chamberOut = from.find((p) => p.id === connection.from.port)?.chamber,
    chamberIn = to.find((p) => p.id === connection.to.port)?.chamber;
  const held = (ref: PortRef): boolean =>
    design.loops.some((l) =>
      l.connections.some(
        (k) =>
          k !== connection &&
          [k.from, k.to].some((r) => r.component === ref.component && r.port === ref.port),
      ),
    );
  const out: BridgeOffer[] = [];
  for (const p of from)
    for (const q of to) {
      const a: PortRef = { component: connection.from.component, port: p.id },
        b: PortRef = { component: connection.to.component, port: q.id };
      if (p.chamber !== chamberOut || p.role === 'in' || q.role === 'out' || held(a) || held(b))
        continue;
      const pa = system.portAt(a),
        pb = system.portAt(b),
        way = pa && pb ? facing(pa, pb) : null,
        bridge = way ? bridges.find((f) => spans(way, f)) : undefined;
      if (!way || !bridge) continue;
      const turned = q.chamber !== chamberIn,
        links = turned
          ? turnedRound(design, loop.connections, connection, q, chamberIn, held)
          : loop.connections;
      if (!links) continue;
      const next: Connection = {
          id: connection.id,
          from: a,
          to: b,
          by: 'direct',
          bridge,
          ends: { from: 'auto', to: 'auto' },
        },
        after = links.map((l) => (l.id === connection.id ? next : l));
      out.push({
        bridge,
        from: a,
        to: b,
        along_mm: way.along_mm,
        turned,
        edit: {
          do: 'batch',
          edits: [
            { do: 'loop.connections', loop: loop.id, connections: after },
            ...capEdits(loop.id, loop.connections, after),
          ],
        },
      });
    }
  return out.sort((a, b) => Number(a.turned) - Number(b.turned) || a.along_mm - b.along_mm);
}

/** Two bridges that set the parts of a run side by side: inlets joined, and outlets. */
export interface ParallelBridge {
  readonly bridges: readonly [FittingPart, FittingPart];
  readonly edit: Edit;
}

/**
 * The two parts of a run side by side by a bridge each between their inlets and their outlets, as
 * two cards' terminals are joined. Null where their free ports do not face each other so.
 */
export function parallelBridge(
  system: System,
  loopId: string,
  linkId: string,
  offer: readonly Part[],
): ParallelBridge | null {
  const { design } = system,
    loop = design.loops.find((l) => l.id === loopId),
    connection = loop?.connections.find((l) => l.id === linkId);
  const first = connection?.from.component,
    second = connection?.to.component;
  const into = loop?.connections.filter((l) => l.to.component === first) ?? [],
    out = loop?.connections.filter((l) => l.from.component === second) ?? [];
  const [entry] = into,
    [exit] = out;
  if (!loop || !connection || !entry || !exit || into.length !== 1 || out.length !== 1) return null;
  const bridges = offer.filter(
    (p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge',
  );
  const join = (a: PortRef, b: PortRef): FittingPart | undefined => {
    const from = system.portAt(a),
      to = system.portAt(b),
      way = from && to ? facing(from, to) : null;
    return way ? bridges.find((f) => spans(way, f)) : undefined;
  };
  const chamberOf = (ref: PortRef): string | undefined =>
    portsOf(design, ref.component).find((p) => p.id === ref.port)?.chamber;
  // By which pair of free ports two chambers meet; those of the way in and out stay as they are.
  const pairOf = (a: PortRef, b: PortRef, kept: readonly PortRef[]) =>
    portsOf(design, a.component)
      .filter((p) => p.chamber === chamberOf(a))
      .flatMap((p) =>
        portsOf(design, b.component)
          .filter((q) => q.chamber === chamberOf(b))
          .flatMap((q) => {
            const from = { component: a.component, port: p.id },
              to = { component: b.component, port: q.id };
            const used = kept.some((k) => sameRef(k, from) || sameRef(k, to));
            const bridge = used ? undefined : join(from, to);
            return bridge ? [{ from, to, bridge }] : [];
          }),
      )[0];
  const kept = [entry.to, exit.from];
  const inlets = pairOf(entry.to, connection.to, kept),
    outlets = pairOf(connection.from, exit.from, kept);
  if (!inlets || !outlets) return null;
  const ends = { from: 'auto', to: 'auto' } as const;
  const id = freeId(
    design.loops.flatMap((l) => l.connections.map((k) => k.id)),
    'run',
  );
  const made: readonly Connection[] = [
    {
      id: connection.id,
      from: inlets.from,
      to: inlets.to,
      by: 'direct',
      bridge: inlets.bridge,
      ends,
    },
    { id, from: outlets.from, to: outlets.to, by: 'direct', bridge: outlets.bridge, ends },
  ];
  const after = loop.connections.flatMap((l) => (l === connection ? made : [l]));
  return {
    bridges: [inlets.bridge, outlets.bridge],
    edit: {
      do: 'batch',
      edits: [
        { do: 'loop.connections', loop: loop.id, connections: after },
        ...capEdits(loop.id, loop.connections, after),
      ],
    },
  };
}

const sameRef = (a: PortRef, b: PortRef): boolean =>
  a.component === b.component && a.port === b.port;

const portsOf = (design: Design, component: string): readonly Port[] => {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? part.ports : [];
};

/**
 * The links with the next part left by the side it was entered by; null where it has a direction,
 * or more than one way out.
 */
function turnedRound(
  design: Design,
  connections: readonly Connection[],
  connection: Connection,
  entry: Port,
  chamberIn: string | undefined,
  held: (ref: PortRef) => boolean,
): readonly Connection[] | null {
  const part = findComponent(design, connection.to.component)?.part,
    out = connections.filter((l) => l.from.component === connection.to.component),
    [only] = out;
  if (!part || !isWet(part) || part.passages.some((x) => x.oneWay) || !only || out.length !== 1)
    return null;
  const leave = part.ports.find(
    (p) =>
      p.chamber === chamberIn &&
      p.id !== entry.id &&
      p.role !== 'in' &&
      (p.id === connection.to.port || !held({ component: connection.to.component, port: p.id })),
  );
  return leave
    ? connections.map((l) =>
        l === only ? { ...l, from: { component: connection.to.component, port: leave.id } } : l,
      )
    : null;
}

/** Caps put off the ports that come into use, and plugs into those that fall free. */
function capEdits(
  loop: string,
  before: readonly Connection[],
  after: readonly Connection[],
): readonly Edit[] {
  const ports = (connections: readonly Connection[]): Map<string, PortRef> =>
    new Map(connections.flatMap((l) => [l.from, l.to]).map((r) => [`${r.component}/${r.port}`, r]));
  const was = ports(before),
    now = ports(after);
  return [
    ...[...now]
      .filter(([k]) => !was.has(k))
      .map(([, port]): Edit => ({ do: 'cap.set', loop, port, with: null })),
    ...[...was]
      .filter(([k]) => !now.has(k))
      .map(([, port]): Edit => ({ do: 'cap.set', loop, port, with: 'plug' })),
  ];
}
