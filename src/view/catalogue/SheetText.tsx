import type { SheetRead, Words } from '@/core/datasheet';
import { msg } from '@/core/messages';
import styles from './SheetEntry.module.css';

interface Marked extends Words {
  readonly field: string;
  readonly state: 'read' | 'asked';
}

/** The sheet with what was read of it underlined, what is asked dotted, and lines nothing was made of greyed. */
export function SheetText({
  text,
  read,
  looked,
}: {
  readonly text: string;
  readonly read: SheetRead;
  /** Field that is looked at. */
  readonly looked: string | null;
}) {
  const marks: Marked[] = [
    ...read.found.map((f): Marked => ({ ...f.words, field: f.field, state: 'read' })),
    ...read.asks.flatMap((a) =>
      a.words.map((w): Marked => ({ ...w, field: a.field, state: 'asked' })),
    ),
  ].sort((a, b) => a.from - b.from || b.to - a.to);
  const pieces: { readonly text: string; readonly mark: Marked | null }[] = [];
  let at = 0;
  for (const mark of marks) {
    if (mark.from < at) continue;
    pieces.push({ text: text.slice(at, mark.from), mark: null });
    pieces.push({ text: text.slice(mark.from, mark.to), mark });
    at = mark.to;
  }
  pieces.push({ text: text.slice(at), mark: null });
  return (
    <>
      <pre className={styles.read} aria-label={msg`What was read`}>
        {pieces.map((p, i) =>
          p.mark ? (
            <mark
              key={i}
              data-state={p.mark.state}
              data-looked={p.mark.field === looked || undefined}
            >
              {p.text}
            </mark>
          ) : (
            <span key={i}>{p.text}</span>
          ),
        )}
      </pre>
      {read.unread.length > 0 && (
        <p className="soft">
          {msg`Nothing was made of the figures in line${read.unread.length > 1 ? 's' : ''}
            ${read.unread.join(', ')}.`}
        </p>
      )}
    </>
  );
}
