'use client';
import { TextInput, useHandedIn } from '@/view/shared';
import { useState } from 'react';
import { msg } from '@/core/messages';
import { clock, readClock } from './clock';
import styles from './TimePanel.module.css';

/**
 * A time, typed as seconds, minutes:seconds or with a word behind it. What cannot be read stays and
 * says why.
 */
export function SecondsField({
  label,
  value,
  min,
  max,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  onCommit(seconds: number): void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [settled, handIn] = useHandedIn(clock(value));
  const commit = (): void => {
    if (draft === null) return;
    const s = readClock(draft);
    if (s === null) {
      setTrouble(msg`"${draft.slice(0, 20)}" is no time; write 90, 1:30, 20 min or 2 h.`);
      return;
    }
    if (s < min || s > max) {
      setTrouble(msg`${label}: ${clock(s)} is outside ${clock(min)} to ${clock(max)}.`);
      return;
    }
    setDraft(null);
    setTrouble(null);
    if (s === value) return;
    handIn(draft);
    onCommit(Math.round(s));
  };
  return (
    <span>
      <TextInput
        className={styles.seconds}
        aria-label={label}
        aria-invalid={trouble !== null}
        value={draft ?? settled}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') {
            setDraft(null);
            setTrouble(null);
          }
        }}
      />
      {trouble && (
        <span role="alert" className={styles.trouble}>
          {' '}
          {trouble}
        </span>
      )}
    </span>
  );
}
