'use client';
import { useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import type { CapDuty, EndPiece } from '@/core/build';
import { looseParts } from '@/core/loop';
import type { TubePart } from '@/core/part';
import { formatMillimetres, formatNumber, plural } from '@/core/quantity';
import { Pick, Segments, Why } from '@/view/shared';
import { ConnectDialog, fittingFor, useBench } from '@/view/workspace';
import { Elevation } from '../elevation/Elevation';
import { VIEW_NAMES, type View } from '../elevation/project';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForRun, reasonForVolume } from '../reasons';
import { BendStrip } from './BendStrip';
import { LinkEditor } from './LinkEditor';
import { RouteBar } from './RouteBar';
import styles from './RunsStage.module.css';

const TUBES = CATALOGUE.filter((p): p is TubePart => p.kind === 'tube');
const ENDS: readonly { readonly value: EndPiece; readonly label: string }[] = [{ value: 'auto', label: 'as the port asks' }, { value: 'straight', label: 'straight' }, { value: 'rotary45', label: '45° rotary' }, { value: 'rotary90', label: '90° rotary' }, { value: 'extender', label: 'extender' }];
const END_WORDS: Record<EndPiece, string> = { auto: 'auto', straight: 'straight', rotary45: '45°', rotary90: '90°', extender: 'ext.' };

