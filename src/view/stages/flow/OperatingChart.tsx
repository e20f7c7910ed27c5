'use client';
import dynamic from 'next/dynamic';
import { useMemo, useRef } from 'react';
import { Press } from '@/view/shared';
import {
  atFullSpeed,
  flowAtShares,
  operatingCurves,
  slowestShareFor,
  type FlowNetwork,
  type LoopFlow,
} from '@/core/hydraulics';
import { formatFlow, formatMeasure, formatSpeed, unitShown } from '@/core/units';

import { useSize } from '@/view/shared/useWidth';
import { useUnderHand } from '@/view/workspace';
import { msg, noted } from '@/core/messages';
import { BOTTOM, LEFT, RIGHT, TOP } from './flowSheet';
import { useNextFrame } from './useNextFrame';
import { later } from '@/view/shared/later';
import styles from './OperatingChart.module.css';

// The handle answers before the curves under it are there.
const Curves = dynamic(() => later(() => import('./FlowCurves').then((m) => m.OperatingCurves)), {
  ssr: false,
});
const SpeedCurve = dynamic(() => later(() => import('./FlowCurves').then((m) => m.SpeedCurve)), {
  ssr: false,
});

interface Props {
  readonly network: FlowNetwork;
  readonly state: LoopFlow;
  readonly target: number;
  /** Speed of the first pump now, and what it can do. */
  readonly speed: { readonly now: number; readonly min: number; readonly max: number } | null;
  /** Asks for this speed of the first pump, the others in proportion. */
  readonly onSpeed: (rpm: number) => void;
}
const POINTS = 49;
const FLOWS = Array.from({ length: POINTS }, (_, i) => i / (POINTS - 1));

/**
 * Pump curve against loop curve; where they meet is what flows. The meeting point is the handle of
 * the pump's speed.
 */
export function OperatingChart({ network, state, target, speed, onSpeed }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const hand = useUnderHand(speed?.now ?? 0);
  // The handle and its figures come first; the curves follow in the next frame.
  const drawn = useNextFrame(network);
  const full = useMemo(() => atFullSpeed(drawn), [drawn]);
  // Without speeds, so that the scale stays while the handle moves.
  const most = useMemo(() => {
    const reach = flowAtShares(full, [1])[0] ?? 0;
    return Math.max(6, Math.ceil((Math.max(reach, target) * 1.25) / 2) * 2);
  }, [full, target]);
  const data = useMemo(() => {
    const now = operatingCurves(drawn),
      atFull = operatingCurves(full);
    if (!now || !atFull) return null;
    return FLOWS.map((f) => {
      const flow = f * most;
      return {
        flow,
        loop: now.systemCurve(flow),
        pump: positive(now.pumpCurve(flow)),
        full: positive(atFull.pumpCurve(flow)),
      };
    });
  }, [drawn, full, most]);
  const top =
    Math.ceil((Math.max(...(data ?? []).map((r) => r.full ?? 0), state.head_kPa) * 1.08) / 10) *
      10 || 10;
  const X = (v: number): number => LEFT + (v / most) * (width - LEFT - RIGHT),
    Y = (v: number): number =>
      TOP + (1 - Math.max(0, Math.min(1.02, v / top))) * (height - TOP - BOTTOM);
  if (!data)
    return <SpeedChart network={full} state={state} target={target} most={most} speed={speed} />;

  const drag = (clientX: number): void => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || !speed) return;
    const flow = Math.max(0.1, ((clientX - box.left - LEFT) / (width - LEFT - RIGHT)) * most);
    const share = slowestShareFor(full, flow) ?? 1;
    onSpeed(Math.round(Math.min(speed.max, Math.max(speed.min, share * speed.max)) / 10) * 10);
  };
  const lastPump = [...data].reverse().find((r) => r.pump !== null),
    lastFull = [...data].reverse().find((r) => r.full !== null);
  const loopEnd = [...data].reverse().find((r) => r.loop <= top);
  const names = apart([
    ...(lastPump ? [{ id: 'pump', text: msg`pump at this speed`, y: Y(lastPump.pump ?? 0) }] : []),
    ...(lastFull && speed && speed.now < speed.max - 1
      ? [{ id: 'full', text: msg`pump curve at full speed`, y: Y(lastFull.full ?? 0) }]
      : []),
    ...(loopEnd && X(loopEnd.flow) > width - RIGHT - 20
      ? [{ id: 'loop', text: msg`loop resistance`, y: Y(loopEnd.loop) }]
      : []),
  ]);
  return (
    <div ref={frame} className={styles.chart}>
      {width > 0 && (
        <>
          <Curves data={data} width={width} height={height} most={most} top={top} target={target} />
          <span className={styles.axisY}>{msg`pressure, ${unitShown('kPa')}`}</span>
          <span className={styles.axisX} style={{ right: RIGHT }}>
            {msg`flow, ${unitShown('L/min')}`}
          </span>
          {names.map((n) => (
            <span
              key={n.id}
              className={styles.curve}
              data-loop={n.id === 'loop' || undefined}
              style={{ left: width - RIGHT + 6, top: n.y - 9 }}
            >
              {n.text}
            </span>
          ))}
          {loopEnd && X(loopEnd.flow) <= width - RIGHT - 20 && (
            <span
              className={styles.curve}
              data-loop
              style={{ left: X(loopEnd.flow) + 8, top: Math.max(2, Y(loopEnd.loop) - 6) }}
            >
              {msg`loop resistance`}
            </span>
          )}
          <span
            className={styles.target}
            style={{ left: X(target) + 4, top: height - BOTTOM - 20 }}
          >
            {msg`wanted, ${formatFlow(target)}`}
          </span>
          {state.status === 'solved' && (
            <Press
              role={speed ? 'slider' : undefined}
              className={styles.handle}
              disabled={!speed}
              style={{ left: X(state.flow_Lmin), top: Y(state.head_kPa) }}
              aria-label={msg`Speed of the pumps`}
              aria-valuemin={speed?.min ?? 0}
              aria-valuemax={speed?.max ?? 0}
              aria-valuenow={Math.round(speed?.now ?? 0)}
              aria-valuetext={msg`${formatSpeed(speed?.now)}: ${formatFlow(state.flow_Lmin)} at
                ${formatMeasure(state.head_kPa, 'kPa', { decimals: 1 })}`}
              onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
              onPointerMove={(e) => {
                if (e.currentTarget.hasPointerCapture(e.pointerId)) drag(e.clientX);
              }}
              onKeyDown={(e) => {
                const by = {
                  ArrowRight: 50,
                  ArrowUp: 50,
                  ArrowLeft: -50,
                  ArrowDown: -50,
                  PageUp: 250,
                  PageDown: -250,
                }[e.key];
                if (by === undefined || !speed) return;
                e.preventDefault();
                const next = Math.round((hand.now() + by) / 10) * 10;
                const held = Math.min(speed.max, Math.max(speed.min, next));
                hand.put(held);
                onSpeed(held);
              }}
            >
              <span className={styles.handleText}>
                {noted(
                  formatFlow(state.flow_Lmin),
                  speed
                    ? msg`${formatMeasure(state.head_kPa, 'kPa', { decimals: 1 })} at
                        ${formatSpeed(speed.now)}`
                    : formatMeasure(state.head_kPa, 'kPa', { decimals: 1 }),
                )}
              </span>
            </Press>
          )}
        </>
      )}
    </div>
  );
}

