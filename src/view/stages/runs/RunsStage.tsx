'use client';
import dynamic from 'next/dynamic';
import { findComponent } from '@/core/design';
import { useState, type ReactNode } from 'react';
import { looseParts } from '@/core/loops';
import { formatMeasure } from '@/core/units';
import { Segments, Press, rich } from '@/view/shared';
import {
  CASE_VIEWS,
  ConnectDialog,
  isInSpace,
  useDrawRun,
  useEditor,
  useFrame,
  useInAddress,
  type CaseView,
} from '@/view/workspace';
import { counted, msg, worded, noted } from '@/core/messages';
import { liveWords, nearWords } from '../runWords';
import type { Ghost } from '../elevation/Elevation';
import type { View } from '@/core/elevation';
import { SpatialFrame } from '../frame/SpatialFrame';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { CaseInSpace } from '../scene/CaseInSpace';
import { DrawRun } from './DrawRun';
import { LayoutPanel } from './LayoutPanel';
import { LoopSection } from './LoopSection';
import { routeBeside } from './besideIt';
import { RouteBar } from './RouteBar';
import { ShownParts } from './ShownParts';
import { useRouteHeld } from './useRouteHeld';
import { usePreview } from './usePreview';
import { later } from '@/view/shared/later';
import styles from './RunsStage.module.css';

// What is opened on demand loads then.
const Elevation = dynamic(() =>
  later(() => import('../elevation/Elevation').then((m) => m.Elevation)),
);
const RunPanel = dynamic(() => later(() => import('./RunPanel').then((m) => m.RunPanel)));
const OrdersView = dynamic(() => later(() => import('./OrdersView').then((m) => m.OrdersView)));
const SheetsView = dynamic(() => later(() => import('./SheetsView').then((m) => m.SheetsView)));

type Seen = CaseView | 'orders' | 'sheets';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = worded(() => [
  ...CASE_VIEWS,
  { value: 'orders', label: msg`orders` },
  { value: 'sheets', label: msg`sheets and cuts` },
]);

/**
 * Every tube from port to port, through the case: where it lies, how it is made, and what another
 * order or another way would give.
 */
