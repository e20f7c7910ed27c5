'use client';
import dynamic from 'next/dynamic';
import { findComponent } from '@/core/design';
import { useCallback, useDeferredValue, useState, type KeyboardEvent } from 'react';
import { ROOM_BEHIND_MM, type CasePart } from '@/core/components';
import { movedBy, moveEdit, outsideOf } from '@/core/system';
import { formatMeasure, formatMillimetres, formatNumber, formatSize } from '@/core/units';
import { scale, type Vec } from '@/core/geometry';
import { Pick, Segments, useOfferSoon, Check, Press } from '@/view/shared';
import {
  CASE_VIEWS,
  isInSpace,
  useEditor,
  useEditorLater,
  useEditorNow,
  useFrame,
  useInAddress,
  type CaseView,
} from '@/view/workspace';
import { counted, msg, worded, sentences } from '@/core/messages';
import type { View } from '@/core/elevation';
import { SpatialFrame } from '../frame/SpatialFrame';
import { Section, StageFrame } from '../frame/StageFrame';
import { CaseInSpace } from '../scene/CaseInSpace';
import { BracketMaker } from './BracketMaker';
import { gapsToMind, GapTable } from './GapTable';
import { MountDepths } from './MountDepths';
import { PartsFit } from './PartsFit';
import { PortRoom } from './PortRoom';
import { PowerTable } from './PowerTable';
import { ScrewTable } from './ScrewTable';
import { useHeld } from './useHeld';
import type { CaseDraft } from '@/core/measure';
import { later } from '@/view/shared/later';
import styles from './CaseStage.module.css';

// What is opened on demand loads then.
const Elevation = dynamic(() =>
  later(() => import('../elevation/Elevation').then((m) => m.Elevation)),
);
const ChooseCase = dynamic(() => later(() => import('./ChooseCase').then((m) => m.ChooseCase)));
const PickedCard = dynamic(() => later(() => import('./PlaceCard').then((m) => m.PickedCard)));
const WhatFitsView = dynamic(() =>
  later(() => import('./WhatFitsView').then((m) => m.WhatFitsView)),
);
const CaseEditor = dynamic(() =>
  later(() => import('./editor/CaseEditor').then((m) => m.CaseEditor)),
);

type Seen = CaseView | 'fits';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = worded(() => [
  ...CASE_VIEWS,
  { value: 'fits', label: msg`what fits?` },
]);

/** How a machine may stand, by the axis of its case that looks up then. */
const STANDS = worded(
  () =>
    [
      { value: '+y', label: msg`upright` },
      { value: '+z', label: msg`lying, glass up` },
      { value: '-z', label: msg`lying, glass down` },
      { value: '-y', label: msg`upside down` },
      { value: '+x', label: msg`on its rear, front up` },
      { value: '-x', label: msg`on its front, rear up` },
    ] as const,
);

/** A room behind the tray counts in its litres: it is told beside them. */
const insideWords = ({ interior, behind_mm = 0 }: CasePart): string =>
  behind_mm >= ROOM_BEHIND_MM
    ? msg`${formatSize(interior)} inside and ${formatMeasure(behind_mm, 'mm')} behind the tray`
    : msg`${formatSize(interior)} inside`;

/** How large the case is, inside and over its sheets; a frame has no sheets. */
const caseWords = (box: CasePart): string =>
  box.air?.open === true
    ? msg`${box.name}, an open frame of ${formatSize(box.interior)}.`
    : msg`${box.name}, ${formatNumber(box.volume_L)} litres, ${insideWords(box)},
        ${formatSize(outsideOf(box))} outside dimensions.`;

