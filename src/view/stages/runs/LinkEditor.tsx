'use client';
import type { Edit, Link, Loop, PortRef } from '@/core/design';
import { isWet } from '@/core/components';
import { Pick } from '@/view/shared';
import { useBench } from '@/view/workspace';
import styles from './RunsStage.module.css';

/** Which ports a run joins: any port of the two parts that no other run holds. */
export function LinkEditor({ loop, link }: { readonly loop: Loop; readonly link: Link }) {
  const { build, commit, pick } = useBench((s) => s);
  const taken = (ref: PortRef): boolean =>
    build.loops.some((l) =>
      l.links.some(
        (k) =>
          k.id !== link.id &&
          ((k.from.component === ref.component && k.from.port === ref.port) ||
            (k.to.component === ref.component && k.to.port === ref.port)),
      ),
    );
  const ports = (side: 'from' | 'to') => {
    const component = build.components.find((i) => i.id === link[side].component);
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
    const old = link[side];
    const { bridge: _bridge, ...rest } = link,
      next: Link = { ...rest, [side]: { component: old.component, port }, by: 'tube' };
    const edits: Edit[] = [
      {
        do: 'loop.links',
        loop: loop.id,
        links: loop.links.map((l) => (l.id === link.id ? next : l)),
      },
      { do: 'cap.set', loop: loop.id, port: next[side], with: null },
      { do: 'cap.set', loop: loop.id, port: old, with: 'plug' },
    ];
    commit('move a run to another port', { do: 'batch', edits });
  };
  return (
    <div className={styles.ends}>
      <Pick
        label="Leaves by"
        value={link.from.port}
        options={ports('from')}
        onPick={(p) => set('from', p)}
      />
      <Pick
        label="Arrives at"
        value={link.to.port}
        options={ports('to')}
        onPick={(p) => set('to', p)}
      />
      <button
        type="button"
        className={styles.quiet}
        onClick={() => {
          pick(null);
          commit('remove a run', { do: 'link.remove', loop: loop.id, link: link.id });
        }}
      >
        Remove this run
      </button>
    </div>
  );
}
