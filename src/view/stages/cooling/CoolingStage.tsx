'use client';
import type { CoolingCurve } from '@/core/heat';
import { worstRise } from '@/core/heat';
import { formatCelsius, formatKelvin, formatNumber, formatSpeed, formatWatts } from '@/core/quantity';
import { neededWords } from '@/core/rule';
import { Mark, QuantityField, Segments, Why } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { useCurves } from '@/worker/useCurves';
import { CASE_NAMES } from '../brief/BriefStage';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForNeeded, reasonForNoise, reasonForRadiator, reasonForRise, reasonForSpot } from '../reasons';
import { spotVerdict } from '../heat/spotVerdict';
import { NoiseRiseChart } from './NoiseRiseChart';
import styles from './CoolingStage.module.css';

/** Is this enough radiator at a noise I can live with? */
export function CoolingStage() {
  const { build, workings, commit, open, pick, picked } = useBench((s) => s);
  const { curves, stale } = useCurves(build);
  const report = workings.reports.heat[build.brief.loadCase];
  const { sizing } = workings.reports;
  const { limits } = build.brief;
  const rise = worstRise(report);
  if (workings.setup.radiators.length === 0) {
    return <EmptyStage title="No radiator in a loop yet" text={build.items.some((i) => i.part.kind === 'radiator') ? 'A radiator is there, but no loop goes through it. Connect the loop in the line below, then the answer appears here.' : 'Add a radiator and fans for it, and connect the loop. Then this page says how warm the coolant gets at which noise, and how many sections you need.'} action="Open the Stores" onAction={() => open('stores')} />;
  }
  const speeds = [...new Set(workings.setup.radiators.flatMap((r) => r.fans.map((f) => Math.round(f.speed_rpm))))];
  const speed = speeds.length === 1 ? formatSpeed(speeds[0]) : speeds.length === 0 ? 'no fans' : `${formatNumber(Math.min(...speeds))} to ${formatSpeed(Math.max(...speeds))}`;
  const held = rise !== null && rise <= limits.rise_K, quiet = report.noise_dBA <= limits.noise_dBA + 0.05;
  const title = rise === null ? 'No steady temperature' : held && quiet ? 'The brief holds, quietly' : held ? 'Cool enough, but too loud' : quiet ? 'Quiet enough, but too warm' : 'Too warm and too loud';
  const setSpeed = (rpm: number): void => commit(`fans at ${formatSpeed(rpm)}`, { do: 'fans.speed', speed_rpm: Math.round(rpm) }, 'fans.speed');
  const middle = speeds.length > 0 ? speeds.reduce((a, b) => a + b, 0) / speeds.length : 0;
  return (
    <StageFrame
      stage="cooling" title={title}
      sentence={rise === null ? 'Something stands still: look at the findings beside.' : <>At {speed} the coolant settles <Why reason={reasonForRise(report, build)}>{formatKelvin(rise)}</Why> over the room at <Why reason={reasonForNoise(build)}>{formatNumber(report.noise_dBA, { decimals: 1 })} dBA</Why>. <Why reason={reasonForNeeded(sizing.sections, sizing.sectionsNeeded, rise, limits.rise_K)}>{neededWords(sizing.sectionsNeeded).replace(/^./, (c) => c.toUpperCase())}</Why>; you have {sizing.sections}.{sizing.quietestSpeed_rpm !== null && sizing.quietestNoise_dBA !== null ? ` The slowest that holds is ${formatSpeed(sizing.quietestSpeed_rpm)}, ${formatNumber(sizing.quietestNoise_dBA, { decimals: 1 })} dBA.` : ''}</>}
      side={<>
        <Section title="Radiators" aside={<Segments label="Load case" value={build.brief.loadCase} options={(['play', 'render', 'torture'] as const).map((value) => ({ value, label: CASE_NAMES[value] }))} onPick={(loadCase) => commit(`judge under ${CASE_NAMES[loadCase].toLowerCase()}`, { do: 'brief.set', values: { loadCase } })} />}>
          <table>
            <thead><tr><th>radiator</th><th className="num">takes</th><th className="num">air in</th><th className="num">speed</th></tr></thead>
            <tbody>
              {report.radiators.map((r) => {
                const fans = workings.setup.radiators.find((x) => x.id === r.id)?.fans ?? [];
                return (
                  <tr key={r.id} data-picked={picked === r.id || undefined}>
                    <td><button type="button" className={styles.link} onClick={() => pick(r.id)}>{build.items.find((i) => i.id === r.id)?.name}</button></td>
                    <td className="num"><Why reason={reasonForRadiator(r)}>{formatWatts(r.heat_W)}</Why></td><td className="num">{formatCelsius(r.airIn_C, 1)}</td>
                    <td className="num"><span className={styles.speeds}>{fans.map((f) => <QuantityField key={f.item} label={`Speed of ${build.items.find((i) => i.id === f.item)?.name ?? 'the fans'}`} hideLabel width={46} value={f.speed_rpm} quantity="speed" min={f.part.minSpeed_rpm} max={f.part.fullSpeed_rpm} onCommit={(v) => v !== null && commit('set a fan speed', { do: 'item.set', item: f.item, values: { speed_rpm: v } })} />)}</span></td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="soft">Case air {formatCelsius(report.caseAir_C, 1)}; {formatNumber(report.intake_m3h)} m³/h drawn in, {formatNumber(report.exhaust_m3h)} m³/h blown out.</p>
        </Section>
        <Section title="Limits of the brief">
          <div className={styles.limits}>
            <QuantityField label="Coolant above room" value={limits.rise_K} quantity="difference" decimals={1} min={0.5} max={60} onCommit={(v) => v !== null && commit('set the coolant rise', { do: 'brief.limit', values: { rise_K: v } })} />
            <QuantityField label="Noise" value={limits.noise_dBA} quantity="sound" min={5} max={90} onCommit={(v) => v !== null && commit('set the noise', { do: 'brief.limit', values: { noise_dBA: v } })} />
            <QuantityField label="Room" value={build.brief.room_C} quantity="temperature" decimals={1} min={-20} max={60} onCommit={(v) => v !== null && commit('set the room temperature', { do: 'brief.set', values: { room_C: v } })} />
          </div>
        </Section>
        <Changes curves={curves} speed={middle} stale={stale} />
        <Section title={`Hottest spots under ${CASE_NAMES[build.brief.loadCase].toLowerCase()}`}>
          <table><tbody>{[...report.spots].sort((a, b) => a.limit_C - (a.temp_C ?? 0) - (b.limit_C - (b.temp_C ?? 0))).slice(0, 5).map((s) => <tr key={`${s.item}-${s.spot}`}><td>{s.name}{s.cooledBy ? '' : ', on air'}</td><td className="num"><Why reason={reasonForSpot(s)}>{formatCelsius(s.temp_C)}</Why></td><td className="num soft">limit {formatCelsius(s.limit_C)}</td><td><Mark verdict={spotVerdict(s)} /></td></tr>)}</tbody></table>
        </Section>
      </>}
    >
      {curves.length > 0 && rise !== null && sizing.speedRange_rpm
        ? <NoiseRiseChart curves={curves} stale={stale} now={{ noise_dBA: report.noise_dBA, rise_K: rise, speed_rpm: middle }} limits={limits} range={sizing.speedRange_rpm} onSpeed={setSpeed} />
        : <p className="soft" role="status">{workings.setup.radiators.some((r) => r.fans.length > 0) ? 'Working out the curves' : 'Put fans on a radiator to see rise against noise.'}</p>}
    </StageFrame>
  );
}

/** Rise and noise on a curve at a fan speed, between its points. */
export function atSpeedOn(curve: CoolingCurve, speed: number): { readonly rise_K: number; readonly noise_dBA: number } | null {
  const { points } = curve;
  const upper = points.findIndex((p) => p.speed_rpm >= speed);
  const b = points[Math.max(1, upper)], a = points[Math.max(1, upper) - 1];
  if (!a || !b) return null;
  const t = Math.max(0, Math.min(1, (speed - a.speed_rpm) / (b.speed_rpm - a.speed_rpm)));
  return { rise_K: a.rise_K + t * (b.rise_K - a.rise_K), noise_dBA: a.noise_dBA + t * (b.noise_dBA - a.noise_dBA) };
}

function Changes({ curves, speed, stale }: { readonly curves: readonly CoolingCurve[]; readonly speed: number; readonly stale: boolean }) {
  const now = curves.find((c) => c.id === 'now');
  const here = now && atSpeedOn(now, speed);
  if (!here) return null;
  return (
    <Section title="What one change would do">
      <table style={{ opacity: stale ? 0.55 : 1 }} aria-busy={stale}>
        <thead><tr><th>change, at the same fan speed</th><th className="num">coolant</th><th className="num">noise</th></tr></thead>
        <tbody>
          {curves.filter((c) => c.id !== 'now').map((c) => {
            const p = atSpeedOn(c, speed);
            return p && <tr key={c.id}><td>{c.label.replace(/^./, (x) => x.toUpperCase())}</td><td className="num">{formatKelvin(p.rise_K - here.rise_K)}</td><td className="num">{formatNumber(p.noise_dBA - here.noise_dBA, { decimals: 1, signed: true })} dBA</td></tr>;
          })}
        </tbody>
      </table>
    </Section>
  );
}
