'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { KERF_MM, SPARE_STICKS, TUBE_SPARE } from '@/core/bom';
import { formatMeasure, formatMillimetres, formatNumber, formatShown } from '@/core/units';
import { TRIM_MM } from '@/core/tubing';
import {
  bendSheet,
  makingCautions,
  makingOrder,
  makingSteps,
  planesOf,
  type BendSheet,
} from '@/core/plan';
import { bendSheetPages } from '@/format';
import { printSheets, Press } from '@/view/shared';
import { downloadBends, downloadBendSheet, useEditor } from '@/view/workspace';
import { counted, msg, sentences } from '@/core/messages';
import { TestBends } from './TestBends';
import styles from './RunsStage.module.css';

const print = (sheets: readonly BendSheet[], title: string): void =>
  printSheets(
    title,
    sheets.flatMap((s) => bendSheetPages(s)),
    sheets.map((s) => ({ title: s.name, steps: makingSteps(s), cautions: makingCautions(s) })),
  );

/**
 * What the bench needs: the runs in the order they are made, each with its sheet at 1:1, and what
 * is cut from which stick.
 */
export function SheetsView() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const { runs, bom: list } = analysis.reports;
  return (
    <div className={styles.page}>
      {design.loops.map((loop) => {
        const sheets = makingOrder(
            runs.filter((r) => r.loop === loop.id).flatMap((r) => bendSheet(r, loop) ?? []),
          ),
          tubes = runs.filter((r) => r.loop === loop.id && r.by === 'tube').length;
        const shared = list.cuts.find((c) => c.loops.includes(loop.id)),
          cuts = shared?.loop === loop.id ? shared : undefined,
          open = sheets.find((s) => s.run === picked) ?? null;
        return (
          <section key={loop.id}>
            <h2>
              {loop.name}: {loop.tube.name}
            </h2>
            {sheets.length < tubes && (
              <p className="soft" role="status">
                {msg`Of ${tubes} runs
                  ${counted(tubes - sheets.length, '# has no route yet: a sheet needs one', '# have no route yet: a sheet needs one')}.`}
              </p>
            )}
            {loop.tube.hard && <TestBends loop={loop} />}
            {sheets.length > 0 && (
              <Table>
                <TableHead>
                  <TableRow>
                    <TableCell>{msg`make`}</TableCell>
                    <TableCell>{msg`run`}</TableCell>
                    <TableCell className="num">{msg`cut`}</TableCell>
                    <TableCell className="num">{msg`bends`}</TableCell>
                    <TableCell className="num">{msg`planes`}</TableCell>
                    <TableCell className="num">{msg`end to end`}</TableCell>
                    <TableCell>{msg`sheet, 1:1`}</TableCell>
                  </TableRow>
                </TableHead>
                <TableBody>
                  {sheets.map((s, i) => (
                    <TableRow key={s.run} data-picked={picked === s.run || undefined}>
                      <TableCell>{i + 1}</TableCell>
                      <TableCell>
                        <Press
                          className={styles.name}
                          onClick={() => pick(picked === s.run ? null : s.run)}
                        >
                          {s.name}
                        </Press>
                      </TableCell>
                      <TableCell className="num">{formatMillimetres(s.cut_mm, 1)}</TableCell>
                      <TableCell className="num">{s.hard ? s.bends.length : '–'}</TableCell>
                      <TableCell className="num">{s.hard ? planesOf(s) : '–'}</TableCell>
                      <TableCell className="num">{formatMillimetres(s.span_mm)}</TableCell>
                      <TableCell>
                        <span className={styles.row}>
                          <Press className={styles.link} onClick={() => print([s], s.name)}>
                            {msg`print`}
                          </Press>
                          <Press
                            className={styles.link}
                            onClick={() => downloadBendSheet(s, 'svg')}
                          >
                            {msg`SVG`}
                          </Press>
                          <Press
                            className={styles.link}
                            onClick={() => downloadBendSheet(s, 'dxf')}
                          >
                            {msg`DXF`}
                          </Press>
                        </span>
                      </TableCell>
                    </TableRow>
                  ))}
                </TableBody>
              </Table>
            )}
            {sheets.length > 0 && (
              <p className={styles.row}>
                <Press
                  className={styles.act}
                  onClick={() => print(sheets, `${design.name}, ${loop.name}`)}
                >
                  {msg`Print all bend sheets with steps`}
                </Press>
                <Press
                  className={styles.link}
                  onClick={() => downloadBends(`${design.name} ${loop.name}`, sheets)}
                >
                  {msg`All bends as CSV`}
                </Press>
                <span className="soft">{msg`Easiest first, for practice.`}</span>
              </p>
            )}
            {open && (
              <>
                <h3>{msg`${open.name}, step by step`}</h3>
                <ol className={styles.steps}>
                  {makingSteps(open).map((s) => (
                    <li key={s}>{s}</li>
                  ))}
                </ol>
                {makingCautions(open).map((c) => (
                  <p key={c} className={styles.caution}>
                    {c}
                  </p>
                ))}
              </>
            )}
            {shared && !cuts && (
              <p className="soft">
                {msg`Cut from the same ${loop.tube.name} as
                  ${design.loops.find((l) => l.id === shared.loop)?.name ?? msg`the loop above`}:
                  see the plan there.`}
              </p>
            )}
            {cuts?.plan && cuts.stick_mm !== null && (
              <>
                <h3>
                  {msg`${counted(cuts.plan.sticks.length, '# stick', '# sticks')} of
                    ${formatMillimetres(cuts.stick_mm)}, and ${SPARE_STICKS} to practise on`}
                </h3>
                <div
                  className={styles.sticks}
                  role="img"
                  aria-label={msg`Cutting plan:
                    ${cuts.plan.sticks.map((s) => s.pieces.map((p) => formatMillimetres(p.length_mm)).join(', ')).join('; ')}`}
                >
                  {cuts.plan.sticks.map((s, i) => (
                    <div key={i} className={styles.stick}>
                      {s.pieces.map((p) => (
                        <span
                          key={p.id}
                          style={{ width: `${(100 * p.length_mm) / (cuts.stick_mm ?? 1)}%` }}
                          data-picked={picked === p.id || undefined}
                          title={runs.find((r) => r.id === p.id)?.name}
                        >
                          {formatShown(p.length_mm, 'mm')}
                        </span>
                      ))}
                      <em>{msg`${formatMeasure(s.left_mm, 'mm')} left`}</em>
                    </div>
                  ))}
                </div>
                <p className="soft">
                  {sentences(
                    cuts.plan.proven
                      ? msg`No plan needs fewer sticks.`
                      : msg`The best found; a better one may exist.`,
                    msg`${formatMillimetres(KERF_MM)} are kept for each cut, and
                      ${formatMillimetres(TRIM_MM)} more for each bent run, which is trimmed after
                      bending.`,
                    cuts.plan.tooLong.length > 0 &&
                      msg`${counted(cuts.plan.tooLong.length, '# run', '# runs')} longer than a
                        stick: see the findings.`,
                  )}
                </p>
              </>
            )}
            {cuts && !cuts.plan && (
              <p>
                {msg`Buy ${formatMeasure(cuts.buy, 'm', { decimals: 1 })}:
                  ${formatMeasure(cuts.total_mm / 1000, 'm', { decimals: 2 })} of runs and
                  ${formatNumber(100 * TUBE_SPARE)} % margin.`}
              </p>
            )}
          </section>
        );
      })}
    </div>
  );
}
