'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { memo } from 'react';
import type { ClearanceReport } from '@/core/clearance';
import type { GapJudged } from '@/core/studies';
import { formatMillimetres, formatShown, unitShown } from '@/core/units';
import { Mark, Why, Press } from '@/view/shared';
import { useBands, useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { reasonForGap } from '../reasons/gap';
import styles from './CaseStage.module.css';

type Gaps = ClearanceReport['gaps'];

/** What is too near, and what is near the picked part, nearest first. */
export const gapsToMind = (gaps: Gaps, picked: string | null): Gaps =>
  gaps
    .filter((g) => g.verdict !== 'clear' || (picked !== null && (g.a === picked || g.b === picked)))
    .slice(0, 14);

/** "touch in 7 of 100 builds", where that may be. */
const touching = (judged: GapJudged | undefined) =>
  judged && judged.beyond > SELDOM && judged.beyond < 1 - SELDOM ? (
    <span className="soft">
      {' '}
      {msg`(touch in ${Math.round(100 * judged.beyond)} of 100 builds)`}
    </span>
  ) : null;
const SELDOM = 0.005;

/** The gaps to mind, or the nearest where all is clear. */
export const GapTable = memo(function GapTable({
  gaps,
  picked,
}: {
  readonly gaps: Gaps;
  readonly picked: string | null;
}) {
  const pick = useEditor((s) => s.pick);
  const bands = useBands();
  const judgedOf = ({ a, b }: Gaps[number]) =>
    bands.result?.gaps.find((j) => j.a === a && j.b === b);
  const near = gapsToMind(gaps, picked);
  const shown = near.length > 0 ? near : gaps.slice(0, 6);
  return (
    <Section title={near.length > 0 ? msg`Gaps to mind` : msg`Nearest gaps`}>
      {gaps.length === 0 ? (
        <p className="soft">{msg`Nothing is near anything yet.`}</p>
      ) : (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`between`}</TableCell>
              <TableCell className="num">{msg`gap`}</TableCell>
              <TableCell className="num">{msg`worst, ${unitShown('mm')}`}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {shown.map((g) => {
              const gapVerdict = () => {
                if (g.verdict === 'clash') return 'fails';
                if (g.verdict === 'marginal') return 'marginal';
                return 'ok';
              };
              return (
                <TableRow key={`${g.a}|${g.b}`}>
                  <TableCell>
                    <Press className={styles.link} onClick={() => pick(g.a)}>
                      {g.nameA}
                    </Press>{' '}
                    · {g.nameB}
                    {touching(judgedOf(g))}
                  </TableCell>
                  <TableCell className="num">
                    <Why reason={reasonForGap(g, judgedOf(g))}>
                      {formatMillimetres(g.gap_mm, Math.abs(g.gap_mm) < 10 ? 1 : 0)}
                    </Why>
                  </TableCell>
                  <TableCell className="num soft">
                    {formatShown(g.worst_mm, 'mm', { decimals: 1 })}
                  </TableCell>
                  <TableCell>
                    <Mark verdict={gapVerdict()} />
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
    </Section>
  );
});
