'use client';
import { findingKey, type Finding, type Fix } from '@/core/checks';
import { Mark, verdictOfSeverity, Press } from '@/view/shared';
import { useEditor } from './EditorProvider';
import { useFixes } from './useJobs';
import { useShowFinding } from './useShowFinding';
import styles from './FindingList.module.css';

/** Findings with their ways out; a click on one picks what it is about. */
export function FindingList({
  findings,
  empty,
  onApplied,
}: {
  readonly findings: readonly Finding[];
  readonly empty?: string;
  /** Told once a fix was applied: its button is gone with it. */
  readonly onApplied?: () => void;
}) {
  const commit = useEditor((s) => s.commit);
  const show = useShowFinding();
  const resolved = useFixes(findings.map(findingKey));
  const fixes = new Map<string, readonly Fix[]>(resolved.fresh ? (resolved.result ?? []) : []);
  if (findings.length === 0) return empty ? <p className="soft">{empty}</p> : null;
  return (
    <ul className={styles.list}>
      {keyed(findings).map(([key, f]) => (
        <li key={key} className={styles.finding}>
          <span className={styles.mark}>
            <Mark verdict={verdictOfSeverity[f.severity]} />
          </span>
          <div>
            <Press className={styles.title} onClick={() => show(f)}>
              {f.title}
            </Press>
            <p className={styles.detail}>{f.detail}</p>
            {(fixes.get(findingKey(f)) ?? []).length > 0 && (
              <p className={styles.fixes}>
                {fixes.get(findingKey(f))?.map((fix) => (
                  <Press
                    key={fix.label}
                    className={styles.fix}
                    onClick={() => {
                      commit(fix.label, fix.edit);
                      onApplied?.();
                    }}
                  >
                    {fix.label}
                  </Press>
                ))}
              </p>
            )}
            <p className={styles.code}>
              <span className="mono" lang="en">
                {f.code}
              </span>{' '}
              · <span lang="en">{f.source}</span>
            </p>
          </div>
        </li>
      ))}
    </ul>
  );
}

/** Each finding with a key of its own that stays when others come and go beside it. */
function keyed(findings: readonly Finding[]): readonly (readonly [key: string, Finding])[] {
  const seen = new Map<string, number>();
  return findings.map((f) => {
    const key = findingKey(f),
      times = (seen.get(key) ?? 0) + 1;
    seen.set(key, times);
    return [times === 1 ? key : `${key} ${times}`, f];
  });
}
