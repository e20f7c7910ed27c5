'use client';
import dynamic from 'next/dynamic';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { PART_KINDS, type PartKind } from '@/core/components';
import { formatMoney, formatNumber, shownUnits } from '@/core/units';
import { Mark, Segments, Why, Press, rich, useWholeRows } from '@/view/shared';
import { useBands, downloadList, downloadListJson, useEditor } from '@/view/workspace';
import { counted, msg, worded, formatPrice } from '@/core/messages';
import { MoneyField } from '../brief/MoneyField';
import { chanceWords } from '../bandWords';
import { reasonForBeside } from '../reasons/beside';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { DrawerBox } from './DrawerBox';
import { ExtraLines } from './ExtraLines';
import { FamilyPicker } from './FamilyPicker';
import { KindList } from './KindList';
import { KitPicker } from './KitPicker';
import { RunList } from './RunList';
import { later } from '@/view/shared/later';
import styles from './PartsStage.module.css';

// What is opened on demand loads then.
const BuyingView = dynamic(() => later(() => import('./BuyingView').then((m) => m.BuyingView)));

const ORDER = Object.keys(PART_KINDS) as PartKind[];
type Seen = 'kind' | 'run' | 'buying';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = worded(() => [
  { value: 'kind', label: msg`by kind` },
  { value: 'run', label: msg`by run` },
  { value: 'buying', label: msg`buying` },
]);

