'use client';
import type { PointerEvent as Pointer } from 'react';
import type { Vec } from '@/core/geometry';
import { gripsOf, type Grip } from '@/core/routing';
import { caseWay, flatPoint, type View } from '@/core/elevation';
import { msg } from '@/core/messages';
import { followPointer } from '../followPointer';
import { STEP_MM } from '../routeGrips';
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
 * Legs and corners of the picked run, to be drawn across the sheet; one aslant slides along the run;
 * with Shift all of the run between its ends.
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
  const grips = gripsOf(corners).flatMap((grip) => {
    const axes = AXES[view].filter((axis) => grip.axes.includes(axis));
    return axes.length > 0 ? [{ ...grip, axes }] : [];
  });
  const press =
    ({ hold: own, axes }: Grip) =>
    (e: Pointer<SVGElement>): void => {
      const toSheet = e.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
      if (e.button !== 0 || !toSheet) return;
      e.stopPropagation();
      const hold = e.shiftKey ? 'route' : own,
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
      {grips.map((grip) =>
        'leg' in grip.hold ? (
          <LegGrip
            key={`leg-${grip.hold.leg}`}
            ends={[corners[grip.hold.leg], corners[grip.hold.leg + 1]].map((at) =>
              flatPoint(view, size, at as Vec),
            )}
            isFree={grip.axes.length > 1}
            k={k}
            onPress={press(grip)}
          />
        ) : null,
      )}
      {grips.map((grip) =>
        'corner' in grip.hold ? (
          <CornerGrip
            key={`corner-${grip.hold.corner}`}
            at={flatPoint(view, size, grip.at)}
            k={k}
            onPress={press(grip)}
          />
        ) : null,
      )}
    </>
  );
}

type Press = (e: Pointer<SVGElement>) => void;
type FlatPoint = ReturnType<typeof flatPoint>;

/** How the pointer shows where a leg goes: across it, or any way where it lies aslant. */
function cursorOf([x1, y1]: FlatPoint, [x2, y2]: FlatPoint): 'ew' | 'ns' | 'all' {
  if (Math.abs(x1 - x2) < UPRIGHT_MM) return 'ew';
  return Math.abs(y1 - y2) < UPRIGHT_MM ? 'ns' : 'all';
}
const UPRIGHT_MM = 0.5;

function LegGrip({
  ends,
  isFree,
  k,
  onPress,
}: {
  readonly ends: readonly FlatPoint[];
  /** It may go both ways of the sheet. */
  readonly isFree: boolean;
  readonly k: number;
  readonly onPress: Press;
}) {
  const [a, b] = ends as [FlatPoint, FlatPoint];
  const goes = isFree ? 'all' : cursorOf(a, b);
  // A leg that points at the eye has no length on the sheet.
  if (Math.hypot(b[0] - a[0], b[1] - a[1]) <= LEAST_MM) return null;
  return (
    <g className={styles.leg} data-goes={goes}>
      <path
        d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`}
        className={styles.tube}
        stroke="transparent"
        strokeWidth={GRIP_MM}
        onPointerDown={onPress}
        onClick={(e) => e.stopPropagation()}
      >
        <title>
          {goes === 'all'
            ? msg`Slide this leg along the run`
            : msg`Drag this leg into another plane`}
        </title>
      </path>
      <circle
        cx={(a[0] + b[0]) / 2}
        cy={(a[1] + b[1]) / 2}
        r={4.5 * k}
        fill="var(--paper)"
        stroke="var(--copper)"
        strokeWidth="1.6"
        pointerEvents="none"
      />
    </g>
  );
}

function CornerGrip({
  at: [x, y],
  k,
  onPress,
}: {
  readonly at: FlatPoint;
  readonly k: number;
  readonly onPress: Press;
}) {
  const half = CORNER_PX * k;
  return (
    <rect
      className={styles.corner}
      x={x - half}
      y={y - half}
      width={2 * half}
      height={2 * half}
      fill="var(--paper)"
      stroke="var(--copper)"
      strokeWidth="1.6"
      onPointerDown={onPress}
      onClick={(e) => e.stopPropagation()}
    >
      <title>{msg`Drag this corner`}</title>
    </rect>
  );
}
