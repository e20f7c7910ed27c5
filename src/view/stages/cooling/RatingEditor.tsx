'use client';
import { useState } from 'react';
import type { RadiatorRating } from '@/core/components';
import { QuantityField } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './CoolingStage.module.css';

/**
 * A maker's "carries so many watts", taken only with the difference and the speed it was measured
 * at.
 */
export function RatingEditor({
  component,
  rating,
}: {
  readonly component: string;
  readonly rating: RadiatorRating | null;
}) {
  const commit = useEditor((s) => s.commit);
  const [draft, setDraft] = useState<Partial<RadiatorRating>>(rating ?? {});
  const set =
    (key: keyof RadiatorRating) =>
    (v: number | null): void => {
      const next = Object.fromEntries(
        Object.entries({ ...draft, [key]: v }).filter(([, x]) => x !== null),
      ) as Partial<RadiatorRating>;
      setDraft(next);
      if (
        next.heat_W !== undefined &&
        next.difference_K !== undefined &&
        next.speed_rpm !== undefined
      )
        commit(msg`set the printed rating`, {
          do: 'component.rating',
          component,
          rating: {
            heat_W: next.heat_W,
            difference_K: next.difference_K,
            speed_rpm: next.speed_rpm,
          },
        });
      else if (rating)
        commit(msg`take the printed rating out`, {
          do: 'component.rating',
          component,
          rating: null,
        });
    };
  const missing =
    draft.heat_W !== undefined &&
    (draft.difference_K === undefined || draft.speed_rpm === undefined);
  return (
    <>
      <div className={styles.rating}>
        <span className="soft">{msg`Printed:`}</span>
        <QuantityField
          label={msg`Carries`}
          value={draft.heat_W ?? null}
          optional
          quantity="power"
          width={48}
          min={1}
          max={20000}
          onCommit={set('heat_W')}
        />
        <QuantityField
          label={msg`at a difference of`}
          value={draft.difference_K ?? null}
          optional
          quantity="difference"
          decimals={1}
          width={40}
          min={0.1}
          max={100}
          onCommit={set('difference_K')}
        />
        <QuantityField
          label={msg`and fans at`}
          value={draft.speed_rpm ?? null}
          optional
          quantity="speed"
          width={48}
          min={0}
          max={20000}
          onCommit={set('speed_rpm')}
        />
      </div>
      {missing && (
        <p role="note" className="soft">
          {draft.difference_K === undefined
            ? msg`${Math.round(draft.heat_W ?? 0)} W say nothing without the difference between
              coolant and air they were measured at: any radiator carries any heat if the
              coolant is hot enough. It is not used.`
            : msg`Without the fan speed it cannot be compared. It is not used.`}
        </p>
      )}
    </>
  );
}
