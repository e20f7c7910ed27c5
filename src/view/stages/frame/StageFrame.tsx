'use client';
import { Press, useWholeRows } from '@/view/shared';
import dynamic from 'next/dynamic';
import { type ReactNode } from 'react';
import type { Stage } from '@/core/checks';

import { useEditor, type StageId } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import { later } from '@/view/shared/later';
import { MeasuredNote } from './MeasuredNote';
import { OwnFindings } from './OwnFindings';
import styles from './StageFrame.module.css';

// Only while there is nothing of one's own to show.
const Example = dynamic(() => later(() => import('./Example').then((m) => m.Example)));

interface Props {
  readonly title: string;
  readonly sentence?: ReactNode;
  readonly stage?: Stage;
  readonly children: ReactNode;
  readonly side: ReactNode;
}

/** One main picture and one working panel; the stage's findings close the panel. */
export function StageFrame({ title, sentence, stage, children, side }: Props) {
  const name = useEditor((s) => s.design.name);
  const revision = useEditor((s) => s.revision);
  const picture = useWholeRows<HTMLDivElement>(),
    panel = useWholeRows<HTMLElement>();
  return (
    <div className={styles.frame}>
      <div ref={picture} className={styles.picture}>
        <p className={styles.printed}>{msg`Zephyron · ${name}, revision ${revision}`}</p>
        <h1>{title}</h1>
        {stage && FROM_RUNS.has(stage) && <UnroutedNote />}
        {stage && FROM_MODEL.has(stage) && <MeasuredNote />}
        {sentence && <p className={styles.sentence}>{sentence}</p>}
        {children}
      </div>
      <aside ref={panel} className={styles.panel} aria-label={msg`Working panel`}>
        {side}
        {stage && <OwnFindings stage={stage} className={styles.section} />}
      </aside>
    </div>
  );
}

/** Stages whose figures follow from the length and bends of the runs. */
const FROM_RUNS: ReadonlySet<Stage> = new Set(['heat', 'cooling', 'flow', 'parts']);

/** Stages whose figures go by what was measured of the machine. */
const FROM_MODEL: ReadonlySet<Stage> = new Set(['heat', 'cooling', 'flow']);

/** Says that figures are estimates while runs are not routed. */
function UnroutedNote() {
  const runs = useEditor((s) => s.analysis.reports.runs);
  const tubes = runs.filter((r) => r.by === 'tube'),
    unrouted = tubes.filter((r) => r.estimated).length;
  if (unrouted === 0) return null;
  return (
    <p className={styles.estimated}>
      {msg`Estimated:
        ${counted(unrouted, '# run is not routed yet, and its length is a guess', '# runs are not routed yet, and their lengths are a guess')},
        of ${tubes.length}.`}
    </p>
  );
}

export function Section({
  title,
  children,
  aside,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly aside?: ReactNode;
}) {
  return (
    <section className={styles.section}>
      <div className={styles.sectionHead}>
        <h2>{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

/** What an empty stage says: what to do first, and the way to it. */
export function EmptyStage({
  stage,
  title,
  text,
  action,
  onAction,
  children,
}: {
  readonly stage: StageId;
  readonly title: string;
  readonly text: string;
  readonly children?: ReactNode;
  readonly action?: string;
  readonly onAction?: () => void;
}) {
  return (
    <div className={styles.empty}>
      <div className={styles.said}>
        <h1>{title}</h1>
        <p>{text}</p>
        {action && (
          <Press className={styles.act} onClick={onAction}>
            {action}
          </Press>
        )}
        {children}
      </div>
      <Example of={stage} />
    </div>
  );
}