/**
 * Pumps in different branches: no pair of curves tells such a loop, so flow is shown over their
 * speeds.
 */
function SpeedChart({
  network,
  state,
  target,
  most,
  speed,
}: Omit<Props, 'onSpeed'> & { readonly most: number }) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const data = useMemo(() => {
    const shares = FLOWS.map((f) => 0.1 + 0.9 * f);
    return flowAtShares(network, shares).map((flow, i) => ({
      share: 100 * (shares[i] as number),
      flow,
    }));
  }, [network]);
  return (
    <>
      <p className="soft">
        {msg`The pumps are in different branches, so no one pump curve meets one loop curve.
          Shown instead: the largest flow over all pumps' speeds.`}
      </p>
      <div
        ref={frame}
        className={styles.chart}
        role="img"
        aria-label={msg`Largest flow over speed: ${formatFlow(state.flow_Lmin)} now`}
      >
        {width > 0 && (
          <>
            <SpeedCurve
              data={data}
              width={width}
              height={height}
              most={most}
              target={target}
              now={speed && (100 * speed.now) / speed.max}
            />
            <span className={styles.axisY}>{msg`flow, ${unitShown('L/min')}`}</span>
            <span className={styles.axisX} style={{ right: 30 }}>
              {msg`speed of all pumps, % of full`}
            </span>
          </>
        )}
      </div>
    </>
  );
}

const positive = (v: number): number | null => (v < 0 ? null : v);

/** Names of curves that end close together are moved apart so that none touch. */
function apart<T extends { readonly y: number }>(names: readonly T[]): T[] {
  const out: T[] = [];
  for (const n of [...names].sort((a, b) => a.y - b.y)) {
    const last = out[out.length - 1];
    out.push({ ...n, y: last ? Math.max(n.y, last.y + 16) : n.y });
  }
  return out;
}
