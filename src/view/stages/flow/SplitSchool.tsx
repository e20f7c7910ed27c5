'use client';
import { useMemo, useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import { splitSchool, type Arrangement } from '@/core/choice';
import { teePorts } from '@/core/loop';
import type { InlinePart } from '@/core/part';
import { formatCelsius, formatFlow, formatKelvin, formatKilopascals, formatNumber } from '@/core/quantity';
import { useBench } from '@/view/workspace';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

const TEE = CATALOGUE.find((p): p is InlinePart => p.kind === 'inline' && teePorts(p) !== null) as InlinePart;

/** The same blocks one behind the other and side by side, both worked out whole; one click makes the build so. */
export function SplitSchool({ loop }: { readonly loop: string }) {
  const { build, workings, commit } = useBench((s) => s);
  const stations = workings.model.loops.find((g) => g.loop.id === loop)?.stations ?? [];
  const blocks = stations.filter((s) => build.items.find((i) => i.id === s)?.part.kind === 'block');
  const [left, setLeft] = useState<readonly string[]>([]);
  const chosen = blocks.filter((b) => !left.includes(b));
  const key = chosen.join();
  const school = useMemo(() => splitSchool(build, loop, key === '' ? [] : key.split(','), TEE), [build, loop, key]);
  const nameOf = (id: string): string => build.items.find((i) => i.id === id)?.name ?? id;
  return (
    <Section title="In a row, or side by side">
      {blocks.length > 2 && <div className={styles.ticks}>{blocks.map((b) => <label key={b}><input type="checkbox" checked={!left.includes(b)} onChange={() => setLeft(left.includes(b) ? left.filter((x) => x !== b) : [...left, b])} /> {nameOf(b)}</label>)}</div>}
      {'why' in school ? <p>{blocks.length < 2 ? 'With two blocks or more in this loop, both ways are compared here.' : school.why}</p> : (
        <>
          <p>{sentence(school.better, school.by_K, school.row, school.beside)}</p>
          <table>
            <thead><tr><th> </th><th className="num">in a row</th><th className="num">side by side</th></tr></thead>
            <tbody>
              <tr><td>round the loop</td><td className="num">{formatFlow(school.row.flow_Lmin)}</td><td className="num">{formatFlow(school.beside.flow_Lmin)}</td></tr>
              <tr><td>pump presses</td><td className="num">{formatKilopascals(school.row.head_kPa)}</td><td className="num">{formatKilopascals(school.beside.head_kPa)}</td></tr>
              {school.row.parts.map((p, i) => { const q = school.beside.parts[i]; return <tr key={p.item}><td>through {p.name}</td><td className="num">{formatFlow(p.flow_Lmin)}</td><td className="num">{formatFlow(q?.flow_Lmin)}</td></tr>; })}
              {school.row.parts.flatMap((p, i) => p.spots.map((s, k) => <tr key={s.name}><td>{s.name}</td><td className="num">{formatCelsius(s.temp_C, 1)}</td><td className="num">{formatCelsius(school.beside.parts[i]?.spots[k]?.temp_C ?? null, 1)}</td></tr>))}
            </tbody>
          </table>
          <div className={styles.actions}>
            {school.row.edit && <button type="button" className={styles.act} onClick={() => school.row.edit && commit('set the blocks in a row', school.row.edit)}>Set them in a row</button>}
            {school.beside.edit && <button type="button" className={styles.act} onClick={() => school.beside.edit && commit('set the blocks side by side', school.beside.edit)}>Set them side by side</button>}
          </div>
          <p className="soft">Side by side takes {2 * (school.row.parts.length - 1)} tees and more tube; both are counted. Lengths are estimated.</p>
        </>
      )}
    </Section>
  );
}

function sentence(better: 'row' | 'beside' | 'same' | null, by: number | null, row: Arrangement, beside: Arrangement): string {
  if (better === null || by === null) return 'Temperatures are not known, so only flows are compared.';
  const flows = beside.flow_Lmin > 0 && row.flow_Lmin > 0 ? ` Side by side the pump moves ${formatNumber(100 * (beside.flow_Lmin / row.flow_Lmin - 1), { signed: true })} % in all, each block gets ${formatNumber(100 * ((beside.parts[0]?.flow_Lmin ?? 0) / row.flow_Lmin))} % of what it gets in a row.` : '';
  if (better === 'same') return `It makes no difference to the hottest part: under 0.1 K.${flows}`;
  return `${better === 'row' ? 'In a row' : 'Side by side'} wins: the part with the least room under its limit stays ${formatKelvin(by).replace('+', '')} cooler.${flows}`;
}
