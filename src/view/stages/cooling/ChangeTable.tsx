'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { bestUse, type ChangeKind, type EvaluatedVariant } from '@/core/studies';
import { formatKelvin, formatMoney, formatNumber } from '@/core/units';
import { Mark, Pick, Progress, Press, rich } from '@/view/shared';
import { useEditor, useChanges } from '@/view/workspace';
import { msg, worded, someOf } from '@/core/messages';
import { MoneyField } from '../brief/MoneyField';
import { Section } from '../frame/StageFrame';
import styles from './CoolingStage.module.css';

const KIND_WORDS: Record<ChangeKind, string> = worded(() => ({
  fans: msg`other fans`,
  core: msg`another radiator`,
  section: msg`a section more`,
  radiator: msg`a radiator more`,
  'push-pull': msg`fans in push-pull`,
  direction: msg`air direction reversed`,
  'case fan': msg`a case fan`,
  'pump speed': msg`pump speed`,
  loops: msg`loops joined or parted`,
}));
const ORDERS = worded(
  () =>
    [
      { value: 'cooler', label: msg`coolest first` },
      { value: 'quieter', label: msg`quietest that meets the brief first` },
      { value: 'money', label: msg`most for the money first` },
    ] as const,
);
type Order = (typeof ORDERS)[number]['value'];

/**
 * A sale counts as this much money when shares are taken, minor units: what costs nothing is not
 * infinitely good.
 */
const LEAST_COST = 100;
const BY: Record<Order, (c: EvaluatedVariant) => number> = {
  cooler: (c) => c.deltaT_K ?? Infinity,
  quieter: (c) => c.holdsAt_dBA ?? Infinity,
  money: (c) => (c.deltaT_K === null ? Infinity : c.deltaT_K / Math.max(LEAST_COST, c.cost_minor)),
};

/**
 * What one change would do: every candidate worked out whole, with its kelvin, noise, money and
 * whether it fits.
 */
export function ChangeTable() {
  const commit = useEditor((s) => s.commit);
  const { result, fresh, progress, stopped, stop, retry } = useChanges();
  const [kind, setKind] = useState<ChangeKind | 'all'>('all');
  const [order, setOrder] = useState<Order>('cooler');
  const [money, setMoney] = useState<number | null>(5000);
  const all = result ?? [];
  const kinds = [...new Set(all.map((c) => c.kind))];
  const shown = all
    .filter((c) => kind === 'all' || c.kind === kind)
    .sort((a, b) => BY[order](a) - BY[order](b));
  const best = bestUse(all, money ?? 0);
  const renderBest = () => {
    if (result === null) return msg`Every change is worked out whole, one by one.`;
    if (best)
      return (
        <>
          {rich`Best use of it: ${(<strong>{best.label}</strong>)},
            ${formatKelvin(best.deltaT_K)} for ${formatMoney(best.cost_minor)}.`}{' '}
          <Press
            className={styles.put}
            disabled={!fresh}
            onClick={() => commit(best.label, best.edit)}
          >
            {msg`Do it`}
          </Press>
        </>
      );
    return msg`Nothing that fits and is no louder cools by as much as 0.1 K for that.`;
  };
  return (
    <Section title={msg`What one change would do`}>
      <Progress
        share={progress}
        stopped={stopped}
        onStop={stop}
        onAgain={retry}
        what={msg`the changes`}
      />
      <div className={styles.best}>
        <span>
          <span className="soft">{msg`To spend`}</span>{' '}
          <MoneyField label={msg`To spend`} value={money} onCommit={setMoney} />
        </span>
        <p>{renderBest()}</p>
      </div>
      <div className={styles.filters}>
        <Pick
          label={msg`Kind`}
          hideLabel
          value={kind}
          options={[
            { value: 'all', label: msg`all ${all.length} changes` },
            ...kinds.map((k) => ({ value: k, label: KIND_WORDS[k] })),
          ]}
          onPick={(k) => setKind(k as ChangeKind | 'all')}
        />
        <Pick label={msg`Order`} hideLabel value={order} options={ORDERS} onPick={setOrder} />
      </div>
      <Table data-stale={(!fresh && progress !== null) || undefined} aria-busy={!fresh}>
        <TableHead>
          <TableRow>
            <TableCell className="num">{msg`coolant`}</TableCell>
            <TableCell className="num">{msg`noise`}</TableCell>
            <TableCell className="num">{msg`meets the brief at`}</TableCell>
            <TableCell className="num">{msg`costs`}</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        {shown.map((c) => (
          <TableBody key={c.id} className={styles.change}>
            <TableRow>
              <TableCell component="th" colSpan={5} scope="rowgroup">
                <Mark verdict={c.troubles.length > 0 ? 'fails' : 'ok'} /> {c.label}
                {c.troubles.length > 0 && <span className="soft">: {someOf(c.troubles, 1)}</span>}
              </TableCell>
            </TableRow>
            <TableRow>
              <TableCell className="num">
                {c.deltaT_K === null ? '–' : formatKelvin(c.deltaT_K)}
              </TableCell>
              <TableCell className="num">
                {msg`${formatNumber(c.noise_dBA, { decimals: 1, signed: true })} dBA`}
              </TableCell>
              <TableCell className="num">
                {c.holdsAt_dBA === null
                  ? msg`never`
                  : msg`${formatNumber(c.holdsAt_dBA, { decimals: 1 })} dBA`}
              </TableCell>
              <TableCell className="num">{formatMoney(c.cost_minor)}</TableCell>
              <TableCell className="num">
                <Press
                  className={styles.put}
                  disabled={!fresh}
                  aria-label={msg`Do it: ${c.label}`}
                  onClick={() => commit(c.label, c.edit)}
                >
                  {msg`do it`}
                </Press>
              </TableCell>
            </TableRow>
          </TableBody>
        ))}
      </Table>
      <p className="soft">
        {msg`Coolant and noise against now, at the fan speeds the change leaves. Holds at: the
          noise at the slowest fan speed that keeps the brief's rise. Costs: what the whole list
          costs more. A filled mark: it fits and connects; the open square says what does not.`}
      </p>
    </Section>
  );
}
