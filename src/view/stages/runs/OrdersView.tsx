'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName } from '@/core/design';
import { useState } from 'react';
import { whyNoOrders, type OrderJudged } from '@/core/studies';
import { formatCelsius, formatMeasure, formatShown, unitShown } from '@/core/units';
import { Progress, Segments, Press, rich } from '@/view/shared';
import { useEditor, useOrders } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/**
 * The parts of a loop in other orders: tube, bends, runs without a way, and every part's
 * temperature beside.
 */
export function OrdersView() {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const [loop, setLoop] = useState(design.loops[0]?.id ?? '');
  const why = whyNoOrders(design, loop);
  const { result, fresh, progress, stopped, stop, retry } = useOrders(why === null ? loop : null);
  const nameOf = (id: string): string => componentName(design, id);
  const components = [
    ...new Set((result?.rows ?? []).flatMap((r) => r.temps.map((t) => t.component))),
  ];
  const best = result?.rows[0];
  const temp = (r: OrderJudged, component: string): number | null =>
    r.temps.find((t) => t.component === component)?.temp_C ?? null;
  return (
    <div className={styles.page}>
      {design.loops.length > 1 && (
        <Segments
          label={msg`Loop`}
          value={loop}
          options={design.loops.map((l) => ({ value: l.id, label: l.name }))}
          onPick={setLoop}
        />
      )}
      {why !== null && <p role="status">{why}</p>}
      <Progress
        share={progress}
        stopped={stopped}
        onStop={stop}
        onAgain={retry}
        what={msg`the orders`}
      />
      {result && why === null && (
        <div data-stale={!fresh || undefined} aria-busy={!fresh}>
          <p className={styles.answer}>
            {result.spread_K === null ? (
              msg`No part is cooled in this loop yet.`
            ) : (
              <>
                {rich`Order moves no part by more than
                  ${(<strong>{formatMeasure(result.spread_K, 'K', { decimals: 1 })}</strong>)}
                  here:
                  ${result.spread_K < 1.5 ? msg`let tube and looks decide.` : msg`it is worth a look.`}`}
              </>
            )}{' '}
            {best?.edit
              ? msg`The best of these saves
                ${formatMeasure(((result.rows.find((r) => r.edit === null)?.tube_mm ?? 0) - best.tube_mm) / 1000, 'm', { decimals: 2 })}
                of tube against now.`
              : msg`The order now is the best of these.`}
          </p>
          <Table className={styles.orders}>
            <TableHead>
              <TableRow>
                <TableCell>{msg`order, from the reservoir on`}</TableCell>
                <TableCell className="num">{msg`tube, ${unitShown('m')}`}</TableCell>
                <TableCell className="num">{msg`bends`}</TableCell>
                <TableCell className="num">{msg`no route`}</TableCell>
                {components.map((i) => (
                  <TableCell key={i} className="num">
                    {nameOf(i)}
                  </TableCell>
                ))}
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {result.rows.map((r) => (
                <TableRow key={r.order.join()} data-picked={r.edit === null || undefined}>
                  <TableCell>{r.order.map(nameOf).join(' → ')}</TableCell>
                  <TableCell className="num">
                    {formatShown(r.tube_mm / 1000, 'm', { decimals: 2 })}
                  </TableCell>
                  <TableCell className="num">{r.bends}</TableCell>
                  <TableCell className="num">{r.without === 0 ? '–' : r.without}</TableCell>
                  {components.map((i) => (
                    <TableCell key={i} className="num">
                      {formatCelsius(temp(r, i), 1)}
                    </TableCell>
                  ))}
                  <TableCell>
                    {r.edit === null ? (
                      <span className="soft">{msg`now`}</span>
                    ) : (
                      <Press
                        className={styles.link}
                        disabled={!fresh}
                        onClick={() => {
                          if (r.edit) commit(msg`re-route the loop in another order`, r.edit);
                        }}
                      >
                        {msg`take it`}
                      </Press>
                    )}
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
          <p className="soft">
            {msg`${counted(result.all, '# order', '# orders')} behind reservoir and pump, all
              ranked by the distance between the parts; the shortest were routed and evaluated
              in full. Hottest spot of each part, ${design.brief.loadCase}.`}
          </p>
        </div>
      )}
    </div>
  );
}
