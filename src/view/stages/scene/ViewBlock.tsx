'use client';
import type { RefObject } from 'react';
import { Press } from '@/view/shared';
import { STANDS, type Stand } from './stands';
import styles from './ViewBlock.module.css';

/** Faces of the block: the case stands in it as in the scene, x to the front, y up, z to the glass. */
const FACES: readonly { readonly stand: Stand; readonly turn: string }[] = [
  { stand: 'window', turn: 'translateZ(22px)' },
  { stand: 'tray', turn: 'rotateY(180deg) translateZ(22px)' },
  { stand: 'front', turn: 'rotateY(90deg) translateZ(22px)' },
  { stand: 'rear', turn: 'rotateY(-90deg) translateZ(22px)' },
  { stand: 'top', turn: 'rotateX(90deg) translateZ(22px)' },
  { stand: 'bottom', turn: 'rotateX(-90deg) translateZ(22px)' },
];

/**
 * A small block that turns with the machine; pressing a face looks at that side, the word below it
 * at the corner. Every face is reached with the keyboard, seen or not.
 */
export function ViewBlock({
  block,
  isBeside,
  onStand,
}: {
  readonly block: RefObject<HTMLDivElement | null>;
  /** The working panel is open at its right. */
  readonly isBeside: boolean;
  onStand(stand: Stand): void;
}) {
  return (
    <div
      role="group"
      aria-label="Look from"
      className={styles.place}
      data-beside={isBeside || undefined}
    >
      <div className={styles.eye}>
        <div className={styles.block} ref={block}>
          {FACES.map(({ stand, turn }) => (
            <Press
              key={stand}
              className={styles.face}
              style={{ transform: turn }}
              onClick={() => onStand(stand)}
            >
              {STANDS[stand]}
            </Press>
          ))}
        </div>
      </div>
      <Press className={styles.corner} onClick={() => onStand('corner')}>
        {STANDS.corner}
      </Press>
    </div>
  );
}
