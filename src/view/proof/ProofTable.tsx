'use client';
import { useState } from 'react';
import type { ProofKind, ProofRow } from '@/proof';
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

/** As `PROOF_KINDS`: the table itself stays on the server. */
const KINDS: readonly ProofKind[] = ['independent', 'same formula', 'fitted', 'common practice'];

/** Every published check: expected, ours, how far off, what is allowed, where it is from. */
export function ProofTable({ rows }: { readonly rows: readonly ProofRow[] }) {
  const [subject, setSubject] = useState<string | null>(null);
  const subjects = [...new Set(rows.map((r) => r.subject))];
  const [kind, setKind] = useState<ProofKind | null>(null);
  const ofKind = rows.filter((r) => !kind || r.kind === kind);
  const shown = ofKind.filter((r) => !subject || r.subject === subject);
  const count = (k: ProofKind): number => rows.filter((r) => r.kind === k).length;
  const bad = rows.filter((r) => !r.ok).length;
  return (
    <div>
      <PageHead at="Validation" />
      <main className={styles.main}>
        <h1>
          {bad === 0
            ? `All ${rows.length} published checks pass`
            : `${bad} of ${rows.length} published checks fail`}
        </h1>
        <p className={styles.lead}>
          Computed just now by the same core that judges your build. No expected value comes from
          our own code. {count('independent')} are worked out in another way, measured, or tabulated
          by others; {count('same formula')} by the same formula in other code or by hand, which
          finds slips of ours and not of the formula; {count('fitted')} set a constant of ours.
        </p>
        <div className={styles.kinds} role="group" aria-label="What they are worth">
          <button
            type="button"
            className={styles.kind}
            aria-pressed={kind === null}
            onClick={() => setKind(null)}
          >
            All, {rows.length}
          </button>
          {KINDS.filter((k) => count(k) > 0).map((k) => (
            <button
              key={k}
              type="button"
              className={styles.kind}
              aria-pressed={kind === k}
              onClick={() => setKind(k)}
            >
              {k}, {count(k)}
            </button>
          ))}
        </div>
        <div className={styles.kinds} role="group" aria-label="Subject">
          <button
            type="button"
            className={styles.kind}
            aria-pressed={subject === null}
            onClick={() => setSubject(null)}
          >
            All, {ofKind.length}
          </button>
          {subjects.map((s) => (
            <button
              key={s}
              type="button"
              className={styles.kind}
              aria-pressed={subject === s}
              onClick={() => setSubject(s)}
            >
              {s}, {ofKind.filter((r) => r.subject === s).length}
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
              <th>worth</th>
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
                <td className="soft">{r.kind}</td>
                <td className={styles.source}>{r.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </main>
    </div>
  );
}
