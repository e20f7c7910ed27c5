'use client';
import { Check } from '@/view/shared';
import { isShown } from '@/core/routing';
import { useEditor } from '@/view/workspace';
import { counted, msg, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './RunsStage.module.css';

/** Kinds of part that one looks at through the glass. */
const SEEN = new Set(['reservoir', 'block', 'card', 'pump', 'memory', 'board']);

/**
 * Which parts are to be seen through the glass: runs go round them where that does not cost much.
 */
export function ShownParts() {
  const design = useEditor((s) => s.design);
  const system = useEditor((s) => s.analysis.system);
  const runs = useEditor((s) => s.analysis.reports.runs);
  const commit = useEditor((s) => s.commit);
  const parts = design.components.filter((i) => SEEN.has(i.part.kind) && system.placed.has(i.id));
  const before = runs.reduce((n, r) => n + (r.routed?.visibility.before.length ?? 0), 0);
  if (!design.case || parts.length === 0) return null;
  return (
    <Section title={msg`To be seen`}>
      <p className="soft">
        {sentences(
          msg`Runs do not pass in front of these, as seen through the glass, unless the detour
            costs three bends or more.`,
          before > 0 && msg`Now ${counted(before, 'one does', '# do')}.`,
        )}
      </p>
      <div className={styles.row}>
        {parts.map((i) => (
          <label key={i.id}>
            <Check
              checked={isShown(i)}
              onChange={(e) =>
                commit(
                  e.target.checked ? msg`show ${i.name}` : msg`let tubes pass before ${i.name}`,
                  {
                    do: 'component.set',
                    component: i.id,
                    values: { keepVisible: e.target.checked },
                  },
                )
              }
            />{' '}
            {i.name}
          </label>
        ))}
      </div>
    </Section>
  );
}
