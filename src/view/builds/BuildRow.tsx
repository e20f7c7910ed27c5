'use client';
import Link from 'next/link';
import type { Stage } from '@/core/checks';
import type { BuildEntry, SummaryState } from '@/server';
import { Mark, StationIcon, Press } from '@/view/shared';
import { addBuild } from '@/view/workspace/send';
import { msg, worded } from '@/core/messages';
import styles from './Builds.module.css';

const SHOWN: readonly { readonly id: Stage; readonly name: string }[] = worded(() => [
  { id: 'heat', name: msg`Heat load` },
  { id: 'case', name: msg`Case` },
  { id: 'cooling', name: msg`Cooling` },
  { id: 'flow', name: msg`Flow` },
  { id: 'materials', name: msg`Materials` },
  { id: 'runs', name: msg`Runs` },
  { id: 'parts', name: msg`Parts list` },
]);

const WHY: Record<Exclude<SummaryState['state'], 'ready'>, string> = worded(() => ({
  pending: msg`Being computed.`,
  unreadable: msg`This build cannot be read. Export it to keep its data.`,
  'too-large': msg`This build takes too long to compute for the list. It can still be opened.`,
}));

/** One build of the list: its name, what can be done with it, its loop line, its verdicts. */
export function BuildRow({
  entry,
  onCopied,
  onDelete,
  onTrouble,
}: {
  readonly entry: BuildEntry;
  onCopied(): void;
  onDelete(): void;
  onTrouble(message: string): void;
}) {
  const { id, known } = entry,
    summary = known.state === 'ready' ? known.summary : null;
  const copy = async (): Promise<void> => {
    const source = await fetch(`/api/builds/${encodeURIComponent(id)}`)
      .then((r) => r.json() as Promise<{ document: { name: string } }>)
      .catch(() => null);
    if (!source?.document) {
      onTrouble(msg`The build could not be read.`);
      return;
    }
    const { document } = source;
    const answer = await addBuild(
      JSON.stringify({ ...document, name: msg`${document.name.slice(0, 70)}, copy` }),
    );
    if (answer.ok) onCopied();
    else onTrouble(answer.message);
  };
  return (
    <li className={styles.entry}>
      <div className={styles.title}>
        <Link href={`/builds/${id}/heat`} className={styles.name} prefetch={false}>
          {entry.name}
        </Link>
        <p className="soft">
          {entry.about ? (
            <span lang="en">{entry.about}</span>
          ) : (
            msg`${summary?.caseName ?? msg`no case yet`}, revision ${entry.revision}`
          )}
          {entry.demo ? <span className={styles.demo}>{msg`demo`}</span> : null}
        </p>
        <p className={styles.small}>
          {entry.demo && (
            <Link href={`/builds/${id}/heat?tour=1`} className={styles.quiet} prefetch={false}>
              {msg`Guided tour`}
            </Link>
          )}
          <Press className={styles.quiet} onClick={() => void copy()}>
            {msg`Copy`}
          </Press>
          <a href={`/api/builds/${id}/file`} className={styles.quiet}>
            {msg`Export`}
          </a>
          <Press className={styles.quiet} onClick={onDelete}>
            {msg`Delete`}
          </Press>
        </p>
      </div>
      <Link
        href={`/builds/${id}/heat`}
        className={styles.loops}
        prefetch={false}
        tabIndex={-1}
        aria-hidden
      >
        {summary?.loops.map((loop, i) => (
          <span key={i} className={styles.loop}>
            {loop.map((s, k) => (
              <span key={k} className={styles.station}>
                <StationIcon kind={s.kind} size={28} />
              </span>
            ))}
          </span>
        ))}
        {summary?.loops.length === 0 && <span className="soft">{msg`not connected yet`}</span>}
      </Link>
      <dl className={styles.verdicts}>
        <Verdicts known={known} />
      </dl>
    </li>
  );
}

/** Verdict and result of each stage, or why there is none. */
function Verdicts({ known }: { readonly known: SummaryState }) {
  if (known.state !== 'ready')
    return (
      <div>
        <dt>{WHY[known.state]}</dt>
      </div>
    );
  const { stages } = known.summary;
  return SHOWN.map(({ id, name }) => (
    <div key={id}>
      <dt>
        <Mark verdict={stages[id].verdict} size={11} /> {name}
      </dt>
      <dd>{stages[id].result}</dd>
    </div>
  ));
}
