'use client';
import dynamic from 'next/dynamic';
import type { Analysis } from '@/core/analysis';
import { componentName, findComponent, type Design } from '@/core/design';
import { memo, useDeferredValue, useState } from 'react';
import { fitOf, runDrop, type FlowNetwork, type LinkFlow, type LoopFlow } from '@/core/hydraulics';
import type { LoopGraph } from '@/core/system';
import {
  formatFlow,
  formatKilopascals,
  formatMillimetres,
  formatMeasure,
  formatNumber,
} from '@/core/units';
import { Pick, QuantityField, Why, Check, Press } from '@/view/shared';
import { useEditor, useEditorLater } from '@/view/workspace';
import { msg, worded, noted, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { reasonForDrop } from '../reasons/flow';
import type { CurveOf } from '../curve';
import { RunFittings } from './RunFittings';
import { later } from '@/view/shared/later';
import styles from './FlowStage.module.css';

// Loaded when it is first opened.
const CurveEditor = dynamic(() => later(() => import('../curve').then((m) => m.CurveEditor)));

interface Props {
  readonly graph: LoopGraph;
  readonly state: LoopFlow;
  readonly network: FlowNetwork;
}
const ORDERS = worded(
  () =>
    [
      { value: 'loss', label: msg`largest first` },
      { value: 'flow', label: msg`in flow order` },
      { value: 'name', label: msg`by name` },
    ] as const,
);

/**
 * What each part and run takes of the head, as stairs. A click picks the part everywhere and opens
 * what its figure is made of. The picture under the hand is drawn first; the stairs follow in the
 * next frame.
 */
export function LossStairs({ graph, state, network }: Props) {
  return (
    <Stairs
      design={useEditorLater((s) => s.design)}
      analysis={useEditorLater((s) => s.analysis)}
      graph={useDeferredValue(graph)}
      state={useDeferredValue(state)}
      network={useDeferredValue(network)}
    />
  );
}

const Stairs = memo(function Stairs({
  design,
  analysis,
  graph,
  state,
  network,
}: Props & { readonly design: Design; readonly analysis: Analysis }) {
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const commit = useEditor((s) => s.commit);
  const [order, setOrder] = useState<(typeof ORDERS)[number]['value']>('loss');
  const [editing, setEditing] = useState<CurveOf | null>(null);
  const { flow, runs } = analysis.reports;
  const nameOf = (l: LinkFlow): string =>
    l.component
      ? componentName(design, l.component)
      : (runs.find((r) => r.id === l.id)?.name ?? l.id);
  const rows = stairs(flow.links.filter((l) => l.loop === graph.loop.id));
  const place = (l: LinkFlow): number =>
    l.component ? graph.stations.indexOf(l.component) * 2 : graph.route.indexOf(l.id) * 2 + 1;
  const sorted = [...rows].sort((a, b) => {
    if (order === 'loss') return b.drop_kPa - a.drop_kPa;
    if (order === 'flow') return place(a) - place(b);
    return nameOf(a).localeCompare(nameOf(b));
  });
  const most = Math.max(...rows.map((l) => l.drop_kPa), 0.1);
  return (
    <Section
      title={msg`Pressure drop by part`}
      aside={<Pick label={msg`Order`} hideLabel value={order} options={ORDERS} onPick={setOrder} />}
    >
      <ul className={styles.stairs}>
        {sorted.map((l) => {
          const run = runs.find((r) => r.id === l.id);
          const subject = l.component ?? l.id,
            name = nameOf(l),
            open = picked === subject;
          const component = findComponent(design, l.component);
          const passage =
            component && 'passages' in component.part ? component.part.passages[0] : undefined;
          const measured = passage && passage.points.length > 0 ? passage : null;
          const pipe = network.links.find((n) => n.id === l.id)?.pipe;
          return (
            <li key={l.id} data-picked={open || undefined}>
              <Press
                className={styles.stepName}
                aria-expanded={open}
                onClick={() => pick(open ? null : subject)}
              >
                {name}
                {run?.estimated && l.kind === 'tube' ? (
                  <span className="soft"> {msg`est.`}</span>
                ) : null}
              </Press>
              <span className={styles.stepBar} aria-hidden>
                <span style={{ width: `${(100 * l.drop_kPa) / most}%` }} />
              </span>
              <span className="num">
                <Why
                  reason={reasonForDrop(l, name, pipe && runDrop(pipe, l.flow_Lmin, network.fluid))}
                >
                  {formatKilopascals(l.drop_kPa)}
                </Why>
              </span>
              <span className="num soft">{share(l, state)}</span>
              {open && (
                <div className={styles.detail}>
                  <span>
                    {noted(
                      formatFlow(Math.abs(l.flow_Lmin)),
                      l.reynolds && msg`Re ${formatNumber(l.reynolds)}`,
                      l.reynolds && l.regime,
                      pipe &&
                        pipe.length_mm > 0 &&
                        msg`${formatMillimetres(pipe.length_mm)} of
                          ${formatMeasure(pipe.bore_mm, 'mm')} bore`,
                    )}
                  </span>
                  {run && <RunFittings run={run} loop={graph.loop} />}
                  {measured && component && (
                    <FitLine
                      points={measured.points}
                      source={measured.source}
                      onEdit={() => setEditing({ component, of: 1 })}
                    />
                  )}
                  {component &&
                    (component.part.kind === 'block' || component.part.kind === 'inline') &&
                    measured && (
                      <QuantityPercent
                        label={msg`Clogged`}
                        value={component.settings.clogged ?? 0}
                        onCommit={(v) =>
                          commit(msg`say how far ${component.name} is clogged`, {
                            do: 'component.set',
                            component: component.id,
                            values: { clogged: v },
                          })
                        }
                      />
                    )}
                  {component?.part.kind === 'inline' && component.part.duty === 'valve' && (
                    <label>
                      <Check
                        checked={component.settings.shut ?? false}
                        onChange={(e) =>
                          commit(`${e.target.checked ? 'shut' : 'open'} ${component.name}`, {
                            do: 'component.set',
                            component: component.id,
                            values: { shut: e.target.checked },
                          })
                        }
                      />{' '}
                      {msg`shut`}
                    </label>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
      <p className="soft">
        {sentences(
          msg`est.: the run's length is estimated until it is routed in space.`,
          graph.branched &&
            msg`Shares are of the pumps' work: a branch with half the flow counts half.`,
        )}
      </p>
      <div className={styles.pumpCurves}>
        {graph.links
          .flatMap((l) => (l.law.kind === 'pump' ? (findComponent(design, l.component) ?? []) : []))
          .map((component) => (
            <Press
              key={component.id}
              className={styles.textButton}
              onClick={() => setEditing({ component, of: 'head' })}
            >
              {msg`Measured points of ${component.name}`}
            </Press>
          ))}
      </div>
      {editing && <CurveEditor curve={editing} onClose={() => setEditing(null)} />}
    </Section>
  );
});

/** Legs of one tee stand as one step; what takes next to nothing is left out. */
function stairs(links: readonly LinkFlow[]): readonly LinkFlow[] {
  const byComponent = new Map<string, LinkFlow>();
  const rest: LinkFlow[] = [];
  for (const l of links) {
    if (!l.component) {
      rest.push(l);
      continue;
    }
    const known = byComponent.get(l.component);
    byComponent.set(
      l.component,
      known && l.drop_kPa * l.flow_Lmin < known.drop_kPa * known.flow_Lmin ? known : l,
    );
  }
  return [...byComponent.values(), ...rest]
    .map((l) => ({ ...l, drop_kPa: Math.sign(l.flow_Lmin || 1) * l.drop_kPa }))
    .filter((l) => l.drop_kPa > 0.005);
}

/** Share of the work the pumps do. */
const share = (l: LinkFlow, state: LoopFlow): string =>
  state.head_kPa > 0 && state.flow_Lmin > 0
    ? `${formatNumber((100 * l.drop_kPa * Math.abs(l.flow_Lmin)) / (state.head_kPa * state.flow_Lmin))} %`
    : '–';

function FitLine({
  points,
  source,
  onEdit,
}: {
  readonly points: readonly (readonly [number, number])[];
  readonly source: string | undefined;
  onEdit(): void;
}) {
  const fit = fitOf(points);
  return (
    <span>
      {msg`${points.length} points fit ${formatNumber(fit.a, { decimals: 2 })} Q +
        ${formatNumber(fit.b, { decimals: 2 })} Q² within
        ${formatMeasure(fit.residual_kPa, 'kPa', { decimals: 2 })}${source ? `; ${source}` : ''}.`}{' '}
      <Press className={styles.textButton} onClick={onEdit}>
        {msg`Measured points`}
      </Press>
    </span>
  );
}

function QuantityPercent({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  onCommit(v: number): void;
}) {
  return (
    <QuantityField
      label={label}
      value={100 * value}
      quantity="share"
      width={36}
      min={0}
      max={95}
      onCommit={(v) => v !== null && onCommit(v / 100)}
    />
  );
}
