'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  CartesianGrid,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts';
import type { Design } from '@/core/design';
import {
  PRIOR,
  quantityName,
  QUANTITY_UNIT,
  type Calibrated,
  type Calibration,
  type Diagnosis,
  type Residual,
} from '@/core/log';
import { componentName } from '@/core/design';
import { formatNumber, unitShown, formatDate } from '@/core/units';
import { Mark, Progress, Press } from '@/view/shared';
import { useCalibration, useDiagnosis, useEditor } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import { whenText } from './ReadingList';
import { apartText, causeWords, figureText } from './words';
import styles from './LogStage.module.css';

/** Differences beyond this many deviations are no chance. */
const BEYOND = 2;

/** The prediction of each state that was read, what the readings say of it, and what is likely wrong. */
export function AgainstView() {
  const design = useEditor((s) => s.design);
  const { readings = [], measured } = design.choices.work ?? {};
  const calibration = useCalibration(readings.length > 0);
  const diagnosis = useDiagnosis(readings.length > 0);
  if (readings.length === 0)
    return (
      <p>{msg`Note a reading first: the prediction for the same state is shown beside it here.`}</p>
    );
  const { result } = calibration;
  return (
    <div className={styles.page}>
      <Progress
        share={calibration.progress}
        stopped={false}
        onStop={calibration.stop}
        onAgain={calibration.retry}
        what={msg`the readings`}
      />
      {result && (
        <>
          <ResidualChart design={design} result={result} />
          <Factors design={design} result={result} readings={readings.length} />
        </>
      )}
      {calibration.stopped && !result && (
        <p role="alert" className={styles.trouble}>
          {msg`The readings cannot be worked out: a figure belongs to a part or loop that this
            build no longer has. Take that reading away.`}
        </p>
      )}
      <h2>{msg`What is likely`}</h2>
      <Progress
        share={diagnosis.progress}
        stopped={diagnosis.stopped}
        onStop={diagnosis.stop}
        onAgain={diagnosis.retry}
        what={msg`what is likely`}
      />
      {diagnosis.result && <Causes design={design} found={diagnosis.result} />}
      {result && (
        <>
          <h2>{msg`Each figure`}</h2>
          <Residuals
            design={design}
            rows={measured ? result.after : result.before}
            on={readings.map((r) => r.on)}
            by={measured ? msg`with what was measured` : msg`as printed`}
          />
        </>
      )}
    </div>
  );
}

/** Differences in deviations, before and after calibration, by figure. */
function ResidualChart({
  design,
  result,
}: {
  readonly design: Design;
  readonly result: Calibration;
}) {
  const names = [...new Set(result.before.map((r) => quantityName(design, r)))];
  const dots = (rows: readonly Residual[]) =>
    rows.map((r) => ({ at: names.indexOf(quantityName(design, r)), deviations: r.deviations }));
  return (
    <div
      className={styles.chart}
      role="img"
      aria-label={msg`${counted(result.before.length, '# figure', '# figures')} measured less
        predicted, in standard deviations`}
    >
      <ResponsiveContainer width="100%" height={Math.max(150, 30 * names.length + 56)}>
        <ScatterChart margin={{ top: 8, right: 16, bottom: 4, left: 8 }}>
          <CartesianGrid stroke="var(--hairline)" />
          <XAxis
            dataKey="deviations"
            type="number"
            domain={[
              (low: number) => Math.min(-4, Math.floor(low)),
              (high: number) => Math.max(4, Math.ceil(high)),
            ]}
            tickFormatter={(v: number) => formatNumber(v)}
          />
          <YAxis
            dataKey="at"
            type="number"
            domain={[-0.5, names.length - 0.5]}
            ticks={names.map((_, i) => i)}
            reversed
            width={190}
            interval={0}
            tickFormatter={(i: number) => names[i] ?? ''}
          />
          <ReferenceArea x1={-BEYOND} x2={BEYOND} fill="var(--wash)" stroke="none" />
          <ReferenceLine x={0} stroke="var(--ink)" />
          <Scatter
            data={dots(result.before)}
            fill="none"
            stroke="var(--soft)"
            isAnimationActive={false}
          />
          <Scatter data={dots(result.after)} fill="var(--copper)" isAnimationActive={false} />
        </ScatterChart>
      </ResponsiveContainer>
      <p className="soft">
        {msg`Measured less predicted, in standard deviations of instrument and model together.
          Rings: as printed. Copper: with the factors below. Within the band it may be chance.`}
      </p>
    </div>
  );
}

