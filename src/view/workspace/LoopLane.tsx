'use client';
import { memo, useMemo, useState } from 'react';
import {
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type DragMoveEvent,
} from '@dnd-kit/core';
import type { Reports } from '@/core/analysis';
import { componentName, findComponent, type Design, type Edit } from '@/core/design';
import { moveInto, reorderLoop } from '@/core/loops';
import type { LoopGraph, Visit } from '@/core/system';
import { drawingOf } from '@/core/components';
import { formatCelsius, formatFlow, formatMeasure, formatShown, unitShown } from '@/core/units';
import { temperatureColour } from '@/view/shared';
import { msg } from '@/core/messages';
import { useEditor } from './EditorProvider';
import { useDrawRun } from './useDrawRun';
import { laneGeometry, nearestLeg, type Spot } from './laneGeometry';
import { laneHeight, PITCH } from './laneHeight';
import { orderPriceWords } from './orderPrice';
import { useOrderPrice } from './useJobs';
import { Profile } from './Profile';
import { Station } from './Station';
import { stationText } from './stationText';
import styles from './LoopLine.module.css';

const LABEL = 168,
  PAD = 22,
  SEGMENT = 6;
const NAME = 18;

interface Props {
  readonly graph: LoopGraph;
  readonly width: number;
  readonly design: Design;
  readonly reports: Reports;
  /** Ends of the ramp of temperatures, °C. */
  readonly low: number;
  readonly high: number;
  readonly compact: boolean;
}

/**
 * One loop: stations in flow order, a lane for each branch, coloured by coolant temperature,
 * numbers written, pressure as a stepped profile under it.
 */
