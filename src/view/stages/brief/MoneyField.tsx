'use client';
import { TextInput } from '@/view/shared';
import { useState } from 'react';
import { formatMoney } from '@/core/units';
import field from '@/view/shared/QuantityField.module.css';

/** An amount in major units, kept in minor ones; empty means none. */
export function MoneyField({
  value,
  onCommit,
  label = 'Budget',
}: {
  readonly value: number | null;
  readonly onCommit: (minor: number | null) => void;
  readonly label?: string;
}) {
  const shown = value === null ? '' : formatMoney(value);
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? shown;
  const [trouble, setTrouble] = useState<string | null>(null);
  const commit = (): void => {
    if (text === shown) {
      setDraft(null);
      setTrouble(null);
      return;
    }
    if (text.trim() === '') {
      setDraft(null);
      setTrouble(null);
      onCommit(null);
      return;
    }
    const major = Number(text.replaceAll(',', '').trim());
    if (!Number.isFinite(major) || major < 0 || major > 1e7) {
      setTrouble(`"${text.slice(0, 20)}" is not an amount between 0 and 10,000,000.`);
      return;
    }
    setTrouble(null);
    setDraft(null);
    onCommit(Math.round(major * 100));
  };
  return (
    <span className={field.field}>
      <TextInput
        className={field.input}
        style={{ width: 88, fontSize: 14 }}
        aria-label={label}
        aria-invalid={trouble !== null}
        placeholder="none"
        value={text}
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
        <span role="alert" className={field.trouble}>
          {trouble}
        </span>
      )}
    </span>
  );
}
