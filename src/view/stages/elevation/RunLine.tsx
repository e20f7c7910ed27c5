'use client';
import { memo, useMemo } from 'react';
import { clipStroke, flatPoint, type View } from '@/core/elevation';
import type { Vec } from '@/core/geometry';
import type { Run } from '@/core/tubing';
import { cutWords } from '../runWords';
import { routedPath } from './runPath';
import styles from './Elevation.module.css';

interface Props {
  readonly run: Run;
  readonly view: View;
  readonly size: Vec;
  /** How it is drawn until it is routed; null where it has no place. */
  readonly estimate: string | null;
  /** Of the coolant in it. */
  readonly colour: string;
  readonly isPicked: boolean;
  /** Millimetres a screen pixel stands for, where it is picked. */
  readonly k: number;
}

/** A run with its end fittings, in the colour of its coolant. */
export const RunLine = memo(function RunLine({
  run,
  view,
  size,
  estimate,
  colour,
  isPicked,
  k,
}: Props) {
  const routed = useMemo(
    () => (run.routed ? routedPath(run, (p) => flatPoint(view, size, p)) : null),
    [run, view, size],
  );
  const d = routed ?? estimate;
  if (!d) return null;
  const { outer_mm } = run.tube;
  const line = { d, className: styles.tube, fill: 'none' };
  return (
    <g className={styles.component} data-component={run.id}>
      <title>
        {run.bridge ? `${run.name}: ${run.bridge.name}` : `${run.name}: ${cutWords(run)}`}
      </title>
      {run.routed?.pieces.map((piece, i) => (
        <EndFitting
          key={i}
          from={flatPoint(view, size, piece.from)}
          to={flatPoint(view, size, piece.to)}
          radius_mm={piece.radius}
          isPicked={isPicked}
        />
      ))}
      {isPicked && <path {...line} stroke="var(--copper)" strokeWidth={outer_mm + 8 * k + 1.6} />}
      {isPicked && <path {...line} stroke="var(--paper)" strokeWidth={outer_mm + 4 * k + 1.6} />}
      <path {...line} stroke="var(--ink)" strokeWidth={outer_mm + 1.6} />
      <path {...line} stroke={colour} strokeWidth={outer_mm - 1.6} />
      <path d={d} fill="none" stroke="var(--paper)" strokeWidth="1.2" strokeDasharray="2 7" />
      {run.routed?.clips.map((clip, i) => (
        <path
          key={`clip-${i}`}
          d={strokePath(clipStroke(view, size, clip, outer_mm))}
          stroke="var(--ink)"
          strokeWidth="3"
        />
      ))}
    </g>
  );
});

const strokePath = ([[x1, y1], [x2, y2]]: ReturnType<typeof clipStroke>): string =>
  `M${x1} ${y1}L${x2} ${y2}`;

function EndFitting({
  from: [x1, y1],
  to: [x2, y2],
  radius_mm,
  isPicked,
}: {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly radius_mm: number;
  readonly isPicked: boolean;
}) {
  const d = `M${x1} ${y1}L${x2} ${y2}`;
  return (
    <g>
      <path d={d} stroke={isPicked ? 'var(--copper)' : 'var(--ink)'} strokeWidth={2 * radius_mm} />
      <path d={d} stroke="var(--hairline)" strokeWidth={2 * radius_mm - 2.4} />
    </g>
  );
}
