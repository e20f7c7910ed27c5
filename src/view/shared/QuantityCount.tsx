'use client';
import { msg } from '@/core/messages';
import { TextInput } from './Inputs';
import { useHandedIn } from './useHandedIn';
import { useState } from 'react';
import styles from './QuantityField.module.css';

/** A whole number of pieces, typed in place; what is no number stays and says so. */
export function QuantityCount({
  label,
  value,
  most = 10000,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  readonly most?: number;
  onCommit(value: number): void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [settled, handIn] = useHandedIn(value === 0 ? '' : String(value));
  const commit = (): void => {
    if (draft === null) return;
    const v = draft.trim() === '' ? 0 : Number(draft);
    if (!Number.isInteger(v) || v < 0 || v > most) {
      setTrouble(msg`A whole number from 0 to ${most}.`);
      return;
    }
    setTrouble(null);
    setDraft(null);
    if (v === value) return;
    handIn(draft);
    onCommit(v);
  };
  return (
    <span className={styles.field}>
      <TextInput
        className={styles.input}
        style={{ width: 44 }}
        aria-label={label}
        inputMode="numeric"
        value={draft ?? settled}
        placeholder={msg`none`}
        aria-invalid={trouble !== null}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') {
            setDraft(null);
            setTrouble(null);
          }
          e.stopPropagation();
        }}
      />
      {trouble && (
        <span role="alert" className={styles.trouble}>
          {trouble}
        </span>
      )}
    </span>
  );
}
