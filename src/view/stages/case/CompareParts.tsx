'use client';
import { useState } from 'react';
import type { Component } from '@/core/design';
import { PART_KINDS } from '@/core/components';
import { formatMillimetres, formatMoney, formatNumber } from '@/core/units';
import { Mark, Progress } from '@/view/shared';
import { useEditor, useComparedParts } from '@/view/workspace';
import styles from './CaseStage.module.css';

const signed = (v: number | null, decimals: number): string =>
  v === null ? '–' : formatNumber(v, { decimals, signed: true });

/** Every part of its kind in this one's place: what the build would gain or lose. */
export function CompareParts({ component }: { readonly component: Component }) {
  const brief = useEditor((s) => s.design.brief);
  const commit = useEditor((s) => s.commit);
  const [open, setOpen] = useState(false);
  const { result, fresh, progress, stopped, stop, retry } = useComparedParts(
    open ? component.id : null,
  );
  if (['processor', 'memory', 'board'].includes(component.part.kind)) return null;
  return (
    <div className={styles.compare}>
      <button
        type="button"
        className={styles.link}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open
          ? 'Collapse the comparison'
          : `Compare all ${PART_KINDS[component.part.kind].many.toLowerCase()} in its place`}
      </button>
      {open && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what="the comparison"
        />
      )}
      {open && result && (
        <p className="soft">
          Against now, runs estimated in both: coolant ΔT, noise, slowest loop, the loop&apos;s
          list; the gap is to the nearest thing.
        </p>
      )}
      {open && result && (
        <table style={{ opacity: fresh ? 1 : 0.5 }}>
          <thead>
            <tr>
              <th>instead</th>
              <th className="num">rise, K</th>
              <th className="num">dBA</th>
              <th className="num">L/min</th>
              <th className="num">{brief.currency}</th>
              <th className="num">gap</th>
            </tr>
          </thead>
          <tbody>
            {result.map((r) => {
              const fitVerdict = () => {
                if (r.clashes > 0) return 'fails';
                if (r.fails > 0) return 'marginal';
                return 'ok';
              };
              return (
                <tr key={r.part}>
                  <td>
                    <button
                      type="button"
                      className={styles.link}
                      disabled={!fresh}
                      onClick={() => commit(`change ${component.name} to ${r.name}`, r.edit)}
                    >
                      {r.name}
                    </button>
                  </td>
                  <td className="num">{signed(r.deltaT_K, 1)}</td>
                  <td className="num">{signed(r.noise_dBA, 1)}</td>
                  <td className="num">{signed(r.flow_Lmin, 2)}</td>
                  <td className="num">
                    {r.cost_minor >= 0 ? '+' : '−'}
                    {formatMoney(Math.abs(r.cost_minor))}
                  </td>
                  <td className="num">
                    <Mark verdict={fitVerdict()} />{' '}
                    {r.gap_mm === null ? '–' : formatMillimetres(r.gap_mm)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}
