'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { Edit } from '@/core/design';
import { ratingTroubles } from '@/core/hydraulics';
import type { PumpPart } from '@/core/components';
import { formatMeasure } from '@/core/units';
import { QuantityField } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { CurvePoints, type TypedCurve } from './CurvePoints';
import { curveKind, type CurveOf } from './kinds';
import styles from './CurveEditor.module.css';

/**
 * Measured points, pasted or typed in any unit, seen against the curve that will be used. Changes
 * this build's own copy of the part.
 */
export function CurveEditor({
  curve: { component, of },
  onClose,
}: {
  readonly curve: CurveOf;
  onClose(): void;
}) {
  const commit = useEditor((s) => s.commit);
  const kind = curveKind(of);
  const pump = component.part.kind === 'pump' && of === 'head' ? component.part : null;
  const [typed, setTyped] = useState<TypedCurve | 'own'>('own');
  const [ratings, setRatings] = useState<NonNullable<PumpPart['ratings']>>(pump?.ratings ?? {});
  const { points, source } = kind.own(component.part),
    own: TypedCurve = kind.read(points) && {
      points: kind.read(points)?.used ?? points,
      source: source ?? '',
    };
  const now = typed === 'own' ? own : typed;
  const printed = pump && now ? ratingTroubles({ ...pump, points: now.points, ratings }) : [];
  const save = (): void => {
    if (!now) return;
    const diagnostic = now.source.trim();
    const edits: Edit[] = [
      {
        do: 'component.curve',
        component: component.id,
        of,
        points: now.points,
        ...(diagnostic ? { source: diagnostic } : {}),
      },
    ];
    if (pump) edits.push({ do: 'component.ratings', component: component.id, ratings });
    commit(msg`set measured points of ${component.name}`, { do: 'batch', edits });
    onClose();
  };
  const rating =
    (key: 'head_m' | 'pressure_kPa' | 'flow_Lmin') =>
    (v: number | null): void =>
      setRatings(
        Object.fromEntries(Object.entries({ ...ratings, [key]: v }).filter(([, x]) => x !== null)),
      );
  return (
    <Dialog
      open
      onClose={() => {
        if (typed === 'own') onClose();
      }}
      maxWidth="md"
      fullWidth
      aria-labelledby="curve-title"
    >
      <div className={styles.body}>
        <h1 id="curve-title">{msg`Measured points of ${component.name}`}</h1>
        <p className={styles.wide}>{kind.intro}</p>
        <CurvePoints part={component.part} of={of} onTyped={setTyped} />
        {pump && (
          <div className={styles.ratings}>
            <h2>{msg`What its maker prints`}</h2>
            <QuantityField
              label={msg`Head`}
              value={ratings.head_m ?? null}
              quantity="head"
              decimals={2}
              optional
              min={0}
              max={200}
              onCommit={rating('head_m')}
            />
            <QuantityField
              label={msg`Pressure`}
              value={ratings.pressure_kPa ?? null}
              quantity="pressure"
              decimals={1}
              optional
              min={0}
              max={5000}
              onCommit={rating('pressure_kPa')}
            />
            <QuantityField
              label={msg`Flow`}
              value={ratings.flow_Lmin ?? null}
              quantity="flow"
              decimals={1}
              optional
              min={0}
              max={200}
              onCommit={rating('flow_Lmin')}
            />
            {printed.map((t) => (
              <p key={t.of} role="note" className={styles.wide}>
                {msg`Printed ${t.of} of ${formatMeasure(t.printed, t.unit, { decimals: 1 })}
                  against ${formatMeasure(t.gives, t.unit, { decimals: 1 })}: ${t.words}`}
              </p>
            ))}
          </div>
        )}
        <div className={styles.wide}>
          <Button variant="contained" disabled={!now} onClick={save}>
            {msg`Use these points in this build`}
          </Button>{' '}
          <Button onClick={onClose}>{msg`Leave as it was`}</Button>
        </div>
      </div>
    </Dialog>
  );
}
