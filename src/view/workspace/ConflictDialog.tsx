'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { differences, type Design } from '@/core/design';
import { plural } from '@/core/units';
import styles from './ConflictDialog.module.css';
import { placeWords, valueWords } from './differenceWords';
import { downloadBuild } from './download';
import { clashKey, type Conflict } from './editor';
import { useEditor } from './EditorProvider';

/** Rows of changes that are told one by one; more are counted. */
const SHOWN = 60;

/** Two versions of one build: both are kept until the builder has chosen, field by field. */
export function ConflictDialog() {
  const conflict = useEditor((s) => s.conflict);
  const design = useEditor((s) => s.design);
  return conflict && <Choosing key={conflict.revision} conflict={conflict} mine={design} />;
}

function Choosing({ conflict, mine }: { readonly conflict: Conflict; readonly mine: Design }) {
  const settle = useEditor((s) => s.settle);
  const takeTheirs = useEditor((s) => s.takeTheirs);
  const [theirs, setTheirs] = useState<ReadonlySet<string>>(new Set());
  const { design, merged, from, revision } = conflict;
  const { clashes, loose } = merged;
  const choose = (key: string, side: 'mine' | 'theirs' | null): void => {
    if (side === null) return;
    const next = new Set(theirs);
    if (side === 'theirs') next.add(key);
    else next.delete(key);
    setTheirs(next);
  };
  const apart = loose.length > 0;
  return (
    <Dialog open maxWidth="md" fullWidth aria-labelledby="conflict">
      <div className={styles.sheet}>
        <h1 id="conflict">
          {from === 'server'
            ? 'This build was changed elsewhere'
            : 'A closed window left other work on this build'}
        </h1>
        <p>
          {from === 'server'
            ? `Another window or person saved revision ${revision} while you were working.`
            : 'It was closed, or crashed, before its work reached the server.'}{' '}
          Both versions are still there.{' '}
          {apart
            ? 'They conflict: one uses what the other has removed. Choose which to keep; Undo brings yours back.'
            : `What does not touch has been brought together; ${plural(clashes.length, 'thing')} changed on both sides wait${clashes.length === 1 ? 's' : ''} for your choice.`}
        </p>
        {apart ? (
          <ApartTable mine={mine} theirs={design} />
        ) : (
          <table className={styles.table}>
            <thead>
              <tr>
                <th>what</th>
                <th>yours</th>
                <th>theirs</th>
                <th>goes on</th>
              </tr>
            </thead>
            <tbody>
              {clashes.map((clash) => {
                const key = clashKey(clash);
                return (
                  <tr key={key}>
                    <th scope="row">{placeWords(clash.path, mine, design)}</th>
                    <td>{valueWords(clash.mine)}</td>
                    <td>{valueWords(clash.theirs)}</td>
                    <td>
                      <ToggleButtonGroup
                        exclusive
                        size="small"
                        value={theirs.has(key) ? 'theirs' : 'mine'}
                        onChange={(_, side: 'mine' | 'theirs' | null) => choose(key, side)}
                        aria-label={placeWords(clash.path, mine, design)}
                      >
                        <ToggleButton value="mine" className={styles.side}>
                          yours
                        </ToggleButton>
                        <ToggleButton value="theirs" className={styles.side}>
                          theirs
                        </ToggleButton>
                      </ToggleButtonGroup>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        <div className={styles.actions}>
          <Button variant="contained" onClick={() => settle(theirs)}>
            {apart ? 'Go on with mine' : 'Go on with these'}
          </Button>
          <Button variant="outlined" onClick={takeTheirs}>
            Take all of theirs
          </Button>
          <Button onClick={() => downloadBuild(mine)}>Keep mine as a file</Button>
          <Button onClick={() => downloadBuild(design)}>Keep theirs as a file</Button>
        </div>
      </div>
    </Dialog>
  );
}

function ApartTable({ mine, theirs }: { readonly mine: Design; readonly theirs: Design }) {
  return <DifferenceTable before={mine} after={theirs} heads={['yours', 'theirs']} />;
}

/** What differs between two states of a build, place by place. */
export function DifferenceTable({
  before,
  after,
  heads,
}: {
  readonly before: Design;
  readonly after: Design;
  readonly heads: readonly [before: string, after: string];
}) {
  const found = differences(before, after);
  if (found.length === 0) return <p className="soft">They are the same.</p>;
  return (
    <>
      <table className={styles.table}>
        <thead>
          <tr>
            <th>what</th>
            <th>{heads[0]}</th>
            <th>{heads[1]}</th>
          </tr>
        </thead>
        <tbody>
          {found.slice(0, SHOWN).map((d) => (
            <tr key={d.path.join('/')}>
              <th scope="row">{placeWords(d.path, before, after)}</th>
              <td>{valueWords(d.before)}</td>
              <td>{valueWords(d.after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found.length > SHOWN && (
        <p className="soft">and {plural(found.length - SHOWN, 'further difference')}.</p>
      )}
    </>
  );
}
