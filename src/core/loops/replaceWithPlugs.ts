import type { Build, Edit } from '../design';
import { isWet, type ItemPart } from '../components';

/** Another part in an item's place, with plugs in the ports that the loop does not use: nothing is left open. */
export function replaceWithPlugs(build: Build, item: string, part: ItemPart): Edit {
  const replace: Edit = { do: 'item.replace', item, part };
  const loop = build.loops.find((l) =>
    l.links.some((k) => k.from.item === item || k.to.item === item),
  );
  if (!loop || !isWet(part)) return replace;
  const used = new Set(
    [...loop.links.flatMap((k) => [k.from, k.to]), ...loop.caps]
      .filter((ref) => ref.item === item)
      .map((ref) => ref.port),
  );
  const open = part.ports.filter((port) => !used.has(port.id));
  const plugs = open.map((port): Edit => ({
    do: 'cap.set',
    loop: loop.id,
    port: { item, port: port.id },
    with: 'plug',
  }));
  return plugs.length === 0 ? replace : { do: 'batch', edits: [replace, ...plugs] };
}
