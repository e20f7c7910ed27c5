'use client';
import { useMemo, useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { Edit } from '@/core/build';
import { ratingTroubles } from '@/core/flow';
import type { PumpPart } from '@/core/part';
import { convertFromInner, formatNumber, parsePoints, QUANTITIES } from '@/core/quantity';
import { Pick, QuantityField } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { CurvePlot } from './CurvePlot';
import { curveKind, type CurveKind, type CurveOf, type Points } from './kinds';
import styles from './CurveEditor.module.css';

/** Points a part keeps. */
const MOST_POINTS = 40;
const plain = (v: number): string => String(Number(v.toPrecision(5)));
const spell = (points: Points, kind: CurveKind, units: { readonly x: string; readonly y: string }): string =>
  points.map(([a, b]) => `${plain(convertFromInner(a, kind.x, units.x))}\t${plain(convertFromInner(b, kind.y, units.y))}`).join('\n');

/** Measured points, pasted or typed in any unit, seen against the curve that will be used. Changes this build's own copy of the part. */
export function CurveEditor({ curve: { item, of }, onClose }: { readonly curve: CurveOf; onClose(): void }) {
  const commit = useBench((s) => s.commit);
  const kind = curveKind(of);
  const { points: own, source: from } = kind.own(item);
  const pump = item.part.kind === 'pump' && of === 'head' ? item.part : null;
  const [units, setUnits] = useState<{ readonly x: string; readonly y: string }>({ x: QUANTITIES[kind.x].inner, y: QUANTITIES[kind.y].inner });
  const [text, setText] = useState<string | null>(null);
  const [source, setSource] = useState(from ?? '');
  const [ratings, setRatings] = useState<NonNullable<PumpPart['ratings']>>(pump?.ratings ?? {});
  const shown = text ?? spell(own, kind, units);
  const parsed = useMemo(() => parsePoints(shown, kind.x, kind.y, units), [shown, kind.x, kind.y, units]);
  const points = text === null ? own : parsed.points;
  const reading = kind.read(points);
  const printed = pump && reading ? ratingTroubles({ ...pump, points: reading.used, ratings }) : [];
  const ok = reading !== null && parsed.troubles.length === 0 && reading.used.length <= MOST_POINTS;
  const save = (): void => {
    if (!reading) return;
    const said = source.trim();
    const edits: Edit[] = [{ do: 'item.curve', item: item.id, of, points: reading.used, ...(said ? { source: said } : {}) }];
    if (pump) edits.push({ do: 'item.ratings', item: item.id, ratings });
    commit(`set measured points of ${item.name}`, { do: 'batch', edits });
    onClose();
  };
  const rating = (key: 'head_m' | 'pressure_kPa' | 'flow_Lmin') => (v: number | null): void => setRatings(Object.fromEntries(Object.entries({ ...ratings, [key]: v }).filter(([, x]) => x !== null)));
  return (
    <Dialog open onClose={() => { if (text === null) onClose(); }} maxWidth="md" fullWidth aria-labelledby="curve-title">
      <div className={styles.body}>
        <h1 id="curve-title">Measured points of {item.name}</h1>
        <p className={styles.wide}>{kind.intro}</p>
        <div className={styles.left}>
          <div className={styles.units}>
            <Pick label={`${kind.xWord} in`} value={units.x} options={QUANTITIES[kind.x].units.map((u) => ({ value: u.symbol, label: u.symbol }))} onPick={(x) => setUnits({ ...units, x })} />
            <Pick label={`${kind.yWord} in`} value={units.y} options={QUANTITIES[kind.y].units.map((u) => ({ value: u.symbol, label: u.symbol }))} onPick={(y) => setUnits({ ...units, y })} />
          </div>
          <textarea className={styles.points} aria-label="Points" rows={10} spellCheck={false} value={shown} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.stopPropagation()} />
          <label className={styles.source}>Where from <input value={source} maxLength={200} placeholder="own bench, date; maker's chart" onChange={(e) => setSource(e.target.value)} onKeyDown={(e) => e.stopPropagation()} /></label>
          {parsed.troubles.length > 0 && <ul role="alert" className={styles.troubles}>{parsed.troubles.slice(0, 4).map((t) => <li key={t.line}>Line {t.line}: {t.message}</li>)}{parsed.troubles.length > 4 && <li>and {parsed.troubles.length - 4} more lines</li>}</ul>}
          {reading && reading.used.length > MOST_POINTS && <p role="alert" className={styles.troubles}>At most {MOST_POINTS} points are kept; here are {reading.used.length}.</p>}
          {!reading && parsed.troubles.length === 0 && <p role="alert" className={styles.troubles}>{kind.tooFew}</p>}
        </div>
        <div className={styles.right}>
          <CurvePlot points={points} at={reading ? reading.at : null} xAxis={`${kind.xWord.toLowerCase()}, ${QUANTITIES[kind.x].inner}`} yAxis={kind.yAxis} />
          {reading && reading.words !== '' && <p role={reading.note ? 'note' : undefined}>{reading.words}</p>}
        </div>
        {pump && (
          <div className={styles.ratings}>
            <h2>What its maker prints</h2>
            <QuantityField label="Head" value={ratings.head_m ?? null} quantity="head" decimals={2} optional min={0} max={200} onCommit={rating('head_m')} />
            <QuantityField label="Pressure" value={ratings.pressure_kPa ?? null} quantity="pressure" decimals={1} optional min={0} max={5000} onCommit={rating('pressure_kPa')} />
            <QuantityField label="Flow" value={ratings.flow_Lmin ?? null} quantity="flow" decimals={1} optional min={0} max={200} onCommit={rating('flow_Lmin')} />
            {printed.map((t) => <p key={t.of} role="note" className={styles.wide}>Printed {t.of} of {formatNumber(t.printed, { decimals: 1 })} {t.unit} against {formatNumber(t.gives, { decimals: 1 })} {t.unit}: {t.words}</p>)}
          </div>
        )}
        <div className={styles.wide}>
          <Button variant="contained" disabled={!ok} onClick={save}>Use these points in this build</Button> <Button onClick={onClose}>Leave as it was</Button>
        </div>
      </div>
    </Dialog>
  );
}
