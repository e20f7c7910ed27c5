'use client';
import { useState } from 'react';
import { pathLength, type Route } from '@/core/routing';
import { formatMeasure, formatNumber } from '@/core/units';
import { Progress, Press } from '@/view/shared';
import { useEditor, useImprovement } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import type { Ghost } from '../elevation/Elevation';
import styles from './RunsStage.module.css';

const same = (a: Route, b: Route): boolean =>
  JSON.stringify(a.corners) === JSON.stringify(b.corners) &&
  a.from.piece === b.from.piece &&
  a.to.piece === b.to.piece;
const bendsOf = (r: Route): number => r.path.filter((s) => s.kind === 'arc').length;
const sum = (list: readonly Route[], f: (r: Route) => number): number =>
  list.reduce((s, r) => s + f(r), 0);
const metres = (mm: number): string =>
  `${formatMeasure(mm / 1000, 'm', { decimals: 2, signed: true })}`;

/**
 * How far routing is, what is not routed, what the last change did to the routes, and what routing
 * all afresh would gain.
 */
export function RouteBar({ onGhosts }: { onGhosts(ghosts: readonly Ghost[]): void }) {
  const design = useEditor((s) => s.design);
  const routeJob = useEditor((s) => s.routeJob);
  const toRoute = useEditor((s) => s.toRoute);
  const runs = useEditor((s) => s.analysis.reports.runs);
  const routed = useEditor((s) => s.analysis.routed);
  const route = useEditor((s) => s.route);
  if (!design.case) return null;
  const tubes = runs.filter((r) => r.by === 'tube');
  const unrouted = tubes.filter((r) => r.estimated).length;
  const without = routed.missing.length;
  return (
    <div className={styles.routeBar}>
      <Progress
        share={routeJob.progress}
        stopped={routeJob.stopped}
        onStop={routeJob.stop}
        onAgain={routeJob.retry}
        what={msg`the runs`}
      />
      {unrouted > 0 && (
        <p>
          {without > 0
            ? msg`${counted(unrouted, '# run is not routed', '# runs are not routed')}, of
                ${tubes.length}, ${without} of them without a possible route.`
            : msg`${counted(unrouted, '# run is not routed', '# runs are not routed')}, of
                ${tubes.length}.`}
        </p>
      )}
      {unrouted > 0 && !toRoute && (
        <Press className={styles.act} onClick={route}>
          {msg`Route the runs`}
        </Press>
      )}
      {!toRoute && <LastChange onGhosts={onGhosts} />}
      {!toRoute && unrouted === 0 && tubes.length > 0 && <Improvement />}
    </div>
  );
}

/** What the last change of space did to the routes. */
function LastChange({ onGhosts }: { onGhosts(ghosts: readonly Ghost[]): void }) {
  const loops = useEditor((s) => s.design.loops);
  const routedBefore = useEditor((s) => s.routedBefore);
  const routed = useEditor((s) => s.analysis.routed);
  const [shown, setShown] = useState(false);
  const before = routedBefore?.routes ?? [];
  const now = routed.routes;
  const changed = before.filter((b) => {
    const n = now.find((r) => r.connection === b.connection);
    return !n || !same(b, n);
  });
  if (changed.length === 0) return null;
  const wide = (r: Route): number => loops.find((l) => l.id === r.loop)?.tube.outer_mm ?? 14;
  const toggle = (): void => {
    onGhosts(
      shown ? [] : changed.map((r) => ({ key: r.connection, path: r.path, wide_mm: wide(r) })),
    );
    setShown(!shown);
  };
  const longer = sum(now, (r) => pathLength(r.path)) - sum(before, (r) => pathLength(r.path));
  const bends = sum(now, bendsOf) - sum(before, bendsOf);
  return (
    <p className="soft">
      {msg`Since the change: ${metres(longer)}, ${formatNumber(bends, { signed: true })} bends,
        ${counted(changed.length, '# run', '# runs')} routed otherwise.`}{' '}
      <Press className={styles.link} aria-pressed={shown} onClick={toggle}>
        {shown ? msg`Hide the routes before` : msg`Show the routes before`}
      </Press>
    </p>
  );
}

/** Routing all afresh beside, offered where it gains; never taken by itself. */
function Improvement() {
  const commit = useEditor((s) => s.commit);
  const { result, fresh } = useImprovement();
  const found = fresh ? result?.found : null;
  if (!found) return null;
  return (
    <p className="soft">
      {msg`Routing all runs afresh: ${metres(-found.saves_mm)},
        ${formatNumber(-found.savesBends, { signed: true })} bends.`}{' '}
      <Press className={styles.link} onClick={() => commit(msg`route all runs afresh`, found.edit)}>
        {msg`Use these routes`}
      </Press>
    </p>
  );
}
