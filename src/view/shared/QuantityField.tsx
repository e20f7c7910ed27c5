'use client';
import { msg } from '@/core/messages';
import { useHandedIn } from './useHandedIn';
import { TextInput } from './Inputs';
import { useId, useState } from 'react';
import {
  QUANTITIES,
  formatMeasure,
  formatShown,
  parseQuantity,
  unitShown,
  type QuantityName,
} from '@/core/units';
import styles from './QuantityField.module.css';

interface Props {
  readonly label: string;
  readonly value: number | null;
  readonly quantity: QuantityName;
  readonly decimals?: number;
  readonly min?: number;
  readonly max?: number;
  /** An empty text means "none". */
  readonly optional?: boolean;
  readonly hideLabel?: boolean;
  readonly width?: number;
  readonly onCommit: (value: number | null) => void;
}

/** "60 %" of a speed: of the fastest it turns; null for anything else. */
function shareOf(text: string, quantity: QuantityName, most: number | undefined) {
  const [, share] = /^\s*(\d+(?:[.,]\d+)?)\s*%\s*$/.exec(text) ?? [];
  if (share === undefined || quantity !== 'speed' || most === undefined) return null;
  return { ok: true, value: Math.round((Number(share.replace(',', '.')) / 100) * most) } as const;
}

/**
 * A number with its unit, edited in place. Any known unit may be typed; what is typed wrong stays
 * and says why. Speeds may be typed as a share of the fastest.
 */
export function QuantityField({
  label,
  value,
  quantity,
  decimals = 0,
  min,
  max,
  optional = false,
  hideLabel = false,
  width = 64,
  onCommit,
}: Props) {
  const id = useId();
  const { inner } = QUANTITIES[quantity];
  const shown = value === null ? '' : formatShown(value, inner, { decimals });
  // What is being typed; null while the field shows the build's own value.
  const [draft, setDraft] = useState<string | null>(null);
  const [settled, handIn] = useHandedIn(shown);
  const text = draft ?? settled;
  const [trouble, setTrouble] = useState<string | null>(null);
  const unit = unitShown(inner);

  const commit = (): void => {
    if (text.trim() === '' && optional) {
      setTrouble(null);
      setDraft(null);
      if (value !== null) onCommit(null);
      return;
    }
    if (draft === null || text === shown) {
      setTrouble(null);
      setDraft(null);
      return;
    }
    const parsed = shareOf(text, quantity, max) ?? parseQuantity(text, quantity, unit);
    if (!parsed.ok) {
      setTrouble(parsed.message);
      return;
    }
    if (
      (min !== undefined && parsed.value < min - 1e-9) ||
      (max !== undefined && parsed.value > max + 1e-9)
    ) {
      setTrouble(
        msg`${label}: ${formatMeasure(parsed.value, inner, { decimals })} is outside
          ${formatShown(min ?? -Infinity, inner, { decimals })} to
          ${formatMeasure(max ?? Infinity, inner, { decimals })}.`,
      );
      return;
    }
    setTrouble(null);
    setDraft(null);
    if (parsed.value === value) return;
    handIn(text);
    onCommit(parsed.value);
  };

  return (
    <span className={styles.field}>
      <label htmlFor={id} className={hideLabel ? 'visually-hidden' : styles.label}>
        {label}
      </label>
      <span className={styles.box}>
        <TextInput
          id={id}
          className={styles.input}
          style={{ width }}
          value={text}
          inputMode="text"
          autoComplete="off"
          aria-invalid={trouble !== null}
          aria-describedby={trouble ? `${id}-t` : undefined}
          placeholder={optional ? msg`none` : undefined}
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
        <span className={styles.unit}>{unit}</span>
      </span>
      {trouble && (
        <span id={`${id}-t`} role="alert" className={styles.trouble}>
          {trouble}
        </span>
      )}
    </span>
  );
}
