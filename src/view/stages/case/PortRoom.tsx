'use client';
import { useState } from 'react';
import { HAND_MM } from '@/core/clearance';
import { formatNumber, plural } from '@/core/units';
import { Mark } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

const VERDICT = { clash: 'fails', marginal: 'marginal', clear: 'ok' } as const;

/** Fittings and caps in their ports, and the room a hand has to tighten them. Told when opened. */
export function PortRoom() {
  const clearance = useEditor((s) => s.analysis.reports.clearance);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const [open, setOpen] = useState(false);
  const fits = clearance.ports;
  const shown = fits.filter((p) => p.verdict !== 'clear');
  return (
    <Section
      title="Room at the ports"
      aside={
        <button
          type="button"
          className={styles.link}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Look'}
        </button>
      }
    >
      {open && shown.length === 0 && (
        <p>
          {fits.length === 0
            ? 'No port has a fitting or cap yet.'
            : `All ${fits.length} fittings and caps can be reached and tightened by hand.`}
        </p>
      )}
      {open && shown.length > 0 && (
        <table>
          <thead>
            <tr>
              <th>port</th>
              <th className="num">clearance, mm</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.map((p) => (
              <tr
                key={`${p.component}-${p.port}`}
                data-picked={picked === p.component || undefined}
              >
                <td>
                  <button type="button" className={styles.link} onClick={() => pick(p.component)}>
                    {p.name}
                  </button>
                  <br />
                  <span className="soft">
                    {p.verdict === 'clash'
                      ? `${p.fitting} runs into ${p.with ?? ''}${p.besidePort ? '; an extender on one of the two parts them' : ''}`
                      : `${p.fitting}: ${p.with ?? ''} leaves no finger clearance`}
                  </span>
                </td>
                <td className="num">
                  {p.gap_mm === null ? '' : formatNumber(p.gap_mm, { decimals: 1 })}
                </td>
                <td>
                  <Mark verdict={VERDICT[p.verdict]} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {open && (
        <p className="soft">
          {plural(fits.length - shown.length, 'fitting')} clear. A fitting is taken as a cylinder
          straight out of its port, elbows too until runs are routed; {formatNumber(HAND_MM)} mm
          round it are wanted for fingers (common practice).
        </p>
      )}
    </Section>
  );
}
