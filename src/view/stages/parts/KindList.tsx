'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Fragment } from 'react';
import type { OrderMark } from '@/core/design';
import { quantityShown, shortWhy, unitWords, type BomLine } from '@/core/bom';
import { PART_KINDS, type PartKind } from '@/core/components';
import { formatMoney } from '@/core/units';
import { Pick, QuantityCount, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import styles from './PartsStage.module.css';

const ORDER = Object.keys(PART_KINDS) as PartKind[];
type State = OrderMark['state'] | 'open';
const STATES: readonly { readonly value: State; readonly label: string }[] = worded(() => [
  { value: 'open', label: msg`to order` },
  { value: 'ordered', label: msg`ordered` },
  { value: 'received', label: msg`received` },
  { value: 'missing', label: msg`missing` },
]);

/**
 * What is bought, by kind: why each line is there, what lies in the drawer, and what has become of
 * it.
 */
export function KindList() {
  const brief = useEditor((s) => s.design.brief);
  const components = useEditor((s) => s.design.components);
  const choices = useEditor((s) => s.design.choices);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const { bom: list } = analysis.reports,
    { currency } = brief;
  const own = (l: BomLine): void => {
    for (const id of l.for)
      if (components.some((i) => i.id === id))
        commit(
          l.owned ? msg`buy ${l.name}` : msg`own ${l.name}`,
          { do: 'component.set', component: id, values: { owned: !l.owned } },
          `own-${l.part}`,
        );
  };
  const canOwn = (l: BomLine): boolean =>
    l.for.some((id) => components.some((i) => i.id === id)) &&
    !['fitting', 'coolant', 'screw', 'consumable', 'cable'].includes(l.kind);
  const groups = [
    ...ORDER.map((k) => ({
      id: k as string,
      name: k === 'consumable' ? msg`Consumables` : PART_KINDS[k].many,
      lines: list.lines.filter((l) => l.kind === k && l.inBudget),
    })),
    {
      id: 'tools',
      name: msg`Tools: kept for the next build, outside the loop’s budget`,
      lines: list.lines.filter((l) => l.tool),
    },
    {
      id: 'machine',
      name: msg`The machine’s own hardware, outside the loop’s budget`,
      lines: list.lines.filter((l) => !l.inBudget && !l.tool),
    },
  ].filter((g) => g.lines.length > 0);
  const mark = (l: BomLine, state: State): void =>
    commit(msg`mark ${l.name} as ${state === 'open' ? msg`to order` : state}`, {
      do: 'order.mark',
      part: l.part,
      mark:
        state === 'open'
          ? null
          : { ...choices.orders?.[l.part], state, on: new Date().toISOString().slice(0, 10) },
    });
  return (
    <Table className={styles.list}>
      <TableHead>
        <TableRow>
          <TableCell className="num">{msg`qty`}</TableCell>
          <TableCell>{msg`part`}</TableCell>
          <TableCell>{msg`required by`}</TableCell>
          <TableCell className="num">{msg`each`}</TableCell>
          <TableCell className="num">{msg`total, ${currency}`}</TableCell>
          <TableCell className="no-print">{msg`spare`}</TableCell>
          <TableCell className="no-print">{msg`order`}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {groups.map(({ id: k, name, lines }) => (
          <Fragment key={k}>
            <TableRow>
              <TableCell component="th" colSpan={7} scope="rowgroup" className={styles.kind}>
                {name}
              </TableCell>
            </TableRow>
            {lines.map((l) => (
              <TableRow key={`${l.part}-${l.unit}-${l.owned}`}>
                <TableCell className="num">
                  {quantityShown(l)} <span className="soft">{unitWords(l)}</span>
                </TableCell>
                <TableCell>
                  <Press className={styles.name} onClick={() => pick(l.for[0] ?? null)}>
                    {l.name}
                  </Press>{' '}
                  <span className="soft">{l.maker}</span>
                </TableCell>
                <TableCell className={styles.why}>
                  <Asked by={l.why} />
                  {l.estimated ? <em> {msg`(estimated)`}</em> : null}
                </TableCell>
                <TableCell className="num soft">{formatMoney(l.unitPrice)}</TableCell>
                <TableCell className="num">
                  {l.owned ? <span className="soft">{msg`owned`}</span> : formatMoney(l.total)}
                </TableCell>
                <TableCell className="no-print">
                  {canOwn(l) ? (
                    <Press className={styles.quiet} onClick={() => own(l)}>
                      {l.owned ? msg`buy` : msg`own it`}
                    </Press>
                  ) : (
                    <QuantityCount
                      label={msg`${l.name} spare`}
                      value={choices.inventory?.[l.part] ?? 0}
                      onCommit={(count) =>
                        commit(msg`count ${l.name} spare`, {
                          do: 'inventory.set',
                          part: l.part,
                          count,
                        })
                      }
                    />
                  )}
                </TableCell>
                <TableCell className={`no-print ${styles.state}`}>
                  {!l.owned && l.have < l.quantity && (
                    <Pick
                      hideLabel
                      label={msg`Order of ${l.name}`}
                      value={choices.orders?.[l.part]?.state ?? 'open'}
                      options={STATES}
                      onPick={(s) => mark(l, s)}
                    />
                  )}
                </TableCell>
              </TableRow>
            ))}
          </Fragment>
        ))}
      </TableBody>
    </Table>
  );
}

/** What asked for a line; many places fold up. */
function Asked({ by }: { readonly by: string }) {
  const { short, more } = shortWhy(by);
  return more === 0 ? (
    <>{by}</>
  ) : (
    <details className={styles.folded}>
      <summary>
        {short}; <span>{msg`and ${more} more`}</span>
      </summary>
      {by.split('; ').slice(-more).join('; ')}
    </details>
  );
}
