import { componentName } from '@/core/design';
import { flatBox, outlineOf, wholeBodies, type Flat, type View } from '@/core/elevation';
import type { Vec } from '@/core/geometry';
import type { Solid, System } from '@/core/system';

/**
 * A body as it is drawn on a sheet, in plain values: one that comes out the same is not drawn
 * again.
 */
export interface DrawnBody {
  /** The same for as long as its part has as many bodies. */
  readonly key: string;
  readonly component: string;
  /** Kind of its part; `obstacle` for what belongs to the case. */
  readonly kind: string;
  readonly name: string;
  readonly flat: Flat;
  /** The points of its outline where it stands aslant. */
  readonly outline: string | null;
  /** A round body seen along its axis. */
  readonly isEndOn: boolean;
  /** Behind the tray, as seen from the window. */
  readonly isBehind: boolean;
}

/** How deep a cage lies that has drives in it: under them. */
const UNDER_ALL = -Infinity;

/** All that stands in the case, farthest first. */
export function drawnBodies(system: System, view: View, size: Vec): readonly DrawnBody[] {
  const drawn = (solid: Solid, part: Pick<DrawnBody, 'kind' | 'name' | 'key'>): DrawnBody => ({
    ...part,
    component: solid.component,
    flat: flatBox(view, size, solid.box),
    outline: solid.whole ? outlineOf(view, size, solid.whole) : null,
    isEndOn: isEndOn(view, solid),
    isBehind: view === 'side' && solid.box.max[2] <= 0,
  });
  const ofParts = [...system.placed.values()].flatMap((p) => {
    const name = componentName(system.design, p.id);
    return wholeBodies(p.solids).map((solid, i) =>
      drawn(solid, { kind: p.part.kind, name, key: `${p.id}-${i}` }),
    );
  });
  const ofCase = system.obstacles.map((solid, i) =>
    drawn(solid, { kind: 'obstacle', name: solid.detail, key: `${solid.component}-${i}` }),
  );
  const cages = cagesInUse(system);
  const underDrives = ofCase.map((body) =>
    cages.has(body.component) ? { ...body, flat: { ...body.flat, depth: UNDER_ALL } } : body,
  );
  return [...ofParts, ...underDrives].sort(
    (a, b) => a.flat.depth - b.flat.depth || b.flat.w * b.flat.h - a.flat.w * a.flat.h,
  );
}

const cagesInUse = (system: System): ReadonlySet<string> =>
  new Set(
    [...system.placed.values()].flatMap(({ placement: p }) =>
      p.on === 'cage' ? [`case:${p.cage}`] : [],
    ),
  );

/** The axis of the case that points at the eye. */
const AXIS_OF_VIEW = { side: 2, front: 0, top: 1 } as const;

/** A round body seen along its axis shows as a circle. */
function isEndOn(view: View, { cylinder }: Solid): boolean {
  const along = AXIS_OF_VIEW[view];
  return cylinder !== undefined && cylinder.from[along] !== cylinder.to[along];
}
