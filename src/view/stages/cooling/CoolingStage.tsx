'use client';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import { worstRise } from '@/core/thermal';
import { formatKelvin, formatNumber, formatShown, formatSpeed } from '@/core/units';
import { neededWords } from '@/core/checks';
import type { Fault, Transient } from '@/core/transient';
import { Segments, Why, rich, type Reason } from '@/view/shared';
import { useBands, useEditor, useCurves, useTransient } from '@/view/workspace';
import { msg, worded, sentences } from '@/core/messages';
import { EmptyStage, StageFrame } from '../frame/StageFrame';
import { reasonForBand, reasonForNeeded, reasonForNoise, reasonForRise } from '../reasons/cooling';
import { reasonForBeside } from '../reasons/beside';
import { AnswerPanel } from './AnswerPanel';
import { NoiseRiseChart } from './NoiseRiseChart';
import { clock } from './time/clock';
import { PROFILES } from './time/profiles';
import { differentSpeeds, middleOf } from './fanSpeeds';
import { chanceWords } from '../bandWords';
import { later } from '@/view/shared/later';
import styles from './CoolingStage.module.css';

// What is opened on demand loads then.
const ChangeTable = dynamic(() => later(() => import('./ChangeTable').then((m) => m.ChangeTable)));
const TimeChart = dynamic(() => later(() => import('./time/TimeChart').then((m) => m.TimeChart)));
const TimePanel = dynamic(() => later(() => import('./time/TimePanel').then((m) => m.TimePanel)));
const AirPanel = dynamic(() => later(() => import('./AirPanel').then((m) => m.AirPanel)));
const FiguresPanel = dynamic(() =>
  later(() => import('./FiguresPanel').then((m) => m.FiguresPanel)),
);

const VIEWS = worded(
  () =>
    [
      { value: 'answer', label: msg`Result` },
      { value: 'changes', label: msg`Changes` },
      { value: 'time', label: msg`Over time` },
      { value: 'air', label: msg`Case airflow` },
      { value: 'figures', label: msg`Data` },
    ] as const,
);
type View = (typeof VIEWS)[number]['value'];

/** Is this enough radiator at a noise I can live with? */
/** A chance below this is not worth a word in the headline. */
const SURE = 0.05;

export function CoolingStage() {
  const components = useEditor((s) => s.design.components);
  const thermalModel = useEditor((s) => s.analysis.thermalModel);
  const open = useEditor((s) => s.open);
  if (thermalModel.radiators.length === 0) {
    return (
      <EmptyStage
        stage="cooling"
        title={msg`No radiator in a loop yet`}
        text={
          components.some((i) => i.part.kind === 'radiator')
            ? msg`A radiator is there, but no loop goes through it. Connect the loop in the loop
              diagram below, then the result appears here.`
            : msg`Add a radiator and fans for it, and connect the loop. Then this page says how
              warm the coolant gets at which noise, and how many sections you need.`
        }
        action={msg`Open the catalogue`}
        onAction={() => open('stores')}
      />
    );
  }
  return <Cooling />;
}

