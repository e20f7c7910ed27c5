'use client';
import { loopOfRun } from '@/core/design';
import { formatNumber } from '@/core/units';
import { useEditor } from '@/view/workspace';
import styles from './PartsStage.module.css';

/** The pieces of each run in the order they are screwed together. */
export function RunList() {
  const loops = useEditor((s) => s.design.loops);
  const kit = useEditor((s) => s.design.kit);
  const analysis = useEditor((s) => s.analysis);
  const pick = useEditor((s) => s.pick);
  const { runs } = analysis.reports;
  return (
    <table className={styles.list}>
      <thead>
        <tr>
          <th>run</th>
          <th>parts in order</th>
          <th className="num">tube</th>
        </tr>
      </thead>
      <tbody>
        {runs.map((r) => {
          const whole = loops.find((l) => l.id === r.loop);
          const loop = whole && loopOfRun(whole, r.id);
          const nameOf = (duty: string): string =>
            duty === loop?.fitting.duty
              ? loop.fitting.name
              : (kit[duty as 'rotary90']?.name ?? duty);
          const at = (end: 'from' | 'to') =>
            r.fittings.filter((f) => f.end === end).map((f) => nameOf(f.duty));
          return (
            <tr key={r.id}>
              <td>
                <button type="button" className={styles.name} onClick={() => pick(r.id)}>
                  {r.name}
                </button>
              </td>
              <td className={styles.why}>
                {[
                  ...at('from'),
                  ...(r.by === 'tube' ? [loop?.tube.name ?? ''] : []),
                  ...[...at('to')].reverse(),
                ].join(' → ')}
              </td>
              <td className="num">
                {r.by === 'tube' ? `${r.estimated ? '~' : ''}${formatNumber(r.cut_mm)} mm` : '–'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
