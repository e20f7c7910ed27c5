'use client';
import dynamic from 'next/dynamic';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { Press } from '@/view/shared';
import { findComponent } from '@/core/design';
import { useState } from 'react';
import { formatNumber } from '@/core/units';
import { useEditor, useRatings } from '@/view/workspace';
import { msg, sentences } from '@/core/messages';
import type { CurveOf } from '../curve';
import { Section } from '../frame/StageFrame';
import { RatingEditor } from './RatingEditor';
import { later } from '@/view/shared/later';
import styles from './CoolingStage.module.css';

// Loaded when it is first opened.
const MeasuredEditor = dynamic(() =>
  later(() => import('./MeasuredEditor').then((m) => m.MeasuredEditor)),
);

// Loaded when it is first opened.
const CurveEditor = dynamic(() => later(() => import('../curve').then((m) => m.CurveEditor)));

const measuredWords = ({
  points,
  source,
}: {
  readonly points: readonly unknown[];
  readonly source?: string;
}): string => (source ? msg`${points.length} points; ${source}.` : msg`${points.length} points.`);

/**
 * Where each figure comes from: modelled or measured, with the ways to put measured points in its
 * place.
 */
export function FiguresPanel() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const [curve, setCurve] = useState<CurveOf | null>(null);
  const [measuring, setMeasuring] = useState<string | null>(null);
  const report = analysis.reports.heat[design.brief.loadCase];
  const { thermalModel } = analysis;
  const ratings = useRatings(thermalModel.radiators.some((r) => r.part.rating));
  const componentOf = (id: string) => findComponent(design, id);
  const fans = [
    ...new Set(
      [
        ...thermalModel.radiators.flatMap((r) => r.fans),
        ...thermalModel.caseFans.map((b) => b.set),
      ].map((f) => f.component),
    ),
  ].flatMap((id) => componentOf(id) ?? []);
  const blocks = design.components.filter((i) => i.part.kind === 'block');
  return (
    <>
      <Section title={msg`Radiators`}>
        {report.radiators.map((r) => {
          const component = componentOf(r.id),
            part = component?.part.kind === 'radiator' ? component.part : null;
          const compared = part?.rating && ratings.fresh ? ratings.result?.[r.id] : undefined;
          return (
            <div key={r.id} className={styles.figure}>
              <p>
                <strong>{component?.name}</strong>:{' '}
                {sentences(
                  msg`${formatNumber(r.conductance_WK, { decimals: 1 })} W/K at
                    ${formatNumber(r.speed_rpm)} rpm,
                    ${r.basis === 'model' ? msg`modelled from its fins` : r.basis}.`,
                  part?.measured && measuredWords(part.measured),
                )}{' '}
                <Press className={styles.put} onClick={() => setMeasuring(r.id)}>
                  {part?.measured ? msg`Measured points` : msg`Enter measured points`}
                </Press>
              </p>
              {part && <RatingEditor component={r.id} rating={part.rating ?? null} />}
              {compared && part?.rating && (
                <p className="soft">
                  {msg`Printed: ${formatNumber(compared.printed_WK, { decimals: 1 })} W/K at
                    ${formatNumber(part.rating.speed_rpm)} rpm; ours at that speed:
                    ${formatNumber(compared.ours_WK, { decimals: 1 })} W/K,
                    ${formatNumber(100 * (compared.ratio - 1), { signed: true })} %.`}
                </p>
              )}
            </div>
          );
        })}
      </Section>
      <Section title={msg`Blocks and fans`}>
        <Table>
          <TableBody>
            {blocks.map((b) => (
              <TableRow key={b.id}>
                <TableCell>{b.name}</TableCell>
                <TableCell>
                  {b.part.kind === 'block'
                    ? msg`${b.part.resistance.length} points of
                      K/W${b.part.resistanceSource ? `; ${b.part.resistanceSource}` : ''}`
                    : ''}
                </TableCell>
                <TableCell className="num">
                  <Press
                    className={styles.put}
                    aria-label={msg`Measured points of ${b.name}`}
                    onClick={() => setCurve({ component: b, of: 'resistance' })}
                  >
                    {msg`points`}
                  </Press>
                </TableCell>
              </TableRow>
            ))}
            {fans.map((f) => (
              <TableRow key={f.id}>
                <TableCell>{f.name}</TableCell>
                <TableCell>
                  {f.part.kind === 'fan'
                    ? msg`${f.part.points.length} points of
                      pressure${f.part.pointsSource ? `; ${f.part.pointsSource}` : ''}`
                    : ''}
                </TableCell>
                <TableCell className="num">
                  <Press
                    className={styles.put}
                    aria-label={msg`Measured points of ${f.name}`}
                    onClick={() => setCurve({ component: f, of: 'pressure' })}
                  >
                    {msg`points`}
                  </Press>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <p className="soft">
          {msg`Measured points are used as they are and interpolated; the model of fins and
            channels only fills the gaps between and beyond them.`}
        </p>
      </Section>
      {curve && <CurveEditor curve={curve} onClose={() => setCurve(null)} />}
      {measuring !== null && (
        <MeasuredEditor component={measuring} onClose={() => setMeasuring(null)} />
      )}
    </>
  );
}
