'use client';
import { useEffect, useRef } from 'react';
import { findingKey, type Finding, type Fix } from '@/core/checks';
import { msg } from '@/core/messages';
import { Mark, verdictOfSeverity, Press } from '@/view/shared';
import { useEditor } from './EditorProvider';
import { useFixes } from './useJobs';
import { useShowFinding } from './useShowFinding';
import styles from './FindingList.module.css';

/** A way out that was clicked while it was tried again. */
interface Wanted {
  readonly finding: string;
  readonly label: string;
}

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
  const say = useEditor((s) => s.say);
  const show = useShowFinding();
  const resolved = useFixes(findings.map(findingKey));
  // They stay while they are tried again: one clicked meanwhile is applied once it held.
  const fixes = new Map<string, readonly Fix[]>(resolved.result ?? []);
  const wanted = useRef<Wanted | null>(null);
  const apply = (fix: Fix): void => {
    commit(fix.label, fix.edit);
    onApplied?.();
  };
  useEffect(() => {
    const asked = wanted.current;
    if (!asked || !resolved.fresh) return;
    wanted.current = null;
    const fix = fixes.get(asked.finding)?.find((f) => f.label === asked.label);
    if (fix) apply(fix);
    else say(msg`That way out no longer holds: the build has changed.`);
    // Asked once for each answer.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [resolved.fresh]);
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
                      if (resolved.fresh) apply(fix);
                      else {
                        wanted.current = { finding: findingKey(f), label: fix.label };
                        say(msg`The build has changed: it is tried again first.`);
                      }
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
              · {f.source}
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
