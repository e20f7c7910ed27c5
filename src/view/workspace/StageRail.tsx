'use client';
import { memo } from 'react';
import { usePathname } from 'next/navigation';
import type { Analysis } from '@/core/analysis';
import type { Stage } from '@/core/checks';
import { formatKelvin, formatNumber } from '@/core/units';
import { Mark, Press } from '@/view/shared';
import { msg } from '@/core/messages';
import { useEditor, useEditorLater } from './EditorProvider';
import { followToStage, stageAddress } from './goToStage';
import { STAGES } from './stages';
import { useFrame } from './frame';
import styles from './StageRail.module.css';

/**
 * The stages in working order, each with its verdict and its one result: the rail alone tells the
 * state of the build.
 */
export function StageRail({ isNarrow }: { readonly isNarrow: boolean }) {
  // What is worked on is drawn first; the rail follows in the next frame.
  const stages = useEditorLater((s) => s.analysis.stages);
  return <Rail isNarrow={isNarrow} stages={stages} />;
}

const Rail = memo(function Rail({
  isNarrow,
  stages,
}: {
  readonly isNarrow: boolean;
  readonly stages: Analysis['stages'];
}) {
  const set = useFrame((s) => s.set);
  const id = useEditor((s) => s.id);
  const brief = useEditor((s) => s.design.brief);
  const open = useEditor((s) => s.open);
  const path = usePathname();
  return (
    <nav aria-label={msg`Stages`} className={styles.rail} data-narrow={isNarrow || undefined}>
      <ol className={styles.list}>
        {STAGES.map((s) => {
          const here = path.endsWith(`/${s.id}`);
          const state = s.id === 'brief' ? null : stages[s.id as Stage];
          const result =
            state?.result ??
            msg`${formatKelvin(brief.limits.deltaT_K)}, ${formatNumber(brief.limits.noise_dBA)}
              dBA`;
          return (
            <li key={s.id}>
              <a
                href={stageAddress(id, s.id)}
                onClick={(e) => followToStage(e, id, s.id)}
                className={styles.stage}
                title={isNarrow ? `${s.name}: ${result}` : undefined}
                aria-current={here ? 'page' : undefined}
              >
                <span className={styles.digit} aria-hidden>
                  {s.digit}
                </span>
                <span className={styles.mark}>
                  {state ? (
                    <Mark verdict={state.verdict} />
                  ) : (
                    <span className={styles.aim} aria-hidden />
                  )}
                </span>
                <span className={styles.words}>
                  <span className={styles.name}>{s.name}</span>
                  <span className={styles.result}>{result}</span>
                </span>
              </a>
            </li>
          );
        })}
      </ol>
      <Press className={styles.add} aria-label={msg`Add a part`} onClick={() => open('stores')}>
        {isNarrow ? msg`Add` : msg`Add a part`}
      </Press>
      <Press
        className={styles.fold}
        aria-expanded={!isNarrow}
        onClick={() => set({ rail: isNarrow ? 'wide' : 'narrow' })}
      >
        {isNarrow ? msg`Widen` : msg`Narrow the rail`}
      </Press>
    </nav>
  );
});
