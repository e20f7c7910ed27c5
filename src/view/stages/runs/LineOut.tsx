'use client';
import type { InlinePart } from '@/core/components';
import { componentName, type Cap } from '@/core/design';
import { lineOnto } from '@/core/loops';
import { useOfferSoon, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/** A drain or fill port led out by a tube to a valve, to where a hand reaches it. */
export function LineOut({ cap }: { readonly cap: Cap }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const valves = useOfferSoon('inline').filter((p): p is InlinePart => p.duty === 'valve');
  const [valve] = valves;
  if (cap.with === 'plug' || !valve) return null;
  const duty = cap.with;
  const leadOut = (): void => {
    const line = lineOnto(
      design,
      cap,
      valve,
      duty === 'drain' ? msg`Drain valve` : msg`Fill valve`,
      duty,
    );
    if (!line) return;
    commit(msg`a ${duty} line from ${componentName(design, cap.component)}`, line.edit);
    pick(line.component);
  };
  return (
    <Press className={styles.quiet} onClick={leadOut}>
      {msg`add a line to a valve`}
    </Press>
  );
}
