'use client';
import { DayField } from '@/view/shared/dates';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { quoteOf } from '@/core/assembly';
import type { Order } from '@/core/design';
import { formatMoney, formatNumber, shownUnits } from '@/core/units';
import { QuantityField, TextInput } from '@/view/shared';
import { msg } from '@/core/messages';
import { MoneyField } from '../brief/MoneyField';
import { useEditor } from '@/view/workspace';
import { useSteps } from '../assembly/useSteps';
import styles from './LogStage.module.css';

const NEW_ORDER: Order = { client: '', rate_cents: 4000, tax: 0.2 };

/** For whom the machine is built: the quote before, the handover after. */
export function PapersView() {
  const design = useEditor((s) => s.design);
  const id = useEditor((s) => s.id);
  const commit = useEditor((s) => s.commit);
  const { bom } = useEditor((s) => s.analysis.reports);
  const { steps } = useSteps();
  const order = useEditor((s) => s.latest.choices.work?.client) ?? NEW_ORDER;
  const [client, setClient] = useState(order.client);
  const quote = quoteOf(bom, steps, order);
  const set = (values: Partial<Order>): void =>
    commit(msg`for whom it is built`, {
      do: 'work.client',
      client: { ...order, client: client.trim(), ...values },
    });
  const { currency } = design.brief;
  return (
    <div className={styles.page}>
      <div className={styles.inline}>
        <label className={styles.text}>
          {msg`Built for`}
          <TextInput
            value={client}
            maxLength={120}
            onChange={(e) => setClient(e.target.value)}
            onBlur={() => client.trim() !== order.client && set({})}
          />
        </label>
        <span className={styles.text}>
          {msg`An hour, ${currency}`}
          <MoneyField
            label={msg`An hour, ${currency}`}
            value={order.rate_cents}
            onCommit={(rate_cents) => set({ rate_cents: rate_cents ?? 0 })}
          />
        </span>
        <QuantityField
          label={msg`Tax`}
          value={100 * order.tax}
          quantity="share"
          decimals={1}
          min={0}
          max={100}
          onCommit={(v) => v !== null && set({ tax: v / 100 })}
        />
        <DayField
          label={msg`Promised for`}
          value={order.due?.slice(0, 10) ?? null}
          isOptional
          onCommit={(due) => {
            const { due: _old, ...rest } = order;
            commit(msg`when it is promised`, {
              do: 'work.client',
              client: { ...rest, client: client.trim(), ...(due === null ? {} : { due }) },
            });
          }}
        />
      </div>
      <Table className={styles.sums}>
        <TableBody>
          <TableRow>
            <TableCell component="th" scope="row">
              {msg`Parts of the list, tools left out`}
            </TableCell>
            <TableCell className="num">{formatMoney(quote.parts)}</TableCell>
          </TableRow>
          <TableRow>
            <TableCell component="th" scope="row">
              {msg`${formatNumber(quote.hours, { decimals: 1 })} h with practice (estimated), at
                ${formatMoney(order.rate_cents)}`}
            </TableCell>
            <TableCell className="num">{formatMoney(quote.work)}</TableCell>
          </TableRow>
          <TableRow>
            <TableCell component="th" scope="row">
              {msg`Tax, ${formatNumber(100 * order.tax, { decimals: 1 })} %`}
            </TableCell>
            <TableCell className="num">{formatMoney(quote.tax)}</TableCell>
          </TableRow>
          <TableRow className={styles.total}>
            <TableCell component="th" scope="row">
              {msg`Together, ${currency}`}
            </TableCell>
            <TableCell className="num">{formatMoney(quote.total)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
      <p className={styles.inline}>
        <a href={`/api/builds/${id}/pdf?of=quote&units=${shownUnits()}`} download>
          {msg`Quote as PDF`}
        </a>
        <a href={`/api/builds/${id}/pdf?of=handover&units=${shownUnits()}`} download>
          {msg`Handover sheet as PDF`}
        </a>
      </p>
      <p className="soft">
        {msg`The handover sheet lists what was promised and what was measured, the air test, the
          coolant, what is due and when, and the cautions. Prices are the list’s own; what the
          law asks of a quote or a bill where you are, ask there.`}
      </p>
    </div>
  );
}
