import { isWet } from '../components';
import type { Design } from '../design';

/** Wet parts that no loop touches yet. */
export function looseParts(design: Design): readonly string[] {
  const used = new Set(
    design.loops.flatMap((l) => l.connections.flatMap((k) => [k.from.component, k.to.component])),
  );
  return design.components.filter((i) => isWet(i.part) && !used.has(i.id)).map((i) => i.id);
}
