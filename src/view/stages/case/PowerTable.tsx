'use client';
import { memo } from 'react';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName } from '@/core/design';
import { supplyLoad, supplyVerdict } from '@/core/thermal';
import { formatMeasure, formatNumber, formatWatts } from '@/core/units';
import { Mark, Press } from '@/view/shared';
import { useEditor, useEditorLater } from '@/view/workspace';
import { counted, msg, worded, noted, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

const PLUGS = worded(
  () =>
    ({
      'four-pin': msg`four-pin`,
      'three-pin': msg`three-pin`,
      supply: msg`from the power supply`,
    }) as const,
);

/** Which header feeds which fans and pumps, by what lead, with the current against the limit. */
export const PowerTable = memo(function PowerTable() {
  const design = useEditorLater((s) => s.design);
  const analysis = useEditorLater((s) => s.analysis);
  const pick = useEditor((s) => s.pick);
  const { wiring: power } = analysis.reports;
  const plugs = (Object.keys(PLUGS) as (keyof typeof PLUGS)[])
    .filter((k) => power.plugs[k] > 0)
    .map((k) => `${power.plugs[k]} ${PLUGS[k]}`);
  const nameOf = (id: string): string => componentName(design, id);
  if (power.lines.length === 0 && power.unfed.length === 0) return null;
  const supply = supplyLoad(analysis.system, analysis.thermalModel);
  return (
    <Section title={msg`Fans and pumps on the headers`}>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`header`}</TableCell>
            <TableCell>{msg`feeds`}</TableCell>
            <TableCell className="num">{msg`A of A`}</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {power.lines.map((l) => {
            const loadVerdict = () => {
              if (l.current_A > l.limit_A) return 'fails';
              if (l.current_A > 0.9 * l.limit_A) return 'marginal';
              return 'ok';
            };
            return (
              <TableRow key={l.header}>
                <TableCell>{l.header}</TableCell>
                <TableCell>
                  {l.components.map((id, i) => (
                    <span key={id}>
                      {i > 0 ? ', ' : ''}
                      <Press className={styles.link} onClick={() => pick(id)}>
                        {nameOf(id)}
                      </Press>
                    </span>
                  ))}
                  {l.by && (
                    <>
                      <br />
                      <span className="soft">
                        {noted(l.by.name, l.sharedSpeed && msg`all at one speed`)}
                      </span>
                    </>
                  )}
                  {l.way_mm !== null && l.reach_mm !== null && (
                    <>
                      <br />
                      <span className="soft">
                        {noted(
                          msg`about ${formatMeasure(l.way_mm, 'mm')} to the motherboard (estimated)`,
                          msg`cables reach ${formatMeasure(l.reach_mm, 'mm')}`,
                          l.extension && msg`with ${l.extension.name}`,
                        )}
                      </span>
                    </>
                  )}
                </TableCell>
                <TableCell className="num">
                  {msg`${formatNumber(l.current_A, { decimals: 2 })} of
                    ${formatNumber(l.limit_A, { decimals: 1 })}`}
                </TableCell>
                <TableCell>
                  <Mark verdict={loadVerdict()} />
                </TableCell>
              </TableRow>
            );
          })}
          {power.unfed.map((u) => (
            <TableRow key={u.component}>
              <TableCell className="soft">{msg`none`}</TableCell>
              <TableCell>
                {nameOf(u.component)}
                <br />
                <span className="soft">{u.why}</span>
              </TableCell>
              <TableCell />
              <TableCell>
                <Mark verdict="fails" />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="soft">
        {sentences(
          msg`Plugs: ${plugs.join(', ')}.`,
          msg`Left: ${counted(power.freeFan, '# fan header', '# fan headers')},
            ${counted(power.freePump, '# pump header', '# pump headers')}.`,
          power.assumed && msg`The board says nothing of its headers: common ones are assumed.`,
          msg`At full speed and 12 V; starting draws more for a moment. Cables are on the parts
            list.`,
        )}
      </p>
      <p>
        {supply ? (
          <>
            <Mark verdict={supplyVerdict(supply)} />{' '}
            {msg`Supply: ${formatWatts(supply.most_W)} of ${formatWatts(supply.rating_W)} in
              the heaviest load, ${formatWatts(supply.helpers_W)} of it fans and pumps;
              ${formatNumber(100 * (1 - supply.most_W / supply.rating_W))} % margin.`}
          </>
        ) : (
          msg`No power supply is in the build yet.`
        )}
      </p>
    </Section>
  );
});
