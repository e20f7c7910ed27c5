'use client';
import { useMemo } from 'react';
import { SimpleTreeView } from '@mui/x-tree-view/SimpleTreeView';
import { TreeItem } from '@mui/x-tree-view/TreeItem';
import { PART_KINDS, type PartKind } from '@/core/components';
import type { Design } from '@/core/design';
import type { Run } from '@/core/tubing';
import { Press } from '@/view/shared';
import { msg } from '@/core/messages';
import { isShown, useScene } from './state';
import styles from './SceneTree.module.css';

interface Branch {
  readonly id: string;
  readonly name: string;
  readonly leaves: readonly { readonly id: string; readonly name: string }[];
}

/** Parts by kind, then the runs of each loop. */
function branchesOf(design: Design, runs: readonly Run[]): readonly Branch[] {
  const kinds = Object.keys(PART_KINDS) as PartKind[];
  const parts = kinds.map((kind): Branch => ({
    id: `kind:${kind}`,
    name: PART_KINDS[kind].many,
    leaves: design.components
      .filter((c) => c.part.kind === kind)
      .map((c) => ({ id: c.id, name: c.name })),
  }));
  const loops = design.loops.map((loop): Branch => ({
    id: `loop:${loop.id}`,
    name: msg`Runs of ${loop.name}`,
    leaves: runs.filter((r) => r.loop === loop.id).map((r) => ({ id: r.id, name: r.name })),
  }));
  return [...parts, ...loops].filter((b) => b.leaves.length > 0);
}

/** Everything in the scene, by name: picked, hidden or shown alone with the keyboard. */
export function SceneTree({
  design,
  runs,
  picked,
  onPick,
}: {
  readonly design: Design;
  readonly runs: readonly Run[];
  readonly picked: string | null;
  onPick(id: string): void;
}) {
  const scene = useScene();
  const branches = useMemo(() => branchesOf(design, runs), [design, runs]);
  const isHidden = picked !== null && scene.hidden.includes(picked);
  const areAllShown = scene.hidden.length === 0 && scene.isolated === null;
  return (
    <aside className={styles.tree} aria-label={msg`Everything in the scene`}>
      <div className={styles.acts}>
        <Press
          disabled={picked === null}
          onClick={() =>
            picked !== null &&
            scene.set({
              hidden: isHidden
                ? scene.hidden.filter((id) => id !== picked)
                : [...scene.hidden, picked],
            })
          }
        >
          {isHidden ? msg`Show` : msg`Hide`}
        </Press>
        <Press
          disabled={picked === null}
          aria-pressed={picked !== null && scene.isolated === picked}
          onClick={() => scene.set({ isolated: scene.isolated === picked ? null : picked })}
        >
          {msg`Isolate`}
        </Press>
        <Press disabled={areAllShown} onClick={() => scene.set({ hidden: [], isolated: null })}>
          {msg`Show all`}
        </Press>
      </div>
      <SimpleTreeView
        defaultExpandedItems={branches.map((b) => b.id)}
        selectedItems={picked}
        onSelectedItemsChange={(_, id) => {
          if (id !== null && !/^(kind|loop):/.test(id)) onPick(id);
        }}
        onKeyDown={(e) => e.stopPropagation()}
        sx={TREE}
      >
        {branches.map((branch) => (
          <TreeItem key={branch.id} itemId={branch.id} label={branch.name}>
            {branch.leaves.map((leaf) => (
              <TreeItem
                key={leaf.id}
                itemId={leaf.id}
                label={isShown(scene, leaf.id) ? leaf.name : msg`${leaf.name}, hidden`}
              />
            ))}
          </TreeItem>
        ))}
      </SimpleTreeView>
    </aside>
  );
}

const TREE = {
  '& .MuiTreeItem-content': { padding: '1px 6px', borderRadius: '2px', gap: '4px' },
  '& .MuiTreeItem-label': { fontFamily: 'inherit', fontSize: 13 },
  '& .MuiTreeItem-content.Mui-selected': { background: 'var(--wash)', fontWeight: 600 },
} as const;
