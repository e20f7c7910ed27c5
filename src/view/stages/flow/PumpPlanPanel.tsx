'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Press } from '@/view/shared';
import { formatFlow, formatKelvin, formatMoney, formatSound } from '@/core/units';
import type { BeforeAfter, Outcome } from '@/core/studies';
import { counted, msg, worded } from '@/core/messages';
import styles from './FlowStage.module.css';

interface Row {
  readonly name: string;
  readonly says: (o: Outcome) => string;
  readonly of: (o: Outcome) => number | null;
  /** Whether more of it is worse. */
  readonly moreIsWorse: boolean;
  /** A change smaller than this is none. */
  readonly least: number;
}

const ROWS: readonly Row[] = worded(() => [
  {
    name: msg`flow`,
    says: (o) => formatFlow(o.flow_Lmin),
    of: (o) => o.flow_Lmin,
    moreIsWorse: false,
    least: 0.05,
  },
  {
    name: msg`coolant ΔT`,
    says: (o) => formatKelvin(o.deltaT_K),
    of: (o) => o.deltaT_K,
    moreIsWorse: true,
    least: 0.05,
  },
  {
    name: msg`margin of the hottest part`,
    says: (o) => formatKelvin(o.headroom_K),
    of: (o) => o.headroom_K,
    moreIsWorse: false,
    least: 0.05,
  },
  {
    name: msg`noise`,
    says: (o) => formatSound(o.noise_dBA),
    of: (o) => o.noise_dBA,
    moreIsWorse: true,
    least: 0.5,
  },
  {
    name: msg`list`,
    says: (o) => formatMoney(o.cost_minor),
    of: (o) => o.cost_minor,
    moreIsWorse: true,
    least: 1,
  },
]);

const isWorse = ({ of, moreIsWorse, least }: Row, before: Outcome, after: Outcome): boolean => {
  const [was, is] = [of(before), of(after)];
  if (was === null || is === null) return was !== null;
  return moreIsWorse ? is - was >= least : was - is >= least;
};

/** A change of pumps before it is made: what the build comes to, and all that gets worse. */
export function PumpPlanPanel({
  title,
  plan,
  onTake,
  onLeave,
}: {
  readonly title: string;
  readonly plan: BeforeAfter;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}) {
  const { before, after, routesLost, brings, ends } = plan;
  return (
    <div className={styles.plan} role="group" aria-label={title}>
      <h3>{title}</h3>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell> </TableCell>
            <TableCell className="num">{msg`now`}</TableCell>
            <TableCell className="num">{msg`then`}</TableCell>
            <TableCell> </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {ROWS.map((row) => (
            <TableRow key={row.name}>
              <TableCell>{row.name}</TableCell>
              <TableCell className="num">{row.says(before)}</TableCell>
              <TableCell className="num">{row.says(after)}</TableCell>
              <TableCell className={styles.worse}>
                {isWorse(row, before, after) ? msg`worse` : ''}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {routesLost > 0 && (
        <p>
          {msg`${counted(routesLost, '# tube', '# tubes')} must be routed again; both columns
            are with runs estimated.`}
        </p>
      )}
      {brings.length > 0 && (
        <p>
          <span className={styles.worse}>{msg`It brings:`}</span> {brings.join('. ')}.
        </p>
      )}
      {ends.length > 0 && <p>{msg`It ends: ${ends.join('. ')}.`}</p>}
      <div className={styles.planButtons}>
        <Press className={styles.textButton} onClick={onTake}>
          {msg`Take it`}
        </Press>
        <Press className={styles.textButton} onClick={onLeave}>
          {msg`Leave it`}
        </Press>
      </div>
    </div>
  );
}
