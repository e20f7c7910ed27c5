'use client';
import { useState } from 'react';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { jointsOf, readingTrouble, testLimit, type LeakReport } from '@/core/leakTest';
import { gaugeFromCsv } from '@/format';
import { CAUTIONS, airTestReport, testedLoop } from '@/core/assembly';
import type { AirReading, AirTest, Loop } from '@/core/design';
import { formatMeasure, formatNumber, formatShown, unitShown } from '@/core/units';
import { Mark, Pick, QuantityField, Press, rich } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { GaugeDevice } from './GaugeDevice';
import styles from './AssemblyStage.module.css';

/** As many as a document keeps of one test. */
const MOST_READINGS = 500;
const NEW_TEST: AirTest = { resolution_mbar: 5, readings: [] };

/** The air test of a loop: readings in, leak rate and verdict out. */
export function AirTestView() {
  const design = useEditor((s) => s.design);
  const [asked, setAsked] = useState<string | null>(null);
  const loops = design.loops.filter((l) => l.connections.length > 0);
  const loop = loops.find((l) => l.id === asked) ?? loops[0];
  if (!loop) return <p>{msg`No loop is connected yet: there is nothing to test.`}</p>;
  return (
    <>
      {loops.length > 1 && (
        <Pick
          label={msg`Loop`}
          value={loop.id}
          options={loops.map((l) => ({ value: l.id, label: l.name }))}
          onPick={setAsked}
        />
      )}
      <LoopTest key={loop.id} loop={loop} />
    </>
  );
}

