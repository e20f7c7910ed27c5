'use client';
import { msg } from '@/core/messages';
import { Press } from './Press';
import { formatNumber } from '@/core/units';
import styles from './Progress.module.css';

interface Props {
  readonly share: number | null;
  readonly stopped: boolean;
  onStop(): void;
  onAgain(): void;
  /** What is being worked out, for the way back. */
  readonly what: string;
}

/**
 * How far work in the background is, with a way to stop it and to take it up again. Nothing while
 * it rests.
 */
export function Progress({ share, stopped, onStop, onAgain, what }: Props) {
  if (stopped)
    return (
      <p>
        {msg`Stopped.`}{' '}
        <Press className={styles.button} onClick={onAgain}>
          {msg`Work out ${what}`}
        </Press>
      </p>
    );
  if (share === null) return null;
  return (
    <p className={styles.progress} role="status">
      <span className={styles.bar} aria-hidden>
        <span style={{ width: `${100 * share}%` }} />
      </span>
      {msg`${formatNumber(100 * share)} % worked out`}{' '}
      <Press className={styles.button} onClick={onStop}>
        {msg`Stop`}
      </Press>
    </p>
  );
}
