'use client';
import Button from '@mui/material/Button';
import FormControl from '@mui/material/FormControl';
import InputLabel from '@mui/material/InputLabel';
import OutlinedInput from '@mui/material/OutlinedInput';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { BuildEntry, BuildList } from '@/server';
import { PageHead, Press } from '@/view/shared';
import { addBuild } from '@/view/workspace/send';
import { counted, msg, formatNumber } from '@/core/messages';
import { Backup } from './Backup';
import { Bin } from './Bin';
import { BuildRow } from './BuildRow';
import { later } from '@/view/shared/later';
import styles from './Builds.module.css';

const Pages = dynamic(() => later(() => import('../shared/Pages').then((m) => m.Pages)));
const Snackbar = dynamic(() =>
  later(() => import('@mui/material/Snackbar').then((m) => m.default)),
);

const MOST_BYTES = 10_000_000;
/** How often the list asks again while builds are being computed. */
const ASK_AGAIN_MS = 1000;
/** How long a search waits for the next letter. */
const SEARCH_AFTER_MS = 250;

interface Trouble {
  readonly message: string;
  readonly lines: readonly string[];
}

/** All builds, each with its small loop line and its verdicts; a page at a time. */
export function Builds({ list }: { readonly list: BuildList }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [binned, setBinned] = useState<BuildEntry | null>(null);
  const { entries, total, limit, offset, search } = list;

  const pending = entries.some((e) => e.known.state === 'pending');
  useEffect(() => {
    if (!pending) return undefined;
    // Once for each list: on a slow machine a refresh that follows a refresh would hold up whoever
    // goes to another page.
    const timer = setTimeout(() => router.refresh(), ASK_AGAIN_MS);
    return () => clearTimeout(timer);
  }, [pending, list, router]);

  const say = (message: string, lines: readonly string[] = []): void =>
    setTrouble({ message, lines });
  const show = (q: string, page: number): void => {
    const asked = new URLSearchParams();
    if (q !== '') asked.set('q', q);
    if (page > 1) asked.set('offset', String((page - 1) * limit));
    router.replace(`/${asked.size > 0 ? `?${asked.toString()}` : ''}`, { scroll: page !== 1 });
  };
  const remove = async (entry: BuildEntry): Promise<void> => {
    const response = await fetch(`/api/builds/${encodeURIComponent(entry.id)}`, {
      method: 'DELETE',
    }).catch(() => null);
    if (!response?.ok) {
      say(msg`The build could not be deleted.`);
      return;
    }
    setBinned(entry);
    router.refresh();
  };
  const putBack = async ({ id }: BuildEntry): Promise<void> => {
    setBinned(null);
    const response = await fetch(`/api/bin/build/${encodeURIComponent(id)}`, {
      method: 'POST',
    }).catch(() => null);
    if (!response?.ok) say(msg`The build could not be put back. It lies in the bin below.`);
    router.refresh();
  };

  return (
    <div className={styles.page}>
      <PageHead at="/" />
      <main className={styles.main}>
        <div className={styles.head}>
          <div>
            <h1>{msg`Builds`}</h1>
            <p className="soft">
              {msg`Design a loop from requirements to parts list: heat, fit, flow, metals, runs
                and every part to buy.`}
            </p>
          </div>
          <div className={styles.actions}>
            {(total > limit || search !== '') && (
              <Search at={search} onSearch={(q) => show(q, 1)} />
            )}
            <OpenFile say={say} />
            <Link href="/new" className={styles.primary} prefetch={false}>
              {msg`New build`}
            </Link>
          </div>
        </div>
        {trouble && <TroubleBox {...trouble} onClose={() => setTrouble(null)} />}
        {entries.length === 0 && (
          <p className={styles.none}>
            {search === ''
              ? msg`There are no builds yet. Start a new one, or open a build file.`
              : msg`No build is named "${search}".`}
          </p>
        )}
        <ul className={styles.list}>
          {entries.map((e) => (
            <BuildRow
              key={e.id}
              entry={e}
              onCopied={() => router.refresh()}
              onDelete={() => void remove(e)}
              onTrouble={say}
            />
          ))}
        </ul>
        {total > limit && (
          <div className={styles.pager}>
            <Pages
              label={msg`Pages of builds`}
              count={Math.ceil(total / limit)}
              page={Math.floor(offset / limit) + 1}
              onPage={(page) => show(search, page)}
            />
            <span className="soft">{msg`${counted(total, '# build', '# builds')}`}</span>
          </div>
        )}
        <Bin after={binned?.id ?? ''} onChange={() => router.refresh()} onTrouble={say} />
        <Backup onRestored={() => router.refresh()} onTrouble={say} />
      </main>
      {binned && (
        <Snackbar
          open
          autoHideDuration={12_000}
          onClose={(_, reason) => reason === 'timeout' && setBinned(null)}
          message={msg`"${binned.name}" is in the bin for 30 days.`}
          action={
            <Button color="inherit" size="small" onClick={() => void putBack(binned)}>
              {msg`Undo`}
            </Button>
          }
        />
      )}
    </div>
  );
}

