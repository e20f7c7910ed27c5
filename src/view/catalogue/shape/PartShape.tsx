'use client';
import { lazy, Suspense, useState } from 'react';
import type { ComponentPart } from '@/core/components';
import { hasPorts } from '@/core/making';
import { msg } from '@/core/messages';
import { BodyTable } from './BodyTable';
import { PassageTable } from './PassageTable';
import { PortTable } from './PortTable';
import { SpotTable } from './SpotTable';
import { WettedTable } from './WettedTable';
import { untilLoaded } from '@/view/shared/untilLoaded';
import styles from './PartShape.module.css';

const PartScene = lazy(() => untilLoaded(() => import('./PartScene')));

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
        <p className="soft">
          {msg`Drag a port over the faces; ports on a face go with it when a side changes.`}
        </p>
      </div>
      <div className={styles.tables}>
        {hasPorts(part) && (
          <>
            <PortTable part={part} picked={picked} onPick={setPicked} onChange={onChange} />
            <PassageTable part={part} onChange={onChange} />
          </>
        )}
        <BodyTable part={part} onChange={onChange} />
        <WettedTable part={part} onChange={onChange} />
        <SpotTable part={part} onChange={onChange} />
      </div>
    </div>
  );
}
