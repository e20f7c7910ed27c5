'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { findComponent } from '@/core/design';
import { useState } from 'react';
import type { LoopFlow, NodePressure } from '@/core/hydraulics';
import type { LoopGraph } from '@/core/system';
import { formatMeasure, formatMillimetres, formatShown, unitShown } from '@/core/units';
import { Segments, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, noted, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

const shown = (v: number, signed = false): string => formatShown(v, 'kPa', { decimals: 1, signed });
const kPa = (v: number, signed = false): string => formatMeasure(v, 'kPa', { decimals: 1, signed });

/**
 * Pressure along the loop: what pump and losses make of it, what height adds, and both with the air
 * on top.
 */
export function PressureTable({
  graph,
  state,
}: {
  readonly graph: LoopGraph;
  readonly state: LoopFlow;
}) {
  const design = useEditor((s) => s.design);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const [against, setAgainst] = useState<'air' | 'vacuum'>('air');
  const { profile } = state;
  if (!profile)
    return (
      <Section title={msg`Pressures`}>
        <p>{msg`Nothing flows, so no pressures are known.`}</p>
      </Section>
    );
  const rows = inFlowOrder(graph, profile.nodes);
  const nameOf = (n: NodePressure): string => {
    const component = findComponent(design, n.component);
    const chambers = rows.filter((r) => r.component === n.component);
    const isOne = chambers.length < 2;
    return noted(
      component?.name ?? n.component,
      !isOne && n === chambers[0] && msg`in`,
      !isOne && n === chambers[chambers.length - 1] && msg`out`,
    );
  };
  const lowest = profile.lowest,
    lowName = lowest ? nameOf(lowest) : '';
  const flowLow = rows.reduce<NodePressure | null>(
    (a, b) => (a && a.relative_kPa <= b.relative_kPa ? a : b),
    null,
  );
  return (
    <Section
      title={msg`Pressures`}
      aside={
        <Segments
          label={msg`Total`}
          value={against}
          options={[
            { value: 'air', label: msg`over the air outside` },
            { value: 'vacuum', label: msg`absolute` },
          ]}
          onPick={setAgainst}
        />
      }
    >
      <p>
        {sentences(
          flowLow && msg`What flows presses least at ${nameOf(flowLow)}.`,
          lowest &&
            (lowest.absolute_kPa < profile.air_kPa - 0.05
              ? msg`With heights, least at ${lowName}: ${kPa(lowest.absolute_kPa)} absolute,
                  ${kPa(profile.air_kPa - lowest.absolute_kPa)} under the air outside.`
              : msg`With heights, least at ${lowName}: ${kPa(lowest.absolute_kPa)} absolute.`),
        )}
      </p>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`at`}</TableCell>
            <TableCell className="num">{msg`height, ${unitShown('mm')}`}</TableCell>
            <TableCell className="num">{msg`by flow, ${unitShown('kPa')}`}</TableCell>
            <TableCell className="num">
              {`${against === 'air' ? msg`over air` : 'absolute'}, ${unitShown('kPa')}`}
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((n) => (
            <TableRow key={n.node} data-picked={picked === n.component || undefined}>
              <TableCell>
                <Press className={styles.stepName} onClick={() => pick(n.component)}>
                  {nameOf(n)}
                </Press>
                {n === lowest && <span className="soft"> {msg`lowest`}</span>}
              </TableCell>
              <TableCell className="num">
                {n.height_mm === null ? msg`no place` : formatShown(n.height_mm, 'mm')}
              </TableCell>
              <TableCell className="num">{shown(n.relative_kPa, true)}</TableCell>
              <TableCell
                className="num"
                title={
                  n.height_mm === null
                    ? undefined
                    : msg`${kPa(n.relative_kPa, true)} by flow, ${kPa(n.height_kPa, true)} by
                      standing
                      ${formatMillimetres(Math.abs(n.height_mm - (profile.surface_mm ?? n.height_mm)))}
                      ${n.height_kPa < 0 ? msg`over` : msg`under`} the surface`
                }
              >
                {against === 'air'
                  ? shown(n.absolute_kPa - profile.air_kPa, true)
                  : shown(n.absolute_kPa)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="soft">
        {msg`By flow: against the reservoir, what pump and losses make. The last column adds what height does. The surface is at ${
          profile.surface_mm === null
            ? msg`no known height: the reservoir has no place`
            : msg`${formatMillimetres(profile.surface_mm)} over the case's floor`
        }; air on it ${kPa(profile.air_kPa)} at ${formatMeasure(design.brief.altitude_m, 'm')}. A filled height adds and takes the same on the way round, so it changes no flow.`}
      </p>
    </Section>
  );
}

/** Nodes as the flow meets them: by visit, and within a part as its passage leads. */
function inFlowOrder(graph: LoopGraph, nodes: readonly NodePressure[]): readonly NodePressure[] {
  const { layout } = graph;
  const names: string[] = [];
  for (const v of layout.order) {
    const own = layout.visits[v]?.nodes ?? [];
    const into = layout.legs.find((l) => l.to === v),
      out = layout.legs.find((l) => l.from === v);
    const entry = graph.links.find((e) => e.id === into?.connection)?.to,
      exit = graph.links.find((e) => e.id === out?.connection)?.from;
    names.push(
      ...new Set([entry, exit].filter((n): n is string => n !== undefined && own.includes(n))),
    );
  }
  return names.flatMap((n) => nodes.find((p) => p.node === n) ?? []);
}
