import {
  freeId,
  type Build,
  type Edit,
  type Item,
  type Link,
  type Loop,
  type Placement,
  type PortRef,
} from '../design';
import { resolve } from '../system';
import type { InlinePart, PumpPart } from '../components';
import { passThrough, placeOf } from './ports';
import { reorderLoop } from './propose';

/** Takes ids that no item or run has yet, one after another. */
function idsOf(build: Build): { item(stem: string): string; run(): string } {
  const items = build.items.map((i) => i.id),
    runs = build.loops.flatMap((l) => l.links.map((k) => k.id));
  const take = (list: string[], stem: string): string => {
    const id = freeId(list, stem);
    list.push(id);
    return id;
  };
  return { item: (stem) => take(items, stem), run: () => take(runs, 'run') };
}

const auto = { from: 'auto', to: 'auto' } as const;
const tube = (id: string, from: PortRef, to: PortRef): Link => ({
  id,
  from,
  to,
  by: 'tube',
  ends: auto,
});

/** The three ports of a tee by its chambers; null when the part is none. */
export function teePorts(
  part: InlinePart,
): { readonly a: string; readonly b: string; readonly branch: string } | null {
  if (!part.tee) return null;
  const port = (chamber: string): string | undefined =>
    part.ports.find((p) => p.chamber === chamber)?.id;
  const a = port(part.tee.run[0]),
    b = port(part.tee.run[1]),
    branch = port(part.tee.branch);
  return a !== undefined && b !== undefined && branch !== undefined ? { a, b, branch } : null;
}

const hanging = (
  id: string,
  name: string,
  part: Item['part'],
  placement: Placement = { on: 'line' },
): Item => ({ id, name, part, placement, settings: {} });

/** In and out run of an item with exactly one of each in its loop. */
function through(loop: Loop, item: string): { readonly in: Link; readonly out: Link } | null {
  const ins = loop.links.filter((l) => l.to.item === item),
    outs = loop.links.filter((l) => l.from.item === item);
  return ins.length === 1 && outs.length === 1
    ? { in: ins[0] as Link, out: outs[0] as Link }
    : null;
}

/** Why blocks cannot be set side by side; null when they can. */
export function whyNoSplit(build: Build, loopId: string, items: readonly string[]): string | null {
  const loop = build.loops.find((l) => l.id === loopId);
  if (!loop) return 'There is no such loop.';
  if (items.length < 2) return 'It takes two parts or more.';
  const bad = items.find((i) => !through(loop, i));
  if (bad !== undefined)
    return `${build.items.find((i) => i.id === bad)?.name ?? bad} has not one run in and one out.`;
  return null;
}

/**
 * Sets parts side by side: the flow splits before the first of them, one tee for each further part, and joins again behind. What lay
 * between them in the row moves behind the join. Null when one of them is not simply passed through, or the tee is none.
 */
export function splitEdit(
  build: Build,
  loopId: string,
  items: readonly string[],
  tee: InlinePart,
): Edit | null {
  const loop = build.loops.find((l) => l.id === loopId),
    ports = teePorts(tee);
  if (!loop || !ports || whyNoSplit(build, loopId, items) !== null) return null;
  const ids = idsOf(build);
  let links: readonly Link[] = loop.links;
  const pieces = items.map((item) => through(loop, item) as { in: Link; out: Link });
  const entry = pieces.map((p) => p.in.to),
    exit = pieces.map((p) => p.out.from);
  const first = items[0] as string;
  // Take all but the first out of the row, then open the row around the first.
  for (const item of items.slice(1)) links = healed(links, item, ids.run);
  const into = links.find((l) => l.to.item === first),
    out = links.find((l) => l.from.item === first);
  if (!into || !out) return null;
  const n = items.length;
  const makeTees = (word: string): Item[] =>
    Array.from({ length: n - 1 }, (_, i) =>
      hanging(ids.item('tee'), n > 2 ? `${word} ${i + 1}` : word, tee),
    );
  const splits = makeTees('Split'),
    joins = makeTees('Join');
  const at = (tees: readonly Item[], i: number, port: string): PortRef => ({
    item: (tees[i] as Item).id,
    port,
  });
  const fresh: Link[] = [
    { ...into, to: at(splits, 0, ports.a), by: 'tube', ends: { from: into.ends.from, to: 'auto' } },
  ];
  for (let i = 0; i < n - 1; i += 1) {
    fresh.push(tube(ids.run(), at(splits, i, ports.branch), entry[i] as PortRef));
    fresh.push(
      tube(
        ids.run(),
        at(splits, i, ports.b),
        i === n - 2 ? (entry[n - 1] as PortRef) : at(splits, i + 1, ports.a),
      ),
    );
  }
  fresh.push(tube(ids.run(), exit[0] as PortRef, at(joins, 0, ports.a)));
  for (let i = 0; i < n - 1; i += 1) {
    fresh.push(tube(ids.run(), exit[i + 1] as PortRef, at(joins, i, ports.branch)));
    if (i < n - 2) fresh.push(tube(ids.run(), at(joins, i, ports.b), at(joins, i + 1, ports.a)));
  }
  fresh.push({
    ...out,
    from: at(joins, n - 2, ports.b),
    by: 'tube',
    ends: { from: 'auto', to: out.ends.to },
  });
  const rest = links.filter((l) => l !== into && l !== out);
  return {
    do: 'batch',
    edits: [
      ...[...splits, ...joins].map((item): Edit => ({ do: 'item.add', item })),
      { do: 'loop.links', loop: loopId, links: [...fresh, ...rest] },
    ],
  };
}