/** What the readings make of radiators, losses and blocks. */
function Factors({
  design,
  result,
  readings,
}: {
  readonly design: Design;
  readonly result: Calibration;
  readonly readings: number;
}) {
  const commit = useEditor((s) => s.commit);
  const measured = design.choices.work?.measured;
  return (
    <section>
      <h2>{msg`What this machine is`}</h2>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`factor`}</TableCell>
            <TableCell className="num">{msg`for what is printed`}</TableCell>
            <TableCell>{msg`Shown by the readings?`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {result.parameters.map((p) => (
            <TableRow key={p.id}>
              <TableCell>{factorName(design, p)}</TableCell>
              <TableCell className="num">
                {factorText(p)} ± {formatNumber(1.96 * p.spread, { decimals: 2 })}
              </TableCell>
              <TableCell>{p.told ? msg`yes` : msg`hardly: mostly what is usual`}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="soft">
        {msg`The likeliest factors under all readings, with 95 % of the chance inside ±; before
          any reading, machines are taken to differ from their papers by
          ${formatNumber(100 * PRIOR.radiators)} to ${formatNumber(100 * PRIOR.block)} % (common
          practice, no source).`}
      </p>
      <div className={styles.inline}>
        <Press
          className={styles.act}
          onClick={() =>
            commit(msg`go by what was measured`, {
              do: 'work.measured',
              measured: {
                on: new Date().toISOString(),
                readings,
                radiators: rounded(result.factors.radiators),
                losses: rounded(result.factors.losses),
                blocks: Object.fromEntries(
                  Object.entries(result.factors.blocks).map(([id, f]) => [id, rounded(f)]),
                ),
                leakage: rounded(result.factors.leakage),
                noise_dB: rounded(result.factors.noise_dB),
                spreads: Object.fromEntries(
                  result.parameters.flatMap((p) => (p.told ? [[p.id, rounded(p.spread)]] : [])),
                ),
              },
            })
          }
        >
          {measured ? msg`Go by these newer ones` : msg`Go by these from now on`}
        </Press>
        {measured && (
          <>
            <span>
              {msg`${measured.elsewhere === undefined ? msg`Measured here` : msg`From ${measured.elsewhere}`}:
                every figure uses ${counted(measured.readings, '# reading', '# readings')} of
                ${formatDate(measured.on, 'day')}.`}
            </span>
            <Press
              className={styles.link}
              onClick={() =>
                commit(msg`go by what is printed`, { do: 'work.measured', measured: null })
              }
            >
              {msg`Back to what is printed`}
            </Press>
          </>
        )}
      </div>
    </section>
  );
}

const rounded = (v: number): number => Math.round(v * 1e4) / 1e4;

/** A factor, and sound in what it is off by. */
const factorText = ({ kind, factor }: Calibrated): string =>
  kind === 'noise'
    ? msg`${factor >= 0 ? '+' : '−'}${formatNumber(Math.abs(factor), { decimals: 1 })} dB`
    : formatNumber(factor, { decimals: 2 });

const factorName = (design: Design, { kind, component }: Calibrated): string => {
  if (kind === 'radiators') return msg`Heat that the radiators pass`;
  if (kind === 'losses') return msg`What the loops take`;
  if (kind === 'leakage') return msg`Seams and gaps of the case`;
  if (kind === 'noise') return msg`Sound of fans and pumps`;
  return msg`Resistance of
    ${component === null ? msg`a block` : componentName(design, component)} and its paste`;
};

/** Causes that explain more than this are told. */
const LEAST_LIKELY = 0.02;

function Causes({
  design,
  found,
}: {
  readonly design: Design;
  readonly found: readonly Diagnosis[];
}) {
  const told = found.filter((d, i) => i < 3 || d.likelihood >= LEAST_LIKELY).slice(0, 6);
  return (
    <ol className={styles.causes}>
      {told.map((d) => {
        const { title, test } = causeWords(design, d);
        return (
          <li key={`${d.kind} ${d.of}`}>
            <span className={styles.share} aria-hidden>
              <span style={{ width: `${Math.round(100 * d.likelihood)}%` }} />
            </span>
            <span className="num">{formatNumber(100 * d.likelihood)} %</span>
            <span>
              <strong>{title}</strong> <span className="soft">{test}</span>
            </span>
          </li>
        );
      })}
    </ol>
  );
}

function Residuals({
  design,
  rows,
  on,
  by,
}: {
  readonly design: Design;
  readonly rows: readonly Residual[];
  readonly on: readonly string[];
  readonly by: string;
}) {
  return (
    <Table className={styles.figures}>
      <TableHead>
        <TableRow>
          <TableCell>{msg`read on`}</TableCell>
          <TableCell>{msg`figure`}</TableCell>
          <TableCell className="num">{msg`measured`}</TableCell>
          <TableCell className="num">{msg`predicted, ${by}`}</TableCell>
          <TableCell className="num">{msg`difference`}</TableCell>
          <TableCell>{msg`verdict`}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((r) => (
          <TableRow key={`${r.reading} ${r.kind} ${r.of}`}>
            <TableCell>{whenText(on[r.reading] ?? '').slice(5)}</TableCell>
            <TableCell>{quantityName(design, r)}</TableCell>
            <TableCell className="num">
              {figureText(r.kind, r.measured)} ± {apartText(r.kind, 1.96 * r.spread)}{' '}
              {unitShown(QUANTITY_UNIT[r.kind])}
            </TableCell>
            <TableCell className="num">
              {figureText(r.kind, r.predicted)} {unitShown(QUANTITY_UNIT[r.kind])}
            </TableCell>
            <TableCell className="num">
              {r.measured >= r.predicted ? '+' : '−'}
              {apartText(r.kind, Math.abs(r.measured - r.predicted))}
            </TableCell>
            <TableCell>
              <Mark verdict={Math.abs(r.deviations) <= BEYOND ? 'ok' : 'marginal'} />{' '}
              {Math.abs(r.deviations) <= BEYOND ? msg`within chance` : msg`more than chance`}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
