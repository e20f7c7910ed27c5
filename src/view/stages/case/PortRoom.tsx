'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { memo, useState } from 'react';
import { HAND_MM, type PortFit } from '@/core/clearance';
import { formatMeasure, formatShown, unitShown } from '@/core/units';
import { Mark, Press } from '@/view/shared';
import { useEditor, useEditorLater } from '@/view/workspace';
import { counted, msg, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

const clashWords = ({ fitting, with: other, besidePort }: PortFit): string =>
  noted(
    msg`${fitting} runs into ${other ?? ''}`,
    besidePort && msg`an extender on one of the two parts them`,
  );

const VERDICT = { clash: 'fails', marginal: 'marginal', clear: 'ok' } as const;

/** Fittings and caps in their ports, and the room a hand has to tighten them. Told when opened. */
export const PortRoom = memo(function PortRoom() {
  const clearance = useEditorLater((s) => s.analysis.reports.clearance);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const [open, setOpen] = useState(false);
  const fits = clearance.ports;
  const shown = fits.filter((p) => p.verdict !== 'clear');
  return (
    <Section
      title={msg`Room at the ports`}
      aside={
        <Press className={styles.link} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? msg`Close` : msg`Look`}
        </Press>
      }
    >
      {open && shown.length === 0 && (
        <p>
          {fits.length === 0
            ? msg`No port has a fitting or cap yet.`
            : msg`All ${fits.length} fittings and caps can be reached and tightened by hand.`}
        </p>
      )}
      {open && shown.length > 0 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`port`}</TableCell>
              <TableCell className="num">{msg`clearance, ${unitShown('mm')}`}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {shown.map((p) => (
              <TableRow
                key={`${p.component}-${p.port}`}
                data-picked={picked === p.component || undefined}
              >
                <TableCell>
                  <Press className={styles.link} onClick={() => pick(p.component)}>
                    {p.name}
                  </Press>
                  <br />
                  <span className="soft">
                    {p.verdict === 'clash'
                      ? clashWords(p)
                      : msg`${p.fitting}: ${p.with ?? ''} leaves no finger clearance`}
                  </span>
                </TableCell>
                <TableCell className="num">
                  {p.gap_mm === null ? '' : formatShown(p.gap_mm, 'mm', { decimals: 1 })}
                </TableCell>
                <TableCell>
                  <Mark verdict={VERDICT[p.verdict]} />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {open && (
        <p className="soft">
          {msg`${counted(fits.length - shown.length, '# fitting', '# fittings')} clear. A
            fitting is taken as a cylinder straight out of its port, elbows too until runs are
            routed; ${formatMeasure(HAND_MM, 'mm')}round it are wanted for fingers (common
            practice).`}
        </p>
      )}
    </Section>
  );
});
