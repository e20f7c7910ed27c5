'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { familyOf, PLAIN_FAMILY } from '@/core/studies';
import { formatMoney } from '@/core/units';
import { Press } from '@/view/shared';
import { useEditor, useFamilies } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

/**
 * Fittings of the whole build changed for another family at once, with what it costs and what
 * stays.
 */
export function FamilyPicker() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const { result: families } = useFamilies();
  if (design.loops.length === 0) return null;
  const { bom: list } = analysis.reports,
    now = new Set([
      ...design.loops.map((l) => familyOf(l.fitting)),
      familyOf(design.kit.rotary90),
      familyOf(design.kit.plug),
    ]);
  return (
    <Section title={msg`Family of the fittings`}>
      {!families && <p className="soft">{msg`Being worked out …`}</p>}
      <Table>
        <TableBody>
          {(families ?? []).map(({ family, edit, stays, more_minor, isAll }) => (
            <TableRow key={family}>
              <TableCell>
                {family === PLAIN_FAMILY ? msg`plain` : family}
                {now.has(family) && now.size === 1 ? (
                  <span className="soft"> {msg`now`}</span>
                ) : null}
              </TableCell>
              <TableCell className="num soft">
                {isAll ? '' : `${more_minor >= 0 ? '+' : '−'}${formatMoney(Math.abs(more_minor))}`}
              </TableCell>
              <TableCell>
                {isAll ? null : (
                  <Press
                    className={styles.quiet}
                    onClick={() => commit(msg`change all fittings to ${family}`, edit)}
                  >
                    {msg`change all`}
                  </Press>
                )}
                {stays.length > 0 && !isAll ? (
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
