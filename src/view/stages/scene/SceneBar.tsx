'use client';
import type { RefObject } from 'react';
import { formatMeasure } from '@/core/units';
import { Press } from '@/view/shared';
import type { CaseView } from '@/view/workspace';
import { msg } from '@/core/messages';
import { useScene } from './state';
import { Sliding } from './Sliding';
import type { Shown } from './takeOut';
import styles from './Scene.module.css';

/** How the machine is looked at: from where, cut, apart, flowing; and what is saved of it. */
export function SceneBar({
  name,
  taken,
  isBeside,
  isRaised,
  view,
  deepest_mm,
  canFlow,
  onFit,
}: {
  readonly name: string;
  readonly taken: RefObject<Shown | null>;
  readonly isBeside: boolean;
  readonly isRaised: boolean;
  readonly view: CaseView;
  readonly deepest_mm: number;
  readonly canFlow: boolean;
  onFit(): void;
}) {
  const { cut, apart, isFlowing, isTreeOpen, set } = useScene();
  const save = async (as: 'png' | 'glb'): Promise<void> => {
    if (!taken.current) return;
    const { saveScene } = await import('./saveScene');
    await saveScene(taken.current, name, as);
  };
  return (
    <div
      className={styles.bar}
      data-beside={isBeside || undefined}
      data-raised={isRaised || undefined}
    >
      {view === 'section' && (
        <Sliding
          label={msg`Cut`}
          name={msg`Cut from the window`}
          value={Math.round(cut * deepest_mm)}
          most={deepest_mm}
          text={formatMeasure(Math.round(cut * deepest_mm), 'mm')}
          onChange={(mm) => set({ cut: mm / deepest_mm })}
        />
      )}
      {view === 'exploded' && (
        <Sliding
          label={msg`Apart`}
          name={msg`Parts drawn apart`}
          value={Math.round(100 * apart)}
          most={100}
          text={`${Math.round(100 * apart)} %`}
          onChange={(percent) => set({ apart: percent / 100 })}
        />
      )}
      <span className={styles.take}>
        <Press onClick={onFit} title={msg`The picked part, or the whole machine, fills the page`}>
          {msg`Fit`}
        </Press>
        <Press aria-pressed={isTreeOpen} onClick={() => set({ isTreeOpen: !isTreeOpen })}>
          {msg`Parts`}
        </Press>
        {canFlow && (
          <Press
            aria-pressed={isFlowing}
            title={msg`Coolant at its real velocity, air with speed and temperature`}
            onClick={() => set({ isFlowing: !isFlowing })}
          >
            {msg`Flow`}
          </Press>
        )}
        <Press title={msg`As it is seen, 3840 × 2160`} onClick={() => void save('png')}>
          {msg`PNG`}
        </Press>
        <Press title={msg`The machine in space, glTF 2.0`} onClick={() => void save('glb')}>
          {msg`glTF`}
        </Press>
      </span>
    </div>
  );
}
