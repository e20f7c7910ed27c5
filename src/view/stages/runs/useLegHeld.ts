'use client';
import { useState } from 'react';
import { applyEdit, type Edit } from '@/core/design';
import { compileSystem } from '@/core/system';
import { rerouteRun, routedRunOf, withLegAt, type Routed } from '@/core/routing';
import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import type { LegHeld } from '../elevation/LegGrips';

interface Live {
  readonly run: Run | null;
  readonly corners: readonly Vec[] | null;
  readonly edit: Edit;
}

/**
 * A leg of the picked run in the hand: the run is laid anew past all others with every move; when
 * it is let go the plane is kept and the whole is routed. `routed`: the routes of the document.
 */
export function useLegHeld(routed: Routed, run: Run | undefined) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [live, setLive] = useState<Live | null>(null);
  const route = routed.routes.find((r) => r.connection === run?.id);
  const connection = design.loops.flatMap((l) => l.connections).find((l) => l.id === run?.id);
  const onLeg = ({ leg, axis, at_mm }: LegHeld, done: boolean): void => {
    if (!run || !route || !connection) return;
    const constraints = connection.constraints ?? {};
    const edit: Edit = {
      do: 'connection.way',
      loop: run.loop,
      connection: run.id,
      constraints: {
        ...constraints,
        waypoints: withLegAt(constraints.waypoints ?? [], route.corners, leg, axis, at_mm),
      },
    };
    if (done) {
      setLive(null);
      commit(msg`re-route ${run.name}`, edit);
      return;
    }
    const next = applyEdit(design, edit).design,
      rerouted = rerouteRun(next, routed, run.id);
    setLive({
      run: routedRunOf(compileSystem(next), rerouted, run.id),
      corners: rerouted.routes.find((r) => r.connection === run.id)?.corners ?? null,
      edit,
    });
  };
  return { onLeg, live, corners: live ? (live.corners ?? undefined) : route?.corners };
}