function Search({ at, onSearch }: { readonly at: string; onSearch(q: string): void }) {
  const [text, setText] = useState(at);
  const [asked, setAsked] = useState(at);
  const [answered, setAnswered] = useState(at);
  if (at !== answered) {
    setAnswered(at);
    // Another search than was asked for here: by the browser's own back and forward.
    if (at !== asked) {
      setAsked(at);
      setText(at);
    }
  }
  const ask = useEffectEvent((q: string) => {
    setAsked(q);
    onSearch(q);
  });
  useEffect(() => {
    const q = text.trim();
    if (q === asked) return undefined;
    const timer = setTimeout(() => ask(q), SEARCH_AFTER_MS);
    return () => clearTimeout(timer);
  }, [text, asked]);
  return (
    <FormControl size="small">
      <InputLabel htmlFor="find-a-build">{msg`Find a build`}</InputLabel>
      <OutlinedInput
        id="find-a-build"
        type="search"
        label={msg`Find a build`}
        value={text}
        autoFocus={at !== ''}
        onChange={(e) => setText(e.target.value)}
        inputProps={{ maxLength: 80 }}
      />
    </FormControl>
  );
}

function OpenFile({ say }: { say(message: string, lines?: readonly string[]): void }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const read = async (chosen: File): Promise<void> => {
    if (chosen.size > MOST_BYTES) {
      say(
        msg`"${chosen.name}" is ${formatNumber(chosen.size / 1e6, { decimals: 1 })} MB; a build file is never
          larger than 4 MB. Nothing was changed.`,
      );
      return;
    }
    const answer = await addBuild(await chosen.text());
    if (answer.ok) router.push(`/builds/${answer.id}/heat`);
    else
      say(
        msg`"${chosen.name.slice(0, 80)}": ${answer.message} Nothing was changed.`,
        answer.troubles.map((t) => `${t.path ? `${t.path}: ` : ''}${t.message}`),
      );
  };
  const readNow = useEffectEvent(() => {
    const early = file.current?.files?.[0];
    if (early) void read(early);
  });
  // A file chosen before the page was awake is read as soon as it is.
  useEffect(() => readNow(), []);
  return (
    <>
      <Press className={styles.quiet} onClick={() => file.current?.click()}>
        {msg`Open a build file`}
      </Press>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label={msg`Build file`}
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) void read(f);
        }}
      />
    </>
  );
}

function TroubleBox({ message, lines, onClose }: Trouble & { onClose(): void }) {
  return (
    <div role="alert" className={styles.trouble}>
      <p>{message}</p>
      {lines.length > 0 && (
        <ul>
          {lines.slice(0, 8).map((l) => (
            <li key={l} className="mono">
              {l}
            </li>
          ))}
        </ul>
      )}
      <Press className={styles.quiet} onClick={onClose}>
        {msg`Dismiss`}
      </Press>
    </div>
  );
}
