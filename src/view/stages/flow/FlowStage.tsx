'use client';
import dynamic from 'next/dynamic';
import { findComponent } from '@/core/design';
import { useMemo, useState } from 'react';
import {
  atFullSpeed,
  flowBand,
  networkOf,
  pumpMargin,
  slowestShareFor,
  type LoopFlow,
} from '@/core/hydraulics';
import { inpLoops, writeInp } from '@/format/inp';
import type { LoopGraph } from '@/core/system';
import {
  formatFlow,
  formatKilopascals,
  formatNumber,
  formatShown,
  formatSpeed,
} from '@/core/units';
import { Segments, Why, Press, rich } from '@/view/shared';
import { downloadInp, useBands, useEditor } from '@/view/workspace';
import { msg, worded, sentences } from '@/core/messages';
import { chanceWords } from '../bandWords';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForBeside } from '../reasons/beside';
import { reasonForFlow } from '../reasons/flow';
import { LossStairs } from './LossStairs';
import { OperatingChart } from './OperatingChart';
import { PumpSpeeds } from './PumpSpeeds';
import { later } from '@/view/shared/later';
import styles from './FlowStage.module.css';

// What is opened on demand loads then.
const SeriesParallel = dynamic(() =>
  later(() => import('./SplitSchool').then((m) => m.SeriesParallel)),
);
const BranchTable = dynamic(() => later(() => import('./BranchTable').then((m) => m.BranchTable)));
const DirtTable = dynamic(() => later(() => import('./DirtTable').then((m) => m.DirtTable)));
const PressureTable = dynamic(() =>
  later(() => import('./PressureTable').then((m) => m.PressureTable)),
);
const PumpChooser = dynamic(() => later(() => import('./PumpChooser').then((m) => m.PumpChooser)));

const BAND_WORDS = worded(
  () =>
    ({
      poor: msg`poor`,
      fair: msg`fair`,
      good: msg`good`,
      ample: msg`ample; more gains nothing`,
    }) as const,
);
const VIEWS = worded(
  () =>
    [
      { value: 'losses', label: msg`Losses` },
      { value: 'branches', label: msg`Branches` },
      { value: 'pressures', label: msg`Pressures` },
      { value: 'pumps', label: msg`Pump selection` },
      { value: 'dirt', label: msg`Clogging` },
    ] as const,
);
type View = (typeof VIEWS)[number]['value'];

/** Pump against loop, where the head goes, and which pump would do. */
export function FlowStage() {
  const components = useEditor((s) => s.design.components);
  const analysis = useEditor((s) => s.analysis);
  const open = useEditor((s) => s.open);
  const [chosen, setChosen] = useState<string | null>(null);
  const { flow } = analysis.reports;
  const graph = analysis.system.loops.find((g) => g.loop.id === chosen) ?? analysis.system.loops[0];
  const state = flow.loops.find((l) => l.id === graph?.loop.id);
  if (!graph || !state)
    return (
      <EmptyStage
        stage="flow"
        title={msg`Nothing flows yet`}
        text={msg`Connect the parts into a loop: then this page shows where the pump curve meets
          the loop resistance, and which part has the largest pressure drop.`}
        action={
          components.some((i) => i.part.kind === 'pump') ? undefined : msg`Open the catalogue`
        }
        onAction={() => open('stores')}
      />
    );
  return (
    <OneLoop
      key={graph.loop.id}
      graph={graph}
      state={state}
      loops={analysis.system.loops}
      onLoop={setChosen}
    />
  );
}

