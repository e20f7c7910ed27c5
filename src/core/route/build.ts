import type { Build } from '../build';
import { resolve } from '../model';
import type { Frame } from '../shape';
import { routeAll, routeOne, type Routed } from './all';
import { placePieces } from './pieces';

/** All that routing found of a build: places of hanging pieces, and the ways of its runs. Plain data. */
export interface RoutedBuild { readonly frames: readonly (readonly [item: string, frame: Frame])[]; readonly routed: Routed }

/** Places what hangs in the runs and routes them all. Pure, deterministic; seconds. */
export function routeBuild(build: Build, tell: (done: number, of: number) => boolean = () => true): RoutedBuild {
  const frames = placePieces(build);
  return { frames: [...frames], routed: routeAll(resolve(build, frames), tell) };
}

/** The same with one run laid anew past the others: fast enough for a hand that drags. */
export const rerouteRun = (build: Build, found: RoutedBuild, link: string): RoutedBuild => ({ frames: found.frames, routed: routeOne(resolve(build, new Map(found.frames)), found.routed, link) });

const alike = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Whether two builds have the same parts in the same places, joined the same way: what was routed in one holds in the other. */
export function sameSpace(a: Build, b: Build): boolean {
  return alike(a.case?.id, b.case?.id) && alike(a.case?.interior, b.case?.interior) && alike(a.choices.removed, b.choices.removed) && a.brief.limits.clear_mm === b.brief.limits.clear_mm && alike(a.kit, b.kit)
    && a.items.length === b.items.length && a.items.every((i, k) => { const j = b.items[k]; return j !== undefined && i.id === j.id && (i.part === j.part || i.part.id === j.part.id) && alike(i.placement, j.placement); })
    && a.loops.length === b.loops.length && a.loops.every((l, k) => { const m = b.loops[k]; return m !== undefined && l.tube.id === m.tube.id && l.fitting.id === m.fitting.id && alike(l.links, m.links) && alike(l.caps, m.caps); });
}
