import type { Build } from '../design';
import type { Box } from '../geometry';
import { graphOf } from './graph';
import { placeAll } from './place';
import type { LoopGraph, Model, Solid } from './types';

/** A build made spatial and connected. Pure; works on any valid build, however unfinished. Inline parts stand where its layout says. */
export function resolve(build: Build): Model {
  const placed = placeAll(build);
  const interior: Box | null = build.case ? { min: [0, 0, 0], max: build.case.interior } : null;
  const obstacles: Solid[] = (build.case?.obstacles ?? [])
    .filter((o) => !build.choices.removed.includes(o.id))
    .flatMap((o) =>
      (o.boxes ?? [{ min: o.min, max: o.max }]).map((box) => ({
        component: `case:${o.id}`,
        name: o.name,
        box,
      })),
    );
  let loops: readonly LoopGraph[] | null = null;
  return {
    build,
    placed,
    obstacles,
    interior,
    // Asked for by most, but not by those who only look where parts stand.
    get loops() {
      return (loops ??= build.loops.map((loop) => graphOf(build, loop)));
    },
    portAt: (ref) => placed.get(ref.component)?.ports.find((p) => p.port.id === ref.port) ?? null,
  };
}
