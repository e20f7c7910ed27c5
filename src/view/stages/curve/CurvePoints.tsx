'use client';
import { useState } from 'react';
import type { ComponentPart, FittingPart } from '@/core/components';
import { QUANTITIES, convertFromInner, parsePoints, unitShown } from '@/core/units';
import { Pick, TextInput } from '@/view/shared';
import { msg } from '@/core/messages';
import { CurvePlot } from './CurvePlot';
import { curveKind, type CurveKind, type CurveOf, type Points } from './kinds';
import styles from './CurveEditor.module.css';

/** Points a part keeps. */
const MOST_POINTS = 40;
const plain = (v: number): string => String(Number(v.toPrecision(5)));
const spell = (
  points: Points,
  kind: CurveKind,
  units: { readonly x: string; readonly y: string },
): string =>
  points
    .map(
      ([a, b]) =>
        `${plain(convertFromInner(a, kind.x, units.x))}\t${plain(convertFromInner(b, kind.y, units.y))}`,
    )
    .join('\n');

/** What was typed, as far as it makes a curve: null while it does not. */
export type TypedCurve = { readonly points: Points; readonly source: string } | null;

/**
 * Measured points of a part, pasted or typed in any unit, beside the curve that will be used. Tells
 * what they make at each change.
 */
export function CurvePoints({
  part,
  of,
  onTyped,
}: {
  readonly part: ComponentPart | FittingPart;
  readonly of: CurveOf['of'];
  onTyped(now: TypedCurve): void;
}) {
  const kind = curveKind(of),
    [{ points: own, source: from }] = useState(() => kind.own(part));
  const [units, setUnits] = useState<{ readonly x: string; readonly y: string }>({
    x: unitShown(QUANTITIES[kind.x].inner),
    y: unitShown(QUANTITIES[kind.y].inner),
  });
  const [text, setText] = useState<string | null>(null);
  const [source, setSource] = useState(from ?? '');
  const shown = text ?? spell(own, kind, units);
  const parse = (typed: string, as = units) => parsePoints(typed, kind.x, kind.y, as);
  const parsed = parse(shown),
    points = text === null ? own : parsed.points,
    reading = kind.read(points);
  const tell = (typed: string | null, diagnostic: string, as = units): void => {
    const read = typed === null ? { points: own, troubles: [] } : parse(typed, as),
      made = kind.read(read.points);
    onTyped(
      made && read.troubles.length === 0 && made.used.length <= MOST_POINTS
        ? { points: made.used, source: diagnostic }
        : null,
    );
  };
  // Typed numbers keep standing as they are: another unit gives them another meaning.
  const inUnits = (as: typeof units): void => {
    setUnits(as);
    tell(text, source, as);
  };
  return (
    <>
      <div className={styles.left}>
        <div className={styles.units}>
          <Pick
            label={msg`${kind.xWord} in`}
            value={units.x}
            options={QUANTITIES[kind.x].units.map((u) => ({ value: u.symbol, label: u.symbol }))}
            onPick={(x) => inUnits({ ...units, x })}
          />
          <Pick
            label={msg`${kind.yWord} in`}
            value={units.y}
            options={QUANTITIES[kind.y].units.map((u) => ({ value: u.symbol, label: u.symbol }))}
            onPick={(y) => inUnits({ ...units, y })}
          />
        </div>
        <textarea
          className={styles.points}
          aria-label={msg`Points`}
          rows={10}
          spellCheck={false}
          value={shown}
          onChange={(e) => {
            setText(e.target.value);
            tell(e.target.value, source);
          }}
          onKeyDown={(e) => e.stopPropagation()}
        />
        <label className={styles.source}>
          {msg`Where from`}{' '}
          <TextInput
            value={source}
            maxLength={200}
            placeholder={msg`own bench, maker's chart`}
            onChange={(e) => {
              setSource(e.target.value);
              tell(text, e.target.value);
            }}
            onKeyDown={(e) => e.stopPropagation()}
          />
        </label>
        {parsed.troubles.length > 0 && (
          <ul role="alert" className={styles.troubles}>
            {parsed.troubles.slice(0, 4).map((t) => (
              <li key={t.line}>{msg`Line ${t.line}: ${t.message}`}</li>
            ))}
            {parsed.troubles.length > 4 && (
              <li>{msg`and ${parsed.troubles.length - 4} more lines`}</li>
            )}
          </ul>
        )}
        {reading && reading.used.length > MOST_POINTS && (
          <p role="alert" className={styles.troubles}>
            {msg`At most ${MOST_POINTS} points are kept; here are ${reading.used.length}.`}
          </p>
        )}
        {!reading && parsed.troubles.length === 0 && (
          <p role="alert" className={styles.troubles}>
            {kind.tooFew}
          </p>
        )}
      </div>
      <div>
        <CurvePlot
          points={points}
          at={reading ? reading.at : null}
          x={{ word: kind.xWord, unit: QUANTITIES[kind.x].inner }}
          y={{ word: kind.yAxis, unit: QUANTITIES[kind.y].inner }}
        />
        {reading && reading.words !== '' && (
          <p role={reading.note ? 'note' : undefined}>{reading.words}</p>
        )}
      </div>
    </>
  );
}
