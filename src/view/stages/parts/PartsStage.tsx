'use client';
import { Fragment, useState } from 'react';
import { PART_KINDS, type PartKind } from '@/core/part';
import type { ListLine } from '@/core/list';
import { formatMoney, formatNumber, plural } from '@/core/quantity';
import { Segments } from '@/view/shared';
import { downloadList, useBench } from '@/view/workspace';
import { MoneyField } from '../brief/MoneyField';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

const ORDER = Object.keys(PART_KINDS) as PartKind[];

/** Every piece to buy, why it is there, and what it comes to. */
export function PartsStage() {
  const { build, workings, commit, open, pick } = useBench((s) => s);
  const [by, setBy] = useState<'kind' | 'run'>('kind');
  const { list, runs } = workings.reports;
  const { currency } = build.brief;
  if (list.lines.length === 0) return <EmptyStage title="Nothing on the list" text="The list writes itself: every part you add, and every fitting, plug, screw and bottle the runs ask for." action="Open the Stores" onAction={() => open('stores')} />;
  const budget = list.budget;
  const over = budget !== null && list.loopTotal > budget;
  const kinds = ORDER.filter((k) => list.lines.some((l) => l.kind === k && l.inBudget));
  const share = (k: PartKind): number => list.lines.reduce((s, l) => s + (l.kind === k && l.inBudget ? l.total : 0), 0);
  const own = (l: ListLine): void => {
    for (const id of l.for) if (build.items.some((i) => i.id === id)) commit(`${l.owned ? 'buy' : 'own'} ${l.name}`, { do: 'item.set', item: id, values: { owned: !l.owned } }, `own-${l.part}`);
  };
  const groups = [...kinds.map((k) => ({ id: k as string, name: PART_KINDS[k].many, lines: list.lines.filter((l) => l.kind === k && l.inBudget) })), { id: 'machine', name: 'The machine\u2019s own hardware, outside the loop\u2019s budget', lines: list.lines.filter((l) => !l.inBudget) }].filter((g) => g.lines.length > 0);
  const canOwn = (l: ListLine): boolean => l.for.some((id) => build.items.some((i) => i.id === id)) && l.kind !== 'fitting' && l.kind !== 'coolant' && l.kind !== 'screw';
  return (
    <StageFrame
      stage="parts" title={budget === null ? `The loop comes to ${formatMoney(list.loopTotal)} ${currency}` : over ? `${formatMoney(list.loopTotal - budget)} ${currency} over the budget` : `${formatMoney(list.loopTotal)} of ${formatMoney(budget)} ${currency}`}
      sentence={<>{plural(list.lines.length, 'line')}, each saying what asked for it. The machine&apos;s own hardware ({formatMoney(list.machineTotal)} {currency} to buy) does not count against the loop&apos;s budget. Prices are the Stores&apos; own.</>}
      side={<>
        <Section title="Budget">
          <p>For the loop: <MoneyField value={budget} onCommit={(v) => commit('set the budget', { do: 'brief.limit', values: { budget_minor: v } })} /> <span className="soft">{currency}</span></p>
          <div className={styles.bar} role="img" aria-label={`Loop ${formatMoney(list.loopTotal)} of ${formatMoney(budget)}`}>
            {kinds.map((k) => share(k) > 0 && <span key={k} style={{ width: `${(100 * share(k)) / Math.max(list.loopTotal, budget ?? 0, 1)}%` }} title={`${PART_KINDS[k].many}: ${formatMoney(share(k))}`} />)}
            {budget !== null && <i style={{ left: `${Math.min(100, (100 * budget) / Math.max(list.loopTotal, budget, 1))}%` }} />}
          </div>
          <table><thead><tr><th>kind</th><th className="num">{currency}</th><th className="num">share</th></tr></thead>
            <tbody>{[...kinds].sort((a, b) => share(b) - share(a)).map((k) => <tr key={k}><td>{PART_KINDS[k].many}</td><td className="num">{formatMoney(share(k))}</td><td className="num soft">{list.loopTotal > 0 ? formatNumber((100 * share(k)) / list.loopTotal) : 0} %</td></tr>)}
              <tr><td><strong>Loop</strong></td><td className="num"><strong>{formatMoney(list.loopTotal)}</strong></td><td /></tr></tbody></table>
        </Section>
        <Section title="Take it along"><p><button type="button" className={styles.act} onClick={() => downloadList(build, list)}>Parts list as CSV</button> <button type="button" className={styles.act} onClick={() => window.print()}>Print the list</button></p></Section>
      </>}
    >
      <div className={`${styles.views} no-print`}><Segments label="Group" value={by} options={[{ value: 'kind', label: 'by kind' }, { value: 'run', label: 'by run' }]} onPick={setBy} /></div>
      {by === 'kind' ? (
        <table className={styles.list}>
          <thead><tr><th className="num">qty</th><th>part</th><th>asked for by</th><th className="num">each</th><th className="num">total, {currency}</th><th className="no-print" /></tr></thead>
          <tbody>
            {groups.map(({ id: k, name, lines }) => (
              <Fragment key={k}>
                <tr><th colSpan={6} scope="rowgroup" className={styles.kind}>{name}</th></tr>
                {lines.map((l) => (
                  <tr key={`${l.part}-${l.unit}-${l.owned}`}>
                    <td className="num">{formatNumber(l.quantity, { decimals: Number.isInteger(l.quantity) ? 0 : 1 })} <span className="soft">{l.unit === 'piece' ? '×' : plural(l.quantity, l.unit).replace(/^[\d,.]+ /, '')}</span></td>
                    <td><button type="button" className={styles.name} onClick={() => pick(l.for[0] ?? null)}>{l.name}</button> <span className="soft">{l.maker}</span></td>
                    <td className={styles.why}>{l.why}{l.estimated ? <em> (estimated)</em> : null}</td>
                    <td className="num soft">{formatMoney(l.unitPrice)}</td><td className="num">{l.owned ? <span className="soft">owned</span> : formatMoney(l.total)}</td>
                    <td className="num no-print">{canOwn(l) && <button type="button" className={styles.quiet} onClick={() => own(l)}>{l.owned ? 'buy' : 'own it'}</button>}</td>
                  </tr>
                ))}
              </Fragment>
            ))}
          </tbody>
        </table>
      ) : (
        <table className={styles.list}>
          <thead><tr><th>run</th><th>pieces in order</th><th className="num">tube, est.</th></tr></thead>
          <tbody>
            {runs.map((r) => {
              const loop = build.loops.find((l) => l.id === r.loop);
              const nameOf = (duty: string): string => (duty === loop?.fitting.duty ? loop.fitting.name : build.kit[duty as 'rotary90']?.name ?? duty);
              const at = (end: 'from' | 'to') => r.fittings.filter((f) => f.end === end).map((f) => nameOf(f.duty));
              return <tr key={r.id}><td><button type="button" className={styles.name} onClick={() => pick(r.id)}>{r.name}</button></td><td className={styles.why}>{[...at('from'), ...(r.by === 'tube' ? [loop?.tube.name ?? ''] : []), ...[...at('to')].reverse()].join(' → ')}</td><td className="num">{r.by === 'tube' ? `~${formatNumber(r.cut_mm)} mm` : '–'}</td></tr>;
            })}
          </tbody>
        </table>
      )}
    </StageFrame>
  );
}
