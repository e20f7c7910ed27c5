'use client';
import { useState } from 'react';
import type { ProofRow } from '@/proof';
import { Mark, PageHead } from '@/view/shared';
import styles from './ProofTable.module.css';

const figure = (v: number): string => {
  const digits = () => {
    if (v === 0) return '0';
    if (Math.abs(v) >= 1e5 || Math.abs(v) < 1e-3) return v.toExponential(3);
    return Number(v.toPrecision(6)).toString();
  };
  return digits().replace('-', '−');
};

const percent = (share: number): string =>
  `${(Math.abs(100 * share) < 5e-4 ? 0 : 100 * share).toFixed(3).replace('-', '−')} %`;

/** Every published check: expected, ours, how far off, what is allowed, where it is from. */
export function ProofTable({ rows }: { readonly rows: readonly ProofRow[] }) {
  const [subject, setSubject] = useState<string | null>(null);
  const subjects = [...new Set(rows.map((r) => r.subject))];
  const shown = rows.filter((r) => !subject || r.subject === subject);
  const bad = rows.filter((r) => !r.ok).length;
  return (
    <div>
      <PageHead at="Proof" />
      <main className={styles.main}>
        <h1>
          {bad === 0
            ? `All ${rows.length} published checks hold`
            : `${bad} of ${rows.length} published checks do not hold`}
        </h1>
        <p className={styles.lead}>
          Computed just now by the same core that judges your build. No expected value comes from
          our own code: each is from a publication, an independent library, or, where it says so,
          common practice or memory of a publication.
        </p>
        <div className={styles.kinds}>
          <button
            type="button"
            className={styles.kind}
            aria-pressed={subject === null}
            onClick={() => setSubject(null)}
          >
            All, {rows.length}
          </button>
          {subjects.map((s) => (
            <button
              key={s}
              type="button"
              className={styles.kind}
              aria-pressed={subject === s}
              onClick={() => setSubject(s)}
            >
              {s}, {rows.filter((r) => r.subject === s).length}
            </button>
          ))}
        </div>
        <table className={styles.table}>
          <thead>
            <tr>
              <th>check</th>
              <th>quantity</th>
              <th className="num">expected</th>
              <th className="num">ours</th>
              <th className="num">off by</th>
              <th className="num">allowed</th>
              <th />
              <th>source</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={r.id}>
                <td className="mono">{r.id}</td>
                <td>{r.quantity}</td>
                <td className="num">
                  {figure(r.expected)} <span className="soft">{r.unit}</span>
                </td>
                <td className="num">{figure(r.got)}</td>
                <td className="num">
                  {r.measure === 'relative'
                    ? percent(r.deviation)
                    : figure(Number(r.deviation.toPrecision(2)))}
                </td>
                <td className="num soft">
                  {r.measure === 'relative'
                    ? `${Number((100 * r.tolerance).toPrecision(3))} %`
                    : figure(r.tolerance)}
                </td>
                <td>
                  <Mark verdict={r.ok ? 'ok' : 'fails'} />
                </td>
                <td className={styles.source}>{r.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </main>
    </div>
  );
}
