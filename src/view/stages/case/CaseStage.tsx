'use client';
import { useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import type { CasePart } from '@/core/part';
import { formatMillimetres, formatNumber, plural } from '@/core/quantity';
import { Mark, Pick, Segments, Why } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { Elevation } from '../elevation/Elevation';
import { VIEW_NAMES, type View } from '../elevation/project';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { reasonForGap } from '../reasons';
import { partFigures } from '@/view/stores/figures';
import { PlaceCard } from './PlaceCard';
import { PortRoom } from './PortRoom';
import styles from './CaseStage.module.css';

export const CASES = CATALOGUE.filter((p): p is CasePart => p.kind === 'case');
const VIEWS: readonly View[] = ['side', 'front', 'top'];

/** What fits where: elevations with gaps, mounts with their room, screws. */
export function CaseStage() {
  const { build, workings, picked, pick, commit, open } = useBench((s) => s);
  const [view, setView] = useState<View>('side');
  const { fit, screws } = workings.reports;
  if (!build.case) return <ChooseCase />;
  const box = build.case;
  const near = fit.gaps.filter((g) => g.verdict !== 'clear' || (picked !== null && (g.a === picked || g.b === picked))).slice(0, 14);
  const shown = near.length > 0 ? near : fit.gaps.slice(0, 6);
  const clashes = fit.gaps.filter((g) => g.verdict === 'clash').length, tight = fit.gaps.filter((g) => g.verdict === 'tight').length;
  const item = build.items.find((i) => i.id === picked);
  const title = clashes > 0 ? `${plural(clashes, 'clash', 'clashes')} to clear` : tight > 0 ? `Everything fits, ${tight === 1 ? 'one gap' : `${tight} gaps`} tight` : fit.unplaced.length > 0 ? `${plural(fit.unplaced.length, 'part')} without a place` : 'Everything fits';
  return (
    <StageFrame
      stage="case" title={title}
      sentence={`${box.name}, ${formatNumber(box.volume_L)} litres, ${formatNumber(box.interior[0])} × ${formatNumber(box.interior[1])} × ${formatNumber(box.interior[2])} mm inside. Click a part to see its gaps and move it.`}
      side={<>
        {item ? <PlaceCard item={item} /> : (
          <Section title="The case">
            <Pick label="Case" value={box.id} options={[...(CASES.some((c) => c.id === box.id) ? [] : [{ value: box.id, label: box.name }]), ...CASES.map((c) => ({ value: c.id, label: c.name }))]} onPick={(id) => { const next = CASES.find((c) => c.id === id); if (next) commit(`choose ${next.name}`, { do: 'case.choose', case: next }); }} />
            {box.obstacles.map((o) => (
              <p key={o.id} className={styles.obstacle}>{o.name}{o.removable ? <label> <input type="checkbox" checked={build.choices.removed.includes(o.id)} onChange={(e) => commit(`${e.target.checked ? 'take out' : 'put back'} the ${o.name.toLowerCase()}`, { do: 'case.remove-obstacle', obstacle: o.id, removed: e.target.checked })} /> taken out</label> : <span className="soft"> fixed</span>}</p>
            ))}
          </Section>
        )}
        <Section title="Room at each mount" aside={<button type="button" className={styles.link} onClick={() => open('stores')}>Add a part</button>}>
          {fit.rooms.map((r) => <Ruler key={r.mount} name={box.mounts.find((m) => m.id === r.mount)?.name ?? r.mount} {...r} />)}
        </Section>
        <Section title={near.length > 0 ? 'Gaps to mind' : 'Nearest gaps'}>
          {fit.gaps.length === 0 ? <p className="soft">Nothing is near anything yet.</p> : (
            <table><thead><tr><th>between</th><th className="num">gap</th><th className="num">worst, mm</th><th /></tr></thead>
              <tbody>{shown.map((g) => <tr key={`${g.a}|${g.b}`}><td><button type="button" className={styles.link} onClick={() => pick(g.a)}>{g.nameA}</button> · {g.nameB}</td><td className="num"><Why reason={reasonForGap(g)}>{formatMillimetres(g.gap_mm, Math.abs(g.gap_mm) < 10 ? 1 : 0)}</Why></td><td className="num soft">{formatNumber(g.worst_mm, { decimals: 1 })}</td><td><Mark verdict={g.verdict === 'clash' ? 'fails' : g.verdict === 'tight' ? 'tight' : 'holds'} /></td></tr>)}</tbody>
            </table>
          )}
        </Section>
        <PortRoom />
        {screws.length > 0 && (
          <Section title="Screws">
            <table><thead><tr><th>through</th><th>thread</th><th className="num">window, mm</th><th className="num">length, mm</th><th /></tr></thead>
              <tbody>{screws.map((s) => <tr key={`${s.radiator}-${s.fans}`}><td>{s.fans ? build.items.find((i) => i.id === s.fans)?.name : `frame, ${build.items.find((i) => i.id === s.radiator)?.name ?? ''}`}</td><td className="mono">{s.thread}</td><td className="num soft">{formatNumber(s.window.shortest_mm, { decimals: 1 })}–{formatNumber(s.window.longest_mm, { decimals: 1 })}</td><td className="num">{s.length_mm === null ? 'none' : `${s.quantity} × ${s.length_mm}${s.washers > 0 ? `, ${s.washers} washers` : ''}`}</td><td><Mark verdict={s.verdict === 'holds' ? 'holds' : s.verdict === 'none' ? 'tight' : 'fails'} /></td></tr>)}</tbody>
            </table>
            <p className={styles.caution}>Too long a screw pierces a tube behind the fins and ruins the radiator. Measure before you turn it home.</p>
          </Section>
        )}
      </>}
    >
      <div className={styles.views}><Segments label="View" value={view} options={VIEWS.map((value) => ({ value, label: VIEW_NAMES[value] }))} onPick={setView} /></div>
      <div className={styles.sheet}><Elevation view={view} model={workings.model} fit={fit} picked={picked} onPick={(id) => pick(picked === id ? null : id)} /></div>
    </StageFrame>
  );
}

function Ruler({ name, published_mm, used_mm, free_mm, blockedBy }: { readonly name: string; readonly published_mm: number; readonly used_mm: number; readonly free_mm: number; readonly blockedBy: string | null }) {
  const scale = Math.max(published_mm, used_mm, Math.min(free_mm, 160), 40) * 1.05;
  const pc = (v: number): string => `${Math.min(100, (100 * v) / scale)}%`;
  const over = used_mm > free_mm;
  return (
    <div className={styles.ruler}>
      <span>{name}</span>
      <div className={styles.scale} role="img" aria-label={`${name}: ${formatNumber(used_mm)} mm taken, ${formatNumber(free_mm)} mm to ${blockedBy ?? 'the far wall'}, maker says ${formatNumber(published_mm)} mm`}>
        <div className={styles.free} style={{ width: pc(free_mm) }} />
        <div className={styles.used} data-over={over || undefined} style={{ width: pc(used_mm) }} />
        <div className={styles.said} style={{ left: pc(published_mm) }} title={`the maker says ${formatNumber(published_mm)} mm`} />
      </div>
      <span className={styles.rulerText}>{used_mm > 0 ? <>{formatNumber(used_mm)} mm taken, {over ? `${formatNumber(used_mm - free_mm)} mm too deep` : `${formatNumber(free_mm - used_mm)} mm left`}</> : <>{formatNumber(free_mm)} mm free</>}<span className="soft"> {over ? 'for' : 'to'} {blockedBy ?? 'the far wall'}</span></span>
    </div>
  );
}

function ChooseCase() {
  const commit = useBench((s) => s.commit);
  return (
    <div className={styles.choose}>
      <EmptyStage title="Choose the case" text="Everything hangs on it: where radiators can go, how thick they may be, where pump and reservoir stand. It can be changed later; parts keep their place where the new case has it." />
      <div className={styles.cases}>
        {CASES.map((c) => <button key={c.id} type="button" className={styles.case} onClick={() => commit(`choose ${c.name}`, { do: 'case.choose', case: c })}><strong>{c.name}</strong> <span className="soft">{c.maker}</span><br /><span className="soft">{partFigures(c)}</span></button>)}
      </div>
    </div>
  );
}
