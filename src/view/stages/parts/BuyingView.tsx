'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { findComponent } from '@/core/design';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import {
  cheapestPurchase,
  spareAdvice,
  leadTimes,
  requirements,
  type LeadTime,
  type Shop,
  type WorkStep,
} from '@/core/bom';
import type { Part } from '@/core/components';
import { formatMoney, formatNumber } from '@/core/units';
import type { QuoteTrouble } from '@/format';
import { Mark, QuantityCount, useOffer, Check, Press, TextInput, rich } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, msg, worded, formatPrice, noted, sentences, someOf } from '@/core/messages';
import { MoneyField } from '../brief/MoneyField';
import { useFeeds } from './useFeeds';
import styles from './PartsStage.module.css';

const DAY_MS = 86_400_000;
/** ISO date of a day so many from now. */
const dayIn = (days: number): string =>
  new Date(Date.now() + days * DAY_MS).toISOString().slice(0, 10);

/**
 * The cheapest basket over several shops, with shipping, tax and what comes last; quotes read in;
 * wishes and spares.
 */
export function BuyingView() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const { bom: list } = analysis.reports,
    { currency } = design.brief;
  const offer = useOffer();
  const known = useMemo(
    () =>
      new Set([
        ...offer.map((p) => p.id),
        ...CATALOGUE.map((p) => p.id),
        ...list.lines.map((l) => l.part),
      ]),
    [list, offer],
  );
  const { feeds, own, failed, take, drop } = useFeeds(
    design.brief,
    (part) => known.has(part),
    (name) =>
      list.lines.find((l) => l.name.toLowerCase() === name.toLowerCase())?.part ??
      offer.find((p) => p.name.toLowerCase() === name.toLowerCase())?.id ??
      null,
  );
  const [off, setOff] = useState<readonly string[]>([]);
  const orders = design.choices.orders;
  const wanted = useMemo(
    () =>
      list.lines
        .filter(
          (l) =>
            !l.owned &&
            l.quantity > l.have &&
            !['ordered', 'received'].includes(orders?.[l.part]?.state ?? ''),
        )
        .map((l) => ({ part: l.part, name: l.name, quantity: Math.ceil(l.quantity - l.have) })),
    [list, orders],
  );
  const basket = useMemo(
    () =>
      feeds
        ? cheapestPurchase(
            wanted,
            feeds,
            feeds.map((f) => f.shop.id).filter((id) => !off.includes(id)),
          )
        : null,
    [feeds, off, wanted],
  );
  const dear = useMemo(
      () => requirements(analysis.system, list, offer).slice(0, 6),
      [list, offer, analysis.system],
    ),
    spares = useMemo(() => spareAdvice(design, list).slice(0, 6), [design, list]);
  const partOf = (id: string): Part | undefined =>
    offer.find((p) => p.id === id) ??
    CATALOGUE.find((p) => p.id === id) ??
    design.components.find((i) => i.part.id === id)?.part;
  const quoted = own.map((f) => f.shop.id);
  const order = (
    { name: shop, returns_days }: Shop,
    parts: readonly { readonly part: string; readonly days: number }[],
  ): void =>
    commit(msg`order at ${shop}`, {
      do: 'batch',
      edits: parts.map(({ part, days }) => ({
        do: 'order.mark',
        part,
        mark: {
          state: 'ordered',
          shop,
          on: dayIn(0),
          comes: dayIn(days),
          ...(returns_days === undefined ? {} : { returns: dayIn(days + returns_days) }),
        },
      })),
    });
  if (failed)
    return (
      <p role="alert">{msg`The price feeds could not be read. The list by kind has catalogue
        prices.`}</p>
    );
  if (!feeds || !basket)
    return (
      <p className="soft" role="status">
        {msg`Reading the price feeds …`}
      </p>
    );
  const dearest = Math.max(0, ...basket.shops.map((s) => s.days));
  return (
    <div>
      <p className={styles.answer}>
        {basket.shops.length === 0 ? (
          msg`Nothing is left to order.`
        ) : (
          <>
            <strong>{formatPrice(basket.total_minor, currency)}</strong>{' '}
            {sentences(
              msg`at ${counted(basket.shops.length, '# shop', '# shops')}, shipping and tax
                included.`,
              basket.last &&
                basket.last.days > 0 &&
                msg`Critical items: ${basket.last.name}: ${counted(dearest, '# day', '# days')}.`,
              basket.proven
                ? msg`No other way to share the list among them is cheaper.`
                : msg`A cheaper one may exist: the search was cut short.`,
            )}
          </>
        )}
      </p>
      {basket.nowhere.length > 0 && (
        <p>
          <Mark verdict="marginal" />{' '}
          {msg`No shop asked has ${someOf(
            basket.nowhere.map((n) => `${n.quantity} × ${n.name}`),
            8,
          )}.`}
        </p>
      )}
      <p className={styles.shops}>
        {feeds.map((f) => (
          <label key={f.shop.id}>
            <Check
              checked={!off.includes(f.shop.id)}
              onChange={(e) =>
                setOff(e.target.checked ? off.filter((o) => o !== f.shop.id) : [...off, f.shop.id])
              }
            />{' '}
            {f.shop.name}{' '}
            <span className="soft">
              {noted(
                formatMoney(f.shop.shipping_minor),
                f.shop.freeFrom_minor !== null &&
                  msg`free from ${formatMoney(f.shop.freeFrom_minor)}`,
                msg`${counted(f.shop.days, '# day', '# days')}`,
                f.shop.returns_days !== undefined &&
                  msg`can be returned within ${counted(f.shop.returns_days, '# day', '# days')}`,
              )}
            </span>
            {quoted.includes(f.shop.id) && (
              <>
                {' '}
                <Press className={styles.quiet} onClick={() => drop(f.shop.id)}>
                  {msg`drop the quote`}
                </Press>
              </>
            )}
          </label>
        ))}
      </p>
      {basket.shops.map((s) => (
        <section key={s.shop.id} className={styles.shop}>
          <div className={styles.shopHead}>
            <h2>{s.shop.name}</h2>
            <span>
              {rich`${formatMoney(s.goods_minor)} + ${s.shipping_minor === 0 ? msg`no` : formatMoney(s.shipping_minor)} shipping = ${(<strong>{formatMoney(s.goods_minor + s.shipping_minor)}</strong>)} ${(
                <span className="soft">
                  {msg`with ${formatMoney(s.tax_minor)} tax in it; here in
                    ${counted(s.days, '# day', '# days')}`}
                </span>
              )}`}
            </span>
            <Press
              className={styles.act}
              onClick={() =>
                order(
                  s.shop,
                  s.lines.map((l) => ({ part: l.part, days: Math.max(l.days, s.shop.days) })),
                )
              }
            >
              {msg`Mark as ordered`}
            </Press>
          </div>
          <Table>
            <TableBody>
              {[...s.lines]
                .sort((a, b) => b.price_minor * b.quantity - a.price_minor * a.quantity)
                .map((l) => (
                  <TableRow key={l.part}>
                    <TableCell className="num">{l.quantity} ×</TableCell>
                    <TableCell>
                      {l.name}
                      {l.order && <span className={styles.order}> {l.order}</span>}
                    </TableCell>
                    <TableCell className="num soft">{formatMoney(l.price_minor)}</TableCell>
                    <TableCell className="num">{formatMoney(l.price_minor * l.quantity)}</TableCell>
                    <TableCell className="num soft">
                      {l.days > s.shop.days ? `${msg`${counted(l.days, '# day', '# days')}`}` : ''}
                    </TableCell>
                  </TableRow>
                ))}
            </TableBody>
          </Table>
        </section>
      ))}
      {basket.shops.length > 0 && (
        <StepTable
          waits={leadTimes(
            basket.shops.flatMap((s) =>
              s.lines.flatMap((l) => {
                const part = partOf(l.part);
                return part ? [{ part, days: l.days }] : [];
              }),
            ),
          )}
        />
      )}
      <QuoteReader onTake={take} currency={currency} />
      {dear.length > 0 && (
        <section className={styles.shop}>
          <h2>{msg`What your preferences cost`}</h2>
          <Table>
            <TableHead>
              <TableRow>
                <TableCell>{msg`part`}</TableCell>
                <TableCell>{msg`plainest that does the same work`}</TableCell>
                <TableCell className="num">{msg`more, ${currency}`}</TableCell>
              </TableRow>
            </TableHead>
            <TableBody>
              {dear.map((w) => (
                <TableRow key={w.component}>
                  <TableCell>
                    <Press className={styles.name} onClick={() => pick(w.component)}>
                      {findComponent(design, w.component)?.name}
                    </Press>
                  </TableCell>
                  <TableCell className="soft">{w.name}</TableCell>
                  <TableCell className="num">+{formatMoney(w.more_minor)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </section>
      )}
      {spares.length > 0 && (
        <section className={styles.shop}>
          <h2>{msg`One more of these`}</h2>
          <p className="soft">
            {msg`What is missing stops a build for weeks. None is on the list unless you count
              it in.`}
          </p>
          <Table>
            <TableBody>
              {spares.map((s) => (
                <TableRow key={s.part}>
                  <TableCell>{s.name}</TableCell>
                  <TableCell className="soft">{s.why}</TableCell>
                  <TableCell className="num">{formatMoney(s.price_minor)}</TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </section>
      )}
      <p className="soft">
        {msg`Shops and prices are invented. Ordered and received lines are left out of the
          basket; mark them in the list by kind.`}
      </p>
    </div>
  );
}

const WHEN_DONE: Readonly<Record<WorkStep | 'parts', string>> = worded(() => ({
  parts: msg`when the parts are there`,
  mounting: msg`when mounting is done`,
  runs: msg`when the runs are done`,
  'air test': msg`when the air test is done`,
  filling: msg`when filling is done`,
}));
const STEP_NAMES: Readonly<Record<WorkStep, string>> = worded(() => ({
  mounting: msg`mounting`,
  runs: msg`runs`,
  'air test': msg`air test`,
  filling: msg`filling`,
}));

/** From which day each step of the work can be done whole, and what it waits for. */
function StepTable({ waits }: { readonly waits: readonly LeadTime[] }) {
  return (
    <section className={styles.shop}>
      <h2>{msg`What late parts delay`}</h2>
      <Table>
        <TableBody>
          {waits.map((w, i) => {
            const waitWords = () => {
              if (w.by.length > 0) return msg`is delayed until ${someOf(w.by, 3)}`;
              if (w.day === 0) return msg`everything is there`;
              return WHEN_DONE[waits[i - 1]?.step ?? 'parts'];
            };
            return (
              <TableRow key={w.step}>
                <TableCell>{STEP_NAMES[w.step]}</TableCell>
                <TableCell className="num">
                  {w.day === 0 ? msg`at once` : msg`from day ${formatNumber(w.day)}`}
                </TableCell>
                <TableCell className="soft">{waitWords()}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </section>
  );
}

/** A shop's quote as CSV: columns part, price, and if it has them stock and days. */
function QuoteReader({
  onTake,
  currency,
}: {
  readonly onTake: ReturnType<typeof useFeeds>['take'];
  readonly currency: string;
}) {
  const [name, setName] = useState('');
  const [ship, setShip] = useState(500);
  const [days, setDays] = useState(4);
  const [diagnostic, setSaid] = useState<{
    readonly taken: number;
    readonly troubles: readonly QuoteTrouble[];
  } | null>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > 2_000_000) {
      setSaid({
        taken: 0,
        troubles: [{ line: 0, says: msg`The file is larger than 2 MB: no quote is.` }],
      });
      return;
    }
    const quote = onTake(await file.text(), {
      name: name.trim() || file.name.replace(/\.csv$/i, '').slice(0, 40) || msg`Quote`,
      shipping_minor: ship,
      freeFrom_minor: null,
      tax_percent: 0,
      days,
    });
    setSaid({ taken: quote.offers.length, troubles: quote.troubles });
  };
  return (
    <section className={styles.shop}>
      <h2>{msg`Import a quote`}</h2>
      <div className={styles.fields}>
        <label>
          {msg`Shop`}{' '}
          <TextInput
            className={styles.text}
            value={name}
            maxLength={40}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => e.stopPropagation()}
            placeholder={msg`its name`}
          />
        </label>
        <label>
          {msg`Shipping, ${currency}`}{' '}
          <MoneyField
            label={msg`Shipping`}
            value={ship}
            onCommit={(v) => v !== null && setShip(v)}
          />
        </label>
        <span>
          {msg`Days to the door`}{' '}
          <QuantityCount label={msg`Days to the door`} value={days} most={365} onCommit={setDays} />
        </span>
        <label className={styles.file}>
          {msg`CSV file`}{' '}
          <input
            type="file"
            accept=".csv,text/csv"
            onChange={(e) => {
              void read(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </label>
      </div>
      <p className="soft">
        {msg`Columns: part (the catalogue's number) or name, price; stock, days and order number
          if it has them.`}
      </p>
      {diagnostic && (
        <div role="status">
          <p>
            {diagnostic.troubles.length > 0
              ? msg`${counted(diagnostic.taken, '# price', '# prices')} taken,
                  ${counted(diagnostic.troubles.length, '# row', '# rows')} not.`
              : msg`${counted(diagnostic.taken, '# price', '# prices')} taken.`}
          </p>
          {diagnostic.troubles.length > 0 && (
            <ul>
              {diagnostic.troubles.slice(0, 12).map((t) => (
                <li key={`${t.line}-${t.says}`}>{msg`Line ${formatNumber(t.line)}: ${t.says}`}</li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}
