'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import type { ProofKind, ProofRow } from '@/proof';
import { Mark, PageHead, Press } from '@/view/shared';
import { Pages } from '../shared/Pages';
import { msg, worded } from '@/core/messages';
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

const KIND_WORDS: Readonly<Record<ProofKind, string>> = worded(() => ({
  independent: msg`independent`,
  'same formula': msg`same formula`,
  fitted: msg`fitted`,
  'common practice': msg`common practice`,
}));

/** Rows on a page: more of them keep a page from answering. */
const ON_A_PAGE = 100;

/** Every published check: expected, ours, how far off, what is allowed, where it is from. */
export function ProofTable({ rows }: { readonly rows: readonly ProofRow[] }) {
  const [subject, setSubject] = useState<string | null>(null);
  const [page, setPage] = useState(0);
  const subjects = [...new Set(rows.map((r) => r.subject))];
  const [kind, setKind] = useState<ProofKind | null>(null);
  const ofKind = rows.filter((r) => !kind || r.kind === kind);
  const chosen = ofKind.filter((r) => !subject || r.subject === subject);
  // What fails comes first.
  const sorted = [...chosen.filter((r) => !r.ok), ...chosen.filter((r) => r.ok)];
  const shown = sorted.slice(page * ON_A_PAGE, (page + 1) * ON_A_PAGE);
  const pages = Math.ceil(sorted.length / ON_A_PAGE);
  const showKind = (k: ProofKind | null): void => {
    setKind(k);
    setPage(0);
  };
  const showSubject = (s: string | null): void => {
    setSubject(s);
    setPage(0);
  };
  const count = (k: ProofKind): number => rows.filter((r) => r.kind === k).length;
  const bad = rows.filter((r) => !r.ok).length;
  return (
    <div>
      <PageHead at="/validation" />
      <main className={styles.main}>
        <h1>
          {bad === 0
            ? msg`All ${rows.length} published checks pass`
            : msg`${bad} of ${rows.length} published checks fail`}
        </h1>
        <p className={styles.lead}>
          {msg`Computed just now by the same core that judges your build. No expected value
            comes from our own code. ${count('independent')} are worked out in another way,
            measured, or tabulated by others; ${count('same formula')} by the same formula in
            other code or by hand, which finds slips of ours and not of the formula;
            ${count('fitted')} set a constant of ours.`}
        </p>
        <div className={styles.kinds} role="group" aria-label={msg`What they are worth`}>
          <Press
            className={styles.kind}
            aria-pressed={kind === null}
            onClick={() => showKind(null)}
          >
            {msg`All, ${rows.length}`}
          </Press>
          {KINDS.filter((k) => count(k) > 0).map((k) => (
            <Press
              key={k}
              className={styles.kind}
              aria-pressed={kind === k}
              onClick={() => showKind(k)}
            >
              {KIND_WORDS[k]}, {count(k)}
            </Press>
          ))}
        </div>
        <div className={styles.kinds} role="group" aria-label={msg`Subject`}>
          <Press
            className={styles.kind}
            aria-pressed={subject === null}
            onClick={() => showSubject(null)}
          >
            {msg`All, ${ofKind.length}`}
          </Press>
          {subjects.map((s) => (
            <Press
              key={s}
              className={styles.kind}
              aria-pressed={subject === s}
              onClick={() => showSubject(s)}
            >
              <span lang="en">{s}</span>, {ofKind.filter((r) => r.subject === s).length}
            </Press>
          ))}
        </div>
        <Table className={styles.table}>
          <TableHead>
            <TableRow>
              <TableCell>{msg`check`}</TableCell>
              <TableCell>{msg`quantity`}</TableCell>
              <TableCell className="num">{msg`expected`}</TableCell>
              <TableCell className="num">{msg`ours`}</TableCell>
              <TableCell className="num">{msg`off by`}</TableCell>
              <TableCell className="num">{msg`allowed`}</TableCell>
              <TableCell />
              <TableCell>{msg`worth`}</TableCell>
              <TableCell>{msg`source`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {shown.map((r) => (
              <TableRow key={r.id}>
                <TableCell lang="en" className="mono">
                  {r.id}
                </TableCell>
                <TableCell lang="en">{r.quantity}</TableCell>
                <TableCell className="num">
                  {figure(r.expected)} <span className="soft">{r.unit}</span>
                </TableCell>
                <TableCell className="num">{figure(r.got)}</TableCell>
                <TableCell className="num">
                  {r.measure === 'relative'
                    ? percent(r.deviation)
                    : figure(Number(r.deviation.toPrecision(2)))}
                </TableCell>
                <TableCell className="num soft">
                  {r.measure === 'relative'
                    ? `${Number((100 * r.tolerance).toPrecision(3))} %`
                    : figure(r.tolerance)}
                </TableCell>
                <TableCell>
                  <Mark verdict={r.ok ? 'ok' : 'fails'} />
                </TableCell>
                <TableCell className="soft">{KIND_WORDS[r.kind]}</TableCell>
                <TableCell lang="en" className={styles.source}>
                  {r.source}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        {pages > 1 && (
          <div className={styles.pages}>
            <Pages
              label={msg`Pages of the checks`}
              count={pages}
              page={page + 1}
              onPage={(p) => setPage(p - 1)}
            />
          </div>
        )}
      </main>
    </div>
  );
}