export const LoopLane = memo(function LoopLane({
  graph,
  width,
  design,
  reports,
  low,
  high,
  compact,
}: Props) {
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const commit = useEditor((s) => s.commit);
  const { drawing, takePart } = useDrawRun();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const [drag, setDrag] = useState<{
    readonly id: string;
    readonly edit: Edit | null;
    readonly mark: { readonly x: number; readonly y: number } | null;
  } | null>(null);
  const { loop, layout, stations, branched } = graph;
  const geometry = useMemo(
    () => laneGeometry(design, graph, width - LABEL - PAD, PITCH),
    [design, graph, width],
  );
  const { profileTop, profile: profileHeight, whole: height } = laneHeight(layout.lanes, compact);

  const flow = reports.flow.loops.find((l) => l.id === loop.id);
  const estimated = reports.runs.some((r) => r.loop === loop.id && r.by === 'tube' && r.estimated);
  const about = estimated ? '~' : '';
  const heat = reports.heat[design.brief.loadCase];
  const edgeOf = (link: string): LoopGraph['links'][number] | undefined =>
    graph.links.find((e) => e.id === link);
  const temperature = (link: string): number | undefined => heat.nodes[edgeOf(link)?.from ?? ''];
  const legFlow = (link: string): number =>
    reports.flow.links.find((l) => l.id === link && l.loop === loop.id)?.flow_Lmin ?? 0;
  const colour = (link: string): string => temperatureColour(temperature(link), low, high);
  /** Pressure as the flow comes to a visit and as it leaves it. */
  const over = (v: Visit): readonly [number, number] => {
    const i = layout.visits.indexOf(v);
    const into = layout.legs.find((l) => l.to === i),
      out = layout.legs.find((l) => l.from === i);
    const at = (node: string | undefined): number => (node ? (flow?.pressures[node] ?? 0) : 0);
    return [at(edgeOf(into?.connection ?? '')?.to), at(edgeOf(out?.connection ?? '')?.from)];
  };

  const priced = useOrderPrice(drag?.edit ?? null);
  const price = priced.result && priced.fresh ? orderPriceWords(priced.result) : null;
  const give = (id: string, edit: Edit | null): void => {
    if (edit) commit(msg`move ${componentName(design, id)} in the loop`, edit);
  };
  const inRow = (id: string, to: number): Edit | null => {
    const order = moved(stations, id, Math.max(0, Math.min(stations.length - 1, to)));
    return order.join() === stations.join() ? null : reorderLoop(design, loop.id, order);
  };
  const wanted = (
    e: DragMoveEvent,
  ): {
    readonly edit: Edit | null;
    readonly mark: { readonly x: number; readonly y: number } | null;
  } => {
    const visit = layout.visits.findIndex((v) => v.key === String(e.active.id));
    const spot = geometry.spots[visit] as Spot,
      component = layout.visits[visit]?.component ?? '';
    const x = spot.x + e.delta.x,
      y = spot.y + e.delta.y;
    if (branched) {
      const leg = nearestLeg(geometry, x, y);
      return {
        edit: leg && moveInto(design, loop.id, component, leg.link),
        mark: leg && { x: leg.labelX, y: leg.labelY + 9 },
      };
    }
    const from = stations.indexOf(component),
      to = Math.max(0, Math.min(stations.length - 1, Math.round(x / geometry.step - 0.5)));
    return {
      edit: inRow(component, to),
      mark: { x: to * geometry.step + (to > from ? geometry.step - 4 : 4), y: spot.y },
    };
  };
  const nudge = (visit: number, by: 1 | -1): void => {
    const { component } = layout.visits[visit] as Visit;
    if (!branched) {
      give(component, inRow(component, stations.indexOf(component) + by));
      return;
    }
    const own = layout.legs.find((l) => (by > 0 ? l.from : l.to) === visit);
    const next = own && layout.legs.find((l) => (by > 0 ? l.from === own.to : l.to === own.from));
    if (next) give(component, moveInto(design, loop.id, component, next.connection));
  };

  return (
    <div className={styles.lane}>
      <div className={styles.label}>
        <strong>{loop.name}</strong>
        <span>
          {about}
          {formatFlow(flow?.flow_Lmin)} · {about}
          {formatMeasure(flow?.head_kPa, 'kPa', { decimals: 1 })}
        </span>
        <span className={styles.legend}>
          <span className={styles.ramp} aria-hidden />
          {msg`${formatShown(low, '°C')} to ${formatCelsius(high)}`}
        </span>
        <span className={styles.profileLabel} style={{ top: profileTop + profileHeight - 12 }}>
          {msg`${unitShown('kPa')} above reservoir`}
        </span>
      </div>
      <DndContext
        id={`loop-${loop.id}`}
        sensors={sensors}
        onDragMove={(e) => setDrag({ id: String(e.active.id), ...wanted(e) })}
        onDragEnd={(e) => {
          setDrag(null);
          give(
            layout.visits.find((v) => v.key === String(e.active.id))?.component ?? '',
            wanted(e as DragMoveEvent).edit,
          );
        }}
        onDragCancel={() => setDrag(null)}
      >
        <div className={styles.field} style={{ width: geometry.width, height }}>
          <svg width={geometry.width} height={height} className={styles.drawing} aria-hidden>
            {geometry.legs.map((l) => (
              <path
                key={l.link}
                d={l.d}
                fill="none"
                stroke={colour(l.link)}
                strokeWidth={SEGMENT}
                strokeLinejoin="round"
                strokeDasharray={
                  flow?.status === 'solved' && Math.abs(legFlow(l.link)) < 1e-6 ? '3 5' : undefined
                }
              />
            ))}
            {geometry.legs.map((l) => {
              const t = temperature(l.link);
              return (
                <text key={l.link} x={l.labelX} y={l.labelY} className={styles.temp}>
                  {t === undefined ? '' : formatShown(t, '°C', { decimals: 1 })}
                </text>
              );
            })}
            {geometry.legs
              .filter((l) => l.opens)
              .map((l) => (
                <text key={l.link} x={l.labelX} y={l.labelY + 24} className={styles.laneFlow}>
                  {legFlow(l.link) < -1e-6
                    ? msg`back, ${formatFlow(Math.abs(legFlow(l.link)))}`
                    : formatFlow(Math.abs(legFlow(l.link)))}
                </text>
              ))}
            <Profile
              geometry={geometry}
              visits={layout.visits}
              over={over}
              top={profileTop}
              height={profileHeight}
              compact={compact}
            />
            {drag?.mark && (
              <line
                x1={drag.mark.x}
                x2={drag.mark.x}
                y1={drag.mark.y - 26}
                y2={drag.mark.y + 26}
                stroke="var(--copper)"
                strokeWidth="2"
              />
            )}
          </svg>
          {layout.visits.map((v, i) => {
            const component = findComponent(design, v.component);
            const spot = geometry.spots[i] as Spot;
            const name = component?.name ?? v.component;
            const kind = component ? drawingOf(component.part) : '';
            const out = layout.legs.find((l) => l.from === i),
              t = out ? temperature(out.connection) : undefined;
            const label = spot.small
              ? null
              : { x: spot.x - geometry.step / 2 + 3, y: spot.y + NAME, width: geometry.step - 6 };
            return (
              <Station
                key={v.key}
                id={v.key}
                component={v.component}
                x={spot.x}
                y={spot.y}
                small={spot.small}
                name={name}
                kind={kind}
                label={label}
                picked={picked === v.component}
                onPick={() => {
                  if (drawing) takePart(v.component);
                  else pick(picked === v.component ? null : v.component);
                }}
                onMove={(by) => nudge(i, by)}
                text={stationText(graph, reports, i, name, t)}
              />
            );
          })}
          {price && (
            <p className={styles.price} role="status">
              {price}
            </p>
          )}
        </div>
      </DndContext>
    </div>
  );
});

function moved(list: readonly string[], id: string, to: number): readonly string[] {
  const rest = list.filter((x) => x !== id);
  return [...rest.slice(0, to), id, ...rest.slice(to)];
}
