'use client';
import { CASE_WORDS } from '@/core/components';
import { memo, useEffect, useRef, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  XAxis,
  YAxis,
} from 'recharts';
import { formatCelsius, formatNumber, tickShown, ticksShown, unitShown } from '@/core/units';
import type { Fault, Transient } from '@/core/transient';
import { Progress, Press, rich } from '@/view/shared';
import { useSize } from '@/view/shared/useWidth';
import { useEditor } from '@/view/workspace';
import type { Job } from '@/engine';
import { msg } from '@/core/messages';
import { clock } from './clock';
import styles from './TimeChart.module.css';

interface Props {
  readonly run: Job<Transient>;
  readonly at_s: number | null;
  onAt(at: number | null): void;
  readonly faults: readonly Fault[];
}

const LEFT = 40,
  RIGHT = 118,
  TOP = 20,
  BOTTOM = 26;
/** Points drawn of a run, and how long playing it takes. */
const MOST_DRAWN = 480,
  PLAY_MS = 12_000;

/** Temperatures over time, speed and noise under them, a rule to scrub with. */
export function TimeChart({ run, at_s, onAt, faults }: Props) {
  const picked = useEditor((s) => s.picked);
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const [playing, setPlaying] = useState(false);
  const t = run.result;
  const last = t ? t.time_s.length - 1 : 0,
    end_s = t ? (t.time_s[last] as number) : 0;
  const from = useRef(0);
  useEffect(() => {
    if (!playing || end_s === 0) return undefined;
    const began = performance.now() - (from.current / end_s) * PLAY_MS;
    let frameId = 0;
    const tick = (now: number): void => {
      const at = ((now - began) / PLAY_MS) * end_s;
      if (at >= end_s) {
        onAt(end_s);
        setPlaying(false);
        return;
      }
      onAt(at);
      frameId = requestAnimationFrame(tick);
    };
    frameId = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frameId);
  }, [playing, end_s, onAt]);
  return (
    <>
      {(run.progress !== null || run.stopped) && (
        <Progress
          share={run.progress}
          stopped={run.stopped}
          onStop={run.stop}
          onAgain={run.retry}
          what={msg`the run`}
        />
      )}
      <div
        ref={frame}
        className={styles.chart}
        data-stale={!run.fresh || undefined}
        aria-busy={!run.fresh}
      >
        {t && width > 0 && (
          <Drawing
            t={t}
            width={width}
            height={height}
            at={Math.min(end_s, at_s ?? end_s)}
            onAt={(at) => {
              setPlaying(false);
              onAt(at);
            }}
            faults={faults}
            picked={picked}
          />
        )}
      </div>
      {t && (
        <Readout
          t={t}
          at={Math.min(end_s, at_s ?? end_s)}
          picked={picked}
          playing={playing}
          onPlay={(at) => {
            from.current = at >= end_s ? 0 : at;
            setPlaying(!playing);
          }}
        />
      )}
    </>
  );
}

/** Spots drawn: the picked part's, and those that come nearest to their limits. */
function spotsOf(t: Transient, picked: string | null): Transient['hotSpots'] {
  const nearest = [...t.hotSpots]
    .sort((a, b) => peak(b.temp_C) - b.limit_C - (peak(a.temp_C) - a.limit_C))
    .slice(0, 3);
  return [...new Set([...t.hotSpots.filter((s) => s.component === picked), ...nearest])].slice(
    0,
    4,
  );
}
const indexAt = (t: Transient, at: number): number => {
  const last = t.time_s.length - 1;
  return Math.min(last, Math.round((at / (t.time_s[last] as number)) * last));
};

