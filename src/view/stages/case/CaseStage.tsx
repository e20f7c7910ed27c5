'use client';
import { findComponent } from '@/core/design';
import { useState, type KeyboardEvent } from 'react';
import { movedBy, moveEdit, outsideOf } from '@/core/system';
import { formatMillimetres, formatNumber, plural } from '@/core/units';
import { scale, type Vec } from '@/core/geometry';
import { Mark, Pick, Segments, Why, useOffer } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { Elevation } from '../elevation/Elevation';
import { VIEW_NAMES, type View } from '../elevation/project';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForGap } from '../reasons';
import { partFigures } from '@/view/catalogue/figures';
import { PlaceCard } from './PlaceCard';
import { CaseInSpace } from '../scene/CaseInSpace';
import { BracketMaker } from './BracketMaker';
import { PartsFit } from './PartsFit';
import { PortRoom } from './PortRoom';
import { PowerTable } from './PowerTable';
import { useHeld } from './useHeld';
import { WhatFitsView } from './WhatFitsView';
import styles from './CaseStage.module.css';

import { draftFromCase, type CaseDraft } from '@/core/measure';
import { CaseEditor } from './editor/CaseEditor';

type Seen = View | 'space' | 'fits';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = [
  { value: 'space', label: 'in space' },
  ...(['side', 'front', 'top'] as const).map((value) => ({ value, label: VIEW_NAMES[value] })),
  { value: 'fits', label: 'what fits?' },
];

