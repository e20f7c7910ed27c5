'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Press } from '@/view/shared';
import { loopOfRun } from '@/core/design';
import { formatMeasure } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './PartsStage.module.css';

/** The pieces of each run in the order they are screwed together. */
export function RunList() {
  const loops = useEditor((s) => s.design.loops);
  const kit = useEditor((s) => s.design.kit);
  const analysis = useEditor((s) => s.analysis);
  const pick = useEditor((s) => s.pick);
  const { runs } = analysis.reports;
  return (
    <Table className={styles.list}>
      <TableHead>
        <TableRow>
          <TableCell>{msg`run`}</TableCell>
          <TableCell>{msg`parts in order`}</TableCell>
          <TableCell className="num">{msg`tube`}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {runs.map((r) => {
          const whole = loops.find((l) => l.id === r.loop);
          const loop = whole && loopOfRun(whole, r.id);
          const nameOf = (duty: string): string =>
            duty === loop?.fitting.duty
              ? loop.fitting.name
              : (kit[duty as 'rotary90']?.name ?? duty);
          const at = (end: 'from' | 'to') =>
            r.fittings.filter((f) => f.end === end).map((f) => nameOf(f.duty));
          return (
            <TableRow key={r.id}>
              <TableCell>
                <Press className={styles.name} onClick={() => pick(r.id)}>
                  {r.name}
                </Press>
              </TableCell>
              <TableCell className={styles.why}>
                {[
                  ...at('from'),
                  ...(r.by === 'tube' ? [loop?.tube.name ?? ''] : []),
                  ...[...at('to')].reverse(),
                ].join(' → ')}
              </TableCell>
              <TableCell className="num">
                {r.by === 'tube'
                  ? `${r.estimated ? '~' : ''}${formatMeasure(r.cut_mm, 'mm')}`
                  : '–'}
              </TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}
