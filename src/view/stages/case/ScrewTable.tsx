'use client';
import { findComponent } from '@/core/design';
import { formatNumber } from '@/core/units';
import { Mark } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

/** The screws through fans and case into each radiator: the window of lengths, and what is taken. */
export function ScrewTable() {
  const design = useEditor((s) => s.design);
  const screws = useEditor((s) => s.analysis.reports.screws);
  if (screws.length === 0) return null;
  return (
    <Section title="Screws">
      <table>
        <thead>
          <tr>
            <th>through</th>
            <th>thread</th>
            <th className="num">window, mm</th>
            <th className="num">length, mm</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {screws.map((s) => {
            const screwVerdict = () => {
              if (s.verdict === 'ok') return 'ok';
              if (s.verdict === 'none') return 'marginal';
              return 'fails';
            };
            return (
              <tr key={`${s.radiator}-${s.fans}`}>
                <td>
                  {s.fans
                    ? findComponent(design, s.fans)?.name
                    : `frame, ${findComponent(design, s.radiator)?.name ?? ''}`}
                </td>
                <td className="mono">{s.thread}</td>
                <td className="num soft">
                  {formatNumber(s.window.shortest_mm, { decimals: 1 })}–
                  {formatNumber(s.window.longest_mm, { decimals: 1 })}
                </td>
                <td className="num">
                  {s.length_mm === null
                    ? 'none'
                    : `${s.quantity} × ${s.length_mm}${s.washers > 0 ? `, ${s.washers} washers` : ''}`}
                </td>
                <td>
                  <Mark verdict={screwVerdict()} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className={styles.caution}>
        Too long a screw pierces a tube behind the fins and ruins the radiator. Measure before you
        turn it home.
      </p>
    </Section>
  );
}
