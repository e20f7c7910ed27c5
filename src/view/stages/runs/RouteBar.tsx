'use client';
import { useEffect, useState } from 'react';
import { sameSpace } from '@/core/route';
import { plural } from '@/core/quantity';
import { Progress } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { useRoutes } from '@/worker/useRoutes';
import styles from './RunsStage.module.css';

/** Asks for the runs in space; while the build's space stays as it was, what was found holds on every stage. */
export function RouteBar() {
  const { build, routing, route, workings } = useBench((s) => s);
  const [asked, setAsked] = useState(false);
  const job = useRoutes(asked ? build : null);
  const { result, fresh } = job;
  useEffect(() => { if (result && fresh) route({ build, found: result }); }, [build, fresh, result, route]);
  if (!build.case) return null;
  const holds = routing !== null && sameSpace(routing.build, build);
  const without = workings.findings.filter((f) => f.code === 'run.no-way').length;
  return (
    <div className={styles.routeBar}>
      {!asked && <button type="button" className={styles.act} onClick={() => setAsked(true)}>{routing ? 'Route again' : 'Route the runs in space'}</button>}
      {asked && <Progress share={job.progress} stopped={job.stopped} onStop={job.stop} onAgain={job.again} what="the runs" />}
      {holds && job.progress === null && <p>Routed past everything in the case{without > 0 ? `; no way found for ${plural(without, 'run')}` : ''}. Lengths, bends and fittings of the routed runs are used in flow and on the list.</p>}
      {!holds && routing !== null && job.progress === null && <p className="soft">The case or the loop has changed since: lengths are estimates again until the runs are routed anew.</p>}
    </div>
  );
}
