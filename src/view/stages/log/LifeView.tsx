'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { dismantling } from '@/core/assembly';
import { quantityName, serviceDue, type DueJob, type Trend } from '@/core/log';
import { formatMeasure, formatNumber, formatWatts, formatDate } from '@/core/units';
import { serviceToIcs } from '@/format';
import { Progress, Press } from '@/view/shared';
import {
  downloadService,
  followToStage,
  stageAddress,
  useEditor,
  useTrends,
} from '@/view/workspace';
import { counted, msg, worded, noted } from '@/core/messages';
import { useSteps } from '../assembly/useSteps';
import styles from './LogStage.module.css';

/** How the machine changes over the years, what is due, and how it comes apart again. */
export function LifeView({ ran }: { readonly ran: string | null }) {
  const design = useEditor((s) => s.design);
  const { readings = [] } = design.choices.work ?? {};
  const { steps } = useSteps();
  const trends = useTrends(readings.length > 1);
  return (
    <div className={styles.page}>
      <Service due={serviceDue(design, ran)} />
      <h2>{msg`How it changes`}</h2>
      {readings.length < 2 ? (
        <p className="soft">
          {msg`With a reading a month a change shows here before it is felt: each figure against
            its prediction for the same room, load and speeds.`}
        </p>
      ) : (
        <>
          <Progress
            share={trends.progress}
            stopped={trends.stopped}
            onStop={trends.stop}
            onAgain={trends.retry}
            what={msg`the trends`}
          />
          <div className={styles.trends}>
            {(trends.result ?? []).map((t) => (
              <TrendChart key={`${t.kind} ${t.of}`} name={quantityName(design, t)} trend={t} />
            ))}
          </div>
        </>
      )}
      <Upgrades />
      <details className={styles.more}>
        <summary>{msg`Taken apart for service, warranty or sale`}</summary>
        <ol className={styles.undo}>
          {dismantling(steps).map((u) => (
            <li key={u.title}>{u.title}</li>
          ))}
        </ol>
        <p className="soft">
          {msg`Whether a maker still answers for a part that was opened is the maker’s to say:
            ask before you take it off.`}
        </p>
      </details>
    </div>
  );
}

/** Where what an upgrade would bring is worked out, and how much heat the loops can still take. */
function Upgrades() {
  const measured = useEditor((s) => s.design.choices.work?.measured);
  const { carries } = useEditor((s) => s.analysis.reports.sizing);
  const { limits } = useEditor((s) => s.design.brief);
  const id = useEditor((s) => s.id);
  const by = measured
    ? msg`Worked out with what was measured of
      ${measured.elsewhere === undefined ? msg`this machine` : msg`its parts elsewhere`}`
    : msg`Worked out as printed, until readings correct it`;
  // What heats them now is the heat they carry over its share.
  const more_W = carries && carries.ofNow > 0 ? carries.heat_W * (1 - 1 / carries.ofNow) : 0;
  return (
    <section>
      <h2>{msg`What an upgrade would bring`}</h2>
      <p>
        {carries
          ? msg`${by}, the loops carry ${formatWatts(carries.heat_W)} within ${formatMeasure(limits.deltaT_K, 'K')} and ${formatNumber(limits.noise_dBA)} dBA: ${
              more_W >= 0
                ? msg`${formatWatts(more_W)} are left for a warmer card or processor.`
                : msg`${formatWatts(-more_W)} less than what heats them now.`
            }`
          : msg`${by}: no fan speed keeps the brief's noise, so no heat is left.`}
      </p>
      <p className={styles.inline}>
        {UPGRADES.map(([stage, words]) => (
          <a
            key={stage}
            href={stageAddress(id, stage)}
            onClick={(e) => followToStage(e, id, stage)}
          >
            {words}
          </a>
        ))}
      </p>
    </section>
  );
}

