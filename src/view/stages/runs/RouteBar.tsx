'use client';
import { useState } from 'react';
import { pathLength, sameSpace, type Route } from '@/core/route';
import { formatNumber, plural } from '@/core/quantity';
import { Progress } from '@/view/shared';
import { useBench } from '@/view/workspace';
import type { Ghost } from '../elevation/Elevation';
import styles from './RunsStage.module.css';

const same = (a: Route, b: Route): boolean =>
  JSON.stringify(a.corners) === JSON.stringify(b.corners) &&
  a.from.piece === b.from.piece &&
  a.to.piece === b.to.piece;
const bendsOf = (r: Route): number => r.path.filter((s) => s.kind === 'arc').length;
const sum = (list: readonly Route[], f: (r: Route) => number): number =>
  list.reduce((s, r) => s + f(r), 0);

/** How far routing is, whether what was found holds, and what differs from before the last change. */
export function RouteBar({ onGhosts }: { onGhosts(ghosts: readonly Ghost[]): void }) {
  const { build, routing, routedBefore, routeJob, workings } = useBench((s) => s);
  const [shown, setShown] = useState(false);
  if (!build.case) return null;
  const holds = routing !== null && sameSpace(routing.build, build);
  const without = workings.findings.filter((f) => f.code === 'run.no-way').length;
  const before = routedBefore?.found.routed.routes ?? [],
    now = routing?.found.routed.routes ?? [];
  const changed = before.filter((b) => {
    const n = now.find((r) => r.link === b.link);
    return !n || !same(b, n);
  });
  const wide = (r: Route): number => build.loops.find((l) => l.id === r.loop)?.tube.outer_mm ?? 14;
  const toggle = (): void => {
    onGhosts(shown ? [] : changed.map((r) => ({ key: r.link, path: r.path, wide_mm: wide(r) })));
    setShown(!shown);
  };
  return (
    <div className={styles.routeBar}>
      <Progress
        share={routeJob.progress}
        stopped={routeJob.stopped}
        onStop={routeJob.stop}
        onAgain={routeJob.again}
        what="the runs"
      />
      {holds && (
        <p>
          Routed past everything in the case
          {without > 0 ? `; no way found for ${plural(without, 'run')}` : ''}.
        </p>
      )}
      {!holds && routing !== null && (
        <p className="soft">
          The space has changed: lengths are estimates until the runs are laid anew. Before it:
          grey.
        </p>
      )}
      {holds && changed.length > 0 && (
        <p className="soft">
          Since the change:{' '}
          {formatNumber(
            (sum(now, (r) => pathLength(r.path)) - sum(before, (r) => pathLength(r.path))) / 1000,
            { decimals: 2, signed: true },
          )}{' '}
          m, {formatNumber(sum(now, bendsOf) - sum(before, bendsOf), { signed: true })} bends,{' '}
          {plural(changed.length, 'run')} laid otherwise.{' '}
          <button type="button" className={styles.link} aria-pressed={shown} onClick={toggle}>
            {shown ? 'Hide the ways before' : 'Show the ways before'}
          </button>
        </p>
      )}
    </div>
  );
}
