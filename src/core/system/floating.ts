import { type Design, type ComponentId } from '../design';
import { isWet } from '../components';
import { add, scale, sub, unit, type Vec } from '../geometry';
import type { PlacedComponent, PlacedPort } from './types';

/** Rounds of averaging: pieces that hang next to each other settle between the parts beyond. */
const ROUNDS = 12;

/**
 * Where pieces that hang in their runs are until those are routed: at the middle of the ports they
 * lead to, each port facing the one it is joined with. An estimate; they have no body in the case
 * yet.
 */
export function placeFloating(
  design: Design,
  placed: ReadonlyMap<string, PlacedComponent>,
): ReadonlyMap<string, PlacedComponent> {
  const hanging = design.components.filter(
    (i) =>
      i.placement.on === 'line' &&
      isWet(i.part) &&
      placed.get(i.id)?.unplaced === null &&
      placed.get(i.id)?.frame === null,
  );
  if (hanging.length === 0) return placed;
  const middles = new Map<string, Vec>();
  const connections = design.loops.flatMap((l) => l.connections);
  const partner = (
    component: string,
    port?: string,
  ): readonly { readonly component: ComponentId; readonly port: string }[] =>
    connections.flatMap((l) => [
      ...(l.from.component === component && (port === undefined || l.from.port === port)
        ? [l.to]
        : []),
      ...(l.to.component === component && (port === undefined || l.to.port === port)
        ? [l.from]
        : []),
    ]);
  const place = (ref: { readonly component: ComponentId; readonly port: string }): Vec | null =>
    placed.get(ref.component)?.ports.find((p) => p.port.id === ref.port)?.at ??
    middles.get(ref.component) ??
    null;
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const component of hanging) {
      const near = partner(component.id)
        .map(place)
        .filter((v): v is Vec => v !== null);
      if (near.length > 0)
        middles.set(
          component.id,
          scale(
            near.reduce((a, b) => add(a, b)),
            1 / near.length,
          ),
        );
    }
  }
  const result = new Map(placed);
  for (const component of hanging) {
    const middle = middles.get(component.id),
      own = placed.get(component.id);
    if (!middle || !own || !isWet(component.part)) continue;
    const half = Math.min(...component.part.size.filter((s) => s > 0)) / 2;
    const ports = component.part.ports.map((port): PlacedPort => {
      const other =
        partner(component.id, port.id)
          .map(place)
          .find((v) => v !== null) ?? null;
      const direction = other ? unit(sub(other, middle)) : port.direction;
      return { component: component.id, port, at: add(middle, scale(direction, half)), direction };
    });
    result.set(component.id, { ...own, ports });
  }
  return result;
}
