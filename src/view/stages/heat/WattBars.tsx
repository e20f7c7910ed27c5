'use client';
import { Press } from '@/view/shared';
import { useRef } from 'react';
import type { HeatReport, PartHeat } from '@/core/thermal';
import { drawOf, shareOf } from '@/core/thermal';
import { LOAD_CASES, type LoadCaseId, CASE_NAMES, CASE_WORDS } from '@/core/components';
import { formatNumber, formatWatts } from '@/core/units';
import { useEditor, useEditorNow } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import styles from './HeatStage.module.css';

const WHERE = worded(
  () =>
    ({
      loop: msg`in the loop`,
      air: msg`air-cooled`,
      waiting: msg`waiting for its block to be connected`,
    }) as const,
);
const CASES: readonly LoadCaseId[] = [...LOAD_CASES, 'custom'];
const MOST_SHARE = 1.5;

/**
 * Watts of every part in each load case as stacked bars; a segment's end is dragged, or moved by
 * arrow keys, to set the part's share of its draw.
 */
export function WattBars({ heat }: { readonly heat: HeatReport }) {
  const brief = useEditor((s) => s.design.brief);
  const thermalModel = useEditor((s) => s.analysis.thermalModel);
  const commit = useEditor((s) => s.commit);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const most =
    Math.max(...CASES.map((c) => heat[c].parts.reduce((s, p) => s + p.heat_W, 0)), 1) * 1.04;
  const sourceOf = (id: string) => thermalModel.sources.find((s) => s.component.id === id);
  const editorNow = useEditorNow();
  /** A share by what it is now: `of` hears it as the build has it, whatever is drawn yet. */
  const setShare = (id: string, c: LoadCaseId, of: (now: number) => number): void => {
    const source = sourceOf(id),
      component = editorNow().latest.components.find((i) => i.id === id);
    if (!source || !component) return;
    const share = of(shareOf({ ...source, component }, c));
    const held = Math.round(Math.min(MOST_SHARE, Math.max(0, share)) * 1000) / 1000;
    commit(
      msg`set ${CASE_WORDS[c]} of ${component.name}`,
      {
        do: 'component.set',
        component: id,
        values:
          c === 'custom'
            ? { customShare: held }
            : { shares: { ...component.settings.shares, [c]: held } },
      },
      `share-${id}-${c}`,
    );
  };
  return (
    <>
      {CASES.map((c) => {
        const sum = heat[c].parts.reduce((s, p) => s + p.heat_W, 0);
        return (
          <div
            key={c}
            role="row"
            className={styles.case}
            data-judged={c === brief.loadCase || undefined}
          >
            <Press
              role="rowheader"
              className={styles.caseName}
              aria-current={c === brief.loadCase}
              title={msg`Judge the brief under this load`}
              onClick={() =>
                commit(msg`judge under ${CASE_WORDS[c]}`, {
                  do: 'brief.set',
                  values: { loadCase: c },
                })
              }
            >
              {CASE_NAMES[c]}
            </Press>
            <div className={styles.bar}>
              {[...heat[c].parts]
                .sort(
                  (a, b) =>
                    Number(a.to === 'air') - Number(b.to === 'air') ||
                    drawOfPart(b) - drawOfPart(a),
                )
                .map((p) => {
                  const source = sourceOf(p.component);
                  return (
                    source && (
                      <Segment
                        key={p.component}
                        part={p}
                        caseName={CASE_WORDS[c]}
                        most={most}
                        share={shareOf(source, c)}
                        draw={drawOf(source)}
                        picked={picked === p.component}
                        onPick={() => pick(p.component)}
                        onShare={(of) => setShare(p.component, c, of)}
                      />
                    )
                  );
                })}
            </div>
            <span role="cell" className={styles.sum}>
              {formatWatts(sum)}
            </span>
          </div>
        );
      })}
    </>
  );

  function drawOfPart(p: PartHeat): number {
    const s = sourceOf(p.component);
    return s ? drawOf(s) : 0;
  }
}

interface SegmentProps {
  readonly part: PartHeat;
  readonly caseName: string;
  readonly most: number;
  readonly share: number;
  readonly draw: number;
  readonly picked: boolean;
  onPick(): void;
  onShare(of: (now: number) => number): void;
}

function Segment({ part: p, caseName, most, share, draw, picked, onPick, onShare }: SegmentProps) {
  const own = useRef<HTMLButtonElement>(null);
  /**
   * Watts to a pixel while an end is held: fixed at the grip, so that the bar's own growth does not
   * run away with it.
   */
  const held = useRef<{
    readonly x: number;
    readonly share: number;
    readonly perPx: number;
  } | null>(null);
  return (
    <Press
      ref={own}
      role="cell"
      className={styles.part}
      data-air={p.to === 'air' || undefined}
      data-waiting={p.to === 'waiting' || undefined}
      data-picked={picked || undefined}
      style={{ width: `${(100 * p.heat_W) / most}%` }}
      title={msg`${p.name}: ${formatWatts(p.heat_W)}, ${WHERE[p.to]}. Drag its end, or use the
        arrow keys, to set its share.`}
      aria-label={msg`${p.name} ${formatWatts(p.heat_W)}, ${WHERE[p.to]},
        ${formatNumber(100 * share)} % of its draw under ${caseName}. Arrow keys change it.`}
      onClick={onPick}
      onKeyDown={(e) => {
        const by = { ArrowRight: 0.01, ArrowLeft: -0.01 }[e.key];
        if (by === undefined || e.altKey || e.ctrlKey) return;
        e.preventDefault();
        e.stopPropagation();
        onShare((now) => now + by * (e.shiftKey ? 10 : 1));
      }}
    >
      {p.heat_W / most > 0.12 && <span>{p.name}</span>}
      {p.heat_W / most > 0.07 && <b>{formatNumber(p.heat_W)}</b>}
      <i
        className={styles.end}
        aria-hidden
        onClick={(e) => e.stopPropagation()}
        onPointerDown={(e) => {
          e.stopPropagation();
          e.currentTarget.setPointerCapture(e.pointerId);
          const bar = own.current?.parentElement?.getBoundingClientRect();
          held.current =
            bar && draw > 0 ? { x: e.clientX, share, perPx: most / bar.width / draw } : null;
        }}
        onPointerMove={(e) => {
          const h = held.current;
          if (h && e.currentTarget.hasPointerCapture(e.pointerId))
            onShare(() => h.share + (e.clientX - h.x) * h.perPx);
        }}
        onPointerUp={() => {
          held.current = null;
        }}
      />
    </Press>
  );
}
