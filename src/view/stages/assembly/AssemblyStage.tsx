'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Step } from '@/core/assembly';
import { formatNumber, shownUnits } from '@/core/units';
import { Segments, Press } from '@/view/shared';
import { CASE_VIEWS, isInSpace, useEditor, useFrame, useInAddress } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { SpatialFrame } from '../frame/SpatialFrame';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { StepList } from './StepList';
import { usePhotos } from './usePhotos';
import { StepSheet } from './StepSheet';
import { StepsView } from './StepsView';
import { nextStep, useSteps } from './useSteps';
import { later } from '@/view/shared/later';
import styles from './AssemblyStage.module.css';

// What is opened on demand loads then.
const AirTestView = dynamic(() => later(() => import('./AirTestView').then((m) => m.AirTestView)));
const CalendarView = dynamic(() =>
  later(() => import('./CalendarView').then((m) => m.CalendarView)),
);
const FillView = dynamic(() => later(() => import('./FillView').then((m) => m.FillView)));
const WaterTestView = dynamic(() =>
  later(() => import('./WaterTestView').then((m) => m.WaterTestView)),
);

type Seen = 'steps' | 'calendar' | 'air' | 'fill' | 'water';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = worded(() => [
  { value: 'steps', label: msg`steps` },
  { value: 'calendar', label: msg`calendar` },
  { value: 'air', label: msg`leak test with air` },
  { value: 'fill', label: msg`fill and bleed` },
  { value: 'water', label: msg`leak test with water` },
]);

/** In which order the machine is put together, tested and filled. */
export function AssemblyStage() {
  const design = useEditor((s) => s.design);
  const id = useEditor((s) => s.id);
  const commit = useEditor((s) => s.commit);
  const { steps, work } = useSteps();
  const photos = usePhotos(id);
  const [view, setView] = useState<Seen>('steps');
  const seen = useFrame((s) => s.view);
  const setFrame = useFrame((s) => s.set);
  useInAddress('view', seen);
  const [asked, setAsked] = useState<string | null>(null);
  const step = steps.find((s) => s.id === asked) ?? nextStep(steps, work);
  if (!design.case || design.components.length === 0 || !step)
    return (
      <EmptyStage
        stage="assembly"
        title={msg`Nothing to put together yet`}
        text={msg`Choose a case and parts first: every step follows from where the parts are
          mounted.`}
      />
    );
  const mark = (of: Step, done: boolean): void =>
    commit(done ? msg`done: ${of.title}` : msg`not done: ${of.title}`, {
      do: 'work.mark',
      step: of.id,
      mark: done ? { on: new Date().toISOString() } : null,
    });
  const move = (from: string, to: string): void => {
    const order = movedOrder(steps, from, to);
    if (order) commit(msg`change the order of assembly`, { do: 'work.order', order });
  };
  const doneCount = steps.filter((s) => s.id in (work.done ?? {})).length;
  const hours = (of: 'beginner' | 'practised'): string =>
    formatNumber(steps.reduce((s, x) => s + x.minutes[of], 0) / 60, { decimals: 0 });
  const sentence = msg`${doneCount} of ${steps.length} steps done. About ${hours('beginner')}
    hours by hand the first time, ${hours('practised')} with practice, and the waiting of the
    tests (estimated).`;
  const side = (
    <Section title={msg`All steps`}>
      {work.order && (
        <p className="soft">
          {msg`In your own order.`}{' '}
          <Press
            className={styles.link}
            onClick={() =>
              commit(msg`order of assembly as worked out`, { do: 'work.order', order: null })
            }
          >
            {msg`Use the order worked out`}
          </Press>
        </p>
      )}
      <StepList
        steps={steps}
        work={work}
        open={step.id}
        onOpen={(id) => {
          setAsked(id);
          setView('steps');
        }}
        onMark={mark}
        onMove={move}
      />
      <p>
        <a href={`/api/builds/${id}/pdf?of=checklist&units=${shownUnits()}`} download>
          {msg`Checklist to print (PDF)`}
        </a>
      </p>
      <p className="soft">
        {msg`Numbers at the right: minutes with practice. Drag a part into another turn to see
          what that would break.`}
      </p>
    </Section>
  );
  const parts = (
    <Segments label={msg`Part of the work`} value={view} options={VIEWS} onPick={setView} />
  );
  if (view === 'steps')
    return (
      <SpatialFrame
        stage="assembly"
        title={msg`Step ${steps.indexOf(step) + 1} of ${steps.length}: ${step.title}`}
        isFlat={!isInSpace(seen)}
        tools={
          <>
            {parts}
            <Segments
              label={msg`View`}
              value={seen}
              options={CASE_VIEWS}
              onPick={(to) => setFrame({ view: to })}
            />
          </>
        }
        side={side}
        sentence={
          <>
            <StepSheet
              photos={photos}
              step={step}
              work={work}
              onMark={(done) => {
                mark(step, done);
                if (done) setAsked(null);
              }}
              onNote={(note) =>
                commit(msg`note at a step`, { do: 'work.note', step: step.id, note })
              }
            />
            <p className="soft">{sentence}</p>
          </>
        }
      >
        <StepsView steps={steps} step={step} view={seen} />
      </SpatialFrame>
    );
  return (
    <StageFrame
      stage="assembly"
      title={VIEWS.find((v) => v.value === view)?.label.replace(/^./, (c) => c.toUpperCase()) ?? ''}
      sentence={sentence}
      side={side}
    >
      <div className={styles.views}>{parts}</div>
      {view === 'calendar' && (
        <CalendarView
          steps={steps}
          work={work}
          onOpen={(id) => {
            setAsked(id);
            setView('steps');
          }}
        />
      )}
      {view === 'air' && <AirTestView />}
      {view === 'fill' && <FillView />}
      {view === 'water' && <WaterTestView />}
    </StageFrame>
  );
}

/** Parts in their turns once one step is dropped on another; null where nothing moves. */
function movedOrder(steps: readonly Step[], from: string, to: string): readonly string[] | null {
  const at = (id: string): number => steps.findIndex((s) => s.id === id);
  const moved = steps[at(from)]?.unit;
  if (!moved || at(to) < 0) return null;
  const isLater = at(to) > at(from);
  const before = steps.slice(0, at(to) + (isLater ? 1 : 0)),
    after = steps.slice(before.length);
  const unitsIn = (list: readonly Step[]): readonly string[] =>
    list.flatMap((s) => (s.unit !== null && s.unit !== moved ? [s.unit] : []));
  return [...unitsIn(before), moved, ...unitsIn(after)];
}
