'use client';
import { LOAD_CASES, type LoadCaseId } from '@/core/part';
import { formatCelsius, formatNumber, formatWatts } from '@/core/quantity';
import { Mark, QuantityField, Why } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { CASE_NAMES } from '../brief/BriefStage';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForSpot } from '../reasons';
import { spotVerdict } from './spotVerdict';
import styles from './HeatStage.module.css';

const WHERE = { loop: 'in the loop', air: 'on air', waiting: 'waiting for its block to be connected' } as const;
const CASES: readonly LoadCaseId[] = [...LOAD_CASES, 'own'];

/** Watts of every part in each load case, in the loop against left on air. */
export function HeatStage() {
  const { build, workings, commit, open, picked, pick } = useBench((s) => s);
  const { heat } = workings.reports;
  const judged = heat[build.brief.loadCase];
  if (judged.parts.length === 0) return <EmptyStage title="Nothing makes heat yet" text="Begin with the machine: board, processor, graphics card, memory. Their draw decides how much radiator you need." action="Open the Stores" onAction={() => open('stores')} />;
  const most = Math.max(...CASES.map((c) => heat[c].parts.reduce((s, p) => s + p.heat_W, 0)), 1);
  const air = judged.parts.filter((p) => p.to === 'air');
  const waiting = judged.waiting_W;
  return (
    <StageFrame
      stage="heat" title={`${formatWatts(judged.inLoop_W + judged.onAir_W + waiting)} under ${CASE_NAMES[build.brief.loadCase].toLowerCase()}`}
      sentence={<>{waiting > 0 ? `${formatWatts(waiting)} wait for their blocks to be connected into a loop; ` : `${formatWatts(judged.inLoop_W)} go into the coolant, the pump\u2019s own heat among them; `}{air.length === 0 ? 'nothing is left on air' : `${formatWatts(judged.onAir_W)} stay on air and warm the case to ${formatCelsius(judged.caseAir_C, 1)}`}.</>}
      side={<>
        <Section title="Parts that make heat">
          <table>
            <thead><tr><th>part</th><th className="num">full draw</th><th className="num">now</th><th>cooled by</th></tr></thead>
            <tbody>
              {workings.setup.sources.map((s) => (
                <tr key={s.item.id} data-picked={picked === s.item.id || undefined}>
                  <td><button type="button" className={styles.link} onClick={() => pick(s.item.id)}>{s.item.name}</button></td>
                  <td className="num"><QuantityField label={`Full draw of ${s.item.name}`} hideLabel width={40} value={s.item.settings.draw_W ?? s.part.draw_W} quantity="power" min={0} max={2000} onCommit={(v) => v !== null && commit(`set the draw of ${s.item.name}`, { do: 'item.set', item: s.item.id, values: { draw_W: v } })} /></td>
                  <td className="num">{formatWatts(judged.parts.find((p) => p.item === s.item.id)?.heat_W)}</td>
                  <td>{s.block ? `${s.block.name}${s.loop ? '' : ', not connected'}` : 'air'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Section>
        <Section title={`Hottest spots under ${CASE_NAMES[build.brief.loadCase].toLowerCase()}`}>
          <table>
            <thead><tr><th>spot</th><th className="num">reaches</th><th className="num">limit, °C</th><th /></tr></thead>
            <tbody>
              {[...judged.spots].sort((a, b) => (b.temp_C ?? 999) - b.limit_C - ((a.temp_C ?? 999) - a.limit_C)).map((s) => (
                <tr key={`${s.item}-${s.spot}`}><td>{s.name}{s.cooledBy ? '' : ', on air'}</td><td className="num">{s.temp_C === null ? 'unknown yet' : <Why reason={reasonForSpot(s)}>{formatCelsius(s.temp_C)}</Why>}</td><td className="num soft">{formatNumber(s.limit_C)}</td><td><Mark verdict={spotVerdict(s)} /></td></tr>
              ))}
            </tbody>
          </table>
        </Section>
      </>}
    >
      <div className={styles.chart} role="table" aria-label="Watts by load case">
        {CASES.map((c) => {
          const report = heat[c];
          const sum = report.parts.reduce((s, p) => s + p.heat_W, 0);
          return (
            <div key={c} role="row" className={styles.case} data-judged={c === build.brief.loadCase || undefined}>
              <button type="button" role="rowheader" className={styles.caseName} aria-current={c === build.brief.loadCase} title="Judge the brief under this load" onClick={() => commit(`judge under ${CASE_NAMES[c].toLowerCase()}`, { do: 'brief.set', values: { loadCase: c } })}>{CASE_NAMES[c]}</button>
              <div className={styles.bar}>
                {[...report.parts].sort((a, b) => Number(a.to === 'air') - Number(b.to === 'air') || b.heat_W - a.heat_W).map((p) => p.heat_W > 0.5 && (
                  <button key={p.item} type="button" role="cell" className={styles.part} data-air={p.to === 'air' || undefined} data-waiting={p.to === 'waiting' || undefined} data-picked={picked === p.item || undefined} style={{ width: `${(100 * p.heat_W) / most}%` }} title={`${p.name}: ${formatWatts(p.heat_W)}, ${WHERE[p.to]}`} aria-label={`${p.name} ${formatWatts(p.heat_W)}, ${WHERE[p.to]}`} onClick={() => pick(p.item)}>
                    {p.heat_W / most > 0.12 && <span>{p.name}</span>}{p.heat_W / most > 0.07 && <b>{formatNumber(p.heat_W)}</b>}
                  </button>
                ))}
              </div>
              <span role="cell" className={styles.sum}>{formatWatts(sum)}</span>
            </div>
          );
        })}
        <p className={styles.key}><span className={styles.inLoop} /> in the loop <span className={styles.onAir} /> left on air {waiting > 0 && <><span className={styles.waiting} /> block not connected yet </>} <span className="soft">The brief is judged under the marked load; click another to change it.</span></p>
      </div>
      <OwnShares />
    </StageFrame>
  );
}

/** Shares of the load case the builder makes up. */
function OwnShares() {
  const { workings, commit } = useBench((s) => s);
  return (
    <details className={styles.own}>
      <summary>Shares of your own load case</summary>
      <div className={styles.shares}>
        {workings.setup.sources.map((s) => {
          const share = s.item.settings.ownShare ?? s.part.shares.play;
          return (
            <label key={s.item.id}>{s.item.name} <input type="range" min={0} max={1.2} step={0.05} value={share} aria-valuetext={`${Math.round(share * 100)} %`} onChange={(e) => commit(`set the own share of ${s.item.name}`, { do: 'item.set', item: s.item.id, values: { ownShare: Number(e.target.value) } }, `own-${s.item.id}`)} /> <b>{Math.round(share * 100)} %</b></label>
          );
        })}
      </div>
    </details>
  );
}
