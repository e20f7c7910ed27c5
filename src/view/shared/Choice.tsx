'use client';
import { Select } from './Inputs';
import { Press } from './Press';
import { useHandedIn } from './useHandedIn';
import { memo, useId, type ReactNode } from 'react';
import styles from './Choice.module.css';

export interface Option<V extends string> {
  readonly value: V;
  readonly label: string;
}

/**
 * A choice of a few in a row: words with a rule under the chosen one. Arrow keys move. Drawn again
 * only for another choice: give it an `onPick` that stays the same where edits are many.
 */
export const Segments = memo(SegmentsNow) as typeof SegmentsNow;

function SegmentsNow<V extends string>({
  label,
  options,
  value,
  onPick,
}: {
  readonly label: string;
  readonly options: readonly Option<V>[];
  readonly value: V;
  readonly onPick: (v: V) => void;
}) {
  return (
    <div role="radiogroup" aria-label={label} className={styles.segments}>
      {options.map((o, i) => (
        <Press
          key={o.value}
          role="radio"
          aria-checked={o.value === value}
          tabIndex={o.value === value ? 0 : -1}
          className={styles.segment}
          onClick={() => onPick(o.value)}
          onKeyDown={(e) => {
            const arrowStep = () => {
              if (e.key === 'ArrowRight') return 1;
              if (e.key === 'ArrowLeft') return -1;
              return 0;
            };
            const by = arrowStep();
            if (by === 0) return;
            e.preventDefault();
            e.stopPropagation();
            const next = (i + by + options.length) % options.length;
            onPick((options[next] as Option<V>).value);
            (e.currentTarget.parentElement?.children[next] as HTMLElement | undefined)?.focus();
          }}
        >
          {o.label}
        </Press>
      ))}
    </div>
  );
}

/** A plain select, native so that it works with thumb and keyboard alike. */
export function Pick<V extends string>({
  label,
  options,
  value,
  onPick,
  hideLabel = false,
  children,
}: {
  readonly label: string;
  readonly options: readonly Option<V>[];
  readonly value: V;
  readonly onPick: (v: V) => void;
  readonly hideLabel?: boolean;
  readonly children?: ReactNode;
}) {
  const id = useId();
  const [picked, handIn] = useHandedIn<string>(value);
  return (
    <span className={styles.pick}>
      <label htmlFor={id} className={hideLabel ? 'visually-hidden' : 'soft'}>
        {label}
      </label>
      <Select
        inputProps={{ id, className: styles.select }}
        value={picked}
        onChange={(e) => {
          const next = e.target.value as V;
          // A list that asks for one more thing has nothing to show of it.
          if (value !== '') handIn(next);
          onPick(next);
        }}
      >
        {children}
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </Select>
    </span>
  );
}