function Cooling() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const [view, setView] = useState<View>('answer');
  const [start, setStart] = useState<'cold' | 'steady'>('cold');
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [at_s, setAt] = useState<number | null>(null);
  // Loaded beside the curves that it draws.
  useEffect(() => void import('./NoiseRisePlot'), []);
  const { result: known, fresh } = useCurves();
  const curves = known ?? [];
  const stale = !fresh;
  const bands = useBands();
  const profile = useEditor((s) => s.latest.choices.profile) ?? PROFILES[0].steps;
  const run = useTransient(
    view === 'time'
      ? { profile, start, faults, step_s: stepFor(profile.reduce((s, p) => s + p.seconds, 0)) }
      : null,
  );
  const report = analysis.reports.heat[design.brief.loadCase];
  const { sizing } = analysis.reports;
  const { limits } = design.brief;
  const rise = worstRise(report);
  const fans = analysis.thermalModel.radiators.flatMap((r) => r.fans);
  const speeds = differentSpeeds(fans.map((f) => f.speed_rpm));
  const speedWords = () => {
    if (speeds.length === 1) return formatSpeed(speeds[0]);
    if (speeds.length === 0) return msg`no fans`;
    return msg`${formatNumber(Math.min(...speeds))} to ${formatSpeed(Math.max(...speeds))}`;
  };
  const speed = speedWords();
  const held = rise !== null && rise <= limits.deltaT_K,
    quiet = report.noise_dBA <= limits.noise_dBA + 0.05;
  // Of builds like this one, how many would pass a limit.
  const missing = Math.max(bands.result?.riseOver ?? 0, bands.result?.noise.beyond ?? 0);
  const titleWords = () => {
    if (rise === null) return msg`No steady temperature`;
    if (held && quiet && missing > SURE)
      return msg`Meets the brief, with a risk of ${Math.round(100 * missing)} %`;
    // Until the band is worked out nothing is known of the risk.
    if (held && quiet && !bands.result) return msg`Meets the brief as calculated`;
    if (held && quiet) return msg`Meets the brief, and quiet`;
    if (held) return msg`Cool enough, but too loud`;
    if (quiet) return msg`Quiet enough, but too warm`;
    return msg`Too warm and too loud`;
  };
  const title = titleWords();
  const setSpeed = (rpm: number): void =>
    commit(
      msg`fans at ${formatSpeed(rpm)}`,
      { do: 'fans.speed', speed_rpm: Math.round(rpm) },
      'fans.speed',
    );
  const band = bands.result;
  const sentenceWords = () => {
    if (view === 'time') return null;
    if (rise === null) return msg`A pump or fan does not turn: see the findings beside.`;
    /** What nine in ten such builds come to, behind the figure itself. */
    const bandBeside = (reason: Reason, words: string) => (
      <span data-stale={!bands.fresh || undefined}>
        {' '}
        <Why reason={reason}>({words})</Why>
      </span>
    );
    const rises = band?.deltaT_K;
    const loud = band?.noise.band;
    return (
      <>
        {rich`At ${speed} the coolant settles ${(
          <Why reason={reasonForRise(report, design)}>{formatKelvin(rise)}</Why>
        )}${
          rises &&
          bandBeside(
            reasonForBand(band),
            msg`${formatShown(rises.low, 'K', { decimals: 1 })} to
              ${formatShown(rises.high, 'K', { decimals: 1 })}`,
          )
        } above room air at ${(
          <Why reason={reasonForNoise(design, analysis.thermalModel)}>
            {msg`${formatNumber(report.noise_dBA, { decimals: 1 })} dBA`}
          </Why>
        )}${
          loud &&
          bandBeside(
            reasonForBeside('noise', band.noise),
            msg`${formatNumber(loud.low)} to ${formatNumber(loud.high)}`,
          )
        }.`}{' '}
        {chanceWords(
          band?.noise,
          (n) => msg`About ${n} in 100 such builds would be louder than you ask.`,
        )}{' '}
        <Why
          reason={reasonForNeeded(sizing.sections, sizing.sectionsNeeded, rise, limits.deltaT_K)}
        >
          {neededWords(sizing.sectionsNeeded)}
        </Why>{' '}
        {sentences(
          msg`You have ${sizing.sections}.`,
          sizing.quietestSpeed_rpm !== null &&
            sizing.quietestNoise_dBA !== null &&
            msg`The slowest speed that meets the brief is ${formatSpeed(sizing.quietestSpeed_rpm)},
              ${formatNumber(sizing.quietestNoise_dBA, { decimals: 1 })} dBA.`,
        )}
      </>
    );
  };
  const renderChart = () => {
    if (view === 'time') return <TimeChart run={run} at_s={at_s} onAt={setAt} faults={faults} />;
    if (curves.length > 0 && rise !== null && sizing.speedRange_rpm)
      return (
        <NoiseRiseChart
          curves={curves}
          stale={stale}
          now={{ noise_dBA: report.noise_dBA, deltaT_K: rise, speed_rpm: middleOf(speeds) }}
          fans={fans.map((f) => f.component)}
          band={band?.deltaT_K ?? null}
          limits={limits}
          range={sizing.speedRange_rpm}
          onSpeed={setSpeed}
        />
      );
    return (
      <p className="soft" role="status">
        {analysis.thermalModel.radiators.some((r) => r.fans.length > 0)
          ? msg`Working out the curves`
          : msg`Put fans on a radiator to see rise against noise.`}
      </p>
    );
  };
  return (
    <StageFrame
      stage="cooling"
      title={view === 'time' ? runTitle(run.result) : title}
      sentence={sentenceWords()}
      side={
        <>
          <div className={styles.views}>
            <Segments label={msg`Look at`} value={view} options={VIEWS} onPick={setView} />
          </div>
          {view === 'answer' && <AnswerPanel bands={band} held={held} />}
          {view === 'changes' && <ChangeTable />}
          {view === 'time' && (
            <TimePanel
              run={run}
              profile={profile}
              start={start}
              onStart={setStart}
              faults={faults}
              onFaults={setFaults}
              at_s={at_s}
            />
          )}
          {view === 'air' && <AirPanel />}
          {view === 'figures' && <FiguresPanel />}
        </>
      }
    >
      {renderChart()}
    </StageFrame>
  );
}

const runTitle = (t: Transient | null): string => {
  if (t === null) return msg`The loop over time`;
  if (t.first) return msg`${t.first.name} reaches its limit after ${clock(t.first.reached_s ?? 0)}`;
  return msg`No part reaches its limit in ${clock(t.time_s[t.time_s.length - 1] ?? 0)}`;
};

/** Steps of a run, s: a few thousand at most. */
function stepFor(total_s: number): number {
  return total_s <= 7200 ? 1 : Math.min(60, Math.ceil(total_s / 7200));
}
