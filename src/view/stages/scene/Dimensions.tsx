'use client';
import { useEffect, useMemo } from 'react';
import { BufferGeometry, Float32BufferAttribute } from 'three';
import type { GapLine } from '@/core/clearance';
import { add, cross, norm, scale, sub, unit, type Vec } from '@/core/geometry';
import { formatMillimetres } from '@/core/units';
import { Mark, type MarkKind } from '@/view/shared';
import { msg } from '@/core/messages';
import type { Paper } from './paper';
import styles from './Scene.module.css';

const TICK_MM = 7;

/** Dimension lines from the picked part to what is nearest, with a tick at either end. */
export function DimensionLines({
  lines,
  paper,
}: {
  readonly lines: readonly GapLine[];
  readonly paper: Paper;
}) {
  const geometry = useMemo(() => {
    const points = lines.flatMap(({ from, to }) => [
      ...from,
      ...to,
      ...tickAt(from, to),
      ...tickAt(to, from),
    ]);
    return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
  }, [lines]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} renderOrder={5}>
      <lineBasicMaterial color={paper.copper} depthTest={false} />
    </lineSegments>
  );
}

/** A short line across the end of a dimension. */
function tickAt(end: Vec, other: Vec): readonly number[] {
  const along = sub(other, end);
  if (norm(along) < 1e-6) return [...end, ...end];
  const direction = unit(along);
  const upright: Vec = Math.abs(direction[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0];
  const across = scale(unit(cross(direction, upright)), TICK_MM / 2);
  return [...sub(end, across), ...add(end, across)];
}

const VERDICTS: Readonly<Record<string, MarkKind>> = {
  clear: 'ok',
  marginal: 'marginal',
  clash: 'fails',
};

/** The figures of the dimension lines, on the page over the scene. */
export function DimensionLabels({
  lines,
  part,
}: {
  readonly lines: readonly GapLine[];
  readonly part: string;
}) {
  return lines.map(({ gap, from, to }) => (
    <span
      key={`${gap.a}-${gap.b}`}
      className={styles.label}
      data-at={scale(add(from, to), 0.5).join()}
    >
      <Mark verdict={VERDICTS[gap.verdict] ?? 'unchecked'} size={9} />{' '}
      {formatMillimetres(gap.gap_mm, 1)}
      <span className="visually-hidden"> {msg`to ${gap.a === part ? gap.nameB : gap.nameA}`}</span>
    </span>
  ));
}
