'use client';
import { lazy, Suspense, useState } from 'react';
import type { ComponentPart } from '@/core/components';
import { hasPorts, resizeSide, resizedRadiator } from '@/core/making';
import { BodyTable } from './BodyTable';
import { NumberField } from './Field';
import { AXIS_WORDS, PortTable } from './PortTable';
import { SpotTable } from './SpotTable';
import { WettedTable } from './WettedTable';
import styles from './PartShape.module.css';

const PartScene = lazy(() => import('./PartScene'));

/** A part with one side of another length; a radiator's depth changes its core with it. */
function resized(part: ComponentPart, axis: 0 | 1 | 2, mm: number): ComponentPart {
  if (mm <= 0) return part;
  return part.kind === 'radiator' && axis === 2
    ? resizedRadiator(part, { thick: mm })
    : resizeSide(part, axis, mm);
}

/** Ports, bodies, holes, metals and limits of a part, in space and in tables that say the same. */
export function PartShape({
  part,
  onChange,
}: {
  readonly part: ComponentPart;
  onChange(part: ComponentPart): void;
}) {
  const [picked, setPicked] = useState<string | null>(null);
  return (
    <div className={styles.shape}>
      <div>
        <Suspense fallback={<div className={styles.scene} />}>
          <PartScene part={part} picked={picked} onPick={setPicked} onChange={onChange} />
        </Suspense>
        <div className={styles.wide}>
          {([0, 1, 2] as const).map((axis) => (
            <NumberField
              key={axis}
              label={`${AXIS_WORDS[axis]}, mm`}
              value={part.size[axis]}
              onChange={(mm) => onChange(resized(part, axis, mm))}
            />
          ))}
        </div>
        <p className="soft">
          Drag a port over the faces; ports on a face go with it when a side changes.
        </p>
      </div>
      <div className={styles.tables}>
        {hasPorts(part) && (
          <PortTable part={part} picked={picked} onPick={setPicked} onChange={onChange} />
        )}
        <BodyTable part={part} onChange={onChange} />
        <WettedTable part={part} onChange={onChange} />
        <SpotTable part={part} onChange={onChange} />
      </div>
    </div>
  );
}