/** Every piece to buy, why it is there, what it comes to, and where it is bought. */
export function PartsStage() {
  const id = useEditor((s) => s.id);
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const open = useEditor((s) => s.open);
  const [by, setBy] = useState<Seen>('kind');
  const bands = useBands();
  const price = bands.result?.price;
  const scroll = useWholeRows<HTMLDivElement>();
  const { bom: list } = analysis.reports;
  const { currency } = design.brief;
  if (list.lines.length === 0)
    return (
      <EmptyStage
        stage="parts"
        title={msg`Nothing on the list`}
        text={msg`The list writes itself: every part you add, and every fitting, plug, screw and
          bottle the runs require.`}
        action={msg`Open the catalogue`}
        onAction={() => open('stores')}
      />
    );
  const budget = list.budget;
  const over = budget !== null && list.loopTotal > budget;
  const kinds = ORDER.filter((k) => list.lines.some((l) => l.kind === k && l.inBudget));
  const share = (k: PartKind): number =>
    list.lines.reduce((s, l) => s + (l.kind === k && l.inBudget ? l.total : 0), 0);
  const orders = Object.values(design.choices.orders ?? {}),
    late = orders.filter((o) => o.state === 'missing').length;
  const titleWords = () => {
    if (budget === null) return msg`The loop comes to ${formatPrice(list.loopTotal, currency)}`;
    if (over) return msg`${formatPrice(list.loopTotal - budget, currency)} over the budget`;
    return msg`${formatPrice(list.loopTotal, currency)} of ${formatPrice(budget, currency)}`;
  };
  const renderView = () => {
    if (by === 'kind') return <KindList />;
    if (by === 'run') return <RunList />;
    return <BuyingView />;
  };
  return (
    <StageFrame
      stage="parts"
      title={titleWords()}
      sentence={
        <>
          {msg`${counted(list.lines.length, '# line', '# lines')}, each with what requires it.
            Outside the loop's budget: existing hardware (${formatPrice(list.machineTotal, currency)} to buy) and tools (${formatPrice(list.toolTotal, currency)}). Prices are from the
            catalogue; shops' prices are under buying.`}
          {price?.band && (
            <>
              {' '}
              {rich`Nine in ten such lists come to ${(
                <Why reason={reasonForBeside('price', price)}>
                  {msg`${formatPrice(price.band.low, currency)} to ${formatPrice(price.band.high, currency)}`}
                </Why>
              )}.`}
            </>
          )}
          {budget !== null &&
            chanceWords(
              price,
              (n) => msg`About ${n} in 100 such builds would cost more than the budget.`,
            )}
        </>
      }
      side={
        <>
          <Section title={msg`Budget`}>
            <p>
              {msg`For the loop:`}{' '}
              <MoneyField
                value={budget}
                onCommit={(v) =>
                  commit(msg`set the budget`, { do: 'brief.limit', values: { budget_minor: v } })
                }
              />{' '}
              <span className="soft">{currency}</span>
            </p>
            <div
              className={styles.bar}
              role="img"
              aria-label={msg`Loop ${formatMoney(list.loopTotal)} of ${formatMoney(budget)}`}
            >
              {kinds.map(
                (k) =>
                  share(k) > 0 && (
                    <span
                      key={k}
                      style={{
                        width: `${(100 * share(k)) / Math.max(list.loopTotal, budget ?? 0, 1)}%`,
                      }}
                      title={`${PART_KINDS[k].many}: ${formatMoney(share(k))}`}
                    />
                  ),
              )}
              {budget !== null && (
                <i
                  style={{
                    left: `${Math.min(100, (100 * budget) / Math.max(list.loopTotal, budget, 1))}%`,
                  }}
                />
              )}
            </div>
            <Table>
              <TableHead>
                <TableRow>
                  <TableCell>{msg`kind`}</TableCell>
                  <TableCell className="num">{currency}</TableCell>
                  <TableCell className="num">{msg`share`}</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {[...kinds]
                  .sort((a, b) => share(b) - share(a))
                  .map((k) => (
                    <TableRow key={k}>
                      <TableCell>{PART_KINDS[k].many}</TableCell>
                      <TableCell className="num">{formatMoney(share(k))}</TableCell>
                      <TableCell className="num soft">
                        {list.loopTotal > 0 ? formatNumber((100 * share(k)) / list.loopTotal) : 0} %
                      </TableCell>
                    </TableRow>
                  ))}
                <TableRow>
                  <TableCell>
                    <strong>{msg`Loop`}</strong>
                  </TableCell>
                  <TableCell className="num">
                    <strong>{formatMoney(list.loopTotal)}</strong>
                  </TableCell>
                  <TableCell />
                </TableRow>
              </TableBody>
            </Table>
          </Section>
          <ExtraLines />
          <DrawerBox />
          <FamilyPicker />
          {design.loops.length > 0 && <KitPicker />}
          {orders.length > 0 && (
            <Section title={msg`Orders`}>
              <p>
                {msg`${counted(orders.filter((o) => o.state === 'ordered').length, '# line', '# lines')}
                  ordered, ${orders.filter((o) => o.state === 'received').length} received`}
                {late > 0 ? (
                  <>
                    , <Mark verdict="marginal" /> {msg`${late} missing from a parcel`}
                  </>
                ) : null}
                .
              </p>
            </Section>
          )}
          {list.unmet.length > 0 && (
            <Section title={msg`Nothing on offer serves`}>
              <ul>
                {list.unmet.map((u) => (
                  <li key={`${u.duty}-${u.why}`}>
                    {u.tube_mm
                      ? msg`${u.duty.replace('-', ' ')} for ${u.tube_mm} mm`
                      : u.duty.replace('-', ' ')}
                    : {u.why}
                  </li>
                ))}
              </ul>
            </Section>
          )}
          <Section title={msg`Take it along`}>
            <p className={styles.along}>
              <Press className={styles.act} onClick={() => downloadList(design, list)}>
                {msg`Parts list as CSV`}
              </Press>
              <Press className={styles.act} onClick={() => downloadListJson(design, list)}>
                {msg`as JSON`}
              </Press>
              <a
                className={styles.act}
                href={`/api/builds/${id}/pdf?of=list&units=${shownUnits()}`}
                download
              >
                {msg`as PDF`}
              </a>
              <a
                className={styles.act}
                href={`/api/builds/${id}/pdf?units=${shownUnits()}`}
                download
              >
                {msg`Build sheet as PDF`}
              </a>
              <Press className={styles.act} onClick={() => window.print()}>
                {msg`Print`}
              </Press>
            </p>
          </Section>
        </>
      }
    >
      <div className={`${styles.views} no-print`}>
        <Segments label={msg`Group`} value={by} options={VIEWS} onPick={setBy} />
      </div>
      <div ref={scroll} className={styles.scroll}>
        {renderView()}
      </div>
    </StageFrame>
  );
}