function Readout({
  t,
  at,
  picked,
  playing,
  onPlay,
}: {
  readonly t: Transient;
  readonly at: number;
  readonly picked: string | null;
  readonly playing: boolean;
  onPlay(at: number): void;
}) {
  const index = indexAt(t, at);
  return (
    <p className={styles.foot}>
      <Press className={styles.play} onClick={() => onPlay(at)}>
        {playing ? msg`Pause` : msg`Play`}
      </Press>
      <strong>{clock(at)}</strong>{' '}
      {t.loops.map((l) => (
        <span key={l.id}>
          {t.loops.length > 1 ? l.name : msg`coolant`} {formatCelsius(l.mean_C[index], 1)}
        </span>
      ))}{' '}
      {spotsOf(t, picked).map((s) => (
        <span key={`${s.component}/${s.hotSpot}`}>
          {s.name} {formatCelsius(s.temp_C[index])}
        </span>
      ))}
    </p>
  );
}

interface Range {
  readonly low: number;
  readonly high: number;
  readonly top: number;
}

/** Temperatures shown, and how much of the height is theirs. */
function rangeOf(t: Transient, hotSpots: Transient['hotSpots'], height: number): Range {
  const temps = [...t.loops.map((l) => l.mean_C), ...hotSpots.map((s) => s.temp_C)];
  return {
    low: Math.floor(Math.min(...temps.map(least)) / 5) * 5,
    high: Math.ceil((Math.max(...temps.map(peak)) + 2) / 5) * 5,
    top: Math.round(height * 0.66),
  };
}

interface PlotProps {
  readonly t: Transient;
  readonly width: number;
  readonly height: number;
  readonly faults: readonly Fault[];
  readonly picked: string | null;
}
interface DrawingProps extends PlotProps {
  readonly at: number;
  onAt(at: number): void;
}

function Drawing({ t, width, height, at, onAt, faults, picked }: DrawingProps) {
  const last = t.time_s.length - 1,
    end_s = t.time_s[last] as number,
    index = indexAt(t, at),
    hotSpots = spotsOf(t, picked);
  const box = useRef<HTMLDivElement>(null);
  const { low, high, top } = rangeOf(t, hotSpots, height);
  const X = (s: number): number => LEFT + (s / end_s) * (width - LEFT - RIGHT);
  const bands = stretches(t);
  const names = apart(
    [
      ...t.loops.map((l) => ({
        id: l.id,
        text: msg`${l.name}, coolant`,
        v: l.mean_C[last] as number,
        warm: false,
      })),
      ...hotSpots.map((s) => ({
        id: `${s.component}/${s.hotSpot}`,
        text: s.name,
        v: s.temp_C[last] as number,
        warm: true,
      })),
    ].map((n) => ({ ...n, y: TOP + (1 - (n.v - low) / (high - low)) * (top - TOP - BOTTOM) })),
    top - BOTTOM,
  );
  const scrub = (clientX: number): void => {
    const r = box.current?.getBoundingClientRect();
    if (r)
      onAt(
        Math.min(end_s, Math.max(0, ((clientX - r.left - LEFT) / (width - LEFT - RIGHT)) * end_s)),
      );
  };
  return (
    <div ref={box} className={styles.drawing}>
      <Plots t={t} width={width} height={height} faults={faults} picked={picked} />
      <span className={styles.axis} style={{ left: LEFT, top: 0 }}>
        {unitShown('°C')}
      </span>
      <span className={styles.axis} style={{ left: LEFT, top: top - 2 }}>
        {rich`${(<b data-rpm>{msg`fans, rpm`}</b>)} · noise
          ${formatNumber(t.noise_dBA[index], { decimals: 1 })} dBA`}
      </span>
      {bands
        .filter((b) => X(b.to) - X(b.from) > 56)
        .map((b) => (
          <span
            key={b.from}
            className={styles.load}
            style={{ left: X(b.from) + (b.from === 0 ? 28 : 5), top: TOP - 16 }}
          >
            {CASE_WORDS[b.load]}
          </span>
        ))}
      {faults.map((f) => (
        <span
          key={`${f.kind}${f.at_s}${f.component ?? ''}`}
          className={styles.fault}
          style={{ left: X(Math.min(end_s, f.at_s)) + 4, top: TOP + 2 }}
        >
          {f.kind}
        </span>
      ))}
      {names.map((n) => (
        <span
          key={n.id}
          className={styles.name}
          data-coolant={!n.warm || undefined}
          style={{ left: width - RIGHT + 6, top: n.y - 8, width: RIGHT - 8 }}
        >
          {n.text}
        </span>
      ))}
      <span
        className={styles.rule}
        style={{ left: X(at), top: TOP, height: height - TOP - BOTTOM }}
        aria-hidden
      />
      <Press
        role="slider"
        className={styles.grip}
        style={{ left: X(at), top: top + 10 }}
        aria-label={msg`Time`}
        aria-valuemin={0}
        aria-valuemax={Math.round(end_s)}
        aria-valuenow={Math.round(at)}
        aria-valuetext={`${clock(at)}: ${t.loops.map((l) => `${l.name} ${formatCelsius(l.mean_C[index], 1)}`).join(', ')}`}
        onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
        onPointerMove={(e) => {
          if (e.currentTarget.hasPointerCapture(e.pointerId)) scrub(e.clientX);
        }}
        onKeyDown={(e) => {
          const by = {
            ArrowRight: 0.01,
            ArrowUp: 0.01,
            ArrowLeft: -0.01,
            ArrowDown: -0.01,
            PageUp: 0.1,
            PageDown: -0.1,
            Home: -1,
            End: 1,
          }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          onAt(Math.min(end_s, Math.max(0, at + by * end_s)));
        }}
      />
    </div>
  );
}

