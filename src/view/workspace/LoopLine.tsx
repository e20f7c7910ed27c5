'use client';
import { useDeferredValue, useRef, useState } from 'react';
import { looseParts } from '@/core/loops';
import { useWidth } from '@/view/shared/useWidth';
import { useEditor } from './EditorProvider';
import { ConnectDialog } from './ConnectDialog';
import { LooseStrip } from './LooseStrip';
import { LoopLane } from './LoopLane';
import styles from './LoopLine.module.css';

/** The loop as one line in flow order, on every stage; two loops, two lines. Collapsible. */
export function LoopLine() {
  // What is worked on is drawn first; the line follows in the next frame.
  const { system, reports } = useDeferredValue(useEditor((s) => s.analysis));
  const design = useDeferredValue(useEditor((s) => s.design));
  const heat = reports.heat[design.brief.loadCase];
  const [shut, setShut] = useState(false);
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
  return (
    <section aria-label="Loop line" className={styles.band} ref={frame}>
      <button
        type="button"
        className={styles.fold}
        aria-expanded={!shut}
        onClick={() => setShut(!shut)}
      >
        {shut ? 'Show the loop line' : 'Fold'}
      </button>
      {!shut && system.loops.length === 0 && (
        <div className={styles.empty}>
          <strong>Loop line</strong>
          <span>
            {loose.length >= 2
              ? `${loose.length} parts wait to be connected.`
              : 'Add a reservoir, a pump, a block and a radiator; then they are connected here.'}
          </span>
          {loose.length >= 2 && (
            <button type="button" className={styles.act} onClick={() => setConnecting(true)}>
              Connect the loop
            </button>
          )}
        </div>
      )}
      {!shut &&
        width > 0 &&
        system.loops.map((g) => (
          <LoopLane
            key={g.loop.id}
            graph={g}
            design={design}
            reports={reports}
            width={width}
            low={range[0]}
            high={range[1]}
            compact={system.loops.length > 1}
          />
        ))}
      {!shut && system.loops.length > 0 && loose.length > 0 && <LooseStrip loose={loose} />}
      {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
    </section>
  );
}