/** What fits where: elevations with gaps, mounts with their room, screws. */
export function CaseStage() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const commit = useEditor((s) => s.commit);
  const open = useEditor((s) => s.open);
  const [view, setView] = useState<Seen>('side');
  const [measuring, setMeasuring] = useState<{ readonly start: CaseDraft | null } | null>(null);
  const held = useHeld();
  const cases = useOffer('case');
  const { screws } = analysis.reports;
  const fit = { ...analysis.reports.clearance, gaps: held.gaps, mountDepths: held.mountDepths };
  if (measuring) return <CaseEditor start={measuring.start} onDone={() => setMeasuring(null)} />;
  if (!design.case) return <ChooseCase onMeasure={() => setMeasuring({ start: null })} />;
  const box = design.case;
  const near = fit.gaps
    .filter((g) => g.verdict !== 'clear' || (picked !== null && (g.a === picked || g.b === picked)))
    .slice(0, 14);
  const shown = near.length > 0 ? near : fit.gaps.slice(0, 6);
  const clashes = fit.gaps.filter((g) => g.verdict === 'clash').length,
    marginal = fit.gaps.filter((g) => g.verdict === 'marginal').length;
  const component = findComponent(design, picked);
  const blocked = fit.ports.filter((p) => p.verdict === 'clash').length,
    unfed = analysis.reports.wiring.unfed.length;
  const titleWords = () => {
    if (clashes > 0) return `${plural(clashes, 'clash', 'clashes')} to clear`;
    if (blocked > 0) return `${plural(blocked, 'port')} blocked`;
    if (unfed > 0) return `${plural(unfed, 'part')} without a header`;
    if (marginal > 0)
      return `Everything fits, ${marginal === 1 ? 'one gap' : `${marginal} gaps`} tight`;
    if (fit.unplaced.length > 0) return `${plural(fit.unplaced.length, 'part')} without a place`;
    return 'Everything fits';
  };
  const title = titleWords();
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
    const by = e.shiftKey ? 5 : 1,
      [x, y] = [step[0] * by, step[1] * by];
    const mount =
      component.placement.on === 'mount'
        ? box.mounts.find(
            (m) => component.placement.on === 'mount' && m.id === component.placement.mount,
          )
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
    const placement = movedBy(design, component.id, wayOfKey());
    if (!placement) return;
    e.preventDefault();
    e.stopPropagation();
    commit(
      `move ${component.name}`,
      moveEdit(analysis.system, component.id, placement),
      `move-${component.id}`,
    );
  };
  return (
    <StageFrame
      stage="case"
      title={title}
      sentence={`${box.name}, ${formatNumber(box.volume_L)} litres, ${formatNumber(box.interior[0])} × ${formatNumber(box.interior[1])} × ${formatNumber(box.interior[2])} mm inside, ${outsideOf(
        box,
      )
        .map((v) => formatNumber(v))
        .join(' × ')} mm over its sheets. Click a part to see its gaps and move it.`}
      side={
        <>
          {component ? (
            <PlaceCard
              component={
                held.at?.component === component.id
                  ? { ...component, placement: held.at.placement }
                  : component
              }
            />
          ) : (
            <Section title="The case">
              <Pick
                label="Case"
                value={box.id}
                options={[
                  ...(cases.some((c) => c.id === box.id)
                    ? []
                    : [{ value: box.id, label: box.name }]),
                  ...cases.map((c) => ({ value: c.id, label: c.name })),
                ]}
                onPick={(id) => {
                  const next = cases.find((c) => c.id === id);
                  if (next) commit(`choose ${next.name}`, { do: 'case.choose', case: next });
                }}
              />
              <p className={styles.measure}>
                <button
                  type="button"
                  className={styles.link}
                  onClick={() => setMeasuring({ start: null })}
                >
                  Measure your own case
                </button>
                <button
                  type="button"
                  className={styles.link}
                  onClick={() =>
                    setMeasuring({
                      start: {
                        ...draftFromCase(box),
                        name: box.id.startsWith('own-') ? box.name : `${box.name}, measured`,
                      },
                    })
                  }
                >
                  Measure this one again
                </button>
              </p>
              {box.obstacles.map((o) => (
                <p key={o.id} className={styles.obstacle}>
                  {o.name}
                  {o.removable ? (
                    <label>
                      {' '}
                      <input
                        type="checkbox"
                        checked={design.choices.removed.includes(o.id)}
                        onChange={(e) =>
                          commit(
                            `${e.target.checked ? 'take out' : 'put back'} the ${o.name.toLowerCase()}`,
                            {
                              do: 'case.remove-obstacle',
                              obstacle: o.id,
                              removed: e.target.checked,
                            },
                          )
                        }
                      />{' '}
                      taken out
                    </label>
                  ) : (
                    <span className="soft"> fixed</span>
                  )}
                </p>
              ))}
            </Section>
          )}
          <Section
            title="Room at each mount"
            aside={
              <button type="button" className={styles.link} onClick={() => open('stores')}>
                Add a part
              </button>
            }
          >
            {fit.mountDepths.map((r) => (
              <Ruler
                key={r.mount}
                name={box.mounts.find((m) => m.id === r.mount)?.name ?? r.mount}
                {...r}
              />
            ))}
          </Section>
          <Section title={near.length > 0 ? 'Gaps to mind' : 'Nearest gaps'}>
            {fit.gaps.length === 0 ? (
              <p className="soft">Nothing is near anything yet.</p>
            ) : (
              <table>
                <thead>
                  <tr>
                    <th>between</th>
                    <th className="num">gap</th>
                    <th className="num">worst, mm</th>
                    <th />
                  </tr>
                </thead>
                <tbody>
                  {shown.map((g) => {
                    const gapVerdict = () => {
                      if (g.verdict === 'clash') return 'fails';
                      if (g.verdict === 'marginal') return 'marginal';
                      return 'ok';
                    };
                    return (
                      <tr key={`${g.a}|${g.b}`}>
                        <td>
                          <button type="button" className={styles.link} onClick={() => pick(g.a)}>
                            {g.nameA}
                          </button>{' '}
                          · {g.nameB}
                        </td>
                        <td className="num">
                          <Why reason={reasonForGap(g)}>
                            {formatMillimetres(g.gap_mm, Math.abs(g.gap_mm) < 10 ? 1 : 0)}
                          </Why>
                        </td>
                        <td className="num soft">{formatNumber(g.worst_mm, { decimals: 1 })}</td>
                        <td>
                          <Mark verdict={gapVerdict()} />
                        </td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            )}
          </Section>
          <PartsFit gaps={fit.gaps} />
          <PortRoom />
          <PowerTable />
          <BracketMaker />
          {screws.length > 0 && (
            <Section title="Screws">
              <table>
                <thead>
                  <tr>
                    <th>through</th>
                    <th>thread</th>
                    <th className="num">window, mm</th>
                    <th className="num">length, mm</th>
                    <th />
                  </tr>
                </thead>
                <tbody>
                  {screws.map((s) => {
                    const screwVerdict = () => {
                      if (s.verdict === 'ok') return 'ok';
                      if (s.verdict === 'none') return 'marginal';
                      return 'fails';
                    };
                    return (
                      <tr key={`${s.radiator}-${s.fans}`}>
                        <td>
                          {s.fans
                            ? findComponent(design, s.fans)?.name
                            : `frame, ${findComponent(design, s.radiator)?.name ?? ''}`}
                        </td>
                        <td className="mono">{s.thread}</td>
                        <td className="num soft">
                          {formatNumber(s.window.shortest_mm, { decimals: 1 })}–
                          {formatNumber(s.window.longest_mm, { decimals: 1 })}
                        </td>
                        <td className="num">
                          {s.length_mm === null
                            ? 'none'
                            : `${s.quantity} × ${s.length_mm}${s.washers > 0 ? `, ${s.washers} washers` : ''}`}
                        </td>
                        <td>
                          <Mark verdict={screwVerdict()} />
                        </td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
              <p className={styles.caution}>
                Too long a screw pierces a tube behind the fins and ruins the radiator. Measure
                before you turn it home.
              </p>
            </Section>
          )}
        </>
      }
    >
      <div className={styles.views}>
        <Segments label="View" value={view} options={VIEWS} onPick={setView} />
      </div>
      {view === 'fits' ? (
        <WhatFitsView />
      ) : (
        // The keys that nudge are told in words below the drawing.
        <div
          className={styles.sheet}
          tabIndex={0}
          role="group"
          aria-label="Drawing of the case: arrow keys move the picked part by 1 mm, with Shift by 5 mm"
          onKeyDown={nudge}
        >
          {view === 'space' ? (
            <CaseInSpace
              design={design}
              system={held.model}
              gaps={held.gaps}
              runs={held.holding ? [] : analysis.reports.runs}
              picked={picked}
              onPick={pick}
              onHold={held.hold}
              otherwise={drawing('side')}
            />
          ) : (
            drawing(view)
          )}
        </div>
      )}
      {view !== 'fits' && (
        <p className={styles.hint}>
          {component && movedBy(design, component.id, [0, 0, 0]) ? (
            <>
              Drag {component.name}, or move it with the arrow keys by 1 mm, with Shift by 5.
              {near[0]
                ? ` Nearest: ${near[0].nameA} to ${near[0].nameB}, ${formatMillimetres(near[0].gap_mm, 1)}.`
                : ''}
            </>
          ) : (
            'Click a part to see its gaps. Radiators slide on their rails; pump and reservoir stand anywhere a bracket or tape holds.'
          )}
        </p>
      )}
    </StageFrame>
  );
}

function Ruler({
  name,
  published_mm,
  used_mm,
  free_mm,
  blockedBy,
}: {
  readonly name: string;
  readonly published_mm: number;
  readonly used_mm: number;
  readonly free_mm: number;
  readonly blockedBy: string | null;
}) {
  const scale = Math.max(published_mm, used_mm, Math.min(free_mm, 160), 40) * 1.05;
  const pc = (v: number): string => `${Math.min(100, (100 * v) / scale)}%`;
  const over = used_mm > free_mm;
  return (
    <div className={styles.ruler}>
      <span>{name}</span>
      <div
        className={styles.scale}
        role="img"
        aria-label={`${name}: ${formatNumber(used_mm)} mm taken, ${formatNumber(free_mm)} mm to ${blockedBy ?? 'the far wall'}, maker says ${formatNumber(published_mm)} mm`}
      >
        <div className={styles.free} style={{ width: pc(free_mm) }} />
        <div className={styles.used} data-over={over || undefined} style={{ width: pc(used_mm) }} />
        <div
          className={styles.said}
          style={{ left: pc(published_mm) }}
          title={`the maker says ${formatNumber(published_mm)} mm`}
        />
      </div>
      <span className={styles.rulerText}>
        {used_mm > 0 ? (
          <>
            {formatNumber(used_mm)} mm taken,{' '}
            {over
              ? `${formatNumber(used_mm - free_mm)} mm too deep`
              : `${formatNumber(free_mm - used_mm)} mm left`}
          </>
        ) : (
          <>{formatNumber(free_mm)} mm free</>
        )}
        <span className="soft">
          {' '}
          {over ? 'for' : 'to'} {blockedBy ?? 'the far wall'}
        </span>
      </span>
    </div>
  );
}

function ChooseCase({ onMeasure }: { onMeasure(): void }) {
  const commit = useEditor((s) => s.commit);
  const cases = useOffer('case');
  return (
    <div className={styles.choose}>
      <EmptyStage
        title="Choose the case"
        text="Everything hangs on it: where radiators can go, how thick they may be, where pump and reservoir stand. It can be changed later; parts keep their place where the new case has it."
      />
      <div className={styles.cases}>
        {cases.map((c) => (
          <button
            key={c.id}
            type="button"
            className={styles.case}
            onClick={() => commit(`choose ${c.name}`, { do: 'case.choose', case: c })}
          >
            <strong>{c.name}</strong> <span className="soft">{c.maker}</span>
            <br />
            <span className="soft">{partFigures(c)}</span>
          </button>
        ))}
        <button type="button" className={styles.case} onClick={onMeasure}>
          <strong>A case of your own</strong>
          <br />
          <span className="soft">
            Not among these: measure it with a ruler, step by step, and see it drawn as you type.
          </span>
        </button>
      </div>
    </div>
  );
}
