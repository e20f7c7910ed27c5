'use client';
import { lazy, Suspense, useRef } from 'react';
import type { CoolingCurve } from '@/core/thermal';
import { formatKelvin, formatNumber, unitShown } from '@/core/units';
import { useSize } from '@/view/shared/useWidth';
import { msg } from '@/core/messages';
import { NoiseRiseSketch } from './NoiseRiseSketch';
import { BOTTOM, LEFT, RIGHT, TOP, type Point } from './noiseRiseSheet';
import { SpeedHandle } from './SpeedHandle';
import { untilLoaded } from '@/view/shared/untilLoaded';
import styles from './CoolingStage.module.css';

// The handle answers before the curves under it are there.
const NoiseRisePlot = lazy(() =>
  untilLoaded(() => import('./NoiseRisePlot').then((m) => ({ default: m.NoiseRisePlot }))),
);

/** Room that the words beside the handle take, px. */
const HANDLE_WORDS = 84;

interface Props {
  readonly curves: readonly CoolingCurve[];
  readonly stale: boolean;
  readonly now: Point;
  /** Components whose speed the handle sets. */
  readonly fans: readonly string[];
  /** Where the rise falls nine times in ten. */
  readonly band: { readonly low: number; readonly high: number } | null;
  readonly limits: { readonly deltaT_K: number; readonly noise_dBA: number };
  readonly range: readonly [number, number];
  readonly onSpeed: (rpm: number) => void;
}

/**
 * Coolant rise against noise, one curve a choice, the brief as a hatched corner, and a handle for
 * the fan speed.
 */
