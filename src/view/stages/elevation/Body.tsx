'use client';
import { memo } from 'react';
import type { View } from '@/core/elevation';
import { msg } from '@/core/messages';
import { formatSize } from '@/core/units';
import type { DrawnBody } from './bodies';
import styles from './Elevation.module.css';

interface Props extends Omit<DrawnBody, 'key' | 'flat'> {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly view: View;
  readonly isPicked: boolean;
  readonly isClashing: boolean;
  /** What the names of the hatchings on this sheet begin with. */
  readonly hatch: string;
}

const FILL: Record<string, string> = {
  board: 'var(--sunk)',
  obstacle: 'var(--paper)',
  supply: 'var(--paper)',
  memory: 'var(--sunk)',
  reservoir: 'color-mix(in oklab, var(--cool) 14%, var(--float))',
  block: 'color-mix(in oklab, var(--copper) 9%, var(--float))',
};
/** Which hatching shows through. */
const HATCH: Record<string, string> = { radiator: 'fin', obstacle: 'wall', supply: 'wall' };
/** What others stand on or hang from is drawn in thin lines. */
const QUIET = new Set(['board', 'obstacle', 'supply', 'memory']);

function edgeOf({ isPicked, isClashing, kind }: Props): { colour: string; width: number } {
  if (isPicked) return { colour: 'var(--copper)', width: 2.2 };
  if (isClashing) return { colour: 'var(--fails)', width: 1.6 };
  return { colour: 'var(--ink)', width: QUIET.has(kind) ? 0.7 : 1.2 };
}

/** One body of a part or of the case. */
export const Body = memo(function Body(body: Props) {
  const { component, kind, name, x, y, w, h, outline, isBehind, hatch } = body;
  const isOfCase = component.startsWith('case:');
  const { colour, width } = edgeOf(body);
  const inner = HATCH[kind];
  const fill = FILL[kind] ?? 'var(--float)';
  return (
    <g
      className={isOfCase ? undefined : styles.component}
      data-component={isOfCase ? undefined : component}
    >
      <title>{msg`${name}: ${formatSize([w, h])} in this view`}</title>
      {outline !== null && (
        <polygon points={outline} fill={fill} stroke={colour} strokeWidth={width} />
      )}
      <rect
        visibility={outline === null ? undefined : 'hidden'}
        {...(isBehind ? { strokeDasharray: '5 3', fillOpacity: 0.35 } : {})}
        x={x}
        y={y}
        rx={body.isEndOn ? Math.min(w, h) / 2 : 0}
        width={Math.max(1, w)}
        height={Math.max(1, h)}
        fill={fill}
        stroke={colour}
        strokeWidth={width}
      />
      {inner && outline === null && (
        <rect
          x={x + 1.5}
          y={y + 1.5}
          width={Math.max(0, w - 3)}
          height={Math.max(0, h - 3)}
          fill={`url(#${hatch}-${inner})`}
          opacity={isBehind ? 0.35 : 1}
          pointerEvents="none"
        />
      )}
      {kind === 'fan' && <FanMark {...body} colour={colour} />}
      {kind === 'reservoir' && body.view !== 'top' && (
        <path
          d={`M${x} ${y + h * 0.2}h${w}`}
          stroke="var(--cool)"
          strokeWidth="1.2"
          strokeDasharray="5 3"
        />
      )}
    </g>
  );
});

/** Thinner than this a fan is seen from its edge, mm. */
const EDGE_ON_MM = 60;

/** Frame and hub of a fan seen from its face, a stroke across it from its edge. */
function FanMark({ x, y, w, h, colour }: Props & { readonly colour: string }) {
  const across = Math.min(w, h);
  if (across <= EDGE_ON_MM) {
    const stroke =
      w > h
        ? `M${x + 6} ${y + h - 5}L${x + w - 6} ${y + 5}`
        : `M${x + 5} ${y + 6}L${x + w - 5} ${y + h - 6}`;
    return <path d={stroke} stroke={colour} strokeWidth="0.7" />;
  }
  const circle = { cx: x + w / 2, cy: y + h / 2, fill: 'none', stroke: colour, strokeWidth: 0.8 };
  return (
    <>
      <circle {...circle} r={across / 2 - 5} />
      <circle {...circle} r={across / 6} />
    </>
  );
}
