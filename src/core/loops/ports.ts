import { findComponent, type Design, type PortRef } from '../design';
import { heightOf, type PlacedPort, type System } from '../system';
import { isWet, type Port } from '../components';
import { distance, type Vec } from '../geometry';

/** Somewhere to measure from: the port's place, or null while the part has none. */
export const placeOf = (system: System, ref: PortRef): Vec | null => system.portAt(ref)?.at ?? null;

const apart = (a: Vec | null, b: Vec | null): number => (a && b ? distance(a, b) : 150);

export function portsOf(design: Design, component: string): readonly Port[] {
  const part = findComponent(design, component)?.part;
  return part && isWet(part) ? part.ports : [];
}

/** A part's in and out port for a stretch from one place to another. */
export interface Through {
  readonly in: string;
  readonly out: string;
  readonly cost: number;
}

/**
 * The pair of ports (in different chambers, in the allowed directions) that makes the two runs
 * shortest. Null when the part has none.
 */
export function passThrough(
  design: Design,
  system: System,
  component: string,
  from: Vec | null,
  to: Vec | null,
): Through | null {
  const ports = portsOf(design, component);
  const kind = findComponent(design, component)?.part.kind;
  const place = (p: Port): Vec | null => placeOf(system, { component, port: p.id });
  const height = (p: Port): number => {
    const at = place(p);
    return at ? heightOf(system, at) : p.at[1];
  };
  let best: Through | null = null;
  for (const a of ports) {
    if (a.role === 'out' || a.duty === 'fill' || (kind === 'reservoir' && a.duty === 'drain'))
      continue;
    for (const b of ports) {
      if (a.id === b.id || b.role === 'in' || b.duty === 'fill') continue;
      if (kind !== 'reservoir' && a.chamber === b.chamber) continue;
      if (kind === 'reservoir' && !feeds(b, ports, height)) continue;
      const cost = apart(from, place(a)) + apart(place(b), to);
      if (!best || cost < best.cost - 1e-9) best = { in: a.id, out: b.id, cost };
    }
  }
  return best;
}

/** A reservoir feeds from its lowest ports as it stands, so that it never gives air. */
const feeds = (port: Port, ports: readonly Port[], height: (p: Port) => number): boolean =>
  height(port) <= Math.min(...ports.map(height)) + 1e-6;

/** Middle of a part's ports in the case, or null. */
export function middleOf(system: System, component: string): Vec | null {
  const ports: readonly PlacedPort[] = system.placed.get(component)?.ports ?? [];
  if (ports.length === 0) return null;
  const sum = ports.reduce<Vec>(
    (s, p) => [s[0] + p.at[0], s[1] + p.at[1], s[2] + p.at[2]],
    [0, 0, 0],
  );
  return [sum[0] / ports.length, sum[1] / ports.length, sum[2] / ports.length];
}
