import styles from './Elevation.module.css';

/** A dimension line with a tick at each end and its figure over it. */
export function Dimension({
  x1,
  y1,
  x2,
  y2,
  text,
  k,
  colour = 'var(--soft)',
}: {
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly text: string;
  readonly colour?: string;
}) {
  const isUpright = Math.abs(x1 - x2) < 0.5;
  const cx = (x1 + x2) / 2,
    cy = (y1 + y2) / 2;
  const tick = (x: number, y: number) =>
    isUpright ? `M${x - 4 * k} ${y}h${8 * k}` : `M${x} ${y - 4 * k}v${8 * k}`;
  return (
    <g pointerEvents="none">
      <path
        d={`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`}
        stroke={colour}
        strokeWidth="1"
        fill="none"
      />
      <text
        x={cx}
        y={cy}
        dy={4 * k}
        className={styles.dimension}
        style={{ fill: colour, fontSize: 11.5 * k, strokeWidth: 5 * k }}
        transform={isUpright ? `rotate(-90 ${cx} ${cy})` : undefined}
      >
        {text}
      </text>
    </g>
  );
}
