'use client';
import { Press } from '@/view/shared';
import { memo, useRef, useState } from 'react';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import type { Analysis } from '@/core/analysis';
import type { Design } from '@/core/design';
import { looseParts } from '@/core/loops';
import { useWidth } from '@/view/shared/useWidth';
import { msg } from '@/core/messages';
import { useEditorLater } from './EditorProvider';
import { ConnectDialog } from './ConnectLater';
import { LooseStrip } from './LooseStrip';
import { LoopRibbon } from './LoopRibbon';
import { isLoopOpen, useFrame } from './frame';
import { laneHeight } from './laneHeight';
import ribbon from './LoopRibbon.module.css';
import { later } from '@/view/shared/later';
import styles from './LoopLine.module.css';

// Loaded when the diagram is first opened in full.
const LoopLane = dynamic(() => later(() => import('./LoopLane').then((m) => m.LoopLane)));

/**
 * The loops in flow order on every stage: a ribbon, or in full with numbers and pressures (L).
 */
export function LoopLine() {
  // What is worked on is drawn first; the line follows in the next frame.
  const analysis = useEditorLater((s) => s.analysis);
  const design = useEditorLater((s) => s.design);
  return <Line design={design} analysis={analysis} />;
}

const Line = memo(function Line({
  design,
  analysis: { system, reports },
}: {
  readonly design: Design;
  readonly analysis: Analysis;
}) {
  const heat = reports.heat[design.brief.loadCase];
  const asked = useFrame((s) => s.loop);
  const set = useFrame((s) => s.set);
  const path = usePathname();
  const isOpen = isLoopOpen(asked, path, system.loops.length);
  const [connecting, setConnecting] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const width = useWidth(frame);
  const loose = looseParts(design);
  const temps = Object.values(heat.nodes);
  const range: readonly [number, number] =
    temps.length > 0
      ? [
          Math.floor(Math.min(...temps)),
          Math.max(Math.ceil(Math.max(...temps)), Math.floor(Math.min(...temps)) + 3),
        ]
      : [20, 40];
  const unfold = (open: boolean): void => set({ loop: open ? 'open' : 'ribbon' });
  const isEmpty = system.loops.length === 0,
    isCompact = system.loops.length > 1;
  return (
    <section
      aria-label={msg`Loop diagram`}
      className={styles.band}
      data-open={isOpen || undefined}
      ref={frame}
    >
      {isEmpty && (
        <div className={styles.empty}>
          <strong>{msg`Loop diagram`}</strong>
          <span>
            {loose.length >= 2
              ? msg`${loose.length} parts wait to be connected.`
              : msg`Add a reservoir, a pump, a block and a radiator; then they are connected here.`}
          </span>
          {loose.length >= 2 && (
            <Press className={styles.act} onClick={() => setConnecting(true)}>
              {msg`Connect the loop`}
            </Press>
          )}
        </div>
      )}
      {!isEmpty && !isOpen && (
        <div className={ribbon.ribbon}>
          {system.loops.map((g) => (
            <LoopRibbon
              key={g.loop.id}
              graph={g}
              design={design}
              reports={reports}
              low={range[0]}
              high={range[1]}
            />
          ))}
          {loose.length > 0 && (
            <Press className={ribbon.more} onClick={() => unfold(true)}>
              {msg`${loose.length} not connected`}
            </Press>
          )}
          <Press className={ribbon.more} aria-expanded={false} onClick={() => unfold(true)}>
            {msg`Show the loop diagram`}
          </Press>
        </div>
      )}
      {!isEmpty && isOpen && (
        <Press className={styles.fold} aria-expanded={true} onClick={() => unfold(false)}>
          {msg`Collapse`}
        </Press>
      )}
      {/* Its room is kept while it loads: nothing above moves when it comes. */}
      {isOpen &&
        system.loops.map((g) => (
          <div
            key={g.loop.id}
            className={styles.room}
            style={{ minHeight: laneHeight(g.layout.lanes, isCompact).whole }}
          >
            {width > 0 && (
              <LoopLane
                graph={g}
                design={design}
                reports={reports}
                width={width}
                low={range[0]}
                high={range[1]}
                compact={isCompact}
              />
            )}
          </div>
        ))}
      {isOpen && !isEmpty && loose.length > 0 && <LooseStrip loose={loose} />}
      {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
    </section>
  );
});
