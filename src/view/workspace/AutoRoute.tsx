'use client';
import { useEffect } from 'react';
import { useEditor } from './EditorProvider';
import { useReroute } from './useJobs';

/**
 * Routes what a change of space left unrouted, beside whatever is open, and writes it into the
 * document with that change. Draws nothing.
 */
export function AutoRoute() {
  const toRoute = useEditor((s) => s.toRoute);
  const layOut = useEditor((s) => s.layOut);
  const setRouteJob = useEditor((s) => s.setRouteJob);
  const { result, fresh, progress, stopped, stop, retry } = useReroute(toRoute !== null);
  useEffect(() => {
    if (toRoute && result && fresh) layOut(toRoute.step, result.edit);
  }, [toRoute, result, fresh, layOut]);
  useEffect(() => {
    setRouteJob({ progress, stopped, stop, retry });
    // Stop and retry are the same for one job.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [progress, stopped, setRouteJob]);
  return null;
}
