'use client';
import { findComponent } from '@/core/design';
import type { Uncertainty } from '@/core/thermal';
import { formatCelsius, formatNumber, formatWatts } from '@/core/units';
import { Mark, QuantityField, Segments, Why } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { CASE_NAMES } from '../brief/BriefStage';
import { Section } from '../frame/StageFrame';
import { spotVerdict } from '../heat/spotVerdict';
import { reasonForCarries, reasonForRadiator, reasonForSpot } from '../reasons';
import { byRoom } from '../spotOrder';
import { SpeedProfiles } from './SpeedProfiles';
import styles from './CoolingStage.module.css';

/** Spots shown: the nearest to their limits. */
const MOST_SPOTS = 6;

/** The brief's limits, what each radiator takes, and the spots nearest to their limits. */
export function AnswerPanel({
  bands,
  held,
}: {
  readonly bands: Uncertainty | null;
  readonly held: boolean;
}) {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const report = analysis.reports.heat[design.brief.loadCase];
  const { summer, sizing } = analysis.reports;
  const { limits } = design.brief;
  const bandOf = (component: string, spot: string): string => {
    const b = bands?.hotSpots.find((x) => x.component === component && x.hotSpot === spot)?.temp_C;
    return b ? `${formatNumber(b.low)} to ${formatNumber(b.high)}` : '';
  };
  const summerOf = (component: string, spot: string): string =>
    formatNumber(
      summer?.hotSpots.find((x) => x.component === component && x.hotSpot === spot)?.temp_C,
    );
  return (
    <>
      <Section title="Limits of the brief">
        <div className={styles.limits}>
          <QuantityField
            label="Coolant ΔT"
            width={40}
            value={limits.deltaT_K}
            quantity="difference"
            decimals={1}
            min={0.5}
            max={60}
            onCommit={(v) =>
              v !== null &&
              commit('set the coolant ΔT', { do: 'brief.limit', values: { deltaT_K: v } })
            }
          />
          <QuantityField
            label="Noise"
            width={40}
            value={limits.noise_dBA}
            quantity="sound"
            min={5}
            max={90}
            onCommit={(v) =>
              v !== null && commit('set the noise', { do: 'brief.limit', values: { noise_dBA: v } })
            }
          />
          <QuantityField
            label="Room"
            width={44}
            value={design.brief.room_C}
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) =>
              v !== null &&
              commit('set the room temperature', { do: 'brief.set', values: { room_C: v } })
            }
          />
          <QuantityField
            label="In summer"
            width={44}
            value={design.brief.summer_C ?? null}
            optional
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) =>
              commit('set the summer room', {
                do: 'brief.set',
                values: { summer_C: v ?? undefined },
              })
            }
          />
        </div>
      </Section>
      {sizing.carries && (
        <p className={styles.carries}>
          Within the brief it would carry{' '}
          <Why reason={reasonForCarries(sizing.carries, limits)}>
            {formatWatts(sizing.carries.heat_W)}
          </Why>{' '}
          of parts, {formatNumber(100 * sizing.carries.ofNow)} % of what it has.{' '}
          {riskWords(bands, held)}
        </p>
      )}
      <Section
        title="Radiators"
        aside={
          <Segments
            label="Load case"
            value={design.brief.loadCase}
            options={(['gaming', 'render', 'stress'] as const).map((value) => ({
              value,
              label: CASE_NAMES[value],
            }))}
            onPick={(loadCase) =>
              commit(`judge under ${CASE_NAMES[loadCase].toLowerCase()}`, {
                do: 'brief.set',
                values: { loadCase },
              })
            }
          />
        }
      >
        <table>
          <thead>
            <tr>
              <th>radiator</th>
              <th className="num">takes</th>
              <th className="num">air in</th>
              <th className="num">speed</th>
            </tr>
          </thead>
          <tbody>
            {report.radiators.map((r) => {
              const fans = analysis.thermalModel.radiators.find((x) => x.id === r.id)?.fans ?? [];
              return (
                <tr key={r.id} data-picked={picked === r.id || undefined}>
                  <td>
                    <button type="button" className={styles.link} onClick={() => pick(r.id)}>
                      {findComponent(design, r.id)?.name}
                    </button>
                  </td>
                  <td className="num">
                    <Why reason={reasonForRadiator(r)}>{formatWatts(r.heat_W)}</Why>
                  </td>
                  <td className="num">{formatCelsius(r.airIn_C, 1)}</td>
                  <td className="num">
                    <span className={styles.speeds}>
                      {fans.map((f) => (
                        <QuantityField
                          key={f.component}
                          label={`Speed of ${findComponent(design, f.component)?.name ?? 'the fans'}`}
                          hideLabel
                          width={46}
                          value={f.speed_rpm}
                          quantity="speed"
                          min={f.part.minSpeed_rpm}
                          max={f.part.fullSpeed_rpm}
                          onCommit={(v) =>
                            v !== null &&
                            commit('set a fan speed', {
                              do: 'component.set',
                              component: f.component,
                              values: { speed_rpm: v },
                            })
                          }
                        />
                      ))}
                    </span>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </Section>
      <SpeedProfiles />
      <Section title={`Hottest spots under ${CASE_NAMES[design.brief.loadCase].toLowerCase()}`}>
        <table>
          <thead>
            <tr>
              <th>spot</th>
              <th className="num">°C</th>
              <th className="num">90 % range</th>
              {summer && <th className="num">summer</th>}
              <th className="num">limit</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {[...report.hotSpots]
              .sort(byRoom)
              .slice(0, MOST_SPOTS)
              .map((s) => (
                <tr key={`${s.component}-${s.hotSpot}`}>
                  <td>
                    {s.name}
                    {s.cooledBy ? '' : ', air-cooled'}
                  </td>
                  <td className="num">
                    <Why reason={reasonForSpot(s)}>{formatNumber(s.temp_C)}</Why>
                  </td>
                  <td className="num soft">{bandOf(s.component, s.hotSpot)}</td>
                  {summer && <td className="num">{summerOf(s.component, s.hotSpot)}</td>}
                  <td className="num soft">{formatNumber(s.limit_C)}</td>
                  <td>
                    <Mark verdict={spotVerdict(s)} />
                  </td>
                </tr>
              ))}
          </tbody>
        </table>
      </Section>
    </>
  );
}

/** Chance below which the brief counts as sure to hold, and above which as sure to fail. */
const SURE = 0.05;
function riskWords(bands: Uncertainty | null, held: boolean): string {
  if (!bands?.deltaT_K || bands.riseOver < SURE || bands.riseOver > 1 - SURE) return '';
  return held
    ? `The band crosses the limit: about ${formatNumber(100 * bands.riseOver)} in 100 such builds would run warmer than you ask.`
    : `The band crosses the limit: about ${formatNumber(100 * (1 - bands.riseOver))} in 100 such builds would meet it.`;
}
