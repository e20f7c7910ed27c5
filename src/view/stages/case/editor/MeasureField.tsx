'use client';
import { TextInput } from '@/view/shared';
import { useId, useState } from 'react';
import { formatShown, parseQuantity, unitShown } from '@/core/units';
import styles from './CaseEditor.module.css';

/** A length that is drawn as it is typed, in any unit; what is no length stays and says so. */
export function MeasureField({
  label,
  value,
  onChange,
  trouble,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (mm: number) => void;
  readonly trouble?: string | undefined;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const parsed = typed === null ? null : parseQuantity(typed, 'length', unitShown('mm'));
  const says = parsed && !parsed.ok && typed?.trim() !== '' ? parsed.message : trouble;
  return (
    <span className={styles.measure}>
      <label htmlFor={id}>{label}</label>
      <span className={styles.box}>
        <TextInput
          id={id}
          className={styles.input}
          value={typed ?? formatShown(value, 'mm', { decimals: Number.isInteger(value) ? 0 : 1 })}
          autoComplete="off"
          aria-invalid={says !== undefined}
          aria-describedby={says ? `${id}-t` : undefined}
          onFocus={(e) => e.target.select()}
          onBlur={() => {
            if (!parsed || parsed.ok) setTyped(null);
          }}
          onKeyDown={(e) => e.stopPropagation()}
          onChange={(e) => {
            setTyped(e.target.value);
            const p = parseQuantity(e.target.value, 'length', unitShown('mm'));
            if (p.ok) onChange(p.value);
          }}
        />{' '}
        {unitShown('mm')}
      </span>
      {says && (
        <span id={`${id}-t`} role="alert" className={styles.trouble}>
          {says}
        </span>
      )}
    </span>
  );
}
