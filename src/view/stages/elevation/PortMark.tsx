'use client';
import { memo } from 'react';

interface Props {
  readonly x: number;
  readonly y: number;
  /** Way out of the part on the sheet; nothing where it points at the eye or away from it. */
  readonly dx: number;
  readonly dy: number;
  readonly isUsed: boolean;
}

/** A port: a collar seen from its side, or round seen from its end. */
export const PortMark = memo(function PortMark({ x, y, dx, dy, isUsed }: Props) {
  const drawn = { fill: 'var(--sunk)', stroke: 'var(--ink)', pointerEvents: 'none' } as const;
  if (dx === 0 && dy === 0)
    return <circle {...drawn} cx={x} cy={y} r={isUsed ? 6 : 4} strokeWidth="1" />;
  return (
    <rect
      {...drawn}
      x={dx !== 0 ? Math.min(x, x + dx * 9) : x - 8}
      y={dy !== 0 ? Math.min(y, y + dy * 9) : y - 8}
      width={dx !== 0 ? 9 : 16}
      height={dy !== 0 ? 9 : 16}
      strokeWidth={isUsed ? 1.1 : 0.6}
    />
  );
});