/** What fits where: elevations with gaps, mounts with their room, screws. */
export function CaseStage() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const commit = useEditor((s) => s.commit);
  const editorNow = useEditorNow();
  const asked = useFrame((s) => s.view);
  const setFrame = useFrame((s) => s.set);
  const [isFitting, setFitting] = useState(false);
  const view: Seen = isFitting ? 'fits' : asked;
  const setView = useCallback(
    (to: Seen): void => {
      setFitting(to === 'fits');
      if (to !== 'fits') setFrame({ view: to });
    },
    [setFrame],
  );
  useInAddress('view', view);
  const [measuring, setMeasuring] = useState<{ readonly start: CaseDraft | null } | null>(null);
  const held = useHeld();
  const cases = useOfferSoon('case');
  // The tables follow in the frame after the drawing: with the hand while it holds a part, else
  // when all is worked out.
  const told = useEditorLater((s) => s.analysis.reports.clearance);
  const live = held.holding ? held : told;
  const gaps = useDeferredValue(live.gaps),
    mountDepths = useDeferredValue(live.mountDepths);
  const fit = { ...analysis.reports.clearance, gaps: held.gaps, mountDepths: held.mountDepths };
  if (measuring) return <CaseEditor start={measuring.start} onDone={() => setMeasuring(null)} />;
  if (!design.case) return <ChooseCase onMeasure={() => setMeasuring({ start: null })} />;
  const box = design.case;
  const nearest = gapsToMind(fit.gaps, picked)[0];
  const clashes = fit.gaps.filter((g) => g.verdict === 'clash').length,
    marginal = fit.gaps.filter((g) => g.verdict === 'marginal').length;
  const component = findComponent(design, picked);
  const blocked = fit.ports.filter((p) => p.verdict === 'clash').length,
    unfed = analysis.reports.wiring.unfed.length;
  const titleWords = () => {
    if (design.components.length === 0) return msg`Nothing in it yet`;
    if (clashes > 0) return msg`${counted(clashes, '# clash', '# clashes')} to clear`;
    if (blocked > 0) return msg`${counted(blocked, '# port', '# ports')} blocked`;
    if (unfed > 0) return msg`${counted(unfed, '# part', '# parts')} without a header`;
    if (marginal > 0)
      return msg`Everything fits, ${counted(marginal, 'one gap', '# gaps')} marginal`;
    if (fit.unplaced.length > 0)
      return msg`${counted(fit.unplaced.length, '# part', '# parts')} not placed`;
    return msg`Everything fits`;
  };
  const title = titleWords();
  const measureAgain = async (): Promise<void> => {
    const { draftFromCase } = await import('@/core/measure');
    const name = box.id.startsWith('own-') ? box.name : msg`${box.name}, measured`;
    setMeasuring({ start: { ...draftFromCase(box), name } });
  };
  const drawing = (as: View) => (
    <Elevation
      view={as}
      model={held.model}
      fit={fit}
      picked={picked}
      onPick={(id) => pick(picked === id ? null : id)}
      onHold={held.hold}
    />
  );
  /** Arrow keys move the picked part along its rail, or over the floor as the drawing shows it. */
  const nudge = (e: KeyboardEvent): void => {
    const step = (
      { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as Record<
        string,
        readonly [number, number]
      >
    )[e.key];
    if (!step || !component) return;
    const { latest } = editorNow();
    const placed = findComponent(latest, component.id) ?? component;
    const by = e.shiftKey ? 5 : 1,
      [x, y] = [step[0] * by, step[1] * by];
    const mount =
      placed.placement.on === 'mount'
        ? box.mounts.find((m) => placed.placement.on === 'mount' && m.id === placed.placement.mount)
        : undefined;
    // On a rail any arrow along it counts, and its like where the rail points away from the eye.
    const wayOfKey = (): Vec => {
      if (mount) {
        const upright = mount.along[1] !== 0;
        const [first, second] = upright ? [y, x] : [x, y];
        return scale(mount.along, first !== 0 ? first : second);
      }
      if (view === 'front') return [0, y, -x];
      if (view === 'top') return [x, 0, -y];
      return [x, y, 0];
    };
    const placement = movedBy(latest, component.id, wayOfKey());
    if (!placement) return;
    e.preventDefault();
    e.stopPropagation();
    commit(
      msg`move ${component.name}`,
      moveEdit(analysis.system, component.id, placement),
      `move-${component.id}`,
    );
  };
  const side = (
    <>
      {component ? (
        <PickedCard
          picked={component.id}
          at={held.at?.component === component.id ? held.at.placement : null}
        />
      ) : (
        <Section title={msg`The case`}>
          <Pick
            label={msg`Case`}
            value={box.id}
            options={[
              ...(cases.some((c) => c.id === box.id) ? [] : [{ value: box.id, label: box.name }]),
              ...cases.map((c) => ({ value: c.id, label: c.name })),
            ]}
            onPick={(id) => {
              const next = cases.find((c) => c.id === id);
              if (next) commit(msg`choose ${next.name}`, { do: 'case.choose', case: next });
            }}
          />
          <Pick
            label={msg`The machine is`}
            value={design.choices.stands ?? '+y'}
            options={STANDS}
            onPick={(up) => commit(msg`turn the machine`, { do: 'case.stands', up })}
          />
          <p className={styles.measure}>
            <Press className={styles.link} onClick={() => setMeasuring({ start: null })}>
              {msg`Measure your own case`}
            </Press>
            <Press className={styles.link} onClick={() => void measureAgain()}>
              {msg`Measure this one again`}
            </Press>
          </p>
          {box.obstacles.map((o) => (
            <p key={o.id} className={styles.obstacle}>
              {o.name}
              {o.removable ? (
                <label>
                  {' '}
                  <Check
                    checked={design.choices.removed.includes(o.id)}
                    onChange={(e) =>
                      commit(e.target.checked ? msg`take out ${o.name}` : msg`put back ${o.name}`, {
                        do: 'case.remove-obstacle',
                        obstacle: o.id,
                        removed: e.target.checked,
                      })
                    }
                  />{' '}
                  {msg`taken out`}
                </label>
              ) : (
                <span className="soft"> {msg`fixed`}</span>
              )}
            </p>
          ))}
        </Section>
      )}
      <MountDepths depths={mountDepths} />
      <GapTable gaps={gaps} picked={picked} />
      <PartsFit gaps={gaps} />
      <PortRoom />
      <PowerTable />
      <BracketMaker />
      <ScrewTable />
    </>
  );
  const views = <Segments label={msg`View`} value={view} options={VIEWS} onPick={setView} />;
  if (view === 'fits')
    return (
      <StageFrame stage="case" title={title} sentence={caseWords(box)} side={side}>
        <div className={styles.views}>{views}</div>
        <WhatFitsView />
      </StageFrame>
    );
  return (
    <SpatialFrame
      stage="case"
      title={title}
      isFlat={!isInSpace(view)}
      tools={views}
      side={side}
      sentence={
        <>
          <p>{caseWords(box)}</p>
          <p className="soft">
            {component && movedBy(design, component.id, [0, 0, 0])
              ? sentences(
                  msg`Drag ${component.name}, or move it with the arrow keys by
                  ${formatMeasure(1, 'mm')}, with Shift by ${formatMeasure(5, 'mm')}.`,
                  nearest &&
                    msg`Nearest: ${nearest.nameA} to ${nearest.nameB},
                    ${formatMillimetres(nearest.gap_mm, 1)}.`,
                )
              : msg`Click a part to see its gaps and move it. Radiators slide on their rails; pump
                and reservoir are free-standing, on a bracket or tape.`}
          </p>
        </>
      }
    >
      {/* The keys that nudge are told in words on the sheet. */}
      <div
        className={styles.sheet}
        tabIndex={0}
        role="group"
        aria-label={msg`Drawing of the case: arrow keys move the picked part by
          ${formatMeasure(1, 'mm')}, with Shift by ${formatMeasure(5, 'mm')}`}
        onKeyDown={nudge}
      >
        {isInSpace(view) ? (
          <CaseInSpace
            design={design}
            system={held.model}
            gaps={held.gaps}
            runs={held.holding ? [] : analysis.reports.runs}
            picked={picked}
            onPick={pick}
            heat={analysis.reports.heat[design.brief.loadCase]}
            flow={analysis.reports.flow}
            isEditable
            onHold={held.hold}
            otherwise={drawing('side')}
          />
        ) : (
          drawing(view)
        )}
      </div>
    </SpatialFrame>
  );
}
