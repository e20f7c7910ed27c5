'use client';
import { Press } from '@/view/shared';
import { useRef, useState } from 'react';

import { counted, msg } from '@/core/messages';
import styles from './Builds.module.css';

interface Restored {
  readonly added: number;
  readonly kept: number;
  readonly advanced: number;
  readonly copied: number;
  readonly parts: number;
}

function restoredWords({ added, kept, advanced, copied, parts }: Restored): string {
  const said = [
    added > 0 ? msg`${counted(added, '# build', '# builds')} added` : '',
    advanced > 0 ? msg`${counted(advanced, '# build', '# builds')} brought forward` : '',
    copied > 0 ? msg`${counted(copied, '# build', '# builds')} put beside yours as a copy` : '',
    kept > 0 ? msg`${counted(kept, '# build', '# builds')} already here` : '',
    parts > 0 ? msg`${counted(parts, '# part', '# parts')} of your own` : '',
  ].filter((s) => s !== '');
  return said.length > 0
    ? msg`${said.join(', ')}. Nothing here was lost.`
    : msg`The backup is empty.`;
}

/** Everything into one file, and back beside what is there. */
export function Backup({
  onRestored,
  onTrouble,
}: {
  onRestored(): void;
  onTrouble(message: string, lines?: readonly string[]): void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const restore = async (chosen: File): Promise<void> => {
    setSaid(msg`Reading the backup.`);
    try {
      const response = await fetch('/api/backup', {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: chosen,
      });
      const body = (await response.json()) as Restored & {
        readonly error?: string;
        readonly troubles?: readonly { readonly path: string; readonly message: string }[];
      };
      if (response.ok) {
        setSaid(restoredWords(body));
        onRestored();
        return;
      }
      onTrouble(
        body.error ?? msg`The backup could not be read.`,
        (body.troubles ?? []).map((t) => `${t.path ? `${t.path}: ` : ''}${t.message}`),
      );
    } catch {
      onTrouble(msg`The server cannot be reached. Nothing was changed.`);
    }
    setSaid(null);
  };
  return (
    <p className={styles.backup}>
      <a href="/api/backup" className={styles.quiet} download>
        {msg`Back up everything`}
      </a>
      <Press className={styles.quiet} onClick={() => file.current?.click()}>
        {msg`Restore a backup`}
      </Press>
      <span className="soft" role="status">
        {said ?? msg`Builds with their history and parts of your own, as one ZIP of open JSON.`}
      </span>
      <input
        ref={file}
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label={msg`Backup file`}
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) void restore(f);
        }}
      />
    </p>
  );
}
