'use client';
import dynamic from 'next/dynamic';
import { CASE_WORDS } from '@/core/components';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { formatCelsius, formatShown, formatWatts, unitShown } from '@/core/units';
import { Mark, Why, rich } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, noted, sentences } from '@/core/messages';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForSpot } from '../reasons/heat';
import { SourceTable } from './SourceTable';
import { spotVerdict } from './spotVerdict';
import { WattBars } from './WattBars';
import { byRoom } from '../spotOrder';
import { later } from '@/view/shared/later';
import styles from './HeatStage.module.css';

// Only what begins a build needs the catalogue.
const FirstBuild = dynamic(() => later(() => import('./FirstBuild').then((m) => m.FirstBuild)));

/** Watts of every part in each load case, in the loop against left on air. */
export function HeatStage() {
  const brief = useEditor((s) => s.design.brief);
  const analysis = useEditor((s) => s.analysis);
  const open = useEditor((s) => s.open);
  const { heat } = analysis.reports;
  const judged = heat[brief.loadCase];
  if (judged.parts.length === 0)
    return (
      <EmptyStage
        stage="heat"
        title={msg`Nothing makes heat yet`}
        text={msg`Begin with the machine: board, processor, graphics card, memory. Their draw
          decides how much radiator you need.`}
        action={msg`Open the catalogue`}
        onAction={() => open('stores')}
      >
        <FirstBuild />
      </EmptyStage>
    );
  const air = judged.parts.filter((p) => p.to === 'air');
  const waiting = judged.unconnected_W;
  return (
    <StageFrame
      stage="heat"
      title={msg`${formatWatts(judged.inLoop_W + judged.airCooled_W + waiting)} under
        ${CASE_WORDS[brief.loadCase]}`}
      sentence={
        <>
          {sentences(
            waiting > 0
              ? msg`${formatWatts(waiting)} wait for their blocks to be connected into a loop.`
              : msg`${formatWatts(judged.inLoop_W)} go into the coolant, the pump\u2019s own heat
                  among them.`,
            air.length === 0
              ? msg`Nothing is air-cooled.`
              : msg`${formatWatts(judged.airCooled_W)} stay air-cooled and warm the case to
                  ${formatCelsius(judged.caseAir_C, 1)}.`,
          )}
        </>
      }
      side={
        <>
          <SourceTable />
          <Section title={msg`Hot spots under ${CASE_WORDS[brief.loadCase]}`}>
            <Table>
              <TableHead>
                <TableRow>
                  <TableCell>{msg`hot spot`}</TableCell>
                  <TableCell className="num">{msg`reaches`}</TableCell>
                  <TableCell className="num">{msg`limit, ${unitShown('°C')}`}</TableCell>
                  <TableCell />
                </TableRow>
              </TableHead>
              <TableBody>
                {[...judged.hotSpots].sort(byRoom).map((s) => (
                  <TableRow key={`${s.component}-${s.hotSpot}`}>
                    <TableCell>{noted(s.name, !s.cooledBy && msg`air-cooled`)}</TableCell>
                    <TableCell className="num">
                      {s.temp_C === null ? (
                        msg`unknown yet`
                      ) : (
                        <Why reason={reasonForSpot(s)}>{formatCelsius(s.temp_C)}</Why>
                      )}
                    </TableCell>
                    <TableCell className="num soft">{formatShown(s.limit_C, '°C')}</TableCell>
                    <TableCell>
                      <Mark verdict={spotVerdict(s)} />
                    </TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
          </Section>
        </>
      }
    >
      <div className={styles.chart} role="table" aria-label={msg`Watts by load case`}>
        <WattBars heat={heat} />
        <p className={styles.key}>
          {rich`${(<span className={styles.inLoop} />)} in the loop ${(<span className={styles.onAir} />)} air-cooled ${
            waiting > 0 && (
              <>
                <span className={styles.waiting} /> {msg`block not connected yet`}{' '}
              </>
            )
          } ${(
            <span className="soft">
              {msg`The brief is judged under the marked load; click another to change it. Drag
                the end of a part, or use the arrow keys on it, to set its share.`}
            </span>
          )}`}
        </p>
      </div>
    </StageFrame>
  );
}
