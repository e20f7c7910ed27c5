import type { CoolingCurve } from '@/core/thermal';
import { BOTTOM, LEFT, RIGHT, strokeOf, TOP, type Sheet } from './noiseRiseSheet';
import styles from './CoolingStage.module.css';

/** The sketch is drawn in thousandths of its sheet, whatever size that gets. */
const FULL = 1000;

/**
 * The curves and the corner as the page arrives with them, before what draws the chart is loaded:
 * it fits itself to any size.
 */
export function NoiseRiseSketch({
  curves,
  x0,
  x1,
  y0,
  y1,
  deltaT_K,
  noise_dBA,
}: Sheet & { readonly curves: readonly CoolingCurve[] }) {
  const X = (v: number): number => Math.round((FULL * (v - x0)) / (x1 - x0));
  const Y = (v: number): number => Math.round(FULL * (1 - (v - y0) / (y1 - y0)));
  return (
    <div
      className={styles.sketch}
      data-curves
      style={{ inset: `${TOP}px ${RIGHT}px ${BOTTOM}px ${LEFT}px` }}
    >
      <svg viewBox={`0 0 ${FULL} ${FULL}`} preserveAspectRatio="none" aria-hidden>
        <rect
          x={0}
          y={Y(deltaT_K)}
          width={X(noise_dBA)}
          height={FULL - Y(deltaT_K)}
          fill="none"
          stroke="var(--copper)"
          strokeOpacity={0.7}
        />
        {curves.map((c) => (
          <polyline
            key={c.id}
            points={c.points.map((p) => `${X(p.noise_dBA)},${Y(p.deltaT_K)}`).join(' ')}
            fill="none"
            {...strokeOf(c.id)}
          />
        ))}
      </svg>
    </div>
  );
}
