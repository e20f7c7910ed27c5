'use client';
import { useId, useState } from 'react';
import { TextInput } from './Inputs';
import { useHandedIn } from './useHandedIn';
import styles from './QuantityField.module.css';

/** What was typed: its value, or why it is none. */
export type Typed<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

interface Props<T> {
  readonly label: string;
  /** As it is written while nobody types. */
  readonly shown: string;
  readonly read: (text: string) => Typed<T>;
  readonly width: number;
  readonly maxLength?: number;
  readonly placeholder?: string;
  onCommit(value: T): void;
}

/**
 * A value edited in place as text; taken up on Enter or when it is left, given up on Escape. What
 * is typed wrong stays and says why.
 */
export function TypedField<T>(props: Props<T>) {
  const { label, shown, read, width, maxLength, placeholder, onCommit } = props;
  const id = useId();
  const [settled, handIn] = useHandedIn(shown);
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const leave = (): void => {
    setDraft(null);
    setTrouble(null);
  };
  const commit = (): void => {
    if (draft === null || draft === shown) return leave();
    const typed = read(draft);
    if (!typed.ok) return setTrouble(typed.message);
    leave();
    handIn(draft);
    onCommit(typed.value);
  };
  return (
    <span className={styles.field}>
      <TextInput
        className={styles.input}
        style={{ width, fontSize: 14 }}
        aria-label={label}
        aria-invalid={trouble !== null}
        aria-describedby={trouble ? id : undefined}
        maxLength={maxLength}
        placeholder={placeholder}
        value={draft ?? settled}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') commit();
          if (e.key === 'Escape') leave();
        }}
      />
      {trouble && (
        <span id={id} role="alert" className={styles.trouble}>
          {trouble}
        </span>
      )}
    </span>
  );
}
