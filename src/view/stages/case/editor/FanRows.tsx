'use client';
import type { MountDraft } from '@/core/measure';
import { FAN_SIZES } from '@/core/components';
import { Pick, Press } from '@/view/shared';
import { msg } from '@/core/messages';
import styles from './CaseEditor.module.css';

const COUNTS = [0, 1, 2, 3, 4, 5, 6].map((n) => ({
  value: String(n),
  label: n === 0 ? msg`none` : String(n),
}));

/** Which fans a mount takes: rows of one size or another, of any size. */
export function FanRows({
  fans,
  trouble,
  onChange,
}: {
  readonly fans: MountDraft['fans'];
  readonly trouble: string | undefined;
  onChange(fans: MountDraft['fans']): void;
}) {
  const [next] = [120, 140, ...FAN_SIZES].filter((s) => !fans.some((f) => f.size_mm === s));
  const put = (i: number, values: Partial<MountDraft['fans'][number]>): void =>
    onChange(fans.map((f, k) => (k === i ? { ...f, ...values } : f)));
  return (
    <>
      {fans.map((f, i) => (
        <div key={i} className={styles.pair}>
          <Pick
            label={msg`Fans of ${f.size_mm} mm`}
            value={String(f.count)}
            options={COUNTS}
            onPick={(v) => put(i, { count: Number(v) })}
          />
          <Pick
            label={msg`Their size`}
            value={String(f.size_mm)}
            options={[...new Set([...FAN_SIZES, f.size_mm])].map((s) => ({
              value: String(s),
              label: msg`${s} mm`,
            }))}
            onPick={(v) => put(i, { size_mm: Number(v) })}
          />
        </div>
      ))}
      {trouble !== undefined && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      <Press
        className={styles.quiet}
        disabled={next === undefined}
        onClick={() => next !== undefined && onChange([...fans, { size_mm: next, count: 1 }])}
      >
        {msg`Or fans of another size`}
      </Press>
    </>
  );
}