/** Every tube from port to port: its ends, its estimated length; spare ports and what closes them. */
export function RunsStage() {
  const { build, workings, picked, pick, commit, open } = useBench((s) => s);
  const [view, setView] = useState<View>('side');
  const [connecting, setConnecting] = useState(false);
  const { runs, fit, list } = workings.reports;
  const loose = looseParts(build);
  if (build.loops.length === 0) {
    return (
      <>
        <EmptyStage title="No loop yet" text={loose.length >= 2 ? `${loose.length} parts wait to be connected. A loop is proposed in the shortest order; you can change it after.` : 'A loop wants a reservoir, a pump, one block or more, and a radiator. Add them first.'} action={loose.length >= 2 ? 'Connect the loop' : 'Open the Stores'} onAction={() => (loose.length >= 2 ? setConnecting(true) : open('stores'))} />
        {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
      </>
    );
  }
  const tubes = runs.filter((r) => r.by === 'tube');
  const guessed = tubes.filter((r) => r.estimated).length;
  const run = runs.find((r) => r.id === picked);
  const link = build.loops.flatMap((l) => l.links.map((k) => ({ loop: l, link: k }))).find((x) => x.link.id === picked);
  return (
    <StageFrame
      stage="runs" title={`${plural(tubes.length, 'run')}, ${guessed > 0 ? 'about ' : ''}${formatNumber(list.tube_mm / 1000, { decimals: 2 })} m`}
      sentence={guessed > 0 ? <>{guessed === tubes.length ? 'Lengths' : `${plural(guessed, 'length')} of ${tubes.length}`} and bends are <strong>estimated</strong> from where the ports are and point, until runs are routed in space. Buy tube by the list, but cut only after measuring.</> : <>Every run is routed past what stands in the case. Check the drawing against the real case before you cut.</>}
      side={<>
        {run && link && (
          <Section title={run.name} aside={<button type="button" className={styles.link} onClick={() => pick(null)}>Done</button>}>
            {run.by === 'joint' ? <p>Screwed together with a double male joint: the ports face each other.</p> : <>
              <p>Cut {run.estimated ? 'about ' : ''}{formatMillimetres(run.cut_mm)}{run.estimated ? ', estimated' : ''}; {run.bends === 0 ? 'no bend' : plural(run.bends, 'bend')}; {formatNumber(run.volume_mL)} mL inside.</p>
              <BendStrip run={run} />
              <div className={styles.ends}>
                <Pick label={`At ${build.items.find((i) => i.id === run.from.item)?.name}`} value={link.link.ends.from} options={ENDS} onPick={(from) => commit('change an end fitting', { do: 'link.ends', loop: run.loop, link: run.id, ends: { from, to: link.link.ends.to } })} />
                <Pick label={`At ${build.items.find((i) => i.id === run.to.item)?.name}`} value={link.link.ends.to} options={ENDS} onPick={(to) => commit('change an end fitting', { do: 'link.ends', loop: run.loop, link: run.id, ends: { from: link.link.ends.from, to } })} />
              </div>
            </>}
            <LinkEditor loop={link.loop} link={link.link} />
          </Section>
        )}
        {build.loops.map((loop) => {
          const graph = workings.model.loops.find((g) => g.loop.id === loop.id);
          const own = (graph?.route ?? []).flatMap((id) => runs.filter((r) => r.id === id));
          const volume = list.volumes.find((v) => v.loop === loop.id);
          return (
            <Section key={loop.id} title={loop.name} aside={<button type="button" className={styles.quiet} onClick={() => commit(`take ${loop.name} apart`, { do: 'loop.remove', loop: loop.id })}>Take it apart</button>}>
              <div className={styles.ends}>
                <Pick label="Tube" value={loop.tube.id} options={[...(TUBES.some((t) => t.id === loop.tube.id) ? [] : [{ value: loop.tube.id, label: loop.tube.name }]), ...TUBES.map((t) => ({ value: t.id, label: t.name }))]} onPick={(id) => { const tube = TUBES.find((t) => t.id === id); const fitting = tube && fittingFor(tube); if (tube) commit(`use ${tube.name}`, { do: 'loop.tube', loop: loop.id, tube, fitting: fitting ?? loop.fitting }); }} />
                <Pick label="Fitting" value={loop.fitting.id} options={CATALOGUE.filter((p) => p.kind === 'fitting' && ['compression', 'barb', 'hard-tube'].includes(p.duty)).map((f) => ({ value: f.id, label: f.name }))} onPick={(id) => { const fitting = CATALOGUE.find((p) => p.id === id); if (fitting?.kind === 'fitting') commit(`use ${fitting.name}`, { do: 'loop.fitting', loop: loop.id, fitting }); }} />
              </div>
              <table>
                <thead><tr><th>from, to</th><th>ends</th><th className="num">bends</th><th className="num">{guessed > 0 ? 'cut, est.' : 'cut'}</th></tr></thead>
                <tbody>
                  {own.map((r) => (
                    <tr key={r.id} className={styles.run} data-picked={picked === r.id || undefined}>
                      <td><button type="button" className={styles.name} onClick={() => pick(picked === r.id ? null : r.id)}>{r.name}</button></td>
                      <td className="narrow">{r.by === 'joint' ? 'joint' : `${END_WORDS[r.ends.from]} / ${END_WORDS[r.ends.to]}`}</td><td className="num">{r.by === 'joint' ? '–' : r.bends}</td>
                      <td className="num">{r.by === 'joint' ? '–' : <Why reason={reasonForRun(r)}>{r.estimated ? '~' : ''}{formatMillimetres(r.cut_mm)}</Why>}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <details className={styles.caps}>
                <summary>Spare ports: {plural(loop.caps.filter((c) => c.with === 'plug').length, 'plug')}, {plural(loop.caps.filter((c) => c.with === 'drain').length, 'drain')}, {loop.caps.filter((c) => c.with === 'fill').length} to fill by</summary>
                <table><tbody>
                  {loop.caps.map((c) => {
                    const item = build.items.find((i) => i.id === c.item);
                    const port = item && 'ports' in item.part ? item.part.ports.find((p) => p.id === c.port)?.name : c.port;
                    return <tr key={`${c.item}-${c.port}`}><td>{item?.name}, {port}</td><td><Pick hideLabel label={`What closes ${item?.name} ${port}`} value={c.with} options={[{ value: 'plug', label: 'plug' }, { value: 'drain', label: 'drain valve' }, { value: 'fill', label: 'fill cap' }]} onPick={(w: CapDuty) => commit(`close ${item?.name} ${port}`, { do: 'cap.set', loop: loop.id, port: { item: c.item, port: c.port }, with: w })} /></td></tr>;
                  })}
                </tbody></table>
              </details>
              {volume && <p className="soft">Holds <Why reason={reasonForVolume(volume)}>{formatNumber(volume.total_mL)} mL</Why>, estimated.</p>}
            </Section>
          );
        })}
        {loose.length >= 2 && <Section title="Not connected"><p>{loose.map((id) => build.items.find((i) => i.id === id)?.name).join(', ')}</p><button type="button" className={styles.act} onClick={() => setConnecting(true)}>Connect another loop</button></Section>}
        {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
      </>}
    >
      {build.case ? <>
        <RouteBar />
        <div className={styles.views}><Segments label="View" value={view} options={(['side', 'front', 'top'] as const).map((value) => ({ value, label: VIEW_NAMES[value] }))} onPick={setView} /></div>
        <div className={styles.sheet}><Elevation view={view} model={workings.model} fit={fit} picked={picked} onPick={(id) => pick(picked === id ? null : id)} runs={runs} heat={workings.reports.heat[build.brief.loadCase]} /></div>
      </> : <p className="soft">Choose a case on the Case stage to see the runs in place.</p>}
    </StageFrame>
  );
}
