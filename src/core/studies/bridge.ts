import type { Build, Edit, Link, PortRef } from '../design';
import { facing, spans, type Model } from '../system';
import { isWet, type FittingPart, type Part, type Port } from '../components';

/** A bridge that would do in place of a run's tube. */
export interface BridgeOffer {
  readonly bridge: FittingPart;
  readonly from: PortRef;
  readonly to: PortRef;
  readonly along_mm: number;
  /** The part it leads to is then passed the other way round. */ readonly turned: boolean;
  readonly edit: Edit;
}

/**
 * Bridges of the Stores that reach straight from one part of a run to the other, such as between the terminals of two cards, shortest first.
 * The coolant leaves by the same chamber as before; where it would enter the next part by its far side, that part is passed the other way round.
 */
export function bridgeOffers(
  model: Model,
  loopId: string,
  linkId: string,
  offer: readonly Part[],
): readonly BridgeOffer[] {
  const { build } = model,
    loop = build.loops.find((l) => l.id === loopId),
    link = loop?.links.find((l) => l.id === linkId);
  if (!loop || !link || link.by !== 'tube') return [];
  const bridges = offer.filter(
    (p): p is FittingPart => p.kind === 'fitting' && p.duty === 'bridge',
  );
  const from = portsOf(build, link.from.component),
    to = portsOf(build, link.to.component),
    chamberOut = from.find((p) => p.id === link.from.port)?.chamber,
    chamberIn = to.find((p) => p.id === link.to.port)?.chamber;
  const held = (ref: PortRef): boolean =>
    build.loops.some((l) =>
      l.links.some(
        (k) =>
          k !== link &&
          [k.from, k.to].some((r) => r.component === ref.component && r.port === ref.port),
      ),
    );
  const out: BridgeOffer[] = [];
  for (const p of from)
    for (const q of to) {
      const a: PortRef = { component: link.from.component, port: p.id },
        b: PortRef = { component: link.to.component, port: q.id };
      if (p.chamber !== chamberOut || p.role === 'in' || q.role === 'out' || held(a) || held(b))
        continue;
      const pa = model.portAt(a),
        pb = model.portAt(b),
        way = pa && pb ? facing(pa, pb) : null,
        bridge = way ? bridges.find((f) => spans(way, f)) : undefined;
      if (!way || !bridge) continue;
      const turned = q.chamber !== chamberIn,
        links = turned ? turnedRound(build, loop.links, link, q, chamberIn, held) : loop.links;
      if (!links) continue;
      const next: Link = {
          id: link.id,
          from: a,
          to: b,
          by: 'joint',
          bridge,
          ends: { from: 'auto', to: 'auto' },
        },
        after = links.map((l) => (l.id === link.id ? next : l));
      out.push({
        bridge,
        from: a,
        to: b,
        along_mm: way.along_mm,
        turned,
        edit: {
          do: 'batch',
          edits: [
            { do: 'loop.links', loop: loop.id, links: after },
            ...capEdits(loop.id, loop.links, after),
          ],
        },
      });
    }
  return out.sort((a, b) => Number(a.turned) - Number(b.turned) || a.along_mm - b.along_mm);
}

const portsOf = (build: Build, component: string): readonly Port[] => {
  const part = build.components.find((i) => i.id === component)?.part;
  return part && isWet(part) ? part.ports : [];
};

/** The links with the next part left by the side it was entered by; null where it has a direction, or more than one way out. */
function turnedRound(
  build: Build,
  links: readonly Link[],
  link: Link,
  entry: Port,
  chamberIn: string | undefined,
  held: (ref: PortRef) => boolean,
): readonly Link[] | null {
  const part = build.components.find((i) => i.id === link.to.component)?.part,
    out = links.filter((l) => l.from.component === link.to.component),
    [only] = out;
  if (!part || !isWet(part) || part.passages.some((x) => x.oneWay) || !only || out.length !== 1)
    return null;
  const leave = part.ports.find(
    (p) =>
      p.chamber === chamberIn &&
      p.id !== entry.id &&
      p.role !== 'in' &&
      (p.id === link.to.port || !held({ component: link.to.component, port: p.id })),
  );
  return leave
    ? links.map((l) =>
        l === only ? { ...l, from: { component: link.to.component, port: leave.id } } : l,
      )
    : null;
}

/** Caps put off the ports that come into use, and plugs into those that fall free. */
function capEdits(loop: string, before: readonly Link[], after: readonly Link[]): readonly Edit[] {
  const ports = (links: readonly Link[]): Map<string, PortRef> =>
    new Map(links.flatMap((l) => [l.from, l.to]).map((r) => [`${r.component}/${r.port}`, r]));
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
