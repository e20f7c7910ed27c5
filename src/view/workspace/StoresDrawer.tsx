'use client';
import { useDeferredValue, useMemo, useState } from 'react';
import Drawer from '@mui/material/Drawer';
import { CATALOGUE } from '@/catalogue';
import { freeId } from '@/core/build';
import { isItemPart, PART_KINDS, type ItemPart, type PartKind } from '@/core/part';
import { formatMoney } from '@/core/quantity';
import { defaultPlacements } from '@/core/rule';
import { useOffer } from '@/view/shared';
import { partFigures } from '@/view/stores/figures';
import { useBench } from './BenchProvider';
import styles from './Drawer.module.css';

const KINDS = (Object.keys(PART_KINDS) as PartKind[]).filter((k) => PART_KINDS[k].item && CATALOGUE.some((p) => p.kind === k));

/** Parts shown at once. */
const MOST_SHOWN = 100;

/** The Stores beside the build: one click puts a part in, at the most usual place that is free. */
export function StoresDrawer() {
  const open = useBench((s) => s.drawer === 'stores');
  const setOpen = useBench((s) => s.open);
  return <Drawer anchor="right" open={open} onClose={() => setOpen(null)} slotProps={{ paper: { className: styles.paper as string, elevation: 0 } }}>{open && <Body />}</Drawer>;
}

function Body() {
  const { build, commit, open, pick } = useBench((s) => s);
  const [kind, setKind] = useState<PartKind>(() => KINDS.find((k) => !build.items.some((i) => i.part.kind === k)) ?? 'radiator');
  const [text, setText] = useState('');
  const words = useDeferredValue(text).toLowerCase().split(/\s+/).filter(Boolean);
  const offer = useOffer(), parts = useMemo(() => offer.filter(isItemPart).map((part) => ({ part, words: `${part.name} ${part.maker} ${part.kind} ${partFigures(part)}`.toLowerCase() })), [offer]);
  const shown = parts.filter((p) => (words.length > 0 ? words.every((w) => p.words.includes(w)) : p.part.kind === kind)).map((p) => p.part);
  const add = (part: ItemPart): void => {
    const id = freeId(build.items.map((i) => i.id), part.kind);
    const name = freeName(build.items.map((i) => i.name), part.name);
    const item = { id, part, name, settings: {} };
    const [first] = defaultPlacements(build, item);
    commit(`add ${part.name}`, { do: 'item.add', item: { ...item, placement: first?.placement ?? { on: 'bench' } } });
    pick(id);
  };
  return (
    <>
      <div className={styles.head}><h1>Stores</h1><button type="button" className={styles.close} onClick={() => open(null)}>Close</button></div>
      <input className={styles.filter} aria-label="Search the Stores" placeholder="Search by name, size, figure" value={text} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => e.stopPropagation()} />
      <div className={styles.kinds}>{KINDS.map((k) => <button key={k} type="button" className={styles.kind} aria-pressed={words.length === 0 && k === kind} onClick={() => { setText(''); setKind(k); }}>{PART_KINDS[k].many}</button>)}</div>
      {shown.slice(0, MOST_SHOWN).map((p) => {
        const homeless = build.case !== null && ['radiator', 'pump', 'reservoir', 'card'].includes(p.kind) && defaultPlacements(build, { id: '', part: p }).length === 0;
        const there = build.items.filter((i) => i.part.id === p.id).length;
        return (
          <button key={p.id} type="button" className={styles.part} onClick={() => add(p)} aria-label={`Add ${p.name}`}>
            <span><strong>{p.name}</strong> <span className="soft">{p.maker}{there > 0 ? `, ${there} in the build` : ''}</span></span>
            <span>{formatMoney(p.price_minor)}</span>
            <span className={styles.figures}>{partFigures(p)}{homeless ? <em>; no free place for it in this case</em> : null}</span>
          </button>
        );
      })}
      {shown.length > MOST_SHOWN && <p className="soft">And {shown.length - MOST_SHOWN} more: say more of its name, size or figures.</p>}
      {shown.length === 0 && <p className="soft">No part by these words. Clear the search to see a whole kind.</p>}
    </>
  );
}

function freeName(taken: readonly string[], name: string): string {
  if (!taken.includes(name)) return name;
  let n = 2;
  while (taken.includes(`${name} (${n})`)) n += 1;
  return `${name} (${n})`;
}