/** The run over an item that is taken out of its row. */
function healed(links: readonly Link[], item: string, id: () => string): readonly Link[] {
  const into = links.find((l) => l.to.item === item),
    out = links.find((l) => l.from.item === item);
  if (!into || !out) return links;
  const rest = links.filter((l) => l !== into && l !== out);
  return into.from.item === out.to.item ? rest : [...rest, tube(id(), into.from, out.to)];
}

/** A second pump of the same loop behind the first, or beside it between two tees. Null when the first is not simply passed through. */
export function secondPump(
  build: Build,
  loopId: string,
  pump: string,
  part: PumpPart,
  how: 'series' | 'parallel',
  tee: InlinePart | null,
  placement: Placement,
): Edit | null {
  const loop = build.loops.find((l) => l.id === loopId);
  const way = loop && through(loop, pump);
  const first = build.items.find((i) => i.id === pump);
  const inlet = part.ports.find((p) => p.role === 'in')?.id,
    outlet = part.ports.find((p) => p.role === 'out')?.id;
  if (!loop || !way || !first || inlet === undefined || outlet === undefined) return null;
  const ids = idsOf(build);
  const speed = first.settings.speed_rpm;
  const settings =
    speed === undefined
      ? {}
      : { speed_rpm: Math.min(part.fullSpeed_rpm, Math.max(part.minSpeed_rpm, speed)) };
  const second: Item = {
    ...hanging(ids.item('pump'), `${first.name}, second`, part, placement),
    settings,
  };
  const rest = loop.links.filter((l) => l !== way.out && (how === 'series' || l !== way.in));
  const caps = part.ports
    .filter((p) => p.id !== inlet && p.id !== outlet)
    .map((p): Edit => ({
      do: 'cap.set',
      loop: loopId,
      port: { item: second.id, port: p.id },
      with: 'plug',
    }));
  if (how === 'series') {
    const links = [
      ...rest,
      { ...way.out, to: { item: second.id, port: inlet }, by: 'tube' as const, ends: auto },
      tube(ids.run(), { item: second.id, port: outlet }, way.out.to),
    ];
    return {
      do: 'batch',
      edits: [{ do: 'item.add', item: second }, { do: 'loop.links', loop: loopId, links }, ...caps],
    };
  }
  const ports = tee && teePorts(tee);
  if (!tee || !ports) return null;
  const split = hanging(ids.item('tee'), 'Split before the pumps', tee),
    join = hanging(ids.item('tee'), 'Join after the pumps', tee);
  const links = [
    ...rest,
    { ...way.in, to: { item: split.id, port: ports.a }, by: 'tube' as const, ends: auto },
    tube(ids.run(), { item: split.id, port: ports.b }, way.in.to),
    tube(ids.run(), { item: split.id, port: ports.branch }, { item: second.id, port: inlet }),
    tube(ids.run(), way.out.from, { item: join.id, port: ports.a }),
    tube(ids.run(), { item: second.id, port: outlet }, { item: join.id, port: ports.branch }),
    { ...way.out, from: { item: join.id, port: ports.b }, by: 'tube' as const, ends: auto },
  ];
  return {
    do: 'batch',
    edits: [second, split, join]
      .map((item): Edit => ({ do: 'item.add', item }))
      .concat([{ do: 'loop.links', loop: loopId, links }, ...caps]),
  };
}

/** Moves a part that is simply passed through into another run, the gap it leaves closed. Works in branched loops. Null when it cannot. */
export function moveInto(build: Build, loopId: string, item: string, linkId: string): Edit | null {
  const loop = build.loops.find((l) => l.id === loopId);
  const way = loop && through(loop, item);
  if (!loop || !way || way.in.id === linkId || way.out.id === linkId) return null;
  const ids = idsOf(build);
  const links = healed(loop.links, item, ids.run);
  const target = links.find((l) => l.id === linkId);
  if (!target) return null;
  const model = resolve(build);
  const ports = passThrough(
    build,
    model,
    item,
    placeOf(model, target.from),
    placeOf(model, target.to),
  ) ?? { in: way.in.to.port, out: way.out.from.port };
  const used = [ports.in, ports.out],
    was = [way.in.to.port, way.out.from.port];
  return {
    do: 'batch',
    edits: [
      {
        do: 'loop.links',
        loop: loopId,
        links: links.flatMap((l) =>
          l === target
            ? [
                { ...target, to: { item, port: ports.in }, by: 'tube' as const, ends: auto },
                tube(ids.run(), { item, port: ports.out }, target.to),
              ]
            : [l],
        ),
      },
      ...used
        .filter((p) => !was.includes(p))
        .map((port): Edit => ({ do: 'cap.set', loop: loopId, port: { item, port }, with: null })),
      ...was
        .filter((p) => !used.includes(p))
        .map((port): Edit => ({ do: 'cap.set', loop: loopId, port: { item, port }, with: 'plug' })),
    ],
  };
}

/** Everything of a loop in one row again: its tees are let go, what stood side by side stands one behind the other. */
export function rowEdit(build: Build, loopId: string): Edit | null {
  const graph = resolve(build).loops.find((g) => g.loop.id === loopId);
  if (!graph?.branched) return null;
  const isTee = (id: string): boolean => {
    const part = build.items.find((i) => i.id === id)?.part;
    return part?.kind === 'inline' && part.tee !== undefined;
  };
  const tees = graph.stations.filter(isTee);
  return {
    do: 'batch',
    edits: [
      reorderLoop(
        build,
        loopId,
        graph.stations.filter((s) => !isTee(s)),
      ),
      ...tees.map((item): Edit => ({ do: 'item.remove', item })),
    ],
  };
}
