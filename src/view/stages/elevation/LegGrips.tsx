'use client';
import type { PointerEvent as Pointer } from 'react';
import type { Vec } from '@/core/geometry';
import { caseWay, flatPoint, type View } from '@/core/elevation';
import { msg } from '@/core/messages';
import styles from './Elevation.module.css';

/** A leg of a run in the hand: which, along which axis it moves, and where it would be, mm. */
export interface LegHeld {
  readonly leg: number;
  readonly axis: 0 | 1 | 2;
  readonly at_mm: number;
}

const AXES: Record<View, readonly [0 | 1 | 2, 0 | 1 | 2]> = {
  side: [0, 1],
  front: [2, 1],
  top: [0, 2],
};
/** Width of what can be gripped, mm; legs shorter than this on the sheet are not. */
const GRIP_MM = 18,
  LEAST_MM = 14,
  STEP_MM = 1;

/** Straight legs of the picked run, to be drawn across the sheet into another plane. */
export function LegGrips({
  view,
  size,
  corners,
  k,
  onLeg,
}: {
  readonly view: View;
  readonly size: Vec;
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
  readonly corners: readonly Vec[];
  onLeg(leg: LegHeld, done: boolean): void;
}) {
  const legs = corners.slice(1).flatMap((b, leg) => {
    const a = corners[leg] as Vec,
      along = ([0, 1, 2] as const).filter((i) => Math.abs(b[i] - a[i]) > 1e-6);
    const across = AXES[view].find((i) => i !== along[0]);
    // A leg that points at the eye has no length on the sheet.
    return along.length === 1 &&
      across !== undefined &&
      AXES[view].includes(along[0] as 0 | 1 | 2) &&
      Math.abs(b[along[0] as 0] - a[along[0] as 0]) > LEAST_MM
      ? [{ leg, a, b, axis: across }]
      : [];
  });
  const press =
    (leg: number, axis: 0 | 1 | 2, from: number) =>
    (e: Pointer<SVGPathElement>): void => {
      const toSheet = e.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
      if (e.button !== 0 || !toSheet) return;
      e.stopPropagation();
      const [x0, y0] = [e.clientX, e.clientY];
      let last: LegHeld | null = null,
        waiting = false;
      const move = (ev: PointerEvent): void => {
        const at =
          from + caseWay(view, (ev.clientX - x0) * toSheet.a, (ev.clientY - y0) * toSheet.d)[axis];
        last = { leg, axis, at_mm: Math.round(at / STEP_MM) * STEP_MM };
        if (waiting) return;
        waiting = true;
        requestAnimationFrame(() => {
          waiting = false;
          if (last) onLeg(last, false);
        });
      };
      const up = (): void => {
        for (const [name, f] of [
          ['pointermove', move],
          ['pointerup', up],
          ['pointercancel', up],
        ] as const)
          window.removeEventListener(name, f as EventListener);
        const held = last;
        last = null;
        if (held) onLeg(held, true);
      };
      for (const [name, f] of [
        ['pointermove', move],
        ['pointerup', up],
        ['pointercancel', up],
      ] as const)
        window.addEventListener(name, f as EventListener);
    };
  return (
    <>
      {legs.map(({ leg, a, b, axis }) => {
        const [x1, y1] = flatPoint(view, size, a),
          [x2, y2] = flatPoint(view, size, b);
        return (
          <g key={leg} className={styles.leg} data-upright={Math.abs(x1 - x2) < 0.5 || undefined}>
            <path
              d={`M${x1} ${y1}L${x2} ${y2}`}
              className={styles.tube}
              stroke="transparent"
              strokeWidth={GRIP_MM}
              onPointerDown={press(leg, axis, a[axis])}
              onClick={(e) => e.stopPropagation()}
            >
              <title>{msg`Drag this leg into another plane`}</title>
            </path>
            <circle
              cx={(x1 + x2) / 2}
              cy={(y1 + y2) / 2}
              r={4.5 * k}
              fill="var(--paper)"
              stroke="var(--copper)"
              strokeWidth="1.6"
              pointerEvents="none"
            />
          </g>
        );
      })}
    </>
  );
}