/** The curves alone: they are not drawn again while the rule moves. */
const Plots = memo(function Plots({ t, width, height, faults, picked }: PlotProps) {
  const last = t.time_s.length - 1,
    end_s = t.time_s[last] as number,
    hotSpots = spotsOf(t, picked);
  const { low, high, top } = rangeOf(t, hotSpots, height),
    under = height - top;
  const step = Math.max(1, Math.ceil(last / MOST_DRAWN));
  const rows = Array.from({ length: Math.floor(last / step) + 1 }, (_, i) => i * step).map((i) => ({
    s: t.time_s[i] as number,
    ...Object.fromEntries(t.loops.map((l, k) => [`l${k}`, l.mean_C[i]])),
    ...Object.fromEntries(hotSpots.map((s, k) => [`p${k}`, s.temp_C[i]])),
    ...Object.fromEntries(t.speeds.map((s, k) => [`v${k}`, s.speed_rpm[i]])),
    noise: t.noise_dBA[i],
  }));
  const fans = t.speeds.map((s, k) => ({ s, k })).filter(({ s }) => s.kind === 'fan');
  const mostRpm = Math.max(
    500,
    Math.ceil(Math.max(...fans.map(({ s }) => peak(s.speed_rpm)), 0) / 500) * 500,
  );
  const axis = { tickLine: false, tick: { fill: 'var(--soft)', fontSize: 12 } } as const;
  const scale = {
    type: 'number' as const,
    dataKey: 's',
    domain: [0, end_s] as [number, number],
    ticks: ticks(end_s),
    tickFormatter: (v: number) => clock(v),
  };
  return (
    <>
      <LineChart
        width={width}
        height={top}
        data={rows}
        margin={{ top: TOP, right: RIGHT, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        {stretches(t)
          .filter((b) => b.shade)
          .map((b) => (
            <ReferenceArea
              key={b.from}
              x1={b.from}
              x2={b.to}
              fill="var(--sunk)"
              fillOpacity={0.7}
            />
          ))}
        <CartesianGrid vertical={false} stroke="var(--hairline)" />
        <XAxis {...scale} height={BOTTOM} axisLine={{ stroke: 'var(--hairline)' }} {...axis} />
        <YAxis
          type="number"
          domain={[low, high]}
          ticks={ticksShown(low, high, rungBy(low, high), '°C')}
          tickFormatter={(v: number) => tickShown(v, '°C')}
          width={LEFT}
          axisLine={false}
          {...axis}
        />
        {faults.map((f) => (
          <ReferenceLine
            key={`${f.kind}${f.at_s}${f.component ?? ''}`}
            x={f.at_s}
            stroke="var(--fails)"
            strokeDasharray="2 3"
          />
        ))}
        {t.loops.map((l, k) => (
          <Line
            key={l.id}
            dataKey={`l${k}`}
            stroke="var(--ok)"
            strokeWidth={2.4}
            strokeDasharray={k > 0 ? '7 3' : undefined}
            dot={false}
            isAnimationActive={false}
            activeDot={false}
          />
        ))}
        {hotSpots.map((s, k) => (
          <Line
            key={`${s.component}/${s.hotSpot}`}
            dataKey={`p${k}`}
            stroke="var(--ink)"
            strokeWidth={s.component === picked ? 2.4 : 1.4}
            strokeDasharray={['', '6 3', '2 3', '9 3 2 3'][k] ?? ''}
            dot={false}
            isAnimationActive={false}
            activeDot={false}
          />
        ))}
      </LineChart>
      <LineChart
        width={width}
        height={under}
        data={rows}
        margin={{ top: 18, right: RIGHT, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid vertical={false} stroke="var(--hairline)" />
        <XAxis {...scale} height={BOTTOM} axisLine={{ stroke: 'var(--hairline)' }} {...axis} />
        <YAxis
          type="number"
          domain={[0, mostRpm]}
          ticks={[0, mostRpm / 2, mostRpm]}
          width={LEFT}
          axisLine={false}
          {...axis}
        />
        <YAxis yAxisId="dba" hide type="number" domain={[0, 60]} />
        {fans.map(({ s, k }) => (
          <Line
            key={s.component}
            dataKey={`v${k}`}
            stroke="var(--copper)"
            strokeWidth={1.4}
            strokeDasharray={k % 2 ? '6 3' : undefined}
            dot={false}
            isAnimationActive={false}
            activeDot={false}
          />
        ))}
        <Line
          yAxisId="dba"
          dataKey="noise"
          stroke="var(--soft)"
          strokeWidth={1.4}
          dot={false}
          isAnimationActive={false}
          activeDot={false}
        />
      </LineChart>
    </>
  );
});

const peak = (a: Float64Array): number => {
  let m = -Infinity;
  for (const v of a) if (v > m) m = v;
  return m;
};
const least = (a: Float64Array): number => {
  let m = Infinity;
  for (const v of a) if (v < m) m = v;
  return m;
};

/** Stretches of one load; every other one is shaded. */
function stretches(t: Transient): {
  readonly from: number;
  readonly to: number;
  readonly load: Transient['load'][number];
  readonly shade: boolean;
}[] {
  const out: { from: number; to: number; load: Transient['load'][number]; shade: boolean }[] = [];
  t.load.forEach((load, i) => {
    const s = t.time_s[i] as number,
      open = out[out.length - 1];
    if (open?.load === load) open.to = s;
    else {
      if (open) open.to = s;
      out.push({ from: s, to: s, load, shade: out.length % 2 === 1 });
    }
  });
  return out;
}

const STEPS_S = [10, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 14400, 43200];
function ticks(end_s: number): number[] {
  const by = STEPS_S.find((s) => end_s / s <= 8) ?? 86400;
  return Array.from({ length: Math.floor(end_s / by) + 1 }, (_, i) => i * by);
}
const rungBy = (low: number, high: number): number =>
  [5, 10, 20, 50, 100, 200].find((b) => (high - low) / b <= 8) ?? 500;
/** Names are moved apart so that none touch. */
function apart<T extends { readonly y: number }>(names: readonly T[], floor: number): T[] {
  const GAP = 28;
  const out: T[] = [];
  for (const n of [...names].sort((a, b) => a.y - b.y)) {
    const last = out[out.length - 1];
    out.push({ ...n, y: last ? Math.max(n.y, last.y + GAP) : n.y });
  }
  for (let i = out.length - 1, most = floor; i >= 0; i -= 1, most -= GAP)
    out[i] = { ...(out[i] as T), y: Math.min((out[i] as T).y, most) };
  return out;
}