export function NoiseRiseChart({ curves, stale, now, fans, band, limits, range, onSpeed }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const all = curves.flatMap((c) => c.points);
  const noises = all.map((p) => p.noise_dBA);
  const x0 = Math.floor((Math.min(...noises, limits.noise_dBA - 4) - 0.5) / 2) * 2;
  const x1 = Math.max(
    x0 + 8,
    Math.ceil(
      Math.min(
        Math.max(...noises),
        Math.max(limits.noise_dBA + 7, Math.ceil((now.noise_dBA + 3) / 4) * 4),
      ) / 2,
    ) * 2,
  );
  const top = Math.min(
    Math.max(limits.deltaT_K * 2.2, Math.ceil((now.deltaT_K * 1.15) / 8) * 8),
    Math.max(...all.map((p) => p.deltaT_K), limits.deltaT_K * 1.2),
  );
  const y1 = Math.ceil(top / 4) * 4,
    y0 = 0;
  const { deltaT_K, noise_dBA } = limits;
  const sheet = { x0, x1, y0, y1, deltaT_K, noise_dBA };
  const sketch = <NoiseRiseSketch curves={curves} {...sheet} />;
  const X = (v: number): number => LEFT + ((v - x0) / (x1 - x0)) * (width - LEFT - RIGHT);
  const Y = (v: number): number => TOP + (1 - (v - y0) / (y1 - y0)) * (height - TOP - BOTTOM);
  const own = curves.find((c) => c.id === 'now')?.points ?? [];

  const speedAt = (clientX: number): number => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || own.length < 2) return now.speed_rpm;
    const noise = x0 + ((clientX - box.left - LEFT) / (width - LEFT - RIGHT)) * (x1 - x0);
    const i = Math.max(
      1,
      own.findIndex((p) => p.noise_dBA >= noise),
    );
    const a = own[i - 1] as Point,
      b = (own.findIndex((p) => p.noise_dBA >= noise) < 0 ? own[own.length - 1] : own[i]) as Point;
    if (noise >= (own[own.length - 1] as Point).noise_dBA)
      return (own[own.length - 1] as Point).speed_rpm;
    const t =
      b.noise_dBA > a.noise_dBA
        ? Math.max(0, Math.min(1, (noise - a.noise_dBA) / (b.noise_dBA - a.noise_dBA)))
        : 0;
    return Math.round((a.speed_rpm + t * (b.speed_rpm - a.speed_rpm)) / 5) * 5;
  };
  const labels = spread(
    curves.flatMap((c) => {
      const p = endInside(c.points, x1);
      return p
        ? [
            {
              id: c.id,
              label: c.label,
              x: X(p.noise_dBA) + 18,
              y: Y(p.deltaT_K),
              fromX: X(p.noise_dBA),
              fromY: Y(p.deltaT_K),
            },
          ]
        : [];
    }),
  );

  return (
    <div ref={frame} className={styles.chart} aria-busy={stale}>
      <span className={styles.axisY}>{msg`coolant ΔT above room air, ${unitShown('K')}`}</span>
      {width === 0 && sketch}
      {width > 0 && (
        <>
          <Suspense fallback={sketch}>
            <NoiseRisePlot curves={curves} stale={stale} width={width} height={height} {...sheet} />
          </Suspense>
          <svg className={styles.leaders} width={width} height={height} aria-hidden>
            {labels.map((l) => (
              <path
                key={l.id}
                d={`M${l.fromX + 2} ${l.fromY}L${l.x - 4} ${l.y}`}
                stroke="var(--soft)"
                strokeWidth="0.8"
              />
            ))}
          </svg>
          <span className={styles.axisX} style={{ right: RIGHT }}>
            {msg`noise where you sit, dBA (estimated)`}
          </span>
          {labels.map((l) => (
            <span
              key={l.id}
              className={styles.curveName}
              data-now={l.id === 'now' || undefined}
              style={{ left: l.x, top: l.y - 9 }}
            >
              {l.label}
            </span>
          ))}
          <span className={styles.limitName} style={{ left: X(x0) + 8, top: height - BOTTOM - 24 }}>
            {msg`the brief: ${formatKelvin(limits.deltaT_K)}, ${formatNumber(limits.noise_dBA)}
              dBA`}
          </span>
          {band && (
            <span
              className={styles.band}
              aria-hidden
              style={{
                left: X(Math.min(x1, Math.max(x0, now.noise_dBA))),
                top: Y(Math.min(y1, band.high)),
                height: Math.max(0, Y(Math.min(y1, band.low)) - Y(Math.min(y1, band.high))),
              }}
            />
          )}
          <SpeedHandle
            own={own}
            now={now}
            fans={fans}
            range={range}
            place={({ noise_dBA: noise, deltaT_K: rise }) => ({
              left: X(Math.min(x1, Math.max(x0, noise))),
              top: Y(Math.min(y1, rise)),
              isAtEnd: X(noise) > width - RIGHT - HANDLE_WORDS,
            })}
            speedAt={speedAt}
            onSpeed={onSpeed}
          />
        </>
      )}
    </div>
  );
}

/** Where a curve ends, or leaves the sheet. */
function endInside(points: readonly Point[], x1: number): Point | null {
  const last = points[points.length - 1];
  if (!last || last.noise_dBA <= x1) return last ?? null;
  const i = points.findIndex((p) => p.noise_dBA > x1);
  const b = points[i] as Point,
    a = points[i - 1];
  if (!a) return null;
  const t = (x1 - a.noise_dBA) / (b.noise_dBA - a.noise_dBA);
  return {
    noise_dBA: x1,
    deltaT_K: a.deltaT_K + t * (b.deltaT_K - a.deltaT_K),
    speed_rpm: b.speed_rpm,
  };
}

/** Names of close curves are moved apart so that none touch. */
function spread<T extends { readonly y: number; readonly x: number }>(labels: readonly T[]): T[] {
  const GAP = 16;
  const sorted = [...labels].sort((a, b) => a.y - b.y);
  const out: T[] = [];
  for (const l of sorted) {
    const last = out[out.length - 1];
    out.push({
      ...l,
      x: Math.max(...labels.map((o) => o.x)),
      y: last ? Math.max(l.y, last.y + GAP) : l.y,
    });
  }
  return out;
}
