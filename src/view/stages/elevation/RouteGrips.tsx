'use client';
import type { PointerEvent as Pointer } from 'react';
import type { Vec } from '@/core/geometry';
import type { Hold } from '@/core/routing';
import { caseWay, flatPoint, type View } from '@/core/elevation';
import { msg } from '@/core/messages';
import { followPointer } from '../followPointer';
import { axisOf, innerCorners, STEP_MM } from '../routeGrips';
import type { RouteHeld } from '../runs/useRouteHeld';
import styles from './Elevation.module.css';

type Axis = 0 | 1 | 2;
const AXES: Record<View, readonly [Axis, Axis]> = {
  side: [0, 1],
  front: [2, 1],
  top: [0, 2],
};
/** Width of what can be gripped, mm; legs shorter than this on the sheet are not. */
const GRIP_MM = 18,
  LEAST_MM = 14;
/** Half of what a corner is gripped by, screen pixels. */
const CORNER_PX = 5;

/**
 * Straight legs and corners of the picked run, to be drawn across the sheet; with Shift all of the
 * run between its ends.
 */
export function RouteGrips({
  view,
  size,
  corners,
  k,
  onRoute,
}: {
  readonly view: View;
  readonly size: Vec;
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
  readonly corners: readonly Vec[];
  onRoute(held: RouteHeld, done: boolean): void;
}) {
  const legs = corners.slice(1).flatMap((b, leg) => {
    const a = corners[leg] as Vec,
      along = axisOf(a, b);
    const across = AXES[view].find((i) => i !== along);
    // A leg that points at the eye has no length on the sheet.
    return along !== null &&
      across !== undefined &&
      AXES[view].includes(along) &&
      Math.abs(b[along] - a[along]) > LEAST_MM
      ? [{ leg, a, b, axis: across }]
      : [];
  });
  const press =
    (grip: Hold, axes: readonly Axis[]) =>
    (e: Pointer<SVGElement>): void => {
      const toSheet = e.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
      if (e.button !== 0 || !toSheet) return;
      e.stopPropagation();
      const hold = e.shiftKey ? 'route' : grip,
        free = e.shiftKey ? AXES[view] : axes;
      let held: RouteHeld | null = null;
      followPointer(
        e,
        (dx, dy) => {
          const way = caseWay(view, dx * toSheet.a, dy * toSheet.d);
          const by = ([0, 1, 2] as const).map((i) =>
            free.includes(i) ? Math.round(way[i] / STEP_MM) * STEP_MM : 0,
          ) as unknown as Vec;
          held = { hold, by };
          onRoute(held, false);
        },
        () => held && onRoute(held, true),
      );
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
              onPointerDown={press({ leg }, [axis])}
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
      {innerCorners(corners).map((corner) => {
        const [x, y] = flatPoint(view, size, corners[corner] as Vec);
        const half = CORNER_PX * k;
        return (
          <rect
            key={`corner-${corner}`}
            className={styles.corner}
            x={x - half}
            y={y - half}
            width={2 * half}
            height={2 * half}
            fill="var(--paper)"
            stroke="var(--copper)"
            strokeWidth="1.6"
            onPointerDown={press({ corner }, AXES[view])}
            onClick={(e) => e.stopPropagation()}
          >
            <title>{msg`Drag this corner`}</title>
          </rect>
        );
      })}
    </>
  );
}
