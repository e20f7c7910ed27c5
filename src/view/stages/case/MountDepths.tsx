'use client';
import { Press } from '@/view/shared';
import { memo } from 'react';
import type { MountDepth } from '@/core/clearance';
import { formatMeasure } from '@/core/units';
import { useEditor, useEditorLater } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

/** At each mount what is taken and what is left, as a ruler with the maker's figure on it. */
export const MountDepths = memo(function MountDepths({
  depths,
}: {
  readonly depths: readonly MountDepth[];
}) {
  const box = useEditorLater((s) => s.design.case);
  const open = useEditor((s) => s.open);
  return (
    <Section
      title={msg`Clearance at each mount`}
      aside={
        <Press className={styles.link} onClick={() => open('stores')}>
          {msg`Add a part`}
        </Press>
      }
    >
      {depths.map((r) => (
        <Ruler
          key={r.mount}
          name={box?.mounts.find((m) => m.id === r.mount)?.name ?? r.mount}
          open={box?.air?.open === true}
          {...r}
        />
      ))}
    </Section>
  );
});

function Ruler({
  name,
  published_mm,
  used_mm,
  free_mm,
  blockedBy,
  open,
}: {
  readonly name: string;
  /** Of an open frame: there is no wall over there. */
  readonly open: boolean;
  readonly published_mm: number;
  readonly used_mm: number;
  readonly free_mm: number;
  readonly blockedBy: string | null;
}) {
  const scale = Math.max(published_mm, used_mm, Math.min(free_mm, 160), 40) * 1.05;
  const pc = (v: number): string => `${Math.min(100, (100 * v) / scale)}%`;
  const over = used_mm > free_mm;
  const isFree = open && blockedBy === null;
  const beyond = blockedBy ?? msg`the far wall`;
  const roomWords = (): string => {
    const taken = msg`${formatMeasure(used_mm, 'mm')} taken`;
    if (isFree) return used_mm > 0 ? msg`${taken}, open before it` : msg`open before it`;
    if (used_mm <= 0) return msg`${formatMeasure(free_mm, 'mm')} free to ${beyond}`;
    return over
      ? msg`${taken}, ${formatMeasure(used_mm - free_mm, 'mm')} too deep for ${beyond}`
      : msg`${taken}, ${formatMeasure(free_mm - used_mm, 'mm')} left to ${beyond}`;
  };
  return (
    <div className={styles.ruler}>
      <span>{name}</span>
      <div
        className={styles.scale}
        role="img"
        aria-label={msg`${name}: ${formatMeasure(used_mm, 'mm')} taken,
          ${isFree ? msg`open before it` : msg`${formatMeasure(free_mm, 'mm')} to ${beyond}`},
          maker says ${formatMeasure(published_mm, 'mm')}`}
      >
        <div className={styles.free} style={{ width: pc(free_mm) }} />
        <div className={styles.used} data-over={over || undefined} style={{ width: pc(used_mm) }} />
        <div
          className={styles.said}
          style={{ left: pc(published_mm) }}
          title={msg`the maker says ${formatMeasure(published_mm, 'mm')}`}
        />
      </div>
      <span className={styles.rulerText}>{roomWords()}</span>
    </div>
  );
}
