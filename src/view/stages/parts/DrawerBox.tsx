'use client';
import { Press } from '@/view/shared';
import { useState } from 'react';

import { useEditor } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

const KEY = 'zephyron-drawer';
type Drawer = Readonly<Record<string, number>>;
function remembered(): Drawer {
  try {
    const data = JSON.parse(localStorage.getItem(KEY) ?? '{}') as unknown;
    return typeof data === 'object' && data !== null && !Array.isArray(data)
      ? (Object.fromEntries(
          Object.entries(data).filter(([, n]) => typeof n === 'number' && n > 0),
        ) as Drawer)
      : {};
  } catch {
    return {};
  }
}

/**
 * What lies in the drawer from earlier builds: remembered in this browser, put into a build when
 * asked.
 */
export function DrawerBox() {
  const choices = useEditor((s) => s.design.choices);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const say = useEditor((s) => s.say);
  const [kept, setKept] = useState<Drawer | null>(null);
  const { bom: list } = analysis.reports,
    inventory = choices.inventory ?? {},
    stock = kept ?? {};
  const remember = (drawer: Drawer, words: string): void => {
    try {
      localStorage.setItem(KEY, JSON.stringify(drawer));
      setKept(drawer);
      say(words);
    } catch {
      say(msg`This browser keeps nothing: the spare parts could not be remembered.`);
    }
  };
  const asked = list.lines.filter((l) => (stock[l.part] ?? 0) > 0 && !l.owned);
  const renderKept = () => {
    if (kept === null)
      return (
        <Press className={styles.quiet} onClick={() => setKept(remembered())}>
          {msg`Use spare parts`}
        </Press>
      );
    if (asked.length > 0)
      return (
        <Press
          className={styles.act}
          onClick={() =>
            commit(msg`take from spare parts`, {
              do: 'batch',
              edits: asked.map((l) => ({
                do: 'inventory.set',
                part: l.part,
                count: Math.min(stock[l.part] ?? 0, Math.ceil(l.quantity)),
              })),
            })
          }
        >
          {msg`Use ${counted(asked.length, '# kind', '# kinds')} from it`}
        </Press>
      );
    return <span className="soft">{msg`None of them is needed here.`}</span>;
  };
  return (
    <Section title={msg`Spare parts`}>
      <p className="soft">
        {msg`${counted(Object.keys(inventory).length, '# kind', '# kinds')} counted for this
          build. Counts are beside the lines.`}
      </p>
      <p className={styles.along}>
        <Press
          className={styles.quiet}
          onClick={() =>
            remember(
              { ...remembered(), ...inventory },
              msg`The counts are remembered for your other builds.`,
            )
          }
        >
          {msg`Remember the counts`}
        </Press>
        <Press
          className={styles.quiet}
          onClick={() => {
            const sum: Record<string, number> = { ...remembered() };
            for (const l of list.lines)
              if (
                Number.isInteger(l.quantity) &&
                !['case', 'tube', 'coolant'].includes(l.kind) &&
                (l.kind !== 'consumable' || l.tool)
              )
                sum[l.part] = Math.max(sum[l.part] ?? 0, l.quantity);
            remember(sum, msg`The parts of this build are spare parts now, for the next build.`);
          }}
        >
          {msg`Dismantle this build and move its parts to spares`}
        </Press>
        {renderKept()}
      </p>
    </Section>
  );
}
