'use client';
import { Check, QuantityField, TextInput, useHandedIn } from '@/view/shared';
import { useState } from 'react';
import type { Loop } from '@/core/design';
import { formatMeasure, formatNumber } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

/** Angles that sets of mandrels come in (common practice, no source). */
const COMMON_DEG = [15, 30, 45, 60, 90, 180] as const;

const listOf = (text: string): readonly number[] => [
  ...new Set(
    text
      .split(/[^0-9.]+/)
      .filter(Boolean)
      .map(Number)
      .filter((v) => v >= 1 && v <= 1000),
  ),
];

/** What hard tube is bent with: runs keep to these angles and radii. */
export function MandrelsInHand({ loop }: { readonly loop: Loop }) {
  const commit = useEditor((s) => s.commit);
  const { mandrels } = loop;
  const [radii, setRadii] = useState<string | null>(null);
  const [radiiNow, handIn] = useHandedIn((mandrels?.radii_mm ?? [loop.tube.minBend_mm]).join(', '));
  const set = (
    angles_deg: readonly number[],
    radii_mm = mandrels?.radii_mm,
    grip_mm = mandrels?.grip_mm,
  ): void =>
    commit(msg`the mandrels in hand`, {
      do: 'loop.mandrels',
      loop: loop.id,
      mandrels:
        angles_deg.length === 0
          ? null
          : {
              angles_deg: [...angles_deg].sort((a, b) => a - b),
              ...(radii_mm && radii_mm.length > 0 ? { radii_mm } : {}),
              ...(grip_mm === undefined ? {} : { grip_mm }),
            },
    });
  const angles = mandrels?.angles_deg ?? [];
  const toggle = (angle: number, has: boolean): void =>
    set(has ? [...angles, angle] : angles.filter((a) => a !== angle));
  return (
    <details className={styles.caps}>
      <summary>
        {msg`Mandrels in hand:
          ${mandrels ? `${angles.map((a) => formatNumber(a)).join(', ')}°` : msg`any angle`}`}
      </summary>
      <p className={styles.row}>
        {[...new Set([...COMMON_DEG, ...angles])]
          .sort((a, b) => a - b)
          .map((angle) => (
            <label key={angle}>
              <Check
                checked={angles.includes(angle)}
                onChange={(e) => toggle(angle, e.target.checked)}
              />{' '}
              {formatNumber(angle)}°
            </label>
          ))}
      </p>
      {mandrels && (
        <label>
          {msg`Their radii, mm`}{' '}
          <TextInput
            value={radii ?? radiiNow}
            onChange={(e) => setRadii(e.target.value)}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') e.currentTarget.blur();
            }}
            onBlur={() => {
              if (radii === null) return;
              const typed = listOf(radii);
              set(angles, typed);
              if (typed.length > 0) handIn(typed.join(', '));
              setRadii(null);
            }}
          />
        </label>
      )}
      {mandrels && (
        <QuantityField
          label={msg`Straight they need between two bends`}
          quantity="length"
          value={mandrels.grip_mm ?? loop.tube.outer_mm}
          min={loop.tube.outer_mm}
          max={300}
          onCommit={(v) => v !== null && set(angles, undefined, v)}
        />
      )}
      <p className="soft">
        {msg`With none ticked any bend can be made. The smallest radius the tube allows is used,
          ${formatMeasure(loop.tube.minBend_mm, 'mm')} or more.`}
      </p>
    </details>
  );
}
