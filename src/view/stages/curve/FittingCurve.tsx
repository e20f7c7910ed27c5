'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { Edit } from '@/core/design';
import type { FittingPart } from '@/core/components';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { CurvePoints, type TypedCurve } from './CurvePoints';
import styles from './CurveEditor.module.css';

/** Measured pressure drop of a fitting, in place of its K: wherever this build uses it. */
export function FittingCurve({
  fitting,
  editOf,
  onClose,
}: {
  readonly fitting: FittingPart;
  /** The edit that puts a changed fitting in the place of this one. */
  editOf(changed: FittingPart): Edit;
  onClose(): void;
}) {
  const commit = useEditor((s) => s.commit);
  const [typed, setTyped] = useState<TypedCurve | 'own'>('own');
  const take = (label: string, changed: FittingPart): void => {
    commit(label, editOf(changed));
    onClose();
  };
  const save = (): void => {
    if (typed === 'own' || typed === null) return;
    const source = typed.source.trim();
    const { pointsSource: _before, ...rest } = fitting;
    take(msg`set measured points of ${fitting.name}`, {
      ...rest,
      points: typed.points,
      ...(source ? { pointsSource: source } : {}),
    });
  };
  const remove = (): void => {
    const { points: _points, pointsSource: _source, ...rest } = fitting;
    take(msg`took the measured points of ${fitting.name} away`, rest);
  };
  return (
    <Dialog
      open
      onClose={() => {
        if (typed === 'own') onClose();
      }}
      maxWidth="md"
      fullWidth
      aria-labelledby="fitting-title"
    >
      <div className={styles.body}>
        <h1 id="fitting-title">{msg`Measured points of ${fitting.name}`}</h1>
        <p className={styles.wide}>
          {msg`One point a line, flow then pressure drop from port to tube, typed or pasted from
            a table. They replace its K of ${fitting.k} on ${fitting.bore_mm} mm, everywhere
            this build uses it. Measured with water at 25 °C; other coolants are scaled.`}
        </p>
        <CurvePoints part={fitting} of={1} onTyped={setTyped} />
        <div className={styles.wide}>
          <Button variant="contained" disabled={typed === 'own' || typed === null} onClick={save}>
            {msg`Use these points in this build`}
          </Button>{' '}
          {fitting.points && <Button onClick={remove}>{msg`Back to its K`}</Button>}{' '}
          <Button onClick={onClose}>{msg`Leave as it was`}</Button>
        </div>
      </div>
    </Dialog>
  );
}
