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
import { formatMeasure, formatNumber, formatWatts, plural } from '@/core/units';
import { serviceToIcs } from '@/format';
import { Progress, Press } from '@/view/shared';
import {
  downloadService,
  followToStage,
  stageAddress,
  useEditor,
  useTrends,
} from '@/view/workspace';
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
      <h2>How it changes</h2>
      {readings.length < 2 ? (
        <p className="soft">
          With a reading a month a change shows here before it is felt: each figure against its
          prediction for the same room, load and speeds.
        </p>
      ) : (
        <>
          <Progress
            share={trends.progress}
            stopped={trends.stopped}
            onStop={trends.stop}
            onAgain={trends.retry}
            what="the trends"
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
        <summary>Taken apart for service, warranty or sale</summary>
        <ol className={styles.undo}>
          {dismantling(steps).map((u) => (
            <li key={u.title}>{u.title}</li>
          ))}
        </ol>
        <p className="soft">
          Whether a maker still answers for a part that was opened is the maker&rsquo;s to say: ask
          before you take it off.
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
    ? `Worked out with what was measured of ${measured.elsewhere === undefined ? 'this machine' : 'its parts elsewhere'}`
    : 'Worked out as printed, until readings correct it';
  // What heats them now is the heat they carry over its share.
  const more_W = carries && carries.ofNow > 0 ? carries.heat_W * (1 - 1 / carries.ofNow) : 0;
  return (
    <section>
      <h2>What an upgrade would bring</h2>
      <p>
        {carries
          ? `${by}, the loops carry ${formatWatts(carries.heat_W)} within ${formatMeasure(limits.deltaT_K, 'K')} and ${formatNumber(limits.noise_dBA)} dBA: ${
              more_W >= 0
                ? `${formatWatts(more_W)} are left for a warmer card or processor.`
                : `${formatWatts(-more_W)} less than what heats them now.`
            }`
          : `${by}: no fan speed keeps the brief's noise, so no heat is left.`}
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

const UPGRADES = [
  ['heat', 'Another card or processor'],
  ['cooling', 'More radiator, other fans'],
  ['flow', 'Another pump'],
] as const;

function Service({ due }: { readonly due: readonly DueJob[] }) {
  const name = useEditor((s) => s.design.name);
  const commit = useEditor((s) => s.commit);
  const today = new Date().toISOString().slice(0, 10);
  return (
    <section>
      <h2>What is due</h2>
      <Table className={styles.due}>
        <TableHead>
          <TableRow>
            <TableCell>job</TableCell>
            <TableCell>due</TableCell>
            <TableCell>last done</TableCell>
            <TableCell className="num">every</TableCell>
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
                {job.due ?? 'from the first run on'}
                {job.due !== null && job.due < today && ', late'}
              </TableCell>
              <TableCell>{job.last?.slice(0, 10) ?? 'never'}</TableCell>
              <TableCell className="num">{everyText(job.every_days)}</TableCell>
              <TableCell>
                <Press
                  className={styles.link}
                  onClick={() => {
                    const on = new Date().toISOString();
                    commit(`done: ${job.title}`, {
                      do: 'work.service',
                      on,
                      mark: { on, job: job.id },
                    });
                  }}
                >
                  done today
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
        Reminders as a calendar (ICS)
      </Press>
    </section>
  );
}

const MONTH_DAYS = 30.4;
const everyText = (days: number): string =>
  days < 60 ? plural(days, 'day') : plural(Math.round(days / MONTH_DAYS), 'month');

const SHAPE_WORDS: Readonly<Record<Trend['shape'], (t: Trend) => string>> = {
  level: ({ from }) => `as always, ${percent(from)} of what is predicted`,
  drift: ({ from, to }) => `drifting, from ${percent(from)} to ${percent(to)}`,
  step: ({ from, to, since }) =>
    `changed from ${percent(from)} to ${percent(to)} since ${since?.slice(0, 10) ?? ''}`,
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
      <div role="img" aria-label={`${name} over ${plural(data.length, 'reading')}: ${words}`}>
        <ResponsiveContainer width="100%" height={120}>
          <LineChart data={data} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
            <CartesianGrid stroke="var(--hairline)" />
            <XAxis
              dataKey="at"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickCount={3}
              tickFormatter={(v: number) => new Date(v).toISOString().slice(0, 10)}
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
