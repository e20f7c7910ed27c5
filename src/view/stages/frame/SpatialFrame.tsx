'use client';
import ExpandLess from '@mui/icons-material/ExpandLess';
import ExpandMore from '@mui/icons-material/ExpandMore';
import { Press, useWholeRows } from '@/view/shared';
import { type ReactNode } from 'react';
import type { Stage } from '@/core/checks';
import { useEditor, useFrame } from '@/view/workspace';
import { msg } from '@/core/messages';
import { OwnFindings } from './OwnFindings';
import styles from './SpatialFrame.module.css';

interface Props {
  readonly title: string;
  readonly sentence: ReactNode;
  readonly stage: Stage;
  /** The machine: it is the page. */
  readonly children: ReactNode;
  /** How it is looked at. */
  readonly tools: ReactNode;
  readonly side: ReactNode;
  /** Drawn on the flat: it keeps clear of the sheets. */
  readonly isFlat: boolean;
}

/**
 * A stage that shows the machine: the scene fills all that is right of the rail; what is said, the
 * tools and the working panel float over it as sheets that fold away.
 */
export function SpatialFrame({ title, sentence, stage, children, tools, side, isFlat }: Props) {
  const name = useEditor((s) => s.design.name);
  const revision = useEditor((s) => s.revision);
  const { isPanelOpen, isHeadOpen, set } = useFrame();
  const panel = useWholeRows<HTMLElement>(true);
  return (
    <div
      className={styles.frame}
      data-flat={isFlat || undefined}
      data-panel={isPanelOpen || undefined}
      data-head={isHeadOpen || undefined}
    >
      <div className={styles.scene} data-scene>
        {children}
      </div>
      <header className={styles.head}>
        <p className={styles.printed}>{msg`Zephyron · ${name}, revision ${revision}`}</p>
        <div className={styles.title}>
          <h1>{title}</h1>
          <Press
            className={styles.fold}
            aria-expanded={isHeadOpen}
            aria-label={isHeadOpen ? msg`Collapse the headline` : msg`Say more`}
            onClick={() => set({ isHeadOpen: !isHeadOpen })}
          >
            {isHeadOpen ? <ExpandLess fontSize="small" /> : <ExpandMore fontSize="small" />}
          </Press>
        </div>
        {isHeadOpen && <div className={styles.sentence}>{sentence}</div>}
      </header>
      <div className={styles.tools}>{tools}</div>
      <aside
        ref={panel}
        className={styles.panel}
        aria-label={msg`Working panel`}
        data-open={isPanelOpen}
      >
        <Press
          className={styles.fold}
          aria-expanded={isPanelOpen}
          onClick={() => set({ isPanelOpen: !isPanelOpen })}
        >
          {isPanelOpen ? msg`Collapse the panel` : msg`Show the panel`}
        </Press>
        {isPanelOpen && side}
        {isPanelOpen && <OwnFindings stage={stage} className={styles.findings} />}
      </aside>
    </div>
  );
}
