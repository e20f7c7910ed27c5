'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Press } from '@/view/shared';
import { findComponent } from '@/core/design';
import { useMemo } from 'react';
import {
  flowBand,
  flowLossSweep,
  FLOW_LOSS_SHARES,
  type FlowNetwork,
  type LoopFlow,
} from '@/core/hydraulics';
import type { LoopGraph } from '@/core/system';
import { formatFlow, formatNumber, formatShown, unitShown } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { msg, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

/**
 * What dirt does: the loop's flow when a share of one part's channels is plugged. A flow seen
 * sagging points to its cause.
 */
export function DirtTable({
  graph,
  state,
  network,
}: {
  readonly graph: LoopGraph;
  readonly state: LoopFlow;
  readonly network: FlowNetwork;
}) {
  const design = useEditor((s) => s.design);
  const flow = useEditor((s) => s.analysis.reports.flow);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const rows = useMemo(() => flowLossSweep(graph, network), [graph, network]);
  const through = (component: string): number =>
    Math.max(
      0,
      ...flow.links
        .filter((l) => l.component === component && l.loop === state.id)
        .map((l) => Math.abs(l.flow_Lmin)),
    );
  const target = design.brief.limits.flow_Lmin;
  return (
    <Section title={msg`When a part clogs`}>
      {rows.length === 0 ? (
        <p>{msg`No block, filter or meter in this loop: nothing where dirt would settle.`}</p>
      ) : (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`plugged`}</TableCell>
              <TableCell className="num">{msg`clean`}</TableCell>
              {FLOW_LOSS_SHARES.map((s) => (
                <TableCell key={s} className="num">
                  {formatNumber(100 * s)} %
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((r) => {
              const component = findComponent(design, r.component);
              return (
                <TableRow key={r.component} data-picked={picked === r.component || undefined}>
                  <TableCell>
                    <Press className={styles.stepName} onClick={() => pick(r.component)}>
                      {component?.name ?? r.component}
                    </Press>
                    {component?.settings.clogged ? (
                      <span className="soft">
                        {' '}
                        {msg`${formatNumber(100 * component.settings.clogged)} % already`}
                      </span>
                    ) : null}
                  </TableCell>
                  <TableCell className="num">
                    {formatShown(state.flow_Lmin, 'L/min', { decimals: 1 })}
                    {graph.branched ? (
                      <>
                        <br />
                        <span className="soft">
                          {formatShown(through(r.component), 'L/min', { decimals: 1 })}
                        </span>
                      </>
                    ) : null}
                  </TableCell>
                  {r.steps.map((s) => (
                    <TableCell
                      key={s.share}
                      className="num"
                      title={msg`${formatFlow(s.through_Lmin)} through the part;
                        ${flowBand(s.flow_Lmin)}`}
                    >
                      {formatShown(s.flow_Lmin, 'L/min', { decimals: 1 })}
                      {s.flow_Lmin < target ? (
                        <span className={styles.under}> {msg`under`}</span>
                      ) : null}
                      {graph.branched ? (
                        <>
                          <br />
                          <span className="soft">
                            {formatShown(s.through_Lmin, 'L/min', { decimals: 1 })}
                          </span>
                        </>
                      ) : null}
                    </TableCell>
                  ))}
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
      <p className="soft">
        {sentences(
          graph.branched
            ? msg`Flow round the loop, ${unitShown('L/min')}, with that share of the part's channels
                plugged, and under it the flow through the part.`
            : msg`Flow round the loop, ${unitShown('L/min')}, with that share of the part's channels
                plugged.`,
          msg`“Under” is below the ${formatFlow(target)} you ask for. Plugged channels send their
            flow through the rest: dp(Q) becomes dp(Q / open share).`,
        )}
      </p>
    </Section>
  );
}
