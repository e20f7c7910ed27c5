'use client';
import { useMemo, useState } from 'react';
import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragMoveEvent } from '@dnd-kit/core';
import { reorderLoop } from '@/core/loop';
import type { LoopGraph } from '@/core/model';
import { formatFlow, formatNumber } from '@/core/quantity';
import { StationIcon, temperatureColour } from '@/view/shared';
import { useBench } from './BenchProvider';
import { orderPrice } from './orderPrice';
import styles from './LoopLine.module.css';

const LABEL = 168, PAD = 22, SEGMENT = 6;

interface Props { readonly graph: LoopGraph; readonly width: number; readonly range: readonly [number, number]; readonly compact: boolean }

/** One loop: stations on a line coloured by coolant temperature, numbers written, pressure as a stepped profile under it. */
export function LoopLane({ graph, width, range, compact }: Props) {
  const build = useBench((s) => s.build);
  const reports = useBench((s) => s.workings.reports);
  const picked = useBench((s) => s.picked);
  const pick = useBench((s) => s.pick);
  const commit = useBench((s) => s.commit);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const [drag, setDrag] = useState<{ readonly id: string; readonly to: number } | null>(null);
  const { loop, stations } = graph;
  const n = stations.length;
  const room = Math.max(n * 92, width - LABEL - PAD);
  const step = room / n;
  const x = (i: number): number => (i + 0.5) * step;
  const lineY = 40, profileTop = compact ? 62 : 66, profileHeight = compact ? 20 : 34;
  const height = profileTop + profileHeight + 22;

  const flow = reports.flow.loops.find((l) => l.id === loop.id);
  const heat = reports.heat[build.brief.loadCase];
  const named = stations.map((id) => build.items.find((i) => i.id === id));
  const links = stations.map((id, i) => loop.links.find((l) => l.id === graph.route[i] && l.from.item === id) ?? loop.links.find((l) => l.from.item === id));
  const nodeAfter = links.map((l) => graph.edges.find((e) => e.id === l?.id)?.from);
  const temps = nodeAfter.map((node) => (node ? heat.nodes[node] : undefined));
  const pressures = nodeAfter.map((node) => (node ? flow?.pressures[node] ?? 0 : 0));
  const before = links.map((_, i) => { const prev = links[(i + n - 1) % n]; const node = graph.edges.find((e) => e.id === prev?.id)?.to; return node ? flow?.pressures[node] ?? 0 : 0; });
  const top = Math.max(0.1, ...pressures, ...before), low = Math.min(0, ...pressures, ...before);
  const py = (p: number): number => profileTop + profileHeight * (1 - (p - low) / (top - low));
  const colour = (i: number): string => temperatureColour(temps[i], range[0], range[1]);
  const profile = stations.map((_, i) => `${i === 0 ? 'M0' : 'L'}${i === 0 ? '' : x(i)} ${py(before[i] as number)}L${x(i)} ${py(before[i] as number)}L${x(i)} ${py(pressures[i] as number)}`).join('') + `L${room} ${py(before[0] as number)}`;

  const price = useMemo(() => (drag ? orderPrice(build, reports, loop.id, moved(stations, drag.id, drag.to)) : null), [drag, build, reports, loop.id, stations]);
  const move = (id: string, to: number): void => {
    const order = moved(stations, id, to);
    if (order.join() !== stations.join()) commit(`move ${build.items.find((i) => i.id === id)?.name ?? id} in the loop`, reorderLoop(build, loop.id, order));
  };
  const target = (e: DragMoveEvent): number => Math.max(0, Math.min(n - 1, Math.round((x(stations.indexOf(String(e.active.id))) + e.delta.x) / step - 0.5)));

  return (
    <div className={styles.lane}>
      <div className={styles.label}>
        <strong>{loop.name}</strong>
        <span>{formatFlow(flow?.flow_Lmin)} · {formatNumber(flow?.head_kPa, { decimals: 1 })} kPa</span>
        {!compact && <span className={styles.legend}><span className={styles.ramp} aria-hidden />{range[0]} to {range[1]} °C</span>}
        {!compact && <span>kPa over reservoir</span>}
      </div>
      <DndContext id={`loop-${loop.id}`} sensors={sensors} onDragMove={(e) => setDrag({ id: String(e.active.id), to: target(e) })} onDragEnd={(e) => { setDrag(null); move(String(e.active.id), target(e as DragMoveEvent)); }} onDragCancel={() => setDrag(null)}>
        <div className={styles.field} style={{ width: room, height }}>
          <svg width={room} height={height} className={styles.drawing} aria-hidden>
            <path d={`M${x(n - 1) + 18} ${lineY}H${room - 5}V14H5V${lineY}H${x(0) - 18}`} fill="none" stroke={colour(n - 1)} strokeWidth={SEGMENT} strokeLinejoin="round" />
            {stations.map((id, i) => i < n - 1 && <line key={id} x1={x(i) + 20} x2={x(i + 1) - 20} y1={lineY} y2={lineY} stroke={colour(i)} strokeWidth={SEGMENT} strokeDasharray={links[i] ? undefined : '3 5'} />)}
            {stations.map((id, i) => <text key={id} x={i < n - 1 ? (x(i) + x(i + 1)) / 2 : Math.min(room - 26, (x(i) + 20 + room) / 2)} y={lineY - 9} className={styles.temp}>{temps[i] === undefined ? '' : formatNumber(temps[i], { decimals: 1 })}</text>)}
            <line x1={0} x2={room} y1={py(0)} y2={py(0)} stroke="var(--hairline)" />
            <path d={`${profile}V${py(low)}H0Z`} fill="var(--sunk)" />
            <path d={profile} fill="none" stroke="var(--soft)" strokeWidth="1.5" />
            {stations.map((id, i) => {
              const by = (pressures[i] as number) - (before[i] as number);
              return Math.abs(by) < 0.05 ? null : <text key={id} x={x(i) + (compact && by < 0 ? 24 : 6)} y={by > 0 ? py(pressures[i] as number) + 13 : Math.max(lineY + 20, py(pressures[i] as number) - 4)} className={styles.drop}>{formatNumber(by, { decimals: 1, signed: true })}</text>;
            })}
            {drag && <line x1={drag.to * step + (drag.to > stations.indexOf(drag.id) ? step - 4 : 4)} x2={drag.to * step + (drag.to > stations.indexOf(drag.id) ? step - 4 : 4)} y1={8} y2={height - 20} stroke="var(--copper)" strokeWidth="2" />}
          </svg>
          {stations.map((id, i) => {
            const item = named[i];
            const kind = item?.part.kind === 'block' ? `block:${item.part.cools[0]}` : item?.part.kind ?? '';
            return (
              <Station key={id} id={id} x={x(i)} y={lineY} name={item?.name ?? id} kind={kind} step={step} nameY={height - 18} picked={picked === id} onPick={() => pick(picked === id ? null : id)}
                onMove={(by) => move(id, Math.max(0, Math.min(n - 1, i + by)))}
                text={`${item?.name ?? id}: ${temps[i] === undefined ? 'temperature unknown' : `coolant leaves at ${formatNumber(temps[i], { decimals: 1 })} °C`}, ${formatNumber((pressures[i] as number) - (before[i] as number), { decimals: 1, signed: true })} kPa`} />
            );
          })}
          {price && <p className={styles.price} role="status">{price}</p>}
        </div>
      </DndContext>
    </div>
  );
}

