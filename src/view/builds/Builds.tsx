'use client';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import type { Stage } from '@/core/checks';
import type { BuildEntry, SummaryState } from '@/server';
import { Mark, PageHead, StationIcon } from '@/view/shared';
import { addBuild } from '@/view/workspace/send';
import { dropOutbox } from '@/view/workspace/outbox';
import styles from './Builds.module.css';

const SHOWN: readonly { readonly id: Stage; readonly name: string }[] = [
  { id: 'heat', name: 'Heat' },
  { id: 'case', name: 'Case' },
  { id: 'cooling', name: 'Cooling' },
  { id: 'flow', name: 'Flow' },
  { id: 'materials', name: 'Materials' },
  { id: 'runs', name: 'Runs' },
  { id: 'parts', name: 'Parts' },
];
const MOST_BYTES = 10_000_000;

const summaryOf = ({ known }: BuildEntry) => (known.state === 'ready' ? known.summary : null);
const WHY: Record<Exclude<SummaryState['state'], 'ready'>, string> = {
  pending: 'Being computed.',
  unreadable: 'This build cannot be read. Export it to keep its data.',
  'too-large': 'This build takes too long to compute for the list. It can still be opened.',
};
/** How often the list asks again while builds are being computed. */
const ASK_AGAIN_MS = 1000;

/** All builds, each with its small loop line and its verdicts. */
export function Builds({ entries }: { readonly entries: readonly BuildEntry[] }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<{
    readonly message: string;
    readonly lines: readonly string[];
  } | null>(null);
  const [asking, setAsking] = useState<string | null>(null);

  const pending = entries.some((e) => e.known.state === 'pending');
  useEffect(() => {
    if (!pending) return undefined;
    const timer = setInterval(() => router.refresh(), ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [pending, router]);

  const read = async (chosen: File): Promise<void> => {
    if (chosen.size > MOST_BYTES) {
      setTrouble({
        message: `"${chosen.name}" is ${(chosen.size / 1e6).toFixed(1)} MB; a build document is never larger than 4 MB. Nothing was changed.`,
        lines: [],
      });
      return;
    }
    const answer = await addBuild(await chosen.text());
    if (answer.ok) router.push(`/builds/${answer.id}/heat`);
    else
      setTrouble({
        message: `"${chosen.name.slice(0, 80)}": ${answer.message} Nothing was changed.`,
        lines: answer.troubles.map((t) => `${t.path ? `${t.path}: ` : ''}${t.message}`),
      });
  };
  const copy = async (id: string): Promise<void> => {
    const source = await fetch(`/api/builds/${id}`)
      .then((r) => r.json() as Promise<{ document: { name: string } }>)
      .catch(() => null);
    if (!source) {
      setTrouble({ message: 'The build could not be read.', lines: [] });
      return;
    }
    const answer = await addBuild(
      JSON.stringify({ ...source.document, name: `${source.document.name.slice(0, 70)}, copy` }),
    );
    if (answer.ok) router.refresh();
    else setTrouble({ message: answer.message, lines: [] });
  };
  const remove = async (id: string): Promise<void> => {
    setAsking(null);
    const response = await fetch(`/api/builds/${id}`, { method: 'DELETE' }).catch(() => null);
    if (response?.ok) {
      await dropOutbox(id);
      router.refresh();
    } else setTrouble({ message: 'The build could not be deleted.', lines: [] });
  };

  return (
    <div className={styles.page}>
      <PageHead at="Shelf" />
      <main className={styles.main}>
        <div className={styles.head}>
          <div>
            <h1>The Shelf</h1>
            <p className="soft">
              Loops from brief to parts list: heat, fit, flow, metals, runs, every piece to buy.
            </p>
          </div>
          <div className={styles.actions}>
            <button type="button" className={styles.quiet} onClick={() => file.current?.click()}>
              Open a build file
            </button>
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              hidden
              aria-label="Build file"
              onChange={(e) => {
                const f = e.target.files?.[0];
                e.target.value = '';
                if (f) void read(f);
              }}
            />
            <Link href="/new" className={styles.primary} prefetch={false}>
              New build
            </Link>
          </div>
        </div>
        {trouble && (
          <div role="alert" className={styles.trouble}>
            <p>{trouble.message}</p>
            {trouble.lines.length > 0 && (
              <ul>
                {trouble.lines.slice(0, 8).map((l) => (
                  <li key={l} className="mono">
                    {l}
                  </li>
                ))}
              </ul>
            )}
            <button type="button" className={styles.quiet} onClick={() => setTrouble(null)}>
              Put away
            </button>
          </div>
        )}
        {entries.length === 0 && (
          <p className={styles.none}>
            The Shelf is empty. Start a new build, or open a build file.
          </p>
        )}
        <ul className={styles.list}>
          {entries.map((e) => (
            <li key={e.id} className={styles.entry}>
              <div className={styles.title}>
                <Link href={`/builds/${e.id}/heat`} className={styles.name} prefetch={false}>
                  {e.name}
                </Link>
                <p className="soft">
                  {e.about ?? `${summaryOf(e)?.caseName ?? 'no case yet'}, revision ${e.revision}`}
                  {e.demo ? <span className={styles.demo}>demo</span> : null}
                </p>
                <p className={styles.small}>
                  <button type="button" className={styles.quiet} onClick={() => void copy(e.id)}>
                    Copy
                  </button>
                  <a href={`/api/builds/${e.id}/file`} className={styles.quiet}>
                    Export
                  </a>
                  {asking === e.id ? (
                    <>
                      <span>Delete it for good?</span>
                      <button
                        type="button"
                        className={styles.danger}
                        onClick={() => void remove(e.id)}
                      >
                        Delete
                      </button>
                      <button
                        type="button"
                        className={styles.quiet}
                        onClick={() => setAsking(null)}
                      >
                        Keep
                      </button>
                    </>
                  ) : (
                    <button type="button" className={styles.quiet} onClick={() => setAsking(e.id)}>
                      Delete
                    </button>
                  )}
                </p>
              </div>
              <Link
                href={`/builds/${e.id}/heat`}
                className={styles.loops}
                prefetch={false}
                tabIndex={-1}
                aria-hidden
              >
                {summaryOf(e)?.loops.map((loop, i) => (
                  <span key={i} className={styles.loop}>
                    {loop.map((s, k) => (
                      <span key={k} className={styles.station}>
                        <StationIcon kind={s.kind} size={28} />
                      </span>
                    ))}
                  </span>
                ))}
                {summaryOf(e)?.loops.length === 0 && (
                  <span className="soft">not connected yet</span>
                )}
              </Link>
              <dl className={styles.verdicts}>
                <Verdicts known={e.known} />
              </dl>
            </li>
          ))}
        </ul>
      </main>
    </div>
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
