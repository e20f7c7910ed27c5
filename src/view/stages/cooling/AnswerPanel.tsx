'use client';
import { memo, useDeferredValue, type ReactNode } from 'react';
import { CASE_NAMES, CASE_WORDS } from '@/core/components';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Analysis } from '@/core/analysis';
import { findComponent, type Design } from '@/core/design';
import type { Uncertainty } from '@/core/thermal';
import { formatCelsius, formatNumber, formatShown, formatWatts, unitShown } from '@/core/units';
import { Mark, QuantityField, Segments, Why, Press, rich } from '@/view/shared';
import { useEditor, useEditorLater } from '@/view/workspace';
import { msg, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { spotVerdict } from '../heat/spotVerdict';
import { reasonForCarries, reasonForRadiator } from '../reasons/cooling';
import { reasonForSpot } from '../reasons/heat';
import { byRoom } from '../spotOrder';
import { SpeedProfiles } from './SpeedProfiles';
import styles from './CoolingStage.module.css';

/** Spots shown: the nearest to their limits. */
const MOST_SPOTS = 6;

interface Props {
  readonly bands: Uncertainty | null;
  readonly held: boolean;
}

/**
 * The brief's limits, what each radiator takes, and the spots nearest to their limits. The picture
 * under the hand is drawn first; these follow in the next frame.
 */
export function AnswerPanel({ bands, held }: Props) {
  const design = useEditorLater((s) => s.design);
  const analysis = useEditorLater((s) => s.analysis);
  return (
    <Answer
      design={design}
      analysis={analysis}
      bands={useDeferredValue(bands)}
      held={useDeferredValue(held)}
    />
  );
}

const Answer = memo(function Answer({
  design,
  analysis,
  bands,
  held,
}: Props & { readonly design: Design; readonly analysis: Analysis }) {
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const report = analysis.reports.heat[design.brief.loadCase];
  const { summer, sizing } = analysis.reports;
  const { limits } = design.brief;
  const bandOf = (component: string, spot: string): ReactNode => {
    if (!bands)
      return (
        <>
          <span aria-hidden>…</span>
          <span className="visually-hidden">{msg`not worked out yet`}</span>
        </>
      );
    const b = bands?.hotSpots.find((x) => x.component === component && x.hotSpot === spot)?.temp_C;
    return b ? msg`${formatShown(b.low, '°C')} to ${formatShown(b.high, '°C')}` : '';
  };
  const summerOf = (component: string, spot: string): string =>
    formatShown(
      summer?.hotSpots.find((x) => x.component === component && x.hotSpot === spot)?.temp_C,
      '°C',
    );
  return (
    <>
      <Section title={msg`Limits of the brief`}>
        <div className={styles.limits}>
          <QuantityField
            label={msg`Coolant ΔT`}
            width={40}
            value={limits.deltaT_K}
            quantity="difference"
            decimals={1}
            min={0.5}
            max={60}
            onCommit={(v) =>
              v !== null &&
              commit(msg`set the coolant ΔT`, { do: 'brief.limit', values: { deltaT_K: v } })
            }
          />
          <QuantityField
            label={msg`Noise`}
            width={40}
            value={limits.noise_dBA}
            quantity="sound"
            min={5}
            max={90}
            onCommit={(v) =>
              v !== null &&
              commit(msg`set the noise`, { do: 'brief.limit', values: { noise_dBA: v } })
            }
          />
          <QuantityField
            label={msg`Room`}
            width={44}
            value={design.brief.room_C}
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) =>
              v !== null &&
              commit(msg`set the room temperature`, { do: 'brief.set', values: { room_C: v } })
            }
          />
          <QuantityField
            label={msg`In summer`}
            width={44}
            value={design.brief.summer_C ?? null}
            optional
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) =>
              commit(msg`set the summer room`, {
                do: 'brief.set',
                values: { summer_C: v ?? undefined },
              })
            }
          />
        </div>
      </Section>
      {sizing.carries && (
        <p className={styles.carries}>
          {rich`Within the brief it would carry ${(
            <Why reason={reasonForCarries(sizing.carries, limits)}>
              {formatWatts(sizing.carries.heat_W)}
            </Why>
          )} of parts, ${formatNumber(100 * sizing.carries.ofNow)} % of what it has. ${riskWords(bands, held)}`}
        </p>
      )}
      <Section
        title={msg`Radiators`}
        aside={
          <Segments
            label={msg`Load case`}
            value={design.brief.loadCase}
            options={(['gaming', 'render', 'stress'] as const).map((value) => ({
              value,
              label: CASE_NAMES[value],
            }))}
            onPick={(loadCase) =>
              commit(msg`judge under ${CASE_WORDS[loadCase]}`, {
                do: 'brief.set',
                values: { loadCase },
              })
            }
          />
        }
      >
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`radiator`}</TableCell>
              <TableCell className="num">{msg`takes`}</TableCell>
              <TableCell className="num">{msg`air in`}</TableCell>
              <TableCell className="num">{msg`speed`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {report.radiators.map((r) => {
              const fans = analysis.thermalModel.radiators.find((x) => x.id === r.id)?.fans ?? [];
              return (
                <TableRow key={r.id} data-picked={picked === r.id || undefined}>
                  <TableCell>
                    <Press className={styles.link} onClick={() => pick(r.id)}>
                      {findComponent(design, r.id)?.name}
                    </Press>
                  </TableCell>
                  <TableCell className="num">
                    <Why reason={reasonForRadiator(r)}>{formatWatts(r.heat_W)}</Why>
                  </TableCell>
                  <TableCell className="num">{formatCelsius(r.airIn_C, 1)}</TableCell>
                  <TableCell className="num">
                    <span className={styles.speeds}>
                      {fans.map((f) => (
                        <QuantityField
                          key={f.component}
                          label={msg`Speed of
                            ${findComponent(design, f.component)?.name ?? msg`the fans`}`}
                          hideLabel
                          width={46}
                          value={f.speed_rpm}
                          quantity="speed"
                          min={f.part.minSpeed_rpm}
                          max={f.part.fullSpeed_rpm}
                          onCommit={(v) =>
                            v !== null &&
                            commit(msg`set a fan speed`, {
                              do: 'component.set',
                              component: f.component,
                              values: { speed_rpm: v },
                            })
                          }
                        />
                      ))}
                    </span>
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </Section>
      <SpeedProfiles />
      <Section title={msg`Hot spots under ${CASE_WORDS[design.brief.loadCase]}`}>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`hot spot`}</TableCell>
              <TableCell className="num">{unitShown('°C')}</TableCell>
              <TableCell className="num">{msg`90 % range`}</TableCell>
              {summer && <TableCell className="num">{msg`summer`}</TableCell>}
              <TableCell className="num">{msg`limit`}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {[...report.hotSpots]
              .sort(byRoom)
              .slice(0, MOST_SPOTS)
              .map((s) => (
                <TableRow key={`${s.component}-${s.hotSpot}`}>
                  <TableCell>{noted(s.name, !s.cooledBy && msg`air-cooled`)}</TableCell>
                  <TableCell className="num">
                    <Why reason={reasonForSpot(s)}>{formatShown(s.temp_C, '°C')}</Why>
                  </TableCell>
                  <TableCell className="num soft">{bandOf(s.component, s.hotSpot)}</TableCell>
                  {summer && (
                    <TableCell className="num">{summerOf(s.component, s.hotSpot)}</TableCell>
                  )}
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
  );
});

/** Chance below which the brief counts as sure to hold, and above which as sure to fail. */
const SURE = 0.05;
function riskWords(bands: Uncertainty | null, held: boolean): string {
  if (!bands?.deltaT_K || bands.riseOver < SURE || bands.riseOver > 1 - SURE) return '';
  return held
    ? msg`The band crosses the limit: about ${formatNumber(100 * bands.riseOver)} in 100 such
      builds would run warmer than you ask.`
    : msg`The band crosses the limit: about ${formatNumber(100 * (1 - bands.riseOver))} in 100
      such builds would meet it.`;
}