function LoopTest({ loop }: { readonly loop: Loop }) {
  const commit = useEditor((s) => s.commit);
  const { system, reports } = useEditor((s) => s.analysis);
  const test = useEditor((s) => s.latest.choices.work?.airTests?.[loop.id]) ?? NEW_TEST;
  const limit = testLimit(system, loop);
  const inputs = { system, runs: reports.runs, bom: reports.bom };
  const tested = testedLoop(inputs, loop, test);
  const report = airTestReport(inputs, loop, test);
  const keep = (label: string, next: AirTest | null): void =>
    commit(label, { do: 'work.air-test', loop: loop.id, test: next });
  return (
    <div className={styles.test}>
      <p>
        {msg`Pump to ${formatMeasure(limit.limit_mbar, 'mbar')} at most: ${
          limit.by === null
            ? msg`what is usual, since no part of the loop tells a lower rating.`
            : msg`the rating of ${limit.by}, the lowest in the loop.`
        } The loop is sealed ${formatMeasure(tested.volume_mL, 'mL')} of air and swells by ${formatMeasure(tested.compliance_mLbar, 'mL', { decimals: 2 })} a bar.`}
      </p>
      <p className={styles.caution}>
        <strong>{CAUTIONS.air.title}.</strong> {CAUTIONS.air.text}
      </p>
      {report ? (
        <Verdict report={report} />
      ) : (
        <p role="status">
          {msg`Note the gauge now, and again every few minutes: two readings tell a first rate.`}
        </p>
      )}
      <GaugeDevice
        loop={loop.id}
        limit_mbar={limit.limit_mbar}
        onAdd={(reading) =>
          test.readings.length < MOST_READINGS &&
          keep(msg`a reading of the gauge`, { ...test, readings: [...test.readings, reading] })
        }
      />
      <GaugeTable
        onTake={(readings) => keep(msg`readings of the gauge from a table`, { ...test, readings })}
      />
      <NewReading
        limit_mbar={limit.limit_mbar}
        before={test.readings[test.readings.length - 1] ?? null}
        onAdd={(gauge_mbar, temp_C) =>
          keep(msg`a reading of the gauge`, {
            ...test,
            readings: [...test.readings, { on: new Date().toISOString(), gauge_mbar, temp_C }],
          })
        }
      />
      <div className={styles.inline}>
        <QuantityField
          label={msg`Smallest step of the gauge`}
          value={test.resolution_mbar}
          quantity="gauge"
          decimals={1}
          min={0.1}
          max={100}
          onCommit={(v) =>
            v !== null && keep(msg`step of the gauge`, { ...test, resolution_mbar: v })
          }
        />
        {test.readings.length > 0 && (
          <Press className={styles.link} onClick={() => keep(msg`restart the air test`, null)}>
            {msg`Restart the test`}
          </Press>
        )}
      </div>
      {report && <Readings report={report} />}
      <h3>{msg`Where to listen, in this order`}</h3>
      <ol className={styles.how}>
        {jointsOf(system, loop, reports.runs).map((j) => (
          <li key={j.id}>
            {j.name} <span className="soft">({j.why})</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

const VERDICT_WORDS = worded(
  () =>
    ({
      tight: msg`Tight`,
      leaks: msg`It leaks`,
      'not yet known': msg`Not yet known`,
    }) as const,
);
const VERDICT = { tight: 'ok', leaks: 'fails', 'not yet known': 'unchecked' } as const;

function Verdict({ report }: { readonly report: LeakReport }) {
  const { verdict, leak_mLmin, leakBand_mLmin, limit_mLmin, longer_min, fall_mbar } = report;
  const rate = msg`${formatNumber(leak_mLmin, { decimals: 3 })} ±
    ${formatNumber(leakBand_mLmin, { decimals: 3 })} mL/min`;
  return (
    <p className={styles.verdict} role="status">
      <Mark verdict={VERDICT[verdict]} />{' '}
      {rich`${(<strong>{VERDICT_WORDS[verdict]}</strong>)}: ${rate} of air at the test pressure; up to ${formatNumber(limit_mLmin, { decimals: 3 })} counts as sealed. Corrected for the room, it fell by ${formatMeasure(fall_mbar, 'mbar', { decimals: 1 })}.`}{' '}
      {verdict === 'not yet known' &&
        (longer_min === null
          ? msg`This gauge will not tell: use one with smaller steps.`
          : msg`Look for about ${waitWords(longer_min)} more.`)}
    </p>
  );
}

const waitWords = (minutes: number): string =>
  minutes < 90
    ? msg`${formatNumber(Math.ceil(minutes))} min`
    : `${formatNumber(minutes / 60, { decimals: 1 })} h`;

function NewReading({
  limit_mbar,
  before,
  onAdd,
}: {
  readonly limit_mbar: number;
  readonly before: { readonly gauge_mbar: number; readonly temp_C: number } | null;
  onAdd(gauge_mbar: number, temp_C: number): void;
}) {
  const [gauge, setGauge] = useState<number | null>(before?.gauge_mbar ?? null);
  const [temp, setTemp] = useState<number>(before?.temp_C ?? 22);
  const trouble =
    gauge === null
      ? null
      : readingTrouble({ at_min: 0, gauge_mbar: gauge, temp_C: temp }, limit_mbar);
  return (
    <div className={styles.inline}>
      <QuantityField
        label={msg`Gauge`}
        optional
        value={gauge}
        quantity="gauge"
        decimals={1}
        min={-1000}
        max={5000}
        onCommit={setGauge}
      />
      <QuantityField
        label={msg`Room`}
        value={temp}
        quantity="temperature"
        decimals={1}
        min={-20}
        max={60}
        onCommit={(v) => v !== null && setTemp(v)}
      />
      <Press
        className={styles.act}
        disabled={gauge === null || trouble !== null}
        onClick={() => gauge !== null && onAdd(gauge, temp)}
      >
        {msg`Note it now`}
      </Press>
      {trouble !== null && (
        <span role="alert" className={styles.trapped}>
          {trouble}
        </span>
      )}
    </div>
  );
}

/** Pressures brought to the first temperature, and the line through them. */
function Readings({ report: { corrected, slope_mbarMin } }: { readonly report: LeakReport }) {
  const mean = (of: (c: (typeof corrected)[number]) => number): number =>
    corrected.reduce((s, c) => s + of(c), 0) / corrected.length;
  const x = mean((c) => c.at_min),
    y = mean((c) => c.pressure_mbar);
  const span = (corrected[corrected.length - 1]?.at_min ?? 0) - (corrected[0]?.at_min ?? 0);
  const data = corrected.map((c) => ({
    ...c,
    line: y + slope_mbarMin * (c.at_min - x),
  }));
  return (
    <div
      className={styles.chart}
      role="img"
      aria-label={msg`${corrected.length} readings, corrected to the first temperature`}
    >
      <ResponsiveContainer width="100%" height={190}>
        <LineChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: 8 }}>
          <CartesianGrid stroke="var(--hairline)" />
          <XAxis
            dataKey="at_min"
            type="number"
            unit={`\u00a0${msg`min`}`}
            tickFormatter={(v: number) => formatNumber(v, { decimals: span < 10 ? 1 : 0 })}
          />
          <YAxis
            domain={['auto', 'auto']}
            width={64}
            tickFormatter={(v: number) => formatShown(v, 'mbar')}
          />
          <Line dataKey="line" stroke="var(--copper)" dot={false} isAnimationActive={false} />
          <Line
            dataKey="pressure_mbar"
            stroke="none"
            dot={{ r: 3, fill: 'var(--ink)' }}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
      <p className="soft">
        {msg`Absolute pressure, ${unitShown('mbar')}, at the temperature of the first reading.`}
      </p>
    </div>
  );
}

/** Looks at the gauge pasted as a table; they take the place of those that are there. */
function GaugeTable({ onTake }: { onTake(readings: readonly AirReading[]): void }) {
  const [text, setText] = useState('');
  const [troubles, setTroubles] = useState<readonly string[]>([]);
  return (
    <details>
      <summary className={styles.link}>{msg`Paste what a gauge has logged`}</summary>
      <p className="soft">{msg`First row: on;gauge_mbar;temp_C`}</p>
      <label className={styles.note}>
        {msg`Readings of the gauge as a table`}
        <textarea rows={4} value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      {troubles.length > 0 && (
        <ul role="alert" className={styles.trapped}>
          {troubles.map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
      )}
      <Press
        className={styles.act}
        disabled={text.trim() === ''}
        onClick={() => {
          const read = gaugeFromCsv(text);
          setTroubles(
            read.ok ? [] : read.troubles.map((t) => msg`Row ${t.row}, ${t.column}: ${t.message}`),
          );
          if (!read.ok) return;
          if (read.readings.length > MOST_READINGS)
            return setTroubles([msg`A test keeps ${MOST_READINGS} readings; this has more.`]);
          onTake(read.readings);
          setText('');
        }}
      >
        {msg`Take these in place of what is there`}
      </Press>
    </details>
  );
}
