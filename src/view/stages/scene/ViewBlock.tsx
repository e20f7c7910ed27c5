'use client';
import type { RefObject } from 'react';
import { Press, Select } from '@/view/shared';
import { msg, worded } from '@/core/messages';
import { STANDS, type Stand } from './stands';
import styles from './ViewBlock.module.css';

/** Faces of the block: the case stands in it as in the scene, x to the front, y up, z to the glass. */
const FACES: readonly { readonly stand: Stand; readonly turn: string }[] = worded(() => [
  { stand: 'window', turn: 'translateZ(22px)' },
  { stand: 'tray', turn: 'rotateY(180deg) translateZ(22px)' },
  { stand: 'front', turn: 'rotateY(90deg) translateZ(22px)' },
  { stand: 'rear', turn: 'rotateY(-90deg) translateZ(22px)' },
  { stand: 'top', turn: 'rotateX(90deg) translateZ(22px)' },
  { stand: 'bottom', turn: 'rotateX(-90deg) translateZ(22px)' },
]);

/**
 * A small block that turns with the machine; pressing a face looks at that side. The list below
 * says the same in words, for keys, thumbs and readers.
 */
export function ViewBlock({
  block,
  at,
  isBeside,
  onStand,
}: {
  readonly block: RefObject<HTMLDivElement | null>;
  /** The side asked for last. */
  readonly at: Stand;
  /** The working panel is open at its right. */
  readonly isBeside: boolean;
  onStand(stand: Stand): void;
}) {
  return (
    <div className={styles.place} data-beside={isBeside || undefined}>
      <div className={styles.eye} aria-hidden>
        <div className={styles.block} ref={block}>
          {FACES.map(({ stand, turn }) => (
            <Press
              key={stand}
              tabIndex={-1}
              className={styles.face}
              style={{ transform: turn }}
              onClick={() => onStand(stand)}
            >
              {STANDS[stand]}
            </Press>
          ))}
        </div>
      </div>
      <Select
        className={styles.side}
        value={at}
        inputProps={{ 'aria-label': msg`Look from` }}
        onChange={(e) => onStand(e.target.value as Stand)}
      >
        {Object.entries(STANDS).map(([stand, name]) => (
          <option key={stand} value={stand}>
            {name}
          </option>
        ))}
      </Select>
    </div>
  );
}
