'use client';
import { Press } from '@/view/shared';
import { componentName } from '@/core/design';
import { msg } from '@/core/messages';
import { useEditor, useEditorNow } from './EditorProvider';
import styles from './LoopLine.module.css';

/**
 * Parts that wait beside the loops: one click lets a part into the run where it needs the least
 * tube.
 */
export function LooseStrip({ loose }: { readonly loose: readonly string[] }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const nameOf = (id: string): string => componentName(design, id);
  const editorNow = useEditorNow();
  const put = async (component: string, loop: string, name: string): Promise<void> => {
    // The loop diagram, which stands over this strip, has loaded it already.
    const { insertStation } = await import('@/core/loops');
    const edit = insertStation(editorNow().latest, loop, component);
    if (edit) {
      commit(msg`put ${nameOf(component)} into ${name}`, edit);
      pick(component);
    }
  };
  return (
    <p className={styles.loose}>
      <span className="soft">{msg`In no loop yet:`}</span>
      {loose.map((id) => (
        <span key={id}>
          {nameOf(id)}{' '}
          {design.loops.map((l) => (
            <Press
              key={l.id}
              className={styles.put}
              onClick={() => void put(id, l.id, l.name)}
              aria-label={msg`Put ${nameOf(id)} into ${l.name}`}
            >
              {design.loops.length > 1 ? msg`into ${l.name}` : msg`put it in`}
            </Press>
          ))}
        </span>
      ))}
    </p>
  );
}