function OneLoop({
  graph,
  state,
  loops,
  onLoop,
}: {
  readonly graph: LoopGraph;
  readonly state: LoopFlow;
  readonly loops: readonly LoopGraph[];
  readonly onLoop: (id: string) => void;
}) {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const [view, setView] = useState<View>('losses');
  const { flow, runs } = analysis.reports;
  const network = useMemo(
    () => networkOf(analysis.system, graph, runs, state.coolant_C),
    [analysis.system, graph, runs, state.coolant_C],
  );
  const target = design.brief.limits.flow_Lmin;
  const estimated = runs.some((r) => r.loop === graph.loop.id && r.by === 'tube' && r.estimated);
  const troubled = analysis.findings.some((f) => f.stage === 'flow' && f.severity === 'fails');
  const pumps = flow.pumps
    .filter((p) => p.loop === graph.loop.id)
    .flatMap((p) => {
      const component = findComponent(design, p.id);
      return component?.part.kind === 'pump' ? [{ ...p, component, part: component.part }] : [];
    });
  const margin = pumpMargin(network, target);
  const least = slowestShareFor(atFullSpeed(network), target);
  const first = pumps[0];
  const speed = first
    ? { now: first.speed_rpm, min: first.part.minSpeed_rpm, max: first.part.fullSpeed_rpm }
    : null;
  const setAll = (rpm: number): void => {
    if (!first) return;
    const factor = first.speed_rpm > 0 ? rpm / first.speed_rpm : null;
    const held = (p: (typeof pumps)[number]): number =>
      Math.round(
        Math.min(
          p.part.fullSpeed_rpm,
          Math.max(
            p.part.minSpeed_rpm,
            factor === null
              ? (rpm / first.part.fullSpeed_rpm) * p.part.fullSpeed_rpm
              : p.speed_rpm * factor,
          ),
        ),
      );
    commit(
      msg`pump at ${formatSpeed(rpm)}`,
      {
        do: 'batch',
        edits: pumps.map((p) => ({
          do: 'component.set',
          component: p.id,
          values: { speed_rpm: held(p) },
        })),
      },
      `pumps-${graph.loop.id}`,
    );
  };
  const wordsOfMargin = () => {
    if (margin === null) return '';
    if (margin >= 0)
      return msg`At the ${formatFlow(target)} you ask for, the pump has a margin of
        ${formatNumber(100 * margin)} %.`;
    return msg`At the ${formatFlow(target)} you ask for, the pump is
      ${formatNumber(-100 * margin)} % short of head.`;
  };
  const spare = wordsOfMargin();
  const enough =
    least !== null && first
      ? msg`${formatSpeed(Math.max(first.part.minSpeed_rpm, least * first.part.fullSpeed_rpm))}
        would do.`
      : '';
  const bands = useBands();
  const likely = bands.result?.flow.find((f) => f.loop === graph.loop.id);
  const range = likely?.band && (
    <span data-stale={!bands.fresh || undefined}>
      {' '}
      (
      <Why reason={reasonForBeside('flow', likely)}>
        {msg`${formatShown(likely.band.low, 'L/min', { decimals: 1 })} to
          ${formatShown(likely.band.high, 'L/min', { decimals: 1 })}`}
      </Why>
      )
    </span>
  );
  return (
    <StageFrame
      stage="flow"
      title={
        state.status === 'solved'
          ? `${estimated ? '~' : ''}${formatFlow(state.flow_Lmin)}, ${
              troubled
                ? msg`but see the
            findings`
                : BAND_WORDS[flowBand(state.flow_Lmin)]
            }`
          : msg`Nothing flows`
      }
      sentence={
        state.status === 'solved' ? (
          <>
            {rich`${graph.loop.name} settles at ${(
              <Why reason={reasonForFlow(state)}>{formatFlow(state.flow_Lmin)}</Why>
            )}${range} and ${
              graph.branched
                ? msg`${formatKilopascals(state.head_kPa)}, before it splits`
                : formatKilopascals(state.head_kPa)
            }.`}{' '}
            {sentences(
              spare,
              enough,
              chanceWords(
                likely,
                (n) => msg`About ${n} in 100 such builds would move less than you ask.`,
              ),
            )}
          </>
        ) : (
          msg`See the findings beside.`
        )
      }
      side={
        <>
          {loops.length > 1 && (
            <Section title={msg`Loop`}>
              <Segments
                label={msg`Loop`}
                value={graph.loop.id}
                options={loops.map((g) => ({ value: g.loop.id, label: g.loop.name }))}
                onPick={onLoop}
              />
            </Section>
          )}
          <div className={styles.views}>
            <Segments label={msg`Look at`} value={view} options={VIEWS} onPick={setView} />
          </div>
          {view === 'losses' && (
            <>
              <PumpSpeeds pumps={pumps} target={target} />
              <LossStairs graph={graph} state={state} network={network} />
            </>
          )}
          {view === 'branches' && (
            <>
              <BranchTable graph={graph} network={network} />
              <SeriesParallel loop={graph.loop.id} />
            </>
          )}
          {view === 'pressures' && <PressureTable graph={graph} state={state} />}
          {view === 'pumps' && <PumpChooser loop={graph.loop.id} />}
          {view === 'dirt' && <DirtTable graph={graph} state={state} network={network} />}
        </>
      }
    >
      <OperatingChart
        network={network}
        state={state}
        target={target}
        speed={speed}
        onSpeed={setAll}
      />
      <p className={styles.foot}>
        <Press
          className={styles.textButton}
          onClick={() =>
            downloadInp(design.name, writeInp(design.name, inpLoops(analysis.system, runs, flow)))
          }
        >
          {msg`EPANET file`}
        </Press>
        <span className="soft">
          {' '}
          {msg`Every loop of this build as an open .inp file, so that anyone can check these
            flows with another engine.`}
        </span>
      </p>
    </StageFrame>
  );
}
