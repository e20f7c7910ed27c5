'use client';
import { memo } from 'react';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { findComponent } from '@/core/design';
import { formatNumber } from '@/core/units';
import { Mark } from '@/view/shared';
import { useEditorLater } from '@/view/workspace';
import { msg, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

/** The screws through fans and case into each radiator: the window of lengths, and what is taken. */
export const ScrewTable = memo(function ScrewTable() {
  const design = useEditorLater((s) => s.design);
  const screws = useEditorLater((s) => s.analysis.reports.screws);
  if (screws.length === 0) return null;
  return (
    <Section title={msg`Screws`}>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`through`}</TableCell>
            <TableCell>{msg`thread`}</TableCell>
            <TableCell className="num">{msg`window, mm`}</TableCell>
            <TableCell className="num">{msg`length, mm`}</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {screws.map((s) => {
            const screwVerdict = () => {
              if (s.verdict === 'ok') return 'ok';
              if (s.verdict === 'none') return 'marginal';
              return 'fails';
            };
            return (
              <TableRow key={`${s.radiator}-${s.fans}`}>
                <TableCell>
                  {s.fans
                    ? findComponent(design, s.fans)?.name
                    : msg`frame, ${findComponent(design, s.radiator)?.name ?? ''}`}
                </TableCell>
                <TableCell className="mono">{s.thread}</TableCell>
                <TableCell className="num soft">
                  {formatNumber(s.window.shortest_mm, { decimals: 1 })}–
                  {formatNumber(s.window.longest_mm, { decimals: 1 })}
                </TableCell>
                <TableCell className="num">
                  {s.length_mm === null
                    ? msg`none`
                    : noted(
                        `${s.quantity} × ${s.length_mm}`,
                        s.washers > 0 && msg`${s.washers} washers`,
                      )}
                </TableCell>
                <TableCell>
                  <Mark verdict={screwVerdict()} />
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <p className={styles.caution}>
        {msg`Too long a screw pierces a tube behind the fins and ruins the radiator. Measure
          before you turn it home.`}
      </p>
    </Section>
  );
});
