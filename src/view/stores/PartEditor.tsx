'use client';
import { useState } from 'react';
import type { Part } from '@/core/part';
import { parsePoints } from '@/core/quantity';
import { fieldsOf } from '@/format';
import { fieldWords } from './fieldWords';
import { useOwn } from './ownParts';
import styles from './StoresPage.module.css';

type Points = readonly (readonly [number, number])[];
const CURVES = ['points', 'resistance'] as const;
const curveOf = (p: Part, key: (typeof CURVES)[number]): Points | null => (key in p ? (p as unknown as Record<string, Points>)[key] ?? null : null);
/** Points as typed, in the units of that curve; null where they are none. */
function pointsIn(p: Part, key: (typeof CURVES)[number], typed: string): Points | null {
  const [x, y] = key === 'resistance' ? ['flow', 'resistance'] as const : p.kind === 'fan' ? ['airFlow', 'airPressure'] as const : ['flow', 'head'] as const;
  const read = parsePoints(typed, x, y);
  return read.troubles.length === 0 && read.points.length >= 2 ? read.points : null;
}
const get = (p: unknown, path: string): unknown => path.split('.').reduce<unknown>((v, k) => (v as Record<string, unknown> | undefined)?.[k], p);
const put = (p: Part, path: string, value: unknown): Part => { const copy = structuredClone(p) as unknown as Record<string, unknown>, keys = path.split('.'), last = keys.pop() as string; (keys.reduce<Record<string, unknown>>((v, k) => v[k] as Record<string, unknown>, copy))[last] = value; return copy as unknown as Part; };

/** A part of one's own, every figure to be typed; kept when nothing contradicts itself, else it says what does. */
export function PartEditor({ start, onDone }: { readonly start: Part; onDone(): void }) {
  const keep = useOwn((s) => s.keep);
  const [part, setPart] = useState(start);
  const [text, setText] = useState<Readonly<Record<string, string>>>({});
  const [said, setSaid] = useState<string | null>(null);
  const set = (path: string, typed: string): void => {
    setText({ ...text, [path]: typed });
    const before = get(start, path);
    if (typeof before === 'number') { const v = path === 'price_minor' ? Math.round(100 * Number(typed)) : Number(typed); if (typed.trim() !== '' && Number.isFinite(v)) setPart(put(part, path, v)); } else setPart(put(part, path, typed));
  };
  const shown = (path: string): string => text[path] ?? (path === 'price_minor' ? String(Number(get(part, path)) / 100) : String(get(part, path) ?? ''));
  const bad = (path: string): boolean => typeof get(start, path) === 'number' && !Number.isFinite(Number(shown(path))) || shown(path).trim() === '';
  const curve = (key: (typeof CURVES)[number], typed: string): void => { setText({ ...text, [key]: typed }); const read = pointsIn(part, key, typed); if (read) setPart({ ...part, [key]: read } as unknown as Part); };
  const fields = fieldsOf(start).filter((f) => f !== 'id' && typeof get(start, f) !== 'boolean');
  const wrong = fields.filter(bad);
  const save = async (): Promise<void> => { const trouble = await keep(part); if (trouble) setSaid(trouble); else onDone(); };
  return (
    <div className={styles.editor}>
      <div className={styles.fields}>
        {fields.map((f) => <label key={f}><span className="soft">{fieldWords(f)}</span> <input value={shown(f)} maxLength={200} aria-invalid={bad(f)} onChange={(e) => set(f, e.target.value)} /></label>)}
      </div>
      {CURVES.map((key) => { const own = curveOf(start, key); return own && <label key={key} className={styles.curve}><span className="soft">{key === 'points' ? 'curve: a point a line' : 'K/W over L/min: a point a line'}</span><textarea rows={6} value={text[key] ?? own.map(([a, b]) => `${a} ${b}`).join('\n')} onChange={(e) => curve(key, e.target.value)} />{text[key] !== undefined && pointsIn(part, key, text[key] ?? '') === null && <span role="alert" className={styles.trouble}>These are no points: two numbers a line, the first rising.</span>}</label>; })}
      {wrong.length > 0 && <p role="alert" className={styles.trouble}>{wrong.join(', ')}: a number is missing.</p>}
      {said && <p role="alert" className={styles.trouble}>{said}</p>}
      <p className={styles.row}><button type="button" className={styles.act} disabled={wrong.length > 0} onClick={() => void save()}>Keep it in the Stores</button><button type="button" className={styles.quiet} onClick={onDone}>Leave it</button></p>
    </div>
  );
}
