import type { Visit } from '@/core/system';
import { formatMeasure, formatShown } from '@/core/units';
import type { LaneGeometry, Spot } from './laneGeometry';
import styles from './LoopLine.module.css';

interface Props {
  readonly geometry: LaneGeometry;
  readonly visits: readonly Visit[];
  over(v: Visit): readonly [before: number, after: number];
  readonly top: number;
  readonly height: number;
  readonly compact: boolean;
}

/**
 * Pressure over the reservoir along the first lane, in steps; what parts of other lanes take is
 * written beside them.
 */
export function Profile({ geometry, visits, over, top, height, compact }: Props) {
  const first = visits
    .map((v, i) => ({ v, at: geometry.spots[i] as Spot, kPa: over(v) }))
    .filter(({ v }) => v.lane === 0)
    .sort((a, b) => a.at.x - b.at.x);
  const all = first.flatMap((f) => f.kPa);
  const high = Math.max(0.1, ...all),
    low = Math.min(0, ...all);
  const y = (p: number): number => top + height * (1 - (p - low) / (high - low));
  const start = first[0]?.kPa[0] ?? 0;
  const line = `M0 ${y(start)}${first.map(({ at, kPa }) => `L${at.x} ${y(kPa[0])}L${at.x} ${y(kPa[1])}`).join('')}L${geometry.width} ${y(start)}`;
  return (
    <>
      <line x1={0} x2={geometry.width} y1={y(0)} y2={y(0)} stroke="var(--hairline)" />
      <path d={`${line}V${y(low)}H0Z`} fill="var(--sunk)" />
      <path d={line} fill="none" stroke="var(--soft)" strokeWidth="1.5" />
      {first.map(({ v, at, kPa: [before, after] }) => {
        const by = after - before;
        return Math.abs(by) < 0.05 ? null : (
          <text
            key={v.key}
            x={Math.min(geometry.width - 30, at.x + (compact && by < 0 ? 24 : 6))}
            y={by > 0 ? y(after) + 13 : Math.max(top - 2, y(after) - 4)}
            className={styles.drop}
          >
            {formatShown(by, 'kPa', { decimals: 1, signed: true })}
          </text>
        );
      })}
      {visits.map((v, i) => {
        const [before, after] = over(v),
          at = geometry.spots[i] as Spot;
        return v.lane === 0 || Math.abs(after - before) < 0.05 ? null : (
          <text key={v.key} x={at.x + 24} y={at.y + 14} className={styles.drop}>
            {formatMeasure(after - before, 'kPa', { decimals: 1, signed: true })}
          </text>
        );
      })}
    </>
  );
}
