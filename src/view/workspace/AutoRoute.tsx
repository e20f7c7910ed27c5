'use client';
import { useEffect, useState } from 'react';
import { sameSpace } from '@/core/route';
import { useRoutes } from '@/worker/useRoutes';
import { useBench } from './BenchProvider';
import type { Routing } from './bench';
import { readRouting, writeRouting } from './journal';

/** Bumped when routing itself changes, so that what an older page kept is not taken for today's. */
const ROUTER = 3;
interface Kept extends Routing {
  readonly router: number;
}

/** Routes the runs beside whatever is open, anew when the space has changed; what was found last is kept in this browser. Draws nothing. */
export function AutoRoute() {
  const id = useBench((s) => s.id),
    build = useBench((s) => s.build),
    routing = useBench((s) => s.routing),
    route = useBench((s) => s.route),
    setRouteJob = useBench((s) => s.setRouteJob);
  const [looked, setLooked] = useState(false);
  useEffect(() => {
    let live = true;
    void readRouting<Kept>(id).then((kept) => {
      if (!live) return;
      if (kept?.router === ROUTER) route({ build: kept.build, found: kept.found });
      setLooked(true);
    });
    return () => {
      live = false;
    };
  }, [id, route]);
  const tubes =
    build.case !== null && build.loops.some((l) => l.links.some((k) => k.by === 'tube'));
  const holds = routing !== null && sameSpace(routing.build, build);
  const { result, fresh, progress, stopped, stop, again } = useRoutes(
    looked && tubes && !holds ? build : null,
  );
  useEffect(() => {
    if (!result || !fresh) return;
    route({ build, found: result });
    void writeRouting(id, { router: ROUTER, build, found: result } satisfies Kept);
  }, [build, fresh, id, result, route]);
  useEffect(() => {
    setRouteJob({ progress, stopped, stop, again }); /* The two ways on are the same for one job. */ // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [progress, stopped, setRouteJob]);
  return null;
}
