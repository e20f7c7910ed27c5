'use client';
import { CASE_NAMES } from '@/core/components';
import { Press, rich } from '@/view/shared';
import { useRef, useState } from 'react';
import type { Reading } from '@/core/design';
import { formatMeasure, formatDate } from '@/core/units';
import { readingsFromCsv } from '@/format';
import { downloadReadings, useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './LogStage.module.css';

/** The readings kept, newest first; more of them from a table, and out as one. */
export function ReadingList({ readings }: { readonly readings: readonly Reading[] }) {
  const name = useEditor((s) => s.design.name);
  const commit = useEditor((s) => s.commit);
  return (
    <>
      {readings.length > 0 && (
        <ul className={styles.readings}>
          {[...readings].reverse().map((r) => (
            <li key={r.on}>
              <span>
                {whenText(r.on)} <span className="soft">{CASE_NAMES[r.load]}</span>
              </span>
              <span className="num">
                {Object.entries(r.coolant_C ?? {})
                  .map(([, c]) => `${formatMeasure(c - r.room_C, 'K', { decimals: 1 })}`)
                  .join(', ') || '–'}
              </span>
              <Press
                className={styles.link}
                aria-label={msg`Take away the reading of ${whenText(r.on)}`}
                onClick={() =>
                  commit(msg`take a reading away`, { do: 'work.reading', on: r.on, reading: null })
                }
              >
                {msg`take away`}
              </Press>
            </li>
          ))}
        </ul>
      )}
      <FromTable />
      {readings.length > 0 && (
        <Press className={styles.link} onClick={() => downloadReadings(name, readings)}>
          {msg`Keep them as CSV`}
        </Press>
      )}
    </>
  );
}

export const whenText = (on: string): string => formatDate(on, 'moment');

const HEAD = 'on;load;room_C;coolant_C/LOOP;flow_Lmin/LOOP;noise_dBA';

/** Readings pasted or from a file. Nothing is taken while a cell of it cannot be read. */
function FromTable() {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [text, setText] = useState('');
  const [troubles, setTroubles] = useState<readonly string[]>([]);
  const file = useRef<HTMLInputElement>(null);
  const take = (table: string): void => {
    const read = readingsFromCsv(table);
    if (!read.ok) {
      setText(table);
      setTroubles(read.troubles.map((t) => msg`Row ${t.row}, ${t.column}: ${t.message}`));
      return;
    }
    commit(msg`readings from a table`, {
      do: 'batch',
      edits: read.readings.map((reading) => ({ do: 'work.reading', on: reading.on, reading })),
    });
    setText('');
    setTroubles([]);
  };
  return (
    <details className={styles.more}>
      <summary>{msg`Paste a table, or open a CSV`}</summary>
      <p className={`soft ${styles.head}`}>
        {rich`First row: ${(
          <code lang="en">{HEAD.replaceAll('LOOP', design.loops[0]?.id ?? 'loop')}</code>
        )} and what else you have.`}
      </p>
      <textarea
        aria-label={msg`Readings as a table`}
        rows={4}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {troubles.length > 0 && (
        <ul role="alert" className={styles.trouble}>
          {troubles.map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
      )}
      <div className={styles.inline}>
        <Press className={styles.act} disabled={text.trim() === ''} onClick={() => take(text)}>
          {msg`Take these readings`}
        </Press>
        <Press className={styles.link} onClick={() => file.current?.click()}>
          {msg`Open a CSV file`}
        </Press>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv,text/plain"
          aria-label={msg`CSV of readings`}
          hidden
          onChange={(e) => {
            void e.target.files?.[0]?.text().then(take);
            e.target.value = '';
          }}
        />
      </div>
    </details>
  );
}
