'use client';
import { bendMarks, INSERTION_MM, setBack, type Run } from '@/core/run';
import { formatMillimetres, formatNumber } from '@/core/quantity';
import styles from './RunsStage.module.css';

const WIDE = 330, HIGH = 62;

/** A routed run as the tube lies on the table: where it is cut, where each bend starts, how it is turned between. */
export function BendStrip({ run }: { readonly run: Run }) {
  const { routed } = run;
  if (!routed) return null;
  const tube = bendMarks(routed.lra, routed.last_mm, routed.radius_mm, INSERTION_MM);
  const x = (mm: number): number => 4 + ((WIDE - 8) * mm) / tube.cut_mm;
  const first = tube.marks[0];
  return (
    <div className={styles.strip}>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={`Tube of ${formatNumber(tube.cut_mm, { decimals: 1 })} mm with ${tube.marks.length} bends; the table below says the same`}>
        <rect x={x(0)} y={18} width={x(tube.cut_mm) - x(0)} height={14} fill="var(--float)" stroke="var(--ink)" strokeWidth="1.2" />
        {tube.marks.map((m, i) => (
          <g key={i}>
            <rect x={x(m.start_mm)} y={18} width={Math.max(1, x(m.end_mm) - x(m.start_mm))} height={14} fill="color-mix(in oklab, var(--copper) 30%, var(--float))" stroke="var(--copper)" strokeWidth="0.8" />
            <path d={`M${x(m.start_mm)} 12v26`} stroke="var(--copper)" strokeWidth="1.2" />
            <text x={x(m.start_mm)} y={i % 2 === 0 ? 9 : 50} className={styles.mark}>{formatNumber(m.start_mm, { decimals: 1 })}</text>
          </g>
        ))}
        <text x={x(tube.cut_mm)} y={60} className={styles.mark} style={{ textAnchor: 'end' }}>cut {formatNumber(tube.cut_mm, { decimals: 1 })}</text>
      </svg>
      {tube.marks.length > 0 && run.tube.hard && (
        <table>
          <thead><tr><th>bend</th><th className="num">start, mm</th><th className="num">turn tube by</th><th className="num">angle</th></tr></thead>
          <tbody>{tube.marks.map((m, i) => <tr key={i}><td>{i + 1}</td><td className="num">{formatNumber(m.start_mm, { decimals: 1 })}</td><td className="num">{i === 0 ? '–' : `${formatNumber(m.rotation_deg, { decimals: 1 })}°`}</td><td className="num">{formatNumber(m.angle_deg, { decimals: 1 })}°</td></tr>)}</tbody>
        </table>
      )}
      {first && run.tube.hard && <p>Start the first bend {formatMillimetres(setBack(routed.radius_mm, first.angle_deg), 1)} before its corner, on a mandrel of {formatMillimetres(routed.radius_mm, 1)}. Both ends sit {formatMillimetres(INSERTION_MM)} deep in their fittings. Mark with a pen that wipes off; gentle heat; hold until it is cool.</p>}
      {!run.tube.hard && <p>Cut {formatMillimetres(tube.cut_mm)}. Its bends are no tighter than {formatMillimetres(routed.radius_mm)}.</p>}
      {routed.nearest && <p className="soft">Nearest thing along its way: {formatMillimetres(routed.nearest.gap_mm, 1)}.</p>}
    </div>
  );
}