function moved(list: readonly string[], id: string, to: number): readonly string[] {
  const rest = list.filter((x) => x !== id);
  return [...rest.slice(0, to), id, ...rest.slice(to)];
}

interface StationProps { readonly id: string; readonly x: number; readonly y: number; readonly name: string; readonly kind: string; readonly step: number; readonly nameY: number; readonly picked: boolean; readonly text: string; onPick(): void; onMove(by: number): void }

function Station({ id, x, y, name, kind, step, nameY, picked, text, onPick, onMove }: StationProps) {
  const { setNodeRef, listeners, attributes, transform, isDragging } = useDraggable({ id });
  return (
    <>
      <button
        ref={setNodeRef} type="button" className={styles.station} style={{ left: x - 22, top: y - 19, transform: transform ? `translateX(${transform.x}px)` : undefined, zIndex: isDragging ? 2 : 1 }}
        {...listeners} {...attributes} role="button" aria-pressed={picked} aria-label={`${text}. Alt and arrow keys move it.`} title={`${name}: drag to move it in the loop`} onClick={onPick}
        onKeyDown={(e) => { if (e.altKey && (e.key === 'ArrowLeft' || e.key === 'ArrowRight')) { e.preventDefault(); onMove(e.key === 'ArrowLeft' ? -1 : 1); } }}
      ><StationIcon kind={kind} picked={picked} size={36} /></button>
      <span className={styles.name} data-picked={picked || undefined} style={{ left: x - step / 2 + 4, width: step - 8, top: nameY }} aria-hidden>{name}</span>
    </>
  );
}
