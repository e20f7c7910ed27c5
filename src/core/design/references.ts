import { isWet } from '../components';
import { msg } from '../messages';
import type { Design } from './types';

/** A place in a design that names what is not there. */
export interface LooseReference {
  readonly path: string;
  readonly message: string;
}

/** Whether following what a component comes with leads back to it. */
function comesWithItself({ components }: Design, id: string): boolean {
  const seen = new Set<string>();
  let at = components.find((c) => c.id === id)?.settings.partOf;
  while (at !== undefined && !seen.has(at)) {
    if (at === id) return true;
    seen.add(at);
    const next = at;
    at = components.find((c) => c.id === next)?.settings.partOf;
  }
  return false;
}

/** Links, caps and placements must name things that exist; an end may be used once. */
export function looseReferences(design: Design): LooseReference[] {
  const troubles: LooseReference[] = [];
  const has = (component: string, port: string): boolean => {
    const part = design.components.find((i) => i.id === component)?.part;
    return part !== undefined && isWet(part) && part.ports.some((p) => p.id === port);
  };
  const linkIds = new Set<string>();
  design.loops.forEach((loop, l) => {
    loop.connections.forEach((connection, k) => {
      const path = `loops[${l}].connections[${k}]`;
      if (linkIds.has(connection.id))
        troubles.push({
          path: `${path}.id`,
          message: msg`The run "${connection.id}" is there twice.`,
        });
      linkIds.add(connection.id);
      for (const side of ['from', 'to'] as const) {
        const r = connection[side];
        if (!has(r.component, r.port))
          troubles.push({
            path: `${path}.${side}`,
            message: msg`There is no port "${r.port}" on a part "${r.component}".`,
          });
      }
    });
    loop.caps.forEach((cap, c) => {
      if (!has(cap.component, cap.port))
        troubles.push({
          path: `loops[${l}].caps[${c}]`,
          message: msg`There is no port "${cap.port}" on a part "${cap.component}".`,
        });
    });
  });
  design.components.forEach((component, i) => {
    const p = component.placement;
    if (comesWithItself(design, component.id))
      troubles.push({
        path: `components[${i}].settings.partOf`,
        message: msg`Parts sold as one go round in a circle: one of them must carry the price.`,
      });
    if (
      (p.on === 'component' || p.on === 'radiator' || p.on === 'against') &&
      (p.component === component.id || !design.components.some((o) => o.id === p.component))
    )
      troubles.push({
        path: `components[${i}].placement.component`,
        message: msg`There is no other part "${p.component}" to sit on.`,
      });
  });
  return troubles;
}
