'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { Component } from '@/core/design';
import { PART_KINDS } from '@/core/components';
import { formatMillimetres, formatMoney, formatNumber, formatShown, unitShown } from '@/core/units';
import { Mark, Progress, Press } from '@/view/shared';
import { useEditor, useComparedParts } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './CaseStage.module.css';

const signed = (v: number | null, decimals: number): string =>
  v === null ? '–' : formatNumber(v, { decimals, signed: true });

/** Every part of its kind in this one's place: what the build would gain or lose. */
export function CompareParts({ component }: { readonly component: Component }) {
  const brief = useEditor((s) => s.design.brief);
  const commit = useEditor((s) => s.commit);
  const [open, setOpen] = useState(false);
  const { result, fresh, progress, stopped, stop, retry } = useComparedParts(
    open ? component.id : null,
  );
  if (['processor', 'memory', 'board'].includes(component.part.kind)) return null;
  return (
    <div className={styles.compare}>
      <Press className={styles.link} aria-expanded={open} onClick={() => setOpen(!open)}>
        {open
          ? msg`Collapse the comparison`
          : msg`Compare all ${PART_KINDS[component.part.kind].several} in its place`}
      </Press>
      {open && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what={msg`the comparison`}
        />
      )}
      {open && result && (
        <p className="soft">
          {msg`Against now, runs estimated in both: coolant ΔT, noise, slowest loop, the loop's
            list; the gap is to the nearest thing.`}
        </p>
      )}
      {open && result && (
        <Table data-stale={!fresh || undefined}>
          <TableHead>
            <TableRow>
              <TableCell>{msg`instead`}</TableCell>
              <TableCell className="num">{`ΔT, ${unitShown('K')}`}</TableCell>
              <TableCell className="num">dBA</TableCell>
              <TableCell className="num">{unitShown('L/min')}</TableCell>
              <TableCell className="num">{brief.currency}</TableCell>
              <TableCell className="num">{msg`gap`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {result.map((r) => {
              const fitVerdict = () => {
                if (r.clashes > 0) return 'fails';
                if (r.fails > 0) return 'marginal';
                return 'ok';
              };
              return (
                <TableRow key={r.part}>
                  <TableCell>
                    <Press
                      className={styles.link}
                      disabled={!fresh}
                      onClick={() => commit(msg`change ${component.name} to ${r.name}`, r.edit)}
                    >
                      {r.name}
                    </Press>
                  </TableCell>
                  <TableCell className="num">
                    {formatShown(r.deltaT_K, 'K', { decimals: 1, signed: true })}
                  </TableCell>
                  <TableCell className="num">{signed(r.noise_dBA, 1)}</TableCell>
                  <TableCell className="num">
                    {formatShown(r.flow_Lmin, 'L/min', { decimals: 2, signed: true })}
                  </TableCell>
                  <TableCell className="num">
                    {r.cost_minor >= 0 ? '+' : '−'}
                    {formatMoney(Math.abs(r.cost_minor))}
                  </TableCell>
                  <TableCell className="num">
                    <Mark verdict={fitVerdict()} />{' '}
                    {r.gap_mm === null ? '–' : formatMillimetres(r.gap_mm)}
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
    </div>
  );
}
