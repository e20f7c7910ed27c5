'use client';
import type { Component } from '@/core/design';
import type { LayerPart } from '@/core/components';
import { Pick, useOffer, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './CaseStage.module.css';

const NONE = '';

/** Grilles, filters and gaskets screwed on with a set of fans: air, screws and the list know them. */
export function FanLayers({ component }: { readonly component: Component }) {
  const commit = useEditor((s) => s.commit);
  const offer = useOffer('layer');
  const { part, settings } = component;
  if (part.kind !== 'fan') return null;
  const now = settings.layers ?? [];
  const set = (layers: readonly LayerPart[], label: string): void =>
    commit(
      label,
      layers.length > 0
        ? { do: 'component.set', component: component.id, values: { layers } }
        : { do: 'component.unset', component: component.id, keys: ['layers'] },
    );
  return (
    <>
      <Pick
        label={msg`Screwed on with it`}
        value={NONE}
        options={[
          { value: NONE, label: now.length > 0 ? msg`one more` : msg`nothing` },
          ...offer
            .filter((l) => l.section_mm === part.section_mm)
            .map((l) => ({ value: l.id, label: l.name })),
        ]}
        onPick={(id) => {
          const layer = offer.find((l) => l.id === id);
          if (layer) set([...now, layer], msg`${layer.name} on ${component.name}`);
        }}
      />
      {now.map((l, i) => (
        <p key={`${l.id}-${i}`} className="soft">
          {l.name}{' '}
          <Press
            className={styles.link}
            aria-label={msg`Take ${l.name} off`}
            onClick={() =>
              set(
                now.filter((_, k) => k !== i),
                msg`${l.name} off ${component.name}`,
              )
            }
          >
            {msg`take it off`}
          </Press>
        </p>
      ))}
    </>
  );
}
