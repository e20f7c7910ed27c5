'use client';
import { memo } from 'react';
import type { Reports } from '@/core/analysis';
import { componentName, findComponent, type Design } from '@/core/design';
import { drawingOf } from '@/core/components';
import type { LoopGraph } from '@/core/system';
import { formatFlow, formatMeasure } from '@/core/units';
import { StationIcon, temperatureColour, Press } from '@/view/shared';
import { useEditor, useEditorNow } from './EditorProvider';
import { stationText } from './stationText';
import styles from './LoopRibbon.module.css';

interface Props {
  readonly graph: LoopGraph;
  readonly design: Design;
  readonly reports: Reports;
  /** Ends of the ramp of temperatures, °C. */
  readonly low: number;
  readonly high: number;
}

/** A loop in one thin line: stations in flow order, what is between them in its temperature. */
export const LoopRibbon = memo(function LoopRibbon({ graph, design, reports, low, high }: Props) {
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const editorNow = useEditorNow();
  const drawing = useEditor((s) => s.drawing);
  // Whatever began the drawing has loaded this already.
  const takePart = async (component: string): Promise<void> => {
    const { runDrawing } = await import('./runDrawing');
    runDrawing(editorNow).takePart(component);
  };
  const { loop, layout } = graph;
  const heat = reports.heat[design.brief.loadCase];
  const flow = reports.flow.loops.find((l) => l.id === loop.id);
  const about = reports.runs.some((r) => r.loop === loop.id && r.by === 'tube' && r.estimated)
    ? '~'
    : '';
  const order = layout.order.flatMap((i) => {
    const visit = layout.visits[i];
    return visit ? [{ visit, i }] : [];
  });
  const leaving = (i: number): number | undefined => {
    const leg = layout.legs.find((l) => l.from === i);
    const link = leg && graph.links.find((e) => e.id === leg.connection);
    return link && heat.nodes[link.from];
  };
  return (
    <div className={styles.loop}>
      <span className={styles.label}>
        <strong>{loop.name}</strong> {about}
        {formatFlow(flow?.flow_Lmin)}
      </span>
      <span className={styles.line}>
        {order.map(({ visit, i }) => {
          const component = findComponent(design, visit.component);
          const name = componentName(design, visit.component);
          const out_C = leaving(i);
          const text = stationText(graph, reports, i, name, out_C);
          return (
            <span key={visit.key} className={styles.stop}>
              <Press
                className={styles.station}
                aria-pressed={picked === visit.component}
                aria-label={text}
                data-text={`${name}${out_C === undefined ? '' : `, ${formatMeasure(out_C, '°C', { decimals: 1 })}`}`}
                onClick={() => {
                  if (drawing) void takePart(visit.component);
                  else pick(picked === visit.component ? null : visit.component);
                }}
              >
                <StationIcon
                  kind={component ? drawingOf(component.part) : ''}
                  picked={picked === visit.component}
                  size={30}
                />
              </Press>
              <span
                className={styles.leg}
                style={{ background: temperatureColour(out_C, low, high) }}
                aria-hidden
              />
            </span>
          );
        })}
      </span>
    </div>
  );
});
