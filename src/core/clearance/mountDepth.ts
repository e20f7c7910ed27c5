import { type ComponentId } from '../design';
import { type System, type Solid, solidLabel } from '../system';
import type { Mount } from '../components';
import { boxGap, boxOf, add, scale, union, type Box, type Vec } from '../geometry';

export interface MountDepth {
  readonly mount: string;
  /** What the case's maker says, mm. */
  readonly published_mm: number;
  /** Taken by what hangs there now, mm. */
  readonly used_mm: number;
  /** To the first thing in the way over the stack's whole face, mm. */
  readonly free_mm: number;
  readonly blockedBy: string | null;
  /** Its component, or `case:…`. */
  readonly blockedByComponent: ComponentId | null;
}

/** The whole rail, as wide as its widest fans. */
function railFace(mount: Mount): Box {
  const width = Math.max(...mount.fans.map((f) => f.size_mm));
  return boxOf(
    add(mount.at, scale(mount.across, -width / 2)),
    add(add(mount.at, scale(mount.across, width / 2)), scale(mount.along, mount.length_mm)),
  );
}

/** A box stretched along one axis between two planes. */
function along(face: Box, axis: 0 | 1 | 2, from: number, to: number): Box {
  const put = (v: Vec, value: number): Vec => [
    axis === 0 ? value : v[0],
    axis === 1 ? value : v[1],
    axis === 2 ? value : v[2],
  ];
  return { min: put(face.min, Math.min(from, to)), max: put(face.max, Math.max(from, to)) };
}

/**
 * Depth a mount really has: from its frame inward to the first solid in front of what hangs there
 * (the whole rail while nothing does).
 */
export function mountDepthAt(system: System, mount: Mount): MountDepth {
  const { mates } = system;
  const mounted = mates.onMount(mount.id);
  const hangs = new Set(mounted.flatMap((id) => [id, ...mates.standingOn(id)]));
  const inward = mount.inward;
  const axis = inward.findIndex((d) => d !== 0) as 0 | 1 | 2;
  const sign = inward[axis] as number;
  const own = [...system.placed.values()].filter((p) => hangs.has(p.id)).flatMap((p) => p.solids);
  const face = own.length > 0 ? union(own.map((s) => s.box)) : railFace(mount);
  const reach = system.interior ? system.interior.max[axis] : 1000;
  const others: Solid[] = [
    ...[...system.placed.values()].filter((p) => !hangs.has(p.id)).flatMap((p) => p.solids),
    ...system.obstacles,
  ];
  let free = reach,
    blockedBy: Solid | null = null;
  const column = along(face, axis, mount.at[axis], mount.at[axis] + sign * reach);
  for (const solid of others) {
    if (boxGap(column, solid.box) >= 0) continue;
    const depth =
      sign > 0 ? solid.box.min[axis] - mount.at[axis] : mount.at[axis] - solid.box.max[axis];
    if (depth < free) {
      free = Math.max(0, depth);
      blockedBy = solid;
    }
  }
  const used = Math.max(
    0,
    ...own.map((s) =>
      sign > 0 ? s.box.max[axis] - mount.at[axis] : mount.at[axis] - s.box.min[axis],
    ),
  );
  return {
    mount: mount.id,
    published_mm: mount.published_mm,
    used_mm: used,
    free_mm: free,
    blockedBy: blockedBy && solidLabel(system.design, blockedBy),
    blockedByComponent: blockedBy?.component ?? null,
  };
}
