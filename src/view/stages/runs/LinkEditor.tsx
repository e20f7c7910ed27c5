'use client';
import { findComponent, type Edit, type Connection, type Loop, type PortRef } from '@/core/design';
import { isWet } from '@/core/components';
import { Pick, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/** Which ports a run joins: any port of the two parts that no other run holds. */
export function LinkEditor({
  loop,
  link: connection,
}: {
  readonly loop: Loop;
  readonly link: Connection;
}) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const taken = (ref: PortRef): boolean =>
    design.loops.some((l) =>
      l.connections.some(
        (k) =>
          k.id !== connection.id &&
          ((k.from.component === ref.component && k.from.port === ref.port) ||
            (k.to.component === ref.component && k.to.port === ref.port)),
      ),
    );
  const ports = (side: 'from' | 'to') => {
    const component = findComponent(design, connection[side].component);
    return component && isWet(component.part)
      ? component.part.ports
          .filter(
            (p) =>
              (side === 'from' ? p.role !== 'in' : p.role !== 'out') &&
              !taken({ component: component.id, port: p.id }),
          )
          .map((p) => ({ value: p.id, label: p.name }))
      : [];
  };
  const set = (side: 'from' | 'to', port: string): void => {
    const old = connection[side];
    const { bridge: _bridge, ...rest } = connection,
      next: Connection = { ...rest, [side]: { component: old.component, port }, by: 'tube' };
    const edits: Edit[] = [
      {
        do: 'loop.connections',
        loop: loop.id,
        connections: loop.connections.map((l) => (l.id === connection.id ? next : l)),
      },
      { do: 'cap.set', loop: loop.id, port: next[side], with: null },
      { do: 'cap.set', loop: loop.id, port: old, with: 'plug' },
    ];
    commit(msg`move a run to another port`, { do: 'batch', edits });
  };
  return (
    <div className={styles.ends}>
      <Pick
        label={msg`Leaves by`}
        value={connection.from.port}
        options={ports('from')}
        onPick={(p) => set('from', p)}
      />
      <Pick
        label={msg`Arrives at`}
        value={connection.to.port}
        options={ports('to')}
        onPick={(p) => set('to', p)}
      />
      <Press
        className={styles.quiet}
        onClick={() => {
          pick(null);
          commit(msg`remove a run`, {
            do: 'connection.remove',
            loop: loop.id,
            connection: connection.id,
          });
        }}
      >
        {msg`Remove this run`}
      </Press>
    </div>
  );
}
