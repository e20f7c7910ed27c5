import type { Build } from '../design';
import { isWet } from '../components';
import { add, scale, sub, unit, type Vec } from '../geometry';
import type { PlacedItem, PlacedPort } from './types';

/** Rounds of averaging: pieces that hang next to each other settle between the parts beyond. */
const ROUNDS = 12;

/**
 * Where pieces that hang in their runs are until those are routed: at the middle of the ports they lead to, each port facing
 * the one it is joined with. An estimate; they have no body in the case yet.
 */
export function hangInLines(
  build: Build,
  placed: ReadonlyMap<string, PlacedItem>,
): ReadonlyMap<string, PlacedItem> {
  const hanging = build.items.filter(
    (i) =>
      i.placement.on === 'line' &&
      isWet(i.part) &&
      placed.get(i.id)?.unplaced === null &&
      placed.get(i.id)?.frame === null,
  );
  if (hanging.length === 0) return placed;
  const middles = new Map<string, Vec>();
  const links = build.loops.flatMap((l) => l.links);
  const partner = (
    item: string,
    port?: string,
  ): readonly { readonly item: string; readonly port: string }[] =>
    links.flatMap((l) => [
      ...(l.from.item === item && (port === undefined || l.from.port === port) ? [l.to] : []),
      ...(l.to.item === item && (port === undefined || l.to.port === port) ? [l.from] : []),
    ]);
  const place = (ref: { readonly item: string; readonly port: string }): Vec | null =>
    placed.get(ref.item)?.ports.find((p) => p.port.id === ref.port)?.at ??
    middles.get(ref.item) ??
    null;
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const item of hanging) {
      const near = partner(item.id)
        .map(place)
        .filter((v): v is Vec => v !== null);
      if (near.length > 0)
        middles.set(
          item.id,
          scale(
            near.reduce((a, b) => add(a, b)),
            1 / near.length,
          ),
        );
    }
  }
  const result = new Map(placed);
  for (const item of hanging) {
    const middle = middles.get(item.id),
      own = placed.get(item.id);
    if (!middle || !own || !isWet(item.part)) continue;
    const half = Math.min(...item.part.size.filter((s) => s > 0)) / 2;
    const ports = item.part.ports.map((port): PlacedPort => {
      const other =
        partner(item.id, port.id)
          .map(place)
          .find((v) => v !== null) ?? null;
      const direction = other ? unit(sub(other, middle)) : port.direction;
      return { item: item.id, port, at: add(middle, scale(direction, half)), direction };
    });
    result.set(item.id, { ...own, ports });
  }
  return result;
}
