import { applyEdit, type Design, type Edit, type Connection, type Loop } from '../design';
import { compileSystem, type System } from '../system';
import { isWet, type Port } from '../components';
import { layoutEdit, routeDesign, withFrames, type RoutedDesign } from '../routing';
import { add, distance, dot, scale, sub, unit, type Vec } from '../geometry';

export interface PortsFound {
  readonly edit: Edit;
  readonly before: RoutedDesign;
  readonly after: RoutedDesign;
  /** Runs that go to other ports. */
  readonly moved: readonly string[];
}

/** Rounds over all parts: what one part takes changes what is best for the next. */
const ROUNDS = 3;
/**
 * A port that looks away from where its run goes costs so much for each turn, mm: an elbow or two
 * bends.
 */
const TURN_MM = 70;
/** How far out of a port its run is reckoned from, mm. */
const STUB_MM = 30;

/**
 * Ports for a loop's runs that make the routed whole better: for every part passed through once,
 * each pair of its ports in different chambers is weighed by way and turns to its neighbours, over
 * and over until none changes; then both are routed, and the new one is told only when fewer runs
 * are without a way, or the tube with its bends comes out cheaper. Null when it does not.
 */
export function betterPorts(
  design: Design,
  tell: (done: number, of: number) => boolean = () => true,
): PortsFound | null {
  if (!tell(0, 2)) return null;
  const before = routeDesign(design);
  const system = compileSystem(withFrames(design, before));
  if (!tell(1, 2)) return null;
  const loops = design.loops.map((loop) => ({ loop, links: chosen(system, design, loop) }));
  const moved = loops.flatMap(({ loop, links: connections }) =>
    connections.filter((l, i) => l !== loop.connections[i]).map((l) => l.id),
  );
  if (moved.length === 0) return null;
  const edits = loops.flatMap(({ loop, links: connections }): Edit[] => {
    const used = (list: readonly Connection[], component: string, port: string): boolean =>
      list.some(
        (l) =>
          (l.from.component === component && l.from.port === port) ||
          (l.to.component === component && l.to.port === port),
      );
    const was = loop.connections.flatMap((l) => [l.from, l.to]),
      now = connections.flatMap((l) => [l.from, l.to]);
    return [
      { do: 'loop.connections', loop: loop.id, connections },
      ...now
        .filter((p) => !used(loop.connections, p.component, p.port))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: null })),
      ...was
        .filter((p) => !used(connections, p.component, p.port))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: 'plug' })),
    ];
  });
  const ported = applyEdit(design, { do: 'batch', edits }).design;
  const after = routeDesign(ported);
  const laid = layoutEdit(ported, after);
  // What is offered is what was routed, to the last corner.
  const edit: Edit = { do: 'batch', edits: laid ? [...edits, laid] : edits };
  const worth = (r: RoutedDesign): number => r.routed.routes.reduce((s, x) => s + x.cost, 0);
  const better =
    after.routed.missing.length < before.routed.missing.length ||
    (after.routed.missing.length === before.routed.missing.length &&
      worth(after) < worth(before) - 1);
  return better ? { edit, before, after, moved } : null;
}

function chosen(system: System, design: Design, loop: Loop): readonly Connection[] {
  let connections = loop.connections;
  for (let round = 0; round < ROUNDS; round += 1) {
    let changed = false;
    for (const component of design.components) {
      const { part } = component;
      if (!isWet(part) || part.kind === 'pump') continue;
      const into = connections.filter((l) => l.to.component === component.id),
        out = connections.filter((l) => l.from.component === component.id),
        [a] = into,
        [b] = out;
      if (
        into.length !== 1 ||
        out.length !== 1 ||
        !a ||
        !b ||
        a.by === 'direct' ||
        b.by === 'direct' ||
        design.layout.routes[a.id]?.pinned ||
        design.layout.routes[b.id]?.pinned
      )
        continue;
      const chamber = (id: string): string | undefined =>
        part.ports.find((p) => p.id === id)?.chamber;
      const free = (p: Port): boolean =>
        p.duty === undefined &&
        !loop.caps.some(
          (c) => c.component === component.id && c.port === p.id && c.with !== 'plug',
        );
      let best: { readonly i: string; readonly o: string; readonly cost: number } | null = null;
      const now =
        cost(system, a.from, { component: component.id, port: a.to.port }) +
        cost(system, { component: component.id, port: b.from.port }, b.to);
      for (const i of part.ports)
        for (const o of part.ports) {
          if (i.id === o.id || i.role === 'out' || o.role === 'in' || !free(i) || !free(o))
            continue;
          // The same two chambers, either way round where the part lets it: a reservoir's is one.
          const same = i.chamber === chamber(a.to.port) && o.chamber === chamber(b.from.port),
            turned =
              i.chamber === chamber(b.from.port) &&
              o.chamber === chamber(a.to.port) &&
              part.passages.every((p) => !p.oneWay);
          if (
            part.kind === 'reservoir'
              ? o.id !== b.from.port
              : !(same || turned) || i.chamber === o.chamber
          )
            continue;
          const c =
            cost(system, a.from, { component: component.id, port: i.id }) +
            cost(system, { component: component.id, port: o.id }, b.to);
          if (c < now - 1 && (!best || c < best.cost - 1e-9)) best = { i: i.id, o: o.id, cost: c };
        }
      if (!best) continue;
      const pick = best;
      connections = connections.map((l) => {
        if (l === a) return { ...l, to: { component: component.id, port: pick.i } };
        if (l === b) return { ...l, from: { component: component.id, port: pick.o } };
        return l;
      });
      changed = true;
    }
    if (!changed) break;
  }
  return connections;
}

/** Way between two ports along the axes, and the turns their directions ask for. */
function cost(system: System, from: Connection['from'], to: Connection['to']): number {
  const p = system.portAt(from),
    q = system.portAt(to);
  if (!p || !q) return 1000;
  const a = add(p.at, scale(p.direction, STUB_MM)),
    b = add(q.at, scale(q.direction, STUB_MM)),
    way: Vec = sub(b, a);
  if (distance(a, b) < 1) return 0;
  const u = unit(way),
    turns = (1 - dot(p.direction, u)) / 2 + (1 + dot(q.direction, u)) / 2;
  return Math.abs(way[0]) + Math.abs(way[1]) + Math.abs(way[2]) + 2 * TURN_MM * turns;
}
