'use client';
import type { Loop, TestBend } from '@/core/design';
import { isBentCold, springBackOf } from '@/core/tubing';
import { springBackWords } from '@/core/plan';
import { QuantityField, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/** A bend that was not made yet is asked for at this angle. */
const USUAL_DEG = 90,
  OTHER_DEG = 45;
const MOST_BENDS = 12;

/**
 * Bends made on spare pieces: set to an angle, and what was left of it. One tells a share, two or
 * more at different angles a line.
 */
export function TestBends({ loop }: { readonly loop: Loop }) {
  const commit = useEditor((s) => s.commit);
  const bends = loop.testBends ?? [];
  const set = (label: string, next: readonly TestBend[]): void =>
    commit(label, { do: 'loop.test-bends', loop: loop.id, bends: next });
  const rows = bends.length < MOST_BENDS ? [...bends, null] : bends;
  const next_deg = bends.some((b) => b.set_deg === USUAL_DEG) ? OTHER_DEG : USUAL_DEG;
  return (
    <section aria-label={msg`Test bends of ${loop.name}`}>
      <p>{msg`Test bends on offcuts, let go when cool and measured:`}</p>
      {rows.map((bend, i) => (
        <TestBendRow
          key={i}
          bend={bend}
          usual_deg={next_deg}
          mandrel_mm={loop.tube.minBend_mm}
          cold={isBentCold(loop.tube)}
          onChange={(now) =>
            now === null
              ? set(
                  msg`forget a test bend`,
                  bends.filter((_, k) => k !== i),
                )
              : set(msg`note a test bend`, [...bends.slice(0, i), now, ...bends.slice(i + 1)])
          }
        />
      ))}
      <p className="soft">{springBackWords(springBackOf(loop.tube, bends))}</p>
    </section>
  );
}

/** One bend; the empty row at the end becomes one once it is told what was left. */
function TestBendRow({
  bend,
  usual_deg,
  mandrel_mm,
  cold,
  onChange,
}: {
  readonly bend: TestBend | null;
  readonly usual_deg: number;
  readonly mandrel_mm: number;
  /** Metal: its mandrel tells. */
  readonly cold: boolean;
  readonly onChange: (bend: TestBend | null) => void;
}) {
  const set_deg = bend?.set_deg ?? usual_deg;
  return (
    <div className={styles.row}>
      <QuantityField
        label={msg`Bent to`}
        value={set_deg}
        quantity="angle"
        decimals={1}
        min={10}
        max={180}
        onCommit={(v) =>
          v !== null && onChange({ ...bend, set_deg: v, left_deg: bend?.left_deg ?? v })
        }
      />
      <QuantityField
        label={msg`Left when cool`}
        optional
        value={bend?.left_deg ?? null}
        quantity="angle"
        decimals={1}
        min={5}
        max={180}
        onCommit={(v) => {
          if (v !== null) onChange({ ...bend, set_deg, left_deg: v });
          else if (bend) onChange(null);
        }}
      />
      {cold && bend && (
        <QuantityField
          label={msg`Radius`}
          value={bend.radius_mm ?? mandrel_mm}
          quantity="length"
          decimals={1}
          min={1}
          max={1000}
          onCommit={(v) => v !== null && onChange({ ...bend, radius_mm: v })}
        />
      )}
      {bend && (
        <Press className={styles.link} onClick={() => onChange(null)}>
          {msg`forget`}
        </Press>
      )}
    </div>
  );
}