const UPGRADES = worded(
  () =>
    [
      ['heat', msg`Another card or processor`],
      ['cooling', msg`More radiator, other fans`],
      ['flow', msg`Another pump`],
    ] as const,
);

function Service({ due }: { readonly due: readonly DueJob[] }) {
  const name = useEditor((s) => s.design.name);
  const commit = useEditor((s) => s.commit);
  const today = new Date().toISOString().slice(0, 10);
  return (
    <section>
      <h2>{msg`What is due`}</h2>
      <Table className={styles.due}>
        <TableHead>
          <TableRow>
            <TableCell>{msg`job`}</TableCell>
            <TableCell>{msg`due`}</TableCell>
            <TableCell>{msg`last done`}</TableCell>
            <TableCell className="num">{msg`every`}</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {due.map((job) => (
            <TableRow key={job.id}>
              <TableCell>
                <strong>{job.title}</strong>
                <br />
                <span className="soft">
                  {job.why} ({job.source})
                </span>
              </TableCell>
              <TableCell data-late={(job.due !== null && job.due < today) || undefined}>
                {noted(
                  job.due ? formatDate(job.due, 'day') : msg`from the first run on`,
                  job.due !== null && job.due < today && msg`late`,
                )}
              </TableCell>
              <TableCell>{job.last ? formatDate(job.last, 'day') : msg`never`}</TableCell>
              <TableCell className="num">{everyText(job.every_days)}</TableCell>
              <TableCell>
                <Press
                  className={styles.link}
                  onClick={() => {
                    const on = new Date().toISOString();
                    commit(msg`done: ${job.title}`, {
                      do: 'work.service',
                      on,
                      mark: { on, job: job.id },
                    });
                  }}
                >
                  {msg`done today`}
                </Press>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Press
        className={styles.link}
        disabled={due.every((j) => j.due === null)}
        onClick={() => downloadService(name, serviceToIcs(name, due))}
      >
        {msg`Reminders as a calendar (ICS)`}
      </Press>
    </section>
  );
}

const MONTH_DAYS = 30.4;
const everyText = (days: number): string =>
  days < 60
    ? msg`${counted(days, '# day', '# days')}`
    : msg`${counted(Math.round(days / MONTH_DAYS), '# month', '# months')}`;

const SHAPE_WORDS: Readonly<Record<Trend['shape'], (t: Trend) => string>> = {
  level: ({ from }) => msg`as always, ${percent(from)} of what is predicted`,
  drift: ({ from, to }) => msg`drifting, from ${percent(from)} to ${percent(to)}`,
  step: ({ from, to, since }) =>
    msg`changed from ${percent(from)} to ${percent(to)} since ${formatDate(since ?? '', 'day')}`,
};
const percent = (v: number): string => `${formatNumber(100 * v)} %`;

function TrendChart({ name, trend }: { readonly name: string; readonly trend: Trend }) {
  const data = trend.points.map((p) => ({ at: Date.parse(p.on), ratio: 100 * p.ratio }));
  const words = SHAPE_WORDS[trend.shape](trend);
  return (
    <figure className={styles.trend}>
      <figcaption>
        <strong>{name}</strong>: {words}
      </figcaption>
      <div
        role="img"
        aria-label={msg`${name} over ${counted(data.length, '# reading', '# readings')}: ${words}`}
      >
        <ResponsiveContainer width="100%" height={120}>
          <LineChart data={data} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
            <CartesianGrid stroke="var(--hairline)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickCount={3}
              tickFormatter={(v: number) => formatDate(v, 'day')}
            />
            <YAxis
              domain={[
                (low: number) => Math.min(90, low - 5),
                (high: number) => Math.max(110, high + 5),
              ]}
              width={56}
              tickFormatter={(v: number) => `${formatNumber(v)} %`}
            />
            <ReferenceLine y={100} stroke="var(--ink)" />
            <Line
              dataKey="ratio"
              stroke="var(--copper)"
              dot={{ r: 2.5, fill: 'var(--copper)' }}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
