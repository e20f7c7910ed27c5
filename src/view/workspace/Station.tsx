'use client';
import { useDraggable } from '@dnd-kit/core';
import { StationIcon, Press } from '@/view/shared';
import { msg } from '@/core/messages';
import styles from './LoopLine.module.css';

interface Props {
  readonly id: string;
  readonly component: string;
  readonly x: number;
  readonly y: number;
  readonly name: string;
  readonly kind: string;
  readonly small: boolean;
  /** Where the name stands, and how wide it may be. */
  readonly label: { readonly x: number; readonly y: number; readonly width: number } | null;
  readonly picked: boolean;
  readonly text: string;
  onPick(): void;
  onMove(by: 1 | -1): void;
}

/** One part on the loop line: picked by a click, moved by dragging or Alt and the arrow keys. */
export function Station({
  id,
  x,
  y,
  name,
  kind,
  small,
  label,
  picked,
  text,
  onPick,
  onMove,
}: Props) {
  const { setNodeRef, listeners, attributes, transform, isDragging } = useDraggable({
    id,
    disabled: small,
  });
  const half = small ? 9 : 22;
  return (
    <>
      <Press
        ref={setNodeRef}
        className={small ? styles.joint : styles.station}
        style={{
          left: x - half,
          top: y - (small ? 9 : 19),
          transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
          zIndex: isDragging ? 2 : 1,
        }}
        {...listeners}
        {...attributes}
        role="button"
        aria-pressed={picked}
        aria-label={small ? text : msg`${text}. Alt and arrow keys move it.`}
        title={small ? name : msg`${name}: drag to move it in the loop`}
        onClick={onPick}
        onKeyDown={(e) => {
          if (!small && e.altKey && (e.key === 'ArrowLeft' || e.key === 'ArrowRight')) {
            e.preventDefault();
            onMove(e.key === 'ArrowLeft' ? -1 : 1);
          }
        }}
      >
        {!small && <StationIcon kind={kind} picked={picked} size={36} />}
      </Press>
      {label && (
        <span
          className={styles.name}
          data-picked={picked || undefined}
          style={{ left: label.x, width: label.width, top: label.y }}
          aria-hidden
        >
          {name}
        </span>
      )}
    </>
  );
}
