'use client';
import { Press } from '@/view/shared';
import { useEffect, useState } from 'react';

import type { BinEntry } from '@/server';
import { counted, msg } from '@/core/messages';
import { formatDate } from '@/core/units';
import styles from './Builds.module.css';

/** What was deleted in the last thirty days: put back, or removed for good. */
export function Bin({
  after,
  onChange,
  onTrouble,
}: {
  /** Asked for anew when this changes. */
  readonly after: string;
  onChange(): void;
  onTrouble(message: string): void;
}) {
  const [entries, setEntries] = useState<readonly BinEntry[]>([]);
  const [asked, setAsked] = useState(0);
  const [asking, setAsking] = useState<string | null>(null);
  useEffect(() => {
    let live = true;
    void fetch('/api/bin')
      .then((r) => (r.ok ? (r.json() as Promise<readonly BinEntry[]>) : []))
      .catch(() => [])
      .then((found) => {
        if (live) setEntries(found);
      });
    return () => {
      live = false;
    };
  }, [after, asked]);
  if (entries.length === 0) return null;
  const act = async (entry: BinEntry, method: 'POST' | 'DELETE'): Promise<void> => {
    setAsking(null);
    const response = await fetch(`/api/bin/${entry.kind}/${encodeURIComponent(entry.id)}`, {
      method,
    }).catch(() => null);
    if (!response?.ok) onTrouble(msg`"${entry.name}": the server did not do it.`);
    setAsked((n) => n + 1);
    onChange();
  };
  return (
    <details className={styles.bin}>
      <summary>{msg`Bin: ${counted(entries.length, '# deletion', '# deletions')} of the last 30
        days`}</summary>
      <ul>
        {entries.map((e) => (
          <li key={`${e.kind}/${e.id}`}>
            <span className={styles.binName}>{e.name}</span>
            <span className="soft">
              {e.kind === 'part'
                ? msg`part of your own, kept until ${formatDate(e.until, 'dayOfYear')}`
                : msg`kept until ${formatDate(e.until, 'dayOfYear')}`}
            </span>
            <Press className={styles.quiet} onClick={() => void act(e, 'POST')}>
              {msg`Put back`}
            </Press>
            {e.kind === 'build' && <a href={`/api/builds/${e.id}/file`}>{msg`Export`}</a>}
            {e.kind === 'build' && asking !== e.id && (
              <Press className={styles.quiet} onClick={() => setAsking(e.id)}>
                {msg`Delete for good`}
              </Press>
            )}
            {asking === e.id && (
              <Press className={styles.danger} onClick={() => void act(e, 'DELETE')}>
                {msg`Yes, with its history`}
              </Press>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
