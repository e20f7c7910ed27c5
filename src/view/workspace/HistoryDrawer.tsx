'use client';
import { Press } from '@/view/shared';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import type { Design } from '@/core/design';
import { msg } from '@/core/messages';
import { formatDate } from '@/core/units';
import { DifferenceTable } from './ConflictDialog';
import drawer from './Drawer.module.css';
import { useEditor } from './EditorProvider';
import styles from './HistoryDrawer.module.css';
import { addBuild } from './send';

interface Moment {
  readonly revision: number;
  readonly savedAt: number;
  readonly name: string | null;
}

const timeOf = (at: number): string => formatDate(at, 'recent');

/** The saves of this build, newest first: looked at, compared, named, restored. */
export function HistoryDrawer() {
  const open = useEditor((s) => s.drawer === 'history');
  const setOpen = useEditor((s) => s.open);
  return (
    <Drawer
      anchor="right"
      open={open}
      onClose={() => setOpen(null)}
      slotProps={{ paper: { className: drawer.paper as string, elevation: 0 } }}
    >
      <div className={drawer.head}>
        <h1>{msg`History`}</h1>
        <Press className={drawer.close} onClick={() => setOpen(null)}>
          {msg`Close`}
        </Press>
      </div>
      {open && <Moments />}
    </Drawer>
  );
}

function Moments() {
  const id = useEditor((s) => s.id);
  const revision = useEditor((s) => s.revision);
  const [moments, setMoments] = useState<readonly Moment[] | null>(null);
  const [failed, setFailed] = useState(false);
  const [picked, setPicked] = useState<number | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let live = true;
    void fetch(`/api/builds/${encodeURIComponent(id)}/history`)
      .then((r) => (r.ok ? (r.json() as Promise<readonly Moment[]>) : Promise.reject(new Error())))
      .then((found) => live && setMoments(found))
      .catch(() => live && setFailed(true));
    return () => {
      live = false;
    };
  }, [id, revision, asked]);
  if (failed)
    return <p role="alert">{msg`The server cannot be reached: the history is kept there.`}</p>;
  if (moments === null) return <p className="soft">{msg`Reading.`}</p>;
  return (
    <>
      <p className="soft">
        {msg`The last fifty saves are kept; of older ones the last of each ten minutes of a day,
          of each hour of a week, of each day before. A moment with a name is never let go.`}
      </p>
      <ol className={styles.list}>
        {moments.map((m) => (
          <li key={m.revision} data-picked={picked === m.revision || undefined}>
            <Press
              className={styles.moment}
              aria-expanded={picked === m.revision}
              onClick={() => setPicked(picked === m.revision ? null : m.revision)}
            >
              <span>{timeOf(m.savedAt)}</span>
              <span className="soft">{msg`revision ${m.revision}`}</span>
              {m.name && <strong>{m.name}</strong>}
              {m.revision === revision && <span className="soft">{msg`now`}</span>}
            </Press>
            {picked === m.revision && (
              <MomentCard moment={m} onNamed={() => setAsked((n) => n + 1)} />
            )}
          </li>
        ))}
      </ol>
    </>
  );
}

function MomentCard({ moment, onNamed }: { readonly moment: Moment; onNamed(): void }) {
  const id = useEditor((s) => s.id);
  const design = useEditor((s) => s.design);
  const replaceWith = useEditor((s) => s.replaceWith);
  const say = useEditor((s) => s.say);
  const [then, setThen] = useState<Design | null>(null);
  const [name, setName] = useState(moment.name ?? '');
  const address = `/api/builds/${encodeURIComponent(id)}/history/${moment.revision}`;
  useEffect(() => {
    let live = true;
    void fetch(`${address}?now=1`)
      .then((r) => (r.ok ? (r.json() as Promise<Design>) : Promise.reject(new Error())))
      .then((found) => live && setThen(found))
      .catch(() => live && say(msg`This revision could not be read.`));
    return () => {
      live = false;
    };
  }, [address, say]);
  const keepName = async (): Promise<void> => {
    const response = await fetch(address, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: name.trim() === '' ? null : name.trim() }),
    }).catch(() => null);
    if (response?.ok) onNamed();
    else say(msg`The name was not kept.`);
  };
  const openCopy = async (): Promise<void> => {
    if (!then) return;
    const copy = { ...then, name: msg`${then.name.slice(0, 60)}, revision ${moment.revision}` };
    const added = await addBuild(JSON.stringify(copy));
    if (added.ok) window.open(`/builds/${added.id}/heat`, '_blank', 'noopener');
    else say(added.message);
  };
  return (
    <div className={styles.card}>
      <div className={styles.actions}>
        <Button
          variant="outlined"
          size="small"
          disabled={!then}
          onClick={() => then && replaceWith(msg`restore revision ${moment.revision}`, then)}
        >
          {msg`Restore`}
        </Button>
        <Button size="small" disabled={!then} onClick={() => void openCopy()}>
          {msg`Open as a copy`}
        </Button>
      </div>
      <div className={styles.actions}>
        <TextField
          size="small"
          label={msg`Name of this moment`}
          value={name}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <Button
          size="small"
          disabled={name.trim() === (moment.name ?? '')}
          onClick={() => void keepName()}
        >
          {msg`Keep the name`}
        </Button>
      </div>
      {then && <DifferenceTable before={then} after={design} heads={['then', 'now']} />}
    </div>
  );
}
