'use client';
import dynamic from 'next/dynamic';
import { Press } from '@/view/shared';
import { useState } from 'react';
import type { FittingPart } from '@/core/components';
import { loopOfRun, type Edit, type KitDuty, type Loop } from '@/core/design';
import { pieceOf, type Run } from '@/core/tubing';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { later } from '@/view/shared/later';
import styles from './FlowStage.module.css';

// Loaded when it is first opened.
const FittingCurve = dynamic(() => later(() => import('../curve').then((m) => m.FittingCurve)));

/** A fitting of a run, and how it is changed where it is chosen. */
interface Chosen {
  readonly fitting: FittingPart;
  editOf(changed: FittingPart): Edit;
}

/** The loop's fitting, or that of a run with a tube of its own. */
function fittingEdit(loop: Loop, run: Run, fitting: FittingPart): Edit {
  const connection = loop.connections.find((c) => c.id === run.id);
  return connection?.tube
    ? { do: 'connection.tube', loop: loop.id, connection: run.id, tube: connection.tube, fitting }
    : { do: 'loop.fitting', loop: loop.id, fitting };
}

/** The fittings of a run: each may have measured points in place of its K. */
export function RunFittings({ run, loop: whole }: { readonly run: Run; readonly loop: Loop }) {
  const loop = loopOfRun(whole, run.id);
  const kit = useEditor((s) => s.design.kit);
  const [editing, setEditing] = useState<Chosen | null>(null);
  const duties = [...new Set(run.fittings.map((f) => f.duty))].filter((d) => d !== 'bridge');
  const chosen = duties.map((duty): Chosen => {
    const fitting = pieceOf(run, duty, loop, kit);
    return {
      fitting,
      editOf: (changed) =>
        duty === loop.fitting.duty
          ? fittingEdit(whole, run, changed)
          : { do: 'kit.set', duty: duty as KitDuty, fitting: changed },
    };
  });
  return (
    <>
      {chosen.map((c) => (
        <span key={c.fitting.id}>
          {c.fitting.name}:{' '}
          {c.fitting.points
            ? msg`${c.fitting.points.length} measured
              points${c.fitting.pointsSource ? `, ${c.fitting.pointsSource}` : ''}`
            : msg`K ${c.fitting.k} on ${c.fitting.bore_mm} mm, ${c.fitting.kSource}`}
          .{' '}
          <Press className={styles.textButton} onClick={() => setEditing(c)}>
            {c.fitting.points ? msg`Its points` : msg`Enter measured points`}
          </Press>
        </span>
      ))}
      {editing && <FittingCurve {...editing} onClose={() => setEditing(null)} />}
    </>
  );
}
