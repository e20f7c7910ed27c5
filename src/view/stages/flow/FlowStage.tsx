'use client';
import { useState } from 'react';
import Slider from '@mui/material/Slider';
import { flowBand, pumpMargin, slowestSpeedFor } from '@/core/flow';
import { formatFlow, formatKilopascals, formatNumber, formatSpeed } from '@/core/quantity';
import { QuantityField, Segments, Why } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForDrop, reasonForFlow } from '../reasons';
import { OperatingChart } from './OperatingChart';
import styles from './FlowStage.module.css';

const BAND_WORDS = { poor: 'poor', fair: 'fair', good: 'good', ample: 'ample; more gains nothing' } as const;

/** Pump against loop, and where the head goes. */
export function FlowStage() {
  const { build, workings, commit, open, pick, picked } = useBench((s) => s);
  const [chosen, setChosen] = useState<string | null>(null);
  const [order, setOrder] = useState<'loss' | 'flow'>('loss');
  const { flow, runs } = workings.reports;
  const graph = workings.model.loops.find((g) => g.loop.id === chosen) ?? workings.model.loops[0];
  const state = flow.loops.find((l) => l.id === graph?.loop.id);
  if (!graph || !state) return <EmptyStage title="Nothing flows yet" text="Connect the parts into a loop: then this page shows where the pump's head meets what the loop takes, and which part takes most." action={build.items.some((i) => i.part.kind === 'pump') ? undefined : 'Open the Stores'} onAction={() => open('stores')} />;
  const target = build.brief.limits.flow_Lmin;
  const margin = pumpMargin(workings.model, graph, runs, state.coolant_C, target);
  const least = slowestSpeedFor(workings.model, graph, runs, state.coolant_C, target);
  const nameOf = (id: string, item: string | null): string => item ? build.items.find((i) => i.id === item)?.name ?? item : runs.find((r) => r.id === id)?.name ?? id;
  const own = flow.links.filter((l) => l.loop === graph.loop.id);
  const losses = own.filter((l) => l.drop_kPa > 0.005);
  const sorted = order === 'loss' ? [...losses].sort((a, b) => b.drop_kPa - a.drop_kPa) : [...losses].sort((a, b) => place(a) - place(b));
  function place(l: (typeof losses)[number]): number { return l.item ? graph!.stations.indexOf(l.item) * 2 : graph!.route.indexOf(l.id) * 2 + 1; }
  const most = Math.max(...losses.map((l) => l.drop_kPa), 0.1);
  const pumps = flow.pumps.filter((p) => p.loop === graph.loop.id);
  return (
    <StageFrame
      stage="flow" title={state.status === 'solved' ? `${formatFlow(state.flow_Lmin)}, ${BAND_WORDS[flowBand(state.flow_Lmin)]}` : 'Nothing flows'}
      sentence={state.status === 'solved' ? <>{graph.loop.name} settles at <Why reason={reasonForFlow(state)}>{formatFlow(state.flow_Lmin)}</Why> and {formatKilopascals(state.head_kPa)}. {margin === null ? '' : margin >= 0 ? `At the ${formatFlow(target)} you ask for, the pump has ${formatNumber(100 * margin)} % to spare` : `At the ${formatFlow(target)} you ask for, the pump is ${formatNumber(-100 * margin)} % short`}{least !== null && pumps[0] ? `; ${formatSpeed(least * (pumps[0].speed_rpm / pumps[0].speed))} would do.` : margin === null ? '' : '.'}</> : 'See the findings beside.'}
      side={<>
        {workings.model.loops.length > 1 && <Section title="Loop"><Segments label="Loop" value={graph.loop.id} options={workings.model.loops.map((g) => ({ value: g.loop.id, label: g.loop.name }))} onPick={setChosen} /></Section>}
        <Section title="Pump speed">
          {pumps.map((p) => {
            const item = build.items.find((i) => i.id === p.id);
            const part = item?.part.kind === 'pump' ? item.part : null;
            return part && item && (
              <div key={p.id} className={styles.pump}>
                <div className={styles.pumpHead}><span>{item.name}</span><QuantityField label={`Speed of ${item.name}`} hideLabel width={52} value={p.speed_rpm} quantity="speed" min={part.minSpeed_rpm} max={part.fullSpeed_rpm} onCommit={(v) => v !== null && commit(`set the speed of ${item.name}`, { do: 'item.set', item: item.id, values: { speed_rpm: v } })} /></div>
                <Slider size="small" aria-label={`Speed of ${item.name}`} min={part.minSpeed_rpm} max={part.fullSpeed_rpm} step={50} value={p.speed_rpm} valueLabelDisplay="off" onChange={(_, v) => commit(`set the speed of ${item.name}`, { do: 'item.set', item: item.id, values: { speed_rpm: v as number } }, `pump-${item.id}`)} />
                <p className="soft">{formatNumber(p.head_m, { decimals: 2 })} m of head at {formatFlow(p.flow_Lmin)}</p>
              </div>
            );
          })}
          {pumps.length === 0 && <p>No pump in this loop.</p>}
          <QuantityField label="Flow wanted" value={target} quantity="flow" decimals={1} min={0.1} max={30} onCommit={(v) => v !== null && commit('set the flow', { do: 'brief.limit', values: { flow_Lmin: v } })} />
        </Section>
        <Section title="What each part takes" aside={<Segments label="Order" value={order} options={[{ value: 'loss', label: 'largest first' }, { value: 'flow', label: 'in flow order' }]} onPick={setOrder} />}>
          <ul className={styles.stairs}>
            {sorted.map((l) => {
              const run = runs.find((r) => r.id === l.id);
              const subject = l.item ?? l.id;
              const name = nameOf(l.id, l.item);
              return (
                <li key={l.id} data-picked={picked === subject || undefined}>
                  <button type="button" className={styles.stepName} onClick={() => pick(subject)}>{name}{run?.estimated && l.kind === 'tube' ? <span className="soft"> est.</span> : null}</button>
                  <span className={styles.stepBar} aria-hidden><span style={{ width: `${(100 * l.drop_kPa) / most}%` }} /></span>
                  <span className="num"><Why reason={reasonForDrop(l, name)}>{formatKilopascals(l.drop_kPa)}</Why></span>
                  <span className="num soft">{state.head_kPa > 0 ? formatNumber((100 * l.drop_kPa) / state.head_kPa) : '–'} %</span>
                </li>
              );
            })}
          </ul>
          <p className="soft">est.: the run&apos;s length is estimated until it is routed in space.</p>
        </Section>
      </>}
    >
      <OperatingChart model={workings.model} graph={graph} runs={runs} state={state} target={target} />
    </StageFrame>
  );
}
