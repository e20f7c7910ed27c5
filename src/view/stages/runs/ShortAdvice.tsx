'use client';
import { componentName } from '@/core/design';
import { useMemo, useState } from 'react';
import { whatIfShort } from '@/core/studies';
import type { Run } from '@/core/tubing';
import { QuantityField, Segments, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/** A tube that came out too short: what saves it. */
export function ShortAdvice({ run }: { readonly run: Run }) {
  const design = useEditor((s) => s.design);
  const routed = useEditor((s) => s.analysis.routed);
  const commit = useEditor((s) => s.commit);
  const [short, setShort] = useState(5);
  const [end, setEnd] = useState<'from' | 'to'>('to');
  const nameOf = (id: string): string => componentName(design, id);
  const ways = useMemo(
    () => whatIfShort(design, routed, run.id, end, short),
    [design, end, routed, run.id, short],
  );
  return (
    <details className={styles.way}>
      <summary>{msg`What if it comes out too short?`}</summary>
      <div className={styles.row}>
        <QuantityField
          label={msg`Too short by`}
          value={short}
          quantity="length"
          min={0.5}
          max={100}
          onCommit={(v) => v !== null && setShort(v)}
        />
        <Segments
          label={msg`At`}
          value={end}
          options={[
            { value: 'from', label: msg`at ${nameOf(run.from.component)}` },
            { value: 'to', label: msg`at ${nameOf(run.to.component)}` },
          ]}
          onPick={setEnd}
        />
      </div>
      <ul className={styles.list}>
        {ways.map((w) => (
          <li key={w.says}>
            <strong>{w.says}.</strong> {w.then}
            {w.edit && (
              <>
                {' '}
                <Press
                  className={styles.link}
                  onClick={() => {
                    if (w.edit) commit(w.says, w.edit);
                  }}
                >
                  {msg`Do it`}
                </Press>
              </>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
