'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { differences, type Design } from '@/core/design';

import { counted, msg } from '@/core/messages';
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
            ? msg`This build was changed elsewhere`
            : msg`A closed window left other work on this build`}
        </h1>
        <p>
          {msg`${
            from === 'server'
              ? msg`Another window or person saved revision ${revision} while you were working.`
              : msg`It was closed, or crashed, before its work reached the server.`
          } Both versions are still there. ${
            apart
              ? msg`They conflict: one uses what the other has removed. Choose which to keep;
                Undo brings yours back.`
              : msg`What does not touch has been brought together;
                ${counted(clashes.length, '# thing changed on both sides waits', '# things changed on both sides wait')}
                for your choice.`
          }`}
        </p>
        {apart ? (
          <ApartTable mine={mine} theirs={design} />
        ) : (
          <Table className={styles.table}>
            <TableHead>
              <TableRow>
                <TableCell>{msg`what`}</TableCell>
                <TableCell>{msg`yours`}</TableCell>
                <TableCell>{msg`theirs`}</TableCell>
                <TableCell>{msg`goes on`}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {clashes.map((clash) => {
                const key = clashKey(clash);
                return (
                  <TableRow key={key}>
                    <TableCell component="th" scope="row">
                      {placeWords(clash.path, mine, design)}
                    </TableCell>
                    <TableCell>{valueWords(clash.mine)}</TableCell>
                    <TableCell>{valueWords(clash.theirs)}</TableCell>
                    <TableCell>
                      <ToggleButtonGroup
                        exclusive
                        size="small"
                        value={theirs.has(key) ? 'theirs' : 'mine'}
                        onChange={(_, side: 'mine' | 'theirs' | null) => choose(key, side)}
                        aria-label={placeWords(clash.path, mine, design)}
                      >
                        <ToggleButton value="mine" className={styles.side}>
                          {msg`yours`}
                        </ToggleButton>
                        <ToggleButton value="theirs" className={styles.side}>
                          {msg`theirs`}
                        </ToggleButton>
                      </ToggleButtonGroup>
                    </TableCell>
                  </TableRow>
                );
              })}
            </TableBody>
          </Table>
        )}
        <div className={styles.actions}>
          <Button variant="contained" onClick={() => settle(theirs)}>
            {apart ? msg`Go on with mine` : msg`Go on with these`}
          </Button>
          <Button variant="outlined" onClick={takeTheirs}>
            {msg`Take all of theirs`}
          </Button>
          <Button onClick={() => downloadBuild(mine)}>{msg`Keep mine as a file`}</Button>
          <Button onClick={() => downloadBuild(design)}>{msg`Keep theirs as a file`}</Button>
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
  if (found.length === 0) return <p className="soft">{msg`They are the same.`}</p>;
  return (
    <>
      <Table className={styles.table}>
        <TableHead>
          <TableRow>
            <TableCell>{msg`what`}</TableCell>
            <TableCell>{heads[0]}</TableCell>
            <TableCell>{heads[1]}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {found.slice(0, SHOWN).map((d) => (
            <TableRow key={d.path.join('/')}>
              <TableCell component="th" scope="row">
                {placeWords(d.path, before, after)}
              </TableCell>
              <TableCell>{valueWords(d.before)}</TableCell>
              <TableCell>{valueWords(d.after)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {found.length > SHOWN && (
        <p className="soft">{msg`and
          ${counted(found.length - SHOWN, '# further difference', '# further differences')}.`}</p>
      )}
    </>
  );
}
