'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import { compareSeriesParallel, type Arrangement } from '@/core/studies';
import { teePorts } from '@/core/loops';
import { componentName, findComponent, type Design } from '@/core/design';
import type { InlinePart } from '@/core/components';
import {
  formatCelsius,
  formatFlow,
  formatKelvin,
  formatKilopascals,
  formatMeasure,
  formatNumber,
} from '@/core/units';
import { useOffer, Check, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

/** The Stores' own tee, where the builder took every tee out of use. */
const TEE = CATALOGUE.find(
  (p): p is InlinePart => p.kind === 'inline' && teePorts(p) !== null,
) as InlinePart;

/**
 * The same blocks one behind the other and side by side, both worked out whole; one click makes the
 * build so.
 */
export function SeriesParallel({ loop }: { readonly loop: string }) {
  const design = useEditor((s) => s.design);
  const system = useEditor((s) => s.analysis.system);
  const stations = system.loops.find((g) => g.loop.id === loop)?.stations ?? [];
  const blocks = stations.filter((s) => findComponent(design, s)?.part.kind === 'block');
  const [left, setLeft] = useState<readonly string[]>([]);
  const nameOf = (id: string): string => componentName(design, id);
  return (
    <Section title={msg`In series or in parallel`}>
      {blocks.length > 2 && (
        <div className={styles.ticks}>
          {blocks.map((b) => (
            <label key={b}>
              <Check
                checked={!left.includes(b)}
                onChange={() =>
                  setLeft(left.includes(b) ? left.filter((x) => x !== b) : [...left, b])
                }
              />{' '}
              {nameOf(b)}
            </label>
          ))}
        </div>
      )}
      {blocks.length < 2 ? (
        <p>{msg`With two blocks or more in this loop, both ways are compared here.`}</p>
      ) : (
        <BothWays
          design={design}
          loop={loop}
          blocks={blocks.filter((b) => !left.includes(b)).join()}
        />
      )}
    </Section>
  );
}

/**
 * `blocks`: ids joined with commas, so that the comparison is worked out again only when they
 * change.
 */
function BothWays({
  design,
  loop,
  blocks,
}: {
  readonly design: Design;
  readonly loop: string;
  readonly blocks: string;
}) {
  const commit = useEditor((s) => s.commit);
  const tee = useOffer('inline').find((p) => teePorts(p) !== null) ?? TEE;
  const school = useMemo(
    () => compareSeriesParallel(design, loop, blocks === '' ? [] : blocks.split(','), tee),
    [design, loop, blocks, tee],
  );
  if ('why' in school) return <p>{school.why}</p>;
  const { row, beside } = school;
  return (
    <>
      <p>{sentence(school.better, school.by_K, row, beside)}</p>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell> </TableCell>
            <TableCell className="num">{msg`in series`}</TableCell>
            <TableCell className="num">{msg`in parallel`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          <TableRow>
            <TableCell>{msg`round the loop`}</TableCell>
            <TableCell className="num">{formatFlow(row.flow_Lmin)}</TableCell>
            <TableCell className="num">{formatFlow(beside.flow_Lmin)}</TableCell>
          </TableRow>
          <TableRow>
            <TableCell>{msg`pump presses`}</TableCell>
            <TableCell className="num">{formatKilopascals(row.head_kPa)}</TableCell>
            <TableCell className="num">{formatKilopascals(beside.head_kPa)}</TableCell>
          </TableRow>
          {row.parts.map((p, i) => (
            <TableRow key={p.component}>
              <TableCell>{msg`through ${p.name}`}</TableCell>
              <TableCell className="num">{formatFlow(p.flow_Lmin)}</TableCell>
              <TableCell className="num">{formatFlow(beside.parts[i]?.flow_Lmin)}</TableCell>
            </TableRow>
          ))}
          {row.parts.flatMap((p, i) =>
            p.hotSpots.map((s, k) => (
              <TableRow key={`${p.component} ${s.name}`}>
                <TableCell>{s.name}</TableCell>
                <TableCell className="num">{formatCelsius(s.temp_C, 1)}</TableCell>
                <TableCell className="num">
                  {formatCelsius(beside.parts[i]?.hotSpots[k]?.temp_C ?? null, 1)}
                </TableCell>
              </TableRow>
            )),
          )}
        </TableBody>
      </Table>
      <div className={styles.actions}>
        {row.edit && (
          <Press
            className={styles.act}
            onClick={() => row.edit && commit(msg`set the blocks in series`, row.edit)}
          >
            {msg`Set them in series`}
          </Press>
        )}
        {beside.edit && (
          <Press
            className={styles.act}
            onClick={() => beside.edit && commit(msg`set the blocks in parallel`, beside.edit)}
          >
            {msg`Set them in parallel`}
          </Press>
        )}
      </div>
      <p className="soft">
        {msg`Side by side takes ${2 * (row.parts.length - 1)} tees and more tube; both are
          counted. Lengths are estimated.`}
      </p>
    </>
  );
}

function sentence(
  better: 'row' | 'beside' | 'same' | null,
  by: number | null,
  row: Arrangement,
  beside: Arrangement,
): string {
  if (better === null || by === null)
    return msg`Temperatures are not known, so only flows are compared.`;
  const flows =
    beside.flow_Lmin > 0 && row.flow_Lmin > 0
      ? msg`In parallel the pump moves ${more(beside.flow_Lmin / row.flow_Lmin - 1)} in all,
        and ${beside.parts[0]?.name ?? msg`each block`} gets
        ${formatNumber(100 * ((beside.parts[0]?.flow_Lmin ?? 0) / row.flow_Lmin))} % of what it
        gets in series.`
      : '';
  if (better === 'same')
    return sentences(
      msg`It makes no difference to the hottest part: under
        ${formatMeasure(0.1, 'K', { decimals: 1 })}.`,
      flows,
    );
  const cooler = formatKelvin(by).replace('+', '');
  return sentences(
    better === 'row'
      ? msg`In series is better: the part closest to its limit stays ${cooler} cooler.`
      : msg`In parallel is better: the part closest to its limit stays ${cooler} cooler.`,
    flows,
  );
}

const more = (share: number): string =>
  `${formatNumber(Math.abs(100 * share))} % ${share < 0 ? 'less' : 'more'}`;
