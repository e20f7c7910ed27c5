'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { memo, useState } from 'react';
import type { ClearanceReport } from '@/core/clearance';
import { formatMillimetres } from '@/core/units';
import { Mark, Press } from '@/view/shared';
import { useEditor, useEditorLater } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

/** Every part with what its fit says: the drawing in words. */
export const PartsFit = memo(function PartsFit({
  gaps,
}: {
  readonly gaps: ClearanceReport['gaps'];
}) {
  const components = useEditorLater((s) => s.design.components);
  const clearance = useEditorLater((s) => s.analysis.reports.clearance);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const [open, setOpen] = useState(false);
  const unplaced = new Map(clearance.unplaced.map((u) => [u.component, u.why]));
  return (
    <Section
      title={msg`Parts in the case`}
      aside={
        <Press className={styles.link} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? msg`Collapse` : msg`List all ${components.length}`}
        </Press>
      }
    >
      {open && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`part`}</TableCell>
              <TableCell>{msg`nearest thing`}</TableCell>
              <TableCell className="num">{msg`gap`}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {components.map((component) => {
              const near = gaps.find((g) => g.a === component.id || g.b === component.id),
                why = unplaced.get(component.id);
              const hangs = component.placement.on === 'line';
              const nearestWords = () => {
                if (why) return why;
                if (hangs) return msg`its runs are connected to it`;
                if (near) {
                  if (near.a === component.id) return near.nameB;
                  return near.nameA;
                }
                return msg`nothing near`;
              };
              const partVerdict = () => {
                if (why) return 'marginal';
                if (hangs) return 'unchecked';
                if (near?.verdict === 'clash') return 'fails';
                if (near?.verdict === 'marginal') return 'marginal';
                return 'ok';
              };
              return (
                <TableRow key={component.id} data-picked={picked === component.id || undefined}>
                  <TableCell>
                    <Press className={styles.link} onClick={() => pick(component.id)}>
                      {component.name}
                    </Press>
                  </TableCell>
                  <TableCell className="soft">{nearestWords()}</TableCell>
                  <TableCell className="num">
                    {near && !why
                      ? formatMillimetres(near.gap_mm, Math.abs(near.gap_mm) < 10 ? 1 : 0)
                      : ''}
                  </TableCell>
                  <TableCell>
                    <Mark verdict={partVerdict()} />
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
    </Section>
  );
});
