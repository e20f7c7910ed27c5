import { type Component, type Connection, type Design, type Loop } from '../design';
import { isWet, type Port, type WetPart } from '../components';
import { dot, norm, scale, sub } from '../geometry';

/** An inline part that its runs pass straight through. */
export interface Threaded {
  readonly component: Component & { readonly part: WetPart };
  readonly inlet: Port;
  readonly outlet: Port;
}

/** Runs that are one tube but for the parts that hang in them, in flow order. */
export interface Chain {
  readonly loop: Loop;
  readonly runs: readonly Connection[];
  /** Between each run and the next. */
  readonly parts: readonly Threaded[];
}

/**
 * Chains of runs through hanging parts that have no place yet: a part belongs to one where two of
 * its tubes meet two ports in line. What the builder asked of such an end (an elbow, another tube
 * on one side) parts the chain.
 */
export function chainsOf(design: Design, placed: ReadonlySet<string>): readonly Chain[] {
  return design.loops.flatMap((loop) => {
    const threads = new Map<string, { readonly into: Connection; readonly out: Connection }>();
    const threaded = new Map<string, Threaded>();
    for (const component of design.components) {
      if (component.placement.on !== 'line' || placed.has(component.id)) continue;
      const found = threadOf(loop, component);
      if (!found) continue;
      threads.set(component.id, found);
      threaded.set(component.id, found.part);
    }
    const isStart = (into: Connection): boolean => !threads.has(into.from.component);
    return [...threads.values()]
      .filter(({ into }) => isStart(into))
      .map(({ into }): Chain => {
        const runs = [into];
        const parts: Threaded[] = [];
        for (
          let thread = threads.get(into.to.component);
          thread && runs.length <= loop.connections.length;
          thread = threads.get(thread.out.to.component)
        ) {
          parts.push(threaded.get(thread.out.from.component) as Threaded);
          runs.push(thread.out);
        }
        return { loop, runs, parts };
      });
  });
}

/** The two tubes that pass straight through a part, and the ports they do it by. */
function threadOf(
  loop: Loop,
  component: Component,
): { readonly into: Connection; readonly out: Connection; readonly part: Threaded } | null {
  const { part, id } = component;
  if (!isWet(part)) return null;
  const port = (name: string): Port | undefined => part.ports.find((p) => p.id === name);
  const tubes = loop.connections.filter((c) => c.by === 'tube');
  for (const into of tubes.filter((c) => c.to.component === id))
    for (const out of tubes.filter((c) => c.from.component === id)) {
      const inlet = port(into.to.port),
        outlet = port(out.from.port);
      if (!inlet || !outlet || !inLine(inlet, outlet)) continue;
      const plain = [into.ends.to, out.ends.from].every((e) => e === 'auto' || e === 'straight');
      const own = into.tube?.id !== out.tube?.id || into.constraints || out.constraints;
      if (!plain || own) continue;
      return { into, out, part: { component: { ...component, part }, inlet, outlet } };
    }
  return null;
}

/** Two ports that look away from each other along one line. */
function inLine(a: Port, b: Port): boolean {
  const apart = sub(b.at, a.at);
  const along = dot(apart, b.direction);
  return (
    dot(a.direction, b.direction) < -1 + 1e-6 &&
    along > 0 &&
    norm(sub(apart, scale(b.direction, along))) < 1e-6
  );
}

/**
 * The build with each chain as one run, under the id of its first, and what hangs in it left out;
 * so are other hanging parts that have no place yet.
 */
export function unthreaded(
  design: Design,
  chains: readonly Chain[],
  placed: ReadonlySet<string>,
): Design {
  const gone = new Set(
    design.components
      .filter((c) => c.placement.on === 'line' && !placed.has(c.id))
      .map((c) => c.id),
  );
  const whole = new Map(
    chains.map(({ runs }): [string, Connection] => {
      const [first, last] = [runs[0], runs[runs.length - 1]] as [Connection, Connection];
      return [
        first.id,
        { ...first, to: last.to, ends: { from: first.ends.from, to: last.ends.to } },
      ];
    }),
  );
  return {
    ...design,
    components: design.components.filter((c) => !gone.has(c.id)),
    loops: design.loops.map((loop) => ({
      ...loop,
      caps: loop.caps.filter((c) => !gone.has(c.component)),
      connections: loop.connections
        .map((c) => whole.get(c.id) ?? c)
        .filter((c) => !gone.has(c.from.component) && !gone.has(c.to.component)),
    })),
  };
}
