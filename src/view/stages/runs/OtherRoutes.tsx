'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { applyEdit, type Edit } from '@/core/design';
import type { AlternativeJudged } from '@/core/studies';
import { formatMillimetres, formatNumber, formatShown, unitShown } from '@/core/units';
import type { Run } from '@/core/tubing';
import { Press, Progress, rich } from '@/view/shared';
import { useAlternatives, useEditor, useFrame } from '@/view/workspace';
import { msg } from '@/core/messages';
import type { Preview } from './usePreview';
import styles from './RunsStage.module.css';

/**
 * Distinct routes of the picked run beside each other; stepped through in the scene by its rows or
 * by `,` and `.`, and taken or pinned.
 */
export function OtherRoutes({ run, preview }: { readonly run: Run; readonly preview: Preview }) {
  const [asked, setAsked] = useState<string | null>(null);
  const on = asked === run.id;
  const { result, fresh, progress, stopped, stop, retry } = useAlternatives(on ? run.id : null);
  const ways = on && fresh ? result : undefined;
  return (
    <div className={styles.way}>
      {!on && (
        <Press className={styles.link} onClick={() => setAsked(run.id)}>
          {msg`Other routes`}
        </Press>
      )}
      {on && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what={msg`other routes`}
        />
      )}
      {ways && ways.length <= 1 && (
        <p className="soft" role="status">
          {msg`No other route was found past what stands here.`}
        </p>
      )}
      {ways && ways.length > 1 && <Ways key={run.id} {...{ run, ways, preview }} />}
    </div>
  );
}

function Ways({
  run,
  ways,
  preview,
}: {
  readonly run: Run;
  readonly ways: readonly AlternativeJudged[];
  readonly preview: Preview;
}) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [at, setAt] = useState(0);
  const look = (i: number): void => {
    const to = (i + ways.length) % ways.length;
    const edit = ways[to]?.edit;
    setAt(to);
    preview.show(edit ? applyEdit(design, edit).design : null);
  };
  const enabled = useFrame((f) => f.areKeysOn);
  useHotkeys('comma', () => look(at - 1), { enabled }, [at, ways, design]);
  useHotkeys('period', () => look(at + 1), { enabled }, [at, ways, design]);
  const use = (pinned: boolean): void => {
    const edit = ways[at]?.edit;
    const edits: readonly Edit[] = [
      ...(edit ? [edit] : []),
      ...(pinned ? [{ do: 'route.pin', connection: run.id, pinned: true } as const] : []),
    ];
    preview.show(null);
    if (edits.length > 0) commit(msg`another route for ${run.name}`, { do: 'batch', edits });
  };
  return (
    <>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`route`}</TableCell>
            <TableCell className="num">{msg`bends`}</TableCell>
            <TableCell className="num">{msg`planes`}</TableCell>
            <TableCell className="num">{msg`tube`}</TableCell>
            <TableCell className="num">{unitShown('kPa')}</TableCell>
            <TableCell className="num">{msg`tidy`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {ways.map((w, i) => (
            <TableRow key={i} className={styles.run} data-picked={i === at || undefined}>
              <TableCell>
                <Press className={styles.name} aria-pressed={i === at} onClick={() => look(i)}>
                  {w.edit ? msg`route ${i + 1}` : msg`now`}
                </Press>
              </TableCell>
              <TableCell className="num">{w.bends}</TableCell>
              <TableCell className="num">{w.planes}</TableCell>
              <TableCell className="num">{formatMillimetres(w.length_mm)}</TableCell>
              <TableCell className="num">
                {w.drop_kPa === null ? '–' : formatShown(w.drop_kPa, 'kPa', { decimals: 2 })}
              </TableCell>
              <TableCell className="num">{formatNumber(w.tidiness * 100)} %</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="soft">
        {rich`Step through them in the scene with ${(<kbd className={styles.key}>,</kbd>)} and ${(
          <kbd className={styles.key}>.</kbd>
        )} as well.`}
      </p>
      <p className={styles.row}>
        <Press className={styles.act} disabled={at === 0} onClick={() => use(false)}>
          {msg`Use this route`}
        </Press>
        <Press className={styles.link} onClick={() => use(true)}>
          {msg`Use and pin it`}
        </Press>
      </p>
    </>
  );
}
