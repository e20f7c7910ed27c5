'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { applyEdit, type Design } from '@/core/design';
import { familyChange, familyOf, PLAIN_FAMILY } from '@/core/studies';
import { buildBom } from '@/core/bom';
import { compileSystem } from '@/core/system';
import { formatMoney } from '@/core/units';
import { runsOf } from '@/core/routing';
import { useOffer, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

/** The list alone, its runs estimated: both sides of a difference alike. */
const costOf = (design: Design): number => {
  const system = compileSystem(design);
  return buildBom(system, runsOf(system)).loopTotal;
};

/**
 * Fittings of the whole build changed for another family at once, with what it costs and what
 * stays.
 */
export function FamilyPicker() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const fittings = useOffer('fitting');
  const changes = useMemo(() => {
    const now = costOf(design);
    return [...new Set(fittings.map(familyOf))].map((f) => {
      const { edit, stays } = familyChange(design, f, fittings),
        all = edit.do === 'batch' && edit.edits.length === 0;
      return { f, edit, stays, all, more: all ? 0 : costOf(applyEdit(design, edit).design) - now };
    });
  }, [design, fittings]);
  if (design.loops.length === 0) return null;
  const { bom: list } = analysis.reports,
    now = new Set([
      ...design.loops.map((l) => familyOf(l.fitting)),
      familyOf(design.kit.rotary90),
      familyOf(design.kit.plug),
    ]);
  return (
    <Section title={msg`Family of the fittings`}>
      <Table>
        <TableBody>
          {changes.map(({ f, edit, stays, all, more }) => (
            <TableRow key={f}>
              <TableCell>
                {f === PLAIN_FAMILY ? msg`plain` : f}
                {now.has(f) && now.size === 1 ? <span className="soft"> {msg`now`}</span> : null}
              </TableCell>
              <TableCell className="num soft">
                {all ? '' : `${more >= 0 ? '+' : '−'}${formatMoney(Math.abs(more))}`}
              </TableCell>
              <TableCell>
                {all ? null : (
                  <Press
                    className={styles.quiet}
                    onClick={() => commit(msg`change all fittings to ${f}`, edit)}
                  >
                    {msg`change all`}
                  </Press>
                )}
                {stays.length > 0 && !all ? (
                  <span className="soft"> {msg`(not in it: ${stays.join(', ')})`}</span>
                ) : null}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="soft">
        {msg`Differences in ${design.brief.currency} against ${formatMoney(list.loopTotal)} now,
          runs estimated. Every run and cap follows; what no longer matches is a finding.`}
      </p>
    </Section>
  );
}
