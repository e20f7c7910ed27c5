'use client';
import { useMemo, useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { Edit, Item } from '@/core/build';
import { fitLossCurve, headTrouble, ratingTroubles } from '@/core/flow';
import type { PumpPart } from '@/core/part';
import { convertFromInner, formatNumber, parsePoints, QUANTITIES } from '@/core/quantity';
import { Pick, QuantityField } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { CurvePlot } from './CurvePlot';
import styles from './CurveEditor.module.css';

/** Which curve of which part: a passage by its number from 1, or a pump's head. */
export interface CurveOf { readonly item: Item; readonly of: number | 'head' }

type Points = readonly (readonly [number, number])[];

const spell = (points: Points, y: 'pressure' | 'head', units: { readonly x: string; readonly y: string }): string =>
  points.map(([q, p]) => `${plain(convertFromInner(q, 'flow', units.x))}\t${plain(convertFromInner(p, y, units.y))}`).join('\n');
const plain = (v: number): string => String(Number(v.toPrecision(5)));

/** Measured points, pasted or typed in any unit, seen against the curve that will be used. Changes this build's own copy of the part. */
export function CurveEditor({ curve: { item, of }, onClose }: { readonly curve: CurveOf; onClose(): void }) {
  const commit = useBench((s) => s.commit);
  const pump = item.part.kind === 'pump' && of === 'head' ? item.part : null;
  const passage = typeof of === 'number' && 'passages' in item.part ? item.part.passages[of - 1] : undefined;
  const own: Points = pump ? pump.points : passage?.points ?? [];
  const y = pump ? 'head' : 'pressure';
  const [units, setUnits] = useState<{ readonly x: string; readonly y: string }>({ x: QUANTITIES.flow.inner, y: QUANTITIES[y].inner });
  const [text, setText] = useState<string | null>(null);
  const [source, setSource] = useState((pump ? pump.pointsSource : passage?.source) ?? '');
  const [ratings, setRatings] = useState<NonNullable<PumpPart['ratings']>>(pump?.ratings ?? {});
  const shown = text ?? spell(own, y, units);
  const parsed = useMemo(() => parsePoints(shown, 'flow', y, units), [shown, y, units]);
  const points = text === null ? own : parsed.points;
  const rising = pump ? headTrouble(points) : null;
  const used = rising ? rising.falling : points;
  const enough = pump ? used.length >= 2 : used.some(([q]) => q > 0);
  const fit = !pump && enough ? fitLossCurve(used) : null;
  const printed = pump && enough ? ratingTroubles({ ...pump, points: used, ratings }) : [];
  const ok = enough && parsed.troubles.length === 0 && used.length <= 40 && (pump !== null || fit !== null);
  const save = (): void => {
    const said = source.trim();
    const edits: Edit[] = [{ do: 'item.curve', item: item.id, of, points: used, ...(said ? { source: said } : {}) }];
    if (pump) edits.push({ do: 'item.ratings', item: item.id, ratings });
    commit(`set measured points of ${item.name}`, { do: 'batch', edits });
    onClose();
  };
  const rating = (key: 'head_m' | 'pressure_kPa' | 'flow_Lmin') => (v: number | null): void => setRatings(Object.fromEntries(Object.entries({ ...ratings, [key]: v }).filter(([, x]) => x !== null)));
  return (
    <Dialog open onClose={() => { if (text === null) onClose(); }} maxWidth="md" fullWidth aria-labelledby="curve-title">
      <div className={styles.body}>
        <h1 id="curve-title">Measured points of {item.name}</h1>
        <p className={styles.wide}>One point a line, flow then {pump ? 'head' : 'pressure drop'}, typed or pasted from a table. A heading or a unit behind each number is understood.{pump ? ' At full speed.' : ' Measured with water at 25 °C; other coolants are scaled.'}</p>
        <div className={styles.left}>
          <div className={styles.units}>
            <Pick label="Flow in" value={units.x} options={QUANTITIES.flow.units.map((u) => ({ value: u.symbol, label: u.symbol }))} onPick={(x) => setUnits({ ...units, x })} />
            <Pick label={pump ? 'Head in' : 'Drop in'} value={units.y} options={QUANTITIES[y].units.map((u) => ({ value: u.symbol, label: u.symbol }))} onPick={(v) => setUnits({ ...units, y: v })} />
          </div>
          <textarea className={styles.points} aria-label="Points" rows={10} spellCheck={false} value={shown} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.stopPropagation()} />
          <label className={styles.source}>Where from <input value={source} maxLength={200} placeholder="own bench, date; maker's chart" onChange={(e) => setSource(e.target.value)} onKeyDown={(e) => e.stopPropagation()} /></label>
          {parsed.troubles.length > 0 && <ul role="alert" className={styles.troubles}>{parsed.troubles.slice(0, 4).map((t) => <li key={t.line}>Line {t.line}: {t.message}</li>)}{parsed.troubles.length > 4 && <li>and {parsed.troubles.length - 4} more lines</li>}</ul>}
          {used.length > 40 && <p role="alert" className={styles.troubles}>At most 40 points are kept; here are {used.length}.</p>}
          {!enough && parsed.troubles.length === 0 && <p role="alert" className={styles.troubles}>{pump ? 'A pump needs two points or more.' : 'One point with flow above 0 is needed.'}</p>}
        </div>
        <div className={styles.right}>
          <CurvePlot points={points} used={used} fit={fit} y={y} />
          {fit && <p>a {formatNumber(fit.a, { decimals: 3 })}, b {formatNumber(fit.b, { decimals: 3 })}: drop = a Q + b Q² in kPa and L/min, never below 0. It misses the points by {formatNumber(fit.residual_kPa, { decimals: 2 })} kPa (root mean square){fitWarning(fit.residual_kPa, used)}</p>}
          {rising && <p role="note">{rising.words}</p>}
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

/** A fit that misses by more than this share of the largest drop is called out. */
const ROUGH = 0.05;
function fitWarning(residual_kPa: number, points: Points): string {
  const most = Math.max(...points.map((p) => p[1]));
  return most > 0 && residual_kPa > ROUGH * most ? `: more than ${formatNumber(100 * ROUGH)} % of the largest. Look for a slip of a unit or a point.` : '.';
}
