import type { Design, Edit } from '../design';
import { isWet, type ComponentPart } from '../components';

/**
 * Another part in a component's place, with plugs in the ports that the loop does not use: nothing
 * is left open.
 */
export function replaceWithPlugs(design: Design, component: string, part: ComponentPart): Edit {
  const replace: Edit = { do: 'component.replace', component, part };
  const loop = design.loops.find((l) =>
    l.connections.some((k) => k.from.component === component || k.to.component === component),
  );
  if (!loop || !isWet(part)) return replace;
  const used = new Set(
    [...loop.connections.flatMap((k) => [k.from, k.to]), ...loop.caps]
      .filter((ref) => ref.component === component)
      .map((ref) => ref.port),
  );
  const open = part.ports.filter((port) => !used.has(port.id));
  const plugs = open.map((port): Edit => ({
    do: 'cap.set',
    loop: loop.id,
    port: { component, port: port.id },
    with: 'plug',
  }));
  return plugs.length === 0 ? replace : { do: 'batch', edits: [replace, ...plugs] };
}
