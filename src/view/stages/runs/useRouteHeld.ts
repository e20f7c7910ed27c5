'use client';
import { useState } from 'react';
import { applyEdit, type Edit } from '@/core/design';
import { compileSystem } from '@/core/system';
import { rerouteRun, routedRunOf, withMoved, type Hold, type Routed } from '@/core/routing';
import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';

/** A part of a run in the hand, and how far it is moved along each axis of the case, mm. */
export interface RouteHeld {
  readonly hold: Hold;
  readonly by: Vec;
}

interface Live {
  readonly run: Run | null;
  readonly corners: readonly Vec[] | null;
}

/**
 * The picked run in the hand, by a leg, a corner or whole: it is laid anew past all others with
 * every move; when it is let go its planes are kept and all runs are routed. `routed`: the routes
 * of the document.
 */
export function useRouteHeld(routed: Routed, run: Run | undefined) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [live, setLive] = useState<Live | null>(null);
  const route = routed.routes.find((r) => r.connection === run?.id);
  const connection = design.loops.flatMap((l) => l.connections).find((l) => l.id === run?.id);
  const onRoute = ({ hold, by }: RouteHeld, done: boolean): void => {
    if (!run || !route || !connection) return;
    const isBack = by.every((mm) => mm === 0);
    if (done || isBack) setLive(null);
    if (isBack) return;
    const constraints = connection.constraints ?? {};
    const waypoints = withMoved(constraints.waypoints ?? [], route.corners, hold, by);
    const edit: Edit = {
      do: 'connection.way',
      loop: run.loop,
      connection: run.id,
      constraints: { ...constraints, waypoints },
    };
    if (done) {
      commit(msg`re-route ${run.name}`, edit);
      return;
    }
    const next = applyEdit(design, edit).design,
      rerouted = rerouteRun(next, routed, run.id);
    setLive({
      run: routedRunOf(compileSystem(next), rerouted, run.id),
      corners: rerouted.routes.find((r) => r.connection === run.id)?.corners ?? null,
    });
  };
  return { onRoute, live, corners: live ? (live.corners ?? undefined) : route?.corners };
}
