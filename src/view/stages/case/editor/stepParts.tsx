'use client';
import { Check, Press, TextInput } from '@/view/shared';
import type { CaseDraft } from '@/core/measure';
import type { MountFace } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { msg, worded } from '@/core/messages';
import { MeasureField } from './MeasureField';
import styles from './CaseEditor.module.css';

export interface StepProps {
  readonly draft: CaseDraft;
  set(draft: CaseDraft): void;
  /** What is wrong at a place of the draft, if anything. */
  says(place: string): string | undefined;
}

export const put = (v: Vec, i: number, to: number): Vec =>
  v.map((x, k) => (k === i ? to : x)) as unknown as Vec;
export const swap = <T,>(list: readonly T[], i: number, to: T): readonly T[] =>
  list.map((x, k) => (k === i ? to : x));
export const without = <T,>(list: readonly T[], i: number): readonly T[] =>
  list.filter((_, k) => k !== i);
export const EDGES = worded(
  () => [msg`from the rear panel`, msg`from the floor`, msg`from the tray`] as const,
);

export function Name({
  label,
  value,
  onChange,
  trouble,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (v: string) => void;
  readonly trouble?: string | undefined;
}) {
  return (
    <label className={styles.name}>
      {label}{' '}
      <TextInput
        value={value}
        maxLength={60}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
        aria-invalid={trouble !== undefined}
      />
      {trouble && (
        <span role="alert" className={styles.trouble}>
          {trouble}
        </span>
      )}
    </label>
  );
}

export function BoxFields({
  place,
  box,
  set,
  says,
}: {
  readonly place: string;
  readonly box: { readonly min: Vec; readonly max: Vec };
  set(box: { readonly min: Vec; readonly max: Vec }): void;
  says(place: string): string | undefined;
}) {
  return (
    <div>
      {EDGES.map((edge, i) => (
        <div key={edge} className={styles.pair}>
          <MeasureField
            label={msg`Starts, ${edge}`}
            value={box.min[i] as number}
            onChange={(v) => set({ ...box, min: put(box.min, i, v) })}
          />
          <MeasureField
            label={msg`Ends, ${edge}`}
            value={box.max[i] as number}
            trouble={says(`${place}.max.${i}`)}
            onChange={(v) => set({ ...box, max: put(box.max, i, v) })}
          />
        </div>
      ))}
    </div>
  );
}

export const FACES: readonly { readonly value: MountFace; readonly label: string }[] = worded(
  () => [
    { value: 'front', label: msg`front` },
    { value: 'top', label: msg`top` },
    { value: 'bottom', label: msg`floor` },
    { value: 'rear', label: msg`rear` },
    { value: 'side', label: msg`window side` },
    { value: 'tray', label: msg`tray, beside the board` },
  ],
);

/** Something to tick. */
export function Tick({
  label,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly checked: boolean;
  onChange(checked: boolean): void;
}) {
  return (
    <label className={styles.check}>
      <Check checked={checked} onChange={(e) => onChange(e.target.checked)} /> {label}
    </label>
  );
}

/** A quiet button under a list or beside a heading. */
export function Quiet({
  label,
  disabled = false,
  onClick,
}: {
  readonly label: string;
  readonly disabled?: boolean;
  onClick(): void;
}) {
  return (
    <Press className={styles.quiet} disabled={disabled} onClick={onClick}>
      {label}
    </Press>
  );
}
