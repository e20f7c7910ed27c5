import type { Cap, CapAdapter, PortRef } from '../design';
import type { FittingPart } from '../components';
import { bodiesMeet, cylinderBox, cylinderFrom, type Body, type Vec } from '../geometry';
import { heightOf, reachOf, type PlacedPort, type System } from '../system';
import { capBodies } from '../tubing';

/** Ways an elbow under a valve may look, in the order they are tried: down, to the glass, round. */
const LOOKS: readonly Vec[] = [
  [0, -1, 0],
  [0, 0, 1],
  [1, 0, 0],
  [-1, 0, 0],
  [0, 0, -1],
  [0, 1, 0],
];

/** What may be screwed in before a cap at a port: nothing, an extender, an elbow either way. */
export const capAdapters = ({ direction }: PlacedPort): readonly (CapAdapter | undefined)[] => [
  undefined,
  { piece: 'extender' },
  ...LOOKS.filter(
    (d) => Math.abs(d[0] * direction[0] + d[1] * direction[1] + d[2] * direction[2]) < 0.5,
  ).map((d): CapAdapter => ({ piece: 'rotary90', direction: d })),
];

/**
 * Whether what closes a port has room there: within the room of the case the port is in, and clear
 * of every other part, of cages and of the fittings of runs. True without a case.
 */
export function capFits(system: System, cap: Cap, fittings: readonly Body[] = []): boolean {
  const at = system.portAt(cap);
  if (!at) return true;
  const bodies = capBodies(system, cap);
  const reach = system.rooms && reachOf(system.rooms, [at.at]);
  const inside = (b: Body): boolean =>
    !reach ||
    ([0, 1, 2] as const).every((i) => b.box.min[i] >= reach.min[i] && b.box.max[i] <= reach.max[i]);
  const others: Body[] = [
    ...[...system.placed.values()].flatMap((p) => (p.id === cap.component ? [] : p.solids)),
    ...system.obstacles,
    ...fittings,
  ];
  const own = system.placed.get(cap.component)?.solids ?? [];
  return bodies.every(
    (b, i) =>
      inside(b) &&
      !others.some((o) => bodiesMeet(b, o)) &&
      // The first piece stands on its own part; what turns back may meet it.
      (i === 0 || !own.some((o) => bodiesMeet(b, o))),
  );
}

/** The fittings that will be in ports of runs. */
export const fittingBodies = (
  system: System,
  ports: readonly PortRef[],
  { length_mm, diameter_mm }: FittingPart,
): readonly Body[] =>
  ports.flatMap((ref) => {
    const at = system.portAt(ref);
    if (!at) return [];
    const cylinder = cylinderFrom(at.at, at.direction, length_mm, diameter_mm / 2);
    return [{ box: cylinderBox(cylinder), cylinder }];
  });

/**
 * Where a loop is drained: the lowest spare port at which the valve has room, straight in, on an
 * extender or on an elbow. Null where it has room at none.
 */
export function lowestDrain(
  system: System,
  spares: readonly PortRef[],
  fittings: readonly Body[],
): Cap | null {
  const placed = spares
    .flatMap(({ component, port }) => {
      const at = system.portAt({ component, port });
      return at ? [{ component, port, at }] : [];
    })
    .sort((a, b) => heightOf(system, a.at.at) - heightOf(system, b.at.at));
  for (const { component, port, at } of placed)
    for (const under of capAdapters(at)) {
      const cap: Cap = { component, port, with: 'drain', ...(under ? { under } : {}) };
      if (capFits(system, cap, fittings)) return cap;
    }
  return null;
}
