'use client';
import { useEffect, useRef, useState } from 'react';
import type { Edit } from '@/core/design';
import { withMoved, type Hold, type Routed } from '@/core/routing';
import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import type { LaidAnew } from './layAnew';

/** A part of a run in the hand, and how far it is moved along each axis of the case, mm. */
export interface RouteHeld {
  readonly hold: Hold;
  readonly by: Vec;
}

/** A run in the hand as it is shown. */
export interface HeldRun extends LaidAnew {
  /** The hand is where no way follows it: what is shown is the last that did. */
  readonly isBehind: boolean;
}

/**
 * The picked run in the hand, by a leg, a corner or whole: it is laid anew past all others with
 * every move; when it is let go it is kept as it lies, with its planes, and what it meets is routed.
 * `routed`: the routes of the document.
 */
export function useRouteHeld(routed: Routed, run: Run | undefined) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [live, setLive] = useState<HeldRun | null>(null);
  // A hand holds on to what it took hold of: what it was last shown is known here alone.
  const shown = useRef<HeldRun | null>(null);
  const show = (laid: HeldRun | null): void => {
    shown.current = laid;
    setLive(laid);
  };
  const layAnew = useLayAnew(run !== undefined);
  const route = routed.routes.find((r) => r.connection === run?.id);
  const connection = design.loops.flatMap((l) => l.connections).find((l) => l.id === run?.id);
  const onRoute = ({ hold, by }: RouteHeld, done: boolean): void => {
    if (!run || !route || !connection) return;
    const isBack = by.every((mm) => mm === 0);
    const laid = shown.current;
    if (done || isBack) show(null);
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
      // What was seen in the hand is kept as it lay; else its way is looked for now.
      commit(msg`re-route ${run.name}`, laid?.edit ?? edit);
      return;
    }
    const next = layAnew.current?.(design, edit, routed, run.id);
    if (next) show(next.run ? { ...next, isBehind: false } : behind(laid));
  };
  return { onRoute, live, corners: live ? (live.corners ?? undefined) : route?.corners };
}

/** What was last shown, where the hand has gone on without it: nothing of it is kept. */
const behind = (last: HeldRun | null): HeldRun => ({
  run: last?.run ?? null,
  corners: last?.corners ?? null,
  edit: null,
  isBehind: true,
});

type LayAnew = typeof import('./layAnew').layAnew;

/** What lays a run anew: loaded once one is picked, before a hand can take hold of it. */
function useLayAnew(isPicked: boolean): { readonly current: LayAnew | null } {
  const loaded = useRef<LayAnew | null>(null);
  useEffect(() => {
    if (isPicked) void import('./layAnew').then((m) => (loaded.current = m.layAnew));
  }, [isPicked]);
  return loaded;
}
