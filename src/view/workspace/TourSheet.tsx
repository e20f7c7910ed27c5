'use client';
import { useEffect, useRef } from 'react';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import { CHECKS, findingKey, type Finding } from '@/core/checks';
import { Mark, Press, verdictOfSeverity } from '@/view/shared';
import { msg } from '@/core/messages';
import { useEditor } from './EditorProvider';
import { STAGES } from './stages';
import { isStillFound, useTour } from './tour';
import { useFixes } from './useJobs';
import { useShowFinding } from './useShowFinding';
import styles from './TourSheet.module.css';

/** One stop of the guided tour, over the stage it is about. */
export function TourSheet() {
  const id = useEditor((s) => s.id);
  const { build, stops: all, at, go, end } = useTour();
  const stops = build === id ? all : null;
  const stop = stops?.[at];
  const show = useShowFinding();
  const head = useRef<HTMLHeadingElement>(null);
  const shown = useRef<Finding | undefined>(undefined);
  useEffect(() => {
    if (shown.current === stop) return;
    shown.current = stop;
    if (!stop) return;
    show(stop);
    head.current?.focus();
  }, [stop, show]);
  if (!stops || !stop) return null;
  const leave = (): void => {
    end();
    document.getElementById('stage')?.focus();
  };
  const stage = STAGES.find((s) => s.id === stop.stage)?.name ?? '';
  return (
    <Paper
      component="section"
      elevation={0}
      className={styles.sheet}
      aria-label={msg`Guided tour`}
      onKeyDown={(e) => {
        if (e.key === 'Escape') leave();
        e.stopPropagation();
      }}
    >
      <p className={styles.place}>{msg`Stop ${at + 1} of ${stops.length}: ${stage}`}</p>
      <h2 tabIndex={-1} ref={head}>
        <Mark verdict={verdictOfSeverity[stop.severity]} /> {stop.title}
      </h2>
      <p>{stop.detail}</p>
      <p className="soft">{CHECKS.find((c) => c.code === stop.code)?.meaning}</p>
      <Fixes stop={stop} />
      <div className={styles.steps}>
        <Button variant="outlined" disabled={at === 0} onClick={() => go(-1)}>
          {msg`Back`}
        </Button>
        <Button variant="contained" onClick={() => (at + 1 < stops.length ? go(1) : leave())}>
          {at + 1 < stops.length ? msg`Next stop` : msg`End of the tour`}
        </Button>
        <span className={styles.gap} />
        <Press className={styles.leave} onClick={leave}>
          {msg`Leave the tour`}
        </Press>
      </div>
    </Paper>
  );
}

/** What would solve it, tried; or that it is solved. */
function Fixes({ stop }: { readonly stop: Finding }) {
  const findings = useEditor((s) => s.analysis.findings);
  const commit = useEditor((s) => s.commit);
  const key = findingKey(stop);
  const resolved = useFixes([key]);
  if (!isStillFound(stop, findings))
    return <p role="status">{msg`Solved. One undo brings it back.`}</p>;
  const fixes = resolved.result?.find(([k]) => k === key)?.[1] ?? [];
  if (!resolved.fresh) return <p className="soft">{msg`Trying what would solve it …`}</p>;
  if (fixes.length === 0) return null;
  return (
    <div className={styles.fixes}>
      {fixes.map((fix) => (
        <Press key={fix.label} className={styles.fix} onClick={() => commit(fix.label, fix.edit)}>
          {fix.label}
        </Press>
      ))}
    </div>
  );
}
