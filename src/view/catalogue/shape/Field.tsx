import { TextInput, Select } from '@/view/shared';
import styles from './PartShape.module.css';

/** A number that is taken over as it is typed; what is none stays as it is and is taken over later. */
export function NumberField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  onChange(value: number): void;
}) {
  return (
    <label className={styles.field}>
      {label}
      <TextInput
        key={value}
        defaultValue={value}
        inputMode="decimal"
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
        onBlur={(e) => {
          const typed = Number(e.target.value.replace(',', '.'));
          if (e.target.value.trim() !== '' && Number.isFinite(typed)) onChange(typed);
          else e.target.value = String(value);
        }}
      />
    </label>
  );
}

export function TextField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  onChange(value: string): void;
}) {
  return (
    <label className={styles.field}>
      {label}
      <TextInput
        value={value}
        maxLength={60}
        onKeyDown={(e) => e.stopPropagation()}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  onChange(value: T): void;
}) {
  return (
    <label className={styles.field}>
      {label}
      <Select value={value} onChange={(e) => onChange(e.target.value as T)}>
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </Select>
    </label>
  );
}
