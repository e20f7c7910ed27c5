import type { Design } from '../design';
import type { Box } from '../geometry';
import { graphOf } from './graph';
import { placeAll } from './place';
import type { LoopGraph, System, Solid } from './types';

/** A build made spatial and connected. Pure; works on any valid build, however unfinished. Inline parts stand where its layout says. */
export function compileSystem(design: Design): System {
  const placed = placeAll(design);
  const interior: Box | null = design.case ? { min: [0, 0, 0], max: design.case.interior } : null;
  const obstacles: Solid[] = (design.case?.obstacles ?? [])
    .filter((o) => !design.choices.removed.includes(o.id))
    .flatMap((o) =>
      (o.boxes ?? [{ min: o.min, max: o.max }]).map((box) => ({
        component: `case:${o.id}`,
        name: o.name,
        box,
      })),
    );
  let loops: readonly LoopGraph[] | null = null;
  return {
    design,
    placed,
    obstacles,
    interior,
    // Asked for by most, but not by those who only look where parts stand.
    get loops() {
      return (loops ??= design.loops.map((loop) => graphOf(design, loop)));
    },
    portAt: (ref) => placed.get(ref.component)?.ports.find((p) => p.port.id === ref.port) ?? null,
  };
}