export function RunsStage() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const toRoute = useEditor((s) => s.toRoute);
  const routedBefore = useEditor((s) => s.routedBefore);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const open = useEditor((s) => s.open);
  const { drawing, take } = useDrawRun();
  const asked = useFrame((s) => s.view);
  const setFrame = useFrame((s) => s.set);
  const [tab, setTab] = useState<'orders' | 'sheets' | null>(null);
  const view: Seen = tab ?? asked;
  const setView = (to: Seen): void => {
    const isTab = to === 'orders' || to === 'sheets';
    setTab(isTab ? to : null);
    if (!isTab) setFrame({ view: to });
  };
  useInAddress('view', view);
  const [connecting, setConnecting] = useState(false);
  const [ghosts, setGhosts] = useState<readonly Ghost[]>([]);
  const { runs, clearance: fit, bom: list } = analysis.reports;
  const run = runs.find((r) => r.id === picked);
  const held = useRouteHeld(analysis.routed, run);
  const preview = usePreview(design);
  const { seen } = preview;
  const loose = looseParts(design);
  if (design.loops.length === 0) {
    return (
      <>
        <EmptyStage
          stage="runs"
          title={msg`No loop yet`}
          text={
            loose.length >= 2
              ? msg`${loose.length} parts wait to be connected. A loop is proposed in the
                shortest order; you can change it after.`
              : msg`A loop wants a reservoir, a pump, one block or more, and a radiator. Add
                them first.`
          }
          action={loose.length >= 2 ? msg`Connect the loop` : msg`Open the catalogue`}
          onAction={() => (loose.length >= 2 ? setConnecting(true) : open('stores'))}
        />
        {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
      </>
    );
  }
  const tubes = runs.filter((r) => r.by === 'tube'),
    guessed = tubes.filter((r) => r.estimated).length;
  const link = design.loops
    .flatMap((l) => l.connections.map((k) => ({ loop: l, link: k })))
    .find((x) => x.link.id === picked);
  const live = held.live?.run,
    shownRuns = live ? runs.map((r) => (r.id === live.id ? live : r)) : runs;
  // While runs are routed again, where they lay before stays in grey.
  const stale: readonly Ghost[] =
    !toRoute || !routedBefore
      ? ghosts
      : routedBefore.routes.map((r) => ({
          key: r.connection,
          path: r.path,
          wide_mm: design.loops.find((l) => l.id === r.loop)?.tube.outer_mm ?? 14,
        }));
  const grips =
    held.corners && run?.routed && !seen ? { corners: held.corners, onRoute: held.onRoute } : {};
  const drawn = (as: View) => (
    <Elevation
      view={as}
      model={seen?.system ?? analysis.system}
      fit={fit}
      picked={picked}
      onPick={(id) => pick(picked === id ? null : id)}
      runs={seen?.runs ?? shownRuns}
      heat={analysis.reports.heat[design.brief.loadCase]}
      ghosts={stale.length > 0 ? stale : routeBeside(seen ? undefined : (live ?? run))}
      {...(drawing ? { ports: { from: drawing.from, onPort: take } } : {})}
      {...grips}
    />
  );
  const lengthOf = (count: number, mm: number, isGuess: boolean): string =>
    noted(
      msg`${counted(count, '# run', '# runs')}`,
      isGuess
        ? msg`about ${formatMeasure(mm / 1000, 'm', { decimals: 2 })}`
        : formatMeasure(mm / 1000, 'm', { decimals: 2 }),
    );
  const tried = seen?.runs.filter((r) => r.by === 'tube');
  const title = tried
    ? msg`Looked at: ${lengthOf(
        tried.length,
        tried.reduce((sum, r) => sum + r.cut_mm, 0),
        tried.some((r) => r.estimated),
      )}`
    : lengthOf(tubes.length, list.tube_mm, guessed > 0);
  const sentenceWords = (): ReactNode => {
    if (held.live?.isBehind)
      return msg`A leg would be too short for its bends there. Let go, and a way is looked for.`;
    if (held.live && !held.live.edit) {
      const nearest = live?.routed?.nearest;
      return nearest && nearest.gap_mm < 0
        ? msg`It meets ${nearWords(design, nearest.component)} there. Let go, and a way round is looked for.`
        : msg`It has no room there. Let go, and a way round is looked for.`;
    }
    if (seen) return msg`What is shown is not taken yet; nothing changes until it is.`;
    if (guessed === 0)
      return msg`Every run is routed past everything in the case. Check the drawing against the real
          case before you cut.`;
    return (
      <>
        {rich`${
          guessed === tubes.length
            ? msg`Lengths`
            : msg`${counted(guessed, '# length', '# lengths')} of ${tubes.length}`
        } and bends are ${(<strong>{msg`estimated`}</strong>)} from where the ports are and point.`}{' '}
        {design.case
          ? msg`They hold until the runs are routed. Cut nothing by them.`
          : msg`Choose a case, and the runs are routed in it. Cut nothing by them.`}
      </>
    );
  };
  const sentence = sentenceWords();
  const side = (
    <>
      <DrawRun />
      {run && link && (
        <RunPanel run={live ?? run} loop={link.loop} link={link.link} preview={preview} />
      )}
      <LayoutPanel preview={preview} />
      {design.loops.map((loop) => (
        <LoopSection key={loop.id} loop={loop} />
      ))}
      <ShownParts />
      {loose.length >= 2 && (
        <Section title={msg`Not connected`}>
          <p>{loose.map((id) => findComponent(design, id)?.name).join(', ')}</p>
          <Press className={styles.act} onClick={() => setConnecting(true)}>
            {msg`Connect another loop`}
          </Press>
        </Section>
      )}
      {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
    </>
  );
  const views = <Segments label={msg`View`} value={view} options={VIEWS} onPick={setView} />;
  if (tab !== null || !design.case)
    return (
      <StageFrame stage="runs" title={title} sentence={sentence} side={side}>
        {design.case ? (
          <>
            <RouteBar onGhosts={setGhosts} />
            <div className={styles.views}>{views}</div>
            {tab === 'orders' ? <OrdersView /> : <SheetsView />}
          </>
        ) : (
          <p className="soft">{msg`Choose a case on the Case stage to see the runs in place.`}</p>
        )}
      </StageFrame>
    );
  return (
    <SpatialFrame
      stage="runs"
      title={title}
      isFlat={!isInSpace(view)}
      tools={views}
      side={side}
      sentence={
        <>
          <p>{sentence}</p>
          <RouteBar onGhosts={setGhosts} />
          {live && (
            <p role="status" className={styles.hint}>
              {liveWords(live, run)}
            </p>
          )}
        </>
      }
    >
      <div className={styles.sheet}>
        {isInSpace(view) ? (
          <CaseInSpace
            design={seen?.design ?? design}
            system={seen?.system ?? analysis.system}
            gaps={seen?.gaps ?? fit.gaps}
            runs={seen?.runs ?? shownRuns}
            picked={picked}
            onPick={pick}
            flow={analysis.reports.flow}
            heat={analysis.reports.heat[design.brief.loadCase]}
            onHold={() => undefined}
            {...grips}
            {...(drawing ? { ports: { from: drawing.from, onPort: take } } : {})}
            otherwise={drawn('side')}
          />
        ) : (
          drawn(view as View)
        )}
      </div>
    </SpatialFrame>
  );
}
