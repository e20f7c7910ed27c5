'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Press } from '@/view/shared';
import { componentName } from '@/core/design';
import { branchesOf, type FlowNetwork } from '@/core/hydraulics';
import type { LoopGraph } from '@/core/system';
import { formatFlow, formatKilopascals, formatNumber } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

/**
 * Each stretch between splits and joins: what it leads through, its flow, its share and what it
 * takes.
 */
export function BranchTable({
  graph,
  network,
}: {
  readonly graph: LoopGraph;
  readonly network: FlowNetwork;
}) {
  const design = useEditor((s) => s.design);
  const flow = useEditor((s) => s.analysis.reports.flow);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const nameOf = (id: string): string => componentName(design, id);
  const rows = branchesOf(graph, network, flow.links);
  return (
    <Section title={msg`Branches`}>
      {rows.length <= 1 && <p>{msg`This loop does not split: one flow through all of it.`}</p>}
      {rows.length > 1 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`stretch`}</TableCell>
              <TableCell className="num">{msg`flow`}</TableCell>
              <TableCell className="num">{msg`share`}</TableCell>
              <TableCell className="num">{msg`takes`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((b) => (
              <TableRow
                key={b.links.join()}
                data-picked={b.components.includes(picked ?? '') || undefined}
              >
                <TableCell>
                  {b.components.length > 0
                    ? b.components.map((i, k) => (
                        <span key={i}>
                          {k > 0 ? ', ' : ''}
                          <Press className={styles.stepName} onClick={() => pick(i)}>
                            {nameOf(i)}
                          </Press>
                        </span>
                      ))
                    : msg`${nameOf(b.from)} to ${nameOf(b.to)}`}
                  {b.components.length > 0 && (
                    <span className="soft"> {msg`${nameOf(b.from)} to ${nameOf(b.to)}`}</span>
                  )}
                </TableCell>
                <TableCell className="num">{formatFlow(b.flow_Lmin)}</TableCell>
                <TableCell className="num">{formatNumber(100 * b.share)} %</TableCell>
                <TableCell className="num">{formatKilopascals(b.takes_kPa)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Section>
  );
}
