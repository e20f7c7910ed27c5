import { applyEdit, type ConnectionId, type Design, type Edit } from '@/core/design';
import type { Vec } from '@/core/geometry';
import { layoutEdit, rerouteRun, routedRunOf, type Routed } from '@/core/routing';
import { compileSystem } from '@/core/system';
import type { Run } from '@/core/tubing';

/** A run as it would be, and its corners, mm; null where it finds no way. */
export interface LaidAnew {
  readonly run: Run | null;
  readonly corners: readonly Vec[] | null;
  /** The edit with the way that was found, to be kept as it lies; null where it meets something. */
  readonly edit: Edit | null;
}

/** One run laid past all others as an edit would have it. `routed`: the routes before it. */
export function layAnew(design: Design, edit: Edit, routed: Routed, run: ConnectionId): LaidAnew {
  const next = applyEdit(design, edit).design,
    rerouted = rerouteRun(next, routed, run),
    corners = rerouted.routes.find((r) => r.connection === run)?.corners ?? null;
  const isFree = corners !== null && rerouted.missing.every((m) => m.connection !== run);
  const layout =
    isFree && layoutEdit(next, { frames: Object.entries(next.layout.poses), routed: rerouted });
  return {
    run: routedRunOf(compileSystem(next), rerouted, run),
    corners,
    edit: layout ? { do: 'batch', edits: [edit, layout] } : null,
  };
}
